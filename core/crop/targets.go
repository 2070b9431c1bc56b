package crop

import (
	"math"

	"vertumna/core/given"
	"vertumna/core/num"
	"vertumna/core/pomology"
)

// Scaffold is a limb that carries the crop; NoFruit keeps it bare: the top framework of a young tree.
type Scaffold struct {
	ID         string  `json:"id" in:"id"`
	DiameterMM float64 `json:"diameter_mm" in:"(0,1500]"`
	NoFruit    bool    `json:"no_fruit" in:"= false"`
}

// Bearing is wood that bears: so many shoots of a length and class.
type Bearing struct {
	LengthCM float64 `json:"length_cm" in:"(0,2000]"`
	Class    string  `json:"class" in:"strong|normal|weak|hanging = normal"`
	Count    int     `json:"count" in:"[1,100000] = 1"`
}

// TargetsInput is what is known of a tree and what its grower wants.
type TargetsInput struct {
	Species       string     `json:"species"`
	Size          Size       `json:"size" in:"small|medium|large = medium"`
	TrunkMM       *float64   `json:"trunk_diameter_mm" in:"? (0,1500]"` // 20 cm above the graft, or at knee height
	Scaffolds     []Scaffold `json:"scaffolds" in:"?"`
	SeasonInPlace int        `json:"season_in_place" in:"[1,200]"`
	Vigour        string     `json:"vigour_class" in:"very-dwarfing|dwarfing|semi-dwarfing|semi-vigorous|vigorous = semi-dwarfing"`
	SeasonsToBear *int       `json:"seasons_to_bear" in:"? [1,30]"`
	GrowthRatio   float64    `json:"growth_ratio" in:"[0.1,4] = 1"` // measured over expected shoot length
	CropState     string     `json:"crop_state" in:"normal|on|off|rebound = normal"`
	Bearing       []Bearing  `json:"bearing" in:"?"`
	StoneSpacing  string     `json:"stone_spacing" in:"own_hand|10|15 = own_hand"`
	HandCM        *float64   `json:"hand_cm" in:"? [6,26]"`
	PerCluster    *int       `json:"per_cluster" in:"? [1,2]"`
	LeafCount     *int       `json:"leaf_count" in:"? [0,1000000]"`
	LeafM2        *float64   `json:"leaf_area_m2" in:"? [0,500]"`
	RemovedShare  float64    `json:"removed_share" in:"[0,0.95] = 0"` // cut since the measures were taken
	SafeFruit     *int       `json:"safe_fruit" in:"? [0,100000]"`    // sum over the limbs of what they carry safely
	FruitOnTree   *int       `json:"fruit_on_tree" in:"? [0,100000]"`
	FlowerBuds    *int       `json:"flower_buds" in:"? [0,100000]"`
	AliveShare    float64    `json:"alive_share" in:"[0,1] = 1"`
	HouseholdKG   *float64   `json:"household_kg" in:"? [0,5000]"`
	UsableShare   float64    `json:"usable_share" in:"[0.1,1] = 0.85"`
	FrostRisk     float64    `json:"frost_risk" in:"[0,1] = 0"` // chance of a killing frost still to come
	ThinAnyway    bool       `json:"thin_anyway" in:"= false"`
	MassG         float64    `json:"-"` // the tree's own weighed fruit at a medium crop; 0: the table's
}

// Kinds of line, in the order they bind when equal.
const (
	ByYouth     = "young"
	ByStrength  = "strength"
	ByDensity   = "density"
	ByLeaves    = "leaves"
	BySpacing   = "spacing"
	ByHousehold = "household"
)

// Line is one rule's number of fruit for the tree.
type Line struct {
	Kind  string `json:"kind"`
	Fruit int    `json:"fruit"`
}

// Targets are the lines side by side, and what follows from the one that binds.
type Targets struct {
	Lines           []Line   `json:"lines"`
	Target          int      `json:"target"`
	Binding         string   `json:"binding"`
	Basis           string   `json:"basis"`       // trunk or scaffolds
	SectionCM2      float64  `json:"section_cm2"` // of the basis, after the cuts
	SpacingCM       *float64 `json:"spacing_cm"`
	LeavesEstimated bool     `json:"leaves_estimated"`
	Available       *int     `json:"available"` // fruit on the tree, or to come from its live buds
	Remove          *int     `json:"remove"`
	FirstPassKeep   int      `json:"first_pass_keep"` // more than the target while frost can come
	MassG           float64  `json:"mass_g"`
	KG              float64  `json:"kg"`
	Warnings        []string `json:"warnings"`
}

