package growth_test

import (
	"encoding/json"
	"fmt"
	"math"
	"os"
	"path/filepath"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/core/pomology"
	"vertumna/internal/vectors"
)

// lawTree is one of the sketches the laws are held against.
type lawTree struct {
	name string
	tree growth.Tree
	top  float64
}

func lawTrees(t *testing.T) []lawTree {
	t.Helper()
	text, err := os.ReadFile(filepath.Join(vectors.Dir("limbs"), "properties.json"))
	require.NoError(t, err)
	var f struct{ Trees []growth.SketchInput }
	require.NoError(t, json.Unmarshal(text, &f))
	require.NotEmpty(t, f.Trees)
	var out []lawTree
	for _, in := range f.Trees {
		m := vectors.MeasuredMap(t, in)
		out = append(out, lawTree{in.Species, growth.Tree{Map: m, Latitude: 45}, m.Height()})
	}
	return out
}

// heading cuts every live limb where it first rises above a height, never lower than 2 cm from its base.
func heading(m *limb.Map, h float64) []growth.Cut {
	var out []growth.Cut
	for i := range m.Axes {
		if m.WhollyDead(i) || m.Base(i).Z > h+0.05 {
			continue
		}
		if s, ok := m.FirstAbove(i, h); ok {
			out = append(out, growth.Cut{CutAt: limb.CutAt{Limb: m.Axes[i].ID, Kind: "head", AtCM: math.Max(2, s)}})
		}
	}
	return out
}

func grow(t *testing.T, tree growth.Tree, w growth.Work) (growth.Tree, growth.Report) {
	t.Helper()
	next, r, err := growth.Grow(tree, w)
	require.NoError(t, err)
	return next, r
}

func collar(id string) growth.Cut { return growth.Cut{CutAt: limb.CutAt{Limb: id, Kind: limb.Collar}} }

func TestVectorsUncutATreeGrowsAsItDid(t *testing.T) {
	for _, l := range lawTrees(t) {
		next, r := grow(t, l.tree, growth.Work{})
		require.InDelta(t, 1, r.Vigour, 1e-9, l.name)
		require.Zero(t, r.NewShoots)
		if l.name == "apple" || l.name == "pear" {
			require.Greater(t, r.MeanTipCM, 25.0, l.name)
			require.Less(t, r.MeanTipCM, 45.0, l.name)
		}
		again, r2 := grow(t, l.tree, growth.Work{})
		require.Equal(t, r, r2, "the same input gives the same tree")
		require.Equal(t, next.Map.Doc(), again.Map.Doc())
		light, heavy := 0.3, 1.7
		_, few := grow(t, l.tree, growth.Work{Crop: &light})
		_, many := grow(t, l.tree, growth.Work{Crop: &heavy})
		require.Less(t, many.MeanTipCM/few.MeanTipCM, 0.85, "a heavy crop draws on the shoots")
	}
}

func TestVectorsHardWinterHeadingRegrowsHarder(t *testing.T) {
	for _, l := range lawTrees(t) {
		_, hard := grow(t, l.tree, growth.Work{Dormant: heading(l.tree.Map, 0.68*l.top)})
		_, mild := grow(t, l.tree, growth.Work{Dormant: heading(l.tree.Map, 0.90*l.top)})
		require.Greater(t, hard.ShareDormant, mild.ShareDormant, l.name)
		require.GreaterOrEqual(t, hard.MeanNewCM/mild.MeanNewCM, 1.2, "%s: %v against %v", l.name, hard.MeanNewCM, mild.MeanNewCM)
		require.Greater(t, hard.Vigour, mild.Vigour)
		if l.name == "peach" || l.name == "japanese-plum" {
			require.Greater(t, hard.MeanNewCM, 95.0, l.name)
			require.LessOrEqual(t, hard.MaxNewCM, 200.0, l.name)
		}
	}
}

func TestVectorsTheSameCutsInSummerCalmTheTree(t *testing.T) {
	for _, l := range lawTrees(t) {
		cuts := heading(l.tree.Map, 0.68*l.top)
		winter, w := grow(t, l.tree, growth.Work{Dormant: cuts})
		summer, s := grow(t, l.tree, growth.Work{Summer: cuts, At: growth.Midsummer})
		winter2, _ := grow(t, winter, growth.Work{})
		summer2, _ := grow(t, summer, growth.Work{})
		require.GreaterOrEqual(t, winter2.Map.Height()-summer2.Map.Height(), 30.0, "%s: at the end of the second season", l.name)
		require.Less(t, s.MeanNewCM, w.MeanNewCM, l.name)
		if l.name == "apple" || l.name == "pear" || l.name == "sweet-cherry" {
			require.Greater(t, (s.FlowerBuds/s.WoodM)/(w.FlowerBuds/w.WoodM), 1.1, "%s: more flower buds a metre", l.name)
		}
	}
}

