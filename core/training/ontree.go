package training

import (
	"cmp"
	"math"
	"slices"

	"vertumna/core/limb"
	"vertumna/core/num"
)

// Bending is what is asked about one limb: where it is held, how far it shall come, what is there to hold it.
type Bending struct {
	Limb      string
	ContactCM float64 // along the limb; 0: where it is usual
	AimDeg    float64 // 0: by the school
	Device    string  // empty: by its thickness
	PegCM     *float64
	RoomCM    *float64 // free ground from the trunk on that side
	School    string   // species, steep, flat
	InGrowth  bool
	AirC      *float64
	Weeks     float64 // from bud break
	Growing   float64 // weeks of growth of the kind here
	Stay      string  // how long the school leaves it: growth, six-months, season, two-years
	Season    float64 // part of a growing season until it comes off
}

// BendPlan is how a limb is bent, with every number of it. Points of Now and Bent are pairs from the fork: out and up, cm.
type BendPlan struct {
	Limb      string
	Azimuth   float64
	LengthCM  float64
	DMM       float64
	AttachCM  float64 // height of the fork
	ContactCM float64
	NowDeg    float64 // of the chord from fork to contact
	Aim       Aim
	ToDeg     float64 // what is asked for
	TodayDeg  float64 // how far it goes today
	SafeDeg   float64 // the limit of one bend today
	Device    Device
	Bend      *Bend
	Stick     *Stick
	TrunkCM   float64 // where a stick stands on the trunk, above the fork
	Cord      *Cord
	Loop      Loop
	Set       *Set
	Now, Bent [][2]float64
	Widens    float64 // how much further out its tip stands, cm
	Fruit     bool    // its angle is looked at again after harvest
}

// Where a limb is held, of its length; where a stick stands on the trunk, of the contact (est.).
const (
	holdAt     = 0.6
	mostHoldCM = 80
	leastHold  = 8
	stickUp    = 0.8
	bowSamples = 24
)

// BendLimb plans the bend of a limb of a map. The error is given.Faults, with the fields of the models.
func BendLimb(m *limb.Map, i int, in Bending) (BendPlan, error) {
	a := &m.Axes[i]
	out := BendPlan{Limb: a.ID, Azimuth: a.Azimuth, LengthCM: a.L, DMM: a.D, AttachCM: math.Max(0, m.Base(i).Z)}
	out.ContactCM = in.ContactCM
	if out.ContactCM <= 0 {
		out.ContactCM = math.Min(mostHoldCM, holdAt*a.L)
	}
	out.ContactCM = num.Clamp(out.ContactCM, math.Min(leastHold, a.L), a.L)
	out.NowDeg = chordDeg(m, i, out.ContactCM)
	school := in.School
	if school == "" {
		school = "species"
	}
	var err error
	if out.Aim, err = AimOf(LimbAim{Species: m.Kind.Slug, School: school, AngleDeg: out.NowDeg}); err != nil {
		return out, err
	}
	out.ToDeg = in.AimDeg
	if out.ToDeg <= 0 {
		out.ToDeg = out.NowDeg + out.Aim.ChangeDeg
	}
	room := in.RoomCM == nil || *in.RoomCM >= 20
	if out.Device, err = DeviceFor(BendDevice{DiameterMM: a.D, LengthCM: a.L, ChangeDeg: num.Clamp(out.ToDeg-out.NowDeg, -180, 180), AirC: in.AirC, PegRoom: room}); err != nil {
		return out, err
	}
	if in.Device != "" && out.Device.Device != "wait" {
		out.Device.Device = in.Device
	}
	out.TodayDeg = out.ToDeg
	if err := out.force(m, i, in); err != nil {
		return out, err
	}
	out.size(m, i, in)
	share := num.Clamp(in.Season, 0, 3)
	out.Loop, _ = SizeLoop(TieLoop{DiameterMM: a.D, SeasonShare: share, SlackMM: 10})
	if in.Growing >= growingWeeks.least {
		device := "other"
		if (Rig{Device: out.Device.Device}).Loops() {
			device = "tie"
		}
		stay := schoolOfTime[in.Stay]
		if stay == "" {
			stay = "six_months"
		}
		if set, err := SetOf(SetTime{DiameterMM: a.D, BendDeg: bendsDeg.of(math.Abs(out.TodayDeg - out.NowDeg)), StartWeek: weeksOn.of(in.Weeks), GrowingWeeks: math.Min(growingWeeks.most, in.Growing), Device: device, School: stay}); err == nil {
			out.Set = &set
		}
	}
	out.Now = bow(m, i, out.ContactCM, 0)
	out.Bent = bow(m, i, out.ContactCM, out.TodayDeg-out.NowDeg)
	out.Widens = out.Bent[len(out.Bent)-1][0] - out.Now[len(out.Now)-1][0]
	return out, nil
}

