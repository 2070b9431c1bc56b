package store

import (
	"math"

	"vertumna/core/almanac"
	"vertumna/core/find"
	"vertumna/core/light"
	"vertumna/core/pomology"
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

// Around is what stands round a tree on a day, seen from its trunk: paths, walls and the crowns of other trees; cm, x east,
// y north.
func (c *Contents) Around(t *year.Tree, trees []year.Tree, day almanac.Day) find.Yard {
	var out find.Yard
	sin, cos := math.Sincos(c.Orchard.Plot.NorthDeg * math.Pi / 180)
	here := func(x, y float64) [2]float64 { // the plan's own axes turned to the compass
		dx, dy := 100*(x-t.X), 100*(y-t.Y)
		return [2]float64{dx*cos + dy*sin, dy*cos - dx*sin}
	}
	for _, f := range c.Orchard.Plot.Features {
		if len(f.Points) == 0 {
			continue
		}
		pts := make([][2]float64, len(f.Points))
		for i, p := range f.Points {
			pts[i] = here(p.X, p.Y)
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
		case "wall", "fence", "hedge", "shed":
			top := 100 * f.HeightM
			if top == 0 {
				top = wallTopCM
			}
			shapes := strips(pts, math.Max(wide, thinWallCM))
			if f.Kind == "shed" && len(pts) > 2 {
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
		stands := (!o.Planted.Known() || o.Planted <= day) && (!o.Gone.Known() || o.Gone > day)
		if o.ID == t.ID || !stands || o.HeightM == 0 || o.Elsewhere {
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

// LightAround is the yard that a tree stands in, as light meets it: other trees as crowns of leaf, walls, hedges and shade
// trees; the tree's own trunk stands at the origin.
func (c *Contents) LightAround(t *year.Tree, trees []year.Tree, day almanac.Day) *light.Grid {
	g := light.NewGrid()
	around := c.Around(t, trees, day)
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
	return g
}

// FindOptions are the thresholds for a tree: the school's, with the height in metres it is held to.
func FindOptions(t *year.Tree, school pomology.Resolved, reachM float64) find.Options {
	o := find.ForSchool(school, t.Kind, 100*reachM)
	o.Vigour = t.Class
	return o
}
