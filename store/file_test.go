package store_test

import (
	"context"
	"database/sql"
	"fmt"
	"os"
	"path/filepath"
	"sync"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/store"
)

// opened is a store in a file of its own, closed at the end of the test.
func opened(t *testing.T, path string) *store.Store {
	t.Helper()
	s, err := store.Open(ctx, path)
	require.NoError(t, err)
	t.Cleanup(func() { _ = s.Close() })
	return s
}

// holding writes a database with one orchard and closes it.
func holding(t *testing.T, path, name string) {
	t.Helper()
	s, err := store.Open(ctx, path)
	require.NoError(t, err)
	require.NoError(t, s.AddOrchard(ctx, &store.Orchard{Name: name}))
	require.NoError(t, s.Close())
}

func namesIn(t *testing.T, path string) (out []string) {
	t.Helper()
	s := opened(t, path)
	all, err := s.Orchards(ctx)
	require.NoError(t, err)
	for _, o := range all {
		out = append(out, o.Name)
	}
	return out
}

func TestAFileIsTheOneThatIsNamedWhateverItsLetters(t *testing.T) {
	for _, name := range []string{"a%20b.db", "was?x=1.db", "h#1.db", "plain name.db", "obst & co.db"} {
		path := filepath.Join(t.TempDir(), name)
		holding(t, path, name)
		info, err := os.Stat(path)
		require.NoError(t, err)
		require.Equal(t, os.FileMode(0o600), info.Mode().Perm(), "for its owner only")
		files, err := os.ReadDir(filepath.Dir(path))
		require.NoError(t, err)
		require.Len(t, files, 1)
		require.Equal(t, []string{name}, namesIn(t, path))
	}
	for _, none := range []string{"", " ", ":memory:", "file:x.db"} {
		_, err := store.Open(ctx, none)
		require.ErrorContains(t, err, "the name of a file expected", "%q", none)
	}
}

func TestWhatOnlyReadsMakesNoFile(t *testing.T) {
	path := filepath.Join(t.TempDir(), "typo.db")
	_, err := store.OpenExisting(ctx, path)
	require.ErrorContains(t, err, "no database in it")
	require.NoFileExists(t, path)
}

func TestADamagedFileIsKnownWhenItIsOpenedAndIsNotCopied(t *testing.T) {
	path := filepath.Join(t.TempDir(), "o.db")
	s, err := store.Open(ctx, path)
	require.NoError(t, err)
	for n := range 40 {
		require.NoError(t, s.AddOrchard(ctx, &store.Orchard{Name: fmt.Sprint("Orchard ", n)}))
	}
	require.NoError(t, s.Close())
	f, err := os.OpenFile(path, os.O_RDWR, 0)
	require.NoError(t, err)
	info, err := f.Stat()
	require.NoError(t, err)
	for at := int64(4096); at < info.Size(); at += 4096 { // the head of each page but the first
		_, err = f.WriteAt([]byte("not a page at all, but forty letters of it"), at)
		require.NoError(t, err)
	}
	require.NoError(t, f.Close())
	_, err = store.Open(ctx, path)
	require.ErrorContains(t, err, "damaged")
	require.ErrorContains(t, err, "restore")
}

func TestRestoreTakesNothingAwayThatIsInUseOrCannotComeBack(t *testing.T) {
	dir := t.TempDir()
	path, copyTo, empty := filepath.Join(dir, "o.db"), filepath.Join(dir, "b.db"), filepath.Join(dir, "empty.db")
	holding(t, path, "First")
	s := opened(t, path)
	require.NoError(t, s.Backup(ctx, copyTo))
	info, err := os.Stat(copyTo)
	require.NoError(t, err)
	require.Equal(t, os.FileMode(0o600), info.Mode().Perm())
	require.ErrorContains(t, store.Restore(ctx, copyTo, path), "has it open")
	require.NoError(t, s.AddOrchard(ctx, &store.Orchard{Name: "Second"}))
	require.NoError(t, s.Close())

	require.NoError(t, os.WriteFile(empty, nil, 0o600))
	require.ErrorContains(t, store.Restore(ctx, empty, path), "empty")
	require.Equal(t, []string{"First", "Second"}, namesOnce(t, path))

	require.NoError(t, store.Restore(ctx, copyTo, path))
	require.Equal(t, []string{"First"}, namesOnce(t, path))
	require.NoError(t, store.Restore(ctx, copyTo, path))
	require.Equal(t, []string{"First", "Second"}, namesOnce(t, path+".before-restore"), "the first copy is kept")
	require.Equal(t, []string{"First"}, namesOnce(t, path+".before-restore-2"))
	files, err := filepath.Glob(filepath.Join(dir, "*restoring*"))
	require.NoError(t, err)
	require.Empty(t, files)
}

// namesOnce reads the orchards of a file and closes it again.
func namesOnce(t *testing.T, path string) (out []string) {
	t.Helper()
	s, err := store.Open(ctx, path)
	require.NoError(t, err)
	defer func() { require.NoError(t, s.Close()) }()
	all, err := s.Orchards(ctx)
	require.NoError(t, err)
	for _, o := range all {
		out = append(out, o.Name)
	}
	return out
}

