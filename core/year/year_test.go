package year_test

import (
	"fmt"
	"sync"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/core/pomology"
	"vertumna/core/year"
)

var (
	ensembleMu sync.Mutex
	ensembles  = map[string]*almanac.Ensemble{}
)

func place(t testing.TB, slug string) year.Place {
	t.Helper()
	for _, s := range almanac.Climates() {
		if s.Slug == slug {
			p, err := year.NewPlace(&s)
			require.NoError(t, err)
			return p
		}
	}
	require.Fail(t, "no climate "+slug)
	return year.Place{}
}

func ensemble(t testing.TB, p year.Place, season int) *almanac.Ensemble {
	t.Helper()
	ensembleMu.Lock()
	defer ensembleMu.Unlock()
	key := fmt.Sprint(p.Site.Slug, season)
	if ensembles[key] == nil {
		e, err := almanac.NewEnsemble(p.Site, almanac.SiteSeed(p.Site.Slug), nil, season)
		require.NoError(t, err)
		ensembles[key] = e
	}
	return ensembles[key]
}

func tree(t testing.TB, slug string, with ...func(*year.Tree)) year.Tree {
	t.Helper()
	k, err := pomology.BySlug(slug)
	require.NoError(t, err)
	tr := year.Tree{
		ID: "t1", Code: "A1", Name: "Test", Kind: k, Planted: almanac.DateOf(2012, 2, 1), Gone: almanac.NoDay,
		Class: pomology.SemiDwarfing, Form: k.Forms[0], HeightM: 3, SpreadM: 2.5, TrunkMM: 110, HasStake: true, HasMulch: true, HasWires: true,
	}
	for _, f := range with {
		f(&tr)
	}
	return tr
}

type scene struct {
	t    testing.TB
	yard year.Yard
}

func at(t testing.TB, slug string, trees ...year.Tree) *scene {
	t.Helper()
	return &scene{t, year.Yard{Place: place(t, slug), Trees: trees, FingertipCM: 220}}
}

func (s *scene) school(preset string, own ...string) *scene {
	s.yard.School = pomology.School{Preset: preset, Own: map[string]string{}}
	for i := 0; i+1 < len(own); i += 2 {
		s.yard.School.Own[own[i]] = own[i+1]
	}
	return s
}

func (s *scene) with(entries ...year.Entry) *scene {
	for _, e := range entries {
		if e.Tree == "" {
			e.Tree = "t1"
		}
		if e.Season == 0 {
			e.Season = year.SeasonOf(e.Date, s.yard.Place.Site.South())
		}
		s.yard.Entries = append(s.yard.Entries, e)
	}
	return s
}

func day(text string) almanac.Day {
	d, err := almanac.ParseDay(text)
	if err != nil {
		panic(err)
	}
	return d
}

func (s *scene) on(date string) year.TreePlan {
	s.t.Helper()
	p := s.plan(date)
	require.NotEmpty(s.t, p.Trees)
	return p.Trees[0]
}

func (s *scene) plan(date string) *year.Plan {
	s.t.Helper()
	d := day(date)
	p, err := year.Make(&s.yard, ensemble(s.t, s.yard.Place, year.SeasonOf(d, s.yard.Place.Site.South())), d)
	require.NoError(s.t, err)
	return p
}

func find(tp year.TreePlan, kind year.TaskKind) (out []year.Task) {
	for _, t := range tp.Tasks {
		if t.Kind == kind {
			out = append(out, t)
		}
	}
	return out
}

func one(t testing.TB, tp year.TreePlan, kind year.TaskKind) year.Task {
	t.Helper()
	got := find(tp, kind)
	require.Len(t, got, 1, "%s", kind)
	return got[0]
}

func rules(rs []year.Reason) (out []string) {
	for _, r := range rs {
		out = append(out, r.Rule)
	}
	return out
}

func cut(date string, share float64) year.Entry {
	return year.Entry{ID: date, Date: day(date), Kind: year.WorkEntry, Task: year.DormantCut, Outcome: year.Done, Share: share, Minutes: 50}
}

