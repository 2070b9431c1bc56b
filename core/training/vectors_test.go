package training_test

import (
	"testing"

	"vertumna/core/training"
	"vertumna/internal/vectors"
)

func TestVectorsTraining(t *testing.T) {
	vectors.RunSome(t, "training", map[string]vectors.Model{
		"scaffold_choice": vectors.Of(vectors.Plain[training.Scaffolds], training.ChooseScaffolds),
		"renewal":         vectors.Of(vectors.Plain[training.Renewal], training.PlanRenewal),
		"height_cap":      vectors.Of(vectors.Plain[training.HeightCap], training.CapHeight),
		"leader_stop":     vectors.Of(vectors.Plain[training.LeaderStop], training.StopLeader),
	})
}
