package light

import (
	"sync"

	"vertumna/core/limb"
)

// Outside is the light that comes through what stands round a tree, direction by direction: a ray's light is what others leave
// of it times what the tree itself does. It is kept for a tree that is grown and cut many times, for the room its crowns have
// filled so far, and looked through anew where one outgrows that. What stands round it is seen in cells twice as wide.
type Outside struct {
	yard *Grid
	dirs []Direction

	mu   sync.Mutex
	seen *through
}

// through is what comes through to the places of a room. It is never changed once made.
type through struct {
	lo, hi     Cell // wider cells, both in it
	nx, ny, nz int
	light      [][]float32 // by direction, then place
}

const outsideStep = 2 // cells a side of a wider one

// Room left round a crown for the years to come, in wider cells: to the sides and upward.
const (
	roomBeside = 2
	roomAbove  = 4
)

// NewOutside is an empty yard, to be looked through from where a tree stands. It is filled before it is asked.
// Cost: a sweep of the yard towards the room of the crown, once, and again where a crown outgrows it.
func NewOutside(directions []Direction) *Outside {
	return &Outside{yard: &Grid{cells: outsideStep}, dirs: directions}
}

// Crown adds the leaf of a crown.
func (o *Outside) Crown(c Crown) { o.yard.Crown(c) }

// ShadeTree adds the crown of a tree that is only there for its shade.
func (o *Outside) ShadeTree(c Crown) { o.yard.ShadeTree(c) }

// Wall adds what stands on a strip of ground to a height, as Grid.Wall: a thin one takes the cells its middle lies in, and lets
// through what it would.
func (o *Outside) Wall(polygon [][2]float64, topCM, tau float64) {
	wallCells(polygon, topCM, CellCM, func(c Cell) { o.yard.fixed.add(wide(c), tau/(outsideStep*outsideStep)) })
}

// wide is the wider cell that a cell lies in.
func wide(c Cell) Cell { return Cell{floorDiv(c.X), floorDiv(c.Y), floorDiv(c.Z)} }

func floorDiv(v int) int { return (v - ((v%outsideStep)+outsideStep)%outsideStep) / outsideStep }

// to looks through the yard to a room of cells at least.
func (o *Outside) to(lo, hi Cell) *through {
	o.mu.Lock()
	defer o.mu.Unlock()
	lo, hi = wide(lo), wide(hi)
	if t := o.seen; t != nil {
		if t.holds(lo) && t.holds(hi) {
			return t
		}
		lo, hi = least(lo, t.lo), most(hi, t.hi)
	}
	lo = Cell{lo.X - roomBeside, lo.Y - roomBeside, 0}
	hi = Cell{hi.X + roomBeside, hi.Y + roomBeside, hi.Z + roomAbove}
	t := &through{lo: lo, hi: hi, nx: hi.X - lo.X + 1, ny: hi.Y - lo.Y + 1, nz: hi.Z - lo.Z + 1}
	t.light = make([][]float32, len(o.dirs))
	yard := o.yard.boxOf(t.eachRow)
	yard.to = &room{yard.from(lo), yard.from(hi)}
	putAway(eachDirection(yard, len(o.dirs), func(w *sweeper, k int) {
		d := o.dirs[k]
		d.Weight = 1
		w.send(d)
		out, at := make([]float32, t.nx*t.ny*t.nz), 0
		t.eachRow(func(first Cell, n int) {
			row := w.acc[yard.at(first):][:n]
			copy(out[at:], row)
			at += n
			clear(row) // for the next direction; what lies elsewhere is not read
		})
		t.light[k] = out
	}))
	yard.putAway()
	o.seen = t
	return t
}

func (t *through) holds(c Cell) bool {
	return c.X >= t.lo.X && c.Y >= t.lo.Y && c.Z >= t.lo.Z && c.X <= t.hi.X && c.Y <= t.hi.Y && c.Z <= t.hi.Z
}

// eachRow visits the rows of cells that places lie on.
func (t *through) eachRow(visit func(first Cell, n int)) {
	for z := range t.nz {
		for y := range t.ny {
			visit(Cell{t.lo.X, t.lo.Y + y, t.lo.Z + z}, t.nx)
		}
	}
}

// at is where the light of a cell, not of a wider one, lies in each direction's.
func (t *through) at(c Cell) int {
	c = wide(c)
	return ((c.Z-t.lo.Z)*t.ny+c.Y-t.lo.Y)*t.nx + c.X - t.lo.X
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
	from := make([]int, len(cells))
	for i, c := range cells {
		from[i] = round.at(c)
	}
	lit := make([][]float32, len(o.dirs))
	putAway(eachDirection(b, len(o.dirs), func(w *sweeper, k int) {
		w.send(o.dirs[k])
		out := make([]float32, len(cells))
		for i, c := range cells {
			at := b.at(c)
			out[i], w.acc[at] = w.acc[at]*round.light[k][from[i]], 0
		}
		lit[k] = out
	}))
	b.putAway()
	g.leaf.putAway()
	for _, l := range lit { // in one order, whoever sent them
		for i, c := range cells {
			f.acc[b.at(c)] += l[i]
		}
	}
	return f.OfLimbs(m, lots, limb.Vec{})
}
