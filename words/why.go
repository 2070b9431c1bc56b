package words

import (
	"fmt"
	"math"
	"strings"

	"vertumna/core/cut"
)

// OnSlip says what a step does to a limb that was asked about.
func (s Speaker) OnSlip(c *cut.Step, id string) string {
	title := s.StepTitle(c.Candidate)
	for _, f := range c.Solves {
		if f.Limb == id || c.Limb == id {
			return fmt.Sprintf("On the slip: %s, for it is %s (%s).", title, s.Finding(f).Name, s.Finding(f).Says)
		}
	}
	return "On the slip: " + title + "."
}

// Waits says what was found on a limb, and why it waits.
func (s Speaker) Waits(c cut.Carried, summer bool) string {
	f := s.Finding(c.Finding)
	return fmt.Sprintf("Found: %s (%s); %s.", f.Name, f.Says, s.Why(c, summer))
}

// GoesWith says that a limb goes with another.
func (s Speaker) GoesWith(c cut.Candidate) string {
	return "It goes with another cut: " + s.StepTitle(c) + "."
}

// NothingFound says that a limb is left because nothing speaks against it.
func (s Speaker) NothingFound(held bool) string {
	if held {
		return "Nothing was found on it, and it is kept, protected or tied: no cut."
	}
	return "Nothing was found on it that an experienced eye would change; it bears, or fills its place."
}

// Worth is what a limb gives its tree as it stands.
type Worth struct {
	Limb           string
	Buds           float64 // fruit buds, about
	Light          float64 // of full light, 0..1
	TopCM, ReachCM float64
	Leafless       bool
}

// says tells a limb's worth in words: fruit buds, light, and whether its fruit is in reach.
func (s Speaker) worth(w Worth) string {
	out := []string{}
	switch n := math.Round(w.Buds); {
	case n < 1:
		out = append(out, "no fruit buds")
	case n == 1:
		out = append(out, "about one fruit bud")
	default:
		out = append(out, fmt.Sprintf("about %.0f fruit buds", n))
	}
	out = append(out, fmt.Sprintf("%.0f %% of full light", 100*w.Light))
	if w.TopCM > w.ReachCM {
		out = append(out, "its end "+s.Amount((w.TopCM-w.ReachCM), "cm")+" above reach")
	} else {
		out = append(out, "all of it in reach")
	}
	return strings.Join(out, ", ")
}

// Stays says what a limb that is left alone gives.
func (s Speaker) Stays(w Worth) string { return w.Limb + " has " + s.worth(w) + "." }

// Weighed says which limb goes in its stead, and why.
func (s Speaker) Weighed(c *cut.Step, w Worth) string {
	why := ""
	if len(c.Solves) > 0 {
		f := s.Finding(c.Solves[0])
		why = ": it is " + f.Name + " (" + f.Says + ")"
	}
	return fmt.Sprintf("Beside it %s%s. That one has %s.", s.StepTitle(c.Candidate), why, s.worth(w))
}
