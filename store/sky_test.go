package store_test

import (
	"encoding/json"
	"fmt"
	"testing"
	"time"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/store"
)

func known(on string, tmin, tmax, rain float64) store.KnownDay {
	return store.KnownDay{Date: day(on), Tmin: tmin, Tmax: tmax, RainMM: rain}
}

func TestADayReadOnThePlotCountsBeforeAFileAndAFileBeforeTheStation(t *testing.T) {
	for _, order := range [][]string{
		{store.FromStation, store.FromFile, store.FromOwn}, {store.FromOwn, store.FromStation, store.FromFile}, {store.FromFile, store.FromOwn, store.FromStation},
	} {
		s, _ := open(t)
		o := orchard(t, s, "Sky")
		temp := map[string]float64{store.FromStation: 1, store.FromFile: 2, store.FromOwn: 3}
		for n, source := range order {
			fresh, err := s.SaveDays(ctx, o.ID, source, []store.KnownDay{known("2027-03-01", temp[source], 12, 0)})
			require.NoError(t, err)
			require.True(t, fresh)
			sky, err := s.Sky(ctx, o.ID)
			require.NoError(t, err)
			require.Len(t, sky.Days, 1)
			strongest := 0.0
			for _, given := range order[:n+1] {
				strongest = max(strongest, temp[given])
			}
			require.InDelta(t, strongest, sky.Days[0].Tmin, 1e-9, "%v", order[:n+1])
		}
		sky, err := s.Sky(ctx, o.ID)
		require.NoError(t, err)
		require.Len(t, sky.Beside, 1, "%v: the plot's own day stands beside the station's", order)
		require.InDelta(t, 3, sky.Beside[0].Own.Tmin, 1e-9)
		require.InDelta(t, 1, sky.Beside[0].Station.Tmin, 1e-9)
	}
}

func TestADayOfOnesOwnThermometerKeepsTheStationsWind(t *testing.T) {
	s, _ := open(t)
	o := orchard(t, s, "Wind")
	windy := known("2027-03-01", 1, 9, 4)
	windy.GustKmh = 70
	_, err := s.SaveDays(ctx, o.ID, store.FromStation, []store.KnownDay{windy})
	require.NoError(t, err)
	_, err = s.SaveDays(ctx, o.ID, store.FromOwn, []store.KnownDay{known("2027-03-01", -1, 8, 2)})
	require.NoError(t, err)
	sky, err := s.Sky(ctx, o.ID)
	require.NoError(t, err)
	require.InDelta(t, 70, sky.Days[0].GustKmh, 1e-9)
	require.InDelta(t, -1, sky.Days[0].Tmin, 1e-9)
	require.InDelta(t, 2, sky.Days[0].RainMM, 1e-9)
}

func TestDaysToldAgainAreNotNewAndMoveNoPlan(t *testing.T) {
	s, _ := open(t)
	o := orchard(t, s, "Again")
	days := []store.KnownDay{known("2027-03-01", 1, 9, 0), known("2027-03-02", 2, 10, 0)}
	revision := func() int {
		o, err := s.Orchard(ctx, o.Slug)
		require.NoError(t, err)
		return o.Revision
	}
	fresh, err := s.SaveDays(ctx, o.ID, store.FromStation, days)
	require.NoError(t, err)
	require.True(t, fresh)
	before := revision()
	fresh, err = s.SaveDays(ctx, o.ID, store.FromStation, days)
	require.NoError(t, err)
	require.False(t, fresh)
	require.Equal(t, before, revision())
	days[1].RainMM = 3
	fresh, err = s.SaveDays(ctx, o.ID, store.FromStation, days)
	require.NoError(t, err)
	require.True(t, fresh)
	require.Greater(t, revision(), before)
}

func TestAStationThatFailsLeavesTheLastGoodForecast(t *testing.T) {
	now := time.Date(2027, 3, 1, 6, 0, 0, 0, time.UTC)
	s, _ := open(t, store.WithClock(func() time.Time { return now }))
	o := orchard(t, s, "Forecast")
	sky := func() *store.Sky {
		got, err := s.Sky(ctx, o.ID)
		require.NoError(t, err)
		return got
	}
	require.Empty(t, sky().Asked, "it was never asked")
	require.NoError(t, s.NoForecast(ctx, o.ID, "the station answers 503"))
	require.Equal(t, "the station answers 503", sky().Trouble)
	require.Empty(t, sky().Got)
	require.NotEmpty(t, sky().Asked)

	days := []almanac.ForecastDay{{Date: day("2027-03-01"), Tmin: 1, Tmax: 9}, {Date: day("2027-03-02"), Lead: 1, Tmin: 2, Tmax: 8, Pop: 0.4}}
	require.NoError(t, s.SaveForecast(ctx, o.ID, days))
	good := sky()
	require.Equal(t, days, good.Forecast)
	require.Empty(t, good.Trouble)

	now = now.Add(6 * time.Hour)
	require.NoError(t, s.NoForecast(ctx, o.ID, "no answer"))
	after := sky()
	require.Equal(t, days, after.Forecast)
	require.Equal(t, good.Got, after.Got, "when it last answered well")
	require.NotEqual(t, good.Asked, after.Asked)
	require.Equal(t, "no answer", after.Trouble)
}

