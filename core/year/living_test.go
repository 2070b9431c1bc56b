package year_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/pomology"
	"vertumna/core/training"
	"vertumna/core/year"
)

// told are the rules of a tree's warnings.
func told(tp year.TreePlan) map[string]year.Reason {
	out := map[string]year.Reason{}
	for _, w := range tp.Warnings {
		out[w.Rule] = w
	}
	return out
}

func TestWintersWithoutALoggedCutAreMentioned(t *testing.T) {
	w, ok := told(at(t, "lower-terrace", tree(t, "apple")).on("2027-02-20"))["unlogged-winters"]
	require.True(t, ok)
	require.Equal(t, 9.0, w.Number)
	cut := year.Entry{Date: day("2025-02-20"), Kind: year.WorkEntry, Task: year.DormantCut, Outcome: year.Done, Share: 0.1}
	require.NotContains(t, told(at(t, "lower-terrace", tree(t, "apple")).with(cut).on("2027-02-20")), "unlogged-winters")
	dead := cut
	dead.FreeOnly = true
	require.Contains(t, told(at(t, "lower-terrace", tree(t, "apple")).with(dead).on("2027-02-20")), "unlogged-winters", "dead wood alone is no cut")
	young := tree(t, "apple", func(x *year.Tree) { x.Planted = almanac.DateOf(2024, 11, 12) })
	require.NotContains(t, told(at(t, "lower-terrace", young).on("2027-02-20")), "unlogged-winters")
}

func skyOf(from almanac.Day, days ...year.SkyDay) []year.SkyDay {
	for i := range days {
		days[i].Date = from + almanac.Day(i)
	}
	return days
}

func TestAStormBooksALookAtStakeAndTieTheDayAfter(t *testing.T) {
	storm := skyOf(day("2027-06-14"), year.SkyDay{Tmin: 12, Tmax: 20, GustKmh: 92})
	weak := tree(t, "apple", func(x *year.Tree) { x.Class = pomology.Dwarfing })
	s := at(t, "lower-terrace", weak)
	s.yard.Sky = storm
	tie := year.Entry{ID: "tied", Date: day("2027-05-20"), Kind: year.WorkEntry, Task: year.Bend, Outcome: year.Done, Rig: &training.RigAct{Act: "on", Rig: training.Rig{ID: "tied", Device: "tie"}}}
	checks := find(s.with(tie).on("2027-06-15"), year.CheckTies)
	var stake, device bool
	for _, c := range checks {
		switch c.Reasons[0].Rule {
		case "stake-gust":
			stake = true
			require.Equal(t, day("2027-06-15"), c.Window.Opens.Day)
		case "device-gust":
			device = true
			require.Equal(t, day("2027-06-14"), c.Reasons[0].Day, "the day of the wind")
			require.Equal(t, day("2027-06-15"), c.Window.Opens.Day)
		}
	}
	require.True(t, stake && device, "%v", checks)
	strong := at(t, "lower-terrace", tree(t, "apple"))
	strong.yard.Sky = storm
	require.Empty(t, find(strong.on("2027-06-15"), year.CheckTies), "a grown tree on a strong stock stands by itself")
	prop := year.Entry{Date: day("2027-06-10"), Kind: year.WorkEntry, Task: year.Prop, Outcome: year.Done}
	held := find(strong.with(prop).on("2027-06-15"), year.CheckTies)
	require.Len(t, held, 1)
	require.Equal(t, "prop-gust", held[0].Reasons[0].Rule)
	calm := at(t, "lower-terrace", weak)
	calm.yard.Sky = skyOf(day("2027-06-14"), year.SkyDay{Tmin: 12, Tmax: 20, GustKmh: 40})
	require.Empty(t, find(calm.on("2027-06-15"), year.CheckTies))
}

