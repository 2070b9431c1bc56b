package year

import "vertumna/core/almanac"

// orchardTasks are the jobs that belong to no tree: tools, and a person's own.
func orchardTasks(y *Yard, entries []Entry, season int, shown almanac.Day, pace float64) []Task {
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
	south := y.Place.Site.South()
	add(tools(entries, season, south))
	for _, o := range y.Own {
		if o.Tree == "" && o.Date.Known() {
			add(ownDrafts(o, season, south, nil, entries))
		}
	}
	return out
}
