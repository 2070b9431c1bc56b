package orchard

import (
	"context"
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"math"
	"slices"
	"strconv"
	"strings"

	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/store"
	"vertumna/words"
)

// OwnDay is what was read on the plot itself: a min-max thermometer, a rain gauge.
type OwnDay struct {
	Date   almanac.Day `json:"date"`
	TminC  float64     `json:"tmin_c" minimum:"-60" maximum:"60"`
	TmaxC  float64     `json:"tmax_c" minimum:"-60" maximum:"60"`
	RainMM float64     `json:"rain_mm" minimum:"0" maximum:"2000"`
}

// LogOwnDay keeps what was read on the plot: it counts before the station's. Errors: given.Fault; store.ErrNotFound.
func (k *Keeper) LogOwnDay(ctx context.Context, slug string, d OwnDay) error {
	o, err := k.store.Orchard(ctx, slug)
	if err != nil {
		return err
	}
	switch {
	case d.Date > k.today():
		return given.Fault{Code: "in_future", Field: "date", Given: d.Date.String(), Expected: "a day not after " + k.today().String()}
	case d.TminC > d.TmaxC:
		return given.Fault{Code: "tmin_above_tmax", Field: "tmin_c", Given: fmt.Sprintf("%g", d.TminC), Expected: fmt.Sprintf("at most the day's highest, %g", d.TmaxC)}
	}
	_, err = k.store.SaveDays(ctx, o.ID, store.FromOwn, []store.KnownDay{{Date: d.Date, Tmin: d.TminC, Tmax: d.TmaxC, RainMM: d.RainMM}})
	return err
}

// WeatherFileBody tells what a file of days held.
type WeatherFileBody struct {
	Days    int         `json:"days"`
	From    almanac.Day `json:"from"`
	To      almanac.Day `json:"to"`
	Missing int         `json:"missing" doc:"days between that the file has not; usual weather stands in for them"`
	Differ  int         `json:"differ" doc:"days on which it is over 5 C off what was known"`
	Says    string      `json:"says,omitempty" doc:"where it is far off what was known: a doubt"`
}

// A file that is over so many degrees off what was known, on so large a share of the days, may be of another place; our own estimate.
const (
	fileOffC     = 5
	fileOffShare = 0.2
)

// mostLines of a file of days.
const mostLines = 20_000

// ReadWeather reads days from a CSV file: date, tmin, tmax, rain, gust in degrees C, mm and km/h, a first line of names, gust may be empty.
// All or none: each line that cannot be is told. Errors: given.Faults; store.ErrNotFound.
func (k *Keeper) ReadWeather(ctx context.Context, slug, text string) (*WeatherFileBody, error) {
	o, err := k.store.Orchard(ctx, slug)
	if err != nil {
		return nil, err
	}
	days, faults := readDays(text, k.today())
	if err := faults.Err(); err != nil {
		return nil, err
	}
	if o.Site != nil {
		temps := make([]almanac.TempDay, len(days))
		for i, d := range days {
			temps[i] = d.Temp()
		}
		if err := almanac.LikelyAt(o.Site, temps); err != nil {
			return nil, err
		}
	}
	sky, err := k.store.Sky(ctx, o.ID)
	if err != nil {
		return nil, err
	}
	both, differ := heldAgainst(sky, days)
	if _, err := k.store.SaveDays(ctx, o.ID, store.FromFile, days); err != nil {
		return nil, err
	}
	out := &WeatherFileBody{Differ: differ, Says: words.Speaker{Units: words.Units(o.Units)}.FileDiffers(both, differ, fileOffShare, fileOffC), Days: len(days), From: days[0].Date, To: days[len(days)-1].Date}
	out.Missing = int(out.To-out.From) + 1 - len(days)
	return out, nil
}

// heldAgainst counts the days of a file that were known before, and those that differ.
func heldAgainst(sky *store.Sky, days []store.KnownDay) (both, differ int) {
	known := map[almanac.Day]store.KnownDay{}
	for _, d := range sky.Days {
		known[d.Date] = d
	}
	for _, d := range days {
		was, ok := known[d.Date]
		if !ok {
			continue
		}
		both++
		if math.Abs(d.Tmin-was.Tmin) > fileOffC || math.Abs(d.Tmax-was.Tmax) > fileOffC {
			differ++
		}
	}
	return both, differ
}

