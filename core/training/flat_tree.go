package training

import (
	"cmp"
	"math"
	"slices"

	"vertumna/core/limb"
	"vertumna/core/num"
)

// FlatTree is a tree on wires in elevation: along is the plane's bearing toward side a; X of every point runs along it from the trunk.
type FlatTree struct {
	Shoots   []ArmCandidate // that arms were chosen from
	AlongDeg float64
	WiresCM  []float64
	Arms     Arms
	Laid     []FlatArm
	Off      []OffPlane
	Shorten  []FlatShoot
	LeaderCM float64 // its top
	NextWire float64 // the wire it goes for; 0: none
	Due      bool    // the leader has passed it: head it there
	Plan     FlatYears
}

// FlatArm is an arm on a wire, or on its way there.
type FlatArm struct {
	Limb   string
	WireCM float64
	Side   string
	Laying
	LengthCM float64
	Ties     []float64 // where it is tied, cm from the trunk along the wire
	Lies     bool      // on its wire already
	TooClose []string  // shoots on it nearer than 10 cm to the last
}

// OffPlane is a shoot that leaves the plane: front ones come off, those to the wall too, thin ones may be brought back.
type OffPlane struct {
	Limb string
	Deg  float64 // out of the plane
	Act  string  // off, bring-back
}

// FlatShoot is an upright shoot on an arm that is shortened.
type FlatShoot struct {
	Limb string
	ToCM float64
}

const (
	keepShootCM = 13.5 // 12 to 15 cm
	leastApart  = 10
	bringBackMM = 8
	liesDeg     = 75
)

// A flat tree's own wires: limbs that start within so much of one another are a pair, and pairs stand so far apart. cm; our estimates.
const (
	pairWithinCM = 12
	wiresStepCM  = 25
)

// WiresOf are the heights at which a flat tree's own limbs would take wires, rising, cm: where limbs to both sides start close together.
func WiresOf(m *limb.Map) (out []float64) {
	stems := m.Stems()
	if len(stems) != 1 {
		return nil
	}
	along := PlaneOf(m)
	var sides [2][]float64
	for _, c := range m.Axes[stems[0]].Children {
		a := &m.Axes[c]
		if m.Has(c, limb.Leader) || a.Sucker || a.L < 8 || m.WhollyDead(c) {
			continue
		}
		side := 0
		if math.Cos((a.Azimuth-along)*math.Pi/180) < 0 {
			side = 1
		}
		sides[side] = append(sides[side], m.Base(c).Z)
	}
	slices.Sort(sides[0])
	for _, z := range sides[0] {
		for _, o := range sides[1] {
			high := math.Max(z, o)
			if math.Abs(z-o) <= pairWithinCM && (len(out) == 0 || high >= out[len(out)-1]+wiresStepCM) {
				out = append(out, high)
				break
			}
		}
	}
	return out
}

