package orchard

import (
	"context"
	"slices"
	"strings"

	"vertumna/core/almanac"
	"vertumna/core/days"
	"vertumna/core/given"
	"vertumna/core/pomology"
	"vertumna/core/walk"
	"vertumna/core/year"
	"vertumna/store"
	"vertumna/words"
)

// DaysBody is every job that is to come with its day, and what does not fit.
type DaysBody struct {
	Day     almanac.Day   `json:"day" doc:"the day shown"`
	To      almanac.Day   `json:"to"`
	Said    bool          `json:"hours_said" doc:"somebody said what hours they have; else two on each day of the weekend are taken"`
	Says    string        `json:"says" doc:"the work ahead against the hours"`
	Days    []PlanDayBody `json:"days" nullable:"false"`
	Jobs    []ChosenBody  `json:"jobs" nullable:"false" doc:"in the order of the work"`
	Dropped []DroppedBody `json:"dropped" nullable:"false" doc:"least harm first"`
	Waiting []WaitingBody `json:"waiting" nullable:"false"`
	Done    []DoneBody    `json:"done" nullable:"false" doc:"logged in the last week"`
}

// PlanDayBody is a day of the plan.
type PlanDayBody struct {
	Date   almanac.Day `json:"date"`
	Has    int         `json:"has" doc:"minutes there are"`
	Chosen int         `json:"chosen" doc:"minutes of work set on it"`
	Lost   bool        `json:"lost" doc:"the forecast leaves no open job fit to be done on it"`
}

// JobBody is what the days tell of a task.
type JobBody struct {
	TaskID   string      `json:"task_id"`
	TreeID   string      `json:"tree_id,omitempty"`
	Code     string      `json:"code,omitempty"`
	KindName string      `json:"kind_name,omitempty"`
	TreeName string      `json:"tree_name,omitempty"`
	Title    string      `json:"title"`
	Short    string      `json:"short"`
	Mark     year.Mark   `json:"mark"`
	Minutes  int         `json:"minutes"`
	Opens    almanac.Day `json:"opens"`
	Closes   almanac.Day `json:"closes"`
}

// ChosenBody is a job with its days.
type ChosenBody struct {
	JobBody
	Pieces []PieceBody `json:"pieces" nullable:"false"`
	Pinned bool        `json:"set" doc:"a person set the day"`
	Says   string      `json:"says" doc:"why this day"`
}

// PieceBody is a job, or a part of it, on a day.
type PieceBody struct {
	Date    almanac.Day `json:"date"`
	Minutes int         `json:"minutes"`
}

// DroppedBody is a job, or a rest of one, that does not fit.
type DroppedBody struct {
	JobBody
	Left  int          `json:"left" doc:"minutes without a day"`
	Why   string       `json:"why"`
	Costs string       `json:"costs"`
	Room  *PieceBody   `json:"room,omitempty" doc:"the least more time that would hold it"`
	Says  string       `json:"room_says,omitempty"`
	Fits  *almanac.Day `json:"fits,omitempty" doc:"the day it could be set on"`
}

// WaitingBody is a job that has no day because something else comes first.
type WaitingBody struct {
	JobBody
	Says string `json:"says"`
}

// DoneBody is a job that was logged.
type DoneBody struct {
	TaskID  string      `json:"task_id"`
	TreeID  string      `json:"tree_id,omitempty"`
	Title   string      `json:"title"`
	Date    almanac.Day `json:"date"`
	Minutes int         `json:"minutes"`
}

// DayCostBody is a day a job could be moved to, with what that costs.
type DayCostBody struct {
	Date    almanac.Day `json:"date"`
	Level   year.Level  `json:"level"`
	Open    bool        `json:"open" doc:"it may be set"`
	Tree    string      `json:"tree" doc:"what it is to the tree"`
	Weather string      `json:"weather"`
	Time    string      `json:"time"`
}

// hoursOf are the hours of an orchard's people together.
func hoursOf(people []store.Person) (h days.Hours) {
	for _, p := range people {
		for i, x := range p.HoursAWeek {
			h.Week[i] += x
		}
	}
	for _, p := range people {
		if len(people) > 1 && p.HoursAWeek == [7]float64{} {
			continue
		}
		for _, a := range p.Away {
			h.Away = append(h.Away, days.Span{From: a.From, To: a.To})
		}
	}
	return h
}

// skyAhead is the forecast from the day shown on; empty where none reaches it.
func (p *Planned) skyAhead() days.Sky {
	out := days.Sky{Site: p.Yard.Place.Site}
	if p.Contents.Sky == nil {
		return out
	}
	i := slices.IndexFunc(p.Contents.Sky.Forecast, func(f almanac.ForecastDay) bool { return f.Date == p.Shown.Shown })
	if i >= 0 {
		out.Forecast = p.Contents.Sky.Forecast[i:]
	}
	return out
}

