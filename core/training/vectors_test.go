package training_test

import (
	"testing"

	"vertumna/core/given"
	"vertumna/core/training"
	"vertumna/internal/vectors"
)

func of[In, Out any](model func(In) (Out, error)) vectors.Model {
	return vectors.Of(given.Read[In], model)
}

func TestVectorsTraining(t *testing.T) {
	vectors.Run(t, "training", map[string]vectors.Model{
		"planting_cut": of(training.HeadAtPlanting), "scaffold_choice": of(training.ChooseScaffolds), "height_cap": of(training.CapHeight),
		"tiers": of(training.StackTiers), "leader_stop": of(training.StopLeader), "equalise": of(training.EqualiseLimbs),
		"limb_aim": of(training.AimOf), "bend_device": of(training.DeviceFor), "spreader": of(training.SizeSpreader),
		"peg_tie": of(training.TiePeg), "bend_force": of(training.ForceOf), "tie_loop": of(training.SizeLoop),
		"set_time": of(training.SetOf), "device_checks": of(training.ChecksOf), "notching": of(training.ChooseNotches),
		"trial": of(training.ReadTrial), "wire_layout": of(training.LayWires), "wire_arms": of(training.ChooseArms),
		"arm_laying": of(training.LayArm), "flat_plan": of(training.PlanFlat), "step_over": of(training.BendOver),
		"fan": of(training.SpreadFan), "renewal": of(training.PlanRenewal), "graft_wood": of(training.CutGraftWood),
	})
}
