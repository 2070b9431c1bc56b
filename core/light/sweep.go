package light

import (
	"math"
	"sync"

	"vertumna/core/together"
)

// Field is the part of full light that reaches the cells of a yard.
type Field struct {
	box *box
	acc []float32
}

// At is the light of a cell, 0..1: of full light where nothing stands and nothing was asked.
func (f *Field) At(c Cell) float64 {
	b := f.box
	if c.X < b.lo.X || c.Y < b.lo.Y || c.Z < b.lo.Z || c.X >= b.lo.X+b.nx || c.Y >= b.lo.Y+b.ny || c.Z >= b.lo.Z+b.nz {
		return 1
	}
	return float64(f.acc[b.at(c)])
}

// Sweep sends light from every direction through the grid. Every ray is a digital line: no interpolation, one multiply a
// cell; a cell's own leaf counts half. Directions are shared out over the cores; the sum is the same whatever their
// number.
func (g *Grid) Sweep(directions []Direction) *Field { return g.box().sweep(directions) }

// SweepTo is Sweep for those who read only the cells asked for: rays that do not come by the room these fill are not sent,
// nor followed beyond it. The light of other cells is not told.
func (g *Grid) SweepTo(directions []Direction) *Field {
	b := g.box()
	for c := range g.wanted {
		if b.to == nil {
			b.to = &room{c, c}
		}
		b.to.lo, b.to.hi = least(b.to.lo, c), most(b.to.hi, c)
	}
	if b.to != nil {
		b.to.lo, b.to.hi = b.from(b.to.lo), b.from(b.to.hi)
	}
	return b.sweep(directions)
}

// room is the part of a box that is read, both corners in it, counted from the box's own.
type room struct{ lo, hi Cell }

func (b *box) from(c Cell) Cell { return Cell{c.X - b.lo.X, c.Y - b.lo.Y, c.Z - b.lo.Z} }

func (b *box) sweep(directions []Direction) *Field {
	f := &Field{b, make([]float32, len(b.level))}
	if len(b.runs) == 0 {
		return f
	}
	workers := eachDirection(b, len(directions), func(s *sweeper, k int) { s.send(directions[k]) })
	for i := range f.acc {
		sum := 0.0
		for _, s := range workers {
			sum += float64(s.acc[i])
		}
		f.acc[i] = float32(sum)
	}
	putAway(workers)
	return f
}

// eachDirection shares n directions out over two cores, each with its own sweeper.
func eachDirection(b *box, n int, do func(s *sweeper, k int)) []*sweeper {
	workers := make([]*sweeper, min(n, max(1, min(2, together.Hands()))))
	for w := range workers {
		workers[w] = newSweeper(b)
	}
	together.Do(len(workers), func(w int) {
		for k := w; k < n; k += len(workers) {
			do(workers[w], k)
		}
	})
	return workers
}

// sweeper holds one core's work.
type sweeper struct {
	b       *box
	acc     []float32
	through [levels]float32 // exp(-tau) by level
	half    [levels]float32 // weight x exp(-tau/2)
	t       []float32       // light left on each ray
}

// spare are sweepers put away, all 0: their room is large, and asked for again and again.
var spare sync.Pool

func newSweeper(b *box) *sweeper {
	s, _ := spare.Get().(*sweeper)
	if s == nil {
		s = &sweeper{}
	}
	s.b = b
	if n := len(b.level); cap(s.acc) < n {
		s.acc = make([]float32, n)
	} else {
		s.acc = s.acc[:n]
	}
	return s
}

// putAway gives sweepers back that nobody reads any more.
func putAway(workers []*sweeper) {
	for _, s := range workers {
		for _, r := range s.b.runs { // light falls nowhere else
			row := (int(r.z)*s.b.ny + int(r.y)) * s.b.nx
			clear(s.acc[row+int(r.x0) : row+int(r.x1)])
		}
		s.b = nil
		spare.Put(s)
	}
}

// table fills the light through a cell by its level, for a path of m.
func (s *sweeper) table(path, weight float64) {
	k := Extinction * densityStep * path
	step, halfStep := math.Exp(-k), math.Exp(-k/2)
	t, h := 1.0, weight
	for i := range int(s.b.densest) + 1 {
		if i%256 == 0 { // no error builds up
			t, h = math.Exp(-k*float64(i)), weight*math.Exp(-k*float64(i)/2)
		}
		s.through[i], s.half[i] = float32(t), float32(h)
		t, h = t*step, h*halfStep
	}
	s.through[opaque], s.half[opaque] = 0, 0
}

// shifts are how far each plane's rays lie from the first's: floor(f k + 0.5), k the plane counted from the map's origin
// away from the sun. They come with the least and the greatest.
func shifts(n, lo int, sign, f float64) (at []int, least, most int) {
	at = make([]int, n)
	least, most = math.MaxInt, math.MinInt
	for i := range n {
		k := -sign * float64(lo+i)
		at[i] = int(math.Floor(f*k + 0.5))
		least, most = min(least, at[i]), max(most, at[i])
	}
	return at, least, most
}

