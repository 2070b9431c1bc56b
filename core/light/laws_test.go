package light_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/growth"
	"vertumna/core/light"
	"vertumna/core/limb"
)

func TestVectorsWhoShadesWhom(t *testing.T) {
	m := yard(t).Matrix
	require.Equal(t, float64(light.ShadeCellCM), m.Cell)
	s := light.NewShader()
	names := []string{"tree1", "tree2", "tree3"}
	for k, c := range m.Crowns {
		s.Crown(s.Owner(names[k]), light.Crown{X: c.X, Y: c.Y, Z0: c.Z0, Z1: c.Z1, R: c.R, LeafM2: c.Leaf})
	}
	fence := s.Owner("fence")
	for x := range 25 {
		for z := range 9 {
			s.Screen(fence, light.Cell{X: x, Y: 0, Z: z}, 50)
		}
	}
	got := s.Shade(m.Latitude, m.Set)
	for o, name := range names {
		require.InDelta(t, m.Without[name], got.Without[o], 0.002, name)
		require.InDelta(t, m.SunHours[name], got.SunHours[o], 0.02, name)
		sum := 0.0
		for a, by := range append(append([]string{}, names...), "fence") {
			require.InDelta(t, m.Lost[name+"<-"+by], got.Lost[o][a], 0.002, "%s<-%s", name, by)
			sum += got.Lost[o][a]
		}
		require.LessOrEqual(t, sum, 1.0)
	}
}

func slab(density float64) *light.Grid {
	g := light.NewGrid()
	for x := -6; x < 6; x++ {
		for y := -6; y < 6; y++ {
			for z := 8; z < 14; z++ {
				g.Density(light.Cell{X: x, Y: y, Z: z}, density)
			}
		}
	}
	g.Ask(light.Cell{X: 0, Y: 0, Z: 2})
	return g
}

func TestMoreLeafOrAWallNeverGivesMoreLight(t *testing.T) {
	under := light.Cell{X: 0, Y: 0, Z: 2}
	sky := light.Directions(47, light.Coarse)
	before := 1.0
	for _, density := range []float64{0, 0.5, 1, 3, 9, 60} {
		at := slab(density).Sweep(sky).At(under)
		require.LessOrEqual(t, at, before+1e-6)
		before = at
	}
	open := slab(1).Sweep(sky).At(under)
	for _, tau := range []float64{light.HedgeTau, math.Inf(1)} {
		g := slab(1)
		g.Wall([][2]float64{{-100, -60}, {100, -60}, {100, -40}, {-100, -40}}, 200, tau)
		walled := g.Sweep(sky).At(under)
		require.Less(t, walled, open)
		open = walled
	}
}

func TestEveryCellIsTheProductAlongItsRay(t *testing.T) {
	g := light.NewGrid()
	at := func(x, y, z int) float64 { return float64((x*7+y*3+z*5)%9) * 0.5 }
	for x := range 9 {
		for y := range 9 {
			for z := range 9 {
				g.Density(light.Cell{X: x, Y: y, Z: z}, at(x, y, z))
				g.Ask(light.Cell{X: x, Y: y, Z: z})
			}
		}
	}
	for _, d := range light.Directions(45, light.Coarse) {
		d.Weight = 1
		f := g.Sweep([]light.Direction{d})
		for _, c := range []light.Cell{{X: 4, Y: 4, Z: 4}, {X: 0, Y: 8, Z: 1}, {X: 8, Y: 2, Z: 0}} {
			require.InDelta(t, walk(c, d.Toward, at), f.At(c), 1e-5, "%v %v", c, d.Toward)
		}
	}
}

// walk follows a cell's digital ray toward the light, cell by cell.
func walk(c light.Cell, v limb.Vec, density func(x, y, z int) float64) float64 {
	w, q := [3]float64{v.X, v.Y, v.Z}, [3]int{c.X, c.Y, c.Z}
	main := 2
	for _, a := range []int{1, 0} {
		if math.Abs(w[a]) > math.Abs(w[main]) {
			main = a
		}
	}
	b, k := (main+1)%3, (main+2)%3
	sign, m := 1, math.Abs(w[main])
	if w[main] < 0 {
		sign = -1
	}
	shift := func(plane int, f float64) int { return int(math.Floor(f*float64(plane) + 0.5)) }
	plane := -sign * q[main]
	lineB, lineK := q[b]+shift(plane, w[b]/m), q[k]+shift(plane, w[k]/m)
	tau := 0.0
	for p := plane; ; p-- {
		var at [3]int
		at[main], at[b], at[k] = -sign*p, lineB-shift(p, w[b]/m), lineK-shift(p, w[k]/m)
		if at[main] < 0 || at[main] > 8 {
			return math.Exp(-tau)
		}
		if at[b] < 0 || at[b] > 8 || at[k] < 0 || at[k] > 8 {
			continue
		}
		e := light.Extinction * density(at[0], at[1], at[2]) * 0.1 / m
		if p == plane {
			e /= 2
		}
		tau += e
	}
}

