package almanac

import (
	"fmt"
	"math"
)

// mostMissing is the share of a season's days, up to the last known one, that may be missing and filled in from usual weather before the
// season stands on usual weather whole; our own estimate.
const mostMissing = 0.2

// KnownSeason is what is known of a season's days, from its start to the last day told, without a break: a missing day is of usual weather.
// Days are told by date; those outside the season are left out. Nothing where more than a fifth is missing. Filled: how many days are of
// usual weather. Cost grows with the days of the season.
func KnownSeason(s *Site, season int, told []TempDay) (days []TempDay, filled int) {
	from, to := SeasonStart(season, s.South()), SeasonEnd(season, s.South())
	by := map[Day]TempDay{}
	last := NoDay
	for _, d := range told {
		if d.Date < from || d.Date > to {
			continue
		}
		by[d.Date] = d
		if !last.Known() || d.Date > last {
			last = d.Date
		}
	}
	if !last.Known() {
		return nil, 0
	}
	for d := from; d <= last; d++ {
		t, ok := by[d]
		if !ok {
			n, err := NormalsOn(s, d)
			if err != nil {
				return nil, 0
			}
			t = TempDay{Date: d, Tmin: n.Tmin, Tmax: n.Tmax}
			filled++
		}
		days = append(days, t)
	}
	if float64(filled) > mostMissing*float64(len(days)) {
		return nil, 0
	}
	return days, filled
}

// How far, and over how many days at least, weather is judged against the usual: a week or more that lies further off is of another place
// or in another unit. Wide of any spell on record; our own estimate, C.
const (
	mostOffC  = 16
	leastDays = 7
)

// LikelyAt refuses days that cannot be weather of a site. Error: unlikely_weather.
func LikelyAt(s *Site, days []TempDay) error {
	if len(days) < leastDays {
		return nil
	}
	off := 0.0
	for _, d := range days {
		n, err := NormalsOn(s, d.Date)
		if err != nil {
			return err
		}
		off += (d.Tmin+d.Tmax)/2 - n.Mean
	}
	off /= float64(len(days))
	if math.Abs(off) > mostOffC {
		return refuse("unlikely_weather", "days", fmt.Sprintf("%d days that are %+.0f C off the usual", len(days), off), "weather of this place in degrees C")
	}
	return nil
}
