package words

import (
	"math"
	"regexp"
	"strconv"
	"strings"
)

// amounts are the measures of our own sentences, which are written in metric: a number or a span, and its unit.
var amounts = regexp.MustCompile(`([-−]?\d+(?:\.\d+)?)(?:(-| to | or )([-−]?\d+(?:\.\d+)?))? (mm|cm|m|kg|km/h|°C)\b`)

// Own tells a fixed sentence in the person's units: its amounts are rules of thumb, and are rounded as one would say them.
func (s Speaker) Own(says string) string { return s.inUnits(says, ruleOfThumb) }

// Owns tells fixed sentences in the person's units.
func (s Speaker) Owns(says []string) []string {
	out := make([]string, len(says))
	for i, one := range says {
		out[i] = s.Own(one)
	}
	return out
}

// Measured tells a sentence with measured amounts in the person's units, as exactly as a tape has them.
func (s Speaker) Measured(says string) string { return s.inUnits(says, tape{inches, feet}) }

// tape says inches, and longer ones as feet.
type tape struct{ short, long func(in float64) string }

// ruleOfThumb is a tape that nobody reads closely: whole feet.
var ruleOfThumb = tape{thumb, func(in float64) string { return trim(math.Max(1, math.Round(in/footIn)), 0) + " ft" }}

func (s Speaker) inUnits(says string, as tape) string {
	if s.Units != US {
		return says
	}
	return amounts.ReplaceAllStringFunc(says, func(amount string) string {
		m := amounts.FindStringSubmatch(amount)
		from, unit := s.told(m[1], m[4], as)
		to, _ := s.told(m[3], m[4], as)
		if m[3] == "" || to == from {
			return from + unit
		}
		if m[2] == "-" && m[4] != "°C" { // "1/2-3/4 in" reads badly
			m[2] = " to "
		}
		return from + m[2] + to + unit
	})
}

// told is a number of a sentence in US units, and their name.
func (s Speaker) told(number, unit string, as tape) (amount, name string) {
	if number == "" {
		return "", ""
	}
	x, _ := strconv.ParseFloat(strings.Replace(number, "−", "-", 1), 64) // a number, as the pattern has it
	switch unit {
	case "mm":
		return as.short(x / mmPerInch), " in"
	case "cm":
		return as.short(10 * x / mmPerInch), " in"
	case "m": // feet and inches carry their own names
		return as.long(math.Round(1000 * x / mmPerInch)), ""
	}
	amount, name, _ = strings.Cut(s.Amount(x, unitNames[unit]), " ")
	return amount, " " + name
}

const mmPerInch = 25.4

// unitNames are units as Amount knows them.
var unitNames = map[string]string{"kg": "kg", "km/h": "km/h", "°C": "C"}

// thumb says inches as a rule of thumb has them: to the eighth below one, to the quarter below two, to the half below four, whole beyond.
func thumb(x float64) string {
	parts := 1.0
	switch {
	case x == 0:
		return "0"
	case x < 1:
		parts = 8
	case x < 2:
		parts = 4
	case x < 4:
		parts = 2
	}
	return inches(math.Max(1, math.Round(x*parts)) / parts)
}
