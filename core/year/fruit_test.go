package year_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/crop"
	"vertumna/core/year"
)

// fruitYard is a yard with one bearing tree of a kind.
func fruitYard(t *testing.T, slug string) *scene {
	return at(t, "lower-terrace", tree(t, slug))
}

func TestCountsGiveTheThinningItsNumbers(t *testing.T) {
	s := fruitYard(t, "apple")
	s.yard.Trees[0].Fruit = &year.Fruit{Season: 2027, Counted: true, Verdict: "full", Keep: 140, Remove: 260, Minutes: 33, KG: 25, Limbs: 5}
	thin := find(s.on("2027-06-01"), year.Thin)[0]
	require.Contains(t, rules(thin.Reasons), "thin-number")
	require.InDelta(t, 33, thin.Minutes, 1e-9)
	pick := find(s.on("2027-06-01"), year.HarvestTask)[0]
	require.Contains(t, rules(pick.Reasons), "crop-coming")

	s.yard.Trees[0].Fruit.Verdict = "skip"
	thin = find(s.on("2027-06-01"), year.Thin)[0]
	require.Contains(t, rules(thin.Reasons), "thin-skip")
	require.Less(t, thin.Minutes, 33.0)
}

func TestLastYearsFreezeOrLoadShowsInThisYearsPlan(t *testing.T) {
	s := fruitYard(t, "apple")
	for state, rule := range map[string]string{crop.Rebound: "comes-in-rebound", crop.Off: "comes-in-off-load", crop.On: "comes-in-on-load"} {
		by := "load"
		if state == crop.Rebound {
			by = "freeze"
		}
		s.yard.Trees[0].Fruit = &year.Fruit{Season: 2027, Standing: crop.Standing{State: state, Rule: by, Load: 1.8, Year: 2026}}
		require.Contains(t, rules(find(s.on("2027-03-01"), year.Thin)[0].Reasons), rule)
		require.Contains(t, rules(find(s.on("2027-03-01"), year.CountSet)[0].Reasons), rule)
	}
	s.yard.Trees[0].Fruit.Season = 2026 // of another season: says nothing
	for _, r := range rules(find(s.on("2027-03-01"), year.Thin)[0].Reasons) {
		require.NotContains(t, r, "comes-in")
	}
}

func TestLadenLimbsAskForAProp(t *testing.T) {
	s := fruitYard(t, "european-plum")
	require.Empty(t, find(s.on("2027-07-10"), year.Prop))
	s.yard.Trees[0].Fruit = &year.Fruit{Season: 2027, Counted: true, Laden: []year.Laden{{Limb: "S1", Use: 1.6, PropAtCM: 120, Holds: true}, {Limb: "S3", Use: 2.4, PropAtCM: 90}}}
	prop := find(s.on("2027-07-10"), year.Prop)[0]
	require.Equal(t, []string{"prop-limb", "prop-not-enough"}, rules(prop.Reasons))
	require.Equal(t, "S1", prop.Reasons[0].Text)
	require.Contains(t, prop.Cautions, "under-load")
}

func TestThinningBooksASecondLookAndBagsTheirDayOff(t *testing.T) {
	s := fruitYard(t, "apple")
	s.yard.Trees[0].Wishes.Bag = true
	id := s.yard.Trees[0].ID
	log := func(kind year.TaskKind, on almanac.Day) {
		s.yard.Entries = append(s.yard.Entries, year.Entry{Tree: id, Date: on, Season: 2027, Kind: year.WorkEntry, Task: kind, Outcome: year.Done})
	}
	require.Empty(t, find(s.on("2027-07-20"), year.SecondLook))
	thinned := almanac.DateOf(2027, 6, 28)
	log(year.Thin, thinned)
	second := find(s.on("2027-07-20"), year.SecondLook)[0]
	require.Equal(t, thinned+6, second.Window.Opens.Day)
	require.Empty(t, find(s.on("2027-07-20"), year.Unbag))
	log(year.Bag, thinned+3)
	off := find(s.on("2027-07-20"), year.Unbag)[0]
	pick := find(s.on("2027-07-20"), year.HarvestTask)[0]
	require.Equal(t, pick.Window.Opens.Day-21, off.Window.Opens.Day)
}

func TestFruitMeasuredLargerThanExpectedOpensTheThinningSooner(t *testing.T) {
	s := fruitYard(t, "peach")
	before := find(s.on("2027-06-01"), year.Thin)[0]
	on := before.Window.Opens.Day - 6
	s.yard.Entries = append(s.yard.Entries, year.Entry{Tree: s.yard.Trees[0].ID, Date: on, Season: 2027, Kind: "measured", FruitMM: 18})
	after := find(s.on(on.String()), year.Thin)[0]
	require.Less(t, after.Window.Opens.Day, before.Window.Opens.Day)
	require.Contains(t, rules(after.Reasons), "fruit-measured")
}

func TestFrostRiskFallsAsSpringGoes(t *testing.T) {
	s := fruitYard(t, "apple")
	last := 1.0
	for day := almanac.DateOf(2027, 4, 1); day < almanac.DateOf(2027, 6, 15); day += 5 {
		r := s.yard.Place.FrostRisk(day, 2027)
		require.LessOrEqual(t, r, last)
		last = r
	}
	require.Zero(t, last)
	require.Greater(t, s.yard.Place.FrostRisk(almanac.DateOf(2027, 4, 10), 2027), 0.3)
}
