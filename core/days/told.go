package days

import (
	"cmp"
	"slices"

	"vertumna/core/almanac"
	"vertumna/core/year"
)

// plan turns a table into its answer.
func (t *table) plan(hours Hours) *Plan {
	for _, s := range t.jobs {
		t.whole(s)
	}
	p := &Plan{Shown: t.shown, Said: hours.Said()}
	for i, has := range t.has {
		p.Days = append(p.Days, DayOf{Date: t.shown + almanac.Day(i), Has: has, Chosen: has - t.free[i], Lost: has > 0 && t.lost(i)})
	}
	for _, s := range t.jobs {
		if len(s.given) > 0 {
			c := Chosen{Job: s.job, Why: t.why(s)}
			for _, i := range sorted(s.given) {
				c.Pieces = append(c.Pieces, Piece{t.shown + almanac.Day(i), s.given[i]})
			}
			p.Chosen = append(p.Chosen, c)
		}
		if left := s.job.Minutes - s.placed(); left > 0 {
			p.Dropped = append(p.Dropped, t.dropped(s, left))
		}
	}
	slices.SortStableFunc(p.Chosen, func(a, b Chosen) int {
		return cmp.Or(cmp.Compare(a.Pieces[0].Date, b.Pieces[0].Date), sickLast(a, b), cmp.Compare(a.Job.Kit, b.Job.Kit), cmp.Compare(a.Job.Code, b.Job.Code), cmp.Compare(a.Job.ID, b.Job.ID))
	})
	slices.SortStableFunc(p.Dropped, func(a, b Dropped) int {
		return cmp.Or(cmp.Compare(a.Job.Harm, b.Job.Harm), cmp.Compare(b.Job.Closes, a.Job.Closes), cmp.Compare(a.Job.ID, b.Job.ID))
	})
	return p
}

// smallJob is done in one go, minutes: a day may run over by less than that (our estimate).
const smallJob = 20

// whole brings a small job in pieces together on the day that has most of it.
func (t *table) whole(s *spot) {
	if len(s.given) < 2 || s.job.Minutes >= smallJob {
		return
	}
	most, all := -1, s.placed()
	for _, i := range sorted(s.given) {
		if most < 0 || s.given[i] > s.given[most] {
			most = i
		}
	}
	for _, i := range sorted(s.given) {
		if i != most {
			t.take(s, i, s.given[i])
		}
	}
	t.give(s, most, all-s.given[most])
}

// sickLast: tools carry disease from tree to tree.
func sickLast(a, b Chosen) int {
	switch {
	case a.Job.Sick == b.Job.Sick:
		return 0
	case a.Job.Sick:
		return 1
	}
	return -1
}

// lost tells of a day within the forecast that none of the open jobs that ask for weather can be done on it.
func (t *table) lost(i int) bool {
	asked := false
	d := t.shown + almanac.Day(i)
	for _, s := range t.jobs {
		if s.job.Work == AnyWeather || d < s.job.Opens || d > s.job.Closes {
			continue
		}
		v := t.judge.rows[s.job.Work].on(i)
		if !v.forecast {
			return false
		}
		if asked = true; v.fit {
			return false
		}
	}
	return asked
}

func (t *table) why(s *spot) Why {
	first := sorted(s.given)[0]
	d := t.shown + almanac.Day(first)
	v := t.judge.rows[s.job.Work].on(first)
	w := Why{Level: s.job.levelOn(d).Level, Forecast: v.forecast, Chance: v.chance, Pinned: s.pinned, Moved: s.moved}
	for _, o := range t.at[first] {
		if o != s && o.job.Kit == s.job.Kit {
			w.Beside++
		}
	}
	from, _ := t.within(s.job)
	for i := from; i < first; i++ {
		if t.has[i] == 0 {
			continue
		}
		switch ok, why := t.allowed(s.job, i); {
		case !ok:
			w.Passed = append(w.Passed, Passed{t.shown + almanac.Day(i), why})
		case t.free[i] < s.job.Minutes:
			w.Passed = append(w.Passed, Passed{t.shown + almanac.Day(i), "full"})
		}
	}
	if n := len(w.Passed); n > passedShown {
		w.Passed = w.Passed[n-passedShown:]
	}
	return w
}

func (t *table) dropped(s *spot, left int) Dropped {
	d := Dropped{Job: s.job, Left: left, Why: "full"}
	from, to := t.within(s.job)
	mine, fit := false, false
	for i := from; i <= to; i++ {
		mine = mine || t.has[i] > 0
		if ok, _ := t.allowed(s.job, i); !ok {
			continue
		}
		fit = true
		need := left - max(0, t.free[i])
		if d.Room == nil || need < d.Room.Minutes {
			d.Room = &Room{t.shown + almanac.Day(i), need}
		}
	}
	switch {
	case !fit:
		d.Why = "no-fit-day"
	case !mine:
		d.Why = "no-day"
	}
	return d
}

// Choice is a day a job could be moved to, with what that costs.
type Choice struct {
	Date     almanac.Day
	Grade    year.Grade
	Fit      bool
	Why      string  // of the weather, where it is not fit
	Forecast bool    // the forecast says so
	Chance   float64 // of a fit day where it does not reach
	Has      int     // minutes the person has
	Taken    int     // of them by other jobs
	Open     bool    // it may be set
}

// Choices are the days a job could be done on, from the day shown to its last, with what each costs. Errors: as Make.
func Choices(p *Plan, j *Job, sky Sky) ([]Choice, error) {
	n := len(p.Days)
	judge, err := newJudge(sky, p.Shown, n, almanac.ForecastLeads, map[Work]bool{j.Work: true})
	if err != nil {
		return nil, err
	}
	own := map[almanac.Day]int{}
	if c, ok := p.Find(j.ID); ok {
		for _, piece := range c.Pieces {
			own[piece.Date] = piece.Minutes
		}
	}
	out := make([]Choice, 0, n)
	for i, day := range p.Days {
		g, v := j.levelOn(day.Date), judge.rows[j.Work].on(i)
		inside := day.Date >= j.Opens && day.Date <= j.Closes
		out = append(out, Choice{
			Date: day.Date, Grade: g, Fit: v.fit, Why: v.why, Forecast: v.forecast, Chance: v.chance, Has: day.Has, Taken: day.Chosen - own[day.Date],
			Open: inside && v.fit && g.Level != year.Harmful && g.Level != year.Forbidden,
		})
	}
	return out, nil
}

// JobOf finds a job that has a day or was dropped; nil where there is none.
func (p *Plan) JobOf(id string) *Job {
	if c, ok := p.Find(id); ok {
		return c.Job
	}
	for i := range p.Dropped {
		if p.Dropped[i].Job.ID == id {
			return p.Dropped[i].Job
		}
	}
	return nil
}
