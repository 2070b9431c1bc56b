package almanac_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
)

// told is a run of simulated days of a site.
func told(t *testing.T, s *almanac.Site, from, to almanac.Day) []almanac.TempDay {
	days, err := almanac.Weather(s, almanac.SiteSeed(s.Slug), from, to)
	require.NoError(t, err)
	return almanac.Temps(days)
}

// A season's known days run from its start without a break, say each day told, and fill in no more than a fifth.
func TestAKnownSeasonHasNoBreak(t *testing.T) {
	for _, s := range almanac.Climates() {
		const season = 2027
		from := almanac.SeasonStart(season, s.South())
		all := told(t, &s, from-40, from+150)
		days, filled := almanac.KnownSeason(&s, season, all)
		require.Zero(t, filled)
		require.Len(t, days, 151)
		require.Equal(t, all[40:], days)

		var thin []almanac.TempDay
		for i, d := range all {
			if i%10 != 3 {
				thin = append(thin, d)
			}
		}
		days, filled = almanac.KnownSeason(&s, season, thin)
		require.Equal(t, 15, filled)
		for i, d := range days {
			require.Equal(t, from+almanac.Day(i), d.Date)
			require.LessOrEqual(t, d.Tmin, d.Tmax)
		}
		days, _ = almanac.KnownSeason(&s, season, all[150:]) // too little
		require.Empty(t, days)
		days, _ = almanac.KnownSeason(&s, season, nil)
		require.Empty(t, days)
	}
}

func TestWeatherOfAnotherUnitOrPlaceIsUnlikely(t *testing.T) {
	for _, s := range almanac.Climates() {
		from := almanac.DateOf(2027, 1, 1)
		days := told(t, &s, from, from+364)
		for at := 0; at+30 <= len(days); at += 15 {
			require.NoError(t, almanac.LikelyAt(&s, days[at:at+30]), "%s, from %s", s.Slug, days[at].Date)
		}
		warm := append([]almanac.TempDay{}, days[170:200]...)
		for i := range warm {
			warm[i].Tmin, warm[i].Tmax = warm[i].Tmin*1.8+32, warm[i].Tmax*1.8+32
		}
		require.Error(t, almanac.LikelyAt(&s, warm), s.Slug)
		require.NoError(t, almanac.LikelyAt(&s, warm[:3]), "too few to tell")
	}
}
