package cut

import (
	"vertumna/core/limb"
)

// A cut that never grows back is asked for twice when it is more than a twig; a free cut this large opens the crown; a
// caliper this many times off the map is likelier in another unit (our estimates).
const (
	foreverMM    = 20
	foreverShare = 0.02
	largeFree    = 0.10
	mostOff      = 2.5
	orderedStep  = 2 // sick wood and sprouts go without a second question
)

// Forever says whether a step takes for good what is more than a twig: it is asked for twice.
func (s *Step) Forever() bool {
	return s.GrowsBack == 0 && s.Step > orderedStep && (s.DMM >= foreverMM || s.Takes >= foreverShare)
}

// LargeFree says whether sick wood that does not count takes so much that the crown is opened.
func (s *Step) LargeFree() bool { return s.Step == sickStep && s.Takes >= largeFree }

// Free says whether a step does not count toward the limit.
func (s *Step) Free() bool { return s.Counted == 0 && (s.Takes > 0 || s.Step == sickStep) }

// Plausible says whether a wound measured by caliper, mm, can be that of a cut the map has as so thick.
func Plausible(caliper, mapped float64) bool {
	return caliper <= mostOff*mapped && caliper >= mapped/mostOff
}

// Waits says whether what is carried waits for a later slip; the rest is found again by itself, or left for good.
func (c Carried) Waits() bool {
	switch c.Why {
	case NoSafeCut, NoCut, LightAgain, SchoolNever, MovedByYou:
		return false
	}
	return true
}

// DueIn is the slip in which work that waits for a reason is due, as seen from the slip of a season.
func DueIn(why Why, from limb.Season) limb.Season {
	switch why {
	case OverToSummer, ZoneToSummer, DryWeather:
		return limb.Summer
	case NextYear, Lowered:
		return from
	case OtherSlip:
		if from != limb.Summer {
			return limb.Summer
		}
	}
	return limb.Dormant
}
