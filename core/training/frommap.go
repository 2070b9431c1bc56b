package training

import (
	"slices"

	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// Limits of what on a map counts as a shoot to choose from, and as a unit to renew.
const (
	leastShootMM  = 5
	leastUnitCM   = 25
	yearsToChoose = 4 // older frames are made
)

// scaffoldFormOf is the form of the choice by the form of the tree; empty for forms without a free frame.
func scaffoldFormOf(k *pomology.Kind, f pomology.FormSlug) string {
	switch f {
	case pomology.CentralLeader:
		return "central-leader"
	case pomology.ModifiedLeader:
		return "modified-leader"
	case pomology.LowBush:
		return "low-bush"
	case pomology.FourArm:
		return "open-vase" // whose best number is four
	case pomology.OpenVase, pomology.LateLeader:
		if k.Group == pomology.Stone {
			return "stone-frame"
		}
		return "open-vase"
	}
	return ""
}

// ScaffoldsOf asks about the shoots on the trunk of a young tree's map; ok is false where there is nothing to choose: a grown
// tree, a form on wires, too few shoots.
func ScaffoldsOf(m *limb.Map, limits Scaffolds) (in Scaffolds, ok bool) {
	in = limits
	in.Form = scaffoldFormOf(m.Kind, m.Form)
	stems := m.Stems()
	if in.Form == "" || m.Age > yearsToChoose || len(stems) != 1 {
		return in, false
	}
	trunk := stems[0]
	for _, c := range m.Axes[trunk].Children {
		a := &m.Axes[c]
		if a.D < leastShootMM || a.Sucker || m.WhollyDead(c) || m.Has(c, limb.Leader) {
			continue
		}
		k := ScaffoldCandid{ID: a.ID, AzimuthDeg: a.Azimuth, HeightCM: m.Base(c).Z, AngleDeg: a.A0, DiameterMM: a.D, Fault: "none", Keep: m.Has(c, limb.Keep)}
		for _, mark := range a.Marks {
			switch mark.Kind {
			case limb.Dead, limb.Diseased, limb.Damaged, limb.Borer:
				k.Fault = "bad"
			default:
				if k.Fault == "none" {
					k.Fault = "slight"
				}
			}
		}
		in.Candidates = append(in.Candidates, k)
	}
	if len(in.Candidates) < 2 {
		return in, false
	}
	in.Candidates = strongest(in.Candidates, mostCandidates)
	top := 0.0
	for _, c := range m.Axes[trunk].Children {
		top = max(top, m.Axes[c].Attach)
	}
	leader := m.Diameter(trunk, min(m.Axes[trunk].L, top+1))
	in.LeaderDiameterMM = &leader
	return in, true
}

// strongest are the shoots that can be looked at together, in the order they came: the thinnest are clear losers.
func strongest(all []ScaffoldCandid, most int) []ScaffoldCandid {
	for len(all) > most {
		thin := 0
		for i, c := range all {
			if !c.Keep && (all[thin].Keep || c.DiameterMM < all[thin].DiameterMM) {
				thin = i
			}
		}
		all = slices.Delete(all, thin, thin+1)
	}
	return all
}

// RenewalsOf asks about the bearing limbs of a grown tree that fruits on one-year wood, three years round: on each scaffold; on
// wires the ribs of the fan, and the bearing shoots of each rib. Where no stub is left, and on wires, a limb waits until a shoot near its base can follow. What was cut back to a young shoot is as old as
// that shoot. Cost: the limbs once.
func RenewalsOf(m *limb.Map, used, limit float64, stubs bool) map[string]Renewal {
	out := map[string]Renewal{}
	if m.Kind.Growth.Bearing != pomology.OnLastYear || m.Age <= yearsToChoose {
		return out
	}
	for i := range m.Axes {
		ribs := m.Flat() && m.IsStem(i)
		if !ribs && m.Axes[i].Depth != 1 || m.WhollyDead(i) {
			continue
		}
		r := Renewal{ScaffoldD2MM2: m.Axes[i].D * m.Axes[i].D, UsedShare: used, LimitShare: &limit}
		if m.Flat() && !ribs {
			every := flatCycle
			r.CycleYears = &every
		}
		for _, c := range m.Axes[i].Children {
			u, bears := unitOn(m, c)
			if !bears {
				continue
			}
			if carrier := m.Diameter(i, m.Axes[c].Attach); !ribs {
				u.DiameterMM, u.CarrierMM = min(u.DiameterMM, carrier), &carrier
			}
			u.Waits = (ribs || !stubs) && !u.Successor
			r.Units = append(r.Units, u)
		}
		if len(r.Units) > 0 {
			out[m.Axes[i].ID] = r
		}
	}
	return out
}

// unitOn is the bearing limb that a child of a scaffold has become: itself, or the shoot it was cut back to.
func unitOn(m *limb.Map, i int) (Unit, bool) {
	for m.Axes[i].Tip != limb.Growing {
		next := -1
		for _, c := range m.Axes[i].Children {
			if m.Axes[c].Attach >= m.Axes[i].L-takesOverCM && !m.WhollyDead(c) {
				next = c
			}
		}
		if next < 0 {
			break
		}
		i = next
	}
	a := &m.Axes[i]
	if a.L < leastUnitCM || m.WhollyDead(i) || a.Sprout {
		return Unit{}, false
	}
	u := Unit{ID: a.ID, DiameterMM: a.D, AgeYears: max(1, len(a.Rings)), Locked: held(m, i), Follower: followerOf(m, i)}
	u.Successor = u.Follower != ""
	return u, true
}

// Where a bearing limb's successor starts: on its first third, or beside its foot; what stands so near a cut end goes on from it.
const (
	followsWithin = 1.0 / 3
	besideCM      = 15
	takesOverCM   = 3
	youngRings    = 3
	flatCycle     = 2 // on a rib a shoot grows in one year and bears in the next
)

// followerOf is the young shoot that takes over from a bearing limb: the thickest on its foot, else beside it.
func followerOf(m *limb.Map, i int) string {
	best := -1
	take := func(among []int, lo, hi float64) {
		for _, c := range among {
			a := &m.Axes[c]
			if c == i || a.Attach < lo || a.Attach > hi || len(a.Rings) > youngRings || a.Tip != limb.Growing || a.Sprout || a.Sucker || len(a.Marks) > 0 || m.WhollyDead(c) {
				continue
			}
			if best < 0 || a.D > m.Axes[best].D {
				best = c
			}
		}
	}
	a := &m.Axes[i]
	if take(a.Children, 0, followsWithin*a.L); best < 0 && a.Parent >= 0 {
		take(m.Axes[a.Parent].Children, a.Attach-besideCM, a.Attach+besideCM)
	}
	if best < 0 {
		return ""
	}
	return m.Axes[best].ID
}

// Rota is who is renewed in this winter and those after, a year each, until all that stand now have been; what a limit or a tie
// holds back comes again.
func Rota(in Renewal) [][]string {
	var out [][]string
	free := 1.0
	in.UsedShare, in.LimitShare = 0, &free
	units := in.Units
	for range in.Cycle() {
		in.Units = units
		plan, err := PlanRenewal(in)
		if err != nil {
			return out
		}
		var goes []string
		for _, c := range plan.Cuts {
			if c.Why == OfCycle {
				goes = append(goes, c.ID)
			}
		}
		out = append(out, goes)
		units = slices.Clone(units)
		for k := range units {
			if slices.Contains(goes, units[k].ID) { // its successor stands in its place
				units[k].AgeYears, units[k].DiameterMM = 0, units[k].DiameterMM/2
			}
			units[k].AgeYears++
		}
	}
	return out
}

func held(m *limb.Map, i int) bool {
	if m.Has(i, limb.Keep) {
		return true
	}
	s := m.State(i)
	return s != nil && (s.Kind == "protected" || s.Kind == "tied")
}
