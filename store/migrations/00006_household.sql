-- +goose Up
-- Who may enter, from which phone, and what helpers were asked and answered. Of every secret only what proves it is kept.
CREATE TABLE passphrases (
  role   TEXT PRIMARY KEY CHECK (role IN ('owner', 'helper')),
  hash   TEXT NOT NULL,
  set_at TEXT NOT NULL
) STRICT;

CREATE TABLE sessions (
  token  TEXT PRIMARY KEY,
  data   BLOB NOT NULL,
  expiry REAL NOT NULL
) STRICT;
CREATE INDEX sessions_expiry_idx ON sessions (expiry);

-- A link to one tree and one slip, with the slip as it was when it was given out.
CREATE TABLE helper_links (
  id         TEXT PRIMARY KEY,
  orchard_id TEXT NOT NULL REFERENCES orchards (id) ON DELETE CASCADE,
  tree_id    TEXT NOT NULL REFERENCES trees (id) ON DELETE CASCADE,
  proof      TEXT NOT NULL UNIQUE,     -- SHA-256 of the token in the address
  created    TEXT NOT NULL,
  expires    TEXT NOT NULL,
  withdrawn  INTEGER NOT NULL DEFAULT 0,
  body       TEXT NOT NULL CHECK (json_valid(body))
) STRICT;
CREATE INDEX helper_links_by_tree ON helper_links (tree_id, created);

-- What a helper answered: rows are only added, the last one to a step counts.
CREATE TABLE helper_answers (
  id      TEXT PRIMARY KEY,
  link_id TEXT NOT NULL REFERENCES helper_links (id) ON DELETE CASCADE,
  at      TEXT NOT NULL,
  entry   TEXT NOT NULL DEFAULT '',    -- the journal's, once the owner took it in
  body    TEXT NOT NULL CHECK (json_valid(body))
) STRICT;
CREATE INDEX helper_answers_by_link ON helper_answers (link_id, at);

-- +goose Down
DROP TABLE helper_answers;
DROP TABLE helper_links;
DROP TABLE sessions;
DROP TABLE passphrases;
