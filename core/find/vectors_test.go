package find_test

import (
	"encoding/json"
	"fmt"
	"math"
	"os"
	"path/filepath"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/find"
	"vertumna/core/limb"
	"vertumna/internal/vectors"
)

type vectorCase struct {
	vectors.Tree
	Expect struct {
		Geometry struct {
			Openness struct {
				Cylinder float64 `json:"cylinder_cm"`
				Sphere   float64 `json:"sphere_cm"`
			}
		}
		LeaderChain []string `json:"leader_chain"`
		Findings    []expectedFinding
	}
}

type expectedFinding struct {
	Code     find.Code
	Limb     string
	AtCM     float64 `json:"at_cm"`
	Severity float64
	Step     int
	Aim      *find.Aim
	Members  []string
	Evidence map[string]any
}

func eachCase(t *testing.T, test func(t *testing.T, c vectorCase, m *limb.Map, r find.Reading)) {
	vectors.Trees(t, func(t *testing.T, text []byte) {
		var c vectorCase
		require.NoError(t, json.Unmarshal(text, &c))
		m := vectors.Map(t, c.Input, c.Season)
		test(t, c, m, c.Reading(m))
	})
}

// beyond are findings that the reference does not know; the vectors compare the codes it lists.
var beyond = map[find.Code]bool{
	"old_upright": true, "over_long": true, "resting": true, "top_heavy": true, "weak": true, "bare_leader": true, "wall": true, "headed_again": true, "time_over": true, "out_of_plane": true, "succeeded": true,
	"too_many_limbs": true, "past_length": true, "leader_long": true, "leader_crown": true, "renewal_due": true,
}

func TestVectorsFindings(t *testing.T) {
	eachCase(t, func(t *testing.T, c vectorCase, m *limb.Map, r find.Reading) {
		var got []find.Finding
		for _, f := range find.Findings(m, r) {
			if !beyond[f.Code] {
				got = append(got, f)
			}
		}
		var wantKeys, gotKeys []string
		for _, w := range c.Expect.Findings {
			wantKeys = append(wantKeys, fmt.Sprint(w.Code, " ", w.Limb, " ", w.Members))
		}
		for _, g := range got {
			members := g.Members
			if members == nil {
				members = []string{}
			}
			gotKeys = append(gotKeys, fmt.Sprint(g.Code, " ", g.Limb, " ", members))
		}
		require.Equal(t, wantKeys, gotKeys)
		for k, w := range c.Expect.Findings {
			requireFinding(t, w, got[k])
		}
	})
}

func requireFinding(t *testing.T, w expectedFinding, g find.Finding) {
	t.Helper()
	name := fmt.Sprint(w.Code, " ", w.Limb)
	aim := find.NoAim
	if w.Aim != nil {
		aim = *w.Aim
	}
	require.Equal(t, w.Step, g.Step, name)
	require.Equal(t, aim, g.Aim, name)
	require.InDelta(t, w.AtCM, g.AtCM, 0.05, name)
	require.InDelta(t, w.Severity, g.Severity, 0.005, name)
	for key, want := range w.Evidence {
		fact, ok := g.Fact(key)
		require.True(t, ok, "%s: %s", name, key)
		switch want := want.(type) {
		case float64:
			require.InDelta(t, want, fact.Value, math.Max(0.05, 0.01*math.Abs(want)), "%s: %s", name, key)
		case bool:
			require.Equal(t, want, fact.Value == 1, "%s: %s", name, key)
		case string:
			require.Equal(t, want, fact.Text, "%s: %s", name, key)
		}
	}
}

func TestVectorsLeaderChain(t *testing.T) {
	eachCase(t, func(t *testing.T, c vectorCase, m *limb.Map, _ find.Reading) {
		require.ElementsMatch(t, c.Expect.LeaderChain, find.LeaderChain(m))
	})
}

func TestVectorsOpenness(t *testing.T) {
	eachCase(t, func(t *testing.T, c vectorCase, m *limb.Map, _ find.Reading) {
		o := find.Middle(m, nil)
		require.InDelta(t, c.Expect.Geometry.Openness.Cylinder, o.CylinderCM, 0.05)
		require.InDelta(t, c.Expect.Geometry.Openness.Sphere, o.SphereCM, 0.05)
	})
}

func TestVectorsRules(t *testing.T) {
	text, err := os.ReadFile(filepath.Join(vectors.Dir("limbs"), "species.json"))
	require.NoError(t, err)
	var f struct {
		Steps   map[find.Code]int
		Weights map[find.Code]float64
		Aims    map[find.Code]*find.Aim
	}
	require.NoError(t, json.Unmarshal(text, &f))
	seen := 0
	for _, r := range find.Rules() {
		if beyond[r.Code] {
			continue
		}
		seen++
		aim := find.NoAim
		if f.Aims[r.Code] != nil {
			aim = *f.Aims[r.Code]
		}
		require.Equal(t, find.Rule{Code: r.Code, Step: f.Steps[r.Code], Weight: f.Weights[r.Code], Aim: aim, Source: r.Source}, r)
	}
	require.Equal(t, len(f.Steps), seen)
}