func TestOpenGroundGetsTheWholeSeasonsSunAndAWallTakesItsPart(t *testing.T) {
	spot := []limb.Vec{{X: 5, Y: 5, Z: 5}}
	open := light.NewGrid().SunHours(spot, 46, light.Fine)[0]
	require.InDelta(t, 12.3, open, 0.4)
	g := light.NewGrid()
	g.Wall([][2]float64{{-300, -80}, {300, -80}, {300, -60}, {-300, -60}}, 250, math.Inf(1))
	south := g.SunHours(spot, 46, light.Fine)[0]
	require.Less(t, south, 0.8*open)
	g = light.NewGrid()
	g.Wall([][2]float64{{-300, 60}, {300, 60}, {300, 80}, {-300, 80}}, 250, math.Inf(1))
	require.Greater(t, g.SunHours(spot, 46, light.Fine)[0], south, "a wall to the north takes less, this side of the equator")
	require.Less(t, g.SunHours(spot, -38, light.Fine)[0], open*0.8, "and more on the other")
}

// orchard is 30 trees on 12 x 15 m with a fence: the yard of the benchmark.
func orchard() *light.Grid {
	g := light.NewGrid()
	for k := range 30 {
		x, y := 100+200*float64(k%6), 120+300*float64(k/6)
		g.Crown(light.Crown{X: x, Y: y, Z0: 60, Z1: 260 + 20*float64(k%4), R: 95, LeafM2: light.LeafOfCrown(95, light.BearingLAI)})
	}
	g.Wall([][2]float64{{0, 1490}, {1200, 1490}, {1200, 1500}, {0, 1500}}, 180, math.Inf(1))
	return g
}

func BenchmarkLightOfThirtyTrees(b *testing.B) {
	sky := light.Directions(46, light.Fine)
	g := orchard()
	for b.Loop() {
		g.Sweep(sky)
	}
}

func BenchmarkLightOfOneTree(b *testing.B) {
	doc, err := growth.Sketch(growth.SketchInput{Species: "apple", Form: "open-vase", Age: 14, TrunkMM: 160, HeightCM: 420, SpreadCM: 460, Scaffolds: 8, Seed: 3})
	require.NoError(b, err)
	m, err := limb.Check(doc)
	require.NoError(b, err)
	for b.Loop() {
		light.OfTree(m, 46, light.Coarse)
	}
}

// pair is a tree of a height with a low neighbour to its north, and a hedge.
func pair(top float64) *light.Shader {
	s := light.NewShader()
	tall, low := s.Owner("tall"), s.Owner("low")
	s.Crown(tall, light.Crown{X: 0, Y: 0, Z0: 60, Z1: top, R: 150, LeafM2: 0.06 * (top - 60)})
	s.Crown(low, light.Crown{X: 0, Y: 260, Z0: 60, Z1: 200, R: 100, LeafM2: 8})
	s.Wall(s.Owner("hedge"), [][2]float64{{-200, 420}, {200, 420}, {200, 440}, {-200, 440}}, 150, light.HedgeTau)
	return s
}

func TestATallTreeIsCappedWhereItsNeighbourWouldFallShort(t *testing.T) {
	const keep, north = 0.85, 46
	lightOf := func(top float64) float64 { return pair(top).Shade(north, light.Coarse).Without[1] }
	caps := map[float64]light.Cap{}
	for _, top := range []float64{300, 400, 600} {
		c := pair(top).Shade(north, light.Coarse).Caps([]float64{top, 200, 0}, keep)
		require.Equal(t, 1, c[0].Binds)
		require.False(t, c[0].Short)
		require.Zero(t, c[2].CM, "a hedge is not asked")
		require.InDelta(t, lightOf(top), c[0].Keeps, 1e-9, "what the neighbour has now")
		caps[top] = c[0]
		require.GreaterOrEqual(t, lightOf(c[0].CM), keep-0.015, "a tree of that height leaves its neighbour its part")
		require.Less(t, lightOf(c[0].CM+2*light.ShadeCellCM), keep+0.01, "and a taller one does not")
	}
	require.InDelta(t, caps[300].CM, caps[600].CM, 2*light.ShadeCellCM, "whether it is grown to that height or cut down to it")
	require.Less(t, caps[600].CM, 600.0)
	require.Greater(t, caps[300].CM, 200.0)
}

func TestWhereOthersTakeTheLightATreeMayTakeNoMore(t *testing.T) {
	s := pair(400)
	for k, x := range []float64{-300, 300} {
		s.Crown(s.Owner([]string{"west", "east"}[k]), light.Crown{X: x, Y: 260, Z0: 40, Z1: 700, R: 240, LeafM2: 60})
	}
	c := s.Shade(46, light.Coarse).Caps([]float64{400, 200, 0, 700, 700}, 0.85)[0]
	require.Equal(t, 1, c.Binds)
	require.True(t, c.Short)
	require.Less(t, c.CM, 400.0)
}

