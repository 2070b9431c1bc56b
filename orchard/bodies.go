package orchard

import (
	"vertumna/core/almanac"
	"vertumna/core/year"
)

// PlanBody is a season of an orchard as it stands on the day shown: what the rail, the rings and the year are drawn from.
type PlanBody struct {
	Day        almanac.Day   `json:"day"`
	Today      almanac.Day   `json:"today"`
	Season     int           `json:"season"`
	From       almanac.Day   `json:"from" doc:"first day of the rail"`
	To         almanac.Day   `json:"to"`
	South      bool          `json:"south"`
	Summer     almanac.Day   `json:"summer_solstice"`
	Winter     almanac.Day   `json:"winter_solstice"`
	Spring     almanac.Day   `json:"spring_equinox"`
	Autumn     almanac.Day   `json:"autumn_equinox"`
	DayHours   float64       `json:"day_hours" doc:"length of the day shown"`
	ReachM     float64       `json:"reach_m"`
	ReachKnown bool          `json:"reach_known"`
	ReachSays  string        `json:"reach_says" doc:"what the reach line is made from"`
	HoursAWeek float64       `json:"hours_a_week"`
	Frost      []FrostTick   `json:"frost" nullable:"false"`
	Bands      []Band        `json:"bands" nullable:"false"`
	StageSays  string        `json:"stage_says"`
	NextSays   string        `json:"next_says"`
	Trees      []TreeSummary `json:"trees" nullable:"false"`
	Orchard    []Bar         `json:"orchard" nullable:"false" doc:"the orchard's own jobs"`
	LocalRules string        `json:"local_rules"`
	SetAside   []string      `json:"set_aside" nullable:"false" doc:"what of the orchard cannot be read, and is left out"`
}

// FrostTick is the chance of frost in a week of the rail.
type FrostTick struct {
	Day  almanac.Day `json:"day"`
	Risk float64     `json:"risk" doc:"0..1"`
}

// Band is a soft band of the rail.
type Band struct {
	Name string      `json:"name" enum:"Dormancy,Bloom,Growth,Ripening"`
	From almanac.Day `json:"from"`
	To   almanac.Day `json:"to"`
}

// TreeSummary is a tree on the plan, the rail and the year.
type TreeSummary struct {
	ID        string       `json:"id"`
	Code      string       `json:"code"`
	Kind      string       `json:"kind"`
	KindName  string       `json:"kind_name"`
	Name      string       `json:"name,omitempty"`
	Form      string       `json:"form"`
	Hole      string       `json:"hole,omitempty" doc:"trees of one hole share this mark"`
	Class     string       `json:"class" doc:"vigour class as it was said; empty: not known"`
	Guessed   bool         `json:"class_guessed"`
	Age       int          `json:"age" doc:"growing seasons begun; 99 unknown"`
	Aim       year.Aim     `json:"aim"`
	AimSays   string       `json:"aim_says"`
	Stage     string       `json:"stage"`
	StageSays string       `json:"stage_says"`
	X         float64      `json:"x"`
	Y         float64      `json:"y"`
	HeightM   float64      `json:"height_m"`
	HeightBy  string       `json:"height_by,omitempty" enum:"map" doc:"its limb map told the height; else it was measured"`
	HeightOn  *almanac.Day `json:"height_on,omitempty" doc:"the day it was that high"`
	SpreadM   float64      `json:"spread_m" doc:"drawn spread: measured, else the kind's at its class"`
	Estimated bool         `json:"estimated" doc:"the spread drawn is an estimate"`
	ReachM    float64      `json:"reach_m"`
	RootsM    float64      `json:"roots_m" doc:"guessed reach of the roots from the stem"`
	Account   AccountBody  `json:"account"`
	Bars      []Bar        `json:"bars" nullable:"false"`
	Warnings  []Says       `json:"warnings" nullable:"false"`
	NextBar   string       `json:"next,omitempty" doc:"id of its next task"`
}

// AccountBody is a tree's year of account.
type AccountBody struct {
	From      *almanac.Day `json:"from,omitempty"`
	To        *almanac.Day `json:"to,omitempty"`
	Limit     float64      `json:"limit"`
	Removed   float64      `json:"removed"`
	Dormant   float64      `json:"dormant"`
	Summer    float64      `json:"summer"`
	Left      float64      `json:"left" doc:"of the crown as it stands now"`
	Exempt    bool         `json:"exempt"`
	Estimated bool         `json:"estimated"`
	Carried   []Says       `json:"carried" nullable:"false"`
	Says      string       `json:"says"`
}

// Bar is a task's window as it is drawn.
type Bar struct {
	ID       string        `json:"id"`
	Kind     year.TaskKind `json:"kind"`
	Title    string        `json:"title"`
	Short    string        `json:"short"`
	Mark     year.Mark     `json:"mark"`
	Opens    almanac.Day   `json:"opens"`
	Closes   almanac.Day   `json:"closes"`
	State    year.State    `json:"state"`
	Group    year.Group    `json:"group,omitempty"`
	Minutes  float64       `json:"minutes"`
	Cut      bool          `json:"cut"`
	Optional bool          `json:"optional,omitempty" doc:"nothing is lost when it is left"`
}

