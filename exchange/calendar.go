// Package exchange brings orchards in and out by open formats: the calendar (RFC 5545), the archive (JSON) and monthly
// normals (CSV). It decides nothing of the job.
package exchange

import (
	"fmt"
	"strings"
	"time"

	ics "github.com/arran4/golang-ical"

	"vertumna/core/almanac"
	"vertumna/core/days"
	"vertumna/core/year"
	"vertumna/words"
)

// AlarmDays is how long before a window closes its alarm stands.
const AlarmDays = 5

// Calendar writes one event a task window, with stable ids, reasons in the description and an alarm five days before it
// closes, never before it opens. stamp is the time the calendar is made.
// The days that jobs are set on stand as events of their own; chosen nil: none are known. Nothing stands in it that was over before since,
// the day the orchard was made; NoDay: not known.
func Calendar(name string, plans []*year.Plan, chosen *days.Plan, s words.Speaker, stamp time.Time, since almanac.Day) string {
	cal := ics.NewCalendarFor("Vertumna")
	cal.SetMethod(ics.MethodPublish)
	cal.SetName(name)
	cal.SetXWRCalName(name)
	for _, p := range plans {
		for _, tp := range p.Trees {
			for i := range tp.Tasks {
				if t := &tp.Tasks[i]; !before(t, since) {
					addEvent(cal, treeTitle(tp.Tree), t, s, stamp)
					addDays(cal, treeTitle(tp.Tree), t, chosen, s, stamp)
				}
			}
		}
		for i := range p.Orchard {
			if t := &p.Orchard[i]; !before(t, since) {
				addEvent(cal, name, t, s, stamp)
				addDays(cal, name, t, chosen, s, stamp)
			}
		}
	}
	return cal.Serialize(ics.WithNewLineWindows)
}

// before says whether a task was over before a day, with nothing done about it: nobody missed it.
func before(t *year.Task, since almanac.Day) bool {
	return since.Known() && t.State == year.Missed && t.Window.Closes.Day < since
}

func treeTitle(t *year.Tree) string {
	if t.Name == "" {
		return t.Code + " " + t.Kind.Name
	}
	return fmt.Sprintf("%s %s ‘%s’", t.Code, t.Kind.Name, t.Name)
}

// settledTitle is the word before the title of a task that needs no more, empty while it does.
func settledTitle(st year.State) string {
	switch st {
	case year.IsDone:
		return "Done: "
	case year.IsLooked:
		return "Done, nothing needed: "
	case year.IsLeft:
		return "Left: "
	case year.Missed:
		return "Missed: "
	}
	return ""
}

func addEvent(cal *ics.Calendar, owner string, t *year.Task, s words.Speaker, stamp time.Time) {
	e := cal.AddEvent(t.ID + "@vertumna")
	settled := settledTitle(t.State)
	e.SetDtStampTime(stamp)
	e.SetSummary(settled + owner + ": " + s.Title(t))
	opens, closes := t.Window.Opens.Day, t.Window.Closes.Day
	e.SetAllDayStartAt(midnight(opens))
	e.SetAllDayEndAt(midnight(closes + 1))
	e.SetTimeTransparency(ics.TransparencyTransparent)
	e.SetDescription(description(t, s))
	if settled != "" {
		return
	}
	a := e.AddAlarm()
	a.SetAction(ics.ActionDisplay)
	a.SetDescription(owner + ": " + s.Title(t) + " closes " + s.Day(closes))
	a.SetTrigger(fmt.Sprintf("P%dDT8H", max(0, int(closes-opens)-AlarmDays)))
}

// addDays writes the days that a task is set on.
func addDays(cal *ics.Calendar, owner string, t *year.Task, chosen *days.Plan, s words.Speaker, stamp time.Time) {
	if chosen == nil {
		return
	}
	c, ok := chosen.Find(t.ID)
	if !ok {
		return
	}
	for i, piece := range c.Pieces {
		e := cal.AddEvent(fmt.Sprintf("%s.day%d@vertumna", t.ID, i+1))
		e.SetDtStampTime(stamp)
		e.SetSummary(fmt.Sprintf("%s: %s, %s", owner, s.Title(t), s.Minutes(float64(piece.Minutes))))
		e.SetAllDayStartAt(midnight(piece.Date))
		e.SetAllDayEndAt(midnight(piece.Date + 1))
		e.SetDescription(strings.Join(append([]string{s.WhyDay(&c)}, s.Cautions(t.Cautions)...), "\n"))
	}
}

func description(t *year.Task, s words.Speaker) string {
	lines := []string{
		"Opens " + s.Bound(t.Window.Opens) + ".",
		"Closes " + s.Bound(t.Window.Closes) + ".",
	}
	for _, r := range append(append([]year.Reason{}, t.Reasons...), t.Held...) {
		lines = append(lines, s.Reason(r))
	}
	if t.State == year.Missed {
		lines = append(lines, s.Instead(t))
	}
	return strings.Join(append(lines, s.Cautions(t.Cautions)...), "\n")
}

func midnight(d almanac.Day) time.Time {
	y, m, day := d.Date()
	return time.Date(y, time.Month(m), day, 0, 0, 0, 0, time.UTC)
}
