package almanac_test

import (
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/pomology"
)

func seasonOf(t *testing.T, s *almanac.Site, season int, known almanac.Day) *almanac.Ensemble {
	t.Helper()
	var days []almanac.TempDay
	if from := almanac.SeasonStart(season, s.South()); known > from {
		told, err := almanac.Weather(s, almanac.SiteSeed(s.Slug), from, known)
		require.NoError(t, err)
		days = almanac.Temps(told)
	}
	e, err := almanac.NewEnsemble(s, almanac.SiteSeed(s.Slug), days, season)
	require.NoError(t, err)
	return e
}

func TestColdAndWarmthGatherToWhatBloomAsksFor(t *testing.T) {
	for _, s := range almanac.Climates() {
		season := 2027
		e := seasonOf(t, &s, season, almanac.Solstice(season, s.South()))
		for _, slug := range []string{"apple", "peach", "sweet-cherry"} {
			kind, err := pomology.BySlug(slug)
			require.NoError(t, err)
			r := almanac.StageRequest{Kind: kind, LeafFallBefore: almanac.NoDay}
			spans, err := e.Stages(r)
			require.NoError(t, err)
			c, err := e.Course(r)
			require.NoError(t, err)
			require.Equal(t, spans.ChillNeed, c.Need)
			last := almanac.CourseDay{}
			for i, d := range c.Days {
				require.GreaterOrEqual(t, d.Portions, last.Portions, "%s %s", s.Slug, slug)
				require.GreaterOrEqual(t, d.Warmth, 0.0)
				require.LessOrEqual(t, d.Warmth, 1.0)
				if i > 0 {
					require.Equal(t, last.Date+1, d.Date)
				}
				if spans.ChillStatus == "met" {
					require.Equal(t, d.Date >= c.Met.Median, d.Portions >= c.Need, "%s %s %s", s.Slug, slug, d.Date)
				}
				if bloom := spans.Spans[almanac.FullBloom].Median; bloom.Known() && spans.ChillStatus == "met" && d.Date == bloom {
					require.Equal(t, 1.0, d.Warmth, "%s %s: all of it on the day of bloom", s.Slug, slug)
				}
				last = d
			}
		}
	}
}

func TestWhatIsSeenNeverMakesTheStagesFallBack(t *testing.T) {
	s := almanac.Climates()[0]
	e := seasonOf(t, &s, 2027, almanac.NoDay)
	r := rand.New(rand.NewPCG(3, 3))
	for _, slug := range []string{"apple", "apricot", "fig"} {
		kind, err := pomology.BySlug(slug)
		require.NoError(t, err)
		plain, err := e.Stages(almanac.StageRequest{Kind: kind, LeafFallBefore: almanac.NoDay})
		require.NoError(t, err)
		for range 60 {
			req := almanac.StageRequest{Kind: kind, LeafFallBefore: almanac.NoDay}
			from := almanac.NoDay
			for st := almanac.BudSwell; st <= almanac.FullBloom; st++ {
				if r.IntN(2) == 0 {
					continue
				}
				day := max(from, plain.Spans[st].Median+almanac.Day(r.IntN(31)-15))
				from = day
				req.Observed = append(req.Observed, almanac.Observation{Stage: st, Date: day})
			}
			got, err := e.Stages(req)
			require.NoError(t, err)
			for st := almanac.BudBreak; st <= almanac.FullBloom; st++ {
				if a, b := got.Spans[st-1].Median, got.Spans[st].Median; a.Known() && b.Known() {
					require.LessOrEqual(t, a, b, "%s: %s before %s with %v", slug, st, st-1, req.Observed)
				}
			}
		}
	}
}