// Numbers of the lines (est.).
const (
	frostInsurance = 1.0 / 3 // no more is left over for a frost to come
	vigourLow      = 0.7
	vigourHigh     = 1.1
)

// onFactor: the year after a rest is thinned harder, by how strongly the kind alternates (est.).
var onFactor = map[string]float64{"weak": 1, "moderate": 0.85, "strong": 0.75}

// bearingShare of a shoot's length that counts for spacing, by its class (est.).
var bearingShare = map[string]float64{"strong": 1.25, "normal": 1, "weak": 0.5, "hanging": 0}

// target is a Targets in the making.
type target struct {
	in      *TargetsInput
	k       *pomology.Kind
	before  float64 // section of the basis before the cuts
	section float64 // after them
	bearing float64 // share of the scaffolds that may bear
	on      float64
	out     Targets
}

// Target puts every rule's number side by side, `targets`: the smallest binds. Errors: given.Faults.
func Target(in TargetsInput) (Targets, error) {
	k, fs := kindOf(in, in.Species)
	if len(fs) == 0 && in.TrunkMM == nil && len(in.Scaffolds) == 0 {
		fs.Add(given.Missing, "scaffolds", "neither scaffolds nor trunk", "the thickness of the scaffolds, or of the trunk")
	}
	if err := fs.Err(); err != nil {
		return Targets{}, err
	}
	t := target{in: &in, k: k, on: 1, out: Targets{Warnings: []string{}}}
	if in.CropState == On || in.CropState == Rebound {
		t.on = onFactor[k.Crop.Alternation]
	}
	t.basis()
	t.lines()
	for i, l := range t.out.Lines {
		if i == 0 || l.Fruit < t.out.Target {
			t.out.Target, t.out.Binding = l.Fruit, l.Kind
		}
	}
	t.consequences()
	t.out.Warnings = sorted(t.out.Warnings)
	return t.out, nil
}

// basis is the trunk's section or the sum of the scaffolds', the smaller: a tree held low thickens its trunk year by year
// above what its top can feed.
func (t *target) basis() {
	sum, bears := 0.0, 0.0
	for _, s := range t.in.Scaffolds {
		a := pomology.Section(s.DiameterMM)
		sum += a
		if !s.NoFruit {
			bears += a
		}
	}
	t.before, t.out.Basis, t.bearing = sum, "scaffolds", 1
	if sum > 0 {
		t.bearing = bears / sum
	}
	if t.in.TrunkMM != nil {
		if trunk := pomology.Section(*t.in.TrunkMM); sum == 0 || trunk < sum {
			t.before, t.out.Basis = trunk, "trunk"
		}
	}
	t.section = t.before * (1 - t.in.RemovedShare)
	t.out.SectionCM2 = t.section
}

func (t *target) line(kind string, fruit float64) {
	t.out.Lines = append(t.out.Lines, Line{kind, int(num.Floor(fruit))})
}

// lines are made in the order they bind when equal.
func (t *target) lines() {
	in, c := t.in, &t.k.Crop
	d := density(c, in.Size)
	if age, young := t.youth(); young {
		t.line(ByYouth, d*t.section*t.bearing*age)
	}
	if in.SafeFruit != nil {
		t.line(ByStrength, float64(*in.SafeFruit))
	}
	vigour := num.Clamp(0.5+0.5*in.GrowthRatio, vigourLow, vigourHigh)
	t.line(ByDensity, d*t.section*t.bearing*vigour*t.on)
	t.line(ByLeaves, t.leaves()*(1-in.RemovedShare)/(c.LeavesPerFruit*leafFactor[in.Size])*t.on)
	t.spacing()
	if in.HouseholdKG != nil {
		t.out.Lines = append(t.out.Lines, Line{ByHousehold, t.household(*in.HouseholdKG)})
	}
}

// youth is the share of a full crop that a young tree may carry; young is false once it bears in full.
func (t *target) youth() (share float64, young bool) {
	n, bears := t.in.SeasonInPlace, t.k.Crop.SeasonsToBear[pomology.VigourClass(t.in.Vigour)]
	if t.in.SeasonsToBear != nil {
		bears = *t.in.SeasonsToBear
	}
	switch {
	case n == 1 || n < bears:
		return 0, n <= bears+1
	case n == bears:
		return 0.5, true
	case n == bears+1:
		return 0.75, true
	}
	return 1, false
}

