package store_test

import (
	"context"
	"database/sql"
	"os"
	"path/filepath"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/store"
)

var ctx = context.Background()

func open(t *testing.T, opts ...store.Option) (*store.Store, string) {
	t.Helper()
	path := filepath.Join(t.TempDir(), "orchard.db")
	s, err := store.Open(ctx, path, opts...)
	require.NoError(t, err)
	t.Cleanup(func() { _ = s.Close() })
	return s, path
}

func orchard(t *testing.T, s *store.Store, name string) *store.Orchard {
	t.Helper()
	o := &store.Orchard{Name: name}
	require.NoError(t, s.AddOrchard(ctx, o))
	return o
}

func day(text string) almanac.Day {
	d, err := almanac.ParseDay(text)
	if err != nil {
		panic(err)
	}
	return d
}

func TestNamesOfAnyScriptAreKeptAsTheyAre(t *testing.T) {
	s, _ := open(t)
	for _, name := range []string{"<b>Bold</b> & 'quoted' \"twice\"", "قطعة البستان", "🌳🌳", strings.Repeat("ä", 500)} {
		o := orchard(t, s, name)
		back, err := s.Orchard(ctx, o.Slug)
		require.NoError(t, err)
		require.Equal(t, name, back.Name)
		tree := &store.Tree{Code: "A1", Kind: "apple", Name: name}
		require.NoError(t, s.AddTree(ctx, o.ID, tree))
		kept, err := s.Tree(ctx, o.ID, tree.ID)
		require.NoError(t, err)
		require.Equal(t, name, kept.Name)
	}
	all, err := s.Orchards(ctx)
	require.NoError(t, err)
	require.Len(t, all, 4, "like slugs get numbers")
}

func TestTwoEditsAtOnceAreRefusedWithBothVersions(t *testing.T) {
	s, _ := open(t)
	o := orchard(t, s, "Edge")
	tree := &store.Tree{Code: "A1", Kind: "pear"}
	require.NoError(t, s.AddTree(ctx, o.ID, tree))
	mine, yours := *tree, *tree
	mine.Notes = "mine"
	require.NoError(t, s.SaveTree(ctx, o.ID, &mine))
	yours.Notes = "yours"
	err := s.SaveTree(ctx, o.ID, &yours)
	var clash *store.Conflict
	require.ErrorAs(t, err, &clash)
	require.Equal(t, 1, clash.Based)
	require.Equal(t, 2, clash.Current)
	require.Contains(t, string(clash.Body), "mine")
	history, err := s.TreeHistory(ctx, tree.ID)
	require.NoError(t, err)
	require.Len(t, history, 2)
	require.Empty(t, history[0].Tree.Notes)
}

func TestManyWritersLoseNothing(t *testing.T) {
	s, _ := open(t)
	o := orchard(t, s, "Busy")
	var wg sync.WaitGroup
	for i := range 40 {
		wg.Go(func() {
			e := &store.Entry{Date: day("2026-03-01") + almanac.Day(i), Kind: "note", Note: "x"}
			require.NoError(t, s.AddEntry(ctx, o.ID, e))
		})
	}
	wg.Wait()
	es, _, err := s.Entries(ctx, o.ID)
	require.NoError(t, err)
	require.Len(t, es, 40)
	back, err := s.Orchard(ctx, o.Slug)
	require.NoError(t, err)
	require.Equal(t, 41, back.Revision)
}

func TestTheJournalIsCorrectedByNewEntriesAndUndoneForTenSeconds(t *testing.T) {
	now := time.Date(2026, 3, 1, 12, 0, 0, 0, time.UTC)
	s, _ := open(t, store.WithClock(func() time.Time { return now }))
	o := orchard(t, s, "Log")
	first := &store.Entry{Date: day("2026-03-01"), Kind: "note", Note: "frist"}
	require.NoError(t, s.AddEntry(ctx, o.ID, first))
	require.NoError(t, s.AddEntry(ctx, o.ID, first), "sent twice by a phone")
	fix := &store.Entry{Date: day("2026-03-01"), Kind: "note", Note: "first", Corrects: first.ID}
	require.NoError(t, s.AddEntry(ctx, o.ID, fix))
	inForce, _, err := s.Entries(ctx, o.ID)
	require.NoError(t, err)
	require.Len(t, inForce, 1)
	require.Equal(t, "first", inForce[0].Note)
	all, _, err := s.Journal(ctx, o.ID)
	require.NoError(t, err)
	require.Len(t, all, 2, "nothing logged is overwritten")
	require.ErrorAs(t, s.AddEntry(ctx, o.ID, &store.Entry{Date: day("2026-03-01"), Kind: "note", Corrects: first.ID}), new(*store.Conflict))

	require.NoError(t, s.AddEntry(ctx, o.ID, &store.Entry{Date: day("2026-03-02"), Kind: "void", Corrects: fix.ID}))
	inForce, _, err = s.Entries(ctx, o.ID)
	require.NoError(t, err)
	require.Empty(t, inForce)

	undone := &store.Entry{Date: day("2026-03-03"), Kind: "note"}
	require.NoError(t, s.AddEntry(ctx, o.ID, undone))
	now = now.Add(9 * time.Second)
	require.NoError(t, s.Undo(ctx, o.ID, undone.ID))
	late := &store.Entry{Date: day("2026-03-03"), Kind: "note"}
	require.NoError(t, s.AddEntry(ctx, o.ID, late))
	now = now.Add(time.Minute)
	require.ErrorAs(t, s.Undo(ctx, o.ID, late.ID), new(*store.Conflict))
}

