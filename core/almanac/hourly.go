package almanac

import (
	"math"
)

// TempDay is one day's least and greatest temperature. A missing value is NaN.
type TempDay struct {
	Date       Day
	Tmin, Tmax float64
}

// HourlySeries is a run of consecutive days with 24 temperatures each, at apparent solar hours 0..23.
type HourlySeries struct {
	Days  []TempDay // short holes filled
	Hours []float64 // 24 a day
}

// Hourly makes hourly temperatures from daily ones (Linvill 1990: sine by day, logarithmic decay by night; the night
// form is ours, made continuous). Up to three missing days are filled by straight lines. Errors: bad_latitude,
// series_short, temp_out_of_range, tmin_above_tmax, series_order, series_gap.
func Hourly(lat float64, days []TempDay) (HourlySeries, error) {
	if err := checkPlace(lat, 0); err != nil {
		return HourlySeries{}, err
	}
	filled, err := fillSeries(days)
	if err != nil {
		return HourlySeries{}, err
	}
	return hourly(lat, filled), nil
}

func fillSeries(days []TempDay) ([]TempDay, error) {
	if len(days) == 0 {
		return nil, refuse("series_short", "days", "none", "at least one day")
	}
	out := make([]TempDay, 0, len(days))
	for i, d := range days {
		for _, v := range []float64{d.Tmin, d.Tmax} {
			if !finite(v) || v < -60 || v > 60 {
				return nil, refuse("temp_out_of_range", "days["+d.Date.String()+"]", v, "-60 to 60")
			}
		}
		if d.Tmin > d.Tmax {
			return nil, refuse("tmin_above_tmax", "days["+d.Date.String()+"].tmin", d.Tmin, "at most tmax")
		}
		if i > 0 {
			p := days[i-1]
			gap := int(d.Date - p.Date)
			if gap < 1 {
				return nil, refuse("series_order", "days["+d.Date.String()+"]", d.Date, "a day after "+p.Date.String())
			}
			if gap > 4 {
				return nil, refuse("series_gap", "days["+d.Date.String()+"]", gap-1, "at most 3 missing days")
			}
			for k := 1; k < gap; k++ {
				w := float64(k) / float64(gap)
				out = append(out, TempDay{p.Date + Day(k), p.Tmin + (d.Tmin-p.Tmin)*w, p.Tmax + (d.Tmax-p.Tmax)*w})
			}
		}
		out = append(out, d)
	}
	return out, nil
}

// shortestHours is the least light and the least dark of a day that its temperatures are drawn by.
const shortestHours = 2

// dayLengthHours is the day length at a latitude, held to 2..22 hours.
func dayLengthHours(day Day, lat float64) float64 {
	return clamp(sunDay(day, lat, 0).DayLengthMin/60, shortestHours, 24-shortestHours)
}

func hourly(lat float64, days []TempDay) HourlySeries {
	lengths := make([]float64, len(days))
	for i, d := range days {
		lengths[i] = dayLengthHours(d.Date, lat)
	}
	return hourlyWith(days, lengths)
}

func hourlyWith(days []TempDay, lengths []float64) HourlySeries {
	n := len(days)
	out := HourlySeries{Days: days, Hours: make([]float64, 24*n)}
	atSunset := func(i int) float64 {
		d, dl := days[i], lengths[i]
		return d.Tmin + (d.Tmax-d.Tmin)*math.Sin(math.Pi*dl/(dl+4))
	}
	// ln(1 + h) has few arguments a day; the decay is T = Ts - (Ts - lo) ln(1 + hours since sunset)/ln(1 + night)
	for i := range n {
		p, q := max(i-1, 0), min(i+1, n-1)
		d, dl := days[i], lengths[i]
		rise, set := 12-dl/2, 12+dl/2
		setP, tsP := 12+lengths[p]/2, atSunset(p)
		ts, riseN := atSunset(i), 12-lengths[q]/2
		lnBefore := math.Log(1 + 24 - setP + rise)
		lnAfter := math.Log(1 + 24 - set + riseN)
		for hour := range 24 {
			h := float64(hour)
			var t float64
			switch {
			case h < rise:
				t = tsP - (tsP-d.Tmin)*math.Log(1+h+24-setP)/lnBefore
			case h <= set:
				t = d.Tmin + (d.Tmax-d.Tmin)*math.Sin(math.Pi*(h-rise)/(dl+4))
			default:
				t = ts - (ts-days[q].Tmin)*math.Log(1+h-set)/lnAfter
			}
			out.Hours[24*i+hour] = t
		}
	}
	return out
}
