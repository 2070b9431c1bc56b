package yard

import (
	"math"
	"slices"

	"vertumna/core/almanac"
	"vertumna/core/light"
	"vertumna/core/limb"
	"vertumna/core/year"
)

// Lit is the whole yard as light meets it: mapped trees by their limbs, the others as crowns of leaf, and what else
// stands on the plot. Places are cm from the plot's corner, x east, y north.
type Lit struct {
	Grid    *light.Grid
	Shader  *light.Shader
	Trees   []*year.Tree // by owner; what stands after them is no tree
	Heights []float64    // cm, by owner
	Names   []string
	Far     []string // codes of trees that stand too far from the rest to be reckoned with
	Near    light.Window
	Middle  Point // of the window, on the plan
	north   float64
}

// At is the place of a point of the plan, metres, at a height in cm.
func (y *Lit) At(x, yy, z float64) limb.Vec {
	s, c := math.Sincos(y.north)
	return limb.Vec{X: 100 * (x*c + yy*s), Y: 100 * (yy*c - x*s), Z: z}
}

// Light is the yard on a day from its trees and the limb maps known of them, round a spot of the plan in metres; nil: round the
// middle of its trees.
func (p *Plot) Light(trees []year.Tree, maps map[string]*limb.Map, day almanac.Day, round *Point) *Lit {
	out := &Lit{Grid: light.NewGrid(), Shader: light.NewShader(), north: p.NorthDeg * math.Pi / 180}
	corner := year.Tree{}
	around := p.Around(&corner, nil, day)
	top := around.TopCM()
	for i := range trees {
		top = math.Max(top, 100*trees[i].HeightM)
	}
	out.Middle = middleOf(trees, round)
	middle := out.At(out.Middle.X, out.Middle.Y, 0)
	out.Near = light.WindowAt(middle.X, middle.Y, top)
	for i := range trees {
		t := &trees[i]
		m := maps[t.ID]
		if !stands(t, day) || m == nil && t.HeightM == 0 {
			continue
		}
		at := out.At(t.X, t.Y, 0)
		if !out.Near.Has(at.X, at.Y, 0) {
			out.Far = append(out.Far, t.Code)
			continue
		}
		owner := out.Shader.Owner(t.Code)
		out.Trees = append(out.Trees, t)
		out.Names = append(out.Names, t.Code)
		if m != nil {
			out.Heights = append(out.Heights, m.Height())
			for _, l := range out.Grid.Tree(m, at) {
				cell := light.Cell{X: floor20(l.At.X), Y: floor20(l.At.Y), Z: floor20(l.At.Z)}
				out.Shader.Leaf(owner, cell, l.LeafM2)
			}
			continue
		}
		spread, _ := t.Crown()
		out.Heights = append(out.Heights, 100*t.HeightM)
		crown := light.Crown{X: at.X, Y: at.Y, Z0: crownFoot * 100 * t.HeightM, Z1: 100 * t.HeightM, R: 50 * spread}
		crown.LeafM2 = light.LeafOfCrown(crown.R, light.BearingLAI)
		out.Grid.Crown(crown)
		out.Shader.Crown(owner, crown)
	}
	other := func(name string) int {
		out.Names, out.Heights = append(out.Names, name), append(out.Heights, 0)
		return out.Shader.Owner(name)
	}
	for _, w := range around.Walls {
		tau := math.Inf(1)
		if w.Open {
			tau = light.HedgeTau
		}
		inside := out.Near.Clip(w.Polygon)
		out.Grid.Wall(inside, w.TopCM, tau)
		out.Shader.Wall(other(w.Name), inside, w.TopCM, tau)
	}
	for _, s := range around.Shade {
		if !out.Near.Has(s.X, s.Y, s.R) {
			continue
		}
		crown := light.Crown{X: s.X, Y: s.Y, Z0: s.Z0, Z1: s.Z1, R: s.R}
		out.Grid.ShadeTree(crown)
		crown.LeafM2 = light.LeafOfCrown(s.R, light.DenseLAI)
		out.Shader.Crown(other(s.Name), crown)
	}
	return out
}

// middleOf is the middle of the trees, one far off counting no more than any other; or the spot asked for.
func middleOf(trees []year.Tree, round *Point) Point {
	if round != nil {
		return *round
	}
	if len(trees) == 0 {
		return Point{}
	}
	xs, ys := make([]float64, len(trees)), make([]float64, len(trees))
	for i := range trees {
		xs[i], ys[i] = trees[i].X, trees[i].Y
	}
	slices.Sort(xs)
	slices.Sort(ys)
	return Point{xs[len(xs)/2], ys[len(ys)/2]}
}

func floor20(v float64) int { return int(math.Floor(v / light.ShadeCellCM)) }
