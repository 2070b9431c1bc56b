package year

import (
	"fmt"
	"math"
	"slices"
	"sort"

	"vertumna/core/almanac"
	"vertumna/core/pomology"
	"vertumna/core/training"
)

// TreePlan is the year of one tree on the day shown.
type TreePlan struct {
	Tree     *Tree
	Age      int // growing seasons begun; 99 when planting is unknown
	Aim      AimVerdict
	School   pomology.Resolved
	Anchors  *Anchors
	Stage    string // the stage the tree stands at: a stage's name or "dormant"
	Tasks    []Task
	Account  *Account
	ReachM   float64
	Picked   almanac.Day // when the season's fruit was taken off for good; NoDay while some hangs
	InLeaf   LeafCut     // whether live wood is cut in leaf this year
	Company  *pomology.CompanyVerdict
	Way      *training.Way  // of a tree that is formed; nil for a grown one
	Young    training.Young // what it was made from
	Rigs     []Clocked      // devices on it
	Warnings []Reason
}

// Plan is a yard's season as it stands on the day shown.
type Plan struct {
	Season   int
	Shown    almanac.Day
	From, To almanac.Day // of the rail
	Summer   almanac.Day
	Winter   almanac.Day
	Trees    []TreePlan
	Orchard  []Task // the orchard's own jobs
}

// Make plans a season of a yard for a day shown from the site's ensemble of that season. Only entries dated up to the
// day shown count. Errors: those of the stage model and of the school.
func Make(y *Yard, e *almanac.Ensemble, shown almanac.Day) (*Plan, error) {
	south := y.Place.Site.South()
	p := &Plan{Season: e.Season, Shown: shown}
	p.From, p.To = Rail(e.Season, south)
	var err error
	if p.Summer, p.Winter, err = Solstices(y.Place.Site, e.Season); err != nil {
		return nil, err
	}
	entries := upTo(y.Entries, shown)
	byTree := map[string][]Entry{}
	for _, e := range entries {
		byTree[e.Tree] = append(byTree[e.Tree], e)
		if e.Tree == "" && e.Kind == FrostEntry { // a frost night of the plot is every tree's
			for i := range y.Trees {
				byTree[y.Trees[i].ID] = append(byTree[y.Trees[i].ID], e)
			}
		}
	}
	pace := learnPace(y, shown)
	for i := range y.Trees {
		t := &y.Trees[i]
		if t.Elsewhere || !t.standsOn(shown) {
			continue
		}
		t = t.withGuess(e.Season, south)
		tp, err := planTree(y, e, t, byTree[t.ID], shown, pace)
		if err != nil {
			return nil, fmt.Errorf("tree %s: %w", t.Code, err)
		}
		p.Trees = append(p.Trees, tp)
	}
	if err := addCompany(y, e, p, byTree); err != nil {
		return nil, err
	}
	p.Orchard = orchardTasks(y, entries, e.Season, shown, pace)
	return p, nil
}

// upTo are the entries dated up to a day, in the order of their dates.
func upTo(all []Entry, shown almanac.Day) []Entry {
	out := make([]Entry, 0, len(all))
	for _, e := range all {
		if e.Date <= shown {
			out = append(out, e)
		}
	}
	byDate := func(a, b Entry) int { return int(a.Date - b.Date) }
	if !slices.IsSortedFunc(out, byDate) {
		slices.SortStableFunc(out, byDate)
	}
	return out
}

func planTree(y *Yard, e *almanac.Ensemble, t *Tree, entries []Entry, shown almanac.Day, pace float64) (TreePlan, error) {
	c, err := newContext(y, e, t, entries, shown)
	if err != nil {
		return TreePlan{}, err
	}
	tp := TreePlan{Tree: t, Age: c.age, Aim: c.aim, School: c.school, Anchors: c.a, Account: c.account, ReachM: c.reachM, Picked: c.picked(), InLeaf: c.inLeaf, Way: c.formation, Rigs: c.rigs}
	if c.formation != nil {
		tp.Young = c.young()
	}
	tp.Stage = stageOn(c.a, shown)
	var all []draft
	for _, r := range rules {
		all = append(all, r(c)...)
	}
	for _, o := range y.Own {
		if o.Tree == t.ID {
			all = append(all, ownDrafts(o, e.Season, c.south, c.a, entries)...)
		}
	}
	for _, d := range all {
		if !d.opens.Day.Known() || !d.closes.Day.Known() {
			continue
		}
		if task := c.task(d, shown, pace); !c.cameTooLate(&task) {
			tp.Tasks = append(tp.Tasks, task)
		}
	}
	tp.Warnings = c.warnings()
	handOn(tp.Tasks)
	partShoots(tp.Tasks)
	compareSchools(y, c, tp.Tasks)
	sort.SliceStable(tp.Tasks, func(i, j int) bool {
		return tp.Tasks[i].Window.Opens.Day < tp.Tasks[j].Window.Opens.Day
	})
	return tp, nil
}

