// Package pomology knows the kinds of tree and the schools of growers: what a plan must know of a kind before any model
// runs (habit, forms, size, company, stages, growth, crop, bending), which wood each bears on, and the choices on which
// growers differ. Its tables are embedded and checked once, when the program starts. Lengths are metres unless a name
// says otherwise; temperatures are degrees Celsius; heat is in growing degree hours or degree days as named.
package pomology

import (
	"strconv"
	"strings"

	"vertumna/core/given"
)

// Group of kinds that share a calendar of cuts.
type Group string

// The three groups of kinds.
const (
	Pome  Group = "pome"
	Stone Group = "stone"
	Other Group = "other"
)

// Suitability of a kind for the low-tree method.
type Suitability string

// Whether a kind suits a tree held at reach.
const (
	SuitsLow    Suitability = "yes"
	SuitsCare   Suitability = "with-care"
	DoesNotSuit Suitability = "no"
)

// VigourClass is the strength of the rootstock, weakest first.
type VigourClass string

// The five vigour classes.
const (
	VeryDwarfing VigourClass = "very-dwarfing"
	Dwarfing     VigourClass = "dwarfing"
	SemiDwarfing VigourClass = "semi-dwarfing"
	SemiVigorous VigourClass = "semi-vigorous"
	Vigorous     VigourClass = "vigorous"

	defaultClass = SemiDwarfing
)

// VigourClasses lists the classes, weakest first.
func VigourClasses() []VigourClass {
	return []VigourClass{VeryDwarfing, Dwarfing, SemiDwarfing, SemiVigorous, Vigorous}
}

// Steps returns how many classes c stands above semi-dwarfing: negative below it, 0 for an unknown class.
func (c VigourClass) Steps() int {
	for i, v := range VigourClasses() {
		if v == c {
			return i - 2
		}
	}
	return 0
}

// Size of a tree left alone, and the least planting distance when it is held low. Metres.
type Size struct {
	HeightM, SpreadM, DistanceM float64
}

// Care is what a kind asks of its keeper over its life. Our estimates (kinds table).
type Care struct {
	YearsLived, YearsToFullCrop, HoursAYear, Difficulty int
}

// Kind is everything known of one kind of tree.
type Kind struct {
	Slug           string      `json:"slug"`
	Name           string      `json:"name"`
	Group          Group       `json:"group"`
	Family         string      `json:"family"`
	Habits         []string    `json:"habits"`
	HabitNote      string      `json:"habit_note"`
	Forms          []FormSlug  `json:"forms"`
	LowTree        Suitability `json:"low_tree"`
	LowTreeNote    string      `json:"low_tree_note"`
	SelfFertile    string      `json:"self_fertile"`
	SelfNote       string      `json:"self_note"`
	Partners       []string    `json:"partners"`
	MinOverlapDays int         `json:"min_overlap_days"`
	Company        string      `json:"company"`
	Middle         string      `json:"middle"`
	Wood           string      `json:"wood"`

	Care       Care                 `json:"-"`
	Sizes      map[VigourClass]Size `json:"-"`
	Phenology  Phenology            `json:"-"`
	ChillHours ChillHours           `json:"-"`
	Growth     Growth               `json:"-"`
	Crop       Crop                 `json:"-"`
	Bending    Bending              `json:"-"`
	Year       Year                 `json:"-"`
}

// Phenology holds the stage parameters of a kind (almanac.md#g1-parameters): chill in dynamic portions, heat in growing degree
// hours, fruit stages in capped degree days after full bloom. A missing stage is nil.
type Phenology struct {
	ChillLow, ChillMid, ChillHigh                   float64
	HeatGDH                                         float64
	FSwell, FBreak, FFirst                          float64
	PetalFall, Fruit10, Fruit18, Fruit24, PitHarden *float64
	DropEnd, ShootSlowing                           float64
	HarvestEarly, HarvestMid, HarvestLate           float64
	LeafTC                                          float64
	NotBeforeMonth, NotBeforeDay                    int // 0 when harvest has no earliest date; northern calendar
}

// ChillHours are the ranges growers quote for the chill classes, and how to read the stages of the kind. Display only.
type ChillHours struct {
	Low, Mid, High [2]int
	Reading        string
}

// Growth holds the growth numbers of a kind (limbs.md#9-species).
type Growth struct {
	Bearing                                                Bearing
	DivergenceDeg                                          float64
	Opposite                                               bool
	InternodeCM, ExtensionCM, ExtensionMaxCM, LeafM2PerCM2 float64
	SproutTendency, InsertionDeg                           float64
	FruitKG, FruitPerCM2, TipMM, FruitPerBud               float64
	DrySummerWood                                          bool
}