func TestVectorsCutsAnswerByTheirKind(t *testing.T) {
	apple := lawTrees(t)[0].tree
	_, none := grow(t, apple, growth.Work{})
	_, thin := grow(t, apple, growth.Work{Dormant: []growth.Cut{collar("S1.3")}})
	require.Zero(t, thin.NewShoots, "a thin limb off at its collar wakes nothing")
	require.GreaterOrEqual(t, thin.MeanTipCM/none.MeanTipCM, 1.0)

	i := apple.Map.Index("S1.3")
	start, e := apple.Map.Axes[i].LastRing()
	_, stub := grow(t, apple, growth.Work{Dormant: []growth.Cut{{CutAt: limb.CutAt{Limb: "S1.3", Kind: limb.Stub, AtCM: 1.6}}}})
	_, head := grow(t, apple, growth.Work{Dormant: []growth.Cut{{CutAt: limb.CutAt{Limb: "S1.3", Kind: "head", AtCM: start + e/2}}}})
	require.LessOrEqual(t, stub.NewShoots, 2)
	require.NotZero(t, stub.NewShoots)
	require.GreaterOrEqual(t, head.NewShoots, 2)
	require.LessOrEqual(t, head.NewShoots, 4)
	require.Less(t, stub.MeanNewCM, 0.75*head.MeanNewCM, "a renewal stub answers with weaker shoots")

	before := 0.0
	var cuts []growth.Cut
	for k := 1; k <= 3; k++ {
		cuts = append(cuts, collar(fmt.Sprint("S", k)))
		_, r := grow(t, apple, growth.Work{Dormant: cuts})
		require.NotZero(t, r.WaterSprouts)
		require.Greater(t, r.MeanNewCM, before, "sprouts grow with what was taken")
		require.GreaterOrEqual(t, r.Vigour, 1.0)
		before = r.MeanNewCM
	}
	_, summer := grow(t, apple, growth.Work{Summer: cuts[:1], At: growth.Midsummer})
	_, winter := grow(t, apple, growth.Work{Dormant: cuts[:1]})
	require.Less(t, summer.WaterSprouts, winter.WaterSprouts)
}

func TestATreeSomeWintersOnStandsAsItsSeasonsMakeIt(t *testing.T) {
	for _, l := range lawTrees(t)[:2] {
		m := l.tree.Map
		one, err := growth.Ahead(l.tree, 1)
		require.NoError(t, err)
		three, err := growth.Ahead(l.tree, 3)
		require.NoError(t, err)
		require.Greater(t, one.Height(), m.Height())
		require.Greater(t, three.Height(), one.Height())
		require.Equal(t, m.Age+3, three.Age)
		summer := *m
		summer.Season = limb.Summer
		flipped, err := growth.Ahead(growth.Tree{Map: &summer, Latitude: 45}, 1)
		require.NoError(t, err)
		require.Equal(t, limb.Dormant, flipped.Season)
		require.InDelta(t, m.Height(), flipped.Height(), 1e-9, "a summer map stands at its winter as it is")
		_, err = limb.Check(three.Doc())
		require.NoError(t, err)
		require.False(t, math.IsNaN(*three.REff))
	}
}

func BenchmarkOneSeason(b *testing.B) {
	doc, err := growth.Sketch(growth.SketchInput{Species: "apple", Form: "open-vase", Age: 14, TrunkMM: 160, HeightCM: 420, SpreadCM: 460, Scaffolds: 8, Seed: 3})
	require.NoError(b, err)
	m, err := limb.Check(doc)
	require.NoError(b, err)
	b.ReportMetric(float64(m.Len()), "limbs")
	for b.Loop() {
		if _, _, err := growth.Grow(growth.Tree{Map: m, Latitude: 46}, growth.Work{}); err != nil {
			b.Fatal(err)
		}
	}
}

func TestATreeCarriedOnIsTheTreeGrownUncutAndSaysWhatTheModelGrew(t *testing.T) {
	k, err := pomology.BySlug("apple")
	require.NoError(t, err)
	in := growth.Suggest(k, growth.Known{Form: pomology.OpenVase, Age: 6})
	in.Year, in.Season = 2027, limb.Dormant
	m := vectors.MeasuredMap(t, in)
	tree := growth.Tree{Map: m, Latitude: 45, Bounds: growth.LeftAlone(m, "", 0)}
	two, err := growth.Ahead(tree, 2)
	require.NoError(t, err)
	carried, err := growth.CarryTo(tree, limb.Dormant, 2029)
	require.NoError(t, err)
	require.Equal(t, 2029, carried.Map.Year)
	require.InDelta(t, two.Height(), carried.Map.Height(), 1e-9, "as it is foreseen")
	same, err := growth.CarryTo(tree, limb.Dormant, 2027)
	require.NoError(t, err)
	require.Same(t, m, same.Map, "it stands there already")
	summer, err := growth.CarryTo(tree, limb.Summer, 2027)
	require.NoError(t, err)
	require.Equal(t, limb.Summer, summer.Map.Season)

	read, err := limb.Check(carried.Map.GrownFrom(m))
	require.NoError(t, err)
	grown := 0
	for i := range read.Axes {
		was := m.Index(read.Axes[i].ID)
		switch {
		case was < 0:
			require.Equal(t, limb.Predicted, read.Source(i, "length_cm"), "a new limb")
		case read.Axes[i].L > m.Axes[was].L+1:
			grown++
			require.Equal(t, limb.Estimated, read.Source(i, "length_cm"))
		default:
			require.Equal(t, limb.Measured, read.Source(i, "angle_base_deg"))
		}
	}
	require.Positive(t, grown)
	require.Less(t, read.Completeness().Value, m.Completeness().Value, "what was not measured again is trusted less")
}
