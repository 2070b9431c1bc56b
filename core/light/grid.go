package light

import (
	"math"
	"slices"

	"vertumna/core/limb"
)

// CellCM is the width of a cell.
const CellCM = 10

const cellM3 = CellCM * CellCM * CellCM * 1e-6

// Extinction is the light a leaf area takes along a path: 0.5 of spherical leaves, 0.8 for their clumping.
const Extinction = 0.40

// Densities are kept in steps, so that light through a cell is looked up, not worked out.
const (
	densityStep = 0.01 // m2 a m3
	levels      = 4096
	opaque      = levels - 1
	mostLeaf    = opaque - 1
)

// Cell is a place in the grid, in cells from the map's own origin.
type Cell struct{ X, Y, Z int }

// CellOf is the cell a place lies in.
func CellOf(p limb.Vec) Cell {
	f := func(v float64) int { return int(math.Floor(v / CellCM)) }
	return Cell{f(p.X), f(p.Y), f(p.Z)}
}

// Grid holds what stands in a yard: leaf, hedges, walls. Light is asked at cells wanted; others are not kept.
type Grid struct {
	leaf   chunks           // m2 a m3, while it is filled
	fixed  map[Cell]float64 // optical depth of a crossing, whatever its path: hedges and laths; +Inf: walls
	wanted map[Cell]bool
}

func least(a, b Cell) Cell { return Cell{min(a.X, b.X), min(a.Y, b.Y), min(a.Z, b.Z)} }
func most(a, b Cell) Cell  { return Cell{max(a.X, b.X), max(a.Y, b.Y), max(a.Z, b.Z)} }

// NewGrid is an empty yard.
func NewGrid() *Grid {
	return &Grid{fixed: map[Cell]float64{}, wanted: map[Cell]bool{}}
}

// Leaf adds leaf area to a cell, m2. What lies below ground is dropped.
func (g *Grid) Leaf(c Cell, m2 float64) {
	if c.Z >= 0 && m2 > 0 {
		g.leaf.add(c, m2/cellM3)
	}
}

// Density adds leaf density to a cell, m2 a m3.
func (g *Grid) Density(c Cell, m2PerM3 float64) {
	if c.Z >= 0 && m2PerM3 > 0 {
		g.leaf.add(c, m2PerM3)
	}
}

// Screen sets what takes the same light on any crossing: hedges and laths (HedgeTau), walls (+Inf).
func (g *Grid) Screen(c Cell, tau float64) {
	if c.Z >= 0 {
		g.fixed[c] = math.Max(g.fixed[c], tau)
	}
}

// HedgeTau is the optical depth of a cell of hedge or slatted fence.
const HedgeTau = 0.7

// Ask says that the light of a cell will be read.
func (g *Grid) Ask(c Cell) {
	if c.Z >= 0 {
		g.wanted[c] = true
	}
}

// box is a block of cells laid out for the sweep: z major, then y, then x.
type box struct {
	lo         Cell
	nx, ny, nz int
	level      []uint16  // leaf density in steps; opaque
	densest    uint16    // level of leaf
	fixed      []float32 // what hedges and laths let through half of a cell; 0: none stands there; nil: none anywhere
	runs       []run     // cells that are not empty, or wanted
	byPlane    [][]run   // runs by y
	rows       []int32   // where each row's runs start, by z and y, and where the last ends
	to         *room     // the part that is read; nil: all
}

// run is a stretch of cells along x.
type run struct {
	x0, x1, y, z int32
	fixed        bool // a hedge or lath stands in it
}

func (b *box) at(c Cell) int { return ((c.Z-b.lo.Z)*b.ny+c.Y-b.lo.Y)*b.nx + c.X - b.lo.X }

func (g *Grid) box() *box { return g.boxOf(nil) }

// boxOf lays the grid out together with rows of cells that are read too.
func (g *Grid) boxOf(rows func(visit func(first Cell, n int))) *box {
	b := &box{lo: Cell{math.MaxInt32, math.MaxInt32, math.MaxInt32}}
	hi := Cell{math.MinInt32, math.MinInt32, math.MinInt32}
	grow := func(c Cell) { b.lo, hi = least(b.lo, c), most(hi, c) }
	if g.leaf.filled {
		grow(g.leaf.lo)
		grow(g.leaf.hi)
	}
	for c := range g.fixed {
		grow(c)
	}
	for c := range g.wanted {
		grow(c)
	}
	if rows != nil {
		rows(func(c Cell, n int) {
			grow(c)
			grow(Cell{c.X + n - 1, c.Y, c.Z})
		})
	}
	if hi.X < b.lo.X {
		return b
	}
	b.nx, b.ny, b.nz = hi.X-b.lo.X+1, hi.Y-b.lo.Y+1, hi.Z-b.lo.Z+1
	b.level = make([]uint16, b.nx*b.ny*b.nz)
	used := make([]bool, len(b.level))
	g.leaf.each(func(c Cell, d float64) {
		at := b.at(c)
		used[at] = true
		b.level[at] = uint16(math.Min(mostLeaf, math.Round(d/densityStep)))
		b.densest = max(b.densest, b.level[at])
	})
	for c, tau := range g.fixed {
		at := b.at(c)
		used[at] = true
		if math.IsInf(tau, 1) {
			b.level[at] = opaque
			continue
		}
		if b.fixed == nil {
			b.fixed = make([]float32, len(b.level))
		}
		b.fixed[at] = float32(math.Exp(-tau / 2))
	}
	for c := range g.wanted {
		used[b.at(c)] = true
	}
	if rows != nil {
		rows(func(c Cell, n int) {
			row := used[b.at(c):][:n]
			for i := range row {
				row[i] = true
			}
		})
	}
	b.findRuns(used)
	return b
}

func (b *box) findRuns(used []bool) {
	b.byPlane, b.rows = make([][]run, b.ny), make([]int32, 1, b.ny*b.nz+1)
	for z := range b.nz {
		for y := range b.ny {
			row := used[(z*b.ny+y)*b.nx : (z*b.ny+y+1)*b.nx]
			for x := 0; x < b.nx; x++ {
				if !row[x] {
					continue
				}
				x0 := x
				for x < b.nx && row[x] {
					x++
				}
				r := run{x0: int32(x0), x1: int32(x), y: int32(y), z: int32(z)}
				if b.fixed != nil {
					at := (z*b.ny + y) * b.nx
					r.fixed = slices.ContainsFunc(b.fixed[at+x0:at+x], func(e float32) bool { return e > 0 })
				}
				b.runs = append(b.runs, r)
				b.byPlane[y] = append(b.byPlane[y], r)
			}
			b.rows = append(b.rows, int32(len(b.runs)))
		}
	}
}
