package training

import (
	"math"
	"slices"

	"vertumna/core/given"
	"vertumna/core/num"
)

// SetTime asks how long a device stays on. Weeks are counted from bud break.
type SetTime struct {
	DiameterMM   float64 `json:"diameter_mm" in:"(0,1500]"`
	BendDeg      float64 `json:"bend_deg" in:"[0,120]"`
	StartWeek    float64 `json:"start_week" in:"[-52,52]"`
	GrowingWeeks float64 `json:"growing_weeks" in:"[8,45] = 24"`
	Device       string  `json:"device" in:"tie|other = tie"`
	School       string  `json:"school" in:"growth|six_months|season|two_years = six_months"`
}

// Set is the answer. Bound is set, or school where it comes off before the wood has set.
type Set struct {
	NeededWeeks float64  `json:"growing_weeks_needed"`
	SetWeek     float64  `json:"set_week"`
	OffWeek     float64  `json:"off_week"`
	WeeksOn     float64  `json:"weeks_on"`
	Bound       string   `json:"bound"`
	Warnings    []string `json:"warnings"`
}

// setWeeks are the growing weeks that wood of a thickness (mm) needs to keep a bend of 25 degrees (est.).
var setWeeks = [][2]float64{{5, 5}, {8, 6}, {12, 8}, {16, 14}, {20, 20}, {25, 26}, {32, 40}, {40, 56}}

const (
	yearWeeks     = 52
	dormantCounts = 0.15 // of a growing week
	usualBendDeg  = 25
	moveLoopWeeks = 26
	growthSchool  = 8
)

// SetOf is when the wood has set and when the device comes off, `set_time`. Errors: given.Faults.
func SetOf(in SetTime) (Set, error) {
	if err := given.Check(in).Err(); err != nil {
		return Set{}, err
	}
	out := Set{NeededWeeks: num.Lerp(setWeeks, in.DiameterMM) * num.Clamp(in.BendDeg/usualBendDeg, 0.6, 1.5), Bound: "set", Warnings: []string{}}
	out.SetWeek = in.gathered(out.NeededWeeks)
	longest := math.Inf(1)
	switch in.School {
	case "growth":
		longest = in.gathered(growthSchool)
	case "six_months":
		longest = in.StartWeek + yearWeeks/2
	case "season":
		longest = in.StartWeek + yearWeeks
	case "two_years":
		longest = in.StartWeek + 2*yearWeeks
	}
	if in.Device == "tie" {
		longest = math.Min(longest, in.StartWeek+yearWeeks)
	}
	out.OffWeek = out.SetWeek
	if longest < out.SetWeek-num.Slack {
		out.OffWeek, out.Bound = longest, "school"
		out.Warnings = append(out.Warnings, WNotSet)
	}
	out.WeeksOn = out.OffWeek - in.StartWeek
	if in.Device == "tie" && out.WeeksOn > moveLoopWeeks+num.Slack {
		out.Warnings = append(out.Warnings, WMoveLoop)
	}
	slices.Sort(out.Warnings)
	return out, nil
}

// gathered is the week by which so many growing weeks have come together since the start: growth and rest by turns.
func (in SetTime) gathered(needed float64) float64 {
	at := in.StartWeek
	year := math.Floor(at / yearWeeks)
	growing := at-year*yearWeeks < in.GrowingWeeks
	for {
		rate, until := 1.0, year*yearWeeks+in.GrowingWeeks
		if !growing {
			rate, until = dormantCounts, (year+1)*yearWeeks
			year++
		}
		gain := (until - at) * rate
		if gain >= needed {
			return at + needed/rate
		}
		needed -= gain
		at, growing = until, !growing
	}
}

// Gust is a day's wind.
type Gust struct {
	Day int     `json:"day" in:"[-1000,3000]"`
	KMH float64 `json:"kmh" in:"[0,400]"`
}

// DeviceChecks asks when a device is looked at. Days are whole numbers of one running count.
type DeviceChecks struct {
	OnDay        int     `json:"on_day" in:"[-1000,3000]"`
	OffDay       int     `json:"off_day" in:"[-1000,3000]"`
	BudBreakDay  int     `json:"bud_break_day" in:"[-1000,3000]"`
	SlowingDay   int     `json:"slowing_day" in:"[-1000,3000]"`
	GustLimitKMH float64 `json:"gust_limit_kmh" in:"[20,200] = 60"`
	Gusts        []Gust  `json:"gusts" in:"?"`
}

// DeviceCheck is a day to look, and why: settle, monthly, gust.
type DeviceCheck struct {
	Day     int      `json:"day"`
	Reasons []string `json:"reasons"`
}

// DeviceLooks is the answer.
type DeviceLooks struct {
	Checks []DeviceCheck `json:"checks"`
}

// SettleDays and MonthDays are when a device is first looked at, and how often in growth.
const (
	SettleDays = 7
	MonthDays  = 30
)

// ChecksOf are the days on which a device is looked at, `device_checks`: after a week, monthly in growth, after gusts. Errors:
// given.Faults.
func ChecksOf(in DeviceChecks) (DeviceLooks, error) {
	fs := given.Check(in)
	if len(fs) == 0 {
		if in.OffDay <= in.OnDay {
			fs.Add(given.Conflict, "off_day", num.Text(float64(in.OffDay)), "after day "+num.Text(float64(in.OnDay)))
		}
		if in.SlowingDay <= in.BudBreakDay {
			fs.Add(given.Conflict, "slowing_day", num.Text(float64(in.SlowingDay)), "after bud break")
		}
	}
	if err := fs.Err(); err != nil {
		return DeviceLooks{}, err
	}
	why := map[int][]string{}
	look := func(day int, reason string) {
		if day > in.OnDay && day < in.OffDay && !slices.Contains(why[day], reason) {
			why[day] = append(why[day], reason)
		}
	}
	look(in.OnDay+SettleDays, "settle")
	first := in.BudBreakDay
	if in.OnDay > in.BudBreakDay {
		first = in.OnDay + MonthDays
	}
	for day := first; day <= in.SlowingDay; day += MonthDays {
		look(day, "monthly")
	}
	for _, g := range in.Gusts {
		if g.KMH >= in.GustLimitKMH && g.Day >= in.OnDay {
			look(g.Day+1, "gust")
		}
	}
	out := DeviceLooks{Checks: []DeviceCheck{}}
	for day, reasons := range why {
		slices.Sort(reasons)
		out.Checks = append(out.Checks, DeviceCheck{day, reasons})
	}
	slices.SortFunc(out.Checks, func(a, b DeviceCheck) int { return a.Day - b.Day })
	return out, nil
}
