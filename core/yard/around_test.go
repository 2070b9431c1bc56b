package yard_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/pomology"
	"vertumna/core/yard"
	"vertumna/core/year"
)

func day(text string) almanac.Day {
	d, err := almanac.ParseDay(text)
	if err != nil {
		panic(err)
	}
	return d
}

func yardOf(north float64, features ...yard.Feature) *yard.Plot {
	return &yard.Plot{NorthDeg: north, Features: features}
}

func TestWhatStandsRoundATreeIsSeenFromItsTrunk(t *testing.T) {
	apple, err := pomology.BySlug("apple")
	require.NoError(t, err)
	me := year.Tree{ID: "a", Code: "A1", Kind: apple, X: 2, Y: 3}
	c := yardOf(
		0,
		yard.Feature{Kind: "path", Name: "walk", WidthM: 1, Points: []yard.Point{{X: 0, Y: 5}, {X: 4, Y: 5}}},
		yard.Feature{Kind: "wall", HeightM: 2, Points: []yard.Point{{X: 0, Y: 0}, {X: 0, Y: 8}}},
		yard.Feature{Kind: "shed", Points: []yard.Point{{X: 5, Y: 0}, {X: 6, Y: 0}, {X: 6, Y: 1}}},
		yard.Feature{Kind: "bed", Points: []yard.Point{{X: 1, Y: 1}, {X: 2, Y: 1}}},
	)
	trees := []year.Tree{
		me,
		{ID: "b", Code: "B1", Kind: apple, X: 4, Y: 3, HeightM: 2.4, SpreadM: 2, Gone: almanac.NoDay},
		{ID: "c", Code: "C1", Kind: apple, X: 4, Y: 4, HeightM: 2, SpreadM: 2, Gone: day("2026-01-01")},
		{ID: "d", Code: "D1", Kind: apple, X: 4, Y: 4, HeightM: 2, SpreadM: 2, Elsewhere: true, Gone: almanac.NoDay},
	}
	y := c.Around(&me, trees, day("2027-02-01"))
	require.Len(t, y.Paths, 1)
	require.Equal(t, "walk", y.Paths[0].Name)
	require.Contains(t, y.Paths[0].Polygon, [2]float64{-200, 250}, "cm from the trunk, half a metre to each side")
	require.Len(t, y.Walls, 2, "beds stop no limb")
	require.Equal(t, 200.0, y.Walls[0].TopCM)
	require.Equal(t, "shed", y.Walls[1].Name)
	require.Len(t, y.Neighbours, 1, "only trees that stand here")
	require.Equal(t, 200.0, y.Neighbours[0].X)
	require.Equal(t, 100.0, y.Neighbours[0].R)
	require.Equal(t, 240.0, y.Neighbours[0].Z1)
}

func TestAPlanThatIsTurnedIsTurnedBackToTheCompass(t *testing.T) {
	apple, err := pomology.BySlug("apple")
	require.NoError(t, err)
	me := year.Tree{ID: "a", Kind: apple}
	up := year.Tree{ID: "b", Kind: apple, Y: 3, HeightM: 2, SpreadM: 1, Gone: almanac.NoDay}
	for bearing, want := range map[float64][2]float64{0: {0, 300}, 90: {300, 0}, 180: {0, -300}, 270: {-300, 0}} {
		n := yardOf(bearing).Around(&me, []year.Tree{me, up}, day("2027-02-01")).Neighbours[0]
		require.InDeltaSlice(t, want[:], []float64{n.X, n.Y}, 1e-9, "upward on the plan is bearing %v", bearing)
		require.InDelta(t, 300, math.Hypot(n.X, n.Y), 1e-9)
	}
}
