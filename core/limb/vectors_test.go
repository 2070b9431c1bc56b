package limb_test

import (
	"encoding/json"
	"fmt"
	"math"
	"os"
	"path/filepath"
	"sort"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/internal/vectors"
)

// vectorCase is one reference tree; each package reads its own keys of the file.
type vectorCase struct {
	Case       string
	Season     limb.Season
	Input      json.RawMessage
	LightGiven map[string]float64 `json:"light_given"`
	Expect     struct {
		Geometry struct {
			Limbs        map[string]limbGeometry
			HeightCM     float64 `json:"height_cm"`
			FootprintCM2 float64 `json:"footprint_cm2"`
			SpreadCM     float64 `json:"spread_cm"`
		}
		Shares     expectedShares
		Buds       map[string]map[string][]expectedBud
		FlowerBuds map[string]float64 `json:"flower_buds"`
		Within     map[string]float64 `json:"buds_within_reach"`
		Above      map[string]float64 `json:"buds_above_reach"`
	}
}

type limbGeometry struct {
	Base, Mid, Tip, DirMid []float64
	DirMid2                []float64 `json:"dir_mid"`
	ThetaMid               float64   `json:"theta_mid"`
	DiameterMM             float64   `json:"diameter_mm"`
	Quarter                float64   `json:"diam_quarter"`
	DiamMid                float64   `json:"diam_mid"`
	DiamTip                float64   `json:"diam_tip"`
	TopCM                  float64   `json:"top_cm"`
	Over240                *float64  `json:"over_240_from"`
	RadiusBase             float64   `json:"radius_base"`
	OutwardBase            []float64 `json:"outward_base"`
	LengthCM               float64   `json:"length_cm"`
	RingsCM                []float64 `json:"rings_cm"`
	TipDiameter            float64   `json:"tip_diameter_mm"`
	Inferred               []string
}

type expectedShares struct {
	CrownD2      float64 `json:"crown_d2"`
	LeafM2       float64 `json:"leaf_m2"`
	Whole        map[string]float64
	FromMid      map[string]float64 `json:"from_mid"`
	OwnD2        map[string]float64 `json:"own_d2"`
	Sigma        map[string]float64
	Completeness float64
	Warnings     []struct{ Code, Limb string }
}

type expectedBud struct {
	N      int
	AtCM   float64 `json:"at_cm"`
	Age    int
	Kind   limb.BudKind
	Roll   *float64 `json:"roll_deg"`
	Facing []float64
	Cls    limb.Class
	Sure   bool
}

// eachCase reads every file of the group whole and runs the test on those that hold a tree.
func eachCase(t *testing.T, test func(t *testing.T, c vectorCase, m *limb.Map, light limb.Light)) {
	vectors.Trees(t, func(t *testing.T, text []byte) {
		var c vectorCase
		require.NoError(t, json.Unmarshal(text, &c))
		m := vectors.Map(t, c.Input, c.Season)
		test(t, c, m, lightOf(m, c.LightGiven))
	})
}

func lightOf(m *limb.Map, given map[string]float64) limb.Light {
	l := make(limb.Light, m.Len())
	for i := range l {
		l[i] = given[m.Axes[i].ID]
	}
	return l
}

func vec(v limb.Vec) []float64 { return []float64{v.X, v.Y, v.Z} }

func TestVectorsGeometry(t *testing.T) {
	eachCase(t, func(t *testing.T, c vectorCase, m *limb.Map, _ limb.Light) {
		want := c.Expect.Geometry
		require.Len(t, want.Limbs, m.Len())
		for id, w := range want.Limbs {
			i := m.Index(id)
			a := m.Axes[i]
			require.InDeltaSlice(t, w.Base, vec(m.Base(i)), 0.05, id)
			require.InDeltaSlice(t, w.Mid, vec(m.At(i, a.L/2)), 0.05, id)
			require.InDeltaSlice(t, w.Tip, vec(m.End(i)), 0.05, id)
			require.InDeltaSlice(t, w.DirMid2, vec(m.Tangent(i, a.L/2)), 0.001, id)
			require.InDelta(t, w.ThetaMid, m.Theta(i, a.L/2), 0.05, id)
			require.InDeltaSlice(t, []float64{w.DiameterMM, w.Quarter, w.DiamMid, w.DiamTip},
				[]float64{a.D, m.Diameter(i, a.L/4), m.Diameter(i, a.L/2), m.Diameter(i, a.L)}, 0.05, id)
			require.InDelta(t, w.TopCM, m.Top(i), 0.05, id)
			s, ok := m.FirstAbove(i, 240)
			require.Equal(t, w.Over240 != nil, ok, id)
			if ok {
				require.InDelta(t, *w.Over240, s, 0.05, id)
			}
			r, out := m.Outward(i, m.Base(i))
			require.InDelta(t, w.RadiusBase, r, 0.05, id)
			require.InDeltaSlice(t, w.OutwardBase, vec(out), 0.001, id)
		}
		area, spread := m.Footprint()
		require.InDelta(t, want.HeightCM, m.Height(), 0.05)
		require.InDelta(t, want.SpreadCM, spread, 0.05)
		require.InDelta(t, want.FootprintCM2, area, 0.05+0.001*want.FootprintCM2)
	})
}

func TestVectorsShares(t *testing.T) {
	eachCase(t, func(t *testing.T, c vectorCase, m *limb.Map, _ limb.Light) {
		requireShares(t, c.Expect.Shares, m)
	})
}

