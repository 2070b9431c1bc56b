package find

// Hanging is a limb whose end points down.
const Hanging Code = "hanging"

var hanging = Rule{Code: Hanging, Step: 4, Weight: 3, Aim: Shorten, Source: practice}

var hangingGrows = ramp{0.4, 0.6, 60} // degrees past level and ten

const hangDeg = 110

func (f *finder) hanging(i int) {
	a := &f.m.Axes[i]
	drop := f.m.Base(i).Z - f.m.End(i).Z
	if a.L < judgedFromCM || a.A1 < hangDeg && drop <= 0.3*a.L {
		return
	}
	at := 0.0
	if a.A0 < 90 && a.A1 > a.A0 {
		at = a.L * (90 - a.A0) / (a.A1 - a.A0)
	}
	f.tell(hanging, i, at, hangingGrows.at(a.A1-100),
		[]Fact{num("tip_angle_deg", a.A1), num("drop_cm", drop), yes("bears", f.bears(i, at))}, num("tip_angle_deg", hangDeg))
}
