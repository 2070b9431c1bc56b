package exchange_test

import (
	"bytes"
	"context"
	"encoding/json"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/given"
	"vertumna/core/training"
	"vertumna/exchange"
	"vertumna/store"
)

// archived is the southern demo orchard as JSON, with a change made to it.
func archived(t *testing.T, s *store.Store, change func(o map[string]any)) []byte {
	t.Helper()
	a, err := exchange.Export(ctx, s, "saltwind")
	require.NoError(t, err)
	a.Sum = ""
	text, err := json.Marshal(a)
	require.NoError(t, err)
	var doc map[string]any
	require.NoError(t, json.Unmarshal(text, &doc))
	change(doc["orchards"].([]any)[0].(map[string]any))
	text, err = json.Marshal(doc)
	require.NoError(t, err)
	return text
}

func at(x any, path ...any) map[string]any {
	for _, p := range path {
		switch k := p.(type) {
		case string:
			x = x.(map[string]any)[k]
		case int:
			x = x.([]any)[k]
		}
	}
	return x.(map[string]any)
}

func TestWhatAFormRefusesAnArchiveMayNotHold(t *testing.T) {
	s := demoStore(t, "2027-03-10")
	for field, change := range map[string]func(o map[string]any){
		"orchards[0].trees[0].x":                      func(o map[string]any) { at(o, "trees", 0)["x"] = 1e12 },
		"orchards[0].trees[1].id":                     func(o map[string]any) { at(o, "trees", 1)["id"] = at(o, "trees", 0)["id"] },
		"orchards[0].journal[1].id":                   func(o map[string]any) { at(o, "journal", 1)["id"] = at(o, "journal", 0)["id"] },
		"orchards[0].journal[0].height_m":             func(o map[string]any) { at(o, "journal", 0)["height_m"] = 1e12 },
		"orchards[0].journal[0].date":                 func(o map[string]any) { at(o, "journal", 0)["date"] = "30.02.2027" },
		"orchards[0].orchard.plot.features[1].points": func(o map[string]any) { at(o, "orchard", "plot", "features", 1)["points"] = []any{} },
		"orchards[0].orchard.plot.outline[0].x":       func(o map[string]any) { at(o, "orchard", "plot", "outline", 0)["x"] = -1e12 },
		"orchards[0].orchard.surprise":                func(o map[string]any) { at(o, "orchard")["surprise"] = true },
		"orchards[0].orchard.name":                    func(o map[string]any) { at(o, "orchard")["name"] = "  \n" },
		"orchards[0].people[0].hours_a_week[2]":       func(o map[string]any) { at(o, "people", 0)["hours_a_week"].([]any)[2] = -1.0 },
		"orchards[0].orchard.needs[0].kind": func(o map[string]any) {
			at(o, "orchard")["needs"] = []any{map[string]any{"kind": "dragonfruit", "fresh_kg": 5}}
		},
	} {
		_, err := exchange.ReadArchive(bytes.NewReader(archived(t, s, change)))
		var all given.Faults
		require.ErrorAs(t, err, &all, field)
		var fields []string
		for _, f := range all {
			fields = append(fields, f.Field)
		}
		require.Contains(t, fields, field)
	}
	_, err := exchange.ReadArchive(strings.NewReader(string(archived(t, s, func(map[string]any) {})) + "{}"))
	require.ErrorContains(t, err, "nothing after it")
}

func TestAnArchiveThatWasChangedSinceIsTold(t *testing.T) {
	s := demoStore(t, "2027-03-10")
	a, err := exchange.Export(ctx, s, "saltwind")
	require.NoError(t, err)
	text, err := json.MarshalIndent(a, "", "  ")
	require.NoError(t, err)
	_, err = exchange.ReadArchive(bytes.NewReader(text))
	require.NoError(t, err, "however it is spaced")
	_, err = exchange.ReadArchive(bytes.NewReader(bytes.Replace(text, []byte("Shell wall"), []byte("Shelf wall"), 1)))
	require.ErrorContains(t, err, "sha256")
}

func TestTapsAndTheHistoriesOfTreesGoAlong(t *testing.T) {
	s := demoStore(t, "2027-03-10")
	c, err := s.Contents(ctx, "saltwind")
	require.NoError(t, err)
	tree := c.Trees[0]
	tree.Notes = "changed once"
	require.NoError(t, s.SaveTree(ctx, c.Orchard.ID, &tree))
	require.NoError(t, s.AddTaps(ctx, c.Orchard.ID, tree.ID, 2027, []store.Tap{
		{ID: "tap-00001", Limb: "S1", Pass: 1, Left: 3}, {ID: "tap-00002", Limb: "S1", Pass: 1, Taken: 1}, {ID: "tap-00003", Limb: "S1", Pass: 1, Left: -3, Undoes: "tap-00001"},
	}))
	words := store.TrainingWords{Marks: []training.ShootWord{{Limb: "S2", Mark: "keep"}}, Buds: []training.BudWord{{Bud: "3", State: "broken"}}, Season: 2027}
	require.NoError(t, s.SetWords(ctx, c.Orchard.ID, tree.ID, words))
	a, err := exchange.Export(ctx, s, "saltwind")
	require.NoError(t, err)
	slugs, err := exchange.Import(ctx, s, a)
	require.NoError(t, err)
	after, err := s.Contents(ctx, slugs[0])
	require.NoError(t, err)
	require.Equal(t, map[string]store.TrainingWords{after.Trees[0].ID: words}, after.Words)
	was, err := s.TreeHistory(ctx, tree.ID)
	require.NoError(t, err)
	is, err := s.TreeHistory(ctx, after.Trees[0].ID)
	require.NoError(t, err)
	require.Len(t, is, len(was))
	require.Equal(t, was[1].At, is[1].At)
	require.Equal(t, 2, after.Trees[0].Version)
	taps, err := s.Taps(ctx, after.Trees[0].ID)
	require.NoError(t, err)
	require.Len(t, taps, 3)
	require.Equal(t, taps[0].ID, taps[2].Undoes, "under new ids")
}

func TestAnImportIsWholeOrNotThere(t *testing.T) {
	s := demoStore(t, "2027-03-10")
	a, err := exchange.Export(ctx, s, "saltwind")
	require.NoError(t, err)
	count := func() int {
		all, err := s.Orchards(ctx)
		require.NoError(t, err)
		return len(all)
	}
	before := count()
	// the second orchard cannot be written: each revision of its maps is there twice
	broken := a.Orchards[0]
	broken.LimbMaps = map[string][]store.LimbMap{}
	for id, ms := range a.Orchards[0].LimbMaps {
		broken.LimbMaps[id] = append(append([]store.LimbMap{}, ms...), ms...)
	}
	_, err = exchange.Import(ctx, s, &exchange.Archive{Orchards: []exchange.ArchivedOrchard{a.Orchards[0], broken}})
	require.Error(t, err)
	require.Equal(t, before, count(), "neither of the two")
	for _, after := range []int{1, 40, 400} { // the client leaves at some moment of it
		gone, leave := context.WithCancel(ctx)
		_, err = exchange.Import(&leaving{Context: gone, leave: leave, left: after}, s, a)
		require.Error(t, err)
		require.Equal(t, before, count())
	}
}

// leaving is a client that goes away after some looks at whether it is still there.
type leaving struct {
	context.Context
	leave context.CancelFunc
	left  int
}

func (l *leaving) Done() <-chan struct{} {
	if l.left--; l.left <= 0 {
		l.leave()
	}
	return l.Context.Done()
}

func (l *leaving) Err() error { return l.Context.Err() }
