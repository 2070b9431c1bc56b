package store_test

import (
	"database/sql"
	"encoding/json"
	"os"
	"path/filepath"
	"reflect"
	"testing"
	"time"

	"github.com/stretchr/testify/require"

	"vertumna/core/training"
	"vertumna/store"
)

// A file as the program of version 11 left it: a journal with an entry of every kind, its parts side by side.
func TestAJournalOfAnOlderShapeIsBroughtOn(t *testing.T) {
	path := filepath.Join(t.TempDir(), "old.db")
	require.NoError(t, os.WriteFile(path, unpacked(t, "v11.db.gz"), 0o600))
	var was struct {
		Orchard, Tree string
		Entries       []store.Entry
	}
	require.NoError(t, json.Unmarshal(unpacked(t, "v11.json.gz"), &was))
	require.Len(t, was.Entries, 14)
	for range 2 { // opened again, nothing is brought on twice
		s, err := store.Open(ctx, path)
		require.NoError(t, err)
		now, broken, err := s.Journal(ctx, was.Orchard)
		require.NoError(t, err)
		require.Empty(t, broken)
		require.Equal(t, was.Entries, now)
		require.NoError(t, s.Close())
	}
}

// spoiled opens a copy of the old file in which a journal row was changed by hand before.
func spoiled(t *testing.T, change string) (*store.Store, string) {
	t.Helper()
	path := filepath.Join(t.TempDir(), "old.db")
	require.NoError(t, os.WriteFile(path, unpacked(t, "v11.db.gz"), 0o600))
	db, err := sql.Open("sqlite", path)
	require.NoError(t, err)
	_, err = db.Exec("UPDATE entries SET body = " + change + " WHERE rowid = 1")
	require.NoError(t, err)
	require.NoError(t, db.Close())
	s, err := store.Open(ctx, path)
	require.NoError(t, err, "the rest opens without it")
	t.Cleanup(func() { _ = s.Close() })
	return s, path
}

func TestWhatCannotBeBroughtOnIsSetAsideAndKeptAsItIs(t *testing.T) {
	for _, change := range []string{`json_set(body, '$.minutes', 'an hour')`, `json_set(body, '$.share', 'a third')`, `'[]'`} {
		s, path := spoiled(t, change)
		o, err := s.Orchards(ctx)
		require.NoError(t, err)
		entries, broken, err := s.Journal(ctx, o[0].ID)
		require.NoError(t, err)
		require.Len(t, entries, 13, change)
		require.Len(t, broken, 1, change)
		db, err := sql.Open("sqlite", path)
		require.NoError(t, err)
		var same bool
		require.NoError(t, db.QueryRow("SELECT doc_version = 1 FROM entries WHERE rowid = 1").Scan(&same))
		require.True(t, same)
		require.NoError(t, db.Close())
	}
}

// fill sets a value to something that is not its zero.
func fill(v reflect.Value) {
	switch v.Kind() {
	case reflect.Pointer:
		v.Set(reflect.New(v.Type().Elem()))
		fill(v.Elem())
	case reflect.Struct:
		for i := range v.NumField() {
			if v.Type().Field(i).IsExported() {
				fill(v.Field(i))
			}
		}
	case reflect.Slice:
		v.Set(reflect.MakeSlice(v.Type(), 1, 1))
		fill(v.Index(0))
	case reflect.Array:
		for i := range v.Len() {
			fill(v.Index(i))
		}
	case reflect.Map:
		v.Set(reflect.MakeMap(v.Type()))
		k, e := reflect.New(v.Type().Key()).Elem(), reflect.New(v.Type().Elem()).Elem()
		fill(k)
		fill(e)
		v.SetMapIndex(k, e)
	case reflect.String:
		v.SetString("x")
	case reflect.Bool:
		v.SetBool(true)
	case reflect.Float64:
		v.SetFloat(1.5)
	default:
		v.SetInt(9000)
	}
}

