package cut

import (
	"math"
	"slices"

	"vertumna/core/find"
	"vertumna/core/growth"
	"vertumna/core/limb"
)

// Evidence is what a cut means for the years after it.
type Evidence struct {
	NextMM float64 // how thick the wound would be next year
	// Seasons until the wound is closed, cut now and cut next year; 0: not in sight.
	CloseNow, CloseNext int
	// Seasons until what the cut takes has grown back; 0: never. With the longest new shoot by the cut, cm.
	GrowsBack   int
	RegrowthCM  float64
	FruitLoss   float64 // fruits it costs within reach
	MinutesNext float64 // how long the cut would take next year
	Depth       Depth   // of a shortening
}

// Depth is how far a shortening goes into a limb's wood, by the year it grew, cm along the limb; all 0 on a limb that
// was cut back in some year before, whose rings end then. Further is how many flower buds each further FurtherCM would cost, side shoots and all.
type Depth struct {
	ThisYear, LastYear, Older float64
	Further                   float64
}

// FurtherCM is the step by which further cutting is told. CalmDepthCM is how far a height cut goes into last year's wood, where the
// tree is to stay calm (reach.md#height).
const (
	FurtherCM   = 10
	CalmDepthCM = 5
)

// Deep: the cut goes through this year's shoot into last year's wood, and further than keeps the limb calm.
func (d Depth) Deep() bool { return d.ThisYear > 0 && d.Older == 0 && d.LastYear > CalmDepthCM }

// depth of a shortening.
func (p *Planner) depth(c Candidate) Depth {
	i := p.m.Index(c.Limb)
	a := &p.m.Axes[i]
	if c.AtCM <= 0 || !takesAll(c.Kind) || a.Tip != limb.Growing && !p.m.Has(i, limb.Fresh) {
		return Depth{}
	}
	var out Depth
	end := 0.0
	for k, ring := range a.Rings {
		from := math.Max(end, c.AtCM)
		end += ring
		if end <= from {
			continue
		}
		age := len(a.Rings) - 1 - k // the youngest ring is this summer's, or last year's in winter
		if !p.summer() {
			age++
		}
		switch age {
		case 0:
			out.ThisYear += end - from
		case 1:
			out.LastYear += end - from
		default:
			out.Older += end - from
		}
	}
	low := math.Max(0, c.AtCM-FurtherCM)
	for _, piece := range p.fruit[i] {
		if from, to := math.Max(low, piece.From), math.Min(c.AtCM, piece.To); to > from {
			out.Further += piece.Buds * (to - from) / (piece.To - piece.From)
		}
	}
	for _, k := range a.Children {
		if at := p.m.Axes[k].Attach; at >= low && at < c.AtCM {
			out.Further += p.flowers[k]
		}
	}
	return out
}

// Wounds close from their edges, by the ring of wood the limb lays each year (limbs.md#73-evidence-of-a-step).
const (
	closesInOneMM = 15
	leastRingMM   = 0.2
	mostSeasons   = 20
	regrowthCM    = 15
	leastRegrowth = 5
)

// closing is how many seasons a wound on a limb stays open; 0: not in sight. Planned for the aim it rises smoothly from a small
// wound's one season: what is over a small wound's width closes by the limb's ring of wood, however thin (decision 0016).
func (p *Planner) closing(d float64, host int) int {
	if p.o.AimFirst && host >= 0 {
		ring := math.Max(leastRingMM, (p.next[host]-p.m.Axes[host].D)/2)
		if n := 1 + int(math.Ceil(math.Max(0, d-closesInOneMM)/(4*ring)-1e-9)); n <= mostSeasons {
			return n
		}
		return 0
	}
	if d < closesInOneMM {
		return 1
	}
	if host < 0 {
		return 0
	}
	ring := (p.next[host] - p.m.Axes[host].D) / 2
	if ring < leastRingMM {
		return 0
	}
	if n := int(math.Ceil(d / (4 * ring))); n <= mostSeasons {
		return n
	}
	return 0
}

// host bears the wound of a cut: the limb, or its carrier for a collar.
func (p *Planner) host(c Candidate) int {
	i := p.m.Index(c.Limb)
	if c.AtCM <= 0 {
		return p.m.Axes[i].Parent
	}
	return i
}

