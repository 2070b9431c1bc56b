package almanac

import "math"

// Growing degree hour: Anderson, Richardson and Kesner 1986 (ASYMCUR), base 4, optimum 25, critical 36.
const (
	gdhBase, gdhOpt, gdhCrit = 4.0, 25.0, 36.0
	gdhMost                  = 21.0 // of an hour at the optimum
	gddBase                  = 4.5
	// StageCap is the most degree days of one day where stages are dated (ours).
	StageCap = 14.0
)

// GDH is the growing degree hours of one hour at t.
func GDH(t float64) float64 {
	switch {
	case t <= gdhBase || t >= gdhCrit:
		return 0
	case t <= gdhOpt:
		return gdhMost / 2 * (1 + math.Cos(math.Pi+math.Pi*(t-gdhBase)/(gdhOpt-gdhBase)))
	}
	return gdhMost * (1 + math.Cos(math.Pi/2+math.Pi/2*(t-gdhOpt)/(gdhCrit-gdhOpt)))
}

// DegreeDays is the degree days of one day after full bloom; cap limits a day, +Inf for the plain count.
func DegreeDays(tmin, tmax, cap float64) float64 {
	return math.Min(cap, math.Max(0, (tmin+tmax)/2-gddBase))
}