func newContext(y *Yard, e *almanac.Ensemble, t *Tree, entries []Entry, shown almanac.Day) (*context, error) {
	south := y.Place.Site.South()
	school, err := y.School.Resolve(y.Place.Climate.WetWinter(), t.Own)
	if err != nil {
		return nil, err
	}
	a, err := anchorsFor(y, e, t, entries)
	if err != nil {
		return nil, err
	}
	c := &context{yard: y, tree: t, a: a, school: school, season: e.Season, south: south, entries: entries, shown: shown}
	c.age = t.AgeIn(e.Season, south)
	c.aim = AimOf(t, e.Season, south, school)
	c.reachM = y.ReachM(t, school)
	c.account = accountFor(t, a, entries, school, c.age, e.Season)
	c.account.Carried = c.carried()
	c.formation, c.rigs = c.way(), c.clocked()
	c.inLeaf = c.leafCut()
	return c, nil
}

// task turns a draft into a task with its state and group on the day shown.
func (c *context) task(d draft, shown almanac.Day, pace float64) Task {
	facts := taskFacts[d.kind]
	t := Task{
		ID: taskID(c.tree.ID, d, c.season), Tree: c.tree.ID, Kind: d.kind, Title: d.title, Season: c.season,
		Mark: facts.Mark, Window: Window{d.opens, d.closes, d.grades}, Reasons: d.reasons, Held: d.held,
		Cautions: d.cautions, Share: d.share, Minutes: d.minutes, Step: d.step,
	}
	t.takes(c.tree.Amount.Of(d.kind, c.season))
	if t.Minutes == 0 {
		t.Minutes, t.MinutesEstimated = c.minutes(d.kind)*pace, true
	}
	if facts.Cut && facts.Mark == WinterMark && c.group() == pomology.Stone && d.kind == DormantCut {
		t.Mark = BloomMark
	}
	if facts.Cut && d.share == 0 && t.Share == 0 && d.kind != CarriedCut && d.kind != PlantingCut && d.kind != Scaffolds {
		t.Reasons = append(t.Reasons, reason("dead-wood-only").num(c.account.Limit, "share"))
	}
	if facts.Cut && c.account.Reached() {
		t.Held = append(t.Held, reason("limit-reached").num(c.account.Removed, "share").over(c.account.Limit))
	}
	for _, e := range c.entries {
		if e.matches(&t) {
			t.Entries = append(t.Entries, e)
		}
		if e.Kind == TroubleEntry && e.Task == t.Kind {
			t.Trouble = e.Reason
		}
	}
	if len(t.Window.Grades) == 0 {
		t.Window.Grades = plainGrades(d)
	}
	if r, ok := t.Window.uncertain(); ok {
		t.Reasons = append(t.Reasons, r)
	}
	t.settle(shown, taskFacts[t.Kind].WantsFruit && c.picked().Known())
	return t
}

// TroubleEntry records that a job did not go as meant, with its cause in Reason.
const TroubleEntry EntryKind = "trouble"

// taskID is stable from one planning to the next: owner, kind, season, and what tells like tasks apart.
func taskID(owner string, d draft, season int) string {
	id := fmt.Sprintf("%s.%s.%d", owner, d.kind, season)
	if d.key != "" {
		id += "." + d.key
	}
	if d.n > 0 {
		id += fmt.Sprintf(".%d", d.n)
	}
	return id
}

// matches says whether an entry was logged for a task: by its id, or by kind and season.
func (e Entry) matches(t *Task) bool {
	if e.Kind != WorkEntry {
		return false
	}
	if e.TaskID != "" {
		return e.TaskID == t.ID
	}
	return e.Task == t.Kind && e.Season == t.Season
}

func plainGrades(d draft) []Grade {
	return []Grade{
		{open, shift(d.opens.Day, -1), Possible, "before-its-time"},
		{d.opens.Day, d.closes.Day, Better, "in-its-window"},
		{shift(d.closes.Day, 1), open, Possible, "after-its-time"},
	}
}

// A top this little over reach is taken back in passing (our estimates).
const (
	aHandM       = 0.10
	aHandMinutes = 5
)

// minutes estimates a job without a slip: 10 + 8 x height m x spread m for cuts (year.md#the-account), else the kind's own.
func (c *context) minutes(kind TaskKind) float64 {
	if !taskFacts[kind].Cut {
		return taskFacts[kind].Minutes
	}
	if kind == HeightCut || kind == AutumnHeight { // a hand over reach is no hour's work
		if h, _, known := c.height(); known && h-c.reachM <= aHandM {
			return aHandMinutes
		}
	}
	h, s := c.tree.HeightM, c.tree.SpreadM
	size, _, _ := c.tree.Kind.SizeFor(c.tree.Class)
	if h == 0 {
		h = min(size.HeightM, c.reachM)
	}
	if s == 0 {
		s = size.SpreadM * 0.75
	}
	return 10 + 8*h*s
}

