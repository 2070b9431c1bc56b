package limb

import (
	"fmt"
	"math"
	"slices"
)

// CutKind is the kind of a cut.
type CutKind string

// The kinds of cuts. All but notch and spur thinning take off what stands beyond the place.
const (
	Collar     CutKind = "collar"
	SideBranch CutKind = "side"
	SoundWood  CutKind = "sound"
	AboveBud   CutKind = "bud"
	Stub       CutKind = "stub"
	TipThird   CutKind = "tip_third"
	FiveLeaves CutKind = "five_leaves"
	FruitBud   CutKind = "fruit_bud"
	SpurBack   CutKind = "spur_back"
	ToFruits   CutKind = "to_fruits"
	SpurThin   CutKind = "spur_thin"
	Notch      CutKind = "notch"
)

// CutKinds are all of them.
var CutKinds = []CutKind{Collar, SideBranch, SoundWood, AboveBud, Stub, TipThird, FiveLeaves, FruitBud, SpurBack, ToFruits, SpurThin, Notch}

// CutAt is one cut: kind, limb and place, cm from the limb's base; 0 or below is the collar. SpurThin takes a fraction of
// the leaf between AtCM and ToCM.
type CutAt struct {
	Limb     string  `json:"limb" maxLength:"100"`
	Kind     CutKind `json:"kind" maxLength:"40"`
	AtCM     float64 `json:"at_cm" minimum:"0" maximum:"2500"`
	ToCM     float64 `json:"to_cm,omitempty" minimum:"0" maximum:"2500"`
	Fraction float64 `json:"fraction,omitempty" minimum:"0" maximum:"1"`
}

// Freeze writes every limb's own leaf down, so that leaf a cut takes never comes back as unmapped twigs.
func (m *Map) Freeze() *Map {
	if !slices.ContainsFunc(m.Axes, func(a Axis) bool { return !a.ownGiven }) {
		return m
	}
	axes := slices.Clone(m.Axes)
	for i := range axes {
		axes[i].Own, axes[i].ownGiven = m.pipe.own[i], true
	}
	out := *m // nothing has moved
	out.Axes = axes
	out.pipe = flow(&out)
	return &out
}

// EndsAtBud: the cut leaves a bud on top.
func (k CutKind) EndsAtBud() bool {
	switch k {
	case AboveBud, TipThird, FiveLeaves, FruitBud, SpurBack, ToFruits:
		return true
	}
	return false
}

// ShareOf is the part of the crown a cut takes, 0..1.
func (m *Map) ShareOf(c CutAt) float64 {
	i := m.Index(c.Limb)
	switch {
	case i < 0 || c.Kind == Notch || m.pipe.crown <= 0:
		return 0
	case c.Kind == SpurThin:
		return m.spurLeaf(i, c) * m.pipe.reach[i] / m.pipe.crown
	}
	return m.Share(i, c.AtCM)
}

// spurLeaf is the own leaf that spur thinning takes.
func (m *Map) spurLeaf(i int, c CutAt) float64 {
	a, end := &m.Axes[i], m.LiveEnd(i)
	return c.Fraction * m.pipe.own[i] * (a.fall(c.AtCM, end) - a.fall(c.ToCM, end))
}

// Cut makes a cut. The error is given.Faults: the limb is not on the map, the place is not on the limb, or a whole stem
// would go. For many cuts, see Cutter.
func (m *Map) Cut(c CutAt) (*Map, error) {
	cutter := m.Cutter()
	if err := cutter.Cut(c); err != nil {
		return nil, err
	}
	return cutter.Map(), nil
}

// Cutter makes cuts one after another on its own copy of a map, which is cheaper than a map for each.
type Cutter struct{ m *Map }

// Cutter starts from a map, which is not changed.
func (m *Map) Cutter() *Cutter {
	own := *m.Freeze()
	own.Axes, own.base, own.polys = slices.Clone(own.Axes), slices.Clone(own.base), slices.Clone(own.polys)
	return &Cutter{&own}
}

// Map is the tree as it now stands. It changes with the next cut.
func (k *Cutter) Map() *Map { return k.m }

