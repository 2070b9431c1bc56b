package api

import (
	"math"
	"sort"

	"vertumna/core/almanac"
	"vertumna/core/year"
	"vertumna/words"
)

func (s *server) planBody(p *Planned, day almanac.Day) PlanBody {
	pl := p.Shown
	south := p.Yard.Place.Site.South()
	out := PlanBody{
		Day: day, Today: s.Today(), Season: pl.Season, From: pl.From, To: pl.To, South: south, Summer: pl.Summer, Winter: pl.Winter,
		HoursAWeek: p.Yard.HoursAWeek, Frost: frostTicks(p.Yard.Place.Site, pl), Bands: bands(pl),
		Trees: []TreeSummary{}, Orchard: []Bar{}, LocalRules: words.LocalRules,
	}
	site := p.Yard.Place.Site
	if sun, err := almanac.SunOn(day, site.Lat, site.Lon); err == nil {
		out.DayHours = math.Round(sun.DayLengthMin/6) / 10
	}
	out.Spring, out.Autumn = equinoxes(site, pl)
	school, _ := p.Yard.School.Resolve(p.Yard.Place.Climate.WetWinter(), nil)
	out.ReachM, out.ReachKnown = school.ReachM(p.Yard.FingertipCM, p.Yard.CeilingCM)
	for i := range pl.Trees {
		out.Trees = append(out.Trees, p.summary(&pl.Trees[i], day))
	}
	for i := range pl.Orchard {
		out.Orchard = append(out.Orchard, p.bar(&pl.Orchard[i]))
	}
	out.StageSays, out.NextSays = p.Speaker.Season(pl, day)
	return out
}

func equinoxes(site *almanac.Site, pl *year.Plan) (spring, autumn almanac.Day) {
	in := func(year int, march bool) almanac.Day {
		se, err := almanac.SeasonsOf(year)
		if err != nil {
			return almanac.NoDay
		}
		if march {
			return se.March.Day(site.UTCOffsetMin)
		}
		return se.September.Day(site.UTCOffsetMin)
	}
	if site.South() {
		return in(pl.Season, false), in(pl.Season+1, true)
	}
	return in(pl.Season, true), in(pl.Season, false)
}

// frostTicks are the weekly chances of a frost on one night, from the normals.
func frostTicks(site *almanac.Site, pl *year.Plan) []FrostTick {
	out := []FrostTick{}
	for d := pl.From; d <= pl.To; d += 7 {
		n, err := almanac.NormalsOn(site, d)
		if err != nil {
			continue
		}
		if risk := math.Erfc(n.Tmin/math.Hypot(n.Sd, 0.125*n.Range)/math.Sqrt2) / 2; risk >= 0.02 {
			out = append(out, FrostTick{d, math.Round(100*risk) / 100})
		}
	}
	return out
}

// bands are the medians of the yard's own trees: dormancy to bud break, bloom, growth to its slowing, ripening.
func bands(pl *year.Plan) []Band {
	median := func(anchor string) almanac.Day {
		var ds []almanac.Day
		for i := range pl.Trees {
			if d := pl.Trees[i].Anchors.Day(anchor); d.Known() {
				ds = append(ds, d)
			}
		}
		if len(ds) == 0 {
			return almanac.NoDay
		}
		sort.Slice(ds, func(i, j int) bool { return ds[i] < ds[j] })
		return ds[len(ds)/2]
	}
	out := []Band{}
	add := func(name string, from, to almanac.Day) {
		if from.Known() && to.Known() && from < to {
			out = append(out, Band{name, max(from, pl.From), min(to, pl.To)})
		}
	}
	swell, bloom, petal := median("bud_swell"), median("first_bloom"), median("petal_fall")
	slow, fall := median("shoot_slowing"), median("leaf_fall")
	add("Dormancy", pl.From, swell)
	add("Bloom", bloom, petal)
	add("Growth", petal, slow)
	add("Ripening", slow, fall)
	return out
}
