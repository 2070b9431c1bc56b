package words

import (
	"fmt"
	"math"
	"strings"

	"vertumna/core/cut"
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// TakesOver says who takes over where a main limb comes down.
func (s Speaker) TakesOver(t cut.Top) string {
	now := ""
	switch {
	case t.This == 0:
		return "it goes whole"
	case t.Heir != "":
		now = t.Heir + " takes over"
	case t.Bud:
		now = "a bud takes over"
	case t.This < t.Now-1:
		now = "its end goes"
	}
	switch {
	case t.Done == 0 && now == "":
		return "it goes whole when done"
	case t.Done == 0:
		return now + ", and it goes whole when done"
	case t.Later == "":
		return now
	case now == "":
		return t.Later + " takes over when it comes down"
	}
	return now + ", " + t.Later + " when done"
}

// near: heights this close are one, cm.
const near = 3

// Heights says how high a tree stands now, after this year's height cut, and when all is done. Centimetres.
func (s Speaker) Heights(now, this, done float64) string {
	m := s.Height
	switch {
	case this > now-near && done > now-near:
		return m(now) + " high"
	case done > this-near:
		return fmt.Sprintf("%s to %s this year", m(now), m(this))
	case this > now-near:
		return fmt.Sprintf("%s high, %s when done", m(now), m(done))
	}
	return fmt.Sprintf("%s to %s this year, %s when done", m(now), m(this), m(done))
}

// StillAbove says which limbs the years do not bring to reach, those with one reason together, and why.
func (s Speaker) StillAbove(above []cut.Above) []string {
	out := []string{}
	var reasons []cut.Why
	by := map[cut.Why][]cut.Above{}
	for _, a := range above {
		if by[a.Why] == nil {
			reasons = append(reasons, a.Why)
		}
		by[a.Why] = append(by[a.Why], a)
	}
	for _, why := range reasons {
		limbs := by[why]
		most := limbs[0]
		var ids []string
		for _, a := range limbs {
			if a.CM > most.CM {
				most = a
			}
			if len(ids) < mostNamed {
				ids = append(ids, a.Limb)
			}
		}
		told, over := list(ids), s.Tape(most.CM)+" above reach"
		if more := len(limbs) - len(ids); more > 0 {
			told = strings.Join(ids, ", ") + fmt.Sprintf(" and %d more", more)
		}
		if len(limbs) > 1 {
			over = "up to " + over
		}
		out = append(out, told+", "+over+": "+s.whyAbove(most)+".")
	}
	return out
}

// mostNamed limbs are named one by one.
const mostNamed = 4

func (s Speaker) whyAbove(a cut.Above) string {
	switch a.Why {
	case cut.GrewBack:
		return "cut each year, and grows back past the line"
	case cut.Outgrows:
		return fmt.Sprintf("more of the crown grows above reach in a year (%s) than the stop line lets go (%s)", s.Amount(a.Grows, "share"), s.Amount(a.Limit, "share"))
	}
	return s.Why(cut.Carried{Why: a.Why, CM: a.Now}, true)
}

// Needs says at which limit a tree would come to reach and be held, where the chosen one does not do it.
func (s Speaker) Needs(f cut.Forecast) string {
	switch {
	case f.Held >= 0:
		return ""
	case f.Needs == "":
		return "No yearly limit up to 33 % brings it to reach in these years: give it more of them, a ladder, or a tree on a weaker root in its place."
	}
	return fmt.Sprintf("With a stop line of %s it would come to reach in these years.", s.Amount(f.Needs.Share(), "share"))
}

// Held says from which year on the tree is held, and what a year of holding comes to.
func (s Speaker) Held(f cut.Forecast, firstYear int) string {
	if f.Held < 0 {
		return ""
	}
	minutes, share, n := 0.0, 0.0, 0.0
	for _, r := range f.Rows[f.Held:] {
		minutes, share, n = minutes+r.Minutes, share+r.Account, n+1
	}
	return fmt.Sprintf("Held from %d on: about %s and %s of the crown a year.", firstYear+f.Held, s.Minutes(math.Ceil(minutes/n)), s.Amount(share/n, "share"))
}

// Replace sets keeping a tree against replacing it.
func (s Speaker) Replace(years, toFull int, keep, fresh float64) string {
	return fmt.Sprintf("Over %d years this tree bears about %s; a new one in its place about %s, and its full crop in year %d.",
		years, s.Amount(keep, "kg"), s.Amount(fresh, "kg"), toFull)
}

// MissedSlip says what is taken of a tree whose last slip's season passed without a cut in the journal.
func MissedSlip(summer bool) string {
	last := "summer"
	if summer {
		last = "winter"
	}
	return "No cut of the " + last + " is in the journal: the tree is taken as it grew on uncut. If it was cut, log it with its day."
}

// HalfName names a half of a growth year.
func HalfName(season limb.Season, year int) string {
	if season == limb.Summer {
		return fmt.Sprintf("the summer of %d", year)
	}
	return fmt.Sprintf("the winter before %d", year)
}

// CarryOn says that a map of an earlier season can be carried on to today.
func CarryOn(season limb.Season, year int) string {
	return "This map is of " + HalfName(season, year) + "; the tree has grown since. Carried on, it stands as the model grows it, to be corrected where it differs: then slips of today can be decided and logged."
}

// Reach says what the reach line is made from: the person's fingertips and how the school holds a tree by them; fingertips of 0 are a guess.
func (s Speaker) Reach(fingertipCM, reachM float64, choice string) string {
	who := "Your fingertips reach " + s.Amount(fingertipCM/100, "m")
	if fingertipCM <= 0 {
		who = "Nobody's reach was measured: fingertips at " + s.Amount(pomology.GuessFingertipCM/100.0, "m") + " are taken"
	}
	to := s.Amount(reachM, "m")
	switch choice {
	case "shoulder":
		return who + "; fruit is held to the shoulder, " + to + "."
	case "150-cm":
		return "Fruit is held to " + to + ", whoever picks it."
	case "ladder":
		return who + "; with the ladder fruit is held to " + to + "."
	}
	return who + "; fruit is held a hand and a fruit lower, to " + to + "."
}
