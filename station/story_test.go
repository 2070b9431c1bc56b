package station

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/pomology"
)

func TestTheStoryHasItsFrostItsStormAndItsDryMonthInBothHemispheres(t *testing.T) {
	peach, err := pomology.BySlug("peach")
	require.NoError(t, err)
	shape := Story()
	for _, site := range almanac.Climates() {
		south := site.South()
		for _, season := range []int{2026, 2027} {
			from, to := almanac.SeasonStart(season, south), almanac.SeasonEnd(season, south)
			raw, err := almanac.Weather(&site, almanac.SiteSeed(site.Slug), from, to)
			require.NoError(t, err)
			var temps []almanac.TempDay
			storms, wetDays := 0, 0
			for _, r := range raw {
				d := Day{Date: r.Date, Tmin: r.Tmin, Tmax: r.Tmax, RainMM: r.RainMM, GustKmh: r.GustKm}
				shape(&site, &d)
				require.LessOrEqual(t, d.Tmin, d.Tmax, "%s %s", site.Slug, d.Date)
				temps = append(temps, almanac.TempDay{Date: d.Date, Tmin: d.Tmin, Tmax: d.Tmax})
				_, month, dom := d.Date.Date()
				if d.GustKmh >= stormKmh && dom == 14 && (month == 6) != south && (month == 12) == south {
					storms++
				}
				if month == 5 && !south || month == 11 && south {
					if d.RainMM > 0 {
						wetDays++
					}
				}
			}
			require.Positive(t, storms, "%s %d", site.Slug, season)
			require.LessOrEqual(t, wetDays, 4, "%s %d", site.Slug, season)
			res, err := almanac.StagesOf(site.Lat, temps, almanac.StageRequest{Kind: peach, Season: season, LeafFallBefore: almanac.NoDay})
			require.NoError(t, err)
			bloom := res.Dates[almanac.FullBloom]
			if !bloom.Known() {
				continue
			}
			cold := false
			for _, d := range temps {
				cold = cold || d.Date >= bloom && d.Date <= bloom+5 && d.Tmin <= bloomFrostC
			}
			require.True(t, cold, "%s %d: no frost about %s", site.Slug, season, bloom)
		}
	}
}

func TestTheStoryTellsNothingElse(t *testing.T) {
	site := almanac.Climates()[0]
	shape := Story()
	for d := almanac.DateOf(2027, 7, 1); d < almanac.DateOf(2027, 9, 1); d++ {
		day := Day{Date: d, Tmin: 12, Tmax: 25, RainMM: 3, GustKmh: 20}
		was := day
		shape(&site, &day)
		require.Equal(t, was, day)
	}
}
