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
	require.Equal(t, "the wall", run.Name)
	require.InDeltaSlice(t, []float64{10, 1.2, 6.5}, append([]float64{run.LongM}, run.At...), 1e-9)
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

func TestAWindowIsLeftFreeWhicheverWayTheWallRunsAndThePlanIsTurned(t *testing.T) {
	pear, err := pomology.BySlug("pear")
	require.NoError(t, err)
	trees := []year.Tree{{ID: "w", Kind: pear, Form: pomology.WireTiers, ArmM: 1.3, X: 4, Y: 7.7}}
	window := yard.Window{FromM: 4.5, WideM: 1, SillM: 1.1, TopM: 2}
	ends := []yard.Point{{X: 0, Y: 8}, {X: 12, Y: 8}}
	for _, north := range []float64{0, 30, 200} {
		p := yard.Plot{NorthDeg: north, Features: []yard.Feature{{Kind: "wall", Points: ends, Windows: []yard.Window{window}}}}
		run, ok := p.RunOf(&trees[0], trees)
		require.True(t, ok)
		require.InDelta(t, 4, run.Here, 1e-9)
		east := p.Openings(run, 130, 90+north) // the wall runs east on the plan, which is turned
		require.Len(t, east, 1)
		require.InDeltaSlice(t, []float64{50, 150, 110, 200}, []float64{east[0].FromCM, east[0].ToCM, east[0].SillCM, east[0].TopCM}, 1e-9)
		west := p.Openings(run, 130, 270+north)
		require.InDeltaSlice(t, []float64{-150, -50}, []float64{west[0].FromCM, west[0].ToCM}, 1e-9)
		require.Empty(t, p.Openings(run, 45, 90+north), "no arm comes to it")
	}
	back := yard.Window{FromM: 12 - 5.5, WideM: 1, SillM: 1.1, TopM: 2} // the same glass, the wall drawn from its other end
	p := yard.Plot{Features: []yard.Feature{{Kind: "wall", Points: []yard.Point{ends[1], ends[0]}, Windows: []yard.Window{back}}}}
	run, _ := p.RunOf(&trees[0], trees)
	again := p.Openings(run, 130, 90)
	require.InDeltaSlice(t, []float64{50, 150}, []float64{again[0].FromCM, again[0].ToCM}, 1e-9)

	p.GiveSills(trees)
	require.InDelta(t, 110, trees[0].SillCM, 1e-9)
	wires := year.FlatUsual(&trees[0], 220).WiresCM
	require.NotEmpty(t, wires)
	require.LessOrEqual(t, wires[len(wires)-1], 100.0, "the usual wires end below the sill")
	trees[0].X = 9
	p.GiveSills(trees)
	require.Zero(t, trees[0].SillCM, "nobody's window any more")
	require.Greater(t, len(year.FlatUsual(&trees[0], 220).WiresCM), len(wires))
}

func TestRootsUnderABuildingAreFoundAlongItsSides(t *testing.T) {
	plot := yard.Plot{Features: []yard.Feature{
		{Kind: "house", Name: "the barn", Points: []yard.Point{{X: 0, Y: 0}, {X: 20, Y: 0}, {X: 20, Y: 6}, {X: 0, Y: 6}}},
		{Kind: "wall", Points: []yard.Point{{X: 0, Y: 12}, {X: 16, Y: 12}}},
		{Kind: "shed", Points: []yard.Point{{X: 30, Y: 0}, {X: 32, Y: 0}, {X: 32, Y: 2}, {X: 30, Y: 2}}},
	}}
	require.Equal(t, "the barn", plot.RootsUnder(yard.Point{X: 10, Y: 8}, 2.5), "far from each corner, near its side")
	require.Empty(t, plot.RootsUnder(yard.Point{X: 10, Y: 8}, 1.5))
	require.Equal(t, "the shed", plot.RootsUnder(yard.Point{X: 29, Y: 1}, 2), "one without a name")
	require.Empty(t, plot.RootsUnder(yard.Point{X: 8, Y: 11.5}, 2), "a garden wall is no building")
}
