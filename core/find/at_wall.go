package find

import "vertumna/core/limb"

// AtWall is a limb that grows into a wall or fence.
const AtWall Code = "wall"

var atWall = Rule{Code: AtWall, Step: 7, Weight: 4, Aim: Shorten, Source: practice}

// wall: a limb that grows into a wall or fence, below its top. Trees trained flat stand close to theirs on purpose.
func (f *finder) wall(i int) {
	if f.m.Flat() || f.m.IsStem(i) {
		return
	}
	for _, w := range f.yard.Walls {
		if !f.mayTouch(i, w.Polygon) {
			continue
		}
		s, ok := f.firstInside(i, func(_ float64, at limb.Vec) bool { return at.Z < w.TopCM && limb.InPolygon(w.Polygon, at.X, at.Y) })
		if ok {
			f.tell(atWall, i, s, 0.5, []Fact{num("height_cm", f.m.At(i, s).Z), {Name: "name", Text: w.Name}}, num("height_cm", w.TopCM))
			return
		}
	}
}
