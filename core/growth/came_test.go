package growth_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/growth"
	"vertumna/core/limb"
)

func cameTree(t *testing.T) growth.Tree {
	t.Helper()
	doc, err := growth.Sketch(growth.SketchInput{Species: "apple", Form: "open-vase", Age: 12, TrunkMM: 110, HeightCM: 320, SpreadCM: 360, Scaffolds: 4, Seed: 1, Year: 2027})
	require.NoError(t, err)
	m, err := limb.Check(doc)
	require.NoError(t, err)
	return growth.Tree{Map: m, Latitude: 46}
}

func TestAForecastThatCameIsSaidToHaveCome(t *testing.T) {
	tree := cameTree(t)
	next, _, err := growth.Grow(tree, growth.Work{})
	require.NoError(t, err)
	c, err := growth.Compare(tree, growth.Work{}, next.Map)
	require.NoError(t, err)
	require.Equal(t, c.Forecast, c.Came)
	require.Equal(t, growth.AsForecast, c.Verdict)
	require.Greater(t, c.Came.ShootCM, 5.0)
	still, err := growth.Compare(tree, growth.Work{}, tree.Map)
	require.NoError(t, err)
	require.Less(t, still.Came.HeightCM, still.Forecast.HeightCM, "a tree that did not grow fell short of its forecast")
}

func TestAWetLastSeasonMakesMoreSproutsADryOneFewer(t *testing.T) {
	tree := cameTree(t)
	var hard []growth.Cut
	for i := range tree.Map.Axes {
		if a := &tree.Map.Axes[i]; a.Depth == 1 {
			hard = append(hard, growth.Cut{CutAt: limb.CutAt{Limb: a.ID, Kind: limb.SideBranch, AtCM: 0.5 * a.L}})
		}
	}
	sprouts := map[growth.Rain]int{}
	for _, rain := range []growth.Rain{growth.Dry, "", growth.Wet} {
		tree.Rain = rain
		next, report, err := growth.Grow(tree, growth.Work{Dormant: hard})
		require.NoError(t, err)
		sprouts[rain] = report.WaterSprouts
		require.Empty(t, next.Rain, "it counts for one season")
	}
	require.Greater(t, sprouts[growth.Wet], sprouts[""])
	require.Less(t, sprouts[growth.Dry], sprouts[""])
}

func TestAMapReadBackAYearGrowsAgain(t *testing.T) {
	tree := cameTree(t)
	doc, err := tree.Map.YearBack()
	require.NoError(t, err)
	before, err := limb.Check(doc)
	require.NoError(t, err)
	require.Greater(t, before.LeafM2(), 0.5*tree.Map.LeafM2(), "a year younger, not leafless")
	c, err := growth.Compare(growth.Tree{Map: before, Latitude: 46}, growth.Work{}, tree.Map)
	require.NoError(t, err)
	require.InDelta(t, c.Came.HeightCM, c.Forecast.HeightCM, 40)
	require.Greater(t, c.Forecast.HeightCM, before.Height())
}
