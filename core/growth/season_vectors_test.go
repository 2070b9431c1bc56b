package growth_test

import (
	"encoding/json"
	"math"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/internal/vectors"
)

type seasonCase struct {
	Name    string
	Dormant []expectedCut
	Summer  []expectedCut
	TSummer float64 `json:"t_summer"`
	Expect  struct {
		Report map[string]float64
		After  map[string]map[string]float64
		REff   float64
		RRef   float64
		Vigour float64
	}
}

type expectedCut struct {
	limb.CutAt
	FacingAz *float64 `json:"facing_az"`
}

func cutsOf(in []expectedCut) []growth.Cut {
	var out []growth.Cut
	for _, c := range in {
		out = append(out, growth.Cut{CutAt: c.CutAt, FacingAz: c.FacingAz})
	}
	return out
}

func TestVectorsSeason(t *testing.T) {
	seasons := 0
	vectors.Trees(t, func(t *testing.T, text []byte) {
		var c struct {
			Input      json.RawMessage
			LightGiven map[string]float64 `json:"light_given"`
			Expect     struct{ Growth []seasonCase }
		}
		require.NoError(t, json.Unmarshal(text, &c))
		for _, s := range c.Expect.Growth {
			seasons++
			t.Run(s.Name, func(t *testing.T) {
				tree, r, err := growth.Grow(growth.Tree{Map: vectors.Map(t, c.Input, ""), Latitude: 45, Given: c.LightGiven},
					growth.Work{Dormant: cutsOf(s.Dormant), Summer: cutsOf(s.Summer), At: s.TSummer})
				require.NoError(t, err)
				requireSeason(t, s, tree, r)
			})
		}
	})
	require.NotZero(t, seasons)
}

func requireSeason(t *testing.T, s seasonCase, tree growth.Tree, r growth.Report) {
	t.Helper()
	got := map[string]float64{
		"share_dormant": r.ShareDormant, "share_summer": r.ShareSummer, "V": r.Vigour, "mean_tip_cm": r.MeanTipCM, "tips": float64(r.Tips),
		"wood_m": r.WoodM, "new_shoots": float64(r.NewShoots), "max_new_cm": r.MaxNewCM, "mean_new_cm": r.MeanNewCM, "height_cm": r.HeightCM,
		"flower_buds": r.FlowerBuds, "water_sprouts": float64(r.WaterSprouts),
	}
	near := func(name string, want, got, abs float64) {
		require.InDelta(t, want, got, math.Max(abs, 0.002*math.Abs(want)), name)
	}
	m := tree.Map
	near("vigour", s.Expect.Vigour, *m.Vig, 0.0005)
	near("rref", s.Expect.RRef, *m.RRef, 0.005)
	for _, name := range []string{"share_dormant", "share_summer", "V"} {
		near(name, s.Expect.Report[name], got[name], 0.0005)
	}
	for _, name := range []string{"tips", "new_shoots", "water_sprouts", "mean_tip_cm", "mean_new_cm", "max_new_cm", "height_cm", "wood_m"} {
		near(name, s.Expect.Report[name], got[name], 0.2)
	}
	near("reff", s.Expect.REff, *m.REff, 0.5)
	require.Len(t, s.Expect.After, m.Len())
	for id, want := range s.Expect.After {
		i := m.Index(id)
		require.GreaterOrEqual(t, i, 0, id)
		a := &m.Axes[i]
		_, last := a.LastRing()
		for name, g := range map[string]float64{
			"length_cm": a.L, "diameter_mm": a.D, "last_ring_cm": last, "tip_height_cm": m.End(i).Z, "azimuth_deg": a.Azimuth, "angle_base_deg": a.A0,
		} {
			near(id+" "+name, want[name], g, 0.2)
		}
	}
	near("flower_buds", s.Expect.Report["flower_buds"], r.FlowerBuds, 0.3)
}
