package orchard

import (
	"vertumna/core/almanac"
	"vertumna/core/training"
	"vertumna/store"
	"vertumna/words"
)

// TrainingBody is a tree's training on a day.
type TrainingBody struct {
	Form     string         `json:"form"`
	FormName string         `json:"form_name"`
	Age      int            `json:"age" doc:"growing seasons begun; 99 when planting is unknown"`
	Stands   int            `json:"stands" doc:"the year of its life in which its frame stands; 0: it is grown"`
	CapCM    float64        `json:"cap_cm"`
	ReachCM  float64        `json:"reach_cm"`
	Says     []string       `json:"says" nullable:"false"`
	Steps    []FormStepBody `json:"steps" nullable:"false"`
	Outlines []OutlineBody  `json:"outlines" nullable:"false"`
	Planting *PlantingBody  `json:"planting,omitempty"`
	Choice   *MainLimbsBody `json:"choice,omitempty"`
	Even     []string       `json:"even" nullable:"false" doc:"what is shortened before any limb is bent"`
	Bends    []BendBody     `json:"bends" nullable:"false"`
	Notch    *NotchBody     `json:"notch,omitempty"`
	Wall     *WallBody      `json:"wall,omitempty"`
	Graft    *GraftBody     `json:"graft,omitempty"`
	Rigs     []RigBody      `json:"rigs" nullable:"false"`
	Trials   []TrialBody    `json:"trials" nullable:"false"`
	Grafts   []GraftedBody  `json:"grafts" nullable:"false" doc:"on it and from it, the last first"`
	Safety   []string       `json:"safety" nullable:"false"`

	Words store.TrainingWords `json:"words" doc:"what its owner says of its shoots, and of its buds this season"`
}

// FormStepBody is a step of formation.
type FormStepBody struct {
	Year   int          `json:"year"`
	Season int          `json:"season"`
	When   string       `json:"when"`
	What   string       `json:"what"`
	Title  string       `json:"title"`
	Says   string       `json:"says"`
	State  string       `json:"state" enum:"done,now,ahead,missed,past"`
	Second string       `json:"second,omitempty" doc:"what still can be done where it was missed"`
	CM     float64      `json:"cm"`
	HighCM float64      `json:"high_cm"`
	Tier   int          `json:"tier"`
	Task   string       `json:"task,omitempty"`
	From   *almanac.Day `json:"from,omitempty"`
	To     *almanac.Day `json:"to,omitempty"`
}

// OutUp is a place in the upright plane of a limb or a tree: out from its fork or axis, and up, cm.
type OutUp struct {
	Out float64 `json:"out"`
	Up  float64 `json:"up"`
}

// OutlineBody is the frame at an age: half its profile, out and up, cm.
type OutlineBody struct {
	Age    int     `json:"age"`
	Points []OutUp `json:"points" nullable:"false"`
}

// MainLimbsBody is the choice of main limbs.
type MainLimbsBody struct {
	Verdict      string          `json:"verdict" enum:"chosen,too_few,none"`
	Chosen       []string        `json:"chosen" nullable:"false"`
	Score        *float64        `json:"score,omitempty"`
	RunnerUp     []string        `json:"runner_up,omitempty"`
	Loses        []LossBody      `json:"loses,omitempty"`
	Missing      int             `json:"missing"`
	WidestGapDeg *float64        `json:"widest_gap_deg,omitempty"`
	FillDeg      *float64        `json:"fill_azimuth_deg,omitempty"`
	Candidates   []CandidateBody `json:"candidates" nullable:"false"`
	Says         []string        `json:"says" nullable:"false"`
}

// LossBody is where the runner-up loses.
type LossBody struct {
	Term   string  `json:"term"`
	Points float64 `json:"points"`
}

// CandidateBody is a shoot that could become a main limb.
type CandidateBody struct {
	Limb       string  `json:"limb"`
	AzimuthDeg float64 `json:"azimuth_deg"`
	HeightCM   float64 `json:"height_cm"`
	AngleDeg   float64 `json:"angle_deg"`
	DMM        float64 `json:"d_mm"`
	Keep       bool    `json:"keep"`
	Bent       bool    `json:"bent" doc:"counted as it would stand once bent"`
	State      string  `json:"state" enum:"chosen,runner-up,spare,refused"`
	Why        string  `json:"why,omitempty"`
}

