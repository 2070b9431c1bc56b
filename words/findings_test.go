package words_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

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
	require.Equal(t, "limb S1, 47.2 in from its base, 7 ft 10 in up", words.Speaker{Units: words.US}.Where(f, 240))
}
