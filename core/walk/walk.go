// Package walk orders a day in the yard: which jobs fit the time one has, in which order the trees are visited, what is carried. Places
// are metres, times minutes. It knows no trees: a caller says what each job takes and what harm its missing does.
package walk

import (
	"cmp"
	"math"
	"slices"

	"vertumna/core/num"
)

// Health of a stop, in the order trees are touched: clean first, so that no tool carries a sickness on.
type Health int

// The healths.
const (
	Clean    Health = iota
	Sick            // something catching was seen on it
	Cankered        // canker or rot in its wood
)

// Job is one task at a stop.
type Job struct {
	ID      string
	Minutes float64
	Harm    int  // if missed, 0 none to 3
	Closing bool // its window ends soon
}

// worth orders jobs when time is short: harm and haste before all else (ours).
func (j Job) worth() int {
	w := 1 + j.Harm
	if j.Closing {
		w *= 3
	}
	return w
}

// Stop is a tree with what is to do at it.
type Stop struct {
	ID     string
	Label  string // by which a person would go
	X, Y   float64
	Health Health
	Jobs   []Job
}

// Wall is what one walks round: a line of places.
type Wall [][2]float64

// Bed is the outline of what nobody walks on: a bed, a shed, a pond. Its last place is joined to its first.
type Bed [][2]float64

// Path is where one likes to walk: a line of places. Where it meets a wall there is a gate.
type Path [][2]float64

// Day is what a walk is made from.
type Day struct {
	Stops   []Stop
	Minutes float64 // 0: all there is
	Start   [2]float64
	Walls   []Wall
	Beds    []Bed  // outlines walked round; one with a tree in it is walked on
	Paths   []Path // walked along where that is little longer
}

// Plan is the walk: stops in order with the jobs that fit, those left out, and its length in metres.
type Plan struct {
	Stops   []Stop
	Left    []Left
	Minutes float64
	Metres  float64
	Labels  float64 // metres of the same stops in the order of their labels, clean before sick
}

// Left is a job that does not fit.
type Left struct {
	Stop string
	Job  Job
}

// exactStops: to this many stops the shortest way is found exactly, beyond it by improving a good one.
const exactStops = 12

// Of is the day's walk. With less time the jobs of least worth are left; more time never does less. Cost: jobs times minutes, and stops
// cubed, or 2^12 for the exact way.
func Of(d Day) Plan {
	stops, left := fit(d)
	out := Plan{Left: left}
	way, metres := distances(d, stops)
	byLabel := make([]int, len(stops))
	for i := range byLabel {
		byLabel[i] = i
	}
	slices.SortStableFunc(byLabel, func(a, b int) int {
		return cmp.Or(cmp.Compare(stops[a].Health, stops[b].Health), cmp.Compare(stops[a].Label, stops[b].Label))
	})
	order := shortest(stops, way)
	out.Labels = length(byLabel, metres)
	if out.Metres = length(order, metres); out.Metres > out.Labels {
		order, out.Metres = byLabel, out.Labels
	}
	for _, i := range order {
		out.Stops = append(out.Stops, stops[i])
		for _, j := range stops[i].Jobs {
			out.Minutes += j.Minutes
		}
	}
	return out
}

// fit chooses the jobs of greatest worth that fit the minutes: a knapsack, in whole minutes.
func fit(d Day) ([]Stop, []Left) {
	type item struct {
		stop, job int
		minutes   int
		worth     int
	}
	var items []item
	for s := range d.Stops {
		for j, job := range d.Stops[s].Jobs {
			items = append(items, item{s, j, int(math.Max(1, num.Ceil(job.Minutes))), job.worth()})
		}
	}
	chosen := make([]bool, len(items))
	if d.Minutes <= 0 {
		for i := range chosen {
			chosen[i] = true
		}
	} else {
		most := int(num.Floor(d.Minutes))
		best := make([][]int, len(items)+1)
		best[0] = make([]int, most+1)
		for i, it := range items {
			row := slices.Clone(best[i])
			for m := it.minutes; m <= most; m++ {
				row[m] = max(row[m], best[i][m-it.minutes]+it.worth)
			}
			best[i+1] = row
		}
		for i, m := len(items)-1, most; i >= 0; i-- {
			if best[i+1][m] != best[i][m] {
				chosen[i], m = true, m-items[i].minutes
			}
		}
	}
	var left []Left
	jobs := make([][]Job, len(d.Stops))
	for i, it := range items {
		job := d.Stops[it.stop].Jobs[it.job]
		if chosen[i] {
			jobs[it.stop] = append(jobs[it.stop], job)
		} else {
			left = append(left, Left{d.Stops[it.stop].ID, job})
		}
	}
	var stops []Stop
	for s, js := range jobs {
		if len(js) > 0 {
			stop := d.Stops[s]
			stop.Jobs = js
			stops = append(stops, stop)
		}
	}
	return stops, left
}

// aroundM is how far from its end one walks round a wall, metres.
const aroundM = 0.4

// beyond is a place a little past the end of a wall.
func beyond(end, before [2]float64) [2]float64 {
	dx, dy := end[0]-before[0], end[1]-before[1]
	l := math.Hypot(dx, dy)
	if l == 0 {
		return end
	}
	return [2]float64{end[0] + aroundM*dx/l, end[1] + aroundM*dy/l}
}

// mostCorners a bed is walked round by; a finer outline is thinned to that.
const mostCorners = 16

