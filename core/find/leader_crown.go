package find

import (
	"cmp"
	"math"
	"slices"

	"vertumna/core/limb"
)

// LeaderCrown is a limb too many on the top of a late leader.
const LeaderCrown Code = "leader_crown"

var leaderCrown = Rule{Code: LeaderCrown, Step: 4, Weight: 3, Aim: Remove, Source: practice}

// leaderCrown chooses the limbs that make a late leader's crown, and tells the others.
func (f *finder) leaderCrown() {
	if !f.keepsLeader() {
		return
	}
	var top []int
	for _, c := range f.m.Axes[f.leader].Children {
		if f.m.Axes[c].Attach >= f.bareTo(f.leader) && f.noSprout(c) && !f.m.WhollyDead(c) && !f.chain[c] {
			top = append(top, c)
		}
	}
	if len(top) <= crownLimbs {
		return
	}
	stay := f.bestCrown(top)
	for _, i := range top {
		if !slices.Contains(stay, i) && !f.m.Has(i, limb.Keep) {
			f.tell(leaderCrown, i, 0, crownSeverity, []Fact{num("count", float64(len(top)))}, num("count", crownLimbs)).Members = f.ids(stay)
		}
	}
}

// bestCrown is the three limbs that stand round a leader best: kept ones first, then spread, angle and thickness. Cost: the
// triples of the eight thickest.
func (f *finder) bestCrown(top []int) []int {
	top = slices.Clone(top)
	slices.SortStableFunc(top, func(a, b int) int {
		x, y := &f.m.Axes[a], &f.m.Axes[b]
		return cmp.Or(-cmp.Compare(boolNum(f.m.Has(a, limb.Keep)), boolNum(f.m.Has(b, limb.Keep))), -cmp.Compare(x.D, y.D), cmp.Compare(x.ID, y.ID))
	})
	top = top[:min(len(top), crownWeighed)]
	var best []int
	most := math.Inf(-1)
	for a := range top {
		for b := a + 1; b < len(top); b++ {
			for c := b + 1; c < len(top); c++ {
				three := []int{top[a], top[b], top[c]}
				if worth := f.crownWorth(three); worth > most+1e-9 {
					best, most = three, worth
				}
			}
		}
	}
	slices.Sort(best)
	return best
}

// crownWorth is what three limbs are worth as a crown: how evenly they stand round, how they leave, how thick they are.
func (f *finder) crownWorth(three []int) float64 {
	narrowest, worth := 360.0, 0.0
	for k, i := range three {
		a := &f.m.Axes[i]
		for _, j := range three[k+1:] {
			narrowest = math.Min(narrowest, apart(a.Azimuth, f.m.Axes[j].Azimuth))
		}
		ratio := a.D / f.m.Diameter(f.leader, a.Attach)
		worth -= math.Abs(a.A0-crownAngle)/90 + math.Abs(math.Min(ratio, 1)-leadersShare)
		if f.m.Has(i, limb.Keep) {
			worth += 10
		}
	}
	return worth + 3*narrowest/120
}

// apart is the angle between two bearings, 0 to 180 degrees.
func apart(a, b float64) float64 {
	d := math.Abs(math.Mod(a-b, 360))
	return math.Min(d, 360-d)
}

func boolNum(b bool) int {
	if b {
		return 1
	}
	return 0
}
