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