func TestThePomeCutFollowsBudBreakAndTheSchool(t *testing.T) {
	apple := tree(t, "apple")
	steady := at(t, "lower-terrace", apple).on("2027-02-20")
	bud := steady.Anchors.Day("bud_break")
	w := one(t, steady, year.DormantCut).Window
	require.Equal(t, bud-42, w.Opens.Day)
	require.Equal(t, bud, w.Closes.Day)
	require.Less(t, w.Closes.Early, w.Closes.Late, "a forecast has a span")

	row := at(t, "lower-terrace", apple).school("renewal-row").on("2027-02-20")
	w = one(t, row, year.DormantCut).Window
	require.Equal(t, row.Anchors.Day("deep_dormancy"), w.Opens.Day)
	require.Less(t, w.Closes.Day, bud)

	late := at(t, "lower-terrace", apple).school("steady", "pome_cut", "after-bud-break").on("2027-02-20")
	require.Equal(t, bud, one(t, late, year.DormantCut).Window.Opens.Day)
}

func TestStoneFruitWaitsForDrySummerWhereWintersAreWet(t *testing.T) {
	cherry := tree(t, "sweet-cherry")
	wet := at(t, "lower-terrace", cherry).on("2027-02-20")
	require.Equal(t, "wet", place(t, "lower-terrace").Climate.Wetness)
	require.Empty(t, find(wet, year.DormantCut))
	s := one(t, wet, year.SummerCut)
	require.Equal(t, min(wet.Anchors.Day("harvest_end"), wet.Anchors.Day("summer_solstice")+35), s.Window.Opens.Day)
	require.Equal(t, year.Forbidden, s.GradeOn(day("2027-02-20")).Level)
	require.Equal(t, year.Better, s.GradeOn(s.Window.Opens.Day+1).Level)

	dry := at(t, "continental-45n", cherry).on("2027-02-20")
	d := one(t, dry, year.DormantCut)
	require.Equal(t, dry.Anchors.Day("bud_break"), d.Window.Opens.Day, "a cold site waits for bud break")
	require.Equal(t, dry.Anchors.Day("full_bloom"), d.Window.Closes.Day)
	require.Equal(t, year.BloomMark, d.Mark)
}

func TestAStoneWindowIsNeverEmpty(t *testing.T) {
	// a late plum under the dry-summer school where frost comes early
	plum := tree(t, "european-plum", func(tr *year.Tree) { tr.Harvest = "late" })
	s := at(t, "continental-45n", plum).school("dry-summer-stone")
	frost := almanac.MonthDay{Month: 8, Day: 5}
	s.yard.Place.Frost.FirstAutumn50 = &frost
	got := one(t, s.on("2027-05-01"), year.SummerCut)
	require.Equal(t, got.Window.Opens.Day+21, got.Window.Closes.Day)
	require.Contains(t, rules(got.Reasons), "short-summer-dead-wood-only")
}

func TestTheAimDecidesBeforeAnyDate(t *testing.T) {
	with := func(aim year.Aim) year.TreePlan {
		return at(t, "lower-terrace", tree(t, "apple", func(tr *year.Tree) { tr.Aim = aim })).on("2027-02-20")
	}
	hold := with(year.Hold)
	require.InDelta(t, 0.2*2/3, one(t, hold, year.DormantCut).Share, 1e-9)
	require.NotEmpty(t, find(hold, year.HeightCut))

	restrain := with(year.Restrain)
	require.Empty(t, find(restrain, year.DormantCut))
	r := one(t, restrain, year.RestrainCut)
	require.Equal(t, restrain.Anchors.Day("summer_solstice"), r.Window.Closes.Day)

	build := with(year.Build)
	require.InDelta(t, 0.2, one(t, build, year.DormantCut).Share, 1e-9)
	require.Empty(t, find(build, year.HeightCut))

	retire := with(year.Retire)
	require.Empty(t, find(retire, year.DormantCut))
	require.NotEmpty(t, find(retire, year.HarvestTask))

	young := at(t, "lower-terrace", tree(t, "apple", func(tr *year.Tree) { tr.Planted = day("2026-03-01") })).on("2027-02-20")
	require.Equal(t, year.AimVerdict{Aim: year.Build, Rule: "formation"}, young.Aim)
}

