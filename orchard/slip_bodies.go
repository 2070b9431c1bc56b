package orchard

import (
	"math"
	"slices"
	"strings"

	"vertumna/core/almanac"
	"vertumna/core/cut"
	"vertumna/core/find"
	"vertumna/core/limb"
	"vertumna/core/num"
	"vertumna/core/training"
	"vertumna/core/walk"
	"vertumna/core/year"
	"vertumna/words"
)

// SlipBody is a tree's slip: the cuts of this season in the order of work, and what waits.
type SlipBody struct {
	Season     limb.Season   `json:"season" enum:"dormant,summer"`
	Key        string        `json:"key" doc:"season and growth year"`
	Revision   int           `json:"revision" doc:"of the map it is made from"`
	Missed     string        `json:"missed,omitempty" doc:"what was not cut when it could be, and what is taken from that"`
	NoLeafCut  string        `json:"no_leaf_cut,omitempty" doc:"of a summer slip: why the year has no cut of live wood in leaf"`
	Training   string        `json:"training,omitempty" doc:"of a tree whose frame is built: what leads instead"`
	Predicted  bool          `json:"predicted" doc:"a forecast: of another season than the map's; nothing can be decided or logged"`
	Aim        year.Aim      `json:"aim"`
	Choices    []ChoiceBody  `json:"choices" nullable:"false" doc:"the school's choices behind it"`
	Confidence float64       `json:"confidence" doc:"how far the map can be trusted, 0..1"`
	Steps      []StepBody    `json:"steps" nullable:"false"`
	Groups     []GroupBody   `json:"groups" nullable:"false" doc:"the steps as a person works through them: one cut, or thin wood of one place and reason"`
	Tops       []TopBody     `json:"tops" nullable:"false" doc:"main limbs above reach: where each ends this year and when all is done"`
	Height     HeightBody    `json:"height"`
	Opens      *almanac.Day  `json:"opens,omitempty" doc:"the first day of its window; absent where the year has no task for it"`
	Closes     *almanac.Day  `json:"closes,omitempty"`
	Left       []CarriedBody `json:"left" nullable:"false" doc:"left by a person"`
	Carried    []CarriedBody `json:"carried" nullable:"false"`
	LookFirst  []CarriedBody `json:"look_first" nullable:"false"`
	Jobs       []string      `json:"jobs" nullable:"false"`
	Gauge      GaugeBody     `json:"gauge"`
	Fruit      SlipFruitBody `json:"fruit"`
	Bundles    []string      `json:"bundles" nullable:"false" doc:"several small cuts on one limb against taking it out"`
	Enough     string        `json:"enough,omitempty" doc:"it passed all end tests this half of the year"`
	WayIn      string        `json:"way_in,omitempty" doc:"from which side an arm reaches the middle"`
	Forming    []string      `json:"forming" nullable:"false" doc:"of a young tree: which shoots become main limbs"`
	Renewing   []string      `json:"renewing" nullable:"false" doc:"of a bearer on one-year wood: what is renewed this year"`
	Exposed    []string      `json:"exposed" nullable:"false" doc:"limbs whose bark comes into the sun"`
	GraftWood  []string      `json:"graft_wood" nullable:"false" doc:"shoots taken off that would make grafting wood"`
	Levels     []LevelBody   `json:"levels" nullable:"false" doc:"what more or less limit would come to"`
	Minutes    float64       `json:"minutes"`
	Tools      []string      `json:"tools" nullable:"false"`
	Says       string        `json:"says"`
	Safety     []string      `json:"safety" nullable:"false"`
	CutRule    string        `json:"cut_rule" doc:"what holds for every cut of it"`
	ClearUp    []string      `json:"clear_up" nullable:"false" doc:"what is still to do once the cuts are made"`
}

// ChoiceBody is a choice of the school.
type ChoiceBody struct {
	Key   string `json:"key"`
	Name  string `json:"name"`
	Value string `json:"value"`
}

