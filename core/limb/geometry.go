package limb

import (
	"cmp"
	"math"
	"slices"
)

// Theta is the angle from vertical of a limb at s cm from its base.
func (m *Map) Theta(i int, s float64) float64 {
	a := &m.Axes[i]
	return a.A0 + (a.A1-a.A0)*s/a.L
}

// MeanAngle is the mean of a limb's angles at base and tip.
func (m *Map) MeanAngle(i int) float64 { return (m.Axes[i].A0 + m.Axes[i].A1) / 2 }

// Tangent is the direction of a limb at s cm from its base.
func (m *Map) Tangent(i int, s float64) Vec { return Direction(m.Axes[i].Azimuth, m.Theta(i, s)) }

// offset is the way from a limb's base to the place s cm along it: a chord of a circular arc, exact.
func (a *Axis) offset(s float64) Vec {
	turn := (a.A1 - a.A0) * s / a.L
	h := turn / 2 * rad
	k := 1 - h*h/6
	if math.Abs(h) >= 1e-4 {
		k = math.Sin(h) / h
	}
	sin, cos := math.Sincos((a.A0 + turn/2) * rad)
	return Vec{sin * a.heading.X * s * k, sin * a.heading.Y * s * k, cos * s * k}
}

// Base is where a limb starts.
func (m *Map) Base(i int) Vec { return m.base[i] }

// At is the place s cm along a limb.
func (m *Map) At(i int, s float64) Vec { return m.base[i].Add(m.Axes[i].offset(s)) }

// End is the tip of a limb.
func (m *Map) End(i int) Vec { return m.At(i, m.Axes[i].L) }

// Polyline is a limb as equal chords, base to tip: one for every 10 degrees of bend and every 40 cm.
func (m *Map) Polyline(i int) []Vec { return m.polys[i] }

func chords(a *Axis) int {
	n := math.Max(math.Ceil(math.Abs(a.A1-a.A0)/10-1e-9), math.Ceil(a.L/40-1e-9))
	return int(math.Max(1, n))
}

func (m *Map) placeLimbs() {
	m.base = make([]Vec, len(m.Axes))
	m.polys = make([][]Vec, len(m.Axes))
	for i := range m.Axes {
		a := &m.Axes[i]
		a.heading = Heading(a.Azimuth)
		if a.Parent < 0 {
			m.base[i] = Vec{a.X, a.Y, a.Attach}
		} else {
			m.base[i] = m.At(a.Parent, a.Attach)
		}
		m.polys[i] = m.polyline(i)
	}
}

func (m *Map) polyline(i int) []Vec {
	a := &m.Axes[i]
	n := chords(a)
	line := make([]Vec, n+1)
	for k := range line {
		line[k] = m.At(i, a.L*float64(k)/float64(n))
	}
	return line
}

// topAt is the place along a limb where it is highest.
func (m *Map) topAt(i int) float64 {
	a := &m.Axes[i]
	best, z := 0.0, m.base[i].Z
	if e := m.End(i).Z; e > z {
		best, z = a.L, e
	}
	if (a.A0-90)*(a.A1-90) < 0 {
		if s := a.L * (90 - a.A0) / (a.A1 - a.A0); m.At(i, s).Z > z {
			best = s
		}
	}
	return best
}

// Top is the height of the highest point of a limb, cm.
func (m *Map) Top(i int) float64 { return m.At(i, m.topAt(i)).Z }

// FirstAbove is where along a limb it first rises above height z. ok is false where it never does.
func (m *Map) FirstAbove(i int, z float64) (s float64, ok bool) {
	if m.base[i].Z > z {
		return 0, true
	}
	hi := m.topAt(i)
	if m.At(i, hi).Z <= z {
		return 0, false
	}
	lo := 0.0
	for range 40 {
		mid := (lo + hi) / 2
		if m.At(i, mid).Z > z {
			hi = mid
		} else {
			lo = mid
		}
	}
	return hi, true
}

// Height is the highest point of the tree's live wood, cm.
func (m *Map) Height() float64 {
	top := 0.0
	for i := range m.Axes {
		if !m.WhollyDead(i) {
			top = math.Max(top, m.Top(i))
		}
	}
	return top
}

