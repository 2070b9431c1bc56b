package paper

import (
	"math"
	"slices"

	"vertumna/core/limb"
	"vertumna/orchard"
)

// vec is a place in the tree, cm: x east, y north, z up.
type vec [3]float64

// view is a way of looking: unit vectors to the right, up, and away from who looks.
type view struct{ right, up, away vec }

// standingAt is the view of who stands at a bearing from the trunk and looks at it.
func standingAt(bearing float64) view {
	s, c := math.Sincos(bearing * math.Pi / 180)
	return view{right: vec{-c, s, 0}, up: vec{0, 0, 1}, away: vec{-s, -c, 0}}
}

// fromAbove is the view from above, north up.
var fromAbove = view{right: vec{1, 0, 0}, up: vec{0, 1, 0}, away: vec{0, 0, -1}}

func dot(a, b vec) float64 { return a[0]*b[0] + a[1]*b[1] + a[2]*b[2] }

// Stations come as x, y, z, radius, age.
const stationWidth = 5

func stations(l *orchard.DrawnLimb) int { return len(l.Stations) / stationWidth }

func station(l *orchard.DrawnLimb, k int) (p vec, r float64) {
	s := l.Stations[k*stationWidth:]
	return vec{s[0], s[1], s[2]}, s[3]
}

// along is the place so many cm along a limb.
func along(l *orchard.DrawnLimb, cm float64) vec {
	last := vec{}
	for k := range stations(l) {
		p, _ := station(l, k)
		if k > 0 {
			d := math.Sqrt(dot(sub(p, last), sub(p, last)))
			if d >= cm && d > 0 {
				return mix(last, p, cm/d)
			}
			cm -= d
		}
		last = p
	}
	return last
}

func sub(a, b vec) vec { return vec{a[0] - b[0], a[1] - b[1], a[2] - b[2]} }

func mix(a, b vec, t float64) vec {
	return vec{a[0] + (b[0]-a[0])*t, a[1] + (b[1]-a[1])*t, a[2] + (b[2]-a[2])*t}
}

// goesFrom is from where on each limb goes with the steps, cm; limbs that stay whole are not in it.
func goesFrom(limbs []orchard.DrawnLimb, steps []orchard.StepBody) map[string]float64 {
	out := map[string]float64{}
	for _, s := range steps {
		if s.Cut.Kind == limb.SpurThin || s.Cut.Kind == limb.Notch {
			continue
		}
		at := math.Max(0, s.Cut.AtCM)
		if was, cut := out[s.Cut.Limb]; !cut || at < was {
			out[s.Cut.Limb] = at
		}
	}
	for i := range limbs { // carriers before what they carry
		l := &limbs[i]
		if from, gone := out[l.Parent]; gone && l.Parent != "" && l.Attach >= from {
			out[l.ID] = 0
		}
	}
	return out
}

// piece is a stretch of wood between two stations.
type piece struct {
	a, b   vec
	ra, rb float64
	goes   bool
	depth  float64
}

// piecesOf are all stretches, the farthest first; one that a cut falls into is parted there.
func piecesOf(limbs []orchard.DrawnLimb, goes map[string]float64, v view) []piece {
	var out []piece
	add := func(p piece) {
		p.depth = dot(mix(p.a, p.b, 0.5), v.away)
		out = append(out, p)
	}
	for i := range limbs {
		l := &limbs[i]
		from, some := goes[l.ID]
		if !some {
			from = math.Inf(1)
		}
		way := 0.0
		for k := 1; k < stations(l); k++ {
			a, ra := station(l, k-1)
			b, rb := station(l, k)
			d := math.Sqrt(dot(sub(b, a), sub(b, a)))
			switch {
			case d == 0:
			case way >= from-0.01:
				add(piece{a: a, b: b, ra: ra, rb: rb, goes: true})
			case way+d <= from:
				add(piece{a: a, b: b, ra: ra, rb: rb})
			default:
				t := (from - way) / d
				m, rm := mix(a, b, t), ra+(rb-ra)*t
				add(piece{a: a, b: m, ra: ra, rb: rm})
				add(piece{a: m, b: b, ra: rm, rb: rb, goes: true})
			}
			way += d
		}
	}
	slices.SortStableFunc(out, func(x, y piece) int {
		switch {
		case x.depth > y.depth:
			return -1
		case x.depth < y.depth:
			return 1
		}
		return 0
	})
	return out
}
