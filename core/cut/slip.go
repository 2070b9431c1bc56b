package cut

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"vertumna/core/find"
	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/core/together"
)

// Step is one cut of a slip.
type Step struct {
	Candidate
	Step    int     // in the order of work
	Net     float64 // of the crown, what cuts chosen before it and inside it take left out
	Takes   float64 // of the crown, with those
	Counted float64 // toward the limit
	Solves  []find.Finding
	Stage   *find.Finding // what it lowers without solving
	Moved   bool          // to where a person put it
	Aim     find.Aim
	Evidence
}

// Carried is a finding that waits, with the reason and the cut that was refused.
type Carried struct {
	Finding find.Finding
	Why     Why
	CM      float64 // lowered by so much this year
	Cut     *Candidate
	Evidence
}

// Slip is what to cut this season, in the order of work.
type Slip struct {
	Season     limb.Season
	Options    Options
	Findings   []find.Finding
	Confidence float64
	Cuts       []Step
	Carried    []Carried
	LookFirst  []Carried // the map is too thin there to decide from
	Jobs       []Job
	// Share is the crown this slip takes toward the limit, Account what the tree year comes to with it, Cap the limit.
	Share, Account, Cap   float64
	BigWounds             int // of the tree year
	Unsolved              float64
	Minutes               float64
	HighCM                float64 // of its highest cut; 0: none
	BudsWithin, BudsAbove float64
	Zones                 []Zone // from the ground up, where the limit is kept zone by zone
	// Of a slip planned for its aim: where the tops end, and the steps as a person works through them.
	Tops   []Top
	Groups []Group
	// Height of the tree: as it stands, after this year's height cut, and when all is done. cm.
	Now, This, Done float64
}

// Must counts the steps that are made whatever a tree looks like: sick and broken wood, suckers, and tops above reach.
func (s *Slip) Must() (n int) {
	for k := range s.Cuts {
		if slices.ContainsFunc(s.Cuts[k].Solves, func(f find.Finding) bool {
			return f.Step == sickStep || f.Code == find.Sucker || f.Code == find.OverHeight
		}) {
			n++
		}
	}
	return n
}

// Made lists the slip's cuts in their order.
func (s *Slip) Made() []growth.Cut {
	out := make([]growth.Cut, len(s.Cuts))
	for k := range s.Cuts {
		out[k] = growth.Cut{CutAt: s.Cuts[k].CutAt}
	}
	return out
}

// Part is what some of a slip's groups come to.
type Part struct {
	Cuts           int // as a person counts them: a cut, or thin wood of one place
	Minutes, Share float64
}

// Shoots is the part of a slip that shortens or takes out this year's shoots, and does nothing else.
func (s *Slip) Shoots() (out Part) {
	for _, g := range s.Groups {
		only := !slices.ContainsFunc(g.Steps, func(n int) bool {
			c := &s.Cuts[n]
			return len(c.Solves) == 0 || slices.ContainsFunc(c.Solves, func(f find.Finding) bool { return f.Code != find.LongShoot })
		})
		if only {
			out.Cuts, out.Minutes, out.Share = out.Cuts+1, out.Minutes+g.Minutes, out.Share+g.Takes
		}
	}
	return out
}

// Planner makes slips for a tree.
type Planner struct {
	*Judge
	o         Options
	tree      growth.Tree
	findings  []find.Finding
	found     []place         // where each is
	under     [][]int         // by limb, the findings that a cut on it may solve, once asked
	carriedBy map[int]Carried // set aside before any cut, by finding
	jobs      []Job
	options   map[question][]*option // the cuts that answer it
	spots     map[spotKey]int
	answers   [][]*option // by finding, the first cuts of each of its questions; nil: not asked yet
	above     []top       // the limbs above reach
	topsOn    [][]topOn   // by limb: the tops it carries
	runs      map[Level]*run
	flowers   []float64 // in each limb's subtree
	young     []youngShoot
	next      []float64 // base diameter of each limb after a season without cuts, mm
	confident float64
	tops      []int   // findings of height that this year's slips work on, the highest first
	zones     *zoning // where the limit is kept zone by zone
}

// option is a candidate with what it would do.
type option struct {
	Candidate
	limbAt  int
	spot    int   // cuts of a limb at one place share it
	solves  []int // findings, by place
	urgency float64
	unsure  bool // the limb's thickness or angle was not measured
}

// question is what cuts were asked for, to ask once.
type question struct {
	limb  string
	aim   find.Aim
	atMax float64
	old   bool
}

// uncut is the tree a season on with nothing cut.
type uncut struct {
	m   *limb.Map
	err error
}

