package words

import (
	"fmt"
	"strings"

	"vertumna/core/training"
)

var scaffoldFaults = map[string]string{
	"fault": "dead, split or sick", "low": "too low", "narrow": "leaves too narrowly", "hanging": "hangs", "wall": "grows at the wall",
	"thick": "too thick for the leader",
}

var scaffoldTerms = map[string]string{
	"gap": "how evenly they stand round the trunk", "vertical": "their distance up the trunk", "angle": "their angles", "thickness": "thickness against the leader",
	"even": "even thickness", "wind": "a limb into the wind", "path": "the path", "low": "the height of the first", "fault": "slight faults", "number": "their number",
}

// Scaffolds says which shoots of a young tree become its main limbs, what the next best set would lose, and why others are out.
func (s Speaker) Scaffolds(c training.ScaffoldChoice) []string {
	var out []string
	switch c.Verdict {
	case "none":
		out = append(out, "None of its shoots would make a main limb yet: wait, notch or bend.")
	case "too_few":
		out = append(out, fmt.Sprintf("Only %s would make main limbs: %d more wanted.", strings.Join(c.Chosen, ", "), c.Missing))
	default:
		out = append(out, fmt.Sprintf("Main limbs: %s, from low to high (%.0f of 100 points). The others go, or are bent down and go later.", strings.Join(c.Chosen, ", "), *c.Score))
	}
	if c.RunnerUp != nil {
		loses := ""
		if len(c.RunnerUp.Loses) > 0 {
			loses = ": it loses most in " + scaffoldTerms[c.RunnerUp.Loses[0].Term]
		}
		out = append(out, fmt.Sprintf("Next best: %s, %.0f points%s.", strings.Join(c.RunnerUp.Chosen, ", "), c.RunnerUp.Score, loses))
	}
	for _, r := range c.Rejected {
		out = append(out, r.ID+": "+scaffoldFaults[r.Reason]+".")
	}
	if c.Verdict == "too_few" && c.FillAzimuthDeg != nil {
		out = append(out, fmt.Sprintf("The widest gap is %.0f degrees, to the %s: notch, bend or graft there.", *c.WidestGapDeg, Side(*c.FillAzimuthDeg)))
	}
	return out
}

// Renewal says in which winters the bearing limbs of a scaffold are renewed, from the one of a winter slip or after a summer one, and
// what must grow first.
func (s Speaker) Renewal(scaffold string, in training.Renewal, rota [][]string, summer bool) string {
	turns := []string{"this winter", "the next", "the one after"}
	if summer {
		turns[0] = "the coming winter"
	}
	var years, first []string
	for k, goes := range rota {
		if len(goes) > 0 {
			years = append(years, turns[min(k, len(turns)-1)]+" "+list(goes))
		}
	}
	for _, u := range in.Units {
		if u.Waits && u.AgeYears >= in.Cycle() {
			first = append(first, u.ID)
		}
	}
	var out []string
	if len(years) > 0 {
		out = append(out, strings.Join(years, "; "))
	}
	if len(first) > 0 {
		out = append(out, "let a shoot grow near the base of "+someOf(first)+" first")
	}
	if len(out) == 0 {
		return ""
	}
	return "Rota of " + scaffold + ": " + strings.Join(out, "; ") + "."
}

// someOf names the first few, and counts the rest.
func someOf(names []string) string {
	const told = 3
	if more := len(names) - told; more > 0 {
		return fmt.Sprintf("%s and %d more", strings.Join(names[:told], ", "), more)
	}
	return list(names)
}
