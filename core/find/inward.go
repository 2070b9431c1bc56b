package find

// Inward is a limb that grows into the middle.
const Inward Code = "inward"

var inward = Rule{Code: Inward, Step: 4, Weight: 5, Aim: Remove, Source: practice}

var inwardGrows = ramp{0.4, 0.6, 0.5} // ratio over the limit

// inwardFromCM: shorter wood is looked past (limbs.md#3-findings).
const inwardFromCM = 25

func (f *finder) inward(i int) {
	a := &f.m.Axes[i]
	if a.Depth < 2 || a.L < inwardFromCM || !f.noSprout(i) || f.isLeader(i) {
		return
	}
	r, out := f.m.Outward(i, f.m.Base(i))
	if r < 10 {
		return
	}
	v := -f.m.End(i).Sub(f.m.Base(i)).Dot(out) / a.L
	if v >= f.o.InwardRatio {
		f.tell(inward, i, 0, inwardGrows.at(v-f.o.InwardRatio), []Fact{num("inward_ratio", v)}, num("inward_ratio", f.o.InwardRatio))
	}
}
