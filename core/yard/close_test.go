package yard_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/pomology"
	"vertumna/core/yard"
	"vertumna/core/year"
)

func TestATreeTooNearAWallIsToldByItsForm(t *testing.T) {
	fig, err := pomology.BySlug("fig")
	require.NoError(t, err)
	plot := yard.Plot{Features: []yard.Feature{
		{Kind: "wall", Name: "stone wall", Points: []yard.Point{{X: 0, Y: 12}, {X: 16, Y: 12}}},
		{Kind: "shed", Points: []yard.Point{{X: 20, Y: 0}, {X: 22, Y: 0}, {X: 22, Y: 2}, {X: 20, Y: 2}}},
		{Kind: "path", Points: []yard.Point{{X: 0, Y: 6}, {X: 16, Y: 6}}},
	}}
	at := func(form pomology.FormSlug, x, y float64) int {
		return len(plot.Close(&year.Tree{Kind: fig, Form: form, Class: pomology.SemiDwarfing, X: x, Y: y}))
	}
	require.Equal(t, 1, at(pomology.FlatFan, 5, 11.88), "2 cm from the wall")
	require.Zero(t, at(pomology.FlatFan, 5, 11.6), "a flat tree wants a hand and a half")
	require.Equal(t, 1, at(pomology.OpenVase, 5, 11.6), "a free crown wants half its room")
	require.Zero(t, at(pomology.OpenVase, 5, 9))
	require.Zero(t, at(pomology.OpenVase, 5, 6), "a path is no wall")
	require.Equal(t, 1, at(pomology.OpenVase, 19.7, 1), "the last side of a shed counts: it is closed")
	require.Zero(t, len(plot.Close(&year.Tree{Kind: fig, Form: pomology.OpenVase, TubLitres: 60, X: 5, Y: 11.8})), "a tub is moved")
	says := plot.Close(&year.Tree{Kind: fig, Form: pomology.FlatFan, X: 5, Y: 11.88})[0]
	require.Equal(t, "0.02 m from stone wall", says.Given)
}

func TestARunOfWallTellsHowManyTreesItHolds(t *testing.T) {
	plot := yard.Plot{Features: []yard.Feature{
		{Kind: "wall", Points: []yard.Point{{X: 0, Y: 12}, {X: 10, Y: 12}}},
		{Kind: "house", Name: "the cottage", Points: []yard.Point{{X: 0, Y: 0}, {X: 4, Y: 0}, {X: 4, Y: 3}}},
	}}
	flat := func(x, y float64) year.Tree { return year.Tree{Form: pomology.WireTiers, X: x, Y: y} }
	trees := []year.Tree{flat(6.5, 11.7), flat(1.2, 11.8), flat(5, 6), {Form: pomology.OpenVase, X: 3, Y: 11.7}}
	run, ok := plot.RunOf(&trees[0], trees)
	require.True(t, ok)
	require.Equal(t, yard.Run{Name: "the wall", LongM: 10, At: []float64{1.2, 6.5}}, run)
	all, more := run.Holds(1.2)
	require.Equal(t, []int{4, 1}, []int{all, more}, "between the two; the far end is a hand too short")
	for _, arm := range []float64{0.5, 0.9, 1.2, 2, 6} { // never more trees than the wall holds
		all, more := run.Holds(arm)
		require.LessOrEqual(t, more, all)
		require.LessOrEqual(t, float64(all)*2*arm, 10.05)
	}
	_, ok = plot.RunOf(&trees[2], trees)
	require.False(t, ok, "it stands in the open")
	cottage := flat(2, 1.2)
	run, ok = plot.RunOf(&cottage, nil)
	require.True(t, ok, "the last side of a house counts: it is closed")
	require.Equal(t, "the cottage", run.Name)
}
