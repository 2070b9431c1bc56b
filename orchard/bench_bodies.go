package orchard

import (
	"vertumna/core/almanac"
	"vertumna/core/find"
	"vertumna/core/given"
	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/core/quickline"
	"vertumna/store"
)

// BenchBody is one tree on the bench: its map as of the day, drawn, and what an experienced eye finds on it.
type BenchBody struct {
	Tree     BenchTree          `json:"tree"`
	Day      almanac.Day        `json:"day"`
	Mapped   bool               `json:"mapped"`
	Revision *store.Revision    `json:"revision,omitempty" doc:"of the map shown; absent when there is none"`
	CanUndo  bool               `json:"can_undo"`
	Carry    string             `json:"carry,omitempty" doc:"of a map of an earlier season than today's: that it can be carried on"`
	Ahead    int                `json:"ahead" doc:"winters on: limbs, findings and facts are predicted; the map is as it stands"`
	Cut      bool               `json:"cut" doc:"limbs, findings and facts are those with the slip made"`
	Suggest  growth.SketchInput `json:"suggest" doc:"what is known or usual, to start a sketch from"`
	Map      *limb.Doc          `json:"map,omitempty"`
	Limbs    []DrawnLimb        `json:"limbs" nullable:"false" doc:"carriers before what they carry"`
	Findings []FindingBody      `json:"findings" nullable:"false" doc:"in the order of work, lettered"`
	Facts    BenchFacts         `json:"facts"`
	Past     []PastBody         `json:"past" nullable:"false" doc:"the tree as it was mapped in years before, latest first; two at most"`
	Fellows  string             `json:"fellows,omitempty" doc:"its main limbs held against one another, where one stands out"`
	Came     *CameBody          `json:"came,omitempty" doc:"the forecast made from the map of the winter before, beside what came"`
	History  []store.Revision   `json:"history" nullable:"false"`
	EndTests []EndTestBody      `json:"end_tests" nullable:"false"`
	Outline  Outline            `json:"outline" doc:"wanted at this age by its form"`
	Warnings []given.Fault      `json:"warnings" nullable:"false"`
	Safety   []string           `json:"safety" nullable:"false"`
}

// BenchTree is the tree the bench shows.
type BenchTree struct {
	ID       string  `json:"id"`
	Code     string  `json:"code"`
	Name     string  `json:"name,omitempty"`
	Kind     string  `json:"kind"`
	KindName string  `json:"kind_name"`
	Form     string  `json:"form"`
	FormName string  `json:"form_name"`
	Age      int     `json:"age" doc:"0 unknown"`
	ReachCM  float64 `json:"reach_cm"`
	Habit    string  `json:"habit" doc:"what it bears on, in a sentence"`
}

// DrawnLimb is a limb as it is drawn and listed. Stations run from base to tip: x, y, z and radius in cm, age of the wood
// in seasons; five numbers each.
type DrawnLimb struct {
	ID        string       `json:"id"`
	Parent    string       `json:"parent,omitempty"`
	Depth     int          `json:"depth"`
	Stations  []float64    `json:"stations" nullable:"false"`
	Rings     []DrawnRing  `json:"rings" nullable:"false"`
	Attach    float64      `json:"attach_cm"`
	Azimuth   float64      `json:"azimuth_deg"`
	Toward    *float64     `json:"toward_deg,omitempty" doc:"bearing it is wanted to grow toward"`
	AngleBase float64      `json:"angle_base_deg"`
	AngleTip  float64      `json:"angle_tip_deg"`
	Length    float64      `json:"length_cm"`
	Diameter  float64      `json:"diameter_mm"`
	Top       float64      `json:"top_cm"`
	Share     float64      `json:"share" doc:"of the crown, 0..1"`
	Light     float64      `json:"light" doc:"of full light over the growing season, 0..1"`
	Buds      float64      `json:"flower_buds" doc:"expected within reach"`
	Source    limb.Source  `json:"source" enum:"measured,estimated,predicted"`
	Guessed   []string     `json:"guessed" nullable:"false" doc:"fields nobody measured"`
	DeadFrom  *float64     `json:"dead_from_cm,omitempty"`
	Tip       limb.Tip     `json:"tip" enum:"growing,cut,dead"`
	Leads     bool         `json:"leads,omitempty"`
	Sprout    bool         `json:"sprout,omitempty"`
	Sucker    bool         `json:"sucker,omitempty"`
	Tags      []string     `json:"tags" nullable:"false"`
	Marks     []limb.Mark  `json:"marks" nullable:"false"`
	State     *limb.State  `json:"state,omitempty"`
	StateSays string       `json:"state_says,omitempty"`
	Note      string       `json:"note,omitempty"`
	Wounds    []limb.Wound `json:"wounds" nullable:"false"`

	Spurs []limb.SpurCount `json:"spurs" nullable:"false"`
	Gaps  []limb.Stretch   `json:"gaps" nullable:"false"`
}

