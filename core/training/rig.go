package training

import (
	"fmt"
	"math"
	"slices"

	"vertumna/core/given"
	"vertumna/core/num"
)

// Rig is one thing that holds a limb: what it is, where it sits, what it is fixed to, what it did. Angles in degrees from the
// vertical, places in cm from the limb's base, thickness and loop in mm.
type Rig struct {
	ID        string  `json:"id" maxLength:"60" doc:"the device's own name, kept until it is off"`
	Device    string  `json:"device" enum:"tie,spreader,weight,peg_tie,clothespin,notched_stick,tie_up,stake,wire"`
	Limb      string  `json:"limb,omitempty" maxLength:"60" doc:"the limb it holds; empty: the tree"`
	Anchor    string  `json:"anchor,omitempty" maxLength:"60" doc:"what it is fixed to: trunk, peg, wire, stake, or another limb's id"`
	Material  string  `json:"material,omitempty" enum:"stretch-tape,jute,cloth,cord,wood,bamboo,metal"`
	AtCM      float64 `json:"at_cm,omitempty" minimum:"0" maximum:"2500"`
	BeforeDeg float64 `json:"before_deg,omitempty" minimum:"0" maximum:"180"`
	AfterDeg  float64 `json:"after_deg,omitempty" minimum:"0" maximum:"180"`
	AimDeg    float64 `json:"aim_deg,omitempty" minimum:"0" maximum:"180" doc:"where the limb shall stand at last"`
	DMM       float64 `json:"d_mm,omitempty" minimum:"0" maximum:"1500"`
	LoopMM    float64 `json:"loop_mm,omitempty" minimum:"0" maximum:"2000" doc:"inner width of the loop"`
	LengthCM  float64 `json:"length_cm,omitempty" minimum:"0" maximum:"2000" doc:"of the stick or cord, as cut"`
	PegCM     float64 `json:"peg_cm,omitempty" minimum:"0" maximum:"1000" doc:"of a peg, from the trunk"`
	MassKG    float64 `json:"mass_kg,omitempty" minimum:"0" maximum:"100" doc:"of a weight"`
}

// RigAct is what was done with a device: put on, looked at, or taken off.
type RigAct struct {
	Rig
	Act      string  `json:"act" enum:"on,look,off"`
	Found    string  `json:"found,omitempty" enum:"sits,loosened,moved,renewed,tight" doc:"of a look"`
	SprangTo float64 `json:"sprang_to_deg,omitempty" minimum:"0" maximum:"180" doc:"of one taken off: where the limb came to rest"`
}

// Materials of ties and sticks, with the days they last out of doors and whether they give as the limb grows (est.).
var materials = map[string]struct {
	days  int
	gives bool
}{"stretch-tape": {3 * 365, true}, "jute": {240, false}, "cloth": {365, false}, "cord": {2 * 365, false}, "wood": {3 * 365, false}, "bamboo": {3 * 365, false}, "metal": {10 * 365, false}}

// Loops says whether a device goes round a limb.
func (r Rig) Loops() bool {
	return slices.Contains([]string{"tie", "peg_tie", "tie_up", "wire", "weight", "stake"}, r.Device)
}

// Standing says whether the device stays with the tree: a stake or a wire is looked after, not timed.
func (r Rig) Standing() bool { return r.Device == "stake" || r.Device == "wire" }

// Bends says whether it bends a limb, which is locked while it does.
func (r Rig) Bends() bool { return r.Limb != "" && !r.Standing() }

// OnTree is a device on a tree with what came of it, for its clock. Days are whole numbers of one running count.
type OnTree struct {
	Rig
	OnDay    int
	Looks    []RigLook
	BudBreak int // of the season it went on, or that comes
	Slowing  int
	School   string // growth, six-months, season, two-years
	Gusts    []Gust // strong winds since
}

// RigLook is a look at it.
type RigLook struct {
	Day    int
	Found  string
	LoopMM float64
}

// Clock is when a device is looked at and comes off.
type Clock struct {
	OffDay    int
	Bound     string // set: the wood holds by then; school: it comes off before; material: the tie is worn out first
	SetDay    int
	Checks    []DeviceCheck // still to come or not done, in order
	TestDay   int           // when it is let go for a look: 0 where it stays through no spring
	RenewBy   int           // when its material is worn out
	Moved     int           // by when a loop is shifted; 0: never
	LoopState string        // ok, soon, tight; empty without a loop measured
	FreeMM    float64
	Warnings  []string
}

// schoolOfTime turns the school's word into the model's.
var schoolOfTime = map[string]string{"growth": "growth", "six-months": "six_months", "season": "season", "two-years": "two_years"}

const (
	testBeforeSlow = 42 // a release test leaves the wood this many days of growth to be put back
	leastRingMM    = 3
)

