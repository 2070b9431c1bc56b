package growth_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// sketched is a sketch of a kind, class and form at an age, with the bounds of a tree left alone.
func sketched(t *testing.T, k *pomology.Kind, class pomology.VigourClass, form pomology.FormSlug, age int) growth.Tree {
	t.Helper()
	in := growth.Suggest(k, growth.Known{Form: form, Class: class, Age: age})
	in.Seed = 7
	doc, err := growth.Sketch(in)
	require.NoError(t, err)
	m, err := limb.Check(doc)
	require.NoError(t, err)
	return growth.Tree{Map: m, Latitude: 45, Bounds: growth.LeftAlone(m, class, 0)}
}

func TestUncutATreeRisesSlowsAndEndsAtTheHeightOfItsKind(t *testing.T) {
	classes := []pomology.VigourClass{pomology.Dwarfing, pomology.SemiDwarfing, pomology.Vigorous}
	for n, k := range pomology.Kinds() {
		if testing.Short() && n%5 != 0 {
			continue
		}
		class, age := classes[n%3], 3+3*(n%2)
		tree := sketched(t, k, class, k.Forms[0], age)
		heights := []float64{tree.Map.Height()}
		for range 30 {
			var err error
			tree, err = growth.Next(tree, growth.Work{})
			require.NoError(t, err)
			heights = append(heights, tree.Map.Height())
		}
		size, _, _ := k.SizeFor(class)
		require.GreaterOrEqual(t, heights[30], 0.80*100*size.HeightM, "%s %s", k.Slug, class)
		require.LessOrEqual(t, heights[30], 1.15*100*size.HeightM, "%s %s", k.Slug, class)
		for y := 1; y < len(heights); y++ {
			require.GreaterOrEqual(t, heights[y], heights[y-1]-0.5, "%s: it rises", k.Slug)
		}
		require.Less(t, heights[30]-heights[25], heights[10]-heights[5], "%s: it slows", k.Slug)
	}
}

// measuredLeader is a pole with side limbs, gone over with the tape: its last season's end shoots are known.
func measuredLeader(t *testing.T, last float64, more float64) growth.Tree {
	t.Helper()
	doc, err := growth.Sketch(growth.SketchInput{Species: "apple", Form: pomology.ModifiedLeader, Age: 8, TrunkMM: 70, HeightCM: 260 + more, SpreadCM: 220, Scaffolds: 5, Seed: 3})
	require.NoError(t, err)
	for i := range doc.Limbs {
		l := &doc.Limbs[i]
		l.Source, l.Sources = limb.Measured, nil
		if n := len(l.RingsCM); n > 1 { // the same length, the last season's as asked for
			e := math.Min(last, 0.4**l.LengthCM)
			l.RingsCM = append(l.RingsCM[:0:0], *l.LengthCM-e, e)
		}
	}
	m, err := limb.Check(doc)
	require.NoError(t, err)
	return growth.Tree{Map: m, Latitude: 45, Bounds: growth.LeftAlone(m, "", 0)}
}

func TestNextYearsTopGrowthIsNearTheLastMeasured(t *testing.T) {
	for _, last := range []float64{12, 20, 30, 45} {
		for _, more := range []float64{0, 80, 160} {
			tree := measuredLeader(t, last, more)
			i := tree.Map.Index("T")
			_, was := tree.Map.Axes[i].LastRing()
			next, err := growth.Next(tree, growth.Work{})
			require.NoError(t, err)
			_, is := next.Map.Axes[next.Map.Index("T")].LastRing()
			require.InEpsilon(t, was, is, 0.30, "%.0f cm last season at %.0f cm", last, tree.Map.Height())
		}
	}
}

