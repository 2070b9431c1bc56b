package words_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/cut"
	"vertumna/core/find"
	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/words"
)

func TestEveryFindingHasItsSentences(t *testing.T) {
	for _, r := range find.Rules() {
		w := words.Speaker{}.Finding(find.Finding{Code: r.Code})
		require.NotEmpty(t, w.Name, r.Code)
		require.True(t, strings.HasSuffix(w.Why, "."), r.Code)
		require.NotContains(t, w.Why, "!", r.Code)
	}
}

func TestFindingsAreToldInThePersonsUnitsWithoutGaps(t *testing.T) {
	doc, err := growth.Sketch(growth.SketchInput{
		Species: "apple", Form: "open-vase", Age: 12, TrunkMM: 110, HeightCM: 320, SpreadCM: 360, Scaffolds: 4, Seed: 1,
		Faults: []string{"dead", "diseased", "borer", "sucker", "water-sprout", "inward", "crossing", "hanging", "low", "narrow"},
	})
	require.NoError(t, err)
	m, err := limb.Check(doc)
	require.NoError(t, err)
	seen := map[find.Code]bool{}
	for _, f := range find.Findings(m, find.Reading{}) {
		seen[f.Code] = true
		for _, units := range []words.Units{words.Metric, words.US} {
			says := words.Speaker{Units: units}.Finding(f).Says
			require.NotContains(t, says, "{", f.Code)
			require.NotContains(t, says, "  ", f.Code)
			if units == words.US {
				require.NotContains(t, says, " cm", f.Code)
				require.NotContains(t, says, " mm", f.Code)
			}
		}
	}
	require.Greater(t, len(seen), 10)
	f := find.Finding{Code: "over_height", Limb: "S1", AtCM: 120, Evidence: []find.Fact{{Name: "top_cm", Value: 300}, {Name: "excess_cm", Value: 60}}}
	require.Equal(t, "rises to 300 cm, 60 cm above your reach", words.Speaker{}.Finding(f).Says)
	require.Equal(t, "limb S1, 47 in from its base, 7 ft 10 in up", words.Speaker{Units: words.US}.Where(f, 240))
}

func TestAWayToCutSaysWhatWhereAndWhatItCosts(t *testing.T) {
	big := cut.Candidate{
		CutAt: limb.CutAt{Limb: "S1", Kind: limb.Collar}, DMM: 112, Share: 0.18, Tool: cut.Arborist, ThreeStep: true, Minutes: 12, BudsWithin: 33.4,
		Reasons: []cut.Reason{{Rule: "takes-much", Points: -8}, {Rule: "main-limb-goes", Points: -15}, {Rule: "collar"}}, CleanTool: true, OffPlot: true, DryWeather: true,
	}
	w := words.Speaker{}.Way(big, 250)
	require.Equal(t, "at the base of S1, 2.5 m up", w.Where)
	require.Equal(t, "18 % of the crown, 33 fruit buds within reach, 112 mm thick, licensed arborist, 12 min", w.Cost)
	require.Equal(t, []string{"takes much of the crown at once", "a main limb goes, and another takes years to stand"}, w.Reasons)
	require.Len(t, w.Cautions, 6)
	small := cut.Candidate{CutAt: limb.CutAt{Limb: "S1.1", Kind: limb.SideBranch, AtCM: 40.4}, Side: "S1.1.2", DMM: 12, Tool: cut.HandPruner, Minutes: 0.5}
	w = words.Speaker{Units: words.US}.Way(small, 120)
	require.Equal(t, "back to side branch S1.1.2", w.Title)
	require.Equal(t, "16 in from the base of S1.1, 3 ft 11 in up", w.Where)
	require.Empty(t, w.Cautions)
}
