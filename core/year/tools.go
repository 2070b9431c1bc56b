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

// tools: after so many hours or cuts they want sharpening, until it is logged.
func tools(entries []Entry, season int, south bool) []draft {
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
	if !due.Known() || SeasonOf(due, south) != season {
		return nil
	}
	at := logged(due, 0)
	return []draft{{kind: Tools, opens: at, closes: after(at, 14), reasons: []Reason{why}}}
}