// BendAsked asks for the bend of a limb.
type BendAsked struct {
	Limb      string   `json:"limb" maxLength:"60"`
	ContactCM float64  `json:"contact_cm,omitempty" minimum:"0" maximum:"1000" doc:"where it is held, from its fork; 0: the usual"`
	AimDeg    float64  `json:"aim_deg,omitempty" minimum:"0" maximum:"175" doc:"0: by kind and school"`
	Device    string   `json:"device,omitempty" enum:"clothespin,notched_stick,weight,spreader,peg_tie,tie,tie_up"`
	PegCM     float64  `json:"peg_cm,omitempty" minimum:"0" maximum:"1000"`
	AirC      *float64 `json:"air_c,omitempty" minimum:"-60" maximum:"60"`
	Between   string   `json:"between,omitempty" maxLength:"60" doc:"of a spreader: the other limb, where it stands between two; empty: on the trunk"`
}

// BendBody is the bend of a limb, before and after. Curves run from the fork.
type BendBody struct {
	Limb         string       `json:"limb"`
	AzimuthDeg   float64      `json:"azimuth_deg"`
	LengthCM     float64      `json:"length_cm"`
	DMM          float64      `json:"d_mm"`
	ForkCM       float64      `json:"fork_cm"`
	ContactCM    float64      `json:"contact_cm"`
	NowDeg       float64      `json:"now_deg"`
	AimDeg       float64      `json:"aim_deg"`
	LowDeg       float64      `json:"low_deg"`
	HighDeg      float64      `json:"high_deg"`
	Verdict      string       `json:"verdict" enum:"lower,raise,leave"`
	ToDeg        float64      `json:"to_deg"`
	TodayDeg     float64      `json:"today_deg"`
	SafeDeg      float64      `json:"safe_deg"`
	Stages       *int         `json:"stages,omitempty"`
	WeeksBetween int          `json:"weeks_between"`
	ForceN       float64      `json:"force_n"`
	Device       string       `json:"device"`
	DeviceName   string       `json:"device_name"`
	Why          string       `json:"why"`
	StandIn      string       `json:"stand_in"`
	How          string       `json:"how"`
	StickCM      float64      `json:"stick_cm"`
	TrunkCM      float64      `json:"trunk_cm"`
	PegCM        float64      `json:"peg_cm"`
	BestPegCM    float64      `json:"best_peg_cm"`
	CordCM       float64      `json:"cord_cm"`
	CordCutCM    float64      `json:"cord_cut_cm"`
	PullKG       float64      `json:"pull_kg"`
	MassKG       float64      `json:"mass_kg"`
	LoopMM       float64      `json:"loop_mm"`
	LoopCM       float64      `json:"loop_cm"`
	GrowsMM      float64      `json:"grows_mm"`
	WidensCM     float64      `json:"widens_cm"`
	Off          *almanac.Day `json:"off,omitempty"`
	Bound        string       `json:"bound,omitempty"`
	Rig          string       `json:"rig,omitempty" doc:"the device that holds it now"`
	Shortened    bool         `json:"shortened"`
	Between      *BridgeBody  `json:"between,omitempty" doc:"of a spreader between two limbs"`
	Partners     []string     `json:"partners" nullable:"false" doc:"limbs that a spreader could stand against"`
	Now          []OutUp      `json:"now" nullable:"false"`
	Bent         []OutUp      `json:"bent" nullable:"false"`
	Says         []string     `json:"says" nullable:"false"`
}

// BridgeBody is a stick between two limbs: what it does to the other.
type BridgeBody struct {
	Limb    string  `json:"limb" doc:"the other"`
	GapCM   float64 `json:"gap_cm" doc:"between the contacts, as they stand"`
	StickCM float64 `json:"stick_cm"`
	NowDeg  float64 `json:"now_deg" doc:"of the other limb"`
	ToDeg   float64 `json:"to_deg"`
	Says    string  `json:"says"`
}

// RigDone is what was done with a device.
type RigDone struct {
	Act     training.RigAct `json:"act"`
	Minutes float64         `json:"minutes,omitempty" minimum:"0" maximum:"1440"`
	Note    string          `json:"note,omitempty" maxLength:"2000"`
	Reason  string          `json:"reason,omitempty" maxLength:"2000"`
	Who     string          `json:"who,omitempty" maxLength:"500"`
}

