package almanac

import (
	"fmt"
)

// Purpose of a day's work; each asks other weather.
type Purpose string

// The purposes.
const (
	WinterPome  Purpose = "winter_pome"
	WinterStone Purpose = "winter_stone"
	BudCut      Purpose = "bud_cut"
	SummerPome  Purpose = "summer_pome"
	SummerStone Purpose = "summer_stone"
	Thinning    Purpose = "thinning"
)

// FitLimits are the weather limits of a purpose; limits themselves are allowed. Thresholds ours.
type FitLimits struct {
	After                                         int // dry days wanted afterwards
	RainMM, Pop, TminLow, TmaxLow, TmaxHigh, Gust float64
}

var fitTable = map[Purpose]FitLimits{
	WinterPome:  {1, 1, 0.5, -6, 0, 25, 45},
	WinterStone: {3, 0.2, 0.3, -2, 6, 25, 40},
	BudCut:      {1, 0.5, 0.4, -2, 5, 28, 40},
	SummerPome:  {1, 0.5, 0.4, 4, 12, 33, 45},
	SummerStone: {3, 0.2, 0.3, 4, 12, 33, 40},
	Thinning:    {0, 0.5, 0.5, 2, 8, 34, 50},
}

// LimitsFor gives the limits of a purpose. Error: unknown_purpose.
func LimitsFor(p Purpose) (FitLimits, error) {
	l, ok := fitTable[p]
	if !ok {
		return l, refuse("unknown_purpose", "purpose", p, "winter_pome, winter_stone, bud_cut, summer_pome, summer_stone or thinning")
	}
	return l, nil
}

// FitDay is the verdict on one day: Why is empty on a fit day, else rain, cold, hot, wind, rain_after or unknown_after.
type FitDay struct {
	Date Day
	Fit  bool
	Why  string
}

// FitDays marks the days of a forecast on which to work. Errors: unknown_purpose, series_short, series_order,
// bad_forecast.
func FitDays(p Purpose, days []ForecastDay) ([]FitDay, error) {
	l, err := LimitsFor(p)
	if err != nil {
		return nil, err
	}
	return FitDaysBy(l, days)
}

// FitDaysBy is FitDays by limits of one's own. Errors: series_short, series_order, bad_forecast.
func FitDaysBy(l FitLimits, days []ForecastDay) ([]FitDay, error) {
	if len(days) == 0 {
		return nil, refuse("series_short", "days", "none", "at least one day")
	}
	dry := make([]bool, len(days))
	for i, d := range days {
		if i > 0 && d.Date != days[i-1].Date+1 {
			return nil, refuse("series_order", fmt.Sprintf("days[%d].date", i), d.Date, "the day after "+days[i-1].Date.String())
		}
		if err := d.check(i); err != nil {
			return nil, err
		}
		dry[i] = d.RainMM <= l.RainMM && d.Pop <= l.Pop
	}
	out := make([]FitDay, len(days))
	for i, d := range days {
		out[i] = FitDay{Date: d.Date, Why: l.why(d, dry[i:])}
		out[i].Fit = out[i].Why == ""
	}
	return out, nil
}

// why gives the first reason against a day; dry starts with that day.
func (l FitLimits) why(d ForecastDay, dry []bool) string {
	switch {
	case !dry[0]:
		return "rain"
	case d.Tmin < l.TminLow || d.Tmax < l.TmaxLow:
		return "cold"
	case d.Tmax > l.TmaxHigh:
		return "hot"
	case d.GustKmh > l.Gust:
		return "wind"
	}
	after := dry[1:min(len(dry), 1+l.After)]
	for _, ok := range after {
		if !ok {
			return "rain_after"
		}
	}
	if len(after) < l.After {
		return "unknown_after"
	}
	return ""
}

func (d ForecastDay) check(i int) error {
	for _, v := range []struct {
		name   string
		x      float64
		lo, hi float64
	}{{"tmin", d.Tmin, -mostC, mostC}, {"tmax", d.Tmax, -mostC, mostC}, {"rain_mm", d.RainMM, 0, mostRainMM}, {"gust_kmh", d.GustKmh, 0, mostGustKmh}, {"pop", d.Pop, 0, 1}} {
		if !finite(v.x) || v.x < v.lo || v.x > v.hi {
			return refuse("bad_forecast", fmt.Sprintf("days[%d].%s", i, v.name), v.x, fmt.Sprintf("%v to %v", v.lo, v.hi))
		}
	}
	return nil
}