func TestTheAccountCompoundsAndStopsAtTheLine(t *testing.T) {
	s := at(t, "lower-terrace", tree(t, "apple")).school("low-bush").with(cut("2027-03-01", 1.0/3))
	acc := s.on("2027-04-01").Account
	require.InDelta(t, 1.0/3, acc.Removed, 1e-9)
	require.True(t, acc.Reached())
	s.with(year.Entry{Date: day("2027-07-01"), Kind: year.WorkEntry, Task: year.HeightCut, Outcome: year.Done, Share: 1.0 / 3})
	acc = s.on("2027-07-10").Account
	require.InDelta(t, 5.0/9, acc.Removed, 1e-9, "a third twice leaves four ninths")
	require.InDelta(t, 1.0/3, acc.Dormant, 1e-9)
	require.InDelta(t, 2.0/9, acc.Summer, 1e-9)
	got := at(t, "lower-terrace", tree(t, "apple")).with(cut("2027-03-01", 0.2)).on("2027-06-25")
	h := one(t, got, year.HeightCut)
	require.Equal(t, year.Waits, h.State)
	require.Contains(t, rules(h.Held), "limit-reached")
}

func TestSharesFromDiametersFollowThePipeModel(t *testing.T) {
	tr := tree(t, "apple")
	share, estimated := year.ShareOf(&tr, year.Entry{CutMM: []float64{30, 40}})
	require.True(t, estimated)
	require.InDelta(t, (900.0+1600)/(110*110), share, 1e-9)
	tr.ScaffoldsMM = []float64{60, 60, 50}
	share, _ = year.ShareOf(&tr, year.Entry{CutMM: []float64{30, 40}})
	require.InDelta(t, 2500.0/9700, share, 1e-9)
}

func TestDeadWoodDoesNotCountUnlessTheSchoolSaysSo(t *testing.T) {
	free := cut("2027-03-01", 0.3)
	free.FreeOnly = true
	require.Zero(t, at(t, "lower-terrace", tree(t, "apple")).with(free).on("2027-04-01").Account.Removed)
	require.InDelta(t, 0.3, at(t, "lower-terrace", tree(t, "apple")).school("steady", "counts", "all").with(free).on("2027-04-01").Account.Removed, 1e-9)
}

func TestAHardCutBooksItsFollowUps(t *testing.T) {
	s := at(t, "lower-terrace", tree(t, "apple")).with(cut("2027-03-01", 0.18))
	tp := s.on("2027-05-01")
	visits := find(tp, year.SproutVisit)
	require.Len(t, visits, 2)
	require.Equal(t, tp.Anchors.Day("bud_break")+21, visits[0].Window.Opens.Day)
	require.Equal(t, tp.Anchors.Day("bud_break")+56, visits[1].Window.Opens.Day)
	require.Equal(t, tp.Anchors.Day("summer_solstice"), one(t, tp, year.MeasureHeight).Window.Opens.Day)

	gentle := at(t, "lower-terrace", tree(t, "apple")).with(cut("2027-03-01", 0.05)).on("2027-05-01")
	require.Empty(t, find(gentle, year.SproutVisit))
	wound := cut("2027-07-01", 0)
	wound.CutMM = []float64{28}
	inLeaf := at(t, "lower-terrace", tree(t, "apple")).with(wound).on("2027-07-05")
	require.Equal(t, day("2027-07-22"), find(inLeaf, year.SproutVisit)[0].Window.Opens.Day, "a cut in leaf counts from its own day")
}

func TestTiesAreCheckedAndComeOffInTime(t *testing.T) {
	tie := year.Entry{Date: day("2027-02-10"), Kind: year.WorkEntry, Task: year.Bend, Outcome: year.Done, Device: "tie"}
	tp := at(t, "lower-terrace", tree(t, "pear")).with(tie).on("2027-03-01")
	off := one(t, tp, year.TakeOff)
	require.Equal(t, day("2027-02-10")+182, off.Window.Opens.Day)
	checks := find(tp, year.CheckTies)
	require.Equal(t, day("2027-02-17"), checks[0].Window.Opens.Day)
	require.Greater(t, len(checks), 3)
	for _, c := range checks {
		require.Less(t, c.Window.Opens.Day, off.Window.Opens.Day)
	}
	gone := year.Entry{Date: day("2027-06-10"), Kind: year.WorkEntry, Task: year.TakeOff, Outcome: year.Done}
	require.Empty(t, find(at(t, "lower-terrace", tree(t, "pear")).with(tie, gone).on("2027-06-11"), year.CheckTies))
}

