package orchard_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/find"
	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/orchard"
	"vertumna/store"
)

func TestAMapGoesOutInEveryFormatUnderItsTreesName(t *testing.T) {
	k := open(t)
	for format, holds := range map[string]string{"json": `"limbs"`, "csv": "id,parent", "mtg": "MTG", "gltf": `"meshes"`} {
		text, name, err := k.keeper.MapText(ctx, k.at(k.vase), format)
		require.NoError(t, err, format)
		require.Equal(t, "A1", name)
		require.Contains(t, string(text), holds, format)
		require.NotContains(t, string(text), "NaN", format)
	}
	text, _, err := k.keeper.MapText(ctx, k.at(k.vase), "json")
	require.NoError(t, err)
	doc, err := limb.Parse(text)
	require.NoError(t, err)
	kept, err := k.store.MapAsOf(ctx, k.vase.ID, k.today)
	require.NoError(t, err)
	require.Empty(t, limb.Compare(kept.Doc, doc), "it comes back as it went")
	_, _, err = k.keeper.MapText(ctx, k.at(k.whip), "json")
	require.ErrorIs(t, err, store.ErrNotFound, "a tree without a map has no file of one")
}

func TestANameOfAFileIsPlainWhateverTheTreeIsCalled(t *testing.T) {
	k := open(t)
	for code, want := range map[string]string{"B 12/3": "B-12-3", "  edge": "edge", "Ä1": "1", "яблоня": "map", "../x": "x"} {
		o, err := k.store.Orchard(ctx, k.slug)
		require.NoError(t, err)
		tree, err := k.store.Tree(ctx, o.ID, k.vase.ID)
		require.NoError(t, err)
		tree.Code = code
		require.NoError(t, k.store.SaveTree(ctx, o.ID, tree))
		_, name, err := k.keeper.MapText(ctx, k.at(k.vase), "csv")
		require.NoError(t, err)
		require.Equal(t, want, name, code)
	}
}

func TestASpreaderMayStandBetweenTwoLimbsAndTellsWhatItDoesToBoth(t *testing.T) {
	keeper, trees := demoed(t, march10, "new-rows")
	set := 0
	for _, at := range trees {
		train, err := keeper.Training(ctx, at)
		require.NoError(t, err)
		for _, b := range train.Bends {
			ask := orchard.BendAsked{Limb: b.Limb, Device: "spreader", AimDeg: b.NowDeg + 10}
			alone, err := keeper.Bend(ctx, at, ask)
			require.NoError(t, err)
			for _, with := range alone.Partners {
				set++
				require.NotEqual(t, b.Limb, with)
				ask.Between = with
				got, err := keeper.Bend(ctx, at, ask)
				require.NoError(t, err)
				require.NotNil(t, got.Between)
				require.Equal(t, with, got.Between.Limb)
				require.InDelta(t, got.StickCM, got.Between.StickCM, 1e-9, "one stick, one length")
				require.GreaterOrEqual(t, got.Between.StickCM, got.Between.GapCM, "it opens what it stands in")
				require.Greater(t, got.Between.ToDeg, got.Between.NowDeg)
				require.Contains(t, got.Between.Says, "One stick moves both")
			}
			ask.Between = "S99"
			_, err = keeper.Bend(ctx, at, ask)
			var f given.Fault
			require.ErrorAs(t, err, &f)
			require.Equal(t, "between", f.Field)
		}
	}
	require.Positive(t, set)
}

func TestAQuestionAboutALimbThatIsNoneIsNotAnswered(t *testing.T) {
	k := open(t)
	at := k.at(k.vase)
	_, err := k.keeper.Shoot(ctx, at, "S99")
	require.ErrorIs(t, err, store.ErrNotFound)
	_, err = k.keeper.Ways(ctx, at, "S99", find.Lower, 0)
	require.ErrorIs(t, err, store.ErrNotFound)
	_, err = k.keeper.Why(ctx, orchard.SlipAt{At: at}, "S99")
	require.ErrorIs(t, err, store.ErrNotFound)
	_, err = k.keeper.Bend(ctx, at, orchard.BendAsked{Limb: "S99"})
	var f given.Fault
	require.ErrorAs(t, err, &f, "what is asked in a body names its field")
	require.Equal(t, given.Fault{Code: "no_limb", Field: "limb", Given: "S99", Expected: "a limb that still stands on this map"}, f)
}
