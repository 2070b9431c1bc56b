// Package yard is the ground that trees stand on: what stands round a tree for its findings, and the whole yard as light meets it.
// Plans are in metres from the plot's corner; answers in cm, x east, y north.
package yard

import (
	"math"

	"vertumna/core/almanac"
	"vertumna/core/find"
	"vertumna/core/light"
	"vertumna/core/year"
)

// Numbers of what stands round a tree; our estimates.
const (
	crownFoot   = 0.25 // a neighbour's crown starts at this part of its height
	thinWallCM  = 20   // a wall or fence is this thick
	hedgeWideCM = 60
	pathWideCM  = 80
	wallTopCM   = 180
)

// Point is a place on the plan, metres.
type Point struct{ X, Y float64 }

// Feature is what stands or lies on a plot besides its trees. Kinds: wall, fence, hedge, path, bed, shade-tree, shed, water, power-line.
type Feature struct {
	Kind, Name string
	Points     []Point
	HeightM    float64 // 0: as usual for its kind
	WidthM     float64 // of a path, or across a shade tree's crown; 0: as usual
	Windows    []Window
}

// Window is an opening in a wall that wires and arms leave free, metres: along the wall from its first point, and over the ground.
type Window struct {
	FromM, WideM float64
	SillM, TopM  float64 // TopM 0: not told
}

// Plot is the ground: its features, and by how much the plan's own axes are turned from north.
type Plot struct {
	NorthDeg float64
	Features []Feature
}

// stands says whether a tree stands on the plot on a day.
func stands(t *year.Tree, day almanac.Day) bool {
	return !t.Elsewhere && (!t.Planted.Known() || t.Planted <= day) && (!t.Gone.Known() || t.Gone > day)
}

// Around is what stands round a tree on a day, seen from its trunk: paths, walls and the crowns of other trees.
func (p *Plot) Around(t *year.Tree, trees []year.Tree, day almanac.Day) find.Yard {
	var out find.Yard
	sin, cos := math.Sincos(p.NorthDeg * math.Pi / 180)
	here := func(x, y float64) [2]float64 { // the plan's own axes turned to the compass
		dx, dy := 100*(x-t.X), 100*(y-t.Y)
		return [2]float64{dx*cos + dy*sin, dy*cos - dx*sin}
	}
	for _, f := range p.Features {
		if len(f.Points) == 0 {
			continue
		}
		pts := make([][2]float64, len(f.Points))
		for i, at := range f.Points {
			pts[i] = here(at.X, at.Y)
		}
		name := f.Name
		if name == "" {
			name = f.Kind
		}
		wide := map[string]float64{"path": pathWideCM, "hedge": hedgeWideCM}[f.Kind]
		if f.WidthM > 0 {
			wide = 100 * f.WidthM
		}
		switch f.Kind {
		case "shade-tree":
			r, top := 50*f.WidthM, 100*f.HeightM
			out.Shade = append(out.Shade, find.Crown{Name: name, X: pts[0][0], Y: pts[0][1], R: r, Z0: crownFoot * top, Z1: top})
		case "power-line":
			out.PowerLines = append(out.PowerLines, pts)
		case "path":
			for _, strip := range strips(pts, wide) {
				out.Paths = append(out.Paths, find.Path{Name: name, Polygon: strip})
			}
		case "wall", "fence", "hedge", "shed", "house":
			top := 100 * f.HeightM
			if top == 0 {
				top = wallTopCM
			}
			shapes := strips(pts, math.Max(wide, thinWallCM))
			if (f.Kind == "shed" || f.Kind == "house") && len(pts) > 2 {
				shapes = [][][2]float64{pts}
			}
			for _, s := range shapes {
				out.Walls = append(out.Walls, find.Wall{Name: name, Polygon: s, TopCM: top, Open: f.Kind == "hedge"})
			}
		}
	}
	for i := range trees {
		o := &trees[i]
		spread, _ := o.Crown()
		if o.ID == t.ID || !stands(o, day) || o.HeightM == 0 {
			continue
		}
		at := here(o.X, o.Y)
		out.Neighbours = append(out.Neighbours, find.Crown{
			Name: o.Code, X: at[0], Y: at[1], R: 50 * spread, Z0: crownFoot * 100 * o.HeightM, Z1: 100 * o.HeightM,
		})
	}
	return out
}

// strips widens a line of points into a four-cornered shape for each of its stretches.
func strips(pts [][2]float64, wide float64) [][][2]float64 {
	var out [][][2]float64
	for i := 1; i < len(pts); i++ {
		a, b := pts[i-1], pts[i]
		dx, dy := b[0]-a[0], b[1]-a[1]
		l := math.Hypot(dx, dy)
		if l == 0 {
			continue
		}
		nx, ny := -dy/l*wide/2, dx/l*wide/2
		out = append(out, [][2]float64{{a[0] + nx, a[1] + ny}, {b[0] + nx, b[1] + ny}, {b[0] - nx, b[1] - ny}, {a[0] - nx, a[1] - ny}})
	}
	return out
}

// StandAround puts into a yard what stands round a tree, as light meets it: other trees as crowns of leaf, walls, hedges and shade
// trees; the tree's own trunk stands at the origin.
func (p *Plot) StandAround(g light.Yard, t *year.Tree, trees []year.Tree, day almanac.Day) {
	around := p.Around(t, trees, day)
	near := light.WindowAt(0, 0, around.TopCM())
	for _, n := range around.Neighbours {
		if !near.Has(n.X, n.Y, n.R) {
			continue
		}
		g.Crown(light.Crown{X: n.X, Y: n.Y, Z0: n.Z0, Z1: n.Z1, R: n.R, LeafM2: light.LeafOfCrown(n.R, light.BearingLAI)})
	}
	for _, w := range around.Walls {
		tau := math.Inf(1)
		if w.Open {
			tau = light.HedgeTau
		}
		g.Wall(near.Clip(w.Polygon), w.TopCM, tau)
	}
	for _, s := range around.Shade {
		if !near.Has(s.X, s.Y, s.R) {
			continue
		}
		g.ShadeTree(light.Crown{X: s.X, Y: s.Y, Z0: s.Z0, Z1: s.Z1, R: s.R})
	}
}