func TestADeviceLeftOnIsAskedForUntilItIsOff(t *testing.T) {
	tie := year.Entry{ID: "x", Date: day("2026-12-10"), Kind: year.WorkEntry, Task: year.Bend, Outcome: year.Done, Device: "tie"}
	s := at(t, "lower-terrace", tree(t, "pear")).with(tie)
	for _, on := range []string{"2027-07-01", "2027-09-10", "2027-10-30"} {
		off := one(t, s.on(on), year.TakeOff)
		require.Contains(t, []year.State{year.Open, year.Closing}, off.State, on)
		require.Equal(t, day("2026-12-10")+182, off.Window.Opens.Day)
	}
}

func TestStatesThroughTheYear(t *testing.T) {
	s := at(t, "lower-terrace", tree(t, "apple"))
	w := one(t, s.on("2027-02-20"), year.DormantCut).Window
	state := func(d almanac.Day) (year.State, year.Group) {
		c := one(t, s.on(d.String()), year.DormantCut)
		return c.State, c.Group
	}
	check := func(d almanac.Day, want year.State, group year.Group) {
		t.Helper()
		st, g := state(d)
		require.Equal(t, want, st)
		require.Equal(t, group, g)
	}
	check(w.Opens.Day-22, year.Opens, "")
	check(w.Opens.Day-21, year.Opens, year.OpeningSoon)
	check(w.Opens.Day, year.Open, year.DoNow)
	check(w.Closes.Day-14, year.Closing, year.ClosingSoon)
	check(w.Closes.Day+1, year.Missed, "")
	require.Equal(t, "summer-instead", one(t, s.on((w.Closes.Day+1).String()), year.DormantCut).Instead)

	s.with(cut(w.Opens.Day.String(), 0.1))
	check(w.Opens.Day-1, year.Opens, year.OpeningSoon) // looking back, the later entry does not count
	check(w.Opens.Day, year.IsDone, "")
	for outcome, want := range map[year.Outcome]year.State{year.Left: year.IsLeft, year.NothingNeeded: year.IsLooked, year.Part: year.Open} {
		e := cut(w.Opens.Day.String(), 0)
		e.Outcome = outcome
		require.Equal(t, want, one(t, at(t, "lower-terrace", tree(t, "apple")).with(e).on((w.Opens.Day+1).String()), year.DormantCut).State)
	}
}

func TestWhatWasLeftComesBackNextYearWithItsReason(t *testing.T) {
	left := cut("2026-03-20", 0)
	left.Outcome, left.Reason = year.Left, "ladder work, alone that day"
	got := one(t, at(t, "lower-terrace", tree(t, "apple")).with(left).on("2027-02-25"), year.DormantCut)
	require.Contains(t, rules(got.Reasons), "carried-over")
}

func TestTheHeightCutIsDroppedWhenTheNumbersShowNoNeed(t *testing.T) {
	low := tree(t, "quince", func(tr *year.Tree) { tr.HeightM = 1.4 })
	require.Empty(t, find(at(t, "lower-terrace", low).on("2027-06-25"), year.HeightCut))
	tall := tree(t, "quince", func(tr *year.Tree) { tr.HeightM = 2.6 })
	require.Contains(t, rules(one(t, at(t, "lower-terrace", tall).on("2027-06-25"), year.HeightCut).Reasons), "height-over-reach")
}

