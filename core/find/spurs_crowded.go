package find

import "math"

// SpursCrowded is too many spurs to the metre.
const SpursCrowded Code = "spurs_crowded"

var spursCrowded = Rule{Code: SpursCrowded, Step: 9, Weight: 2, Aim: Spurs, Source: practice}

var spursCrowdedGrows = ramp{0.3, 0.5, 1} // times too many

func (f *finder) spursCrowded(i int) {
	most := f.m.Kind.Year.SpursPerM
	if most == 0 {
		return
	}
	for _, s := range f.m.Axes[i].Spurs {
		n := 100 * s.Count / (s.ToCM - s.FromCM)
		if n <= most || f.m.AgeAt(i, (s.FromCM+s.ToCM)/2) < 4 {
			continue
		}
		f.tell(spursCrowded, i, s.FromCM, spursCrowdedGrows.at(n/most-1), []Fact{
			num("to_cm", s.ToCM), num("per_m", n), num("most_per_m", most), num("fraction", math.Max(0.1, math.Min(0.5, 1-0.8*most/n))),
		}, num("per_m", most))
	}
}
