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
	Here  float64   // where along it the tree that was asked about stands, m

	windows []Window // along it
	a, b    Point    // its ends
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
		walked := 0.0 // from the feature's first point to this side
		for k := 1; k < len(sides); k++ {
			a, b := sides[k-1], sides[k]
			long := math.Hypot(b.X-a.X, b.Y-a.Y)
			start := walked
			walked += long
			if d := fromSide(t.X, t.Y, a, b); d >= near || long == 0 {
				continue
			}
			near = fromSide(t.X, t.Y, a, b)
			best = Run{Name: f.Name, LongM: long, a: a, b: b, Here: ((t.X-a.X)*(b.X-a.X) + (t.Y-a.Y)*(b.Y-a.Y)) / long}
			for _, w := range f.Windows {
				from, to := math.Max(0, w.FromM-start), math.Min(long, w.FromM+w.WideM-start)
				if to > from {
					best.windows = append(best.windows, Window{from, to - from, w.SillM, w.TopM})
				}
			}
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

// Opening is a window behind a flat tree, cm: along its plane from the trunk, and over the ground.
type Opening struct {
	FromCM, ToCM  float64
	SillCM, TopCM float64 // TopCM 0: not told
}

// Openings are the windows behind a flat tree whose arms are so long, along a plane that runs toward a bearing in degrees.
func (p *Plot) Openings(r Run, armCM, alongDeg float64) (out []Opening) {
	sin, cos := math.Sincos((alongDeg - p.NorthDeg) * math.Pi / 180)
	way := 1.0 // the plane runs as the wall does, or against it
	if (r.b.X-r.a.X)*sin+(r.b.Y-r.a.Y)*cos < 0 {
		way = -1
	}
	for _, w := range r.windows {
		from, to := 100*way*(w.FromM-r.Here), 100*way*(w.FromM+w.WideM-r.Here)
		if from > to {
			from, to = to, from
		}
		if to > -armCM && from < armCM {
			out = append(out, Opening{from, to, 100 * w.SillM, 100 * w.TopM})
		}
	}
	return out
}

// GiveSills tells each flat tree how high the lowest window behind its arms begins.
func (p *Plot) GiveSills(trees []year.Tree) {
	for i := range trees {
		t := &trees[i]
		t.SillCM = 0
		r, ok := Run{}, false
		if t.Flat() {
			r, ok = p.RunOf(t, trees)
		}
		if !ok {
			continue
		}
		for _, o := range p.Openings(r, year.FlatUsual(t, 0).GoalCM, 0) {
			if t.SillCM == 0 || o.SillCM < t.SillCM {
				t.SillCM = o.SillCM
			}
		}
	}
}