// plain is the outline with few enough corners, none twice.
func (b Bed) plain() Bed {
	var out Bed
	step := max(1, (len(b)+mostCorners-1)/mostCorners)
	for i := 0; i < len(b); i += step {
		if len(out) == 0 || b[i] != out[len(out)-1] && b[i] != out[0] {
			out = append(out, b[i])
		}
	}
	return out
}

// holds says whether a place lies within.
func (b Bed) holds(p [2]float64) bool {
	in := false
	for i, j := 0, len(b)-1; i < len(b); j, i = i, i+1 {
		if (b[i][1] > p[1]) != (b[j][1] > p[1]) && p[0] < (b[j][0]-b[i][0])*(p[1]-b[i][1])/(b[j][1]-b[i][1])+b[i][0] {
			in = !in
		}
	}
	return in
}

// corners are places a little outside of its own.
func (b Bed) corners() [][2]float64 {
	var mid [2]float64
	for _, p := range b {
		mid[0], mid[1] = mid[0]+p[0]/float64(len(b)), mid[1]+p[1]/float64(len(b))
	}
	var out [][2]float64
	for _, p := range b {
		out = append(out, beyond(p, mid))
	}
	return out
}

func crosses(a, b [2]float64, walls []Wall) bool {
	for _, w := range walls {
		for i := 1; i < len(w); i++ {
			if meet(a, b, w[i-1], w[i]) {
				return true
			}
		}
	}
	return false
}

// meet says whether two stretches cross.
func meet(a, b, c, d [2]float64) bool {
	side := func(p, q, r [2]float64) float64 {
		return (q[0]-p[0])*(r[1]-p[1]) - (q[1]-p[1])*(r[0]-p[0])
	}
	return side(a, b, c)*side(a, b, d) < 0 && side(c, d, a)*side(c, d, b) < 0
}

// length of a walk from the start through stops in an order.
func length(order []int, way [][]float64) float64 {
	from, sum := startOf(way, order), 0.0
	for _, i := range order {
		sum, from = sum+way[from][i], i
	}
	return sum
}

// startOf is the row of the start: the one behind the stops.
func startOf(way [][]float64, order []int) int {
	if len(order) == 0 {
		return 0
	}
	return min(len(order), len(way)-1)
}

// shortest is the order of least length, health by health: exact for few stops, else the nearest next, improved by turning stretches
// round.
func shortest(stops []Stop, way [][]float64) []int {
	var order []int
	from := min(len(stops), len(way)-1)
	for h := Clean; h <= Cankered; h++ {
		var group []int
		for i, s := range stops {
			if s.Health == h {
				group = append(group, i)
			}
		}
		if len(group) == 0 {
			continue
		}
		var part []int
		if len(group) <= exactStops {
			part = exact(from, group, way)
		} else {
			part = improved(from, nearest(from, group, way), way)
		}
		order = append(order, part...)
		from = part[len(part)-1]
	}
	return order
}

// exact is the shortest open way from a place through all of a group: dynamic programming over its subsets.
func exact(from int, group []int, way [][]float64) []int {
	n := len(group)
	best := make([][]float64, 1<<n)
	prev := make([][]int8, 1<<n)
	for set := range best {
		best[set], prev[set] = make([]float64, n), make([]int8, n)
		for i := range n {
			best[set][i], prev[set][i] = math.Inf(1), -1
		}
	}
	for i := range n {
		best[1<<i][i] = way[from][group[i]]
	}
	for set := 1; set < 1<<n; set++ {
		for i := range n {
			if set&(1<<i) == 0 || math.IsInf(best[set][i], 1) {
				continue
			}
			for j := range n {
				if set&(1<<j) != 0 {
					continue
				}
				if c := best[set][i] + way[group[i]][group[j]]; c < best[set|1<<j][j]-num.Slack {
					best[set|1<<j][j], prev[set|1<<j][j] = c, int8(i)
				}
			}
		}
	}
	set, last := 1<<n-1, 0
	for i := range n {
		if best[set][i] < best[set][last]-num.Slack {
			last = i
		}
	}
	out := make([]int, n)
	for k := n - 1; k >= 0; k-- {
		out[k] = group[last]
		set, last = set&^(1<<last), int(prev[set][last])
	}
	return out
}

func nearest(from int, group []int, way [][]float64) []int {
	rest, out := slices.Clone(group), make([]int, 0, len(group))
	for len(rest) > 0 {
		k := 0
		for i := range rest {
			if way[from][rest[i]] < way[from][rest[k]]-num.Slack {
				k = i
			}
		}
		from = rest[k]
		out, rest = append(out, from), slices.Delete(rest, k, k+1)
	}
	return out
}

// improved turns stretches of a way round while that shortens it.
func improved(from int, order []int, way [][]float64) []int {
	leg := func(i int) int {
		if i < 0 {
			return from
		}
		return order[i]
	}
	for better := true; better; {
		better = false
		for i := range order {
			for j := i + 1; j < len(order); j++ {
				was, is := way[leg(i-1)][order[i]], way[leg(i-1)][order[j]]
				if j+1 < len(order) {
					was, is = was+way[order[j]][order[j+1]], is+way[order[i]][order[j+1]]
				}
				if is < was-1e-6 {
					slices.Reverse(order[i : j+1])
					better = true
				}
			}
		}
	}
	return order
}
