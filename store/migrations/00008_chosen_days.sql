-- +goose Up
-- Days that a person set for a task; the planner chooses all others.
CREATE TABLE chosen_days (
  orchard_id TEXT NOT NULL REFERENCES orchards (id) ON DELETE CASCADE,
  task_id    TEXT NOT NULL,
  day        TEXT NOT NULL,
  PRIMARY KEY (orchard_id, task_id)
) STRICT;

-- +goose Down
DROP TABLE chosen_days;
