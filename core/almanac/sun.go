package almanac

import "math"

// Sun after Meeus 1998, chapter 25 (low accuracy).

const (
	sunHorizonDeg = -0.833 // refraction and half the disc; Meeus 1998
	unixEpochJD   = 2440587.5
	j2000         = 2451545.0
	centuryDays   = 36525
	noonMin       = dayMinutes / 2
)

// along is the value at t of a polynomial, its constant first.
func along(t float64, p ...float64) float64 {
	sum := 0.0
	for i := len(p) - 1; i >= 0; i-- {
		sum = p[i] + t*sum
	}
	return sum
}

// The polynomials of Meeus 1998, chapter 25, in Julian centuries from 2000: degrees, the eccentricity apart.
var (
	meanLongitude = []float64{280.46646, 36000.76983, 0.0003032}
	meanAnomaly   = []float64{357.52911, 35999.05029, -0.0001537}
	eccentricity  = []float64{0.016708634, -0.000042037, -0.0000001267}
	centreOnce    = []float64{1.914602, -0.004817, -0.000014}
	centreTwice   = []float64{0.019993, -0.000101}
	lunarNode     = []float64{125.04, -1934.136}
	obliquity     = []float64{23 + 26./60 + 21.448/3600, -46.815 / 3600, -0.00059 / 3600, 0.001813 / 3600}
)

const (
	centreThrice   = 0.000289
	aberration     = 0.00569
	nutation       = 0.00478
	tiltOfNutation = 0.00256
	atThePole      = 1e-12   // a cosine of latitude that is none
	eotFourth      = 5.0 / 4 // the last term of the equation of time
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
	t := (jd - j2000) / centuryDays
	l0 := mod360(along(t, meanLongitude...))
	m := mod360(along(t, meanAnomaly...))
	e := along(t, eccentricity...)
	c := sinD(m)*along(t, centreOnce...) + sinD(2*m)*along(t, centreTwice...) + centreThrice*sinD(3*m)
	w := mod360(along(t, lunarNode...))
	lam := l0 + c - aberration - nutation*sinD(w)
	eps := along(t, obliquity...) + tiltOfNutation*cosD(w)
	decl = asinD(sinD(eps) * sinD(lam))
	y := tanD(eps/2) * tanD(eps/2)
	eot = 4 * 180 / math.Pi * (y*sinD(2*l0) - 2*e*sinD(m) + 4*e*y*sinD(m)*cosD(2*l0) -
		0.5*y*y*sinD(4*l0) - eotFourth*e*e*sinD(2*m))
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
	at := func(t float64) (float64, float64) { return sunAt(jd0 + t/dayMinutes) }
	noon := noonMin - 4*lon
	for range 2 {
		_, eot := at(noon)
		noon = noonMin - 4*lon - eot
	}
	decl, eot := at(noon)
	s := SunDay{NoonUTCMin: noon, DeclDeg: decl, EotMin: eot, Polar: "none"}
	cosH := func(decl float64) float64 {
		return (sinD(sunHorizonDeg) - sinD(lat)*sinD(decl)) / math.Max(cosD(lat)*cosD(decl), atThePole)
	}
	switch c := cosH(decl); {
	case c > 1:
		s.Polar = "night"
		return s
	case c < -1:
		s.Polar, s.DayLengthMin = "day", dayMinutes
		return s
	}
	event := func(sign float64) *float64 {
		t := noon
		for range 4 {
			d, e := at(t)
			t = noonMin - 4*lon - e + 4*sign*acosD(cosH(d))
		}
		return &t
	}
	s.SunriseUTCMin, s.SunsetUTCMin = event(-1), event(1)
	s.DayLengthMin = clamp(*s.SunsetUTCMin-*s.SunriseUTCMin, 0, dayMinutes)
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
	if !finite(minuteUTC) || minuteUTC < 0 || minuteUTC > dayMinutes {
		return SunPosition{}, refuse("bad_time", "minute_utc", minuteUTC, "0 to 1440")
	}
	decl, eot := sunAt(unixEpochJD + float64(day) + minuteUTC/dayMinutes)
	h := mod360((minuteUTC+eot+4*lon)/4) - 180
	elev := asinD(sinD(lat)*sinD(decl) + cosD(lat)*cosD(decl)*cosD(h))
	azim := math.Atan2(sinD(h), cosD(h)*sinD(lat)-tanD(decl)*cosD(lat))*180/math.Pi + 180
	return SunPosition{elev, mod360(azim), h, decl, eot}, nil
}
