package year

import "vertumna/core/almanac"

// Tools is the care of the tools.
const Tools TaskKind = "tools"

var toolsFacts = TaskFacts{Mark: CareMark, Minutes: 30, Instead: "sharpen-still"}

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
