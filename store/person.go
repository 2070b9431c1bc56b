package store

import (
	"context"
	"database/sql"
	"encoding/json"

	"vertumna/core/almanac"
)

// Person is someone who works in an orchard: their reach, hands, hours and tools. Zero numbers are unknown.
type Person struct {
	ID          string     `json:"id" readOnly:"true"`
	Version     int        `json:"version" readOnly:"true"`
	Name        string     `json:"name" minLength:"1" maxLength:"500"`
	FingertipCM float64    `json:"fingertip_cm" minimum:"0" maximum:"300" doc:"fingertip height with the arm raised, standing; 0 unknown"`
	CeilingCM   float64    `json:"ceiling_cm" minimum:"0" maximum:"600" doc:"own ceiling where a ladder is accepted"`
	HandSpanCM  float64    `json:"hand_span_cm" minimum:"0" maximum:"26" doc:"width of the closed hand with the thumb laid along the shoot, or of the hand stretched (over 16: halved); 0 unknown"`
	HoursAWeek  [7]float64 `json:"hours_a_week" doc:"hours free on each weekday, Sunday first" minimum:"0" maximum:"24"`
	Away        []Away     `json:"away,omitempty" nullable:"false" maxItems:"50" doc:"days kept free of work"`
	Tools       []Tool     `json:"tools" nullable:"false" maxItems:"50"`
}

// Away is a stretch of days that a person keeps free of work, both ends included.
type Away struct {
	From almanac.Day `json:"from"`
	To   almanac.Day `json:"to"`
}

// Tool is a tool of one's own and the thickest wood it takes.
type Tool struct {
	Name  string  `json:"name" maxLength:"500"`
	MaxMM float64 `json:"max_mm" minimum:"0" maximum:"500" doc:"thickest wood it takes; 0 unknown"`
}

// AddPerson adds a person to an orchard.
func (s *Store) AddPerson(ctx context.Context, orchardID string, p *Person) error {
	if p.ID == "" {
		p.ID = NewID()
	}
	if p.Tools == nil {
		p.Tools = []Tool{}
	}
	p.Version = 1
	return s.insert(ctx, "people", orchardID, p.ID, nil, p)
}

// insert adds a document of an orchard; treeID is nil where the table has no such column or the document no tree.
func (s *Store) insert(ctx context.Context, table, orchardID, id string, treeID *string, body any) error {
	text, err := json.Marshal(body)
	if err != nil {
		return err
	}
	return s.tx(ctx, func(tx *sql.Tx) error {
		if err := touch(ctx, tx, orchardID); err != nil {
			return err
		}
		q, args := "INSERT INTO "+table+" (id, orchard_id, version, body, doc_version) VALUES (?, ?, 1, ?, ?)", []any{id, orchardID, string(text), shapeOf(table)}
		if treeID != nil {
			q, args = "INSERT INTO "+table+" (id, orchard_id, version, body, doc_version, tree_id) VALUES (?, ?, 1, ?, ?, ?)", append(args, *treeID)
		}
		_, err := tx.ExecContext(ctx, q, args...)
		return err
	})
}

// People lists an orchard's people in the order they were added, and names rows that cannot be read.
func (s *Store) People(ctx context.Context, orchardID string) ([]Person, []Broken, error) {
	return listed(ctx, s, "people", orchardID, func(p *Person, id string, v int) { p.ID, p.Version = id, v })
}

// SavePerson writes a person's document. Errors: *Conflict, ErrNotFound.
func (s *Store) SavePerson(ctx context.Context, orchardID string, p *Person) error {
	if p.Tools == nil {
		p.Tools = []Tool{}
	}
	return s.tx(ctx, func(tx *sql.Tx) error {
		if err := exists(ctx, tx, "people", orchardID, p.ID); err != nil {
			return err
		}
		v, err := update(ctx, tx, "people", p.ID, p.Version, p)
		if err != nil {
			return err
		}
		p.Version = v
		return touch(ctx, tx, orchardID)
	})
}

// RemovePerson takes a person out; what they logged keeps their name.
func (s *Store) RemovePerson(ctx context.Context, orchardID, id string) error {
	return s.remove(ctx, "people", orchardID, id)
}

func (s *Store) remove(ctx context.Context, table, orchardID, id string) error {
	return s.tx(ctx, func(tx *sql.Tx) error {
		r, err := tx.ExecContext(ctx, "DELETE FROM "+table+" WHERE id = ? AND orchard_id = ?", id, orchardID)
		if err != nil {
			return err
		}
		if n, _ := r.RowsAffected(); n == 0 {
			return ErrNotFound
		}
		return touch(ctx, tx, orchardID)
	})
}