// DrawnRing is one season's growth of a limb.
type DrawnRing struct {
	From  float64 `json:"from_cm"`
	To    float64 `json:"to_cm"`
	Year  int     `json:"year,omitempty" doc:"the year it grew; absent when the map knows none"`
	Age   int     `json:"age"`
	Bears string  `json:"bears,omitempty" doc:"what it bears the year after"`
}

// FindingBody is a finding with its letter and words.
type FindingBody struct {
	Letter   string     `json:"letter"`
	Code     string     `json:"code"`
	Name     string     `json:"name"`
	Limb     string     `json:"limb"`
	Members  []string   `json:"members" nullable:"false"`
	Also     []string   `json:"also" nullable:"false" doc:"limbs with the same fault that hang on the offending stretch"`
	AtCM     float64    `json:"at_cm"`
	Place    [3]float64 `json:"place" nullable:"false" doc:"x, y, z in cm"`
	Step     int        `json:"step"`
	Severity float64    `json:"severity"`
	Aim      find.Aim   `json:"aim,omitempty" doc:"what a cut should do; absent: answered without a cut"`
	Where    string     `json:"where"`
	Says     string     `json:"says" doc:"the numbers"`
	Why      string     `json:"why" doc:"why it matters"`
	Source   string     `json:"source"`
	Estimate bool       `json:"estimated" doc:"rests on numbers nobody measured"`
}

// BenchFacts are the whole tree in numbers.
type BenchFacts struct {
	HeightCM    float64           `json:"height_cm"`
	SpreadCM    float64           `json:"spread_cm"`
	GroundM2    float64           `json:"ground_m2"`
	LeafM2      float64           `json:"leaf_m2"`
	Limbs       int               `json:"limbs"`
	CylinderCM  float64           `json:"cylinder_cm" doc:"widest that passes through the middle"`
	SphereCM    float64           `json:"sphere_cm"`
	Passes      []Passes          `json:"passes" nullable:"false"`
	Complete    limb.Completeness `json:"completeness"`
	Light       float64           `json:"light" doc:"mean of its leaf, of full light over the growing season, 0..1"`
	BudsWithin  float64           `json:"buds_within" doc:"flower buds expected within reach"`
	BudsAbove   float64           `json:"buds_above"`
	MapSeason   limb.Season       `json:"map_season" enum:"dormant,summer"`
	CountBySrc  SourceCount       `json:"sources"`
	LeaderChain []string          `json:"leader_chain" nullable:"false"`
}

// SourceCount counts limbs by how they are known.
type SourceCount struct {
	Measured  int `json:"measured"`
	Estimated int `json:"estimated"`
	Predicted int `json:"predicted"`
}

// Passes says whether a thing passes through the tree.
type Passes struct {
	Name string  `json:"name"`
	CM   float64 `json:"cm"`
	Yes  bool    `json:"yes"`
}

