package orchard_test

import (
	"log/slog"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/internal/seeded"
	"vertumna/orchard"
)

// demoed is the demo on a day, and the trees of an orchard of it that have a map.
func demoed(t *testing.T, day almanac.Day, slug string) (*orchard.Keeper, []orchard.At) {
	t.Helper()
	s := seeded.Store(t, day)
	o, err := s.Orchard(ctx, slug)
	require.NoError(t, err)
	trees, err := s.Trees(ctx, o.ID)
	require.NoError(t, err)
	keeper := orchard.NewKeeper(s, func() almanac.Day { return day }, slog.New(slog.DiscardHandler))
	var out []orchard.At
	for _, x := range trees {
		at := orchard.At{Slug: slug, Tree: x.ID, Day: day}
		b, err := keeper.Bench(ctx, at, orchard.Ahead{})
		require.NoError(t, err)
		if b.Mapped {
			out = append(out, at)
		}
	}
	require.NotEmpty(t, out)
	return keeper, out
}

var march10 = almanac.DateOf(2027, 3, 10)

func TestTheYearsOfAPlanAreTheSameHoweverManyAreAsked(t *testing.T) {
	for _, slug := range []string{"lower-terrace", "new-rows"} {
		keeper, trees := demoed(t, march10, slug)
		for k, at := range trees {
			if k%4 != 0 {
				continue
			}
			few, err := keeper.Years(ctx, orchard.SlipAt{At: at}, 2)
			require.NoError(t, err)
			many, err := keeper.Years(ctx, orchard.SlipAt{At: at}, 7)
			require.NoError(t, err)
			require.GreaterOrEqual(t, len(many.Years), 7)
			for n, y := range few.Years[:2] {
				require.Equal(t, y, many.Years[n], "%s, year %d", at.Tree, y.Year)
			}
			require.Equal(t, few.Limit, many.Limit)
			require.Equal(t, few.ReachCM, many.ReachCM)
		}
	}
}

// Within a tree's years each begins where the last ended, and what is told of one adds up.
func TestTheYearsOfAPlanFollowOnEachOther(t *testing.T) {
	cut := 0
	for _, slug := range []string{"lower-terrace", "new-rows"} {
		keeper, trees := demoed(t, march10, slug)
		for k, at := range trees {
			if k%3 != 1 {
				continue
			}
			got, err := keeper.Years(ctx, orchard.SlipAt{At: at}, 5)
			require.NoError(t, err)
			held := false
			for n, y := range got.Years {
				require.Equal(t, got.Years[0].Year+n, y.Year, at.Tree)
				if n > 0 {
					require.InDelta(t, got.Years[n-1].After, y.Before, 0.11, "%s %d begins as high as %d ended", at.Tree, y.Year, y.Year-1)
				}
				require.LessOrEqual(t, y.ByWinter, y.Account+1e-9, "%s %d: winter is a part of the year", at.Tree, y.Year)
				require.LessOrEqual(t, y.InWinter, y.Minutes+1e-9, "%s %d", at.Tree, y.Year)
				require.GreaterOrEqual(t, y.Kilos, 0.0)
				require.GreaterOrEqual(t, y.Buds, 0.0)
				if held {
					require.True(t, y.Held, "%s is held from a year on, and %d is after it", at.Tree, y.Year)
				}
				held = y.Held
				cut += len(y.Winter) + len(y.Summer)
			}
		}
	}
	require.Greater(t, cut, 20)
}

// What a person decides about a step is decided for that tree alone, and taken back it is as it was.
func TestAStepTakenAndOpenedAgainLeavesTheSlipAsItWas(t *testing.T) {
	keeper, trees := demoed(t, march10, "lower-terrace")
	slips := func() (out []*orchard.SlipBody) {
		for k, at := range trees {
			if k%3 == 0 {
				s, err := keeper.Slip(ctx, orchard.SlipAt{At: at})
				require.NoError(t, err)
				out = append(out, s)
			}
		}
		return out
	}
	before := slips()
	tried := 0
	for k, at := range trees {
		if k%3 != 0 || len(before[k/3].Steps) == 0 {
			continue
		}
		tried++
		step := before[k/3].Steps[0]
		for _, choice := range []string{"left", "open"} {
			require.NoError(t, keeper.Decide(ctx, orchard.SlipAt{At: at}, orchard.Decision{Choice: choice, Findings: step.Findings}))
		}
	}
	require.Positive(t, tried)
	for k, after := range slips() {
		require.Equal(t, len(before[k].Steps), len(after.Steps))
		for n := range after.Steps {
			require.Equal(t, before[k].Steps[n].Title, after.Steps[n].Title)
			require.Equal(t, before[k].Steps[n].Share, after.Steps[n].Share)
		}
		require.Equal(t, before[k].Gauge, after.Gauge)
	}
}
