package store

import (
	"context"
	"database/sql"
	"encoding/json"
	"maps"
	"slices"

	"vertumna/core/year"
)

// KeepAmounts remembers what trees' slips come to, by tree; those of trees that went meanwhile are let go.
func (s *Store) KeepAmounts(ctx context.Context, of map[string]year.Amount) error {
	return s.tx(ctx, func(tx *sql.Tx) error {
		for _, id := range slices.Sorted(maps.Keys(of)) {
			body, err := json.Marshal(of[id])
			if err != nil {
				return err
			}
			_, err = tx.ExecContext(ctx, "INSERT INTO slip_amounts (tree_id, body) SELECT id, ? FROM trees WHERE id = ? ON CONFLICT (tree_id) DO UPDATE SET body = excluded.body", string(body), id)
			if err != nil {
				return err
			}
		}
		return nil
	})
}

// Amounts are what the slips of an orchard's trees come to, by tree, as they were last made.
func (s *Store) Amounts(ctx context.Context, orchardID string) (map[string]year.Amount, error) {
	rows, err := s.db.QueryContext(ctx, "SELECT a.tree_id, a.body FROM slip_amounts a JOIN trees t ON t.id = a.tree_id WHERE t.orchard_id = ?", orchardID)
	if err != nil {
		return nil, err
	}
	defer rows.Close()
	out := map[string]year.Amount{}
	for rows.Next() {
		var id, body string
		if err := rows.Scan(&id, &body); err != nil {
			return nil, err
		}
		var a year.Amount
		if err := json.Unmarshal([]byte(body), &a); err != nil {
			return nil, err
		}
		out[id] = a
	}
	return out, rows.Err()
}
