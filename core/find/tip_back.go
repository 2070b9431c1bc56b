package find

import (
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// TipBack is a young tree's last growth, to be tipped back.
const TipBack Code = "tip_back"

var tipBack = Rule{Code: TipBack, Step: 9, Weight: 2, Aim: Extend, Source: practice}

// tipFromCM is how long a last season's growth is to be tipped back (limbs.md#3-findings).
const tipFromCM = 20

func (f *finder) tipBack(i int) {
	a := &f.m.Axes[i]
	if f.m.Form == pomology.SlimLeader && !f.isLeader(i) {
		return // its short side limbs are never headed: they go whole when they thicken
	}
	st, e := a.LastRing()
	h := f.habit()
	if f.m.Season != limb.Dormant || !f.free(i) || !f.o.building(f.m.Age) || h == pomology.OnTips || h == pomology.OnThisYear ||
		a.Depth != 1 && !f.isLeader(i) || e < tipFromCM || f.m.Top(i) > f.o.ReachCM+overReachCM {
		return
	}
	f.tell(tipBack, i, st+0.75*e, mild, []Fact{num("ring_cm", e)}, num("ring_cm", tipFromCM))
}