// StepBody is one cut.
type StepBody struct {
	N        int        `json:"n"`
	Mark     string     `json:"mark" doc:"its number on the drawing: that of its group"`
	Step     int        `json:"step" doc:"in the order of work"`
	State    string     `json:"state" enum:"proposed,taken"`
	Who      string     `json:"who,omitempty" doc:"who took or moved it"`
	Moved    bool       `json:"moved"`
	Findings []cut.Key  `json:"findings" nullable:"false"`
	Letters  []string   `json:"letters" nullable:"false"`
	Names    []string   `json:"names" nullable:"false" doc:"what it solves, in words"`
	Aim      find.Aim   `json:"aim"`
	Cut      limb.CutAt `json:"cut"`
	Place    [3]float64 `json:"place" nullable:"false" doc:"x, y, z in cm"`
	Tool     string     `json:"tool,omitempty"`
	OnBody   string     `json:"on_body,omitempty" doc:"its height on the body of who works"`
	High     bool       `json:"high" doc:"above what its worker reaches from the ground"`
	StandDeg float64    `json:"stand_deg" doc:"bearing of where to stand"`
	Side     string     `json:"side" doc:"of the tree, where to stand"`
	DMM      float64    `json:"d_mm"`
	Share    float64    `json:"share" doc:"of the crown"`
	Counted  float64    `json:"counted" doc:"toward the limit"`
	After    float64    `json:"left_after" doc:"of the crown, before the stop line, once this step is made"`
	Minutes  float64    `json:"minutes"`
	Buds     float64    `json:"buds_within"`
	GainCM   float64    `json:"gain_cm"`
	Forever  bool       `json:"forever" doc:"thick, and never grows back: asked once more"`
	Title    string     `json:"title"`
	Where    string     `json:"where"`
	How      string     `json:"how"`
	Bud      string     `json:"bud,omitempty"`
	Spread   string     `json:"spread,omitempty" doc:"how the limb would be spread in place of being cut, where its wood is young enough"`
	Why      string     `json:"why"`
	Cost     string     `json:"cost"`
	Price    []string   `json:"price" nullable:"false"`
	Cautions []string   `json:"cautions" nullable:"false"`
	Runners  []SpotBody `json:"runners" nullable:"false" doc:"other cuts that would do"`
}

// SpotBody is a place where a limb could be cut.
type SpotBody struct {
	Cut      limb.CutAt `json:"cut"`
	Title    string     `json:"title"`
	Where    string     `json:"where"`
	Bud      string     `json:"bud,omitempty"`
	Share    float64    `json:"share"`
	Score    float64    `json:"score"`
	DMM      float64    `json:"d_mm"`
	Buds     float64    `json:"buds_within"`
	HeightCM float64    `json:"height_cm"`
	GainCM   float64    `json:"gain_cm"`
}

// CarriedBody is what waits, and why.
type CarriedBody struct {
	Finding cut.Key `json:"finding"`
	Letter  string  `json:"letter,omitempty"`
	Name    string  `json:"name"`
	Says    string  `json:"says"`
	Why     cut.Why `json:"why"`
	WhySays string  `json:"why_says"`
	Price   string  `json:"price,omitempty" doc:"what waiting costs"`
	Cut     string  `json:"cut,omitempty"`
	Share   float64 `json:"share,omitempty"`
}

// GaugeBody is the stop line of the tree year.
type GaugeBody struct {
	Limit   float64    `json:"limit" doc:"of the crown, in the tree year"`
	Cap     float64    `json:"cap" doc:"what this slip may come to with what went before"`
	Winter  float64    `json:"winter" doc:"taken already up to bloom"`
	Summer  float64    `json:"summer" doc:"taken already since"`
	Slip    float64    `json:"slip" doc:"on this slip"`
	Free    float64    `json:"free" doc:"on this slip, not counted: sick wood and suckers"`
	Account float64    `json:"account" doc:"what the tree year comes to"`
	Left    float64    `json:"left" doc:"before the limit"`
	Exempt  bool       `json:"exempt" doc:"in formation"`
	Says    string     `json:"says"`
	Zones   []ZoneBody `json:"zones" nullable:"false" doc:"thirds of the height, from the ground up; none where the limit is the whole tree's"`
}

// ZoneBody is a third of a tree's height under its own limit.
type ZoneBody struct {
	Name   string  `json:"name"`
	Starts string  `json:"starts" doc:"how high, in the person's units"`
	FromCM float64 `json:"from_cm"`
	ToCM   float64 `json:"to_cm"`
	Used   float64 `json:"used" doc:"taken before, this tree year"`
	Slip   float64 `json:"slip"`
	Most   float64 `json:"most"`
	Says   string  `json:"says"`
}

// SlipFruitBody is the running line of fruit against the cut.
type SlipFruitBody struct {
	BudsLeft float64 `json:"buds_left" doc:"fruit buds left within reach"`
	Taken    float64 `json:"buds_taken"`
	Fruit    float64 `json:"fruit" doc:"to hang this season, counted or expected; 0: not known"`
	Wanted   float64 `json:"wanted" doc:"what it is to carry"`
	Says     string  `json:"says"`
}

