package training

import (
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
	if len(in.Candidates) < 2 || len(in.Candidates) > mostCandidates {
		return in, false
	}
	top := 0.0
	for _, c := range m.Axes[trunk].Children {
		top = max(top, m.Axes[c].Attach)
	}
	leader := m.Diameter(trunk, min(m.Axes[trunk].L, top+1))
	in.LeaderDiameterMM = &leader
	return in, true
}

// RenewalsOf asks about each scaffold of a grown tree that fruits on one-year wood: its bearing limbs, three years round.
func RenewalsOf(m *limb.Map, used, limit float64) map[string]Renewal {
	out := map[string]Renewal{}
	if m.Kind.Growth.Bearing != pomology.OnLastYear || m.Age <= yearsToChoose || m.Flat() {
		return out
	}
	for i := range m.Axes {
		if m.Axes[i].Depth != 1 || m.WhollyDead(i) {
			continue
		}
		r := Renewal{ScaffoldD2MM2: m.Axes[i].D * m.Axes[i].D, UsedShare: used, LimitShare: &limit}
		for _, c := range m.Axes[i].Children {
			a := &m.Axes[c]
			if a.L < leastUnitCM || m.WhollyDead(c) || a.Sprout {
				continue
			}
			carrier := m.Diameter(i, a.Attach)
			u := Unit{ID: a.ID, DiameterMM: min(a.D, carrier), CarrierMM: &carrier, AgeYears: max(1, len(a.Rings)), Locked: held(m, c)}
			for _, s := range a.Children { // a young shoot near the base follows
				u.Successor = u.Successor || m.Axes[s].Attach <= a.L/4 && len(m.Axes[s].Rings) <= 2
			}
			r.Units = append(r.Units, u)
		}
		if len(r.Units) > 0 {
			out[m.Axes[i].ID] = r
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
