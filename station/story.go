package station

import (
	"sync"

	"vertumna/core/almanac"
	"vertumna/core/pomology"
)

// Shape changes the days of a place's weather: as they were, and as they are forecast.
type Shape func(site *almanac.Site, d *Day)

// What the story does: our own.
const (
	bloomFrostC  = -3.4 // two nights after peaches are in full bloom
	bloomFrostAt = 2
	stormKmh     = 92
	stormMM      = 18
)

// story finds the day of each season's frost once.
type story struct {
	mu     sync.Mutex
	frosts map[frostOf]almanac.Day
}

type frostOf struct {
	slug   string
	season int
}

// Story is the weather that the demo lives through each year: a frost while peaches bloom, a storm in June, a May with hardly any rain;
// six months later in the south. All else is the generator's.
func Story() Shape {
	s := &story{frosts: map[frostOf]almanac.Day{}}
	return func(site *almanac.Site, d *Day) {
		year, month, dom := d.Date.Date()
		if site.South() {
			month = (month+5)%12 + 1
		}
		switch {
		case d.Date == s.frost(site, year):
			d.Tmin = min(d.Tmin, bloomFrostC)
			d.Tmax = min(d.Tmax, 9)
			d.RainMM = 0
		case month == 5 && dom != 9 && dom != 23:
			d.RainMM = 0
			if d.Pop != nil {
				dry := min(*d.Pop, 0.1)
				d.Pop = &dry
			}
		case month == 6 && dom == 14:
			d.GustKmh, d.RainMM = max(d.GustKmh, stormKmh), max(d.RainMM, stormMM)
			if d.Pop != nil {
				wet := max(*d.Pop, 0.9)
				d.Pop = &wet
			}
		}
	}
}

// frost is the night of a season that peaches are caught in; NoDay where they do not bloom.
func (s *story) frost(site *almanac.Site, season int) almanac.Day {
	s.mu.Lock()
	defer s.mu.Unlock()
	key := frostOf{site.Slug, season}
	if d, ok := s.frosts[key]; ok {
		return d
	}
	s.frosts[key] = almanac.NoDay
	peach, err := pomology.BySlug("peach")
	if err != nil {
		return almanac.NoDay
	}
	days, err := almanac.Weather(site, almanac.SiteSeed(site.Slug), almanac.SeasonStart(season, site.South()), almanac.Solstice(season, site.South()))
	if err != nil {
		return almanac.NoDay
	}
	res, err := almanac.StagesOf(site.Lat, almanac.Temps(days), almanac.StageRequest{Kind: peach, Season: season, LeafFallBefore: almanac.NoDay})
	if err == nil && res.Dates[almanac.FullBloom].Known() {
		s.frosts[key] = res.Dates[almanac.FullBloom] + bloomFrostAt
	}
	return s.frosts[key]
}