// LevelBody is what a limit would come to.
type LevelBody struct {
	Limit    float64 `json:"limit"`
	Account  float64 `json:"account"`
	Unsolved float64 `json:"unsolved" doc:"weight of what is left, the later in the order the less"`
	Cuts     int     `json:"cuts"`
	Chosen   bool    `json:"chosen"`
}

// letters are the findings' letters on the bench, by finding.
func (p *slipMade) letters() map[cut.Key]string {
	out := map[cut.Key]string{}
	for _, f := range find.Letters(p.m, p.slip.Findings) {
		out[cut.KeyOf(f.Finding)] = f.Letter
		for _, id := range f.Also {
			out[cut.Key{Code: f.Code, Limb: id}] = f.Letter
		}
	}
	return out
}

func (p *slipMade) body() *SlipBody {
	s := p.slip
	letters := p.letters()
	out := &SlipBody{
		Season: p.season, Key: p.key, Revision: p.kept.Revision.Revision, Predicted: p.predicted, Aim: p.aim(), Choices: p.schoolSays(),
		Confidence: math.Round(100*s.Confidence) / 100, Steps: []StepBody{}, Left: []CarriedBody{}, Carried: []CarriedBody{}, LookFirst: []CarriedBody{},
		Jobs: []string{}, Minutes: round1(s.Minutes), Tools: []string{}, Safety: append(p.speaker.BenchSafety(), words.Cleaning(p.school.Value("cleaning"))), CutRule: p.speaker.CutRule(), Levels: p.levels(), Exposed: p.exposed(),
		GraftWood: append([]string{}, p.planner.GraftWood(s)...),
	}
	if p.missed {
		out.Missed = words.MissedSlip(p.season == limb.Summer)
	}
	if p.season == limb.Summer && p.noLeaf() != "" {
		out.NoLeafCut = p.speaker.Reason(p.plan.InLeaf.Why)
	}
	if p.framed() {
		out.Training = words.Framed(p.plan.Way.Stands)
		if rows, err := p.nextYears(); err == nil {
			if cuts := p.speaker.FrameCuts(rows[p.of.year-p.firstYear()].Frame); len(cuts) > 0 {
				out.Training += " This year it cuts " + strings.Join(cuts, "; ") + "."
			}
		}
	}
	out.Bundles = []string{}
	for _, b := range p.planner.Bundles(s) {
		out.Bundles = append(out.Bundles, p.speaker.Bundle(b))
	}
	out.Forming, out.Renewing = p.forming(), p.renewing()
	account := p.options.Used
	for k := range s.Cuts {
		account += s.Cuts[k].Counted
		b := p.step(&s.Cuts[k], letters)
		b.N, b.After = k+1, round4(math.Max(0, p.limit()-account))
		out.Steps = append(out.Steps, b)
		if tool, _ := words.ToolFor(s.Cuts[k].Candidate, p.ownTools()); !slices.Contains(out.Tools, tool) {
			out.Tools = append(out.Tools, tool)
		}
	}
	for _, c := range s.Carried {
		b := p.carried(c, letters)
		if c.Why == cut.LeftByYou {
			if seen := words.LeftAsSeen(p.choices[b.Finding].Seen); seen != "" {
				b.WhySays = seen
			}
			out.Left = append(out.Left, b)
		} else {
			out.Carried = append(out.Carried, b)
		}
	}
	for _, c := range s.LookFirst {
		out.LookFirst = append(out.LookFirst, p.carried(c, letters))
	}
	for _, j := range s.Jobs {
		out.Jobs = append(out.Jobs, p.speaker.Job(j))
	}
	out.Gauge, out.Fruit = p.gauge(), p.fruitLine()
	p.sorted(out)
	if way, ok := find.WayInto(p.m); ok && len(s.Cuts) > 0 {
		out.WayIn = words.WayIn(way)
	}
	if on, yes := p.enough(); yes {
		out.Enough = words.Enough(p.speaker.Day(on), s.Must(), len(s.Cuts))
	}
	out.Says = p.speaker.SlipTotal(len(out.Groups), s.Minutes, len(out.Tools))
	out.ClearUp = words.ClearUp(s, out.Exposed, len(s.Jobs))
	opens, closes := p.window()
	out.Opens, out.Closes = dayOrNil(opens), dayOrNil(closes)
	return out
}

func (p *slipMade) limit() float64 {
	if p.options.Level == cut.Formation {
		return 1
	}
	return p.options.Level.Share()
}

