package find

import "vertumna/core/pomology"

// LeaderLong is a modified leader that runs on above its highest main limb.
const LeaderLong Code = "leader_long"

var leaderLong = Rule{Code: LeaderLong, Step: 6, Weight: 4, Aim: Lower, Source: practice}

var leaderLongGrows = ramp{0.3, 0.5, 100} // cm too long

// A modified leader stops this far above its highest main limb (work.md#young-trees: 45 to 50 cm); what stands a hand above that is told.
const (
	leaderStopCM  = 47.5
	leaderSlackCM = 10
)

// leaderLong: a grown modified leader runs on above its highest main limb.
func (f *finder) leaderLong() {
	if !f.o.StopLeader || f.m.Form != pomology.ModifiedLeader || f.leader < 0 || f.o.building(f.m.Age) {
		return
	}
	a := &f.m.Axes[f.leader]
	highest := -1.0
	for _, k := range a.Children {
		c := &f.m.Axes[k]
		if !f.m.WhollyDead(k) && f.noSprout(k) && c.L >= mainLimbCM && c.Attach > highest {
			highest = c.Attach
		}
	}
	if highest < 0 || a.L <= highest+leaderStopCM+leaderSlackCM {
		return
	}
	over := a.L - highest - leaderStopCM
	f.tell(leaderLong, f.leader, highest+leaderStopCM, leaderLongGrows.at(over), []Fact{num("over_cm", over)}, num("over_cm", leaderStopCM))
}
