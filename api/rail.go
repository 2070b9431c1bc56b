package api

import (
	"math"

	"vertumna/core/almanac"
	"vertumna/core/year"
	"vertumna/words"
)

func (s *server) planBody(p *Planned, day almanac.Day) PlanBody {
	pl := p.Shown
	south := p.Yard.Place.Site.South()
	out := PlanBody{
		Day: day, Today: s.Today(), Season: pl.Season, From: pl.From, To: pl.To, South: south, Summer: pl.Summer, Winter: pl.Winter,
		HoursAWeek: p.Yard.HoursAWeek, Frost: []FrostTick{}, Bands: []Band{},
		Trees: []TreeSummary{}, Orchard: []Bar{}, LocalRules: words.LocalRules, SetAside: []string{},
	}
	for _, b := range p.Contents.SetAside {
		out.SetAside = append(out.SetAside, words.SetAside(b.Table, b.ID))
	}
	for _, code := range p.Unworked {
		out.SetAside = append(out.SetAside, words.Unworked(code))
	}
	site := p.Yard.Place.Site
	if sun, err := almanac.SunOn(day, site.Lat, site.Lon); err == nil {
		out.DayHours = math.Round(sun.DayLengthMin/6) / 10
	}
	out.Spring, out.Autumn = year.Equinoxes(site, pl.Season)
	for _, f := range year.FrostTicks(site, pl) {
		out.Frost = append(out.Frost, FrostTick(f))
	}
	for _, b := range year.Bands(pl) {
		out.Bands = append(out.Bands, Band(b))
	}
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
