-- +goose Up
-- One limb map per tree and revision. Nothing is overwritten: a correction, a cut and an undo each write a new revision.
CREATE TABLE limb_maps (
  tree_id  TEXT NOT NULL REFERENCES trees (id) ON DELETE CASCADE,
  revision INTEGER NOT NULL,
  based_on INTEGER NOT NULL,        -- the revision it was made from; 0: none
  date     TEXT NOT NULL,           -- the day it shows the tree on
  at       TEXT NOT NULL,           -- when it was written
  cause    TEXT NOT NULL,
  note     TEXT NOT NULL DEFAULT '',
  body     TEXT NOT NULL CHECK (json_valid(body)),
  PRIMARY KEY (tree_id, revision)
) STRICT;
CREATE INDEX limb_maps_by_date ON limb_maps (tree_id, date, revision);

-- +goose Down
DROP TABLE limb_maps;
