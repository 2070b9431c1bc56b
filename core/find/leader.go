package find

import (
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// findLeader finds who leads (limbs.md#35-leader-forks-tiers-shoots-bearers): said by a tag, else the way up from the highest stem.
func (f *finder) findLeader() {
	m := f.m
	if !m.LeaderForm() && m.Form != pomology.LateLeader {
		return
	}
	last := f.taggedLeader()
	if last < 0 {
		last = f.leaderByHeight()
	}
	if last < 0 {
		return
	}
	f.leader = last
	for i := last; i >= 0; i = m.Axes[i].Parent {
		f.chain[i] = true
	}
}

func (f *finder) taggedLeader() int {
	best := -1
	for i := range f.m.Axes {
		if f.live(i) && f.m.Has(i, limb.Leader) && (best < 0 || f.m.End(i).Z > f.m.End(best).Z) {
			best = i
		}
	}
	return best
}

func (f *finder) leaderByHeight() int {
	m := f.m
	highest := func(ok func(int) bool) int {
		best := -1
		for _, i := range m.Stems() {
			if f.live(i) && ok(i) && (best < 0 || m.Top(i) > m.Top(best)) {
				best = i
			}
		}
		return best
	}
	if i := highest(f.growing); i >= 0 {
		return i
	}
	at := highest(func(int) bool { return true })
	for at >= 0 && m.Axes[at].Tip == limb.Cut {
		next := -1
		for _, c := range m.Axes[at].Children {
			if m.Axes[c].Attach < m.Axes[at].L-20 || !f.live(c) || f.sucker[c] || m.MeanAngle(c) > suckerAngle {
				continue
			}
			if next < 0 || m.End(c).Z > m.End(next).Z || m.End(c).Z == m.End(next).Z && m.Axes[c].ID < m.Axes[next].ID {
				next = c
			}
		}
		at = next
	}
	if at < 0 || !f.growing(at) {
		return -1
	}
	return at
}
