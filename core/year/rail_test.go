package year_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/pomology"
	"vertumna/core/year"
)

func wholeYard(t *testing.T, slug string) *scene {
	t.Helper()
	var trees []year.Tree
	for i, k := range pomology.Kinds() {
		trees = append(trees, tree(t, k.Slug, func(tr *year.Tree) { tr.ID = fmt.Sprint("t", i) }))
	}
	return at(t, slug, trees...)
}

func TestTheRailRunsFromNovemberAndFromMayInTheSouth(t *testing.T) {
	for _, d := range []string{"2026-11-01", "2027-02-20", "2027-10-31"} {
		require.Equal(t, 2027, year.SeasonOf(day(d), false), d)
	}
	for _, d := range []string{"2026-05-01", "2026-12-31", "2027-04-30"} {
		require.Equal(t, 2026, year.SeasonOf(day(d), true), d)
	}
	for _, south := range []bool{false, true} {
		for season := 2020; season < 2030; season++ {
			_, to := year.Rail(season, south)
			from, _ := year.Rail(season+1, south)
			require.Equal(t, to+1, from, "the rails meet without a gap")
			require.Equal(t, season, year.SeasonOf(to, south))
		}
	}
}

func TestTheBandsFollowEachOtherWithinTheRail(t *testing.T) {
	for _, slug := range []string{"lower-terrace", "saltwind", "mediterranean-37n"} {
		p := wholeYard(t, slug).plan("2026-12-20")
		bands := year.Bands(p)
		require.Len(t, bands, 4, slug)
		for i, b := range bands {
			require.GreaterOrEqual(t, b.From, p.From)
			require.LessOrEqual(t, b.To, p.To)
			require.Less(t, b.From, b.To)
			if i > 0 {
				require.GreaterOrEqual(t, b.From, bands[i-1].From, "%s: %s", slug, b.Name)
			}
		}
	}
	empty := at(t, "lower-terrace")
	require.Empty(t, year.Bands(empty.plan("2026-12-20")))
}

func TestFrostTicksHangInWinter(t *testing.T) {
	p := at(t, "lower-terrace").plan("2026-12-20")
	ticks := year.FrostTicks(place(t, "lower-terrace").Site, p)
	worst, risk := almanac.Day(0), 0.0
	for _, f := range ticks {
		require.NotContains(t, []int{6, 7, 8}, monthOf(f.Day))
		if f.Risk > risk {
			worst, risk = f.Day, f.Risk
		}
	}
	require.Contains(t, []int{12, 1, 2}, monthOf(worst))
	require.Greater(t, risk, 0.5)
}

func TestTheEquinoxesPartTheSolstices(t *testing.T) {
	for _, slug := range []string{"lower-terrace", "saltwind"} {
		p := at(t, slug).plan("2026-12-20")
		spring, autumn := year.Equinoxes(place(t, slug).Site, p.Season)
		require.Less(t, p.Winter, spring)
		require.Less(t, spring, p.Summer)
		require.Less(t, p.Summer, autumn)
		require.GreaterOrEqual(t, spring, p.From)
		require.LessOrEqual(t, autumn, p.To)
	}
}

func TestTheStageATreeStandsAtFollowsTheDay(t *testing.T) {
	s := at(t, "lower-terrace", tree(t, "apple"))
	a := s.on("2027-02-20").Anchors
	require.Equal(t, "dormant", s.on("2027-02-20").Stage)
	mild := at(t, "mediterranean-37n", tree(t, "apple"))
	require.Equal(t, year.InLeaf, mild.on("2026-11-10").Stage, "where leaves fall in December")
	require.Greater(t, year.Bands(mild.plan("2026-11-10"))[0].From, day("2026-11-20"))
	require.Equal(t, "full_bloom", s.on(a.Day("full_bloom").String()).Stage)
	require.Equal(t, "shoot_slowing", s.on((a.Day("shoot_slowing") + 3).String()).Stage)
	last := almanac.NoDay
	for _, x := range a.All()[:4] {
		require.GreaterOrEqual(t, x.Day, last, x.Name)
		last = x.Day
	}
}
