package cut_test

import (
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
