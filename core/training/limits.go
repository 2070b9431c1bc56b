package training

import "vertumna/core/num"

// within is a range that a question may lie in; what a tree shows beyond it is taken as its end.
type within struct{ least, most float64 }

// of is x, held to the range.
func (w within) of(x float64) float64 { return num.Clamp(x, w.least, w.most) }

// What the models of this package are asked within: lengths in cm, angles in degrees, weeks from bud break.
var (
	goalsCM      = within{20, 600} // how far an arm shall reach
	growthsCM    = within{1, 300}
	ribsCM       = within{40, 500}
	firstLimbsCM = within{30, 150}
	topLimbsCM   = within{30, 600}
	contactsCM   = within{2, 300} // of a spreader
	tiesCM       = within{2, 500}
	aimsDeg      = within{20, 90}
	bendsDeg     = within{0, 120}
	pulledDeg    = within{5, 175}
	leansDeg     = within{-45, 45}
	heightsCM    = within{0, 400}
	ringsMM      = within{3, 10} // what a limb thickens in a season
	weeksOn      = within{-52, 52}
	growingWeeks = within{8, 45}
)

const (
	mostWires = 12
	weekDays  = 7
)

// thickens is what a limb of that thickness puts on in a season where nothing was measured, mm (our estimate).
func thickens(mm float64) float64 { return ringsMM.of(ringShare*mm + ringBaseMM) }

const ringShare, ringBaseMM = 0.25, 2