func TestOnlyAForecastThatSaysSomethingNewMovesThePlan(t *testing.T) {
	s, _ := open(t)
	o := orchard(t, s, "Same")
	days := []almanac.ForecastDay{{Date: day("2027-03-01"), Tmin: 1, Tmax: 9}}
	revision := func() int {
		got, err := s.Orchard(ctx, o.Slug)
		require.NoError(t, err)
		return got.Revision
	}
	require.NoError(t, s.SaveForecast(ctx, o.ID, days))
	before := revision()
	require.NoError(t, s.SaveForecast(ctx, o.ID, days))
	require.NoError(t, s.NoForecast(ctx, o.ID, "no answer"))
	require.Equal(t, before, revision())
	days[0].Tmin = 0
	require.NoError(t, s.SaveForecast(ctx, o.ID, days))
	require.Greater(t, revision(), before)
}

// linked is a link to a tree for a helper, and its token.
func linked(t *testing.T, s *store.Store, expires time.Time) (*store.HelperLink, string) {
	t.Helper()
	o := orchard(t, s, "Helped")
	tree := &store.Tree{Code: "A1", Kind: "apple"}
	require.NoError(t, s.AddTree(ctx, o.ID, tree))
	l := &store.HelperLink{OrchardID: o.ID, TreeID: tree.ID, Expires: expires, Body: json.RawMessage(`{"steps":[]}`)}
	token, err := s.AddHelperLink(ctx, l)
	require.NoError(t, err)
	return l, token
}

var noon = time.Date(2027, 3, 10, 12, 0, 0, 0, time.UTC)

func TestALinkIsFoundByItsTokenAloneAndEndsByItsDayOrItsOwner(t *testing.T) {
	s, _ := open(t, store.WithClock(func() time.Time { return noon }))
	l, token := linked(t, s, noon.AddDate(0, 0, 3))
	got, err := s.HelperLinkBy(ctx, token)
	require.NoError(t, err)
	require.Equal(t, l.ID, got.ID)
	require.JSONEq(t, `{"steps":[]}`, string(got.Body))
	for _, wrong := range []string{"", l.ID, token + "x", token[1:]} {
		_, err := s.HelperLinkBy(ctx, wrong)
		require.ErrorIs(t, err, store.ErrNotFound, "%q", wrong)
	}
	require.NoError(t, got.Over(noon))
	require.NoError(t, got.Over(got.Expires))
	require.ErrorContains(t, got.Over(got.Expires.Add(time.Second)), "ended on 2027-03-13")
	require.ErrorIs(t, s.WithdrawHelperLink(ctx, "another tree", l.ID), store.ErrNotFound)
	require.NoError(t, s.WithdrawHelperLink(ctx, l.TreeID, l.ID))
	got, err = s.HelperLinkBy(ctx, token)
	require.NoError(t, err)
	require.ErrorContains(t, got.Over(noon), "withdrawn")
	_, err = s.HelperLink(ctx, "another tree", l.ID)
	require.ErrorIs(t, err, store.ErrNotFound)
}

func TestALinkIsOfATreeOfItsOrchard(t *testing.T) {
	s, _ := open(t)
	l, _ := linked(t, s, noon)
	other := orchard(t, s, "Over the hedge")
	_, err := s.AddHelperLink(ctx, &store.HelperLink{OrchardID: other.ID, TreeID: l.TreeID, Expires: noon})
	require.ErrorIs(t, err, store.ErrNotFound)
	all, err := s.HelperLinks(ctx, other.ID, "")
	require.NoError(t, err)
	require.Empty(t, all)
	all, err = s.HelperLinks(ctx, l.OrchardID, "")
	require.NoError(t, err)
	require.Len(t, all, 1)
}

func TestAnAnswerSentTwiceCountsOnceAndIsTakenInUnderItsEntry(t *testing.T) {
	now := noon
	s, _ := open(t, store.WithClock(func() time.Time { now = now.Add(time.Second); return now }))
	l, token := linked(t, s, noon.AddDate(0, 0, 3))
	for n := range 3 {
		a := store.HelperAnswer{ID: fmt.Sprint("answer-", n), Step: n + 1, Choice: "taken", DMM: 20}
		require.NoError(t, s.AddHelperAnswer(ctx, l.ID, a))
		require.NoError(t, s.AddHelperAnswer(ctx, l.ID, a), "sent again")
	}
	require.ErrorContains(t, s.AddHelperAnswer(ctx, l.ID, store.HelperAnswer{ID: "answer-0", Step: 1, Choice: "left"}), "id")
	got, err := s.HelperLinkBy(ctx, token)
	require.NoError(t, err)
	require.Len(t, got.Answers, 3)
	for n, a := range got.Answers {
		require.Equal(t, n+1, a.Step, "in the order they came")
		require.Equal(t, "taken", a.Choice)
		require.NotEmpty(t, a.At)
		require.Empty(t, a.Entry)
	}
	got.Body = json.RawMessage(`{"steps":[1]}`)
	require.NoError(t, s.TakeAnswers(ctx, got, []string{"answer-0", "answer-2", "of another link"}, "entry-9"))
	got, err = s.HelperLink(ctx, l.TreeID, l.ID)
	require.NoError(t, err)
	require.Equal(t, []string{"entry-9", "", "entry-9"}, []string{got.Answers[0].Entry, got.Answers[1].Entry, got.Answers[2].Entry})
	require.JSONEq(t, `{"steps":[1]}`, string(got.Body))
}

func TestHowWetASeasonWasIsThatOfTheSeason(t *testing.T) {
	o := store.Orchard{Rain: []store.SeasonRain{{Season: 2025, Rain: "dry"}, {Season: 2026, Rain: "wet"}}}
	require.Equal(t, []string{"", "dry", "wet", ""}, []string{o.RainOf(2024), o.RainOf(2025), o.RainOf(2026), o.RainOf(2027)})
}
