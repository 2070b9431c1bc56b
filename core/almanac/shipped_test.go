package almanac_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
)

func TestNearestClimateComesFromTheSameLatitudeAndTurnsAcrossTheEquator(t *testing.T) {
	near, err := almanac.Suited(37.2, 13, nil)
	require.NoError(t, err)
	require.Equal(t, "mediterranean-37n", near[0].Site.Slug)
	south, err := almanac.Suited(-37.2, 145, nil)
	require.NoError(t, err)
	for _, n := range south {
		require.True(t, n.Site.South())
		require.NoError(t, n.Site.Check())
	}
	_, err = almanac.Suited(95, 0, nil)
	require.ErrorContains(t, err, "lat: 95 given, -90 to 90 expected")
}

func TestHigherGroundIsColderAndKnownFrostMovesTheSite(t *testing.T) {
	base := almanac.Climates()[0]
	high := base.AtHeight(base.ElevM + 500)
	require.InDelta(t, base.Tmin[0]-3.25, high.Tmin[0], 1e-9)
	before, err := almanac.FrostDatesOf(&base)
	require.NoError(t, err)
	want := almanac.MonthDay{Month: 5, Day: 5}
	moved, shift, err := base.WithFrost(&want, nil)
	require.NoError(t, err)
	require.Negative(t, shift, "a later last frost means a colder place than %v", before.LastSpring50)
	after, err := almanac.FrostDatesOf(&moved)
	require.NoError(t, err)
	require.InDelta(t, int(want.In(2001)), int(after.LastSpring50.In(2001)), 2)
	_, _, err = base.WithFrost(&almanac.MonthDay{Month: 7, Day: 14}, nil)
	require.ErrorContains(t, err, "within 8 degrees")
}
