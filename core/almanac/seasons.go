package almanac

import (
	"math"
)

// Seasons are the equinoxes and solstices of a year after Meeus 1998, chapter 27, in minutes from 1970-01-01 00:00 UTC.
// The names are months: in the south June is the winter solstice.
type Seasons struct{ March, June, September, December Minute }

// Minute is an instant in whole minutes from 1970-01-01 00:00 UTC.
type Minute int

// Day is the UTC date of the instant shifted by an offset in minutes: the local date.
func (m Minute) Day(utcOffsetMin int) Day {
	return Day(math.Floor(float64(int(m)+utcOffsetMin) / dayMinutes))
}

var seasonPolynomials = [4][5]float64{
	{2451623.80984, 365242.37404, 0.05169, -0.00411, -0.00057},
	{2451716.56767, 365241.62603, 0.00325, 0.00888, -0.00030},
	{2451810.21715, 365242.01767, -0.11575, 0.00337, 0.00078},
	{2451900.05952, 365242.74049, -0.06223, -0.00823, 0.00032},
}

// What turns the terms below into days, after the same chapter.
const (
	seasonOnce, seasonTwice = 0.0334, 0.0007
	seasonScale             = 0.00001
)

var seasonAnomaly = []float64{-2.47, 35999.373}

// deltaT: until the year it bends and after, and the years its parabola is counted from and meets.
const (
	deltaTBends, deltaTParabola, deltaTMeets = 2050, 1820, 2150
	deltaTSlope                              = 0.5628
)

var deltaTNear, deltaTFar = []float64{62.92, 0.32217, 0.005589}, []float64{-20, 0, 32}

var seasonTerms = [24][3]float64{
	{485, 324.96, 1934.136},
	{203, 337.23, 32964.467},
	{199, 342.08, 20.186},
	{182, 27.85, 445267.112},
	{156, 73.14, 45036.886},
	{136, 171.52, 22518.443},
	{77, 222.54, 65928.934},
	{74, 296.72, 3034.906},
	{70, 243.58, 9037.513},
	{58, 119.81, 33718.147},
	{52, 297.17, 150.678},
	{50, 21.02, 2281.226},
	{45, 247.54, 29929.562},
	{44, 325.15, 31555.956},
	{29, 60.93, 4443.417},
	{18, 155.12, 67555.328},
	{17, 288.79, 4562.452},
	{16, 198.04, 62894.029},
	{14, 199.76, 31436.921},
	{12, 95.39, 14577.848},
	{12, 287.11, 31931.756},
	{12, 320.81, 34777.259},
	{9, 227.73, 1222.114},
	{8, 15.45, 16859.074},
}

// SeasonsOf gives the equinoxes and solstices of a year. Error: bad_year.
func SeasonsOf(year int) (Seasons, error) {
	if err := checkYear(year); err != nil {
		return Seasons{}, err
	}
	instant := func(k int) Minute {
		jde0 := along((float64(year)-MinYear)/1000, seasonPolynomials[k][:]...)
		t := (jde0 - j2000) / centuryDays
		w := along(t, seasonAnomaly...)
		dl := along(1, 1, seasonOnce*cosD(w), seasonTwice*cosD(2*w))
		s := 0.0
		for _, q := range seasonTerms {
			s += q[0] * cosD(q[1]+q[2]*t)
		}
		jd := jde0 + seasonScale*s/dl - deltaT(year)/daySeconds
		return Minute(math.Floor((jd-unixEpochJD)*dayMinutes + 0.5))
	}
	return Seasons{instant(0), instant(1), instant(2), instant(3)}, nil
}

// deltaT in seconds after Espenak and Meeus 2006.
func deltaT(year int) float64 {
	y := float64(year)
	if year < deltaTBends {
		return along(y-MinYear, deltaTNear...)
	}
	return along((y-deltaTParabola)/100, deltaTFar...) - deltaTSlope*(deltaTMeets-y)
}
