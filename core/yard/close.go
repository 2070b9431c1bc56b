package yard

import (
	"fmt"
	"math"

	"vertumna/core/given"
	"vertumna/core/year"
)

// Room between a stem and what is built (our estimates): a flat tree a hand and a half from its wall, so that the stem can thicken and its
// bark dries; a free crown half the room its kind takes.
const (
	flatFromWallM = 0.25
	half          = 0.5
)

// Close warns of a tree that stands too near a wall, fence, shed or house of the plot. Cost: the sides of what stands there.
func (p *Plot) Close(t *year.Tree) (out given.Faults) {
	if t.Elsewhere || t.TubLitres > 0 {
		return nil
	}
	flat := t.Flat()
	for _, f := range p.Features {
		thick := 0.0
		switch f.Kind {
		case "wall", "fence":
			thick = thinWallCM / 200.0
		case "shed", "house":
		default:
			continue
		}
		want := flatFromWallM
		if !flat {
			size, _, _ := t.Kind.SizeFor(t.Class)
			want = half * size.DistanceM
		}
		d := math.Inf(1)
		for k := 1; k < len(f.Points); k++ {
			d = math.Min(d, fromSide(t.X, t.Y, f.Points[k-1], f.Points[k]))
		}
		if n := len(f.Points); n > 2 && thick == 0 { // a building is closed
			d = math.Min(d, fromSide(t.X, t.Y, f.Points[n-1], f.Points[0]))
		}
		if d = math.Max(0, d-thick); d < 0.9*want {
			name := f.Name
			if name == "" {
				name = "the " + f.Kind
			}
			out.Add("close_to_wall", "x", fmt.Sprintf("%.2f m from %s", d, name), fmt.Sprintf("about %.2f m, so that stem and crown have room and dry", want))
		}
	}
	return out
}

// fromSide is how far a place is from the line between two points, m.
func fromSide(x, y float64, a, b Point) float64 {
	dx, dy := b.X-a.X, b.Y-a.Y
	along := 0.0
	if l2 := dx*dx + dy*dy; l2 > 0 {
		along = math.Max(0, math.Min(1, ((x-a.X)*dx+(y-a.Y)*dy)/l2))
	}
	return math.Hypot(x-a.X-along*dx, y-a.Y-along*dy)
}

// RootsUnder names the building that roots of such a reach get under, empty where none stands so near. Cost: the sides of what stands there.
func (p *Plot) RootsUnder(at Point, reachM float64) string {
	for _, f := range p.Features {
		if (f.Kind == "shed" || f.Kind == "house") && fromShape(f.Points, at) < reachM {
			if f.Name != "" {
				return f.Name
			}
			return "the " + f.Kind
		}
	}
	return ""
}
