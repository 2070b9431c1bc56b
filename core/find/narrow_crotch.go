package find

import "vertumna/core/limb"

// NarrowCrotch is a limb that leaves its carrier at too narrow an angle.
const NarrowCrotch Code = "narrow_crotch"

var narrowCrotch = Rule{Code: NarrowCrotch, Step: 5, Weight: 6, Aim: Remove, Source: practice}

var narrowCrotchGrows = ramp{0.8, 0.2, 20} // degrees under the hard limit

// crotch is the angle between a limb and its carrier where it starts, degrees, and how thick it is against it there.
func (f *finder) crotch(i int) (angle, ratio, carrierMM float64) {
	angle, carrierMM = f.m.Crotch(i)
	return angle, f.m.Axes[i].D / carrierMM, carrierMM
}

func (f *finder) narrowCrotch(i int) {
	a := &f.m.Axes[i]
	if a.Depth == 0 || a.D < 10 || !f.noSprout(i) || f.isLeader(i) || f.m.Flat() || f.m.Bush() {
		return
	}
	c, ratio, _ := f.crotch(i)
	facts := []Fact{num("crotch_deg", c), num("ratio", ratio)}
	hard := c < f.o.CrotchHardDeg || c < f.o.CrotchSoftDeg && f.m.Has(i, limb.Bark)
	switch {
	case ratio >= 0.3 && hard:
		f.tell(narrowCrotch, i, 0, narrowCrotchGrows.at(f.o.CrotchHardDeg-c), facts, num("crotch_deg", f.o.CrotchHardDeg))
	case ratio >= 0.5 && c < f.o.CrotchSoftDeg:
		f.tell(narrowCrotch, i, 0, mild, facts, num("crotch_deg", f.o.CrotchSoftDeg))
	}
}
