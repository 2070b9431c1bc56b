package store

import (
	"context"
	"database/sql"
	"fmt"
)

// A docTable is a table whose rows are documents. Its steps bring a document of an older shape on: the first takes one of shape 1
// to shape 2, and so on; a document is written in the shape after the last.
type docTable struct {
	name  string
	steps []func(body []byte) ([]byte, error)
}

// docTables are the documents whose shape is noted beside them. Of a new shape: one more step here, and a database of the
// shape before it in testdata.
var docTables = []docTable{
	{name: "orchards"},
	{name: "people"},
	{name: "trees"},
	{name: "tree_versions"},
	{name: "entries", steps: []func([]byte) ([]byte, error){entryInParts}},
	{name: "own_tasks"},
	{name: "helper_links"},
	{name: "helper_answers"},
	{name: "training_words"},
}

// shapeOf is the shape that documents of a table are written in.
func shapeOf(table string) int {
	for _, t := range docTables {
		if t.name == table {
			return len(t.steps) + 1
		}
	}
	panic("no documents in " + table)
}

// bringOn rewrites what is kept in an older shape, all of a table or nothing of it. What cannot be read stays as it is:
// whoever reads the table sets it aside and names it. Cost: one look at each row, and each old document once.
func (s *Store) bringOn(ctx context.Context) error {
	for _, t := range docTables {
		if len(t.steps) == 0 {
			continue
		}
		if err := s.tx(ctx, func(tx *sql.Tx) error { return t.bringOn(ctx, tx) }); err != nil {
			return fmt.Errorf("%s: %s: %w", s.path, t.name, err)
		}
	}
	return nil
}

type oldDoc struct {
	row   int64
	shape int
	body  string
}

func (t docTable) bringOn(ctx context.Context, tx *sql.Tx) error {
	old, err := t.old(ctx, tx)
	if err != nil {
		return err
	}
	for _, d := range old {
		body := []byte(d.body)
		for _, step := range t.steps[d.shape-1:] {
			if body, err = step(body); err != nil {
				break
			}
		}
		if err != nil {
			continue
		}
		if _, err := tx.ExecContext(ctx, "UPDATE "+t.name+" SET body = ?, doc_version = ? WHERE rowid = ?", string(body), len(t.steps)+1, d.row); err != nil {
			return err
		}
	}
	return nil
}

func (t docTable) old(ctx context.Context, tx *sql.Tx) ([]oldDoc, error) {
	rs, err := tx.QueryContext(ctx, "SELECT rowid, doc_version, body FROM "+t.name+" WHERE doc_version BETWEEN 1 AND ?", len(t.steps))
	if err != nil {
		return nil, err
	}
	defer func() { _ = rs.Close() }()
	var out []oldDoc
	for rs.Next() {
		var d oldDoc
		if err := rs.Scan(&d.row, &d.shape, &d.body); err != nil {
			return nil, err
		}
		out = append(out, d)
	}
	return out, rs.Err()
}
