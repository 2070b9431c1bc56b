package store

import (
	"bytes"
	"context"
	"database/sql"
	"errors"
	"fmt"
	"io"
	"io/fs"
	"net/url"
	"os"
	"path/filepath"
	"strings"
	"time"

	"github.com/pressly/goose/v3"
	"modernc.org/sqlite"
	sqlite3 "modernc.org/sqlite/lib"
)

// FileError says in words why a database file cannot be used.
type FileError struct{ Path, Problem, Expected string }

func (e *FileError) Error() string {
	return fmt.Sprintf("%s: %s; %s expected", e.Path, e.Problem, e.Expected)
}

// Option changes how a store is opened.
type Option func(*Store)

// WithClock sets the clock that stamps what is written.
func WithClock(now func() time.Time) Option { return func(s *Store) { s.now = now } }

// WithMostPages lets the file grow to so many pages of 4096 bytes at most: a write beyond them is refused as on a full disk.
func WithMostPages(n int) Option { return func(s *Store) { s.pages = n } }

// Full says whether a write was refused because there is no room left for it; nothing of it was kept.
func Full(err error) bool {
	var e *sqlite.Error
	return errors.As(err, &e) && e.Code()&0xff == sqlite3.SQLITE_FULL
}

// ownOnly: a person's orchard is theirs; other users of the machine have no business in it.
const ownOnly = 0o600

// Open opens or makes a database file and brings it to this program's version. Errors: *FileError for a file that is not a database of
// ours, is damaged, cannot be written, or is from a newer version.
func Open(ctx context.Context, path string, opts ...Option) (*Store, error) {
	if err := inspect(path); err != nil {
		return nil, err
	}
	f, err := os.OpenFile(path, os.O_RDWR|os.O_CREATE, ownOnly) // a new file is one's own from the first
	if err != nil {
		return nil, &FileError{path, err.Error(), "a file that may be written"}
	}
	if err := f.Close(); err != nil {
		return nil, err
	}
	s := &Store{turn: make(chan struct{}, 1), path: path, now: time.Now}
	for _, o := range opts {
		o(s)
	}
	pragmas := []string{"busy_timeout(5000)", "journal_mode(WAL)", "foreign_keys(1)", "synchronous(FULL)"}
	if s.pages > 0 {
		pragmas = append(pragmas, fmt.Sprintf("max_page_count(%d)", s.pages))
	}
	db, err := sql.Open("sqlite", source(path, pragmas...)+"&_txlock=immediate")
	if err != nil {
		return nil, err
	}
	s.db, s.file = db, db
	if err := s.migrate(ctx); err != nil {
		_ = db.Close()
		return nil, err
	}
	return s, nil
}

// OpenExisting is Open for a file that must be there: a name mistyped makes no new one.
func OpenExisting(ctx context.Context, path string, opts ...Option) (*Store, error) {
	if info, err := os.Stat(path); errors.Is(err, fs.ErrNotExist) || err == nil && info.Size() == 0 {
		return nil, &FileError{path, "there is no database in it", "a database made by Vertumna"}
	}
	return Open(ctx, path, opts...)
}

// source names a file to SQLite; whatever letters its name has, it is that file.
func source(path string, pragmas ...string) string {
	out := "file:" + (&url.URL{Path: path}).EscapedPath() + "?"
	for i, p := range pragmas {
		if i > 0 {
			out += "&"
		}
		out += "_pragma=" + p
	}
	return out
}

// named refuses what is no name of a file.
func named(path string) error {
	if strings.TrimSpace(path) == "" || path == ":memory:" || strings.HasPrefix(path, "file:") {
		return &FileError{fmt.Sprintf("%q", path), "it names no file", "the name of a file"}
	}
	return nil
}

// inspect refuses a file that cannot serve before SQLite touches it.
func inspect(path string) error {
	if err := named(path); err != nil {
		return err
	}
	info, err := os.Stat(path)
	if errors.Is(err, fs.ErrNotExist) {
		if dir, err := os.Stat(filepath.Dir(path)); err != nil || !dir.IsDir() {
			return &FileError{path, "its folder does not exist", "a file in a folder that exists"}
		}
		return nil
	}
	if err != nil {
		return &FileError{path, err.Error(), "a readable file"}
	}
	if info.IsDir() {
		return &FileError{path, "it is a folder", "a database file"}
	}
	f, err := os.OpenFile(path, os.O_RDWR, 0)
	if err != nil || info.Mode().Perm()&0o200 == 0 {
		if err == nil {
			_ = f.Close()
		}
		return &FileError{path, "it cannot be written (read-only)", "a file that may be written"}
	}
	defer func() { _ = f.Close() }()
	head := make([]byte, 16)
	n, _ := io.ReadFull(f, head)
	if n > 0 && !bytes.Equal(head, []byte("SQLite format 3\x00")) {
		return &FileError{path, "it is not a database", "a database made by Vertumna"}
	}
	return nil
}

