package year_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/pomology"
	"vertumna/core/year"
)

func work(date string, kind year.TaskKind, with ...func(*year.Entry)) year.Entry {
	e := year.Entry{ID: date + string(kind), Date: day(date), Kind: year.WorkEntry, Task: kind, Outcome: year.Done}
	for _, f := range with {
		f(&e)
	}
	return e
}

func TestThinningFollowsTheKindAndTheSchool(t *testing.T) {
	at2 := func(slug, school string, with ...func(*year.Tree)) (year.Task, *year.Anchors) {
		s := at(t, "lower-terrace", tree(t, slug, with...))
		if school != "" {
			s.school("steady", "thin_time", school)
		}
		tp := s.on("2027-05-01")
		return one(t, tp, year.Thin), tp.Anchors
	}
	apple, a := at2("apple", "")
	require.Equal(t, a.Day("drop_end"), apple.Window.Opens.Day)
	require.Equal(t, a.Day("drop_end")+21, apple.Window.Closes.Day)
	apple, a = at2("apple", "fruitlet-18")
	require.Equal(t, a.Day("fruit18"), apple.Window.Opens.Day)
	apple, a = at2("apple", "bloom")
	require.Equal(t, a.Day("first_bloom"), apple.Window.Opens.Day)
	require.Equal(t, a.Day("petal_fall"), apple.Window.Closes.Day)
	peach, a := at2("peach", "")
	require.Equal(t, min(a.Day("fruit18"), a.Day("full_bloom")+21), peach.Window.Opens.Day)
	require.Equal(t, max(a.Day("pit_hardening"), peach.Window.Opens.Day+14), peach.Window.Closes.Day, "to stone hardening, two weeks at least")
	plum, a := at2("european-plum", "", func(tr *year.Tree) { tr.Wishes.ThinAnyway = true })
	require.Equal(t, a.Day("fruit14"), plum.Window.Opens.Day, "small-fruited plums are thinned smaller")
	require.Greater(t, a.Day("fruit14"), a.Day("fruit10"))
	require.Less(t, a.Day("fruit19"), a.Day("fruit24"))
	require.Empty(t, find(at(t, "lower-terrace", tree(t, "european-plum")).on("2027-05-01"), year.Thin), "their set is left to the tree")
}

func TestThinningWaitsWhileFrostIsLikely(t *testing.T) {
	s := at(t, "lower-terrace", tree(t, "apricot"))
	frost := almanac.MonthDay{Month: 6, Day: 20}
	s.yard.Place.Frost.LastSpring10 = &frost
	tp := s.on("2027-05-01")
	opens := one(t, tp, year.Thin).Window.Opens.Day
	require.Less(t, opens, day("2027-06-20"))
	before := one(t, s.on(opens.String()), year.Thin)
	require.Equal(t, year.Waits, before.State)
	require.Equal(t, []string{"frost-danger-first"}, rules(before.Held))
	frost = almanac.MonthDay{Month: 5, Day: 1}
	require.NotEqual(t, year.Waits, one(t, s.on(opens.String()), year.Thin).State, "the danger is over")
}

func TestATreeTooYoungToBearIsNeitherThinnedNorPicked(t *testing.T) {
	young := tree(t, "apple", func(tr *year.Tree) { tr.Planted, tr.Class = day("2025-11-20"), pomology.SemiVigorous })
	tp := at(t, "lower-terrace", young).on("2027-05-01")
	for _, kind := range []year.TaskKind{year.Thin, year.CountSet, year.HarvestTask, year.Bag} {
		require.Empty(t, find(tp, kind), kind)
	}
	require.NotEmpty(t, find(tp, year.YoungCare))
}

func TestEveryBearingTreeGetsALookAtItsSet(t *testing.T) {
	apple := at(t, "lower-terrace", tree(t, "apple")).on("2027-05-01")
	count := one(t, apple, year.CountSet)
	require.Equal(t, apple.Anchors.Day("petal_fall")+14, count.Window.Opens.Day)
	require.Equal(t, one(t, apple, year.Thin).Window.Opens.Day, count.Window.Closes.Day, "counted before it is thinned")
	quince := one(t, at(t, "lower-terrace", tree(t, "quince")).on("2027-05-01"), year.CountSet)
	require.Contains(t, rules(quince.Reasons), "glance-at-set")
	fig := at(t, "lower-terrace", tree(t, "fig")).on("2027-05-01")
	require.Equal(t, fig.Anchors.Day("full_bloom")+24, one(t, fig, year.CountSet).Window.Opens.Day, "a fig has no petals to fall")
}

