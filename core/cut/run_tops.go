package cut

import (
	"cmp"
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

// topsFirst takes the tops down, the highest first.
func (r *run) topsFirst() {
	p := r.p
	for _, k := range p.tops {
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
	options := r.p.ask(Question{Limb: f.Limb, Aim: f.Aim})
	options = slices.Clone(options[:min(len(options), firstStaged)])
	options = slices.DeleteFunc(options, func(o *option) bool {
		return o.Kind != limb.SideBranch && o.Kind != limb.FruitBud || o.AtCM <= f.AtCM || o.Score < stageLeast || o.GainCM < stageGainCM ||
			r.isRefused(o) || r.taken(o)
	})
	slices.SortStableFunc(options, func(a, b *option) int {
		return cmp.Or(cmp.Compare(b.GainCM, a.GainCM), cmp.Compare(b.Score, a.Score), cmp.Compare(a.AtCM, b.AtCM))
	})
	for _, o := range options {
		was := r.why[k]
		if r.try(choice{option: o, finding: k}, heightStep, k, k) {
			r.why[k] = Carried{Finding: f, Why: Lowered, CM: o.GainCM, Cut: was.Cut}
			return
		}
		r.why[k] = was
	}
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
