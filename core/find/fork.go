package find

import (
	"cmp"
	"math"
	"slices"

	"vertumna/core/limb"
)

// Fork is two ends that grow alike.
const Fork Code = "fork"

var fork = Rule{Code: Fork, Step: 5, Weight: 3, Aim: Remove, Source: practice}

var forkGrows = ramp{0.4, 0.3, 0.25} // ratio of thicknesses over the threshold

// rivalFromCM is how long an end is that may rival another (limbs.md#35-leader-forks-tiers-shoots-bearers).
const rivalFromCM = 15

// Two ends of a fork are rivals when this near in thickness and length.
const (
	forkThick = 0.75
	forkLong  = 0.7
)

func (f *finder) forks() {
	if f.m.Flat() {
		return
	}
	building := f.o.building(f.m.Age)
	for p := range f.m.Axes {
		a := &f.m.Axes[p]
		if f.m.WhollyDead(p) || building && a.Depth <= 1 {
			continue
		}
		if f.growing(p) && f.noSprout(p) && a.Depth > 0 {
			f.forkBelowTip(p)
		}
		if a.Tip == limb.Cut && !f.m.Has(p, limb.Fresh) && a.Depth > 0 {
			f.forkAtCut(p)
		}
	}
}

func (f *finder) rival(c int) bool {
	return f.growing(c) && f.noSprout(c) && !f.isLeader(c) && f.grown(c) <= youngRings
}

// forkBelowTip: a side shoot near the end grows like the end itself.
func (f *finder) forkBelowTip(p int) {
	a := &f.m.Axes[p]
	young := a.Rings[max(0, len(a.Rings)-2):]
	from := a.L
	for _, r := range young {
		from -= r
	}
	for _, c := range a.Children {
		k := &f.m.Axes[c]
		rest := a.L - k.Attach
		if !f.rival(c) || k.Attach < from-1e-9 || rest < rivalFromCM || k.L < rivalFromCM {
			continue
		}
		ratio, long := near(k.D, f.m.Diameter(p, k.Attach+0.01)), near(k.L, rest)
		angle, _, _ := f.crotch(c)
		if ratio < forkThick || long < forkLong || angle > 60 {
			continue
		}
		f.tellFork(c, p, ratio, long, k.Attach+radiusCM(k.D))
	}
}

// forkAtCut: the two strongest shoots below an old cut grow alike.
func (f *finder) forkAtCut(p int) {
	a := &f.m.Axes[p]
	var cs []int
	for _, c := range a.Children {
		if f.growing(c) && f.noSprout(c) && !f.isLeader(c) && f.m.Axes[c].Attach >= a.L-8 && f.m.Axes[c].L >= rivalFromCM {
			cs = append(cs, c)
		}
	}
	if len(cs) < 2 {
		return
	}
	slices.SortFunc(cs, func(x, y int) int {
		return cmp.Or(cmp.Compare(f.m.Axes[y].D, f.m.Axes[x].D), cmp.Compare(f.m.Axes[x].ID, f.m.Axes[y].ID))
	})
	x, y := cs[0], cs[1]
	ratio, long := near(f.m.Axes[x].D, f.m.Axes[y].D), near(f.m.Axes[x].L, f.m.Axes[y].L)
	if f.grown(x) > youngRings || f.grown(y) > youngRings || ratio < forkThick || long < forkLong {
		return
	}
	out := func(i int) float64 {
		_, o := f.m.Outward(i, f.m.Base(i))
		return math.Round(f.m.End(i).Sub(f.m.Base(i)).Dot(o)/f.m.Axes[i].L*1000) / 1000
	}
	if ox, oy := out(x), out(y); oy < ox || ox == oy && f.m.Axes[y].ID < f.m.Axes[x].ID {
		x, y = y, x
	}
	f.tellFork(x, y, ratio, long, -1)
}

func (f *finder) tellFork(i, other int, ratio, long, at float64) {
	facts := []Fact{num("ratio", ratio), num("length_ratio", long)}
	if at >= 0 {
		facts = append(facts, num("at_parent_cm", at))
	}
	f.tell(fork, i, 0, forkGrows.at(ratio-forkThick), facts, num("ratio", forkThick)).Members = []string{f.m.Axes[other].ID}
}

func near(a, b float64) float64 { return math.Min(a, b) / math.Max(a, b) }