var weatherColumns = []string{"date", "tmin", "tmax", "rain", "gust"}

func readDays(text string, today almanac.Day) ([]store.KnownDay, given.Faults) {
	var faults given.Faults
	r := csv.NewReader(strings.NewReader(strings.TrimPrefix(text, "\ufeff")))
	r.FieldsPerRecord, r.TrimLeadingSpace, r.ReuseRecord = -1, true, false
	if first, _, _ := strings.Cut(text, "\n"); strings.Count(first, ";") > strings.Count(first, ",") {
		r.Comma = ';'
	}
	head, err := r.Read()
	if err != nil {
		faults.Add("no_header", "line 1", "nothing that can be read", strings.Join(weatherColumns, ", "))
		return nil, faults
	}
	at := map[string]int{}
	for i, name := range head {
		at[strings.ToLower(strings.TrimSpace(name))] = i
	}
	for _, name := range weatherColumns[:4] {
		if _, ok := at[name]; !ok {
			faults.Add("no_column", "line 1", strings.Join(head, ", "), "a column named "+name)
		}
	}
	if len(faults) > 0 {
		return nil, faults
	}
	seen := map[almanac.Day]int{}
	var out []store.KnownDay
	for line := 2; len(faults) < 20; line++ {
		row, err := r.Read()
		if errors.Is(err, io.EOF) {
			break
		}
		where := fmt.Sprintf("line %d", line)
		if err != nil || line > mostLines {
			faults.Add("bad_line", where, "a line that cannot be read", fmt.Sprintf("a day; at most %d lines", mostLines))
			break
		}
		if len(row) == 1 && strings.TrimSpace(row[0]) == "" {
			continue
		}
		d, bad := readDay(row, at, where, today)
		if was, twice := seen[d.Date]; twice && len(bad) == 0 {
			bad.Add("twice", where+", date", d.Date.String(), fmt.Sprintf("each day once: it stands in line %d too", was))
		}
		faults = append(faults, bad...)
		seen[d.Date] = line
		out = append(out, d)
	}
	if len(faults) == 0 && len(out) == 0 {
		faults.Add("no_days", "text", "a file without days", "at least one")
	}
	slices.SortFunc(out, func(a, b store.KnownDay) int { return int(a.Date - b.Date) })
	return out, faults
}

func readDay(row []string, at map[string]int, where string, today almanac.Day) (d store.KnownDay, bad given.Faults) {
	cell := func(name string) string {
		if i, ok := at[name]; ok && i < len(row) {
			return strings.TrimSpace(row[i])
		}
		return ""
	}
	date, err := almanac.ParseDay(cell("date"))
	switch {
	case err != nil:
		bad.Add("bad_date", where+", date", cell("date"), "YYYY-MM-DD")
	case date > today || date.Year() < almanac.MinYear:
		bad.Add("bad_date", where+", date", cell("date"), fmt.Sprintf("a day from %d to %s", almanac.MinYear, today))
	}
	d.Date = date
	for _, v := range []struct {
		name   string
		into   *float64
		lo, hi float64
	}{{"tmin", &d.Tmin, -60, 60}, {"tmax", &d.Tmax, -60, 60}, {"rain", &d.RainMM, 0, 2000}, {"gust", &d.GustKmh, 0, 400}} {
		text := cell(v.name)
		if text == "" && v.name == "gust" {
			continue
		}
		x, err := strconv.ParseFloat(strings.Replace(text, ",", ".", 1), 64)
		if err != nil || !(x >= v.lo && x <= v.hi) {
			bad.Add("bad_number", where+", "+v.name, text, fmt.Sprintf("%g to %g", v.lo, v.hi))
			continue
		}
		*v.into = x
	}
	if len(bad) == 0 && d.Tmin > d.Tmax {
		bad.Add("tmin_above_tmax", where+", tmin", cell("tmin"), "at most tmax, "+cell("tmax"))
	}
	return d, bad
}