func requireShares(t *testing.T, want expectedShares, m *limb.Map) {
	t.Helper()
	require.InEpsilon(t, want.CrownD2, m.CrownD2(), 1e-5)
	require.InEpsilon(t, want.LeafM2, m.LeafM2(), 1e-4)
	require.Len(t, want.Whole, m.Len())
	for i := range m.Axes {
		id := m.Axes[i].ID
		require.InDelta(t, want.Whole[id], m.Share(i, 0), 0.0005, id)
		require.InDelta(t, want.FromMid[id], m.Share(i, m.Axes[i].L/2), 0.0005, id)
		require.InDelta(t, want.OwnD2[id], m.OwnLeaf(i), 0.05, id)
		require.InDelta(t, want.Sigma[id], m.Sigma(i), 0.0005, id)
	}
	require.InDelta(t, want.Completeness, m.Completeness().Value, 0.0005)
	warnings := m.Warnings()
	require.Len(t, warnings, len(want.Warnings))
	for k, w := range want.Warnings {
		require.Equal(t, w.Code+" "+w.Limb+".diameter_mm", warnings[k].Code+" "+warnings[k].Field)
	}
}

func TestVectorsBuds(t *testing.T) {
	eachCase(t, func(t *testing.T, c vectorCase, m *limb.Map, light limb.Light) {
		for id, want := range c.Expect.Buds {
			i := m.Index(id)
			last := len(m.Axes[i].Rings) - 1
			requireBuds(t, want["last_ring"], m.Nodes(i, last, light))
			if last > 0 {
				requireBuds(t, want["older"], m.Nodes(i, last-1, light))
			}
		}
	})
}

func requireBuds(t *testing.T, want []expectedBud, got []limb.Node) {
	t.Helper()
	require.Len(t, got, len(want))
	for k, w := range want {
		g := got[k]
		require.Equal(t, []any{w.N, w.Age, w.Kind, w.Cls, w.Roll != nil}, []any{g.N, g.Age, g.Kind, g.Class, g.Known}, fmt.Sprint(w))
		require.InDelta(t, w.AtCM, g.At, 0.05)
		if w.Roll != nil {
			require.InDelta(t, *w.Roll, g.Roll, 0.05)
			require.InDeltaSlice(t, w.Facing, vec(g.Facing), 0.001)
			require.Equal(t, w.Sure, g.Sure)
		}
	}
}

func TestVectorsFlowerBuds(t *testing.T) {
	const reach = 240
	eachCase(t, func(t *testing.T, c vectorCase, m *limb.Map, light limb.Light) {
		for id, want := range c.Expect.FlowerBuds {
			i := m.Index(id)
			require.InDelta(t, want, m.FlowerBuds(i, light, nil), math.Max(0.05, 0.01*want), id)
			within, above := 0.0, 0.0
			for _, p := range m.Pieces(i, light, nil) {
				if p.MidZ <= reach {
					within += p.Buds
				} else {
					above += p.Buds
				}
			}
			require.InDelta(t, c.Expect.Within[id], within, math.Max(0.05, 0.01*want), id)
			require.InDelta(t, c.Expect.Above[id], above, math.Max(0.05, 0.01*want), id)
		}
	})
}

func TestVectorsBadInput(t *testing.T) {
	text, err := os.ReadFile(filepath.Join(vectors.Dir("limbs"), "bad-input.json"))
	require.NoError(t, err)
	var f struct {
		Cases []struct {
			Name   string
			Input  json.RawMessage
			Errors []struct{ Code, Limb, Field string }
		}
		Accepted []struct {
			Name   string
			Input  json.RawMessage
			Shares expectedShares
			Limbs  map[string]limbGeometry
		}
	}
	require.NoError(t, json.Unmarshal(text, &f))
	require.NotEmpty(t, f.Cases)
	for _, c := range f.Cases {
		t.Run(c.Name, func(t *testing.T) {
			var want, got []string
			for _, e := range c.Errors {
				want = append(want, e.Code+" "+strings.TrimPrefix(e.Limb+"."+e.Field, "."))
			}
			_, err := limb.Read(c.Input)
			var ps given.Faults
			require.ErrorAs(t, err, &ps)
			for _, p := range ps {
				got = append(got, p.Code+" "+p.Field)
				require.NotEmpty(t, p.Given)
				require.NotEmpty(t, p.Expected)
			}
			sort.Strings(want)
			sort.Strings(got)
			require.Equal(t, want, got)
		})
	}
	for _, c := range f.Accepted {
		t.Run(c.Name, func(t *testing.T) {
			m, err := limb.Read(c.Input)
			require.NoError(t, err)
			requireShares(t, c.Shares, m)
			for id, w := range c.Limbs {
				i := m.Index(id)
				a := m.Axes[i]
				require.InDeltaSlice(t, w.Base, vec(m.Base(i)), 0.05)
				require.InDeltaSlice(t, w.Tip, vec(m.End(i)), 0.05)
				require.InDelta(t, w.LengthCM, a.L, 0.05)
				require.InDeltaSlice(t, w.RingsCM, a.Rings, 0.05)
				require.InDelta(t, w.DiamMid, m.Diameter(i, a.L/2), 0.05)
				require.InDelta(t, w.TipDiameter, a.Dt, 0.05)
				require.ElementsMatch(t, w.Inferred, a.Inferred)
			}
		})
	}
}
