package pomology

// Bearing is the wood a kind fruits on; it decides every later cut. The letters are those of the growth table.
type Bearing string

// The five bearing habits.
const (
	OnSpurs       Bearing = "S"
	OnTips        Bearing = "T"
	OnLastYear    Bearing = "L"
	OnSpursAndNew Bearing = "M"
	OnThisYear    Bearing = "C"
)

// BearingHabit describes a bearing habit for a person.
type BearingHabit struct {
	Bearing Bearing
	Name    string
	Wood    string // on which wood fruit stands
	Means   string // what follows for the cut
}

var bearingHabits = []BearingHabit{
	{OnSpurs, "spur bearer", "short spurs on wood of two years and more", "keep the spurs; a side shoot cut off is fruit cut off"},
	{OnTips, "end-bud bearer", "short shoots from the end buds of last year", "never shorten every shoot: the ends carry the crop"},
	{OnLastYear, "last year's shoots", "last year's shoots only; a shoot bears once", "provoke new shoots every year and take out wood of three years"},
	{OnSpursAndNew, "spurs and last year's shoots", "short spurs on two-year wood and some on last year's shoots", "tidy it less; a busier middle is welcome"},
	{OnThisYear, "this year's growth", "shoots that grow this year from last year's end buds", "keep end buds where they bear; cut whole limbs rather than all tips"},
}

// Habit returns the description of a bearing habit.
func (b Bearing) Habit() BearingHabit {
	for _, h := range bearingHabits {
		if h.Bearing == b {
			return h
		}
	}
	return BearingHabit{Bearing: b}
}
