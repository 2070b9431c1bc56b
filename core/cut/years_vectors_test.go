package cut_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/cut"
	"vertumna/core/growth"
)

type expectedYears struct {
	Years  int
	Budget cut.Level
	Split  bool
	Rows   []struct {
		Dormant, Summer   [][3]any
		Findings, Carried int
		ShareDormant      float64 `json:"share_dormant"`
		ShareSummer       float64 `json:"share_summer"`
		Account, Unsolved float64
		HeightBefore      float64 `json:"height_before_cm"`
		Height            float64 `json:"height_cm"`
		FlowerBuds        float64 `json:"flower_buds"`
		Minutes           float64
	}
	IDs []string `json:"ids"`
}

func listed(cuts [][3]any) []string {
	out := []string{}
	for _, c := range cuts {
		out = append(out, fmt.Sprintf("%v %v %.0f", c[0], c[1], c[2]))
	}
	return out
}

func cutsOf(s *cut.Slip) []string {
	out := []string{}
	for _, c := range s.Cuts {
		out = append(out, fmt.Sprintf("%v %v %.0f", c.Limb, c.Kind, c.AtCM))
	}
	return out
}

func TestVectorsSeveralYears(t *testing.T) {
	eachPlan(t, func(t *testing.T, c *planCase) {
		w := c.Expect.Years
		if w == nil {
			return
		}
		tree := c.tree(t, c.Season)
		rows, end, err := cut.Over(tree, cut.Years{N: w.Years, NoSummer: !w.Split, Options: cut.Options{Level: w.Budget}, Reading: c.reading(tree.Map), StopEarly: true})
		require.NoError(t, err)
		require.Len(t, rows, len(w.Rows))
		for k, y := range w.Rows {
			g := rows[k]
			require.Equal(t, listed(y.Dormant), cutsOf(g.Dormant), k)
			require.Equal(t, listed(y.Summer), cutsOf(g.Summer), k)
			require.Equal(t, y.Findings, len(g.Dormant.Findings), k)
			require.InDelta(t, y.ShareDormant, g.Dormant.Share, 0.0006)
			require.InDelta(t, y.ShareSummer, g.Summer.Share, 0.0006)
			require.InDelta(t, y.Account, g.Account, 0.0006)
			require.InDelta(t, y.Unsolved, g.Last().Unsolved, 0.005)
			require.Equal(t, y.Carried, len(g.Last().Carried), k)
			require.InDelta(t, y.HeightBefore, g.HeightBefore, 0.2)
			require.InDelta(t, y.Height, g.HeightAfter, 0.3)
			require.InDelta(t, y.FlowerBuds, g.FlowerBuds, 0.01*y.FlowerBuds)
			require.InDelta(t, y.Minutes, g.Minutes, 0.1)
		}
		var ids []string
		for i := range end.Map.Axes {
			ids = append(ids, end.Map.Axes[i].ID)
		}
		require.ElementsMatch(t, w.IDs, ids)
	})
}

func TestVectorsDayMap(t *testing.T) {
	eachPlan(t, func(t *testing.T, c *planCase) {
		w := c.Expect.Day
		if w == nil {
			return
		}
		tree := c.tree(t, c.Season)
		day, _, err := growth.Day(tree, nil, w.At)
		require.NoError(t, err)
		require.Equal(t, len(w.Limbs), day.Len())
		for id, want := range w.Limbs {
			i := day.Index(id)
			require.GreaterOrEqual(t, i, 0, id)
			a := &day.Axes[i]
			_, last := a.LastRing()
			require.InDelta(t, want["length_cm"], a.L, 0.2, id)
			require.InDelta(t, want["diameter_mm"], a.D, 0.05, id)
			require.InDelta(t, want["last_ring_cm"], last, 0.2, id)
		}
	})
}
