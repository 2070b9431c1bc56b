package store

import (
	"context"
	"crypto/rand"
	"crypto/sha256"
	"database/sql"
	"encoding/base64"
	"encoding/hex"
	"encoding/json"
	"errors"
	"fmt"
	"time"

	"vertumna/core/given"
)

// HelperLink is one tree and one slip given to somebody by a link: what they see, and until when.
type HelperLink struct {
	ID        string
	OrchardID string
	TreeID    string
	Created   string
	Expires   time.Time
	Withdrawn bool
	Body      json.RawMessage // the page, as it was when it was given out
	Answers   []HelperAnswer  // in the order they came
}

// HelperAnswer is what a helper did at a step of the page, or what they write of the whole.
type HelperAnswer struct {
	ID     string  `json:"id" minLength:"8" maxLength:"100" doc:"the caller's own, so that one sent twice counts once"`
	Step   int     `json:"step" minimum:"0" maximum:"300" doc:"its n on the page; 0: of the whole"`
	Choice string  `json:"choice" enum:"taken,left,could-not,note"`
	DMM    float64 `json:"d_mm,omitempty" minimum:"0" maximum:"600" doc:"of the wound, by caliper"`
	Note   string  `json:"note,omitempty" maxLength:"2000"`
	At     string  `json:"at" readOnly:"true"`
	Entry  string  `json:"entry,omitempty" readOnly:"true" doc:"the journal's, once the owner took it in"`
}

const mostAnswers = 2000 // to one link

// AddHelperLink makes a link and gives the token of its address; only its proof is kept.
func (s *Store) AddHelperLink(ctx context.Context, l *HelperLink) (token string, err error) {
	b := make([]byte, 24)
	if _, err := rand.Read(b); err != nil {
		return "", err
	}
	token = base64.RawURLEncoding.EncodeToString(b)
	l.ID, l.Created = NewID(), s.stamp()
	return token, s.tx(ctx, func(tx *sql.Tx) error {
		if err := exists(ctx, tx, "trees", l.OrchardID, l.TreeID); err != nil {
			return err
		}
		_, err := tx.ExecContext(ctx, "INSERT INTO helper_links (id, orchard_id, tree_id, proof, created, expires, body, doc_version) VALUES (?, ?, ?, ?, ?, ?, ?, ?)",
			l.ID, l.OrchardID, l.TreeID, proofOf(token), l.Created, l.Expires.UTC().Format(time.RFC3339), string(l.Body), shapeOf("helper_links"))
		return err
	})
}

func proofOf(token string) string {
	sum := sha256.Sum256([]byte(token))
	return hex.EncodeToString(sum[:])
}

const helperColumns = "id, orchard_id, tree_id, created, expires, withdrawn, body"

func scanLink(row interface{ Scan(...any) error }) (*HelperLink, error) {
	l, expires, body := &HelperLink{}, "", ""
	err := row.Scan(&l.ID, &l.OrchardID, &l.TreeID, &l.Created, &expires, &l.Withdrawn, &body)
	if errors.Is(err, sql.ErrNoRows) {
		return nil, ErrNotFound
	}
	if err != nil {
		return nil, err
	}
	l.Body = json.RawMessage(body)
	l.Expires, err = time.Parse(time.RFC3339, expires)
	return l, err
}

// HelperLinkBy is the link of a token. Error: ErrNotFound.
func (s *Store) HelperLinkBy(ctx context.Context, token string) (*HelperLink, error) {
	l, err := scanLink(s.db.QueryRowContext(ctx, "SELECT "+helperColumns+" FROM helper_links WHERE proof = ?", proofOf(token)))
	if err == nil {
		l.Answers, err = s.answers(ctx, l.ID)
	}
	return l, err
}

// HelperLink is one of a tree's links. Error: ErrNotFound.
func (s *Store) HelperLink(ctx context.Context, treeID, id string) (*HelperLink, error) {
	l, err := scanLink(s.db.QueryRowContext(ctx, "SELECT "+helperColumns+" FROM helper_links WHERE id = ? AND tree_id = ?", id, treeID))
	if err == nil {
		l.Answers, err = s.answers(ctx, l.ID)
	}
	return l, err
}

