package year

import (
	"slices"

	"vertumna/core/almanac"
	"vertumna/core/training"
)

// TaskKind names a kind of task of the year.
type TaskKind string

// The kinds of task that need no limb map.
const (
	StandBack     TaskKind = "stand-back"
	HealthLook    TaskKind = "health-look"
	DormantCut    TaskKind = "dormant-cut"
	SummerCut     TaskKind = "summer-cut"
	RestrainCut   TaskKind = "restraining-cut"
	HeightCut     TaskKind = "height-cut"
	SummerShoots  TaskKind = "summer-shoots"
	Sprouts       TaskKind = "sprouts"
	SproutVisit   TaskKind = "sprout-visit"
	AutumnHeight  TaskKind = "autumn-height-cut"
	PlantingCut   TaskKind = "planting-cut"
	Scaffolds     TaskKind = "scaffold-choice"
	Notching      TaskKind = "notching"
	NotchLook     TaskKind = "notch-look"
	ChooseShoot   TaskKind = "choose-shoot"
	Bend          TaskKind = "bend"
	CheckTies     TaskKind = "check-ties"
	TakeOff       TaskKind = "take-off"
	FrostCount    TaskKind = "frost-count"
	CountSet      TaskKind = "count-set"
	Thin          TaskKind = "thin"
	SecondLook    TaskKind = "second-look"
	Bag           TaskKind = "bag"
	Unbag         TaskKind = "unbag"
	Prop          TaskKind = "prop"
	LeavesOff     TaskKind = "leaves-off"
	HarvestTask   TaskKind = "harvest"
	Graft         TaskKind = "graft"
	GraftLook     TaskKind = "graft-look"
	CarriedCut    TaskKind = "carried-limbs"
	LimbDue       TaskKind = "limb-due"
	GraftWood     TaskKind = "graft-wood"
	Paint         TaskKind = "paint"
	YoungCare     TaskKind = "young-care"
	MeasureHeight TaskKind = "measure-height"
	Tools         TaskKind = "tools"
	GiveStake     TaskKind = "give-stake"
	GiveMulch     TaskKind = "give-mulch"
	GiveWires     TaskKind = "give-wires"
	Repot         TaskKind = "repot"
	StripFruit    TaskKind = "strip-fruit"
	StoredLook    TaskKind = "stored-look"
	FrameCut      TaskKind = "frame-cut"
	FrameSummer   TaskKind = "frame-summer"
	TieArms       TaskKind = "tie-arms"
	ReleaseTest   TaskKind = "release-test"
	OwnJob        TaskKind = "own"
)

// Mark is the pattern a task's window is drawn with.
type Mark string

// Marks of the year ring and the year chart.
const (
	WinterMark Mark = "winter"
	BloomMark  Mark = "bloom"
	SummerMark Mark = "summer"
	ThinMark   Mark = "thin"
	PickMark   Mark = "pick"
	CareMark   Mark = "care"
)

// Marks lists the marks.
func Marks() []Mark {
	return []Mark{WinterMark, BloomMark, SummerMark, ThinMark, PickMark, CareMark}
}

// mostHarm: what is lost when the job is missed is lost for good.
const mostHarm = 3

// TaskFacts is what is fixed for a kind of task.
type TaskFacts struct {
	Cut     bool    // takes live wood; its amount follows the size of the tree
	Mark    Mark    // drawn with; cuts may take another by the day they fall on
	Minutes float64 // for what is not a cut; our estimates
	Instead string  // slug of what to do when it was missed
	Harm    int     // harm if missed, 0 none to 3; orders what is dropped
}

