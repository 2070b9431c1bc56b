package find

import (
	"cmp"
	"math"
	"slices"

	"vertumna/core/pomology"
)

// TierGap is a main limb too close above another on the same side.
const TierGap Code = "tier_gap"

var tierGap = Rule{Code: TierGap, Step: 5, Weight: 3, Aim: Subdue, Source: practice}

var tierGapGrows = ramp{0.3, 0.5, 1} // part of the wanted gap that is missing

// tierFromCM is how long a limb is that stands in a tier (limbs.md#35-leader-forks-tiers-shoots-bearers).
const tierFromCM = 40

// tierSpacing is the height wanted between a main limb and the one below it on the same side, cm, by vigour.
var tierSpacing = map[pomology.VigourClass]float64{
	pomology.VeryDwarfing: 60, pomology.Dwarfing: 60, pomology.SemiDwarfing: 80, pomology.SemiVigorous: 100, pomology.Vigorous: 120,
}

func (f *finder) tierGap() {
	if f.m.Form != pomology.CentralLeader {
		return
	}
	wanted, ok := tierSpacing[f.o.Vigour]
	if !ok {
		wanted = tierSpacing[pomology.SemiDwarfing]
	}
	var mains []int
	for i := range f.m.Axes {
		a := &f.m.Axes[i]
		if a.Parent >= 0 && f.chain[a.Parent] && !f.chain[i] && f.live(i) && a.L >= tierFromCM && a.D >= 10 && f.m.MeanAngle(i) >= 25 && f.noSprout(i) {
			mains = append(mains, i)
		}
	}
	slices.SortStableFunc(mains, func(x, y int) int {
		return cmp.Or(cmp.Compare(f.m.Base(x).Z, f.m.Base(y).Z), cmp.Compare(f.m.Axes[x].ID, f.m.Axes[y].ID))
	})
	for k, i := range mains {
		for b := k - 1; b >= 0; b-- {
			j := mains[b]
			turn := math.Abs(math.Mod(f.m.Axes[i].Azimuth-f.m.Axes[j].Azimuth+540, 360) - 180)
			if turn > 40 {
				continue
			}
			gap := f.m.Base(i).Z - f.m.Base(j).Z
			if short := math.Min(f.m.Axes[i].L, f.m.Axes[j].L); gap < wanted && f.m.Axes[i].L > 0.5*f.m.Axes[j].L {
				found := f.tell(tierGap, i, 0.5*short, tierGapGrows.at((wanted-gap)/wanted),
					[]Fact{num("gap_cm", gap), num("wanted_cm", wanted)}, num("gap_cm", wanted))
				found.Members = f.ids([]int{j})
			}
			break
		}
	}
}