// leaves as counted, else by their area, else by the section before the cuts.
func (t *target) leaves() float64 {
	leaf := t.k.Crop.LeafCM2
	switch {
	case t.in.LeafCount != nil:
		return float64(*t.in.LeafCount)
	case t.in.LeafM2 != nil:
		return *t.in.LeafM2 * 1e4 / leaf
	}
	t.out.LeavesEstimated = true
	return t.k.Growth.LeafM2PerCM2 * t.before * 1e4 / leaf
}

func (t *target) spacing() {
	if t.in.Bearing == nil || t.k.Crop.SpacingLowCM <= 0 {
		return
	}
	cm, warn := Spacing(t.k, t.in.Size, t.in.StoneSpacing, t.in.HandCM)
	t.out.SpacingCM = &cm
	t.out.Warnings = append(t.out.Warnings, warn...)
	sum := 0.0
	for _, b := range t.in.Bearing {
		sum += float64(b.Count) * b.LengthCM * bearingShare[b.Class]
	}
	t.line(BySpacing, sum/cm*float64(perCluster(t.k, t.in.PerCluster)))
}

// household is the smallest number that gives the kilos wanted; few fruit grow larger.
func (t *target) household(kg float64) int {
	want := 1000 * kg / t.in.UsableShare * (1 - num.Slack)
	gives := func(n int) float64 { return float64(n) * t.massAt(float64(n)) }
	low, high := 0, 1
	for gives(high) < want {
		low, high = high, 2*high
	}
	if want <= 0 {
		return 0
	}
	for high-low > 1 {
		if mid := (low + high) / 2; gives(mid) >= want {
			high = mid
		} else {
			low = mid
		}
	}
	return high
}

func (t *target) massAt(fruit float64) float64 { return Mass(t.k, t.in.MassG, fruit, t.section) }

// consequences of the target: what to take, what to leave at first, what it will weigh.
func (t *target) consequences() {
	in, out := t.in, &t.out
	switch {
	case in.FruitOnTree != nil:
		n := *in.FruitOnTree
		out.Available = &n
	case in.FlowerBuds != nil:
		n := int(num.Floor(t.k.Set(float64(*in.FlowerBuds), in.AliveShare)))
		out.Available = &n
	}
	hand := byHand(t.k, in.ThinAnyway)
	if !hand {
		out.Warnings = append(out.Warnings, WNotThinned)
	}
	out.FirstPassKeep = int(num.Ceil(float64(out.Target) / (1 - math.Min(in.FrostRisk, frostInsurance))))
	got := out.Target
	if out.Available != nil {
		have, remove := *out.Available, 0
		out.FirstPassKeep = min(out.FirstPassKeep, max(have, out.Target))
		got = min(have, out.Target)
		if hand {
			remove = max(0, have-out.Target)
		} else {
			out.FirstPassKeep, got = have, have
			if in.SafeFruit != nil && have > *in.SafeFruit {
				out.Warnings = append(out.Warnings, WOverload)
			}
		}
		out.Remove = &remove
	}
	out.MassG = t.massAt(float64(got))
	out.KG = float64(got) * out.MassG / 1000
}

// HouseholdInput is what a household wants of a kind.
type HouseholdInput struct {
	Species     string  `json:"species"`
	Size        Size    `json:"size" in:"small|medium|large = medium"`
	FreshKG     float64 `json:"fresh_kg" in:"[0,5000] = 0"`
	Jars        float64 `json:"jars" in:"[0,2000] = 0"`
	JarLitre    float64 `json:"jar_litre" in:"[0.1,10] = 1"`
	UsableShare float64 `json:"usable_share" in:"[0.1,1] = 0.85"` // the rest is windfall, birds, cores (est.)
}

// Household is what must hang for it.
type Household struct {
	KG    float64 `json:"kg"`
	Fruit int     `json:"fruit"`
	MassG float64 `json:"mass_g"`
}

// HouseholdNeed turns fresh fruit and jars into what must hang, `household`. Errors: given.Faults.
func HouseholdNeed(in HouseholdInput) (Household, error) {
	k, fs := kindOf(in, in.Species)
	if err := fs.Err(); err != nil {
		return Household{}, err
	}
	kg := (in.FreshKG + in.Jars*in.JarLitre*k.Crop.KgPerJarLitre) / in.UsableShare
	m := mass(&k.Crop, k.Crop.MassG, density(&k.Crop, in.Size))
	return Household{KG: kg, Fruit: int(num.Ceil(1000 * kg / m)), MassG: m}, nil
}
