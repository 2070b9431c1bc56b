package limb

import (
	"math"
	"slices"
)

// YearBack reads a tree's rings one year back: the map as it stood a growth year before. Every growing end loses its
// youngest ring, what had not yet grown is gone, and thickness shrinks by a year's share (our estimate: evenly over the
// seasons). What was cut in the meantime cannot be read, only its wounds. All of it is estimated.
func (m *Map) YearBack() (Doc, error) {
	doc := m.Doc()
	doc.Age = max(0, doc.Age-1)
	if doc.Year > 0 {
		doc.Year--
	}
	gone := map[string]bool{}
	kept := doc.Limbs[:0]
	for i := range doc.Limbs { // carriers come first
		l := doc.Limbs[i]
		a := &m.Axes[m.Index(l.ID)]
		n := len(a.Rings)
		length := a.L
		if a.Tip == Growing {
			length -= a.Rings[n-1]
		}
		late := l.Parent != "" && !gone[l.Parent] && *l.AttachCM > lengthOf(kept, l.Parent)
		if gone[l.Parent] || late || length < 1 {
			gone[l.ID] = true
			continue
		}
		if a.Tip == Growing {
			l.RingsCM = slices.Clone(a.Rings[:n-1])
			l.AngleTipDeg = Of(a.A0 + (a.A1-a.A0)*length/a.L)
			l.LengthCM = Of(length)
		}
		seasons := n
		if l.Parent == "" { // a stem cut back is older than the rings along it
			seasons = max(n, m.Age)
		}
		thin := 1 - 1/float64(seasons+1)
		l.DiameterMM = Of(math.Max(m.Kind.Growth.TipMM, a.D*thin))
		tip := a.Dt
		if a.Tip != Growing {
			tip *= thin
		}
		l.TipDiameterMM = Of(math.Min(tip, *l.DiameterMM))
		l.Marks, l.State, l.FruitCount, l.OwnD2MM2, l.BareCM = nil, nil, nil, nil, nil
		l.Buds = slices.DeleteFunc(slices.Clone(l.Buds), func(b SeenBud) bool { return b.AtCM > length })
		l.Wounds = slices.DeleteFunc(slices.Clone(l.Wounds), func(w Wound) bool { return w.AtCM > length || w.Year != nil && *w.Year >= doc.Year })
		l.Spurs, l.Gaps = nil, nil
		l.Tags = slices.DeleteFunc(slices.Clone(l.Tags), func(t string) bool { return t == Fresh || t == Set })
		l.Source, l.Sources = Estimated, nil
		kept = append(kept, l)
	}
	doc.Limbs = kept
	for i := range doc.Limbs { // no limb thicker than what carries it
		l := &doc.Limbs[i]
		if p := doc.Find(l.Parent); p != nil && *l.DiameterMM > *p.DiameterMM {
			l.DiameterMM = Of(*p.DiameterMM)
			l.TipDiameterMM = Of(math.Min(*l.TipDiameterMM, *l.DiameterMM))
		}
	}
	_, err := Check(doc)
	return doc, err
}

func lengthOf(limbs []Limb, id string) float64 {
	for i := range limbs {
		if limbs[i].ID == id {
			return *limbs[i].LengthCM
		}
	}
	return 0
}