// chooseDays gives every job of a plan its day.
func (k *Keeper) chooseDays(ctx context.Context, p *Planned, day almanac.Day) error {
	sick, err := k.sickTrees(ctx, p, day)
	if err != nil {
		return err
	}
	jobs, waiting := days.JobsOf(p.Plans, p.Contents.Set, sick)
	to := p.Shown.To
	for _, pl := range p.Plans {
		to = max(to, pl.To)
	}
	p.waiting = waiting
	p.Days, err = days.Make(jobs, hoursOf(p.Contents.People), p.skyAhead(), day, to)
	return err
}

// sickTrees are the trees that carry what a blade hands on.
func (k *Keeper) sickTrees(ctx context.Context, p *Planned, day almanac.Day) (map[string]bool, error) {
	marks, err := k.store.MapsAsOf(ctx, p.Contents.Orchard.ID, day)
	if err != nil {
		return nil, err
	}
	out := map[string]bool{}
	for i := range p.Shown.Trees {
		tp := &p.Shown.Trees[i]
		out[tp.Tree.ID] = k.healthOf(ctx, p, tp, marks[tp.Tree.ID], day) != walk.Clean
	}
	return out, nil
}

// taskOf finds a task of the plans by its id.
func (p *Planned) taskOf(id string) *year.Task {
	for _, pl := range p.Plans {
		for i := range pl.Trees {
			for k := range pl.Trees[i].Tasks {
				if t := &pl.Trees[i].Tasks[k]; t.ID == id {
					return t
				}
			}
		}
		for i := range pl.Orchard {
			if t := &pl.Orchard[i]; t.ID == id {
				return t
			}
		}
	}
	return nil
}

func (p *Planned) jobBody(t *year.Task) JobBody {
	out := JobBody{TaskID: t.ID, TreeID: t.Tree, Title: p.Speaker.Title(t), Short: p.Speaker.Short(t), Mark: t.Mark, Minutes: int(t.Minutes + 0.5), Opens: t.Window.Opens.Day, Closes: t.Window.Closes.Day}
	for i := range p.Yard.Trees {
		if tr := &p.Yard.Trees[i]; tr.ID == t.Tree {
			out.Code, out.KindName, out.TreeName = tr.Code, tr.Kind.Name, tr.Name
		}
	}
	return out
}

// doneDays are how far back a done job is shown.
const doneDays = 7

// DaysBody is the plan of days for a day shown.
func (k *Keeper) DaysBody(ctx context.Context, slug string, day almanac.Day) (*DaysBody, error) {
	p, err := k.Plan(ctx, slug, day)
	if err != nil {
		return nil, err
	}
	out := &DaysBody{Day: day, To: day, Said: p.Days.Said, Days: []PlanDayBody{}, Jobs: []ChosenBody{}, Dropped: []DroppedBody{}, Waiting: []WaitingBody{}, Done: []DoneBody{}}
	work, served := 0, 0
	for _, d := range p.Days.Days {
		out.Days = append(out.Days, PlanDayBody(d))
		out.To = d.Date
		if d.Date < day+almanac.Day(near) && !d.Lost {
			served += d.Has
		}
	}
	for _, c := range p.Days.Chosen {
		t := p.taskOf(c.Job.ID)
		b := ChosenBody{JobBody: p.jobBody(t), Pinned: c.Why.Pinned, Says: p.Speaker.WhyDay(&c), Pieces: []PieceBody{}}
		for _, x := range c.Pieces {
			b.Pieces = append(b.Pieces, PieceBody(x))
			if x.Date < day+near {
				work += x.Minutes
			}
		}
		out.Jobs = append(out.Jobs, b)
	}
	for i := range p.Days.Dropped {
		d := &p.Days.Dropped[i]
		t := p.taskOf(d.Job.ID)
		b := DroppedBody{JobBody: p.jobBody(t), Left: d.Left, Why: p.Speaker.WhyDropped(d), Costs: p.Speaker.DroppedCosts(t)}
		if d.Room != nil {
			b.Room, b.Fits, b.Says = &PieceBody{d.Room.Date, d.Room.Minutes}, &d.Room.Date, p.Speaker.RoomFor(d.Room)
		}
		out.Dropped = append(out.Dropped, b)
	}
	for _, t := range p.waiting {
		b := WaitingBody{JobBody: p.jobBody(t)}
		for _, h := range t.Held {
			b.Says = p.Speaker.Reason(h)
			break
		}
		out.Waiting = append(out.Waiting, b)
	}
	out.Says = p.Speaker.AheadOf(work, served, p.Days.Said)
	out.Done = p.doneSince(day - doneDays)
	return out, nil
}

// near is how far ahead the hours are told against the work: three weeks.
const near = 21

