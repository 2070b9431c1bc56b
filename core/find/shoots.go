package find

import (
	"math"

	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// How long, cm, a last season's growth is to be tipped back, and a bearing shoot to be shortened (limbs.md#3-findings).
const (
	tipFromCM    = 20
	bearerFromCM = 40
)

// bears says whether the wood from `at` on is this year's bearing wood of a kind that fruits on one-year shoots: it is
// renewed after the harvest, not taken before (limbs.md#35-leader-forks-tiers-shoots-bearers).
func (f *finder) bears(i int, at float64) bool {
	if f.habit() != pomology.OnLastYear || f.o.Harvested && f.m.Season == limb.Summer {
		return false
	}
	a := &f.m.Axes[i]
	most := 2
	if f.m.Season == limb.Summer {
		most = 3
	}
	first := max(0, len(a.Rings)-most)
	if at < a.RingStart(first)-0.5 || a.Tip == limb.DeadTip || f.m.Base(i).Z > f.o.ReachCM || f.m.Top(i) > f.o.ReachCM+overReachCM {
		return false
	}
	for _, c := range a.Children {
		if f.m.Axes[c].Attach < at {
			continue
		}
		for _, j := range f.m.Subtree(c) {
			if f.grown(j) > most {
				return false
			}
		}
	}
	return true
}

// free: a growing end, no sprout or sucker, not kept, its base within reach.
func (f *finder) free(i int) bool {
	return f.growing(i) && f.noSprout(i) && !f.m.Has(i, limb.Keep) && f.m.Base(i).Z <= f.o.ReachCM
}

// Limits of a season's shoot against the usual extension of the kind.
const (
	longSummer, longDormant, longFlat = 1.2, 1.4, 0.6
	setAllowance                      = 1.5
	fiveLeaves                        = 5
	aboveBudCM                        = 0.55 // 5-6 mm above a bud
)

func (f *finder) longShoot(i int) {
	a, g := &f.m.Axes[i], f.m.Kind.Growth
	if !f.free(i) || f.isLeader(i) || a.Depth < 1 || a.Depth == 1 && !(f.m.Flat() && f.grown(i) == 1) {
		return
	}
	oneRing := f.grown(i) == 1
	lim := longSummer * g.ExtensionCM
	if f.m.Season == limb.Dormant {
		if !oneRing {
			return
		}
		lim = longDormant * g.ExtensionCM
		if h := f.habit(); f.o.ShortShoots && a.Depth >= 2 && (h == pomology.OnSpurs || h == pomology.OnSpursAndNew) {
			lim = 8 * g.InternodeCM // long enough to be spurred back
		}
	}
	if f.m.Flat() {
		lim *= longFlat
	}
	st, e := a.LastRing()
	if e < lim || f.m.Has(i, limb.Set) && e < setAllowance*g.ExtensionCM {
		return
	}
	way := f.shootWay(i, st, e)
	severity := 0.4*clamp01(e/lim-1) + 0.4
	aim, at := Calm, st
	switch {
	case way == "good":
		severity -= 0.1
		if h := f.habit(); h != pomology.OnSpurs && h != pomology.OnSpursAndNew || e < 8*g.InternodeCM {
			return
		}
		at = st + fiveLeaves*g.InternodeCM + aboveBudCM
	case oneRing:
		if way == "inward" && a.Depth >= 2 {
			return // told as inward
		}
		aim, at = Remove, 0
	}
	found := f.tell(LongShoot, i, at, severity, []Fact{num("length_cm", e), {Name: "way", Text: way}}, num("length_cm", lim))
	found.Aim = aim
}

// shootWay says how a limb's last ring stands: upright, inward or good.
func (f *finder) shootWay(i int, st, e float64) string {
	a := &f.m.Axes[i]
	if f.m.Theta(i, a.L-e/2) <= sproutAngle {
		return "upright"
	}
	from := f.m.At(i, st)
	_, out := f.m.Outward(i, from)
	if -f.m.End(i).Sub(from).Dot(out)/e >= f.o.InwardRatio {
		return "inward"
	}
	return "good"
}

func (f *finder) tipBack(i int) {
	a := &f.m.Axes[i]
	if f.m.Form == pomology.SlimLeader && !f.isLeader(i) {
		return // its short side limbs are never headed: they go whole when they thicken
	}
	st, e := a.LastRing()
	h := f.habit()
	if f.m.Season != limb.Dormant || !f.free(i) || !f.o.building(f.m.Age) || h == pomology.OnTips || h == pomology.OnThisYear ||
		a.Depth != 1 && !f.isLeader(i) || e < tipFromCM || f.m.Top(i) > f.o.ReachCM+overReachCM {
		return
	}
	f.tell(TipBack, i, st+0.75*e, mild, []Fact{num("ring_cm", e)}, num("ring_cm", tipFromCM))
}

func (f *finder) longBearer(i int) {
	a, g := &f.m.Axes[i], f.m.Kind.Growth
	st, e := a.LastRing()
	if f.m.Season != limb.Dormant || f.habit() != pomology.OnLastYear || !f.free(i) || e < bearerFromCM || f.light.At(i) < f.o.DarkLight {
		return
	}
	fruits := 3.0
	if e >= 60 {
		fruits = 4
	}
	keep := 0.15*e + 100*fruits/(f.m.Density(1)*g.FruitPerBud*limb.LightFactor(f.light.At(i)))
	at, renew := -1.0, -1.0
	for _, n := range f.m.Nodes(i, len(a.Rings)-1, f.light) {
		if n.N > 0 && n.At <= st+keep && (n.Kind == limb.Triple || n.Kind == limb.Double) {
			at = n.At + aboveBudCM
		}
		if renew < 0 && n.Kind.HasLeaf() {
			renew = n.At
		}
	}
	if at < 0 || a.L-at < 8 || f.m.At(i, at).Z > f.o.ReachCM {
		return
	}
	f.tell(LongBearer, i, at, ramps[LongBearer].at((a.L-at)/e),
		[]Fact{num("length_cm", e), num("fruits", fruits), num("renew_bud_cm", renew)}, num("length_cm", bearerFromCM))
}

// clothedPerM: rings that can hold this many flower buds per metre count as clothed.
const clothedPerM = 3

func (f *finder) barren(i int) {
	a := &f.m.Axes[i]
	if a.Depth == 0 || a.L < 60 || f.grown(i) < 3 {
		return
	}
	first := math.Max(f.firstClothed(i), f.bareTo(i)) // a late leader is bare by design
	if bare := first - f.bareTo(i); bare > f.o.BarrenCM && f.bareTo(i) > 0 {
		f.tell(Barren, i, f.bareTo(i), ramps[Barren].at(bare/a.L), []Fact{num("bare_cm", bare)}, num("bare_cm", f.o.BarrenCM))
	} else if f.bareTo(i) == 0 && first > f.o.BarrenCM && first > 0.4*a.L {
		f.tell(Barren, i, 0, ramps[Barren].at(first/a.L), []Fact{num("bare_cm", first)}, num("bare_cm", f.o.BarrenCM))
	}
	from, to := f.longestGap(i, first)
	if to-from > f.o.BarrenCM {
		f.tell(Barren, i, from, ramps[Barren].at((to-from)/a.L),
			[]Fact{num("bare_cm", to-from), num("from_cm", from), num("to_cm", to)}, num("bare_cm", f.o.BarrenCM))
	}
}

// firstClothed is how far a limb is bare from its base.
func (f *finder) firstClothed(i int) float64 {
	a := &f.m.Axes[i]
	if a.Bare > 0 {
		return a.Bare
	}
	first := a.L
	if len(a.Children) > 0 {
		first = f.m.Axes[a.Children[0]].Attach
	}
	st := 0.0
	for k, r := range a.Rings {
		if f.ringClothed(i, k) {
			first = math.Min(first, st)
			break
		}
		st += r
	}
	return first
}

func (f *finder) ringClothed(i, k int) bool {
	a := &f.m.Axes[i]
	return f.m.Density(len(a.Rings)-k)*limb.LightFactor(f.light.At(i))*f.m.AngleFactor(i) >= clothedPerM
}

// longestGap is the longest stretch without wood that can bear, beyond the bare base.
func (f *finder) longestGap(i int, first float64) (from, to float64) {
	a := &f.m.Axes[i]
	clothed := f.clothed(i)
	best := 0.0
	at := 0.0
	consider := func(start, end float64) {
		if start >= first-1e-9 && start > 0.5 && end-start > best+1e-9 {
			from, to, best = start, end, end-start
		}
	}
	for _, c := range clothed {
		if c[0] > at {
			consider(at, c[0])
		}
		at = math.Max(at, c[1])
	}
	consider(at, a.L)
	return from, to
}

// clothed lists where a limb can bear: rings less the gaps seen, and the places of live side limbs, from the base out.
func (f *finder) clothed(i int) [][2]float64 {
	a := &f.m.Axes[i]
	var out [][2]float64
	st := 0.0
	for k, r := range a.Rings {
		if f.ringClothed(i, k) && r > 0 {
			parts := [][2]float64{{st, st + r}}
			for _, g := range a.Gaps {
				parts = without(parts, g.FromCM, g.ToCM)
			}
			out = append(out, parts...)
		}
		st += r
	}
	for _, c := range a.Children {
		if !f.m.WhollyDead(c) && !f.m.Axes[c].Sprout {
			out = append(out, [2]float64{f.m.Axes[c].Attach, f.m.Axes[c].Attach})
		}
	}
	sortSpans(out)
	return out
}

func without(spans [][2]float64, from, to float64) [][2]float64 {
	var out [][2]float64
	for _, s := range spans {
		if to <= s[0] || from >= s[1] {
			out = append(out, s)
			continue
		}
		if s[0] < from {
			out = append(out, [2]float64{s[0], from})
		}
		if to < s[1] {
			out = append(out, [2]float64{to, s[1]})
		}
	}
	return out
}

func sortSpans(spans [][2]float64) {
	for i := 1; i < len(spans); i++ {
		for k := i; k > 0 && spans[k][0] < spans[k-1][0]; k-- {
			spans[k], spans[k-1] = spans[k-1], spans[k]
		}
	}
}

func (f *finder) spursCrowded(i int) {
	most := f.m.Kind.Year.SpursPerM
	if most == 0 {
		return
	}
	for _, s := range f.m.Axes[i].Spurs {
		n := 100 * s.Count / (s.ToCM - s.FromCM)
		if n <= most || f.m.AgeAt(i, (s.FromCM+s.ToCM)/2) < 4 {
			continue
		}
		f.tell(SpursCrowded, i, s.FromCM, ramps[SpursCrowded].at(n/most-1), []Fact{
			num("to_cm", s.ToCM), num("per_m", n), num("most_per_m", most), num("fraction", math.Max(0.1, math.Min(0.5, 1-0.8*most/n))),
		}, num("per_m", most))
	}
}
