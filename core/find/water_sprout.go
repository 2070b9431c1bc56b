package find

import "vertumna/core/limb"

// WaterSprout is a young upright on wood that lies, or on a stem of an open tree.
const WaterSprout Code = "water_sprout"

var waterSprout = Rule{Code: WaterSprout, Step: 2, Weight: 5, Aim: Remove, Source: practice}

var waterSproutGrows = ramp{0.4, 0.6, 150} // cm long

const (
	sproutAngle    = 20
	sproutMinCM    = 50
	sproutParentTh = 30
)

func (f *finder) isSprout(i int) bool {
	a := &f.m.Axes[i]
	if f.chain[i] {
		return false
	}
	if a.Sprout {
		return true
	}
	if f.grown(i) > youngRings || f.m.MeanAngle(i) > sproutAngle || a.L < sproutMinCM || a.Tip != limb.Growing {
		return false
	}
	if a.Depth >= 2 && f.m.Theta(a.Parent, a.Attach) >= sproutParentTh {
		return true
	}
	return a.Depth == 1 && (f.m.Vase() || f.m.Bush())
}

func (f *finder) tellSprout(i int) {
	a := &f.m.Axes[i]
	f.tell(waterSprout, i, 0, waterSproutGrows.at(a.L),
		[]Fact{num("length_cm", a.L), num("mean_angle_deg", f.m.MeanAngle(i))}, num("mean_angle_deg", sproutAngle))
}
