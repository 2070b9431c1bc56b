// Package store keeps orchards in one SQLite file through database/sql: the orchard with its place and school, its
// people, trees, journal, own tasks and calendar tokens. A document that is edited carries a version, and a clash is
// refused with both versions; the journal only grows. Every write moves the orchard's revision. Metres, millimetres and
// degrees Celsius throughout.
package store

import (
	"bytes"
	"context"
	"database/sql"
	"embed"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"io/fs"
	"os"
	"path/filepath"
	"strconv"
	"time"

	"github.com/google/uuid"
	"github.com/pressly/goose/v3"
	_ "modernc.org/sqlite" // the driver

	"vertumna/core/given"
)

//go:embed migrations/*.sql
var migrations embed.FS

// applicationID marks a file as ours: 'Vert'.
const applicationID = 0x56657274

// Store is an open database. It is safe for use by several goroutines.
type Store struct {
	db   queries
	file *sql.DB
	all  *sql.Tx       // of Together; nil elsewhere
	turn chan struct{} // of who writes: one at a time
	path string
	now  func() time.Time
}

// queries is a database, or one transaction of it.
type queries interface {
	ExecContext(ctx context.Context, query string, args ...any) (sql.Result, error)
	QueryContext(ctx context.Context, query string, args ...any) (*sql.Rows, error)
	QueryRowContext(ctx context.Context, query string, args ...any) *sql.Row
}

// FileError says in words why a database file cannot be used.
type FileError struct{ Path, Problem, Expected string }

func (e *FileError) Error() string {
	return fmt.Sprintf("%s: %s; %s expected", e.Path, e.Problem, e.Expected)
}

// ErrNotFound is returned when nothing has the id or slug asked for.
var ErrNotFound = errors.New("not found")

// Conflict is a write that does not fit what stands: a document changed meanwhile, an entry already corrected.
type Conflict struct {
	given.Fault
	// Based and Current are the versions of a clash: what the edit was based on, and what stands; Body is the document as it stands.
	Based, Current int
	Body           json.RawMessage
}

// clash is a document that was changed by someone else since it was read.
func clash(based, current int, body string) error {
	return &Conflict{given.Fault{Code: "version_clash", Field: "version", Given: strconv.Itoa(based), Expected: strconv.Itoa(current)}, based, current, json.RawMessage(body)}
}

func conflict(code, field, was, expected string) error {
	return &Conflict{Fault: given.Fault{Code: code, Field: field, Given: was, Expected: expected}}
}

// Option changes how a store is opened.
type Option func(*Store)

// WithClock sets the clock that stamps what is written.
func WithClock(now func() time.Time) Option { return func(s *Store) { s.now = now } }

// Open opens or makes a database file and brings it to this program's version. Errors: *FileError for a file that is not
// a database of ours, cannot be written, or is from a newer version.
func Open(ctx context.Context, path string, opts ...Option) (*Store, error) {
	if err := inspect(path); err != nil {
		return nil, err
	}
	dsn := "file:" + path + "?_pragma=busy_timeout(5000)&_pragma=journal_mode(WAL)&_pragma=foreign_keys(1)&_pragma=synchronous(FULL)&_txlock=immediate"
	db, err := sql.Open("sqlite", dsn)
	if err != nil {
		return nil, err
	}
	s := &Store{db: db, file: db, turn: make(chan struct{}, 1), path: path, now: time.Now}
	for _, o := range opts {
		o(s)
	}
	if err := s.migrate(ctx); err != nil {
		_ = db.Close()
		return nil, err
	}
	return s, nil
}