func (s *Store) migrate(ctx context.Context) error {
	var id, tables int
	if err := s.file.QueryRowContext(ctx, "PRAGMA application_id").Scan(&id); err != nil {
		return damaged(s.path, err.Error())
	}
	if err := s.db.QueryRowContext(ctx, "SELECT count(*) FROM sqlite_master").Scan(&tables); err != nil {
		return damaged(s.path, err.Error())
	}
	if tables > 0 && id != applicationID {
		half, err := s.halfMade(ctx, id)
		if err != nil {
			return damaged(s.path, err.Error())
		}
		if !half {
			return &FileError{s.path, "it belongs to another program", "a database made by Vertumna"}
		}
	}
	if id != applicationID { // first of all: a start that is cut off leaves a file that the next one knows
		if _, err := s.db.ExecContext(ctx, fmt.Sprintf("PRAGMA application_id = %d", applicationID)); err != nil {
			return fmt.Errorf("%s: %w", s.path, err)
		}
	}
	dir, err := fs.Sub(migrations, "migrations")
	if err != nil {
		return err
	}
	p, err := goose.NewProvider(goose.DialectSQLite3, s.file, dir, goose.WithGoMigrations(
		goose.NewGoMigration(10, &goose.GoFunc{RunTx: hashTokens}, nil),
	))
	if err != nil {
		return err
	}
	sources := p.ListSources()
	newest := sources[len(sources)-1].Version
	if tables > 0 {
		have, err := p.GetDBVersion(ctx)
		if err != nil {
			return err
		}
		if have > newest {
			return &FileError{s.path, fmt.Sprintf("it is from a newer version (%d)", have), fmt.Sprintf("version %d or older: use a newer program", newest)}
		}
	}
	if tables > 0 {
		if err := s.checked(ctx); err != nil {
			return err
		}
	}
	if _, err := p.Up(ctx); err != nil {
		return fmt.Errorf("%s: %w", s.path, err)
	}
	return s.bringOn(ctx)
}

// halfMade: an older program was cut off in its first start, before the file had our mark. All its tables are ours then.
func (s *Store) halfMade(ctx context.Context, id int) (bool, error) {
	if id != 0 {
		return false, nil
	}
	var foreign, ours int
	err := s.db.QueryRowContext(ctx, `SELECT count(*) FILTER (WHERE name NOT IN ('goose_db_version', 'sqlite_sequence', 'orchards', 'people', 'trees', 'tree_versions', 'entries', 'own_tasks', 'calendar_tokens', 'limb_maps')),
		count(*) FILTER (WHERE name = 'goose_db_version') FROM sqlite_master WHERE type = 'table'`).Scan(&foreign, &ours)
	return foreign == 0 && ours == 1, err
}

// checked looks through the whole file: a damaged one is known before anything is read from it or copied.
func (s *Store) checked(ctx context.Context) error {
	var found string
	err := s.db.QueryRowContext(ctx, "PRAGMA quick_check(1)").Scan(&found)
	if err != nil {
		found = err.Error()
	}
	if found != "ok" {
		return damaged(s.path, found)
	}
	return nil
}

func damaged(path, why string) error {
	return &FileError{path, "it is damaged: " + why, "a sound database: bring back the last backup with vertumna restore; what is damaged is kept beside it"}
}

// Close closes the file. What was called off is rolled back beside its caller: that is waited for, so that the file is free afterwards.
func (s *Store) Close() error {
	for end := time.Now().Add(closeMost); s.file.Stats().InUse > 0 && time.Now().Before(end); {
		time.Sleep(time.Millisecond)
	}
	return s.file.Close()
}

const closeMost = 5 * time.Second

// Ping says whether the file answers.
func (s *Store) Ping(ctx context.Context) error { return s.file.PingContext(ctx) }

// Backup writes a whole copy of the database to a new file; an existing file is not overwritten, a damaged database not copied.
func (s *Store) Backup(ctx context.Context, to string) error {
	if err := s.checked(ctx); err != nil {
		return err
	}
	f, err := os.OpenFile(to, os.O_CREATE|os.O_EXCL|os.O_WRONLY, ownOnly)
	if errors.Is(err, fs.ErrExist) {
		return &FileError{to, "it exists already", "the name of a new file"}
	}
	if err != nil {
		return &FileError{to, err.Error(), "the name of a new file"}
	}
	if err := f.Close(); err != nil {
		return err
	}
	if _, err := s.db.ExecContext(ctx, "VACUUM INTO ?", to); err != nil {
		_ = os.Remove(to)
		return err
	}
	return nil
}

