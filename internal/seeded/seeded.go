// Package seeded gives tests the demo orchards of a day: written once in a test run of a package, copied for each test.
package seeded

import (
	"context"
	"os"
	"path/filepath"
	"sync"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/demo"
	"vertumna/store"
)

// Files are databases by a key of the test's own, each made once: two that want the same at once wait for the first.
type Files[K comparable] struct{ made, turns sync.Map }

// Of is the file of a key, as bytes. It is made by fill, which writes it over a path that holds nothing yet.
func (f *Files[K]) Of(t testing.TB, key K, fill func(path string)) []byte {
	t.Helper()
	turn, _ := f.turns.LoadOrStore(key, &sync.Mutex{})
	turn.(*sync.Mutex).Lock()
	defer turn.(*sync.Mutex).Unlock()
	if file, ok := f.made.Load(key); ok {
		return file.([]byte)
	}
	path := filepath.Join(t.TempDir(), "seed.db")
	fill(path)
	file, err := os.ReadFile(path)
	require.NoError(t, err)
	f.made.Store(key, file)
	return file
}

var demos Files[almanac.Day]

// Demo is the demo's database as of a day, as bytes.
func Demo(t testing.TB, today almanac.Day) []byte {
	t.Helper()
	return demos.Of(t, today, func(path string) {
		s := Open(t, path)
		require.NoError(t, demo.Fill(context.Background(), s, today))
		require.NoError(t, s.Close())
	})
}

// Copy writes a database into a folder of the test's own, and gives its path.
func Copy(t testing.TB, file []byte) string {
	t.Helper()
	path := filepath.Join(t.TempDir(), "test.db")
	require.NoError(t, os.WriteFile(path, file, 0o600))
	return path
}

// Open opens a database.
func Open(t testing.TB, path string) *store.Store {
	t.Helper()
	s, err := store.Open(context.Background(), path)
	require.NoError(t, err)
	return s
}

// Store is the demo as of a day, open until the test ends.
func Store(t testing.TB, today almanac.Day) *store.Store {
	t.Helper()
	s := Open(t, Copy(t, Demo(t, today)))
	t.Cleanup(func() { _ = s.Close() })
	return s
}
