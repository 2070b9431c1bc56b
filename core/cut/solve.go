package cut

import (
	"slices"

	"vertumna/core/find"
	"vertumna/core/limb"
)

// takesAll: a cut of this kind takes all that stands beyond it.
func takesAll(k limb.CutKind) bool { return k != limb.Notch && k != limb.SpurThin }

// reaches says whether a place on a limb lies in what a cut removes: on the cut limb beyond the cut, or on a limb that
// hangs there.
func (j *Judge) reaches(c limb.CutAt, cutLimb, i int, at float64) bool {
	if !takesAll(c.Kind) {
		return false
	}
	if i == cutLimb {
		return at >= c.AtCM-solvedWithin
	}
	for k := i; j.m.Axes[k].Parent >= 0; k = j.m.Axes[k].Parent {
		if j.m.Axes[k].Parent == cutLimb {
			return c.AtCM <= 0 || j.m.Axes[k].Attach >= c.AtCM
		}
	}
	return false
}

// inside says whether cut a lies in what cut b removes. Spur thinning lies inside nothing but its own stretch, and holds
// no other cut.
func (j *Judge) inside(a, b limb.CutAt, la, lb int) bool {
	if a.Kind == limb.SpurThin && b.Kind == limb.SpurThin {
		return la == lb && a.AtCM == b.AtCM
	}
	if la == lb {
		return takesAll(b.Kind) && a.AtCM >= b.AtCM
	}
	return j.reaches(b, lb, la, 0)
}

// mates: some findings are solved by cutting another limb than their own; which, and from where (limbs.md#7-the-cut-plan).
func (p *Planner) mates(f find.Finding) (other string, at float64, ok bool) {
	switch f.Code {
	case find.Crossing, find.Resting, find.TierGap:
		if _, back := f.Fact(find.Backward); back { // the other runs with the tree, and stays
			return "", 0, false
		}
		return f.Members[0], 0, true
	case find.Fork:
		if at, below := f.Fact("at_parent_cm"); below {
			return f.Members[0], at.Value + 1, true
		}
		return f.Members[0], 0, true
	}
	return "", 0, false
}

// grouped: a finding about a group of limbs, solved when all but two are gone.
func grouped(f find.Finding) bool { return f.Code == find.SameNode || f.Code == find.Crowsfoot }

const leftInGroup = 2

// solvesIt says whether a cut alone solves a finding.
func (p *Planner) solvesIt(c limb.CutAt, cutLimb, k int) bool {
	f, at := &p.findings[k], &p.found[k]
	if c.Kind == limb.SpurThin {
		return f.Code == find.SpursCrowded && f.Limb == c.Limb && f.AtCM == c.AtCM
	}
	if !takesAll(c.Kind) {
		return false
	}
	if at.members != nil {
		gone := 0
		for _, i := range at.members {
			if p.reaches(c, cutLimb, i, 0) {
				gone++
			}
		}
		return gone >= len(f.Members)-leftInGroup
	}
	return p.reaches(c, cutLimb, at.limb, f.AtCM) || at.mate >= 0 && p.reaches(c, cutLimb, at.mate, at.mateAt)
}

// findingsUnder are the findings on a limb and on all it carries, as themselves, in a group or as a mate.
func (p *Planner) findingsUnder(i int) []int {
	if p.under[i] != nil {
		return p.under[i]
	}
	out := []int{}
	for k := range p.found {
		at := &p.found[k]
		if p.m.HangsOn(at.limb, i) || at.mate >= 0 && p.m.HangsOn(at.mate, i) || slices.ContainsFunc(at.members, func(l int) bool { return p.m.HangsOn(l, i) }) {
			out = append(out, k)
		}
	}
	p.under[i] = out
	return out
}

// place is where a finding is: its limb, its group, and the limb whose cut solves it as well, from where; -1: none.
type place struct {
	limb    int
	members []int
	mate    int
	mateAt  float64
}

func (p *Planner) placeOf(f find.Finding) place {
	out := place{limb: p.m.Index(f.Limb), mate: -1}
	if grouped(f) {
		for _, id := range f.Members {
			out.members = append(out.members, p.m.Index(id))
		}
	}
	if other, at, ok := p.mates(f); ok {
		out.mate, out.mateAt = p.m.Index(other), at
	}
	return out
}