// taskFacts: minutes are our estimates until a person's own pace is known.
var taskFacts = map[TaskKind]TaskFacts{
	StandBack:     {false, CareMark, 5, "next-visit", 0},
	HealthLook:    {false, CareMark, 5, "winter-signs", 1},
	DormantCut:    {true, WinterMark, 0, "summer-instead", 2},
	SummerCut:     {true, SummerMark, 0, "next-dry-summer", 3},
	RestrainCut:   {true, SummerMark, 0, "solstice-instead", 1},
	HeightCut:     {true, SummerMark, 0, "winter-reduction", 2},
	SummerShoots:  {true, SummerMark, 0, "spur-in-winter", 1},
	Sprouts:       {false, CareMark, 10, "cut-in-winter", 1},
	SproutVisit:   {false, CareMark, 10, "cut-in-winter", 1},
	AutumnHeight:  {true, SummerMark, 0, "next-solstice", 1},
	PlantingCut:   {true, WinterMark, 0, "next-winter", 2},
	Scaffolds:     {true, WinterMark, 0, "choose-in-summer", 2},
	Notching:      {false, WinterMark, 10, "next-spring", 1},
	NotchLook:     {false, CareMark, 5, "look-in-winter", 0},
	ChooseShoot:   {false, CareMark, 10, "choose-in-winter", 1},
	Bend:          {false, CareMark, 20, "next-bending", 1},
	CheckTies:     {false, CareMark, 5, "check-today", 3},
	TakeOff:       {false, CareMark, 10, "take-off-today", 3},
	FrostCount:    {false, CareMark, 15, "count-at-set", 1},
	CountSet:      {false, ThinMark, 10, "count-when-thinning", 0},
	Thin:          {false, ThinMark, 45, "thin-still", 3},
	Bag:           {false, ThinMark, 30, "no-bags", 1},
	SecondLook:    {false, ThinMark, 10, "look-when-picking", 1},
	Unbag:         {false, PickMark, 20, "unbag-still", 1},
	Prop:          {false, ThinMark, 15, "prop-still", 3},
	LeavesOff:     {false, PickMark, 10, "leave-leaves", 0},
	HarvestTask:   {false, PickMark, 40, "pick-what-hangs", 2},
	Graft:         {false, CareMark, 30, "next-graft-season", 1},
	CarriedCut:    {true, WinterMark, 0, "next-slip", 1},
	LimbDue:       {false, CareMark, 5, "decide-still", 1},
	GraftLook:     {false, CareMark, 5, "look-anyway", 0},
	GraftWood:     {false, WinterMark, 15, "no-graft-wood", 1},
	Paint:         {false, CareMark, 15, "paint-still", 1},
	YoungCare:     {false, CareMark, 20, "care-still", 2},
	MeasureHeight: {false, CareMark, 3, "measure-still", 0},
	Tools:         {false, CareMark, 30, "sharpen-still", 0},
	GiveStake:     {false, CareMark, 30, "stake-still", 2},
	GiveMulch:     {false, CareMark, 15, "mulch-still", 1},
	GiveWires:     {false, CareMark, 120, "wires-still", 1},
	Repot:         {false, CareMark, 60, "repot-winter", 1},
	StoredLook:    {false, CareMark, 5, "look-anyway", 1},
	StripFruit:    {false, ThinMark, 10, "strip-still", 1},
	FrameCut:      {true, WinterMark, 15, "frame-later", 2},
	FrameSummer:   {true, SummerMark, 10, "frame-next", 1},
	TieArms:       {false, CareMark, 30, "tie-later", 2},
	ReleaseTest:   {false, CareMark, 10, "test-still", 1},
	OwnJob:        {false, CareMark, 15, "own-still", 0},
}

// Facts returns what is fixed for a kind of task; ok is false for an unknown kind.
func (k TaskKind) Facts() (TaskFacts, bool) {
	f, ok := taskFacts[k]
	return f, ok
}

// Optional says that nothing is lost when the job is left. The look before a cut is none of these, nor is a job of one's own.
func (k TaskKind) Optional() bool { return taskFacts[k].Harm == 0 && k != StandBack && k != OwnJob }

// Level grades a day for a job.
type Level string

// The levels, best first.
const (
	Better    Level = "better"
	Possible  Level = "possible"
	Harmful   Level = "harmful"
	Forbidden Level = "forbidden"
)

// Levels lists the levels, best first.
func Levels() []Level { return []Level{Better, Possible, Harmful, Forbidden} }

// Grade is a stretch of days, both ends included, with its level and the slug of the reason.
type Grade struct {
	From, To almanac.Day
	Level    Level
	Reason   string
}

// Bound is one side of a window: an anchor of the tree or the site moved by whole days. Early and Late carry the
// ensemble's span; they equal Day when the anchor is seen or computed. Day is NoDay when the anchor is not reached.
type Bound struct {
	Day, Early, Late almanac.Day
	Anchor           string
	OffsetDays       int
	Source           string // "predicted", "observed", "computed", "logged"
}

// Window of a task, both days included.
type Window struct {
	Opens, Closes Bound
	Grades        []Grade
}

