package crop

import (
	"cmp"
	"errors"
	"math"
	"slices"

	"vertumna/core/limb"
	"vertumna/core/num"
	"vertumna/core/together"
)

// A unit is a limb that is counted, thinned and picked as one with all it carries: a scaffold, or a stem where several come
// from the ground.
type unit struct {
	i          int // place on the map
	id         string
	diameterMM float64
	lengthCM   float64
	light      float64 // of its bearing wood
	aboveReach float64 // share of its bearing above reach
	buds       float64 // flower buds expected by the light
	bears      float64 // what its wood could bear
	safe       int     // fruit it carries safely
	axes       []int   // itself and all it carries
}

// Limits of what is counted as a limb of its own (est.).
const (
	leastUnitMM = 8
	leastUnitCM = 20
)

// reading is a map with what it is expected to bear this year.
type reading struct {
	m     *limb.Map
	light limb.Light
	buds  []float64 // flower buds of each limb's own wood, by its light
	bears []float64 // the same with no limb darker than dimLeast: how fruit that hangs is shared out
	above []float64 // of bears, above reach
	from  []float64 // cm from its base, where its own wood begins to bear
	to    []float64 // and ends; from where none of it bears
}

// dimLeast is the light a limb is taken to have where fruit hangs: what set there proves that it saw some when its buds were
// made, however dark the map makes it (est.).
const dimLeast = 0.25

func lit(light limb.Light, n int) limb.Light {
	out := make(limb.Light, n)
	for i := range out {
		out[i] = math.Max(dimLeast, light.At(i))
	}
	return out
}

func read(m *limb.Map, light limb.Light, reachCM float64) *reading {
	n := m.Len()
	r := &reading{m: m, light: light, buds: make([]float64, n), bears: make([]float64, n), above: make([]float64, n), from: make([]float64, n), to: make([]float64, n)}
	dim := lit(light, n)
	for i := range n {
		for _, p := range m.Fruiting(i, light) {
			r.buds[i] += p.Buds
		}
		for _, p := range m.Fruiting(i, dim) {
			if p.Buds <= 0 {
				continue
			}
			if r.to[i] == 0 {
				r.from[i] = p.From
			}
			r.to[i] = p.To
			r.bears[i] += p.Buds
			if p.MidZ > reachCM {
				r.above[i] += p.Buds
			}
		}
	}
	return r
}

// units are the limbs to count: scaffolds, or stems where there are several, thickest first.
func (r *reading) units() []unit {
	m := r.m
	var roots []int
	if stems := m.Stems(); len(stems) > 1 {
		roots = stems
	} else if len(stems) == 1 {
		for _, c := range m.Axes[stems[0]].Children {
			if a := &m.Axes[c]; a.D >= leastUnitMM && a.L >= leastUnitCM && !a.Sucker {
				roots = append(roots, c)
			}
		}
		if len(roots) == 0 {
			roots = stems
		}
	}
	var out []unit
	for _, i := range roots {
		if m.WhollyDead(i) {
			continue
		}
		u := unit{i: i, id: m.Axes[i].ID, diameterMM: m.Axes[i].D, lengthCM: m.Axes[i].L, axes: m.Subtree(i)}
		above := 0.0
		for _, j := range u.axes {
			u.light += r.bears[j] * r.light.At(j)
			u.buds += r.buds[j]
			u.bears += r.bears[j]
			above += r.above[j]
		}
		if u.bears > 0 {
			u.light /= u.bears
			u.aboveReach = above / u.bears
		} else {
			u.light = r.light.At(i)
		}
		out = append(out, u)
	}
	slices.SortStableFunc(out, func(a, b unit) int { return cmp.Compare(b.diameterMM, a.diameterMM) })
	return out
}

// bearingOf lists the bearing wood of some limbs as the spacing rule wants it.
func (r *reading) bearingOf(axes []int) []Bearing {
	out := []Bearing{}
	for _, i := range axes {
		from, to := r.stretch(i)
		if to-from < 1 {
			continue
		}
		class := r.class(i)
		out = append(out, Bearing{LengthCM: to - from, Class: class, Count: 1})
		if twigs := twigCM * r.m.OwnLeaf(i); twigs >= 1 && class != "hanging" {
			out = append(out, Bearing{LengthCM: math.Min(2000, twigs), Class: class, Count: 1})
		}
	}
	return out
}

// class of a limb as the spacing rule knows it.
func (r *reading) class(i int) string {
	a := &r.m.Axes[i]
	c := ClassOf(a.L, a.D, r.m.MeanAngle(i), r.light.At(i))
	if c == "hanging_weak" {
		return "hanging"
	}
	return c
}

// twigCM is the bearing length of the small twigs that stand on a limb and were not mapped, cm for each mm2 of leaf section they
// carry: a twig of 5 mm is some 15 cm long (est.).
const twigCM = 0.6

// stretch is the part of a limb's own wood that bears, cm from its base.
func (r *reading) stretch(i int) (from, to float64) { return r.from[i], r.to[i] }

// spread shares a whole number out by weights: the largest remainders get what is left over, then the earlier.
func spread(total int, weights []float64) []int {
	sum := 0.0
	for _, w := range weights {
		sum += w
	}
	out := make([]int, len(weights))
	if sum <= 0 || total <= 0 {
		return out
	}
	shares := make([]share, len(weights))
	for i, w := range weights {
		shares[i] = share{w: w, cap: math.Inf(1), open: w > 0}
	}
	shareOut(shares, float64(total))
	for i := range shares {
		out[i] = int(shares[i].keep)
	}
	return out
}

