package crop

import (
	"vertumna/core/pomology"
)

// Outcome is what a number of fruit left on a tree comes to: their size and weight, and the bloom of the year after.
type Outcome struct {
	Fruit     int
	MassG, KG float64
	Load      float64 // 1 a medium crop; 0 unknown
	Bloom     float64 // share of a full bloom the year after; 0 unknown
	Next      string  // normal, on, off; empty: unknown
}

// OutcomeOf is what so many fruit come to on a tree whose bearing wood has a section, cm2. massG is the tree's own weighed fruit at a medium
// crop; 0: the table's.
func OutcomeOf(k *pomology.Kind, massG, sectionCM2 float64, fruit int) Outcome {
	m := Mass(k, massG, float64(fruit), sectionCM2)
	out := Outcome{Fruit: fruit, MassG: m, KG: float64(fruit) * m / 1000}
	if b, ok := bloomAfter(k, &Season{Left: &fruit}, Reference(k, sectionCM2)); ok {
		out.Load, out.Bloom, out.Next = b.Load, b.BloomShare, b.Next
	}
	return out
}
