package pomology_test

import (
	"encoding/json"
	"os"
	"path/filepath"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/pomology"
)

// TestVectorsSpecies holds the growth numbers of the kinds against the reference table of species; the file's other keys
// belong to the models of later packages.
func TestVectorsSpecies(t *testing.T) {
	dir := "testdata"
	if cases := os.Getenv("VERTUMNA_CASES"); cases != "" {
		dir = cases
	}
	text, err := os.ReadFile(filepath.Join(dir, "limbs", "species.json"))
	require.NoError(t, err)
	var f struct {
		Species map[string]struct {
			Hab                                                                                            string
			Alpha, Pair, Internode, Ext, Extmax, Kleaf, Sprout, Insert, Fruitkg, Capfruit, Tipmm, Fruitper float64
			Wet                                                                                            float64
		}
	}
	require.NoError(t, json.Unmarshal(text, &f))
	require.Len(t, f.Species, len(pomology.Kinds()))
	for slug, want := range f.Species {
		g := kind(t, slug).Growth
		require.Equal(t, want.Hab, string(g.Bearing), slug)
		require.Equal(t, want.Pair == 1, g.Opposite, slug)
		require.Equal(t, want.Wet == 1, g.DrySummerWood, slug)
		got := []float64{g.DivergenceDeg, g.InternodeCM, g.ExtensionCM, g.ExtensionMaxCM, g.LeafM2PerCM2, g.SproutTendency, g.InsertionDeg, g.FruitKG, g.FruitPerCM2, g.TipMM, g.FruitPerBud}
		require.InDeltaSlice(t, []float64{want.Alpha, want.Internode, want.Ext, want.Extmax, want.Kleaf, want.Sprout, want.Insert, want.Fruitkg, want.Capfruit, want.Tipmm, want.Fruitper}, got, 1e-9, slug)
	}
}