func TestRainOnFreshWoundsIsToldAndBrownRotBeforeHarvest(t *testing.T) {
	cut := year.Entry{Date: day("2027-07-30"), Kind: year.WorkEntry, Task: year.SummerCut, Outcome: year.Done, Share: 0.1}
	wet := skyOf(day("2027-07-30"), year.SkyDay{Tmin: 14, Tmax: 22}, year.SkyDay{Tmin: 14, Tmax: 22, RainMM: 8}, year.SkyDay{Tmin: 14, Tmax: 22, RainMM: 5}, year.SkyDay{Tmin: 14, Tmax: 22, RainMM: 12})
	s := at(t, "lower-terrace", tree(t, "peach")).with(cut)
	s.yard.Sky = wet
	got := told(s.on("2027-08-03"))
	require.Equal(t, 3.0, got["wet-on-wounds"].Number)
	require.Contains(t, got, "brown-rot")
	dry := at(t, "lower-terrace", tree(t, "peach")).with(cut)
	dry.yard.Sky = skyOf(day("2027-07-30"), year.SkyDay{Tmin: 14, Tmax: 24}, year.SkyDay{Tmin: 14, Tmax: 24}, year.SkyDay{Tmin: 14, Tmax: 24})
	got = told(dry.on("2027-08-03"))
	require.NotContains(t, got, "wet-on-wounds")
	require.NotContains(t, got, "brown-rot")
}

func TestATreesOwnLagIsLearntFromSeasonsWhoseWeatherIsKnown(t *testing.T) {
	p := place(t, "lower-terrace")
	past := func(season int) *almanac.Ensemble {
		days, err := almanac.Weather(p.Site, almanac.SiteSeed(p.Site.Slug), almanac.SeasonStart(season, false), almanac.DateOf(season, 10, 1))
		require.NoError(t, err)
		e, err := almanac.NewEnsemble(p.Site, 1, almanac.Temps(days), season)
		require.NoError(t, err)
		return e
	}
	apple := tree(t, "apple")
	last := 0.0
	var entries []year.Entry
	var ensembles []*almanac.Ensemble
	for season := 2024; season <= 2026; season++ {
		e := past(season)
		spans, err := e.Stages(year.StagesAsked(&apple, nil, season, false))
		require.NoError(t, err)
		entries = append(entries, year.Entry{Tree: "t1", Date: spans.Spans[almanac.FullBloom].Median + 6, Season: season, Kind: year.ObservedEntry, Stage: almanac.FullBloom})
		ensembles = append(ensembles, e)
		lag, err := year.LagOf(&apple, entries, ensembles, false)
		require.NoError(t, err)
		require.Equal(t, season-2023, lag.Seasons)
		require.Greater(t, lag.Spring, last, "each year adds to it")
		require.Less(t, lag.Spring, 6.0, "and never all of it")
		last = lag.Spring
	}
	// what was learnt is in the next forecast
	late := apple
	late.Lag = year.Lag{Spring: last, Seasons: 3}
	a := at(t, "lower-terrace", apple).on("2027-02-20").Anchors.Day("full_bloom")
	b := at(t, "lower-terrace", late).on("2027-02-20").Anchors.Day("full_bloom")
	require.InDelta(t, last, float64(b-a), 0.6)
	// where no weather is known, nothing is learnt of the tree
	unknown, err := almanac.NewEnsemble(p.Site, 1, nil, 2026)
	require.NoError(t, err)
	none, err := year.LagOf(&apple, entries, []*almanac.Ensemble{unknown}, false)
	require.NoError(t, err)
	require.Zero(t, none)
}

func TestNightsOfFrostTellWhatIsLeftAndNoBudComesBack(t *testing.T) {
	tp := at(t, "lower-terrace", tree(t, "peach")).on("2027-05-20")
	bloom := tp.Anchors.Day("full_bloom")
	nights := []almanac.TempDay{{Date: bloom - 30, Tmin: -2, Tmax: 5}, {Date: bloom, Tmin: -3.2, Tmax: 8}, {Date: bloom + 2, Tmin: -3.6, Tmax: 8}, {Date: bloom + 4, Tmin: 1, Tmax: 9}}
	got := year.Frosts(tp.Tree, tp.Anchors, nights, bloom+10)
	require.Len(t, got, 3, "a night over freezing is none")
	last := 1.0
	for _, n := range got {
		require.LessOrEqual(t, n.Alive, last)
		last = n.Alive
	}
	require.Less(t, last, 0.8)
	require.NotEmpty(t, year.Hardiness(tp.Tree, tp.Anchors))
	fig := at(t, "lower-terrace", tree(t, "fig")).on("2027-05-20")
	require.Empty(t, year.Frosts(fig.Tree, fig.Anchors, nights, bloom+10), "no table: nothing is guessed")
}
