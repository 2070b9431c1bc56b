package store_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/limb"
	"vertumna/store"
)

func mapDay(s string) almanac.Day {
	d, err := almanac.ParseDay(s)
	if err != nil {
		panic(err)
	}
	return d
}

func whip(length float64) limb.Doc {
	return limb.Doc{Species: "apple", Limbs: []limb.Limb{{ID: "T", LengthCM: limb.Of(length), DiameterMM: limb.Of(20)}}}
}

// mapped is an orchard with one tree.
func mapped(t *testing.T) (s *store.Store, orchard, tree string) {
	t.Helper()
	s, _ = open(t)
	o := &store.Orchard{Name: "Testfield"}
	require.NoError(t, s.AddOrchard(ctx, o))
	tr := &store.Tree{Code: "A1", Kind: "apple"}
	require.NoError(t, s.AddTree(ctx, o.ID, tr))
	return s, o.ID, tr.ID
}

func TestALimbMapIsReadAsOfAnyDay(t *testing.T) {
	s, o, tree := mapped(t)
	_, err := s.MapAsOf(ctx, tree, mapDay("2027-03-01"))
	require.ErrorIs(t, err, store.ErrNotFound)
	first := &store.LimbMap{Revision: store.Revision{Date: mapDay("2027-02-01"), Cause: store.CauseSketch}, Doc: whip(100)}
	require.NoError(t, s.SaveMap(ctx, o, tree, first))
	later := &store.LimbMap{Revision: store.Revision{BasedOn: 1, Date: mapDay("2027-03-01"), Cause: store.CauseCorrect}, Doc: whip(140)}
	require.NoError(t, s.SaveMap(ctx, o, tree, later))
	past := &store.LimbMap{Revision: store.Revision{Date: mapDay("2026-02-01"), Cause: store.CauseSketch}, Doc: whip(60)}
	require.NoError(t, s.SaveMap(ctx, o, tree, past), "a past map is based on none before it")
	for day, length := range map[string]float64{"2026-06-01": 60, "2027-02-10": 100, "2027-03-01": 140, "2028-01-01": 140} {
		m, err := s.MapAsOf(ctx, tree, mapDay(day))
		require.NoError(t, err)
		require.Equal(t, length, *m.Doc.Limbs[0].LengthCM, day)
		marks, err := s.MapsAsOf(ctx, o, mapDay(day))
		require.NoError(t, err)
		require.Equal(t, map[string]store.MapMark{tree: m.Mark()}, marks, "the same by tree, without reading it")
	}
	none, err := s.MapsAsOf(ctx, o, mapDay("2020-01-01"))
	require.NoError(t, err)
	require.Empty(t, none)
	h, err := s.MapHistory(ctx, tree)
	require.NoError(t, err)
	require.Equal(t, []int{2, 1, 3}, []int{h[0].Revision, h[1].Revision, h[2].Revision})
}

func TestUndoWritesTheMapBeforeAsANewRevision(t *testing.T) {
	s, o, tree := mapped(t)
	day := mapDay("2027-02-01")
	for i, length := range []float64{100, 110, 120} {
		require.NoError(t, s.SaveMap(ctx, o, tree, &store.LimbMap{Revision: store.Revision{BasedOn: i, Date: day, Cause: store.CauseCorrect}, Doc: whip(length)}))
	}
	m, err := s.UndoMap(ctx, o, tree, 3, day)
	require.NoError(t, err)
	require.Equal(t, 110.0, *m.Doc.Limbs[0].LengthCM)
	require.Equal(t, 4, m.Revision.Revision)
	m, err = s.UndoMap(ctx, o, tree, 4, day)
	require.NoError(t, err)
	require.Equal(t, 100.0, *m.Doc.Limbs[0].LengthCM, "undoing again goes one further back")
	_, err = s.UndoMap(ctx, o, tree, 5, day)
	var none *store.Conflict
	require.ErrorAs(t, err, &none)
	h, err := s.MapHistory(ctx, tree)
	require.NoError(t, err)
	require.Len(t, h, 5, "nothing was overwritten")
}

func TestAMapChangedMeanwhileIsAClashAndLosesNothing(t *testing.T) {
	s, o, tree := mapped(t)
	day := mapDay("2027-02-01")
	save := func(basedOn int, length float64) error {
		return s.SaveMap(ctx, o, tree, &store.LimbMap{Revision: store.Revision{BasedOn: basedOn, Date: day, Cause: store.CauseCorrect}, Doc: whip(length)})
	}
	require.NoError(t, save(0, 100))
	require.NoError(t, save(1, 110))
	var clash *store.Conflict
	require.ErrorAs(t, save(1, 120), &clash)
	require.Equal(t, 2, clash.Current)
	require.Contains(t, string(clash.Body), "110")
	_, err := s.UndoMap(ctx, o, tree, 1, day)
	require.ErrorAs(t, err, &clash)
}
