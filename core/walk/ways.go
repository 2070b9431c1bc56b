package walk

import (
	"cmp"
	"math"
	"slices"
)

// offPath is what a metre beside the paths counts as, where there are paths: mulch, roots and wet grass (our estimate).
const offPath = 1.3

// net is all places one may walk by, with the ways between them: what they count as, and their metres.
type net struct {
	at          [][2]float64
	way, metres [][]float64
}

// distances between stops, and from the start (the row behind them), round walls and beds and along paths: what they count as when an
// order is sought, and their metres. Cost: places cubed; a wall has two, a bed its corners, a path its own and one for each stop.
func distances(d Day, stops []Stop) (way, metres [][]float64) {
	n := net{}
	for _, s := range stops {
		n.at = append(n.at, [2]float64{s.X, s.Y})
	}
	n.at = append(n.at, d.Start)
	seen := len(n.at)
	for _, w := range d.Walls { // one walks round its ends
		if len(w) >= 2 {
			n.at = append(n.at, beyond(w[0], w[1]), beyond(w[len(w)-1], w[len(w)-2]))
		}
	}
	walls := d.Walls
	for _, b := range d.Beds {
		b = b.plain()
		if len(b) < 3 || slices.ContainsFunc(n.at[:seen], b.holds) {
			continue
		}
		n.at = append(n.at, b.corners()...)
		walls = append(slices.Clone(walls), append(Wall(b), b[0]))
	}
	var along [][]int
	for _, p := range d.Paths {
		if len(p) >= 2 {
			along = append(along, n.lay(p, seen))
		}
	}
	beside := 1.0
	if len(along) > 0 {
		beside = offPath
	}
	n.straight(walls, beside)
	for _, p := range along {
		for k := 1; k < len(p); k++ {
			n.join(p[k-1], p[k], 1)
		}
	}
	n.close()
	for i := range seen { // a yard that is closed off all round is walked over
		for j := range seen {
			if math.IsInf(n.way[i][j], 1) {
				n.metres[i][j] = apart(n.at[i], n.at[j])
				n.way[i][j] = beside * n.metres[i][j]
			}
		}
	}
	return n.way, n.metres
}

// lay puts a path's places into the net, with where each of the first so many places would step onto it, and gives them in their order
// along it.
func (n *net) lay(p Path, seen int) []int {
	type place struct {
		s  float64 // metres along
		at [2]float64
	}
	var all []place
	s := 0.0
	for i, pt := range p {
		if i > 0 {
			s += apart(p[i-1], pt)
		}
		all = append(all, place{s, pt})
	}
	for _, from := range n.at[:seen] {
		best, s, found := math.Inf(1), 0.0, place{}
		for i := 1; i < len(p); i++ {
			l := apart(p[i-1], p[i])
			if on, t := foot(from, p[i-1], p[i]); apart(from, on) < best {
				best, found = apart(from, on), place{s + t*l, on}
			}
			s += l
		}
		all = append(all, found)
	}
	slices.SortStableFunc(all, func(a, b place) int { return cmp.Compare(a.s, b.s) })
	out := make([]int, len(all))
	for k, x := range all {
		out[k] = len(n.at)
		n.at = append(n.at, x.at)
	}
	return out
}

// foot is the place of a stretch nearest to another place, and how far along it lies, 0..1.
func foot(from, a, b [2]float64) ([2]float64, float64) {
	dx, dy := b[0]-a[0], b[1]-a[1]
	t := 0.0
	if l := dx*dx + dy*dy; l > 0 {
		t = math.Min(1, math.Max(0, ((from[0]-a[0])*dx+(from[1]-a[1])*dy)/l))
	}
	return [2]float64{a[0] + t*dx, a[1] + t*dy}, t
}

func apart(a, b [2]float64) float64 { return math.Hypot(a[0]-b[0], a[1]-b[1]) }

// straight joins all places that see each other.
func (n *net) straight(walls []Wall, counts float64) {
	n.way, n.metres = make([][]float64, len(n.at)), make([][]float64, len(n.at))
	for i := range n.at {
		n.way[i], n.metres[i] = make([]float64, len(n.at)), make([]float64, len(n.at))
		for j := range n.at {
			n.way[i][j], n.metres[i][j] = math.Inf(1), math.Inf(1)
		}
	}
	for i := range n.at {
		for j := range i + 1 {
			if i == j || !crosses(n.at[i], n.at[j], walls) {
				n.join(i, j, counts)
			}
		}
	}
}

// join makes a way between two places.
func (n *net) join(i, j int, counts float64) {
	m := apart(n.at[i], n.at[j])
	for _, x := range [][2]int{{i, j}, {j, i}} {
		n.way[x[0]][x[1]], n.metres[x[0]][x[1]] = math.Min(n.way[x[0]][x[1]], counts*m), m
	}
}

// close finds the best way between any two places.
func (n *net) close() {
	for k := range n.at {
		for i := range n.at {
			to := n.way[i][k]
			if math.IsInf(to, 1) {
				continue
			}
			for j, on := range n.way[k] {
				if to+on < n.way[i][j] {
					n.way[i][j], n.metres[i][j] = to+on, n.metres[i][k]+n.metres[k][j]
				}
			}
		}
	}
}
