-- +goose Up
-- Taps taken back are looked up for every tap: without this the tally of a season costs the square of its taps.
CREATE INDEX taps_undone ON taps (undoes) WHERE undoes <> '';

-- +goose Down
DROP INDEX taps_undone;
