package store

import (
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"strconv"

	"vertumna/core/almanac"
	"vertumna/core/limb"
)

// Causes of a revision of a limb map.
const (
	CauseSketch  = "sketch"
	CauseCorrect = "corrected"
	CauseMark    = "marked"
	CauseCut     = "cut"
	CauseImport  = "import"
	CauseUndo    = "undo"
	CauseGrown   = "grown" // carried on by the model to a later season
)

// Revision says when and why a limb map was written.
type Revision struct {
	Revision int         `json:"revision"`
	BasedOn  int         `json:"based_on" doc:"the revision it was made from; 0: none"`
	Date     almanac.Day `json:"date" doc:"the day it shows the tree on"`
	At       string      `json:"at"`
	Cause    string      `json:"cause" enum:"sketch,corrected,marked,cut,import,undo,grown"`
	Note     string      `json:"note,omitempty"`
}

// LimbMap is one revision of a tree's limb map.
type LimbMap struct {
	Revision
	Doc limb.Doc `json:"map"`
}

const (
	mapColumns = "revision, based_on, date, at, cause, note"
	docColumns = ", body, whole, change"
)

// MapAsOf is the limb map of a tree as of a day: the latest revision of the latest day up to it. Error: ErrNotFound.
func (s *Store) MapAsOf(ctx context.Context, treeID string, day almanac.Day) (*LimbMap, error) {
	return s.readMap(ctx, treeID, s.db.QueryRowContext(ctx, "SELECT "+mapColumns+docColumns+" FROM limb_maps WHERE tree_id = ? AND date <= ? ORDER BY date DESC, revision DESC LIMIT 1",
		treeID, day.String()))
}

// MapMark tells revisions apart: a number that was taken back and given again was written at another time.
type MapMark struct {
	Revision int
	At       string
	Date     almanac.Day // the day it shows the tree on
}

// Mark is the revision's.
func (m *LimbMap) Mark() MapMark { return MapMark{m.Revision.Revision, m.At, m.Date} }

// MapsAsOf tells which revision of each tree's limb map was in force on a day, by tree.
func (s *Store) MapsAsOf(ctx context.Context, orchardID string, day almanac.Day) (map[string]MapMark, error) {
	rows, err := s.db.QueryContext(ctx, `SELECT m.tree_id, m.revision, m.at, m.date FROM trees t JOIN limb_maps m ON m.tree_id = t.id
		WHERE t.orchard_id = ? AND m.revision = (SELECT n.revision FROM limb_maps n WHERE n.tree_id = t.id AND n.date <= ? ORDER BY n.date DESC, n.revision DESC LIMIT 1)`,
		orchardID, day.String())
	if err != nil {
		return nil, err
	}
	defer func() { _ = rows.Close() }()
	out := map[string]MapMark{}
	for rows.Next() {
		var id, date string
		var m MapMark
		if err := rows.Scan(&id, &m.Revision, &m.At, &date); err != nil {
			return nil, err
		}
		if m.Date, err = almanac.ParseDay(date); err != nil {
			return nil, err
		}
		out[id] = m
	}
	return out, rows.Err()
}

// MapRevision is one revision of a tree's limb map. Error: ErrNotFound.
func (s *Store) MapRevision(ctx context.Context, treeID string, revision int) (*LimbMap, error) {
	return s.readMap(ctx, treeID, s.db.QueryRowContext(ctx, "SELECT "+mapColumns+docColumns+" FROM limb_maps WHERE tree_id = ? AND revision = ?", treeID, revision))
}

func (s *Store) readMap(ctx context.Context, treeID string, row *sql.Row) (*LimbMap, error) {
	var m LimbMap
	var date string
	var kept mapRow
	err := row.Scan(&m.Revision.Revision, &m.BasedOn, &date, &m.At, &m.Cause, &m.Note, &kept.body, &kept.whole, &kept.change)
	if errors.Is(err, sql.ErrNoRows) {
		return nil, ErrNotFound
	}
	if err != nil {
		return nil, err
	}
	if m.Date, err = almanac.ParseDay(date); err != nil {
		return nil, err
	}
	body, err := kept.text(ctx, s.db, treeID)
	if err != nil {
		return nil, err
	}
	return &m, json.Unmarshal([]byte(body), &m.Doc)
}

// MapHistory lists the revisions of a tree's limb map, latest day first.
func (s *Store) MapHistory(ctx context.Context, treeID string) ([]Revision, error) {
	rs, err := s.db.QueryContext(ctx, "SELECT "+mapColumns+" FROM limb_maps WHERE tree_id = ? ORDER BY date DESC, revision DESC", treeID)
	if err != nil {
		return nil, err
	}
	defer func() { _ = rs.Close() }()
	out := []Revision{}
	for rs.Next() {
		var r Revision
		var date string
		if err := rs.Scan(&r.Revision, &r.BasedOn, &date, &r.At, &r.Cause, &r.Note); err != nil {
			return nil, err
		}
		if r.Date, err = almanac.ParseDay(date); err != nil {
			return nil, err
		}
		out = append(out, r)
	}
	return out, rs.Err()
}

// SaveMap writes a new revision of a tree's limb map. It must be based on the map as of its date: another written
// meanwhile is a *Conflict that holds it. A first map is based on 0.
func (s *Store) SaveMap(ctx context.Context, orchardID, treeID string, m *LimbMap) error {
	return s.tx(ctx, func(tx *sql.Tx) error { return s.saveMap(ctx, tx, orchardID, treeID, m) })
}

