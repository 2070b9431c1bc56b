package light

import "math"

// KeepLight is the part of full light over the season that a neighbour should keep on its leaf, its own shade left out; our
// estimate, well above what its inner wood needs.
const KeepLight = 0.60

// leastShade: less than this part of a neighbour's light binds nobody's height.
const leastShade = 0.02

// farthest: higher than this part of its height a tree's shade cannot be read off from what it casts now.
const farthest = 2

// Cap is how high a tree may stand before a neighbour falls below the light it should keep.
type Cap struct {
	CM     float64
	Binds  int     // the neighbour, by owner; -1: nobody binds
	Keeps  float64 // the light that neighbour has now, its own shade left out
	Shades float64 // the part of its light this tree takes
}

// Caps works out the highest tops that keep every neighbour above a part of full light: a tree's shade on a neighbour is
// taken to grow with its height, and all others stay as they are. Heights in cm by owner; 0 is no tree (a wall). Cost:
// owners squared.
func (s Shading) Caps(heights []float64, keep float64) []Cap {
	out := make([]Cap, len(heights))
	for a, h := range heights {
		out[a] = Cap{Binds: -1}
		if h <= 0 {
			continue
		}
		for o := range heights {
			lost := s.Lost[o][a]
			if o == a || heights[o] <= 0 || lost < leastShade {
				continue
			}
			most := math.Max(0, h*(1+(s.Without[o]-keep)/lost))
			if most > farthest*h {
				continue
			}
			if out[a].Binds < 0 || most < out[a].CM {
				out[a] = Cap{CM: most, Binds: o, Keeps: s.Without[o], Shades: lost}
			}
		}
	}
	return out
}