func (p *Planner) wound(c Candidate) Evidence {
	i := p.m.Index(c.Limb)
	e := Evidence{NextMM: c.DMM, FruitLoss: c.FruitWithin, Depth: p.depth(c)}
	if d := p.m.Axes[i].D; d > 0 {
		e.NextMM = c.DMM * p.next[i] / d
	}
	if takesAll(c.Kind) {
		e.CloseNow, e.CloseNext = p.closing(c.DMM, p.host(c)), p.closing(e.NextMM, p.host(c))
	}
	later := c
	later.DMM = e.NextMM
	p.time(&later, i)
	e.MinutesNext = later.Minutes
	if c.Kind == limb.SpurThin {
		e.MinutesNext = c.Minutes
	}
	return e
}

// tell works out the evidence of a slip: wounds, and what grows after all its cuts.
func (p *Planner) tell(s *Slip) {
	for k := range s.Carried {
		if c := s.Carried[k].Cut; c != nil {
			s.Carried[k].Evidence = p.wound(*c)
		}
	}
	for k := range s.LookFirst {
		if c := s.LookFirst[k].Cut; c != nil {
			s.LookFirst[k].Evidence = p.wound(*c)
		}
	}
	if len(s.Cuts) == 0 {
		return
	}
	grown, err := p.nextWinter(s.Made())
	for k := range s.Cuts {
		c := &s.Cuts[k]
		c.Evidence = p.wound(c.Candidate)
		if err == nil {
			c.GrowsBack, c.RegrowthCM = p.regrowth(c.Candidate, grown)
		}
	}
}

// nextWinter is the tree a season after cuts: of a summer map its season is closed first.
func (p *Planner) nextWinter(cuts []growth.Cut) (*limb.Map, error) {
	tree := p.tree
	work := growth.Work{Dormant: cuts}
	if p.summer() {
		var err error
		if tree, err = growth.Close(tree, cuts, 0); err != nil {
			return nil, err
		}
		work = growth.Work{}
	}
	next, err := growth.Next(tree, work)
	return next.Map, err
}

// regrowth is how soon what a cut takes grows back: by the longest new shoot near it, or by what the branch cut back to
// grew.
func (p *Planner) regrowth(c Candidate, grown *limb.Map) (seasons int, cm float64) {
	if !takesAll(c.Kind) {
		return 0, 0
	}
	i := p.m.Index(c.Limb)
	h := p.host(c)
	if h < 0 {
		return 0, 0
	}
	at := c.AtCM
	if at <= 0 {
		at = p.m.Axes[i].Attach
	}
	host := grown.Index(p.m.Axes[h].ID)
	if host < 0 {
		return 0, 0
	}
	for _, k := range grown.Axes[host].Children {
		a := &grown.Axes[k]
		if p.m.Index(a.ID) < 0 && math.Abs(a.Attach-at) <= regrowthCM {
			cm = math.Max(cm, a.L)
		}
	}
	if c.Side != "" {
		if k, was := grown.Index(c.Side), p.m.Index(c.Side); k >= 0 && was >= 0 {
			cm = math.Max(cm, grown.Axes[k].L-p.m.Axes[was].L)
		}
	}
	if cm < leastRegrowth {
		return 0, cm
	}
	return int(math.Ceil((p.m.Axes[i].L - math.Max(0, c.AtCM)) / cm)), cm
}

// Spread is bending a limb in place of cutting it: young wood with a narrow fork is opened.
type Spread struct {
	Limb     string
	From, To float64 // degrees from vertical
}

// Wood that still bends where it stands (training.md#d-spreading; our estimates).
const (
	spreadMM      = 25
	spreadSeasons = 4
)

