package almanac

import (
	"fmt"
	"math"
)

// SeasonLate is how many days later than predicted a stage group came in one season.
type SeasonLate struct {
	Season   int
	DaysLate float64
}

// LearnOffset learns a tree's own habit from its seasons: a weighted mean shrunk toward zero (almanac.md#g7-learning-a-trees-habit). Error:
// bad_offset beyond 60 days.
func LearnOffset(history []SeasonLate) (float64, error) {
	sum, count := map[int]float64{}, map[int]float64{}
	lo, hi := math.MaxInt, math.MinInt
	for i, h := range history {
		if !finite(h.DaysLate) || math.Abs(h.DaysLate) > maxOffset {
			return 0, refuse("bad_offset", fmt.Sprintf("history[%d].days_late", i), h.DaysLate, "-60 to 60")
		}
		sum[h.Season] += clamp(h.DaysLate, -clipOffset, clipOffset)
		count[h.Season]++
		lo, hi = min(lo, h.Season), max(hi, h.Season)
	}
	top, weight := 0.0, 0.0
	for y := lo; y <= hi; y++ {
		if count[y] > 0 {
			w := math.Pow(yearFades, float64(hi-y))
			top += w * sum[y] / count[y]
			weight += w
		}
	}
	return top / (2 + weight), nil
}
