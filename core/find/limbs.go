package find

import (
	"math"

	"vertumna/core/limb"
	"vertumna/core/pomology"
)

func clamp01(x float64) float64 { return math.Max(0, math.Min(1, x)) }

func num(name string, v float64) Fact { return Fact{Name: name, Value: v} }

func yes(name string, v bool) Fact {
	if v {
		return Fact{Name: name, Value: 1}
	}
	return Fact{Name: name}
}

// How long, cm, and thick, mm, a limb is before it is judged: shorter wood is looked past (limbs.md#3-findings).
const (
	judgedFromCM = 20
	inwardFromCM = 25
	limbFromCM   = 30
	thickFromMM  = 15
)

// SoundBeyond is how far below a mark the wood is taken to be sound, cm (work.md#the-order-of-cuts: a few cm; by agent our estimates).
func SoundBeyond(k limb.Mark) float64 {
	switch k.Kind {
	case limb.Borer:
		return 5
	case limb.Diseased:
		switch k.Agent {
		case "canker":
			return 5
		case "blight":
			return 25
		}
		return 10
	}
	return 0
}

// marks tells what a person saw on a limb. Dead wood kept on purpose stays.
func (f *finder) marks(i int) {
	for _, k := range f.m.Axes[i].Marks {
		if k.Kind == limb.Rubbing || k.Kind == limb.Weak {
			continue // told by crossings and weak
		}
		if k.Kind == limb.Dead && f.m.Has(i, limb.Keep) {
			continue
		}
		away := SoundBeyond(k)
		at := math.Max(0, k.AtCM-away)
		facts := []Fact{num("diameter_mm", f.m.Diameter(i, k.AtCM)), num("mark_at_cm", k.AtCM)}
		if k.Kind == limb.Diseased {
			agent := k.Agent
			if agent == "" {
				agent = "unknown"
			}
			facts = append(facts, Fact{Name: "agent", Text: agent}, num("short_cm", math.Max(0, away-k.AtCM)))
		}
		f.tell(Code(k.Kind), i, at, 1, facts, num("sound_cm", away))
	}
}

// Suckers: their longest, how upright, how low their stem starts (limbs.md#3-findings).
const (
	suckerAngle  = 35
	suckerBaseCM = 25
	youngRings   = 2
)

func (f *finder) isSucker(i int) bool {
	a := &f.m.Axes[i]
	if a.Sucker {
		return true
	}
	return a.Parent >= 0 && f.m.IsStem(a.Parent) && !f.m.Bush() && f.m.Base(i).Z < suckerBaseCM &&
		f.m.MeanAngle(i) <= suckerAngle && f.grown(i) <= youngRings
}

func (f *finder) tellSucker(i int) {
	f.tell(Sucker, i, 0, 1, []Fact{num("base_height_cm", f.m.Base(i).Z)}, num("base_height_cm", suckerBaseCM))
}

const (
	sproutAngle    = 20
	sproutMinCM    = 50
	sproutParentTh = 30
)

func (f *finder) isSprout(i int) bool {
	a := &f.m.Axes[i]
	if f.chain[i] {
		return false
	}
	if a.Sprout {
		return true
	}
	if f.grown(i) > youngRings || f.m.MeanAngle(i) > sproutAngle || a.L < sproutMinCM || a.Tip != limb.Growing {
		return false
	}
	if a.Depth >= 2 && f.m.Theta(a.Parent, a.Attach) >= sproutParentTh {
		return true
	}
	return a.Depth == 1 && (f.m.Vase() || f.m.Bush())
}

func (f *finder) tellSprout(i int) {
	a := &f.m.Axes[i]
	f.tell(WaterSprout, i, 0, ramps[WaterSprout].at(a.L),
		[]Fact{num("length_cm", a.L), num("mean_angle_deg", f.m.MeanAngle(i))}, num("mean_angle_deg", sproutAngle))
}

func (f *finder) inward(i int) {
	a := &f.m.Axes[i]
	if a.Depth < 2 || a.L < inwardFromCM || !f.noSprout(i) || f.isLeader(i) {
		return
	}
	r, out := f.m.Outward(i, f.m.Base(i))
	if r < 10 {
		return
	}
	v := -f.m.End(i).Sub(f.m.Base(i)).Dot(out) / a.L
	if v >= f.o.InwardRatio {
		f.tell(Inward, i, 0, ramps[Inward].at(v-f.o.InwardRatio), []Fact{num("inward_ratio", v)}, num("inward_ratio", f.o.InwardRatio))
	}
}

