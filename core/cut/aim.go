package cut

import (
	"cmp"
	"math"
	"slices"

	"vertumna/core/find"
	"vertumna/core/limb"
	"vertumna/core/together"
)

// Shares and lines of a slip that is planned for its aim (reach.md#height; our estimates).
const (
	severe       = 0.8 // findings at least this bad do not wait for the tops
	severePart   = 0.1 // of the year's limit is there for them, whatever the tops need
	calmPart     = 2.0 / 3
	nearlyAll    = 0.8  // of the limit used: what keeps the tops up is the limit
	growsMeantim = 1.25 // what the tops need in summer against what they need in winter: they grow until then
	growsToCM    = 50   // a tree this little below reach stands above it by summer
	growsPart    = 0.2  // of the limit is then left for its tops
	bandCM       = 10   // tops are lowered to lines at least this far apart
	mostLines    = 6
	tallFirst    = 60 // what height counts against the price of a cut, where the tallest come first; 1 elsewhere
	handCM       = 10
	lineSlackCM  = 0.5
	unevenPart   = 0.85 // of a cut's worth, where it leaves a top at another height than its twin was ended at
	twinStartCM  = 20   // twins start this near one another
	twinAlike    = 0.75 // and the thinner has this much of the thicker's diameter
	twinLevelCM  = 20   // and they end level within this
)

// workForAim decides first where each top ends, under the year's limit, and keeps what takes over there; then it spends what
// is left on faults, in the order of work.
func (r *run) workForAim() {
	for i := range r.p.m.Axes { // who a person named to follow stands
		if s := r.p.m.State(i); s != nil && s.Kind == limb.Successor {
			if k := r.p.m.Index(s.Limb); k >= 0 {
				r.heirs[k] = r.p.m.Axes[i].ID
			}
		}
	}
	for _, f := range r.p.findings { // and who takes over from a bearing limb
		if f.Code == find.RenewalDue && len(f.Members) > 0 {
			r.heirs[r.p.m.Index(f.Members[0])] = f.Limb
		}
	}
	free := []int{sickStep, 2}
	for _, step := range free {
		r.forget()
		r.asMoved(step)
		r.step(step)
	}
	r.forget()
	r.asMoved(heightStep)
	switch {
	case r.p.summer() && r.p.o.NoLeaf != "":
		r.leaveForWinter()
	case !r.p.summer() && r.p.o.HeightCut == InSummer:
		r.keepForSummer()
	default:
		r.bringDown()
	}
	for _, k := range r.p.tops {
		r.open[k] = false
	}
	order := byStep
	if onLastYear(r.p.m) { // what bears once is renewed before the frame is tidied
		order = renewalFirst
	}
	for _, step := range order {
		if slices.Contains(free, step) {
			continue
		}
		r.forget()
		if step != heightStep {
			r.asMoved(step)
		}
		r.step(step)
	}
	for _, k := range r.p.tops {
		if !r.solved[k] && r.gone(r.p.found[k].limb, r.p.findings[k].AtCM) {
			r.solved[k] = true
		}
	}
}

// soft: a finding that can wait when the year's limit is short.
func (r *run) soft(k int) bool {
	f := r.p.findings[k]
	return r.p.o.AimFirst && f.Step > 2 && f.Severity < severe && f.Code != find.OverHeight
}

// keepForSummer leaves what the tops will need in summer, and the limbs that take over there.
func (r *run) keepForSummer() {
	trial := r.fork()
	trial.cap, trial.dry = r.level, true
	trial.bringDown()
	need := math.Max(growsMeantim*(trial.used-r.used), r.meantime())
	left := math.Max(0, r.level-need)
	if trial.tallest() > r.p.reachCM+bandCM && trial.used > nearlyAll*r.level { // the tops can use all there is
		left = 0
	}
	r.ends, r.done = trial, trial.done
	r.protect(trial.done)
	r.softCap = math.Min(r.cap, math.Min(left, math.Max(calmPart*r.level-need, r.used)))
	r.cap = math.Min(r.cap, math.Max(left, severePart*r.level))
}

// meantime is what a winter leaves for tops that stand above reach by summer.
func (r *run) meantime() float64 {
	if r.p.summer() || r.p.m.Height() < r.p.reachCM-growsToCM {
		return 0
	}
	return growsPart * r.level
}

// leaveForWinter cuts no live wood; it tells where the tops will end, and keeps the limbs that take over there.
func (r *run) leaveForWinter() {
	trial := r.fork()
	trial.cap = r.level
	trial.bringDown()
	r.ends, r.done = trial, trial.done
	r.protect(trial.done)
	r.softCap = 0
}

