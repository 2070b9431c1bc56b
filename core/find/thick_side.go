package find

import "vertumna/core/limb"

// ThickSide is a side limb too thick for what carries it.
const ThickSide Code = "thick_side"

var thickSide = Rule{Code: ThickSide, Step: 5, Weight: 4, Aim: Subdue, Source: practice}

var thickSideGrows = ramp{0.4, 0.6, 0.35} // ratio over the limit

// thickFromMM: a thinner side limb is looked past (limbs.md#3-findings).
const thickFromMM = 15

// subdued is the leaf a limb may carry for its thickness once it counts as held back.
const subdued = 0.6

func (f *finder) thickSide(i int) {
	a := &f.m.Axes[i]
	if a.Depth == 0 || a.D < thickFromMM || a.L < limbFromCM || !f.noSprout(i) || f.isLeader(i) || f.m.Flat() || f.m.Bush() && a.Depth == 1 {
		return
	}
	lim := f.o.SideRatio
	if a.Depth == 1 && f.m.Vase() {
		lim = f.o.VaseRatio
	}
	_, ratio, carrier := f.crotch(i)
	leaf := subdued * a.D * a.D
	if lim == 0 || ratio <= lim || a.Tip == limb.Cut && f.m.Lambda(i) <= leaf {
		return
	}
	at := 0.0
	for k := 10; k >= 1; k-- {
		s := float64(k) * 0.05 * a.L
		if f.m.Lambda(i)-f.m.LeafBeyond(i, s) <= leaf {
			at = s
			break
		}
	}
	f.tell(thickSide, i, at, thickSideGrows.at(ratio-lim),
		[]Fact{num("ratio", ratio), num("diameter_mm", a.D), num("parent_mm", carrier)}, num("ratio", lim))
}
