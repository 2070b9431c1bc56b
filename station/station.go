// Package station is the simulated weather service: a small HTTP server of its own that knows the days of any place, and a forecast of
// fourteen days, by the almanac's generator. It plays a stranger to the program: it can be slow, down, or wrong on request.
//
//	GET  /v1/days?lat=&lon=&elev=&from=&to=   days as they were, to the station's today
//	GET  /v1/forecast?lat=&lon=&elev=         from today on
//	PUT  /v1/fault/{kind}                     plays a fault until another is asked for; none ends it
package station

import (
	"encoding/json"
	"fmt"
	"net/http"
	"slices"
	"strconv"
	"strings"
	"sync/atomic"
	"time"

	"github.com/go-chi/chi/v5"

	"vertumna/core/almanac"
)

// Faults it can play.
var Faults = []string{"none", "slow", "down", "garbage", "html", "gaps", "wrong-place", "zeros", "fahrenheit", "swapped"}

// Place is where an answer is for.
type Place struct {
	Lat  float64 `json:"lat"`
	Lon  float64 `json:"lon"`
	Elev float64 `json:"elev_m"`
}

// Day is a day as it was, or as it is forecast: degrees C, mm, chance of rain 0..1, km/h.
type Day struct {
	Date    almanac.Day `json:"date"`
	Tmin    float64     `json:"tmin"`
	Tmax    float64     `json:"tmax"`
	RainMM  float64     `json:"rain_mm"`
	Pop     *float64    `json:"pop,omitempty"`
	GustKmh float64     `json:"gust_kmh"`
}

// Answer is what it tells.
type Answer struct {
	Place  Place       `json:"place"`
	Issued almanac.Day `json:"issued,omitzero"`
	Days   []Day       `json:"days"`
}

// mostDays in one answer.
const mostDays = 1500

type server struct {
	today func() almanac.Day
	fault atomic.Value // string
	slow  time.Duration
	shape Shape
}

// Handler is the station; today is its own day. Slow is how long it waits where it plays a slow one. A shape, where there is one, changes
// its days.
func Handler(today func() almanac.Day, slow time.Duration, shape Shape) http.Handler {
	if shape == nil {
		shape = func(*almanac.Site, *Day) {}
	}
	s := &server{today: today, slow: slow, shape: shape}
	s.fault.Store("none")
	r := chi.NewRouter()
	r.Get("/v1/days", s.days)
	r.Get("/v1/forecast", s.forecast)
	r.Put("/v1/fault/{kind}", func(w http.ResponseWriter, r *http.Request) {
		kind := chi.URLParam(r, "kind")
		if !slices.Contains(Faults, kind) {
			http.Error(w, "kind: "+kind+" given, one of "+strings.Join(Faults, ", ")+" expected", http.StatusNotFound)
			return
		}
		s.fault.Store(kind)
		w.WriteHeader(http.StatusNoContent)
	})
	return r
}

// site is the climate of a place, and the seed of its weather.
func site(r *http.Request) (almanac.Site, uint64, Place, error) {
	var p Place
	q := r.URL.Query()
	for _, v := range []struct {
		name string
		into *float64
	}{{"lat", &p.Lat}, {"lon", &p.Lon}, {"elev", &p.Elev}} {
		x, err := strconv.ParseFloat(q.Get(v.name), 64)
		if err != nil {
			return almanac.Site{}, 0, p, fmt.Errorf("%s: %q given, a number expected", v.name, q.Get(v.name))
		}
		*v.into = x
	}
	near, err := almanac.Suited(p.Lat, p.Lon, &p.Elev)
	if err != nil {
		return almanac.Site{}, 0, p, err
	}
	c := near[0].Site
	return c, almanac.SiteSeed(c.Slug), p, nil
}

func (s *server) days(w http.ResponseWriter, r *http.Request) {
	c, seed, p, err := site(r)
	from, errF := almanac.ParseDay(r.URL.Query().Get("from"))
	to, errT := almanac.ParseDay(r.URL.Query().Get("to"))
	switch {
	case err != nil:
		http.Error(w, err.Error(), http.StatusBadRequest)
		return
	case errF != nil || errT != nil || to < from || to-from > mostDays:
		http.Error(w, fmt.Sprintf("from, to: %q, %q given, two days at most %d apart expected", r.URL.Query().Get("from"), r.URL.Query().Get("to"), mostDays), http.StatusBadRequest)
		return
	}
	to = min(to, s.today())
	out := Answer{Place: p, Days: []Day{}}
	if from <= to {
		days, err := almanac.Weather(&c, seed, from, to)
		if err != nil {
			http.Error(w, err.Error(), http.StatusBadRequest)
			return
		}
		for _, d := range days {
			day := Day{Date: d.Date, Tmin: d.Tmin, Tmax: d.Tmax, RainMM: d.RainMM, GustKmh: d.GustKm}
			s.shape(&c, &day)
			out.Days = append(out.Days, day)
		}
	}
	s.answer(w, r, &out)
}

func (s *server) forecast(w http.ResponseWriter, r *http.Request) {
	c, seed, p, err := site(r)
	if err != nil {
		http.Error(w, err.Error(), http.StatusBadRequest)
		return
	}
	days, err := almanac.ForecastFrom(&c, seed, s.today())
	if err != nil {
		http.Error(w, err.Error(), http.StatusBadRequest)
		return
	}
	out := Answer{Place: p, Issued: s.today()}
	for _, d := range days {
		pop := d.Pop
		day := Day{Date: d.Date, Tmin: d.Tmin, Tmax: d.Tmax, RainMM: d.RainMM, Pop: &pop, GustKmh: d.GustKmh}
		s.shape(&c, &day)
		out.Days = append(out.Days, day)
	}
	s.answer(w, r, &out)
}

// answer tells it, or plays the fault that was asked for.
func (s *server) answer(w http.ResponseWriter, r *http.Request, a *Answer) {
	fault, _ := s.fault.Load().(string)
	switch fault {
	case "slow":
		select {
		case <-time.After(s.slow):
		case <-r.Context().Done():
			return
		}
	case "down":
		http.Error(w, "out of order", http.StatusServiceUnavailable)
		return
	case "html":
		w.Header().Set("Content-Type", "text/html")
		_, _ = w.Write([]byte("<html><body>Sign in to this network</body></html>"))
		return
	case "garbage":
		w.Header().Set("Content-Type", "application/json")
		_, _ = w.Write([]byte(`{"place":{"lat":4`))
		return
	case "gaps":
		a.Days = slices.DeleteFunc(a.Days, func(d Day) bool { return d.Date%5 < 2 })
	case "wrong-place":
		a.Place.Lat, a.Place.Lon = -a.Place.Lat+7, a.Place.Lon/2+40
	case "zeros":
		for i := range a.Days {
			a.Days[i].Tmin, a.Days[i].Tmax, a.Days[i].RainMM, a.Days[i].GustKmh = 0, 0, 0, 0
		}
	case "fahrenheit":
		for i := range a.Days {
			a.Days[i].Tmin, a.Days[i].Tmax = a.Days[i].Tmin*1.8+32, a.Days[i].Tmax*1.8+32
		}
	case "swapped":
		for i := range a.Days {
			a.Days[i].Tmin, a.Days[i].Tmax = a.Days[i].Tmax, a.Days[i].Tmin
		}
	}
	w.Header().Set("Content-Type", "application/json")
	_ = json.NewEncoder(w).Encode(a)
}