const hangDeg = 110

func (f *finder) hanging(i int) {
	a := &f.m.Axes[i]
	drop := f.m.Base(i).Z - f.m.End(i).Z
	if a.L < judgedFromCM || a.A1 < hangDeg && drop <= 0.3*a.L {
		return
	}
	at := 0.0
	if a.A0 < 90 && a.A1 > a.A0 {
		at = a.L * (90 - a.A0) / (a.A1 - a.A0)
	}
	f.tell(Hanging, i, at, ramps[Hanging].at(a.A1-100),
		[]Fact{num("tip_angle_deg", a.A1), num("drop_cm", drop), yes("bears", f.bears(i, at))}, num("tip_angle_deg", hangDeg))
}

func (f *finder) low(i int) {
	a := &f.m.Axes[i]
	lim := f.o.LowCM
	if f.m.Form == pomology.FlatFan || f.m.Form == pomology.WireTiers {
		lim = math.Min(lim, 25)
	}
	if a.Depth == 0 || a.L < judgedFromCM || lim == 0 || f.m.Form == pomology.StepOver || f.m.Bush() {
		return
	}
	z := math.Min(f.m.End(i).Z, f.m.At(i, a.L/2).Z)
	if z < lim {
		f.tell(TooLow, i, 0, ramps[TooLow].at((lim-z)/lim), []Fact{num("lowest_cm", z), yes("bears", f.bears(i, 0))}, num("lowest_cm", lim))
	}
}

// crotch is the angle between a limb and its carrier where it starts, degrees, and how thick it is against it there.
func (f *finder) crotch(i int) (angle, ratio, carrierMM float64) {
	angle, carrierMM = f.m.Crotch(i)
	return angle, f.m.Axes[i].D / carrierMM, carrierMM
}

func (f *finder) narrowCrotch(i int) {
	a := &f.m.Axes[i]
	if a.Depth == 0 || a.D < 10 || !f.noSprout(i) || f.isLeader(i) || f.m.Flat() || f.m.Bush() {
		return
	}
	c, ratio, _ := f.crotch(i)
	facts := []Fact{num("crotch_deg", c), num("ratio", ratio)}
	hard := c < f.o.CrotchHardDeg || c < f.o.CrotchSoftDeg && f.m.Has(i, limb.Bark)
	switch {
	case ratio >= 0.3 && hard:
		f.tell(NarrowCrotch, i, 0, ramps[NarrowCrotch].at(f.o.CrotchHardDeg-c), facts, num("crotch_deg", f.o.CrotchHardDeg))
	case ratio >= 0.5 && c < f.o.CrotchSoftDeg:
		f.tell(NarrowCrotch, i, 0, mild, facts, num("crotch_deg", f.o.CrotchSoftDeg))
	}
}

// subdued is the leaf a limb may carry for its thickness once it counts as held back.
const subdued = 0.6

func (f *finder) thickSide(i int) {
	a := &f.m.Axes[i]
	if a.Depth == 0 || a.D < thickFromMM || a.L < limbFromCM || !f.noSprout(i) || f.isLeader(i) || f.m.Flat() || f.m.Bush() && a.Depth == 1 {
		return
	}
	lim := f.o.SideRatio
	if a.Depth == 1 && f.m.Vase() {
		lim = f.o.VaseRatio
	}
	_, ratio, carrier := f.crotch(i)
	leaf := subdued * a.D * a.D
	if lim == 0 || ratio <= lim || a.Tip == limb.Cut && f.m.Lambda(i) <= leaf {
		return
	}
	at := 0.0
	for k := 10; k >= 1; k-- {
		s := float64(k) * 0.05 * a.L
		if f.m.Lambda(i)-f.m.LeafBeyond(i, s) <= leaf {
			at = s
			break
		}
	}
	f.tell(ThickSide, i, at, ramps[ThickSide].at(ratio-lim),
		[]Fact{num("ratio", ratio), num("diameter_mm", a.D), num("parent_mm", carrier)}, num("ratio", lim))
}

