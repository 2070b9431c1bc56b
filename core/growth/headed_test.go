package growth_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/growth"
	"vertumna/core/limb"
)

func TestAWhipHeadedBelowAllItsShootsGrowsAgain(t *testing.T) {
	whip := limb.Doc{Version: limb.FormatVersion, Species: "apple", Form: "open-vase", Age: 1, Year: 2027, Season: limb.Dormant, Limbs: []limb.Limb{
		{ID: "T", LengthCM: limb.Of(130), DiameterMM: limb.Of(14), AngleBaseDeg: limb.Of(2), RingsCM: []float64{78, 52}},
		{ID: "S1", Parent: "T", AttachCM: limb.Of(58.5), AzimuthDeg: limb.Of(40), AngleBaseDeg: limb.Of(55), LengthCM: limb.Of(14), DiameterMM: limb.Of(5), RingsCM: []float64{14}},
	}}
	m, err := limb.Check(whip)
	require.NoError(t, err)
	for _, at := range []float64{30, 58, 90, 120} { // a shoot just above the cut goes with it: it takes over nothing
		next, report, err := growth.Grow(growth.Tree{Map: m, Latitude: 46, Bounds: growth.LeftAlone(m, "", 0)}, growth.Work{Dormant: []growth.Cut{{CutAt: limb.CutAt{Limb: "T", Kind: limb.AboveBud, AtCM: at}}}})
		require.NoError(t, err)
		require.Positive(t, report.NewShoots, "headed at %.0f cm", at)
		require.Greater(t, next.Map.Height(), at, "headed at %.0f cm", at)
	}
}
