package find

import "vertumna/core/limb"

// LimbThen is a limb as it stood on a map of some season.
type LimbThen struct {
	Year   int     // of growth
	TipDeg float64 // of its end, from the vertical
	DMM    float64 // at its base
	RingCM float64 // grown in the last season
	TopCM  float64 // its highest live wood
}

// ThenOf reads a limb off a map.
func ThenOf(m *limb.Map, i int) LimbThen {
	a := &m.Axes[i]
	_, ring := a.LastRing()
	return LimbThen{Year: m.Year, TipDeg: a.A1, DMM: a.D, RingCM: ring, TopCM: m.Top(i)}
}

// Course is how a limb fared over the years it was mapped in.
type Course struct {
	Sinks     bool // its end turns down, crop by crop
	Struggles bool // it hardly grows, in length and thickness
	Since     int
	FromDeg   float64 // of a limb that sinks: then and now
	ToDeg     float64
	GrewMM    float64 // of one that struggles: thickness gained since
	RingCM    float64 // and its longest season since
}

// A limb sinks whose end turned so much and now lies so flat; it struggles where for so many years it gained less thickness a year and
// made no longer shoot. Our estimates.
const (
	sinksDeg      = 10
	sinksFromDeg  = 65
	strugglesFor  = 2
	strugglesMM   = 0.6
	strugglesRing = 5
)

// CourseOf reads the maps of a limb, oldest first. Fewer than two say nothing.
func CourseOf(then []LimbThen) Course {
	if len(then) < 2 {
		return Course{}
	}
	first, now := then[0], then[len(then)-1]
	out := Course{Since: first.Year, FromDeg: first.TipDeg, ToDeg: now.TipDeg, GrewMM: now.DMM - first.DMM}
	out.Sinks = now.TipDeg-first.TipDeg >= sinksDeg && now.TipDeg >= sinksFromDeg
	for _, t := range then[1:] {
		out.RingCM = max(out.RingCM, t.RingCM)
	}
	years := now.Year - first.Year
	out.Struggles = years >= strugglesFor && out.GrewMM < strugglesMM*float64(years) && out.RingCM < strugglesRing
	return out
}
