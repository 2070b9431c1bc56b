package orchard

import "vertumna/core/almanac"

// SeasonBody is a tree's season, leaf fall to leaf fall: cold, warmth, stages, frost and fruit against what they ask for.
type SeasonBody struct {
	Day    almanac.Day      `json:"day"`
	Season int              `json:"season"`
	From   almanac.Day      `json:"from" doc:"first day of the rail"`
	To     almanac.Day      `json:"to"`
	TreeID string           `json:"tree_id"`
	Code   string           `json:"code"`
	Kind   string           `json:"kind_name"`
	Name   string           `json:"name,omitempty"`
	Known  *almanac.Day     `json:"known,omitempty" doc:"last day whose weather is known or forecast"`
	Chill  ChillBody        `json:"chill"`
	Warmth WarmthBody       `json:"warmth"`
	Stages []StageRowBody   `json:"stages" nullable:"false"`
	Frost  FrostBody        `json:"frost"`
	Fruit  FruitCurveBody   `json:"fruit"`
	See    []SeeBody        `json:"see" nullable:"false" doc:"stages that can be seen, the next ones first to be told"`
	Right  *RightBody       `json:"right,omitempty" doc:"how right the forecast of last season was"`
	Habit  string           `json:"habit,omitempty" doc:"what the tree's own past taught"`
	Says   []string         `json:"says" nullable:"false"`
	Count  *SeasonCountBody `json:"count,omitempty" doc:"the count that frost asks for"`
}

// ChillBody is the cold of a winter against its need.
type ChillBody struct {
	Need   float64        `json:"need" doc:"chill portions"`
	Got    float64        `json:"got" doc:"by the day shown"`
	Status string         `json:"status" enum:"met,short,unmet,waiting,observed"`
	Met    *almanac.Day   `json:"met,omitempty"`
	Early  *almanac.Day   `json:"met_early,omitempty"`
	Late   *almanac.Day   `json:"met_late,omitempty"`
	Days   []DayValueBody `json:"days" nullable:"false"`
	Says   string         `json:"says"`
}

// WarmthBody is the warmth after the cold, as a share of what full bloom asks for.
type WarmthBody struct {
	Heat float64        `json:"heat_gdh" doc:"growing degree hours where the cold is saturated"`
	Got  float64        `json:"got" doc:"share by the day shown"`
	Days []DayValueBody `json:"days" nullable:"false"`
	Says string         `json:"says"`
}

// DayValueBody is a number on a day.
type DayValueBody struct {
	Date  almanac.Day `json:"date"`
	Value float64     `json:"value"`
}

// StageRowBody is a stage: as it was forecast, as it is now, and as it was seen.
type StageRowBody struct {
	Stage     string         `json:"stage"`
	Name      string         `json:"name"`
	Group     string         `json:"group" enum:"rest,bloom,fruit,ripe"`
	Seen      *almanac.Day   `json:"seen,omitempty"`
	Forecasts []ForecastBody `json:"forecasts" nullable:"false" doc:"the oldest first; the last is of the day shown"`
	Past      bool           `json:"past" doc:"it has passed, seen or not"`
}

// ForecastBody is when a stage was expected on a day.
type ForecastBody struct {
	AsOf   almanac.Day `json:"as_of"`
	Why    string      `json:"why" enum:"new_year,seen,now"`
	Early  almanac.Day `json:"early"`
	Median almanac.Day `json:"median"`
	Late   almanac.Day `json:"late"`
}

// FrostBody are a season's nights of frost.
type FrostBody struct {
	Table  bool           `json:"table" doc:"its kind has a table of what kills"`
	Alive  float64        `json:"alive"`
	Enough float64        `json:"enough" doc:"so much alive still makes a crop"`
	Nights []NightBody    `json:"nights" nullable:"false"`
	Hardy  []DayValueBody `json:"hardy" nullable:"false" doc:"one bud or fruitlet in ten dies at this, C"`
	Last50 *almanac.Day   `json:"last_frost,omitempty" doc:"last frost, every other year"`
	Says   string         `json:"says"`
}

// NightBody is a night of frost.
type NightBody struct {
	Date   almanac.Day `json:"date"`
	TminC  float64     `json:"tmin_c"`
	Killed float64     `json:"killed"`
	Alive  float64     `json:"alive"`
	Ahead  bool        `json:"ahead"`
}

// FruitCurveBody is the size of the fruit against what is expected of it.
type FruitCurveBody struct {
	RipeMM   float64        `json:"ripe_mm"`
	Curve    []DayValueBody `json:"curve" nullable:"false"`
	Measured []DayValueBody `json:"measured" nullable:"false"`
	Of       int            `json:"of" doc:"the season the measured points are of"`
	Says     string         `json:"says"`
}

// SeeBody is a stage that one can see.
type SeeBody struct {
	Stage string       `json:"stage"`
	Name  string       `json:"name"`
	Hint  string       `json:"hint" doc:"how it looks"`
	State string       `json:"state" enum:"seen,likely,later,passed"`
	Date  *almanac.Day `json:"date,omitempty"`
	Entry string       `json:"entry_id,omitempty" doc:"what was logged, to be undone"`
}

// RightBody is how right a forecast was.
type RightBody struct {
	Season int            `json:"season"`
	AsOf   almanac.Day    `json:"as_of"`
	Rows   []RightRowBody `json:"rows" nullable:"false"`
	Says   string         `json:"says"`
}

// RightRowBody is a stage of last season: days from the middle of what was said.
type RightRowBody struct {
	Stage  string      `json:"stage"`
	Name   string      `json:"name"`
	Group  string      `json:"group" enum:"rest,bloom,fruit,ripe"`
	Late   int         `json:"days_late" doc:"days later than said; less than 0: earlier"`
	Early  int         `json:"span_early"`
	Until  int         `json:"span_late"`
	Inside bool        `json:"inside"`
	Seen   almanac.Day `json:"seen"`
}

// SeasonCountBody is the count that a frost asks for.
type SeasonCountBody struct {
	TaskID  string      `json:"task_id"`
	Closes  almanac.Day `json:"closes"`
	Minutes float64     `json:"minutes"`
	Says    string      `json:"says"`
}
