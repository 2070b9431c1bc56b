package yard

import (
	"math"
	"slices"

	"vertumna/core/year"
)

// Run is a straight stretch of wall, fence or house side with the flat trees that stand along it.
type Run struct {
	Name  string    // of the feature, as its owner calls it; else its kind
	LongM float64   // from end to end
	At    []float64 // where along it the trees stand, in order, m
}

// alongM: a flat tree stands no further from its wall than this (our estimate).
const alongM = 1.5

// RunOf is the stretch a flat tree stands along; false where none is near. Cost: the sides of what stands there, times the trees.
func (p *Plot) RunOf(t *year.Tree, trees []year.Tree) (Run, bool) {
	best, near := Run{}, alongM
	for _, f := range p.Features {
		switch f.Kind {
		case "wall", "fence", "house":
		default:
			continue
		}
		sides := f.Points
		if f.Kind == "house" && len(sides) > 2 { // closed
			sides = append(slices.Clone(sides), sides[0])
		}
		for k := 1; k < len(sides); k++ {
			a, b := sides[k-1], sides[k]
			long := math.Hypot(b.X-a.X, b.Y-a.Y)
			if d := fromSide(t.X, t.Y, a, b); d >= near || long == 0 {
				continue
			}
			near = fromSide(t.X, t.Y, a, b)
			best = Run{Name: f.Name, LongM: long}
			if f.Name == "" {
				best.Name = "the " + f.Kind
			}
			for i := range trees {
				if o := &trees[i]; o.Flat() && fromSide(o.X, o.Y, a, b) < alongM {
					best.At = append(best.At, ((o.X-a.X)*(b.X-a.X)+(o.Y-a.Y)*(b.Y-a.Y))/long)
				}
			}
		}
	}
	slices.Sort(best.At)
	return best, near < alongM
}

// Holds is how many trees of an arm's length to either side the stretch holds, and for how many more there is room between those that
// stand along it.
func (r Run) Holds(armM float64) (all, more int) {
	if armM <= 0 {
		return 0, 0
	}
	const slackM = 0.05
	fits := func(m float64) int { return max(0, int((m+slackM)/(2*armM))) }
	from := 0.0
	for _, at := range r.At {
		more += fits(at - armM - from)
		from = at + armM
	}
	return fits(r.LongM), more + fits(r.LongM-from)
}