func TestATreeWithAJournalIsNotRemoved(t *testing.T) {
	s, _ := open(t)
	o := orchard(t, s, "Keep")
	a, b := &store.Tree{Code: "A1", Kind: "apple"}, &store.Tree{Code: "A2", Kind: "apple"}
	require.NoError(t, s.AddTree(ctx, o.ID, a))
	require.NoError(t, s.AddTree(ctx, o.ID, b))
	require.ErrorAs(t, s.AddTree(ctx, o.ID, &store.Tree{Code: "A1", Kind: "apple"}), new(given.Fault))
	require.NoError(t, s.AddEntry(ctx, o.ID, &store.Entry{TreeID: a.ID, Date: day("2026-03-01"), Kind: "note"}))
	require.ErrorAs(t, s.RemoveTree(ctx, o.ID, a.ID), new(*store.Conflict))
	require.NoError(t, s.RemoveTree(ctx, o.ID, b.ID))
	require.ErrorIs(t, s.RemoveTree(ctx, o.ID, b.ID), store.ErrNotFound)
	require.ErrorIs(t, s.AddEntry(ctx, o.ID, &store.Entry{TreeID: b.ID, Date: day("2026-03-01"), Kind: "note"}), store.ErrNotFound)
}

func TestFilesThatCannotServeAreRefusedInWords(t *testing.T) {
	dir := t.TempDir()
	refused := func(path, words string) {
		t.Helper()
		_, err := store.Open(ctx, path)
		var f *store.FileError
		require.ErrorAs(t, err, &f)
		require.ErrorContains(t, err, words)
	}
	text := filepath.Join(dir, "text.db")
	require.NoError(t, os.WriteFile(text, []byte("this is a letter to my aunt"), 0o600))
	refused(text, "not a database")
	refused(dir, "a folder")
	refused(filepath.Join(dir, "no", "such.db"), "folder does not exist")

	other := filepath.Join(dir, "other.db")
	db, err := sql.Open("sqlite", other)
	require.NoError(t, err)
	_, err = db.Exec("CREATE TABLE stamps (id INTEGER)")
	require.NoError(t, err)
	require.NoError(t, db.Close())
	refused(other, "another program")

	s, path := open(t)
	require.NoError(t, s.Close())
	db, err = sql.Open("sqlite", path)
	require.NoError(t, err)
	_, err = db.Exec("INSERT INTO goose_db_version (version_id, is_applied) VALUES (99, 1)")
	require.NoError(t, err)
	require.NoError(t, db.Close())
	refused(path, "newer version (99)")

	locked := filepath.Join(dir, "locked.db")
	s, err = store.Open(ctx, locked)
	require.NoError(t, err)
	require.NoError(t, s.Close())
	require.NoError(t, os.Chmod(locked, 0o400))
	refused(locked, "read-only")
}

func TestBackupAndRestoreBringEverythingBack(t *testing.T) {
	s, path := open(t)
	orchard(t, s, "First")
	copyTo := filepath.Join(t.TempDir(), "copy.db")
	require.NoError(t, s.Backup(ctx, copyTo))
	require.ErrorContains(t, s.Backup(ctx, copyTo), "exists already")
	orchard(t, s, "Second")
	require.NoError(t, s.Close())
	require.NoError(t, store.Restore(ctx, copyTo, path))
	s, err := store.Open(ctx, path)
	require.NoError(t, err)
	defer func() { _ = s.Close() }()
	all, err := s.Orchards(ctx)
	require.NoError(t, err)
	require.Len(t, all, 1)
	kept, err := store.Open(ctx, path+".before-restore")
	require.NoError(t, err)
	defer func() { _ = kept.Close() }()
	all, err = kept.Orchards(ctx)
	require.NoError(t, err)
	require.Len(t, all, 2, "what was replaced is kept")
	junk := filepath.Join(t.TempDir(), "junk")
	require.NoError(t, os.WriteFile(junk, []byte("junk junk junk junk"), 0o600))
	require.Error(t, store.Restore(ctx, junk, path))
}

func TestMeasuredSizesCountUpToTheDayShown(t *testing.T) {
	s, _ := open(t)
	site := almanac.Climates()[0]
	o := &store.Orchard{Name: "Measured", Site: &site}
	require.NoError(t, s.AddOrchard(ctx, o))
	tree := &store.Tree{Code: "A1", Kind: "apple", HeightM: 2}
	require.NoError(t, s.AddTree(ctx, o.ID, tree))
	require.NoError(t, s.AddEntry(ctx, o.ID, &store.Entry{TreeID: tree.ID, Date: day("2026-06-01"), Kind: "measured", HeightM: 2.6}))
	c, err := s.Contents(ctx, o.Slug)
	require.NoError(t, err)
	before, err := c.Yard(day("2026-05-31"))
	require.NoError(t, err)
	after, err := c.Yard(day("2026-06-01"))
	require.NoError(t, err)
	require.InDelta(t, 2.0, before.Trees[0].HeightM, 1e-9)
	require.InDelta(t, 2.6, after.Trees[0].HeightM, 1e-9)
}

func TestACalendarTokenCanBeWithdrawn(t *testing.T) {
	s, _ := open(t)
	o := orchard(t, s, "Calendar")
	first, err := s.NewCalendarToken(ctx, o.ID)
	require.NoError(t, err)
	second, err := s.NewCalendarToken(ctx, o.ID)
	require.NoError(t, err)
	_, err = s.OrchardByToken(ctx, first)
	require.ErrorIs(t, err, store.ErrNotFound, "a new address closes the old one")
	found, err := s.OrchardByToken(ctx, second)
	require.NoError(t, err)
	require.Equal(t, o.ID, found.ID)
	require.NoError(t, s.WithdrawCalendarToken(ctx, o.ID))
	_, err = s.OrchardByToken(ctx, second)
	require.ErrorIs(t, err, store.ErrNotFound)
}
