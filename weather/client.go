// Package weather asks a weather station for days and forecasts. It treats the station as a stranger: each try has its time, a failure is
// tried again a few times with growing pauses, a station that keeps failing is left alone for a while, and what it says is believed only
// where it can be weather of the place that was asked for.
package weather

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"math"
	"mime"
	"net/http"
	"net/url"
	"strconv"
	"strings"
	"time"

	"github.com/failsafe-go/failsafe-go"
	"github.com/failsafe-go/failsafe-go/circuitbreaker"
	"github.com/failsafe-go/failsafe-go/retrypolicy"

	"vertumna/core/almanac"
	"vertumna/core/given"
)

// Place is where the weather is asked for.
type Place struct{ Lat, Lon, ElevM float64 }

// Day is a day as the station has it: degrees C, mm, km/h; Pop, the chance of rain, is of forecasts.
type Day struct {
	Date                    almanac.Day
	Tmin, Tmax, RainMM, Pop float64
	GustKmh                 float64
}

// Temp is its temperatures.
func (d Day) Temp() almanac.TempDay { return almanac.TempDay{Date: d.Date, Tmin: d.Tmin, Tmax: d.Tmax} }

// Settings of a client; zero values take the usual ones.
type Settings struct {
	Timeout time.Duration // of one try
	Pause   time.Duration // before the second try, then twice as long each time
	Tries   int           // after the first
	Rest    time.Duration // how long a failing station is left alone
}

const (
	usualTimeout = 8 * time.Second
	usualPause   = 500 * time.Millisecond
	usualTries   = 3
	usualRest    = 5 * time.Minute
	failsToRest  = 8
	mostBytes    = 4 << 20
	nearKM       = 25 // an answer farther from the place than this is of another one
)

// Client asks one station.
type Client struct {
	base string
	http *http.Client
	run  failsafe.Executor[[]Day]
	rest circuitbreaker.CircuitBreaker[[]Day]
}

// Anew lets a station that was left alone be asked at once: a person wants to know.
func (c *Client) Anew() { c.rest.Close() }

// New makes a client of a station's address. Error: given.Fault where it is none.
func New(base string, s Settings) (*Client, error) {
	u, err := url.Parse(base)
	if err != nil || u.Host == "" || u.Scheme != "http" && u.Scheme != "https" {
		return nil, given.Fault{Code: "bad_station", Field: "station", Given: base, Expected: "an address as http://127.0.0.1:8480"}
	}
	if s.Timeout == 0 {
		s = Settings{usualTimeout, usualPause, usualTries, usualRest}
	}
	again := retrypolicy.NewBuilder[[]Day]().
		HandleIf(func(_ []Day, err error) bool { return worthAnotherTry(err) }).
		WithBackoff(s.Pause, 20*s.Pause).WithMaxRetries(s.Tries).Build()
	rest := circuitbreaker.NewBuilder[[]Day]().
		HandleIf(func(_ []Day, err error) bool { return worthAnotherTry(err) }).
		WithFailureThreshold(failsToRest).WithDelay(s.Rest).Build()
	return &Client{base: strings.TrimRight(base, "/"), http: &http.Client{Timeout: s.Timeout}, run: failsafe.With(again, rest), rest: rest}, nil
}

// worthAnotherTry is a failure of the way or of the station, not of what was asked.
func worthAnotherTry(err error) bool {
	var f given.Fault
	return err != nil && !errors.As(err, &f)
}

// Days are the days of a place from one to another, as far as the station has them; missing ones are left out. Errors: given.Fault for
// what cannot be weather of that place; others where no answer came.
func (c *Client) Days(ctx context.Context, p Place, from, to almanac.Day) ([]Day, error) {
	q := query(p)
	q.Set("from", from.String())
	q.Set("to", to.String())
	return c.ask(ctx, p, "/v1/days", q, from, to)
}

// Forecast is the next days of a place, today first. Errors: as Days.
func (c *Client) Forecast(ctx context.Context, p Place, today almanac.Day) ([]Day, error) {
	days, err := c.ask(ctx, p, "/v1/forecast", query(p), today, today+almanac.ForecastLeads+2)
	if err != nil {
		return nil, err
	}
	for i := range days {
		if i > 0 && days[i].Date != days[i-1].Date+1 {
			return nil, given.Fault{Code: "forecast_gap", Field: "days", Given: "a forecast without " + (days[i-1].Date + 1).String(), Expected: "day after day"}
		}
	}
	if len(days) == 0 || days[0].Date != today {
		return nil, given.Fault{Code: "forecast_of_other_day", Field: "days", Given: "a forecast that does not begin today", Expected: "one from " + today.String() + " on"}
	}
	return days, nil
}

func query(p Place) url.Values {
	f := func(x float64) string { return strconv.FormatFloat(x, 'f', 4, 64) }
	return url.Values{"lat": {f(p.Lat)}, "lon": {f(p.Lon)}, "elev": {f(p.ElevM)}}
}

func (c *Client) ask(ctx context.Context, p Place, path string, q url.Values, from, to almanac.Day) ([]Day, error) {
	out, err := c.run.WithContext(ctx).Get(func() ([]Day, error) { return c.once(ctx, p, path, q, from, to) })
	if errors.Is(err, circuitbreaker.ErrOpen) {
		return nil, errors.New("the station failed again and again and is left alone for a while")
	}
	var gaveUp retrypolicy.ExceededError
	if errors.As(err, &gaveUp) {
		err = gaveUp.LastError
	}
	return out, err
}

