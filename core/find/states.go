package find

import (
	"math"

	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// Limits of what a person decided about a limb (work.md#young-trees; our estimates).
const (
	grownPastCM = 5 // an arm held at its length is cut back once it has grown past it by so much
	successor   = 1.0 / 3
)

// until says whether a state's day has come; a state without one waits for what else it hangs on.
func (f *finder) until(s *limb.State) bool { return s.Due != "" && f.o.Day != "" && s.Due <= f.o.Day }

// stateOver: a limb kept for a time whose time is over: its day has come, it has grown too thick to take off lightly, or its
// harvest is in.
func (f *finder) stateOver(i int) {
	s := f.m.State(i)
	if s == nil {
		return
	}
	d := f.m.Axes[i].D
	thick := s.Kind == limb.Temporary && d >= limb.TemporaryMM
	picked := s.Kind == limb.OneSeason && f.o.Harvested
	if s.Kind != limb.Temporary && s.Kind != limb.OneSeason || !thick && !picked && !f.until(s) {
		return
	}
	f.tell(TimeOver, i, 0, 0.9, []Fact{num("diameter_mm", d), {Name: "state", Text: s.Kind}}, num("diameter_mm", limb.TemporaryMM))
}

// succeeded: a limb whose successor was named, once that one can take over.
func (f *finder) succeeded(i int) {
	s := f.m.State(i)
	if s == nil || s.Kind != limb.Successor || s.Limb == "" || s.Due != "" && !f.until(s) {
		return
	}
	k := f.m.Index(s.Limb)
	if k < 0 || f.m.WhollyDead(k) || f.m.HangsOn(k, i) {
		return
	}
	ratio := f.m.Axes[k].D / math.Max(1e-9, f.m.Axes[i].D)
	if ratio >= successor {
		t := f.tell(Succeeded, i, 0, grave, []Fact{num("ratio", ratio)}, num("ratio", successor))
		t.Members = []string{s.Limb}
	}
}

// pastLength: an arm that is long enough grew on.
func (f *finder) pastLength(i int) {
	s := f.m.State(i)
	if s == nil || s.Kind != limb.Finished || !f.growing(i) {
		return
	}
	if start, e := f.m.Axes[i].LastRing(); len(f.m.Axes[i].Rings) > 1 && e >= grownPastCM {
		f.tell(PastLength, i, start, rather, []Fact{num("ring_cm", e)}, num("ring_cm", grownPastCM))
	}
}

// outOfPlane: shoots of a wall tree that grow straight out from it or into it.
func (f *finder) outOfPlane(i int) {
	a := &f.m.Axes[i]
	if !f.o.InPlane || !f.m.Flat() || a.Parent < 0 || a.L < outOfPlaneCM || f.sprout[i] || f.chain[i] {
		return
	}
	away := f.m.End(i).Sub(f.m.Base(i))
	plane := limb.Heading(f.planeAzimuth())
	across := math.Abs(away.X*plane.Y-away.Y*plane.X) / a.L
	if across >= outOfPlane {
		f.tell(OutOfPlane, i, 0, ramps[OutOfPlane].at((across-outOfPlane)/(1-outOfPlane)), []Fact{num("across_ratio", across), num("length_cm", a.L)}, num("across_ratio", outOfPlane))
	}
}

// A wall tree's shoot of some length that runs this far across its plane stands in the way of the wires or the path (our
// estimates).
const (
	outOfPlane   = 0.64 // 40 degrees off the plane, level
	outOfPlaneCM = 20
)

// planeAzimuth is the way the arms of a flat tree run: that of its main limbs together, whichever side they take.
func (f *finder) planeAzimuth() float64 {
	x, y := 0.0, 0.0
	for i := range f.m.Axes {
		a := &f.m.Axes[i]
		if a.Depth != 1 || f.m.MeanAngle(i) < 20 {
			continue
		}
		s, c := math.Sincos(2 * a.Azimuth * math.Pi / 180)
		x, y = x+a.L*s, y+a.L*c
	}
	return math.Atan2(x, y) * 90 / math.Pi
}

// tooManyLimbs: more main limbs than the form wants starve one another.
func (f *finder) tooManyLimbs() {
	most, ok := mostLimbs(f)
	if !ok {
		return
	}
	var main []int
	for i := range f.m.Axes {
		a := &f.m.Axes[i]
		if a.Depth == 1 && !f.m.WhollyDead(i) && f.noSprout(i) && !f.chain[i] && a.L >= mainLimbCM {
			main = append(main, i)
		}
	}
	if len(main) <= most {
		return
	}
	worst := main[0]
	for _, i := range main { // the weakest goes first, the steeper of equals
		a, b := &f.m.Axes[i], &f.m.Axes[worst]
		if a.D < b.D || a.D == b.D && a.A0 < b.A0 {
			worst = i
		}
	}
	f.tell(TooManyLimbs, worst, 0, ramps[TooManyLimbs].at(float64(len(main)-most)), []Fact{num("count", float64(len(main)))}, num("count", float64(most)))
}

const mainLimbCM = 60

// mostLimbs is how many main limbs a grown tree of a form should have at most, by school (schools.md#presets; work.md#young-trees): three to
// five open, four to six for a leader or a neglected tree; not for flat forms and bushes, whose arms are their own.
func mostLimbs(f *finder) (int, bool) {
	switch {
	case f.o.MostLimbs == 0 || f.m.Flat() || f.m.Bush() || f.o.building(f.m.Age):
		return 0, false
	case f.m.Form == pomology.SlimLeader:
		return slimLimbs, true
	case f.m.LeaderForm():
		return f.o.MostLimbs + leaderLimbs, true
	}
	return f.o.MostLimbs, true
}

// leaderLimbs: a leader carries its limbs in tiers, so more of them.
const leaderLimbs = 2

// slimLimbs are the short side limbs that a slim leader carries at most, whatever the school wants of others (our estimate).
const slimLimbs = 12

// A modified leader stops this far above its highest main limb (work.md#young-trees: 45 to 50 cm); what stands a hand above that is told.
const (
	leaderStopCM  = 47.5
	leaderSlackCM = 10
)

// leaderLong: a grown modified leader runs on above its highest main limb.
func (f *finder) leaderLong() {
	if !f.o.StopLeader || f.m.Form != pomology.ModifiedLeader || f.leader < 0 || f.o.building(f.m.Age) {
		return
	}
	a := &f.m.Axes[f.leader]
	highest := -1.0
	for _, k := range a.Children {
		c := &f.m.Axes[k]
		if !f.m.WhollyDead(k) && f.noSprout(k) && c.L >= mainLimbCM && c.Attach > highest {
			highest = c.Attach
		}
	}
	if highest < 0 || a.L <= highest+leaderStopCM+leaderSlackCM {
		return
	}
	over := a.L - highest - leaderStopCM
	f.tell(LeaderLong, f.leader, highest+leaderStopCM, ramps[LeaderLong].at(over), []Fact{num("over_cm", over)}, num("over_cm", leaderStopCM))
}
