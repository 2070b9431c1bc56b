package store

import (
	"context"
	"database/sql"
	"encoding/json"

	"vertumna/core/training"
)

// TrainingWords are what a person says of a young tree's shoots, and how its buds stood in a season.
type TrainingWords struct {
	Marks  []training.ShootWord `json:"marks" nullable:"false" maxItems:"40"`
	Buds   []training.BudWord   `json:"buds" nullable:"false" maxItems:"200"`
	Season int                  `json:"season,omitempty" minimum:"0" maximum:"3000" doc:"in which the buds were seen"`
}

// BudsIn are the buds as they were seen in a season.
func (w TrainingWords) BudsIn(season int) []training.BudWord {
	if w.Season != season {
		return nil
	}
	return w.Buds
}

// SetWords keeps a person's words on a tree; none at all are forgotten.
func (s *Store) SetWords(ctx context.Context, orchardID, treeID string, w TrainingWords) error {
	body, err := json.Marshal(w)
	if err != nil {
		return err
	}
	return s.tx(ctx, func(tx *sql.Tx) error {
		q, args := "INSERT INTO training_words (tree_id, body, doc_version) VALUES (?, ?, ?) ON CONFLICT (tree_id) DO UPDATE SET body = excluded.body, doc_version = excluded.doc_version", []any{treeID, string(body), shapeOf("training_words")}
		if len(w.Marks) == 0 && len(w.Buds) == 0 {
			q, args = "DELETE FROM training_words WHERE tree_id = ?", args[:1]
		}
		if _, err := tx.ExecContext(ctx, q, args...); err != nil {
			return err
		}
		return touch(ctx, tx, orchardID)
	})
}

// Words are a person's words on the trees of an orchard, by tree, and the rows that cannot be read.
func (s *Store) Words(ctx context.Context, orchardID string) (map[string]TrainingWords, []Broken, error) {
	rs, err := s.db.QueryContext(ctx, "SELECT w.tree_id, w.body FROM training_words w JOIN trees t ON t.id = w.tree_id WHERE t.orchard_id = ?", orchardID)
	if err != nil {
		return nil, nil, err
	}
	defer rs.Close()
	var broken []Broken
	out := map[string]TrainingWords{}
	for rs.Next() {
		var tree, text string
		if err := rs.Scan(&tree, &text); err != nil {
			return nil, nil, err
		}
		var w TrainingWords
		if err := json.Unmarshal([]byte(text), &w); err != nil {
			broken = append(broken, Broken{"training_words", tree, err.Error()})
			continue
		}
		out[tree] = w
	}
	return out, broken, rs.Err()
}