// NewPlanner prepares a tree for slips. The tree's light is that of the reading. Errors: those of growth.Grow.
func NewPlanner(tree growth.Tree, reading find.Reading, o Options) (*Planner, error) {
	m := tree.Map
	tree.Given = make(map[string]float64, m.Len())
	for i := range m.Axes {
		tree.Given[m.Axes[i].ID] = reading.Light.At(i)
	}
	// what waiting costs is grown while the findings are read
	var next uncut
	grown := together.Ahead(func() {
		grown, err := growth.Next(tree, growth.Work{})
		next = uncut{grown.Map, err}
	})
	p := &Planner{
		Judge: NewJudge(m, reading.Light, reading), o: o, tree: tree, carriedBy: map[int]Carried{}, options: map[question][]*option{}, spots: map[spotKey]int{}, runs: map[Level]*run{},
		confident: m.Completeness().Value,
	}
	if o.AimFirst {
		p.highCM = p.reachCM + belowFinger
	}
	p.findings = p.Judge.findings
	for _, f := range p.findings {
		p.found = append(p.found, p.placeOf(f))
	}
	p.answers, p.under = make([][]*option, len(p.findings)), make([][]int, m.Len())
	grown()
	if next.err != nil {
		return nil, fmt.Errorf("what waiting costs: %w", next.err)
	}
	p.next = make([]float64, m.Len())
	for i := range m.Axes {
		p.next[i] = m.Axes[i].D
		if k := next.m.Index(m.Axes[i].ID); k >= 0 {
			p.next[i] = next.m.Axes[k].D
		}
	}
	p.flowers = make([]float64, m.Len())
	for i := m.Len() - 1; i >= 0; i-- {
		for _, piece := range p.fruit[i] {
			p.flowers[i] += piece.Buds
		}
		for _, c := range m.Axes[i].Children {
			p.flowers[i] += p.flowers[c]
		}
	}
	p.young = p.youngShoots()
	if o.Zones != nil {
		p.zones = zonesOf(m, p.ZoneTop())
	}
	p.jobs = p.findJobs()
	for k, f := range p.findings {
		c, aside := p.setAside(f)
		if aside {
			c.Finding = f
			p.carriedBy[k] = c
		}
		if f.Code == find.OverHeight && (!aside || c.Why == OtherSlip) {
			p.tops = append(p.tops, k)
		}
	}
	slices.SortStableFunc(p.tops, func(a, b int) int { return p.higher(a, b) })
	p.tellTops()
	return p, nil
}

// higher orders tops: the highest first, then by name.
func (p *Planner) higher(a, b int) int {
	ta, _ := p.findings[a].Fact("top_cm")
	tb, _ := p.findings[b].Fact("top_cm")
	return cmp.Or(cmp.Compare(tb.Value, ta.Value), cmp.Compare(p.findings[a].Limb, p.findings[b].Limb))
}

// ask returns the cuts that answer a question, with what each solves. Asked once.
func (p *Planner) ask(q Question) []*option {
	key := question{q.Limb, q.Aim, math.Inf(1), q.OldBuds}
	if q.AtMax != nil {
		key.atMax = *q.AtMax
	}
	if known, ok := p.options[key]; ok {
		return known
	}
	q.DrySummerStone = !p.o.StoneAnyTime
	var out []*option
	found := slices.DeleteFunc(p.Candidates(q), func(c Candidate) bool { return !p.schoolMakes(c.Kind) })
	found = p.bySchoolsBud(found, q.Aim)
	for _, c := range found {
		out = append(out, p.weigh(c))
	}
	p.options[key] = out
	return out
}

// answersTo are the cuts tried for a finding: the best of each of its questions.
func (p *Planner) answersTo(k int) []*option {
	if p.answers[k] != nil {
		return p.answers[k]
	}
	f := p.findings[k]
	out := []*option{}
	for _, q := range p.questions(f) {
		options := p.ask(q)
		for _, o := range options[:min(len(options), firstTried)] {
			if o.Score >= 0 && o.Kind != limb.Notch && (grouped(f) || slices.Contains(o.solves, k)) {
				out = append(out, o)
			}
		}
	}
	p.answers[k] = out
	return out
}

// At is the cut of a kind at a place, for an aim; false where it cannot be made there. A bud cut is made above the nearest
// bud a person could mean.
func (j *Judge) At(c limb.CutAt, aim find.Aim) (Candidate, bool) {
	const near = 0.06
	for _, o := range j.Everywhere(c.Limb, aim) {
		if o.Kind == c.Kind && math.Abs(o.AtCM-c.AtCM) <= near {
			return o, true
		}
	}
	return Candidate{}, false
}

// schoolMakes: the school makes cuts of this kind.
func (p *Planner) schoolMakes(k limb.CutKind) bool {
	switch k {
	case limb.Stub:
		return !p.o.NoStub
	case limb.TipThird:
		return !p.o.NeverTip
	case limb.SpurBack:
		return !p.o.LeaveLong || p.summer()
	}
	return true
}

