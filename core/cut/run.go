package cut

import (
	"cmp"
	"math"
	"slices"

	"vertumna/core/find"
	"vertumna/core/limb"
)

// made is a cut chosen in a run.
type made struct {
	*option
	step    int
	net     float64
	inside  float64 // of the chosen cuts it took over
	counted float64
	does    []int // findings it solves, by place
	stage   int   // the finding it lowers, -1: none
	exempt  bool
	moved   bool
	aim     find.Aim
}

// run is one choice of cuts under one limit.
type run struct {
	p       *Planner
	cap     float64
	level   float64     // the year's limit, both slips
	order   []int       // steps in their order
	pos     map[int]int // place of a step in the order
	trial   made        // of the cut of a top that is asked about
	open    []bool      // by finding: not solved, not set aside, not waiting
	solved  []bool
	why     []Carried // by finding: its first refusal
	made    []*made
	refused []refused        // by spot, of the step at work
	count   int              // refusals so far
	ready   map[int][]choice // weighed since the last cut, by finding
	touched []bool           // by limb: a cut was made on it, or on what it carries
	at      []float64        // by limb: where it ends after the chosen cuts, cm; gone for good below 0
	thin    []*made          // spur thinnings among the chosen
	flowers []float64        // left in each limb's subtree after the chosen cuts
	used    float64
	big     int
	softCap float64        // the limit of findings that can wait
	height  float64        // what the height of a top counts against the price of its cut
	heirs   map[int]string // limbs named to take over, and from whom
	ends    *run           // where the tops end this year: this run, or what is foreseen of its summer; nil: as they stand
	done    *run           // where they end when all is done
	dry     bool           // foreseen in dry summer weather
	endless bool           // no yearly limit counts
}

// refused is why a cut was not made, and the how many-th refusal it was.
type refused struct {
	why Why
	n   int
}

type spotKey struct {
	limb int
	at   float64
}

var (
	byStep      = []int{1, 2, 3, 4, 5, 6, 7, 8, 9}
	heightFirst = []int{1, 2, 3, 6, 4, 5, 7, 8, 9}

	renewalFirst = []int{1, 2, 3, 6, 9, 4, 5, 7, 8}
)

const (
	sickStep   = 1
	heightStep = 6
)

func newRun(p *Planner, level float64) *run {
	n := len(p.findings)
	r := &run{
		p: p, cap: level * p.o.part(), level: level, order: byStep, pos: map[int]int{}, open: make([]bool, n), solved: make([]bool, n), why: make([]Carried, n),
		height: 1, touched: make([]bool, p.m.Len()), ready: map[int][]choice{}, used: p.o.Used, big: p.o.BigUsed,
	}
	r.softCap, r.heirs = r.cap, map[int]string{}
	if p.o.HeightFirst {
		r.order = heightFirst
	}
	r.at = make([]float64, p.m.Len())
	for i := range r.at {
		r.at[i] = math.Inf(1)
	}
	r.flowers = slices.Clone(p.flowers)
	for k, step := range r.order {
		r.pos[step] = k
	}
	for k := range p.findings {
		_, aside := p.carriedBy[k]
		r.open[k] = !aside
	}
	return r
}

// work chooses cuts step by step.
func (r *run) work() {
	if r.p.o.AimFirst {
		r.workForAim()
		return
	}
	for _, step := range r.order {
		r.forget()
		r.asMoved(step)
		if step == heightStep && r.p.o.HeightFirst {
			r.topsFirst()
		}
		r.step(step)
		if step == heightStep {
			r.stages()
		}
	}
}

// choice is a cut with the finding it was sought for.
type choice struct {
	*option
	finding  int
	eff, net float64
}

// Price of one more cut, in crown: few and big before many and small (limbs.md#72-the-runs; judgement).
const (
	cutPrice      = 0.05
	smallCutPrice = 0.02
	firstTried    = 4
	firstStaged   = 12
	least         = 0.2 // of a cut's worth, however poor its score
	stageLeast    = -60
	stageGainCM   = 20
	summerSpread  = 15
)

func price(k limb.CutKind) float64 {
	switch k {
	case limb.TipThird, limb.FiveLeaves, limb.ToFruits, limb.SpurBack:
		return smallCutPrice
	}
	return cutPrice
}

// step makes the best cut of a step, and the next, until none is left.
func (r *run) step(step int) {
	for {
		best, ok := r.best(step)
		if !ok {
			return
		}
		r.try(best, step, best.finding, -1)
	}
}

func round6(x float64) float64 { return math.Round(x*1e6) / 1e6 }

// best is the most effective cut left for a step.
func (r *run) best(step int) (choice, bool) {
	var best choice
	found := false
	for k := range r.p.findings {
		if !r.open[k] || r.p.findings[k].Step != step {
			continue
		}
		for _, c := range r.weighed(k, step) {
			if !r.isRefused(c.option) && (!found || before(c, best) < 0) {
				best, found = c, true
			}
		}
	}
	return best, found
}

