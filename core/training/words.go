package training

import (
	"slices"

	"vertumna/core/given"
	"vertumna/core/limb"
)

// ShootWord is what a person says of a shoot on the trunk of a young tree.
type ShootWord struct {
	Limb     string  `json:"limb" maxLength:"60"`
	Mark     string  `json:"mark,omitempty" enum:"keep,doubt,out"`
	AngleDeg float64 `json:"angle_deg,omitempty" minimum:"0" maximum:"180" doc:"as it would stand once bent"`
}

// BudWord is how a bud of the stem stands, as a person saw it.
type BudWord struct {
	Bud   string `json:"bud" maxLength:"20"`
	State string `json:"state" enum:"opening,broken,dead" doc:"broken: it grows by itself; one that is asleep is not named"`
}

// Heed puts a person's words on the shoots of a choice. A word on what is no shoot of it any more is left out.
func (in *Scaffolds) Heed(words []ShootWord) {
	for _, w := range words {
		at := slices.IndexFunc(in.Candidates, func(c ScaffoldCandid) bool { return c.ID == w.Limb })
		if at < 0 {
			continue
		}
		c := &in.Candidates[at]
		switch w.Mark {
		case "keep":
			c.Keep = true
		case "doubt":
			c.Fault = "slight"
		case "out":
			c.Fault, c.Keep = "bad", false
		}
		if w.AngleDeg > 0 {
			c.AngleDeg = w.AngleDeg
		}
	}
}

// Known tells the words that are on no shoot of a choice. Errors: given.Faults.
func (in *Scaffolds) Known(words []ShootWord) error {
	var fs given.Faults
	for _, w := range words {
		if !slices.ContainsFunc(in.Candidates, func(c ScaffoldCandid) bool { return c.ID == w.Limb }) {
			fs.Add(given.Conflict, "marks."+w.Limb, w.Limb, "a shoot on the trunk")
		}
	}
	return fs.Err()
}

// heed puts a person's word on a shoot that could be an arm.
func (c *ArmCandidate) heed(words []ShootWord) {
	for _, w := range words {
		if w.Limb != c.ID {
			continue
		}
		switch {
		case w.Mark == "out":
			c.Fault = "bad"
		case w.Mark == "doubt" && c.Fault == "none":
			c.Fault = "slight"
		case w.Mark == "keep":
			c.Keep = true
		}
	}
}

// KnownArms tells the words that are on no shoot of a flat tree's stem. Errors: given.Faults.
func KnownArms(m *limb.Map, words []ShootWord) error {
	var fs given.Faults
	for _, w := range words {
		if i := m.Index(w.Limb); i < 0 || m.Axes[i].Parent < 0 || !m.IsStem(m.Axes[i].Parent) {
			fs.Add(given.Conflict, "marks."+w.Limb, w.Limb, "a shoot on the trunk")
		}
	}
	return fs.Err()
}
