package find

import "vertumna/core/limb"

// OverPath is what hangs into a way.
const OverPath Code = "path"

var overPath = Rule{Code: OverPath, Step: 7, Weight: 6, Aim: Shorten, Source: practice}

var overPathGrows = ramp{0.5, 0.5, 150} // cm under what a person walks beneath

// pathClearCM is what is wanted clear over a way that was told without a height, cm.
const pathClearCM = 220.0

func (f *finder) path(i int) {
	for _, p := range f.yard.Paths {
		clearCM := p.ClearCM
		if clearCM == 0 {
			clearCM = pathClearCM
		}
		if !f.mayTouch(i, p.Polygon) {
			continue
		}
		s, ok := f.firstInside(i, func(s float64, at limb.Vec) bool {
			return at.Z-f.sag(i, s) < clearCM && limb.InPolygon(p.Polygon, at.X, at.Y)
		})
		if ok {
			z := f.m.At(i, s).Z - f.sag(i, s)
			f.tell(overPath, i, s, overPathGrows.at(clearCM-z), []Fact{num("height_cm", z), {Name: "name", Text: p.Name}}, num("height_cm", clearCM))
			return
		}
	}
}
