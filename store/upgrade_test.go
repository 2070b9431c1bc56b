package store_test

import (
	"compress/gzip"
	"database/sql"
	"encoding/json"
	"io"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/store"
)

func unpacked(t *testing.T, name string) []byte {
	t.Helper()
	f, err := os.Open(filepath.Join("testdata", name))
	require.NoError(t, err)
	defer func() { _ = f.Close() }()
	z, err := gzip.NewReader(f)
	require.NoError(t, err)
	out, err := io.ReadAll(z)
	require.NoError(t, err)
	return out
}

// A file as the program of version 8 left it: three revisions of a map, a calendar address.
func TestAFileOfAnOlderProgramIsBroughtOn(t *testing.T) {
	path := filepath.Join(t.TempDir(), "old.db")
	require.NoError(t, os.WriteFile(path, unpacked(t, "v8.db.gz"), 0o600))
	var was struct {
		Orchard, Tree, Token, Gone string
		Maps                       []store.LimbMap
	}
	require.NoError(t, json.Unmarshal(unpacked(t, "v8.json.gz"), &was))
	s, err := store.Open(ctx, path)
	require.NoError(t, err)
	defer func() { _ = s.Close() }()
	maps, err := s.Maps(ctx, was.Tree)
	require.NoError(t, err)
	require.Equal(t, was.Maps, maps)
	had, err := s.EverHadLimb(ctx, was.Tree, was.Gone)
	require.NoError(t, err)
	require.True(t, had, "a limb that is gone was there")
	o, err := s.OrchardByToken(ctx, was.Token)
	require.NoError(t, err, "an address in use goes on being answered")
	require.Equal(t, was.Orchard, o.Slug)
	made, err := s.CalendarMade(ctx, o.ID)
	require.NoError(t, err)
	require.False(t, made.IsZero())
	require.NotContains(t, copyOf(t, s), was.Token, "and the address stands nowhere in a copy")
}

// copyOf is all that a backup of a database holds.
func copyOf(t *testing.T, s *store.Store) string {
	t.Helper()
	to := filepath.Join(t.TempDir(), "copy.db")
	require.NoError(t, s.Backup(ctx, to))
	text, err := os.ReadFile(to)
	require.NoError(t, err)
	return string(text)
}

// sizes are the bytes that each revision of a tree's map takes, oldest first.
func sizes(t *testing.T, path, tree string) (out []int) {
	t.Helper()
	db, err := sql.Open("sqlite", path)
	require.NoError(t, err)
	defer func() { _ = db.Close() }()
	rows, err := db.Query("SELECT length(coalesce(body, change)) FROM limb_maps WHERE tree_id = ? ORDER BY revision", tree)
	require.NoError(t, err)
	defer func() { _ = rows.Close() }()
	for rows.Next() {
		var n int
		require.NoError(t, rows.Scan(&n))
		out = append(out, n)
	}
	require.NoError(t, rows.Err())
	return out
}

func TestAnEditOfAMapIsKeptAsItsChangeAndReadBackEqual(t *testing.T) {
	s, path := open(t)
	o := orchard(t, s, "Testfield")
	tree := &store.Tree{Code: "A1", Kind: "apple"}
	require.NoError(t, s.AddTree(ctx, o.ID, tree))
	doc, err := growth.Sketch(growth.SketchInput{Species: "apple", Age: 15, Form: "open-vase", TrunkMM: 150, HeightCM: 380, SpreadCM: 420, Scaffolds: 6, Seed: 3})
	require.NoError(t, err)
	var written []limb.Doc
	save := func(cause string, change func(d *limb.Doc)) {
		d := doc
		d.Limbs = append([]limb.Limb(nil), doc.Limbs...)
		change(&d)
		doc = d
		m := &store.LimbMap{Revision: store.Revision{BasedOn: len(written), Date: mapDay("2027-02-01"), Cause: cause}, Doc: d}
		require.NoError(t, s.SaveMap(ctx, o.ID, tree.ID, m))
		written = append(written, m.Doc)
	}
	save(store.CauseSketch, func(*limb.Doc) {})
	save(store.CauseCorrect, func(d *limb.Doc) { d.Limbs[3].Note = "rubs in wind" })
	save(store.CauseCorrect, func(d *limb.Doc) { d.Limbs[4].LengthCM = limb.Of(88) })
	save(store.CauseCut, func(d *limb.Doc) { d.Limbs = d.Limbs[:len(d.Limbs)-3] })
	save(store.CauseCorrect, func(d *limb.Doc) { d.Limbs[5].Note = strings.Repeat("a long story, ", 3) })
	took := sizes(t, path, tree.ID)
	require.Greater(t, took[0], 10_000)
	for k, n := range took[1:] {
		require.Less(t, n, 500, "revision %d", k+2)
	}
	save(store.CauseImport, func(d *limb.Doc) { // another tree altogether
		other, err := growth.Sketch(growth.SketchInput{Species: "apple", Age: 9, Form: "central-leader", TrunkMM: 90, HeightCM: 300, SpreadCM: 260, Scaffolds: 8, Seed: 11})
		require.NoError(t, err)
		*d = other
	})
	maps, err := s.Maps(ctx, tree.ID)
	require.NoError(t, err)
	require.Len(t, maps, len(written))
	for k := range maps {
		require.Equal(t, written[k], maps[k].Doc, "revision %d", k+1)
	}
	undone, err := s.UndoMap(ctx, o.ID, tree.ID, 6, mapDay("2027-03-01"))
	require.NoError(t, err)
	require.Equal(t, written[4], undone.Doc)
	again, err := s.MapAsOf(ctx, tree.ID, mapDay("2027-03-01"))
	require.NoError(t, err)
	require.Equal(t, written[4], again.Doc)
	require.Less(t, sizes(t, path, tree.ID)[6], 500)
}