// RigBody is a device that is on.
type RigBody struct {
	Rig       training.Rig  `json:"rig"`
	TreeID    string        `json:"tree_id"`
	Code      string        `json:"code"`
	Name      string        `json:"name"`
	On        almanac.Day   `json:"on"`
	Off       almanac.Day   `json:"off"`
	DaysLeft  int           `json:"days_left"`
	Over      bool          `json:"over"`
	Stays     bool          `json:"stays"`
	Due       bool          `json:"due" doc:"a look is due"`
	Checks    []almanac.Day `json:"checks" nullable:"false"`
	Looks     []almanac.Day `json:"looks" nullable:"false"`
	Test      *almanac.Day  `json:"test,omitempty"`
	RenewBy   *almanac.Day  `json:"renew_by,omitempty"`
	LoopState string        `json:"loop_state,omitempty" enum:"ok,soon,tight"`
	Says      string        `json:"says"`
	Warnings  []string      `json:"warnings" nullable:"false"`
}

// PlantingBody is the sheet of planting day.
type PlantingBody struct {
	Action    string        `json:"action" enum:"cut,leave"`
	NominalCM float64       `json:"nominal_cm"`
	LowCM     float64       `json:"low_cm"`
	HighCM    float64       `json:"high_cm"`
	HeightCM  float64       `json:"height_cm"`
	GraftCM   float64       `json:"graft_cm"`
	CutCM     *float64      `json:"cut_cm,omitempty"`
	Bud       string        `json:"bud,omitempty"`
	BudsBelow *int          `json:"buds_below,omitempty"`
	Buds      []StemBudBody `json:"buds" nullable:"false"`
	Says      []string      `json:"says" nullable:"false"`
	Checks    []CheckBody   `json:"checks" nullable:"false"`
	Buy       []CheckBody   `json:"buy" nullable:"false"`
	Pick      []string      `json:"pick" nullable:"false" doc:"what to look for in a nursery tree"`
	Waits     string        `json:"waits,omitempty"`
	From      *almanac.Day  `json:"from,omitempty"`
	To        *almanac.Day  `json:"to,omitempty"`
	Task      string        `json:"task,omitempty"`
	Done      bool          `json:"done"`
}

// StemBudBody is a bud on the stem.
type StemBudBody struct {
	ID         string  `json:"id"`
	HeightCM   float64 `json:"height_cm"`
	AzimuthDeg float64 `json:"azimuth_deg"`
}

// CheckBody is a line of a checklist.
type CheckBody = words.CheckLine

// NotchBody is which buds of a stem are woken.
type NotchBody struct {
	State    string        `json:"state" enum:"wait,open,last_days,closed"`
	Marks    []NotchMark   `json:"marks" nullable:"false"`
	Buds     []StemBudBody `json:"buds" nullable:"false"`
	Eligible int           `json:"eligible"`
	Short    int           `json:"short"`
	Says     []string      `json:"says" nullable:"false"`
}

// NotchMark is a bud with where the knife goes.
type NotchMark struct {
	Bud  string  `json:"bud"`
	AtCM float64 `json:"at_cm"`
}

// OpeningBody is a window behind a flat tree: along its plane from the trunk, toward side a, and over the ground.
type OpeningBody struct {
	FromCM float64 `json:"from_cm"`
	ToCM   float64 `json:"to_cm"`
	SillCM float64 `json:"sill_cm"`
	TopCM  float64 `json:"top_cm" doc:"0: not told"`
}

