package cut_test

import (
	"slices"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/cut"
	"vertumna/core/limb"
)

func TestWhatWaitsIsDueInTheSlipItsReasonNames(t *testing.T) {
	require.Equal(t, limb.Summer, cut.DueIn(cut.OverToSummer, limb.Dormant))
	require.Equal(t, limb.Summer, cut.DueIn(cut.DryWeather, limb.Dormant))
	require.Equal(t, limb.Summer, cut.DueIn(cut.OtherSlip, limb.Dormant))
	require.Equal(t, limb.Dormant, cut.DueIn(cut.OtherSlip, limb.Summer))
	require.Equal(t, limb.Dormant, cut.DueIn(cut.OverToWinter, limb.Dormant))
	require.Equal(t, limb.Dormant, cut.DueIn(cut.LeftByYou, limb.Dormant))
	require.False(t, cut.Carried{Why: cut.LightAgain}.Waits(), "it is found again by itself")
	require.True(t, cut.Carried{Why: cut.OverToWinter}.Waits())
}

func TestACaliperInAnotherUnitIsNotBelieved(t *testing.T) {
	require.True(t, cut.Plausible(22, 18))
	require.False(t, cut.Plausible(1.8, 18), "centimetres")
	require.False(t, cut.Plausible(0.7, 18), "inches")
	require.False(t, cut.Plausible(180, 18))
}

func TestOnlyWhatIsMoreThanATwigAndNeverGrowsBackIsAskedTwice(t *testing.T) {
	thick := cut.Step{Candidate: cut.Candidate{DMM: 30}, Step: 4}
	require.True(t, thick.Forever())
	again := thick
	again.GrowsBack = 2
	require.False(t, again.Forever())
	twig := cut.Step{Candidate: cut.Candidate{DMM: 8}, Step: 4, Takes: 0.004}
	require.False(t, twig.Forever())
	sick := cut.Step{Candidate: cut.Candidate{DMM: 60}, Step: 1, Takes: 0.2}
	require.False(t, sick.Forever())
	require.True(t, sick.LargeFree())
	require.True(t, sick.Free())
}

func TestWhatAYearHasSpentCompoundsByThirdsAndCountsBigWounds(t *testing.T) {
	var s cut.Spent
	s.Take(0.1, nil, []float64{20, 51})
	s.Take(0.2, &[3]float64{0, 0.2, 0.5}, []float64{50, 80})
	require.InDeltaSlice(t, []float64{0.1, 0.28, 0.55}, s.Zones[:], 1e-9, "of what stood then; told as a whole it went from all thirds alike")
	require.Equal(t, 2, s.Big)
}

func TestANewTreeIsSetBesideTheOneKeptOverTheSameYears(t *testing.T) {
	rows := make([]cut.YearRow, 10)
	for i := range rows {
		rows[i].Minutes = 60
	}
	kilos := slices.Repeat([]float64{30}, 10)
	r := cut.SetAgainstNew(rows, kilos, 4, 6)
	require.InDelta(t, 300, r.KeepKilos, 0)
	require.Less(t, r.NewKilos, r.KeepKilos, "it bears nothing at first")
	require.Greater(t, r.NewKilos, 0.4*r.KeepKilos, "and its full crop from year six on")
	require.InDelta(t, 40, r.KeepHours, 0)
	kilos[9] = 60
	require.Greater(t, cut.SetAgainstNew(rows, kilos, 4, 6).NewKilos, r.NewKilos, "it bears as much as this one at its best")
}
