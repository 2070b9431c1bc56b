package find

import (
	"math"
	"slices"

	"vertumna/core/limb"
)

// HeadedAgain is a place headed again and again.
const HeadedAgain Code = "headed_again"

var headedAgain = Rule{Code: HeadedAgain, Step: 6, Weight: 5, Aim: Lower, Source: practice}

// A place headed this often, and shoots up from it again, is taken out lower down (work.md#fine-points). A
// shorter limb is a spur or a stub, cut back there on purpose. Our estimates.
const (
	headedTimes = 2
	headedLeast = 30 // cm
)

// headedAgain remembers cut points: the end of a limb was cut, what grew there was cut in its turn, and it shoots up again.
// Leaders that are stopped and trees on wires are headed where they are on purpose. A crowsfoot is told as such.
func (f *finder) headedAgain() {
	if f.m.Flat() {
		return
	}
	told := map[string]bool{}
	for _, x := range f.out {
		if x.Code == Crowsfoot {
			for _, id := range x.Members {
				told[id] = true
			}
		}
	}
	for i := range f.m.Axes {
		a := &f.m.Axes[i]
		if a.Depth == 0 || a.L < headedLeast || a.Tip != limb.Cut || f.m.Has(i, limb.Fresh) || !f.live(i) || f.chain[i] {
			continue
		}
		times, lowest, shoots := f.timesHeaded(i)
		if times < headedTimes || len(shoots) == 0 || slices.ContainsFunc(shoots, func(k int) bool { return told[f.m.Axes[k].ID] }) {
			continue
		}
		n := float64(len(shoots))
		f.tell(headedAgain, i, lowest, clamp01(0.4+0.2*float64(times-headedTimes)+0.1*(n-1)),
			[]Fact{num("times", float64(times)), num("count", n), num("height_cm", f.m.End(i).Z)}, num("times", headedTimes-1)).Members = f.ids(shoots)
	}
}

// timesHeaded counts the cuts one after another at the end of a limb: what grew from a cut and was cut there as well, or
// wounds of several years. With the lowest place what grew there starts, and the young uprights that stand there now.
func (f *finder) timesHeaded(i int) (times int, lowest float64, shoots []int) {
	end, a := f.m.End(i), &f.m.Axes[i]
	by := func(p limb.Vec) bool { return p.Sub(end).Len() <= crowsfootCM }
	cuts, years := map[int]int{i: 1}, map[int]bool{}
	note := func(k int) {
		for _, w := range f.m.Axes[k].Wounds {
			if w.Year != nil && !w.Fresh && by(f.m.At(k, w.AtCM)) {
				years[*w.Year] = true
			}
		}
	}
	note(i)
	times, lowest = 1, a.L
	for _, k := range f.m.Subtree(i)[1:] { // carriers first
		c := &f.m.Axes[k]
		before := cuts[c.Parent]
		if before == 0 || !f.live(k) || !by(f.m.Base(k)) {
			continue
		}
		switch {
		case c.Tip == limb.Cut && !f.m.Has(k, limb.Fresh) && by(f.m.End(k)):
			cuts[k] = before + 1
			times = max(times, before+1)
			note(k)
		case f.growing(k) && f.m.MeanAngle(k) <= crowsfootAngle && f.grown(k) <= youngRings && !f.sucker[k]:
			shoots = append(shoots, k)
		default:
			continue
		}
		if c.Parent == i {
			lowest = math.Min(lowest, c.Attach)
		}
	}
	return max(times, len(years)), lowest, shoots
}
