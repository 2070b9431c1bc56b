package find

// A ramp is how severe a finding is, 0 to 1: from at its threshold, by more until over beyond it, in the unit of what is measured.
// Source: limbs.md#3-findings; what goes beyond that page is our estimate.
type ramp struct{ from, by, over float64 }

func (r ramp) at(beyond float64) float64 { return r.from + r.by*clamp01(beyond/r.over) }

// ramps are the severities of the findings that grow with what was measured.
var ramps = map[Code]ramp{
	Fork:         {0.4, 0.3, 0.25}, // ratio of thicknesses over the threshold
	TierGap:      {0.3, 0.5, 1},    // part of the wanted gap that is missing
	Crowsfoot:    {0.4, 0.6, 6},    // shoots over three
	OverLong:     {0.3, 0.5, 1},    // median lengths over the limit
	TopHeavy:     {0.3, 0.7, 1},    // ratio of widths over the limit
	WaterSprout:  {0.4, 0.6, 150},  // cm long
	Inward:       {0.4, 0.6, 0.5},  // ratio over the limit
	Hanging:      {0.4, 0.6, 60},   // degrees past level and ten
	TooLow:       {0.3, 0.7, 1},    // part of the limit below it
	NarrowCrotch: {0.8, 0.2, 20},   // degrees under the hard limit
	ThickSide:    {0.4, 0.6, 0.35}, // ratio over the limit
	Competitor:   {0.6, 0.4, 1},    // of the leader's last season, over its half
	OverHeight:   {0.3, 0.7, 100},  // cm over reach
	TooOld:       {0.4, 0.4, 1},    // part of the new wood that is missing
	OldUpright:   {0.4, 0.6, 250},  // cm long
	CentreClosed: {0.4, 0.4, 1},    // part of a hat that does not pass
	LongBearer:   {0.3, 0.4, 1},    // part of the shoot that goes
	Barren:       {0.3, 0.5, 1},    // part of the limb that is bare
	SpursCrowded: {0.3, 0.5, 1},    // times too many
	OutOfPlane:   {0.4, 0.5, 1},    // of what is left to straight across
	TooManyLimbs: {0.5, 0.4, 4},    // limbs too many
	LeaderLong:   {0.3, 0.5, 100},  // cm too long
	OverPath:     {0.5, 0.5, 150},  // cm under what a person walks beneath
}

// Severities of findings that do not grow, and of the two steps of those that have two.
const (
	mild   = 0.4
	rather = 0.6
	grave  = 0.8
)

// radiusCM is half a diameter in mm, in cm.
func radiusCM(dMM float64) float64 { return dMM / 20 }
