package year

import (
	"math"

	"vertumna/core/almanac"
	"vertumna/core/crop"
	"vertumna/core/given"
	"vertumna/core/pomology"
)

// Fruitlets are what hangs on a tree on a day.
type Fruitlets struct {
	DiameterMM float64 // 0: not known
	FrostRisk  float64 // from now on
	ThinAnyway bool    // its owner thins what is not thinned as a rule
	Time       string  // of the school: crop.Habit
}

// The clock of thinning counts no further than this; days.
const (
	mostAfterBloom = 250
	mostAfterDrop  = 200
)

// ThinTime says whether fruit is to be thinned on a day, by the stages the tree has gone through; false before bloom and after harvest
// begins, and where the kind is not known to the model.
func (a *Anchors) ThinTime(k *pomology.Kind, day almanac.Day, f Fruitlets) (crop.Time, bool) {
	at := func(s almanac.Stage) almanac.Day { return a.Day(s.String()) }
	first, petals, harvest := at(almanac.FirstBloom), at(almanac.PetalFall), at(almanac.HarvestStart)
	if !first.Known() || day < first || harvest.Known() && day > harvest {
		return crop.Time{}, false
	}
	in := given.New[crop.TimeInput]()
	in.Species, in.FrostRisk, in.ThinAnyway, in.School = k.Slug, f.FrostRisk, f.ThinAnyway, f.Time
	in.InBloom = petals.Known() && day < petals
	if f.DiameterMM > 0 {
		in.DiameterMM = new(math.Round(f.DiameterMM*10) / 10)
	}
	if bloom := at(almanac.FullBloom); bloom.Known() && day >= bloom {
		in.DaysAfterBloom = new(min(mostAfterBloom, int(day-bloom)))
	}
	if drop := at(almanac.DropEnd); drop.Known() && day >= drop {
		in.DropOver, in.DaysSinceDrop = true, min(mostAfterDrop, int(day-drop))
	}
	if stone := at(almanac.PitHardening); stone.Known() && day >= stone {
		in.StoneHard = true
	}
	t, err := crop.ThinningTime(in)
	return t, err == nil
}
