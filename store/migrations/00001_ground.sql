-- +goose Up
-- Documents are JSON checked by the program; what is searched or joined on stands in columns of its own.
CREATE TABLE orchards (
  id       TEXT PRIMARY KEY,
  slug     TEXT NOT NULL UNIQUE,
  version  INTEGER NOT NULL,            -- of the orchard's own document
  revision INTEGER NOT NULL DEFAULT 1,  -- moves with every write to anything in the orchard
  body     TEXT NOT NULL CHECK (json_valid(body))
) STRICT;

CREATE TABLE people (
  id         TEXT PRIMARY KEY,
  orchard_id TEXT NOT NULL REFERENCES orchards (id) ON DELETE CASCADE,
  version    INTEGER NOT NULL,
  body       TEXT NOT NULL CHECK (json_valid(body))
) STRICT;

CREATE TABLE trees (
  id         TEXT PRIMARY KEY,
  orchard_id TEXT NOT NULL REFERENCES orchards (id) ON DELETE CASCADE,
  code       TEXT NOT NULL,
  version    INTEGER NOT NULL,
  body       TEXT NOT NULL CHECK (json_valid(body)),
  UNIQUE (orchard_id, code)
) STRICT;

-- Every version a tree's document has had, so that form and aim carry their history.
CREATE TABLE tree_versions (
  tree_id TEXT NOT NULL REFERENCES trees (id) ON DELETE CASCADE,
  version INTEGER NOT NULL,
  at      TEXT NOT NULL,
  body    TEXT NOT NULL CHECK (json_valid(body)),
  PRIMARY KEY (tree_id, version)
) STRICT;

CREATE TABLE entries (
  id         TEXT PRIMARY KEY,
  orchard_id TEXT NOT NULL REFERENCES orchards (id) ON DELETE CASCADE,
  tree_id    TEXT REFERENCES trees (id),
  date       TEXT NOT NULL,
  corrects   TEXT UNIQUE REFERENCES entries (id), -- an entry is corrected once; a second correction corrects the first
  withdrawn  INTEGER NOT NULL DEFAULT 0,          -- undone within the ten seconds after it was logged
  created    TEXT NOT NULL,
  body       TEXT NOT NULL CHECK (json_valid(body))
) STRICT;
CREATE INDEX entries_by_date ON entries (orchard_id, date, created);

CREATE TABLE own_tasks (
  id         TEXT PRIMARY KEY,
  orchard_id TEXT NOT NULL REFERENCES orchards (id) ON DELETE CASCADE,
  tree_id    TEXT REFERENCES trees (id) ON DELETE CASCADE,
  version    INTEGER NOT NULL,
  body       TEXT NOT NULL CHECK (json_valid(body))
) STRICT;

CREATE TABLE calendar_tokens (
  token      TEXT PRIMARY KEY,
  orchard_id TEXT NOT NULL REFERENCES orchards (id) ON DELETE CASCADE,
  created    TEXT NOT NULL
) STRICT;

-- +goose Down
DROP TABLE calendar_tokens;
DROP TABLE own_tasks;
DROP TABLE entries;
DROP TABLE tree_versions;
DROP TABLE trees;
DROP TABLE people;
DROP TABLE orchards;
