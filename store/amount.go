package store

import (
	"context"
	"database/sql"
	"encoding/json"

	"vertumna/core/year"
)

// KeepAmount keeps what the slip last made of a tree comes to. The plan of the orchard is not touched: a slip looked at is no
// change of the orchard.
func (s *Store) KeepAmount(ctx context.Context, treeID string, a year.Amount) error {
	body, err := json.Marshal(a)
	if err != nil {
		return err
	}
	return s.tx(ctx, func(tx *sql.Tx) error {
		_, err := tx.ExecContext(ctx, "INSERT INTO slip_amounts (tree_id, body) VALUES (?, ?) ON CONFLICT (tree_id) DO UPDATE SET body = excluded.body", treeID, string(body))
		return err
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