func (p *Planned) doneSince(from almanac.Day) []DoneBody {
	out := []DoneBody{}
	for i := range p.Yard.Entries {
		e := &p.Yard.Entries[i]
		if e.Kind != year.WorkEntry || e.Date < from || e.Date > p.Shown.Shown || e.Outcome != year.Done && e.Outcome != year.Part {
			continue
		}
		out = append(out, DoneBody{e.TaskID, e.Tree, words.KindTitle(e.Task), e.Date, int(e.Minutes + 0.5)})
	}
	return out
}

// DayCosts are the days that a job could be done on, with what each costs. Error: no_task.
func (k *Keeper) DayCosts(ctx context.Context, slug string, day almanac.Day, task string) ([]DayCostBody, error) {
	p, err := k.Plan(ctx, slug, day)
	if err != nil {
		return nil, err
	}
	_, choices, err := p.choices(task)
	if err != nil {
		return nil, err
	}
	t := p.taskOf(task)
	out := []DayCostBody{}
	for _, c := range choices {
		if c.Date > day+near+almanac.ForecastLeads && c.Date > t.Window.Closes.Day {
			break
		}
		out = append(out, DayCostBody{
			Date: c.Date, Level: c.Grade.Level, Open: c.Open, Tree: p.Speaker.Grade(c.Grade), Weather: p.Speaker.DayWeather(&c), Time: p.Speaker.DayTime(&c, int(t.Minutes+0.5)),
		})
	}
	return out, nil
}

func (p *Planned) choices(task string) (*days.Job, []days.Choice, error) {
	job := p.Days.JobOf(task)
	if job == nil {
		return nil, nil, given.Fault{Code: "no_task", Field: "task_id", Given: task, Expected: "a job that is still to be done, of the plan of this day"}
	}
	c, err := days.Choices(p.Days, job, p.skyAhead())
	return job, c, err
}

// SetDay sets a job on a day of a person's choice; NoDay gives the choice back to the planner. Errors: no_task; unfit_day where the day is
// closed or the forecast speaks against it.
func (k *Keeper) SetDay(ctx context.Context, slug, task string, day almanac.Day) (*DaysBody, error) {
	today := k.today()
	p, err := k.Plan(ctx, slug, today)
	if err != nil {
		return nil, err
	}
	_, choices, err := p.choices(task)
	if err != nil {
		return nil, err
	}
	if day.Known() {
		at := slices.IndexFunc(choices, func(c days.Choice) bool { return c.Date == day })
		if at < 0 || !choices[at].Open {
			why := "a day from today to the end of the year shown"
			if at >= 0 {
				why = p.Speaker.NotThatDay(&choices[at])
			}
			return nil, given.Fault{Code: "unfit_day", Field: "day", Given: p.Speaker.Day(day), Expected: why}
		}
	}
	if err := k.store.SetDay(ctx, p.Contents.Orchard.ID, task, day); err != nil {
		return nil, err
	}
	return k.DaysBody(ctx, slug, today)
}

// chosenFor is the day that a task is set on, and why; nil for none.
func (p *Planned) chosenFor(t *year.Task) (*almanac.Day, string) {
	if p.Days == nil {
		return nil, ""
	}
	c, ok := p.Days.Find(t.ID)
	if !ok {
		return nil, ""
	}
	return &c.Pieces[0].Date, p.Speaker.WhyDay(&c)
}

// OtherWindowBody is the window that another school would have in place of a job's.
type OtherWindowBody struct {
	TaskID string       `json:"task_id"`
	TreeID string       `json:"tree_id"`
	Mark   year.Mark    `json:"mark"`
	Opens  *almanac.Day `json:"opens,omitempty"`
	Closes *almanac.Day `json:"closes,omitempty"`
	Never  bool         `json:"never" doc:"it would not do the job"`
	Says   string       `json:"says"`
}

// OtherSchool are the windows of the season shown as another school would have them, where they differ. Error: unknown_choice.
func (k *Keeper) OtherSchool(ctx context.Context, slug string, day almanac.Day, preset string) ([]OtherWindowBody, error) {
	if !slices.ContainsFunc(pomology.Presets(), func(p pomology.Preset) bool { return p.Slug == preset }) {
		var slugs []string
		for _, p := range pomology.Presets() {
			slugs = append(slugs, p.Slug)
		}
		return nil, given.Fault{Code: "unknown_preset", Field: "preset", Given: preset, Expected: strings.Join(slugs, ", ")}
	}
	p, err := k.Plan(ctx, slug, day)
	if err != nil {
		return nil, err
	}
	var out []OtherWindowBody
	for i := range p.Shown.Trees {
		for j := range p.Shown.Trees[i].Tasks {
			t := &p.Shown.Trees[i].Tasks[j]
			for _, o := range t.Others {
				if o.Preset == preset {
					out = append(out, OtherWindowBody{t.ID, t.Tree, t.Mark, dayOrNil(o.Opens), dayOrNil(o.Closes), o.Never, p.Speaker.Other(o)})
				}
			}
		}
	}
	return out, nil
}
