package crop_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/crop"
	"vertumna/core/pomology"
)

func TestAWishIsSharedByTheGroundUnderTheCrowns(t *testing.T) {
	apple, err := pomology.BySlug("apple")
	require.NoError(t, err)
	w := crop.Wish{FreshKG: 30, Jars: 10}
	whole := w.PartOf(apple, 2, []float64{2})
	require.InDelta(t, 30+10*apple.Crop.KgPerJarLitre, whole, 1e-9, "a jar without a size holds a litre")
	crowns := []float64{1, 2, 3}
	sum := 0.0
	for _, c := range crowns {
		sum += w.PartOf(apple, c, crowns)
	}
	require.InDelta(t, whole, sum, 1e-9, "all of it is asked of somebody")
	require.InDelta(t, 4*w.PartOf(apple, 1, crowns), w.PartOf(apple, 2, crowns), 1e-9, "twice as wide, four times the ground")
	require.Zero(t, crop.Wish{}.PartOf(apple, 2, crowns))
	require.Zero(t, w.PartOf(apple, 2, nil))
}

func TestTheDensestLimbIsTheOneWithMostFruitForItsThickness(t *testing.T) {
	on := func(n int, mm float64) crop.Limb {
		return crop.Limb{DiameterMM: mm, Share: crop.LimbShare{On: &n}}
	}
	p := &crop.Plan{Limbs: []crop.Limb{on(100, 50), on(60, 20), on(200, 60), {DiameterMM: 10}}}
	require.Equal(t, 1, p.Densest())
	require.Equal(t, -1, (&crop.Plan{Limbs: []crop.Limb{{DiameterMM: 10}}}).Densest())
}
