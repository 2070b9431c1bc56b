-- +goose Up
-- The shape each document is kept in: what brings older ones on is in docs.go.
ALTER TABLE orchards ADD COLUMN doc_version INTEGER NOT NULL DEFAULT 1;
ALTER TABLE people ADD COLUMN doc_version INTEGER NOT NULL DEFAULT 1;
ALTER TABLE trees ADD COLUMN doc_version INTEGER NOT NULL DEFAULT 1;
ALTER TABLE tree_versions ADD COLUMN doc_version INTEGER NOT NULL DEFAULT 1;
ALTER TABLE entries ADD COLUMN doc_version INTEGER NOT NULL DEFAULT 1;
ALTER TABLE own_tasks ADD COLUMN doc_version INTEGER NOT NULL DEFAULT 1;
ALTER TABLE helper_links ADD COLUMN doc_version INTEGER NOT NULL DEFAULT 1;
ALTER TABLE helper_answers ADD COLUMN doc_version INTEGER NOT NULL DEFAULT 1;
ALTER TABLE training_words ADD COLUMN doc_version INTEGER NOT NULL DEFAULT 1;

-- +goose Down
ALTER TABLE orchards DROP COLUMN doc_version;
ALTER TABLE people DROP COLUMN doc_version;
ALTER TABLE trees DROP COLUMN doc_version;
ALTER TABLE tree_versions DROP COLUMN doc_version;
ALTER TABLE entries DROP COLUMN doc_version;
ALTER TABLE own_tasks DROP COLUMN doc_version;
ALTER TABLE helper_links DROP COLUMN doc_version;
ALTER TABLE helper_answers DROP COLUMN doc_version;
ALTER TABLE training_words DROP COLUMN doc_version;
