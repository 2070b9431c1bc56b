package find

import "vertumna/core/limb"

// BareLeader is a side limb on the stretch of a late leader that is meant to stay bare.
const BareLeader Code = "bare_leader"

var bareLeader = Rule{Code: BareLeader, Step: 4, Weight: 3, Aim: Remove, Source: practice}

// bareLeader tells a side limb on the stretch of a late leader that is meant to stay bare.
func (f *finder) bareLeader(i int) {
	a := &f.m.Axes[i]
	if !f.keepsLeader() || a.Parent != f.leader || f.m.Has(i, limb.Keep) {
		return
	}
	if most := f.bareTo(f.leader); a.Attach < most {
		f.tell(bareLeader, i, 0, 0.5, []Fact{num("attach_cm", a.Attach)}, num("attach_cm", most))
	}
}
