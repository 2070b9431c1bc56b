package crop_test

import (
	"testing"

	"vertumna/core/crop"
	"vertumna/internal/vectors"
)

func TestVectorsCrop(t *testing.T) {
	vectors.Run(t, "crop", map[string]vectors.Model{
		"species_row": vectors.Answers(crop.RowOf), "count_tree": vectors.Answers(crop.CountTree), "limbs_to_count": vectors.Answers(crop.LimbsToCount),
		"targets": vectors.Answers(crop.Target), "household": vectors.Answers(crop.HouseholdNeed), "shoot_quota": vectors.Answers(crop.ShootQuota),
		"keep_on_shoot": vectors.Answers(crop.KeepOnShoot), "thinning_time": vectors.Answers(crop.ThinningTime), "thin_or_not": vectors.Answers(crop.WhetherToThin),
		"allotment": vectors.Answers(crop.Allot), "second_pass": vectors.Answers(crop.SecondPass), "crotch_strength": vectors.Answers(crop.CrotchStrength),
		"limb_load": vectors.Answers(crop.LimbLoad), "alternation": vectors.Answers(crop.Alternate), "return_bloom": vectors.Answers(crop.ReturnBloom),
		"freeze_echo": vectors.Answers(crop.FreezeEcho), "frost_buds": vectors.Answers(crop.FrostBuds),
	})
}
