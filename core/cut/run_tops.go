package cut

import (
	"cmp"
	"math"
	"slices"

	"vertumna/core/limb"
)

// asMoved makes the cuts that a person put elsewhere, in the step of what they are for.
func (r *run) asMoved(step int) {
	for _, mv := range r.p.o.Instead {
		first := -1
		for k, f := range r.p.findings {
			if slices.Contains(mv.Findings, KeyOf(f)) && (first < 0 || f.Step < r.p.findings[first].Step) {
				first = k
			}
		}
		if first < 0 || r.p.findings[first].Step != step {
			continue
		}
		c, ok := r.p.At(mv.Cut, r.p.findings[first].Aim)
		if !ok {
			continue
		}
		o := r.p.weigh(c)
		if r.taken(o) || r.locked(&made{option: o}, first) != "" {
			continue
		}
		m := &made{option: o, step: step, net: r.net(o), stage: -1, aim: r.p.findings[first].Aim, moved: true}
		m.exempt = r.p.exempt(r.p.findings[first])
		for _, k := range o.solves {
			if r.open[k] {
				m.does = append(m.does, k)
			}
		}
		r.accept(m)
		for k, f := range r.p.findings {
			if r.open[k] && slices.Contains(mv.Findings, KeyOf(f)) {
				r.open[k] = false
				r.why[k] = Carried{Finding: f, Why: MovedByYou}
			}
		}
	}
}

// release takes up what was held back for the tops, now that they have had their turn.
func (r *run) release() {
	steps := map[int]bool{}
	for k := range r.why {
		if r.open[k] && r.why[k].Why == KeptForHeight {
			steps[r.p.findings[k].Step] = true
			r.why[k] = Carried{}
		}
	}
	for _, step := range r.order {
		if steps[step] {
			r.forget()
			r.step(step)
		}
	}
}

// Tops that stand far out, or on main limbs, come first in a restoration.
const farOverCM = 60

// topsInOrder lists the tops to work on, the highest first; for a person with all they carry, as the chosen cuts leave them.
func (r *run) topsInOrder() []int {
	if !r.p.o.KeepForHeight {
		return r.p.tops
	}
	out, high := slices.Clone(r.p.tops), map[int]float64{}
	for _, k := range out {
		high[k] = math.Round(r.standsTo(r.p.found[k].limb, nil))
	}
	slices.SortStableFunc(out, func(a, b int) int {
		return cmp.Or(cmp.Compare(high[b], high[a]), cmp.Compare(r.p.findings[a].Limb, r.p.findings[b].Limb))
	})
	return out
}

// topsFirst takes the tops down, the highest first.
func (r *run) topsFirst() {
	p := r.p
	for _, k := range r.topsInOrder() {
		excess, _ := p.findings[k].Fact("excess_cm")
		if p.m.Axes[p.m.Index(p.findings[k].Limb)].Depth > 1 && excess.Value < farOverCM {
			continue
		}
		if !r.open[k] {
			continue
		}
		done := false
		for _, c := range r.choices(k) {
			if done = r.try(c, heightStep, k, -1); done || !r.open[k] {
				break
			}
		}
		if !done && r.open[k] {
			r.stage(k)
		}
	}
}

// stages lowers, this year, tops that cannot come to reach under the limit.
func (r *run) stages() {
	for k, f := range r.p.findings {
		if r.open[k] && f.Code == "over_height" && r.why[k].Why != Lowered && (r.limited(k) || r.why[k].Why == "") {
			r.stage(k)
		}
	}
}

// limited: refused for a limit.
func (r *run) limited(k int) bool {
	switch r.why[k].Why {
	case OverToSummer, OverToWinter, ZoneToSummer, ZoneToWinter:
		return true
	}
	return false
}

// stage lowers a top part of the way; the finding stays, for next year.
func (r *run) stage(k int) {
	f := r.p.findings[k]
	lowered := 0.0
	for again := true; again; {
		again = false
		for _, s := range r.stagesOf(k) {
			was := r.why[k]
			if !r.isRefused(s.option) && r.try(choice{option: s.option, finding: k}, heightStep, k, k) {
				lowered += s.gain
				r.why[k] = Carried{Finding: f, Why: Lowered, CM: lowered, Cut: was.Cut}
				again = r.p.o.KeepForHeight
				break
			}
			r.why[k] = was
		}
	}
}

// lowering is a cut that brings a top part of the way, and by how much, cm.
type lowering struct {
	*option
	gain float64
}

// stagesOf are the cuts that bring a top part of the way, the most first. What the cuts chosen so far take does not stand in
// the way any more; the reference counts it as if it stood.
func (r *run) stagesOf(k int) []lowering {
	if known, ok := r.staged[k]; ok {
		return known
	}
	f := r.p.findings[k]
	var out []lowering
	add := func(id string, above float64, gain func(*option) float64) {
		options := r.p.ask(Question{Limb: id, Aim: f.Aim})
		for _, o := range options[:min(len(options), firstStaged)] {
			if o.Kind != limb.SideBranch && o.Kind != limb.FruitBud || o.AtCM <= above || o.Score < stageLeast || r.taken(o) {
				continue
			}
			if cm := gain(o); cm >= stageGainCM {
				out = append(out, lowering{o, cm})
			}
		}
	}
	if !r.p.o.KeepForHeight {
		add(f.Limb, f.AtCM, func(o *option) float64 { return o.GainCM })
	} else {
		i := r.p.found[k].limb
		top := r.standsTo(i, nil)
		gain := func(o *option) float64 { return top - r.standsTo(i, &made{option: o}) }
		add(f.Limb, f.AtCM, gain)
		for _, h := range r.p.m.Subtree(i)[1:] { // what starts above reach is told with its carrier
			if r.p.m.Base(h).Z > r.p.reachCM && !r.gone(h, 0) && r.p.liveTop[h] > top-stageGainCM {
				add(r.p.m.Axes[h].ID, 0, gain)
			}
		}
	}
	slices.SortStableFunc(out, func(a, b lowering) int {
		return cmp.Or(cmp.Compare(b.gain, a.gain), cmp.Compare(b.Score, a.Score), cmp.Compare(a.AtCM, b.AtCM))
	})
	r.staged[k] = out
	return out
}

// standsTo is the highest point of a limb and all it carries after the chosen cuts and one more.
func (r *run) standsTo(i int, more *made) float64 {
	top := r.p.m.Base(i).Z
	for _, k := range r.p.m.Subtree(i) {
		if at := r.endsAt(k, more); at > 0 && r.p.liveTop[k] > top && !r.p.m.WhollyDead(k) {
			top = math.Max(top, r.p.rises(k, at))
		}
	}
	return top
}

// topsOpen is how much of the tops stays above reach.
func (r *run) topsOpen() float64 {
	sum := 0.0
	for _, k := range r.p.tops {
		if !r.solved[k] {
			sum += r.p.findings[k].Severity
		}
	}
	return sum
}
