package growth_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/growth"
	"vertumna/core/limb"
)

// grownBy is the part of a season's growth made by midsummer (limbs.md#53-season).
const grownBy = 0.8724

func TestVectorsHardHeadingDrivesTheTipsThatStay(t *testing.T) {
	for _, l := range lawTrees(t) {
		none, _ := grow(t, l.tree, growth.Work{})
		hard, _ := grow(t, l.tree, growth.Work{Dormant: heading(l.tree.Map, 0.68*l.top)})
		mild, _ := grow(t, l.tree, growth.Work{Dormant: heading(l.tree.Map, 0.90*l.top)})
		sum := [2]float64{}
		for i := range l.tree.Map.Axes {
			a := &l.tree.Map.Axes[i]
			if a.Tip != limb.Growing {
				continue
			}
			rings := [2]float64{}
			stands := none.Map.Index(a.ID) >= 0
			for k, m := range []*limb.Map{hard.Map, mild.Map} {
				j := m.Index(a.ID)
				if stands = stands && j >= 0 && m.Axes[j].Tip == limb.Growing; stands {
					_, rings[k] = m.Axes[j].LastRing()
				}
			}
			if stands {
				sum[0], sum[1] = sum[0]+rings[0], sum[1]+rings[1]
			}
		}
		require.GreaterOrEqual(t, sum[0]/sum[1], 1.05, l.name)
	}
}

func TestVectorsTwelveMonthsAfterTheCutTheSummerTreeIsLower(t *testing.T) {
	for _, l := range lawTrees(t) {
		cuts := heading(l.tree.Map, 0.68*l.top)
		winter, _ := grow(t, l.tree, growth.Work{Dormant: cuts})
		summer, _ := grow(t, l.tree, growth.Work{Summer: cuts, At: growth.Midsummer})
		next, _ := grow(t, summer, growth.Work{})
		one, two := summer.Map.Height(), next.Map.Height()
		require.GreaterOrEqual(t, winter.Map.Height()-(one+grownBy*(two-one)), 20.0, l.name)
	}
}

// share is what a list of cuts takes of a tree, each on the tree as already cut.
func share(t *testing.T, m *limb.Map, cuts []growth.Cut) float64 {
	t.Helper()
	first, sum := m.CrownD2(), 0.0
	for _, c := range cuts {
		if m.Index(c.Limb) < 0 {
			continue
		}
		sum += m.ShareOf(c.CutAt) * m.CrownD2() / first
		var err error
		m, err = m.Cut(c.CutAt)
		require.NoError(t, err)
	}
	return sum
}

func TestVectorsTwoThirdsInWinterAndOneThirdInSummerStayLower(t *testing.T) {
	for _, l := range lawTrees(t) {
		m, low := l.tree.Map, 0.68*l.top
		all := heading(m, low)
		whole := share(t, m, all)
		from, to := low, l.top
		for range 12 { // the height that takes two thirds of it
			if mid := (from + to) / 2; share(t, m, heading(m, mid)) > whole*2/3 {
				from = mid
			} else {
				to = mid
			}
		}
		first := heading(m, (from+to)/2)
		cutTree := m
		for _, c := range first {
			if cutTree.Index(c.Limb) < 0 {
				continue
			}
			var err error
			cutTree, err = cutTree.Cut(c.CutAt)
			require.NoError(t, err)
		}
		split, _ := grow(t, l.tree, growth.Work{Dormant: first, Summer: heading(cutTree, low), At: growth.Midsummer})
		winter, _ := grow(t, l.tree, growth.Work{Dormant: all})
		require.Greater(t, winter.Map.Height(), split.Map.Height(), l.name)
		split2, _ := grow(t, split, growth.Work{})
		winter2, _ := grow(t, winter, growth.Work{})
		require.Greater(t, winter2.Map.Height(), split2.Map.Height(), "%s: a season later", l.name)
	}
}

// densestHead counts the upright young shoots within 15 cm of one of them, where most stand together.
func densestHead(m *limb.Map) int {
	best := 0
	upright := func(i int) bool {
		return m.Axes[i].Depth > 0 && m.MeanAngle(i) <= 40 && len(m.Axes[i].Rings) <= 2
	}
	for i := range m.Axes {
		if !upright(i) {
			continue
		}
		n := 0
		for j := range m.Axes {
			if upright(j) && m.Base(j).Sub(m.Base(i)).Len() <= 15 {
				n++
			}
		}
		best = max(best, n)
	}
	return best
}

