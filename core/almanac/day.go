// Package almanac turns a place and its weather into sun, chill, heat, stages, frost loss and days fit for cutting.
// Latitude is north positive, longitude east positive, temperatures degrees Celsius, rain millimetres, wind km/h. It
// knows no clock: every date is an argument.
package almanac

import (
	"fmt"
	"math"
	"time"

	"vertumna/core/given"
)

// Day is a date of the proleptic Gregorian calendar: whole days from 1970-01-01, negative before. Its text is
// YYYY-MM-DD.
type Day int

func refuse(code, field string, was any, expected string) error {
	return given.Fault{Code: code, Field: field, Given: fmt.Sprint(was), Expected: expected}
}

// DateOf is the day of a year, month 1..12 and day of the month.
func DateOf(year, month, day int) Day {
	return Day(time.Date(year, time.Month(month), day, 0, 0, 0, 0, time.UTC).Unix() / daySeconds)
}

const (
	daySeconds = 86400
	dayMinutes = 1440
	weekDays   = 7
)

func floorDiv(a, b int) int {
	q := a / b
	if a%b < 0 {
		q--
	}
	return q
}

// Date returns the year, month 1..12 and day of the month.
func (d Day) Date() (year, month, day int) {
	y, m, day := d.time().Date()
	return y, int(m), day
}

func (d Day) time() time.Time { return time.Unix(int64(d)*daySeconds, 0).UTC() }

// Year returns the calendar year.
func (d Day) Year() int { y, _, _ := d.Date(); return y }

// Weekday is 0 for Sunday to 6 for Saturday.
func (d Day) Weekday() int { return int(d.time().Weekday()) }

func (d Day) String() string {
	y, m, dd := d.Date()
	return fmt.Sprintf("%04d-%02d-%02d", y, m, dd)
}

// ParseDay reads YYYY-MM-DD; the error has the code bad_date.
func ParseDay(s string) (Day, error) {
	bad := refuse("bad_date", "date", fmt.Sprintf("%q", s), "a day as YYYY-MM-DD")
	t, err := time.Parse(time.DateOnly, s)
	if err != nil {
		return 0, bad
	}
	return Day(t.Unix() / daySeconds), nil
}

// MarshalText writes YYYY-MM-DD.
func (d Day) MarshalText() ([]byte, error) { return []byte(d.String()), nil }

// UnmarshalText reads YYYY-MM-DD.
func (d *Day) UnmarshalText(b []byte) error {
	v, err := ParseDay(string(b))
	if err == nil {
		*d = v
	}
	return err
}

func daysIn(year, month int) int { return int(DateOf(year, month+1, 1) - DateOf(year, month, 1)) }

// Years the models are made for.
const (
	MinYear = 2000
	MaxYear = 2100
)

func checkYear(y int) error {
	if y < MinYear || y > MaxYear {
		return refuse("bad_year", "year", y, "2000 to 2100")
	}
	return nil
}

// Bounds of what is taken as weather: degrees Celsius either way, millimetres of a day or a month, km/h, days of rain a
// month, spread of temperature.
const (
	mostC                   = 60
	mostRainMM              = 2000
	mostGustKmh             = 400
	mostWindKmh             = 100
	mostRainDays            = 28
	leastSpread, mostSpread = 0.3, 10
)

// slack is added where sums of tenths meet a threshold.
const slack = 1e-9

func round0(x float64) float64 { return math.Floor(x + 0.5) }
func round1(x float64) float64 { return math.Floor(x*10+0.5) / 10 }
func round2(x float64) float64 { return math.Floor(x*100+0.5) / 100 }

func clamp(x, lo, hi float64) float64 { return math.Max(lo, math.Min(hi, x)) }
func clampDay(d, lo, hi Day) Day      { return max(lo, min(hi, d)) }

func finite(x float64) bool { return !math.IsNaN(x) && !math.IsInf(x, 0) }
