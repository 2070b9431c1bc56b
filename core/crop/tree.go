package crop

import (
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// Tree is what is known of a tree in a season and what its grower wants, on a day. Pointers that are nil are unknown.
type Tree struct {
	Kind          *pomology.Kind
	Map           *limb.Map // nil: it has none, and its girths serve
	Light         limb.Light
	ReachCM       float64
	TrunkMM       float64   // 0 unknown
	ScaffoldsMM   []float64 // of a tree without a map
	SeasonInPlace int
	Vigour        pomology.VigourClass
	GrowthRatio   float64 // measured over expected shoot length; 0: as expected
	State         string  // normal, on, off, rebound
	RemovedShare  float64 // cut this season
	Size          Size
	StoneSpacing  string // own_hand, 10, 15
	PerCluster    *int
	HandCM        *float64
	ThinAnyway    bool
	HouseholdKG   *float64
	FrostRisk     float64
	Alive         float64 // share of the flower buds alive; 1 where no frost hurt them
	Frosted       bool    // this spring
	Draw          bool    // side limbs and their fruit are placed too, for a drawing
	Terms         LoadTerms
	SnowKgM2      float64     // the limbs are bare and bear so much snow, no fruit; 0: they bear the season's fruit
	Picked        bool        // the season's fruit was taken off: none hangs, and nothing of it is left to decide
	Counts        []LimbFruit // of this season, by limb; the last of a limb counts
	Glance        string      // of those who do not count: none, few, right, many, crowded
	DropToCome    float64     // share of a count that will still drop by itself
	Passes        map[string]Pass
	TakenByCuts   map[string]int // fruit gone with wood since the count, by limb
}

// InYear is the tree as it will bear some years on, from a map of then: what was measured and counted of this season is left out.
func (t Tree) InYear(m *limb.Map, light limb.Light, on int) Tree {
	t.Map, t.Light, t.SeasonInPlace = m, light, t.SeasonInPlace+on
	t.State, t.RemovedShare, t.FrostRisk, t.Alive, t.Frosted = "", 0, 0, 1, false
	t.SnowKgM2, t.Picked, t.Counts, t.Glance, t.DropToCome, t.Passes, t.TakenByCuts, t.Draw = 0, false, nil, "", 0, nil, nil, false
	return t
}

// LimbFruit is a limb that was counted.
type LimbFruit struct {
	Limb  string
	Fruit int
}

// Pass is what was left on and taken off a limb so far, as counted by hand.
type Pass struct {
	Left, Taken int
	Laterals    map[string]Pass
	Done        bool
}

// Limb is one limb of a tree's plan of fruit.
type Limb struct {
	ID         string
	DiameterMM float64
	LengthCM   float64
	Light      float64
	AboveReach float64
	Share      LimbShare // on, keep, take
	Counted    bool
	Lines      []Line // the tree's rules as they fall on this limb
	Binding    string
	Pass       Pass
	Laterals   []Lateral
	MassG      float64 // of a fruit with Keep left
}

// Lateral is a side limb of a limb, or the limb's own wood, with its part of the fruit.
type Lateral struct {
	ID       string // "" for the limb's own wood
	LengthCM float64
	On       int // estimated from the limb's
	Keep     int
	Class    string
	Fruits   []Placed
}

// Placed is a fruit drawn where it is expected: on a limb, cm from its base.
type Placed struct {
	Limb string
	AtCM float64
	Keep bool
}

// Plan is what a tree should keep, by limb, and what its limbs carry.
type Plan struct {
	Limbs    []Limb
	ToCount  []string // limbs to count next
	Count    *Count   // nil: none was counted
	Glance   *int     // fruit by a look
	Targets  Targets
	Allot    Allotment
	Whether  *ThinOrNot // nil while what hangs is unknown
	Loads    []LimbAt   // under the season's fruit, picked or not; what weighs on them now: Weighed
	Counted  bool       // loads with fruit as counted; else as expected
	Picked   bool       // nothing hangs any more
	snow     bool       // of a picked tree: snow weighs on its limbs
	Expected float64
}

// glances are the loads a look tells, as parts of a medium crop (est.).
var glances = map[string]float64{"none": 0, "few": 0.4, "right": 1, "many": 1.7, "crowded": 2.5}
