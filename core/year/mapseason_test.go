package year_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/limb"
	"vertumna/core/year"
)

func TestAMapKnowsItsGrowthYearInBothHemispheres(t *testing.T) {
	for _, c := range []struct {
		y, m, d int
		south   bool
		year    int
		season  limb.Season
	}{
		{2027, 2, 20, false, 2027, limb.Dormant},
		{2026, 11, 20, false, 2027, limb.Dormant},
		{2027, 7, 5, false, 2027, limb.Summer},
		{2027, 10, 30, false, 2027, limb.Summer},
		{2026, 7, 1, true, 2026, limb.Dormant},
		{2026, 12, 28, true, 2026, limb.Summer},
		{2027, 2, 20, true, 2026, limb.Summer},
		{2027, 5, 2, true, 2027, limb.Dormant},
	} {
		y, s := year.MapSeason(almanac.DateOf(c.y, c.m, c.d), c.south)
		require.Equal(t, c.year, y, "%+v", c)
		require.Equal(t, c.season, s, "%+v", c)
	}
}
