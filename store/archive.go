package store

import (
	"context"
	"database/sql"
	"encoding/json"
)

// KeptTap is a tap of the counting pad as it is kept.
type KeptTap struct {
	Tap
	Season int    `json:"season" minimum:"1900" maximum:"2200"`
	At     string `json:"at" maxLength:"60"`
}

// Taps are all taps of a tree in the order they were kept.
func (s *Store) Taps(ctx context.Context, treeID string) ([]KeptTap, error) {
	rs, err := s.db.QueryContext(ctx, "SELECT id, season, pass, limb, lateral, remains, taken, undoes, at FROM taps WHERE tree_id = ? ORDER BY rowid", treeID)
	if err != nil {
		return nil, err
	}
	defer func() { _ = rs.Close() }()
	var out []KeptTap
	for rs.Next() {
		var t KeptTap
		if err := rs.Scan(&t.ID, &t.Season, &t.Pass, &t.Limb, &t.Lateral, &t.Left, &t.Taken, &t.Undoes, &t.At); err != nil {
			return nil, err
		}
		out = append(out, t)
	}
	return out, rs.Err()
}

// RestoreTaps writes the taps of an archive as they were.
func (s *Store) RestoreTaps(ctx context.Context, treeID string, taps []KeptTap) error {
	return s.tx(ctx, func(tx *sql.Tx) error {
		for _, t := range taps {
			if _, err := tx.ExecContext(ctx, "INSERT INTO taps (id, tree_id, season, pass, limb, lateral, remains, taken, undoes, at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
				t.ID, treeID, t.Season, t.Pass, t.Limb, t.Lateral, t.Left, t.Taken, t.Undoes, t.At); err != nil {
				return err
			}
		}
		return nil
	})
}

// RestoreVersions writes the versions that a tree's document has had, as an archive has them; the last is the tree as it stands.
func (s *Store) RestoreVersions(ctx context.Context, treeID string, versions []TreeVersion) error {
	if len(versions) == 0 {
		return nil
	}
	return s.tx(ctx, func(tx *sql.Tx) error {
		if _, err := tx.ExecContext(ctx, "DELETE FROM tree_versions WHERE tree_id = ?", treeID); err != nil {
			return err
		}
		for _, v := range versions {
			v.Tree.ID = treeID
			body, err := json.Marshal(v.Tree)
			if err != nil {
				return err
			}
			if _, err := tx.ExecContext(ctx, "INSERT INTO tree_versions (tree_id, version, at, body, doc_version) VALUES (?, ?, ?, ?, ?)", treeID, v.Version, v.At, string(body), shapeOf("tree_versions")); err != nil {
				return err
			}
		}
		_, err := tx.ExecContext(ctx, "UPDATE trees SET version = ? WHERE id = ?", versions[len(versions)-1].Version, treeID)
		return err
	})
}