// bringDown lowers the tops to the lowest line that the limit lets them come to: reach, if it can be. Who will take over in
// the years after is named too.
func (r *run) bringDown() {
	season := r.cap
	if r.p.o.HeightCut != Both {
		season = r.level // one of the two does the height in a year
	}
	if lines := r.lines(); len(lines) > 0 {
		for n := range r.p.above {
			r.p.endings(n) // asked before the trials share them
		}
		best := r.lowest(lines, season)
		// a tree that two thirds of the limit hold near reach is asked for no more: it answers less
		if calm := math.Max(calmPart*r.level, r.used); best.used > calm && best.tallest() <= r.p.reachCM+aboveReachCM {
			if held := r.lowest(lines, calm); held.tallest() <= r.p.reachCM+aboveReachCM {
				best = held
			}
		}
		r.become(best)
	}
	r.done = r.fork()
	r.done.endless = true
	r.done.lowerTo(r.p.reachCM)
	r.ends = r.fork()
	r.protect(r.done)
	r.cap = math.Min(r.cap, math.Max(calmPart*r.level-r.meantime(), r.used)) // faults leave a third of it, and more where the tops took more
	r.softCap = r.cap
	if r.tallest() > r.p.reachCM+bandCM { // next year's tops will want it
		r.softCap = 0
	}
}

// lowest brings the tops to each of these lines under a limit, and gives the trial that leaves them lowest. Tops that the most
// effective cuts leave above reach are tried the tallest first too.
func (r *run) lowest(lines []float64, limit float64) *run {
	best := r.tried(lines, limit, 1)
	if best.tallest() <= r.p.reachCM+aboveReachCM {
		return best
	}
	other := r.tried(lines, limit, tallFirst)
	if round6(other.excess()) < round6(best.excess()) {
		return other
	}
	return best
}

// tried is the best of the trials, one a line, with what height counts against the price of a cut.
func (r *run) tried(lines []float64, limit, height float64) *run {
	trials := make([]*run, len(lines))
	for n := range lines {
		trials[n] = r.fork()
		trials[n].cap, trials[n].height = math.Min(r.level, limit), height
	}
	together.Do(len(lines), func(n int) {
		for k := n; k >= 0; k-- { // what is left of the limit lowers some of them further
			trials[n].lowerTo(lines[k])
		}
	})
	return slices.MinFunc(trials, func(a, b *run) int { return cmp.Compare(round6(a.excess()), round6(b.excess())) })
}

// protect keeps who takes over in a plan.
func (r *run) protect(plan *run) {
	for i, from := range plan.heirs {
		r.heirs[i] = from
	}
}

// lines are the heights the tops can be brought to, from reach up.
func (r *run) lines() []float64 {
	var out []float64
	rise := r.tallest() - r.p.reachCM
	step := math.Max(bandCM, rise/mostLines)
	for z := 0.0; z < rise; z += step {
		out = append(out, r.p.reachCM+z)
	}
	return out
}

// excess is how far the tops stand above reach after the chosen cuts, the highest counted most.
func (r *run) excess() float64 {
	sum, most, n := 0.0, 0.0, 0.0
	for k, z := range r.standing() {
		if r.p.above[k].carrier {
			continue
		}
		over := math.Max(0, z-r.p.reachCM-overReachCM)
		sum, most, n = sum+over*over, math.Max(most, over), n+1
	}
	return most*most + sum/math.Max(1, n)
}

// top is a limb that stands above reach, or one that carries such: with a knot of tops it comes down lower.
type top struct {
	limb    int
	carrier bool
	finding int      // that tells of it: its own, or its carrier's
	twins   []int    // of the tops: beside it on one carrier, about as thick
	ways    []ending // the cuts that lower it
}

// ending is a cut of a top with how high it leaves the limb; below 0: it goes. All tops it carries beyond the cut go with it.
type ending struct {
	*option
	leaves float64
	takes  []int // of the tops
}

// tellTops lists the limbs that stand above reach. What starts above it is told with its carrier.
func (p *Planner) tellTops() {
	told := map[int]int{}
	for _, k := range p.tops {
		told[p.found[k].limb] = k
	}
	for i := range p.m.Axes {
		if p.m.WhollyDead(i) || p.m.Top(i) <= p.reachCM+overReachCM {
			continue
		}
		for k := i; k >= 0; k = p.m.Axes[k].Parent {
			if f, ok := told[k]; ok {
				p.above = append(p.above, top{limb: i, finding: f})
				break
			}
		}
	}
	seen := map[int]bool{}
	for _, t := range p.above {
		seen[t.limb] = true
	}
	for _, t := range slices.Clone(p.above) {
		if c := p.m.Axes[t.limb].Parent; c >= 0 && !seen[c] {
			seen[c] = true
			p.above = append(p.above, top{limb: c, finding: t.finding, carrier: true})
		}
	}
	p.hangTops()
	p.pairTwins()
}

// pairTwins tells each top of those beside it on one carrier that are about as thick. Cost: tops by tops.
func (p *Planner) pairTwins() {
	for n := range p.above {
		for k := range p.above {
			a, b := &p.m.Axes[p.above[n].limb], &p.m.Axes[p.above[k].limb]
			if k != n && a.Parent >= 0 && a.Parent == b.Parent && math.Abs(a.Attach-b.Attach) <= twinStartCM && math.Min(a.D, b.D) >= twinAlike*math.Max(a.D, b.D) {
				p.above[n].twins = append(p.above[n].twins, k)
			}
		}
	}
}

