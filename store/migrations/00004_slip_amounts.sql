-- +goose Up
-- What the slip last made of a tree comes to; it can be made again at any time.
CREATE TABLE slip_amounts (
  tree_id TEXT PRIMARY KEY REFERENCES trees (id) ON DELETE CASCADE,
  body    TEXT NOT NULL CHECK (json_valid(body))
) STRICT;

-- +goose Down
DROP TABLE slip_amounts;