// Says is evidence with its sentence.
type Says struct {
	Rule      string       `json:"rule"`
	Anchor    string       `json:"anchor,omitempty"`
	Day       *almanac.Day `json:"day,omitempty"`
	Number    float64      `json:"number,omitempty"`
	Threshold float64      `json:"threshold,omitempty"`
	Unit      string       `json:"unit,omitempty"`
	Choice    string       `json:"choice,omitempty"`
	Value     string       `json:"value,omitempty"`
	Says      string       `json:"says"`
}

// TaskBody is a task with its evidence and words.
type TaskBody struct {
	Bar
	TreeID      string       `json:"tree_id,omitempty"`
	Code        string       `json:"code,omitempty"`
	TreeName    string       `json:"tree_name,omitempty"`
	KindName    string       `json:"kind_name,omitempty"`
	Season      int          `json:"season"`
	OpensSays   string       `json:"opens_says"`
	ClosesSays  string       `json:"closes_says"`
	OpensEarly  almanac.Day  `json:"opens_early"`
	ClosesLate  almanac.Day  `json:"closes_late"`
	Reasons     []Says       `json:"reasons" nullable:"false"`
	Held        []Says       `json:"held" nullable:"false"`
	Cautions    []string     `json:"cautions" nullable:"false"`
	MinutesSays string       `json:"minutes_says"`
	Estimated   bool         `json:"minutes_estimated"`
	Share       float64      `json:"share,omitempty"`
	Instead     string       `json:"instead,omitempty"`
	Others      []OtherBody  `json:"others" nullable:"false"`
	Grades      []GradeBody  `json:"grades" nullable:"false"`
	Trouble     string       `json:"trouble,omitempty" doc:"what went not as meant last time"`
	Steps       []string     `json:"steps,omitempty" nullable:"false" doc:"of a cut on a tree without a limb map: what to look for, in the order of the work"`
	SetFor      *almanac.Day `json:"set_for,omitempty" doc:"the day it is planned for"`
	SetSays     string       `json:"set_says,omitempty" doc:"why that day"`
	Weather     string       `json:"weather,omitempty" doc:"of a job due now: that its day is not fit, and the first that is"`
}

// GradeBody is a stretch of days with how good it is.
type GradeBody struct {
	From  *almanac.Day `json:"from,omitempty"`
	To    *almanac.Day `json:"to,omitempty"`
	Level year.Level   `json:"level"`
	Says  string       `json:"says"`
}

// OtherBody is what another school would do.
type OtherBody struct {
	Preset string       `json:"preset"`
	Kind   string       `json:"kind"`
	Opens  *almanac.Day `json:"opens,omitempty"`
	Closes *almanac.Day `json:"closes,omitempty"`
	Never  bool         `json:"never"`
	Says   string       `json:"says"`
}

// DocketBody is the docket in its groups, with what was missed and what has weeks yet.
type DocketBody struct {
	Day         almanac.Day   `json:"day"`
	MinutesSays string        `json:"minutes_says"`
	Minutes     float64       `json:"minutes"`
	Now         []TaskBody    `json:"now" nullable:"false"`
	Closing     []TaskBody    `json:"closing" nullable:"false"`
	Opening     []TaskBody    `json:"opening" nullable:"false"`
	Wait        []TaskBody    `json:"wait" nullable:"false"`
	Missed      []TaskBody    `json:"missed" nullable:"false"`
	Anytime     []TaskBody    `json:"anytime" nullable:"false" doc:"open for weeks yet, and nothing is lost by waiting"`
	LocalRules  string        `json:"local_rules"`
	See         []SeeKindBody `json:"see" nullable:"false" doc:"stages that may be seen about now, by kind"`
}

// SeeKindBody is a stage that trees of a kind may show about now.
type SeeKindBody struct {
	Stage string        `json:"stage"`
	Says  string        `json:"says"`
	Hint  string        `json:"hint" doc:"how it looks"`
	Trees []SeeTreeBody `json:"trees" nullable:"false"`
}

// SeeTreeBody is a tree that may show it.
type SeeTreeBody struct {
	ID   string `json:"id"`
	Code string `json:"code"`
}

// TreePlanBody is the year of one tree with all its evidence.
type TreePlanBody struct {
	Day     almanac.Day  `json:"day"`
	Summary TreeSummary  `json:"summary"`
	Tasks   []TaskBody   `json:"tasks" nullable:"false"`
	Anchors []AnchorBody `json:"anchors" nullable:"false"`
	Roots   string       `json:"roots,omitempty" doc:"where they may get under a building"`
	Resists string       `json:"resists,omitempty" doc:"the sicknesses it resists, as its owner knows it"`
	Company []OverlapRow `json:"company" nullable:"false"`
}

// AnchorBody is a dated point of a tree's year.
type AnchorBody struct {
	Name   string      `json:"name"`
	Says   string      `json:"says"`
	Day    almanac.Day `json:"day"`
	Early  almanac.Day `json:"early"`
	Late   almanac.Day `json:"late"`
	Source string      `json:"source"`
}

// OverlapRow is a partner in bloom with the days of overlap.
type OverlapRow struct {
	Partner string `json:"partner" doc:"code of the partner"`
	Days    int    `json:"days"`
	Enough  bool   `json:"enough"`
}
