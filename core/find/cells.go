package find

import (
	"math"
	"slices"

	"vertumna/core/limb"
)

// cellCM is the width of the cells that limbs are sorted into, so that only limbs near each other are compared: cost grows
// with the limbs, not with their pairs, as long as a crown of more limbs is also a wider one.
const cellCM = 40

// cells sorts the chords of limbs into space. Each chord stands in every cell that its box, grown by what two limbs may
// keep apart and still touch, reaches.
type cells struct {
	lo         limb.Vec
	nx, ny, nz int
	start      []int32 // of each cell in limbs
	limbs      []int32
	of         [][]int32 // cells of each limb
	stamp      []int32
	turn       int32
}

// growCM is how far a chord's box is grown: half of the widest allowance, and the limb's own radius; never less than
// half a ball.
func growCM(a *limb.Axis, ballCM float64) float64 {
	return math.Max(maxSwayCM/2+radiusCM(a.D), ballCM)
}

func sortIntoCells(m *limb.Map, boxes []box, ballCM float64) *cells {
	all := boxes[0]
	for i, b := range boxes {
		g := growCM(&m.Axes[i], ballCM)
		all = box{
			limb.Vec{X: math.Min(all.lo.X, b.lo.X-g), Y: math.Min(all.lo.Y, b.lo.Y-g), Z: math.Min(all.lo.Z, b.lo.Z-g)},
			limb.Vec{X: math.Max(all.hi.X, b.hi.X+g), Y: math.Max(all.hi.Y, b.hi.Y+g), Z: math.Max(all.hi.Z, b.hi.Z+g)},
		}
	}
	count := func(lo, hi float64) int { return int((hi-lo)/cellCM) + 1 }
	c := &cells{
		lo: all.lo, nx: count(all.lo.X, all.hi.X), ny: count(all.lo.Y, all.hi.Y), nz: count(all.lo.Z, all.hi.Z),
		of: make([][]int32, m.Len()), stamp: make([]int32, m.Len()),
	}
	for i := range m.Axes {
		g := growCM(&m.Axes[i], ballCM)
		line := m.Polyline(i)
		for k := 1; k < len(line); k++ {
			c.each(line[k-1], line[k], g, func(cell int32) {
				if !slices.Contains(c.of[i], cell) {
					c.of[i] = append(c.of[i], cell)
				}
			})
		}
	}
	c.start = make([]int32, c.nx*c.ny*c.nz+1)
	for _, list := range c.of {
		for _, cell := range list {
			c.start[cell+1]++
		}
	}
	for k := 1; k < len(c.start); k++ {
		c.start[k] += c.start[k-1]
	}
	c.limbs = make([]int32, c.start[len(c.start)-1])
	fill := slices.Clone(c.start)
	for i, list := range c.of {
		for _, cell := range list {
			c.limbs[fill[cell]] = int32(i)
			fill[cell]++
		}
	}
	return c
}

func (c *cells) at(p limb.Vec) (x, y, z int) {
	return int((p.X - c.lo.X) / cellCM), int((p.Y - c.lo.Y) / cellCM), int((p.Z - c.lo.Z) / cellCM)
}

// each visits the cells that the grown box of a chord reaches.
func (c *cells) each(p, q limb.Vec, grow float64, visit func(cell int32)) {
	x0, y0, z0 := c.at(limb.Vec{X: math.Min(p.X, q.X) - grow, Y: math.Min(p.Y, q.Y) - grow, Z: math.Min(p.Z, q.Z) - grow})
	x1, y1, z1 := c.at(limb.Vec{X: math.Max(p.X, q.X) + grow, Y: math.Max(p.Y, q.Y) + grow, Z: math.Max(p.Z, q.Z) + grow})
	for z := z0; z <= z1; z++ {
		for y := y0; y <= y1; y++ {
			for x := x0; x <= x1; x++ {
				visit(int32((z*c.ny+y)*c.nx + x))
			}
		}
	}
}

// near visits, once each, the limbs that may pass within a ball of a place.
func (c *cells) near(p limb.Vec, visit func(j int)) {
	c.turn++
	x, y, z := c.at(p)
	cell := (z*c.ny+y)*c.nx + x
	for _, j := range c.limbs[c.start[cell]:c.start[cell+1]] {
		visit(int(j))
	}
}

// pairs lists live limbs that may touch, each pair once, in order.
func (f *finder) pairs() [][2]int {
	var out [][2]int
	c := f.cells
	for i := range f.m.Axes {
		if !f.live(i) {
			continue
		}
		c.turn++
		first := len(out)
		for _, cell := range c.of[i] {
			for _, k := range c.limbs[c.start[cell]:c.start[cell+1]] {
				j := int(k)
				if j <= i || c.stamp[j] == c.turn {
					continue
				}
				c.stamp[j] = c.turn
				if f.live(j) && f.boxes[i].meets(f.boxes[j], 2*boxMarginCM) {
					out = append(out, [2]int{i, j})
				}
			}
		}
		slices.SortFunc(out[first:], func(a, b [2]int) int { return a[1] - b[1] })
	}
	return out
}
