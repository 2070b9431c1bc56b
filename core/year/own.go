package year

import (
	"strconv"
	"strings"

	"vertumna/core/almanac"
)

// OwnJob is a person's own job.
const OwnJob TaskKind = "own"

var ownJobFacts = TaskFacts{Mark: CareMark, Minutes: 15, Instead: "own-still"}

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
