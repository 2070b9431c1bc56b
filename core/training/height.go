package training

import (
	"math"
	"slices"

	"vertumna/core/given"
	"vertumna/core/num"
)

// Bounds are what holds a tree's height: the hand, the rows, the light.
type Bounds struct {
	RowDistanceCM *float64 `json:"row_distance_cm,omitempty" in:"? [50,2000]"`
	LightCapCM    *float64 `json:"light_cap_cm,omitempty" in:"? [50,2000]"`
	ReachCM       *float64 `json:"reach_cm,omitempty" in:"? [60,600]"`
	FingertipCM   *float64 `json:"fingertip_cm,omitempty" in:"? [80,320]"`
}

// HeightCap asks how high a tree may stand.
type HeightCap struct {
	Bounds
	HeightCM *float64 `json:"height_cm,omitempty" in:"? (0,2000]"`
}

// Capped is the answer: the cap, what binds it, and by how much the tree stands over it.
type Capped struct {
	CapCM     float64  `json:"cap_cm"`
	Binding   string   `json:"binding"`
	RowRuleCM *float64 `json:"row_rule_cm"`
	OverCM    *float64 `json:"over_cm"`
	Warnings  []string `json:"warnings"`
}

const (
	// RowRule is the rule of thumb: a tree stands no higher than this part of the distance to the next row.
	RowRule   = 0.9
	belowTips = 30
)

// CapHeight is the lowest of reach, nine tenths of the row distance, and what the light allows. Errors: given.Faults.
func CapHeight(in HeightCap) (Capped, error) {
	fs := given.Check(in)
	in.check(&fs)
	if len(fs) > 0 {
		return Capped{}, fs
	}
	out := in.capped()
	if in.HeightCM != nil {
		over := math.Max(0, *in.HeightCM-out.CapCM)
		out.OverCM = &over
	}
	return out, nil
}

func (b Bounds) check(fs *given.Faults) {
	if b.ReachCM == nil && b.FingertipCM == nil {
		fs.Add(given.Missing, "reach_cm", "none", "the picking height, or the fingertip height")
	}
}

func (b Bounds) capped() Capped {
	reach := given.Or(b.ReachCM, given.Or(b.FingertipCM, 0)-belowTips)
	out := Capped{CapCM: reach, Binding: "reach", Warnings: []string{}}
	if b.RowDistanceCM != nil {
		row := RowRule * *b.RowDistanceCM
		out.RowRuleCM = &row
		if row < out.CapCM-num.Slack {
			out.CapCM, out.Binding = row, "row"
		}
	}
	if b.LightCapCM != nil && *b.LightCapCM < out.CapCM-num.Slack {
		out.CapCM, out.Binding = *b.LightCapCM, "light"
	}
	if out.Binding != "reach" {
		out.Warnings = append(out.Warnings, "W_BELOW_REACH")
	} else if b.RowDistanceCM != nil && *out.RowRuleCM > reach+num.Slack || b.LightCapCM != nil && *b.LightCapCM > reach+num.Slack {
		out.Warnings = append(out.Warnings, "W_REACH_BELOW_ROW")
	}
	slices.Sort(out.Warnings)
	return out
}

// LeaderStop asks where the leader of a modified leader ends.
type LeaderStop struct {
	Bounds
	TopScaffoldCM float64 `json:"top_scaffold_cm" in:"[30,600]"`
}

// Stop is the answer: the window above the top scaffold, and whether it fits under the cap.
type Stop struct {
	LowCM       float64 `json:"stop_low_cm"`
	HighCM      float64 `json:"stop_high_cm"`
	Fits        bool    `json:"fits"`
	CapCM       float64 `json:"cap_cm"`
	Binding     string  `json:"binding"`
	TopAtMostCM float64 `json:"top_scaffold_at_most_cm"`
	OverCM      float64 `json:"over_cm"`
}

const stopLow, stopHigh = 45, 50

// StopLeader is 45 to 50 cm above the top scaffold, its upper end not over the cap. Errors: given.Faults.
func StopLeader(in LeaderStop) (Stop, error) {
	fs := given.Check(in)
	in.check(&fs)
	if len(fs) > 0 {
		return Stop{}, fs
	}
	c := in.capped()
	top := in.TopScaffoldCM
	out := Stop{LowCM: top + stopLow, HighCM: math.Min(top+stopHigh, c.CapCM), CapCM: c.CapCM, Binding: c.Binding, TopAtMostCM: c.CapCM - stopLow}
	out.OverCM = math.Max(0, out.LowCM-c.CapCM)
	out.Fits = out.OverCM <= num.Slack
	if !out.Fits {
		out.HighCM = top + stopHigh
	}
	return out, nil
}
