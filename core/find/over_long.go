package find

import (
	"slices"

	"vertumna/core/limb"
)

// OverLong is a limb that outgrows its siblings.
const OverLong Code = "over_long"

var overLong = Rule{Code: OverLong, Step: 7, Weight: 2, Aim: Shorten, Source: practice}

var overLongGrows = ramp{0.3, 0.5, 1} // median lengths over the limit

// overLongBy: a limb longer than this many times the median of its siblings.
const overLongBy = 1.3

// overLong tells limbs that outgrow their siblings: main limbs of one tree should balance.
func (f *finder) overLong() {
	for p := range f.m.Axes {
		var mates []int
		for _, c := range f.m.Axes[p].Children {
			if f.live(c) && f.noSprout(c) && !f.chain[c] && f.m.Axes[c].L >= loadMinCM {
				mates = append(mates, c)
			}
		}
		if len(mates) < 3 || f.m.Axes[p].Depth > 0 || f.m.Flat() || f.cutAmong(p, mates) {
			continue
		}
		lengths := make([]float64, len(mates))
		for k, c := range mates {
			lengths[k] = f.m.Axes[c].L
		}
		slices.Sort(lengths)
		median := (lengths[(len(lengths)-1)/2] + lengths[len(lengths)/2]) / 2
		for _, c := range mates {
			if l := f.m.Axes[c].L; l > overLongBy*median {
				f.tell(overLong, c, overLongBy*median, overLongGrows.at(l/median-overLongBy),
					[]Fact{num("length_cm", l), num("siblings_cm", median)}, num("length_cm", overLongBy*median))
			}
		}
	}
}

// cutAmong: one of a carrier's limbs was cut this season; they are compared again when they have answered.
func (f *finder) cutAmong(p int, mates []int) bool {
	return slices.ContainsFunc(f.m.Axes[p].Wounds, func(w limb.Wound) bool { return w.Fresh }) ||
		slices.ContainsFunc(mates, func(c int) bool { return f.m.Has(c, limb.Fresh) })
}
