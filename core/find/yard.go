package find

import (
	"vertumna/core/limb"
)

// alongCM: places are tried this far apart along a limb.
const alongCM = 5.0

// firstInside is the first place along a limb, in steps, that is inside what stands in the yard.
func (f *finder) firstInside(i int, inside func(s float64, p limb.Vec) bool) (float64, bool) {
	for s := 0.0; s <= f.m.Axes[i].L; s += alongCM {
		if inside(s, f.m.At(i, s)) {
			return s, true
		}
	}
	return 0, false
}

// mayTouch: the limb's box meets the polygon's in plan.
func (f *finder) mayTouch(i int, polygon [][2]float64) bool {
	b := f.boxes[i]
	lo, hi := limb.Box(polygon)
	return b.lo.X <= hi[0] && lo[0] <= b.hi.X && b.lo.Y <= hi[1] && lo[1] <= b.hi.Y
}