func TestHarvestLastsAsLongAsTheKindIsPicked(t *testing.T) {
	for slug, days := range map[string]int{"sweet-cherry": 14, "apricot": 14, "peach": 21, "european-plum": 21, "apple": 28, "quince": 28, "fig": 45, "mulberry": 45} {
		tp := at(t, "mediterranean-37n", tree(t, slug)).on("2027-05-01")
		w := one(t, tp, year.HarvestTask).Window
		require.Equal(t, tp.Anchors.Day("harvest_start"), w.Opens.Day, slug)
		require.Equal(t, days, int(w.Closes.Day-w.Opens.Day), slug)
	}
}

func TestFruitThatDoesNotRipenHereIsSaidNotPlanned(t *testing.T) {
	tp := at(t, "continental-45n", tree(t, "persimmon")).on("2027-05-01")
	require.Empty(t, find(tp, year.HarvestTask))
	require.Contains(t, rules(tp.Warnings), "does-not-ripen")
}

func TestRestrainingCutBySchoolAndPlace(t *testing.T) {
	restrained := tree(t, "apple", func(tr *year.Tree) { tr.Aim = year.Restrain })
	early := one(t, at(t, "lower-terrace", restrained).on("2027-05-01"), year.RestrainCut)
	late := one(t, at(t, "lower-terrace", restrained).school("steady", "restraining_cut", "solstice-on").on("2027-05-01"), year.RestrainCut)
	require.Equal(t, early.Window.Closes.Day, late.Window.Opens.Day)
	require.Equal(t, year.Harmful, early.GradeOn(early.Window.Closes.Day+5).Level, "a cold site never later")
	mild := one(t, at(t, "mediterranean-37n", restrained).on("2027-04-01"), year.RestrainCut)
	require.Equal(t, year.Possible, mild.GradeOn(mild.Window.Closes.Day+5).Level)
	require.Equal(t, year.Harmful, early.GradeOn(day("2027-01-20")).Level, "a winter cut builds what is to be restrained")
	persimmon := tree(t, "persimmon", func(tr *year.Tree) { tr.Aim = year.Restrain })
	require.Empty(t, find(at(t, "lower-terrace", persimmon).on("2027-05-01"), year.RestrainCut), "it sets after the solstice")
	stone := tree(t, "japanese-plum", func(tr *year.Tree) { tr.Aim = year.Restrain })
	require.Empty(t, find(at(t, "lower-terrace", stone).on("2027-05-01"), year.RestrainCut), "stone fruit waits for dry summer")
}

func TestAutumnHeightOnlyInMildWinters(t *testing.T) {
	tall := tree(t, "apple", func(tr *year.Tree) { tr.HeightM = 3.5 })
	mild := at(t, "mediterranean-37n", tall).school("steady", "height_cut", "autumn")
	mild.yard.Place.Climate.Cold = "mild"
	task := one(t, mild.on("2027-10-20"), year.AutumnHeight)
	require.Empty(t, task.Held)
	require.Empty(t, find(mild.on("2027-10-20"), year.HeightCut), "one height cut a year")
	cold := one(t, at(t, "lower-terrace", tall).school("steady", "height_cut", "autumn").on("2027-10-12"), year.AutumnHeight)
	require.Equal(t, year.Waits, cold.State)
	require.Equal(t, []string{"autumn-needs-mild-winter"}, rules(cold.Held))
	require.Equal(t, year.Forbidden, cold.GradeOn(cold.Window.Opens.Day).Level)
}

func TestSummerShootsOnVigorousPomeOnly(t *testing.T) {
	shoots := func(slug string, with ...func(*year.Tree)) []year.Task {
		return find(at(t, "lower-terrace", tree(t, slug, with...)).on("2027-07-10"), year.SummerShoots)
	}
	require.Empty(t, shoots("apple"))
	require.Len(t, shoots("apple", func(tr *year.Tree) { tr.Class = pomology.Vigorous }), 1)
	require.Len(t, shoots("apple", func(tr *year.Tree) { tr.ShootCM = 60 }), 1)
	require.Len(t, shoots("pear", func(tr *year.Tree) { tr.Form = pomology.WireTiers }), 1)
	require.Empty(t, shoots("peach", func(tr *year.Tree) { tr.Class = pomology.Vigorous }))
	strong := tree(t, "apple", func(tr *year.Tree) { tr.Class = pomology.Vigorous })
	require.Empty(t, find(at(t, "lower-terrace", strong).school("renewal-row").on("2027-07-10"), year.SummerShoots))
}

