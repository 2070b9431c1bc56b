// Package words puts evidence into plain sentences, once, for all who speak to a person: screens, the calendar, printed
// sheets. It holds every sentence of the job and the person's units; it decides nothing. Lengths come in metres,
// centimetres or millimetres as named, temperatures in degrees Celsius.
package words

import (
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"

	"vertumna/core/almanac"
	"vertumna/core/given"
)

// Units a person reads.
type Units string

// The two systems.
const (
	Metric Units = "metric"
	US     Units = "us"
)

// Speaker puts evidence into the words and units of one person. The zero value speaks metric.
type Speaker struct {
	Units    Units
	Straight bool // cuts above a bud are made straight across, as the school has it
}

var months = [12]string{"January", "February", "March", "April", "May", "June", "July", "August", "September", "October", "November", "December"}

// Day says a date without its year, as "9 March".
func (s Speaker) Day(d almanac.Day) string {
	if !d.Known() {
		return "a day not yet known"
	}
	_, m, day := d.Date()
	return fmt.Sprintf("%d %s", day, months[m-1])
}

// Amount says a number in its unit: m, cm, mm, C, share, kg and counted things.
func (s Speaker) Amount(x float64, unit string) string {
	switch unit {
	case "year":
		return trim(x, 0)
	case "fruit": // one or many
		return trim(x, 0) + " fruit"
	case "share":
		if x > 0 && x < 0.005 {
			return "under 1 %"
		}
		return fmt.Sprintf("%.0f %%", x*100)
	case "m":
		if s.Units == US {
			return feet(math.Round(x / 0.0254))
		}
		return trim(x, 2) + " m"
	case "cm":
		if s.Units == US {
			return inches(x/2.54) + " in"
		}
		return trim(x, 1) + " cm"
	case "mm":
		if s.Units == US {
			return inches(x/25.4) + " in"
		}
		return trim(x, 0) + " mm"
	case "C":
		if s.Units == US {
			return trim(x*9/5+32, 0) + " °F"
		}
		return trim(x, 1) + " °C"
	case "kg":
		if s.Units == US {
			return trim(x*2.20462, 1) + " lb"
		}
		return trim(x, 1) + " kg"
	case "km/h":
		if s.Units == US {
			return trim(x*0.621371, 0) + " mph"
		}
		return trim(x, 0) + " km/h"
	case "deg":
		return trim(x, 0) + " degrees"
	case "":
		return trim(x, 1)
	}
	if math.Abs(x) == 1 {
		unit = strings.TrimSuffix(unit, "s")
	}
	return trim(x, 1) + " " + unit
}

// Tape says a length as a tape has it: to the centimetre, or as inches are told. A length rounded before would be rounded twice.
func (s Speaker) Tape(cm float64) string {
	if s.Units != US {
		cm = math.Round(cm)
	}
	return s.Amount(cm, "cm")
}

// feet says whole inches as feet and inches; below a foot, as inches alone.
func feet(in float64) string {
	switch {
	case in < 0:
		return "-" + feet(-in)
	case in < footIn:
		return fmt.Sprintf("%.0f in", in)
	}
	return fmt.Sprintf("%.0f ft %.0f in", math.Floor(in/footIn), math.Mod(in, footIn))
}

// Inches are told as a tape has them: to the eighth below a foot, to the half below four, whole beyond.
const (
	footIn     = 12
	fourFeetIn = 48
)

func inches(x float64) string {
	if x < 0 {
		return "-" + inches(-x)
	}
	parts := 1.0
	switch {
	case x < footIn:
		parts = 8
	case x < fourFeetIn:
		parts = 2
	}
	n := math.Round(x * parts)
	if n == 0 && x > 0 {
		return "under 1/8"
	}
	whole, rest := math.Floor(n/parts), int(math.Mod(n, parts))
	if rest == 0 {
		return trim(whole, 0)
	}
	of := int(parts)
	for rest%2 == 0 {
		rest, of = rest/2, of/2
	}
	if whole == 0 {
		return fmt.Sprintf("%d/%d", rest, of)
	}
	return fmt.Sprintf("%.0f %d/%d", whole, rest, of)
}

// Height says a height given in centimetres, always to the centimetre, so that heights compare.
func (s Speaker) Height(cm float64) string {
	if s.Units == US {
		return s.Amount(cm/100, "m")
	}
	return fmt.Sprintf("%.2f m", cm/100)
}

// trim prints a number with at most so many decimals and no trailing zeros.
func trim(x float64, decimals int) string {
	t := strconv.FormatFloat(x, 'f', decimals, 64)
	if strings.Contains(t, ".") {
		t = strings.TrimRight(strings.TrimRight(t, "0"), ".")
	}
	if t == "-0" {
		t = "0"
	}
	return t
}

// HeightMarks are the marks of a scale of heights: so far apart, in cm, and what stands at each: half metres, or every second foot.
func (s Speaker) HeightMarks() (step float64, says func(cm float64) string) {
	if s.Units != US {
		return 50, s.Height
	}
	const twoFeet = 2 * footIn * mmPerInch / 10
	return twoFeet, func(cm float64) string { return fmt.Sprintf("%.0f ft", 2*cm/twoFeet) }
}

// Minutes says a span of work, as "1 h 50" or "35 min".
func (s Speaker) Minutes(m float64) string {
	whole := int(math.Round(m/5) * 5)
	if m > 0 && whole == 0 {
		whole = 5
	}
	if whole < 60 {
		return fmt.Sprintf("%d min", whole)
	}
	if whole%60 == 0 {
		return fmt.Sprintf("%d h", whole/60)
	}
	return fmt.Sprintf("%d h %02d", whole/60, whole%60)
}

// Faults says what is wrong or odd in a person's units: lengths and weights in its words are metric until here.
func (s Speaker) Faults(fs given.Faults) given.Faults {
	if s.Units != US {
		return fs
	}
	out := slices.Clone(fs)
	for i := range out {
		out[i].Given, out[i].Expected = s.Measured(out[i].Given), s.Measured(out[i].Expected)
	}
	return out
}
