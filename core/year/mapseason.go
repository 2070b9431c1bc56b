package year

import (
	"vertumna/core/almanac"
	"vertumna/core/limb"
)

// growthFrom is the day of the rail's year on which a map counts as taken in growth: 1 May, or 1 November in the south.
const growthFrom = 181

// MapSeason tells the growth year and season of a limb map taken on a day: the year that comes next (dormant) or runs
// (summer), named by its bloom.
func MapSeason(d almanac.Day, south bool) (int, limb.Season) {
	season := SeasonOf(d, south)
	from, _ := Rail(season, south)
	if int(d-from) >= growthFrom {
		return season, limb.Summer
	}
	return season, limb.Dormant
}

// GrowthFrom is the first day of a season on which a map counts as taken in growth.
func GrowthFrom(season int, south bool) almanac.Day {
	from, _ := Rail(season, south)
	return from + growthFrom
}
