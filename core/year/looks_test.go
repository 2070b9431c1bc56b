package year_test

import (
	"slices"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/pomology"
	"vertumna/core/year"
)

func TestTheFirstStepIsNeverACut(t *testing.T) {
	s := at(t, "lower-terrace", tree(t, "pear"), tree(t, "apple"))
	seen := false
	for _, date := range []string{"2027-02-20", "2027-02-27", "2027-03-03", "2027-03-08"} {
		now := year.DocketOf(s.plan(date)).Now
		look := slices.IndexFunc(now, func(x year.Task) bool { return x.Kind == year.StandBack })
		cut := slices.IndexFunc(now, func(x year.Task) bool { return x.Kind == year.DormantCut })
		if look >= 0 && cut >= 0 {
			seen = true
			require.Less(t, look, cut, "%s: the look stands before the cut", date)
		}
	}
	require.True(t, seen, "a day on which both are due")
}

func TestASmallFigIsLeftToGrow(t *testing.T) {
	fig := func(heightM float64) year.TreePlan {
		return at(t, "lower-terrace", tree(t, "fig", func(tr *year.Tree) { tr.Planted, tr.HeightM, tr.Form = day("2025-11-20"), heightM, pomology.LowBush })).on("2027-03-10")
	}
	small, tall := fig(0.8), fig(1.6)
	require.Contains(t, rules(small.Warnings), "small-first")
	require.NotContains(t, rules(tall.Warnings), "small-first")
	for _, kind := range []year.TaskKind{year.Bend, year.Scaffolds, year.FrameCut, year.FrameSummer} {
		require.Empty(t, find(small, kind), kind)
	}
	require.NotEmpty(t, find(tall, year.Scaffolds), "a taller one is trained")
}

func TestAFigHeldLowOnPurposeIsNotSmall(t *testing.T) {
	old := at(t, "lower-terrace", tree(t, "fig", func(tr *year.Tree) { tr.Planted, tr.HeightM = day("2015-11-20"), 1.1 })).on("2027-03-10")
	require.NotContains(t, rules(old.Warnings), "small-first")
}

func TestTheSideLimbsOfASlimLeaderLieLevel(t *testing.T) {
	slim := func(planted string) year.TreePlan {
		return at(t, "lower-terrace", tree(t, "pear", func(tr *year.Tree) {
			tr.Planted, tr.Form, tr.Class = day(planted), pomology.SlimLeader, pomology.Dwarfing
		})).on("2027-01-15")
	}
	young := slim("2025-11-20")
	require.Equal(t, 90.0, young.Young.AimDeg)
	for _, b := range find(young, year.Bend) {
		require.NotContains(t, rules(b.Reasons), "narrow-limbs", "it has a step of its own, to level")
	}
	for _, b := range find(slim("2020-11-20"), year.Bend) {
		require.Equal(t, 90.0, b.Reasons[0].Number)
	}
}

func TestOnlyWhatCountsCanPassTheLine(t *testing.T) {
	a := year.Account{Limit: 0.2, Left: 0.1}
	cut := year.Entry{Kind: year.WorkEntry, Share: 0.15}
	free, little := cut, cut
	free.FreeOnly, little.Share = true, 0.105
	require.True(t, a.Passed(cut))
	require.False(t, a.Passed(free), "sick wood does not count")
	require.False(t, a.Passed(little), "a percent is within what the eye can tell")
	require.False(t, (&year.Account{Exempt: true}).Passed(cut))
}

func TestTheMiddleOfAYoungVaseGoesFirst(t *testing.T) {
	two := func(form pomology.FormSlug) []string {
		tp := at(t, "lower-terrace", tree(t, "peach", func(tr *year.Tree) { tr.Planted, tr.Form = day("2025-11-20"), form })).on("2027-03-10")
		return rules(one(t, tp, year.Scaffolds).Reasons)
	}
	require.Contains(t, two(pomology.OpenVase), "centre-first")
	require.Contains(t, two(pomology.FourArm), "centre-first")
	require.NotContains(t, two(pomology.ModifiedLeader), "centre-first")
}

func TestSproutsAreLookedForWhereTheTreeWasCutWidest(t *testing.T) {
	cut := work("2027-03-01", year.DormantCut, func(e *year.Entry) {
		e.CutMM, e.Wounds = []float64{12, 40, 31}, []year.Wound{{Limb: "S1.2", MM: 12}, {Limb: "T", MM: 40}, {Limb: "S4", MM: 31}}
	})
	tp := at(t, "lower-terrace", tree(t, "apple")).with(cut).on("2027-04-20")
	visits := find(tp, year.SproutVisit)
	require.NotEmpty(t, visits)
	k := slices.IndexFunc(visits[0].Reasons, func(r year.Reason) bool { return r.Rule == "sprouts-below" })
	require.GreaterOrEqual(t, k, 0)
	require.Equal(t, "T, S4, S1.2", visits[0].Reasons[k].Text)
}

func TestAFormThatDoesNotSuitIsToldOnTheTree(t *testing.T) {
	form := func(kind string, f pomology.FormSlug) []string {
		return rules(at(t, "lower-terrace", tree(t, kind, func(tr *year.Tree) { tr.Form = f })).on("2027-03-10").Warnings)
	}
	require.Contains(t, form("peach", pomology.StepOver), "form-unusual")
	require.NotContains(t, form("apple", pomology.SlimLeader), "form-unusual", "what takes a leader takes a slim one")
	require.NotContains(t, form("peach", pomology.FourArm), "form-unusual", "what takes a vase takes one of four arms")
	slim := at(t, "lower-terrace", tree(t, "apple", func(tr *year.Tree) { tr.Form, tr.HasStake = pomology.SlimLeader, false })).on("2027-03-10")
	require.Contains(t, rules(one(t, slim, year.GiveStake).Reasons), "form-stake")
}

func TestAnUprightKindIsSpreadLonger(t *testing.T) {
	bends := func(kind, planted string, shootCM float64) int {
		tp := at(t, "lower-terrace", tree(t, kind, func(tr *year.Tree) { tr.Planted, tr.ShootCM = day(planted), shootCM })).on("2027-01-15")
		return len(find(tp, year.Bend))
	}
	require.Positive(t, bends("pear", "2018-11-20", 0), "a pear goes on making upright limbs")
	require.Zero(t, bends("pear", "2010-11-20", 0))
	require.Zero(t, bends("peach", "2018-11-20", 0))
	require.Zero(t, bends("pear", "2023-11-20", 12), "shoots of a hand have nothing to hold on to")
	require.Positive(t, bends("pear", "2023-11-20", 40))
}