// uncertain: the window is shorter than the days its forecast spans.
func (w Window) uncertain() (Reason, bool) {
	length := w.Closes.Day - w.Opens.Day + 1
	span := max(w.Opens.Late-w.Opens.Early, w.Closes.Late-w.Closes.Early) + 1
	if span <= length || !w.Opens.Early.Known() || !w.Closes.Early.Known() || !w.Opens.Late.Known() || !w.Closes.Late.Known() {
		return Reason{}, false
	}
	return reason("days-uncertain").num(float64(length), "days").over(float64(span)), true
}

// Reason is one line of evidence: which rule, on which anchor or choice, with which number against which threshold.
type Reason struct {
	Rule      string
	Anchor    string
	Day       almanac.Day // NoDay when the rule has none
	Number    float64
	Threshold float64
	Unit      string
	Choice    string // key of the school's choice behind it
	Value     string
	Text      string // what a person wrote
	Limb      CarriedLimb
	Step      *training.Step // of formation
	Rig       *Clocked       // a device
}

func reason(rule string) Reason { return Reason{Rule: rule, Day: almanac.NoDay} }

func (r Reason) on(anchor string, d almanac.Day) Reason { r.Anchor, r.Day = anchor, d; return r }
func (r Reason) num(n float64, unit string) Reason      { r.Number, r.Unit = n, unit; return r }
func (r Reason) over(threshold float64) Reason          { r.Threshold = threshold; return r }
func (r Reason) by(choice, value string) Reason         { r.Choice, r.Value = choice, value; return r }
func (r Reason) said(text string) Reason                { r.Text = text; return r }

// State of a task on the day shown.
type State string

// The states.
const (
	Opens    State = "opens"
	Open     State = "open"
	Closing  State = "closing"
	Waits    State = "waits"
	IsDone   State = "done"
	IsPart   State = "part"
	IsLooked State = "looked-nothing-needed"
	IsLeft   State = "left"
	Missed   State = "missed"
)

// States lists the states.
func States() []State {
	return []State{Opens, Open, Closing, Waits, IsDone, IsPart, IsLooked, IsLeft, Missed}
}

// Group of the docket; empty when the task stands on the Year screen only.
type Group string

// The groups of the docket.
const (
	DoNow       Group = "now"
	ClosingSoon Group = "closing"
	OpeningSoon Group = "opening"
	Wait        Group = "wait"
	Anytime     Group = "anytime" // open for weeks yet, and nothing is lost by waiting
)

// Groups lists the groups.
func Groups() []Group { return []Group{DoNow, ClosingSoon, OpeningSoon, Wait, Anytime} }

// Days that make a window closing or opening soon.
const (
	ClosingDays = 14
	OpeningDays = 21
)

// Task is one job on one tree in one season, as it stands on the day shown. Tree is empty for the orchard's own jobs.
type Task struct {
	ID               string
	Tree             string
	Kind             TaskKind
	Title            string // of a person's own task
	Season           int
	Mark             Mark
	Window           Window
	State            State
	Group            Group
	Reasons          []Reason
	Held             []Reason
	Cautions         []string
	Minutes          float64
	MinutesEstimated bool
	Share            float64 // live crown it may take, 0 when it takes none
	Instead          string
	Heir             *Heir // of a missed job: where its work went
	Entries          []Entry
	Others           []Other
	Step             *training.Step // of the tree's formation
	Trouble          string         // what went not as meant last time
	Work             *Work          // what the tree's slip has for it; nil: it is estimated
}

// Heir is the job of the same tree and season that a missed job's work went on to.
type Heir struct {
	Kind  TaskKind
	Mark  Mark
	Opens almanac.Day
}

// Other is what another school would do for the same tree in place of a task; Never when it would not do it.
type Other struct {
	Preset string
	Kind   TaskKind
	Opens  almanac.Day
	Closes almanac.Day
	Never  bool
}

// GradeOn tells how good a day is for the task.
func (t *Task) GradeOn(d almanac.Day) Grade {
	for _, g := range t.Window.Grades {
		if (!g.From.Known() || d >= g.From) && (!g.To.Known() || d <= g.To) {
			return g
		}
	}
	return Grade{d, d, Possible, "outside-window"}
}

// TaskKinds lists the kinds of task by name.
func TaskKinds() []TaskKind {
	out := make([]TaskKind, 0, len(taskFacts))
	for k := range taskFacts {
		out = append(out, k)
	}
	slices.Sort(out)
	return out
}
