package light

import (
	"cmp"
	"math"
	"slices"
)

// Shading answers who shades whom, at cells of 20 cm: an eighth of the cells of the sweep.
type Shading struct {
	Owners []string
	// Lost[o][a] is the part of o's leaf light that a takes; a = o is its own shade.
	Lost [][]float64
	// Without is the light each owner's leaf would get without its own shade.
	Without []float64
	// SunHours is the hours of sun a day on each owner's leaf, its own shade left out.
	SunHours []float64
}

// ShadeCellCM is the width of a cell of the shading.
const ShadeCellCM = 20

// Shader gathers who stands where.
type Shader struct {
	owners []string
	cells  map[Cell]owned
}

type owned struct {
	owner int
	leaf  float64 // m2
	tau   float64 // of a crossing, where it does not depend on the path; 0: leaf
}

// NewShader is an empty yard.
func NewShader() *Shader { return &Shader{cells: map[Cell]owned{}} }

// Owner names one more that shades, and returns its place.
func (s *Shader) Owner(name string) int {
	s.owners = append(s.owners, name)
	return len(s.owners) - 1
}

// Leaf adds an owner's leaf to a cell of 20 cm. A cell in two crowns belongs to the one with more leaf there.
func (s *Shader) Leaf(owner int, c Cell, m2 float64) {
	if c.Z < 0 || m2 <= 0 {
		return
	}
	was, taken := s.cells[c]
	switch {
	case taken && was.owner == owner && was.tau == 0:
		was.leaf += m2
		s.cells[c] = was
	case !taken || was.tau == 0 && m2 > was.leaf:
		s.cells[c] = owned{owner: owner, leaf: m2}
	}
}

// Screen sets what takes the same light on any crossing.
func (s *Shader) Screen(owner int, c Cell, tau float64) {
	if c.Z >= 0 {
		s.cells[c] = owned{owner: owner, tau: math.Min(tau, opaqueTau)} // what shades is shared out: no infinity
	}
}

// opaqueTau lets no light through that counts.
const opaqueTau = 50

// Crown adds a crown of leaf.
func (s *Shader) Crown(owner int, c Crown) {
	n := c.cells(ShadeCellCM, nil)
	c.cells(ShadeCellCM, func(cell Cell) { s.Leaf(owner, cell, c.LeafM2/float64(n)) })
}

// slots is how many owners a ray tells apart; any further go to the last.
const slots = 6

type ray struct {
	owner [slots]int16
	tau   [slots]float32
	n     int8
}

func (r *ray) add(owner int, tau float64) {
	for i := range int(r.n) {
		if int(r.owner[i]) == owner {
			r.tau[i] += float32(tau)
			return
		}
	}
	if int(r.n) < slots {
		r.owner[r.n], r.tau[r.n] = int16(owner), float32(tau)
		r.n++
		return
	}
	r.tau[slots-1] += float32(tau)
}

// Shade works out who shades whom over a growing season.
func (s *Shader) Shade(latitude float64, set Set) Shading {
	n := len(s.owners)
	out := Shading{Owners: s.owners, Lost: make([][]float64, n), Without: make([]float64, n), SunHours: make([]float64, n)}
	for o := range out.Lost {
		out.Lost[o] = make([]float64, n)
	}
	leaf := make([]float64, n)
	var order []Cell
	for c := range s.cells {
		order = append(order, c)
	}
	sortCells(order)
	for _, c := range order {
		leaf[s.cells[c].owner] += s.cells[c].leaf
	}
	for _, d := range Directions(latitude, set) {
		s.send(d, order, leaf, &out)
	}
	for o := range n {
		if leaf[o] == 0 {
			out.Without[o] = 1
		}
	}
	return out
}

// frame turns a direction into axes: the plane a cell lies in, counted away from the sun, and its ray.
type frame struct {
	main   int // 0 x, 1 y, 2 z
	sign   float64
	fb, fc float64
	path   float64 // m through a cell
}

func frameOf(d Direction) frame {
	v := [3]float64{d.Toward.X, d.Toward.Y, d.Toward.Z}
	main := 2
	for _, a := range []int{1, 0} {
		if math.Abs(v[a]) > math.Abs(v[main]) {
			main = a
		}
	}
	b, c := others(main)
	m := math.Abs(v[main])
	return frame{main, math.Copysign(1, v[main]), v[b] / m, v[c] / m, ShadeCellCM / 100.0 / m}
}

func others(main int) (b, c int) {
	switch main {
	case 0:
		return 1, 2
	case 1:
		return 0, 2
	}
	return 0, 1
}

func (f frame) place(c Cell) (plane int, line [2]int) {
	q := [3]int{c.X, c.Y, c.Z}
	b, k := others(f.main)
	plane = -int(f.sign) * q[f.main]
	return plane, [2]int{q[b] + int(math.Floor(f.fb*float64(plane)+0.5)), q[k] + int(math.Floor(f.fc*float64(plane)+0.5))}
}

func (s *Shader) send(d Direction, order []Cell, leaf []float64, out *Shading) {
	f := frameOf(d)
	planes := map[int][]Cell{}
	least, most := math.MaxInt, math.MinInt
	for _, c := range order {
		p, _ := f.place(c)
		planes[p] = append(planes[p], c)
		least, most = min(least, p), max(most, p)
	}
	rays := map[[2]int]*ray{}
	for p := least; p <= most; p++ {
		for _, c := range planes[p] {
			_, at := f.place(c)
			r := rays[at]
			if r == nil {
				r = &ray{}
				rays[at] = r
			}
			s.cross(s.cells[c], r, f.path, d, leaf, out)
		}
	}
}

func (s *Shader) cross(c owned, r *ray, path float64, d Direction, leaf []float64, out *Shading) {
	e := c.tau
	if e == 0 {
		e = Extinction * c.leaf / (ShadeCellCM * ShadeCellCM * ShadeCellCM * 1e-6) * path
	}
	if o := c.owner; c.leaf > 0 {
		tot, me := e/2, e/2
		for i := range int(r.n) {
			tot += float64(r.tau[i])
			if int(r.owner[i]) == o {
				me += float64(r.tau[i])
			}
		}
		part := c.leaf / leaf[o]
		if tot > 0 {
			loss := 1 - math.Exp(-tot)
			for i := range int(r.n) {
				out.Lost[o][r.owner[i]] += d.Weight * part * loss * float64(r.tau[i]) / tot
			}
			out.Lost[o][o] += d.Weight * part * loss * (e / 2) / tot
		}
		free := math.Exp(-(tot - me))
		out.Without[o] += d.Weight * part * free
		out.SunHours[o] += d.Hours * part * free
	}
	r.add(c.owner, e)
}

// sortCells puts cells in one order, so that sums come out the same on every run.
func sortCells(cs []Cell) {
	slices.SortFunc(cs, func(a, b Cell) int {
		return cmp.Or(cmp.Compare(a.Z, b.Z), cmp.Compare(a.Y, b.Y), cmp.Compare(a.X, b.X))
	})
}
