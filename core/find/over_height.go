package find

// OverHeight is what rises above reach.
const OverHeight Code = "over_height"

var overHeight = Rule{Code: OverHeight, Step: 6, Weight: 6, Aim: Lower, Source: practice}

var overHeightGrows = ramp{0.3, 0.7, 100} // cm over reach

// overReachCM is what a top may stand above reach before it is told.
const overReachCM = 5

func (f *finder) overHeight(i int) {
	top, base := f.m.Top(i), f.m.Base(i).Z
	if f.sucker[i] || top <= f.o.ReachCM+overReachCM {
		return
	}
	if carrier := f.m.Axes[i].Parent; base > f.o.ReachCM && (carrier < 0 || f.m.Top(carrier) > f.o.ReachCM+overReachCM) {
		return // told with its carrier
	}
	at, _ := f.m.FirstAbove(i, f.o.ReachCM)
	excess := top - f.o.ReachCM
	f.tell(overHeight, i, at, overHeightGrows.at(excess), []Fact{num("top_cm", top), num("excess_cm", excess)}, num("top_cm", f.o.ReachCM))
}
