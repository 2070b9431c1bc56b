package training_test

import (
	"testing"

	"vertumna/core/training"
	"vertumna/internal/vectors"
)

func TestVectorsTraining(t *testing.T) {
	vectors.Run(t, "training", map[string]vectors.Model{
		"planting_cut": vectors.Answers(training.HeadAtPlanting), "scaffold_choice": vectors.Answers(training.ChooseScaffolds), "height_cap": vectors.Answers(training.CapHeight),
		"tiers": vectors.Answers(training.StackTiers), "leader_stop": vectors.Answers(training.StopLeader), "equalise": vectors.Answers(training.EqualiseLimbs),
		"limb_aim": vectors.Answers(training.AimOf), "bend_device": vectors.Answers(training.DeviceFor), "spreader": vectors.Answers(training.SizeSpreader),
		"peg_tie": vectors.Answers(training.TiePeg), "bend_force": vectors.Answers(training.ForceOf), "tie_loop": vectors.Answers(training.SizeLoop),
		"set_time": vectors.Answers(training.SetOf), "device_checks": vectors.Answers(training.ChecksOf), "notching": vectors.Answers(training.ChooseNotches),
		"trial": vectors.Answers(training.ReadTrial), "wire_layout": vectors.Answers(training.LayWires), "wire_arms": vectors.Answers(training.ChooseArms),
		"arm_laying": vectors.Answers(training.LayArm), "flat_plan": vectors.Answers(training.PlanFlat), "step_over": vectors.Answers(training.BendOver),
		"fan": vectors.Answers(training.SpreadFan), "renewal": vectors.Answers(training.PlanRenewal), "graft_wood": vectors.Answers(training.CutGraftWood),
	})
}
