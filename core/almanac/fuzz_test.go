package almanac_test

import (
	"encoding/json"
	"math"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/internal/mutants"
)

// FuzzPlace: a place that is let in has weather that can be worked with.
func FuzzPlace(f *testing.F) {
	var seeds [][]byte
	for _, c := range almanac.Climates()[:2] {
		text, err := json.Marshal(c)
		require.NoError(f, err)
		seeds = append(seeds, text)
	}
	mutants.Add(f, seeds...)
	f.Fuzz(func(t *testing.T, text []byte) {
		var s almanac.Site
		if json.Unmarshal(text, &s) != nil {
			return // the contract refuses it before
		}
		if err := s.Check(); err != nil {
			require.NotEmpty(t, err.Error())
			return
		}
		_, err := almanac.Classify(&s)
		require.NoError(t, err)
		for m := range 12 {
			require.False(t, math.IsNaN(s.Tmin[m]+s.Tmax[m]) || math.IsInf(s.Tmin[m]+s.Tmax[m], 0))
		}
	})
}
