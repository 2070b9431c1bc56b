package store

import (
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"fmt"
	"slices"

	"vertumna/core/almanac"
)

// Where a day of weather is from, the weakest first: what was read on the plot itself counts before a file, and a file before the station.
const (
	FromStation = "station"
	FromFile    = "file"
	FromOwn     = "own"
)

var sources = []string{FromStation, FromFile, FromOwn}

// KnownDay is a day of weather as it was: degrees C, mm of rain, gusts in km/h.
type KnownDay struct {
	Date    almanac.Day `json:"date"`
	Tmin    float64     `json:"tmin" minimum:"-60" maximum:"60"`
	Tmax    float64     `json:"tmax" minimum:"-60" maximum:"60"`
	RainMM  float64     `json:"rain_mm" minimum:"0" maximum:"2000"`
	GustKmh float64     `json:"gust_kmh" minimum:"0" maximum:"400"`
	Source  string      `json:"source" enum:"station,file,own"`
}

// Temp is its temperatures.
func (d KnownDay) Temp() almanac.TempDay {
	return almanac.TempDay{Date: d.Date, Tmin: d.Tmin, Tmax: d.Tmax}
}

// Sky is what is known of an orchard's weather: its days, and the forecast.
type Sky struct {
	Days     []KnownDay       // by date
	Beside   []almanac.Beside // days read on the plot beside the station's, by date
	Forecast []almanac.ForecastDay
	Asked    string   // when the station was asked last
	Got      string   // when it last answered well; empty: never
	Trouble  string   // what was wrong since; empty: nothing
	Aside    []Broken // rows that cannot be read
}

// SaveDays writes days of one source; those there already are written over. Fresh says whether any of it is new.
func (s *Store) SaveDays(ctx context.Context, orchardID, source string, days []KnownDay) (fresh bool, err error) {
	err = s.tx(ctx, func(tx *sql.Tx) error {
		for _, d := range days {
			r, err := tx.ExecContext(ctx, `INSERT INTO weather_days (orchard_id, date, source, tmin, tmax, rain, gust) VALUES (?, ?, ?, ?, ?, ?, ?)
				ON CONFLICT (orchard_id, date, source) DO UPDATE SET tmin = excluded.tmin, tmax = excluded.tmax, rain = excluded.rain, gust = excluded.gust
				WHERE tmin <> excluded.tmin OR tmax <> excluded.tmax OR rain <> excluded.rain OR gust <> excluded.gust`,
				orchardID, d.Date.String(), source, d.Tmin, d.Tmax, d.RainMM, d.GustKmh)
			if err != nil {
				return err
			}
			n, err := r.RowsAffected()
			if err != nil {
				return err
			}
			fresh = fresh || n > 0
		}
		if !fresh {
			return nil
		}
		return touch(ctx, tx, orchardID)
	})
	return fresh && err == nil, err
}

// SaveForecast keeps a forecast that came, at a moment. The orchard's revision moves where it says something new.
func (s *Store) SaveForecast(ctx context.Context, orchardID string, days []almanac.ForecastDay) error {
	body, err := json.Marshal(days)
	if err != nil {
		return err
	}
	return s.tx(ctx, func(tx *sql.Tx) error {
		var was string
		err := tx.QueryRowContext(ctx, "SELECT body FROM forecasts WHERE orchard_id = ?", orchardID).Scan(&was)
		if err != nil && !errors.Is(err, sql.ErrNoRows) {
			return err
		}
		now := s.stamp()
		if _, err := tx.ExecContext(ctx, "INSERT INTO forecasts (orchard_id, asked, got, body) VALUES (?, ?, ?, ?) ON CONFLICT (orchard_id) DO UPDATE SET asked = excluded.asked, got = excluded.got, trouble = '', body = excluded.body", orchardID, now, now, string(body)); err != nil {
			return err
		}
		if was == string(body) {
			return nil
		}
		return touch(ctx, tx, orchardID)
	})
}

// NoForecast notes that the station was asked in vain; the last good forecast stays.
func (s *Store) NoForecast(ctx context.Context, orchardID, trouble string) error {
	return s.tx(ctx, func(tx *sql.Tx) error {
		_, err := tx.ExecContext(ctx, "INSERT INTO forecasts (orchard_id, asked, trouble) VALUES (?, ?, ?) ON CONFLICT (orchard_id) DO UPDATE SET asked = excluded.asked, trouble = excluded.trouble", orchardID, s.stamp(), trouble)
		return err
	})
}

// Sky reads what is known of an orchard's weather.
func (s *Store) Sky(ctx context.Context, orchardID string) (*Sky, error) {
	out := &Sky{}
	rs, err := s.db.QueryContext(ctx, "SELECT date, source, tmin, tmax, rain, gust FROM weather_days WHERE orchard_id = ? ORDER BY date", orchardID)
	if err != nil {
		return nil, err
	}
	defer rs.Close()
	for rs.Next() {
		var d KnownDay
		var date string
		if err := rs.Scan(&date, &d.Source, &d.Tmin, &d.Tmax, &d.RainMM, &d.GustKmh); err != nil {
			return nil, err
		}
		if d.Date, err = almanac.ParseDay(date); err == nil && !d.sound() {
			err = fmt.Errorf("%+v is no weather", d)
		}
		if err != nil {
			out.Aside = append(out.Aside, Broken{"weather_days", date, err.Error()})
			continue
		}
		if n := len(out.Days); n > 0 && out.Days[n-1].Date == d.Date {
			weak, strong := out.Days[n-1], d
			if slices.Index(sources, weak.Source) > slices.Index(sources, strong.Source) {
				weak, strong = strong, weak
			}
			if strong.Source == FromOwn && weak.Source == FromStation {
				out.Beside = append(out.Beside, almanac.Beside{Own: almanac.TempDay{Date: d.Date, Tmin: strong.Tmin, Tmax: strong.Tmax}, Station: almanac.TempDay{Date: d.Date, Tmin: weak.Tmin, Tmax: weak.Tmax}})
			}
			if strong.GustKmh == 0 { // a thermometer tells nothing of the wind
				strong.GustKmh = weak.GustKmh
			}
			out.Days[n-1] = strong
			continue
		}
		out.Days = append(out.Days, d)
	}
	if err := rs.Err(); err != nil {
		return nil, err
	}
	var body string
	err = s.db.QueryRowContext(ctx, "SELECT asked, got, trouble, body FROM forecasts WHERE orchard_id = ?", orchardID).Scan(&out.Asked, &out.Got, &out.Trouble, &body)
	if errors.Is(err, sql.ErrNoRows) {
		return out, nil
	}
	if err != nil {
		return nil, err
	}
	if err := json.Unmarshal([]byte(body), &out.Forecast); err != nil {
		out.Forecast, out.Aside = nil, append(out.Aside, Broken{"forecasts", orchardID, err.Error()})
	}
	return out, nil
}

// Bounds of what a day can be, degrees Celsius, millimetres and km/h; anything beyond is a fault of the file.
const (
	mostC      = 70
	mostRainMM = 2500
	mostGust   = 450
)

func (d *KnownDay) sound() bool {
	return d.Tmin >= -mostC && d.Tmin <= d.Tmax && d.Tmax <= mostC && d.RainMM >= 0 && d.RainMM <= mostRainMM && d.GustKmh >= 0 && d.GustKmh <= mostGust
}
