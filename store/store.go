// Package store keeps orchards in one SQLite file through database/sql: the orchard with its place and school, its
// people, trees, journal, own tasks and calendar tokens. A document that is edited carries a version, and a clash is
// refused with both versions; the journal only grows. Every write moves the orchard's revision. Metres, millimetres and
// degrees Celsius throughout.
package store

import (
	"context"
	"database/sql"
	"embed"
	"encoding/json"
	"errors"
	"fmt"
	"strconv"
	"time"

	"github.com/google/uuid"
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

	pages int // the file may have; 0: as many as the disk
}

// queries is a database, or one transaction of it.
type queries interface {
	ExecContext(ctx context.Context, query string, args ...any) (sql.Result, error)
	QueryContext(ctx context.Context, query string, args ...any) (*sql.Rows, error)
	QueryRowContext(ctx context.Context, query string, args ...any) *sql.Row
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
// An empty body: it is not told here.
func clash(based, current int, body string) *Conflict {
	out := &Conflict{given.Fault{Code: "version_clash", Field: "version", Given: strconv.Itoa(based), Expected: strconv.Itoa(current)}, based, current, nil}
	if body != "" {
		out.Body = json.RawMessage(body)
	}
	return out
}

// Clash is the conflict of what was made from a revision that is no longer the last.
func Clash(based, current int) error { return clash(based, current, "") }

func conflict(code, field, was, expected string) error {
	return &Conflict{Fault: given.Fault{Code: code, Field: field, Given: was, Expected: expected}}
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
	r, err := tx.ExecContext(ctx, "UPDATE "+table+" SET body = ?, doc_version = ?, version = version + 1 WHERE id = ? AND version = ?", string(text), shapeOf(table), id, version)
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

// listed reads the documents of an orchard in the order they were added, and names those that cannot be read.
func listed[T any](ctx context.Context, s *Store, table, orchardID string, set func(*T, string, int)) ([]T, []Broken, error) {
	return sound(ctx, s.db, table, set, "SELECT id, version, body FROM "+table+" WHERE orchard_id = ? ORDER BY rowid", orchardID)
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
