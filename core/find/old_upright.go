package find

import (
	"math"

	"vertumna/core/limb"
)

// OldUpright is wood of more than two seasons that still stands upright.
const OldUpright Code = "old_upright"

var oldUpright = Rule{Code: OldUpright, Step: 4, Weight: 4, Aim: Subdue, Source: practice}

var oldUprightGrows = ramp{0.4, 0.6, 250} // cm long

func (f *finder) oldUpright(i int) {
	a := &f.m.Axes[i]
	upright := math.Max(a.A0, a.A1) <= sproutAngle || f.m.MeanAngle(i) <= sproutAngle
	if a.Depth == 0 || f.grown(i) <= youngRings || !upright || f.isLeader(i) || f.chain[i] || f.m.Has(i, limb.Keep) || a.L < sproutMinCM ||
		f.m.Flat() || f.m.Bush() && a.Depth == 1 {
		return
	}
	f.tell(oldUpright, i, 0, oldUprightGrows.at(a.L),
		[]Fact{num("mean_angle_deg", f.m.MeanAngle(i)), num("age", float64(f.grown(i))), num("length_cm", a.L)}, num("mean_angle_deg", sproutAngle))
}
