package year

import (
	"vertumna/core/almanac"
)

// Night is a night of frost, with what it did to a tree at the stage it stood at.
type Night struct {
	Date   almanac.Day
	Tmin   float64
	Key    string  // frost key of almanac: dormant to post_bloom
	T10    float64 // one bud or flower in ten dies at this
	Killed float64 // share that this night alone kills
	Alive  float64 // after it
	Ahead  bool    // forecast
}

// Frosts are the nights of frost of a season that a tree has a table for, in order, with what is alive after each. Kinds without a table of
// their own give none.
func Frosts(t *Tree, a *Anchors, nights []almanac.TempDay, known almanac.Day) []Night {
	var dates almanac.Dates
	for _, s := range almanac.AllStages() {
		dates[s] = a.Day(s.String())
	}
	var out []Night
	var so []almanac.FrostNight
	for _, d := range nights {
		if d.Tmin > 0 {
			continue
		}
		key, share, ok := almanac.FrostKey(dates, d.Date)
		if !ok {
			continue
		}
		t10, _, err := almanac.KillTemps(t.Kind.Slug, key, share)
		if err != nil {
			return nil
		}
		so = append(so, almanac.FrostNight{Key: key, Share: share, Tmin: d.Tmin})
		loss, err := almanac.FrostKill(t.Kind.Slug, so)
		if err != nil {
			return nil
		}
		out = append(out, Night{d.Date, d.Tmin, key, t10, loss.Killed[len(so)-1], loss.Alive, d.Date > known})
	}
	return out
}

// Hardy is the temperature that kills one bud or flower in ten on a day.
type Hardy struct {
	Date almanac.Day
	T10  float64
}

// Hardiness follows what kills one bud in ten through a season, every few days from three weeks before bud swell to the end of natural drop;
// none for kinds without a table.
func Hardiness(t *Tree, a *Anchors) []Hardy {
	var dates almanac.Dates
	for _, s := range almanac.AllStages() {
		dates[s] = a.Day(s.String())
	}
	from, to := shift(dates[almanac.BudSwell], -21), dates[almanac.DropEnd]
	if !from.Known() || !to.Known() {
		return nil
	}
	var out []Hardy
	for d := from; d <= to; d += 2 {
		key, share, ok := almanac.FrostKey(dates, d)
		if !ok {
			continue
		}
		t10, _, err := almanac.KillTemps(t.Kind.Slug, key, share)
		if err != nil {
			return nil
		}
		out = append(out, Hardy{d, t10})
	}
	return out
}

// EnoughAlive is the share of a tree's flowers that still makes a crop after frost.
func EnoughAlive(t *Tree) float64 { return t.Kind.Year.EnoughAlive }
