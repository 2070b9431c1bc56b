// Package year turns a site, its trees, the school and the journal into windows and tasks for one tree year, leaf fall to
// leaf fall, as they stand on a day shown. It is pure: the day and all data are arguments. Every window and task carries
// its reasons as data (rule, anchor, number); package words puts them into sentences. Lengths are metres, thicknesses
// millimetres, shares 0..1 of the crown as it stood before the cut.
package year

import (
	"math"

	"vertumna/core/almanac"
	"vertumna/core/cut"
	"vertumna/core/find"
	"vertumna/core/pomology"
	"vertumna/core/training"
)

// Aim of a tree; it decides before any date.
type Aim string

// The aims.
const (
	Build    Aim = "build"
	Hold     Aim = "hold"
	Restrain Aim = "restrain"
	Restore  Aim = "restore"
	Retire   Aim = "retire"
)

// Aims lists the aims.
func Aims() []Aim { return []Aim{Build, Hold, Restrain, Restore, Retire} }

// Tree is a tree as the plan sees it. Zero numbers are unknown.
type Tree struct {
	ID                        string
	Code                      string // the label on its stake, as C1
	Name                      string // the owner's own name for it
	Cultivar                  string
	Kind                      *pomology.Kind
	Chill, Bloom, Harvest     string // classes; empty means mid
	Class                     pomology.VigourClass
	Planted                   almanac.Day // NoDay when unknown: taken as grown
	AsWhip                    bool
	Form                      pomology.FormSlug
	Habit                     string              // empty: the kind's
	Guess                     pomology.ClassGuess // what an unknown class was guessed to be; no rule where it was said
	Aim                       Aim                 // empty: decided from age and school
	HeightM, SpreadM, TrunkMM float64
	HeightBy                  string      // what told its height: map, else the person
	HeightOn                  almanac.Day // the day of that; 0: unknown
	LightCapM                 float64     // how high it may stand for its neighbours' light; 0: nobody is in its shade, or it was not asked
	ScaffoldsMM               []float64
	ShootCM                   float64 // last measured shoot length
	TubLitres                 float64
	HasStake, HasMulch        bool
	HasWires                  bool
	WiresCM                   []float64         // heights of its wires; none: unknown
	SillCM                    float64           // of the lowest window behind a flat tree; 0: none
	ArmM                      float64           // how long an arm or rib shall be; 0: by kind and class
	Built                     []training.Built  // steps of its frame seen on its map
	Own                       map[string]string // school choices of this tree
	Wishes                    Wishes
	Triploid, Elsewhere       bool
	SelfFertile               string      // yes or no, as its label says; empty: as its kind
	Resists                   []string    // slugs of sicknesses
	Gone                      almanac.Day // NoDay while it stands
	X, Y                      float64     // metres from the plot's south-west corner
	Lag                       Lag         // how late it runs, as its past seasons taught
	Decided                   []LimbDate  // limbs a person decided about until a day
	Amount                    *Amount     // of the slip made of its limb map; nil: none was made
	Fruit                     *Fruit      // what its counts come to; nil: nothing was counted or looked at
}

// LimbDate is a limb that a person decided about until a day: its state is a job of that day.
type LimbDate struct {
	Limb   string
	State  string // kind of limb.State
	Due    almanac.Day
	Reason string // as the person gave it
}

// upright says whether the tree grows upright: by its own habit, else its kind's.
func (t *Tree) upright() bool {
	if t.Habit != "" {
		return t.Habit == "upright"
	}
	return t.Kind.Upright()
}

// standsOn says whether the tree is there on a day: planted by then, and not gone.
func (t *Tree) standsOn(d almanac.Day) bool {
	return (!t.Planted.Known() || t.Planted <= d) && (!t.Gone.Known() || t.Gone > d)
}

// Crown is the spread a tree has, metres: as measured, else what its form makes of its kind at its class once held low, no
// wider than its tub feeds.
func (t *Tree) Crown() (spreadM float64, estimated bool) {
	if t.SpreadM > 0 {
		return t.SpreadM, false
	}
	size, _, _ := t.Kind.SizeFor(t.Class)
	share := leastWidthShare
	if f, err := pomology.FormBySlug(t.Form); err == nil {
		share = max(share, f.WidthShare)
	}
	return min(size.SpreadM*share, pomology.TubCap(t.TubLitres)), true
}