// Cut makes one more cut. Errors: those of Map.Cut; then nothing is cut.
func (k *Cutter) Cut(c CutAt) error {
	m := k.m
	var ps faults
	i := m.Index(c.Limb)
	switch {
	case i < 0:
		ps.add("E_CUT_LIMB", c.Limb, "limb", fmt.Sprintf("%q", c.Limb), "a limb of this map")
	case !finite(c.AtCM) || c.AtCM > m.Axes[i].L:
		ps.add("E_CUT_POS", c.Limb, "at_cm", fmt.Sprintf("%g cm", c.AtCM), fmt.Sprintf("a place on the limb's %.1f cm", m.Axes[i].L))
	case c.AtCM <= 0 && m.IsStem(i) && c.Kind != Notch && c.Kind != SpurThin:
		ps.add("E_CUT_TRUNK", c.Limb, "at_cm", "the whole stem", "a cut above the ground")
	}
	if len(ps) > 0 {
		return ps.orNil()
	}
	switch {
	case c.Kind == Notch:
		return nil
	case c.Kind == SpurThin:
		m.thinSpurs(i, c)
	case c.AtCM <= 0:
		m.takeOff(i)
	default:
		m.shorten(i, c.AtCM)
	}
	m.pipe = flow(m)
	return nil
}

func (m *Map) thinSpurs(i int, c CutAt) {
	a := &m.Axes[i]
	a.Own -= m.spurLeaf(i, c)
	a.Spurs = slices.Clone(a.Spurs)
	for k := range a.Spurs {
		if math.Abs(a.Spurs[k].FromCM-c.AtCM) <= 0.1 {
			a.Spurs[k].Count *= 1 - c.Fraction
		}
	}
}

// takeOff cuts a limb at its collar.
func (m *Map) takeOff(i int) {
	w := Wound{AtCM: m.Axes[i].Attach, DMM: m.Axes[i].D, Fresh: true}
	if year := m.Year; year > 0 {
		w.Year = &year
	}
	carrier := &m.Axes[m.Axes[i].Parent]
	carrier.Wounds = append(slices.Clone(carrier.Wounds), w)
	m.drop(m.Subtree(i))
}

func (m *Map) shorten(i int, x float64) {
	a := &m.Axes[i]
	var gone []int
	stands := 0.0 // section of what leaves just at the cut and stays
	for _, c := range a.Children {
		switch k := &m.Axes[c]; {
		case k.Attach >= x+sameCM:
			gone = append(gone, m.Subtree(c)...)
		case math.Abs(k.Attach-x) <= sameCM:
			stands += sq(k.D)
		}
	}
	d := m.Diameter(i, x)
	a.Own *= a.fallAtCut(x)
	a.A1 = m.Theta(i, x)
	a.Dt = math.Min(a.D, math.Sqrt(math.Max(0, d*d-m.pipe.sigma[i]*stands)))
	a.Rings = ringsTo(a.Rings, x)
	a.L, a.Tip = x, Cut
	a.Bare = math.Min(a.Bare, 0.95*x)
	a.Marks = slices.DeleteFunc(slices.Clone(a.Marks), func(k Mark) bool { return k.AtCM >= x })
	a.Wounds = slices.DeleteFunc(slices.Clone(a.Wounds), func(w Wound) bool { return w.AtCM >= x })
	a.Buds = slices.DeleteFunc(slices.Clone(a.Buds), func(b SeenBud) bool { return b.AtCM > x })
	var spurs []SpurCount
	for _, s := range a.Spurs {
		if s.ToCM > x && s.FromCM < x {
			s.Count, s.ToCM = s.Count*(x-s.FromCM)/(s.ToCM-s.FromCM), x
		}
		if s.ToCM <= x {
			spurs = append(spurs, s)
		}
	}
	a.Spurs = spurs
	var gaps []Stretch
	for _, g := range a.Gaps {
		if g.FromCM < x {
			gaps = append(gaps, Stretch{g.FromCM, math.Min(g.ToCM, x)})
		}
	}
	a.Gaps = gaps
	if !slices.Contains(a.Tags, Fresh) {
		a.Tags = append(slices.Clone(a.Tags), Fresh)
	}
	m.polys[i] = m.polyline(i)
	m.drop(gone)
}

