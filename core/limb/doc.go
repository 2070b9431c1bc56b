// Package limb holds the limb map of a tree: limbs with their rings, marks, tags and buds, what can be measured on them
// (places, angles, thickness, the share of the crown each carries), the checks that refuse an impossible map, and edits
// that make a new map of an old one. Units: cm, mm, degrees; angles from vertical (0 up, 90 level, 180 down); compass
// azimuths (0 north, 90 east). Axes: x east, y north, z up; the origin is the trunk's base on the ground.
package limb

import "vertumna/core/pomology"

// Source says how a value came to be known.
type Source string

// The sources. An empty source means measured.
const (
	Measured  Source = "measured"
	Estimated Source = "estimated" // by eye, by a sketch, or filled in by rule
	Predicted Source = "predicted" // grown forward, never seen
)

// Season says at which time of its year a map was taken.
type Season string

// The seasons of a map. On a summer map the last ring of a growing limb is the shoot now growing.
const (
	Dormant Season = "dormant"
	Summer  Season = "summer"
)

// Tip says what stands at the end of a limb.
type Tip string

// The tips.
const (
	Growing Tip = "growing"
	Cut     Tip = "cut"
	DeadTip Tip = "dead"
)

// Mark is what a person saw on a limb, at a distance from its base.
type Mark struct {
	Kind  string  `json:"kind" enum:"dead,damaged,diseased,borer,rubbing,weak"`
	AtCM  float64 `json:"at_cm" doc:"distance from the limb's base, cm" minimum:"0" maximum:"2500"`
	Agent string  `json:"agent,omitempty" enum:"canker,blight,rot,unknown" doc:"only with diseased"`
	Other string  `json:"other,omitempty" doc:"only with rubbing: the limb it rubs on" maxLength:"100"`
}

// The kinds of marks.
const (
	Dead     = "dead"
	Damaged  = "damaged"
	Diseased = "diseased"
	Borer    = "borer"
	Rubbing  = "rubbing" // seen to rub on the limb named by Other
	Weak     = "weak"    // grew little or stood pale last season
)

// The tags.
const (
	Keep   = "keep"   // the person wants it to stay
	Favour = "favour" // cut it last
	Bark   = "bark"   // bark inclusion seen in the crotch
	Leader = "leader" // this one leads
	Set    = "set"    // the end bud of the shoot was seen: it has finished
	Fresh  = "fresh"  // cut this season; set by the core
)

// SeenBud is a bud somebody looked at. Roll: 0 upper, 90 right, 180 under, 270 left, seen from base to tip.
type SeenBud struct {
	AtCM    float64  `json:"at_cm" minimum:"0" maximum:"2500"`
	RollDeg *float64 `json:"roll_deg,omitempty" doc:"0 upper, 90 right, 180 under, 270 left; absent: only the kind was seen" minimum:"-360" maximum:"360"`
	Kind    BudKind  `json:"kind,omitempty" doc:"the kind seen, where it differs from the one expected" maxLength:"40"`
}

// Wound is an old cut.
type Wound struct {
	AtCM   float64 `json:"at_cm" minimum:"0" maximum:"2500"`
	DMM    float64 `json:"d_mm" minimum:"0" maximum:"1500"`
	Year   *int    `json:"year,omitempty" minimum:"1800" maximum:"2200"`
	Closed bool    `json:"closed,omitempty"`
	Fresh  bool    `json:"fresh,omitempty"`
}

// SpurCount is a counted stretch of spurs (fruit-bud ends).
type SpurCount struct {
	FromCM float64 `json:"from_cm" minimum:"0" maximum:"2500"`
	ToCM   float64 `json:"to_cm" minimum:"0" maximum:"2500"`
	Count  float64 `json:"count" minimum:"0" maximum:"2000"`
}

// Stretch is a stretch seen without leaf, bud or side shoot.
type Stretch struct {
	FromCM float64 `json:"from_cm" minimum:"0" maximum:"2500"`
	ToCM   float64 `json:"to_cm" minimum:"0" maximum:"2500"`
}

// State is a decision about a limb that is neither keep nor cut: a dated future job.
type State struct {
	Kind   string `json:"kind" enum:"undecided,temporary,successor,one-season,protected,tied,extending,finished,left-to-bend"`
	Due    string `json:"due,omitempty" format:"date" doc:"the day to look again"`
	Reason string `json:"reason,omitempty" maxLength:"2000"`
	Limb   string `json:"limb,omitempty" doc:"with successor: the limb named to follow" maxLength:"100"`
}

// StateKind is one kind of state and what it asks for.
type StateKind struct{ Kind, Name, Job string }

// The states that a plan acts on.
const (
	Undecided  = "undecided"
	Temporary  = "temporary"
	Successor  = "successor"
	OneSeason  = "one-season"
	Protected  = "protected"
	Tied       = "tied"
	Extending  = "extending"
	Finished   = "finished"
	LeftToBend = "left-to-bend"
)

// stateKinds are the states of a limb besides keep and cut.
var stateKinds = []StateKind{
	{"undecided", "undecided", "bend it first, look again in spring"},
	{"temporary", "temporary", "out when the wood above it bears, or when it reaches 25 mm"},
	{"successor", "successor named", "the limb named takes over; this one goes when it can"},
	{"one-season", "one season for its fruit", "out after this harvest"},
	{"protected", "protected", "no cut until released"},
	{"tied", "locked by a tie", "no cut while the tie is on"},
	{"extending", "arm still extending", "left rising until it is long enough"},
	{"finished", "arm finished", "held at its length from now on"},
	{"left-to-bend", "left for fruit to bend", "look again when it has carried a crop"},
}

// StateKinds lists the states a limb can be given.
func StateKinds() []StateKind { return stateKinds }

