package almanac_test

import (
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
)

func TestAPlotsDifferenceIsLearntFromDaysReadBesideTheStation(t *testing.T) {
	beside := func(n int, lo, hi float64) (out []almanac.Beside) {
		for i := range n {
			st := almanac.TempDay{Date: almanac.DateOf(2027, 3, 1) + almanac.Day(i), Tmin: 2, Tmax: 12}
			out = append(out, almanac.Beside{Own: almanac.TempDay{Date: st.Date, Tmin: st.Tmin + lo, Tmax: st.Tmax + hi}, Station: st})
		}
		return out
	}
	require.Zero(t, almanac.DifferOf(beside(4, -2, 1)), "a few days tell nothing")
	last := 0.0
	for _, n := range []int{5, 10, 30, 60} {
		d := almanac.DifferOf(beside(n, -2, 1))
		require.Equal(t, n, d.Days)
		require.Less(t, d.Tmin, last, "more days, more of it")
		require.Greater(t, d.Tmin, -2.0)
		last = d.Tmin
	}
	require.Zero(t, almanac.DifferOf(beside(20, 34, 40)), "another unit teaches nothing")
}

func TestCorrectedDaysKeepTheirOrder(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 9))
	for range 500 {
		tmin := 20*r.Float64() - 10
		tmax := tmin + 8*r.Float64()
		lo, hi := almanac.Differ{Tmin: 12*r.Float64() - 6, Tmax: 12*r.Float64() - 6}.On(tmin, tmax)
		require.LessOrEqual(t, lo, hi)
	}
}
