package store_test

import (
	"path/filepath"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/store"
)

func TestASaveIsWholeOrNotAtAll(t *testing.T) {
	s, _ := open(t)
	o := orchard(t, s, "Whole")
	tree := &store.Tree{Code: "A1", Kind: "apple"}
	require.NoError(t, s.AddTree(ctx, o.ID, tree))
	err := s.AddEntries(ctx, o.ID, []store.Entry{
		{TreeID: tree.ID, Date: day("2026-03-01"), Kind: "note"},
		{TreeID: "no such tree", Date: day("2026-03-02"), Kind: "note"},
	})
	require.ErrorIs(t, err, store.ErrNotFound)
	es, _, err := s.Entries(ctx, o.ID)
	require.NoError(t, err)
	require.Empty(t, es, "the first is taken back with the second")
	require.ErrorIs(t, s.AddTree(ctx, "no such orchard", &store.Tree{Code: "A1", Kind: "apple"}), store.ErrNotFound)
}

func TestWhatWasAcknowledgedSurvivesTheProgramGoingDown(t *testing.T) {
	path := filepath.Join(t.TempDir(), "down.db")
	first, err := store.Open(ctx, path)
	require.NoError(t, err)
	o := orchard(t, first, "Down")
	require.NoError(t, first.AddEntry(ctx, o.ID, &store.Entry{Date: day("2026-03-01"), Kind: "note", Note: "kept"}))
	// the first program never closes its file: a second one finds everything in it and its log
	second, err := store.Open(ctx, path)
	require.NoError(t, err)
	defer func() { _ = second.Close() }()
	es, _, err := second.Entries(ctx, o.ID)
	require.NoError(t, err)
	require.Len(t, es, 1)
	require.NoError(t, first.Close())
}

func TestEveryWriteMovesTheRevision(t *testing.T) {
	s, _ := open(t)
	o := orchard(t, s, "Moving")
	revision := func() int {
		back, err := s.Orchard(ctx, o.Slug)
		require.NoError(t, err)
		return back.Revision
	}
	last := revision()
	moved := func(what string, err error) {
		t.Helper()
		require.NoError(t, err, what)
		now := revision()
		require.Greater(t, now, last, what)
		last = now
	}
	tree := &store.Tree{Code: "A1", Kind: "apple"}
	person := &store.Person{Name: "Ansa"}
	entry := &store.Entry{Date: day("2026-03-01"), Kind: "note"}
	date := day("2026-04-01")
	own := &store.OwnTask{Title: "Net", Date: &date}
	moved("tree", s.AddTree(ctx, o.ID, tree))
	moved("tree edit", s.SaveTree(ctx, o.ID, tree))
	moved("person", s.AddPerson(ctx, o.ID, person))
	moved("person edit", s.SavePerson(ctx, o.ID, person))
	moved("entry", s.AddEntry(ctx, o.ID, entry))
	moved("undo", s.Undo(ctx, o.ID, entry.ID))
	moved("own task", s.AddOwnTask(ctx, o.ID, own))
	moved("own task out", s.RemoveOwnTask(ctx, o.ID, own.ID))
	moved("person out", s.RemovePerson(ctx, o.ID, person.ID))
	moved("orchard", s.SaveOrchard(ctx, o))
}

func TestPeopleAndOwnTasksComeBackAsTheyWere(t *testing.T) {
	s, _ := open(t)
	o := orchard(t, s, "People")
	p := &store.Person{Name: "Ansa", FingertipCM: 221, HandSpanCM: 18, HoursAWeek: [7]float64{0, 0, 0, 2, 0, 0, 4}, Tools: []store.Tool{{Name: "saw", MaxMM: 90}}}
	require.NoError(t, s.AddPerson(ctx, o.ID, p))
	ps, _, err := s.People(ctx, o.ID)
	require.NoError(t, err)
	require.Equal(t, []store.Person{*p}, ps)
	stale := *p
	p.Name = "Ansa K."
	require.NoError(t, s.SavePerson(ctx, o.ID, p))
	require.ErrorAs(t, s.SavePerson(ctx, o.ID, &stale), new(*store.Conflict))

	tree := &store.Tree{Code: "A1", Kind: "apple"}
	require.NoError(t, s.AddTree(ctx, o.ID, tree))
	own := &store.OwnTask{Title: "Net", TreeID: tree.ID, Stage: "harvest_start", OffsetDays: -14, ForDays: 7}
	require.NoError(t, s.AddOwnTask(ctx, o.ID, own))
	list, _, err := s.OwnTasks(ctx, o.ID)
	require.NoError(t, err)
	require.Equal(t, []store.OwnTask{*own}, list)
	core := list[0].Core()
	require.Equal(t, almanac.HarvestStart, core.Stage)
	require.False(t, core.Date.Known())
	require.NoError(t, s.RemoveTree(ctx, o.ID, tree.ID))
	list, _, err = s.OwnTasks(ctx, o.ID)
	require.NoError(t, err)
	require.Empty(t, list, "a tree entered by mistake takes its tasks along")
}

func TestAnOrchardIsRemovedWithAllInIt(t *testing.T) {
	s, _ := open(t)
	o, other := orchard(t, s, "Gone"), orchard(t, s, "Stays")
	tree := &store.Tree{Code: "A1", Kind: "apple"}
	require.NoError(t, s.AddTree(ctx, o.ID, tree))
	first := &store.Entry{TreeID: tree.ID, Date: day("2026-03-01"), Kind: "note"}
	require.NoError(t, s.AddEntry(ctx, o.ID, first))
	require.NoError(t, s.AddEntry(ctx, o.ID, &store.Entry{TreeID: tree.ID, Date: day("2026-03-01"), Kind: "note", Corrects: first.ID}))
	require.NoError(t, s.RemoveOrchard(ctx, o.ID))
	_, err := s.Orchard(ctx, o.Slug)
	require.ErrorIs(t, err, store.ErrNotFound)
	_, err = s.Orchard(ctx, other.Slug)
	require.NoError(t, err)
}

func TestSlugsAreMadeOfWhatIsLeftOfAName(t *testing.T) {
	for name, slug := range map[string]string{"Lower Terrace": "lower-terrace", "  Été  à l'ouest ": "t-l-ouest", "🌳": "orchard", "": "orchard"} {
		require.Equal(t, slug, store.Slug(name), name)
	}
}

func TestAYardNeedsKindsItKnows(t *testing.T) {
	site := almanac.Climates()[0]
	c := &store.Contents{Orchard: &store.Orchard{Site: &site}, Trees: []store.Tree{{ID: "x", Kind: "cactus"}}}
	_, err := c.Yard(day("2026-03-01"))
	require.ErrorContains(t, err, "cactus")
	c.Trees = nil
	c.People = []store.Person{{FingertipCM: 230, HoursAWeek: [7]float64{1, 0, 0, 2, 0, 0, 3}}}
	y, err := c.Yard(day("2026-03-01"))
	require.NoError(t, err)
	require.InDelta(t, 6, y.HoursAWeek, 1e-9)
	require.InDelta(t, 230, y.FingertipCM, 1e-9)
}
