package almanac_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/pomology"
)

func TestTheSolsticesAreTheLongestAndShortestDays(t *testing.T) {
	for _, year := range []int{2001, 2026, 2077} {
		s, err := almanac.SeasonsOf(year)
		require.NoError(t, err)
		length := func(d almanac.Day) float64 {
			sun, err := almanac.SunOn(d, 47, 12)
			require.NoError(t, err)
			return sun.DayLengthMin
		}
		june, december := s.June.Day(60), s.December.Day(60)
		for _, off := range []almanac.Day{-40, -9, 9, 40} {
			require.Greater(t, length(june), length(june+off))
			require.Less(t, length(december), length(december+off))
		}
	}
}

func TestTheSunStandsSouthAtNoonInTheNorthAndNorthInTheSouth(t *testing.T) {
	day := almanac.DateOf(2026, 11, 25)
	for lat, azimuth := range map[float64]float64{47: 180, -43: 0} {
		sun, err := almanac.SunOn(day, lat, 0)
		require.NoError(t, err)
		p, err := almanac.SunAt(day, sun.NoonUTCMin, lat, 0)
		require.NoError(t, err)
		require.InDelta(t, 0, math.Mod(p.AzimDeg-azimuth+540, 360)-180, 0.2, "%v", lat)
		require.InDelta(t, 90-math.Abs(lat-p.DeclDeg), p.ElevDeg, 0.01)
	}
}

func TestPlacesAndHoursOutsideTheirRangesAreRefusedByName(t *testing.T) {
	day := almanac.DateOf(2026, 6, 1)
	_, err := almanac.SunOn(day, math.NaN(), 0)
	require.ErrorContains(t, err, "lat")
	_, err = almanac.SunAt(day, 1441, 47, 0)
	require.ErrorContains(t, err, "0 to 1440")
	_, err = almanac.Hourly(99, nil)
	require.ErrorContains(t, err, "lat")
}

func TestHourlyTemperaturesTouchTheDaysExtremesAndStayWithin(t *testing.T) {
	days := []almanac.TempDay{}
	for i := range 20 {
		days = append(days, almanac.TempDay{Date: almanac.DateOf(2026, 4, 1) + almanac.Day(i), Tmin: 3 + float64(i%3), Tmax: 14 + float64(i%5)})
	}
	h, err := almanac.Hourly(47, days)
	require.NoError(t, err)
	require.Len(t, h.Hours, 24*len(days))
	for i := 1; i < len(days)-1; i++ {
		lo, hi := math.Inf(1), math.Inf(-1)
		for _, v := range h.Hours[24*i : 24*i+24] {
			lo, hi = math.Min(lo, v), math.Max(hi, v)
		}
		require.InDelta(t, days[i].Tmax, hi, 0.5)
		require.GreaterOrEqual(t, lo, days[i].Tmin-0.01)
	}
}

func TestShortHolesAreFilledByStraightLines(t *testing.T) {
	d := almanac.DateOf(2026, 3, 10)
	h, err := almanac.Hourly(47, []almanac.TempDay{{Date: d, Tmin: 0, Tmax: 8}, {Date: d + 4, Tmin: 4, Tmax: 16}})
	require.NoError(t, err)
	require.Len(t, h.Days, 5)
	require.InDelta(t, 2, h.Days[2].Tmin, 1e-9)
	require.InDelta(t, 12, h.Days[2].Tmax, 1e-9)
}

func TestChillLikesItCoolAndHeatLikesItWarm(t *testing.T) {
	run := func(temp float64) (almanac.Chill, float64) {
		hours := make([]float64, 24*60)
		sum := 0.0
		for i := range hours {
			hours[i] = temp
			sum += almanac.GDH(temp)
		}
		return almanac.ChillOf(hours), sum
	}
	cold, _ := run(-10)
	cool, coolHeat := run(6)
	warm, warmHeat := run(22)
	require.Less(t, cold.Portions, 1.0)
	require.Greater(t, cool.Portions, 40.0)
	require.Zero(t, warm.Portions)
	require.Negative(t, warm.Units, "warm hours undo chill units")
	require.InDelta(t, 24*60, cool.Hours, 1e-9)
	require.Greater(t, warmHeat, coolHeat)
	require.Zero(t, almanac.GDH(3.9))
	require.Zero(t, almanac.GDH(36))
	require.InDelta(t, 21, almanac.GDH(25), 1e-9)
}

