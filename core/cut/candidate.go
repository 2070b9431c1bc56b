// Package cut judges cuts: the kinds a limb offers for an aim, each with its place, score and reasons, what it costs in
// crown, fruit buds and time, and with which tool it is made. And it decides the
// slip: which of them are made this season, under the year's limit, in the order of work. Units: cm, mm, degrees from vertical,
// shares 0..1 of the crown, minutes.
package cut

import (
	"cmp"
	"math"
	"slices"

	"vertumna/core/find"
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// Tool is what a cut of a thickness is made with.
type Tool string

// The tools, by the thickest wood each takes (work.md#cuts).
const (
	HandPruner Tool = "hand pruner"
	Lopper     Tool = "lopper"
	Saw        Tool = "saw"
	Arborist   Tool = "licensed arborist"
)

// Thickest wood by tool, mm; beyond the last an arborist.
const (
	prunerMM = 20
	lopperMM = 40
	sawMM    = 100
	// BigWoundMM: a wound this wide is big; two a year are enough.
	BigWoundMM = 50
)

// Reason is one thing that speaks for or against a cut, or says what it is: a rule with its number or name.
type Reason struct {
	Rule   string  `json:"rule"`
	Value  float64 `json:"value,omitempty"`
	Text   string  `json:"text,omitempty"`
	Points float64 `json:"points"`
}

// Candidate is one way to cut a limb.
type Candidate struct {
	limb.CutAt
	Side      string       // the side branch it is cut back to
	Ratio     float64      // its thickness against the limb's there
	Bud       limb.BudKind // of the bud it is cut to, "": none
	Class     limb.Class   // where that bud faces
	DMM       float64
	Share     float64
	Score     float64
	Tool      Tool
	ThreeStep bool
	Minutes   float64
	// Fruit buds it takes, within and above reach, and the fruit within.
	BudsWithin, BudsAbove, FruitWithin float64
	GainCM                             float64
	Reasons                            []Reason
	// Of sick wood: clean the tool after it, take it off the plot, cut in dry weather.
	CleanTool, OffPlot, DryWeather bool
}

// base are the scores of each kind for an aim (limbs.md#6-cut-candidates; judgement).
var base = map[find.Aim]map[limb.CutKind]float64{
	find.Remove:  {limb.Collar: 60, limb.Stub: 25, limb.SideBranch: 10},
	find.Lower:   {limb.SideBranch: 60, limb.FruitBud: 60, limb.Collar: 45, limb.AboveBud: 25, limb.TipThird: 10},
	find.Shorten: {limb.SideBranch: 60, limb.AboveBud: 40, limb.TipThird: 30, limb.Collar: 20},
	find.Subdue:  {limb.SideBranch: 60, limb.Collar: 50, limb.AboveBud: 30},
	find.Open:    {limb.Collar: 55, limb.SideBranch: 40, limb.AboveBud: 10},
	find.Renew:   {limb.Stub: 55, limb.AboveBud: 35, limb.SideBranch: 30, limb.Collar: 20},
	find.Calm:    {limb.SideBranch: 50, limb.FiveLeaves: 45, limb.SpurBack: 40, limb.FruitBud: 40, limb.Collar: 30},
	find.Fruit:   {limb.FruitBud: 60, limb.FiveLeaves: 45, limb.SpurBack: 40, limb.SideBranch: 25},
	find.Branch:  {limb.Notch: 60, limb.TipThird: 45, limb.AboveBud: 40},
	find.Extend:  {limb.TipThird: 60, limb.AboveBud: 50},
	find.Bear:    {limb.ToFruits: 60, limb.AboveBud: 20},
	find.Spurs:   {limb.SpurThin: 60},
	find.Sound:   {limb.SoundWood: 60, limb.Collar: 50},
}

var kindOrder = []limb.CutKind{
	limb.Collar, limb.SideBranch, limb.SoundWood, limb.AboveBud, limb.Stub, limb.TipThird, limb.FiveLeaves, limb.FruitBud,
	limb.SpurBack, limb.ToFruits, limb.SpurThin, limb.Notch,
}

// Question asks for the ways to cut a limb.
type Question struct {
	Limb  string
	Aim   find.Aim
	AtMax *float64 // the highest place that solves what was found; nil: any
	// DrySummerStone: stone fruit is kept for dry summer weather by site or school.
	DrySummerStone bool
	// OldBuds asks for cuts to buds of older wood as well: the plain height cut of most gardens (reach.md#height).
	OldBuds bool

	anyKind bool
}

// solvedWithin is how far above the offending stretch a cut may stand and still solve the finding, cm (limbs.md#7-the-cut-plan).
const solvedWithin = 0.1

// Answering asks for the cuts that answer a finding: for its aim, at or below where the offending stretch starts.
func Answering(limbID string, aim find.Aim, atCM float64) Question {
	return Question{Limb: limbID, Aim: aim, AtMax: limb.Of(atCM + solvedWithin)}
}

// Judge knows a tree's findings, light and reach, and answers questions about its limbs.
type Judge struct {
	m        *limb.Map
	light    limb.Light
	reachCM  float64
	findings []find.Finding
	chain    []string
	within   float64 // fruit buds of the tree within reach
	stubCM   float64 // where a renewal stub ends
	price    float64 // of fruit buds, of what they count as usual

	day       string  // on which it is judged, YYYY-MM-DD; "": no day a person named has come
	highCM    float64 // a cut above it takes longer: a pole tool or a ladder
	harvested bool
	renewed   map[string]string // who takes over from a bearing limb whose turn it is
	fruit     [][]limb.Piece    // the fruit buds of each limb
	bears     []reachBuds       // those of each limb and all it carries
	liveTop   []float64         // highest live wood of each limb and all it carries, cm
	byRing    [][][]limb.Node   // by limb and ring, once asked
	rise      [][]float64       // by limb: the highest point up to every second cm from its base, once asked
}

// A cut above this height takes longer, whoever makes it; a person's own reach, with the hand the fruit is left below it, where
// the slip is planned for one (limbs.md#6-cut-candidates; work.md#cuts).
const (
	highCut     = 200
	belowFinger = 30
)

// NewJudge prepares a tree. Light may be nil: unknown.
func NewJudge(m *limb.Map, light limb.Light, reading find.Reading) *Judge {
	j := &Judge{m: m, light: light, reachCM: reading.Options.ReachCM, findings: find.Findings(m, reading), chain: find.LeaderChain(m)}
	j.harvested, j.highCM, j.day = reading.Options.Harvested, highCut, reading.Options.Day
	j.stubCM = reading.Options.StubCM
	if j.stubCM == 0 {
		j.stubCM = find.StubCM
	}
	j.price = reading.Options.Weighs.FruitPrice()
	for _, f := range j.findings {
		if f.Code == find.RenewalDue && len(f.Members) > 0 {
			if j.renewed == nil {
				j.renewed = map[string]string{}
			}
			j.renewed[f.Limb] = f.Members[0]
		}
	}
	if j.reachCM == 0 {
		j.reachCM = find.Defaults().ReachCM
	}
	j.fruit = make([][]limb.Piece, m.Len())
	for i := range m.Axes {
		j.fruit[i] = m.Pieces(i, light, nil)
	}
	j.bears, j.liveTop, j.rise, j.byRing = make([]reachBuds, m.Len()), make([]float64, m.Len()), make([][]float64, m.Len()), make([][][]limb.Node, m.Len())
	for i := m.Len() - 1; i >= 0; i-- { // children first
		w, a := j.buds(i, 0)
		j.within += w
		j.liveTop[i] = math.Inf(-1)
		if !m.WhollyDead(i) {
			j.liveTop[i] = m.Top(i)
		}
		for _, c := range m.Axes[i].Children {
			w, a = w+j.bears[c].within, a+j.bears[c].above
			j.liveTop[i] = math.Max(j.liveTop[i], j.liveTop[c])
		}
		j.bears[i] = reachBuds{w, a}
	}
	return j
}

// reachBuds are fruit buds within reach and above it.
type reachBuds struct{ within, above float64 }

func (j *Judge) leads(i int) bool {
	return len(j.chain) > 0 && j.chain[len(j.chain)-1] == j.m.Axes[i].ID
}

// finding returns what was found on a limb under a code, nil where nothing was.
func (j *Judge) finding(code find.Code, id string) *find.Finding {
	for k := range j.findings {
		if j.findings[k].Code == code && j.findings[k].Limb == id {
			return &j.findings[k]
		}
	}
	return nil
}

// buds are a limb's own fruit buds beyond s, within reach and above it.
func (j *Judge) buds(i int, s float64) (within, above float64) {
	for _, p := range j.fruit[i] {
		part := 1.0
		if p.From < s {
			part = math.Max(0, (p.To-s)/(p.To-p.From))
		}
		if p.MidZ <= j.reachCM {
			within += part * p.Buds
		} else {
			above += part * p.Buds
		}
	}
	return within, above
}

// lost are the fruit buds a cut at a place takes: on its limb from where its loss counts, and of all limbs that go.
func (j *Judge) lost(i int, at, from float64) (within, above float64) {
	within, above = j.buds(i, from)
	for _, c := range j.m.Axes[i].Children {
		if j.m.Axes[c].Attach < at {
			continue
		}
		within, above = within+j.bears[c].within, above+j.bears[c].above
	}
	return within, above
}

// Candidates lists the ways to cut a limb for an aim, the best first. A limb to be kept offers none but sound wood.
// Cost: the limb's buds for each place tried.
func (j *Judge) Candidates(q Question) []Candidate {
	i := j.m.Index(q.Limb)
	if i < 0 || j.m.Has(i, limb.Keep) && q.Aim != find.Sound {
		return nil
	}
	return j.candidates(i, q)
}

// Everywhere lists every place of a limb where a person could cut it, whatever the aim usually asks for, from its base to
// its end: the collar, side branches, and every bud of last year's wood among them.
func (j *Judge) Everywhere(limbID string, aim find.Aim) []Candidate {
	i := j.m.Index(limbID)
	if i < 0 || j.m.Has(i, limb.Keep) && aim != find.Sound {
		return nil
	}
	out := j.candidates(i, Question{Limb: limbID, Aim: aim, anyKind: true})
	slices.SortStableFunc(out, func(a, b Candidate) int {
		return cmp.Or(cmp.Compare(a.AtCM, b.AtCM), cmp.Compare(slices.Index(kindOrder, a.Kind), slices.Index(kindOrder, b.Kind)))
	})
	return out
}

func (j *Judge) candidates(i int, q Question) []Candidate {
	places := j.places(i, q)
	out := make([]Candidate, 0, len(places))
	for _, p := range places {
		if c, ok := j.judge(i, p, q); ok {
			out = append(out, c)
		}
	}
	slices.SortStableFunc(out, bestFirst)
	return out
}

func bestFirst(a, b Candidate) int {
	return cmp.Or(cmp.Compare(b.Score, a.Score), cmp.Compare(a.DMM, b.DMM), cmp.Compare(b.AtCM, a.AtCM),
		cmp.Compare(slices.Index(kindOrder, a.Kind), slices.Index(kindOrder, b.Kind)))
}

// allowed: places too near the end, on the foot of a stem, or above what would solve the finding are left out.
func (j *Judge) allowed(i int, p spot, q Question) bool {
	a := &j.m.Axes[i]
	if p.kind == limb.Collar && j.leads(i) || j.m.IsStem(i) && p.at < 20 && p.kind != limb.Notch && p.kind != limb.SpurThin {
		return false
	}
	return p.at <= a.L-0.3 && (q.AtMax == nil || p.at <= *q.AtMax+1e-9)
}

func toolFor(d float64) Tool {
	switch {
	case d <= prunerMM:
		return HandPruner
	case d <= lopperMM:
		return Lopper
	case d <= sawMM:
		return Saw
	}
	return Arborist
}

// time is the tool, the three-step rule and the minutes of a cut.
func (j *Judge) time(c *Candidate, i int) {
	c.Tool = toolFor(c.DMM)
	c.ThreeStep = c.DMM > 40 || c.DMM >= 30 && j.m.Theta(i, math.Max(0, c.AtCM)) >= 45 && j.m.Axes[i].L-c.AtCM > 100
	switch c.Tool {
	case HandPruner:
		c.Minutes = 0.5
	case Lopper:
		c.Minutes = 1
	default:
		c.Minutes = 2 + (c.DMM-40)/15
	}
	if c.ThreeStep {
		c.Minutes *= 1.8
	}
	if j.m.At(i, math.Max(0, c.AtCM)).Z > j.highCM {
		c.Minutes += 3
	}
}

// gain is how much lower the highest point of a limb and all it carries comes by a cut.
func (j *Judge) gain(i int, at float64) float64 {
	top, left := j.m.Top(i), j.rises(i, at)
	for _, c := range j.m.Axes[i].Children {
		h := j.highest(c)
		top = math.Max(top, h)
		if j.m.Axes[c].Attach < at {
			left = math.Max(left, h)
		}
	}
	return math.Max(0, top-left)
}

// highest is the top of a limb and its live wood.
func (j *Judge) highest(i int) float64 {
	return math.Max(j.m.Base(i).Z, j.liveTop[i])
}

// Highest is the top of a limb and all it carries, cm from the ground.
func (j *Judge) Highest(i int) float64 { return j.highest(i) }

// rises is the highest point of a limb up to a place.
func (j *Judge) rises(i int, at float64) float64 {
	const every = 2
	if j.rise[i] == nil {
		top := j.m.Base(i).Z
		for s := 0.0; s <= j.m.Axes[i].L; s += every {
			top = math.Max(top, j.m.At(i, s).Z)
			j.rise[i] = append(j.rise[i], top)
		}
	}
	at = math.Max(0, math.Min(at, j.m.Axes[i].L))
	before := min(len(j.rise[i])-1, max(0, int(math.Ceil(at/every))-1))
	return math.Max(j.rise[i][before], j.m.At(i, at).Z)
}

func stone(m *limb.Map) bool { return m.Kind.Growth.DrySummerWood }

func spurKind(m *limb.Map) bool {
	h := m.Kind.Growth.Bearing
	return h == pomology.OnSpurs || h == pomology.OnSpursAndNew
}
