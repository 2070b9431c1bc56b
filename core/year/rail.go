package year

import (
	"math"
	"sort"

	"vertumna/core/almanac"
)

// Band is a soft stretch of the rail: dormancy, bloom, growth or ripening of the yard's own trees.
type Band struct {
	Name     string
	From, To almanac.Day
}

// FrostTick is the chance of frost on one night of a week.
type FrostTick struct {
	Day  almanac.Day
	Risk float64
}

// Equinoxes are the local dates of a season's spring and autumn equinox.
func Equinoxes(site *almanac.Site, season int) (spring, autumn almanac.Day) {
	in := func(year int, march bool) almanac.Day {
		se, err := almanac.SeasonsOf(year)
		if err != nil {
			return almanac.NoDay
		}
		if march {
			return se.March.Day(site.UTCOffsetMin)
		}
		return se.September.Day(site.UTCOffsetMin)
	}
	if site.South() {
		return in(season, false), in(season+1, true)
	}
	return in(season, true), in(season, false)
}

// FrostTicks are the weekly chances of a frost on one night, from the normals.
func FrostTicks(site *almanac.Site, pl *Plan) []FrostTick {
	out := []FrostTick{}
	for d := pl.From; d <= pl.To; d += 7 {
		n, err := almanac.NormalsOn(site, d)
		if err != nil {
			continue
		}
		if risk := math.Erfc(n.Tmin/math.Hypot(n.Sd, 0.125*n.Range)/math.Sqrt2) / 2; risk >= 0.02 {
			out = append(out, FrostTick{d, math.Round(100*risk) / 100})
		}
	}
	return out
}

// Bands are the medians of the yard's own trees: dormancy to bud break, bloom, growth to its slowing, ripening.
func Bands(pl *Plan) []Band {
	median := func(anchor string) almanac.Day {
		var ds []almanac.Day
		for i := range pl.Trees {
			if d := pl.Trees[i].Anchors.Day(anchor); d.Known() {
				ds = append(ds, d)
			}
		}
		if len(ds) == 0 {
			return almanac.NoDay
		}
		sort.Slice(ds, func(i, j int) bool { return ds[i] < ds[j] })
		return ds[len(ds)/2]
	}
	out := []Band{}
	add := func(name string, from, to almanac.Day) {
		if from.Known() && to.Known() && from < to {
			out = append(out, Band{name, max(from, pl.From), min(to, pl.To)})
		}
	}
	swell, bloom, petal := median("bud_swell"), median("first_bloom"), median("petal_fall")
	slow, fall := median("shoot_slowing"), median("leaf_fall")
	add("Dormancy", max(pl.From, median(LeafFallBefore)), swell)
	add("Bloom", bloom, petal)
	add("Growth", petal, slow)
	add("Ripening", slow, fall)
	return out
}