// TestEveryFieldOfAnEntryIsKept fills one field after another: a field that no part keeps is found here.
func TestEveryFieldOfAnEntryIsKept(t *testing.T) {
	s, _ := open(t)
	o := orchard(t, s, "Testfield")
	tree := &store.Tree{Code: "A1", Kind: "apple"}
	require.NoError(t, s.AddTree(ctx, o.ID, tree))
	kinds := reflect.TypeFor[store.Entry]()
	tried := 0
	for i := range kinds.NumField() {
		e := store.Entry{ID: store.NewID(), Created: time.Now().UTC().Format(time.RFC3339Nano), TreeID: tree.ID, Date: mapDay("2027-02-01"), Kind: "note"}
		switch name := kinds.Field(i).Name; name {
		case "ID", "Created", "TreeID", "Date", "Kind", "Corrects": // columns of their own; set above
			continue
		default:
			fill(reflect.ValueOf(&e).Elem().Field(i))
			require.NoError(t, s.AddEntry(ctx, o.ID, &e), name)
			back, err := s.Logged(ctx, o.ID, e.ID)
			require.NoError(t, err, name)
			want, err := json.Marshal(e)
			require.NoError(t, err)
			got, err := json.Marshal(back)
			require.NoError(t, err)
			require.JSONEq(t, string(want), string(got), name)
			tried++
		}
	}
	require.Greater(t, tried, 35)
}

// TestEveryDocumentIsWrittenInTheNewestShape writes one of each and looks at what was noted beside it.
func TestEveryDocumentIsWrittenInTheNewestShape(t *testing.T) {
	s, path := open(t)
	o := orchard(t, s, "Testfield")
	tree := &store.Tree{Code: "A1", Kind: "apple"}
	require.NoError(t, s.AddTree(ctx, o.ID, tree))
	require.NoError(t, s.AddPerson(ctx, o.ID, &store.Person{Name: "Ada"}))
	require.NoError(t, s.AddEntry(ctx, o.ID, &store.Entry{Date: mapDay("2027-02-01"), Kind: "note", Note: "x"}))
	require.NoError(t, s.SetWords(ctx, o.ID, tree.ID, store.TrainingWords{Marks: []training.ShootWord{{}}}))
	tree.Code = "A2"
	require.NoError(t, s.SaveTree(ctx, o.ID, tree))
	db, err := sql.Open("sqlite", path)
	require.NoError(t, err)
	defer func() { _ = db.Close() }()
	for table, want := range map[string]int{"orchards": 1, "people": 1, "trees": 1, "tree_versions": 1, "entries": 2, "training_words": 1} {
		rows, low, high := 0, 0, 0
		require.NoError(t, db.QueryRow("SELECT count(*), min(doc_version), max(doc_version) FROM "+table).Scan(&rows, &low, &high), table)
		require.Positive(t, rows, table)
		require.Equal(t, []int{want, want}, []int{low, high}, table)
	}
}

func TestAKindOfEntryHasItsPartsAndNoOthers(t *testing.T) {
	for _, e := range []store.Entry{
		{Kind: "work", Task: "dormant-cut", Outcome: "done", Share: 0.1, HeightM: 2},
		{Kind: "measured", HeightM: 2, TrunkMM: 60},
		{Kind: "trouble", Task: "bend", Reason: "it split"},
		{Kind: "frost-night", TminC: -3},
		{Kind: "void"},
	} {
		require.Empty(t, e.Check(), e.Kind)
	}
	for field, e := range map[string]store.Entry{
		"share":    {Kind: "note", Share: 0.3},
		"kilos":    {Kind: "observed", Kilos: 4},
		"stage":    {Kind: "measured", Stage: "bloom"},
		"height_m": {Kind: "note", HeightM: 3},
		"tmin_c":   {Kind: "note", TminC: -3},
		"outcome":  {Kind: "seen", Outcome: "done"},
	} {
		fs := e.Check()
		require.Len(t, fs, 1, field)
		require.Equal(t, field, fs[0].Field)
		require.EqualValues(t, "not_of_kind", fs[0].Code)
	}
}
