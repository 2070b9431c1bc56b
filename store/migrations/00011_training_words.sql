-- +goose Up
-- What a person says of a young tree's shoots and buds.
CREATE TABLE training_words (
  tree_id TEXT PRIMARY KEY REFERENCES trees (id) ON DELETE CASCADE,
  body    TEXT NOT NULL
) STRICT;

-- +goose Down
DROP TABLE training_words;
