package almanac_test

import (
	"encoding/json"
	"os"
	"path/filepath"
	"sync"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/pomology"
)

// sites are the places of the vectors, by slug.
func sites(t testing.TB) map[string]*almanac.Site {
	t.Helper()
	text, err := os.ReadFile(filepath.Join("testdata", "normals.json"))
	require.NoError(t, err)
	var f struct{ Sites map[string]*almanac.Site }
	require.NoError(t, json.Unmarshal(text, &f))
	require.NotEmpty(t, f.Sites)
	return f.Sites
}

func season(t testing.TB, s *almanac.Site, year int) []almanac.TempDay {
	t.Helper()
	days, err := almanac.Weather(s, almanac.SiteSeed(s.Slug), almanac.SeasonStart(year, s.South()), almanac.SeasonEnd(year, s.South()))
	require.NoError(t, err)
	return almanac.Temps(days)
}

func request(k *pomology.Kind, year int) almanac.StageRequest {
	return almanac.StageRequest{Kind: k, Season: year, LeafFallBefore: almanac.NoDay}
}

func TestDaysCountForwardThroughLeapYearsAndCenturies(t *testing.T) {
	require.Equal(t, almanac.Day(0), almanac.DateOf(1970, 1, 1))
	for d := almanac.DateOf(1899, 12, 25); d < almanac.DateOf(2101, 3, 5); d += 17 {
		back, err := almanac.ParseDay(d.String())
		require.NoError(t, err)
		require.Equal(t, d, back)
	}
	require.Equal(t, 3, almanac.DateOf(2026, 11, 25).Weekday())
	_, err := almanac.ParseDay("2100-02-29")
	require.ErrorContains(t, err, "YYYY-MM-DD expected")
}

func TestStagesNeverFallBack(t *testing.T) {
	orders := [][]almanac.Stage{
		{almanac.BudSwell, almanac.BudBreak, almanac.FirstBloom, almanac.FullBloom},
		{almanac.FullBloom, almanac.PetalFall, almanac.Fruit10, almanac.Fruit18, almanac.Fruit24},
		{almanac.PitHardening, almanac.DropEnd},
	}
	for slug, s := range sites(t) {
		days := season(t, s, 2024)
		for _, k := range pomology.Kinds() {
			res, err := almanac.StagesOf(s.Lat, days, request(k, 2024))
			require.NoError(t, err)
			for _, order := range orders {
				last := almanac.NoDay
				for _, st := range order {
					if d := res.Dates[st]; d.Known() {
						require.GreaterOrEqual(t, d, last, "%s %s %s", slug, k.Slug, st)
						last = d
					}
				}
			}
		}
	}
}

func TestANorthernSeriesMovedByHalfAYearGivesTheSameDatesInTheSouth(t *testing.T) {
	s := sites(t)["oceanic-47n"]
	const half = 181
	days := season(t, s, 2023)
	moved := make([]almanac.TempDay, len(days))
	for i, d := range days {
		moved[i] = almanac.TempDay{Date: d.Date + half, Tmin: d.Tmin, Tmax: d.Tmax}
	}
	for _, slug := range []string{"apple", "peach", "sweet-cherry", "persimmon"} {
		k, err := pomology.BySlug(slug)
		require.NoError(t, err)
		north, err := almanac.StagesOf(s.Lat, days, request(k, 2023))
		require.NoError(t, err)
		south, err := almanac.StagesOf(-s.Lat, moved, request(k, 2023))
		require.NoError(t, err)
		for _, st := range almanac.AllStages() {
			if north.Dates[st].Known() && south.Dates[st].Known() {
				require.InDelta(t, int(north.Dates[st]), int(south.Dates[st])-half, 2, "%s %s", slug, st)
			}
		}
	}
}