func TestNoCutMakesATreeTallerThanTheSameTreeUncut(t *testing.T) {
	for _, slug := range []string{"apple", "peach", "japanese-plum", "sweet-cherry", "fig"} {
		k, err := pomology.BySlug(slug)
		require.NoError(t, err)
		for _, part := range []float64{0.6, 0.8} {
			for _, summer := range []bool{false, true} {
				cut := sketched(t, k, pomology.SemiDwarfing, k.Forms[0], 6)
				uncut := cut
				cuts := heading(cut.Map, part*cut.Map.Height())
				work := growth.Work{Dormant: cuts}
				if summer {
					work = growth.Work{Summer: cuts}
				}
				for year := range 5 {
					cut, err = growth.Next(cut, work)
					require.NoError(t, err)
					uncut, err = growth.Next(uncut, growth.Work{})
					require.NoError(t, err)
					work = growth.Work{}
					require.LessOrEqual(t, cut.Map.Height(), 1.02*uncut.Map.Height()+5, "%s cut to %.1f, summer %t, year %d", slug, part, summer, year+1)
				}
			}
		}
	}
}

func TestTheTableTheTubAndTheMeasuredTopBoundATree(t *testing.T) {
	apple, err := pomology.BySlug("apple")
	require.NoError(t, err)
	tree := sketched(t, apple, "", pomology.OpenVase, 5)
	unknown, semi := growth.LeftAlone(tree.Map, "", 0), growth.LeftAlone(tree.Map, pomology.SemiDwarfing, 0)
	require.Equal(t, semi, unknown, "where the class is not known, semi-dwarfing")
	require.Less(t, growth.LeftAlone(tree.Map, "", 40).HeightCM, semi.HeightCM, "a tub holds it")
	tall := measuredLeader(t, 45, 200)
	require.Greater(t, tall.Bounds.HeightCM, 1.15*tall.Map.Height(), "what still makes 45 cm at its top is far from done")
}

func TestAnOldTreeMakesAThirdOfItsYouthsLength(t *testing.T) {
	k, err := pomology.BySlug("apple")
	require.NoError(t, err)
	lengths := map[int]float64{}
	for _, age := range []int{6, 40} {
		tree := sketched(t, k, pomology.Vigorous, pomology.OpenVase, 6)
		m := *tree.Map
		m.Age = age
		tree.Map = &m
		_, r, err := growth.Grow(tree, growth.Work{})
		require.NoError(t, err)
		lengths[age] = r.MeanTipCM
	}
	require.InDelta(t, 1.0/3, lengths[40]/lengths[6], 0.05)
}

func TestATreeCutInSummerGrowsOnInSpring(t *testing.T) {
	k, err := pomology.BySlug("apple")
	require.NoError(t, err)
	tree := sketched(t, k, pomology.SemiDwarfing, pomology.OpenVase, 6)
	summer := *tree.Map
	summer.Season = limb.Summer
	tree.Map = &summer
	closed, err := growth.Close(tree, heading(&summer, 0.9*summer.Height()), 0)
	require.NoError(t, err)
	next, err := growth.Next(closed, growth.Work{})
	require.NoError(t, err)
	require.Greater(t, next.Map.Height(), closed.Map.Height()+5)
}

func TestAFruitBudOnTopInSummerStopsTheShoot(t *testing.T) {
	k, err := pomology.BySlug("apple")
	require.NoError(t, err)
	tree := sketched(t, k, pomology.SemiDwarfing, pomology.OpenVase, 8)
	grown := func(kind limb.CutKind) float64 {
		m := tree.Map
		i := m.Index("S1")
		start, _ := m.Axes[i].LastRing()
		year, err := growth.Next(tree, growth.Work{Summer: []growth.Cut{{CutAt: limb.CutAt{Limb: "S1", Kind: kind, AtCM: start - 5}}}})
		require.NoError(t, err)
		year, err = growth.Next(year, growth.Work{})
		require.NoError(t, err)
		longest := 0.0
		for k := range year.Map.Axes {
			if a := &year.Map.Axes[k]; m.Index(a.ID) < 0 && a.Parent == year.Map.Index("S1") {
				longest = math.Max(longest, a.L)
			}
		}
		return longest
	}
	require.Less(t, grown(limb.FruitBud), 0.6*grown(limb.AboveBud))
}