// weighed are the cuts open for a finding with what they are worth now. They are weighed anew when a cut was made or a
// finding closed; a refusal only takes its own away, but in summer it may let a lesser cut of a top in.
func (r *run) weighed(k, step int) []choice {
	top := r.p.summer() && r.p.findings[k].Code == find.OverHeight
	if list, known := r.ready[k]; known && !top {
		return list
	}
	list := r.choices(k)
	for i := range list {
		list[i].net = r.net(list[i].option)
		list[i].eff = round6(r.worth(list[i], step) / (list[i].net + price(list[i].Kind)))
	}
	r.ready[k] = list
	return list
}

func before(a, b choice) int {
	return cmp.Or(
		cmp.Compare(b.eff, a.eff), cmp.Compare(round6(a.net), round6(b.net)), cmp.Compare(a.Limb, b.Limb), cmp.Compare(b.AtCM, a.AtCM),
		cmp.Compare(a.finding, b.finding),
	)
}

// choices are the cuts still open for a finding.
func (r *run) choices(k int) []choice {
	f := r.p.findings[k]
	var out []choice
	for _, o := range r.p.answersTo(k) {
		if !r.isRefused(o) && !r.taken(o) && r.answers(o, k) {
			out = append(out, choice{option: o, finding: k})
		}
	}
	if f.Code == find.OverHeight && r.p.summer() && len(out) > 0 { // a thrifty, worse cut does not outbid the zero-loss one
		top := math.Inf(-1)
		for _, c := range out {
			top = math.Max(top, c.Score)
		}
		out = slices.DeleteFunc(out, func(c choice) bool { return c.Score < top-summerSpread })
	}
	return out
}

func (r *run) refusalOf(o *option) refused {
	if o.spot < len(r.refused) {
		return r.refused[o.spot]
	}
	return refused{}
}

func (r *run) isRefused(o *option) bool { return r.refusalOf(o).n > 0 }

// forget drops what was refused and weighed: another step asks anew.
func (r *run) forget() {
	r.refused, r.count = r.refused[:0], 0
	clear(r.ready)
}

// answers: a cut still does something for a finding: of a group, it takes a member that stands.
func (r *run) answers(o *option, k int) bool {
	f := r.p.findings[k]
	return !grouped(f) || slices.Contains(o.solves, k) || r.helps(o, k)
}

// helps: a cut takes a member of a group that still stands.
func (r *run) helps(o *option, k int) bool {
	for _, i := range r.p.found[k].members {
		if r.p.reaches(o.CutAt, o.limbAt, i, 0) && !r.gone(i, 0) {
			return true
		}
	}
	return false
}

// gone: a place is in what the chosen cuts remove.
func (r *run) gone(i int, at float64) bool { return at >= r.at[i]-solvedWithin }

// taken: a cut lies in what another chosen cut removes.
func (r *run) taken(o *option) bool {
	if o.AtCM >= r.at[o.limbAt] {
		return true
	}
	return slices.ContainsFunc(r.thin, func(c *made) bool { return r.p.inside(o.CutAt, c.CutAt, o.limbAt, c.limbAt) })
}

// goneAt marks a limb that is taken as a whole with another.
const goneAt = -1

// take notes where limbs end once a cut is made.
func (r *run) take(m *made) {
	switch {
	case m.Kind == limb.SpurThin:
		r.thin = append(r.thin, m)
	case takesAll(m.Kind):
		r.at[m.limbAt] = math.Min(r.at[m.limbAt], math.Max(0, m.AtCM))
		for _, i := range r.p.m.Subtree(m.limbAt)[1:] {
			if r.p.reaches(m.CutAt, m.limbAt, i, 0) {
				r.at[i] = goneAt
			}
		}
	}
}

// net is a cut's share less that of the chosen cuts inside it.
func (r *run) net(o *option) float64 {
	share := o.Share
	if !r.touched[o.limbAt] {
		return math.Max(0, share)
	}
	for _, c := range r.made {
		if r.p.inside(c.CutAt, o.CutAt, c.limbAt, o.limbAt) {
			share -= c.Share
		}
	}
	return math.Max(0, share)
}

// worth is what a cut solves, weighed by how early its findings stand in the order.
func (r *run) worth(c choice, step int) float64 {
	sum := 0.0
	for _, k := range c.solves {
		if !r.open[k] {
			continue
		}
		f := r.p.findings[k]
		later := r.pos[f.Step] - r.pos[step]
		if later < 0 {
			continue
		}
		sum += f.Weight * f.Severity * math.Pow(0.5, float64(later))
	}
	if f := r.p.findings[c.finding]; grouped(f) && !slices.Contains(c.solves, c.finding) {
		sum += f.Weight * f.Severity / float64(max(1, len(f.Members)-leftInGroup))
	}
	return sum * (1 + c.Score/100) * (1 + c.urgency)
}