// TemporaryMM is the thickness at which a temporary limb goes, whatever bears above it (work.md#fine-points, fine point 7).
const TemporaryMM = 25

// Limb is one limb as it is written down. A nil number was not given and is filled in by rule (Map says which).
type Limb struct {
	ID            string      `json:"id" maxLength:"60"`
	Parent        string      `json:"parent,omitempty" doc:"empty: a stem from the ground" maxLength:"60"`
	AttachCM      *float64    `json:"attach_cm,omitempty" doc:"along the parent from its base; a stem: height of its base" minimum:"0" maximum:"2500"`
	XCM           *float64    `json:"x_cm,omitempty" doc:"stems only: east of the origin" minimum:"-500" maximum:"500"`
	YCM           *float64    `json:"y_cm,omitempty" doc:"stems only: north of the origin" minimum:"-500" maximum:"500"`
	AzimuthDeg    *float64    `json:"azimuth_deg,omitempty" minimum:"0" maximum:"360"`
	AngleBaseDeg  *float64    `json:"angle_base_deg,omitempty" minimum:"0" maximum:"180"`
	AngleTipDeg   *float64    `json:"angle_tip_deg,omitempty" minimum:"0" maximum:"180"`
	LengthCM      *float64    `json:"length_cm,omitempty" minimum:"0" maximum:"2500"`
	DiameterMM    *float64    `json:"diameter_mm,omitempty" doc:"at the base" minimum:"0" maximum:"1500"`
	Tip           Tip         `json:"tip,omitempty" enum:"growing,cut,dead"`
	TipDiameterMM *float64    `json:"tip_diameter_mm,omitempty" minimum:"0" maximum:"1500"`
	RingsCM       []float64   `json:"rings_cm,omitempty" nullable:"false" doc:"extension per season, base to tip" maxItems:"150" minimum:"0" maximum:"2500"`
	Marks         []Mark      `json:"marks,omitempty" nullable:"false" maxItems:"100"`
	Sucker        bool        `json:"sucker,omitempty"`
	Sprout        bool        `json:"sprout,omitempty" doc:"a water sprout"`
	Buds          []SeenBud   `json:"buds,omitempty" nullable:"false" maxItems:"1000"`
	Tags          []string    `json:"tags,omitempty" nullable:"false" enum:"keep,favour,bark,leader,set,fresh" maxItems:"20"`
	Device        string      `json:"device,omitempty" enum:"none,bend,weight,spreader,tie"`
	BareCM        *float64    `json:"bare_cm,omitempty" doc:"length without leaf or bud from the base" minimum:"0" maximum:"2500"`
	Wounds        []Wound     `json:"wounds,omitempty" nullable:"false" maxItems:"200"`
	Spurs         []SpurCount `json:"spurs,omitempty" nullable:"false" maxItems:"200"`
	Gaps          []Stretch   `json:"gaps,omitempty" nullable:"false" maxItems:"200"`
	OwnD2MM2      *float64    `json:"own_d2_mm2,omitempty" doc:"frozen own leaf, written by the core" minimum:"0" maximum:"4000000"`
	TowardDeg     *float64    `json:"toward_deg,omitempty" doc:"bearing it is wanted to grow toward: buds and side shoots that look there are chosen first" minimum:"0" maximum:"360"`
	FruitCount    *float64    `json:"fruit_count,omitempty" minimum:"0" maximum:"100000"`

	State   *State            `json:"state,omitempty"`
	Note    string            `json:"note,omitempty" maxLength:"2000"`
	Source  Source            `json:"source,omitempty" enum:"measured,estimated,predicted" doc:"of all values not named in sources; empty: measured"`
	Sources map[string]Source `json:"sources,omitempty" doc:"source by field name, where it differs" maxProperties:"20"`
}

// Doc is a limb map as it is written down, sent and kept: one document per tree and revision.
type Doc struct {
	Version int               `json:"version,omitempty" doc:"of this format: 1"`
	Species string            `json:"species"`
	Form    pomology.FormSlug `json:"form,omitempty"`
	Age     int               `json:"age,omitempty" doc:"years since planting"`
	Year    int               `json:"year,omitempty" doc:"the growth year that comes next (dormant) or runs (summer); 0: unknown"`
	Season  Season            `json:"season,omitempty" enum:"dormant,summer" doc:"empty: dormant"`
	Limbs   []Limb            `json:"limbs" nullable:"false"`

	RRef *float64 `json:"rref,omitempty" doc:"growth state, written by the core"`
	REff *float64 `json:"reff,omitempty" doc:"growth state, written by the core"`
	Vig  *float64 `json:"vig,omitempty" doc:"growth state, written by the core"`
}

// FormatVersion is the version of the document this package writes.
const FormatVersion = 1

// Limits of a map.
const (
	MaxLimbs      = 2000
	MaxDepth      = 60  // limbs from a stem to a tip, one on another
	MaxRings      = 150 // seasons of a limb
	MaxFootCM     = 300 // a stem's foot from the tree's middle, and above the ground
	MaxLengthCM   = 2000.0
	MaxDiameterMM = 1500.0
)

// Of makes the pointer to a number that a Limb's fields want.
func Of(x float64) *float64 { return &x }

// SourceOf returns the source of a field of a limb, by its name in the document.
func (l *Limb) SourceOf(field string) Source { return sourceOf(l.Source, l.Sources, field) }

func sourceOf(all Source, by map[string]Source, field string) Source {
	if s, ok := by[field]; ok {
		return s
	}
	if all == "" {
		return Measured
	}
	return all
}

// Find returns the limb of an id, nil where there is none.
func (d *Doc) Find(id string) *Limb {
	for i := range d.Limbs {
		if d.Limbs[i].ID == id {
			return &d.Limbs[i]
		}
	}
	return nil
}
