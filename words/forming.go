package words

import (
	"fmt"
	"math"
	"slices"
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

var renewalReasons = map[string]string{"locked": "tied or protected", "count": "enough for this year", "limit": "past the limit"}

// Renewal says which bearing limbs of a scaffold are renewed this year.
func (s Speaker) Renewal(scaffold string, p training.RenewalPlan) string {
	if len(p.Cuts) == 0 && len(p.Left) == 0 {
		return ""
	}
	var goes, stay []string
	for _, c := range p.Cuts {
		how := "at its collar, its successor stands"
		if c.StubMM > 0 {
			how = "to a stub of " + s.Amount(math.Round(c.StubMM), "mm")
		}
		goes = append(goes, c.ID+" "+how)
	}
	for _, l := range p.Left {
		if len(stay) < 3 {
			stay = append(stay, l.ID+" ("+renewalReasons[l.Reason]+")")
		}
	}
	says := scaffold + ": "
	if len(goes) > 0 {
		says += strings.Join(goes, "; ")
	} else {
		says += "nothing this year"
	}
	if len(stay) > 0 {
		says += "; due and left: " + strings.Join(slices.Compact(stay), ", ")
	}
	return says + "."
}
