package limb

import (
	"math"
	"slices"

	"vertumna/core/pomology"
)

// angleFactor is how a limb's mean angle from vertical favours flower buds (limbs.md#23-bud-kind; our estimate).
var angleFactor = [][2]float64{{0, 0.5}, {30, 0.8}, {45, 1.1}, {60, 1.2}, {90, 1.0}, {120, 0.8}, {180, 0.6}}

// AngleFactor is how a limb's mean angle favours its flower buds.
func (m *Map) AngleFactor(i int) float64 { return Tab(angleFactor, m.MeanAngle(i)) }

// twigBuds is the flower buds on unmapped twigs per mm2 of own leaf.
const twigBuds = 0.04

// pieceCM is the longest piece of a limb that is told as one place.
const pieceCM = 5

// Piece is a stretch of a limb with the flower buds expected on it.
type Piece struct {
	From, To float64
	Buds     float64
	MidZ     float64 // height of its middle: within reach or not
}

// Vigour is the growth vigour of each limb's scaffold, by place in the map; nil: 1, as last year.
type Vigour []float64

func (v Vigour) calm(i int) float64 {
	if v == nil {
		return 1
	}
	return clamp(1.6-0.6*v[i], 0.3, 1.3)
}

// Pieces places a limb's expected flower buds along it. On a summer map the shoots now growing of a spur bearer have
// leaf buds only.
func (m *Map) Pieces(i int, light Light, vigour Vigour) []Piece {
	return m.pieces(i, light, vigour, func(age int) float64 { return m.woodBuds(age, m.Season) })
}

// Fruiting places the flower buds that this year's fruit comes from along a limb: on a summer map by the age the wood had
// when they opened, so that the shoots now growing carry none.
func (m *Map) Fruiting(i int, light Light) []Piece {
	return m.pieces(i, light, nil, func(age int) float64 {
		if m.Season == Summer {
			age--
		}
		if age < 1 {
			return 0
		}
		return m.Density(age) / 100
	})
}

// pieces places buds along a limb; woodBuds is the flower buds per cm at full light of wood of an age.
func (m *Map) pieces(i int, light Light, vigour Vigour, woodBuds func(age int) float64) []Piece {
	a := &m.Axes[i]
	end := m.LiveEnd(i)
	if m.pipe.dead[i] || end <= a.Bare {
		return nil
	}
	factor := light.factor(i) * m.AngleFactor(i) * vigour.calm(i)
	twigEnd := a.L
	if start, _ := a.LastRing(); len(a.Rings) >= 2 && start > a.Bare+1 {
		twigEnd = start
	}
	twigs := 0.0
	if to := math.Min(twigEnd, end); to > a.Bare {
		twigs = twigBuds * m.pipe.own[i] / (to - a.Bare)
	}
	var out []Piece
	cuts := m.breaks(i, end, twigEnd)
	for k := 1; k < len(cuts); k++ {
		from, to := cuts[k-1], cuts[k]
		mid := (from + to) / 2
		perCM := woodBuds(m.AgeAt(i, mid)) * factor
		if counted, ok := a.countedAt(mid); ok {
			perCM = counted
		}
		if mid < twigEnd {
			perCM += twigs * factor
		}
		n := math.Max(1, math.Ceil((to-from)/pieceCM-1e-9))
		step := (to - from) / n
		for p := range int(n) {
			lo := from + float64(p)*step
			out = append(out, Piece{lo, lo + step, perCM * step, m.At(i, lo+step/2).Z})
		}
	}
	return out
}

// breaks are the places where the bearing of a limb's live wood may change.
func (m *Map) breaks(i int, end, twigEnd float64) []float64 {
	a := &m.Axes[i]
	at := []float64{a.Bare, end, twigEnd}
	s := 0.0
	for _, r := range a.Rings {
		s += r
		at = append(at, s)
	}
	for _, c := range a.Spurs {
		at = append(at, c.FromCM, c.ToCM)
	}
	at = slices.DeleteFunc(at, func(x float64) bool { return x < a.Bare || x > end })
	slices.Sort(at)
	return slices.CompactFunc(at, func(x, y float64) bool { return math.Abs(x-y) < 1e-9 })
}

// woodBuds is the flower buds per cm at full light of wood of an age.
func (m *Map) woodBuds(age int, season Season) float64 {
	if age == 1 && season == Summer && m.Kind.Growth.Bearing == pomology.OnSpurs {
		return 0
	}
	return m.Density(age) / 100
}

// AgeAt is the age in seasons of a limb's wood at s: 1 is the youngest ring.
func (m *Map) AgeAt(i int, s float64) int {
	a := &m.Axes[i]
	end := 0.0
	for k, r := range a.Rings {
		end += r
		if s < end-1e-9 {
			return len(a.Rings) - k
		}
	}
	return 1
}

// countedAt is the counted spurs per cm at s, if somebody counted there.
func (a *Axis) countedAt(s float64) (perCM float64, ok bool) {
	for _, c := range a.Spurs {
		if s >= c.FromCM && s < c.ToCM {
			return c.Count / (c.ToCM - c.FromCM), true
		}
	}
	return 0, false
}

// FlowerBuds is the number of flower buds a limb's wood is expected to hold, this season's shoots counted as if grown.
func (m *Map) FlowerBuds(i int, light Light, vigour Vigour) float64 {
	sum := 0.0
	for _, p := range m.pieces(i, light, vigour, func(age int) float64 { return m.woodBuds(age, Dormant) }) {
		sum += p.Buds
	}
	return sum
}

// ExpectedFruitKG is the fruit a limb is expected to carry after June drop and thinning, kg.
func (m *Map) ExpectedFruitKG(i int, light Light, vigour Vigour) float64 {
	return m.Kind.Growth.FruitKG * m.Kind.Carried(m.FlowerBuds(i, light, vigour), pomology.Section(m.Axes[i].D))
}