func (p *slipMade) step(c *cut.Step, letters map[cut.Key]string) StepBody {
	i := p.m.Index(c.Limb)
	at := p.m.At(i, math.Max(0, c.AtCM))
	tool, has := words.ToolFor(c.Candidate, p.ownTools())
	w := p.speaker.Step(c, at, p.topBud(c.CutAt), tool, has, p.openWeeks())
	out := StepBody{
		Step: c.Step, State: "proposed", Moved: c.Moved, Findings: []cut.Key{}, Letters: []string{}, Names: []string{}, Aim: c.Aim, Cut: c.CutAt,
		Place: [3]float64{round1(at.X), round1(at.Y), round1(at.Z)}, DMM: c.DMM, Share: round4(c.Takes), Counted: round4(c.Counted), Minutes: round1(c.Minutes),
		Buds: round1(c.BudsWithin), GainCM: round1(c.GainCM), Title: w.Title, Where: w.Where, How: w.How, Bud: w.Bud, Cost: w.Cost, Price: w.Price,
		Cautions: append([]string{}, w.Cautions...), Runners: []SpotBody{},
		Forever: c.Forever(), Tool: tool, OnBody: words.OnBody(p.bodyMarks(), at.Z), High: p.overhead(at), StandDeg: math.Round(p.standAt(at)), Side: words.Side(p.standAt(at)),
	}
	solves := c.Solves
	if c.Stage != nil {
		solves = append(slices.Clone(solves), *c.Stage)
	}
	if c.Moved && len(solves) == 0 {
		solves = p.movedFor(c)
	}
	for _, f := range solves {
		key := cut.KeyOf(f)
		out.Findings = append(out.Findings, key)
		if l := letters[key]; l != "" && !slices.Contains(out.Letters, l) {
			out.Letters = append(out.Letters, l)
		}
		name := p.speaker.Finding(f).Name
		if !slices.Contains(out.Names, name) {
			out.Names = append(out.Names, name)
		}
		if ch := p.choices[key]; ch.Choice == "taken" || ch.Choice == "moved" {
			out.State = "taken"
		}
	}
	if len(solves) > 0 {
		f := p.speaker.Finding(solves[0])
		out.Why = f.Why
	}
	if x, ok := p.planner.SpreadInstead(c, p.limbAngle()); ok {
		out.Spread = p.speaker.Spread(x)
	}
	for _, h := range p.planner.Hazards(c.CutAt, p.reading().Yard) {
		out.Cautions = append(out.Cautions, p.speaker.Hazard(h))
	}
	if c.LargeFree() {
		out.Cautions = append(out.Cautions, words.LargeFree)
	}
	for _, r := range p.planner.Runners(c) {
		out.Runners = append(out.Runners, p.spot(i, r))
	}
	return out
}

// limbAngle is the angle from vertical that limbs are wanted at.
func (p *slipMade) limbAngle() float64 { return year.LimbAngle(p.school, p.core.Kind, p.core.Form) }

// movedFor finds what a moved cut was for, where it solves nothing.
func (p *slipMade) movedFor(c *cut.Step) []find.Finding {
	var out []find.Finding
	for _, mv := range p.options.Instead {
		if mv.Cut.Limb != c.Limb || mv.Cut.Kind != c.Kind {
			continue
		}
		for _, f := range p.slip.Findings {
			if slices.Contains(mv.Findings, cut.KeyOf(f)) {
				out = append(out, f)
			}
		}
	}
	return out
}

func (p *slipMade) carried(c cut.Carried, letters map[cut.Key]string) CarriedBody {
	key := cut.KeyOf(c.Finding)
	w := p.speaker.Finding(c.Finding)
	out := CarriedBody{Finding: key, Letter: letters[key], Name: w.Name, Says: w.Says, Why: c.Why, WhySays: p.speaker.Why(c, p.season == limb.Summer)}
	if c.Cut != nil {
		at := p.m.At(p.m.Index(c.Cut.Limb), math.Max(0, c.Cut.AtCM))
		step := cut.Step{Candidate: *c.Cut, Evidence: c.Evidence}
		out.Cut = p.speaker.Step(&step, at, nil, string(c.Cut.Tool), true, 0).Title
		out.Share = round4(c.Cut.Share)
		out.Price = p.speaker.WaitingPrice(c.Cut.DMM, c.Evidence, c.Cut.Minutes)
	}
	return out
}

