package find

import (
	"cmp"
	"slices"

	"vertumna/core/limb"
)

// Crowsfoot is a knot of young uprights at a place headed before.
const Crowsfoot Code = "crowsfoot"

var crowsfoot = Rule{Code: Crowsfoot, Step: 6, Weight: 5, Aim: Remove, Source: practice}

var crowsfootGrows = ramp{0.4, 0.6, 6} // shoots over three

// A crowsfoot: this many young uprights within this distance at a place headed before.
const (
	crowsfootCM    = 15
	crowsfootLeast = 4
	crowsfootAngle = 40
	headedCM       = 20
)

func (f *finder) crowsfoot() {
	var free []int
	for i := range f.m.Axes {
		if f.m.Axes[i].Depth > 0 && f.live(i) && !f.isLeader(i) && f.m.MeanAngle(i) <= crowsfootAngle && f.grown(i) <= youngRings && !f.sucker[i] {
			free = append(free, i)
		}
	}
	for len(free) >= crowsfootLeast {
		var best []int
		top := -1
		for _, i := range free {
			var group []int
			for _, j := range free {
				if f.m.Base(j).Sub(f.m.Base(i)).Len() <= crowsfootCM {
					group = append(group, j)
				}
			}
			if len(group) > len(best) || len(group) == len(best) && f.m.Axes[i].ID > f.m.Axes[top].ID {
				best, top = group, i
			}
		}
		if len(best) < crowsfootLeast {
			return
		}
		free = slices.DeleteFunc(free, func(i int) bool { return slices.Contains(best, i) })
		if !f.headedNear(f.m.Base(top)) {
			continue
		}
		slices.SortFunc(best, func(x, y int) int { return cmp.Compare(f.m.Axes[x].ID, f.m.Axes[y].ID) })
		n := float64(len(best))
		f.tell(crowsfoot, best[0], 0, crowsfootGrows.at(n-3), []Fact{num("count", n), num("height_cm", f.m.Base(top).Z)},
			num("count", crowsfootLeast-1)).Members = f.ids(best)
	}
}

// headedNear: an old cut end or wound close to a place.
func (f *finder) headedNear(p limb.Vec) bool {
	for i := range f.m.Axes {
		a := &f.m.Axes[i]
		if a.Tip == limb.Cut && !f.m.Has(i, limb.Fresh) && f.m.End(i).Sub(p).Len() <= headedCM {
			return true
		}
		for _, w := range a.Wounds {
			if !w.Fresh && f.m.At(i, w.AtCM).Sub(p).Len() <= headedCM {
				return true
			}
		}
	}
	return false
}
