package store

import (
	"context"
	"database/sql"
	"errors"
	"fmt"

	"github.com/klauspost/compress/zstd"
)

// worthwhile: a change is kept as one where it takes at most this part of the whole.
const worthwhile = 0.25

// mapRow is what is kept of a map's document: its body, or the change that makes it of a whole one.
type mapRow struct {
	body   sql.NullString
	whole  sql.NullInt64
	change []byte
}

// changeOf is the change that makes a body of a whole one, both as they are written.
func changeOf(whole, body string) ([]byte, error) {
	w, err := zstd.NewWriter(nil, zstd.WithEncoderDictRaw(0, []byte(whole)), zstd.WithEncoderLevel(zstd.SpeedFastest), zstd.WithEncoderConcurrency(1), zstd.WithWindowSize(windowFor(len(whole)+len(body))))
	if err != nil {
		return nil, err
	}
	defer func() { _ = w.Close() }()
	return w.EncodeAll([]byte(body), nil), nil
}

// changed is the body that a change makes of a whole one.
func changed(whole string, change []byte) (string, error) {
	r, err := zstd.NewReader(nil, zstd.WithDecoderDictRaw(0, []byte(whole)), zstd.WithDecoderConcurrency(1))
	if err != nil {
		return "", err
	}
	defer r.Close()
	out, err := r.DecodeAll(change, nil)
	return string(out), err
}

// windowFor is the least window, a power of two, that sees so many bytes.
func windowFor(n int) int {
	w := zstd.MinWindowSize
	for w < n && w < zstd.MaxWindowSize {
		w *= 2
	}
	return w
}

// row gives a body its place: as a change of the whole one that its map goes back to, where that is much shorter.
func (s *Store) row(ctx context.Context, db queries, treeID string, basedOn int, body string) (mapRow, error) {
	full := mapRow{body: sql.NullString{String: body, Valid: true}}
	var before mapRow
	err := db.QueryRowContext(ctx, "SELECT body, whole FROM limb_maps WHERE tree_id = ? AND revision = ?", treeID, basedOn).Scan(&before.body, &before.whole)
	if errors.Is(err, sql.ErrNoRows) {
		return full, nil
	}
	if err != nil {
		return full, err
	}
	whole := int64(basedOn)
	if before.whole.Valid {
		whole = before.whole.Int64
	}
	text, err := wholeBody(ctx, db, treeID, whole)
	if err != nil {
		return full, err
	}
	change, err := changeOf(text, body)
	if err != nil || float64(len(change)) > worthwhile*float64(len(body)) {
		return full, err
	}
	return mapRow{whole: sql.NullInt64{Int64: whole, Valid: true}, change: change}, nil
}

func wholeBody(ctx context.Context, db queries, treeID string, revision int64) (string, error) {
	var text sql.NullString
	err := db.QueryRowContext(ctx, "SELECT body FROM limb_maps WHERE tree_id = ? AND revision = ?", treeID, revision).Scan(&text)
	if err == nil && !text.Valid || errors.Is(err, sql.ErrNoRows) {
		err = fmt.Errorf("limb map of tree %s: revision %d is not there whole", treeID, revision)
	}
	return text.String, err
}

// text is the document of a row, as it was written.
func (r *mapRow) text(ctx context.Context, db queries, treeID string) (string, error) {
	if r.body.Valid {
		return r.body.String, nil
	}
	whole, err := wholeBody(ctx, db, treeID, r.whole.Int64)
	if err != nil {
		return "", err
	}
	return changed(whole, r.change)
}

// addMap writes a revision, and the names of its limbs.
func (s *Store) addMap(ctx context.Context, tx *sql.Tx, treeID string, m *LimbMap, body string) error {
	row, err := s.row(ctx, tx, treeID, m.BasedOn, body)
	if err != nil {
		return err
	}
	if _, err := tx.ExecContext(ctx, "INSERT INTO limb_maps (tree_id, revision, based_on, date, at, cause, note, body, whole, change) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
		treeID, m.Revision.Revision, m.BasedOn, m.Date.String(), m.At, m.Cause, m.Note, row.body, row.whole, row.change); err != nil {
		return err
	}
	_, err = tx.ExecContext(ctx, "INSERT OR IGNORE INTO limbs_ever SELECT ?, json_extract(value, '$.id') FROM json_each(?, '$.limbs')", treeID, body)
	return err
}