func (p *slipMade) gauge() GaugeBody {
	s := p.slip
	g := GaugeBody{Limit: p.limit(), Cap: round4(s.Cap), Account: round4(s.Account), Slip: round4(s.Share), Exempt: p.options.Level == cut.Formation}
	if p.plan != nil {
		g.Winter, g.Summer = round4(p.plan.Account.Dormant), round4(p.plan.Account.Summer)
	}
	for _, c := range s.Cuts {
		g.Free += c.Takes
	}
	g.Free = round4(math.Max(0, g.Free-s.Share))
	g.Left = round4(math.Max(0, g.Limit-s.Account))
	g.Says = p.speaker.StopLine(g.Limit, s.Account, g.Free, g.Exempt)
	if p.season == limb.Dormant {
		g.Says += p.speaker.FewerShare(s.Share)
	}
	g.Zones = []ZoneBody{}
	for k, z := range s.Zones {
		g.Zones = append(g.Zones, ZoneBody{
			Name: words.Thirds[k], Starts: p.speaker.Amount(math.Round(z.FromCM/10)/10, "m") + " up", FromCM: round1(z.FromCM), ToCM: round1(z.ToCM), Used: round4(z.Used), Slip: round4(z.Slip), Most: round4(z.Most),
			Says: p.speaker.Zone(k, z),
		})
	}
	return g
}

// fruitLine sets the slip against the season's fruit: the same numbers as the fruit's own page.
func (p *slipMade) fruitLine() SlipFruitBody {
	out := SlipFruitBody{BudsLeft: math.Round(p.planner.BudsWithin() - p.slip.BudsWithin), Taken: math.Round(p.slip.BudsWithin)}
	counted := false
	if p.fruit != nil {
		t := p.fruit.plan.Targets
		if t.Available != nil {
			out.Fruit = float64(*t.Available)
		}
		out.Wanted, counted = float64(t.Target), p.fruit.plan.Count != nil || p.fruit.plan.Glance != nil
	}
	out.Says = p.speaker.FruitAgainstCut(out.Fruit, out.Wanted, counted, out.BudsLeft, out.Taken)
	return out
}

func (p *slipMade) levels() []LevelBody {
	out := []LevelBody{}
	if p.options.Level == cut.Formation || p.options.Zones != nil {
		return out
	}
	at := p.planner.AtLevels()
	for _, l := range []cut.Level{cut.Fifth, cut.Quarter, cut.Thirty, cut.Third} {
		s := at[l]
		out = append(out, LevelBody{
			Limit: round4(l.Share()), Account: round4(s.Account), Unsolved: math.Round(100*s.Unsolved) / 100, Cuts: len(s.Cuts), Chosen: l == p.options.Level,
		})
	}
	return out
}

// exposed runs the light again on the cut tree.
func (p *slipMade) exposed() []string {
	out := []string{}
	if len(p.slip.Cuts) == 0 {
		return out
	}
	after, err := cutAll(p.m, p.slip)
	if err != nil {
		return out
	}
	return append(out, cut.Exposed(p.m, p.light, after, p.lightAhead(after))...)
}

func cutAll(m *limb.Map, s *cut.Slip) (*limb.Map, error) {
	var err error
	for k := range s.Cuts {
		if m, err = m.Cut(s.Cuts[k].CutAt); err != nil {
			return nil, err
		}
	}
	return m, nil
}

// overhead says whether a place is above what the orchard's first person reaches from the ground; where nobody was measured none is.
func (p *slipMade) overhead(at limb.Vec) bool {
	return len(p.contents.People) > 0 && p.contents.People[0].FingertipCM > 0 && at.Z > p.contents.People[0].FingertipCM
}

// bodyMarks are the heights on the body of the orchard's first person.
func (p *slipMade) bodyMarks() []walk.Mark {
	if len(p.contents.People) == 0 {
		return nil
	}
	return walk.MarksOf(p.contents.People[0].FingertipCM)
}

// standAt is the bearing at which one stands for a cut: on the side it is, of a flat tree in front of its plane, away from its wall.
func (p *slipMade) standAt(at limb.Vec) float64 {
	if !p.m.Flat() {
		return math.Mod(num.Deg(math.Atan2(at.X, at.Y))+360, 360)
	}
	front := math.Mod(training.PlaneOf(p.m)+90, 360)
	if wall := p.scaffoldLimits().WallDeg; wall != nil && num.Apart(front, *wall) < 90 {
		front = math.Mod(front+180, 360)
	}
	return front
}

// spot is a cut that could be made on a limb, as the bench shows it.
func (p *slipMade) spot(i int, c cut.Candidate) SpotBody {
	at := p.m.At(i, math.Max(0, c.AtCM))
	w := p.speaker.Step(&cut.Step{Candidate: c}, at, p.topBud(c.CutAt), string(c.Tool), true, 0)
	return SpotBody{
		Cut: c.CutAt, Title: w.Title, Where: w.Where, Bud: w.Bud, Share: round4(c.Share), Score: c.Score, DMM: c.DMM, Buds: round1(c.BudsWithin),
		HeightCM: round1(at.Z), GainCM: round1(c.GainCM),
	}
}
