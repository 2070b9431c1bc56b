package words

import (
	"fmt"
	"strings"

	"vertumna/core/almanac"
	"vertumna/core/year"
)

// SightPart is a stretch of the sentence of what a grower sees, and what it is of: apples, peach, frost, or nothing.
type SightPart struct {
	Text string `json:"text"`
	Of   string `json:"of,omitempty" enum:"apples,peach,frost"`
}

// Sight says what a grower sees of a place's year, to hold against what they remember.
func Sight(s *year.Sight) []SightPart {
	span := func(from, to almanac.Day) string { return Speaker{}.Day(from) + " to " + Speaker{}.Day(to) }
	var out []SightPart
	add := func(text, of string) { out = append(out, SightPart{text, of}) }
	if s.ApplesFrom.Known() {
		add("Middle apples ripen here ", "")
		add(span(s.ApplesFrom, s.ApplesTo), "apples")
	} else {
		add("Middle apples do not ripen here", "apples")
	}
	if s.LastFrost.Known() {
		add(", the last frost falls about ", "")
		add(Speaker{}.Day(s.LastFrost), "frost")
	} else {
		add(", most years have no frost in spring", "")
	}
	if s.PeachFrom.Known() {
		add(", peach flowers ", "")
		add(span(s.PeachFrom, s.PeachTo), "peach")
	}
	add(": does that fit?", "")
	return out
}

// Winters says how long a place is free of frost, how cold a winter comes, and what does not ripen.
func (sp Speaker) Winters(s *year.Sight) string {
	out := "No frost in most years."
	if s.FreeDays < 365 {
		out = fmt.Sprintf("%d days without frost.", s.FreeDays)
	}
	cold, unit := s.ColdNightC, "°C"
	if sp.Units == US {
		cold, unit = 1.8*cold+32, "°F"
	}
	out += strings.Replace(fmt.Sprintf(" The coldest night of ten winters: about %.0f %s.", cold, unit), "-", "−", 1)
	if n := len(s.Unripe); n > 0 {
		names := make([]string, n)
		for i, u := range s.Unripe {
			names[i] = strings.ToLower(u)
		}
		out += " In most years these do not ripen: " + strings.Join(names, ", ") + "."
	}
	return out
}
