package growth

import (
	"slices"

	"vertumna/core/limb"
)

// Seen is a tree at a winter, in the three numbers a grower looks at first.
type Seen struct {
	HeightCM float64
	ShootCM  float64 // mean of last season's extension of the end shoots that grew
	Sprouts  int     // water sprouts of one season
}

// Came sets the forecast of a season beside what came.
type Came struct {
	Forecast, Came Seen
	Verdict        string   // as-forecast, stronger, weaker
	Cuts           []Answer // cut by cut, the strongest answers first
}

// Verdicts on a forecast.
const (
	AsForecast = "as-forecast"
	Stronger   = "stronger"
	Weaker     = "weaker"
)

// nearForecast is how far shoots may be from their forecast and still count as forecast (est.).
const nearForecast = 0.25

// Made are cuts that a tree's map shows already, with the map they were made on.
type Made struct {
	On   *limb.Map
	Cuts []limb.CutAt
}

// Compare grows a tree from a winter through the work that was done after its map was drawn, and sets it beside the map of the next
// winter; made are the cuts of that winter before. Cost: one season. Errors: those of Grow.
func Compare(before Tree, work Work, now *limb.Map, made ...Made) (Came, error) {
	next, err := Next(before, work)
	if err != nil {
		return Came{}, err
	}
	out := Came{Forecast: seenOf(next.Map), Came: seenOf(now), Verdict: AsForecast, Cuts: answers(before.Map, next.Map, now, work, made)}
	switch f, c := out.Forecast.ShootCM, out.Came.ShootCM; {
	case c > (1+nearForecast)*f:
		out.Verdict = Stronger
	case c < (1-nearForecast)*f:
		out.Verdict = Weaker
	}
	return out, nil
}

func seenOf(m *limb.Map) Seen {
	out := Seen{HeightCM: m.Height()}
	sum, n := 0.0, 0
	for i := range m.Axes {
		a := &m.Axes[i]
		if m.WhollyDead(i) || len(a.Rings) == 0 {
			continue
		}
		if a.Sprout && len(a.Rings) == 1 {
			out.Sprouts++
			continue
		}
		if _, last := a.LastRing(); a.Tip == limb.Growing && !slices.Contains(a.Tags, limb.Fresh) && last > 0 {
			sum, n = sum+last, n+1
		}
	}
	if n > 0 {
		out.ShootCM = sum / float64(n)
	}
	return out
}
