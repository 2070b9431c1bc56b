package training

import (
	"fmt"

	"vertumna/core/given"
	"vertumna/core/num"
)

// TrialLog is a trial as its owner counts it: arms with a tag each, one of them left alone.
type TrialLog struct {
	Arms    []TrialArm `json:"arms" nullable:"false" minItems:"1" maxItems:"8"`
	LeftOut string     `json:"left_out,omitempty" maxLength:"500" doc:"which were left out of it, and why"`
}

// TrialArm is one treatment, or none.
type TrialArm struct {
	Tag     string      `json:"tag" maxLength:"60" doc:"what marks it: a colour, a knot"`
	What    string      `json:"what" maxLength:"60" doc:"notched, untreated, or what was tried"`
	Planned string      `json:"planned,omitempty" maxLength:"200"`
	Done    string      `json:"done,omitempty" maxLength:"200" doc:"how it was in fact"`
	Zones   []TrialZone `json:"zones" nullable:"false" minItems:"1" maxItems:"3"`
}

// TrialZone is a stretch of the stem with its buds, and how many broke.
type TrialZone struct {
	Zone  string `json:"zone" enum:"low,middle,top"`
	Buds  int    `json:"buds" minimum:"0" maximum:"10000"`
	Broke int    `json:"broke" minimum:"0" maximum:"10000"`
}

// Untreated names the arm that was left alone.
const Untreated = "untreated"

// ArmResult is an arm against the one left alone; of a zone, or of the whole where Zone is empty.
type ArmResult struct {
	Tag, What, Zone string
	TrialResult
}

// ReadArms reads a trial out, arm by arm and zone by zone, against the one left alone. Errors: given.Faults: no arm left alone, more
// broken than there were, an arm twice.
func ReadArms(t TrialLog) ([]ArmResult, error) {
	var fs given.Faults
	var control *TrialArm
	tags := map[string]bool{}
	for i := range t.Arms {
		a := &t.Arms[i]
		if a.What == Untreated {
			control = a
		}
		if tags[a.Tag] {
			fs.Add(given.Twice, fmt.Sprintf("trial.arms[%d].tag", i), fmt.Sprintf("%q", a.Tag), "a tag of its own")
		}
		tags[a.Tag] = true
		for j, z := range a.Zones {
			if z.Broke > z.Buds {
				fs.Add(given.Conflict, fmt.Sprintf("trial.arms[%d].zones[%d].broke", i, j), num.Text(float64(z.Broke)), "at most the "+num.Text(float64(z.Buds))+" buds there are")
			}
		}
	}
	if control == nil {
		fs.Add(given.Missing, "trial.arms", "none left alone", "one arm that is untreated: without it nothing is shown")
	}
	if err := fs.Err(); err != nil {
		return nil, err
	}
	var out []ArmResult
	for i := range t.Arms {
		a := &t.Arms[i]
		if a == control {
			continue
		}
		for _, zone := range []string{"", "low", "middle", "top"} {
			tb, tn := sumZone(a, zone)
			cb, cn := sumZone(control, zone)
			if tn == 0 || cn == 0 {
				continue
			}
			r, err := ReadTrial(Trial{Treated: tn, TreatedBroke: tb, Untreated: cn, UntreatedBroke: cb})
			if err != nil {
				return nil, err
			}
			out = append(out, ArmResult{a.Tag, a.What, zone, r})
		}
	}
	return out, nil
}

func sumZone(a *TrialArm, zone string) (broke, buds int) {
	for _, z := range a.Zones {
		if zone == "" || z.Zone == zone {
			broke, buds = broke+z.Broke, buds+z.Buds
		}
	}
	return broke, buds
}