// force works the bend out, and how far it may go today.
func (p *BendPlan) force(m *limb.Map, i int, in Bending) error {
	a := &m.Axes[i]
	p.SafeDeg = p.NowDeg
	if a.L < 10 || a.D < 2 || a.D > 100 || p.ContactCM < 5 {
		return nil // too short or too soft to reckon: fingers tell
	}
	tip := num.Clamp(a.Dt, 0.5, a.D)
	ask := BendForce{Species: m.Kind.Slug, LengthCM: math.Min(1000, a.L), DiameterMM: a.D, TipDiameterMM: &tip, ContactCM: p.ContactCM, NowDeg: num.Clamp(p.NowDeg, 0, 180), InGrowth: in.InGrowth}
	ask.AimDeg = pulledDeg.of(p.NowDeg + 1)
	one, err := ForceOf(ask)
	if err != nil {
		return err
	}
	if one.Strain > 0 { // strain goes with the angle
		p.SafeDeg = math.Min(pulledDeg.most, p.NowDeg+(ask.AimDeg-p.NowDeg)*one.StrainLimit/one.Strain)
	}
	if math.Abs(p.ToDeg-p.NowDeg) < num.Slack {
		return nil
	}
	ask.AimDeg = p.ToDeg
	bend, err := ForceOf(ask)
	if err != nil {
		return err
	}
	p.Bend = &bend
	p.TodayDeg = bend.FirstStageDeg
	return nil
}

// size gives the device its length, its place and its pull.
func (p *BendPlan) size(m *limb.Map, i int, in Bending) {
	a := &m.Axes[i]
	switch p.Device.Device {
	case "spreader", "notched_stick":
		p.TrunkCM = contactsCM.of(stickUp * p.ContactCM)
		if a.Parent >= 0 { // no higher than the wood it stands on
			p.TrunkCM = contactsCM.of(math.Min(p.TrunkCM, m.Axes[a.Parent].L-a.Attach))
		}
		lean := 0.0
		if a.Parent >= 0 {
			lean = leanToward(m, a.Parent, a.Azimuth)
		}
		if s, err := SizeSpreader(Spreader{TrunkContactCM: p.TrunkCM, LimbContactCM: contactsCM.of(p.ContactCM), LimbAngleDeg: num.Clamp(p.TodayDeg, 0, 180), TrunkLeanDeg: leansDeg.of(lean)}); err == nil {
			p.Stick = &s
		}
	case "peg_tie", "tie":
		ask := PegTie{AttachHeightCM: math.Min(tiesCM.most, p.AttachCM), LimbContactCM: tiesCM.of(p.ContactCM), LimbAngleDeg: num.Clamp(p.TodayDeg, 0, 180), PegDistanceCM: in.PegCM, FreeSpaceCM: in.RoomCM}
		if p.Bend != nil {
			f := math.Min(5000, p.Bend.ForceN)
			ask.ForceN = &f
		}
		if c, err := TiePeg(ask); err == nil {
			p.Cord = &c
		}
	}
}

// chordDeg is the angle from the vertical of the line from a limb's fork to a place on it.
func chordDeg(m *limb.Map, i int, s float64) float64 {
	from, to := m.Base(i), m.At(i, s)
	flat := math.Hypot(to.X-from.X, to.Y-from.Y)
	return num.Deg(math.Atan2(flat, to.Z-from.Z))
}

// leanToward is how far a stem leans toward a bearing, degrees.
func leanToward(m *limb.Map, stem int, azimuth float64) float64 {
	from, to := m.Base(stem), m.End(stem)
	out := (to.X-from.X)*math.Sin(num.Rad(azimuth)) + (to.Y-from.Y)*math.Cos(num.Rad(azimuth))
	return num.Deg(math.Atan2(out, math.Max(1, to.Z-from.Z)))
}

// bow is a limb in its own upright plane, out and up from its fork, bent by a turn of its chord at the contact: an even cantilever
// under a pull at its end, and as it grew beyond.
func bow(m *limb.Map, i int, contact, turnDeg float64) [][2]float64 {
	a := &m.Axes[i]
	out := make([][2]float64, 0, bowSamples+1)
	x, z := 0.0, 0.0
	out = append(out, [2]float64{0, 0})
	for k := range bowSamples {
		s0, s1 := a.L*float64(k)/bowSamples, a.L*float64(k+1)/bowSamples
		p, q := m.At(i, s0), m.At(i, s1)
		angle := math.Atan2(math.Hypot(q.X-p.X, q.Y-p.Y), q.Z-p.Z)
		u := math.Min(1, (s0+s1)/2/contact)
		angle += num.Rad(turnDeg) * 1.5 * (2*u - u*u)
		x, z = x+(s1-s0)*math.Sin(angle), z+(s1-s0)*math.Cos(angle)
		out = append(out, [2]float64{x, z})
	}
	return out
}