// HelperLinks are those of an orchard, the latest first; of one tree where one is named.
func (s *Store) HelperLinks(ctx context.Context, orchardID, treeID string) ([]HelperLink, error) {
	rs, err := s.db.QueryContext(ctx, "SELECT "+helperColumns+" FROM helper_links WHERE orchard_id = ? AND (tree_id = ? OR ? = '') ORDER BY created DESC, id DESC", orchardID, treeID, treeID)
	if err != nil {
		return nil, err
	}
	defer rs.Close()
	var out []HelperLink
	for rs.Next() {
		l, err := scanLink(rs)
		if err != nil {
			return nil, err
		}
		out = append(out, *l)
	}
	if err := rs.Err(); err != nil {
		return nil, err
	}
	for i := range out {
		if out[i].Answers, err = s.answers(ctx, out[i].ID); err != nil {
			return nil, err
		}
	}
	return out, nil
}

func (s *Store) answers(ctx context.Context, linkID string) ([]HelperAnswer, error) {
	rs, err := s.db.QueryContext(ctx, "SELECT body, at, entry FROM helper_answers WHERE link_id = ? ORDER BY at, id", linkID)
	if err != nil {
		return nil, err
	}
	defer rs.Close()
	out := []HelperAnswer{}
	for rs.Next() {
		var a HelperAnswer
		var body, at, entry string
		if err := rs.Scan(&body, &at, &entry); err != nil {
			return nil, err
		}
		if err := json.Unmarshal([]byte(body), &a); err != nil {
			return nil, err
		}
		a.At, a.Entry = at, entry
		out = append(out, a)
	}
	return out, rs.Err()
}

// AddHelperAnswer keeps an answer to a link. One sent twice is kept once. Errors: *Conflict.
func (s *Store) AddHelperAnswer(ctx context.Context, linkID string, a HelperAnswer) error {
	a.At, a.Entry = "", ""
	body, err := json.Marshal(a)
	if err != nil {
		return err
	}
	return s.tx(ctx, func(tx *sql.Tx) error {
		var n int
		if err := tx.QueryRowContext(ctx, "SELECT count(*) FROM helper_answers WHERE link_id = ?", linkID).Scan(&n); err != nil {
			return err
		}
		if n >= mostAnswers {
			return conflict("too_many_answers", "id", fmt.Sprint(n), fmt.Sprintf("at most %d answers to one link", mostAnswers))
		}
		r, err := tx.ExecContext(ctx, "INSERT INTO helper_answers (id, link_id, at, body, doc_version) VALUES (?, ?, ?, ?, ?) ON CONFLICT (id) DO NOTHING", a.ID, linkID, s.stamp(), string(body), shapeOf("helper_answers"))
		if err != nil {
			return err
		}
		if n, _ := r.RowsAffected(); n > 0 {
			return nil
		}
		var was, link string
		if err := tx.QueryRowContext(ctx, "SELECT body, link_id FROM helper_answers WHERE id = ?", a.ID).Scan(&was, &link); err != nil {
			return err
		}
		if was != string(body) || link != linkID {
			return IDTaken(a.ID)
		}
		return nil
	})
}

// TakeAnswers notes that answers were taken into the journal under an entry, and what the page now rests on.
func (s *Store) TakeAnswers(ctx context.Context, l *HelperLink, ids []string, entry string) error {
	return s.tx(ctx, func(tx *sql.Tx) error {
		for _, id := range ids {
			if _, err := tx.ExecContext(ctx, "UPDATE helper_answers SET entry = ? WHERE id = ? AND link_id = ?", entry, id, l.ID); err != nil {
				return err
			}
		}
		_, err := tx.ExecContext(ctx, "UPDATE helper_links SET body = ? WHERE id = ?", string(l.Body), l.ID)
		return err
	})
}

// WithdrawHelperLink closes a link; what was answered stays. Error: ErrNotFound.
func (s *Store) WithdrawHelperLink(ctx context.Context, treeID, id string) error {
	return s.tx(ctx, func(tx *sql.Tx) error {
		r, err := tx.ExecContext(ctx, "UPDATE helper_links SET withdrawn = 1 WHERE id = ? AND tree_id = ?", id, treeID)
		if err != nil {
			return err
		}
		if n, _ := r.RowsAffected(); n == 0 {
			return ErrNotFound
		}
		return nil
	})
}

// Over refuses a link that is withdrawn or run out.
func (l *HelperLink) Over(now time.Time) error {
	switch {
	case l.Withdrawn:
		return given.Fault{Code: "withdrawn", Field: "link", Given: "a link that was withdrawn", Expected: "one that is open: ask who gave it to you"}
	case now.After(l.Expires):
		return given.Fault{Code: "expired", Field: "link", Given: "a link that ended on " + l.Expires.Format(time.DateOnly), Expected: "one that is open: ask who gave it to you"}
	}
	return nil
}