const leastWidthShare = 0.4 // of the kind's spread, where the form is unknown; ours

const rowHeightShare = 0.9 // row trees no taller than this share of the row distance (work.md#young-trees)

// ReachM is the height a tree is held to, metres: as far as its person picks by the school, and where that is from a ladder no higher
// than the row rule allows, or than the light of its neighbours does.
func (y *Yard) ReachM(t *Tree, school pomology.Resolved) float64 {
	reach, _ := school.ReachM(y.FingertipCM, y.CeilingCM)
	if !school.Is("reach", "ladder") {
		return reach
	}
	switch {
	case school.Is("row_height", "0.9") && y.RowDistanceM > 0:
		return min(reach, rowHeightShare*y.RowDistanceM)
	case school.Is("row_height", "computed") && t.LightCapM > 0:
		return min(reach, t.LightCapM)
	}
	return reach
}

// HeldByLight: some tree is held to a height worked out from light.
func (y *Yard) HeldByLight() bool {
	for i := range y.Trees {
		school, err := y.School.Resolve(y.Place.Climate.WetWinter(), y.Trees[i].Own)
		if err == nil && school.Is("reach", "ladder") && school.Is("row_height", "computed") {
			return true
		}
	}
	return false
}

// withGuess is the tree with an unknown vigour class guessed from its trunk for its age and its shoots. The guess is told; no
// stake, size or window hangs on it.
func (t *Tree) withGuess(season int, south bool) *Tree {
	if t.Class != "" {
		return t
	}
	age := t.AgeIn(season, south)
	if age == grownAge {
		age = 0 // a trunk says nothing without an age
	}
	out := *t
	out.Guess = pomology.GuessClass(t.Kind, age, t.TrunkMM, t.ShootCM)
	return &out
}

// Wishes are jobs a person may ask for on a tree.
type Wishes struct {
	Bag, LeavesOff, GraftWood, ThinAnyway bool
	Graft                                 string // "", "summer", "spring"
}

// Outcome of a task as it was logged.
type Outcome string

// The outcomes.
const (
	Done          Outcome = "done"
	Part          Outcome = "part"
	Left          Outcome = "left"
	NothingNeeded Outcome = "nothing-needed"
)

// Entry is a line of the journal as the plan sees it. Only entries dated up to the day shown count.
type Entry struct {
	ID       string
	Tree     string
	Date     almanac.Day
	Season   int
	Kind     EntryKind
	Task     TaskKind
	TaskID   string
	Outcome  Outcome
	Share    float64   // live crown removed; 0 when given by diameters
	CutMM    []float64 // diameters of the cuts
	Wounds   []Wound   // of a slip that was worked: which limbs were cut, as far as it is known
	FreeOnly bool      // only dead or sick wood or suckers went
	Headed   bool      // a heading cut or a renewal stub: choose one shoot later
	OpensSun bool      // bark was newly opened to the sun
	Minutes  float64
	Cuts     int
	Stage    almanac.Stage
	Reason   string
	Tmin     float64          // of a frost night
	Device   string           // of a bend: tie, spreader, weight, clothespin
	InPaper  bool             // wood for grafting lies in damp paper, which moulds sooner than sawdust
	Rig      *training.RigAct // what was done with a device
	Slip     bool             // a slip was worked on the limb map
	Carried  []CarriedLimb
	DueDay   almanac.Day
	Opened   int     // flower buds cut across after a frost
	Alive    int     // of them with a live heart
	FruitMM  float64 // mean of ten fruitlets across the cheeks
}

// What a journal says of a slip, in the slip's own words: the finding a step is for, its code, and why a step waits.
type (
	Finding     = cut.Key
	FindingCode = find.Code
	WhyWaiting  = cut.Why
)

// CarriedLimb is work that a slip left for later: what was found on which limb, why it waits, and in which slip it is due.
type CarriedLimb struct {
	cut.Key
	Why    cut.Why
	Summer bool // due in the summer slip, else the winter one
	CM     float64
}

// Wound is a cut that was made on a limb; MM is its width, 0 unknown.
type Wound struct {
	Limb string
	MM   float64
}

// EntryKind says what a journal entry records.
type EntryKind string

