package light

import (
	"vertumna/core/limb"
)

// Outside is the light that comes through what stands round a tree to the room its crown may fill, direction by direction: a
// ray's light is what others leave of it times what the tree itself does. It is asked for once, for a tree that is grown and
// cut many times; between its places, two cells apart, the nearest below counts.
type Outside struct {
	lo         Cell
	nx, ny, nz int
	dirs       []Direction
	through    [][]float32 // by direction, then place
}

const outsideStep = 2 // cells

// Outside sends light through what stands in the grid to the room between two corners, cm. Cost: a sweep of the yard.
func (g *Grid) Outside(lo, hi limb.Vec, directions []Direction) *Outside {
	a, b := CellOf(lo), CellOf(hi)
	o := &Outside{
		lo: a, nx: (b.X-a.X)/outsideStep + 1, ny: (b.Y-a.Y)/outsideStep + 1, nz: (b.Z-a.Z)/outsideStep + 1, dirs: directions,
		through: make([][]float32, len(directions)),
	}
	var at []Cell
	for z := range o.nz {
		for y := range o.ny {
			for x := range o.nx {
				c := Cell{a.X + outsideStep*x, a.Y + outsideStep*y, a.Z + outsideStep*z}
				g.Ask(c)
				at = append(at, c)
			}
		}
	}
	yard := g.box()
	eachDirection(yard, len(directions), func(w *sweeper, k int) {
		d := directions[k]
		d.Weight = 1
		clear(w.acc)
		w.send(d)
		out := make([]float32, len(at))
		for i, c := range at {
			if c.Z >= 0 {
				out[i] = w.acc[yard.at(c)]
			}
		}
		o.through[k] = out
	})
	return o
}

// of is what comes through to a cell from a direction; beyond the room asked for nothing stands in the way.
func (o *Outside) of(k int, c Cell) float32 {
	x, y, z := (c.X-o.lo.X)/outsideStep, (c.Y-o.lo.Y)/outsideStep, (c.Z-o.lo.Z)/outsideStep
	if c.X < o.lo.X || c.Y < o.lo.Y || c.Z < o.lo.Z || x >= o.nx || y >= o.ny || z >= o.nz {
		return 1
	}
	return o.through[k][(z*o.ny+y)*o.nx+x]
}

// OfTree is the light of each limb of a tree that stands there, its trunk at the origin.
func (o *Outside) OfTree(m *limb.Map) limb.Light {
	g := NewGrid()
	lots := g.Tree(m, limb.Vec{})
	b := g.box()
	f := &Field{b, make([]float32, len(b.level))}
	cells := make([]Cell, 0, len(g.wanted))
	for c := range g.wanted {
		cells = append(cells, c)
	}
	sortCells(cells)
	lit := make([][]float32, len(o.dirs))
	eachDirection(b, len(o.dirs), func(w *sweeper, k int) {
		w.send(o.dirs[k])
		out := make([]float32, len(cells))
		for i, c := range cells {
			at := b.at(c)
			out[i], w.acc[at] = w.acc[at]*o.of(k, c), 0
		}
		lit[k] = out
	})
	for _, l := range lit { // in one order, whoever sent them
		for i, c := range cells {
			f.acc[b.at(c)] += l[i]
		}
	}
	return f.OfLimbs(m, lots, limb.Vec{})
}
