package words

import (
	"fmt"
	"strings"

	"vertumna/core/find"
	"vertumna/core/growth"
	"vertumna/core/limb"
)

var cameVerdicts = map[string]string{
	growth.AsForecast: "It grew as forecast.", growth.Stronger: "It grew more than forecast: cut it less in winter and more in summer.",
	growth.Weaker: "It grew less than forecast: look at water, crop and roots before you cut more.",
}

// Came says a forecast beside what came.
func (s Speaker) Came(c growth.Came) string {
	one := func(x growth.Seen) string {
		return s.Amount(x.HeightCM/100, "m") + " high, shoots of " + s.Tape(x.ShootCM) + ", " + s.Amount(float64(x.Sprouts), "sprouts")
	}
	return "Forecast: " + one(c.Forecast) + ". Came: " + one(c.Came) + ". " + cameVerdicts[c.Verdict]
}

// Answer says what grew about a cut, beside its forecast.
func (s Speaker) Answer(a growth.Answer) string {
	one := func(x growth.Shoots) string {
		if x.N == 0 {
			return "none"
		}
		return s.Amount(float64(x.N), "shoots") + ", the longest " + s.Tape(x.LongestCM)
	}
	return cutShort[a.Kind] + "; forecast " + one(a.Forecast) + "; came " + one(a.Came) + "."
}

// cutShort names what was done, for a line of the past.
var cutShort = map[limb.CutKind]string{
	limb.Collar: "taken off", limb.SideBranch: "back to a side branch", limb.SoundWood: "back into sound wood", limb.AboveBud: "headed above a bud",
	limb.Stub: "to a stub", limb.TipThird: "shortened by a third", limb.FiveLeaves: "to five leaves", limb.FruitBud: "above a fruit bud",
	limb.SpurBack: "spurred back", limb.ToFruits: "to its fruit",
}

// Fellows says which main limb has outgrown the others, and which lags; empty where they are even.
func (s Speaker) Fellows(f find.Fellows) string {
	var out []string
	mm := func(x float64) string { return s.Amount(x, "mm") }
	switch {
	case f.Ahead == "":
	case f.AheadMM > f.OthersMM*1.2:
		out = append(out, fmt.Sprintf("%s is ahead of its fellows: %s thick, the others about %s. Cut it back the most, and leave the weak ones long: what is cut least grows most.", f.Ahead, mm(f.AheadMM), mm(f.OthersMM)))
	default:
		out = append(out, fmt.Sprintf("%s stands above its fellows: %s high, the others about %s. Bring it down to them first.", f.Ahead, s.Height(f.AheadTop), s.Height(f.OtherTop)))
	}
	if f.Behind != "" {
		out = append(out, fmt.Sprintf("%s lags behind: %s thick, the others about %s. Leave it long and upright until it has caught up.", f.Behind, mm(f.BehindMM), mm(f.OthersMM)))
	}
	return strings.Join(out, " ")
}

// Course says how a limb fared over the years it was mapped in; empty where it fares well.
func (s Speaker) Course(id string, c find.Course) string {
	switch {
	case c.Sinks:
		return fmt.Sprintf("%s sinks: its end turned from %.0f to %.0f degrees from vertical since %d, and sinks further under each crop. Take it out or back to an upright side shoot in winter; if it bears once more, prop it first.", id, c.FromDeg, c.ToDeg, c.Since)
	case c.Struggles:
		return fmt.Sprintf("%s struggles: %s thicker since %d, and no shoot longer than %s. Look for what ails it (canker, borers, shade) while it is in leaf, and mark it weak.", id, s.Amount(max(0, c.GrewMM), "mm"), c.Since, s.Tape(c.RingCM))
	}
	return ""
}

// WayIn says from which side an arm reaches the middle of a tree, and what is to go first where none does.
func WayIn(w find.WayIn) string {
	between := fmt.Sprintf("between %s and %s", w.Between[0], w.Between[1])
	if w.GapDeg < find.ArmGapDeg {
		return fmt.Sprintf("No arm gets into the middle: its main limbs stand %.0f° apart at most, %s. Work from outside in, and take what goes whole first.", w.GapDeg, between)
	}
	return fmt.Sprintf("Reach in from the %s, %s: there its main limbs stand widest apart (%.0f°).", Side(w.AzimuthDeg), between, w.GapDeg)
}

// Enough says that a tree passed all end tests on a day: what of its slip is made all the same, and that the rest may stand.
func Enough(on string, must, all int) string {
	says := "It passed every end test on " + on + ": a tree that is good enough is left alone."
	switch {
	case all == 0:
		return says
	case must == 0:
		return says + " What stands here may wait."
	case must == all:
		return says + " What stands here is sick, a sucker or out of reach: that goes all the same."
	case must == 1:
		return says + fmt.Sprintf(" One of these %d cuts takes what is sick, a sucker or out of reach; the others may wait.", all)
	}
	return says + fmt.Sprintf(" %d of these %d cuts take what is sick, a sucker or out of reach; the others may wait.", must, all)
}