// Restore puts a backup in the place of a database file that no program has open. The backup is opened and checked first; the file it
// replaces is kept beside it, each one under a name of its own.
func Restore(ctx context.Context, backup, path string) error {
	if info, err := os.Stat(backup); err == nil && info.Size() == 0 {
		return &FileError{backup, "it is empty", "a backup made by Vertumna"}
	}
	if err := named(path); err != nil {
		return err
	}
	if err := NotInUse(ctx, path); err != nil {
		return err
	}
	tmp, err := copyBeside(backup, path)
	if err != nil {
		return err
	}
	defer func() {
		for _, end := range logs {
			_ = os.Remove(tmp + end)
		}
	}()
	s, err := Open(ctx, tmp)
	if err != nil {
		return err
	}
	if err = s.checked(ctx); err == nil {
		_, err = s.db.ExecContext(ctx, "PRAGMA wal_checkpoint(TRUNCATE)")
	}
	if e := s.Close(); err == nil {
		err = e
	}
	if err != nil {
		return err
	}
	if _, e := os.Stat(path); e == nil {
		if err := settle(ctx, path); err != nil {
			return err
		}
		if err := os.Rename(path, keptAs(path)); err != nil {
			return err
		}
	}
	return os.Rename(tmp, path)
}

// logs are the endings of a database and of what SQLite keeps beside it.
var logs = []string{"", "-wal", "-shm"}

// keptAs is a name for a file that is replaced: no copy kept before is written over.
func keptAs(path string) string {
	name := path + ".before-restore"
	for n := 2; ; n++ {
		if _, err := os.Stat(name); errors.Is(err, fs.ErrNotExist) {
			return name
		}
		name = fmt.Sprintf("%s.before-restore-%d", path, n)
	}
}

// NotInUse refuses a database file that some program has open. A file that is not there, or is no database, is not in use.
func NotInUse(ctx context.Context, path string) error {
	if info, err := os.Stat(path); err != nil || info.Size() == 0 || inspect(path) != nil {
		return nil
	}
	db, err := sql.Open("sqlite", source(path, "busy_timeout(0)", "locking_mode(EXCLUSIVE)"))
	if err != nil {
		return err
	}
	defer func() { _ = db.Close() }()
	db.SetMaxOpenConns(1)
	if _, err := db.ExecContext(ctx, "BEGIN EXCLUSIVE"); err != nil {
		if strings.Contains(err.Error(), "locked") || strings.Contains(err.Error(), "BUSY") {
			return &FileError{path, "a program has it open", "a file that no program has open: stop Vertumna first"}
		}
		return nil // not for a database's own faults: they are told when it is opened
	}
	_, err = db.ExecContext(ctx, "ROLLBACK")
	return err
}

// demoMark is the user version of a file that the demo has filled.
const demoMark = 0xDE30

// MarkDemo says of a file that it holds the demo and nothing of a person's.
func (s *Store) MarkDemo(ctx context.Context) error {
	_, err := s.db.ExecContext(ctx, fmt.Sprintf("PRAGMA user_version = %d", demoMark))
	return err
}

// RemoveDemo takes away a file that the demo has filled. Errors: *FileError for any other file, or one that a program has open; nil where
// there is none.
func RemoveDemo(ctx context.Context, path string) error {
	if _, err := os.Stat(path); errors.Is(err, fs.ErrNotExist) {
		return nil
	}
	not := &FileError{path, "it was not made by the demo", "the demo's own file: name another, or take this one away by hand"}
	if inspect(path) != nil {
		return not
	}
	if err := NotInUse(ctx, path); err != nil {
		return err
	}
	db, err := sql.Open("sqlite", source(path))
	if err != nil {
		return err
	}
	var mark int
	err = db.QueryRowContext(ctx, "PRAGMA user_version").Scan(&mark)
	if e := db.Close(); err == nil {
		err = e
	}
	if err != nil || mark != demoMark {
		return not
	}
	for _, end := range logs {
		if err := os.Remove(path + end); err != nil && !errors.Is(err, fs.ErrNotExist) {
			return err
		}
	}
	return nil
}

// settle folds a database's log into its file, so that the file alone is the whole; a file that is no sound database is
// left as it is.
func settle(ctx context.Context, path string) error {
	if s, err := Open(ctx, path); err == nil {
		_, _ = s.db.ExecContext(ctx, "PRAGMA wal_checkpoint(TRUNCATE)")
		return s.Close()
	}
	for _, end := range logs[1:] {
		if err := os.Remove(path + end); err != nil && !errors.Is(err, fs.ErrNotExist) {
			return err
		}
	}
	return nil
}

// copyBeside copies a file to a new one in the folder of another.
func copyBeside(from, path string) (name string, err error) {
	in, err := os.Open(from)
	if err != nil {
		return "", &FileError{from, err.Error(), "a backup made by Vertumna"}
	}
	defer func() { _ = in.Close() }()
	out, err := os.CreateTemp(filepath.Dir(path), filepath.Base(path)+".restoring-*")
	if err != nil {
		return "", &FileError{path, err.Error(), "a folder that may be written"}
	}
	if _, err = io.Copy(out, in); err == nil {
		err = out.Sync()
	}
	if e := out.Close(); err == nil {
		err = e
	}
	if err != nil {
		_ = os.Remove(out.Name())
		return "", &FileError{path, err.Error(), "room for a copy of the backup"}
	}
	return out.Name(), nil
}
