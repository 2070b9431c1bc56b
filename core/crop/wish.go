package crop

import "vertumna/core/pomology"

// Wish is what a household wants of a kind: fresh fruit and jars. A jar without a size holds a litre.
type Wish struct{ FreshKG, Jars, JarLitre float64 }

// PartOf is a tree's part of a wish, kg: by the ground of its crown among all bearing trees of its kind, for what is under
// the sun bears (our estimate; age is not asked). Crowns in m across; 0 where nothing is wanted of it.
func (w Wish) PartOf(k *pomology.Kind, crown float64, crowns []float64) float64 {
	all := 0.0
	for _, c := range crowns {
		all += c * c
	}
	if all == 0 {
		return 0
	}
	litre := w.JarLitre
	if litre <= 0 {
		litre = 1
	}
	return (w.FreshKG + w.Jars*litre*k.Crop.KgPerJarLitre) * crown * crown / all
}

// Densest is the place of the limb that carries most fruit for its thickness: there fruit is knocked off first where one
// must hurry; -1: no limb was counted.
func (p *Plan) Densest() int {
	best, at := 0.0, -1
	for i := range p.Limbs {
		l := &p.Limbs[i]
		if s := pomology.Section(l.DiameterMM); l.Share.On != nil && s > 0 && float64(*l.Share.On)/s > best {
			best, at = float64(*l.Share.On)/s, i
		}
	}
	return at
}