func (s *Store) saveMap(ctx context.Context, tx *sql.Tx, orchardID, treeID string, m *LimbMap) error {
	m.Doc.Version = limb.FormatVersion
	body, err := json.Marshal(m.Doc)
	if err != nil {
		return err
	}
	if err := touch(ctx, tx, orchardID); err != nil {
		return err
	}
	now := 0
	var kept mapRow
	err = tx.QueryRowContext(ctx, "SELECT revision"+docColumns+" FROM limb_maps WHERE tree_id = ? AND date <= ? ORDER BY date DESC, revision DESC LIMIT 1",
		treeID, m.Date.String()).Scan(&now, &kept.body, &kept.whole, &kept.change)
	if err != nil && !errors.Is(err, sql.ErrNoRows) {
		return err
	}
	if now != m.BasedOn {
		text := ""
		if now > 0 {
			if text, err = kept.text(ctx, tx, treeID); err != nil {
				return err
			}
		}
		out := clash(m.BasedOn, now, text)
		out.Says = "It was changed meanwhile, in another window or by somebody else."
		return out
	}
	return s.addRevision(ctx, tx, treeID, m, string(body))
}

func (s *Store) addRevision(ctx context.Context, tx *sql.Tx, treeID string, m *LimbMap, body string) error {
	if err := tx.QueryRowContext(ctx, "SELECT coalesce(max(revision), 0) + 1 FROM limb_maps WHERE tree_id = ?", treeID).Scan(&m.Revision.Revision); err != nil {
		return err
	}
	if m.At == "" {
		m.At = s.stamp()
	}
	return s.addMap(ctx, tx, treeID, m, body)
}

// CanUndoMap says whether a map has one before it of the same growth year, or that it was carried on from.
func (s *Store) CanUndoMap(ctx context.Context, treeID string, m *LimbMap) (bool, error) {
	if m.BasedOn == 0 {
		return false, nil
	}
	before, err := s.MapRevision(ctx, treeID, m.BasedOn)
	if errors.Is(err, ErrNotFound) {
		return false, nil
	}
	return err == nil && m.stepFrom(before), err
}

// stepFrom: the map before this one is a step back. That of another year is none, but for one that was carried on by mistake.
func (m *LimbMap) stepFrom(before *LimbMap) bool {
	return before.Doc.Year == m.Doc.Year || m.Cause == CauseGrown
}

// UndoMap takes back the last change of a tree's limb map: it writes the map before it as a new revision. Undoing again
// goes one further back. Errors: *Conflict when the map changed meanwhile, *Conflict, ErrNotFound.
func (s *Store) UndoMap(ctx context.Context, orchardID, treeID string, revision int, day almanac.Day) (*LimbMap, error) {
	m, err := s.MapAsOf(ctx, treeID, day)
	if err != nil {
		return nil, err
	}
	if m.Revision.Revision != revision {
		return nil, clash(revision, m.Revision.Revision, "")
	}
	if m.BasedOn == 0 {
		return nil, conflict("nothing_to_undo", "revision", strconv.Itoa(revision), "one made from another")
	}
	before, err := s.MapRevision(ctx, treeID, m.BasedOn)
	if err != nil {
		return nil, err
	}
	if !m.stepFrom(before) {
		return nil, conflict("nothing_to_undo", "revision", strconv.Itoa(revision), "one made from another")
	}
	out := &LimbMap{Revision{BasedOn: before.BasedOn, Date: m.Date, Cause: CauseUndo}, before.Doc}
	body, err := json.Marshal(out.Doc)
	if err != nil {
		return nil, err
	}
	return out, s.tx(ctx, func(tx *sql.Tx) error {
		if err := touch(ctx, tx, orchardID); err != nil {
			return err
		}
		var now int
		if err := tx.QueryRowContext(ctx, "SELECT revision FROM limb_maps WHERE tree_id = ? AND date <= ? ORDER BY date DESC, revision DESC LIMIT 1", treeID, day.String()).Scan(&now); err != nil {
			return err
		}
		if now != revision {
			return clash(revision, now, "")
		}
		return s.addRevision(ctx, tx, treeID, out, string(body))
	})
}

// Maps reads every revision of a tree's limb map, oldest first, for an archive.
func (s *Store) Maps(ctx context.Context, treeID string) ([]LimbMap, error) {
	history, err := s.MapHistory(ctx, treeID)
	if err != nil {
		return nil, err
	}
	out := make([]LimbMap, len(history))
	for i, r := range history {
		m, err := s.MapRevision(ctx, treeID, r.Revision)
		if err != nil {
			return nil, err
		}
		out[len(out)-1-i] = *m
	}
	return out, nil
}

// RestoreMaps writes the revisions of an archive as they were, in their order.
func (s *Store) RestoreMaps(ctx context.Context, treeID string, maps []LimbMap) error {
	return s.tx(ctx, func(tx *sql.Tx) error {
		for i := range maps {
			m := &maps[i]
			body, err := json.Marshal(m.Doc)
			if err != nil {
				return err
			}
			if err := s.addMap(ctx, tx, treeID, m, string(body)); err != nil {
				return err
			}
		}
		return nil
	})
}

// EverHadLimb says whether some revision of a tree's map has, or had, a limb of that name.
func (s *Store) EverHadLimb(ctx context.Context, treeID, limb string) (bool, error) {
	var n int
	err := s.db.QueryRowContext(ctx, "SELECT count(*) FROM limbs_ever WHERE tree_id = ? AND limb = ?", treeID, limb).Scan(&n)
	return n > 0, err
}
