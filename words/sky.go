package words

import (
	"fmt"
	"strings"

	"vertumna/core/almanac"
)

// workNames are the kinds of work that weather is judged for.
var workNames = map[almanac.Purpose]string{
	almanac.WinterPome: "dormant cuts", almanac.WinterStone: "stone fruit cuts", almanac.BudCut: "cuts in bud",
	almanac.SummerPome: "summer cuts", almanac.SummerStone: "stone fruit in leaf", almanac.Thinning: "thinning",
}

// WorkOf names a kind of work.
func WorkOf(p almanac.Purpose) string { return workNames[p] }

// unfit are the reasons against a day, as they stand in a cell.
var unfit = map[string]string{
	"rain": "rain", "cold": "too cold", "hot": "too hot", "wind": "wind", "rain_after": "rain after", "unknown_after": "not known yet",
}

// WhyUnfit is the reason against a day; empty for a fit one.
func WhyUnfit(why string) string { return unfit[why] }

// sentences of the reasons, for the wait until the first fit day.
var waits = map[string]string{
	"rain": "it rains", "cold": "it is too cold", "hot": "it is too hot", "wind": "the wind is too strong", "rain_after": "rain comes before wounds are dry", "unknown_after": "the days after are not known",
}

// weekdays, Sunday first.
var weekdays = [7]string{"Sunday", "Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday"}

// NextFit says when the first fit day is, and why it is not sooner.
func (s Speaker) NextFit(p almanac.Purpose, days []almanac.FitDay) string {
	name := workNames[p]
	for i, d := range days {
		if !d.Fit {
			continue
		}
		if i == 0 {
			return fmt.Sprintf("Today is fit for %s.", name)
		}
		return fmt.Sprintf("For %s the first fit day is %s %s: today %s.", name, weekdays[d.Date.Weekday()], s.Day(d.Date), waits[days[0].Why])
	}
	return fmt.Sprintf("No day of this fortnight is fit for %s: today %s.", name, waits[days[0].Why])
}

// StandsOn says what the dates are worked out from.
func (s Speaker) StandsOn(known, ahead int, stale bool) string {
	switch {
	case known == 0 && ahead == 0:
		return "No weather is known here: dates stand on the usual weather of the place, and on what you saw."
	case ahead == 0 || stale:
		return "The station is silent: dates stand on the days that were known, then on usual weather."
	}
	return "Dates stand on the days as they were, then the forecast, then many years of usual weather."
}

// FrostNight warns of a night that hurts what is open, with what can be done.
func (s Speaker) FrostNight(night almanac.Day, tmin float64, codes []string) string {
	return fmt.Sprintf("Frost of %s on the night to %s %s would kill flowers or young fruit on %s. Cover what can be covered, wet the ground the day before, and put off cutting; the morning after, open twenty buds and count.",
		s.Amount(tmin, "C"), weekdays[night.Weekday()], s.Day(night), strings.Join(codes, ", "))
}

// Storm asks for a look at what is tied.
func (s Speaker) Storm(day almanac.Day, kmh float64) string {
	return fmt.Sprintf("Gusts of %s on %s %s: look at stakes, ties, props and spreaders before it and after it, and climb nothing.", s.Amount(kmh, "km/h"), weekdays[day.Weekday()], s.Day(day))
}

// Differs says how the plot stands against the station; empty where nothing was learnt.
func (s Speaker) Differs(d almanac.Differ) string {
	if d.Days == 0 || d.Tmin == 0 && d.Tmax == 0 {
		return ""
	}
	part := func(x float64, warm, cold string) string {
		if s.Units == US {
			x *= 1.8
		}
		switch {
		case x > 0:
			return fmt.Sprintf("%s° %s", trim(x, 1), warm)
		case x < 0:
			return fmt.Sprintf("%s° %s", trim(-x, 1), cold)
		}
		return "the same"
	}
	return fmt.Sprintf("By %s you read here, nights are %s and days %s than the station says: its days and its forecast are shown with that.",
		plural(d.Days, "day"), part(d.Tmin, "warmer", "colder"), part(d.Tmax, "warmer", "colder"))
}

// FileDiffers doubts a file of days that is far off what was known; empty where it is not.
func (s Speaker) FileDiffers(both, differ int, share, offC float64) string {
	if both == 0 || float64(differ) < share*float64(both) {
		return ""
	}
	return fmt.Sprintf("On %d of the %d days that were known it is over %s off what the station said. It counts before the station: is it of this place?", differ, both, s.degrees(offC))
}

// Heat warns of days too hot for work on live wood.
func (s Speaker) Heat(day almanac.Day, tmax float64) string {
	return fmt.Sprintf("Up to %s on %s %s: no cuts in leaf and nothing bent, bared bark burns; water young trees and tubs in the morning.", s.Amount(tmax, "C"), weekdays[day.Weekday()], s.Day(day))
}