// stageOn is the latest stage a tree has passed by a day; until the leaf fall before its season it is still in leaf.
func stageOn(a *Anchors, shown almanac.Day) string {
	if fall := a.Day(LeafFallBefore); fall.Known() && shown < fall {
		return InLeaf
	}
	best, name := almanac.NoDay, "dormant"
	for _, s := range almanac.AllStages() {
		d := a.Day(s.String())
		if d.Known() && d <= shown && d >= best {
			best, name = d, s.String()
		}
	}
	if name == almanac.LeafFall.String() {
		return "dormant"
	}
	return name
}

// warnings are what a tree's plan must say beside its tasks.
func (c *context) warnings() (out []Reason) {
	k := c.tree.Kind
	switch k.LowTree {
	case pomology.DoesNotSuit:
		out = append(out, reason("not-for-low-tree").said(k.LowTreeNote))
	case pomology.SuitsCare:
		out = append(out, reason("low-tree-with-care").said(k.LowTreeNote))
	}
	if c.tree.Form != "" && !k.Takes(c.tree.Form) {
		out = append(out, reason("form-unusual").said(string(c.tree.Form)).by("", string(k.Forms[0])))
	}
	if c.tooSmall() {
		out = append(out, reason("small-first").num(trainFromM[k.Slug], "m"))
	}
	switch g := c.tree.Guess; {
	case g.Rule == "":
	case g.Class == "":
		out = append(out, reason("class-unknown"))
	default:
		out = append(out, reason("class-guessed").said(string(g.Class)).by("", g.Rule))
	}
	switch c.a.ChillStatus {
	case "short":
		out = append(out, c.chillReason("chill-short"))
	case "unmet":
		out = append(out, c.chillReason("chill-unmet"))
	case "met":
		if c.a.Chill.Thin() {
			r := c.chillReason("chill-thin")
			r.Number = math.Round(c.a.Chill.Little)
			out = append(out, r)
		}
	}
	if c.a.Doubt != "" {
		out = append(out, reason(c.a.Doubt))
	}
	if !c.a.Day(almanac.HarvestStart.String()).Known() && c.a.Day(almanac.FullBloom.String()).Known() {
		out = append(out, reason("does-not-ripen"))
	}
	if n := pomology.ExtraSummerCuts(c.tree.Class); n > 0 {
		out = append(out, reason("strong-stock-costs").num(float64(n), "cuts").said(string(c.tree.Class)))
	}
	if locked := c.locked(); locked > 0 {
		out = append(out, reason("tied-limb-locked").num(float64(locked), "devices"))
	}
	if n := c.unloggedWinters(); n >= tellUnlogged {
		out = append(out, reason("unlogged-winters").num(float64(n), "winters"))
	}
	return append(append(out, c.wetWarnings()...), c.unfitChoices()...)
}

// tellUnlogged winters without a cut are told of (our estimate); no more than mostUnlogged are counted.
const (
	tellUnlogged = 3
	mostUnlogged = 10
)

// unloggedWinters are the winters before this one, back to the last cut of live wood that was logged, of a tree that was grown by then.
func (c *context) unloggedWinters() int {
	first := c.season - mostUnlogged
	if c.tree.Planted.Known() {
		first = max(first, SeasonOf(c.tree.Planted, c.south)+formationYears)
	}
	for _, e := range c.entries {
		if e.Kind == WorkEntry && isCut(e.Task) && !e.FreeOnly && e.Outcome != Left {
			first = max(first, e.Season)
		}
	}
	return max(0, c.season-1-first)
}

// chillReason tells what the winter gathers against what the tree wants, in chill portions.
func (c *context) chillReason(rule string) Reason {
	return reason(rule).num(math.Round(c.a.Chill.Got), "").over(math.Round(c.a.Chill.Need))
}

// unfitChoices says which values in force do not fit the site.
func (c *context) unfitChoices() (out []Reason) {
	classes := c.yard.Place.Climate.Slugs()
	for _, choice := range pomology.Choices() {
		if !concerns(choice.Key, c.group()) {
			continue
		}
		_, v, err := pomology.Find(choice.Key, c.school.Value(choice.Key))
		if err != nil || c.school.Origin(choice.Key) == pomology.FromDefault {
			continue
		}
		for _, unfit := range v.Unfit {
			for _, class := range classes {
				if unfit == class {
					out = append(out, reason("choice-unfit").by(choice.Key, v.Slug).said(class))
				}
			}
		}
	}
	return out
}

// concerns tells whether a choice matters to a group of kinds.
func concerns(key string, g pomology.Group) bool {
	switch key {
	case "pome_cut", "summer_pome", "thin_pome":
		return g == pomology.Pome
	case "stone_cut", "thin_stone":
		return g == pomology.Stone
	}
	return true
}
