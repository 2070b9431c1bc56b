package year

import (
	"sort"

	"vertumna/core/almanac"
)

// Docket is what there is to do about the day shown, in its groups, with what was missed apart.
type Docket struct {
	Now, Closing, Opening, Wait, Missed, Anytime []Task
	Minutes                                      float64 // of work due now and closing soon
}

// Seasons are the seasons whose tasks may stand on the docket of a day: its own, and near the turn of the rail the one
// before and the one after (a tree year runs from leaf fall, the rail from a fixed day).
func Seasons(shown almanac.Day, south bool) []int {
	s := SeasonOf(shown, south)
	from, to := Rail(s, south)
	switch {
	case shown-from < turnDays:
		return []int{s - 1, s}
	case to-shown < turnDays:
		return []int{s, s + 1}
	}
	return []int{s}
}

const turnDays = 60

// MissedDays is how long a missed task stays on the docket; one whose work went on to another stays until that one opens.
const MissedDays = 28

// toldMissed: a missed task still stands on the docket.
func (t *Task) toldMissed(shown almanac.Day) bool {
	return shown-t.Window.Closes.Day <= MissedDays || t.Heir != nil && shown < t.Heir.Opens
}

// DocketOf gathers the docket from the plans of the seasons near a day.
func DocketOf(plans ...*Plan) Docket {
	var d Docket
	add := func(t Task, shown almanac.Day) {
		switch {
		case t.State == Missed && t.toldMissed(shown):
			d.Missed = append(d.Missed, t)
		case t.Group == DoNow:
			d.Now = append(d.Now, t)
		case t.Group == ClosingSoon:
			d.Closing = append(d.Closing, t)
		case t.Group == OpeningSoon:
			d.Opening = append(d.Opening, t)
		case t.Group == Wait:
			d.Wait = append(d.Wait, t)
		case t.Group == Anytime:
			d.Anytime = append(d.Anytime, t)
		}
	}
	for _, p := range plans {
		for _, tp := range p.Trees {
			for _, t := range tp.Tasks {
				add(t, p.Shown)
			}
		}
		for _, t := range p.Orchard {
			add(t, p.Shown)
		}
	}
	byClose := func(a, b *Task) bool { return a.Window.Closes.Day < b.Window.Closes.Day }
	byOpen := func(a, b *Task) bool { return a.Window.Opens.Day < b.Window.Opens.Day }
	order(d.Now, func(a, b *Task) bool {
		if a.Kind != b.Kind && (a.Kind == StandBack || b.Kind == StandBack) {
			return a.Kind == StandBack // the first step is never a cut
		}
		if ha, hb := taskFacts[a.Kind].Harm, taskFacts[b.Kind].Harm; ha != hb {
			return ha > hb
		}
		return byClose(a, b)
	})
	order(d.Closing, byClose)
	order(d.Opening, byOpen)
	order(d.Wait, byClose)
	order(d.Missed, byClose)
	order(d.Anytime, byClose)
	for _, ts := range [][]Task{d.Now, d.Closing} {
		for _, t := range ts {
			d.Minutes += t.Minutes
		}
	}
	return d
}

func order(ts []Task, less func(a, b *Task) bool) {
	sort.SliceStable(ts, func(i, j int) bool { return less(&ts[i], &ts[j]) })
}
