package days

import (
	"math"

	"vertumna/core/almanac"
	"vertumna/core/year"
)

// Work is what the weather of a day is judged for: a purpose of the almanac, or one of the plain conditions below; empty: any weather.
type Work string

// Work beyond the almanac's purposes. Conditions are our own.
const (
	AnyWeather Work = ""
	DryBark    Work = "dry_bark" // paint, grafts, bags and picking: dry
	Bending    Work = "bending"  // wood that is bent: neither brittle in frost nor in heat
)

// frostBrittle: wood is bent no colder (year.md#tasks, -4 C); heatBrittle: nor hotter (ours, as for cuts in leaf).
const (
	frostBrittle = -4
	heatBrittle  = 33
	dryMM        = 0.5
	dryPop       = 0.5
	bagGust      = 45
)

func workOf(t *year.Task, tree *year.Tree) Work {
	if tree != nil {
		if p, ok := year.PurposeOf(t, tree); ok {
			return Work(p)
		}
	}
	switch t.Kind {
	case year.Paint, year.Graft, year.Bag, year.HarvestTask, year.LeavesOff:
		return DryBark
	case year.Bend, year.TieArms, year.ReleaseTest:
		return Bending
	case year.Notching, year.Sprouts, year.SproutVisit, year.ChooseShoot: // small soft wounds
		return DryBark
	}
	return AnyWeather
}

// certain is how many days ahead a forecast decides; what it says beyond is asked only of days it leaves in doubt (almanac.md#i-days-fit-for-cutting: the error
// grows with the lead).
const certain = 10

// calm is the first day ahead that a wobble of the forecast beyond the certain days may move.
const calm = 7

// Sky is what is known of the weather ahead. The forecast starts on the day shown, or is empty.
type Sky struct {
	Site     *almanac.Site
	Forecast []almanac.ForecastDay
}

// verdict on a day for a work.
type verdict struct {
	fit      bool
	why      string
	forecast bool    // the forecast says so
	chance   float64 // where it does not reach
}

// judge knows which days are fit for which work, counted from the day shown.
type judge struct {
	rows map[Work]*row
}

// row is one work's days: by the forecast as far as it reaches, and the chance that usual weather gives.
type row struct {
	known []almanac.FitDay
	usual []float64 // nil: any weather suits
}

// newJudge judges n days from the day shown. Error: those of FitDays and NormalsOn. Cost: kinds of work times days.
func newJudge(sky Sky, shown almanac.Day, n, leads int, works map[Work]bool) (*judge, error) {
	j := &judge{rows: map[Work]*row{}}
	ahead := sky.Forecast
	if len(ahead) > 0 && ahead[0].Date != shown {
		ahead = nil
	}
	ahead = ahead[:min(len(ahead), leads+1)]
	normals, err := almanac.NormalsOver(sky.Site, shown, n)
	if err != nil {
		return nil, err
	}
	for w := range works {
		r := &row{}
		j.rows[w] = r
		if w == AnyWeather {
			continue
		}
		l, err := limitsOf(w)
		if err != nil {
			return nil, err
		}
		if len(ahead) > 0 {
			if r.known, err = almanac.FitDaysBy(l, ahead); err != nil {
				return nil, err
			}
		}
		r.usual = make([]float64, n)
		for i := range r.usual {
			r.usual[i] = usually(l, normals[i])
		}
	}
	return j, nil
}

func limitsOf(w Work) (almanac.FitLimits, error) {
	switch w {
	case DryBark:
		return almanac.FitLimits{RainMM: dryMM, Pop: dryPop, TminLow: -60, TmaxLow: -60, TmaxHigh: 60, Gust: bagGust}, nil
	case Bending:
		return almanac.FitLimits{RainMM: 2000, Pop: 1, TminLow: frostBrittle, TmaxLow: -60, TmaxHigh: heatBrittle, Gust: 400}, nil
	}
	return almanac.LimitsFor(almanac.Purpose(w))
}

// calmShare of days are not too windy where nothing is known of the wind; ours.
const calmShare = 0.95

// usually is the chance that a day of usual weather is fit: dry then and so many days after (each dry day makes the next likelier: 0.75 of
// the usual chance of rain), and within the limits of temperature.
func usually(l almanac.FitLimits, v almanac.DayNormals) float64 {
	if l.RainMM >= 2000 {
		return warmEnough(l, v)
	}
	dry := (1 - v.Wet) * math.Pow(1-0.75*v.Wet, float64(l.After))
	return dry * warmEnough(l, v) * calmShare
}

func warmEnough(l almanac.FitLimits, v almanac.DayNormals) float64 {
	s := math.Hypot(v.Sd, 0.125*v.Range)
	below := func(x, mean float64) float64 { return math.Erfc(-(x-mean)/s/math.Sqrt2) / 2 }
	cold := max(below(l.TminLow, v.Tmin), below(l.TmaxLow, v.Tmax))
	return max(0, 1-cold-(1-below(l.TmaxHigh, v.Tmax)))
}

// on judges the day so many days on.
func (r *row) on(i int) verdict {
	switch {
	case r.usual == nil:
		return verdict{fit: true, chance: 1}
	case i < len(r.known) && r.known[i].Why != "unknown_after":
		return verdict{fit: r.known[i].Fit, why: r.known[i].Why, forecast: true, chance: 1}
	}
	return verdict{fit: true, chance: r.usual[i]}
}
