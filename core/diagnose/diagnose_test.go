package diagnose_test

import (
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/diagnose"
)

func first(t *testing.T, c diagnose.Complaint, f diagnose.Facts, a map[string]diagnose.Answer) diagnose.Diagnosis {
	t.Helper()
	d, err := diagnose.Of(c, f, a)
	require.NoError(t, err)
	return d
}

func TestWhatTheRecordKnowsDecidesTheCause(t *testing.T) {
	for name, c := range map[string]struct {
		complaint diagnose.Complaint
		facts     diagnose.Facts
		answers   map[string]diagnose.Answer
		want      string
	}{
		"a whip of two years":             {diagnose.NoFruit, diagnose.Facts{diagnose.YearsToBear: 2, diagnose.FrostAlive: 1}, nil, "too-young"},
		"a night of frost in bloom":       {diagnose.NoFruit, diagnose.Facts{diagnose.YearsToBear: -3, diagnose.FrostAlive: 0.1}, nil, "frost"},
		"a cherry by itself":              {diagnose.NoFruit, diagnose.Facts{diagnose.YearsToBear: -3, diagnose.FrostAlive: 1, diagnose.Partner: 0, diagnose.PartnerWant: 4, diagnose.Bloomed: 1}, map[string]diagnose.Answer{"flowered": diagnose.Yes, "cold-wet-bloom": diagnose.No}, "no-partner"},
		"after a heavy year":              {diagnose.NoFruit, diagnose.Facts{diagnose.YearsToBear: -8, diagnose.FrostAlive: 1, diagnose.Partner: 10, diagnose.PartnerWant: 4, diagnose.RestYear: 2}, map[string]diagnose.Answer{"flowered": diagnose.No}, "rest-year"},
		"too many hang":                   {diagnose.SmallFruit, diagnose.Facts{diagnose.HangingTo: 2, diagnose.Thinned: 0, diagnose.RainMonth: 80}, nil, "too-many"},
		"a dry month after good thinning": {diagnose.SmallFruit, diagnose.Facts{diagnose.HangingTo: 1, diagnose.Thinned: 1, diagnose.RainMonth: 4}, nil, "drought"},
		"a third gone in winter":          {diagnose.Sprouts, diagnose.Facts{diagnose.WinterShare: 0.33, diagnose.HardCut: 0.33}, nil, "hard-winter-cut"},
		"suckers":                         {diagnose.Sprouts, diagnose.Facts{diagnose.WinterShare: 0.05}, map[string]diagnose.Answer{"from-the-ground": diagnose.Yes}, "from-the-stock"},
		"silver leaf on a plum":           {diagnose.DiesBack, diagnose.Facts{diagnose.StoneFruit: 1, diagnose.WetWinterSite: 1, diagnose.WinterShare: 0.2}, map[string]diagnose.Answer{"silver-leaves": diagnose.Yes}, "gum-and-silver"},
		"never silver leaf on an apple":   {diagnose.DiesBack, diagnose.Facts{diagnose.StoneFruit: 0}, map[string]diagnose.Answer{"sunken-bark": diagnose.Yes}, "canker-or-blight"},
		"a young tree without a stake":    {diagnose.Leans, diagnose.Facts{diagnose.NeedsStake: 1, diagnose.Staked: 0, diagnose.YoungTree: 1}, map[string]diagnose.Answer{"stem-moves": diagnose.Yes}, "no-stake"},
		"the natural drop":                {diagnose.DropsFruit, diagnose.Facts{diagnose.DropTime: 1, diagnose.Ripening: 0, diagnose.FrostAlive: 1, diagnose.RainMonth: 60}, nil, "natural-drop"},
		"grubs":                           {diagnose.DropsFruit, diagnose.Facts{diagnose.DropTime: 0, diagnose.Ripening: 0}, map[string]diagnose.Answer{"hole-in-fruit": diagnose.Yes}, "grub-inside"},
		"rain on ripe cherries":           {diagnose.Splits, diagnose.Facts{diagnose.RainWeek: 40, diagnose.Ripening: 1, diagnose.StoneFruit: 1}, map[string]diagnose.Answer{"skin-cracks": diagnose.Yes}, "rain-after-dry"},
		"light only at the top":           {diagnose.OnlyTop, diagnose.Facts{diagnose.LightLow: 0.2, diagnose.FruitAbove: 0.7, diagnose.OverReach: 0}, nil, "shade-below"},
	} {
		d := first(t, c.complaint, c.facts, c.answers)
		require.Equal(t, c.want, d.Causes[0].Slug, "%s: %v", name, d.Causes[0])
		require.NotEmpty(t, d.Causes[0].Evidence, name)
	}
}

func TestSharesAddUpAndOrderIsByThem(t *testing.T) {
	r := rand.New(rand.NewPCG(2, 2))
	all := []diagnose.Fact{diagnose.YearsToBear, diagnose.FrostAlive, diagnose.Partner, diagnose.RestYear, diagnose.HardCut, diagnose.LightLow, diagnose.RainMonth, diagnose.Sick, diagnose.Laden, diagnose.DropTime}
	for _, c := range diagnose.Complaints() {
		for range 60 {
			f := diagnose.Facts{}
			for _, x := range all {
				if r.IntN(2) == 0 {
					f[x] = 3 * r.Float64()
				}
			}
			d := first(t, c, f, nil)
			sum, last := 0.0, 1.0
			for _, k := range d.Causes {
				require.LessOrEqual(t, k.Share, last)
				sum, last = sum+k.Share, k.Share
			}
			require.InDelta(t, 1, sum, 1e-9)
		}
	}
}

func TestNoAnswerMakesACauseItSpeaksForLessLikelyAndNothingIsAskedTwice(t *testing.T) {
	for _, c := range diagnose.Complaints() {
		plain := first(t, c, diagnose.Facts{}, nil)
		share := map[string]float64{}
		for _, k := range plain.Causes {
			share[k.Slug] = k.Share
		}
		require.NotEmpty(t, plain.Ask, c)
		for _, q := range plain.Ask {
			said := map[string]diagnose.Answer{q.Slug: diagnose.Yes}
			d := first(t, c, diagnose.Facts{}, said)
			gained := false
			for _, k := range d.Causes {
				gained = gained || k.Share > share[k.Slug]
			}
			require.True(t, gained, "%s: %s", c, q.Slug)
			for _, again := range d.Ask {
				require.NotEqual(t, q.Slug, again.Slug)
			}
		}
	}
}

func TestWhatTheRecordTellsIsNotAsked(t *testing.T) {
	asks := func(f diagnose.Facts) (out []string) {
		for _, q := range first(t, diagnose.SmallFruit, f, nil).Ask {
			out = append(out, q.Slug)
		}
		return out
	}
	require.Contains(t, asks(diagnose.Facts{}), "dry-weeks")
	require.NotContains(t, asks(diagnose.Facts{diagnose.RainMonth: 30}), "dry-weeks")
	require.NotContains(t, asks(diagnose.Facts{diagnose.Thinned: 1}), "thinned-by-hand")
}

func TestUnknownWordsAreRefused(t *testing.T) {
	_, err := diagnose.Of("sings", nil, nil)
	require.ErrorContains(t, err, "no-fruit")
	_, err = diagnose.Of(diagnose.NoFruit, nil, map[string]diagnose.Answer{"nonsense": diagnose.Yes})
	require.ErrorContains(t, err, "nonsense")
	_, err = diagnose.Of(diagnose.NoFruit, nil, map[string]diagnose.Answer{"flowered": "perhaps"})
	require.ErrorContains(t, err, "yes or no")
}