func TestWarmthAfterTheChillNeverDelaysBloom(t *testing.T) {
	for _, s := range sites(t) {
		days := season(t, s, 2025)
		for _, k := range pomology.Kinds() {
			before, err := almanac.StagesOf(s.Lat, days, request(k, 2025))
			require.NoError(t, err)
			if !before.ChillMet.Known() {
				continue
			}
			warm := append([]almanac.TempDay(nil), days...)
			for i, d := range warm {
				if d.Date > before.ChillMet && (d.Tmin+d.Tmax)/2 > 9 && d.Tmax <= 24 {
					warm[i].Tmin, warm[i].Tmax = d.Tmin+1, d.Tmax+1
				}
			}
			after, err := almanac.StagesOf(s.Lat, warm, request(k, 2025))
			require.NoError(t, err)
			if before.Dates[almanac.FullBloom].Known() {
				require.LessOrEqual(t, after.Dates[almanac.FullBloom], before.Dates[almanac.FullBloom], "%s %s", s.Slug, k.Slug)
			}
		}
	}
}

func TestSeeingWhatWasPredictedMovesLaterStagesNoMoreThanADayOrTwo(t *testing.T) {
	s := sites(t)["lower-terrace"]
	days := season(t, s, 2025)
	for _, k := range pomology.Kinds() {
		before, err := almanac.StagesOf(s.Lat, days, request(k, 2025))
		require.NoError(t, err)
		r := request(k, 2025)
		r.Observed = []almanac.Observation{{Stage: almanac.BudBreak, Date: before.Dates[almanac.BudBreak]}}
		after, err := almanac.StagesOf(s.Lat, days, r)
		require.NoError(t, err)
		require.GreaterOrEqual(t, after.Dates[almanac.FullBloom], before.Dates[almanac.FullBloom], k.Slug)
		require.LessOrEqual(t, after.Dates[almanac.FullBloom]-before.Dates[almanac.FullBloom], almanac.Day(2), k.Slug)
	}
}

func TestAnEnsembleIsOrderedSharedAndTheSameForAllCallers(t *testing.T) {
	s := sites(t)["saltwind"]
	e, err := almanac.NewEnsemble(s, almanac.SiteSeed(s.Slug), nil, 2026)
	require.NoError(t, err)
	var wg sync.WaitGroup
	got := make([]almanac.StageSpans, 8)
	k, err := pomology.BySlug("apple")
	require.NoError(t, err)
	for i := range got {
		wg.Go(func() { got[i], _ = e.Stages(request(k, 2026)) })
	}
	wg.Wait()
	for _, g := range got {
		require.Equal(t, got[0], g)
	}
	for st, sp := range got[0].Spans {
		if sp.Late.Known() {
			require.LessOrEqual(t, sp.Early, sp.Median, almanac.Stage(st))
			require.LessOrEqual(t, sp.Median, sp.Late, almanac.Stage(st))
		}
	}
	require.Equal(t, 2026, got[0].Spans[almanac.FullBloom].Median.Year())
	require.Greater(t, got[0].Spans[almanac.HarvestStart].Median, almanac.DateOf(2027, 1, 1), "southern apples ripen after the turn of the year")
}

func TestASiteWithoutFrostHasNoFrostDates(t *testing.T) {
	s := *sites(t)["subtropical-30n"]
	s.Tmin, s.Tmax = append([]float64(nil), s.Tmin...), append([]float64(nil), s.Tmax...)
	for i := range s.Tmin {
		s.Tmin[i], s.Tmax[i] = s.Tmin[i]+25, s.Tmax[i]+25
	}
	f, err := almanac.FrostDatesOf(&s)
	require.NoError(t, err)
	require.Equal(t, almanac.FrostDates{}, f)
}

func BenchmarkEnsembleOfASite(b *testing.B) {
	s := sites(b)["lower-terrace"]
	for b.Loop() {
		e, err := almanac.NewEnsemble(s, 1, nil, 2026)
		require.NoError(b, err)
		for _, k := range pomology.Kinds() {
			_, err := e.Stages(request(k, 2026))
			require.NoError(b, err)
		}
	}
}
