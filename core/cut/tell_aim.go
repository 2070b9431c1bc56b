package cut

import (
	"cmp"
	"math"
	"slices"

	"vertumna/core/limb"
)

// Top is where a main limb ends: as it stands, after this year's height cut, and when all is done. Heights in cm from the
// ground, of the limb with all it carries; 0: it goes whole.
type Top struct {
	Limb            string
	Now, This, Done float64
	// Heir takes over this year, Later when all is done; "": nobody does, or a bud.
	Heir, Later string
	Bud         bool     // the new end is a bud
	End         limb.Vec // the highest point that stays this year
}

// tellEnds lists the main limbs that stand above reach, the highest first, with where the plan ends them.
func (r *run) tellEnds() []Top {
	if r.ends == nil {
		return nil
	}
	ends := r.ends
	if r.p.summer() || r.p.o.HeightCut != InSummer { // its own cuts do the height
		ends = r
	}
	tops := map[int]*Top{}
	var order []int
	for _, t := range r.p.above {
		if t.carrier {
			continue
		}
		s := r.p.m.Scaffold(t.limb)
		if tops[s] == nil {
			tops[s] = &Top{Limb: r.p.m.Axes[s].ID, Now: r.p.liveTop[s], Done: r.done.leavesOf(s).Z}
			tops[s].End = ends.leavesOf(s)
			if r.endsAt(s, nil) <= 0 {
				tops[s].End, tops[s].Done = limb.Vec{}, 0
			}
			tops[s].This = tops[s].End.Z
			order = append(order, s)
		}
	}
	for _, s := range order {
		t := tops[s]
		t.Heir, t.Bud = ends.heirOn(s, nil)
		t.Later, _ = r.done.heirOn(s, ends)
		if t.Later == t.Heir {
			t.Later = ""
		}
	}
	out := make([]Top, 0, len(order))
	for _, s := range order {
		out = append(out, *tops[s])
	}
	slices.SortStableFunc(out, func(a, b Top) int { return cmp.Or(cmp.Compare(b.Now, a.Now), cmp.Compare(a.Limb, b.Limb)) })
	return out
}

// tellHeights tells how high the tree stands now, after this year's height cut, and when all is done.
func (r *run) tellHeights(s *Slip) {
	s.Now = r.p.m.Height()
	s.This, s.Done = s.Now, s.Now
	if r.ends == nil {
		return
	}
	s.This, s.Done = 0, 0
	for _, i := range r.p.m.Stems() {
		s.This, s.Done = math.Max(s.This, r.ends.highestOn(i).Z), math.Max(s.Done, r.done.highestOn(i).Z)
	}
}

// highestOn is the highest point of a limb and all it carries after the chosen cuts.
func (r *run) highestOn(i int) limb.Vec {
	top := r.p.m.Base(i)
	for _, k := range r.p.m.Subtree(i) {
		if at := r.endsAt(k, nil); at > 0 && !r.p.m.WhollyDead(k) && r.p.rises(k, at) > top.Z {
			top = r.p.m.At(k, at)
			top.Z = r.p.rises(k, at)
		}
	}
	return top
}

// leavesOf is the highest point of a limb as highestOn tells it; the zero point where the cuts take it whole.
func (r *run) leavesOf(i int) limb.Vec {
	if r.endsAt(i, nil) <= 0 {
		return limb.Vec{}
	}
	return r.highestOn(i)
}

// heirOn is who takes over on a main limb by the height cut that takes most of it, but for those of an earlier plan; bud: a
// bud does.
func (r *run) heirOn(s int, but *run) (id string, bud bool) {
	most := -1.0
	for _, c := range r.made {
		if c.step != heightStep || !r.p.m.HangsOn(c.limbAt, s) || but != nil && slices.Contains(but.made, c) || c.net+c.inside <= most {
			continue
		}
		most = c.net + c.inside
		id, bud = c.Side, c.Kind == limb.AboveBud || c.Kind == limb.FruitBud
	}
	return id, bud
}

// Section is a part of the slip as a person works through it.
type Section string

// The sections in their order.
const (
	SickWood  Section = "sick"  // what is dead, damaged or sick, suckers and water sprouts
	TopCuts   Section = "tops"  // where the tree ends
	Frame     Section = "frame" // what crosses, stands wrong or splits
	ThinStuff Section = "thin"  // tidied by place, in one go
)

