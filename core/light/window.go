package light

import "math"

// Window is the ground that light is worked out on: a square, cm. What stands outside it is left out, so that memory follows what is
// near and not how far apart things stand.
type Window struct{ X, Y, Half float64 }

// The sides of a window; our estimates. A wall of 3 m throws its shadow 40 m far when the sun stands 4 degrees high.
const (
	WindowCM  = 4000.0 // half of its side, at most
	mostCells = 16e6   // a window round tall things is smaller
)

// WindowAt is the window round a point of a yard whose tallest thing stands so high, cm.
func WindowAt(x, y, topCM float64) Window {
	layers := math.Max(1, math.Ceil(topCM/CellCM))
	return Window{x, y, math.Min(WindowCM, CellCM/2*math.Sqrt(mostCells/layers))}
}

// Has says whether anything of a disc lies in the window.
func (w Window) Has(x, y, r float64) bool {
	return math.Abs(x-w.X) <= w.Half+r && math.Abs(y-w.Y) <= w.Half+r
}

// Clip is the part of a polygon that lies in the window; nil where none does. (Sutherland and Hodgman 1974)
func (w Window) Clip(polygon [][2]float64) [][2]float64 {
	for axis, middle := range [2]float64{w.X, w.Y} {
		for _, side := range []float64{1, -1} {
			polygon = cutOff(polygon, axis, side, side*middle+w.Half)
		}
	}
	return polygon
}

// cutOff keeps what lies at most so far along an axis, or against it.
func cutOff(polygon [][2]float64, axis int, side, most float64) [][2]float64 {
	var out [][2]float64
	for i, b := range polygon {
		a := polygon[(i+len(polygon)-1)%len(polygon)]
		inA, inB := side*a[axis] <= most, side*b[axis] <= most
		if inA != inB {
			t := (most - side*a[axis]) / (side * (b[axis] - a[axis]))
			out = append(out, [2]float64{a[0] + t*(b[0]-a[0]), a[1] + t*(b[1]-a[1])})
		}
		if inB {
			out = append(out, b)
		}
	}
	return out
}
