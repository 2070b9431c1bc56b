package find_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/find"
)

func TestALimbIsFollowedOverItsYears(t *testing.T) {
	then := func(year int, deg, mm, ring float64) find.LimbThen {
		return find.LimbThen{Year: year, TipDeg: deg, DMM: mm, RingCM: ring}
	}
	require.Zero(t, find.CourseOf(nil))
	require.Zero(t, find.CourseOf([]find.LimbThen{then(2027, 90, 20, 2)}), "one winter says nothing")

	sinks := find.CourseOf([]find.LimbThen{then(2025, 55, 30, 30), then(2026, 66, 33, 25), then(2027, 78, 35, 20)})
	require.True(t, sinks.Sinks)
	require.False(t, sinks.Struggles)
	require.Equal(t, []float64{55, 78}, []float64{sinks.FromDeg, sinks.ToDeg})
	require.Equal(t, 2025, sinks.Since)
	require.False(t, find.CourseOf([]find.LimbThen{then(2025, 30, 30, 30), then(2027, 45, 35, 20)}).Sinks, "still well up")
	require.False(t, find.CourseOf([]find.LimbThen{then(2025, 80, 30, 30), then(2027, 84, 35, 20)}).Sinks, "it lay so before")

	weak := find.CourseOf([]find.LimbThen{then(2024, 50, 20, 12), then(2025, 50, 20.4, 3), then(2027, 50, 20.9, 4)})
	require.True(t, weak.Struggles)
	require.InDelta(t, 0.9, weak.GrewMM, 1e-9)
	require.Equal(t, 4.0, weak.RingCM, "the season before the first map is not of its course")
	require.False(t, find.CourseOf([]find.LimbThen{then(2026, 50, 20, 3), then(2027, 50, 20.2, 3)}).Struggles, "one poor year is no course")
	require.False(t, find.CourseOf([]find.LimbThen{then(2024, 50, 20, 3), then(2027, 50, 24, 3)}).Struggles, "it thickens: it bears")
}
