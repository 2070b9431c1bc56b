package find

import (
	"math"

	"vertumna/core/limb"
)

// Barren is a stretch that bears nothing.
const Barren Code = "barren"

var barren = Rule{Code: Barren, Step: 9, Weight: 2, Aim: Renew, Source: practice}

var barrenGrows = ramp{0.3, 0.5, 1} // part of the limb that is bare

// clothedPerM: rings that can hold this many flower buds per metre count as clothed.
const clothedPerM = 3

func (f *finder) barren(i int) {
	a := &f.m.Axes[i]
	if a.Depth == 0 || a.L < 60 || f.grown(i) < 3 {
		return
	}
	first := math.Max(f.firstClothed(i), f.bareTo(i)) // a late leader is bare by design
	if bare := first - f.bareTo(i); bare > f.o.BarrenCM && f.bareTo(i) > 0 {
		f.tell(barren, i, f.bareTo(i), barrenGrows.at(bare/a.L), []Fact{num("bare_cm", bare)}, num("bare_cm", f.o.BarrenCM))
	} else if f.bareTo(i) == 0 && first > f.o.BarrenCM && first > 0.4*a.L {
		f.tell(barren, i, 0, barrenGrows.at(first/a.L), []Fact{num("bare_cm", first)}, num("bare_cm", f.o.BarrenCM))
	}
	from, to := f.longestGap(i, first)
	if to-from > f.o.BarrenCM {
		f.tell(barren, i, from, barrenGrows.at((to-from)/a.L),
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
