package almanac

import "math"

// Beside is one day as a thermometer on the plot read it, and as the station told it.
type Beside struct{ Own, Station TempDay }

// Differ is how a plot's nights and days stand against the station's, C: a hollow is colder at night, a wall warmer.
type Differ struct {
	Tmin, Tmax float64
	Days       int // that taught it
}

// What teaches a difference (our estimates).
const (
	leastBeside = 5    // fewer days tell nothing
	mostBeside  = 60   // older ones tell of another season
	besideDoubt = 7.0  // days' worth of doubt: seven days move it by half
	besideMost  = 10.0 // a difference that is larger is a slip of the pen, or another unit
)

// DifferOf learns a plot's difference from days that were read on it beside the station's, in order: their mean, shrunk toward none.
func DifferOf(days []Beside) Differ {
	var lo, hi float64
	n := 0
	for i := len(days) - 1; i >= 0 && n < mostBeside; i-- {
		a, b := days[i].Own.Tmin-days[i].Station.Tmin, days[i].Own.Tmax-days[i].Station.Tmax
		if math.Abs(a) > besideMost || math.Abs(b) > besideMost {
			continue
		}
		lo, hi, n = lo+a, hi+b, n+1
	}
	if n < leastBeside {
		return Differ{}
	}
	share := 1 / (float64(n) + besideDoubt)
	return Differ{round1(lo * share), round1(hi * share), n}
}

// On is a station's temperatures as they would be on the plot: never the night warmer than the day.
func (d Differ) On(tmin, tmax float64) (float64, float64) {
	lo, hi := round1(tmin+d.Tmin), round1(tmax+d.Tmax)
	if lo > hi {
		lo = math.Min(tmin, hi)
	}
	return lo, math.Max(lo, hi)
}
