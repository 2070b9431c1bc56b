package find

import "vertumna/core/pomology"

// TooManyLimbs is more main limbs than the form wants.
const TooManyLimbs Code = "too_many_limbs"

var tooManyLimbs = Rule{Code: TooManyLimbs, Step: 5, Weight: 5, Aim: Remove, Source: practice}

var tooManyLimbsGrows = ramp{0.5, 0.4, 4} // limbs too many

const mainLimbCM = 60

// mostLimbs is how many main limbs a grown tree of a form should have at most, by school (schools.md#presets; work.md#young-trees): three to
// five open, four to six for a leader or a neglected tree; not for flat forms and bushes, whose arms are their own.
func mostLimbs(f *finder) (int, bool) {
	switch {
	case f.o.MostLimbs == 0 || f.m.Flat() || f.m.Bush() || f.o.building(f.m.Age):
		return 0, false
	case f.m.Form == pomology.SlimLeader:
		return slimLimbs, true
	case f.m.LeaderForm():
		return f.o.MostLimbs + leaderLimbs, true
	}
	return f.o.MostLimbs, true
}

// leaderLimbs: a leader carries its limbs in tiers, so more of them.
const leaderLimbs = 2

// slimLimbs are the short side limbs that a slim leader carries at most, whatever the school wants of others (our estimate).
const slimLimbs = 12

// tooManyLimbs: more main limbs than the form wants starve one another.
func (f *finder) tooManyLimbs() {
	most, ok := mostLimbs(f)
	if !ok {
		return
	}
	var main []int
	for i := range f.m.Axes {
		a := &f.m.Axes[i]
		if a.Depth == 1 && !f.m.WhollyDead(i) && f.noSprout(i) && !f.chain[i] && a.L >= mainLimbCM {
			main = append(main, i)
		}
	}
	if len(main) <= most {
		return
	}
	worst := main[0]
	for _, i := range main { // the weakest goes first, the steeper of equals
		a, b := &f.m.Axes[i], &f.m.Axes[worst]
		if a.D < b.D || a.D == b.D && a.A0 < b.A0 {
			worst = i
		}
	}
	f.tell(tooManyLimbs, worst, 0, tooManyLimbsGrows.at(float64(len(main)-most)), []Fact{num("count", float64(len(main)))}, num("count", float64(most)))
}