func TestOnlyADemoIsTakenAwayForAFreshOne(t *testing.T) {
	dir := t.TempDir()
	own, photo, made := filepath.Join(dir, "own.db"), filepath.Join(dir, "photo.jpg"), filepath.Join(dir, "demo.db")
	holding(t, own, "Mine")
	require.NoError(t, os.WriteFile(photo, []byte("not a database"), 0o600))
	require.ErrorContains(t, store.RemoveDemo(ctx, own), "not made by the demo")
	require.ErrorContains(t, store.RemoveDemo(ctx, photo), "not made by the demo")
	require.FileExists(t, photo)
	require.Equal(t, []string{"Mine"}, namesOnce(t, own))

	s := opened(t, made)
	require.NoError(t, s.MarkDemo(ctx))
	require.ErrorContains(t, store.RemoveDemo(ctx, made), "has it open")
	require.NoError(t, s.Close())
	require.NoError(t, store.RemoveDemo(ctx, made))
	require.NoFileExists(t, made)
	require.NoError(t, store.RemoveDemo(ctx, made), "what is not there needs no taking away")
}

func TestManyWritersAtOnceWaitTheirTurnAndNoneIsLost(t *testing.T) {
	s := opened(t, filepath.Join(t.TempDir(), "o.db"))
	o := store.Orchard{Name: "Crowd"}
	require.NoError(t, s.AddOrchard(ctx, &o))
	tree := store.Tree{Code: "A1", Kind: "apple"}
	require.NoError(t, s.AddTree(ctx, o.ID, &tree))
	const writers = 150
	errs := make([]error, writers)
	var wait sync.WaitGroup
	for n := range writers {
		wait.Go(func() {
			errs[n] = s.AddTaps(ctx, o.ID, tree.ID, 2027, []store.Tap{{ID: fmt.Sprintf("tap-%05d", n), Limb: "S1", Pass: 1, Left: 1}})
		})
	}
	wait.Wait()
	for _, err := range errs {
		require.NoError(t, err)
	}
	taps, err := s.Taps(ctx, tree.ID)
	require.NoError(t, err)
	require.Len(t, taps, writers)
}

func TestAnIdUsedAgainForSomethingElseIsRefused(t *testing.T) {
	s := opened(t, filepath.Join(t.TempDir(), "o.db"))
	o, other := store.Orchard{Name: "One"}, store.Orchard{Name: "Other"}
	require.NoError(t, s.AddOrchard(ctx, &o))
	require.NoError(t, s.AddOrchard(ctx, &other))
	first := store.Entry{ID: "an-id-of-its-own", Date: day("2027-02-20"), Kind: "note", Note: "first"}
	again, second, elsewhere := first, first, first
	second.Note = "second"
	require.NoError(t, s.AddEntry(ctx, o.ID, &first))
	require.NoError(t, s.AddEntry(ctx, o.ID, &again), "sent twice")
	var taken *store.Conflict
	require.ErrorAs(t, s.AddEntry(ctx, o.ID, &second), &taken)
	require.Equal(t, "id_taken", taken.Code)
	require.ErrorAs(t, s.AddEntry(ctx, other.ID, &elsewhere), &taken, "an id of another orchard")
	p := store.Person{Name: "Ada"}
	require.NoError(t, s.AddPerson(ctx, o.ID, &p))
	p.Name = "Eve"
	require.ErrorIs(t, s.SavePerson(ctx, other.ID, &p), store.ErrNotFound)
	tree := store.Tree{Code: "A1", Kind: "apple"}
	require.NoError(t, s.AddTree(ctx, o.ID, &tree))
	require.ErrorIs(t, s.SaveTree(ctx, other.ID, &tree), store.ErrNotFound)
	tap := []store.Tap{{ID: "tap-00001", Limb: "S1", Pass: 1, Left: 1}}
	require.NoError(t, s.AddTaps(ctx, o.ID, tree.ID, 2027, tap))
	require.NoError(t, s.AddTaps(ctx, o.ID, tree.ID, 2027, tap))
	tap[0].Limb = "S2"
	require.ErrorAs(t, s.AddTaps(ctx, o.ID, tree.ID, 2027, tap), &taken)
}

func TestWritesMadeTogetherAreAllKeptOrNone(t *testing.T) {
	s := opened(t, filepath.Join(t.TempDir(), "o.db"))
	o := store.Orchard{Name: "Whole"}
	err := s.Together(ctx, func(s *store.Store) error {
		if err := s.AddOrchard(ctx, &o); err != nil {
			return err
		}
		if _, err := s.Orchard(ctx, o.Slug); err != nil { // seen from within
			return err
		}
		return context.Canceled
	})
	require.ErrorIs(t, err, context.Canceled)
	_, err = s.Orchard(ctx, o.Slug)
	require.ErrorIs(t, err, store.ErrNotFound)
	require.Panics(t, func() {
		_ = s.Together(ctx, func(s *store.Store) error {
			_ = s.AddOrchard(ctx, &o)
			panic("the power went")
		})
	})
	require.NoError(t, s.AddOrchard(ctx, &store.Orchard{Name: "After"}), "the next writer has its turn")
	_, err = s.Orchard(ctx, o.Slug)
	require.ErrorIs(t, err, store.ErrNotFound)
}

func TestAStartThatWasCutOffBeforeTheFileWasMarkedIsGoneOnWith(t *testing.T) {
	path := filepath.Join(t.TempDir(), "half.db")
	db, err := sql.Open("sqlite", path)
	require.NoError(t, err)
	_, err = db.Exec(`CREATE TABLE goose_db_version (id INTEGER PRIMARY KEY AUTOINCREMENT, version_id INTEGER NOT NULL, is_applied INTEGER NOT NULL, tstamp TIMESTAMP DEFAULT (datetime('now')))`)
	require.NoError(t, err)
	_, err = db.Exec(`INSERT INTO goose_db_version (version_id, is_applied) VALUES (0, 1)`)
	require.NoError(t, err)
	require.NoError(t, db.Close())
	s := opened(t, path)
	require.NoError(t, s.AddOrchard(ctx, &store.Orchard{Name: "Whole"}))
}
