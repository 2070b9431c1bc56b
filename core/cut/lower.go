package cut

import (
	"math"
	"slices"

	"vertumna/core/limb"
)

// lowerTo brings tops to a line, few and large cuts first, as far as the limit lets it. Cost: the ways of all tops once, then
// those of the limbs that carry a cut for each cut made.
func (r *run) lowerTo(line float64) {
	l := lowering{r: r, line: line, now: r.standing(), best: make([]*ending, len(r.p.above)), eff: make([]float64, len(r.p.above)), refused: map[*option]bool{}}
	for n := range r.p.above {
		l.weigh(n)
	}
	for {
		at, most := -1, 0.0
		for n, e := range l.eff { // 0: none is left
			if e > most {
				at, most = n, e
			}
		}
		if at < 0 {
			return
		}
		l.make(at)
	}
}

// lowering is the work of bringing tops to a line.
type lowering struct {
	r       *run
	line    float64
	now     []float64 // how high each top stands
	best    []*ending // by top, the most effective cut left; nil: none, or none needed
	eff     []float64
	refused map[*option]bool
}

// over says whether a top stands above the line by more than is worth a cut.
func (l *lowering) over(n int) bool { return l.now[n] > l.line+overReachCM }

// weigh finds the most effective cut of a top.
func (l *lowering) weigh(n int) {
	l.best[n], l.eff[n] = nil, 0
	if !l.over(n) && !l.r.p.above[n].carrier {
		return
	}
	ways := l.r.p.endings(n)
	for x := range ways {
		w := &ways[x]
		if w.leaves > l.line+lineSlackCM-handCM*wakes(w.Kind) || l.refused[w.option] || l.r.taken(w.option) {
			continue
		}
		sum := l.lowers(n)
		for _, t := range w.takes {
			sum += l.lowers(t)
		}
		if sum == 0 {
			continue
		}
		if l.uneven(n, w) {
			sum *= unevenPart
		}
		if e := round6(sum * math.Max(least, 1+w.Score/100) / (l.r.net(w.option) + price(w.Kind))); e > l.eff[n] {
			l.best[n], l.eff[n] = w, e
		}
	}
}

// uneven: a cut of a top that leaves it at another height than a twin of it was ended at.
func (l *lowering) uneven(n int, w *ending) bool {
	if w.limbAt != l.r.p.above[n].limb || w.leaves <= 0 {
		return false
	}
	for _, t := range l.r.p.above[n].twins {
		if at := l.r.endsAt(l.r.p.above[t].limb, nil); at > 0 && at < l.r.p.m.Axes[l.r.p.above[t].limb].L && math.Abs(w.leaves-l.now[t]) > twinLevelCM {
			return true
		}
	}
	return false
}

// lowers is what bringing a top below the line is worth: more, the higher it stands.
func (l *lowering) lowers(n int) float64 {
	if !l.over(n) {
		return 0
	}
	return 1 + l.r.height*(l.now[n]-l.line)/100
}

// make makes the best cut of a top, or strikes it out; what hangs together with it is weighed anew.
func (l *lowering) make(n int) {
	w, p := l.best[n], l.r.p
	if why := l.r.end(p.above[n].finding, w, l.now[n]); why != "" {
		l.refused[w.option] = true
		l.weigh(n)
		return
	}
	l.now[n] = w.leaves
	for _, t := range w.takes {
		l.now[t] = goneAt
	}
	for k := range p.above {
		if i := p.above[k].limb; p.m.HangsOn(w.limbAt, i) || p.m.HangsOn(i, w.limbAt) || slices.Contains(p.above[n].twins, k) {
			l.weigh(k)
		}
	}
}

// end makes a cut that lowers a top, or says why not.
func (r *run) end(k int, w *ending, was float64) Why {
	p := r.p
	m := &r.trial // most are refused
	*m = made{option: w.option, step: heightStep, net: r.net(w.option), stage: -1, aim: p.findings[k].Aim, does: m.does[:0]}
	if !slices.Contains(w.solves, k) {
		m.stage = k
	}
	for _, d := range w.solves {
		if r.open[d] {
			m.does = append(m.does, d)
		}
	}
	why := r.overLimit(m, k) // asked first, for it is asked most
	if why == "" || r.endless {
		why = r.refusal(m, k)
	}
	if why != "" {
		if r.why[k].Why == "" {
			c := w.Candidate
			r.why[k] = Carried{Finding: p.findings[k], Why: why, Cut: &c}
		}
		return why
	}
	kept := *m
	kept.does = slices.Clone(m.does)
	r.accept(&kept)
	r.name(&kept)
	if m.stage >= 0 {
		r.why[k] = Carried{Finding: p.findings[k], Why: Lowered, CM: was - math.Max(w.leaves, p.m.Base(w.limbAt).Z)}
	}
	return ""
}

// wakes is 1 for cuts that a new end grows from: a hand lower leaves room for the answer.
func wakes(k limb.CutKind) float64 {
	if k == limb.AboveBud || k == limb.FruitBud {
		return 1
	}
	return 0
}

// name keeps the limb that a cut leaves at its end.
func (r *run) name(m *made) {
	if m.Side != "" {
		r.heirs[r.p.m.Index(m.Side)] = m.Limb
	}
}
