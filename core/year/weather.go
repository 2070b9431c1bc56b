package year

import (
	"vertumna/core/almanac"
	"vertumna/core/pomology"
	"vertumna/core/training"
)

// PurposeOf is the kind of work that a task's day is judged as: by the kind of tree, and by the season its cut is drawn as, so that a cut in
// leaf is never judged as a dormant one. False for work that any weather suits.
func PurposeOf(t *Task, tree *Tree) (almanac.Purpose, bool) {
	if t.Kind == Thin {
		return almanac.Thinning, true
	}
	if facts, ok := t.Kind.Facts(); !ok || !facts.Cut {
		return "", false
	}
	stone := tree.Kind.Group == pomology.Stone
	switch t.Mark {
	case WinterMark:
		if stone {
			return almanac.WinterStone, true
		}
		return almanac.WinterPome, true
	case BloomMark:
		return almanac.BudCut, true
	case SummerMark:
		if stone {
			return almanac.SummerStone, true
		}
		return almanac.SummerPome, true
	}
	return "", false
}

// FrostsOf are nights of frost that the weather tells of, as entries of their own up to the day shown: they ask for a count and lower what
// is alive, as those that a person logged. A night that somebody logged counts as they logged it.
func FrostsOf(days []almanac.TempDay, entries []Entry, shown almanac.Day, south bool) []Entry {
	said := map[almanac.Day]bool{}
	for i := range entries {
		if entries[i].Kind == FrostEntry {
			said[entries[i].Date] = true
		}
	}
	var out []Entry
	for _, d := range days {
		if d.Tmin < 0 && d.Date <= shown && !said[d.Date] {
			out = append(out, Entry{ID: "sky-" + d.Date.String(), Date: d.Date, Season: SeasonOf(d.Date, south), Kind: FrostEntry, Tmin: d.Tmin})
		}
	}
	return out
}

// Weather that asks for a look (our own estimates).
const (
	gustKmh     = 60 // moves ties and stakes (year.md#tasks)
	wetMM       = 2.0
	wetDays     = 3
	woundDays   = 14 // a fresh wound lets in what the rain brings
	rotDays     = 5
	rotWarm     = 15.0
	rotBefore   = 21 // days before harvest that fruit is at risk
	stakeUntil  = 3  // years a young tree leans on its stake
	afterGusts  = 3  // days the look may take
	gustsToldTo = 30 // days that a storm is still asked about
)

// gusts are the days of strong wind up to the day shown.
func (c *context) gusts() (out []training.Gust) {
	for _, d := range c.yard.Sky {
		if d.GustKmh >= gustKmh && d.Date <= c.shown {
			out = append(out, training.Gust{Day: int(d.Date), KMH: d.GustKmh})
		}
	}
	return out
}

// storms: after strong wind the stake of a young tree, and of one that leans on it for life, is looked at, and so are props under fruit.
func storms(c *context) []draft {
	staked := c.tree.HasStake && (c.age <= stakeUntil || pomology.StakeForLife(c.tree.Class, c.tree.Form))
	propped := c.propped()
	from, to := Rail(c.season, c.south)
	var out []draft
	for _, g := range c.gusts() {
		day := almanac.Day(g.Day)
		if day < from || day > to || c.shown-day > gustsToldTo || c.tree.Planted.Known() && c.tree.Planted > day {
			continue
		}
		at := logged(day, 1)
		look := func(key, rule string) {
			out = append(out, draft{kind: CheckTies, key: key, n: int(day), opens: at, closes: after(at, afterGusts), reasons: []Reason{reason(rule).on(Logged, day).num(g.KMH, "km/h")}})
		}
		if staked {
			look("stake", "stake-gust")
		}
		if propped.Known() && propped <= day && (!c.a.Day(HarvestEnd).Known() || day <= c.a.Day(HarvestEnd)) {
			look("prop", "prop-gust")
		}
	}
	return out
}

// propped is the day this season's first prop was set; NoDay: none was logged.
func (c *context) propped() almanac.Day {
	for _, e := range c.entries {
		if e.Kind == WorkEntry && e.Task == Prop && e.Season == c.season && (e.Outcome == Done || e.Outcome == Part) {
			return e.Date
		}
	}
	return almanac.NoDay
}

// wetWarnings: rain on fresh wounds, and a warm wet spell on ripening fruit.
func (c *context) wetWarnings() (out []Reason) {
	wet := func(from, to almanac.Day) (days int, mean float64) {
		n := 0
		for _, d := range c.yard.Sky {
			if d.Date < from || d.Date > to {
				continue
			}
			n++
			mean += (d.Tmin + d.Tmax) / 2
			if d.RainMM >= wetMM {
				days++
			}
		}
		return days, mean / float64(max(1, n))
	}
	for i := len(c.entries) - 1; i >= 0; i-- {
		e := c.entries[i]
		if e.Kind != WorkEntry || !isCut(e.Task) || e.FreeOnly || e.Outcome != Done && e.Outcome != Part || c.shown-e.Date > woundDays {
			continue
		}
		if days, _ := wet(e.Date, min(c.shown, e.Date+woundDays)); days >= wetDays {
			out = append(out, reason("wet-on-wounds").on(Logged, e.Date).num(float64(days), "days").said(string(c.group())))
		}
		break
	}
	ripe := c.a.Day(almanac.HarvestStart.String())
	if ripe.Known() && c.shown >= ripe-rotBefore && c.shown <= c.a.Day(HarvestEnd) && c.bears() {
		if days, mean := wet(c.shown-rotDays, c.shown-1); days >= wetDays && mean >= rotWarm {
			out = append(out, reason("brown-rot").num(float64(days), "days").over(rotDays))
		}
	}
	return out
}
