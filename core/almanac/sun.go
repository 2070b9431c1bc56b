package almanac

import "math"

// Sun after Meeus 1998, chapter 25 (low accuracy).

const (
	sunHorizonDeg = -0.833 // refraction and half the disc; Meeus 1998
	unixEpochJD   = 2440587.5
	j2000         = 2451545.0
)

func sinD(x float64) float64  { return math.Sin(x * math.Pi / 180) }
func cosD(x float64) float64  { return math.Cos(x * math.Pi / 180) }
func tanD(x float64) float64  { return math.Tan(x * math.Pi / 180) }
func asinD(x float64) float64 { return math.Asin(clamp(x, -1, 1)) * 180 / math.Pi }
func acosD(x float64) float64 { return math.Acos(clamp(x, -1, 1)) * 180 / math.Pi }

func mod360(x float64) float64 {
	x = math.Mod(x, 360)
	if x < 0 {
		x += 360
	}
	return x
}

// sunAt gives the declination in degrees and the equation of time in minutes at a Julian date (UT).
func sunAt(jd float64) (decl, eot float64) {
	t := (jd - j2000) / 36525
	l0 := mod360(280.46646 + t*(36000.76983+0.0003032*t))
	m := mod360(357.52911 + t*(35999.05029-0.0001537*t))
	e := 0.016708634 - t*(0.000042037+0.0000001267*t)
	c := sinD(m)*(1.914602-t*(0.004817+0.000014*t)) + sinD(2*m)*(0.019993-0.000101*t) + 0.000289*sinD(3*m)
	w := mod360(125.04 - 1934.136*t)
	lam := l0 + c - 0.00569 - 0.00478*sinD(w)
	eps0 := 23 + (26+(21.448-t*(46.815+t*(0.00059-0.001813*t)))/60)/60
	eps := eps0 + 0.00256*cosD(w)
	decl = asinD(sinD(eps) * sinD(lam))
	y := tanD(eps/2) * tanD(eps/2)
	eot = 4 * 180 / math.Pi * (y*sinD(2*l0) - 2*e*sinD(m) + 4*e*y*sinD(m)*cosD(2*l0) -
		0.5*y*y*sinD(4*l0) - 1.25*e*e*sinD(2*m))
	return decl, eot
}

// SunDay is the course of the sun over one local date. Times are minutes from 00:00 UTC of that date and may be
// negative or above 1440; nil when the sun does not cross the horizon.
type SunDay struct {
	NoonUTCMin, DeclDeg, EotMin float64
	SunriseUTCMin, SunsetUTCMin *float64
	DayLengthMin                float64
	Polar                       string // "none", "day", "night"
}

// SunOn gives the sun's day at a place. Errors: bad_year, bad_latitude, bad_longitude.
func SunOn(day Day, lat, lon float64) (SunDay, error) {
	if err := checkYear(day.Year()); err != nil {
		return SunDay{}, err
	}
	if err := checkPlace(lat, lon); err != nil {
		return SunDay{}, err
	}
	return sunDay(day, lat, lon), nil
}

func sunDay(day Day, lat, lon float64) SunDay {
	jd0 := unixEpochJD + float64(day)
	at := func(t float64) (float64, float64) { return sunAt(jd0 + t/1440) }
	noon := 720 - 4*lon
	for range 2 {
		_, eot := at(noon)
		noon = 720 - 4*lon - eot
	}
	decl, eot := at(noon)
	s := SunDay{NoonUTCMin: noon, DeclDeg: decl, EotMin: eot, Polar: "none"}
	cosH := func(decl float64) float64 {
		return (sinD(sunHorizonDeg) - sinD(lat)*sinD(decl)) / math.Max(cosD(lat)*cosD(decl), 1e-12)
	}
	switch c := cosH(decl); {
	case c > 1:
		s.Polar = "night"
		return s
	case c < -1:
		s.Polar, s.DayLengthMin = "day", 1440
		return s
	}
	event := func(sign float64) *float64 {
		t := noon
		for range 4 {
			d, e := at(t)
			t = 720 - 4*lon - e + 4*sign*acosD(cosH(d))
		}
		return &t
	}
	s.SunriseUTCMin, s.SunsetUTCMin = event(-1), event(1)
	s.DayLengthMin = clamp(*s.SunsetUTCMin-*s.SunriseUTCMin, 0, 1440)
	return s
}

// SunPosition is where the sun stands: geometric elevation (no refraction), azimuth clockwise from north, hour angle.
type SunPosition struct{ ElevDeg, AzimDeg, HourAngleDeg, DeclDeg, EotMin float64 }

// SunAt gives the sun's position at a minute of the UTC day. Errors: bad_year, bad_latitude, bad_longitude, bad_time.
func SunAt(day Day, minuteUTC, lat, lon float64) (SunPosition, error) {
	if err := checkYear(day.Year()); err != nil {
		return SunPosition{}, err
	}
	if err := checkPlace(lat, lon); err != nil {
		return SunPosition{}, err
	}
	if !finite(minuteUTC) || minuteUTC < 0 || minuteUTC > 1440 {
		return SunPosition{}, refuse("bad_time", "minute_utc", minuteUTC, "0 to 1440")
	}
	decl, eot := sunAt(unixEpochJD + float64(day) + minuteUTC/1440)
	h := mod360((minuteUTC+eot+4*lon)/4) - 180
	elev := asinD(sinD(lat)*sinD(decl) + cosD(lat)*cosD(decl)*cosD(h))
	azim := math.Atan2(sinD(h), cosD(h)*sinD(lat)-tanD(decl)*cosD(lat))*180/math.Pi + 180
	return SunPosition{elev, mod360(azim), h, decl, eot}, nil
}
