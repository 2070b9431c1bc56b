package main

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"os"
	"path/filepath"

	"github.com/spf13/cobra"

	"vertumna/api"
	"vertumna/exchange"
	"vertumna/store"
)

// opener opens a database file: what only reads opens none that is not there.
type opener func(ctx context.Context, path string, opts ...store.Option) (*store.Store, error)

// dbCommand makes a command that works on one database file.
func dbCommand(use, short string, args cobra.PositionalArgs, open opener, run func(ctx context.Context, s *store.Store, args []string) error) *cobra.Command {
	db := ""
	c := &cobra.Command{Use: use, Short: short, Args: args, RunE: func(c *cobra.Command, args []string) error {
		s, err := open(c.Context(), db)
		if err != nil {
			return err
		}
		defer func() { _ = s.Close() }()
		return run(c.Context(), s, args)
	}}
	c.Flags().StringVar(&db, "db", "", "database file")
	_ = c.MarkFlagRequired("db")
	return c
}

func exportCommand() *cobra.Command {
	out := ""
	c := dbCommand("export --db FILE SLUG", "Write an orchard as an archive (JSON)", cobra.ExactArgs(1), store.OpenExisting, func(ctx context.Context, s *store.Store, args []string) error {
		a, err := exchange.Export(ctx, s, args[0])
		if errors.Is(err, store.ErrNotFound) {
			return fmt.Errorf("orchard: %q given, the slug of an orchard in the file expected", args[0])
		}
		if err != nil {
			return err
		}
		text, err := json.MarshalIndent(a, "", " ")
		if err != nil {
			return err
		}
		if out == "" {
			_, err = os.Stdout.Write(append(text, '\n'))
			return err
		}
		return writeWhole(out, append(text, '\n'))
	})
	c.Flags().StringVarP(&out, "out", "o", "", "file to write (default: standard output)")
	return c
}

// writeWhole writes a file all or not at all.
func writeWhole(path string, text []byte) error {
	tmp, err := os.CreateTemp(filepath.Dir(path), ".vertumna-*")
	if err != nil {
		return err
	}
	defer func() { _ = os.Remove(tmp.Name()) }()
	if _, err = tmp.Write(text); err == nil {
		err = tmp.Sync()
	}
	if e := tmp.Close(); err == nil {
		err = e
	}
	if err != nil {
		return err
	}
	return os.Rename(tmp.Name(), path)
}

func importCommand() *cobra.Command {
	return dbCommand("import --db FILE ARCHIVE", "Add the orchards of an archive", cobra.ExactArgs(1), store.Open, func(ctx context.Context, s *store.Store, args []string) error {
		f, err := os.Open(args[0])
		if err != nil {
			return err
		}
		defer func() { _ = f.Close() }()
		a, err := exchange.ReadArchive(f)
		if err != nil {
			return err
		}
		slugs, err := exchange.Import(ctx, s, a)
		for _, slug := range slugs {
			fmt.Println("added " + slug)
		}
		return err
	})
}

func backupCommand() *cobra.Command {
	return dbCommand("backup --db FILE TO", "Write a whole copy of the database to a new file", cobra.ExactArgs(1), store.OpenExisting, func(ctx context.Context, s *store.Store, args []string) error {
		return s.Backup(ctx, args[0])
	})
}

func restoreCommand() *cobra.Command {
	db := ""
	c := &cobra.Command{
		Use: "restore --db FILE BACKUP", Short: "Put a backup in the place of a database; what it replaces is kept beside it", Args: cobra.ExactArgs(1),
		RunE: func(c *cobra.Command, args []string) error { return store.Restore(c.Context(), args[0], db) },
	}
	c.Flags().StringVar(&db, "db", "", "database file to replace; no program may have it open")
	_ = c.MarkFlagRequired("db")
	return c
}

func openapiCommand() *cobra.Command {
	return &cobra.Command{
		Use: "openapi", Short: "Print the contract of the api (OpenAPI 3.1)", Args: cobra.NoArgs,
		RunE: func(*cobra.Command, []string) error {
			doc, err := api.OpenAPI()
			if err != nil {
				return err
			}
			var v any
			if err := json.Unmarshal(doc, &v); err != nil {
				return err
			}
			text, err := json.MarshalIndent(v, "", "  ")
			if err == nil {
				fmt.Println(string(text))
			}
			return err
		},
	}
}