// Crop holds the crop numbers of a kind (crop.md#i-tables). Zero spacing and zero diameters mean that the set is
// left to the tree.
type Crop struct {
	HandThinned, KingFruit                     bool
	MassG, RipeMM                              float64
	DensitySmall, DensityMedium, DensityLarge  float64 // fruit per cm2 of limb section
	SpacingLowCM, SpacingHighCM                float64
	PerCluster                                 int
	LeavesPerFruit, LeafCM2                    float64
	OpenMM, BestMM, CloseMM                    float64
	SeasonsToBear                              map[VigourClass]int
	Alternation                                string
	RuptureMPa, ModulusGPa, GreenDensityKgPer3 float64
	KgPerJarLitre                              float64
}

// Bending holds the aim for limb angles and how well the wood bends (training.md#d-spreading).
type Bending struct {
	AimDeg, StrainFactor float64
}

// Upright says whether the kind's own habit is upright, at least while young.
func (k *Kind) Upright() bool { return len(k.Habits) > 0 && k.Habits[0] == "upright" }

// SizeFor returns the size of the kind at a vigour class. Where the table has no such class the next stronger one
// serves, and ok is false; an empty class means semi-dwarfing.
func (k *Kind) SizeFor(c VigourClass) (size Size, used VigourClass, ok bool) {
	if c == "" {
		c = defaultClass
	}
	if s, found := k.Sizes[c]; found {
		return s, c, true
	}
	past := false
	for _, v := range VigourClasses() {
		past = past || v == c
		if s, found := k.Sizes[v]; past && found {
			return s, v, false
		}
	}
	return k.Sizes[defaultClass], defaultClass, false
}

// MaxHeightM is the height of the most vigorous tree of the kind left alone, metres.
func (k *Kind) MaxHeightM() float64 { return k.Sizes[Vigorous].HeightM }

// Kinds returns all kinds in the order of the table.
func Kinds() []*Kind { return tables.kinds }

// notForThisMethod names plants we know of and do not plan: evergreens, nuts, flowering shrubs.
var notForThisMethod = map[string]string{
	"citrus": "evergreen", "olive": "evergreen", "loquat": "evergreen", "avocado": "evergreen",
	"walnut": "nut tree", "hazel": "nut tree", "almond": "nut tree", "chestnut": "nut tree", "pecan": "nut tree",
	"lilac": "flowering shrub", "hydrangea": "flowering shrub", "forsythia": "flowering shrub",
}

// NotForMethod tells what kind of plant a name stands for when Vertumna knows it and will not plan it.
func NotForMethod(name string) (what string, known bool) {
	what, known = notForThisMethod[strings.ToLower(strings.TrimSpace(name))]
	return what, known
}

// BySlug finds a kind.
func BySlug(slug string) (*Kind, error) {
	if k, ok := tables.bySlug[slug]; ok {
		return k, nil
	}
	if what, known := NotForMethod(slug); known {
		return nil, given.Fault{Code: "not_for_method", Field: "kind", Given: slug, Expected: "a deciduous fruit tree; " + what + "s are not for this method"}
	}
	return nil, given.Fault{Code: "unknown_kind", Field: "kind", Given: strconv.Quote(slug), Expected: "one of " + strings.Join(Slugs(), ", ")}
}

// Named is the kind that an input of a model names; one more fault where there is none.
func Named(fs *given.Faults, species string) *Kind {
	k, ok := tables.bySlug[species]
	if !ok {
		fs.Add(given.Word, "species", strconv.Quote(species), "a kind of the table")
	}
	return k
}

// Slugs lists the slugs of all kinds in the order of the table.
func Slugs() []string {
	out := make([]string, len(tables.kinds))
	for i, k := range tables.kinds {
		out[i] = k.Slug
	}
	return out
}

// Year is what sets a kind apart through the year, beside its stages.
type Year struct {
	HarvestDays  int      // it is picked
	EnoughAlive  float64  // share of its flowers that still makes a crop after frost (almanac.md#h-frost-kill)
	Kill         string   // table of killing temperatures; empty: it blooms after the frosts
	DiebackShows bool     // live wood can only be told from dead when its buds move
	ColoursRed   bool     // its red forms want light before harvest
	Cautions     []string // of cutting it
	GraftsWith   string   // kinds of one name take on one another
	SpursPerM    float64  // of old wood, at most (limbs.md#3-findings; our estimates); 0: never told
}
