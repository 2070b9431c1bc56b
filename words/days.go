package words

import (
	"fmt"
	"strings"

	"vertumna/core/almanac"
	"vertumna/core/days"
	"vertumna/core/year"
)

// against is what speaks against a day, by what the planner says of it.
var against = map[string]string{
	"rain": "rain", "cold": "too cold", "hot": "too hot", "wind": "gusts", "rain_after": "rain before the wounds are dry",
	"harmful": "harmful then", "forbidden": "closed then", "full": "no time left", "outside-window": "outside its window",
}

func (s Speaker) weekday(d almanac.Day) string {
	return weekdays[d.Weekday()] + " " + s.Day(d)
}

// WhyDay says why a job stands on its day.
func (s Speaker) WhyDay(c *days.Chosen) string {
	w := &c.Why
	var out []string
	switch {
	case w.Pinned:
		out = append(out, "You set it.")
	case w.Forecast:
		out = append(out, "Fit by the forecast.")
	case w.Chance < 1:
		out = append(out, fmt.Sprintf("No forecast reaches so far: such a day is fit %s.", inTen(w.Chance)))
	default:
		out = append(out, "Any weather suits it.")
	}
	if w.Moved != "" {
		out = append(out, fmt.Sprintf("The day you set does not stand: %s.", against[w.Moved]))
	}
	if len(w.Passed) > 0 {
		var parts []string
		for _, p := range w.Passed {
			parts = append(parts, weekdays[p.Date.Weekday()][:3]+" "+s.Day(p.Date)+" "+against[p.Why])
		}
		out = append(out, "Not sooner: "+strings.Join(parts, ", ")+".")
	}
	if w.Beside > 0 {
		out = append(out, fmt.Sprintf("With %s of the same tools.", plural(w.Beside, "other job")))
	}
	if n := len(c.Pieces); n > 1 {
		var parts []string
		for _, x := range c.Pieces {
			parts = append(parts, fmt.Sprintf("%s on %s", s.Minutes(float64(x.Minutes)), s.weekday(x.Date)))
		}
		out = append(out, "In "+fmt.Sprint(n)+" parts: "+strings.Join(parts, ", ")+".")
	}
	return strings.Join(out, " ")
}

// inTen says a chance as so many in ten.
func inTen(p float64) string {
	n := int(10*p + 0.5)
	switch {
	case n == 0:
		return "less than once in 10"
	case n == 1:
		return "once in 10"
	case n >= 10:
		return "nearly always"
	}
	return fmt.Sprintf("%d times in 10", n)
}

// WhyDropped says why a job has no day.
func (s Speaker) WhyDropped(d *days.Dropped) string {
	switch d.Why {
	case "no-day":
		return fmt.Sprintf("No day of yours lies in its window, %s to %s.", s.Day(d.Job.Opens), s.Day(d.Job.Closes))
	case "no-fit-day":
		return fmt.Sprintf("No day up to %s is fit for it, by the forecast.", s.Day(d.Job.Closes))
	}
	if d.Left < d.Job.Minutes {
		return fmt.Sprintf("%s of %s find no time by %s.", s.Minutes(float64(d.Left)), s.Minutes(float64(d.Job.Minutes)), s.Day(d.Job.Closes))
	}
	return fmt.Sprintf("Your days up to %s are full of what harms more if it waits.", s.Day(d.Job.Closes))
}

// DroppedCosts says what it costs to leave a job, and what is done instead.
func (s Speaker) DroppedCosts(t *year.Task) string {
	facts, _ := t.Kind.Facts()
	missed := *t
	missed.Instead = facts.Instead
	return strings.TrimSpace(upper(harms[min(len(harms)-1, max(0, facts.Harm))]) + ". " + s.Instead(&missed))
}

// RoomFor says what would hold a dropped job.
func (s Speaker) RoomFor(r *days.Room) string {
	return fmt.Sprintf("It fits with %s more on %s.", s.Minutes(float64(r.Minutes)), s.weekday(r.Date))
}

// AheadOf holds the work of three weeks against the hours of days that serve.
func (s Speaker) AheadOf(work, served int, said bool) string {
	out := fmt.Sprintf("Three weeks: %s of work set, %s of yours on days that serve.", s.Minutes(float64(work)), s.Minutes(float64(served)))
	if !said {
		out += " Nobody said what hours they have: two on each day of the weekend are taken."
	}
	return out
}

// DayWeather says what the weather makes of a day for a job.
func (s Speaker) DayWeather(c *days.Choice) string {
	switch {
	case !c.Fit:
		return upper(against[c.Why]) + "."
	case c.Forecast:
		return "Fit by the forecast."
	case c.Chance < 1:
		return fmt.Sprintf("No forecast reaches so far: such a day is fit %s.", inTen(c.Chance))
	}
	return "Any weather suits it."
}

// DayTime says what a job takes of a person's day.
func (s Speaker) DayTime(c *days.Choice, minutes int) string {
	free := c.Has - c.Taken
	switch {
	case c.Has == 0:
		return fmt.Sprintf("It takes %s of a day you keep free.", s.Minutes(float64(minutes)))
	case free >= minutes:
		return fmt.Sprintf("It fits your %s.", s.Minutes(float64(c.Has)))
	}
	return fmt.Sprintf("%s more than the %s you have.", upper(s.Minutes(float64(minutes-max(0, free)))), s.Minutes(float64(c.Has)))
}

// NotThatDay says why a day cannot be set.
func (s Speaker) NotThatDay(c *days.Choice) string {
	switch {
	case !c.Fit:
		return fmt.Sprintf("a fit day: %s has %s", s.weekday(c.Date), against[c.Why])
	case c.Grade.Level == year.Harmful || c.Grade.Level == year.Forbidden:
		return "a day in its window: " + s.Grade(c.Grade)
	}
	return "a day in its window"
}

// WaitsUntil says that today is not fit for a job, and the day it is set for.
func (s Speaker) WaitsUntil(why string, day almanac.Day) string {
	return fmt.Sprintf("%s today: set for %s.", upper(waits[why]), s.weekday(day))
}