func TestALowBushIsLevelledInItsFirstSummer(t *testing.T) {
	bush := tree(t, "apple", func(tr *year.Tree) { tr.Planted, tr.Form, tr.HeightM = day("2026-11-20"), pomology.LowBush, 0 })
	task := one(t, at(t, "lower-terrace", bush).on("2027-06-25"), year.FrameSummer)
	require.Contains(t, rules(task.Reasons), "form-level")
	require.InDelta(t, 70, task.Step.CM, 0)
	vase := tree(t, "apple", func(tr *year.Tree) { tr.Planted, tr.Form = day("2026-11-20"), pomology.OpenVase })
	require.Empty(t, find(at(t, "lower-terrace", vase).on("2027-06-25"), year.HeightCut))
}

func TestAShrubIsRenewedAtTheGround(t *testing.T) {
	tp := at(t, "mediterranean-37n", tree(t, "pomegranate")).on("2027-03-01")
	require.Contains(t, rules(one(t, tp, year.DormantCut).Reasons), "shrub-renewal")
	require.Contains(t, rules(tp.Warnings), "not-for-low-tree")
	for _, kind := range []year.TaskKind{year.HeightCut, year.Bend, year.PlantingCut} {
		require.Empty(t, find(tp, kind), kind)
	}
}

func TestAFigWaitsUntilDiebackShows(t *testing.T) {
	tp := at(t, "lower-terrace", tree(t, "fig")).on("2027-04-01")
	w := one(t, tp, year.DormantCut).Window
	require.Equal(t, tp.Anchors.Day("bud_break")-7, w.Opens.Day)
	require.Equal(t, tp.Anchors.Day("bud_break")+14, w.Closes.Day)
}

func TestWishesBookTheirJobs(t *testing.T) {
	wishful := tree(t, "apple", func(tr *year.Tree) {
		tr.Wishes = year.Wishes{Bag: true, LeavesOff: true, GraftWood: true, Graft: "spring"}
	})
	s := at(t, "lower-terrace", wishful)
	tp := s.on("2027-03-01")
	require.Equal(t, tp.Anchors.Day("bud_swell"), one(t, tp, year.GraftWood).Window.Closes.Day)
	require.Equal(t, tp.Anchors.Day("bud_swell"), one(t, tp, year.Graft).Window.Opens.Day)
	require.Equal(t, tp.Anchors.Day("harvest_start")-21, one(t, tp, year.LeavesOff).Window.Opens.Day)
	require.Empty(t, find(tp, year.GraftLook))
	s.with(work("2027-04-05", year.Graft))
	require.Equal(t, day("2027-05-03"), one(t, s.on("2027-04-06"), year.GraftLook).Window.Opens.Day)
	summer := tree(t, "apple", func(tr *year.Tree) { tr.Wishes.Graft = "summer" })
	late := at(t, "lower-terrace", summer).on("2027-03-01")
	require.Equal(t, late.Anchors.Day("shoot_slowing")+14, one(t, late, year.Graft).Window.Opens.Day)
	plain := at(t, "lower-terrace", tree(t, "apple")).on("2027-03-01")
	for _, kind := range []year.TaskKind{year.Bag, year.LeavesOff, year.GraftWood, year.Graft} {
		require.Empty(t, find(plain, kind), kind)
	}
}

func TestWhatATreeLacksBooksItsOwnTask(t *testing.T) {
	bare := func(with ...func(*year.Tree)) year.TreePlan {
		tr := tree(t, "apple", append([]func(*year.Tree){func(tr *year.Tree) { tr.HasStake, tr.HasMulch, tr.HasWires = false, false, false }}, with...)...)
		return at(t, "lower-terrace", tr).on("2027-03-01")
	}
	require.Empty(t, find(bare(), year.GiveStake), "a grown semi-dwarfing tree stands alone")
	weak := bare(func(tr *year.Tree) { tr.Class = pomology.VeryDwarfing })
	require.Contains(t, rules(one(t, weak, year.GiveStake).Reasons), "weak-stock-stake")
	require.NotEmpty(t, find(bare(func(tr *year.Tree) { tr.Form = pomology.StepOver }), year.GiveWires))
	require.NotEmpty(t, find(bare(func(tr *year.Tree) { tr.Planted = day("2026-03-01") }), year.GiveMulch))
	tub := bare(func(tr *year.Tree) { tr.TubLitres, tr.SpreadM, tr.HeightM = 40, 2.4, 2.1 })
	require.Contains(t, rules(one(t, tub, year.Repot).Reasons), "crown-outgrows-tub")
	require.Empty(t, find(bare(func(tr *year.Tree) { tr.TubLitres, tr.SpreadM, tr.HeightM = 200, 2.4, 2.1 }), year.Repot))
}

