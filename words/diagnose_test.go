package words_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/diagnose"
	"vertumna/core/year"
	"vertumna/words"
)

var allFacts = []diagnose.Fact{
	diagnose.YearsToBear, diagnose.FrostAlive, diagnose.Partner, diagnose.PartnerWant, diagnose.ChillMargin, diagnose.RestYear, diagnose.HardCut, diagnose.WinterShare,
	diagnose.BearsOnTips, diagnose.ShootRatio, diagnose.LightLow, diagnose.FruitAbove, diagnose.OverReach, diagnose.HangingTo, diagnose.Thinned, diagnose.Bloomed, diagnose.DropTime,
	diagnose.RainMonth, diagnose.RainWeek, diagnose.Ripening, diagnose.Sick, diagnose.Dead, diagnose.Headed, diagnose.Knots, diagnose.NarrowForks, diagnose.Laden, diagnose.Staked,
	diagnose.NeedsStake, diagnose.Gusts, diagnose.ColdKill, diagnose.TubTight, diagnose.YoungTree, diagnose.LeftWork, diagnose.StoneFruit, diagnose.WetWinterSite, diagnose.HostNear, diagnose.Resists,
}

func TestEveryCauseQuestionAndProofHasItsWords(t *testing.T) {
	for _, units := range []words.Units{words.Metric, words.US} {
		s := words.Speaker{Units: units}
		for _, c := range diagnose.Complaints() {
			require.NotEmpty(t, words.ComplaintOf(c), c)
			for _, value := range []float64{-5, 0, 1, 40} {
				f := diagnose.Facts{}
				for _, x := range allFacts {
					f[x] = value
				}
				d, err := diagnose.Of(c, f, nil)
				require.NoError(t, err)
				for _, k := range d.Causes {
					require.NotEmpty(t, words.CauseOf(k.Slug), k.Slug)
					require.NotEmpty(t, words.Speaker{}.CauseDo(k.Slug), k.Slug)
					require.NotEmpty(t, s.CauseWhen(k.Slug, &year.TreePlan{}), k.Slug)
					for _, e := range k.Evidence {
						says := s.Proof(e)
						require.NotEmpty(t, says, e.Rule)
						require.NotContains(t, says, "{", e.Rule)
					}
				}
			}
			plain, err := diagnose.Of(c, diagnose.Facts{}, nil)
			require.NoError(t, err)
			require.NotEmpty(t, words.HowSure(plain))
			for _, q := range plain.Ask {
				require.NotEmpty(t, words.Speaker{}.QuestionOf(q.Slug), q.Slug)
				for _, a := range []diagnose.Answer{diagnose.Yes, diagnose.No} {
					d, err := diagnose.Of(c, diagnose.Facts{}, map[string]diagnose.Answer{q.Slug: a})
					require.NoError(t, err)
					for _, k := range d.Causes {
						for _, e := range k.Evidence {
							require.NotEmpty(t, s.Proof(e), "%s %s", e.Rule, a)
						}
					}
				}
			}
		}
	}
}
