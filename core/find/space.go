package find

import (
	"math"

	"vertumna/core/limb"
)

// box bounds a limb in space.
type box struct{ lo, hi limb.Vec }

func allBoxes(m *limb.Map) []box {
	out := make([]box, m.Len())
	for i := range out {
		b := box{m.Base(i), m.Base(i)}
		for _, p := range m.Polyline(i) {
			b.lo = limb.Vec{X: math.Min(b.lo.X, p.X), Y: math.Min(b.lo.Y, p.Y), Z: math.Min(b.lo.Z, p.Z)}
			b.hi = limb.Vec{X: math.Max(b.hi.X, p.X), Y: math.Max(b.hi.Y, p.Y), Z: math.Max(b.hi.Z, p.Z)}
		}
		out[i] = b
	}
	return out
}

func (b box) meets(o box, margin float64) bool {
	return b.lo.X-margin <= o.hi.X && o.lo.X-margin <= b.hi.X && b.lo.Y-margin <= o.hi.Y && o.lo.Y-margin <= b.hi.Y &&
		b.lo.Z-margin <= o.hi.Z && o.lo.Z-margin <= b.hi.Z
}

func segmentMeetsBox(p, q limb.Vec, b box, margin float64) bool {
	s := box{
		limb.Vec{X: math.Min(p.X, q.X), Y: math.Min(p.Y, q.Y), Z: math.Min(p.Z, q.Z)},
		limb.Vec{X: math.Max(p.X, q.X), Y: math.Max(p.Y, q.Y), Z: math.Max(p.Z, q.Z)},
	}
	return s.meets(b, margin)
}

// closestOnSegments gives the places (0..1) on two segments where they come closest, and how close (Ericson 2005).
func closestOnSegments(p1, q1, p2, q2 limb.Vec) (s, t, dist float64) {
	const tiny = 1e-12
	d1, d2, r := q1.Sub(p1), q2.Sub(p2), p1.Sub(p2)
	a, e, f := d1.Dot(d1), d2.Dot(d2), d2.Dot(r)
	switch {
	case a <= tiny && e <= tiny:
	case a <= tiny:
		t = clamp01(f / e)
	default:
		c := d1.Dot(r)
		if e <= tiny {
			s = clamp01(-c / a)
			break
		}
		b := d1.Dot(d2)
		if denom := a*e - b*b; denom > tiny {
			s = clamp01((b*f - c*e) / denom)
		}
		t = (b*s + f) / e
		if t < 0 {
			t, s = 0, clamp01(-c/a)
		} else if t > 1 {
			t, s = 1, clamp01((b-c)/a)
		}
	}
	return s, t, p1.Add(d1.Mul(s)).Sub(p2.Add(d2.Mul(t))).Len()
}

// toPoint is how near a limb's line passes a place, cm.
func (f *finder) toPoint(i int, p limb.Vec) float64 {
	best := math.Inf(1)
	line := f.m.Polyline(i)
	for k := 1; k < len(line); k++ {
		_, _, d := closestOnSegments(p, p, line[k-1], line[k])
		best = math.Min(best, d)
	}
	return best
}