func (p *Planner) weigh(c Candidate) *option {
	i := p.m.Index(c.Limb)
	o := &option{Candidate: c, limbAt: i, unsure: p.guessed(i)}
	at := spotKey{i, c.AtCM}
	spot, known := p.spots[at]
	if !known {
		spot = len(p.spots)
		p.spots[at] = spot
	}
	o.spot = spot
	for _, k := range p.findingsUnder(i) {
		if p.solvesIt(c.CutAt, i, k) {
			o.solves = append(o.solves, k)
		}
	}
	if d := p.m.Axes[i].D; d > 0 {
		later := c.DMM * p.next[i] / d
		if c.DMM > 0 {
			o.urgency = math.Max(0, math.Min(mostUrgent, 2*(later/c.DMM-1)))
		}
		if c.DMM <= growsPastMM && later > growsPastMM || c.DMM <= BigWoundMM && later > BigWoundMM {
			o.urgency += passesSize
		}
	}
	return o
}

// Urgency: what thickens fast is not postponed (limbs.md#72-the-runs; judgement).
const (
	mostUrgent  = 0.5
	passesSize  = 0.25
	growsPastMM = 25
)

// guessed: the limb's thickness or angle was filled in by rule.
func (p *Planner) guessed(i int) bool {
	in := p.m.Axes[i].Inferred
	return slices.Contains(in, "diameter_mm") || slices.Contains(in, "angle_base_deg")
}

// Plan makes the slip: every level up to the chosen one is tried, for greedy choice alone could do worse with more room.
// Cost: candidates times findings once, then rounds of candidates for each level.
func (p *Planner) Plan() *Slip {
	s := p.slipOf(p.upTo(p.o.share()), p.o.share())
	if p.o.AimFirst && (p.summer() || p.o.HeightCut != InSummer) { // its own cuts do the height
		if after, err := afterCuts(p.m, s); err == nil {
			s.This = after.Height()
		}
	}
	p.tell(s)
	return s
}

// upTo is the best run of all levels to a share of the crown.
func (p *Planner) upTo(most float64) *run {
	var best *run
	for _, l := range levels {
		if l.Share > most+1e-9 {
			break
		}
		r := p.runs[l.Level]
		if r == nil {
			r = p.run(l.Share)
			p.runs[l.Level] = r
		}
		if best == nil || r.better(best) {
			best = r
		}
	}
	return best
}

// run chooses cuts under one level.
func (p *Planner) run(level float64) *run {
	r := newRun(p, level)
	r.work()
	return r
}

// AtLevels makes the slip of every level of a bearing tree, without the evidence of its cuts.
func (p *Planner) AtLevels() map[Level]*Slip {
	out := map[Level]*Slip{}
	for _, l := range levels[:len(levels)-1] {
		out[l.Level] = p.slipOf(p.upTo(l.Share), l.Share)
	}
	return out
}

func (p *Planner) slipOf(r *run, level float64) *Slip {
	s := &Slip{
		Season: p.m.Season, Options: p.o, Findings: p.findings, Confidence: p.confident, Cap: level * p.o.part(), BigWounds: r.big,
		Unsolved: r.unsolved(), Account: r.used, Share: r.used - p.o.Used, Jobs: p.jobs,
	}
	if p.o.AimFirst { // no work on what goes
		s.Jobs = slices.DeleteFunc(slices.Clone(p.jobs), func(j Job) bool { return r.gone(p.m.Index(j.Limb), j.AtCM) })
	}
	chosen := slices.Clone(r.made)
	slices.SortStableFunc(chosen, func(a, b *made) int { return cmp.Compare(a.step, b.step) })
	for _, c := range chosen {
		step := Step{Candidate: c.Candidate, Step: c.step, Net: c.net, Takes: c.net + c.inside, Counted: c.counted, Aim: c.aim, Moved: c.moved}
		for _, k := range c.does {
			step.Solves = append(step.Solves, p.findings[k])
		}
		if c.stage >= 0 {
			step.Stage = &p.findings[c.stage]
		}
		s.Cuts = append(s.Cuts, step)
		s.Minutes += c.Minutes
		s.HighCM = math.Max(s.HighCM, p.m.At(p.m.Index(c.Limb), math.Max(0, c.AtCM)).Z)
	}
	s.BudsWithin, s.BudsAbove = r.budsTaken()
	s.Zones = r.tellZones()
	s.Tops = r.tellEnds()
	r.tellHeights(s)
	p.group(s)
	for k := range p.findings {
		if c, left := r.left(k); left {
			if c.Why == Incomplete {
				s.LookFirst = append(s.LookFirst, c)
			} else {
				s.Carried = append(s.Carried, c)
			}
		}
	}
	return s
}