// allButThinnest takes off the season's shoots of each carrier but the thinnest.
func allButThinnest(before, m *limb.Map) []growth.Cut {
	thinnest := map[int]int{}
	born := func(i int) bool { return before.Index(m.Axes[i].ID) < 0 }
	for i := range m.Axes {
		if !born(i) {
			continue
		}
		p := m.Axes[i].Parent
		k, ok := thinnest[p]
		if !ok || m.Axes[i].D < m.Axes[k].D || m.Axes[i].D == m.Axes[k].D && m.Axes[i].ID < m.Axes[k].ID {
			thinnest[p] = i
		}
	}
	var out []growth.Cut
	for i := range m.Axes {
		if born(i) && thinnest[m.Axes[i].Parent] != i {
			out = append(out, collar(m.Axes[i].ID))
		}
	}
	return out
}

func TestVectorsHeadingToOneHeightMakesACrowsfootAndThinningClearsIt(t *testing.T) {
	l := lawTrees(t)[0]
	h := 0.75 * l.top
	headed, _ := grow(t, l.tree, growth.Work{Dormant: heading(l.tree.Map, h)})
	thinned, before := headed, l.tree.Map
	last := densestHead(headed.Map)
	for range 3 {
		headed, _ = grow(t, headed, growth.Work{Dormant: heading(headed.Map, h)})
		next, _ := grow(t, thinned, growth.Work{Dormant: allButThinnest(before, thinned.Map)})
		before, thinned = thinned.Map, next
		n := densestHead(headed.Map)
		require.GreaterOrEqual(t, n, last)
		last = n
	}
	require.GreaterOrEqual(t, last, 8)
	require.GreaterOrEqual(t, last, 2*densestHead(thinned.Map))
}

func TestVectorsAWeakSideBranchAnswersCalmer(t *testing.T) {
	apple := lawTrees(t)[0].tree.Map
	before := 0.0
	for _, d := range []float64{11, 14, 18} {
		doc := apple.Doc()
		for i := range doc.Limbs {
			if doc.Limbs[i].ID == "S1.6" {
				doc.Limbs[i].DiameterMM, doc.Limbs[i].OwnD2MM2 = limb.Of(d), limb.Of(40)
			}
		}
		m, err := limb.Check(doc)
		require.NoError(t, err)
		given := map[string]float64{}
		for i := range m.Axes {
			given[m.Axes[i].ID] = 0.6
		}
		i := m.Index("S1.6")
		next, _ := grow(t, growth.Tree{Map: m, Latitude: 45, Given: given}, growth.Work{Dormant: []growth.Cut{
			{CutAt: limb.CutAt{Limb: "S1", Kind: limb.SideBranch, AtCM: m.Axes[i].Attach + d/20}},
		}})
		_, e := next.Map.Axes[next.Map.Index("S1.6")].LastRing()
		require.Greater(t, e, before, "%g mm", d)
		before = e
	}
}

func TestVectorsALimbBentDownGrowsLessAndBearsMore(t *testing.T) {
	apple := lawTrees(t)[0].tree.Map
	ring, buds := map[bool]float64{}, map[bool]float64{}
	for _, bent := range []bool{false, true} {
		doc := apple.Doc()
		for i := range doc.Limbs {
			if doc.Limbs[i].ID != "S1.4" {
				continue
			}
			doc.Limbs[i].AngleBaseDeg, doc.Limbs[i].AngleTipDeg = limb.Of(15), limb.Of(10)
			if bent {
				doc.Limbs[i].AngleBaseDeg, doc.Limbs[i].AngleTipDeg = limb.Of(50), limb.Of(55)
			}
		}
		m, err := limb.Check(doc)
		require.NoError(t, err)
		given := map[string]float64{}
		light := make(limb.Light, m.Len())
		for i := range m.Axes {
			given[m.Axes[i].ID], light[i] = 0.7, 0.7
		}
		next, _ := grow(t, growth.Tree{Map: m, Latitude: 45, Given: given}, growth.Work{})
		i := next.Map.Index("S1.4")
		_, ring[bent] = next.Map.Axes[i].LastRing()
		buds[bent] = next.Map.FlowerBuds(i, limb.Light(light), nil)
	}
	require.Less(t, ring[true]/ring[false], 0.85)
	require.Greater(t, buds[true]/buds[false], 1.3)
}

func TestMeasuredShootsCorrectTheVigourOfATreeWhoseRingsAreEstimated(t *testing.T) {
	doc, err := growth.Sketch(growth.SketchInput{Species: "apple", Form: "open-vase", Age: 12, TrunkMM: 110, HeightCM: 320, SpreadCM: 360, Scaffolds: 4, Seed: 1})
	require.NoError(t, err)
	m, err := limb.Check(doc)
	require.NoError(t, err)
	before := 0.0
	for _, cm := range []float64{15, 30, 60} {
		_, r := grow(t, growth.Tree{Map: m, Latitude: 45, ShootCM: cm}, growth.Work{})
		require.Greater(t, r.MeanTipCM, before)
		require.InDelta(t, cm, r.MeanTipCM, 0.35*cm, "uncut, it grows about as it was measured")
		before = r.MeanTipCM
	}
}
