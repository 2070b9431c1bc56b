package main

import (
	"bytes"
	"context"
	"net"
	"os"
	"path/filepath"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/demo"
	"vertumna/store"
)

func run(args ...string) error {
	c := root()
	c.SetArgs(args)
	c.SetOut(&bytes.Buffer{})
	c.SetErr(&bytes.Buffer{})
	return c.ExecuteContext(context.Background())
}

func TestOnlyLoopbackIsListenedOn(t *testing.T) {
	db := filepath.Join(t.TempDir(), "x.db")
	require.ErrorContains(t, run("serve", "--db", db, "--listen", "0.0.0.0:8475"), "a loopback address expected")
	require.ErrorContains(t, run("serve", "--db", db, "--listen", "nonsense"), "HOST:PORT expected")
	require.ErrorContains(t, run("serve", "--db", db, "--today", "soon"), "YYYY-MM-DD expected")
	require.ErrorContains(t, run("serve"), `"db" not set`)
}

func TestAPortInUseIsSaidInWords(t *testing.T) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	require.NoError(t, err)
	defer func() { _ = l.Close() }()
	require.ErrorContains(t, run("serve", "--db", filepath.Join(t.TempDir(), "x.db"), "--listen", l.Addr().String()), "in use by another program")
}

func TestFilesGoOutAndComeBackByTheCommands(t *testing.T) {
	dir := t.TempDir()
	db, archive, copyTo := filepath.Join(dir, "x.db"), filepath.Join(dir, "x.json"), filepath.Join(dir, "copy.db")
	s, err := store.Open(context.Background(), db)
	require.NoError(t, err)
	require.NoError(t, demo.Fill(context.Background(), s, almanac.DateOf(2027, 2, 20)))
	require.NoError(t, s.Close())
	require.NoError(t, run("export", "--db", db, "saltwind", "-o", archive))
	require.NoError(t, run("backup", "--db", db, copyTo))
	require.NoError(t, run("import", "--db", db, archive))
	require.ErrorContains(t, run("export", "--db", db, "nowhere"), "the slug of an orchard")
	require.NoError(t, run("restore", "--db", db, copyTo))
	s, err = store.Open(context.Background(), db)
	require.NoError(t, err)
	defer func() { _ = s.Close() }()
	all, err := s.Orchards(context.Background())
	require.NoError(t, err)
	require.Len(t, all, 2, "the import is gone again after the restore")
	require.NoError(t, os.WriteFile(archive, []byte("{}"), 0o600))
	require.ErrorContains(t, run("import", "--db", db, archive), "vertumna-archive expected")
}
