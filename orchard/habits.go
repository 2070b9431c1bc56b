package orchard

import (
	"slices"

	"vertumna/core/almanac"
	"vertumna/core/year"
	"vertumna/store"
)

// skyDays are the days of weather that were known on a day.
func skyDays(sky *store.Sky, day almanac.Day) (out []year.SkyDay) {
	if sky == nil {
		return nil
	}
	for _, d := range sky.Days {
		if d.Date <= day {
			out = append(out, year.SkyDay{Date: d.Date, Tmin: d.Tmin, Tmax: d.Tmax, RainMM: d.RainMM, GustKmh: d.GustKmh})
		}
	}
	return out
}

// asOf is the weather as it was known on a day: no forecast of that day is kept.
func asOf(sky *store.Sky, day almanac.Day) *store.Sky {
	out := &store.Sky{}
	if sky != nil {
		for _, d := range sky.Days {
			if d.Date <= day {
				out.Days = append(out.Days, d)
			}
		}
	}
	return out
}

// habitsFrom is how many seasons back a tree's own habit is learnt from: further, its weight is small and the weather seldom known.
const habitsFrom = 5

// giveHabits tells how late each tree runs against the model, from what was seen on it in seasons whose weather is known.
func (k *Keeper) giveHabits(c *store.Contents, y *year.Yard, day almanac.Day) error {
	south := y.Place.Site.South()
	season := year.SeasonOf(day, south)
	seen := map[string]bool{}
	for i := range y.Entries {
		if e := &y.Entries[i]; e.Kind == year.ObservedEntry && e.Season < season {
			seen[e.Tree] = true
		}
	}
	if len(seen) == 0 || c.Sky == nil || len(c.Sky.Days) == 0 {
		return nil
	}
	var past []*almanac.Ensemble
	for s := season - habitsFrom; s < season; s++ {
		known, _ := knownTemps(asOf(c.Sky, day), y.Place.Site, s, day)
		if len(known) == 0 {
			continue
		}
		e, err := k.ensembleOf(y.Place.Site, s, known)
		if err != nil {
			return err
		}
		past = append(past, e)
	}
	for i := range y.Trees {
		t := &y.Trees[i]
		if !seen[t.ID] {
			continue
		}
		lag, err := year.LagOf(t, y.Entries, past, south)
		if err != nil {
			return err
		}
		t.Lag = lag
	}
	return nil
}

// onThePlot is the weather with what the plot's own thermometer taught: the station's days and its forecast as they are there.
func onThePlot(sky *store.Sky) (*store.Sky, almanac.Differ) {
	if sky == nil {
		return nil, almanac.Differ{}
	}
	d := almanac.DifferOf(sky.Beside)
	if d.Tmin == 0 && d.Tmax == 0 {
		return sky, d
	}
	out := *sky
	out.Days, out.Forecast = slices.Clone(sky.Days), slices.Clone(sky.Forecast)
	for i := range out.Days {
		if x := &out.Days[i]; x.Source == store.FromStation {
			x.Tmin, x.Tmax = d.On(x.Tmin, x.Tmax)
		}
	}
	for i := range out.Forecast {
		x := &out.Forecast[i]
		x.Tmin, x.Tmax = d.On(x.Tmin, x.Tmax)
	}
	return &out, d
}
