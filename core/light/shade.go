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

	from *passage
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
	n := c.rows(ShadeCellCM, nil)
	c.rows(ShadeCellCM, func(first Cell, along int) {
		for x := range along {
			s.Leaf(owner, Cell{first.X + x, first.Y, first.Z}, c.LeafM2/float64(n))
		}
	})
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

// Shade works out who shades whom over a growing season. Cost: cells times directions.
func (s *Shader) Shade(latitude float64, set Set) Shading {
	p := s.passage(latitude, set)
	n := len(s.owners)
	out := Shading{from: p, Owners: s.owners, Lost: make([][]float64, n), Without: make([]float64, n), SunHours: make([]float64, n)}
	for o := range out.Lost {
		out.Lost[o] = make([]float64, n)
	}
	for k := range p.dirs {
		t := &p.dirs[k]
		for i := range t.lines() {
			r := ray{}
			for _, c := range t.line(i) {
				p.cross(p.at[c], &r, t, &out)
			}
		}
	}
	for o := range n {
		if p.leaf[o] == 0 {
			out.Without[o] = 1
		}
	}
	return out
}

// passage is a yard with its rays: for every direction the cells that each ray meets, from the sun on.
type passage struct {
	stands map[Cell]owned
	cells  []Cell    // in order
	at     []owned   // what stands in each
	leaf   []float64 // of each owner, m2
	dirs   []rays
}

// rays are the parallel rays of one direction.
type rays struct {
	Direction
	frame
	lo, size [2]int  // the rectangle of lines
	id       []int32 // of the ray on a line, row by row; -1: none
	start    []int32 // where each ray's cells begin in order
	order    []int32 // cells, ray by ray, from the sun on
}

func (t *rays) lines() int         { return len(t.start) - 1 }
func (t *rays) line(i int) []int32 { return t.order[t.start[i]:t.start[i+1]] }

// on is the ray on a line, -1 where none meets a cell.
func (t *rays) on(line [2]int) int {
	x, y := line[0]-t.lo[0], line[1]-t.lo[1]
	if x < 0 || y < 0 || x >= t.size[0] || y >= t.size[1] {
		return -1
	}
	return int(t.id[y*t.size[0]+x])
}

func (s *Shader) passage(latitude float64, set Set) *passage {
	p := &passage{stands: s.cells, leaf: make([]float64, len(s.owners))}
	for c := range s.cells {
		p.cells = append(p.cells, c)
	}
	sortCells(p.cells)
	for _, c := range p.cells {
		o := s.cells[c]
		p.at = append(p.at, o)
		p.leaf[o.owner] += o.leaf
	}
	for _, d := range Directions(latitude, set) {
		p.dirs = append(p.dirs, p.raysOf(d))
	}
	return p
}

// raysOf sorts the cells by plane, counted away from the sun, then by ray; both by counting.
func (p *passage) raysOf(d Direction) rays {
	t := rays{Direction: d, frame: frameOf(d), start: []int32{0}}
	if len(p.cells) == 0 {
		return t
	}
	plane, lines := make([]int, len(p.cells)), make([][2]int, len(p.cells))
	least, most := math.MaxInt, math.MinInt
	lo, hi := [2]int{math.MaxInt, math.MaxInt}, [2]int{math.MinInt, math.MinInt}
	all := make([]int32, len(p.cells))
	for k, c := range p.cells {
		all[k] = int32(k)
		plane[k], lines[k] = t.place(c)
		least, most = min(least, plane[k]), max(most, plane[k])
		for i, v := range lines[k] {
			lo[i], hi[i] = min(lo[i], v), max(hi[i], v)
		}
	}
	t.lo, t.size = lo, [2]int{hi[0] - lo[0] + 1, hi[1] - lo[1] + 1}
	t.id = slices.Repeat([]int32{-1}, t.size[0]*t.size[1])
	n := 0
	for _, line := range lines {
		if at := (line[1]-lo[1])*t.size[0] + line[0] - lo[0]; t.id[at] < 0 {
			t.id[at] = int32(n)
			n++
		}
	}
	byPlane, _ := grouped(all, most-least+1, func(c int32) int { return plane[c] - least })
	t.order, t.start = grouped(byPlane, n, func(c int32) int { return t.on(lines[c]) })
	return t
}

// grouped sorts things into n groups, keeping their order within each, and tells where each group starts.
func grouped(list []int32, n int, group func(int32) int) (sorted, start []int32) {
	start = make([]int32, n+1)
	for _, c := range list {
		start[group(c)+1]++
	}
	for i := range n {
		start[i+1] += start[i]
	}
	next, sorted := slices.Clone(start[:n]), make([]int32, len(list))
	for _, c := range list {
		g := group(c)
		sorted[next[g]] = c
		next[g]++
	}
	return sorted, start
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

// depth is how much light a cell takes on a path through it, m.
func (c owned) depth(path float64) float64 {
	if c.tau > 0 {
		return c.tau
	}
	return Extinction * c.leaf / (ShadeCellCM * ShadeCellCM * ShadeCellCM * 1e-6) * path
}

// behind is what a ray has met of all owners and of one.
func (r *ray) behind(owner int) (all, own float64) {
	for i := range int(r.n) {
		all += float64(r.tau[i])
		if int(r.owner[i]) == owner {
			own += float64(r.tau[i])
		}
	}
	return all, own
}

func (p *passage) cross(c owned, r *ray, d *rays, out *Shading) {
	e := c.depth(d.path)
	if o := c.owner; c.leaf > 0 {
		tot, me := r.behind(o)
		tot, me = tot+e/2, me+e/2
		part := c.leaf / p.leaf[o]
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
