package light

import (
	"math"

	"vertumna/core/limb"
)

// Crown is a tree without a limb map: an ellipsoid of leaf, places in cm.
type Crown struct {
	X, Y, Z0, Z1, R float64
	LeafM2          float64
}

// LAI is the leaf area over the ground a crown covers: young, bearing, dense (limbs.md#41-grid; our estimates).
const (
	YoungLAI   = 1.5
	BearingLAI = 2.5
	DenseLAI   = 3.5
)

// ShadeTreeDensity is the leaf density of a shade tree's crown, m2 a m3.
const ShadeTreeDensity = 1.5

// LeafOfCrown is the leaf area of a crown by the leaf over its ground, m2.
func LeafOfCrown(rCM, lai float64) float64 { return lai * math.Pi * rCM * rCM / 1e4 }

// Yard is what trees and walls are put into.
type Yard interface {
	Crown(c Crown)
	ShadeTree(c Crown)
	Wall(polygon [][2]float64, topCM, tau float64)
}

// rows visits the cells of a width whose middle lies in the crown, row by row along x, and counts them.
func (c Crown) rows(width float64, visit func(first Cell, n int)) int {
	mid, half := (c.Z0+c.Z1)/2, (c.Z1-c.Z0)/2
	if c.R <= 0 || half <= 0 {
		return 0
	}
	first := func(v float64) int { return int(math.Floor(v / width)) }
	at := func(i int) float64 { return (float64(i) + 0.5) * width }
	all := 0
	for z := max(0, first(c.Z0)); z <= first(c.Z1); z++ {
		for y := first(c.Y - c.R); y <= first(c.Y+c.R); y++ {
			dy, dz := (at(y)-c.Y)/c.R, (at(z)-mid)/half
			left := 1 - dy*dy - dz*dz
			if left < 0 {
				continue
			}
			chord := c.R * math.Sqrt(left)
			x0, x1 := int(math.Ceil((c.X-chord)/width-0.5)), int(math.Floor((c.X+chord)/width-0.5))
			if x1 < x0 {
				continue
			}
			all += x1 - x0 + 1
			if visit != nil {
				visit(Cell{x0, y, z}, x1-x0+1)
			}
		}
	}
	return all
}

// Crown adds the leaf of a crown to the grid.
func (g *Grid) Crown(c Crown) {
	wide := g.wideCM()
	density := c.LeafM2 / (float64(c.rows(wide, nil)) * wide * wide * wide * 1e-6)
	c.rows(wide, func(first Cell, along int) { g.leaf.addRow(first, along, density) })
}

// ShadeTree adds the crown of a tree that is only there for its shade.
func (g *Grid) ShadeTree(c Crown) {
	c.rows(g.wideCM(), func(first Cell, along int) { g.leaf.addRow(first, along, ShadeTreeDensity) })
}

// Wall adds what stands on a strip of ground to a height: tau +Inf is opaque, HedgeTau a hedge or laths. Corners in cm.
func (g *Grid) Wall(polygon [][2]float64, topCM, tau float64) {
	wallCells(polygon, topCM, CellCM, func(c Cell) { g.Screen(c, tau) })
}

// Wall adds the same to the shading, at its wider cells: a thin wall takes the cells its middle line lies in.
func (s *Shader) Wall(owner int, polygon [][2]float64, topCM, tau float64) {
	wallCells(polygon, topCM, CellCM, func(c Cell) {
		const wider = ShadeCellCM / CellCM
		half := func(v int) int { return int(math.Floor(float64(v) / wider)) }
		s.Screen(owner, Cell{half(c.X), half(c.Y), half(c.Z)}, tau)
	})
}

// wallCells visits the cells of a width that stand on a strip of ground to a height.
func wallCells(polygon [][2]float64, topCM, width float64, visit func(Cell)) {
	if len(polygon) < 3 {
		return
	}
	lo, hi := limb.Box(polygon)
	a, b := CellOf(limb.Vec{X: lo[0], Y: lo[1]}), CellOf(limb.Vec{X: hi[0], Y: hi[1]})
	for y := a.Y; y <= b.Y; y++ {
		for x := a.X; x <= b.X; x++ {
			if !limb.InPolygon(polygon, (float64(x)+0.5)*width, (float64(y)+0.5)*width) {
				continue
			}
			for z := range int(math.Ceil(topCM / width)) {
				visit(Cell{x, y, z})
			}
		}
	}
}

// SunHours is the sun a spot of open ground gets, hours a day over the growing season, at a height.
func (g *Grid) SunHours(spots []limb.Vec, latitude float64, set Set) []float64 {
	for _, s := range spots {
		g.Ask(CellOf(s))
	}
	var beams []Direction
	for _, d := range Directions(latitude, set) {
		if d.Hours > 0 {
			beams = append(beams, Direction{d.Toward, d.Hours, d.Hours})
		}
	}
	f := g.SweepTo(beams)
	out := make([]float64, len(spots))
	for i, s := range spots {
		out[i] = f.At(CellOf(s))
	}
	return out
}
