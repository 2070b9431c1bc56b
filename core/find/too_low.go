package find

import (
	"math"

	"vertumna/core/pomology"
)

// TooLow is a limb that hangs too near the ground.
const TooLow Code = "low"

var tooLow = Rule{Code: TooLow, Step: 4, Weight: 4, Aim: Remove, Source: practice}

var tooLowGrows = ramp{0.3, 0.7, 1} // part of the limit below it

func (f *finder) low(i int) {
	a := &f.m.Axes[i]
	lim := f.o.LowCM
	if f.m.Form == pomology.FlatFan || f.m.Form == pomology.WireTiers {
		lim = math.Min(lim, 25)
	}
	if a.Depth == 0 || a.L < judgedFromCM || lim == 0 || f.m.Form == pomology.StepOver || f.m.Bush() {
		return
	}
	z := math.Min(f.m.End(i).Z, f.m.At(i, a.L/2).Z)
	if z < lim {
		f.tell(tooLow, i, 0, tooLowGrows.at((lim-z)/lim), []Fact{num("lowest_cm", z), yes("bears", f.bears(i, 0))}, num("lowest_cm", lim))
	}
}
