package training

import (
	"math"
	"slices"
)

// FlatFrame is a tree on wires in a year of its life, as its plan has it.
type FlatFrame struct {
	Life     int
	LeaderCM float64   // it grows to there
	ArmCM    []float64 // by wire, from the lowest: how long each of its two arms is; 0: none yet
	Lies     []bool    // by wire: its arms are tied down
}

// Frame is how a tree on wires stands in a year of its life. Arms grow a year's length a season to their goal; the leader grows to the
// wire whose pair comes next.
func (f FlatYears) Frame(life int, wiresCM []float64, goalCM, yearlyCM float64) FlatFrame {
	out := FlatFrame{Life: life}
	formed := 0
	for i, t := range f.Tiers {
		arm := 0.0
		if life >= t.Formed {
			formed++
			arm = math.Min(goalCM, yearlyCM*float64(life-t.Formed+1))
		}
		out.ArmCM, out.Lies = append(out.ArmCM, arm), append(out.Lies, arm > 0 && life >= t.BaseLaid)
		if i < len(wiresCM) {
			out.LeaderCM = wiresCM[min(formed, len(wiresCM)-1)]
		}
	}
	return out
}

// fewFrames show the way.
const fewFrames = 4

// Frames are four years that show the way: planted, this year, full, and what lies in the widest gap between them; fewer where it is full
// sooner.
func (f FlatYears) Frames(life int, wiresCM []float64, goalCM, yearlyCM float64) []FlatFrame {
	years := []int{1, min(max(1, life), f.YearFull), f.YearFull}
	slices.Sort(years)
	years = slices.Compact(years)
	for len(years) < min(fewFrames, f.YearFull) {
		at, gap := 0, 0
		for i := 1; i < len(years); i++ {
			if d := years[i] - years[i-1]; d > gap {
				at, gap = i, d
			}
		}
		if gap < 2 {
			break
		}
		years = slices.Insert(years, at, years[at-1]+gap/2)
	}
	var out []FlatFrame
	for _, y := range years {
		out = append(out, f.Frame(y, wiresCM, goalCM, yearlyCM))
	}
	return out
}
