-- +goose Up
-- Days of weather by where they are from: the station, a file, or what was read on the plot itself.
CREATE TABLE weather_days (
  orchard_id TEXT NOT NULL REFERENCES orchards (id) ON DELETE CASCADE,
  date       TEXT NOT NULL,
  source     TEXT NOT NULL CHECK (source IN ('station', 'file', 'own')),
  tmin       REAL NOT NULL,
  tmax       REAL NOT NULL,
  rain       REAL NOT NULL,
  gust       REAL NOT NULL,
  PRIMARY KEY (orchard_id, date, source)
) STRICT;

-- The last forecast that was good, when it was asked for last, and what was wrong since.
CREATE TABLE forecasts (
  orchard_id TEXT PRIMARY KEY REFERENCES orchards (id) ON DELETE CASCADE,
  asked      TEXT NOT NULL,
  got        TEXT NOT NULL DEFAULT '',
  trouble    TEXT NOT NULL DEFAULT '',
  body       TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(body))
) STRICT;

-- +goose Down
DROP TABLE forecasts;
DROP TABLE weather_days;
