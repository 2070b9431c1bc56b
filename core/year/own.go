package year

import (
	"strconv"
	"strings"

	"vertumna/core/almanac"
)

// ownDrafts are the windows of a person's own task in a season: on its date and its repeats, each counted from the day the one before
// it was done, or after its stage.
func ownDrafts(o OwnTask, season int, south bool, a *Anchors, entries []Entry) []draft {
	length := max(1, o.ForDays)
	mk := func(n int, at Bound) draft {
		return draft{kind: OwnJob, key: o.ID, n: n, title: o.Title, opens: at, closes: after(at, length-1), minutes: o.Minutes, reasons: []Reason{at.reason("own-task")}}
	}
	if !o.Date.Known() {
		x := a.At(o.Stage.String())
		b := Bound{x.Day, x.Early, x.Late, o.Stage.String(), 0, x.Source}
		d := mk(0, after(b, o.OffsetDays))
		return []draft{d}
	}
	from, to := Rail(season, south)
	done := doneRepeats(o, entries)
	var out []draft
	for n, d := 1, o.Date; d <= to && n <= maxRepeats; n++ {
		if d >= from {
			out = append(out, mk(n, Bound{d, d, d, DateSaid, 0, "said"}))
		}
		if o.EveryDays <= 0 {
			break
		}
		if on, ok := done[n]; ok {
			d = on
		}
		d += almanac.Day(o.EveryDays)
	}
	return out
}

// doneRepeats are the days on which the repeats of a person's own task were done, by their numbers.
func doneRepeats(o OwnTask, entries []Entry) map[int]almanac.Day {
	out := map[int]almanac.Day{}
	for _, e := range entries {
		if e.Kind != WorkEntry || e.Outcome != Done {
			continue
		}
		_, number, found := strings.Cut(e.TaskID, "."+o.ID+".")
		if n, err := strconv.Atoi(number); found && err == nil {
			out[n] = e.Date
		}
	}
	return out
}

const maxRepeats = 4000 // ten years of days: a task repeated daily ends there

// Work after which hand tools want sharpening and oil (year.md#tasks).
const (
	sharpenMinutes = 600
	sharpenCuts    = 200
)

// orchardTasks are the jobs that belong to no tree: tools, and a person's own.
func orchardTasks(y *Yard, entries []Entry, season int, shown almanac.Day, pace float64) []Task {
	var drafts []draft
	minutes, cuts := 0.0, 0
	due, why := almanac.NoDay, Reason{}
	for _, e := range entries {
		switch {
		case e.Kind == WorkEntry && e.Task == Tools && e.Outcome == Done:
			minutes, cuts, due = 0, 0, almanac.NoDay
		case e.Kind == WorkEntry && isCut(e.Task):
			minutes += e.Minutes
			cuts += max(e.Cuts, len(e.CutMM))
		}
		if !due.Known() && (minutes >= sharpenMinutes || cuts >= sharpenCuts) {
			due = e.Date
			why = reason("tools-hours").on(Logged, due).num(minutes/60, "hours").over(sharpenMinutes / 60)
			if cuts >= sharpenCuts {
				why = reason("tools-cuts").on(Logged, due).num(float64(cuts), "cuts").over(sharpenCuts)
			}
		}
	}
	south := y.Place.Site.South()
	if due.Known() && SeasonOf(due, south) == season {
		at := logged(due, 0)
		drafts = append(drafts, draft{kind: Tools, opens: at, closes: after(at, 14), reasons: []Reason{why}})
	}
	var out []Task
	done := map[string][]Entry{}
	for _, e := range entries {
		if e.Tree == "" && e.Kind == WorkEntry {
			done[e.TaskID] = append(done[e.TaskID], e)
		}
	}
	add := func(ds []draft) {
		for _, d := range ds {
			facts := taskFacts[d.kind]
			t := Task{ID: taskID("orchard", d, season), Kind: d.kind, Title: d.title, Season: season, Mark: facts.Mark, Window: Window{d.opens, d.closes, plainGrades(d)}, Reasons: d.reasons, Minutes: d.minutes}
			if t.Minutes == 0 {
				t.Minutes, t.MinutesEstimated = facts.Minutes*pace, true
			}
			t.Entries = done[t.ID]
			t.settle(shown, false)
			out = append(out, t)
		}
	}
	add(drafts)
	for _, o := range y.Own {
		if o.Tree == "" && o.Date.Known() {
			add(ownDrafts(o, season, south, nil, entries))
		}
	}
	return out
}
