package almanac

import (
	"sort"
	"sync"
)

// Members is the number of simulated futures an ensemble holds.
const Members = 15

// Ensemble continues the known days of a site by simulated ones and dates the stages of its trees as a median with an
// early-to-late span. Bare normals never stand in for future days: their bloom is biased late. It is safe for use by
// several goroutines and works out only once what its trees share.
type Ensemble struct {
	Season int
	Known  Day // last known day, NoDay when none is
	south  bool
	tracks []*track

	mu   sync.Mutex
	memo map[ensembleKey]StageSpans
}

// Span is the ensemble's answer for one stage; a day is NoDay where too few members reach it.
type Span struct{ Early, Median, Late Day }

// StageSpans is the answer for all stages of one tree. ChillStatus is the most frequent one of the members.
type StageSpans struct {
	Spans          [StageCount]Span
	LeafFallBefore Span
	Fruit14        Span
	Fruit19        Span
	ChillStatus    string
	ChillNeed      float64    // portions the tree wants
	ChillGot       [3]float64 // portions the winter gathers: little, middling, much
	ChillMet       Span
}

// NewEnsemble prepares a season of a site. known are the days that are known (station, then forecast) and may be empty:
// the members then start where the season does. Errors: those of Site.Check, Hourly and Weather.
func NewEnsemble(s *Site, seed uint64, known []TempDay, season int) (*Ensemble, error) {
	if err := checkYear(season); err != nil {
		return nil, err
	}
	return NewEnsembleTo(s, seed, known, season, SeasonEnd(season, s.South()))
}

// NewEnsembleTo is NewEnsemble with the last day of the simulated weather given.
func NewEnsembleTo(s *Site, seed uint64, known []TempDay, season int, end Day) (*Ensemble, error) {
	if err := s.check(); err != nil {
		return nil, err
	}
	e := &Ensemble{Season: season, Known: NoDay, south: s.South(), memo: map[ensembleKey]StageSpans{}}
	from := SeasonStart(season, e.south)
	if len(known) > 0 {
		filled, err := fillSeries(known)
		if err != nil {
			return nil, err
		}
		known = filled
		e.Known = known[len(known)-1].Date
		from = e.Known + 1
	}
	for _, d := range []Day{from, end} {
		if err := checkYear(d.Year()); err != nil {
			return nil, err
		}
	}
	n := newNormals(s)
	var lengths []float64
	for k := uint64(1); k <= Members; k++ {
		days := append(make([]TempDay, 0, len(known)+max(0, int(end-from)+1)), known...)
		if from <= end {
			for _, w := range weather(n, e.south, Mix(seed+k*golden), from, end) {
				days = append(days, TempDay{w.Date, w.Tmin, w.Tmax})
			}
		}
		if lengths == nil {
			lengths = dayLengths(days, s.Lat)
		}
		e.tracks = append(e.tracks, newTrack(days, lengths))
	}
	return e, nil
}

// ensembleKey is what the answer for a tree depends on; observations are packed into a string.
type ensembleKey struct {
	slug, chill, bloom, harvest, observed string
	before                                Day
	spring, fruit                         float64
}

func keyOf(r *StageRequest) ensembleKey {
	seen := make([]byte, 0, 12*len(r.Observed))
	for _, o := range r.Observed {
		seen = append(seen, byte(o.Stage))
		seen = append(seen, o.Date.String()...)
	}
	return ensembleKey{r.Kind.Slug, r.ChillClass, r.BloomClass, r.HarvestClass, string(seen), r.LeafFallBefore, r.OffsetSpring, r.OffsetFruit}
}

// Stages dates the stages of one tree. The request's season is the ensemble's. Errors: as StagesOf.
func (e *Ensemble) Stages(r StageRequest) (StageSpans, error) {
	r.Season = e.Season
	if err := r.prepare(e.south); err != nil {
		return StageSpans{}, err
	}
	c := calendarOf(r.Season, e.south)
	if first := e.tracks[0].first(); first > c.need {
		return StageSpans{}, refuse("series_short", "days", "from "+first.String(), "from "+c.need.String()+" or earlier")
	}
	key := keyOf(&r)
	e.mu.Lock()
	if s, ok := e.memo[key]; ok {
		e.mu.Unlock()
		return s, nil
	}
	e.mu.Unlock()

	var dates [StageCount][]Day
	var before, fruit14, fruit19 []Day
	var met []Day
	var got []float64
	need, status := 0.0, map[string]int{}
	for _, t := range e.tracks {
		res := t.stages(&r, c)
		for s, d := range res.Dates {
			dates[s] = append(dates[s], d)
		}
		before = append(before, res.LeafFallBefore)
		fruit14, fruit19 = append(fruit14, res.Fruit14), append(fruit19, res.Fruit19)
		status[res.ChillStatus]++
		met, got, need = append(met, res.ChillMet), append(got, res.ChillGot), res.ChillNeed
	}
	var out StageSpans
	for s := range dates {
		out.Spans[s] = spanOf(dates[s])
	}
	sort.Float64s(got)
	out.ChillNeed, out.ChillGot, out.ChillMet = need, [3]float64{got[earlyOne], got[midOne], got[lateOne]}, spanOf(met)
	out.LeafFallBefore, out.Fruit14, out.Fruit19 = spanOf(before), spanOf(fruit14), spanOf(fruit19)
	for _, name := range []string{"observed", "met", "short", "unmet", "waiting"} {
		if out.ChillStatus == "" || status[name] > status[out.ChillStatus] {
			out.ChillStatus = name
		}
	}
	e.mu.Lock()
	e.memo[key] = out
	e.mu.Unlock()
	return out, nil
}

// Of the members in order, those that bound what is likely and the one in the middle.
const earlyOne, midOne, lateOne = 1, Members / 2, Members - 2

// spanOf takes the 2nd, 8th and 14th of fifteen sorted dates, unknown ones last.
func spanOf(days []Day) Span {
	sort.Slice(days, func(i, j int) bool {
		a, b := days[i], days[j]
		return a.Known() && (!b.Known() || a < b)
	})
	return Span{days[earlyOne], days[midOne], days[lateOne]}
}
