package limb

import (
	"fmt"
	"math"

	"vertumna/core/given"
)

// pipe is the flow of wood and leaf through a map. Areas are d2 in mm2 throughout: pi/4 cancels.
type pipe struct {
	taken  []float64 // C: d2 of what leaves the limb, children and wounds
	slack  []float64 // section left for the limb's own twigs
	sigma  []float64 // 1, or what repairs a limb whose children outgrow it
	deadAt []float64 // first dead mark, +Inf where none
	dead   []bool    // wholly dead
	own    []float64 // leaf on the limb's own unmapped twigs
	tip    []float64 // leaf at its growing end
	lambda []float64 // leaf carried in all
	reach  []float64 // S: product of sigma down to the limb
	crown  float64   // Q
}

// Distances of the pipe model (limbs.md#13-leaf-carried-and-shares).
const (
	trunkEndCM = 40 // a stem that ends closer than this above its highest limb feeds only its limbs
	sameCM     = 1e-9
)

func sq(x float64) float64 { return x * x }

func flow(m *Map) pipe {
	n := len(m.Axes)
	grid := make([]float64, 8*n)
	part := func(k int) []float64 { return grid[k*n : (k+1)*n : (k+1)*n] }
	p := pipe{
		taken: part(0), slack: part(1), sigma: part(2), deadAt: part(3), own: part(4), tip: part(5), lambda: part(6),
		reach: part(7), dead: make([]bool, n),
	}
	for i := range m.Axes { // parents first
		a := &m.Axes[i]
		for _, c := range a.Children {
			p.taken[i] += sq(m.Axes[c].D)
		}
		for _, w := range a.Wounds {
			p.taken[i] += sq(w.DMM)
		}
		room := math.Max(0, sq(a.D)-sq(a.Dt))
		p.sigma[i] = 1
		if p.taken[i] > room && p.taken[i] > 0 {
			p.sigma[i] = room / p.taken[i]
		}
		p.slack[i] = math.Max(0, room-p.taken[i])
		p.markDead(m, i)
		p.own[i], p.tip[i] = m.ownLeaf(i, &p), 0
		if a.Tip == Growing && math.IsInf(p.deadAt[i], 1) && !p.dead[i] {
			p.tip[i] = sq(a.Dt)
		}
		p.reach[i] = 1
		if a.Parent >= 0 {
			p.reach[i] = p.reach[a.Parent] * p.sigma[a.Parent]
		}
	}
	for i := n - 1; i >= 0; i-- { // children first
		if !p.dead[i] {
			p.lambda[i] = p.own[i] + p.tip[i]
			for _, c := range m.Axes[i].Children {
				p.lambda[i] += p.sigma[i] * p.lambda[c]
			}
		}
		if m.Axes[i].Parent < 0 {
			p.crown += p.lambda[i]
		}
	}
	return p
}

func (p *pipe) markDead(m *Map, i int) {
	a := &m.Axes[i]
	p.deadAt[i] = math.Inf(1)
	for _, k := range a.Marks {
		if k.Kind == Dead {
			p.deadAt[i] = math.Min(p.deadAt[i], k.AtCM)
		}
	}
	p.dead[i] = p.deadAt[i] <= 0 || a.Parent >= 0 && (p.dead[a.Parent] || a.Attach >= p.deadAt[a.Parent])
}

// ownLeaf is the leaf on a limb's own unmapped twigs, mm2.
func (m *Map) ownLeaf(i int, p *pipe) float64 {
	a := &m.Axes[i]
	if p.dead[i] {
		return 0
	}
	if a.ownGiven {
		return a.Own
	}
	own := p.slack[i]
	if n := len(a.Children); a.Parent < 0 && n > 0 && a.L-m.Axes[a.Children[n-1]].Attach < trunkEndCM {
		own = 0
	}
	if at := p.deadAt[i]; at < a.L {
		own *= clamp((at-a.Bare)/(a.L-a.Bare), 0, 1)
	}
	return own
}

// fall is the part of the own twigs that stand beyond s, where they end at end.
func (a *Axis) fall(s, end float64) float64 {
	if s <= a.Bare {
		return 1
	}
	if end <= a.Bare {
		return 0
	}
	return clamp((end-s)/(end-a.Bare), 0, 1)
}

// WhollyDead says whether nothing on a limb lives.
func (m *Map) WhollyDead(i int) bool { return m.pipe.dead[i] }

// DeadAt is where a limb's dead part starts, +Inf where it lives to its end.
func (m *Map) DeadAt(i int) float64 { return m.pipe.deadAt[i] }

// LiveEnd is where a limb's live wood ends, cm from its base.
func (m *Map) LiveEnd(i int) float64 { return math.Min(m.Axes[i].L, m.pipe.deadAt[i]) }

// Diameter is the thickness of a limb just below whatever leaves it s cm from its base, mm. Section, not thickness,
// tapers evenly (Shinozaki et al. 1964), and side limbs take theirs in steps.
func (m *Map) Diameter(i int, s float64) float64 {
	a := &m.Axes[i]
	area := sq(a.Dt) + m.pipe.slack[i]*a.fall(s, a.L)
	for k := len(a.Children) - 1; k >= 0; k-- {
		c := &m.Axes[a.Children[k]]
		if c.Attach < s-sameCM {
			break
		}
		area += m.pipe.sigma[i] * sq(c.D)
	}
	for _, w := range a.Wounds {
		if w.AtCM >= s-sameCM {
			area += m.pipe.sigma[i] * sq(w.DMM)
		}
	}
	return math.Sqrt(area)
}

