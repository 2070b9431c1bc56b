package crop_test

import (
	"testing"

	"vertumna/core/crop"
	"vertumna/core/given"
	"vertumna/internal/vectors"
)

func of[In, Out any](model func(In) (Out, error)) vectors.Model {
	return vectors.Of(given.Read[In], model)
}

func TestVectorsCrop(t *testing.T) {
	vectors.Run(t, "crop", map[string]vectors.Model{
		"species_row": of(crop.RowOf), "count_tree": of(crop.CountTree), "limbs_to_count": of(crop.LimbsToCount),
		"targets": of(crop.Target), "household": of(crop.HouseholdNeed), "shoot_quota": of(crop.ShootQuota),
		"keep_on_shoot": of(crop.KeepOnShoot), "thinning_time": of(crop.ThinningTime), "thin_or_not": of(crop.WhetherToThin),
		"allotment": of(crop.Allot), "second_pass": of(crop.SecondPass), "crotch_strength": of(crop.CrotchStrength),
		"limb_load": of(crop.LimbLoad), "alternation": of(crop.Alternate), "return_bloom": of(crop.ReturnBloom),
		"freeze_echo": of(crop.FreezeEcho), "frost_buds": of(crop.FrostBuds),
	})
}
