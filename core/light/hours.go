package light

// SunClass is what the hours of sun of a spot are good for.
type SunClass string

// The classes of sun, the best first.
const (
	FullSun   SunClass = "full"
	EnoughSun SunClass = "enough"
	LeanSun   SunClass = "lean"
	PoorSun   SunClass = "poor"
)

// Hours of clear-sky sun a day, mean of the growing season, from which a fruit tree has full, enough or lean sun (common
// practice; the bounds are our estimates).
const (
	fullHours   = 7
	enoughHours = 5
	leanHours   = 3.5
)

// SunOf classes hours of sun a day.
func SunOf(hours float64) SunClass {
	switch {
	case hours >= fullHours:
		return FullSun
	case hours >= enoughHours:
		return EnoughSun
	case hours >= leanHours:
		return LeanSun
	}
	return PoorSun
}

// How a person's own count of sun hours stands beside the computed ones.
const (
	CountsAgree = "agree"
	CountedLess = "less"
	CountedMore = "more"
)

// agreeWithin is how far apart the two may be, hours (est.): clear days differ, and the computed ones are a mean.
const agreeWithin = 1.25

// Beside compares a person's own count with the computed hours of sun a day.
func Beside(own, computed float64) string {
	switch {
	case own < computed-agreeWithin:
		return CountedLess
	case own > computed+agreeWithin:
		return CountedMore
	}
	return CountsAgree
}
