package find

// Sucker is a young upright from the foot of a stem, or from below the graft.
const Sucker Code = "sucker"

var sucker = Rule{Code: Sucker, Step: 2, Weight: 7, Aim: Remove, Source: practice}

// Suckers: their longest, how upright, how low their stem starts (limbs.md#3-findings).
const (
	suckerAngle  = 35
	suckerBaseCM = 25
)

func (f *finder) isSucker(i int) bool {
	a := &f.m.Axes[i]
	if a.Sucker {
		return true
	}
	return a.Parent >= 0 && f.m.IsStem(a.Parent) && !f.m.Bush() && f.m.Base(i).Z < suckerBaseCM &&
		f.m.MeanAngle(i) <= suckerAngle && f.grown(i) <= youngRings
}

func (f *finder) tellSucker(i int) {
	f.tell(sucker, i, 0, 1, []Fact{num("base_height_cm", f.m.Base(i).Z)}, num("base_height_cm", suckerBaseCM))
}