// topOn is a top that hangs on a limb: which, and where along the limb its branch starts, cm.
type topOn struct {
	top int
	at  float64
}

// hangTops lists the tops on each limb that carries some, in their order. Cost: tops times the limbs that carry them.
func (p *Planner) hangTops() {
	p.topsOn = make([][]topOn, p.m.Len())
	for n := range p.above {
		for k := p.above[n].limb; p.m.Axes[k].Parent >= 0; k = p.m.Axes[k].Parent {
			on := p.m.Axes[k].Parent
			p.topsOn[on] = append(p.topsOn[on], topOn{n, p.m.Axes[k].Attach})
		}
	}
}

// overReachCM: a limb this little above reach is within it (limbs.md#3-findings).
const overReachCM = 5

// endings are the cuts that lower a top, once asked.
func (p *Planner) endings(n int) []ending {
	t := &p.above[n]
	if t.ways != nil {
		return t.ways
	}
	t.ways = []ending{}
	f := p.findings[t.finding]
	id := p.m.Axes[t.limb].ID
	questions := []Question{{Limb: id, Aim: f.Aim, OldBuds: true}}
	if at, ok := p.m.FirstAbove(t.limb, p.reachCM); ok && p.m.Base(t.limb).Z <= p.reachCM {
		questions = append(questions, Question{Limb: id, Aim: f.Aim, AtMax: limb.Of(at + p.o.Slack), OldBuds: true})
	}
	seen := map[limb.CutAt]bool{}
	for _, q := range questions {
		for _, o := range p.ask(q) {
			if o.Kind == limb.TipThird || o.Score < stageLeast || !takesAll(o.Kind) || seen[o.CutAt] {
				continue
			}
			seen[o.CutAt] = true
			e := ending{option: o, leaves: goneAt} // cuts of a carrier that take no top with them lower nothing
			if o.AtCM > 0 {
				e.leaves = p.rises(t.limb, o.AtCM)
			}
			for _, x := range p.topsOn[o.limbAt] {
				if x.top != n && (o.AtCM <= 0 || x.at >= o.AtCM) {
					e.takes = append(e.takes, x.top)
				}
			}
			if !t.carrier || len(e.takes) > 0 {
				t.ways = append(t.ways, e)
			}
		}
	}
	return t.ways
}

// standing is how high each top stands after the chosen cuts; below 0: it is gone.
func (r *run) standing() []float64 {
	out := make([]float64, len(r.p.above))
	for n := range out {
		i := r.p.above[n].limb
		if at := r.endsAt(i, nil); at > 0 {
			out[n] = r.p.rises(i, at)
		} else {
			out[n] = goneAt
		}
	}
	return out
}

// tallest is how high the tops stand after the chosen cuts, cm; reach, where none stands above it.
func (r *run) tallest() float64 {
	return slices.Max(append(r.standing(), r.p.reachCM))
}

// takesHeir: a limb that is named to take over would go or be shortened, or what this cut goes back to is gone.
func (r *run) takesHeir(m *made, finding int) Why {
	if !r.p.o.AimFirst || r.p.findings[finding].Step == sickStep {
		return ""
	}
	for i := range r.heirs {
		if takesAll(m.Kind) && r.p.reaches(m.CutAt, m.limbAt, i, r.p.m.Axes[i].L) && !r.p.sickFrom(i) && r.stillNamed(i, m) {
			return TakesOver
		}
	}
	if m.Side != "" {
		if side := r.p.m.Index(m.Side); r.at[side] < r.p.m.Axes[side].L {
			return TakesOver
		}
	}
	return ""
}

// stillNamed: the cut that leaves a limb in charge stands, or is still to come; it does not once a cut lower down takes both.
func (r *run) stillNamed(i int, m *made) bool {
	for _, c := range r.made {
		if c.Side != "" && r.p.m.Index(c.Side) == i {
			return !r.p.inside(c.CutAt, m.CutAt, c.limbAt, m.limbAt)
		}
	}
	return true
}

// fork is the run as it stands, to be tried on.
func (r *run) fork() *run {
	c := *r
	c.open, c.solved, c.why = slices.Clone(r.open), slices.Clone(r.solved), slices.Clone(r.why)
	c.touched = slices.Clone(r.touched)
	c.made, c.at, c.thin, c.flowers = slices.Clone(r.made), slices.Clone(r.at), slices.Clone(r.thin), slices.Clone(r.flowers)
	c.refused, c.ready = nil, map[int][]choice{}
	c.heirs = make(map[int]string, len(r.heirs))
	for i, from := range r.heirs {
		c.heirs[i] = from
	}
	return &c
}

// become takes over what was tried.
func (r *run) become(tried *run) {
	own := [3]float64{r.cap, r.softCap, r.height}
	*r = *tried
	r.cap, r.softCap, r.height = own[0], own[1], own[2]
}
