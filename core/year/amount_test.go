package year_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/year"
)

func TestHeightAndShootsPartTheSummerSlip(t *testing.T) {
	strong := func(tr *year.Tree) {
		tr.HeightM, tr.ShootCM = 3.4, 90
		tr.Amount = &year.Amount{Works: []year.Work{
			{Year: 2027, Cuts: 4, Minutes: 40, Share: 0.13},
			{Summer: true, Year: 2027, Cuts: 9, Minutes: 36, Share: 0.08, Shoots: year.Some{Cuts: 3, Minutes: 12, Share: 0.02}},
		}}
	}
	s := at(t, "lower-terrace", tree(t, "apple", strong))
	before := s.on("2027-03-10")
	height, shoots := one(t, before, year.HeightCut), one(t, before, year.SummerShoots)
	require.InDelta(t, 40, one(t, before, year.DormantCut).Minutes, 1e-9)
	require.InDelta(t, 24, height.Minutes, 1e-9)
	require.InDelta(t, 12, shoots.Minutes, 1e-9)
	require.InDelta(t, 0.08, height.Share+shoots.Share, 1e-9, "no cut is told twice")
	require.Equal(t, 9, height.Work.Cuts+shoots.Work.Cuts)

	missed := s.on((height.Window.Closes.Day + 1).String())
	require.Equal(t, year.Missed, one(t, missed, year.HeightCut).State)
	require.InDelta(t, 36, one(t, missed, year.SummerShoots).Minutes, 1e-9, "the shoots' weeks take it over")
	require.Equal(t, year.SummerShoots, one(t, missed, year.HeightCut).Heir.Kind)

	require.Nil(t, (&year.Amount{}).Of(year.HeightCut, 2027))
	require.Nil(t, before.Tree.Amount.Of(year.Thin, 2027), "no slip is its work")
	require.Nil(t, before.Tree.Amount.Of(year.DormantCut, 2028), "none was foreseen so far")
}