// SpreadInstead says how a limb that a step takes for its narrow fork, or shortens while it stands upright, would stand if it were
// spread; ok is false where the wood is too thick or too old, or nothing of the kind was found. To is the kind's own angle, or what
// the school wants.
func (p *Planner) SpreadInstead(c *Step, wantedDeg float64) (s Spread, ok bool) {
	i := p.m.Index(c.Limb)
	a := &p.m.Axes[i]
	narrow := slices.ContainsFunc(c.Solves, func(f find.Finding) bool { return f.Code == find.NarrowCrotch && f.Limb == c.Limb })
	upright := slices.ContainsFunc(c.Solves, func(f find.Finding) bool { return f.Code == find.TipBack }) && p.m.MeanAngle(i) < uprightDeg
	from := math.Round(a.A0)
	if !narrow && !upright || a.Depth < 1 || a.D > spreadMM || len(a.Rings) > spreadSeasons || p.m.Has(i, limb.Bark) || from >= wantedDeg-10 {
		return Spread{}, false
	}
	return Spread{c.Limb, from, wantedDeg}, true
}

const uprightDeg = 25

// JobKind is a piece of work without a cut.
type JobKind string

// The jobs.
const (
	NotchJob      JobKind = "notch"
	BendJob       JobKind = "bend"
	LookAtCarrier JobKind = "look_at_carrier"
	WoundLook     JobKind = "wound_look"
)

// Job is work on a limb without a cut.
type Job struct {
	Kind    JobKind
	Finding *find.Finding
	Limb    string
	AtCM    float64
	DMM     float64 // of an open wound
	Seasons int     // until it is closed, 0: not in sight
}

// Limits of the jobs (limbs.md#74-jobs-without-a-cut; judgement).
const (
	sleepSeasons = 8 // older wood has no bud to wake
	bendAngle    = 40
	bendMM       = 25
	jobInsteadOf = 0.65
	openWoundMM  = 25
)

// findJobs lists the work without a cut.
func (p *Planner) findJobs() []Job {
	var out []Job
	for k := range p.findings {
		f := &p.findings[k]
		switch f.Code {
		case find.Barren:
			if j, ok := p.wake(f); ok {
				out = append(out, j)
			}
		case find.DiseasedWood:
			if short, ok := f.Fact("short_cm"); ok && short.Value > 0 {
				j := Job{Kind: LookAtCarrier, Finding: f, Limb: f.Limb, AtCM: f.AtCM}
				if i := p.m.Index(f.Limb); p.m.Axes[i].Parent >= 0 {
					j.Limb, j.AtCM = p.m.Axes[p.m.Axes[i].Parent].ID, p.m.Axes[i].Attach
				}
				out = append(out, j)
			}
		}
	}
	for i := range p.m.Axes {
		for _, w := range p.m.Axes[i].Wounds {
			if w.DMM <= openWoundMM || w.Fresh || w.Closed {
				continue
			}
			j := Job{Kind: WoundLook, Limb: p.m.Axes[i].ID, AtCM: w.AtCM, DMM: w.DMM, Seasons: p.closing(w.DMM, i)}
			if j.Seasons > 0 && w.Year != nil && p.m.Year > 0 {
				j.Seasons = max(0, j.Seasons-(p.m.Year-*w.Year))
			}
			out = append(out, j)
		}
	}
	return out
}

// wake is how a bare stretch is brought to life without a cut: notched above a sleeping bud, or the limb bent down.
func (p *Planner) wake(f *find.Finding) (Job, bool) {
	i := p.m.Index(f.Limb)
	bare, _ := f.Fact("bare_cm")
	mid := f.AtCM + bare.Value/2
	if !p.summer() && !stone(p.m) && p.m.Kind.Family != "peach" && p.m.AgeAt(i, mid) <= sleepSeasons {
		return Job{Kind: NotchJob, Finding: f, Limb: f.Limb, AtCM: mid}, true
	}
	if p.m.MeanAngle(i) < bendAngle && p.m.Axes[i].D <= bendMM {
		return Job{Kind: BendJob, Finding: f, Limb: f.Limb}, true
	}
	return Job{}, false
}

// jobInstead: a job replaces the cut where little is wrong.
func (p *Planner) jobInstead(f find.Finding) Why {
	if f.Code != find.Barren || f.Severity >= jobInsteadOf {
		return ""
	}
	for _, j := range p.jobs {
		if j.Finding == nil || j.Finding.Limb != f.Limb || j.Finding.AtCM != f.AtCM || j.Finding.Code != f.Code {
			continue
		}
		if j.Kind == NotchJob {
			return NotchFirst
		}
		return BendFirst
	}
	return ""
}
