// Package days gives every job of a year a day: within the hours a person has, in its window, in weather that suits it. It is pure and
// deterministic: the day shown, the hours and the sky are arguments. What does not fit is dropped, least harm first, with the least more
// time that would hold it. Times are minutes.
package days

import (
	"cmp"
	"slices"

	"vertumna/core/almanac"
	"vertumna/core/year"
)

// Kit is what a person carries out for a job.
type Kit string

// The kits.
const (
	Blades  Kit = "blades"  // shears, loppers, saw
	Ties    Kit = "ties"    // ties, spreaders, stakes, wires
	Fingers Kit = "fingers" // fruit: thinning, bagging, picking
	Eyes    Kit = "eyes"    // looking and measuring: goes with every kit
	Ground  Kit = "ground"  // paint, mulch, water
)

// kits by kind of task; cuts carry blades, all else the eyes.
var kits = map[year.TaskKind]Kit{
	year.Notching: Blades, year.Sprouts: Blades, year.SproutVisit: Blades, year.ChooseShoot: Blades, year.GraftWood: Blades, year.Graft: Blades, year.Tools: Blades,
	year.Bend: Ties, year.CheckTies: Ties, year.TakeOff: Ties, year.TieArms: Ties, year.ReleaseTest: Ties, year.GiveStake: Ties, year.GiveWires: Ties, year.Prop: Ties,
	year.Thin: Fingers, year.SecondLook: Fingers, year.Bag: Fingers, year.Unbag: Fingers, year.HarvestTask: Fingers, year.StripFruit: Fingers, year.LeavesOff: Fingers, year.CountSet: Fingers,
	year.Paint: Ground, year.YoungCare: Ground, year.GiveMulch: Ground, year.Repot: Ground,
}

func kitOf(k year.TaskKind) Kit {
	if f, ok := k.Facts(); ok && f.Cut {
		return Blades
	}
	return cmp.Or(kits[k], Eyes)
}

// Span is a stretch of days, both ends included.
type Span struct{ From, To almanac.Day }

// Hours are what people have for their trees.
type Hours struct {
	Week [7]float64 // hours by weekday, Sunday first
	Away []Span     // days kept free of work
}

// Of a person who said nothing of hours; our own estimate, and the answer says so.
var takenHours = [7]float64{2, 0, 0, 0, 0, 0, 2}

// Said tells whether any hours were given.
func (h Hours) Said() bool { return h.Week != [7]float64{} }

// On is how many minutes there are on a day.
func (h Hours) On(d almanac.Day) int {
	for _, a := range h.Away {
		if d >= a.From && d <= a.To {
			return 0
		}
	}
	week := h.Week
	if !h.Said() {
		week = takenHours
	}
	return int(60 * week[d.Weekday()])
}

// Job is a task that wants a day.
type Job struct {
	ID            string
	Tree          string // empty: the orchard's own
	Code          string // of the tree
	Kind          year.TaskKind
	Harm          int // if it is missed, 0 none to 3
	Minutes       int
	Opens, Closes almanac.Day
	Grades        []year.Grade
	Work          Work
	Kit           Kit
	Sick          bool
	Pin           almanac.Day // the day a person set; NoDay: none
}