func TestEarlierWorkAsksForItsOwnLook(t *testing.T) {
	notched := at(t, "lower-terrace", tree(t, "apple", func(tr *year.Tree) { tr.Planted, tr.AsWhip = day("2026-11-20"), true })).with(work("2027-04-01", year.Notching))
	tp := notched.on("2027-04-10")
	require.Equal(t, tp.Anchors.Day("bud_break")+56, one(t, tp, year.NotchLook).Window.Opens.Day, "eight weeks of growth, not of waiting")

	stub := work("2027-03-15", year.DormantCut, func(e *year.Entry) { e.Headed, e.OpensSun, e.Share = true, true, 0.05 })
	tp = at(t, "lower-terrace", tree(t, "apple")).with(stub).on("2027-03-20")
	require.Equal(t, tp.Anchors.Day("bud_break")+56, one(t, tp, year.ChooseShoot).Window.Opens.Day)
	require.Equal(t, day("2027-03-15"), one(t, tp, year.Paint).Window.Opens.Day)
	require.Empty(t, find(tp, year.SproutVisit), "a gentle cut books none")
}

func TestBendingIsForYoungAndUprightTrees(t *testing.T) {
	bend := func(slug, planted string, with ...func(*year.Tree)) []year.Task {
		return find(at(t, "lower-terrace", tree(t, slug, append(with, func(tr *year.Tree) { tr.Planted = day(planted) })...)).on("2027-02-01"), year.Bend)
	}
	require.Len(t, bend("pear", "2024-03-01"), 2, "in rest, or when shoots slow")
	require.Empty(t, bend("pear", "2026-11-20"), "not in the planting year")
	require.Empty(t, bend("pear", "2012-03-01"), "old wood is left")
	require.Empty(t, bend("quince", "2023-03-01"))
	require.Len(t, bend("quince", "2023-03-01", func(tr *year.Tree) { tr.Habit = "upright" }), 2)
}

func TestTheAccountRunsFromLeafFallToLeafFall(t *testing.T) {
	s := at(t, "lower-terrace", tree(t, "apple"))
	fall := s.on("2027-02-01").Anchors.Day("leaf_fall_before")
	s.with(cut((fall-1).String(), 0.11), cut((fall+1).String(), 0.07))
	require.InDelta(t, 0.07, s.on("2027-02-01").Account.Removed, 1e-9, "a cut before leaf fall belongs to the year before")
	require.Equal(t, fall, s.on("2027-02-01").Account.From)
}

func TestTheFormationYearsAreExemptBySchool(t *testing.T) {
	young := tree(t, "apple", func(tr *year.Tree) { tr.Planted = day("2025-11-20") })
	hard := cut("2027-03-20", 0.4)
	require.False(t, at(t, "lower-terrace", young).with(hard).on("2027-04-01").Account.Reached())
	require.True(t, at(t, "lower-terrace", young).school("renewal-row").with(hard).on("2027-04-01").Account.Reached())
}

func TestATreesOwnChoiceWinsOverTheOrchards(t *testing.T) {
	own := tree(t, "apple", func(tr *year.Tree) { tr.Own = map[string]string{"pome_cut": "after-bud-break", "yearly_limit": "33"} })
	tp := at(t, "lower-terrace", own).on("2027-03-01")
	require.Equal(t, tp.Anchors.Day("bud_break"), one(t, tp, year.DormantCut).Window.Opens.Day)
	require.InDelta(t, 1.0/3, tp.Account.Limit, 1e-9)
	bad := tree(t, "apple", func(tr *year.Tree) { tr.Own = map[string]string{"pome_cut": "never"} })
	s := at(t, "lower-terrace", bad)
	_, err := year.Make(&s.yard, ensemble(t, s.yard.Place, 2027), day("2027-03-01"))
	require.ErrorContains(t, err, "pome_cut")
}

func TestAChoiceThatDoesNotSuitThePlaceIsSaid(t *testing.T) {
	tp := at(t, "lower-terrace", tree(t, "sweet-cherry")).school("steady", "stone_cut", "dormant").on("2027-02-01")
	require.Contains(t, rules(tp.Warnings), "choice-unfit")
	task := one(t, tp, year.DormantCut)
	require.Equal(t, year.Harmful, task.GradeOn(day("2027-01-05")).Level)
	require.Contains(t, rules(task.Reasons), "wet-winter-warning")
}

