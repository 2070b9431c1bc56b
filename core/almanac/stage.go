package almanac

import "math"

// Stage is a stage of a tree's year.
type Stage int

// The stages in their order.
const (
	BudSwell Stage = iota
	BudBreak
	FirstBloom
	FullBloom
	PetalFall
	Fruit10
	Fruit18
	Fruit24
	PitHardening
	DropEnd
	ShootSlowing
	HarvestStart
	LeafFall
	StageCount
)

var stageNames = [StageCount]string{
	"bud_swell", "bud_break", "first_bloom", "full_bloom", "petal_fall", "fruit10", "fruit18", "fruit24",
	"pit_hardening", "drop_end", "shoot_slowing", "harvest_start", "leaf_fall",
}

func (s Stage) String() string {
	if s < 0 || s >= StageCount {
		return "unknown"
	}
	return stageNames[s]
}

// AllStages lists the stages in their order.
func AllStages() []Stage {
	out := make([]Stage, StageCount)
	for i := range out {
		out[i] = Stage(i)
	}
	return out
}

// ParseStage reads the name of a stage. Error: unknown_stage.
func ParseStage(name string) (Stage, error) {
	for i, n := range stageNames {
		if n == name {
			return Stage(i), nil
		}
	}
	return 0, refuse("unknown_stage", "stage", name, "the name of a stage")
}

// MarshalText writes the stage's name.
func (s Stage) MarshalText() ([]byte, error) { return []byte(s.String()), nil }

// UnmarshalText reads a stage's name.
func (s *Stage) UnmarshalText(b []byte) error {
	v, err := ParseStage(string(b))
	if err == nil {
		*s = v
	}
	return err
}

func (s Stage) spring() bool { return s <= FullBloom }
func (s Stage) fruit() bool {
	return s >= PetalFall && s <= DropEnd || s == HarvestStart
}

// NoDay stands for a stage or date that is not reached.
const NoDay Day = math.MinInt32

// Known says whether the day is a real one.
func (d Day) Known() bool { return d != NoDay }

// Dates holds a day for each stage, NoDay where there is none.
type Dates [StageCount]Day

func noDates() Dates {
	var d Dates
	for i := range d {
		d[i] = NoDay
	}
	return d
}

// fixed holds the fixed days of a season: as days of any year, or of one.
type fixed[T any] struct {
	need, fallBeforeFrom, fallBeforeTo, early, start, late, stall, force, solstice, fallFrom, fallTo, end T
}

type calendar = fixed[Day]

// The fixed days, months counted from January of the season's year: 0 is December of the year before.
var (
	northDays = fixed[MonthDay]{
		need: MonthDay{-3, 1}, fallBeforeFrom: MonthDay{-3, 15}, fallBeforeTo: MonthDay{0, 20}, early: MonthDay{-2, 1},
		start: MonthDay{-1, 1}, late: MonthDay{0, 1}, stall: MonthDay{1, 15}, force: MonthDay{4, 15},
		solstice: MonthDay{6, 21}, fallFrom: MonthDay{9, 15}, fallTo: MonthDay{12, 20}, end: MonthDay{12, 31},
	}
	southDays = fixed[MonthDay]{
		need: MonthDay{3, 1}, fallBeforeFrom: MonthDay{3, 15}, fallBeforeTo: MonthDay{6, 20}, early: MonthDay{4, 1},
		start: MonthDay{5, 1}, late: MonthDay{6, 1}, stall: MonthDay{7, 15}, force: MonthDay{10, 15},
		solstice: MonthDay{12, 21}, fallFrom: MonthDay{15, 15}, fallTo: MonthDay{18, 20}, end: MonthDay{18, 30},
	}
)

func calendarOf(season int, south bool) calendar {
	d := &northDays
	if south {
		d = &southDays
	}
	return calendar{
		need: d.need.In(season), fallBeforeFrom: d.fallBeforeFrom.In(season), fallBeforeTo: d.fallBeforeTo.In(season), early: d.early.In(season),
		start: d.start.In(season), late: d.late.In(season), stall: d.stall.In(season), force: d.force.In(season),
		solstice: d.solstice.In(season), fallFrom: d.fallFrom.In(season), fallTo: d.fallTo.In(season), end: d.end.In(season),
	}
}

// SeasonStart is the day from which a season's weather should be given.
func SeasonStart(season int, south bool) Day {
	if south {
		return DateOf(season, 2, 1)
	}
	return DateOf(season, 2-12/2, 1)
}

// EarliestStage is the first day on which a stage of a season can be seen.
func EarliestStage(season int, south bool) Day { return calendarOf(season, south).early }

// SeasonEnd is the last day of a season's weather.
func SeasonEnd(season int, south bool) Day { return calendarOf(season, south).end }

// Solstice is the summer solstice of a season as the stage model has it.
func Solstice(season int, south bool) Day { return calendarOf(season, south).solstice }