func TestAnObservationMovesTheWindowsAndLosesItsSpan(t *testing.T) {
	s := at(t, "lower-terrace", tree(t, "apple"))
	before := s.on("2027-04-20").Anchors
	seen := before.Day("bud_break") + 8
	s.with(year.Entry{Date: seen, Kind: year.ObservedEntry, Stage: almanac.BudBreak})
	after := s.on("2027-04-25")
	require.Equal(t, seen, one(t, after, year.DormantCut).Window.Closes.Day)
	require.Equal(t, "observed", one(t, after, year.DormantCut).Window.Closes.Source)
	require.Greater(t, after.Anchors.Day("full_bloom"), before.Day("full_bloom"))
}

func TestTheSouthFollowsTheSun(t *testing.T) {
	p := at(t, "saltwind", tree(t, "apple")).plan("2026-08-10")
	require.Equal(t, 2026, p.Season)
	require.Equal(t, day("2026-05-01"), p.From)
	require.Equal(t, 12, monthOf(p.Summer))
	h := one(t, p.Trees[0], year.HeightCut)
	require.Equal(t, p.Summer, h.Window.Opens.Day)
	c := one(t, p.Trees[0], year.DormantCut)
	require.Contains(t, []int{7, 8, 9}, monthOf(c.Window.Opens.Day))
}

func monthOf(d almanac.Day) int { _, m, _ := d.Date(); return m }

func TestYoungTreesGetTheirOwnYear(t *testing.T) {
	whip := tree(t, "apple", func(tr *year.Tree) {
		tr.Planted, tr.AsWhip, tr.HasStake, tr.HasMulch = day("2026-11-20"), true, false, false
	})
	first := at(t, "lower-terrace", whip).on("2027-03-15")
	for _, kind := range []year.TaskKind{year.PlantingCut, year.Notching, year.YoungCare, year.GiveStake, year.GiveMulch} {
		require.NotEmpty(t, find(first, kind), kind)
	}
	for _, kind := range []year.TaskKind{year.DormantCut, year.Bend, year.HarvestTask, year.Thin, year.Scaffolds} {
		require.Empty(t, find(first, kind), kind)
	}
	second := at(t, "lower-terrace", whip).on("2028-03-15")
	require.Len(t, find(second, year.Scaffolds), 1)
	require.Empty(t, find(second, year.PlantingCut))
}

func TestFrostNightsAreCountedAndThinningSaysSo(t *testing.T) {
	s := at(t, "lower-terrace", tree(t, "peach"))
	bloom := s.on("2027-04-20").Anchors.Day("full_bloom")
	s.with(year.Entry{Date: bloom, Kind: year.FrostEntry, Tmin: -3.6})
	tp := s.on((bloom + 1).String())
	require.Equal(t, bloom+1, one(t, tp, year.FrostCount).Window.Opens.Day)
	require.Contains(t, rules(one(t, tp, year.Thin).Reasons), "frost-first-count")
	mild := at(t, "lower-terrace", tree(t, "peach")).with(year.Entry{Date: bloom, Kind: year.FrostEntry, Tmin: -0.5})
	require.Empty(t, find(mild.on((bloom+1).String()), year.FrostCount))
}

func TestWhatStaysOpenForMonthsIsNotTodaysWork(t *testing.T) {
	long := 0
	for _, k := range pomology.Kinds() {
		young := tree(t, k.Slug, func(tr *year.Tree) { tr.Planted, tr.HasStake, tr.HasMulch = almanac.DateOf(2024, 2, 1), false, false })
		s := at(t, "lower-terrace", young)
		due := map[string]int{}
		for d := day("2026-12-15"); d <= day("2027-10-15"); d += 15 {
			p := s.plan(d.String())
			docket := year.DocketOf(p)
			for _, task := range docket.Now {
				if f, _ := task.Kind.Facts(); !f.Cut && f.Harm < 3 {
					due[task.ID]++
					require.LessOrEqual(t, due[task.ID], 3, "%s stands in do now for months on %s", task.ID, d)
				}
			}
			for _, task := range docket.Anytime {
				long++
				require.Equal(t, year.Open, task.State)
				require.Greater(t, task.Window.Closes.Day, d+28, "%s", task.ID)
			}
		}
	}
	require.Greater(t, long, 17)
}