// inspect refuses a file that cannot serve before SQLite touches it.
func inspect(path string) error {
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
	if err := s.db.QueryRowContext(ctx, "PRAGMA application_id").Scan(&id); err != nil {
		return &FileError{s.path, "it is damaged: " + err.Error(), "a database made by Vertumna"}
	}
	if err := s.db.QueryRowContext(ctx, "SELECT count(*) FROM sqlite_master").Scan(&tables); err != nil {
		return &FileError{s.path, "it is damaged: " + err.Error(), "a database made by Vertumna"}
	}
	if tables > 0 && id != applicationID {
		return &FileError{s.path, "it belongs to another program", "a database made by Vertumna"}
	}
	dir, err := fs.Sub(migrations, "migrations")
	if err != nil {
		return err
	}
	p, err := goose.NewProvider(goose.DialectSQLite3, s.file, dir)
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
	if _, err := p.Up(ctx); err != nil {
		return fmt.Errorf("%s: %w", s.path, err)
	}
	_, err = s.db.ExecContext(ctx, fmt.Sprintf("PRAGMA application_id = %d", applicationID))
	return err
}

// Close closes the file.
func (s *Store) Close() error { return s.file.Close() }

// Ping says whether the file answers.
func (s *Store) Ping(ctx context.Context) error { return s.file.PingContext(ctx) }

// Backup writes a whole copy of the database to a new file; an existing file is not overwritten.
func (s *Store) Backup(ctx context.Context, to string) error {
	if _, err := os.Stat(to); err == nil {
		return &FileError{to, "it exists already", "the name of a new file"}
	}
	_, err := s.db.ExecContext(ctx, "VACUUM INTO ?", to)
	return err
}

// Restore puts a backup in the place of a database file that no program has open. The backup is opened and checked
// first; the file it replaces is kept beside it with the ending .before-restore.
func Restore(ctx context.Context, backup, path string) error {
	tmp := path + ".restoring"
	if err := copyFile(backup, tmp); err != nil {
		return &FileError{backup, err.Error(), "a backup made by Vertumna"}
	}
	defer func() { _ = os.Remove(tmp) }()
	s, err := Open(ctx, tmp)
	if err != nil {
		return err
	}
	var ok string
	err = s.db.QueryRowContext(ctx, "PRAGMA integrity_check").Scan(&ok)
	if err == nil && ok != "ok" {
		err = &FileError{backup, "it is damaged: " + ok, "a sound backup"}
	}
	if err == nil {
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
		if err := os.Rename(path, path+".before-restore"); err != nil {
			return err
		}
	}
	return os.Rename(tmp, path)
}

// settle folds a database's log into its file, so that the file alone is the whole; a file that is no sound database is
// left as it is.
func settle(ctx context.Context, path string) error {
	if s, err := Open(ctx, path); err == nil {
		_, _ = s.db.ExecContext(ctx, "PRAGMA wal_checkpoint(TRUNCATE)")
		return s.Close()
	}
	for _, end := range []string{"-wal", "-shm"} {
		if err := os.Remove(path + end); err != nil && !errors.Is(err, fs.ErrNotExist) {
			return err
		}
	}
	return nil
}

func copyFile(from, to string) error {
	in, err := os.Open(from)
	if err != nil {
		return err
	}
	defer func() { _ = in.Close() }()
	out, err := os.Create(to)
	if err != nil {
		return err
	}
	if _, err = io.Copy(out, in); err == nil {
		err = out.Sync()
	}
	if e := out.Close(); err == nil {
		err = e
	}
	return err
}

// NewID makes an id that sorts by the time it was made.
func NewID() string { return uuid.Must(uuid.NewV7()).String() }

// tx runs a transaction; any error undoes all of it. Writers wait for their turn here, in the order they came, and not at the file.
func (s *Store) tx(ctx context.Context, run func(*sql.Tx) error) error {
	if s.all != nil { // part of a larger one, which an error undoes
		return run(s.all)
	}
	select {
	case s.turn <- struct{}{}:
		defer func() { <-s.turn }()
	case <-ctx.Done():
		return ctx.Err()
	}
	tx, err := s.file.BeginTx(ctx, nil)
	if err != nil {
		return err
	}
	defer func() { _ = tx.Rollback() }() // of what did not come to its end, a panic too
	if err := run(tx); err != nil {
		return err
	}
	return tx.Commit()
}