// fallAtCut is the part of the own twigs that goes with a cut at x stays behind: what stood beyond keeps its share.
func (a *Axis) fallAtCut(x float64) float64 {
	if x <= a.Bare {
		return 0
	}
	return (x - a.Bare) / (a.L - a.Bare)
}

// ringsTo cuts a list of rings at a length.
func ringsTo(rings []float64, x float64) []float64 {
	var out []float64
	left := x
	for _, r := range rings {
		if left <= 1e-9 {
			break
		}
		out = append(out, math.Min(r, left))
		left -= r
	}
	return out
}

// Again makes a map of the same limbs in the same order with other measures. They are taken as they are.
func (m *Map) Again(axes []Axis) *Map {
	out := *m
	out.Axes = axes
	out.settle()
	return &out
}

// drop takes limbs out of a map that is this code's own. What stays keeps its order and stands where it stood.
func (m *Map) drop(gone []int) {
	if len(gone) == 0 {
		return
	}
	place, names := make([]int, len(m.Axes)), make(map[string]bool, len(gone))
	for _, i := range gone {
		place[i], names[m.Axes[i].ID] = -1, true
	}
	n := 0
	for i := range m.Axes {
		if place[i] < 0 {
			continue
		}
		if n != i {
			m.Axes[n], m.base[n], m.polys[n] = m.Axes[i], m.base[i], m.polys[i]
		}
		place[i] = n
		a := &m.Axes[n]
		if a.Parent >= 0 {
			a.Parent = place[a.Parent]
		}
		a.forget(names)
		n++
	}
	m.Axes, m.base, m.polys = m.Axes[:n], m.base[:n], m.polys[:n]
	m.link()
}

// forget drops what a limb said of limbs that are gone: rubbing on them, following them.
func (a *Axis) forget(gone map[string]bool) {
	if slices.ContainsFunc(a.Marks, func(k Mark) bool { return gone[k.Other] }) {
		a.Marks = slices.DeleteFunc(slices.Clone(a.Marks), func(k Mark) bool { return gone[k.Other] })
	}
	if s := a.said.state; s != nil && s.Limb != "" && gone[s.Limb] {
		a.said.state = nil
	}
}

// Doc writes a map down. Values filled in by rule are written as estimated.
func (m *Map) Doc() Doc {
	d := Doc{Version: FormatVersion, Species: m.Kind.Slug, Form: m.Form, Age: m.Age, Year: m.Year, Season: m.Season, RRef: m.RRef, REff: m.REff, Vig: m.Vig}
	d.Limbs = make([]Limb, len(m.Axes))
	for i := range m.Axes {
		a := &m.Axes[i]
		l := Limb{ID: a.ID, State: a.said.state, Note: a.said.note, Source: a.said.source, Sources: a.said.sources}
		if a.Parent >= 0 {
			l.Parent = m.Axes[a.Parent].ID
		} else {
			l.XCM, l.YCM = Of(a.X), Of(a.Y)
		}
		l.AttachCM, l.AzimuthDeg, l.AngleBaseDeg, l.AngleTipDeg = Of(a.Attach), Of(a.Azimuth), Of(a.A0), Of(a.A1)
		l.LengthCM, l.DiameterMM, l.TipDiameterMM, l.RingsCM = Of(a.L), Of(a.D), Of(a.Dt), a.Rings
		l.Tip, l.Marks, l.Sucker, l.Sprout, l.Buds, l.Tags, l.Device = a.Tip, a.Marks, a.Sucker, a.Sprout, a.Buds, a.Tags, a.Device
		l.Wounds, l.Spurs, l.Gaps, l.FruitCount = a.Wounds, a.Spurs, a.Gaps, a.Fruit
		l.TowardDeg = a.Toward
		if a.Bare > 0 || a.Parent < 0 { // a stem's is found by rule where it is not said
			l.BareCM = Of(a.Bare)
		}
		if a.ownGiven {
			l.OwnD2MM2 = Of(a.Own)
		}
		for _, f := range a.Inferred {
			l.Sources = withSource(l.Sources, f, Estimated)
		}
		d.Limbs[i] = l
	}
	return d
}
