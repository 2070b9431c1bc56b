package training_test

import (
	"fmt"
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/limb"
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

// BenchmarkBestSetOf40 is what a page asks: a young tree's map with forty shoots on its trunk.
func BenchmarkBestSetOf40(b *testing.B) {
	r := rand.New(rand.NewPCG(3, 40))
	d := limb.Doc{Species: "apple", Form: "open-vase", Age: 2, Limbs: []limb.Limb{{ID: "T", LengthCM: limb.Of(140), DiameterMM: limb.Of(34), AngleBaseDeg: limb.Of(0)}}}
	for i := range 40 {
		d.Limbs = append(d.Limbs, limb.Limb{
			ID: fmt.Sprint("S", i), Parent: "T", AttachCM: limb.Of(30 + 100*r.Float64()), AzimuthDeg: limb.Of(360 * r.Float64()), AngleBaseDeg: limb.Of(30 + 40*r.Float64()), LengthCM: limb.Of(40 + 60*r.Float64()), DiameterMM: limb.Of(6 + 8*r.Float64()),
		})
	}
	m, err := limb.Check(d)
	require.NoError(b, err)
	limits := asked(r, 1)
	limits.Candidates = nil
	for b.Loop() {
		in, ok := training.ScaffoldsOf(m, limits)
		require.True(b, ok)
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
