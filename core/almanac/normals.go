package almanac

import (
	"fmt"
	"math"
)

// Site is a place with its twelve monthly normals, January first. Missing SdTemp is estimated.
type Site struct {
	Slug         string    `json:"slug" maxLength:"100"`
	Name         string    `json:"name" maxLength:"500"`
	Lat          float64   `json:"lat" minimum:"-90" maximum:"90"`
	Lon          float64   `json:"lon" minimum:"-180" maximum:"180"`
	ElevM        float64   `json:"elev_m" minimum:"-430" maximum:"5500"`
	UTCOffsetMin int       `json:"utc_offset_min" minimum:"-720" maximum:"840"`
	Tmax         []float64 `json:"tmax" minItems:"12" maxItems:"12" minimum:"-80" maximum:"65"`
	Tmin         []float64 `json:"tmin" minItems:"12" maxItems:"12" minimum:"-90" maximum:"50"`
	RainMM       []float64 `json:"rain_mm" minItems:"12" maxItems:"12" minimum:"0" maximum:"5000"`
	RainDays     []float64 `json:"rain_days" minItems:"12" maxItems:"12" minimum:"0" maximum:"31"`
	WindKmh      []float64 `json:"wind_kmh" minItems:"12" maxItems:"12" minimum:"0" maximum:"200"`
	SunFrac      []float64 `json:"sun_frac" minItems:"12" maxItems:"12" minimum:"0" maximum:"1"`
	SdTemp       []float64 `json:"sd_temp,omitempty" minItems:"12" maxItems:"12" minimum:"0" maximum:"30"`
}

// South says whether the site lies south of the equator.
func (s *Site) South() bool { return s.Lat < 0 }

var monthLen = [12]float64{31, 28.25, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31}

func checkPlace(lat, lon float64) error {
	if !finite(lat) || lat < -90 || lat > 90 {
		return refuse("bad_latitude", "lat", lat, "-90 to 90")
	}
	if !finite(lon) || lon < -180 || lon > 180 {
		return refuse("bad_longitude", "lon", lon, "-180 to 180")
	}
	return nil
}

// Check refuses a site that the models cannot use: bad_latitude, bad_longitude, bad_normals, temp_out_of_range,
// tmin_above_tmax. A field with a month names it, as tmin[7].
func (s *Site) Check() error {
	if err := s.check(); err != nil {
		return err
	}
	return nil
}

func (s *Site) check() error {
	if err := checkPlace(s.Lat, s.Lon); err != nil {
		return err
	}
	fields := []struct {
		name string
		v    []float64
	}{{"tmax", s.Tmax}, {"tmin", s.Tmin}, {"rain_mm", s.RainMM}, {"rain_days", s.RainDays}, {"wind_kmh", s.WindKmh}, {"sun_frac", s.SunFrac}}
	for _, f := range fields {
		if err := twelveFinite(f.name, f.v); err != nil {
			return err
		}
	}
	if s.SdTemp != nil {
		if err := twelveFinite("sd_temp", s.SdTemp); err != nil {
			return err
		}
		for i, v := range s.SdTemp {
			if v < leastSpread || v > mostSpread {
				return refuse("bad_normals", at("sd_temp", i), v, fmt.Sprintf("%v to %v", leastSpread, mostSpread))
			}
		}
	}
	for i := range 12 {
		if err := s.checkMonth(i); err != nil {
			return err
		}
	}
	return nil
}

func at(field string, month int) string { return fmt.Sprintf("%s[%d]", field, month) }

func twelveFinite(name string, v []float64) error {
	if len(v) != 12 {
		return refuse("bad_normals", name, fmt.Sprintf("%d months", len(v)), "twelve numbers, January first")
	}
	for i, x := range v {
		if !finite(x) {
			return refuse("bad_normals", at(name, i), "no number", "a number")
		}
	}
	return nil
}

func (s *Site) checkMonth(i int) error {
	bad := func(field string, v float64, expected string) error {
		return refuse("bad_normals", at(field, i), v, expected)
	}
	switch {
	case s.Tmin[i] < -mostC:
		return refuse("temp_out_of_range", at("tmin", i), s.Tmin[i], "-60 to 60")
	case s.Tmax[i] > mostC:
		return refuse("temp_out_of_range", at("tmax", i), s.Tmax[i], "-60 to 60")
	case s.Tmax[i]-s.Tmin[i] < 1:
		return refuse("tmin_above_tmax", at("tmin", i), s.Tmin[i], fmt.Sprintf("at least 1 degree under tmax %v", s.Tmax[i]))
	case s.RainDays[i] < 0 || s.RainDays[i] > mostRainDays:
		return bad("rain_days", s.RainDays[i], "0 to 28")
	case s.RainMM[i] < 0 || s.RainMM[i] > mostRainMM:
		return bad("rain_mm", s.RainMM[i], "0 to 2000")
	case s.RainMM[i] < s.RainDays[i]:
		return bad("rain_mm", s.RainMM[i], "at least 1 mm for each rain day")
	case s.RainDays[i] == 0 && s.RainMM[i] > 0:
		return bad("rain_days", s.RainDays[i], "some rain days where rain_mm is above 0")
	case s.WindKmh[i] < 0 || s.WindKmh[i] > mostWindKmh:
		return bad("wind_kmh", s.WindKmh[i], "0 to 100")
	case s.SunFrac[i] < 0 || s.SunFrac[i] > 1:
		return bad("sun_frac", s.SunFrac[i], "0 to 1")
	}
	return nil
}