func TestAFrostNightOfThePlotReachesEveryTreeAsItsOwnWould(t *testing.T) {
	kinds := []string{"peach", "european-plum", "apple"}
	grown := func(night year.Entry) *year.Plan {
		s := at(t, "lower-terrace", tree(t, kinds[0]))
		for _, k := range kinds[1:] {
			s.yard.Trees = append(s.yard.Trees, tree(t, k, func(tr *year.Tree) { tr.ID = k }))
		}
		night.Season = 2027
		s.yard.Entries = append(s.yard.Entries, night)
		return s.plan("2027-05-01")
	}
	bloom := at(t, "lower-terrace", tree(t, "peach")).on("2027-05-01").Anchors.Day("full_bloom")
	night := year.Entry{Date: bloom, Kind: year.FrostEntry, Tmin: -9}
	plot := grown(night)
	counts := 0
	for i := range plot.Trees {
		own := night
		own.Tree = plot.Trees[i].Tree.ID
		want := find(grown(own).Trees[i], year.FrostCount)
		require.Equal(t, want, find(plot.Trees[i], year.FrostCount), "%s", own.Tree)
		counts += len(want)
	}
	require.Greater(t, counts, 1, "one night hurt more than one of them")
}

func TestBagsWaitForThinning(t *testing.T) {
	apple := tree(t, "apple", func(tr *year.Tree) { tr.Wishes.Bag = true })
	s := at(t, "lower-terrace", apple)
	thin := one(t, s.on("2027-06-01"), year.Thin)
	require.Equal(t, year.Waits, one(t, s.on((thin.Window.Closes.Day+1).String()), year.Bag).State)
	s.with(year.Entry{Date: thin.Window.Opens.Day, Kind: year.WorkEntry, Task: year.Thin, Outcome: year.Done})
	require.Equal(t, thin.Window.Opens.Day, one(t, s.on((thin.Window.Opens.Day+2).String()), year.Bag).Window.Opens.Day)
}

func TestOwnTasksRepeatAndFollowStages(t *testing.T) {
	s := at(t, "lower-terrace", tree(t, "apple"))
	s.yard.Own = []year.OwnTask{
		{ID: "o1", Tree: "t1", Title: "Lime the trunk", Date: day("2027-02-01"), EveryDays: 30, ForDays: 3},
		{ID: "o2", Tree: "t1", Title: "Net", Date: almanac.NoDay, Stage: almanac.HarvestStart, OffsetDays: -20, ForDays: 10},
	}
	tp := s.on("2027-02-02")
	got := find(tp, year.OwnJob)
	require.Len(t, got, 11)
	require.Equal(t, year.Closing, got[0].State)
	late := day("2027-03-12") // ten days after its second day: the next ones are counted from there
	s.with(year.Entry{Date: late, Kind: year.WorkEntry, Task: year.OwnJob, TaskID: got[1].ID, Tree: "t1", Outcome: year.Done})
	require.Equal(t, late+30, find(s.on("2027-03-20"), year.OwnJob)[2].Window.Opens.Day)
	require.Contains(t, []almanac.Day{got[7].Window.Opens.Day, got[8].Window.Opens.Day, got[6].Window.Opens.Day}, tp.Anchors.Day("harvest_start")-20)
}

func TestToolsWantSharpeningAfterTenHours(t *testing.T) {
	s := at(t, "lower-terrace", tree(t, "apple"))
	for i := range 13 {
		e := cut((day("2027-02-25") + almanac.Day(i)).String(), 0.01)
		s.with(e)
	}
	p := s.plan("2027-03-10")
	require.Len(t, p.Orchard, 1)
	require.Equal(t, year.Tools, p.Orchard[0].Kind)
	require.Equal(t, day("2027-03-08"), p.Orchard[0].Window.Opens.Day)
}

func TestAnotherSchoolIsNamedWithItsDays(t *testing.T) {
	got := one(t, at(t, "lower-terrace", tree(t, "apple")).on("2027-02-20"), year.DormantCut)
	presets := map[string]year.Other{}
	for _, o := range got.Others {
		presets[o.Preset] = o
	}
	require.Less(t, presets["renewal-row"].Opens, got.Window.Opens.Day)
	require.NotContains(t, presets, "low-bush", "the same window is no difference")
}

