package year_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/pomology"
	"vertumna/core/year"
)

func TestTheOrderOfCutsDoesNotMatterToTheAccount(t *testing.T) {
	shares := []float64{0.05, 0.11, 0.02}
	orders := [][]int{{0, 1, 2}, {2, 1, 0}, {1, 0, 2}}
	var removed []float64
	for _, order := range orders {
		s := at(t, "lower-terrace", tree(t, "apple"))
		for i, k := range order {
			s.with(cut((day("2027-02-10") + almanac.Day(7*i)).String(), shares[k]))
		}
		removed = append(removed, s.on("2027-04-01").Account.Removed)
	}
	require.InDelta(t, removed[0], removed[1], 1e-12)
	require.InDelta(t, removed[0], removed[2], 1e-12)
	require.InDelta(t, 1-0.95*0.89*0.98, removed[0], 1e-12)
}

func TestEveryCutLeavesLessAndNeverMoreThanTheLimitAllows(t *testing.T) {
	s := at(t, "lower-terrace", tree(t, "apple"))
	left := s.on("2027-02-01").Account.Left
	require.InDelta(t, 0.2, left, 1e-9)
	for i := range 6 {
		s.with(cut((day("2027-02-02") + almanac.Day(i)).String(), 0.04))
		acc := s.on("2027-03-01").Account
		require.Less(t, acc.Left, left+1e-12)
		require.GreaterOrEqual(t, acc.Left, 0.0)
		if acc.Left > 0 {
			after := 1 - (1-acc.Removed)*(1-acc.Left)
			require.InDelta(t, acc.Limit, after, 1e-9, "what is left brings it just to the line")
		}
		left = acc.Left
	}
	require.Zero(t, left)
}

func TestALooserLimitNeverLeavesLess(t *testing.T) {
	last := 0.0
	for _, limit := range []string{"20", "25", "30", "33"} {
		tp := at(t, "lower-terrace", tree(t, "apple")).school("steady", "yearly_limit", limit).with(cut("2027-02-10", 0.1)).on("2027-03-01")
		require.Greater(t, tp.Account.Left, last, limit)
		last = tp.Account.Left
		require.LessOrEqual(t, one(t, tp, year.DormantCut).Share, tp.Account.Left+1e-12)
	}
}

func TestAMirroredPlaceHasItsWindowsHalfAYearLater(t *testing.T) {
	north := at(t, "oceanic-47n", tree(t, "apple")).on("2027-02-01")
	var mirrored almanac.Site
	near, err := almanac.Suited(-47, 0, nil)
	require.NoError(t, err)
	for _, n := range near {
		if n.Site.Slug == "oceanic-47n" {
			mirrored = n.Site
		}
	}
	mirrored.Slug = "mirror"
	p, err := year.NewPlace(&mirrored)
	require.NoError(t, err)
	e, err := almanac.NewEnsemble(&mirrored, almanac.SiteSeed("oceanic-47n"), nil, 2027)
	require.NoError(t, err)
	plan, err := year.Make(&year.Yard{Place: p, FingertipCM: 220, Trees: []year.Tree{tree(t, "apple")}}, e, day("2027-08-01"))
	require.NoError(t, err)
	south := plan.Trees[0]
	for _, kind := range []year.TaskKind{year.StandBack, year.DormantCut, year.HeightCut, year.Thin, year.HarvestTask} {
		a, b := one(t, north, kind).Window, one(t, south, kind).Window
		require.InDelta(t, 182, int(b.Opens.Day-a.Opens.Day), 14, "%s opens", kind)
		require.InDelta(t, 182, int(b.Closes.Day-a.Closes.Day), 14, "%s closes", kind)
	}
}

func TestAWarmerPlaceBloomsAndIsCutEarlier(t *testing.T) {
	var last almanac.Day
	for _, slug := range []string{"mediterranean-37n", "oceanic-47n", "lower-terrace", "continental-45n"} {
		w := one(t, at(t, slug, tree(t, "apple")).on("2027-02-01"), year.DormantCut).Window
		require.Greater(t, w.Closes.Day, last, slug)
		last = w.Closes.Day
	}
}

func TestTheSameInputGivesTheSamePlan(t *testing.T) {
	var trees []year.Tree
	for i, k := range pomology.Kinds() {
		trees = append(trees, tree(t, k.Slug, func(tr *year.Tree) { tr.ID = fmt.Sprint("t", i) }))
	}
	s := at(t, "saltwind", trees...).with(cut("2026-07-01", 0.1))
	a, b := s.plan("2026-08-01"), s.plan("2026-08-01")
	require.Equal(t, year.DocketOf(a), year.DocketOf(b))
	for i := range a.Trees {
		require.Equal(t, a.Trees[i].Tasks, b.Trees[i].Tasks)
	}
}

