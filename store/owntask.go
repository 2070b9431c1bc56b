package store

import (
	"context"
	"crypto/rand"
	"database/sql"
	"encoding/base64"
	"errors"
	"time"

	"vertumna/core/almanac"
)

// OwnTask is a task of a person's own: on a date or so many days after a stage, repeatable.
type OwnTask struct {
	ID         string       `json:"id" readOnly:"true"`
	Version    int          `json:"version" readOnly:"true"`
	TreeID     string       `json:"tree_id,omitempty" maxLength:"100"`
	Title      string       `json:"title" minLength:"1" maxLength:"500"`
	Date       *almanac.Day `json:"date,omitempty" doc:"absent when it hangs on a stage"`
	Stage      string       `json:"stage,omitempty" doc:"stage it follows; needs a tree" maxLength:"60"`
	OffsetDays int          `json:"offset_days,omitempty" minimum:"-200" maximum:"200"`
	EveryDays  int          `json:"every_days,omitempty" minimum:"0" maximum:"3650" doc:"0: once"`
	ForDays    int          `json:"for_days,omitempty" minimum:"0" maximum:"365" doc:"length of its window"`
	Minutes    float64      `json:"minutes,omitempty" minimum:"0" maximum:"1440"`
}

// AddOwnTask adds a task of a person's own.
func (s *Store) AddOwnTask(ctx context.Context, orchardID string, t *OwnTask) error {
	if t.ID == "" {
		t.ID = NewID()
	}
	t.Version = 1
	var tree *string
	if t.TreeID != "" {
		tree = &t.TreeID
	}
	return s.insert(ctx, "own_tasks", orchardID, t.ID, tree, t)
}

// OwnTasks lists a person's own tasks in the order they were added, and names rows that cannot be read.
func (s *Store) OwnTasks(ctx context.Context, orchardID string) ([]OwnTask, []Broken, error) {
	return listed(ctx, s, "own_tasks", orchardID, func(t *OwnTask, id string, v int) { t.ID, t.Version = id, v })
}

// RemoveOwnTask takes a task of a person's own out; what was logged for it stays.
func (s *Store) RemoveOwnTask(ctx context.Context, orchardID, id string) error {
	return s.remove(ctx, "own_tasks", orchardID, id)
}

// NewCalendarToken makes the secret part of a subscription address and withdraws the one before. Only its proof is kept: it is told
// this once.
func (s *Store) NewCalendarToken(ctx context.Context, orchardID string) (string, error) {
	b := make([]byte, 24)
	if _, err := rand.Read(b); err != nil {
		return "", err
	}
	token := base64.RawURLEncoding.EncodeToString(b)
	return token, s.tx(ctx, func(tx *sql.Tx) error {
		if _, err := tx.ExecContext(ctx, "DELETE FROM calendar_tokens WHERE orchard_id = ?", orchardID); err != nil {
			return err
		}
		_, err := tx.ExecContext(ctx, "INSERT INTO calendar_tokens (proof, orchard_id, created) VALUES (?, ?, ?)", proofOf(token), orchardID, s.stamp())
		return err
	})
}

// CalendarMade is when the subscription address in force was made; zero: there is none.
func (s *Store) CalendarMade(ctx context.Context, orchardID string) (time.Time, error) {
	var made string
	err := s.db.QueryRowContext(ctx, "SELECT created FROM calendar_tokens WHERE orchard_id = ?", orchardID).Scan(&made)
	if errors.Is(err, sql.ErrNoRows) {
		return time.Time{}, nil
	}
	if err != nil {
		return time.Time{}, err
	}
	return time.Parse(time.RFC3339Nano, made)
}

// WithdrawCalendarToken closes the subscription address.
func (s *Store) WithdrawCalendarToken(ctx context.Context, orchardID string) error {
	return s.tx(ctx, func(tx *sql.Tx) error {
		_, err := tx.ExecContext(ctx, "DELETE FROM calendar_tokens WHERE orchard_id = ?", orchardID)
		return err
	})
}

// OrchardByToken finds the orchard a subscription address opens. Error: ErrNotFound.
func (s *Store) OrchardByToken(ctx context.Context, token string) (*Orchard, error) {
	var slug string
	err := s.db.QueryRowContext(ctx, "SELECT o.slug FROM calendar_tokens c JOIN orchards o ON o.id = c.orchard_id WHERE c.proof = ?", proofOf(token)).Scan(&slug)
	if errors.Is(err, sql.ErrNoRows) {
		return nil, ErrNotFound
	}
	if err != nil {
		return nil, err
	}
	return s.Orchard(ctx, slug)
}

// hashTokens keeps of addresses made by an older program their proof only.
func hashTokens(ctx context.Context, tx *sql.Tx) error {
	rows, err := tx.QueryContext(ctx, "SELECT proof FROM calendar_tokens")
	if err != nil {
		return err
	}
	var plain []string
	for rows.Next() {
		var token string
		if err := rows.Scan(&token); err != nil {
			_ = rows.Close()
			return err
		}
		plain = append(plain, token)
	}
	if err := errors.Join(rows.Err(), rows.Close()); err != nil {
		return err
	}
	for _, token := range plain {
		if _, err := tx.ExecContext(ctx, "UPDATE calendar_tokens SET proof = ? WHERE proof = ?", proofOf(token), token); err != nil {
			return err
		}
	}
	return nil
}