func TestTheForecastOfTodayIsTheTruthAndLosesItWithTheDays(t *testing.T) {
	s := sites(t)["lower-terrace"]
	near, far := 0.0, 0.0
	for i := range 60 {
		issued := almanac.DateOf(2026, 1, 1) + almanac.Day(6*i)
		truth, err := almanac.Weather(s, 7, issued, issued+almanac.ForecastLeads)
		require.NoError(t, err)
		f, err := almanac.ForecastFrom(s, 7, issued)
		require.NoError(t, err)
		require.Len(t, f, almanac.ForecastLeads+1)
		require.InDelta(t, truth[0].Tmin, f[0].Tmin, 0.051)
		require.InDelta(t, truth[0].RainMM, f[0].RainMM, 0.051)
		near += math.Abs((f[1].Tmin + f[1].Tmax - truth[1].Tmin - truth[1].Tmax) / 2)
		far += math.Abs((f[14].Tmin + f[14].Tmax - truth[14].Tmin - truth[14].Tmax) / 2)
	}
	require.Less(t, near, far)
	require.InDelta(t, 0.7, near/60, 0.4)
}

func TestWeatherKeepsItsNormals(t *testing.T) {
	s := sites(t)["oceanic-41s"]
	tmin, rain, n := 0.0, 0.0, 0
	for y := 2010; y < 2040; y++ {
		days, err := almanac.Weather(s, 3, almanac.DateOf(y, 1, 1), almanac.DateOf(y, 12, 31))
		require.NoError(t, err)
		for _, d := range days {
			require.LessOrEqual(t, d.Tmin, d.Tmax)
			tmin, rain, n = tmin+d.Tmin, rain+d.RainMM, n+1
		}
	}
	meanMin, yearRain := 0.0, 0.0
	for i := range 12 {
		meanMin, yearRain = meanMin+s.Tmin[i]/12, yearRain+s.RainMM[i]
	}
	require.InDelta(t, meanMin, tmin/float64(n), 0.4)
	require.InEpsilon(t, yearRain, rain/30, 0.06)
}

func TestFrostKillsMoreTheColderTheNightAndTheLaterTheStage(t *testing.T) {
	killed := func(key string, tmin float64) float64 {
		f, err := almanac.FrostKill("peach", []almanac.FrostNight{{Key: key, Tmin: tmin}})
		require.NoError(t, err)
		return f.Killed[0]
	}
	require.InDelta(t, 0.1, killed("full_bloom", -2.8), 1e-9)
	require.InDelta(t, 0.9, killed("full_bloom", -4.4), 1e-9)
	require.Greater(t, killed("full_bloom", -3.5), killed("bud_break", -3.5))
	one, err := almanac.FrostKill("peach", []almanac.FrostNight{{Key: "full_bloom", Tmin: -3}})
	require.NoError(t, err)
	two, err := almanac.FrostKill("peach", []almanac.FrostNight{{Key: "full_bloom", Tmin: -3}, {Key: "full_bloom", Tmin: -3}})
	require.NoError(t, err)
	require.Less(t, two.Alive, one.Alive)
	require.Greater(t, two.Alive, one.Alive*one.Alive, "the hardiest are left")
	none, err := almanac.FrostKill("peach", nil)
	require.NoError(t, err)
	require.InDelta(t, 1, none.Alive, 1e-9)
}

