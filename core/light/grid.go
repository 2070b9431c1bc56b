package light

import (
	"bytes"
	"math"
	"slices"
	"sync"

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
	cells  int    // of CellCM a side of one of its own; 0: one
	leaf   chunks // m2 a m3, while it is filled
	fixed  chunks // optical depth of a crossing, whatever its path: hedges and laths; +Inf: walls
	wanted map[Cell]bool
}

func least(a, b Cell) Cell { return Cell{min(a.X, b.X), min(a.Y, b.Y), min(a.Z, b.Z)} }
func most(a, b Cell) Cell  { return Cell{max(a.X, b.X), max(a.Y, b.Y), max(a.Z, b.Z)} }

// wideCM is the width of one of its cells.
func (g *Grid) wideCM() float64 { return CellCM * float64(max(1, g.cells)) }

// NewGrid is an empty yard.
func NewGrid() *Grid {
	return &Grid{wanted: map[Cell]bool{}}
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
	if c.Z >= 0 && tau > 0 {
		g.fixed.raise(c, tau)
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
	cellM      float64 // a cell's side
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
	b := &box{cellM: g.wideCM() / 100, lo: Cell{math.MaxInt32, math.MaxInt32, math.MaxInt32}}
	hi := Cell{math.MinInt32, math.MinInt32, math.MinInt32}
	grow := func(c Cell) { b.lo, hi = least(b.lo, c), most(hi, c) }
	if g.leaf.filled {
		grow(g.leaf.lo)
		grow(g.leaf.hi)
	}
	if g.fixed.filled {
		grow(g.fixed.lo)
		grow(g.fixed.hi)
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
	b.level = levelRooms.get(b.nx * b.ny * b.nz)
	used := usedRooms.get(len(b.level))
	defer usedRooms.put(used)
	g.leaf.eachRow(func(first Cell, row []float64) {
		at := b.at(first)
		for i, d := range row {
			if d != 0 {
				l := uint16(math.Min(mostLeaf, math.Round(d/densityStep)))
				b.level[at+i], used[at+i] = l, 1
				b.densest = max(b.densest, l)
			}
		}
	})
	g.fixed.eachRow(func(first Cell, row []float64) {
		at := b.at(first)
		for i, tau := range row {
			switch {
			case tau == 0:
				continue
			case math.IsInf(tau, 1):
				b.level[at+i] = opaque
			default:
				if b.fixed == nil {
					b.fixed = make([]float32, len(b.level))
				}
				b.fixed[at+i] = float32(math.Exp(-tau / 2))
			}
			used[at+i] = 1
		}
	})
	for c := range g.wanted {
		used[b.at(c)] = 1
	}
	if rows != nil {
		rows(func(c Cell, n int) {
			row := used[b.at(c):][:n]
			for i := range row {
				row[i] = 1
			}
		})
	}
	b.findRuns(used)
	return b
}

// rooms are slices put away, all zero: a box is large, and made again and again.
type rooms[T uint16 | byte] struct{ spare sync.Pool }

var (
	levelRooms rooms[uint16]
	usedRooms  rooms[byte]
)

// get is a slice of zeros.
func (r *rooms[T]) get(n int) []T {
	if s, _ := r.spare.Get().(*[]T); s != nil && cap(*s) >= n {
		return (*s)[:n]
	}
	return make([]T, n)
}

func (r *rooms[T]) put(s []T) {
	clear(s)
	r.spare.Put(&s)
}

// putAway gives the box's room back; it is not read any more.
func (b *box) putAway() {
	levelRooms.put(b.level)
	b.level = nil
}

// findRuns finds the stretches of cells that are used, row by row.
func (b *box) findRuns(used []byte) {
	b.byPlane, b.rows = make([][]run, b.ny), make([]int32, 1, b.ny*b.nz+1)
	for z := range b.nz {
		for y := range b.ny {
			at := (z*b.ny + y) * b.nx
			row := used[at : at+b.nx]
			for x0 := bytes.IndexByte(row, 1); x0 >= 0; {
				x := b.nx
				if n := bytes.IndexByte(row[x0:], 0); n >= 0 {
					x = x0 + n
				}
				r := run{x0: int32(x0), x1: int32(x), y: int32(y), z: int32(z)}
				if b.fixed != nil {
					r.fixed = slices.ContainsFunc(b.fixed[at+x0:at+x], func(e float32) bool { return e > 0 })
				}
				b.runs = append(b.runs, r)
				b.byPlane[y] = append(b.byPlane[y], r)
				if x0 = bytes.IndexByte(row[x:], 1); x0 >= 0 {
					x0 += x
				}
			}
			b.rows = append(b.rows, int32(len(b.runs)))
		}
	}
}