// TestKeptLightIsThatOfRowsAtTheRuleOfThumb holds the cap and the rule of thumb beside each other where both can speak.
func TestKeptLightIsThatOfRowsAtTheRuleOfThumb(t *testing.T) {
	const apart = 300.0
	for _, latitude := range []float64{38, 46, -46, 52} {
		for _, eastWest := range []bool{false, true} {
			s, middle := light.NewShader(), -1
			for row := -2; row <= 2; row++ {
				for k := -5; k <= 5; k++ {
					x, y := apart*float64(row), apart/2*float64(k)
					if eastWest {
						x, y = y, x
					}
					o := s.Owner("tree")
					if row == 0 && k == 0 {
						middle = o
					}
					s.Crown(o, light.Crown{X: x, Y: y, Z0: 50, Z1: 0.9 * apart, R: 80, LeafM2: light.LeafOfCrown(80, light.BearingLAI)})
				}
			}
			require.InDelta(t, light.KeepLight, s.Shade(latitude, light.Coarse).Without[middle], 0.045, "%.0f degrees, rows east to west: %v", latitude, eastWest)
		}
	}
}

func TestATreeAloneIsNotCapped(t *testing.T) {
	alone := light.NewShader()
	alone.Crown(alone.Owner("alone"), light.Crown{Z0: 60, Z1: 400, R: 150, LeafM2: 18})
	require.Equal(t, -1, alone.Shade(46, light.Coarse).Caps([]float64{400}, light.KeepLight)[0].Binds)
}

func BenchmarkCapsOfFortyTrees(b *testing.B) {
	s := light.NewShader()
	var heights []float64
	for k := range 40 {
		h := 220 + 30*float64(k%5)
		s.Crown(s.Owner("tree"), light.Crown{X: 250 * float64(k%8), Y: 250 * float64(k/8), Z0: 60, Z1: h, R: 100, LeafM2: light.LeafOfCrown(100, light.BearingLAI)})
		heights = append(heights, h)
	}
	for b.Loop() {
		s.Shade(46, light.Coarse).Caps(heights, light.KeepLight)
	}
}

// someTree is a sketch to stand in a yard.
func someTree(t *testing.T, spread float64) *limb.Map {
	t.Helper()
	doc, err := growth.Sketch(growth.SketchInput{Species: "apple", Form: "open-vase", Age: 9, TrunkMM: 100, HeightCM: 280, SpreadCM: spread, Scaffolds: 5, Seed: 4})
	require.NoError(t, err)
	m, err := limb.Check(doc)
	require.NoError(t, err)
	return m
}

// yardRound is what stands round it: two crowns, a wall, a hedge and a shade tree.
func yardRound[Y light.Yard](g Y) Y {
	g.Crown(light.Crown{X: 230, Y: 40, Z0: 60, Z1: 330, R: 120, LeafM2: 12})
	g.Crown(light.Crown{X: -60, Y: -260, Z0: 60, Z1: 300, R: 110, LeafM2: 10})
	g.Wall([][2]float64{{-300, 190}, {300, 190}, {300, 210}, {-300, 210}}, 190, math.Inf(1))
	g.Wall([][2]float64{{-260, -300}, {-240, -300}, {-240, 150}, {-260, 150}}, 160, light.HedgeTau)
	g.ShadeTree(light.Crown{X: 420, Y: -300, Z0: 200, Z1: 800, R: 180})
	return g
}

func TestLightThroughWhatStandsRoundATreeIsThatOfTheWholeYard(t *testing.T) {
	sky := light.Directions(46, light.Coarse)
	round := yardRound(light.NewOutside(sky))
	open := light.NewOutside(sky)
	for _, spread := range []float64{180, 260, 340} {
		m := someTree(t, spread)
		g := yardRound(light.NewGrid())
		lots := g.Tree(m, limb.Vec{})
		exact := g.Sweep(sky)
		want, got := exact.OfLimbs(m, lots, limb.Vec{}), round.OfTree(m)
		alone := light.OfTree(m, 46, light.Coarse)
		sum, shaded := 0.0, 0.0
		for i := range m.Axes {
			require.InDelta(t, want[i], got[i], 0.09, "spread %.0f, %s", spread, m.Axes[i].ID)
			sum += math.Abs(want[i] - got[i])
			shaded += alone[i] - want[i]
			require.InDelta(t, alone[i], open.OfTree(m)[i], 1e-6, "nothing round it")
		}
		require.Less(t, sum/float64(m.Len()), 0.012, "mean over the limbs")
		require.Greater(t, shaded/float64(m.Len()), 0.05, "the yard takes light")
	}
}

func TestASweepToWhatIsReadIsTheWholeSweepThere(t *testing.T) {
	for _, latitude := range []float64{46, -38, 5} {
		for _, at := range []limb.Vec{{}, {X: 180, Y: -140}, {X: -300, Y: 220}} {
			g := yardRound(light.NewGrid())
			lots := g.Tree(someTree(t, 220), at)
			sky := light.Directions(latitude, light.Fine)
			whole, part := g.Sweep(sky), g.SweepTo(sky)
			for _, l := range lots {
				c := light.CellOf(l.At)
				require.InDelta(t, whole.At(c), part.At(c), 1e-6, "%.0f degrees, %v", latitude, c)
			}
		}
	}
}