// PastBody is the tree as it was in a growth year before.
type PastBody struct {
	Year      int          `json:"year" doc:"the growth year before which it stood so"`
	FromRings bool         `json:"from_rings" doc:"read back from the rings of the map shown: no map of that year is kept"`
	Revision  int          `json:"revision,omitempty"`
	Date      *almanac.Day `json:"date,omitempty"`
	HeightCM  float64      `json:"height_cm"`
	Limbs     int          `json:"limbs"`
	Lines     [][]float64  `json:"lines" nullable:"false" doc:"stations of each limb, five numbers each"`
}

// CameBody is a forecast beside what came.
type CameBody struct {
	From    almanac.Day `json:"from" doc:"of the map it was made from"`
	Verdict string      `json:"verdict" enum:"as-forecast,stronger,weaker"`
	Says    string      `json:"says"`
	Cuts    []CutCame   `json:"cuts" nullable:"false" doc:"cut by cut, the strongest answers first"`
}

// CutCame is what grew about one cut in the season after it, beside its forecast.
type CutCame struct {
	Limb string `json:"limb"`
	Says string `json:"says"`
}

// EndTestBody is an end test with its last answer.
type EndTestBody struct {
	Slug  string       `json:"slug"`
	Name  string       `json:"name"`
	How   string       `json:"how"`
	Words [2]string    `json:"words" nullable:"false" doc:"the good answer first"`
	Last  string       `json:"last,omitempty"`
	On    *almanac.Day `json:"on,omitempty"`
}

// ShootBody is a chosen shoot laid flat, with its buds.
type ShootBody struct {
	Limb    string      `json:"limb"`
	Length  float64     `json:"length_cm"`
	From    float64     `json:"from_cm" doc:"where the part shown starts"`
	Known   bool        `json:"known" doc:"a bud's facing was seen, and the rest follow from it"`
	Says    string      `json:"says" doc:"what the bearing habit means for this shoot"`
	Outward float64     `json:"outward_deg" doc:"bearing that is outward here"`
	Nodes   []NodeBody  `json:"nodes" nullable:"false"`
	Rings   []DrawnRing `json:"rings" nullable:"false"`
	Years   []LimbYear  `json:"years" nullable:"false" doc:"how the limb stood and was clothed, year by year, the last first"`
	Course  string      `json:"course,omitempty" doc:"of one that sinks or struggles over the years it was mapped in"`
}

// NodeBody is one node of a shoot.
type NodeBody struct {
	N        int     `json:"n" doc:"0: the end bud"`
	AtCM     float64 `json:"at_cm"`
	Age      int     `json:"age"`
	Kind     string  `json:"kind" enum:"leaf,flower,mixed,triple,double,spur,latent,blind"`
	Expected string  `json:"expected"`
	Seen     bool    `json:"seen"`
	Known    bool    `json:"known"`
	Roll     float64 `json:"roll_deg"`
	Bearing  float64 `json:"bearing_deg" doc:"where it faces, seen from above"`
	Rise     float64 `json:"rise" doc:"-1 down to 1 up"`
	Class    string  `json:"class,omitempty" enum:"upper,under,outward,inward,right,left"`
	Sure     bool    `json:"sure"`
	HeightCM float64 `json:"height_cm"`
}

// LimbYear is how a limb was clothed in one year's map.
type LimbYear struct {
	Date      almanac.Day `json:"date"`
	Length    float64     `json:"length_cm"`
	Laterals  float64     `json:"laterals_per_m"`
	FruitBuds float64     `json:"fruit_buds_per_m" doc:"spurs and fruit buds, counted or expected"`
	Counted   bool        `json:"counted"`
	TipDeg    float64     `json:"tip_deg" doc:"of its end, from the vertical"`
	DMM       float64     `json:"d_mm" doc:"at its base"`
	RingCM    float64     `json:"ring_cm" doc:"grown in the last season"`
}

// QuickBody is what a quick line says.
type QuickBody struct {
	quickline.Result
}

// ChangeBody is one difference between two maps.
type ChangeBody struct {
	Limb   string `json:"limb"`
	Field  string `json:"field"`
	Before string `json:"before"`
	After  string `json:"after"`
}
