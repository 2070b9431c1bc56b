package find

import "vertumna/core/pomology"

// A late leader: one limb kept in the middle of a vase, bare below and a small crown on top (work.md#young-trees; numbers are our estimates).
const (
	bareStretch   = 0.6 // of its length, from its foot
	crownLimbs    = 3   // its top keeps
	crownAngle    = 55  // degrees from vertical they best leave at
	crownWeighed  = 8   // of the thickest are weighed against one another
	leadersShare  = 0.5 // as thick as the leader a limb of its crown may be
	crownSeverity = 0.45
)

// keepsLeader: the map has a late leader.
func (f *finder) keepsLeader() bool {
	return f.m.Form == pomology.LateLeader && f.leader >= 0 && !f.m.IsStem(f.leader)
}

// bareTo is how far a limb is meant to stay bare, cm from its base; 0 for all but a late leader.
func (f *finder) bareTo(i int) float64 {
	if !f.keepsLeader() || i != f.leader {
		return 0
	}
	return bareStretch * f.m.Axes[i].L
}

// lateLeader: the leader of a vase that keeps one, and the small crown on its top, do not close the middle.
func (f *finder) lateLeader(i int) bool {
	if !f.keepsLeader() || !f.m.HangsOn(i, f.leader) {
		return false
	}
	for at := i; at != f.leader; at = f.m.Axes[at].Parent {
		if f.m.Axes[at].Parent == f.leader {
			return f.m.Axes[at].Attach >= f.bareTo(f.leader)
		}
	}
	return true
}