// The kinds of entry the plan reads; others (notes, pests, measures) pass it by.
const (
	ObservedEntry EntryKind = "observed"
	WorkEntry     EntryKind = "work"
	FrostEntry    EntryKind = "frost-night"
)

// OwnTask is a task of a person's own: on a date or so many days after a stage, once or again and again.
type OwnTask struct {
	ID, Tree, Title string
	Date            almanac.Day // NoDay when it hangs on a stage
	Stage           almanac.Stage
	OffsetDays      int
	EveryDays       int // 0: once (a stage comes once a season)
	ForDays         int // length of the window
	Minutes         float64
}

// Place is a site with what the plan derives from it once.
type Place struct {
	Site    *almanac.Site
	Climate almanac.Climate
	Frost   almanac.FrostDates
}

// NewPlace classes a site. Errors: those of almanac.Site.Check.
func NewPlace(s *almanac.Site) (Place, error) {
	c, err := almanac.Classify(s)
	if err != nil {
		return Place{}, err
	}
	f, err := almanac.FrostDatesOf(s)
	return Place{s, c, f}, err
}

// strongSunLat is the latitude below which the sun burns bared bark (subtropical and mediterranean places); ours.
const strongSunLat = 40

// ForAdviser is what the form adviser asks of a place.
func (p Place) ForAdviser() pomology.Site {
	return pomology.Site{WetWinter: p.Climate.WetWinter(), HumidSummer: p.Climate.HumidSummer, StrongSun: math.Abs(p.Site.Lat) < strongSunLat}
}

// Yard is all a plan is made from.
type Yard struct {
	Place        Place
	School       pomology.School
	FingertipCM  float64
	CeilingCM    float64
	HoursAWeek   float64
	Trees        []Tree
	Entries      []Entry
	Own          []OwnTask
	RowDistanceM float64
	Hosts        []string // slugs of what stands outside and carries sickness
	Sky          []SkyDay // the days of weather that are known, in order
}

// SkyDay is a day's weather as it was: C, mm, km/h.
type SkyDay struct {
	Date                        almanac.Day
	Tmin, Tmax, RainMM, GustKmh float64
}

// Temp is its temperatures.
func (d SkyDay) Temp() almanac.TempDay {
	return almanac.TempDay{Date: d.Date, Tmin: d.Tmin, Tmax: d.Tmax}
}

// SeasonOf is the season a day belongs to on the rail: 1 November to 31 October (1 May to 30 April in the south), named
// by the year of bloom.
func SeasonOf(d almanac.Day, south bool) int {
	y, m, _ := d.Date()
	switch {
	case south && m < 5:
		return y - 1
	case !south && m >= 11:
		return y + 1
	}
	return y
}

// Rail is the first and last day of a season on the rail.
func Rail(season int, south bool) (from, to almanac.Day) {
	if south {
		return almanac.DateOf(season, 5, 1), almanac.DateOf(season+1, 4, 30)
	}
	return almanac.DateOf(season-1, 11, 1), almanac.DateOf(season, 10, 31)
}

// AgeIn is the number of growing seasons a tree has begun by a season: 1 in its first. Unknown planting gives 99.
func (t *Tree) AgeIn(season int, south bool) int {
	if !t.Planted.Known() {
		return grownAge
	}
	return season - SeasonOf(t.Planted, south) + 1
}

const grownAge = 99

// Bears says whether the tree is old enough to bear in a season.
func (t *Tree) Bears(season int, south bool) bool {
	_, class, _ := t.Kind.SizeFor(t.Class)
	return t.AgeIn(season, south) > t.Kind.Crop.SeasonsToBear[class]
}

// AimVerdict is the aim in force and why.
type AimVerdict struct {
	Aim  Aim
	Rule string // "said", "formation", "school"
}

// AimOf decides the aim of a tree: what its owner said; else building while it is in formation; else the school's.
func AimOf(t *Tree, season int, south bool, school pomology.Resolved) AimVerdict {
	switch {
	case t.Aim != "":
		return AimVerdict{t.Aim, "said"}
	case t.AgeIn(season, south) <= formationYears:
		return AimVerdict{Build, "formation"}
	}
	return AimVerdict{Aim(school.Value("aim")), "school"}
}

const formationYears = 3
