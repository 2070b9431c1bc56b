package towns_test

import (
	"math"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/towns"
)

func TestEveryLetterFindsTownsThatLieOnTheGlobe(t *testing.T) {
	for r := 'a'; r <= 'z'; r++ {
		found := towns.Find(string(r), 50)
		require.NotEmpty(t, found, string(r))
		for _, f := range found {
			require.NotEmpty(t, f.Name)
			require.Len(t, f.Country, 2)
			require.LessOrEqual(t, math.Abs(f.Lat), 85.0)
			require.LessOrEqual(t, math.Abs(f.Lon), 180.0)
		}
	}
}

// A town is found by its own name, however it is typed: without its marks, in capitals, with spaces for hyphens.
func TestATownIsFoundByItsNameHoweverItIsTyped(t *testing.T) {
	marked := 0
	for _, seed := range []string{"sao", "saint", "ba", "mo", "ru"} {
		for k, f := range towns.Find(seed, 200) {
			if k%5 != 0 {
				continue
			}
			ways := []string{f.Name, strings.ToUpper(f.Name), "  " + strings.ReplaceAll(f.Name, "-", " ") + " "}
			for _, way := range ways {
				require.Contains(t, towns.Find(way, 100), f, way)
			}
			if strings.ContainsAny(f.Name, "áéíóúãõç") {
				marked++
			}
		}
	}
	require.Positive(t, marked, "names with marks were among them")
	require.Empty(t, towns.Find("   ", 5))
	require.Empty(t, towns.Find("qqqqq", 5))
	require.LessOrEqual(t, len(towns.Find("a", 8)), 8)
}

func BenchmarkFind(b *testing.B) {
	for b.Loop() {
		towns.Find("mar", 8)
	}
}
