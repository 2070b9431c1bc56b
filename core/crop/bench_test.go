package crop_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/crop"
	"vertumna/core/given"
)

func BenchmarkLimbLoad(b *testing.B) {
	in := given.New[crop.LoadInput]()
	in.Species, in.LengthCM, in.D, in.BaseDeg, in.Fruit = "apple", 150, 32, 50, 60
	for b.Loop() {
		_, err := crop.LimbLoad(in)
		require.NoError(b, err)
	}
}
