package year

import (
	"slices"

	"vertumna/core/almanac"
	"vertumna/core/limb"
)

// SlipTask is the task of the year that a slip is the work of: the one whose window the day is in, else the first that stands, else the
// usual one of the season. A tree without a plan (nil) has the usual one.
func SlipTask(tp *TreePlan, season limb.Season, day almanac.Day) TaskKind {
	kinds := []TaskKind{DormantCut}
	if season == limb.Summer {
		kinds = []TaskKind{HeightCut, SummerCut, RestrainCut, AutumnHeight, SummerShoots}
	}
	if tp == nil {
		return kinds[0]
	}
	var stands TaskKind
	for i := range tp.Tasks {
		t := &tp.Tasks[i]
		if !slices.Contains(kinds, t.Kind) {
			continue
		}
		if day >= t.Window.Opens.Day && day <= t.Window.Closes.Day {
			return t.Kind
		}
		if stands == "" {
			stands = t.Kind
		}
	}
	if stands == "" {
		return kinds[0]
	}
	return stands
}
