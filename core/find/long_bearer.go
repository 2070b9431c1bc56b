package find

import (
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// LongBearer is a bearing shoot too long for its fruit, on kinds that bear on last year's wood.
const LongBearer Code = "long_bearer"

var longBearer = Rule{Code: LongBearer, Step: 9, Weight: 2, Aim: Bear, Source: practice}

var longBearerGrows = ramp{0.3, 0.4, 1} // part of the shoot that goes

// bearerFromCM is how long a bearing shoot is to be shortened (limbs.md#3-findings).
const bearerFromCM = 40

func (f *finder) longBearer(i int) {
	a, g := &f.m.Axes[i], f.m.Kind.Growth
	st, e := a.LastRing()
	if f.m.Season != limb.Dormant || f.habit() != pomology.OnLastYear || !f.free(i) || e < bearerFromCM || f.light.At(i) < f.o.DarkLight {
		return
	}
	fruits := 3.0
	if e >= 60 {
		fruits = 4
	}
	keep := 0.15*e + 100*fruits/(f.m.Density(1)*g.FruitPerBud*limb.LightFactor(f.light.At(i)))
	at, renew := -1.0, -1.0
	for _, n := range f.m.Nodes(i, len(a.Rings)-1, f.light) {
		if n.N > 0 && n.At <= st+keep && (n.Kind == limb.Triple || n.Kind == limb.Double) {
			at = n.At + aboveBudCM
		}
		if renew < 0 && n.Kind.HasLeaf() {
			renew = n.At
		}
	}
	if at < 0 || a.L-at < 8 || f.m.At(i, at).Z > f.o.ReachCM {
		return
	}
	f.tell(longBearer, i, at, longBearerGrows.at((a.L-at)/e),
		[]Fact{num("length_cm", e), num("fruits", fruits), num("renew_bud_cm", renew)}, num("length_cm", bearerFromCM))
}
