package find

import (
	"math"
	"slices"

	"vertumna/core/limb"
)

// Openness is what can pass through the middle of a tree.
type Openness struct {
	CylinderCM float64 // widest upright cylinder: a hat is 35 cm
	SphereCM   float64 // widest ball: a hand is 12, a softball 10
}

// Things that are swung or dropped through a tree, cm across.
const (
	HatCM  = 35
	HandCM = 12
	BallCM = 10
)

// Numbers of the openness test (limbs.md#34-openness).
const (
	openStepCM  = 5
	openGridCM  = 10
	openAboveCM = 20
	openLeastCM = 15
	openPart    = 0.35
	openTop     = 0.9
)

type woodPoint struct {
	p limb.Vec
	r float64
}

// Middle measures how open the middle of a tree is. Limbs in skip are left out (a late leader in its vase).
func Middle(m *limb.Map, skip func(int) bool) Openness {
	c, ok := coreOf(m, skip)
	if !ok {
		return Openness{}
	}
	return Openness{CylinderCM: c.cylinder(), SphereCM: c.sphere()}
}

// core is the middle of a tree: the wood near it, and the columns that are tried.
type core struct {
	pts     []woodPoint
	x, y    float64 // its axis
	rc      float64 // columns are tried this far from the axis, and nothing wider is told
	z0, top float64
}

func coreOf(m *limb.Map, skip func(int) bool) (core, bool) {
	low := math.Inf(1)
	for i := range m.Axes {
		if m.Axes[i].Depth == 1 {
			low = math.Min(low, m.Base(i).Z)
		}
	}
	if math.IsInf(low, 1) {
		return core{}, false
	}
	_, spread := m.Footprint()
	h := m.Height()
	c := core{rc: math.Max(openLeastCM, openPart*spread/2), z0: low + openAboveCM, top: openTop * h}
	axis := m.TrunkAt((c.z0 + h) / 2)
	c.x, c.y = axis.X, axis.Y
	for i := range m.Axes {
		if m.Axes[i].Depth == 0 && m.Axes[i].Tip == limb.Cut || skip != nil && skip(i) {
			continue
		}
		c.pts = c.appendWood(m, i)
	}
	return c, true
}

// appendWood adds points along a limb. Wood farther out than twice rc keeps more than rc from every column.
func (c core) appendWood(m *limb.Map, i int) []woodPoint {
	a := &m.Axes[i]
	n := math.Max(1, math.Ceil(a.L/openStepCM-1e-9))
	for k := range int(n) + 1 {
		s := a.L * float64(k) / n
		p := m.At(i, s)
		if math.Hypot(p.X-c.x, p.Y-c.y)-radiusCM(a.D) <= 2*c.rc {
			c.pts = append(c.pts, woodPoint{p, radiusCM(m.Diameter(i, s))})
		}
	}
	return c.pts
}

// columns visits the plan grid.
func (c core) columns(visit func(x, y float64)) {
	cells := math.Floor(c.rc / openGridCM)
	for gx := -cells; gx <= cells; gx++ {
		for gy := -cells; gy <= cells; gy++ {
			if x, y := gx*openGridCM, gy*openGridCM; x*x+y*y <= c.rc*c.rc {
				visit(c.x+x, c.y+y)
			}
		}
	}
}

// cylinder is the widest upright cylinder that passes, cm across.
func (c core) cylinder() float64 {
	var flat []woodPoint
	for _, w := range c.pts {
		if w.p.Z >= c.z0 {
			w.p.Z = 0
			flat = append(flat, w)
		}
	}
	g := newGap(flat, c.rc)
	c.columns(func(x, y float64) { g.widen(limb.Vec{X: x, Y: y}) })
	return 2 * g.best
}

// sphere is the widest ball that passes, cm across.
func (c core) sphere() float64 {
	g := newGap(c.pts, c.rc)
	for z := c.z0 + openGridCM; z <= c.top; z += openGridCM {
		c.columns(func(x, y float64) { g.widen(limb.Vec{X: x, Y: y, Z: z}) })
	}
	return 2 * g.best
}

