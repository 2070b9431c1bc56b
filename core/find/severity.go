package find

import "math"

// A ramp is how severe a finding is, 0 to 1: from at its threshold, by more until over beyond it, in the unit of what is measured.
// Source: limbs.md#3-findings; what goes beyond that page is our estimate.
type ramp struct{ from, by, over float64 }

func (r ramp) at(beyond float64) float64 { return r.from + r.by*clamp01(beyond/r.over) }

// Severities of findings that do not grow, and of the two steps of those that have two.
const (
	mild   = 0.4
	rather = 0.6
	grave  = 0.8
)

func clamp01(x float64) float64 { return math.Max(0, math.Min(1, x)) }