func (s *sweeper) send(d Direction) {
	v := d.Toward
	ax, ay, az := math.Abs(v.X), math.Abs(v.Y), math.Abs(v.Z)
	cellM := s.b.cellM
	switch {
	case az >= ax && az >= ay:
		s.table(cellM/az, d.Weight)
		s.alongZ(v.X/az, v.Y/az, math.Copysign(1, v.Z))
	case ay >= ax:
		s.table(cellM/ay, d.Weight)
		s.alongY(v.X/ay, v.Z/ay, math.Copysign(1, v.Y))
	default:
		s.table(cellM/ax, d.Weight)
		s.alongX(v.Y/ax, v.Z/ax, math.Copysign(1, v.X))
	}
}

// rays clears the light of rays in a plane of a size.
func (s *sweeper) rays(n int) {
	if cap(s.t) < n {
		s.t = make([]float32, n)
	}
	s.t = s.t[:n]
	for i := range s.t {
		s.t[i] = 1
	}
}

// through one cell: what it gets, and what it lets on.
func (s *sweeper) cross(cell, ray int) {
	l := s.b.level[cell]
	t := s.t[ray]
	if s.b.fixed != nil {
		if e := s.b.fixed[cell]; e > 0 {
			s.acc[cell] += t * s.half[l] * e
			s.t[ray] = t * s.through[l] * e * e
			return
		}
	}
	s.acc[cell] += t * s.half[l]
	s.t[ray] = t * s.through[l]
}

// stretch crosses a run of cells along x whose rays lie side by side.
func (s *sweeper) stretch(cell, ray, n int, fixed bool) {
	if fixed {
		for i := range n {
			s.cross(cell+i, ray+i)
		}
		return
	}
	level := s.b.level[cell : cell+n]
	acc, t := s.acc[cell:][:len(level)], s.t[ray:][:len(level)]
	for i, l := range level {
		l &= levels - 1
		acc[i] += t[i] * s.half[l]
		t[i] *= s.through[l]
	}
}

// window is the stretch of rays, counted across, that come by places from lo to hi in the planes from first to last.
type window struct{ lo, hi int }

var everywhere = window{math.MinInt / 2, math.MaxInt / 2}

func across(shift []int, base, lo, hi, first, last int) window {
	w := window{math.MaxInt, math.MinInt}
	for _, at := range shift[first : last+1] {
		w.lo, w.hi = min(w.lo, lo+at-base), max(w.hi, hi+at-base)
	}
	return w
}

func (w window) has(ray int) bool { return ray >= w.lo && ray <= w.hi }

// clip is the part of a stretch of places from a up to b whose rays, shifted by at, lie in the window.
func (w window) clip(a, b, at int) (from, to int) { return max(a, w.lo-at), min(b, w.hi-at+1) }

// row lets a line of rays through a run of cells: those cells whose rays, shifted to the side, come by what is read.
func (s *sweeper) row(r run, wide, shift, line int, across, lines window) {
	from, to := across.clip(int(r.x0), int(r.x1), shift)
	if from >= to || !lines.has(line) {
		return
	}
	cell := (int(r.z)*s.b.ny+int(r.y))*s.b.nx + from
	s.stretch(cell, line*wide+from+shift, to-from, r.fixed)
}

func (s *sweeper) alongZ(fx, fy, sign float64) {
	b := s.b
	sx, x0, x1 := shifts(b.nz, b.lo.Z, sign, fx)
	sy, y0, y1 := shifts(b.nz, b.lo.Z, sign, fy)
	wide := b.nx + x1 - x0
	s.rays(wide * (b.ny + y1 - y0))
	wx, wy, last := everywhere, everywhere, -1
	if b.to != nil {
		lo, hi := b.to.lo, b.to.hi
		wx, wy = across(sx, x0, lo.X, hi.X, lo.Z, hi.Z), across(sy, y0, lo.Y, hi.Y, lo.Z, hi.Z)
		last = lo.Z
	}
	do := func(r run) {
		if z := int(r.z); sign < 0 || z >= last {
			s.row(r, wide, sx[z]-x0, int(r.y)+sy[z]-y0, wx, wy)
		}
	}
	if sign > 0 { // the sun above: from the top down
		for i := len(b.runs) - 1; i >= 0; i-- {
			do(b.runs[i])
		}
		return
	}
	for _, r := range b.runs {
		do(r)
	}
}

