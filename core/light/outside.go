package light

import (
	"sync"

	"vertumna/core/limb"
)

// Outside is the light that comes through what stands round a tree, direction by direction: a ray's light is what others leave
// of it times what the tree itself does. It is kept for a tree that is grown and cut many times, for the room its crowns have
// filled so far, and looked through anew where one outgrows that; between its places, two cells apart, the nearest below counts.
type Outside struct {
	yard *Grid
	dirs []Direction

	mu   sync.Mutex
	seen *through
}

// through is what comes through to the places of a room. It is never changed once made.
type through struct {
	lo, hi     Cell // cells, both in it; lo in whole steps
	nx, ny, nz int
	light      [][]float32 // by direction, then place
}

const outsideStep = 2 // cells

// Room left round a crown for the years to come, in cells: to the sides and upward.
const (
	roomBeside = 4
	roomAbove  = 8
)

// Outside is what stands in the grid, to be looked through from where a tree stands. The grid is not to be changed afterwards.
// Cost: a sweep of the yard towards the room of the crown, once, and again where a crown outgrows it.
func (g *Grid) Outside(directions []Direction) *Outside { return &Outside{yard: g, dirs: directions} }

// to looks through the yard to a room of cells at least.
func (o *Outside) to(lo, hi Cell) *through {
	o.mu.Lock()
	defer o.mu.Unlock()
	if t := o.seen; t != nil {
		if t.holds(lo) && t.holds(hi) {
			return t
		}
		lo, hi = least(lo, t.lo), most(hi, t.hi)
	}
	lo = Cell{stepDown(lo.X - roomBeside), stepDown(lo.Y - roomBeside), 0}
	hi = Cell{hi.X + roomBeside, hi.Y + roomBeside, hi.Z + roomAbove}
	t := &through{lo: lo, hi: hi, nx: (hi.X-lo.X)/outsideStep + 1, ny: (hi.Y-lo.Y)/outsideStep + 1, nz: (hi.Z-lo.Z)/outsideStep + 1}
	t.light = make([][]float32, len(o.dirs))
	yard := o.yard.boxOf(t.eachRow)
	last := Cell{lo.X + outsideStep*(t.nx-1), lo.Y + outsideStep*(t.ny-1), lo.Z + outsideStep*(t.nz-1)}
	yard.to = &room{yard.from(lo), yard.from(last)}
	putAway(eachDirection(yard, len(o.dirs), func(w *sweeper, k int) {
		d := o.dirs[k]
		d.Weight = 1
		w.send(d)
		out, at := make([]float32, t.nx*t.ny*t.nz), 0
		t.eachRow(func(first Cell, n int) {
			row := w.acc[yard.at(first):][:n]
			for x := 0; x < n; x += outsideStep {
				out[at] = row[x]
				at++
			}
			clear(row) // for the next direction; what lies elsewhere is not read
		})
		t.light[k] = out
	}))
	o.seen = t
	return t
}

// stepDown is the step that a cell lies on or next above.
func stepDown(v int) int { return v - ((v%outsideStep)+outsideStep)%outsideStep }

func (t *through) holds(c Cell) bool {
	return c.X >= t.lo.X && c.Y >= t.lo.Y && c.Z >= t.lo.Z && c.X <= t.hi.X && c.Y <= t.hi.Y && c.Z <= t.hi.Z
}

// eachRow visits the rows of cells that places lie on.
func (t *through) eachRow(visit func(first Cell, n int)) {
	for z := range t.nz {
		for y := range t.ny {
			visit(Cell{t.lo.X, t.lo.Y + outsideStep*y, t.lo.Z + outsideStep*z}, outsideStep*(t.nx-1)+1)
		}
	}
}

// of is what comes through to a cell of the room from a direction.
func (t *through) of(k int, c Cell) float32 {
	x, y, z := (c.X-t.lo.X)/outsideStep, (c.Y-t.lo.Y)/outsideStep, (c.Z-t.lo.Z)/outsideStep
	return t.light[k][(z*t.ny+y)*t.nx+x]
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
	if len(cells) == 0 {
		return f.OfLimbs(m, lots, limb.Vec{})
	}
	sortCells(cells)
	lo, hi := cells[0], cells[0]
	for _, c := range cells {
		lo, hi = least(lo, c), most(hi, c)
	}
	round := o.to(lo, hi)
	lit := make([][]float32, len(o.dirs))
	putAway(eachDirection(b, len(o.dirs), func(w *sweeper, k int) {
		w.send(o.dirs[k])
		out := make([]float32, len(cells))
		for i, c := range cells {
			at := b.at(c)
			out[i], w.acc[at] = w.acc[at]*round.of(k, c), 0
		}
		lit[k] = out
	}))
	for _, l := range lit { // in one order, whoever sent them
		for i, c := range cells {
			f.acc[b.at(c)] += l[i]
		}
	}
	return f.OfLimbs(m, lots, limb.Vec{})
}