// ToBend are the limbs of a map that may be bent: main limbs and the strong shoots on them, live, not held by their owner's word, in
// the order round the ring, the strongest first.
func ToBend(m *limb.Map) []int {
	var out []int
	stems := m.Stems()
	for _, stem := range stems {
		for _, c := range m.Axes[stem].Children {
			if a := &m.Axes[c]; a.L >= 15 && !m.WhollyDead(c) && !a.Sucker && !m.Has(c, limb.Leader) && a.D <= TooThickMM {
				out = append(out, c)
			}
		}
	}
	if len(out) == 0 {
		return out
	}
	strongest := slices.MaxFunc(out, func(a, b int) int { return cmp.Compare(m.Axes[a].D, m.Axes[b].D) })
	from := m.Axes[strongest].Azimuth
	slices.SortStableFunc(out, func(a, b int) int {
		return cmp.Compare(math.Mod(m.Axes[a].Azimuth-from+360, 360), math.Mod(m.Axes[b].Azimuth-from+360, 360))
	})
	return out
}

// EvenFirst is which main limbs are shortened before any is bent.
func EvenFirst(m *limb.Map, among []int) Equalised {
	in := Equalise{StrongRatio: 1.3, MostShare: 0.4}
	for _, i := range among {
		in.Limbs = append(in.Limbs, EqualLimb{m.Axes[i].ID, m.Axes[i].D, m.Axes[i].L})
	}
	out, err := EqualiseLimbs(in)
	if err != nil {
		return Equalised{Verdict: "even", Shorten: []Shorten{}}
	}
	return out
}

// GraftShoots are the one-year shoots of a map that grafting wood could come from; only, where given, those that a slip cuts anyway.
func GraftShoots(m *limb.Map, light limb.Light, only map[string]bool) []GraftShoot {
	var out []GraftShoot
	for i := range m.Axes {
		a := &m.Axes[i]
		if m.IsStem(i) || a.Sucker || len(a.Rings) == 0 || only != nil && !only[a.ID] {
			continue
		}
		_, length := a.LastRing()
		if a.Tip != limb.Growing || length < 20 {
			continue
		}
		s := GraftShoot{ID: a.ID, AgeYears: len(a.Rings), DiameterMM: m.Diameter(i, a.L-length), LengthCM: length, Light: num.Clamp(light.At(i), 0, 1), Buds: "leaf", Sound: len(a.Marks) == 0 && !m.WhollyDead(i), Sprout: a.Sprout}
		if len(a.Rings) > 1 { // the shoot at the end of older wood is one year old too
			s.AgeYears = 1
		}
		if s.DiameterMM <= 0 {
			continue
		}
		out = append(out, s)
	}
	return out
}

// BuiltOn are the steps of a frame that a map shows as made, whoever made them: headed where side limbs stand, chosen where few are
// left, a wire with its pair. wires are a flat tree's, cm.
func BuiltOn(m *limb.Map, wires []float64, yearlyCM float64) []Built {
	var out []Built
	if m.Flat() {
		f, err := FlatOf(m, wires, 100, math.Max(1, yearlyCM), false)
		if err != nil {
			return nil
		}
		for i, w := range f.Arms.Wires {
			if len(w.Missing) > 0 {
				continue
			}
			if i == 0 {
				out = append(out, Built{What: Head})
			}
			out = append(out, Built{What: HeadWire, Tier: i + 1}, Built{What: RaiseArms, Tier: i + 1})
			if f.lie(*w.A) && f.lie(*w.B) {
				out = append(out, Built{What: LayArms, Tier: i + 1})
			}
		}
		if len(f.Arms.Wires) == 0 && len(m.Axes) > 2 {
			out = append(out, Built{What: Head})
		}
		return out
	}
	limbs, seconds := 0, 0
	for _, stem := range m.Stems() {
		for _, c := range m.Axes[stem].Children {
			if a := &m.Axes[c]; a.D >= 8 && !m.WhollyDead(c) && !a.Sucker {
				limbs++
				if len(a.Children) >= 2 {
					seconds++
				}
			}
		}
	}
	if limbs >= 3 {
		out = append(out, Built{What: Head}, Built{What: Wake})
	}
	if limbs >= 3 && limbs <= 6 && m.Age > 2 {
		out = append(out, Built{What: Choose})
	}
	if seconds >= 3 {
		out = append(out, Built{What: ShortenAll}, Built{What: Seconds})
	}
	return out
}