func (s *sweeper) alongY(fx, fz, sign float64) {
	b := s.b
	sx, x0, x1 := shifts(b.ny, b.lo.Y, sign, fx)
	sz, z0, z1 := shifts(b.ny, b.lo.Y, sign, fz)
	wide := b.nx + x1 - x0
	s.rays(wide * (b.nz + z1 - z0))
	wx, wz, beyond := everywhere, everywhere, everywhere
	if b.to != nil {
		lo, hi := b.to.lo, b.to.hi
		wx, wz = across(sx, x0, lo.X, hi.X, lo.Y, hi.Y), across(sz, z0, lo.Z, hi.Z, lo.Y, hi.Y)
		beyond = until(sign, lo.Y, hi.Y)
	}
	for i := range b.ny {
		y := i
		if sign > 0 {
			y = b.ny - 1 - i // the sunny side first
		}
		if !beyond.has(y) {
			continue
		}
		for _, r := range b.byPlane[y] {
			s.row(r, wide, sx[y]-x0, int(r.z)+sz[y]-z0, wx, wz)
		}
	}
}

// until are the planes up to the last that is read, for a sun on the far side (sign above 0) or the near one.
func until(sign float64, lo, hi int) window {
	if sign > 0 {
		return window{lo, everywhere.hi}
	}
	return window{everywhere.lo, hi}
}

// alongX goes row by row, not plane by plane: along any ray z never rises and x runs one way, so the order is right.
func (s *sweeper) alongX(fy, fz, sign float64) {
	b := s.b
	sy, y0, y1 := shifts(b.nx, b.lo.X, sign, fy)
	sz, z0, z1 := shifts(b.nx, b.lo.X, sign, fz)
	wide := b.ny + y1 - y0
	s.rays(wide * (b.nz + z1 - z0))
	at := make([]int, b.nx)
	for x := range at {
		at[x] = (sz[x]-z0)*wide + sy[x] - y0
	}
	// the places of each row whose rays come by what is read: shifts run one way, so they lie together
	byY, byZ := s.stretches(sy, y0, b.ny, b.to, true, sign), s.stretches(sz, z0, b.nz, b.to, false, sign)
	for zi := range b.nz {
		z := b.nz - 1 - zi
		for yi := range b.ny {
			y := yi
			if fy > 0 {
				y = b.ny - 1 - yi
			}
			row := b.runs[b.rows[z*b.ny+y]:b.rows[z*b.ny+y+1]]
			for k := range row {
				r := row[k]
				if sign > 0 {
					r = row[len(row)-1-k]
				}
				r.x0, r.x1 = max(r.x0, int32(byY[y].lo), int32(byZ[z].lo)), min(r.x1, int32(byY[y].hi)+1, int32(byZ[z].hi)+1)
				s.rowAlongX(r, at, z*wide+y, sign)
			}
		}
	}
}

// stretches are, for each of n rows, the places along x whose rays come by what is read.
func (s *sweeper) stretches(shift []int, base, n int, to *room, isY bool, sign float64) []window {
	out := make([]window, n)
	for i := range out {
		out[i] = window{0, s.b.nx - 1}
	}
	if to == nil {
		return out
	}
	lo, hi := to.lo.Z, to.hi.Z
	if isY {
		lo, hi = to.lo.Y, to.hi.Y
	}
	w, beyond := across(shift, base, lo, hi, to.lo.X, to.hi.X), until(sign, to.lo.X, to.hi.X)
	for i := range out {
		first, last := s.b.nx, -1
		for x, at := range shift {
			if w.has(i+at-base) && beyond.has(x) {
				first, last = min(first, x), x
			}
		}
		out[i] = window{first, last}
	}
	return out
}

func (s *sweeper) rowAlongX(r run, at []int, ray0 int, sign float64) {
	cell := (int(r.z)*s.b.ny + int(r.y)) * s.b.nx
	if !r.fixed && r.x0 < r.x1 {
		s.plainAlongX(cell+int(r.x0), at[r.x0:r.x1], ray0, sign)
		return
	}
	if sign > 0 {
		for x := int(r.x1) - 1; x >= int(r.x0); x-- {
			s.cross(cell+x, ray0+at[x])
		}
		return
	}
	for x := int(r.x0); x < int(r.x1); x++ {
		s.cross(cell+x, ray0+at[x])
	}
}

// plainAlongX crosses a run without hedge or lath, each of its cells on the ray of its own.
func (s *sweeper) plainAlongX(cell int, at []int, ray0 int, sign float64) {
	level, acc, t := s.b.level[cell:][:len(at)], s.acc[cell:][:len(at)], s.t[ray0:]
	if sign > 0 {
		for x := len(at) - 1; x >= 0; x-- {
			l, ray := level[x]&(levels-1), at[x]
			acc[x] += t[ray] * s.half[l]
			t[ray] *= s.through[l]
		}
		return
	}
	for x, ray := range at {
		l := level[x] & (levels - 1)
		acc[x] += t[ray] * s.half[l]
		t[ray] *= s.through[l]
	}
}