func TestATaskKeepsItsNameFromDayToDay(t *testing.T) {
	s := at(t, "lower-terrace", tree(t, "pear")).with(year.Entry{Date: day("2027-02-10"), Kind: year.WorkEntry, Task: year.Bend, Outcome: year.Done, Device: "tie"})
	ids := func(date string) (out []string) {
		for _, task := range s.on(date).Tasks {
			out = append(out, task.ID)
		}
		return out
	}
	require.ElementsMatch(t, ids("2027-02-20"), ids("2027-07-20"))
}

func TestTheDocketPutsATaskInOneGroupAndTheWorstHarmFirst(t *testing.T) {
	var trees []year.Tree
	for i, k := range pomology.Kinds() {
		trees = append(trees, tree(t, k.Slug, func(tr *year.Tree) { tr.ID = fmt.Sprint("t", i); tr.Wishes.Bag = true }))
	}
	s := at(t, "lower-terrace", trees...)
	for _, d := range []string{"2026-11-20", "2027-02-20", "2027-04-15", "2027-06-25", "2027-08-10", "2027-10-05"} {
		docket := year.DocketOf(s.plan(d))
		seen := map[string]bool{}
		for _, group := range [][]year.Task{docket.Now, docket.Closing, docket.Opening, docket.Wait, docket.Missed} {
			for _, task := range group {
				require.False(t, seen[task.ID], "%s stands twice on %s", task.ID, d)
				seen[task.ID] = true
			}
		}
		last := 3
		for _, task := range docket.Now {
			facts, _ := task.Kind.Facts()
			require.LessOrEqual(t, facts.Harm, last, d)
			last = facts.Harm
			require.Greater(t, int(task.Window.Closes.Day-day(d)), year.ClosingDays)
		}
		for _, task := range docket.Closing {
			require.LessOrEqual(t, int(task.Window.Closes.Day-day(d)), year.ClosingDays)
			require.GreaterOrEqual(t, task.Window.Closes.Day, day(d))
		}
		for _, task := range docket.Opening {
			require.LessOrEqual(t, int(task.Window.Opens.Day-day(d)), year.OpeningDays)
		}
		for _, task := range docket.Wait {
			require.NotEmpty(t, task.Held, "%s waits without a cause", task.ID)
		}
		for _, task := range docket.Missed {
			require.NotEmpty(t, task.Instead, task.ID)
			require.LessOrEqual(t, int(day(d)-task.Window.Closes.Day), year.MissedDays)
		}
	}
}

func TestGradesCoverTheWholeYearOfACut(t *testing.T) {
	for _, slug := range []string{"apple", "peach", "fig", "sweet-cherry"} {
		for _, preset := range pomology.Presets() {
			tp := at(t, "lower-terrace", tree(t, slug)).school(preset.Slug).on("2027-02-20")
			for i := range tp.Tasks {
				task := &tp.Tasks[i]
				facts, _ := task.Kind.Facts()
				if !facts.Cut {
					continue
				}
				best := task.GradeOn(task.Window.Opens.Day + (task.Window.Closes.Day-task.Window.Opens.Day)/2)
				require.Equal(t, year.Better, best.Level, "%s %s", task.ID, preset.Slug)
				for d := day("2026-11-15"); d < day("2027-10-15"); d += 9 {
					require.NotEmpty(t, task.GradeOn(d).Reason, "%s on %s", task.ID, d)
				}
			}
		}
	}
}

func TestWhatTheSchoolForbidsWaitsInTheOpen(t *testing.T) {
	s := at(t, "lower-terrace", tree(t, "sweet-cherry"))
	winter := one(t, s.on("2027-02-20"), year.SummerCut)
	require.Equal(t, year.Wait, winter.Group)
	require.Equal(t, []string{"forbidden-until"}, rules(winter.Held))
	require.Equal(t, winter.Window.Opens.Day, winter.Held[0].Day)
	inLeaf := one(t, s.on("2027-06-01"), year.SummerCut)
	require.Equal(t, year.Group(""), inLeaf.Group, "in leaf it only lies ahead")
	open := one(t, s.on((winter.Window.Opens.Day + 1).String()), year.SummerCut)
	require.Equal(t, year.DoNow, open.Group)
}

func TestRowTreesStayUnderNineTenthsOfTheirDistance(t *testing.T) {
	s := at(t, "lower-terrace", tree(t, "apple")).school("renewal-row")
	s.yard.RowDistanceM, s.yard.CeilingCM = 2.5, 300
	require.InDelta(t, 2.25, s.on("2027-02-20").ReachM, 1e-9)
	s.yard.RowDistanceM = 0
	require.InDelta(t, 3.0, s.on("2027-02-20").ReachM, 1e-9)
}
