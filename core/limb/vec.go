package limb

import "math"

// Vec is a place or a direction: x east, y north, z up; cm for places.
type Vec struct{ X, Y, Z float64 }

// Add returns v + w.
func (v Vec) Add(w Vec) Vec { return Vec{v.X + w.X, v.Y + w.Y, v.Z + w.Z} }

// Sub returns v - w.
func (v Vec) Sub(w Vec) Vec { return Vec{v.X - w.X, v.Y - w.Y, v.Z - w.Z} }

// Mul returns v scaled by k.
func (v Vec) Mul(k float64) Vec { return Vec{v.X * k, v.Y * k, v.Z * k} }

// Dot returns the scalar product.
func (v Vec) Dot(w Vec) float64 { return v.X*w.X + v.Y*w.Y + v.Z*w.Z }

// Len returns the length.
func (v Vec) Len() float64 { return math.Sqrt(v.Dot(v)) }

const rad = math.Pi / 180

// Heading is the level unit vector of a compass azimuth.
func Heading(azimuthDeg float64) Vec {
	s, c := math.Sincos(azimuthDeg * rad)
	return Vec{s, c, 0}
}

// Direction is the unit vector of an azimuth and an angle from vertical.
func Direction(azimuthDeg, angleDeg float64) Vec {
	s, c := math.Sincos(angleDeg * rad)
	h := Heading(azimuthDeg)
	return Vec{s * h.X, s * h.Y, c}
}

func clamp(x, a, b float64) float64 { return math.Max(a, math.Min(b, x)) }

// Tab interpolates linearly in a table of (x, y) pairs with rising x, held at both ends.
func Tab(table [][2]float64, x float64) float64 {
	last := len(table) - 1
	if x <= table[0][0] {
		return table[0][1]
	}
	for i := 0; i < last; i++ {
		a, b := table[i], table[i+1]
		if x <= b[0] {
			return a[1] + (b[1]-a[1])*(x-a[0])/(b[0]-a[0])
		}
	}
	return table[last][1]
}

// Box is the least and the greatest x and y of some points; of none, infinities the wrong way round.
func Box(points [][2]float64) (lo, hi [2]float64) {
	lo, hi = [2]float64{math.Inf(1), math.Inf(1)}, [2]float64{math.Inf(-1), math.Inf(-1)}
	for _, p := range points {
		for k := range 2 {
			lo[k], hi[k] = math.Min(lo[k], p[k]), math.Max(hi[k], p[k])
		}
	}
	return lo, hi
}

// InPolygon says whether a place in plan lies inside a polygon: it counts edges to the east of it (even-odd).
func InPolygon(polygon [][2]float64, x, y float64) bool {
	in := false
	for i, j := 0, len(polygon)-1; i < len(polygon); j, i = i, i+1 {
		p, q := polygon[i], polygon[j]
		if (p[1] > y) != (q[1] > y) && x < (q[0]-p[0])*(y-p[1])/(q[1]-p[1])+p[0] {
			in = !in
		}
	}
	return in
}
