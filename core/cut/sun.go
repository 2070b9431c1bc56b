package cut

import "vertumna/core/limb"

// Bark that has stood in shade burns when the sun comes to it at once (limbs.md#3-findings; judgement).
const (
	barkMM     = 30
	barkAngle  = 45
	lightRise  = 0.30
	brightBark = 0.60
)

// Exposed names the limbs whose bark a list of cuts opens to the sun: thick, flat ones that come from shade into bright
// light. Light is that of each map, by place.
func Exposed(before *limb.Map, was limb.Light, after *limb.Map, now limb.Light) []string {
	var out []string
	for i := range after.Axes {
		a := &after.Axes[i]
		k := before.Index(a.ID)
		if k < 0 || a.D < barkMM || after.MeanAngle(i) < barkAngle {
			continue
		}
		if now.At(i) >= brightBark && now.At(i)-was.At(k) >= lightRise {
			out = append(out, a.ID)
		}
	}
	return out
}
