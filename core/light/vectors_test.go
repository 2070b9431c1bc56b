package light_test

import (
	"encoding/json"
	"os"
	"path/filepath"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/light"
	"vertumna/core/limb"
	"vertumna/internal/vectors"
)

func read(t *testing.T, file string, into any) {
	t.Helper()
	text, err := os.ReadFile(file)
	require.NoError(t, err)
	require.NoError(t, json.Unmarshal(text, into), file)
}

func TestVectorsLightOfLimbs(t *testing.T) {
	vectors.Trees(t, func(t *testing.T, text []byte) {
		var c struct {
			Season limb.Season
			Input  json.RawMessage
			Expect struct {
				Light struct {
					Latitude float64
					Set      light.Set
					Values   map[string]float64
				}
			}
			Tolerance struct{ Light float64 }
		}
		require.NoError(t, json.Unmarshal(text, &c))
		m := vectors.Map(t, c.Input, c.Season)
		got := light.OfTree(m, c.Expect.Light.Latitude, c.Expect.Light.Set)
		require.Len(t, c.Expect.Light.Values, m.Len())
		for i := range m.Axes {
			require.InDelta(t, c.Expect.Light.Values[m.Axes[i].ID], got[i], c.Tolerance.Light, m.Axes[i].ID)
		}
	})
}

type yardVectors struct {
	Sun []struct {
		Lat    float64
		Day    int
		Hour   float64
		Vector []float64
	}
	Directions map[string]struct {
		Count     int
		WeightSum float64 `json:"weight_sum"`
		Hours     float64
		First     [][]any
		Last      []any
	}
	Slab struct {
		Expect map[string]struct {
			Vector []float64
			T      [][]any
		}
	}
	Matrix struct {
		Cell     float64 `json:"cell_cm"`
		Latitude float64
		Set      light.Set
		Crowns   []struct{ X, Y, Z0, Z1, R, Leaf float64 }
		Lost     map[string]float64
		Without  map[string]float64 `json:"light_without_self"`
		SunHours map[string]float64 `json:"sun_hours"`
	}
}

func yard(t *testing.T) yardVectors {
	t.Helper()
	var y yardVectors
	read(t, filepath.Join(vectors.Dir("limbs"), "light-yard.json"), &y)
	return y
}

func vec(v limb.Vec) []float64 { return []float64{v.X, v.Y, v.Z} }

func TestVectorsSun(t *testing.T) {
	suns := yard(t).Sun
	require.NotEmpty(t, suns)
	for _, s := range suns {
		require.InDeltaSlice(t, s.Vector, vec(light.Sun(s.Lat, s.Day, s.Hour)), 2e-5)
	}
}

func TestVectorsDirections(t *testing.T) {
	y := yard(t)
	for name, got := range map[string][]light.Direction{
		"lat45_fine": light.Directions(45, light.Fine), "lat_minus38_coarse": light.Directions(-38, light.Coarse),
	} {
		want := y.Directions[name]
		require.Len(t, got, want.Count, name)
		sum, hours := 0.0, 0.0
		for _, d := range got {
			sum, hours = sum+d.Weight, hours+d.Hours
		}
		require.InDelta(t, want.WeightSum, sum, 1e-9)
		if want.Hours > 0 {
			require.InDelta(t, want.Hours, hours, 1e-4)
		}
		same := func(w []any, d light.Direction) {
			for k, x := range w[0].([]any) {
				require.InDelta(t, x, vec(d.Toward)[k], 2e-5, name)
			}
			require.InDelta(t, w[1], d.Weight, 1e-5, name)
			require.InDelta(t, w[2], d.Hours, 1e-5, name)
		}
		for k, w := range want.First {
			same(w, got[k])
		}
		if want.Last != nil {
			same(want.Last, got[len(got)-1])
		}
	}
}

func TestVectorsSlab(t *testing.T) {
	for name, c := range yard(t).Slab.Expect {
		g := light.NewGrid()
		for x := range 20 {
			for y := range 20 {
				for z := 10; z < 20; z++ {
					g.Density(light.Cell{X: x, Y: y, Z: z}, 2)
				}
			}
		}
		g.Ask(light.Cell{X: 10, Y: 10, Z: 9})
		f := g.Sweep([]light.Direction{{Toward: limb.Vec{X: c.Vector[0], Y: c.Vector[1], Z: c.Vector[2]}, Weight: 1}})
		for _, w := range c.T {
			at := w[0].([]any)
			cell := light.Cell{X: int(at[0].(float64)), Y: int(at[1].(float64)), Z: int(at[2].(float64))}
			require.InDelta(t, w[1], f.At(cell), 1e-5, "%s %v", name, cell)
		}
	}
}
