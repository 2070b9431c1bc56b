package training

import (
	"math"

	"vertumna/core/num"
	"vertumna/core/pomology"
)

// How much of its width and height a young frame has at an age (our estimate).
var (
	widthByAge  = [][2]float64{{1, 0.35}, {2, 0.55}, {4, 0.8}, {8, 1}}
	heightByAge = [][2]float64{{1, 0.5}, {2, 0.65}, {4, 0.9}, {8, 1}}
)

// outlined is a point of a form's profile: out by a share of half its width; up by shares of the height of its first limb and of
// its top, and so many cm.
type outlined struct{ half, foot, top, cm float64 }

// The profiles of the forms: a cone, a wall, a bush and, for all others, a bowl.
var (
	cone = []outlined{{0, 1, 0, 0}, {1, 1, 0, 15}, {0.9, 1, 0, 35}, {0.15, 0, 1, -5}, {0, 0, 1, 0}}
	wall = []outlined{{0, 1, 0, -10}, {1, 1, 0, -10}, {1, 0, 1, 0}, {0, 0, 1, 0}}
	bush = []outlined{{0, 0.6, 0, 0}, {0.6, 0.8, 0, 0}, {1, 0, 0.55, 0}, {0.9, 0, 0.9, 0}, {0.4, 0, 1, 0}, {0, 0, 0.93, 0}}
	bowl = []outlined{{0, 1, 0, 0}, {0.35, 1, 0, 20}, {0.8, 0, 0.6, 0}, {1, 0, 0.85, 0}, {0.85, 0, 1, 0}, {0.3, 0, 0.75, 0}, {0, 1, 0, 35}}
)

var outlines = map[pomology.FormSlug][]outlined{
	pomology.CentralLeader: cone, pomology.ModifiedLeader: cone, pomology.SlimLeader: cone,
	pomology.WireTiers: wall, pomology.FlatFan: wall, pomology.StepOver: wall,
	pomology.LowBush: bush, pomology.Shrub: bush,
}

// Outline is a tree's frame at an age as a form to grow into: half its profile from the trunk's axis, each point out and up, cm.
func Outline(y Young, age int) [][2]float64 {
	half, top := (&forming{y: y}).halfWidth(), math.Min(y.capped().CapCM, formHeight(y.Form))
	half, top = half*num.Lerp(widthByAge, float64(age)), math.Max(60, top*num.Lerp(heightByAge, float64(age)))
	foot := float64(usualFootCM)
	if y.FirstCM > 0 {
		foot = y.FirstCM
	}
	shape, ok := outlines[y.Form]
	if !ok {
		shape = bowl
	}
	out := make([][2]float64, len(shape))
	for i, p := range shape {
		out[i] = [2]float64{half * p.half, foot*p.foot + top*p.top + p.cm}
	}
	return out
}
