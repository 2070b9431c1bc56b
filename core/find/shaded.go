package find

// Shaded is a limb without light enough.
const Shaded Code = "shaded"

var shaded = Rule{Code: Shaded, Step: 8, Weight: 2, Aim: Open, Source: ripening}

func (f *finder) shaded(i int) {
	if f.light == nil || f.m.IsStem(i) || f.shadeLevel(i) == 0 {
		return
	}
	for p := f.m.Axes[i].Parent; p >= 0; p = f.m.Axes[p].Parent {
		if !f.m.IsStem(p) && f.shadeLevel(p) >= f.shadeLevel(i) {
			return // told once, where it starts
		}
	}
	severity := mild
	if f.light[i] < f.o.BlackLight {
		severity = grave
	}
	f.tell(shaded, i, 0, severity, []Fact{num("light", f.light[i])}, num("light", f.o.DarkLight))
}

func (f *finder) shadeLevel(i int) int {
	a := &f.m.Axes[i]
	switch {
	case f.light[i] >= f.o.DarkLight || a.L < limbFromCM || !f.noSprout(i):
		return 0
	case f.light[i] < f.o.BlackLight:
		return 2
	}
	return 1
}
