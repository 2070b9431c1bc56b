package crop_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/crop"
	"vertumna/core/pomology"
)

func TestFewerFruitAreLargerAndNextYearBloomsTheMore(t *testing.T) {
	for _, slug := range []string{"apple", "peach", "european-plum"} {
		kind, err := pomology.BySlug(slug)
		require.NoError(t, err)
		last := crop.OutcomeOf(kind, 0, 80, 50)
		for n := 100; n <= 1600; n += 100 {
			o := crop.OutcomeOf(kind, 0, 80, n)
			require.LessOrEqual(t, o.MassG, last.MassG, "%s %d", slug, n)
			require.LessOrEqual(t, o.Bloom, last.Bloom, "%s %d", slug, n)
			require.InDelta(t, float64(n)*o.MassG/1000, o.KG, 1e-9)
			last = o
		}
	}
}