// DayNormals are the normals of one day: mean and range of temperature and its standard deviation, chance of rain,
// millimetres a rain day, wind, share of sun.
type DayNormals struct{ Mean, Range, Sd, Wet, MM, Wind, Sun, Tmin, Tmax float64 }

// normals holds the knots that daily normals are drawn through, ready for many days.
type normals struct{ mean, rng, sd, wet, mm, wind, sun [12]float64 }

func newNormals(s *Site) *normals {
	n := &normals{}
	mid := make([]float64, 12)
	lo, hi := math.Inf(1), math.Inf(-1)
	for i := range 12 {
		mid[i] = (s.Tmax[i] + s.Tmin[i]) / 2
		n.mean[i], n.rng[i] = mid[i], s.Tmax[i]-s.Tmin[i]
		lo, hi = math.Min(lo, mid[i]), math.Max(hi, mid[i])
		n.wet[i] = s.RainDays[i] / monthLen[i]
		n.mm[i] = 1
		if s.RainDays[i] > 0 {
			n.mm[i] = s.RainMM[i] / s.RainDays[i]
		}
		n.wind[i], n.sun[i] = s.WindKmh[i], s.SunFrac[i]
	}
	n.mean, n.rng = keepMonthlyMeans(n.mean), keepMonthlyMeans(n.rng)
	a := hi - lo
	for i := range 12 {
		switch {
		case s.SdTemp != nil:
			n.sd[i] = s.SdTemp[i]
		case a < 1:
			n.sd[i] = spreadBase
		default:
			n.sd[i] = spreadBase + spreadOfRange*a + spreadOfCold*((hi+lo)/2-mid[i])
		}
	}
	return n
}

// Spread of daily temperatures where a site gives none, degrees (ours): more where the year swings wide and in cold months.
const (
	spreadBase    = 2
	spreadOfRange = 0.07
	spreadOfCold  = 0.1
)

// The mean of a month under a line through mid-month knots is (before + 6 own + after) / 8; six rounds settle it.
const knotOwn, knotRounds = 6, 6

func before(month int) int { return (month + 12 - 1) % 12 }

// keepMonthlyMeans moves the knots so that the line through them keeps the mean of each month.
func keepMonthlyMeans(m [12]float64) [12]float64 {
	k := m
	for range knotRounds {
		next := k
		for i := range 12 {
			next[i] = k[i] + (m[i] - (k[before(i)]+knotOwn*k[i]+k[(i+1)%12])/(knotOwn+2))
		}
		k = next
	}
	return k
}

func (n *normals) on(day Day) DayNormals {
	y, m, d := day.Date()
	f := (float64(d) - 0.5) / float64(daysIn(y, m))
	i := m - 1
	a, b, w := before(i), i, f+0.5
	if f >= 0.5 {
		a, b, w = i, (i+1)%12, f-0.5
	}
	mix := func(v *[12]float64) float64 { return v[a] + float64((v[b]-v[a])*w) }
	out := DayNormals{Mean: mix(&n.mean), Range: math.Max(1, mix(&n.rng)), Sd: mix(&n.sd), Wet: mix(&n.wet), MM: mix(&n.mm), Wind: mix(&n.wind), Sun: mix(&n.sun)}
	out.Tmin, out.Tmax = out.Mean-out.Range/2, out.Mean+out.Range/2
	return out
}

// NormalsOn gives the normals of a day at a site. Errors: those of Check.
func NormalsOn(s *Site, day Day) (DayNormals, error) {
	if err := s.check(); err != nil {
		return DayNormals{}, err
	}
	return newNormals(s).on(day), nil
}

// NormalsOver is NormalsOn for n days from one on. Errors: those of Site.Check.
func NormalsOver(s *Site, from Day, n int) ([]DayNormals, error) {
	if err := s.check(); err != nil {
		return nil, err
	}
	knots := newNormals(s)
	out := make([]DayNormals, n)
	for i := range out {
		out[i] = knots.on(from + Day(i))
	}
	return out, nil
}
