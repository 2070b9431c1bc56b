package cut

import (
	"cmp"
	"slices"

	"vertumna/core/find"
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

// Tops that stand far out, or on main limbs, come first in a restoration.
const farOverCM = 60

// topsFirst takes the tops down, the highest first.
func (r *run) topsFirst() {
	p := r.p
	for _, k := range r.p.tops {
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
		if r.open[k] && f.Code == find.OverHeight && r.why[k].Why != Lowered && (r.limited(k) || r.why[k].Why == "") {
			r.stage(k)
		}
	}
}

// limited: refused for a limit.
func (r *run) limited(k int) bool {
	switch r.why[k].Why {
	case OverToSummer, OverToWinter, NotInLeaf, ZoneToSummer, ZoneToWinter:
		return true
	}
	return false
}

// stage lowers a top part of the way; the finding stays, for next year.
func (r *run) stage(k int) {
	f := r.p.findings[k]
	for _, s := range r.stagesOf(k) {
		was := r.why[k]
		if !r.isRefused(s) && r.try(choice{option: s, finding: k}, heightStep, k, k) {
			r.why[k] = Carried{Finding: f, Why: Lowered, CM: s.GainCM, Cut: was.Cut}
			return
		}
		r.why[k] = was
	}
}

// stagesOf are the cuts that bring a top part of the way, the most first.
func (r *run) stagesOf(k int) []*option {
	f := r.p.findings[k]
	var out []*option
	options := r.p.ask(Question{Limb: f.Limb, Aim: f.Aim})
	for _, o := range options[:min(len(options), firstStaged)] {
		if (o.Kind == limb.SideBranch || o.Kind == limb.FruitBud) && o.AtCM > f.AtCM && o.Score >= stageLeast && o.GainCM >= stageGainCM && !r.taken(o) {
			out = append(out, o)
		}
	}
	slices.SortStableFunc(out, func(a, b *option) int {
		return cmp.Or(cmp.Compare(b.GainCM, a.GainCM), cmp.Compare(b.Score, a.Score), cmp.Compare(a.AtCM, b.AtCM))
	})
	return out
}