func TestCompanyIsWarnedOf(t *testing.T) {
	lone := at(t, "lower-terrace", tree(t, "apple")).on("2027-02-20")
	require.Contains(t, rules(lone.Warnings), "company-no-partner")
	two := at(t, "lower-terrace", tree(t, "apple"), tree(t, "apple", func(tr *year.Tree) { tr.ID, tr.Cultivar = "t2", "Other" }))
	require.NotContains(t, rules(two.on("2027-02-20").Warnings), "company-no-partner")
}

func TestTheDocketSpansTheTurnOfTheRail(t *testing.T) {
	require.Equal(t, []int{2026, 2027}, year.Seasons(day("2026-11-10"), false))
	require.Equal(t, []int{2026, 2027}, year.Seasons(day("2026-10-10"), false))
	require.Equal(t, []int{2027}, year.Seasons(day("2027-04-10"), false))
	s := at(t, "lower-terrace", tree(t, "apple"))
	var plans []*year.Plan
	d := day("2026-11-10")
	for _, season := range year.Seasons(d, false) {
		p, err := year.Make(&s.yard, ensemble(t, s.yard.Place, season), d)
		require.NoError(t, err)
		plans = append(plans, p)
	}
	docket := year.DocketOf(plans...)
	require.Equal(t, year.StandBack, docket.Anytime[0].Kind)
	require.Zero(t, docket.Minutes, "what can wait for months is not work due")
}

// TestEveryTaskOfEveryKindIsSoundAllYear walks the year of every kind under every preset at every climate.
func TestEveryTaskOfEveryKindIsSoundAllYear(t *testing.T) {
	for _, slug := range []string{"lower-terrace", "saltwind", "subtropical-30n"} {
		for _, preset := range pomology.Presets() {
			var trees []year.Tree
			for i, k := range pomology.Kinds() {
				trees = append(trees, tree(t, k.Slug, func(tr *year.Tree) { tr.ID, tr.Code = fmt.Sprint("t", i), k.Slug }))
			}
			s := at(t, slug, trees...).school(preset.Slug)
			from, to := year.Rail(2026, s.yard.Place.Site.South())
			for d := from; d <= to; d += 45 {
				p, err := year.Make(&s.yard, ensemble(t, s.yard.Place, 2026), d)
				require.NoError(t, err)
				seen := map[string]bool{}
				for _, tp := range p.Trees {
					require.NotEmpty(t, tp.Tasks)
					for _, task := range tp.Tasks {
						require.False(t, seen[task.ID], "%s twice", task.ID)
						seen[task.ID] = true
						require.LessOrEqual(t, task.Window.Opens.Day, task.Window.Closes.Day, "%s under %s at %s", task.ID, preset.Slug, slug)
						require.NotEmpty(t, task.Reasons, task.ID)
						require.NotEmpty(t, task.State, task.ID)
						require.Positive(t, task.Minutes, task.ID)
					}
				}
			}
		}
	}
}

func benchYard(b *testing.B, n int) (*year.Yard, *almanac.Ensemble) {
	kinds := pomology.Kinds()
	y := &year.Yard{Place: place(b, "lower-terrace"), FingertipCM: 220}
	for i := range n {
		y.Trees = append(y.Trees, tree(b, kinds[i%len(kinds)].Slug, func(tr *year.Tree) { tr.ID = fmt.Sprint("t", i) }))
		for j := range 40 { // two years of journal
			y.Entries = append(y.Entries, year.Entry{ID: fmt.Sprint(i, j), Tree: fmt.Sprint("t", i), Date: day("2025-03-01") + almanac.Day(17*j), Season: 2025 + j/22, Kind: year.WorkEntry, Task: year.DormantCut, Outcome: year.Done, Share: 0.01})
		}
	}
	return y, ensemble(b, y.Place, 2027)
}

