// Package almanac turns a place and its weather into sun, chill, heat, stages, frost loss and days fit for cutting.
// Latitude is north positive, longitude east positive, temperatures degrees Celsius, rain millimetres, wind km/h. It
// knows no clock: every date is an argument.
package almanac

import (
	"fmt"
	"math"

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
	// days from civil, counted in years that begin in March so that the leap day comes last
	y := year
	if month <= 2 {
		y--
	}
	era := floorDiv(y, 400)
	yoe := y - era*400
	doy := (153*((month+9)%12)+2)/5 + day - 1
	doe := yoe*365 + yoe/4 - yoe/100 + doy
	return Day(era*146097 + doe - 719468)
}

func floorDiv(a, b int) int {
	q := a / b
	if a%b < 0 {
		q--
	}
	return q
}

// Date returns the year, month 1..12 and day of the month.
func (d Day) Date() (year, month, day int) {
	z := int(d) + 719468
	era := floorDiv(z, 146097)
	doe := z - era*146097
	yoe := (doe - doe/1460 + doe/36524 - doe/146096) / 365
	doy := doe - (365*yoe + yoe/4 - yoe/100)
	mp := (5*doy + 2) / 153
	day = doy - (153*mp+2)/5 + 1
	month = (mp+2)%12 + 1
	year = yoe + era*400
	if month <= 2 {
		year++
	}
	return year, month, day
}

// Year returns the calendar year.
func (d Day) Year() int { y, _, _ := d.Date(); return y }

// Weekday is 0 for Sunday to 6 for Saturday.
func (d Day) Weekday() int { return ((int(d)+4)%7 + 7) % 7 }

func (d Day) String() string {
	y, m, dd := d.Date()
	return fmt.Sprintf("%04d-%02d-%02d", y, m, dd)
}

// ParseDay reads YYYY-MM-DD; the error has the code bad_date.
func ParseDay(s string) (Day, error) {
	bad := refuse("bad_date", "date", fmt.Sprintf("%q", s), "a day as YYYY-MM-DD")
	if len(s) != 10 || s[4] != '-' || s[7] != '-' {
		return 0, bad
	}
	num := func(from, to int) int {
		n := 0
		for _, c := range s[from:to] {
			if c < '0' || c > '9' {
				return -1
			}
			n = n*10 + int(c-'0')
		}
		return n
	}
	y, m, dd := num(0, 4), num(5, 7), num(8, 10)
	if y < 0 || m < 1 || m > 12 || dd < 1 || dd > daysIn(y, m) {
		return 0, bad
	}
	return DateOf(y, m, dd), nil
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

func daysIn(year, month int) int {
	switch month {
	case 4, 6, 9, 11:
		return 30
	case 2:
		if year%4 == 0 && (year%100 != 0 || year%400 == 0) {
			return 29
		}
		return 28
	}
	return 31
}

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

// slack is added where sums of tenths meet a threshold.
const slack = 1e-9

func round0(x float64) float64 { return math.Floor(x + 0.5) }
func round1(x float64) float64 { return math.Floor(x*10+0.5) / 10 }
func round2(x float64) float64 { return math.Floor(x*100+0.5) / 100 }

func clamp(x, lo, hi float64) float64 { return math.Max(lo, math.Min(hi, x)) }
func clampDay(d, lo, hi Day) Day      { return max(lo, min(hi, d)) }

func finite(x float64) bool { return !math.IsNaN(x) && !math.IsInf(x, 0) }
