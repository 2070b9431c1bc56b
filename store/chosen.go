package store

import (
	"context"
	"database/sql"

	"vertumna/core/almanac"
)

// SetDay keeps the day that a person set for a task; NoDay gives the choice back to the planner.
func (s *Store) SetDay(ctx context.Context, orchardID, taskID string, day almanac.Day) error {
	return s.tx(ctx, func(tx *sql.Tx) error {
		q, args := "INSERT INTO chosen_days (orchard_id, task_id, day) VALUES (?, ?, ?) ON CONFLICT (orchard_id, task_id) DO UPDATE SET day = excluded.day", []any{orchardID, taskID, day.String()}
		if !day.Known() {
			q, args = "DELETE FROM chosen_days WHERE orchard_id = ? AND task_id = ?", args[:2]
		}
		if _, err := tx.ExecContext(ctx, q, args...); err != nil {
			return err
		}
		return touch(ctx, tx, orchardID)
	})
}

// SetDays are the days that a person set, by task, and the rows that cannot be read.
func (s *Store) SetDays(ctx context.Context, orchardID string) (map[string]almanac.Day, []Broken, error) {
	rs, err := s.db.QueryContext(ctx, "SELECT task_id, day FROM chosen_days WHERE orchard_id = ?", orchardID)
	if err != nil {
		return nil, nil, err
	}
	defer rs.Close()
	var broken []Broken
	out := map[string]almanac.Day{}
	for rs.Next() {
		var task, text string
		if err := rs.Scan(&task, &text); err != nil {
			return nil, nil, err
		}
		day, err := almanac.ParseDay(text)
		if err != nil {
			broken = append(broken, Broken{"chosen_days", task, err.Error()})
			continue
		}
		out[task] = day
	}
	return out, broken, rs.Err()
}