// Loads of limbs: which are looked at, and what is taken where nobody looked (est.).
const (
	loadMinMM   = 12
	loadMinCM   = 40
	soundOfSick = 0.7 // of the wood at a base with a mark of canker, borer or damage
	sickNearCM  = 15
	mostBare    = 0.9
)

// bendingAtOnce is how many limbs are bent side by side.
const bendingAtOnce = 2

// loadInput is a limb of the map as the load model wants it, with the fruit on it and all it carries.
func (r *reading) loadInput(i, fruit int, o LoadTerms) LoadInput {
	m, a := r.m, &r.m.Axes[i]
	tip, tipDeg := math.Min(a.Dt, a.D), num.Clamp(a.A1, 0, 180)
	in := LoadInput{
		Species: m.Kind.Slug, LengthCM: num.Clamp(a.L, 10, 1000), D: num.Clamp(a.D, 3, 500), BaseDeg: num.Clamp(a.A0, 0, 180), TipDeg: &tipDeg, Fruit: min(fruit, mostFruit),
		BareShare: r.bare(i), InLeaf: o.InLeaf, SnowKgM2: o.SnowKgM2, Safety: o.Safety, Bark: "unknown", Sound: 1,
	}
	if tip >= 0.5 {
		in.TipMM = &tip
	}
	if o.MassG > 0 {
		in.FruitG = &o.MassG
	}
	crotch, carrier := m.Crotch(i)
	if a.Parent >= 0 && !(m.IsStem(a.Parent) && a.Attach >= m.Axes[a.Parent].L-1) { // where a trunk divides none is a side limb of another
		carrier = math.Max(carrier, in.D)
		in.ParentMM = &carrier
	}
	in.CrotchDeg = &crotch
	if m.Has(i, limb.Bark) {
		in.Bark = "yes"
	}
	for _, mark := range a.Marks {
		switch mark.Kind {
		case limb.Diseased, limb.Damaged, limb.Borer:
			if mark.AtCM <= sickNearCM {
				in.Sound = soundOfSick
			}
		}
	}
	return in
}

// bare is the share of a limb's length from its base on which neither it nor what it carries bears.
func (r *reading) bare(i int) float64 {
	a := &r.m.Axes[i]
	from, to := r.stretch(i)
	if to <= from {
		from = a.L
	}
	for _, c := range a.Children {
		from = math.Min(from, r.m.Axes[c].Attach)
	}
	return num.Clamp(from/a.L, 0, mostBare)
}

// LoadTerms are what holds for all limbs of a tree's load.
type LoadTerms struct {
	InLeaf   bool
	SnowKgM2 float64
	Safety   float64 // 2 in shelter, 2.5, 3 over a path or on exposed ground
	MassG    float64 // of a fruit as it will be; 0: the kind's
}

// LimbAt is the load of one limb of a map.
type LimbAt struct {
	Limb  string
	Index int
	Fruit int // on it and all it carries
	Load
}

// loads bends every limb thick and long enough, with the fruit each carries; the worst first.
func (r *reading) loads(fruit []float64, o LoadTerms) ([]LimbAt, error) {
	m := r.m
	on := slices.Clone(fruit)
	for i := m.Len() - 1; i >= 0; i-- {
		if p := m.Axes[i].Parent; p >= 0 {
			on[p] += on[i]
		}
	}
	var which []int
	for i := range m.Len() {
		a := &m.Axes[i]
		upright := m.IsStem(i) && len(m.Stems()) == 1
		if a.D < loadMinMM || a.L < loadMinCM || upright || m.WhollyDead(i) || on[i] < 0.5 && o.SnowKgM2 == 0 {
			continue
		}
		which = append(which, i)
	}
	out, errs := make([]LimbAt, len(which)), make([]error, len(which))
	together.Do(bendingAtOnce, func(worker int) {
		for k := worker; k < len(which); k += bendingAtOnce {
			i := which[k]
			n := int(num.Round(on[i]))
			l, err := LimbLoad(r.loadInput(i, n, o))
			out[k], errs[k] = LimbAt{m.Axes[i].ID, i, n, l}, err
		}
	})
	if err := errors.Join(errs...); err != nil {
		return nil, err
	}
	slices.SortStableFunc(out, func(a, b LimbAt) int { return cmp.Compare(b.Use, a.Use) })
	return out, nil
}

// TakenByCuts estimates the fruit of counted limbs that went with wood since: by the leaf each limb has lost.
func TakenByCuts(before, now *limb.Map, counts []LimbFruit) map[string]int {
	out := map[string]int{}
	for _, c := range counts {
		i, j := before.Index(c.Limb), now.Index(c.Limb)
		if i < 0 {
			continue
		}
		had, has := before.LeafBeyond(i, 0), 0.0
		if j >= 0 {
			has = now.LeafBeyond(j, 0)
		}
		if gone := 1 - has/math.Max(had, num.Slack); gone > 0.005 {
			out[c.Limb] = int(num.Round(gone * float64(c.Fruit)))
		}
	}
	return out
}
