package cut_test

import (
	"fmt"
	"math"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/cut"
	"vertumna/core/limb"
)

type expected struct {
	Limb    string
	Kind    limb.CutKind
	AtCM    float64 `json:"at_cm"`
	Side    string
	DMM     float64 `json:"d_mm"`
	Share   float64
	Score   float64
	Tool    cut.Tool
	Three   bool `json:"three_step"`
	Minutes float64
	Within  float64 `json:"buds_within"`
	Above   float64 `json:"buds_above"`
	Fruit   float64 `json:"fruit_within"`
	Gain    float64 `json:"gain_cm"`
	Clean   bool    `json:"clean_tool"`
	Off     bool    `json:"off_plot"`
	Dry     bool    `json:"dry_weather"`
}

func TestVectorsCandidates(t *testing.T) {
	asked := 0
	eachPlan(t, func(t *testing.T, c *planCase) {
		for _, q := range c.Expect.Candidates {
			asked++
			m := c.tree(t, q.Season).Map
			r := c.reading(m)
			got := cut.NewJudge(m, r.Light, r).Candidates(cut.Question{Limb: q.Limb, Aim: q.Aim, AtMax: q.AtMax, DrySummerStone: true})
			name := fmt.Sprint(q.Limb, " ", q.Aim, " ", q.Season)
			require.GreaterOrEqual(t, len(got), len(q.Expect), name)
			for k, w := range q.Expect {
				requireCandidate(t, w, got[k])
			}
		}
	})
	require.NotZero(t, asked)
}

func requireCandidate(t *testing.T, w expected, g cut.Candidate) {
	t.Helper()
	require.Equal(t, []any{w.Limb, w.Kind, w.Side, w.Tool, w.Three, w.Clean, w.Off, w.Dry}, []any{g.Limb, g.Kind, g.Side, g.Tool, g.ThreeStep, g.CleanTool, g.OffPlot, g.DryWeather},
		"%v against %v", w, g)
	name := fmt.Sprint(w.Kind, " ", w.AtCM)
	require.InDelta(t, w.AtCM, g.AtCM, 0.05, name)
	require.InDelta(t, w.DMM, g.DMM, 0.06, name)
	require.InDelta(t, w.Share, g.Share, 0.0005, name)
	for what, v := range map[string][2]float64{
		"buds within": {w.Within, g.BudsWithin}, "buds above": {w.Above, g.BudsAbove}, "fruit": {w.Fruit, g.FruitWithin}, "gain": {w.Gain, g.GainCM},
		"minutes": {w.Minutes, g.Minutes},
	} {
		require.InDelta(t, v[0], v[1], math.Max(0.06, 0.01*v[0]), name+" "+what)
	}
	require.InDelta(t, w.Score, g.Score, 0.05, name)
}