// ClockOf is a device's clock on a day: set and off by thickness, bend and school; checks a week on and monthly in growth, after
// each look anew; a test in spring; its loop against the growth. Errors: given.Faults. Cost: its checks.
func ClockOf(o OnTree, day int) (Clock, error) {
	weeks := func(d int) float64 { return weeksOn.of(float64(d-o.BudBreak) / weekDays) }
	grow := growingWeeks.of(float64(o.Slowing-o.BudBreak) / weekDays)
	device := "other"
	if o.Loops() {
		device = "tie"
	}
	school := schoolOfTime[o.School]
	if school == "" {
		school = "six_months"
	}
	d := o.DMM
	if d <= 0 { // nobody measured it: the school's time
		d = thickMM
	}
	set, err := SetOf(SetTime{DiameterMM: d, BendDeg: bendsDeg.of(math.Abs(o.AfterDeg - o.BeforeDeg)), StartWeek: weeks(o.OnDay), GrowingWeeks: grow, Device: device, School: school})
	if err != nil {
		return Clock{}, err
	}
	c := Clock{Bound: set.Bound, Warnings: set.Warnings, OffDay: o.OnDay + int(num.Ceil(weekDays*set.WeeksOn)), SetDay: o.OnDay + int(num.Ceil(weekDays*(set.SetWeek-weeks(o.OnDay))))}
	last := o.OnDay // of a renewal or a shift
	loop := o.LoopMM
	for _, l := range o.Looks {
		if l.Found == "renewed" || l.Found == "moved" {
			last = l.Day
		}
		if l.LoopMM > 0 {
			loop = l.LoopMM
		}
	}
	life, known := materials[o.Material]
	if known {
		c.RenewBy = last + life.days
	}
	if o.Standing() { // it stays: a year from one renewal to the next look at the whole
		c.OffDay, c.Bound, c.SetDay, c.Warnings = last+365, "stays", 0, nil
		if known {
			c.OffDay = c.RenewBy
		}
	} else if known && c.RenewBy < c.OffDay {
		c.Bound = "material"
	}
	if o.Loops() && !life.gives && c.OffDay-last > weekDays*moveLoopWeeks && !o.Standing() {
		c.Moved = last + weekDays*moveLoopWeeks
	}
	if err := c.looks(o); err != nil {
		return Clock{}, err
	}
	if test := o.Slowing - testBeforeSlow; !o.Standing() && o.OnDay < o.BudBreak && test > o.OnDay && test < c.OffDay {
		c.TestDay = test
	}
	if o.Loops() && loop > 0 && o.DMM > 0 {
		c.ring(o, loop, day)
	}
	return c, nil
}

// thickMM is taken where nobody measured the limb: it sets within no school's time but the longest.
const thickMM = 40

// seasonsOn are as many as looks are booked for ahead: a wire of metal lasts ten years.
const seasonsOn = 3

// looks books the checks that are not done: a look answers those up to its day.
func (c *Clock) looks(o OnTree) error {
	done := o.OnDay
	for _, l := range o.Looks {
		done = max(done, l.Day)
	}
	for turn := range seasonsOn {
		in := DeviceChecks{OnDay: o.OnDay, OffDay: c.OffDay, BudBreakDay: o.BudBreak + 365*turn, SlowingDay: o.Slowing + 365*turn, GustLimitKMH: 60}
		if in.OffDay <= in.OnDay || in.BudBreakDay >= in.OffDay && turn > 0 {
			break
		}
		base := in.OnDay // the model counts days of one year or two
		for _, g := range o.Gusts {
			in.Gusts = append(in.Gusts, Gust{g.Day - base, g.KMH})
		}
		in.OnDay, in.OffDay, in.BudBreakDay, in.SlowingDay = 0, min(in.OffDay-base, seasonsOn*365), in.BudBreakDay-base, in.SlowingDay-base
		if in.SlowingDay <= in.BudBreakDay {
			in.SlowingDay = in.BudBreakDay + 1
		}
		looks, err := ChecksOf(in)
		if err != nil {
			return err
		}
		for _, l := range looks.Checks {
			l.Day += base
			if l.Day > done && !slices.ContainsFunc(c.Checks, func(x DeviceCheck) bool { return x.Day == l.Day }) {
				c.Checks = append(c.Checks, l)
			}
		}
	}
	slices.SortFunc(c.Checks, func(a, b DeviceCheck) int { return a.Day - b.Day })
	return nil
}

// ring tells how much room a loop still has on a day: the limb has grown since it went on.
func (c *Clock) ring(o OnTree, loop float64, day int) {
	grown := seasonPart(o, o.OnDay, day)
	left := seasonPart(o, day, max(day, c.OffDay))
	now := o.DMM + thickens(o.DMM)*grown
	in := TieLoop{DiameterMM: now, SeasonShare: num.Clamp(left, 0, 3), SlackMM: 10, LoopInnerMM: &loop}
	if l, err := SizeLoop(in); err == nil && l.State != nil {
		c.LoopState, c.FreeMM = *l.State, *l.FreeMM
	}
	if materials[o.Material].gives && c.LoopState == "soon" {
		c.LoopState = "ok"
	}
}