// FlatOf reads a tree on wires off its map. goal is how long an arm shall be, yearly how far it grows, words what its owner says of its
// shoots.
func FlatOf(m *limb.Map, wires []float64, goalCM, yearlyCM float64, inGrowth bool, words ...ShootWord) (FlatTree, error) {
	out := FlatTree{WiresCM: wires, AlongDeg: PlaneOf(m), Shoots: []ArmCandidate{}, Laid: []FlatArm{}, Off: []OffPlane{}, Shorten: []FlatShoot{}}
	stems := m.Stems()
	in := WireArms{Species: m.Kind.Slug, WiresCM: wires, AlongDeg: out.AlongDeg, InGrowth: inGrowth}
	for _, stem := range stems {
		out.LeaderCM = math.Max(out.LeaderCM, m.End(stem).Z)
		for _, c := range m.Axes[stem].Children {
			a := &m.Axes[c]
			if m.Has(c, limb.Leader) || a.Sucker || a.L < 8 {
				continue
			}
			k := ArmCandidate{ID: a.ID, HeightCM: heightsCM.of(m.Base(c).Z), AzimuthDeg: a.Azimuth, AngleDeg: num.Clamp(chordDeg(m, c, a.L), 0, 180), LengthCM: a.L, DiameterMM: a.D, Fault: "none"}
			if m.WhollyDead(c) {
				k.Fault = "bad"
			} else if len(a.Marks) > 0 {
				k.Fault = "slight"
			}
			k.heed(words)
			in.Candidates = append(in.Candidates, k)
		}
	}
	out.Shoots = append(out.Shoots, in.Candidates...)
	if len(in.Candidates) > 0 {
		var err error
		if out.Arms, err = ChooseArms(in); err != nil {
			return out, err
		}
	}
	for _, w := range out.Arms.Wires {
		out.arm(m, w.A, w.B, "a", w.WireCM, goalCM, yearlyCM)
		out.arm(m, w.B, w.A, "b", w.WireCM, goalCM, yearlyCM)
	}
	for _, id := range out.Arms.OffPlane {
		i := m.Index(id)
		o := OffPlane{Limb: id, Deg: math.Min(num.Apart(m.Axes[i].Azimuth, out.AlongDeg), num.Apart(m.Axes[i].Azimuth, out.AlongDeg+180)), Act: "off"}
		if m.Axes[i].D <= bringBackMM && o.Deg < 75 {
			o.Act = "bring-back"
		}
		out.Off = append(out.Off, o)
	}
	for k, wire := range wires {
		full := k < len(out.Arms.Wires) && len(out.Arms.Wires[k].Missing) == 0
		if !full {
			out.NextWire = wire
			if out.Due = out.LeaderCM > wire+overTierCM; out.Due { // one cut does both: the pair below is free of it, the next starts here
				at := wire + leaderOnCM
				out.Arms.LeaderCutCM = &at
			}
			break
		}
	}
	out.Plan, _ = PlanFlat(FlatPlan{Wires: min(mostWires, max(1, len(wires))), GoalCM: goalsCM.of(goalCM), YearlyCM: growthsCM.of(yearlyCM), TiersAYear: 1, GrowthRatio: 1})
	return out, nil
}

func (out *FlatTree) arm(m *limb.Map, id, partner *string, side string, wire, goal, yearly float64) {
	if id == nil {
		return
	}
	i := m.Index(*id)
	a := &m.Axes[i]
	in := ArmLaying{LengthCM: math.Min(2000, a.L), GoalCM: goalsCM.of(goal), YearlyCM: growthsCM.of(yearly)}
	if partner != nil {
		l := m.Axes[m.Index(*partner)].L
		in.PartnerCM = &l
	}
	lay, err := LayArm(in)
	if err != nil {
		return
	}
	arm := FlatArm{Limb: *id, WireCM: wire, Side: side, Laying: lay, LengthCM: a.L, Lies: chordDeg(m, i, a.L) >= liesDeg, TooClose: []string{}, Ties: []float64{}}
	for at := tieEveryCM; float64(at) <= lay.LayCM; at += tieEveryCM {
		arm.Ties = append(arm.Ties, float64(at))
	}
	last := math.Inf(-1)
	kids := slices.Clone(a.Children)
	slices.SortFunc(kids, func(x, y int) int { return cmp.Compare(m.Axes[x].Attach, m.Axes[y].Attach) })
	for _, c := range kids {
		s := &m.Axes[c]
		if m.WhollyDead(c) || s.L < 3 {
			continue
		}
		if s.Attach-last < leastApart {
			arm.TooClose = append(arm.TooClose, s.ID)
			continue
		}
		last = s.Attach
		if s.L > keepShootCM+1.5 {
			out.Shorten = append(out.Shorten, FlatShoot{s.ID, keepShootCM})
		}
	}
	out.Laid = append(out.Laid, arm)
}

// PlaneOf is the bearing of a flat tree's plane toward its side a: that of its longest side limbs, whichever side they take, read
// between north and south through east.
func PlaneOf(m *limb.Map) float64 {
	x, y := 0.0, 0.0
	for _, stem := range m.Stems() {
		for _, c := range m.Axes[stem].Children {
			a := &m.Axes[c]
			x += a.L * math.Cos(2*num.Rad(a.Azimuth)) // twice the angle: both sides are one line
			y += a.L * math.Sin(2*num.Rad(a.Azimuth))
		}
	}
	if math.Hypot(x, y) < 1 {
		return 90
	}
	return math.Mod(num.Deg(math.Atan2(y, x))/2+180, 180)
}

func (f *FlatTree) lie(id string) bool {
	return slices.ContainsFunc(f.Laid, func(a FlatArm) bool { return a.Limb == id && a.Lies })
}
