package year

import (
	"vertumna/core/almanac"
)

// Lag is by how many days a tree runs late against the model, as its own past seasons taught: before bloom, and after it.
type Lag struct {
	Spring, Fruit float64
	Seasons       int // that taught it
}

// LagOf learns a tree's habit from the stages that were seen on it in seasons whose weather is known to the day they were seen
// (almanac.md#g7-learning-a-trees-habit). The ensembles are of seasons before the one planned. Errors: those of almanac.Stages and LearnOffset.
func LagOf(t *Tree, entries []Entry, past []*almanac.Ensemble, south bool) (Lag, error) {
	var spring, fruit []almanac.SeasonLate
	taught := map[int]bool{}
	for _, e := range past {
		seen, before := observations(t, entries, e.Season, south)
		if len(seen) == 0 || !e.Known.Known() {
			continue
		}
		req := almanac.StageRequest{Kind: t.Kind, ChillClass: t.Chill, BloomClass: t.Bloom, HarvestClass: t.Harvest, LeafFallBefore: before}
		for _, group := range []struct {
			late  *[]almanac.SeasonLate
			holds func(almanac.Stage) bool
		}{
			{&spring, func(s almanac.Stage) bool { return s <= almanac.FullBloom }},
			{&fruit, func(s almanac.Stage) bool {
				return s > almanac.FullBloom && s != almanac.ShootSlowing && s != almanac.LeafFall
			}},
		} {
			with := req
			if group.late == &fruit { // fruit is held against its bloom as it was seen
				for _, o := range seen {
					if o.Stage == almanac.FullBloom {
						with.Observed = append(with.Observed, o)
					}
				}
				if len(with.Observed) == 0 {
					continue
				}
			}
			spans, err := e.Stages(with)
			if err != nil {
				return Lag{}, err
			}
			for _, o := range seen {
				said := spans.Spans[o.Stage].Median
				if !group.holds(o.Stage) || o.Date > e.Known || !said.Known() {
					continue
				}
				late := float64(o.Date - said)
				if late < -mostLate || late > mostLate {
					continue // a slip of the pen teaches nothing
				}
				*group.late = append(*group.late, almanac.SeasonLate{Season: e.Season, DaysLate: late})
				taught[e.Season] = true
			}
		}
	}
	out := Lag{Seasons: len(taught)}
	var err error
	if out.Spring, err = almanac.LearnOffset(spring); err != nil {
		return out, err
	}
	out.Fruit, err = almanac.LearnOffset(fruit)
	return out, err
}

// mostLate is the largest difference that is taken for a habit, days (almanac.md#g7-learning-a-trees-habit).
const mostLate = 60

// AnchorsFor dates the year of one tree from its ensemble and the entries up to the day they are asked for. Errors: those of almanac.Stages.
func AnchorsFor(y *Yard, e *almanac.Ensemble, t *Tree, entries []Entry) (*Anchors, error) {
	return anchorsFor(y, e, t, entries)
}

// StagesAsked is the question that a tree's year puts to the ensemble, with what was seen on it.
func StagesAsked(t *Tree, entries []Entry, season int, south bool) almanac.StageRequest {
	seen, before := observations(t, entries, season, south)
	return almanac.StageRequest{
		Kind: t.Kind, ChillClass: t.Chill, BloomClass: t.Bloom, HarvestClass: t.Harvest, Observed: seen, LeafFallBefore: before,
		OffsetSpring: t.Lag.Spring, OffsetFruit: t.Lag.Fruit,
	}
}
