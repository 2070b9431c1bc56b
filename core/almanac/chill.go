package almanac

import "math"

// Chill is winter cold counted three ways over hourly temperatures. Stages use Portions only.
type Chill struct {
	Hours    float64 // Weinberger 1950, lower bound added: hours with 0 <= T <= 7.2
	Units    float64 // Richardson, Seeley and Walker 1974; may be negative
	Portions float64 // Fishman, Erez and Couvillon 1987
}

// Bounds of the counts, degrees Celsius.
const (
	chillHourMost = 7.2
	kelvin        = 273.0 // as the dynamic model's constants were fitted
)

// chillUnits is what an hour counts up to a temperature: Richardson, Seeley and Walker 1974. Above the last it takes a unit away.
var chillUnits = []struct{ upTo, units float64 }{{1.4, 0}, {2.4, 0.5}, {9.1, 1}, {12.4, 0.5}, {15.9, 0}, {18, -0.5}}

// ChillOf counts the chill of hourly temperatures.
func ChillOf(hours []float64) Chill {
	var c Chill
	var p portions
	for _, t := range hours {
		if t >= 0 && t <= chillHourMost {
			c.Hours++
		}
		c.Units += chillUnit(t)
		p.add(t)
	}
	c.Portions = p.sum
	return c
}

func chillUnit(t float64) float64 {
	for _, c := range chillUnits {
		if t <= c.upTo {
			return c.units
		}
	}
	return -1
}

// Dynamic model constants: Fishman, Erez and Couvillon 1987. K = T + 273.
const (
	dynE0, dynE1  = 4153.5, 12888.8
	dynA0, dynA1  = 139500.0, 2.567e18
	dynSlope, dTf = 1.6, 277.0
)

// portions carries the dynamic model from hour to hour.
type portions struct {
	x, xi, sum float64
}

func (p *portions) add(t float64) { p.step(dynHour(t)) }

// dynCoef is what the dynamic model needs of one hour; it depends on the temperature alone and is shared by all counts.
type dynCoef struct{ xs, decay, xi float64 }

func dynHour(t float64) dynCoef {
	k := t + kelvin
	r := math.Exp(dynSlope * dTf * (k - dTf) / k)
	return dynCoef{
		xs:    (dynA0 / dynA1) * math.Exp((dynE1-dynE0)/k),
		decay: math.Exp(-(dynA1 * math.Exp(-dynE1/k))),
		xi:    r / (1 + r),
	}
}

func (p *portions) step(c dynCoef) {
	s := p.x
	if p.x >= 1 {
		s = p.x * (1 - p.xi)
	}
	p.x = c.xs - (c.xs-s)*c.decay
	p.xi = c.xi
	if p.x >= 1 {
		p.sum += p.x * p.xi
	}
}
