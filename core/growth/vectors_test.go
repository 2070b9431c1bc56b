package growth_test

import (
	"encoding/json"
	"fmt"
	"os"
	"path/filepath"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/internal/vectors"
)

func TestVectorsSketch(t *testing.T) {
	text, err := os.ReadFile(filepath.Join(vectors.Dir("limbs"), "sketch.json"))
	require.NoError(t, err)
	var f struct {
		PRNG struct {
			Seed uint64
			U64  []string
			F    []float64
		}
		Cases []struct {
			Args    growth.SketchInput
			Options struct{ Faults []string }
			Expect  json.RawMessage
		}
	}
	require.NoError(t, json.Unmarshal(text, &f))
	numbers, parts := almanac.SeedStream(f.PRNG.Seed), almanac.SeedStream(f.PRNG.Seed)
	for k := range f.PRNG.U64 {
		require.Equal(t, f.PRNG.U64[k], fmt.Sprint(numbers.Next()))
		require.InDelta(t, f.PRNG.F[k], parts.U(), 5e-6)
	}
	require.NotEmpty(t, f.Cases)
	for _, c := range f.Cases {
		t.Run(fmt.Sprintf("%s %s", c.Args.Species, c.Args.Form), func(t *testing.T) {
			c.Args.Faults = c.Options.Faults
			got, err := growth.Sketch(c.Args)
			require.NoError(t, err)
			want, err := limb.Parse(c.Expect)
			require.NoError(t, err)
			require.Len(t, got.Limbs, len(want.Limbs))
			for _, w := range want.Limbs {
				g := got.Find(w.ID)
				require.NotNil(t, g, w.ID)
				requireSameLimb(t, w, *g)
			}
			_, err = limb.Check(got)
			require.NoError(t, err)
		})
	}
}

func requireSameLimb(t *testing.T, w, g limb.Limb) {
	t.Helper()
	require.Equal(t, []any{w.Parent, w.Tip, w.Sucker, len(w.RingsCM), len(w.Marks)}, []any{g.Parent, g.Tip, g.Sucker, len(g.RingsCM), len(g.Marks)}, w.ID)
	numbers := func(l limb.Limb) []float64 {
		out := append([]float64{*l.AttachCM, *l.AzimuthDeg, *l.AngleBaseDeg, *l.AngleTipDeg, *l.LengthCM, *l.DiameterMM, *l.TipDiameterMM}, l.RingsCM...)
		for _, m := range l.Marks {
			out = append(out, m.AtCM)
		}
		return out
	}
	require.InDeltaSlice(t, numbers(w), numbers(g), 0.11, w.ID)
}
