package crop_test

import (
	"encoding/json"
	"errors"
	"fmt"
	"math"
	"os"
	"path/filepath"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/crop"
	"vertumna/core/given"
)

// models are all that the folder holds.
var models = map[string]func(json.RawMessage) (any, error){
	"species_row": answer(crop.RowOf), "count_tree": answer(crop.CountTree), "limbs_to_count": answer(crop.LimbsToCount),
	"targets": answer(crop.Target), "household": answer(crop.HouseholdNeed), "shoot_quota": answer(crop.ShootQuota),
	"keep_on_shoot": answer(crop.KeepOnShoot), "thinning_time": answer(crop.ThinningTime), "thin_or_not": answer(crop.WhetherToThin),
	"allotment": answer(crop.Allot), "second_pass": answer(crop.SecondPass), "crotch_strength": answer(crop.CrotchStrength),
	"limb_load": answer(crop.LimbLoad), "alternation": answer(crop.Alternate), "return_bloom": answer(crop.ReturnBloom),
	"freeze_echo": answer(crop.FreezeEcho), "frost_buds": answer(crop.FrostBuds),
}

func answer[In, Out any](model func(In) (Out, error)) func(json.RawMessage) (any, error) {
	return func(text json.RawMessage) (any, error) {
		in, err := given.Read[In](text)
		if err != nil {
			return nil, err
		}
		return model(in)
	}
}

func casesDir() string {
	if dir := os.Getenv("VERTUMNA_CASES"); dir != "" {
		return filepath.Join(dir, "crop")
	}
	return filepath.Join("testdata", "crop")
}

func TestVectorsCrop(t *testing.T) {
	files, err := filepath.Glob(filepath.Join(casesDir(), "*.json"))
	require.NoError(t, err)
	seen := map[string]bool{}
	for _, file := range files {
		text, err := os.ReadFile(file)
		require.NoError(t, err)
		var f struct {
			Model     string
			Tolerance struct{ Rel, Abs float64 }
			Cases     []struct {
				Name     string
				Input    json.RawMessage
				Expected map[string]any
				Error    *struct{ Code, Field string }
			}
		}
		require.NoError(t, json.Unmarshal(text, &f), file)
		model := models[f.Model]
		require.NotNil(t, model, f.Model)
		seen[f.Model] = true
		for _, c := range f.Cases {
			t.Run(f.Model+" "+c.Name, func(t *testing.T) {
				got, err := model(c.Input)
				if c.Error != nil {
					var fs given.Faults
					require.True(t, errors.As(err, &fs), "%v", err)
					found := false
					for _, x := range fs {
						found = found || x.Code == c.Error.Code && x.Field == c.Error.Field
						require.NotEmpty(t, x.Given)
						require.NotEmpty(t, x.Expected)
					}
					require.True(t, found, "%v", fs)
					return
				}
				require.NoError(t, err)
				out, err := json.Marshal(got)
				require.NoError(t, err)
				var have map[string]any
				require.NoError(t, json.Unmarshal(out, &have))
				for k, w := range c.Expected {
					requireSame(t, k, w, have[k], f.Tolerance.Rel, f.Tolerance.Abs)
				}
			})
		}
	}
	require.Len(t, seen, len(models))
}

// requireSame compares an answer with what is expected: numbers within tolerance, all else exactly; fields the vector does
// not name are not compared.
func requireSame(t *testing.T, at string, want, got any, rel, abs float64) {
	t.Helper()
	switch w := want.(type) {
	case float64:
		g, ok := got.(float64)
		require.True(t, ok, "%s: %v", at, got)
		require.InDelta(t, w, g, math.Max(abs, rel*math.Abs(w)), at)
	case map[string]any:
		g, ok := got.(map[string]any)
		require.True(t, ok, "%s: %v", at, got)
		for k, v := range w {
			requireSame(t, at+"."+k, v, g[k], rel, abs)
		}
	case []any:
		g, ok := got.([]any)
		require.True(t, ok, "%s: %v", at, got)
		require.Len(t, g, len(w), at)
		for i := range w {
			requireSame(t, fmt.Sprintf("%s[%d]", at, i), w[i], g[i], rel, abs)
		}
	default:
		require.Equal(t, want, got, at)
	}
}