// gap keeps the widest clear radius found so far. Points are sorted into cells, so that a try looks at the wood close by
// first and is mostly ruled out by it, or by what ruled out the try before.
type gap struct {
	pts        []woodPoint // by cell
	start      []int32     // of each cell in pts
	lo         limb.Vec
	n          [3]int
	best, most float64
	thickest   float64
	last       woodPoint
}

const gapCellCM = 15

func newGap(pts []woodPoint, most float64) *gap {
	g := &gap{most: most, lo: limb.Vec{X: math.Inf(1), Y: math.Inf(1), Z: math.Inf(1)}, last: woodPoint{r: math.Inf(-1)}}
	hi := g.lo.Mul(-1)
	for _, w := range pts {
		g.lo = limb.Vec{X: math.Min(g.lo.X, w.p.X), Y: math.Min(g.lo.Y, w.p.Y), Z: math.Min(g.lo.Z, w.p.Z)}
		hi = limb.Vec{X: math.Max(hi.X, w.p.X), Y: math.Max(hi.Y, w.p.Y), Z: math.Max(hi.Z, w.p.Z)}
		g.thickest = math.Max(g.thickest, w.r)
	}
	if len(pts) == 0 {
		return g
	}
	g.n = [3]int{int((hi.X-g.lo.X)/gapCellCM) + 1, int((hi.Y-g.lo.Y)/gapCellCM) + 1, int((hi.Z-g.lo.Z)/gapCellCM) + 1}
	cell := func(p limb.Vec) int {
		c := g.cell(p)
		return (c[2]*g.n[1]+c[1])*g.n[0] + c[0]
	}
	g.start = make([]int32, g.n[0]*g.n[1]*g.n[2]+1)
	for _, w := range pts {
		g.start[cell(w.p)+1]++
	}
	for k := 1; k < len(g.start); k++ {
		g.start[k] += g.start[k-1]
	}
	g.pts = make([]woodPoint, len(pts))
	fill := slices.Clone(g.start)
	for _, w := range pts {
		k := cell(w.p)
		g.pts[fill[k]] = w
		fill[k]++
	}
	return g
}

// cell is the nearest cell to a place.
func (g *gap) cell(p limb.Vec) [3]int {
	f := func(x, lo float64, n int) int { return max(0, min(n-1, int(math.Floor((x-lo)/gapCellCM)))) }
	return [3]int{f(p.X, g.lo.X, g.n[0]), f(p.Y, g.lo.Y, g.n[1]), f(p.Z, g.lo.Z, g.n[2])}
}

// clear is how far a place keeps from the wood of a point.
func (w woodPoint) clear(p limb.Vec) float64 { return w.p.Sub(p).Len() - w.r }

// widen tries another middle.
func (g *gap) widen(p limb.Vec) {
	if g.best >= g.most || g.blocked(p) {
		return
	}
	clear := g.most
	for _, w := range g.pts {
		clear = math.Min(clear, w.clear(p))
	}
	g.best = math.Max(g.best, clear)
}

// blocked: some wood close by keeps a wider one from passing here.
func (g *gap) blocked(p limb.Vec) bool {
	if g.last.clear(p) <= g.best {
		return true
	}
	if len(g.pts) == 0 {
		return false
	}
	far := g.best + g.thickest
	lo, hi := g.cell(limb.Vec{X: p.X - far, Y: p.Y - far, Z: p.Z - far}), g.cell(limb.Vec{X: p.X + far, Y: p.Y + far, Z: p.Z + far})
	for z := lo[2]; z <= hi[2]; z++ {
		for y := lo[1]; y <= hi[1]; y++ {
			row := (z*g.n[1] + y) * g.n[0]
			for _, w := range g.pts[g.start[row+lo[0]]:g.start[row+hi[0]+1]] {
				if w.clear(p) <= g.best {
					g.last = w
					return true
				}
			}
		}
	}
	return false
}