// told is what a station says, before it is believed.
type told struct {
	Place struct{ Lat, Lon *float64 }
	Days  []struct {
		Date            string
		Tmin, Tmax, Pop *float64
		Rain            *float64 `json:"rain_mm"`
		Gust            *float64 `json:"gust_kmh"`
	}
}

func (c *Client) once(ctx context.Context, p Place, path string, q url.Values, from, to almanac.Day) ([]Day, error) {
	r, err := http.NewRequestWithContext(ctx, http.MethodGet, c.base+path+"?"+q.Encode(), nil)
	if err != nil {
		return nil, err
	}
	res, err := c.http.Do(r)
	if err != nil {
		return nil, errors.New("the station does not answer")
	}
	defer func() { _ = res.Body.Close() }()
	if res.StatusCode != http.StatusOK {
		return nil, fmt.Errorf("the station answers %d", res.StatusCode)
	}
	if kind, _, _ := mime.ParseMediaType(res.Header.Get("Content-Type")); kind != "application/json" {
		return nil, fmt.Errorf("the station answers with %s, not with weather", kind)
	}
	body, err := io.ReadAll(io.LimitReader(res.Body, mostBytes+1))
	if err != nil {
		return nil, errors.New("the station's answer broke off")
	}
	if len(body) > mostBytes {
		return nil, errors.New("the station's answer is longer than any weather")
	}
	var t told
	if err := json.Unmarshal(body, &t); err != nil {
		return nil, errors.New("the station's answer cannot be read")
	}
	return t.believed(p, from, to)
}

// believed are the days told, where they can be weather of the place.
func (t *told) believed(p Place, from, to almanac.Day) ([]Day, error) {
	if t.Place.Lat == nil || t.Place.Lon == nil || kmApart(p, Place{Lat: *t.Place.Lat, Lon: *t.Place.Lon}) > nearKM {
		return nil, given.Fault{Code: "wrong_place", Field: "place", Given: "weather of another place", Expected: fmt.Sprintf("that of %.2f, %.2f", p.Lat, p.Lon)}
	}
	var out []Day
	zeros := 0
	for i, d := range t.Days {
		date, err := almanac.ParseDay(d.Date)
		if err != nil {
			return nil, given.Fault{Code: "bad_date", Field: fmt.Sprintf("days[%d].date", i), Given: d.Date, Expected: "YYYY-MM-DD"}
		}
		if date < from || date > to {
			continue
		}
		day := Day{Date: date}
		for _, v := range []struct {
			name   string
			x      *float64
			into   *float64
			lo, hi float64
			wanted bool
		}{
			{"tmin", d.Tmin, &day.Tmin, -60, 60, true},
			{"tmax", d.Tmax, &day.Tmax, -60, 60, true},
			{"rain_mm", d.Rain, &day.RainMM, 0, 2000, true},
			{"gust_kmh", d.Gust, &day.GustKmh, 0, 400, false},
			{"pop", d.Pop, &day.Pop, 0, 1, false},
		} {
			switch {
			case v.x == nil && v.wanted:
				return nil, given.Fault{Code: "missing", Field: fmt.Sprintf("days[%s].%s", d.Date, v.name), Given: "nothing", Expected: "a number"}
			case v.x == nil:
			case math.IsNaN(*v.x) || *v.x < v.lo || *v.x > v.hi:
				return nil, given.Fault{Code: "out_of_range", Field: fmt.Sprintf("days[%s].%s", d.Date, v.name), Given: fmt.Sprintf("%g", *v.x), Expected: fmt.Sprintf("%g to %g: degrees C, mm, km/h", v.lo, v.hi)}
			default:
				*v.into = *v.x
			}
		}
		if day.Tmin > day.Tmax {
			return nil, given.Fault{Code: "tmin_above_tmax", Field: "days[" + d.Date + "].tmin", Given: fmt.Sprintf("%g", day.Tmin), Expected: fmt.Sprintf("at most tmax, %g", day.Tmax)}
		}
		if n := len(out); n > 0 && date <= out[n-1].Date {
			return nil, given.Fault{Code: "out_of_order", Field: "days[" + d.Date + "]", Given: "a day told twice or out of order", Expected: "each day once, by date"}
		}
		if day.Tmin == 0 && day.Tmax == 0 {
			zeros++
		}
		out = append(out, day)
	}
	if zeros > 3 && zeros > len(out)/2 {
		return nil, given.Fault{Code: "all_zeros", Field: "days", Given: fmt.Sprintf("%d days of nothing but zeros", zeros), Expected: "weather"}
	}
	if len(out) > 0 {
		if err := likely(out, p); err != nil {
			return nil, err
		}
	}
	return out, nil
}

// likely refuses units mixed up: no fortnight of any orchard has a mean night above 32 C or a mean day above 50 C.
func likely(days []Day, _ Place) error {
	night, day := 0.0, 0.0
	for _, d := range days {
		night, day = night+d.Tmin, day+d.Tmax
	}
	n := float64(len(days))
	if night/n > 32 || day/n > 50 {
		return given.Fault{Code: "units_mixed_up", Field: "days", Given: fmt.Sprintf("nights of %.0f and days of %.0f on average", night/n, day/n), Expected: "degrees C"}
	}
	return nil
}

// kmApart is the distance of two places, km (great circle).
func kmApart(a, b Place) float64 {
	const earthKM = 6371
	rad := math.Pi / 180
	s := math.Sin(a.Lat*rad)*math.Sin(b.Lat*rad) + math.Cos(a.Lat*rad)*math.Cos(b.Lat*rad)*math.Cos((a.Lon-b.Lon)*rad)
	return earthKM * math.Acos(math.Max(-1, math.Min(1, s)))
}
