package growth_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/growth"
	"vertumna/core/limb"
)

// hardCuts heads every main limb of a tree at half its length.
func hardCuts(m *limb.Map) (out []growth.Cut) {
	for i := range m.Axes {
		if a := &m.Axes[i]; a.Depth == 1 && a.L > 60 {
			out = append(out, growth.Cut{CutAt: limb.CutAt{Limb: a.ID, Kind: limb.AboveBud, AtCM: 0.7 * a.L}})
		}
	}
	return out
}

func TestEachCutHasItsAnswerBesideItsForecast(t *testing.T) {
	tree := cameTree(t)
	work := growth.Work{Dormant: hardCuts(tree.Map)}
	require.NotEmpty(t, work.Dormant)
	next, _, err := growth.Grow(tree, work)
	require.NoError(t, err)
	c, err := growth.Compare(tree, work, next.Map)
	require.NoError(t, err)
	require.Len(t, c.Cuts, len(work.Dormant))
	shoots := 0
	for _, a := range c.Cuts {
		require.Equal(t, a.Forecast, a.Came, "%s: what came is what was forecast", a.Limb)
		require.Zero(t, a.Difference())
		require.Equal(t, limb.AboveBud, a.Kind)
		shoots += a.Came.N
	}
	require.Positive(t, shoots, "a headed limb sends shoots")
	require.GreaterOrEqual(t, c.Cuts[0].Came.LongestCM, c.Cuts[len(c.Cuts)-1].Came.LongestCM, "the strongest answer first")
}

func TestACutThatNothingAnsweredIsSaidSo(t *testing.T) {
	tree := cameTree(t)
	work := growth.Work{Dormant: hardCuts(tree.Map)}
	bare, err := growth.Next(tree, work)
	require.NoError(t, err)
	// the same cuts, and not a shoot since
	doc := tree.Map.Doc()
	for _, c := range work.Dormant {
		at := c.AtCM
		doc, err = limb.Apply(doc, limb.Edit{Op: "cut", ID: c.Limb, AtCM: &at})
		require.NoError(t, err)
	}
	still, err := limb.Check(doc)
	require.NoError(t, err)
	c, err := growth.Compare(tree, work, still)
	require.NoError(t, err)
	require.NotEmpty(t, c.Cuts)
	for _, a := range c.Cuts {
		require.Zero(t, a.Came.N, a.Limb)
		require.LessOrEqual(t, a.Difference(), 0.0)
	}
	require.Greater(t, bare.Map.Len(), still.Len())
}

func TestAMapWithoutTheLimbSaysNothingOfItsCuts(t *testing.T) {
	tree := cameTree(t)
	work := growth.Work{Dormant: hardCuts(tree.Map)[:1]}
	gone, err := limb.Apply(tree.Map.Doc(), limb.Edit{Op: "remove", ID: work.Dormant[0].Limb})
	require.NoError(t, err)
	m, err := limb.Check(gone)
	require.NoError(t, err)
	c, err := growth.Compare(tree, work, m)
	require.NoError(t, err)
	require.Empty(t, c.Cuts)
}