// seasonPart is how much of a growing season lies between two days.
func seasonPart(o OnTree, from, to int) float64 {
	length := float64(max(1, o.Slowing-o.BudBreak))
	sum := 0.0
	for turn := -1; turn < 4; turn++ {
		a, b := max(from, o.BudBreak+365*turn), min(to, o.Slowing+365*turn)
		if b > a {
			sum += float64(b-a) / length
		}
	}
	return sum
}

// SeasonShare is how much of a growing season lies between two days of one running count.
func SeasonShare(budBreak, slowing, from, to int) float64 {
	return seasonPart(OnTree{BudBreak: budBreak, Slowing: slowing}, from, to)
}

// ReplayRigs walks acts in order of their days and gives the devices that are on, in the order they went on. An act on a device that
// is not on is passed over.
func ReplayRigs(acts []DatedAct) []OnTree {
	var on []OnTree
	for _, a := range acts {
		i := slices.IndexFunc(on, func(o OnTree) bool { return o.ID == a.ID })
		switch {
		case a.Act == "on" && i < 0:
			on = append(on, OnTree{Rig: a.Rig, OnDay: a.Day})
		case a.Act == "look" && i >= 0:
			on[i].Looks = append(on[i].Looks, RigLook{a.Day, a.Found, a.LoopMM})
			if a.AfterDeg > 0 {
				on[i].AfterDeg = a.AfterDeg
			}
			if a.Material != "" {
				on[i].Material = a.Material
			}
		case a.Act == "off" && i >= 0:
			on = slices.Delete(on, i, i+1)
		}
	}
	return on
}

// DatedAct is an act with its day.
type DatedAct struct {
	RigAct
	Day int
}

// CheckAct refuses an act that cannot be: a device off that is not on, one put on twice, a bend past what is safe today, a tie on a
// limb that is dead or gone, an anchor too thin to hold.
func CheckAct(a RigAct, on []OnTree, limbs func(id string) (LimbFacts, bool), safeDeg float64) error {
	var fs given.Faults
	i := slices.IndexFunc(on, func(o OnTree) bool { return o.ID == a.ID })
	switch {
	case a.ID == "":
		fs.Add(given.Missing, "id", "nothing", "the device's name")
	case a.Act == "on" && i >= 0:
		fs.Add(given.Twice, "id", fmt.Sprintf("%q, which is on already", a.ID), "a name of its own")
	case a.Act != "on" && i < 0:
		fs.Add(given.Conflict, "id", fmt.Sprintf("%q, which is not on this tree", a.ID), "a device that is on")
	}
	if a.Act == "on" && a.Limb != "" {
		l, ok := limbs(a.Limb)
		switch {
		case !ok:
			fs.Add(given.Conflict, "limb", fmt.Sprintf("%q, which is not on the map", a.Limb), "a limb that stands")
		case l.Dead:
			fs.Add(given.Conflict, "limb", a.Limb+", which is dead", "live wood: dead wood snaps and holds nothing")
		default:
			if a.AtCM > l.LengthCM {
				fs.Add(given.Conflict, "at_cm", num.Text(a.AtCM), fmt.Sprintf("at most the limb's %.0f", l.LengthCM))
			}
			if lowers := a.AfterDeg - a.BeforeDeg; lowers > 0 && a.AfterDeg > safeDeg+1 && safeDeg > 0 {
				fs.Add(given.Conflict, "after_deg", num.Text(a.AfterDeg), fmt.Sprintf("at most %.0f today: the rest in a later stage", math.Floor(safeDeg)))
			}
			if anchor, isLimb := limbs(a.Anchor); isLimb {
				switch {
				case a.Anchor == a.Limb:
					fs.Add(given.Conflict, "anchor", a.Anchor, "another limb, the trunk, a peg or a wire")
				case anchor.Dead:
					fs.Add(given.Conflict, "anchor", a.Anchor+", which is dead", "live wood to hold it")
				case anchor.DMM < l.DMM*leastAnchor:
					fs.Add(given.Conflict, "anchor", fmt.Sprintf("%s of %.0f mm", a.Anchor, anchor.DMM), fmt.Sprintf("at least %.0f mm: it would bend instead", l.DMM*leastAnchor))
				}
			} else if a.Anchor != "" && !slices.Contains([]string{"trunk", "peg", "wire", "stake", "ground"}, a.Anchor) {
				fs.Add(given.Conflict, "anchor", fmt.Sprintf("%q, which is not on the map", a.Anchor), "trunk, peg, wire, stake or a limb")
			}
		}
	}
	if a.Act == "on" && a.Loops() && a.LoopMM > 0 && a.DMM > 0 && a.LoopMM < a.DMM+leastRingMM {
		fs.Add(given.Conflict, "loop_mm", num.Text(a.LoopMM), fmt.Sprintf("at least %.0f: a limb of %.0f mm with room to grow, never a ring round it", a.DMM+leastRingMM, a.DMM))
	}
	return fs.Err()
}

// leastAnchor is how thick an anchor limb is at least, against the limb it holds (est.).
const leastAnchor = 0.8

// LimbFacts is what an act asks of a limb.
type LimbFacts struct {
	DMM, LengthCM float64
	Dead          bool
}
