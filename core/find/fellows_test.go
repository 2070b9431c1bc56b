package find_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/find"
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// ring is a vase of main limbs of given thickness and length, evenly round a low trunk.
func ring(t *testing.T, form pomology.FormSlug, of ...[2]float64) *limb.Map {
	t.Helper()
	limbs := []limb.Limb{trunk(60, 90)}
	for k, x := range of {
		limbs = append(limbs, l("S"+string(rune('1'+k)), "T", 50, float64(k)*360/float64(len(of)), 40, 30, x[1], x[0]))
	}
	m, err := limb.Check(tree(form, 9, limbs...))
	require.NoError(t, err)
	return m
}

func TestTheLimbThatOutgrowsItsFellowsIsNamed(t *testing.T) {
	even, ok := find.CompareMain(ring(t, pomology.OpenVase, [2]float64{40, 180}, [2]float64{42, 185}, [2]float64{38, 175}, [2]float64{41, 190}))
	require.True(t, ok)
	require.Empty(t, even.Ahead+even.Behind, "even limbs: nothing to say")

	thick, _ := find.CompareMain(ring(t, pomology.OpenVase, [2]float64{40, 180}, [2]float64{62, 185}, [2]float64{38, 175}))
	require.Equal(t, "S2", thick.Ahead)
	require.Equal(t, 62.0, thick.AheadMM)
	require.Equal(t, 39.0, thick.OthersMM)

	tall, _ := find.CompareMain(ring(t, pomology.OpenVase, [2]float64{40, 160}, [2]float64{41, 165}, [2]float64{38, 260}))
	require.Equal(t, "S3", tall.Ahead, "no thicker, but far above the others")
	require.Greater(t, tall.AheadTop, tall.OtherTop+50)

	weak, _ := find.CompareMain(ring(t, pomology.OpenVase, [2]float64{40, 180}, [2]float64{20, 150}, [2]float64{41, 175}, [2]float64{39, 170}))
	require.Equal(t, "S2", weak.Behind)
	require.Empty(t, weak.Ahead)
	require.Equal(t, 40.0, weak.OthersMM)
}

func TestTiersOfALeaderEndAtTheirOwnHeights(t *testing.T) {
	of := [][2]float64{{40, 160}, {41, 165}, {38, 260}}
	open, _ := find.CompareMain(ring(t, pomology.OpenVase, of...))
	led, ok := find.CompareMain(ring(t, pomology.CentralLeader, of...))
	require.True(t, ok)
	require.NotEmpty(t, open.Ahead)
	require.Empty(t, led.Ahead)
	thin, _ := find.CompareMain(ring(t, pomology.CentralLeader, [2]float64{40, 180}, [2]float64{18, 90}, [2]float64{41, 175}))
	require.Empty(t, thin.Behind, "its upper limbs are thin")
}

func TestTwoLimbsOrAWallAreNotCompared(t *testing.T) {
	_, ok := find.CompareMain(ring(t, pomology.OpenVase, [2]float64{40, 180}, [2]float64{60, 180}))
	require.False(t, ok)
	_, ok = find.CompareMain(ring(t, pomology.FlatFan, [2]float64{40, 180}, [2]float64{60, 180}, [2]float64{40, 180}))
	require.False(t, ok)
}

func TestAStubIsLongerOnAWeakStock(t *testing.T) {
	require.Equal(t, find.StubCM, find.StubFor(""))
	require.Equal(t, find.StubCM, find.StubFor(pomology.SemiVigorous))
	require.Greater(t, find.StubFor(pomology.Dwarfing), find.StubCM)
	require.Equal(t, find.StubFor(pomology.Dwarfing), find.StubFor(pomology.VeryDwarfing))
}

func TestASlimLeaderIsToldOfNoEndsToShortenOnItsSides(t *testing.T) {
	limbs := []limb.Limb{trunk(180, 60)}
	limbs[0].Tip = limb.Growing
	for k := range 4 {
		side := l("S"+string(rune('1'+k)), "T", 60+25*float64(k), 90*float64(k), 70, 60, 70, 10, 30, 40)
		limbs = append(limbs, side)
	}
	tips := func(form pomology.FormSlug) (n int) {
		for _, f := range findings(t, tree(form, 4, limbs...), find.Reading{Options: find.Defaults()}) {
			if f.Code == find.TipBack && f.Limb != "T" {
				n++
			}
		}
		return n
	}
	require.Positive(t, tips(pomology.CentralLeader))
	require.Zero(t, tips(pomology.SlimLeader), "they are never headed")
}

func TestASlimLeaderHasRoomForItsManySideLimbs(t *testing.T) {
	many := func(form pomology.FormSlug, n int) bool {
		limbs := []limb.Limb{trunk(240, 70)}
		for k := range n {
			limbs = append(limbs, l("S"+string(rune('A'+k)), "T", 60+12*float64(k), float64(137*k%360), 80, 80, 60, 12))
		}
		o := find.Defaults()
		o.MostLimbs = 6
		return has(findings(t, tree(form, 12, limbs...), find.Reading{Options: o}), find.TooManyLimbs, "") != nil
	}
	require.True(t, many(pomology.CentralLeader, 11))
	require.False(t, many(pomology.SlimLeader, 11))
	require.True(t, many(pomology.SlimLeader, 14))
}
