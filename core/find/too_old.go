package find

import "vertumna/core/pomology"

// TooOld is old bearing wood without new shoots.
const TooOld Code = "too_old"

var tooOld = Rule{Code: TooOld, Step: 9, Weight: 3, Aim: Renew, Source: practice}

var tooOldGrows = ramp{0.4, 0.4, 1} // part of the new wood that is missing

// most seasons a bearing limb stays, by habit (limbs.md#3-findings).
var maxAge = map[pomology.Bearing]int{
	pomology.OnLastYear: 2, pomology.OnSpursAndNew: 7, pomology.OnSpurs: 12, pomology.OnTips: 8, pomology.OnThisYear: 4,
}

const newWoodCM = 20

func (f *finder) tooOld(i int) {
	a := &f.m.Axes[i]
	if a.Depth < 2 || f.isLeader(i) || f.grown(i) <= maxAge[f.habit()] {
		return
	}
	fresh := 0.0
	for _, j := range f.m.Subtree(i) {
		if f.growing(j) {
			_, e := f.m.Axes[j].LastRing()
			fresh += e
		}
	}
	if fresh < newWoodCM {
		f.tell(tooOld, i, 0, tooOldGrows.at(1-fresh/newWoodCM), []Fact{num("age", float64(f.grown(i))), num("new_wood_cm", fresh)},
			num("age", float64(maxAge[f.habit()])))
	}
}