// WallBody is a flat tree on its wires.
type WallBody struct {
	AlongDeg    float64         `json:"along_deg" doc:"the bearing of side a"`
	Support     string          `json:"support" enum:"wall,posts" doc:"what holds its wires"`
	SideA       string          `json:"side_a"`
	SideB       string          `json:"side_b"`
	WiresCM     []float64       `json:"wires_cm" nullable:"false"`
	Windows     []OpeningBody   `json:"windows" nullable:"false" doc:"behind it: wires and arms leave them free"`
	GoalCM      float64         `json:"goal_cm"`
	LeaderCM    float64         `json:"leader_cm"`
	NextWireCM  float64         `json:"next_wire_cm"`
	LeaderDue   bool            `json:"leader_due"`
	LeaderCutCM *float64        `json:"leader_cut_cm,omitempty"`
	LeanDeg     float64         `json:"lean_deg"`
	YearFull    int             `json:"year_full"`
	Arms        []ArmBody       `json:"arms" nullable:"false"`
	Shoots      []WallShootBody `json:"shoots" nullable:"false" doc:"that arms are chosen from, from the ground up"`
	Off         []OffBody       `json:"off" nullable:"false"`
	Shorten     []string        `json:"shorten" nullable:"false"`
	Steps       []WallStep      `json:"steps" nullable:"false"`
	Hardware    []HardwareBody  `json:"hardware" nullable:"false"`
	Years       []WallYear      `json:"years" nullable:"false" doc:"how it comes to fill its wires"`
	Says        []string        `json:"says" nullable:"false"`
}

// WallShootBody is a shoot on the stem of a flat tree, and what it is.
type WallShootBody struct {
	Limb     string  `json:"limb"`
	Side     string  `json:"side"`
	HeightCM float64 `json:"height_cm"`
	AngleDeg float64 `json:"angle_deg"`
	LengthCM float64 `json:"length_cm"`
	State    string  `json:"state" enum:"arm,spare,out-of-plane"`
}

// WallYear is the tree on its wires in a year of its life.
type WallYear struct {
	Life     int           `json:"life"`
	Season   int           `json:"season"`
	Now      bool          `json:"now"`
	LeaderCM float64       `json:"leader_cm"`
	Arms     []WallYearArm `json:"arms" nullable:"false" doc:"by wire, from the lowest"`
	Says     string        `json:"says"`
}

// WallYearArm is how long the two arms of a wire are by then.
type WallYearArm struct {
	WireCM float64 `json:"wire_cm"`
	ArmCM  float64 `json:"arm_cm" doc:"0: none yet"`
	Lies   bool    `json:"lies" doc:"tied down; else they rise"`
}

// ArmBody is an arm on a wire.
type ArmBody struct {
	Limb            string    `json:"limb"`
	WireCM          float64   `json:"wire_cm"`
	Side            string    `json:"side" enum:"a,b"`
	State           string    `json:"state" enum:"rise,lay_base,finish"`
	LengthCM        float64   `json:"length_cm"`
	LayCM           float64   `json:"lay_cm"`
	Ties            []float64 `json:"ties" nullable:"false"`
	SeasonsToFinish int       `json:"seasons_to_finish"`
	Balance         string    `json:"balance" enum:"alone,even,lower_this,raise_this"`
	Lies            bool      `json:"lies" doc:"on its wire already"`
	TooClose        []string  `json:"too_close" nullable:"false"`
}

// OffBody is a shoot out of the plane.
type OffBody struct {
	Limb string  `json:"limb"`
	Deg  float64 `json:"deg"`
	Act  string  `json:"act" enum:"off,bring-back"`
}

// WallStep is a step at the wall, in order.
type WallStep struct {
	N     int    `json:"n"`
	Title string `json:"title"`
	Says  string `json:"says"`
	Kind  string `json:"kind" enum:"tie,cut"`
	Limb  string `json:"limb,omitempty"`
}

// HardwareBody is what the wires want, with what the house has.
type HardwareBody = words.HardwareLine

// GraftBody is wood for grafting.
type GraftBody struct {
	State     string           `json:"state" enum:"not_dormant,open,closing,late"`
	Pieces    int              `json:"pieces"`
	WeeksLeft float64          `json:"weeks_left"`
	Shoots    []GraftShootBody `json:"shoots" nullable:"false"`
	Says      []string         `json:"says" nullable:"false"`
}

// GraftShootBody is a shoot with the pieces it gives.
type GraftShootBody struct {
	Limb   string `json:"limb"`
	Pieces int    `json:"pieces"`
}

// GraftedBody is a graft that was made, or a look at one.
type GraftedBody struct {
	Date almanac.Day `json:"date"`
	Says string      `json:"says"`
}

// TrialBody is a trial with what it shows.
type TrialBody struct {
	Date    almanac.Day         `json:"date"`
	Task    string              `json:"task"`
	Arms    []training.TrialArm `json:"arms" nullable:"false"`
	LeftOut string              `json:"left_out,omitempty"`
	Says    []string            `json:"says" nullable:"false"`
}
