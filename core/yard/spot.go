package yard

import (
	"math"

	"vertumna/core/pomology"
	"vertumna/core/training"
	"vertumna/core/year"
)

// Advise fills in what the form adviser asks about a spot on the plot: the nearest wall or fence, a path within the crown the tree would
// have, and a bed that its height would shade.
func (p *Plot) Advise(a *pomology.AdviserInput, at Point) {
	size, _, _ := a.Kind.SizeFor(a.Class)
	for _, f := range p.Features {
		d := fromShape(f.Points, at)
		switch f.Kind {
		case "wall", "fence":
			if !a.HasWall || 100*d < a.WallWithinCM {
				a.HasWall, a.WallWithinCM = true, 100*d
			}
		case "path":
			a.PathInSpread = a.PathInSpread || d < size.SpreadM/2
		case "bed":
			a.ShadesABed = a.ShadesABed || d < size.HeightM
		}
	}
}

// fromShape is how far a spot lies from a line of two points or a closed shape of more, m; infinite from nothing.
func fromShape(points []Point, at Point) float64 {
	best := math.Inf(1)
	for i, p := range points {
		q := points[(i+1)%len(points)]
		if i+1 == len(points) && len(points) < 3 {
			q = p
		}
		best = math.Min(best, fromSide(at.X, at.Y, p, q))
	}
	return best
}

// RowRuleM is the rule of thumb for a tree's height, m: nine tenths of the row distance, or, where there are no rows (0), of the distance
// to the nearest other tree; 0 for a tree alone.
func RowRuleM(rowDistanceM float64, t *year.Tree, trees []*year.Tree) float64 {
	near := rowDistanceM
	if near == 0 {
		near = math.Inf(1)
		for _, o := range trees {
			if o != t {
				near = math.Min(near, math.Hypot(o.X-t.X, o.Y-t.Y))
			}
		}
	}
	if math.IsInf(near, 1) {
		return 0
	}
	return math.Round(100*training.RowRule*near) / 100
}
