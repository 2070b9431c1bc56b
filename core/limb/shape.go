package limb

import (
	"math"
	"slices"
)

// Station is one place of a limb's drawn shape.
type Station struct {
	S      float64 // cm from the limb's base
	At     Vec
	Radius float64 // cm
	Age    int     // seasons, of the wood toward the tip
	Ring   bool    // a year's growth begins here: the wrinkled ring round the bark
}

// shapeStepCM is the longest way between two stations.
const shapeStepCM = 12

// Shape is a limb as it is drawn: stations from base to tip, closer where it bends, and one at every ring.
func (m *Map) Shape(i int) []Station {
	a := &m.Axes[i]
	at := []float64{0, a.L}
	rings := make(map[float64]bool, len(a.Rings))
	s := 0.0
	for _, r := range a.Rings[:len(a.Rings)-1] {
		s += r
		at = append(at, s)
		rings[s] = true
	}
	slices.Sort(at)
	var out []Station
	for k, s := range at {
		if k > 0 && s-at[k-1] < 1e-6 {
			continue
		}
		if k > 0 {
			from := at[k-1]
			n := math.Max(1, math.Max(math.Ceil((s-from)/shapeStepCM), math.Ceil(math.Abs(m.Theta(i, s)-m.Theta(i, from))/12)))
			for j := 1.0; j < n; j++ {
				out = append(out, m.station(i, from+(s-from)*j/n, false))
			}
		}
		out = append(out, m.station(i, s, rings[s]))
	}
	return out
}

func (m *Map) station(i int, s float64, ring bool) Station {
	return Station{s, m.At(i, s), m.Diameter(i, s) / 20, m.AgeAt(i, s) + m.since(i), ring}
}

// since is how many seasons at least have passed since a limb was cut back or died: its rings end then, and what grows on
// it is that old.
func (m *Map) since(i int) int {
	if m.Axes[i].Tip == Growing || m.Has(i, Fresh) {
		return 0
	}
	oldest := 0
	for _, c := range m.Axes[i].Children {
		oldest = max(oldest, len(m.Axes[c].Rings))
	}
	return oldest
}
