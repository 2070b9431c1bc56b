package walk

import "math"

// Mark is a height on a person's own body.
type Mark struct {
	Name string
	CM   float64
}

// parts of a standing person's height, and how far the fingertips reach above it (est., from common body tables).
var parts = []Mark{{"knee", 0.285}, {"hip", 0.53}, {"elbow", 0.63}, {"shoulder", 0.82}, {"chin", 0.87}, {"eyes", 0.935}, {"head", 1}, {"fingertips", tipsPart}}

const tipsPart = 1.305

// HandCM is a hand's width where none was measured.
const HandCM = 10

// MarksOf are a person's body marks from the ground up, by the height their raised fingertips reach, cm; none where that is unknown.
func MarksOf(fingertipCM float64) []Mark {
	if fingertipCM <= 0 {
		return nil
	}
	out := make([]Mark, len(parts))
	for i, p := range parts {
		out[i] = Mark{p.Name, math.Round(fingertipCM / tipsPart * p.CM)}
	}
	return out
}

// Against is a height told by the nearest mark and hands above it, negative below, in half hands. ok is false without marks.
func Against(marks []Mark, cm float64) (name string, hands float64, ok bool) {
	best := math.Inf(1)
	for _, m := range marks {
		if d := math.Abs(cm - m.CM); d < best {
			best, name, hands = d, m.Name, math.Round(2*(cm-m.CM)/HandCM)/2
		}
	}
	return name, hands, len(marks) > 0
}