func TestPaceIsLearntFromLoggedMinutes(t *testing.T) {
	s := at(t, "lower-terrace", tree(t, "apple"))
	before := one(t, s.on("2027-03-05"), year.DormantCut).Minutes
	require.InDelta(t, 10+8*3*2.5, before, 1e-9)
	slow := func(date string) year.Entry {
		return work(date, year.DormantCut, func(e *year.Entry) { e.Minutes, e.Season = 140, 2026 })
	}
	s.with(slow("2026-03-01"), slow("2026-03-08"), slow("2026-03-15"))
	after := one(t, s.on("2027-03-05"), year.DormantCut).Minutes
	require.Greater(t, after, before)
	require.LessOrEqual(t, after, 2*before)
}

func TestContradictingStagesAreSetAsideAndSaid(t *testing.T) {
	s := at(t, "lower-terrace", tree(t, "apple"))
	s.with(
		year.Entry{Date: day("2027-04-20"), Kind: year.ObservedEntry, Stage: almanac.FullBloom},
		year.Entry{Date: day("2027-05-02"), Kind: year.ObservedEntry, Stage: almanac.BudBreak},
	)
	require.Contains(t, rules(s.on("2027-05-03").Warnings), "observations-disagree")
	err := year.CheckObserved(&s.yard.Trees[0], ensemble(t, s.yard.Place, 2027), s.yard.Entries, false)
	require.ErrorContains(t, err, "full_bloom")
}

func TestATreeNotYetPlantedOrGoneIsNotPlanned(t *testing.T) {
	later := tree(t, "apple", func(tr *year.Tree) { tr.ID, tr.Planted = "t2", day("2027-11-20") })
	gone := tree(t, "apple", func(tr *year.Tree) { tr.ID, tr.Gone = "t3", day("2027-01-10") })
	s := at(t, "lower-terrace", tree(t, "apple"), later, gone)
	require.Len(t, s.plan("2027-01-05").Trees, 2)
	require.Len(t, s.plan("2027-01-10").Trees, 1)
}

func TestEntriesThatCannotBeAreRefused(t *testing.T) {
	today := day("2027-02-20")
	tr := tree(t, "apple", func(tr *year.Tree) { tr.Planted = day("2026-11-20") })
	check := func(e year.Entry) (codes []string) {
		for _, p := range year.CheckEntry(&e, &tr, today) {
			codes = append(codes, p.Code)
		}
		return codes
	}
	require.Empty(t, check(work("2027-02-01", year.DormantCut)))
	require.Equal(t, []string{"in_future"}, check(work("2027-02-21", year.DormantCut)))
	require.Equal(t, []string{"before_planting"}, check(work("2026-11-19", year.DormantCut)))
	require.Equal(t, []string{"unknown_task"}, check(work("2027-02-01", "mow")))
	require.Equal(t, []string{"share_out_of_range"}, check(work("2027-02-01", year.DormantCut, func(e *year.Entry) { e.Share = 1.4 })))
	require.Equal(t, []string{"diameter_out_of_range"}, check(work("2027-02-01", year.DormantCut, func(e *year.Entry) { e.CutMM = []float64{-3} })))
	require.Equal(t, []string{"no_reason"}, check(work("2027-02-01", year.DormantCut, func(e *year.Entry) { e.Outcome = year.Left })))
	require.Equal(t, []string{"no_outcome"}, check(work("2027-02-01", year.DormantCut, func(e *year.Entry) { e.Outcome = "" })))
}

func TestACrownIsMeasuredOrEstimatedAndNoWiderThanItsTubFeeds(t *testing.T) {
	tr := tree(t, "apple")
	spread, estimated := tr.Crown()
	require.InDelta(t, 2.5, spread, 1e-9)
	require.False(t, estimated)
	tr.SpreadM = 0
	free, estimated := tr.Crown()
	require.True(t, estimated)
	require.InDelta(t, 3.5*0.75, free, 1e-9, "an open vase held low keeps three quarters of its spread")
	tr.TubLitres = 40
	tub, _ := tr.Crown()
	require.InDelta(t, pomology.TubCap(40), tub, 1e-9)
}

func TestWhereWintersAreDryStoneWaitsForDrySummerOnlyByChoice(t *testing.T) {
	low := func() year.Tree { return tree(t, "peach", func(tr *year.Tree) { tr.Chill = "low" }) }
	usual := at(t, "subtropical-30n", low()).on("2027-02-20")
	require.NotZero(t, one(t, usual, year.DormantCut).Share, "a dry winter lets stone fruit be cut")
	require.Empty(t, find(usual, year.SummerCut))
	waits := at(t, "subtropical-30n", low()).school("steady", "stone_cut", "dry-summer").on("2027-02-20")
	require.NotEmpty(t, find(waits, year.SummerCut))
	require.Empty(t, find(waits, year.DormantCut))
}
