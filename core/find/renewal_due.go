package find

import (
	"maps"
	"slices"

	"vertumna/core/limb"
	"vertumna/core/pomology"
	"vertumna/core/training"
)

// RenewalDue is a bearing limb whose turn it is to be renewed.
const RenewalDue Code = "renewal_due"

var renewalDue = Rule{Code: RenewalDue, Step: 9, Weight: 4, Aim: Renew, Source: practice}

// renewalSeverity: a bearing limb past its years is no fault, but the yearly work of what bears on last year's wood; ours.
const renewalSeverity = 0.6

// StubCM is where a renewal stub ends: a thinner limb grows from below it.
const StubCM = 1.6

// weakStubCM is the stub of a tree on a weak stock: its few buds at the foot sleep deeper, and wood dies back before they wake
// (our estimate; growers say only "somewhat longer").
const weakStubCM = 2.5

// StubFor is the renewal stub of a tree on a stock, cm.
func StubFor(c pomology.VigourClass) float64 {
	if c == pomology.VeryDwarfing || c == pomology.Dwarfing {
		return weakStubCM
	}
	return StubCM
}

// renewals tells the bearing limbs of peach and its like whose turn it is: a third of each scaffold's, the oldest first, by the rota
// of training.md#g-renewal. The first member takes over, where one stands: the cut goes back to it.
func (f *finder) renewals() {
	if f.m.Season == limb.Summer && !f.o.Harvested {
		return // it bears
	}
	asked := training.RenewalsOf(f.m, 0, 1, !f.o.CollarOnly)
	for _, on := range slices.Sorted(maps.Keys(asked)) {
		plan, err := training.PlanRenewal(asked[on])
		if err != nil {
			continue // numbers of the map that the page has no answer to
		}
		for _, c := range plan.Cuts {
			if c.Why == training.OfCycle {
				f.renewal(asked[on], c.ID)
			}
		}
	}
}

func (f *finder) renewal(r training.Renewal, id string) {
	k := slices.IndexFunc(r.Units, func(u training.Unit) bool { return u.ID == id })
	u, i := r.Units[k], f.m.Index(id)
	at := StubCM
	var members []int
	if follower := f.m.Index(u.Follower); follower >= 0 {
		members, at = []int{follower}, 0
		if a := &f.m.Axes[follower]; a.Parent == i {
			at = a.Attach + radiusCM(a.D)
		}
	}
	f.tell(renewalDue, i, at, renewalSeverity, []Fact{num("age", float64(u.AgeYears))}, num("age", float64(r.Cycle()))).Members = f.ids(members)
}