func (f *finder) competitor(i int) {
	a := &f.m.Axes[i]
	if !f.m.LeaderForm() || f.leader < 0 || a.Parent < 0 || !f.chain[a.Parent] || f.chain[i] {
		return
	}
	_, le := f.m.Axes[f.leader].LastRing()
	lz, ez := f.m.End(f.leader).Z, f.m.End(i).Z
	if ez >= lz-0.5*le && a.A1 <= 30 && f.m.Base(i).Z >= lz-120 {
		f.tell(Competitor, i, 0, ramps[Competitor].at((ez-lz+0.5*le)/le), []Fact{num("tip_cm", ez), num("leader_cm", lz)}, num("tip_cm", lz-0.5*le))
	}
}

// overReachCM is what a top may stand above reach before it is told.
const overReachCM = 5

func (f *finder) overHeight(i int) {
	top, base := f.m.Top(i), f.m.Base(i).Z
	if f.sucker[i] || top <= f.o.ReachCM+overReachCM {
		return
	}
	if carrier := f.m.Axes[i].Parent; base > f.o.ReachCM && (carrier < 0 || f.m.Top(carrier) > f.o.ReachCM+overReachCM) {
		return // told with its carrier
	}
	at, _ := f.m.FirstAbove(i, f.o.ReachCM)
	excess := top - f.o.ReachCM
	f.tell(OverHeight, i, at, ramps[OverHeight].at(excess), []Fact{num("top_cm", top), num("excess_cm", excess)}, num("top_cm", f.o.ReachCM))
}

func (f *finder) shaded(i int) {
	if f.light == nil || f.m.IsStem(i) || f.shadeLevel(i) == 0 {
		return
	}
	for p := f.m.Axes[i].Parent; p >= 0; p = f.m.Axes[p].Parent {
		if !f.m.IsStem(p) && f.shadeLevel(p) >= f.shadeLevel(i) {
			return // told once, where it starts
		}
	}
	severity := mild
	if f.light[i] < f.o.BlackLight {
		severity = grave
	}
	f.tell(Shaded, i, 0, severity, []Fact{num("light", f.light[i])}, num("light", f.o.DarkLight))
}

func (f *finder) shadeLevel(i int) int {
	a := &f.m.Axes[i]
	switch {
	case f.light[i] >= f.o.DarkLight || a.L < limbFromCM || !f.noSprout(i):
		return 0
	case f.light[i] < f.o.BlackLight:
		return 2
	}
	return 1
}

// most seasons a bearing limb stays, by habit (limbs.md#3-findings).
var maxAge = map[pomology.Bearing]int{
	pomology.OnLastYear: 2, pomology.OnSpursAndNew: 7, pomology.OnSpurs: 12, pomology.OnTips: 8, pomology.OnThisYear: 4,
}

const newWoodCM = 20

func (f *finder) tooOld(i int) {
	a := &f.m.Axes[i]
	if a.Depth < 2 || f.isLeader(i) || f.grown(i) <= maxAge[f.habit()] {
		return
	}
	fresh := 0.0
	for _, j := range f.m.Subtree(i) {
		if f.growing(j) {
			_, e := f.m.Axes[j].LastRing()
			fresh += e
		}
	}
	if fresh < newWoodCM {
		f.tell(TooOld, i, 0, ramps[TooOld].at(1-fresh/newWoodCM), []Fact{num("age", float64(f.grown(i))), num("new_wood_cm", fresh)},
			num("age", float64(maxAge[f.habit()])))
	}
}

// weak tells a limb marked weak last season: it grew little or stood pale.
func (f *finder) weak(i int) {
	for _, k := range f.m.Axes[i].Marks {
		if k.Kind == limb.Weak {
			_, e := f.m.Axes[i].LastRing()
			f.tell(WeakWood, i, 0, mild, []Fact{num("mark_at_cm", k.AtCM), num("last_ring_cm", e)})
			return
		}
	}
}

// Old uprights: wood of more than two seasons that still stands within 20 degrees of vertical.
func (f *finder) oldUpright(i int) {
	a := &f.m.Axes[i]
	upright := math.Max(a.A0, a.A1) <= sproutAngle || f.m.MeanAngle(i) <= sproutAngle
	if a.Depth == 0 || f.grown(i) <= youngRings || !upright || f.isLeader(i) || f.chain[i] || f.m.Has(i, limb.Keep) || a.L < sproutMinCM ||
		f.m.Flat() || f.m.Bush() && a.Depth == 1 {
		return
	}
	f.tell(OldUpright, i, 0, ramps[OldUpright].at(a.L),
		[]Fact{num("mean_angle_deg", f.m.MeanAngle(i)), num("age", float64(f.grown(i))), num("length_cm", a.L)}, num("mean_angle_deg", sproutAngle))
}
