package find

import (
	"math"

	"vertumna/core/limb"
)

// OutOfPlane is a shoot of a wall tree that grows straight out from it or into it.
const OutOfPlane Code = "out_of_plane"

var outOfPlane = Rule{Code: OutOfPlane, Step: 4, Weight: 5, Aim: Remove, Source: practice}

var outOfPlaneGrows = ramp{0.4, 0.5, 1} // of what is left to straight across

// A wall tree's shoot of some length that runs this far across its plane stands in the way of the wires or the path (our
// estimates).
const (
	acrossRatio  = 0.64 // 40 degrees off the plane, level
	outOfPlaneCM = 20
)

// outOfPlane: shoots of a wall tree that grow straight out from it or into it.
func (f *finder) outOfPlane(i int) {
	a := &f.m.Axes[i]
	if !f.o.InPlane || !f.m.Flat() || a.Parent < 0 || a.L < outOfPlaneCM || f.sprout[i] || f.chain[i] {
		return
	}
	away := f.m.End(i).Sub(f.m.Base(i))
	plane := limb.Heading(f.planeAzimuth())
	across := math.Abs(away.X*plane.Y-away.Y*plane.X) / a.L
	if across >= acrossRatio {
		f.tell(outOfPlane, i, 0, outOfPlaneGrows.at((across-acrossRatio)/(1-acrossRatio)), []Fact{num("across_ratio", across), num("length_cm", a.L)}, num("across_ratio", acrossRatio))
	}
}

// planeAzimuth is the way the arms of a flat tree run: that of its main limbs together, whichever side they take.
func (f *finder) planeAzimuth() float64 {
	x, y := 0.0, 0.0
	for i := range f.m.Axes {
		a := &f.m.Axes[i]
		if a.Depth != 1 || f.m.MeanAngle(i) < 20 {
			continue
		}
		s, c := math.Sincos(2 * a.Azimuth * math.Pi / 180)
		x, y = x+a.L*s, y+a.L*c
	}
	return math.Atan2(x, y) * 90 / math.Pi
}