// TrunkAt is the trunk's axis at a height: the mean over the stems.
func (m *Map) TrunkAt(z float64) Vec {
	var sum Vec
	n := 0.0
	for i := range m.Axes {
		if !m.IsStem(i) {
			break // stems come first in topological order
		}
		sum = sum.Add(atHeight(m.polys[i], z))
		n++
	}
	return sum.Mul(1 / n)
}

// atHeight is the point of a polyline at a height: its base below, its tip above.
func atHeight(line []Vec, z float64) Vec {
	if z <= line[0].Z {
		return line[0]
	}
	for k := 1; k < len(line); k++ {
		a, b := line[k-1], line[k]
		if z <= b.Z && b.Z > a.Z {
			return a.Add(b.Sub(a).Mul((z - a.Z) / (b.Z - a.Z)))
		}
	}
	return line[len(line)-1]
}

// nearTrunkCM is the radius inside which outward is told by the limb's azimuth, not by the place.
const nearTrunkCM = 5

// Outward returns how far a place is from the trunk's axis, cm, and the level unit vector that points away from it.
// Close to the axis the limb's own azimuth serves.
func (m *Map) Outward(i int, p Vec) (radius float64, out Vec) {
	d := p.Sub(m.TrunkAt(p.Z))
	d.Z = 0
	if radius = d.Len(); radius < nearTrunkCM {
		return radius, Heading(m.Axes[i].Azimuth)
	}
	return radius, d.Mul(1 / radius)
}

// Footprint is the ground a tree covers: area in cm2 of the convex hull of all its wood, and its widest spread in cm.
func (m *Map) Footprint() (areaCM2, spreadCM float64) {
	hull := m.Hull()
	for i, p := range hull {
		q := hull[(i+1)%len(hull)]
		areaCM2 += p.X*q.Y - q.X*p.Y
		for _, r := range hull[i+1:] {
			spreadCM = math.Max(spreadCM, math.Hypot(r.X-p.X, r.Y-p.Y))
		}
	}
	return areaCM2 / 2, spreadCM
}

// Hull is the convex hull in plan of all wood, counter-clockwise.
func (m *Map) Hull() []Vec {
	var pts []Vec
	for i := range m.polys {
		for _, p := range m.polys[i] {
			pts = append(pts, Vec{math.Round(p.X*1e6) / 1e6, math.Round(p.Y*1e6) / 1e6, 0})
		}
	}
	slices.SortFunc(pts, func(a, b Vec) int { return cmp.Or(cmp.Compare(a.X, b.X), cmp.Compare(a.Y, b.Y)) })
	pts = slices.Compact(pts)
	if len(pts) < 3 {
		return pts
	}
	half := func(ps []Vec) []Vec {
		var h []Vec
		for _, p := range ps {
			for len(h) >= 2 && turn(h[len(h)-2], h[len(h)-1], p) <= 0 {
				h = h[:len(h)-1]
			}
			h = append(h, p)
		}
		return h[:len(h)-1]
	}
	lower := half(pts)
	slices.Reverse(pts)
	return append(lower, half(pts)...)
}

func turn(a, b, c Vec) float64 { return (b.X-a.X)*(c.Y-a.Y) - (b.Y-a.Y)*(c.X-a.X) }

// WoodDistance is the way along the wood between two places, cm: up both chains to the first common limb.
func (m *Map) WoodDistance(i int, s float64, j int, t float64) float64 {
	way := 0.0
	for i != j {
		if m.Axes[i].Depth >= m.Axes[j].Depth {
			way, s = way+s, m.Axes[i].Attach
			i = m.Axes[i].Parent
		} else {
			way, t = way+t, m.Axes[j].Attach
			j = m.Axes[j].Parent
		}
		if i < 0 || j < 0 {
			return math.Inf(1) // two stems: joined only under ground
		}
	}
	return way + math.Abs(s-t)
}

// Crotch is the angle, degrees, between a limb and what carries it where it starts, and how thick its carrier is there, mm.
// A stem has none: 90 and 0.
func (m *Map) Crotch(i int) (angleDeg, carrierMM float64) {
	a := &m.Axes[i]
	if a.Parent < 0 {
		return 90, 0
	}
	dot := m.Tangent(i, 0).Dot(m.Tangent(a.Parent, a.Attach))
	return math.Acos(clamp(dot, -1, 1)) * 180 / math.Pi, m.Diameter(a.Parent, a.Attach)
}