// try accepts a cut or remembers why not.
func (r *run) try(c choice, step, finding, stage int) bool {
	m := &made{option: c.option, step: step, net: r.net(c.option), stage: stage, aim: r.p.findings[finding].Aim}
	m.exempt = r.p.exempt(r.p.findings[finding])
	if stage < 0 {
		for _, k := range c.solves {
			if r.open[k] {
				m.does = append(m.does, k)
			}
		}
	}
	if why := r.refusal(m, finding); why != "" {
		r.refuse(c, finding, why)
		return false
	}
	r.accept(m)
	if r.p.o.AimFirst {
		r.name(m)
	}
	r.settleGroup(m, finding)
	return true
}

// exempt: what it takes does not count toward the limit.
func (p *Planner) exempt(f find.Finding) bool {
	switch {
	case f.Step == sickStep || f.Code == find.Sucker:
		return !p.o.CountAll
	case f.Code == find.WaterSprout:
		return p.o.SproutsFree
	}
	return false
}

func (r *run) refuse(c choice, finding int, why Why) {
	for len(r.refused) <= c.spot {
		r.refused = append(r.refused, refused{})
	}
	r.count++
	r.refused[c.spot] = refused{why, r.count}
	cut := c.Candidate
	waits := []int{finding}
	if why == DryWeather { // all it would solve waits with it
		for _, k := range c.solves {
			if r.open[k] && k != finding {
				waits = append(waits, k)
			}
		}
	}
	for _, k := range waits {
		if r.why[k].Why == "" || why == DryWeather {
			r.why[k] = Carried{Finding: r.p.findings[k], Why: why, Cut: &cut}
		}
		if why == DryWeather {
			r.open[k] = false
			clear(r.ready)
		}
	}
}

// cost is what a cut counts toward the limit: a later cut of the year takes of what was left.
func (r *run) cost(m *made) float64 {
	if m.exempt {
		return 0
	}
	return m.net * (1 - r.p.o.Used)
}

func (r *run) accept(m *made) {
	clear(r.ready)
	cost := r.cost(m)
	r.used += cost
	m.counted = cost
	var kept []*made
	for _, c := range r.made {
		if !r.p.inside(c.CutAt, m.CutAt, c.limbAt, m.limbAt) {
			kept = append(kept, c)
			continue
		}
		m.does = append(m.does, c.does...)
		m.inside += c.net + c.inside
		m.counted += c.counted
		m.step = min(m.step, c.step)
		if c.DMM > BigWoundMM {
			r.big--
		}
	}
	r.made = append(kept, m)
	for k := m.limbAt; k >= 0; k = r.p.m.Axes[k].Parent {
		r.touched[k] = true
	}
	r.thin = slices.DeleteFunc(r.thin, func(c *made) bool { return !slices.Contains(kept, c) })
	r.take(m)
	r.countFlowers(m.limbAt)
	if m.DMM > BigWoundMM {
		r.big++
	}
	for _, k := range m.does {
		r.open[k], r.solved[k] = false, true
	}
}

// settleGroup: a group worked on is solved when all but two of its members are gone.
func (r *run) settleGroup(m *made, k int) {
	f := r.p.findings[k]
	if !r.open[k] || !grouped(f) {
		return
	}
	stand := 0
	for _, i := range r.p.found[k].members {
		if !r.gone(i, 0) {
			stand++
		}
	}
	if stand <= leftInGroup {
		m.does = append(m.does, k)
		r.open[k], r.solved[k] = false, true
	}
}

// left says why a finding is not solved.
func (r *run) left(k int) (Carried, bool) {
	if c, aside := r.p.carriedBy[k]; aside {
		return c, true
	}
	if r.solved[k] {
		return Carried{}, false
	}
	c := r.why[k]
	if c.Why == "" {
		c = r.refusedBefore(k)
	}
	c.Finding = r.p.findings[k]
	return c, true
}

// refusedBefore finds the reason of a finding whose cuts were all refused for others: the first of those refusals.
func (r *run) refusedBefore(k int) Carried {
	f := r.p.findings[k]
	first, out := math.MaxInt, Carried{Why: NoSafeCut}
	for _, o := range r.p.answersTo(k) {
		was := r.refusalOf(o)
		if was.n == 0 || was.n > first || !r.answers(o, k) {
			continue
		}
		cut := o.Candidate
		first, out = was.n, Carried{Why: was.why, Cut: &cut}
		if was.why == OverToSummer && !r.calms(f) {
			out.Why = OverToWinter
		}
	}
	return out
}

// unsolved is the weight of what is left, the later in the order the less.
func (r *run) unsolved() float64 {
	sum := 0.0
	for k, f := range r.p.findings {
		if !r.solved[k] {
			sum += f.Weight * f.Severity * math.Pow(0.5, float64(r.pos[f.Step]))
		}
	}
	return sum
}

func (r *run) better(other *run) bool {
	if r.p.o.AimFirst { // the lower tops, first of all
		if a, b := math.Round(r.tallest()), math.Round(other.tallest()); a != b {
			return a < b
		}
	}
	a, b := round6(r.unsolved()), round6(other.unsolved())
	return a < b || a == b && round6(r.used) < round6(other.used)
}
