-- +goose Up
-- What is counted on the pad, tap by tap: rows are only added, so that two phones on one limb lose nothing and a tap sent
-- twice counts once. A tap is taken back by one that names it.
CREATE TABLE taps (
  id      TEXT PRIMARY KEY,
  tree_id TEXT NOT NULL REFERENCES trees (id) ON DELETE CASCADE,
  season  INTEGER NOT NULL,
  pass    INTEGER NOT NULL,       -- 1 the first time over a limb, 2 the second look
  limb    TEXT NOT NULL,
  lateral TEXT NOT NULL,          -- '' for the limb's own wood
  remains INTEGER NOT NULL,       -- fruit left
  taken   INTEGER NOT NULL,
  undoes  TEXT NOT NULL DEFAULT '',
  at      TEXT NOT NULL
) STRICT;
CREATE INDEX taps_by_tree ON taps (tree_id, season);

-- +goose Down
DROP TABLE taps;
