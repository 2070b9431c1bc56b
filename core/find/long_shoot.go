package find

import (
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// LongShoot is a shoot that grew too long in its season.
const LongShoot Code = "long_shoot"

var longShoot = Rule{Code: LongShoot, Step: 8, Weight: 2, Aim: Calm, Source: practice}

// Limits of a season's shoot against the usual extension of the kind.
const (
	longSummer, longDormant, longFlat = 1.2, 1.4, 0.6
	setAllowance                      = 1.5
	fiveLeaves                        = 5
	aboveBudCM                        = 0.55 // 5-6 mm above a bud
)

func (f *finder) longShoot(i int) {
	a, g := &f.m.Axes[i], f.m.Kind.Growth
	if !f.free(i) || f.isLeader(i) || a.Depth < 1 || a.Depth == 1 && !(f.m.Flat() && f.grown(i) == 1) {
		return
	}
	oneRing := f.grown(i) == 1
	lim := longSummer * g.ExtensionCM
	if f.m.Season == limb.Dormant {
		if !oneRing {
			return
		}
		lim = longDormant * g.ExtensionCM
		if h := f.habit(); f.o.ShortShoots && a.Depth >= 2 && (h == pomology.OnSpurs || h == pomology.OnSpursAndNew) {
			lim = 8 * g.InternodeCM // long enough to be spurred back
		}
	}
	if f.m.Flat() {
		lim *= longFlat
	}
	st, e := a.LastRing()
	if e < lim || f.m.Has(i, limb.Set) && e < setAllowance*g.ExtensionCM {
		return
	}
	way := f.shootWay(i, st, e)
	severity := 0.4*clamp01(e/lim-1) + 0.4
	aim, at := Calm, st
	switch {
	case way == "good":
		severity -= 0.1
		if h := f.habit(); h != pomology.OnSpurs && h != pomology.OnSpursAndNew || e < 8*g.InternodeCM {
			return
		}
		at = st + fiveLeaves*g.InternodeCM + aboveBudCM
	case oneRing:
		if way == "inward" && a.Depth >= 2 {
			return // told as inward
		}
		aim, at = Remove, 0
	}
	found := f.tell(longShoot, i, at, severity, []Fact{num("length_cm", e), {Name: "way", Text: way}}, num("length_cm", lim))
	found.Aim = aim
}

// shootWay says how a limb's last ring stands: upright, inward or good.
func (f *finder) shootWay(i int, st, e float64) string {
	a := &f.m.Axes[i]
	if f.m.Theta(i, a.L-e/2) <= sproutAngle {
		return "upright"
	}
	from := f.m.At(i, st)
	_, out := f.m.Outward(i, from)
	if -f.m.End(i).Sub(from).Dot(out)/e >= f.o.InwardRatio {
		return "inward"
	}
	return "good"
}