// Group is what is done in one go: a cut, or thin wood of one place and reason.
type Group struct {
	Section Section
	Limb    string // the main limb it stands on, or the cut's own where it is one cut
	Steps   []int  // of the slip, from 0
	Step    int    // in the order of work
	Minutes float64
	Takes   float64
	Thick   float64 // of the thickest, mm
}

// A slip that a person would carry out (reach.md#height; our estimates).
const (
	thinMM     = 12 // wood a hand pruner takes without thought
	prunedMM   = prunerMM
	mostGroups = 12
	topGroups  = 16
)

// sectionOf is the part of the slip a step belongs to.
func sectionOf(s *Step) Section {
	switch {
	case s.Step <= orderedStep:
		return SickWood
	case s.Step == heightStep:
		return TopCuts
	}
	return Frame
}

var sections = []Section{SickWood, TopCuts, Frame, ThinStuff}

// group sorts the steps as a person works: by section, the thick ones first, and what is thin together by place.
func (p *Planner) group(s *Slip) {
	if !p.o.AimFirst || len(s.Cuts) == 0 {
		return
	}
	for _, rule := range []struct {
		mm      float64
		byPlace bool // whatever the reason
	}{{thinMM, false}, {thinMM, true}, {prunedMM, true}} {
		if s.Groups = p.groupsOf(s.Cuts, rule.mm, rule.byPlace); len(s.Groups) <= mostGroups {
			break
		}
	}
	if len(s.Groups) > topGroups {
		s.Groups = wholeTree(s.Groups)
	}
	var cuts []Step
	for n := range s.Groups {
		g := &s.Groups[n]
		for k, x := range g.Steps {
			cuts = append(cuts, s.Cuts[x])
			g.Steps[k] = len(cuts) - 1
		}
	}
	s.Cuts = cuts
}

// placed is where thin wood is tidied together, and why.
type placed struct {
	limb string
	step int
}

func (p *Planner) groupsOf(cuts []Step, mm float64, byPlace bool) []Group {
	var out []Group
	at := map[placed]int{}
	for k := range cuts {
		c := &cuts[k]
		i := p.m.Index(c.Limb)
		section := sectionOf(c)
		g := Group{Section: section, Limb: c.Limb, Steps: []int{k}, Step: c.Step, Minutes: c.Minutes, Takes: c.Takes, Thick: c.DMM}
		if c.DMM > mm || c.Moved || c.Step == sickStep {
			out = append(out, g)
			continue
		}
		key := placed{p.m.Axes[p.m.Scaffold(i)].ID, c.Step}
		if byPlace {
			key.step = 0
		}
		n, known := at[key]
		if !known {
			at[key] = len(out)
			g.Limb = key.limb
			out = append(out, g)
			continue
		}
		out[n].add(g)
	}
	for n := range out {
		if len(out[n].Steps) > 1 {
			out[n].Section = ThinStuff
		} else {
			out[n].Limb = cuts[out[n].Steps[0]].Limb
		}
		slices.SortStableFunc(out[n].Steps, func(a, b int) int { return cmp.Compare(cuts[b].DMM, cuts[a].DMM) })
	}
	sortGroups(out)
	return out
}

func (g *Group) add(o Group) {
	g.Steps = append(g.Steps, o.Steps...)
	g.Minutes, g.Takes, g.Thick, g.Step = g.Minutes+o.Minutes, g.Takes+o.Takes, math.Max(g.Thick, o.Thick), min(g.Step, o.Step)
}

// sortGroups: by section, in it by the order of work, then the thick ones first.
func sortGroups(groups []Group) {
	slices.SortStableFunc(groups, func(a, b Group) int {
		return cmp.Or(
			cmp.Compare(slices.Index(sections, a.Section), slices.Index(sections, b.Section)), cmp.Compare(a.Step, b.Step), cmp.Compare(b.Thick, a.Thick),
			cmp.Compare(a.Limb, b.Limb),
		)
	})
}

// wholeTree puts what is thin all over the tree together, where its places alone are too many.
func wholeTree(groups []Group) []Group {
	var out []Group
	thin := -1
	for _, g := range groups {
		switch {
		case g.Section != ThinStuff:
			out = append(out, g)
		case thin < 0:
			thin = len(out)
			g.Limb = ""
			out = append(out, g)
		default:
			out[thin].add(g)
		}
	}
	return out
}
