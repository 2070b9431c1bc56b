package training_test

import (
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/pomology"
	"vertumna/core/training"
)

func BenchmarkBestSet(b *testing.B) {
	in := asked(rand.New(rand.NewPCG(1, 7)), 24)
	for b.Loop() {
		_, err := training.ChooseScaffolds(in)
		require.NoError(b, err)
	}
}

func BenchmarkBend(b *testing.B) {
	in := training.BendForce{Species: "apple", LengthCM: 120, DiameterMM: 16, ContactCM: 70, NowDeg: 20, AimDeg: 55}
	for b.Loop() {
		_, err := training.ForceOf(in)
		require.NoError(b, err)
	}
}

func BenchmarkFormation(b *testing.B) {
	y := young(pomology.CentralLeader, 2)
	for b.Loop() {
		require.NotEmpty(b, training.FormationOf(y).Steps)
	}
}