// BenchmarkPlan plans a season of 40 and of 400 trees with two years of journal; the site's ensemble is shared.
func BenchmarkPlan(b *testing.B) {
	for _, n := range []int{40, 400} {
		b.Run(fmt.Sprint(n, "trees"), func(b *testing.B) {
			y, e := benchYard(b, n)
			for b.Loop() {
				_, err := year.Make(y, e, day("2027-02-20"))
				require.NoError(b, err)
			}
		})
	}
}

func TestAnUnknownVigourIsGuessedAndSaid(t *testing.T) {
	jobs := func(class pomology.VigourClass, trunkMM float64) (out []string) {
		tp := at(t, "lower-terrace", tree(t, "apple", func(tr *year.Tree) { tr.Class, tr.TrunkMM, tr.HasStake = class, trunkMM, false })).on("2027-02-20")
		require.Equal(t, class, tp.Tree.Class, "a guess is no class")
		for _, task := range tp.Tasks {
			out = append(out, fmt.Sprint(task.ID, task.Window, task.Share))
		}
		return out
	}
	require.Equal(t, jobs("", 40), jobs("", 290), "no job hangs on a guess")
	require.NotEqual(t, jobs(pomology.Dwarfing, 40), jobs("", 40), "one hangs on a class that is known: its stake")
	low := at(t, "lower-terrace", tree(t, "apple", func(tr *year.Tree) { tr.Class, tr.HeightM, tr.TrunkMM = "", 7.5, 0 })).on("2027-02-20")
	require.Contains(t, rules(low.Warnings), "class-unknown", "a height that a saw may keep says nothing")
	thick := at(t, "lower-terrace", tree(t, "apple", func(tr *year.Tree) { tr.Class, tr.TrunkMM = "", 290 })).on("2027-02-20")
	require.Contains(t, rules(thick.Warnings), "class-guessed")
	require.NotContains(t, rules(at(t, "lower-terrace", tree(t, "apple")).on("2027-02-20").Warnings), "class-guessed")
}

func TestASiteWithoutFrostStillClosesItsWindows(t *testing.T) {
	s := at(t, "subtropical-30n", tree(t, "peach", func(tr *year.Tree) { tr.Chill = "low" })).school("dry-summer-stone")
	s.yard.Place.Frost = almanac.FrostDates{}
	tp := s.on("2027-05-01")
	cut := one(t, tp, year.SummerCut)
	require.Equal(t, tp.Anchors.Day("leaf_fall")-42, cut.Window.Closes.Day)
	require.Empty(t, find(tp, year.HeightCut), "the dry-summer cut does the height")
}

func TestTreesThatCannotBeAreRefusedAndUnlikelyOnesWarnedOf(t *testing.T) {
	codes := func(ps []given.Fault) (out []string) {
		for _, p := range ps {
			require.NotEmpty(t, p.Expected)
			out = append(out, p.Code)
		}
		return out
	}
	today := day("2027-02-20")
	standing := []year.Tree{tree(t, "apple", func(tr *year.Tree) { tr.ID, tr.Code, tr.X = "o", "B2", 5 })}
	check := func(with func(*year.Tree), hole string) (errs, warnings []string) {
		tr := tree(t, "apple", with)
		e, w := year.CheckTree(&tr, hole, map[string]string{"o": "h"}, standing, today)
		return codes(e), codes(w)
	}
	errs, _ := check(func(tr *year.Tree) { tr.HeightM, tr.Planted = 40, today+1 }, "")
	require.Equal(t, []string{"planted_in_future", "height_out_of_range"}, errs)
	_, w := check(func(tr *year.Tree) { tr.X = 5 }, "")
	require.Contains(t, w, "same_spot")
	_, w = check(func(tr *year.Tree) { tr.X = 6 }, "")
	require.Contains(t, w, "too_close")
	_, w = check(func(tr *year.Tree) { tr.X = 5.45 }, "h")
	require.Empty(t, w, "trees of one hole stand close on purpose")
	_, w = check(func(tr *year.Tree) { tr.HeightM, tr.TubLitres = 9, 60 }, "")
	require.Equal(t, []string{"height_unlikely", "tub_too_small"}, w)
	require.Equal(t, "B3", year.Label([]string{"A1", "B2", "odd", ""}))
	require.Equal(t, "A1", year.Label(nil))
}
