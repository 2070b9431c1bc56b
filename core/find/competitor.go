package find

// Competitor is a rival of the leader.
const Competitor Code = "competitor"

var competitor = Rule{Code: Competitor, Step: 5, Weight: 6, Aim: Remove, Source: practice}

var competitorGrows = ramp{0.6, 0.4, 1} // of the leader's last season, over its half

func (f *finder) competitor(i int) {
	a := &f.m.Axes[i]
	if !f.m.LeaderForm() || f.leader < 0 || a.Parent < 0 || !f.chain[a.Parent] || f.chain[i] {
		return
	}
	_, le := f.m.Axes[f.leader].LastRing()
	lz, ez := f.m.End(f.leader).Z, f.m.End(i).Z
	if ez >= lz-0.5*le && a.A1 <= 30 && f.m.Base(i).Z >= lz-120 {
		f.tell(competitor, i, 0, competitorGrows.at((ez-lz+0.5*le)/le), []Fact{num("tip_cm", ez), num("leader_cm", lz)}, num("tip_cm", lz-0.5*le))
	}
}
