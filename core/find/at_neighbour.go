package find

import "vertumna/core/limb"

// AtNeighbour is a limb that grows into another crown.
const AtNeighbour Code = "neighbour"

var atNeighbour = Rule{Code: AtNeighbour, Step: 7, Weight: 4, Aim: Shorten, Source: practice}

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
			f.tell(atNeighbour, i, s, 0.5, []Fact{{Name: "name", Text: c.Name}})
			return
		}
	}
}