// Together makes many writes one: all of them are kept, or none. The store it hands on is for those writes only.
func (s *Store) Together(ctx context.Context, write func(*Store) error) error {
	return s.tx(ctx, func(tx *sql.Tx) error {
		part := *s
		part.db, part.all = tx, tx
		return write(&part)
	})
}

func touch(ctx context.Context, tx *sql.Tx, orchardID string) error {
	r, err := tx.ExecContext(ctx, "UPDATE orchards SET revision = revision + 1 WHERE id = ?", orchardID)
	if err != nil {
		return err
	}
	if n, _ := r.RowsAffected(); n == 0 {
		return ErrNotFound
	}
	return nil
}

// update writes a document if its version is still the given one, and returns the new version.
func update(ctx context.Context, tx *sql.Tx, table, id string, version int, body any) (int, error) {
	text, err := json.Marshal(body)
	if err != nil {
		return 0, err
	}
	r, err := tx.ExecContext(ctx, "UPDATE "+table+" SET body = ?, version = version + 1 WHERE id = ? AND version = ?", string(text), id, version)
	if err != nil {
		return 0, err
	}
	if n, _ := r.RowsAffected(); n == 1 {
		return version + 1, nil
	}
	var current int
	var now string
	err = tx.QueryRowContext(ctx, "SELECT version, body FROM "+table+" WHERE id = ?", id).Scan(&current, &now)
	if errors.Is(err, sql.ErrNoRows) {
		return 0, ErrNotFound
	}
	if err != nil {
		return 0, err
	}
	return 0, clash(version, current, now)
}

func (s *Store) stamp() string { return s.now().UTC().Format(time.RFC3339Nano) }

// Broken is a row that cannot be read: it is set aside, named, and the rest opens without it. It stays in the database as it is.
type Broken struct {
	Table string `json:"table"`
	ID    string `json:"id"`
	Why   string `json:"why"`
}

func (b Broken) Error() string {
	return fmt.Sprintf("%s: row %s cannot be read: %s", b.Table, b.ID, b.Why)
}

// sound reads the documents that can be read, and names those that cannot. The query gives id, version and body.
func sound[T any](ctx context.Context, db queries, table string, set func(*T, string, int), query string, args ...any) ([]T, []Broken, error) {
	rs, err := db.QueryContext(ctx, query, args...)
	if err != nil {
		return nil, nil, err
	}
	defer func() { _ = rs.Close() }()
	out, broken := []T{}, []Broken(nil)
	for rs.Next() {
		var id, body string
		var version int
		if err := rs.Scan(&id, &version, &body); err != nil {
			return nil, nil, err
		}
		var v T
		if err := json.Unmarshal([]byte(body), &v); err != nil {
			broken = append(broken, Broken{table, id, err.Error()})
			continue
		}
		set(&v, id, version)
		out = append(out, v)
	}
	return out, broken, rs.Err()
}

// rows reads documents with their ids and versions; one that cannot be read is an error.
func rows[T any](ctx context.Context, q interface {
	QueryContext(context.Context, string, ...any) (*sql.Rows, error)
}, set func(*T, string, int), query string, args ...any,
) ([]T, error) {
	rs, err := q.QueryContext(ctx, query, args...)
	if err != nil {
		return nil, err
	}
	defer func() { _ = rs.Close() }()
	out := []T{}
	for rs.Next() {
		var id, body string
		var version int
		if err := rs.Scan(&id, &version, &body); err != nil {
			return nil, err
		}
		var v T
		if err := json.Unmarshal([]byte(body), &v); err != nil {
			return nil, fmt.Errorf("%s: %w", id, err)
		}
		set(&v, id, version)
		out = append(out, v)
	}
	return out, rs.Err()
}