// questions are what is asked about a finding: its own limb, and those whose cut would solve it as well.
func (p *Planner) questions(f find.Finding) []Question {
	own := Question{Limb: f.Limb, Aim: f.Aim, AtMax: limb.Of(f.AtCM + p.o.Slack)}
	if !grouped(f) {
		out := []Question{own}
		if other, at, ok := p.mates(f); ok && at == 0 {
			out = append(out, Question{Limb: other, Aim: f.Aim, AtMax: limb.Of(0)})
		}
		return out
	}
	var out []Question
	for _, id := range f.Members {
		out = append(out, Question{Limb: id, Aim: f.Aim, AtMax: limb.Of(0)})
	}
	if f.Code == find.Crowsfoot {
		lowest := map[int]float64{}
		var carriers []int
		for _, id := range f.Members {
			a := &p.m.Axes[p.m.Index(id)]
			if was, seen := lowest[a.Parent]; !seen || a.Attach < was {
				if !seen {
					carriers = append(carriers, a.Parent)
				}
				lowest[a.Parent] = a.Attach
			}
		}
		slices.Sort(carriers)
		for _, c := range carriers {
			out = append(out, Question{Limb: p.m.Axes[c].ID, Aim: find.Lower, AtMax: limb.Of(lowest[c])})
		}
	}
	return out
}

// setAside: findings that no cut of this slip is sought for, with the reason.
func (p *Planner) setAside(f find.Finding) (Carried, bool) {
	for _, rule := range asides {
		if why := rule(p, f); why != "" {
			return Carried{Why: why}, true
		}
	}
	return Carried{}, false
}

// asides are asked in this order; a new rule is a function here.
var asides = []func(*Planner, find.Finding) Why{
	func(p *Planner, f find.Finding) Why { return when(slices.Contains(p.o.Left, KeyOf(f)), LeftByYou) },
	func(_ *Planner, f find.Finding) Why { return when(f.Aim == find.NoAim, NoCut) },
	func(_ *Planner, f find.Finding) Why {
		bears, ok := f.Fact("bears")
		return when(ok && bears.Value == 1, Bears)
	},
	func(p *Planner, f find.Finding) Why { return p.jobInstead(f) },
	func(p *Planner, f find.Finding) Why { return when(p.ofOtherSlip(f), OtherSlip) },
	(*Planner).bySchool,
	func(p *Planner, f find.Finding) Why {
		light := f.Code == find.Shaded || f.Code == find.CentreClosed
		return when(light && (f.Severity < darkEnough || p.m.Axes[p.m.Index(f.Limb)].Depth <= 1), LightAgain)
	},
}

// darkEnough: shade worse than this is answered with a cut.
const darkEnough = 0.8

func when(yes bool, w Why) Why {
	if yes {
		return w
	}
	return ""
}

// ofOtherSlip: work that belongs to the other season (limbs.md#71-seasons-and-schools).
func (p *Planner) ofOtherSlip(f find.Finding) bool {
	if !p.summer() {
		return f.Code == find.OverHeight && p.o.HeightCut == InSummer
	}
	switch f.Code {
	case find.TipBack, find.LongBearer, find.SpursCrowded, find.TierGap:
		return true
	case find.TooOld, find.Barren, find.WeakWood, find.RenewalDue:
		return !(onLastYear(p.m) && p.harvested)
	case find.OverHeight:
		return p.o.HeightCut == WhenDormant
	}
	return false
}

// bySchool: what the school never does.
func (p *Planner) bySchool(f find.Finding) Why {
	way, _ := f.Fact("way")
	switch {
	case f.Code == find.TipBack && p.o.NeverTip:
		return SchoolNever
	case f.Code == find.LongShoot && p.summer() && (p.o.SummerShoots == LeaveShoots || p.o.SummerShoots == UprightOnly && way.Text == "good"):
		return SchoolNever
	case f.Code == find.LongShoot && !p.summer() && p.o.LeaveLong && way.Text == "good":
		return SchoolNever
	}
	return ""
}
