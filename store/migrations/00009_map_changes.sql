-- +goose Up
-- A revision of a limb map is kept whole, or as the change that makes it of a whole one before it. What stood before stays whole.
CREATE TABLE maps_then (
  tree_id  TEXT NOT NULL REFERENCES trees (id) ON DELETE CASCADE,
  revision INTEGER NOT NULL,
  based_on INTEGER NOT NULL,        -- the revision it was made from; 0: none
  date     TEXT NOT NULL,           -- the day it shows the tree on
  at       TEXT NOT NULL,           -- when it was written
  cause    TEXT NOT NULL,
  note     TEXT NOT NULL DEFAULT '',
  body     TEXT CHECK (body IS NULL OR json_valid(body)),
  whole    INTEGER,                 -- the revision whose body the change is of
  change   BLOB,                    -- compressed against that body
  PRIMARY KEY (tree_id, revision),
  CHECK ((body IS NULL) = (change IS NOT NULL) AND (whole IS NULL) = (change IS NULL))
) STRICT;
INSERT INTO maps_then (tree_id, revision, based_on, date, at, cause, note, body)
  SELECT tree_id, revision, based_on, date, at, cause, note, body FROM limb_maps;
DROP TABLE limb_maps;
ALTER TABLE maps_then RENAME TO limb_maps;
CREATE INDEX limb_maps_by_date ON limb_maps (tree_id, date, revision);

-- every limb that some revision has, or had
CREATE TABLE limbs_ever (
  tree_id TEXT NOT NULL REFERENCES trees (id) ON DELETE CASCADE,
  limb    TEXT NOT NULL,
  PRIMARY KEY (tree_id, limb)
) STRICT, WITHOUT ROWID;
INSERT OR IGNORE INTO limbs_ever SELECT m.tree_id, json_extract(l.value, '$.id') FROM limb_maps m, json_each(m.body, '$.limbs') l;

-- of a calendar address only the proof is kept; those that stand are turned into it by the program
ALTER TABLE calendar_tokens RENAME COLUMN token TO proof;