func TestADayFitForOneJobMayNotBeForAnother(t *testing.T) {
	days := []almanac.ForecastDay{}
	for i := range 5 {
		days = append(days, almanac.ForecastDay{Date: almanac.DateOf(2026, 2, 1) + almanac.Day(i), Tmin: -4, Tmax: 3, GustKmh: 20})
	}
	pome, err := almanac.FitDays(almanac.WinterPome, days)
	require.NoError(t, err)
	require.True(t, pome[0].Fit)
	stone, err := almanac.FitDays(almanac.WinterStone, days)
	require.NoError(t, err)
	require.Equal(t, "cold", stone[0].Why)
	days[2].RainMM, days[2].Pop = 6, 0.9
	pome, err = almanac.FitDays(almanac.WinterPome, days)
	require.NoError(t, err)
	require.Equal(t, []string{"", "rain_after", "rain", "", "unknown_after"}, []string{pome[0].Why, pome[1].Why, pome[2].Why, pome[3].Why, pome[4].Why})
}

func TestClassesMoveBloomTheWayTheySay(t *testing.T) {
	s := sites(t)["lower-terrace"]
	days := season(t, s, 2026)
	k, err := pomology.BySlug("apple")
	require.NoError(t, err)
	bloom := func(with func(*almanac.StageRequest)) almanac.Dates {
		r := request(k, 2026)
		with(&r)
		res, err := almanac.StagesOf(s.Lat, days, r)
		require.NoError(t, err)
		return res.Dates
	}
	mid := bloom(func(*almanac.StageRequest) {})
	require.Less(t, bloom(func(r *almanac.StageRequest) { r.BloomClass = "early" })[almanac.FullBloom], mid[almanac.FullBloom])
	require.Greater(t, bloom(func(r *almanac.StageRequest) { r.BloomClass = "late" })[almanac.FullBloom], mid[almanac.FullBloom])
	require.Less(t, bloom(func(r *almanac.StageRequest) { r.ChillClass = "low" })[almanac.FullBloom], mid[almanac.FullBloom])
	require.Less(t, bloom(func(r *almanac.StageRequest) { r.HarvestClass = "early" })[almanac.HarvestStart], mid[almanac.HarvestStart])
	require.Equal(t, mid[almanac.FullBloom]+4, bloom(func(r *almanac.StageRequest) { r.OffsetSpring = 4.2 })[almanac.FullBloom])
}

func TestAnEnsembleWithKnownDaysAgreesOnThePast(t *testing.T) {
	s := sites(t)["lower-terrace"]
	all := season(t, s, 2026)
	k, err := pomology.BySlug("apricot")
	require.NoError(t, err)
	e, err := almanac.NewEnsemble(s, 5, all, 2026)
	require.NoError(t, err)
	sp, err := e.Stages(request(k, 2026))
	require.NoError(t, err)
	require.Equal(t, sp.Spans[almanac.FullBloom].Early, sp.Spans[almanac.FullBloom].Late, "nothing is left to guess")
	part, err := almanac.NewEnsemble(s, 5, all[:200], 2026)
	require.NoError(t, err)
	sp, err = part.Stages(request(k, 2026))
	require.NoError(t, err)
	require.Less(t, sp.Spans[almanac.FullBloom].Early, sp.Spans[almanac.FullBloom].Late)
	late, err := almanac.NewEnsemble(s, 5, all[150:], 2026)
	require.NoError(t, err)
	_, err = late.Stages(request(k, 2026))
	require.ErrorContains(t, err, "or earlier")
}

func TestEveryKindsKillTableStandsAndEachIsUsed(t *testing.T) {
	for _, k := range pomology.Kinds() {
		low, high, err := almanac.KillTemps(k.Slug, "full_bloom", 0)
		if k.Year.Kill == "" {
			require.Error(t, err, k.Slug)
			continue
		}
		require.NoError(t, err, "%s: its table %q", k.Slug, k.Year.Kill)
		require.Less(t, high, low, k.Slug)
	}
}
