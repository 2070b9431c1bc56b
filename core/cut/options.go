package cut

import (
	"vertumna/core/find"
	"vertumna/core/limb"
)

// Level is how much of the crown may go in one tree year.
type Level string

// The levels; Formation has no bound: a young tree whose frame is being made.
const (
	Fifth     Level = "fifth"
	Quarter   Level = "quarter"
	Thirty    Level = "thirty"
	Third     Level = "third"
	Formation Level = "formation"
)

var levels = []struct {
	Level Level
	Share float64
}{{Fifth, 0.20}, {Quarter, 0.25}, {Thirty, 0.30}, {Third, 1.0 / 3}, {Formation, 1}}

// Share is the part of the crown a level lets go, 0..1; 0 for a level that does not exist.
func (l Level) Share() float64 {
	for _, k := range levels {
		if k.Level == l {
			return k.Share
		}
	}
	return 0
}

// LevelOf is the level of a share of the crown: the highest that does not pass it.
func LevelOf(share float64) Level {
	out := Fifth
	for _, k := range levels {
		if k.Share <= share+1e-9 {
			out = k.Level
		}
	}
	return out
}

// When says in which slip a kind of work is done.
type When string

// In both slips, or in one.
const (
	Both        When = ""
	InSummer    When = "summer"
	WhenDormant When = "dormant"
)

// Shoots says what the school does with the summer's shoots of pome fruit.
type Shoots string

// To about five leaves, only the upright ones out, or left alone.
const (
	ToFiveLeaves Shoots = ""
	UprightOnly  Shoots = "upright-only"
	LeaveShoots  Shoots = "leave"
)

// NoLeaf says how long no live wood is cut in leaf.
type NoLeaf string

// The answers; empty: it is cut in leaf.
const (
	NotThisYear NoLeaf = "this-year"
	NeverInLeaf NoLeaf = "never"
)

// BudTo says what bud the school leaves on top of a cut.
type BudTo string

// The choices; empty takes the order of limbs.md#6-cut-candidates, by where buds face.
const (
	FruitToHold BudTo = "fruit-bud"   // a fruit bud where the limb is held, a leaf bud where growth is wanted
	LeafOutward BudTo = "leaf-bud"    // a leaf bud that faces outward
	AlwaysLeaf  BudTo = "always-leaf" // never a fruit bud
)

// Options are what the school, the account and the person say about a slip. The zero value is that of limbs.md#7-the-cut-plan: a
// quarter of the crown, nothing used, no departures.
type Options struct {
	Level   Level
	Part    float64 // of the level that this slip may use: two thirds for winter where summer follows; 0: all
	Used    float64 // share of the crown already taken this tree year
	BigUsed int     // big wounds already made this tree year
	// Zones is the most of each third of the height that may go, from the ground up; nil: the tree's limit alone.
	Zones     *[3]float64
	ZonesUsed [3]float64 // of each third, already taken this tree year
	// Slack is how far above the start of the offending stretch a cut is still sought, cm. The reference has none, so that a
	// rounded place may rule out the very cut that stands there; a slip for a person uses a millimetre.
	Slack float64
	// AimFirst decides where every top ends, and who takes over there, before faults are looked at (reach.md#height). Unset: faults
	// alone, in the order of limbs.md#7-the-cut-plan.
	AimFirst bool
	// HeightFirst brings the tops before crossing and wrong ways: from the second year of a restoration (limbs.md#75-several-years-restoration).
	HeightFirst bool

	HeightCut    When
	NoLeaf       NoLeaf // no live wood is cut in leaf
	SummerShoots Shoots
	NeverTip     bool // ends of limbs are not headed
	NoStub       bool // cuts end at the collar
	BudTo        BudTo
	LeaveLong    bool // side shoots are left long in the dormant slip
	StoneAnyTime bool // stone fruit is not kept for dry summer weather
	CountAll     bool // sick wood and suckers count toward the limit
	SproutsFree  bool // water sprouts do not

	YearsOn bool   // a year after this one is foreseen: what a person keeps without a day is not kept for ever
	Left    []Key  // findings the person leaves as they are
	Instead []Move // cuts the person moved
}

// Key names a finding across slips: what was found, and on which limb.
type Key struct {
	Code find.Code `json:"code" maxLength:"60"`
	Limb string    `json:"limb" maxLength:"100"`
}

// KeyOf names a finding.
func KeyOf(f find.Finding) Key { return Key{f.Code, f.Limb} }

// Move is a cut that a person puts in the place of the one proposed for some findings. It is made whatever the limit says;
// the slip tells when it passes.
type Move struct {
	Findings []Key
	Cut      limb.CutAt
}

func (o Options) share() float64 {
	level := o.Level
	if level == "" {
		level = Quarter
	}
	return level.Share()
}

func (o Options) part() float64 {
	if o.Part == 0 {
		return 1
	}
	return o.Part
}

// Why names a reason: why something is not done now, or what is done instead.
type Why string

// The reasons of what is carried over.
const (
	NoSafeCut    Why = "no-safe-cut"
	NoCut        Why = "no-cut" // thin the fruit, prop or tie
	Bears        Why = "bears"
	OtherSlip    Why = "other-slip"
	LightAgain   Why = "light-again"
	NotchFirst   Why = "notch-first"
	BendFirst    Why = "bend-first"
	DryWeather   Why = "dry-weather"
	OverToSummer Why = "over-limit-summer"
	OverToWinter Why = "over-limit-winter"
	NotInLeaf    Why = "not-in-leaf" // the year has no cut in leaf
	ZoneToSummer Why = "zone-limit-summer"
	ZoneToWinter Why = "zone-limit-winter"
	Strips       Why = "strips"
	FewShoots    Why = "few-shoots"
	BigWounds    Why = "big-wounds"
	Lowered      Why = "lowered"
	Incomplete   Why = "incomplete"
	Locked       Why = "locked"
	StateKeeps   Why = "state-keeps"          // a person keeps it for a time, or lets it grow
	TakesOver    Why = "takes-over"           // the limb is named to take over from a top
	NextYear     Why = "over-limit-next-year" // a top that this year's height cut does not bring all the way
	SchoolNever  Why = "school-never"
	LeftByYou    Why = "left-by-you"
	MovedByYou   Why = "moved-by-you" // the cut was moved to where it does not solve it
)
