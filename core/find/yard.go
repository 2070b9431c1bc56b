package find

import (
	"math"

	"vertumna/core/limb"
)

const (
	alongCM     = 5.0 // places are tried this far apart along a limb
	pathClearCM = 220.0
)

// firstInside is the first place along a limb, in steps, that is inside what stands in the yard.
func (f *finder) firstInside(i int, inside func(s float64, p limb.Vec) bool) (float64, bool) {
	for s := 0.0; s <= f.m.Axes[i].L; s += alongCM {
		if inside(s, f.m.At(i, s)) {
			return s, true
		}
	}
	return 0, false
}

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
			f.tell(OverPath, i, s, ramps[OverPath].at(clearCM-z), []Fact{num("height_cm", z), {Name: "name", Text: p.Name}}, num("height_cm", clearCM))
			return
		}
	}
}

// mayTouch: the limb's box meets the polygon's in plan.
func (f *finder) mayTouch(i int, polygon [][2]float64) bool {
	b := f.boxes[i]
	lo, hi := [2]float64{math.Inf(1), math.Inf(1)}, [2]float64{math.Inf(-1), math.Inf(-1)}
	for _, p := range polygon {
		for k := range 2 {
			lo[k], hi[k] = math.Min(lo[k], p[k]), math.Max(hi[k], p[k])
		}
	}
	return b.lo.X <= hi[0] && lo[0] <= b.hi.X && b.lo.Y <= hi[1] && lo[1] <= b.hi.Y
}

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
			f.tell(AtWall, i, s, 0.5, []Fact{num("height_cm", f.m.At(i, s).Z), {Name: "name", Text: w.Name}}, num("height_cm", w.TopCM))
			return
		}
	}
}

func (f *finder) neighbour(i int) {
	for _, c := range f.yard.Neighbours {
		mid, half := (c.Z0+c.Z1)/2, (c.Z1-c.Z0)/2
		if c.R <= 0 || half <= 0 {
			continue
		}
		s, ok := f.firstInside(i, func(_ float64, p limb.Vec) bool {
			dx, dy, dz := (p.X-c.X)/c.R, (p.Y-c.Y)/c.R, (p.Z-mid)/half
			return dx*dx+dy*dy+dz*dz <= 1
		})
		if ok {
			f.tell(AtNeighbour, i, s, 0.5, []Fact{{Name: "name", Text: c.Name}})
			return
		}
	}
}
