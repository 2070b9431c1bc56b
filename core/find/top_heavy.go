package find

import "math"

// TopHeavy is a top too wide for the foot.
const TopHeavy Code = "top_heavy"

var topHeavy = Rule{Code: TopHeavy, Step: 6, Weight: 4, Aim: Subdue, Source: practice}

var topHeavyGrows = ramp{0.3, 0.7, 1} // ratio of widths over the limit

// topHeavyAbove: a leader tree whose top is wider than this part of its foot shades itself (our estimate: a cone).
const topHeavyAbove = 0.6

// topHeavy compares the width at 0.8 of the height with that at 0.3.
func (f *finder) topHeavy() {
	if !f.m.LeaderForm() || f.m.Age <= buildingAge {
		return
	}
	h := f.m.Height()
	low, high := f.widthAt(0.3*h), f.widthAt(0.8*h)
	if low <= 0 || high/low <= topHeavyAbove {
		return
	}
	i := f.m.Stems()[0]
	if f.leader >= 0 {
		i = f.leader
	}
	f.tell(topHeavy, i, 0, topHeavyGrows.at(high/low-topHeavyAbove),
		[]Fact{num("ratio", high/low), num("top_width_cm", high), num("foot_width_cm", low)}, num("ratio", topHeavyAbove))
}

// widthAt is the widest spread in plan of the wood that crosses a height, within a tenth of the tree's height.
func (f *finder) widthAt(z float64) float64 {
	half := f.m.Height() / 10
	far := 0.0
	for i := range f.m.Axes {
		if f.m.WhollyDead(i) || f.sucker[i] || f.sprout[i] {
			continue
		}
		for _, p := range f.m.Polyline(i) {
			if math.Abs(p.Z-z) <= half {
				far = math.Max(far, math.Hypot(p.X, p.Y))
			}
		}
	}
	return 2 * far
}
