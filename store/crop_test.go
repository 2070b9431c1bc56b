package store_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/store"
)

func TestTapsAddUpWhoeverSendsThemAndHoweverOften(t *testing.T) {
	s, _ := open(t)
	o := orchard(t, s, "Here")
	tree := &store.Tree{Code: "A1", Kind: "apple"}
	require.NoError(t, s.AddTree(ctx, o.ID, tree))
	taps := []store.Tap{
		{ID: "tap-0001", Limb: "S1", Lateral: "", Pass: 1, Left: 1},
		{ID: "tap-0002", Limb: "S1", Lateral: "S1.2", Pass: 1, Taken: 3},
		{ID: "tap-0003", Limb: "S1", Lateral: "", Pass: 2, Left: 1},
		{ID: "tap-0004", Limb: "S2", Lateral: "", Pass: 1, Left: 1},
	}
	for range 3 {
		require.NoError(t, s.AddTaps(ctx, o.ID, tree.ID, 2027, taps))
	}
	require.NoError(t, s.AddTaps(ctx, o.ID, tree.ID, 2027, []store.Tap{{ID: "undo-004", Limb: "S2", Pass: 1, Undoes: "tap-0004"}}))
	require.NoError(t, s.AddTaps(ctx, o.ID, tree.ID, 2026, []store.Tap{{ID: "tap-last", Limb: "S1", Pass: 1, Left: 50}}))
	got, err := s.Tallies(ctx, tree.ID, 2027)
	require.NoError(t, err)
	require.Equal(t, []store.Tally{
		{Limb: "S1", Pass: 1, Left: 1, Taken: 3, Laterals: []store.LateralCount{{ID: "", Left: 1}, {ID: "S1.2", Taken: 3}}},
		{Limb: "S1", Pass: 2, Left: 1, Laterals: []store.LateralCount{{ID: "", Left: 1}}},
	}, got)
	require.ErrorIs(t, s.AddTaps(ctx, o.ID, "no tree", 2027, taps[:1]), store.ErrNotFound)
}

func TestSeasonsOfFruitAreReadOutOfTheJournal(t *testing.T) {
	on := almanac.DateOf(2026, 9, 20)
	first := on - 12
	c := store.Contents{Entries: []store.Entry{
		{TreeID: "a", Season: 2026, Date: on - 140, Kind: "work", Task: "frost-count", Fruiting: &store.Fruiting{Opened: 50, Alive: 20}},
		{TreeID: "a", Season: 2026, Date: on - 100, Kind: "work", Task: "count-set", Fruiting: &store.Fruiting{Counts: []store.LimbCount{{Limb: "S1", Clusters: 20, PerCluster: 2.4}}, Set: 210}},
		{TreeID: "a", Season: 2026, Date: on - 90, Kind: "work", Task: "thin", Fruiting: &store.Fruiting{Limb: "S1", Pass: 1, Left: 40, Taken: 70}},
		{TreeID: "a", Season: 2026, Date: on - 90, Kind: "work", Task: "thin", Fruiting: &store.Fruiting{Limb: "S2", Pass: 1, Left: 50, Taken: 30}},
		{TreeID: "a", Season: 2026, Date: on - 80, Kind: "work", Task: "thin", Fruiting: &store.Fruiting{Limb: "S1", Pass: 2, Left: 30, Taken: 10}},
		{TreeID: "a", Season: 2026, Date: on - 5, Kind: "work", Task: "harvest", Kilos: 6, Fruit: 40, Fruiting: &store.Fruiting{First: &first}},
		{TreeID: "a", Season: 2026, Date: on, Kind: "work", Task: "harvest", Kilos: 5, Fruit: 30, Fruiting: &store.Fruiting{Quality: "keeping"}},
		{TreeID: "b", Season: 2026, Date: on, Kind: "work", Task: "harvest", Kilos: 99},
		{TreeID: "a", Season: 2025, Date: on - 365, Kind: "note", Fruiting: &store.Fruiting{Broke: "S4"}},
	}}
	require.Equal(t, 48, c.Entries[1].Fruiting.Counts[0].Number(), "clusters times fruit in one")
	got := c.CropSeasons("a", on)
	require.Len(t, got, 1, "a limb that broke tells nothing of its season's fruit")
	s := got[0]
	require.InDelta(t, 0.4, *s.Alive, 1e-9)
	require.InDelta(t, 210, *s.Set, 0)
	require.Equal(t, 80, *s.Left, "a second pass counts what is left anew")
	require.Equal(t, 110, *s.Taken)
	require.Equal(t, 70, *s.Picked)
	require.InDelta(t, 11, *s.KG, 1e-9)
	require.InDelta(t, 157.1, s.MassG(), 0.1)
	require.Equal(t, first, s.First)
	require.Equal(t, on, s.Last)
	require.Equal(t, "keeping", s.Quality)
	require.Empty(t, c.CropSeasons("a", on-200))
	passes, n := c.Passes("a", 2026, on)
	require.Equal(t, 2, n["S1"])
	require.Equal(t, 30, passes["S1"].Left)
	require.InDelta(t, 192, (&store.Plot{Outline: []store.Point{{X: 0, Y: 0}, {X: 16, Y: 0}, {X: 16, Y: 12}, {X: 0, Y: 12}}}).AreaM2(), 1e-9)
}
