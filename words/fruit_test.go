package words_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/crop"
	"vertumna/core/given"
	"vertumna/core/pomology"
	"vertumna/words"
)

func TestTheRuleThatBindsIsSaidWithTheNextOne(t *testing.T) {
	lines := []crop.Line{{Kind: crop.ByStrength, Fruit: 60}, {Kind: crop.ByDensity, Fruit: 118}, {Kind: crop.ByLeaves, Fruit: 130}}
	require.Equal(t, "Strength binds: 60 fruit; girth would allow 118.", words.Binding(lines, crop.ByStrength))
	require.Equal(t, "Girth binds: 118 fruit.", words.Binding(lines[1:2], crop.ByDensity))
	require.Empty(t, words.Binding(nil, ""))
	for _, k := range []string{crop.ByYouth, crop.ByStrength, crop.ByDensity, crop.ByLeaves, crop.BySpacing, crop.ByHousehold} {
		name, from := words.FruitRule(k)
		require.NotEmpty(t, name)
		require.NotEmpty(t, from)
	}
}

func TestACountIsSaidWithItsInterval(t *testing.T) {
	in := crop.CountInput{
		Scaffolds: []crop.Girth{{ID: "a", DiameterMM: 40}, {ID: "b", DiameterMM: 35}, {ID: "c", DiameterMM: 30}, {ID: "d", DiameterMM: 25}},
		Counted:   []crop.Counted{{ID: "a", DiameterMM: 40, Fruit: 90}, {ID: "c", DiameterMM: 30, Fruit: 55}},
	}
	c, err := crop.CountTree(in)
	require.NoError(t, err)
	require.Equal(t, "About 252 fruit, 166 to 339 nine times in ten, from 57 % of its wood. Count 1 limb more.", words.Speaker{}.Count(&c, 4))
	in.Counted = in.Counted[:1]
	c, err = crop.CountTree(in)
	require.NoError(t, err)
	require.NotContains(t, words.Speaker{}.Count(&c, 4), "About", "too few show no tree number")
	in.Counted[0].Fruit = 0
	c, err = crop.CountTree(in)
	require.NoError(t, err)
	require.Contains(t, words.Speaker{}.Count(&c, 4), "None seen")
}

func TestALadenLimbIsToldWhatSavesItTheBestFirst(t *testing.T) {
	in := given.New[crop.LoadInput]()
	in.Species, in.LengthCM, in.D, in.BaseDeg, in.Fruit = "apple", 150, 32, 50, 60
	l, err := crop.LimbLoad(in)
	require.NoError(t, err)
	says := words.Speaker{}.Load(&crop.LimbAt{Limb: "S1", Fruit: 60, Load: l})
	require.GreaterOrEqual(t, len(says), 3)
	require.Contains(t, says[0], "fruit near the trunk breaks fewer limbs")
	require.Contains(t, says[1], "prop 98 cm")
	inches := words.Speaker{Units: words.US}.Load(&crop.LimbAt{Limb: "S1", Fruit: 60, Load: l})
	require.Contains(t, inches[1], " in from its base")
	in.Fruit = 5
	l, err = crop.LimbLoad(in)
	require.NoError(t, err)
	require.Empty(t, words.Speaker{}.Load(&crop.LimbAt{Fruit: 5, Load: l}), "a safe limb is left alone")
}

func TestEveryVerdictOfTheFruitModelsHasItsWords(t *testing.T) {
	for _, v := range []string{"strip", "nothing", "skip", "light", "full"} {
		require.NotEmpty(t, words.Whether(v, true))
	}
	require.Contains(t, words.Whether("skip", false), "Not counted yet", "what nobody counted is never 'no thinning'")
	for _, state := range []string{"not_thinned", "wait", "open", "closing", "late"} {
		for _, why := range []string{"kind", "frost", "size", "bloom", "stone_hard", "drop", "time"} {
			says := words.Speaker{}.ThinTime(&crop.Time{State: state, Reason: why}, 19, true)
			require.NotContains(t, says, ". .")
			require.Greater(t, len(says), 25, "%s %s", state, why)
		}
	}
	for _, v := range []string{"counted", "none", "short", "doubtful", "enough", "plenty"} {
		require.Contains(t, words.Speaker{}.Frosted(&crop.Frosted{Share: 0.4, Low: 0.3, High: 0.5, Verdict: v, OpenMore: 20}), "Open 20 more")
	}
	for _, st := range []crop.Standing{{State: "rebound", Rule: "freeze", Year: 2026}, {State: "on", Rule: "load"}, {State: "off", Rule: "load", Load: 1.8, Year: 2026}, {State: "on", Rule: "alternation"}, {State: "off", Rule: "alternation"}, {State: "normal", Rule: "load"}} {
		require.NotEmpty(t, words.Standing(st))
		require.NotContains(t, words.Standing(st), "%!")
	}
	require.Empty(t, words.Standing(crop.Standing{State: "normal", Rule: "unknown"}))
	for _, b := range []crop.Bloom{{Next: "off", Load: 2, BloomShare: 0.04}, {Next: "on", BloomShare: 0.95}, {Next: "normal", BloomShare: 0.6}} {
		require.Contains(t, words.Speaker{}.NextYear(&b), "Next year blooms"[5:])
	}
	for _, state := range []string{crop.On, crop.Off, crop.Rebound, "frozen"} {
		require.NotEmpty(t, words.Doing(state))
	}
	for _, v := range []string{"too_short", "alternating", "uneven", "mild", "steady"} {
		require.NotEmpty(t, words.Alternation(v))
	}
	for _, v := range []string{"load", "on", "alternates", "most"} {
		require.NotEmpty(t, words.ThinWhy(v))
	}
	for _, g := range []pomology.Group{pomology.Pome, pomology.Stone} {
		why, how := words.ThinCard(g)
		require.NotEmpty(t, why)
		require.Contains(t, how, "spur")
	}
	require.Equal(t, words.LocalRules, words.FruitSafety()[len(words.FruitSafety())-1])
}

func TestABrokenLimbIsTracedToWhatWasDone(t *testing.T) {
	s := words.Speaker{}
	require.Contains(t, s.Broken("S1", false, false, 0, 0), "nobody counted or thinned")
	require.Contains(t, s.Broken("S1", false, true, 0, 0), "counted and not thinned")
	require.Contains(t, s.Broken("S1", true, true, 60, 36), "60 fruit left on it; about 36 were safe")
	require.Contains(t, s.Broken("S1", true, true, 20, 36), "should have carried")
}

func TestAFreezeSaysWhatFollowsForTheKind(t *testing.T) {
	froze := crop.Standing{State: crop.Rebound, Rule: "freeze", Year: 2026}
	require.Equal(t, "It froze in 2026: a heavy set comes now.", words.Standing(froze))
	froze.RestsNext = true
	require.Equal(t, "It froze in 2026: a heavy set comes now, and none the year after unless it is thinned.", words.Standing(froze))
}