// JobsOf are the jobs of plans that still want a day: not settled, not missed, not held. pins are days a person set, by task; sick names the
// trees that are worked on last.
func JobsOf(plans []*year.Plan, pins map[string]almanac.Day, sick map[string]bool) (jobs []Job, waiting []*year.Task) {
	add := func(t *year.Task, tree *year.Tree, shown almanac.Day) {
		opens := t.Window.Opens.Day
		switch t.State {
		case year.Opens, year.Open, year.Closing, year.IsPart:
		case year.Waits:
			if until, known := heldUntil(t); known && until <= t.Window.Closes.Day {
				opens = max(opens, until)
				break
			}
			if t.Window.Closes.Day >= shown {
				waiting = append(waiting, t)
			}
			return
		default:
			return
		}
		if t.Window.Closes.Day < shown || t.Minutes <= 0 {
			return
		}
		facts, _ := t.Kind.Facts()
		j := Job{
			ID: t.ID, Tree: t.Tree, Kind: t.Kind, Harm: facts.Harm, Minutes: max(1, int(t.Minutes+0.5)), Opens: opens, Closes: t.Window.Closes.Day,
			Grades: t.Window.Grades, Kit: kitOf(t.Kind), Work: workOf(t, tree), Pin: almanac.NoDay, Sick: sick[t.Tree],
		}
		if tree != nil {
			j.Code = tree.Code
		}
		if d, ok := pins[t.ID]; ok {
			j.Pin = d
		}
		jobs = append(jobs, j)
	}
	for _, p := range plans {
		for i := range p.Trees {
			tp := &p.Trees[i]
			for k := range tp.Tasks {
				add(&tp.Tasks[k], tp.Tree, p.Shown)
			}
		}
		for i := range p.Orchard {
			add(&p.Orchard[i], nil, p.Shown)
		}
	}
	return jobs, waiting
}

// heldUntil is the last day that a waiting task is held to; not known where something other than a date holds it.
func heldUntil(t *year.Task) (almanac.Day, bool) {
	until := almanac.NoDay
	for _, h := range t.Held {
		if !h.Day.Known() || h.Rule == "thinning-first" {
			return almanac.NoDay, false
		}
		until = max(until, h.Day)
	}
	return until, len(t.Held) > 0
}

// levelOn is how good a day is for a job by its window.
func (j *Job) levelOn(d almanac.Day) year.Grade {
	for _, g := range j.Grades {
		if (!g.From.Known() || d >= g.From) && (!g.To.Known() || d <= g.To) {
			return g
		}
	}
	return year.Grade{From: d, To: d, Level: year.Possible, Reason: "outside-window"}
}

// Piece is a job, or a part of it, on a day.
type Piece struct {
	Date    almanac.Day
	Minutes int
}

// Why tells how a day was chosen.
type Why struct {
	Level    year.Level // of the day in the window
	Forecast bool       // the day is fit by the forecast; else by the weather that is usual
	Chance   float64    // of a fit day, where no forecast reaches; 1 where any weather suits
	Passed   []Passed   // the person's days before it in the window, and why they were passed over
	Pinned   bool       // the person set it
	Moved    string     // why the day a person set does not stand
	Beside   int        // other jobs of its kit on that day
}

// Passed is a day that was passed over, and why: "harmful", "forbidden", "full", or a reason of the weather.
type Passed struct {
	Date almanac.Day
	Why  string
}

// Chosen is a job with its days.
type Chosen struct {
	Job    *Job
	Pieces []Piece
	Why    Why
}

// Room is the least more time that would hold what was dropped.
type Room struct {
	Date    almanac.Day
	Minutes int
}

// Dropped is a job, or a rest of one, that does not fit.
type Dropped struct {
	Job  *Job
	Left int    // minutes that have no day
	Why  string // "full", "no-day" of the person's in the window, "no-fit-day" by the forecast
	Room *Room  // nil: no day of its window is fit
}

// DayOf is a day of the plan: its hours, what was chosen and what the weather takes.
type DayOf struct {
	Date   almanac.Day
	Has    int // minutes the person has
	Chosen int
	Lost   bool // no open job is fit to be done on it, by the forecast
}

// Plan is every job with its days.
type Plan struct {
	Shown   almanac.Day
	Said    bool // hours were given
	Days    []DayOf
	Chosen  []Chosen  // in the order of the days; healthy trees before sick ones, a kit at a time
	Dropped []Dropped // least harm first
}

// On lists what is chosen for a day, in the order of the work.
func (p *Plan) On(d almanac.Day) (out []Chosen) {
	for _, c := range p.Chosen {
		for _, piece := range c.Pieces {
			if piece.Date == d {
				out = append(out, c)
			}
		}
	}
	return out
}

// Find gives a job's days and whether it has any.
func (p *Plan) Find(id string) (Chosen, bool) {
	i := slices.IndexFunc(p.Chosen, func(c Chosen) bool { return c.Job.ID == id })
	if i < 0 {
		return Chosen{}, false
	}
	return p.Chosen[i], true
}
