package year

import (
	"slices"

	"vertumna/core/almanac"
	"vertumna/core/training"
)

// TaskKind names a kind of task of the year.
type TaskKind string

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

// TaskFacts is what is fixed for a kind of task. Minutes are our estimates until a person's own pace is known.
type TaskFacts struct {
	Cut     bool    // takes live wood; its amount follows the size of the tree
	Mark    Mark    // drawn with; cuts may take another by the day they fall on
	Minutes float64 // for what is not a cut; our estimates
	Instead string  // slug of what to do when it was missed
	Harm    int     // harm if missed, 0 none to 3; orders what is dropped
	// WantsFruit: it is done while fruit hangs, and ends with the picking.
	WantsFruit bool
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
