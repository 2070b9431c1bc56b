package training_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/core/training"
)

func sketch(t *testing.T, in growth.SketchInput) *limb.Map {
	t.Helper()
	doc, err := growth.Sketch(in)
	require.NoError(t, err)
	m, err := limb.Check(doc)
	require.NoError(t, err)
	return m
}

func TestAYoungTreesShootsAreChosenFromItsMap(t *testing.T) {
	young := sketch(t, growth.SketchInput{Species: "apple", Form: "open-vase", Age: 3, TrunkMM: 40, HeightCM: 190, SpreadCM: 120, Scaffolds: 6, Seed: 5})
	in, ok := training.ScaffoldsOf(young, training.Scaffolds{})
	require.True(t, ok)
	require.Equal(t, "open-vase", in.Form)
	low := 20.0
	in.FirstLowCM = &low
	choice, err := training.ChooseScaffolds(in)
	require.NoError(t, err)
	require.Equal(t, "chosen", choice.Verdict)
	require.LessOrEqual(t, len(choice.Chosen), 5)

	grown := sketch(t, growth.SketchInput{Species: "apple", Form: "open-vase", Age: 12, TrunkMM: 110, HeightCM: 300, SpreadCM: 300, Scaffolds: 4, Seed: 5})
	_, ok = training.ScaffoldsOf(grown, training.Scaffolds{})
	require.False(t, ok, "a grown frame is made")
}

func TestAPeachRenewsAThirdOfItsBearingLimbsAScaffold(t *testing.T) {
	peach := sketch(t, growth.SketchInput{Species: "peach", Form: "open-vase", Age: 7, TrunkMM: 90, HeightCM: 280, SpreadCM: 300, Scaffolds: 3, Seed: 8})
	asked := training.RenewalsOf(peach, 0, 0.2, true)
	require.Len(t, asked, 3)
	for id, r := range asked {
		plan, err := training.PlanRenewal(r)
		require.NoError(t, err)
		require.LessOrEqual(t, plan.Share, 0.2+1e-9, id)
		for _, c := range plan.Cuts {
			require.GreaterOrEqual(t, peach.Index(c.ID), 0)
		}
	}
	for _, r := range asked {
		for k := range r.Units { // all have stood their time and have a successor
			r.Units[k].AgeYears, r.Units[k].CarrierMM = 3, nil
		}
		turns := map[string]int{}
		for _, year := range training.Rota(r) {
			require.LessOrEqual(t, len(year), (len(r.Units)+2)/3)
			for _, id := range year {
				turns[id]++
			}
		}
		require.Len(t, turns, len(r.Units), "in three years each has had its turn")
		for id, n := range turns {
			require.Equal(t, 1, n, id)
		}
		for k := range r.Units {
			r.Units[k].Waits = true
		}
		for _, year := range training.Rota(r) {
			require.Empty(t, year, "first a shoot must grow near its base")
		}
	}
	apple := sketch(t, growth.SketchInput{Species: "apple", Form: "open-vase", Age: 7, TrunkMM: 90, HeightCM: 280, SpreadCM: 300, Scaffolds: 3, Seed: 8})
	require.Empty(t, training.RenewalsOf(apple, 0, 0.2, true), "spur bearers are not renewed by age")
}
