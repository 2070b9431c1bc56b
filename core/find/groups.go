package find

import (
	"cmp"
	"math"
	"slices"

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

func (f *finder) live(i int) bool { return !f.m.WhollyDead(i) }

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

func (f *finder) ids(limbs []int) []string {
	out := make([]string, len(limbs))
	for k, i := range limbs {
		out[k] = f.m.Axes[i].ID
	}
	return out
}

const nodeCM = 4

// How long, cm, is what may rival a leader, and what stands in a tier (limbs.md#35-leader-forks-tiers-shoots-bearers).
const (
	rivalFromCM = 15
	tierFromCM  = 40
)

// sameNode: three or more limbs from one place hold the carrier back above it.
func (f *finder) sameNode() {
	for p := range f.m.Axes {
		if f.m.WhollyDead(p) || f.m.IsStem(p) && (f.m.Vase() || f.m.Bush() || f.m.Flat()) {
			continue
		}
		var group []int
		flush := func() {
			if len(group) >= 3 {
				at := f.m.Axes[group[0]].Attach
				found := f.tell(SameNode, group[0], 0, 0.5, []Fact{num("count", float64(len(group))), num("at_parent_cm", at)}, num("count", 2))
				found.Members = f.ids(group)
			}
			group = nil
		}
		for _, c := range f.m.Axes[p].Children {
			if f.m.WhollyDead(c) || f.m.Axes[c].D < 6 {
				continue
			}
			if len(group) > 0 && f.m.Axes[c].Attach > f.m.Axes[group[0]].Attach+nodeCM {
				flush()
			}
			group = append(group, c)
		}
		flush()
	}
}

func near(a, b float64) float64 { return math.Min(a, b) / math.Max(a, b) }

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

func (f *finder) tellFork(i, other int, ratio, long, at float64) {
	facts := []Fact{num("ratio", ratio), num("length_ratio", long)}
	if at >= 0 {
		facts = append(facts, num("at_parent_cm", at))
	}
	f.tell(Fork, i, 0, ramps[Fork].at(ratio-forkThick), facts, num("ratio", forkThick)).Members = []string{f.m.Axes[other].ID}
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

// tierSpacing is the height wanted between a main limb and the one below it on the same side, cm, by vigour.
var tierSpacing = map[pomology.VigourClass]float64{
	pomology.VeryDwarfing: 60, pomology.Dwarfing: 60, pomology.SemiDwarfing: 80, pomology.SemiVigorous: 100, pomology.Vigorous: 120,
}

func (f *finder) tierGap() {
	if f.m.Form != pomology.CentralLeader {
		return
	}
	wanted, ok := tierSpacing[f.o.Vigour]
	if !ok {
		wanted = tierSpacing[pomology.SemiDwarfing]
	}
	var mains []int
	for i := range f.m.Axes {
		a := &f.m.Axes[i]
		if a.Parent >= 0 && f.chain[a.Parent] && !f.chain[i] && f.live(i) && a.L >= tierFromCM && a.D >= 10 && f.m.MeanAngle(i) >= 25 && f.noSprout(i) {
			mains = append(mains, i)
		}
	}
	slices.SortStableFunc(mains, func(x, y int) int {
		return cmp.Or(cmp.Compare(f.m.Base(x).Z, f.m.Base(y).Z), cmp.Compare(f.m.Axes[x].ID, f.m.Axes[y].ID))
	})
	for k, i := range mains {
		for b := k - 1; b >= 0; b-- {
			j := mains[b]
			turn := math.Abs(math.Mod(f.m.Axes[i].Azimuth-f.m.Axes[j].Azimuth+540, 360) - 180)
			if turn > 40 {
				continue
			}
			gap := f.m.Base(i).Z - f.m.Base(j).Z
			if short := math.Min(f.m.Axes[i].L, f.m.Axes[j].L); gap < wanted && f.m.Axes[i].L > 0.5*f.m.Axes[j].L {
				found := f.tell(TierGap, i, 0.5*short, ramps[TierGap].at((wanted-gap)/wanted),
					[]Fact{num("gap_cm", gap), num("wanted_cm", wanted)}, num("gap_cm", wanted))
				found.Members = f.ids([]int{j})
			}
			break
		}
	}
}

// A crowsfoot: this many young uprights within this distance at a place headed before.
const (
	crowsfootCM    = 15
	crowsfootLeast = 4
	crowsfootAngle = 40
	headedCM       = 20
)

func (f *finder) crowsfoot() {
	var free []int
	for i := range f.m.Axes {
		if f.m.Axes[i].Depth > 0 && f.live(i) && !f.isLeader(i) && f.m.MeanAngle(i) <= crowsfootAngle && f.grown(i) <= youngRings && !f.sucker[i] {
			free = append(free, i)
		}
	}
	for len(free) >= crowsfootLeast {
		var best []int
		top := -1
		for _, i := range free {
			var group []int
			for _, j := range free {
				if f.m.Base(j).Sub(f.m.Base(i)).Len() <= crowsfootCM {
					group = append(group, j)
				}
			}
			if len(group) > len(best) || len(group) == len(best) && f.m.Axes[i].ID > f.m.Axes[top].ID {
				best, top = group, i
			}
		}
		if len(best) < crowsfootLeast {
			return
		}
		free = slices.DeleteFunc(free, func(i int) bool { return slices.Contains(best, i) })
		if !f.headedNear(f.m.Base(top)) {
			continue
		}
		slices.SortFunc(best, func(x, y int) int { return cmp.Compare(f.m.Axes[x].ID, f.m.Axes[y].ID) })
		n := float64(len(best))
		f.tell(Crowsfoot, best[0], 0, ramps[Crowsfoot].at(n-3), []Fact{num("count", n), num("height_cm", f.m.Base(top).Z)},
			num("count", crowsfootLeast-1)).Members = f.ids(best)
	}
}

// headedNear: an old cut end or wound close to a place.
func (f *finder) headedNear(p limb.Vec) bool {
	for i := range f.m.Axes {
		a := &f.m.Axes[i]
		if a.Tip == limb.Cut && !f.m.Has(i, limb.Fresh) && f.m.End(i).Sub(p).Len() <= headedCM {
			return true
		}
		for _, w := range a.Wounds {
			if !w.Fresh && f.m.At(i, w.AtCM).Sub(p).Len() <= headedCM {
				return true
			}
		}
	}
	return false
}

// A place headed this often, and shoots up from it again, is taken out lower down (work.md#fine-points). A
// shorter limb is a spur or a stub, cut back there on purpose. Our estimates.
const (
	headedTimes = 2
	headedLeast = 30 // cm
)

// headedAgain remembers cut points: the end of a limb was cut, what grew there was cut in its turn, and it shoots up again.
// Leaders that are stopped and trees on wires are headed where they are on purpose. A crowsfoot is told as such.
func (f *finder) headedAgain() {
	if f.m.Flat() {
		return
	}
	told := map[string]bool{}
	for _, x := range f.out {
		if x.Code == Crowsfoot {
			for _, id := range x.Members {
				told[id] = true
			}
		}
	}
	for i := range f.m.Axes {
		a := &f.m.Axes[i]
		if a.Depth == 0 || a.L < headedLeast || a.Tip != limb.Cut || f.m.Has(i, limb.Fresh) || !f.live(i) || f.chain[i] {
			continue
		}
		times, lowest, shoots := f.timesHeaded(i)
		if times < headedTimes || len(shoots) == 0 || slices.ContainsFunc(shoots, func(k int) bool { return told[f.m.Axes[k].ID] }) {
			continue
		}
		n := float64(len(shoots))
		f.tell(HeadedAgain, i, lowest, clamp01(0.4+0.2*float64(times-headedTimes)+0.1*(n-1)),
			[]Fact{num("times", float64(times)), num("count", n), num("height_cm", f.m.End(i).Z)}, num("times", headedTimes-1)).Members = f.ids(shoots)
	}
}

// timesHeaded counts the cuts one after another at the end of a limb: what grew from a cut and was cut there as well, or
// wounds of several years. With the lowest place what grew there starts, and the young uprights that stand there now.
func (f *finder) timesHeaded(i int) (times int, lowest float64, shoots []int) {
	end, a := f.m.End(i), &f.m.Axes[i]
	by := func(p limb.Vec) bool { return p.Sub(end).Len() <= crowsfootCM }
	cuts, years := map[int]int{i: 1}, map[int]bool{}
	note := func(k int) {
		for _, w := range f.m.Axes[k].Wounds {
			if w.Year != nil && !w.Fresh && by(f.m.At(k, w.AtCM)) {
				years[*w.Year] = true
			}
		}
	}
	note(i)
	times, lowest = 1, a.L
	for _, k := range f.m.Subtree(i)[1:] { // carriers first
		c := &f.m.Axes[k]
		before := cuts[c.Parent]
		if before == 0 || !f.live(k) || !by(f.m.Base(k)) {
			continue
		}
		switch {
		case c.Tip == limb.Cut && !f.m.Has(k, limb.Fresh) && by(f.m.End(k)):
			cuts[k] = before + 1
			times = max(times, before+1)
			note(k)
		case f.growing(k) && f.m.MeanAngle(k) <= crowsfootAngle && f.grown(k) <= youngRings && !f.sucker[k]:
			shoots = append(shoots, k)
		default:
			continue
		}
		if c.Parent == i {
			lowest = math.Min(lowest, c.Attach)
		}
	}
	return max(times, len(years)), lowest, shoots
}

// overLongBy: a limb longer than this many times the median of its siblings.
const overLongBy = 1.3

// overLong tells limbs that outgrow their siblings: main limbs of one tree should balance.
func (f *finder) overLong() {
	for p := range f.m.Axes {
		var mates []int
		for _, c := range f.m.Axes[p].Children {
			if f.live(c) && f.noSprout(c) && !f.chain[c] && f.m.Axes[c].L >= loadMinCM {
				mates = append(mates, c)
			}
		}
		if len(mates) < 3 || f.m.Axes[p].Depth > 0 || f.m.Flat() || f.cutAmong(p, mates) {
			continue
		}
		lengths := make([]float64, len(mates))
		for k, c := range mates {
			lengths[k] = f.m.Axes[c].L
		}
		slices.Sort(lengths)
		median := (lengths[(len(lengths)-1)/2] + lengths[len(lengths)/2]) / 2
		for _, c := range mates {
			if l := f.m.Axes[c].L; l > overLongBy*median {
				f.tell(OverLong, c, overLongBy*median, ramps[OverLong].at(l/median-overLongBy),
					[]Fact{num("length_cm", l), num("siblings_cm", median)}, num("length_cm", overLongBy*median))
			}
		}
	}
}

// cutAmong: one of a carrier's limbs was cut this season; they are compared again when they have answered.
func (f *finder) cutAmong(p int, mates []int) bool {
	return slices.ContainsFunc(f.m.Axes[p].Wounds, func(w limb.Wound) bool { return w.Fresh }) ||
		slices.ContainsFunc(mates, func(c int) bool { return f.m.Has(c, limb.Fresh) })
}

// topHeavyAbove: a leader tree whose top is wider than this part of its foot shades itself (our estimate: a cone).
const topHeavyAbove = 0.6

// topHeavy compares the width at 0.8 of the height with that at 0.3.
func (f *finder) topHeavy() {
	if !f.m.LeaderForm() || f.m.Age <= buildingAge {
		return
	}
	h := f.m.Height()
	low, high := f.widthAt(0.3*h), f.widthAt(0.8*h)
	if low <= 0 || high/low <= topHeavyAbove {
		return
	}
	i := f.m.Stems()[0]
	if f.leader >= 0 {
		i = f.leader
	}
	f.tell(TopHeavy, i, 0, ramps[TopHeavy].at(high/low-topHeavyAbove),
		[]Fact{num("ratio", high/low), num("top_width_cm", high), num("foot_width_cm", low)}, num("ratio", topHeavyAbove))
}

// widthAt is the widest spread in plan of the wood that crosses a height, within a tenth of the tree's height.
func (f *finder) widthAt(z float64) float64 {
	half := f.m.Height() / 10
	far := 0.0
	for i := range f.m.Axes {
		if f.m.WhollyDead(i) || f.sucker[i] || f.sprout[i] {
			continue
		}
		for _, p := range f.m.Polyline(i) {
			if math.Abs(p.Z-z) <= half {
				far = math.Max(far, math.Hypot(p.X, p.Y))
			}
		}
	}
	return 2 * far
}
