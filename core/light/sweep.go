package light

import (
	"math"
	"runtime"
	"sync"
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
func (g *Grid) Sweep(directions []Direction) *Field {
	b := g.box()
	f := &Field{b, make([]float32, len(b.level))}
	if len(b.runs) == 0 {
		return f
	}
	workers := min(len(directions), max(1, min(2, runtime.GOMAXPROCS(0))))
	parts := make([][]float32, workers)
	var wg sync.WaitGroup
	for w := range workers {
		wg.Go(func() {
			s := newSweeper(b)
			for k := w; k < len(directions); k += workers {
				s.send(directions[k])
			}
			parts[w] = s.acc
		})
	}
	wg.Wait()
	for i := range f.acc {
		sum := 0.0
		for _, p := range parts {
			sum += float64(p[i])
		}
		f.acc[i] = float32(sum)
	}
	return f
}

// sweeper holds one core's work.
type sweeper struct {
	b       *box
	acc     []float32
	through [levels]float32 // exp(-tau) by level
	half    [levels]float32 // weight x exp(-tau/2)
	t       []float32       // light left on each ray
}

func newSweeper(b *box) *sweeper { return &sweeper{b: b, acc: make([]float32, len(b.level))} }

// table fills the light through a cell by its level, for a path of m.
func (s *sweeper) table(path, weight float64) {
	k := Extinction * densityStep * path
	step, halfStep := math.Exp(-k), math.Exp(-k/2)
	t, h := 1.0, weight
	for i := range levels - 1 {
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
	const cellM = CellCM / 100.0
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
func (s *sweeper) stretch(cell, ray, n int) {
	if s.b.fixed != nil {
		for i := range n {
			s.cross(cell+i, ray+i)
		}
		return
	}
	level, acc, t := s.b.level[cell:cell+n], s.acc[cell:cell+n], s.t[ray:ray+n]
	for i, l := range level {
		acc[i] += t[i] * s.half[l]
		t[i] *= s.through[l]
	}
}

func (s *sweeper) alongZ(fx, fy, sign float64) {
	b := s.b
	sx, x0, x1 := shifts(b.nz, b.lo.Z, sign, fx)
	sy, y0, y1 := shifts(b.nz, b.lo.Z, sign, fy)
	wide := b.nx + x1 - x0
	s.rays(wide * (b.ny + y1 - y0))
	do := func(r run) {
		z, y := int(r.z), int(r.y)
		cell := (z*b.ny+y)*b.nx + int(r.x0)
		ray := (y+sy[z]-y0)*wide + int(r.x0) + sx[z] - x0
		s.stretch(cell, ray, int(r.x1-r.x0))
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
	for i := range b.ny {
		y := i
		if sign > 0 {
			y = b.ny - 1 - i // the sunny side first
		}
		for _, r := range b.byPlane[y] {
			z := int(r.z)
			cell := (z*b.ny+y)*b.nx + int(r.x0)
			ray := (z+sz[y]-z0)*wide + int(r.x0) + sx[y] - x0
			s.stretch(cell, ray, int(r.x1-r.x0))
		}
	}
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
	rows := make([][]run, b.ny*b.nz)
	for _, r := range b.runs {
		rows[int(r.z)*b.ny+int(r.y)] = append(rows[int(r.z)*b.ny+int(r.y)], r)
	}
	for zi := range b.nz {
		z := b.nz - 1 - zi
		for yi := range b.ny {
			y := yi
			if fy > 0 {
				y = b.ny - 1 - yi
			}
			row := rows[z*b.ny+y]
			for k := range row {
				r := row[k]
				if sign > 0 {
					r = row[len(row)-1-k]
				}
				s.rowAlongX(r, at, z*wide+y, sign)
			}
		}
	}
}

func (s *sweeper) rowAlongX(r run, at []int, ray0 int, sign float64) {
	cell := (int(r.z)*s.b.ny + int(r.y)) * s.b.nx
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