// Sigma repairs a limb whose children outgrow it; 1 elsewhere.
func (m *Map) Sigma(i int) float64 { return m.pipe.sigma[i] }

// Taken is the section, d2 in mm2, of all that leaves a limb: children and wounds.
func (m *Map) Taken(i int) float64 { return m.pipe.taken[i] }

// OwnLeaf is the leaf on a limb's unmapped twigs, in mm2 of section.
func (m *Map) OwnLeaf(i int) float64 { return m.pipe.own[i] }

// TipLeaf is the leaf at a limb's growing end, in mm2 of section.
func (m *Map) TipLeaf(i int) float64 { return m.pipe.tip[i] }

// Lambda is the leaf a limb carries in all, in mm2 of section.
func (m *Map) Lambda(i int) float64 { return m.pipe.lambda[i] }

// Weight is what a limb's leaf counts in the whole tree: 1 unless a limb below it is repaired.
func (m *Map) Weight(i int) float64 { return m.pipe.reach[i] }

// CrownD2 is the leaf of the whole tree, in mm2 of section.
func (m *Map) CrownD2() float64 { return m.pipe.crown }

// LeafM2 is the leaf area of the whole tree.
func (m *Map) LeafM2() float64 { return m.Kind.Growth.LeafM2PerCM2 * math.Pi / 400 * m.pipe.crown }

// LeafBeyond is the leaf that stands on a limb and all it carries beyond s, in mm2 of section.
func (m *Map) LeafBeyond(i int, s float64) float64 {
	if m.pipe.dead[i] {
		return 0
	}
	if s <= 0 {
		return m.pipe.lambda[i]
	}
	a := &m.Axes[i]
	leaf := m.pipe.own[i]*a.fall(s, m.LiveEnd(i)) + m.pipe.tip[i]
	for k := len(a.Children) - 1; k >= 0; k-- {
		c := a.Children[k]
		if m.Axes[c].Attach < s-sameCM {
			break
		}
		leaf += m.pipe.sigma[i] * m.pipe.lambda[c]
	}
	return leaf
}

// Share is the part of the crown that a cut s cm along a limb takes, 0..1: what a caliper gives.
func (m *Map) Share(i int, s float64) float64 {
	if m.pipe.crown <= 0 {
		return 0
	}
	return m.LeafBeyond(i, s) * m.pipe.reach[i] / m.pipe.crown
}

// Completeness says how far a map can be trusted, 0..1: how much of the canopy is described, times how much of it was
// measured. Described counts a limb's section that its mapped side limbs account for (half may be unmapped twigs).
type Completeness struct {
	Described float64 `json:"described"`
	Measured  float64 `json:"measured"`
	Value     float64 `json:"value"`
}

// thickEnoughMM: thinner limbs are not expected to have their twigs on the map.
const thickEnoughMM = 15

// Completeness measures how complete a map is.
func (m *Map) Completeness() Completeness {
	var c Completeness
	all := 0.0
	for i := range m.Axes {
		a := &m.Axes[i]
		c.Measured += 1 - float64(m.guessed(i))/3
		if m.pipe.dead[i] || a.D < thickEnoughMM {
			continue
		}
		area := sq(a.D)
		all += area
		c.Described += area * math.Min(1, (sq(a.Dt)+m.pipe.taken[i]+0.5*area)/area)
	}
	c.Measured /= float64(len(m.Axes))
	if all > 0 {
		c.Described /= all
	} else {
		c.Described = 1
	}
	c.Value = c.Described * (0.5 + 0.5*c.Measured)
	return c
}

// guessed counts a limb's numbers that nobody measured, of thickness, angle and rings.
func (m *Map) guessed(i int) int {
	n := 0
	for _, f := range []string{"diameter_mm", "angle_base_deg", "rings_cm"} {
		if m.Source(i, f) != Measured {
			n++
		}
	}
	return n
}

// Codes of what is odd on a map.
const (
	ChildThicker = "W_CHILD_THICKER" // a limb thicker than what carries it, where it starts
	Overfull     = "W_OVERFULL"      // side limbs together thicker than what carries them can feed
)

// Odd is what is possible on a map, but hardly so: the limb, its thickness, and that of what carries it (ChildThicker).
type Odd struct {
	Code, Limb, Carrier string
	MM, CarrierMM       float64
}

// Oddities are what is odd but possible on a map, limb by limb.
func (m *Map) Oddities() []Odd {
	var out []Odd
	for i := range m.Axes {
		a := &m.Axes[i]
		if a.Parent >= 0 {
			if at := m.Diameter(a.Parent, a.Attach); a.D > 1.10*at {
				out = append(out, Odd{Code: ChildThicker, Limb: a.ID, Carrier: m.Axes[a.Parent].ID, MM: a.D, CarrierMM: at})
			}
		}
		if m.pipe.taken[i] > 1.25*sq(a.D) {
			out = append(out, Odd{Code: Overfull, Limb: a.ID, MM: a.D})
		}
	}
	return out
}

// Warnings are the oddities of a map as faults of its numbers.
func (m *Map) Warnings() given.Faults {
	var ps faults
	for _, o := range m.Oddities() {
		switch o.Code {
		case ChildThicker:
			ps.add(o.Code, o.Limb, "diameter_mm", fmt.Sprintf("%.0f mm", o.MM), fmt.Sprintf("at most the %.0f mm of %q where it starts", o.CarrierMM, o.Carrier))
		case Overfull:
			ps.add(o.Code, o.Limb, "diameter_mm", fmt.Sprintf("%.0f mm, with side limbs thicker together than that can feed", o.MM), "thinner side limbs, or a thicker one that carries them")
		}
	}
	return given.Faults(ps)
}
