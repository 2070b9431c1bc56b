package almanac

import (
	"fmt"
	"math"

	"vertumna/core/pomology"
)

// Observation is a stage seen on a day.
type Observation struct {
	Stage Stage
	Date  Day
}

// StageRequest asks for the stages of one tree in one season. Classes are low/mid/high and early/mid/late; empty means
// mid. LeafFallBefore is the leaf fall seen the autumn before, NoDay when it was not.
type StageRequest struct {
	Kind                       *pomology.Kind
	Season                     int
	ChillClass                 string
	BloomClass                 string
	HarvestClass               string
	Observed                   []Observation
	LeafFallBefore             Day
	OffsetSpring, OffsetFruit  float64
	south                      bool
	need, heat, harvest, scale float64
}

// StageResult holds the dates of a season and how the chill came about.
type StageResult struct {
	ChillStatus    string // "met", "short", "unmet", "waiting", "observed"
	LeafFallBefore Day
	ChillStart     Day
	ChillMet       Day
	PortionsAtMet  float64 // NaN when not met
	ChillNeed      float64 // portions the tree wants
	ChillGot       float64 // portions from its start to the day heat takes over at the latest, or as far as the weather goes
	Dates          Dates
	// Fruit14 and Fruit19 are interpolated over degree days between the sizes the kind's table gives; NoDay without them.
	Fruit14, Fruit19 Day
}

// Shared parameters of the stage model (ours, fitted; almanac.md#g-stages).
const (
	heatColdT       = 9.0     // days at or under this mean cut the heat still needed
	heatColdBoost   = 7.0 / 3 // more heat needed when no cold day came
	heatColdScale   = 30.0
	chillLowHeat    = 0.80 // the low chill class needs less heat
	bloomEarly      = 0.90
	bloomLate       = 1.10
	shortLimit      = 0.5 // bloom is not predicted when chill falls shorter
	winterOverT     = 10.0
	stallDays       = 28  // that bring less than a portion, in such warmth
	chillBeforeSeen = 30  // days before a stage that was seen, where no chill tells
	yearFades       = 0.8 // of a season's weight, a year on
	killLeafT       = -3.0
	clipOffset      = 21.0
	maxOffset       = 60.0
)

func classOf(field, given string, values map[string]float64) (float64, error) {
	if given == "" {
		given = "mid"
	}
	v, ok := values[given]
	if !ok {
		expected := "early, mid or late"
		if _, low := values["low"]; low {
			expected = "low, mid or high"
		}
		return 0, refuse("unknown_class", field, given, expected)
	}
	return v, nil
}

// prepare checks a request and works out what depends on the tree alone.
func (r *StageRequest) prepare(south bool) error {
	if r.Kind == nil {
		return refuse("unknown_species", "species", "none", "a kind of the table")
	}
	p := &r.Kind.Phenology
	r.south = south
	var err, err2, err3 error
	r.need, err = classOf("chill", r.ChillClass, map[string]float64{"low": p.ChillLow, "mid": p.ChillMid, "high": p.ChillHigh})
	r.scale, err2 = classOf("bloom", r.BloomClass, map[string]float64{"early": bloomEarly, "mid": 1, "late": bloomLate})
	r.harvest, err3 = classOf("harvest", r.HarvestClass, map[string]float64{"early": p.HarvestEarly, "mid": p.HarvestMid, "late": p.HarvestLate})
	for _, e := range []error{err, err2, err3} {
		if e != nil {
			return e
		}
	}
	r.heat = p.HeatGDH * r.scale
	if r.ChillClass == "low" {
		r.heat *= chillLowHeat
	}
	if err := checkYear(r.Season); err != nil {
		return err
	}
	return r.checkObserved(calendarOf(r.Season, south))
}

func (r *StageRequest) checkObserved(c calendar) error {
	seen := noDates()
	for i, o := range r.Observed {
		field := fmt.Sprintf("observed[%d]", i)
		if o.Stage < 0 || o.Stage >= StageCount {
			return refuse("unknown_stage", field+".stage", int(o.Stage), "a stage")
		}
		if o.Stage.fruit() && math.IsNaN(r.value(o.Stage)) {
			return refuse("unknown_stage", field+".stage", o.Stage, "a stage that "+r.Kind.Slug+" has")
		}
		if o.Date < c.early || o.Date > c.end {
			return refuse("observed_range", field+".date", o.Date, fmt.Sprintf("%s to %s", c.early, c.end))
		}
		seen[o.Stage] = o.Date
	}
	for _, order := range [][]Stage{{BudSwell, BudBreak, FirstBloom, FullBloom, PetalFall}, {FullBloom, PetalFall, Fruit10, Fruit18, Fruit24}} {
		last, lastStage := NoDay, Stage(0)
		for _, s := range order {
			if !seen[s].Known() {
				continue
			}
			if last.Known() && seen[s] < last {
				return refuse("observed_order", s.String(), seen[s], fmt.Sprintf("not before %s on %s", lastStage, last))
			}
			last, lastStage = seen[s], s
		}
	}
	return nil
}

// value is the degree days after full bloom of a fruit stage, NaN when the kind lacks it.
func (r *StageRequest) value(s Stage) float64 {
	p := &r.Kind.Phenology
	opt := func(v *float64) float64 {
		if v == nil {
			return math.NaN()
		}
		return *v
	}
	switch s {
	case PetalFall:
		return opt(p.PetalFall)
	case Fruit10:
		return opt(p.Fruit10)
	case Fruit18:
		return opt(p.Fruit18)
	case Fruit24:
		return opt(p.Fruit24)
	case PitHardening:
		return opt(p.PitHarden)
	case DropEnd:
		return p.DropEnd
	case HarvestStart:
		return r.harvest
	}
	return math.NaN()
}

func (r *StageRequest) springShare(s Stage) float64 {
	p := &r.Kind.Phenology
	return [4]float64{p.FSwell, p.FBreak, p.FFirst, 1}[s]
}

// Run is daily temperatures of a place prepared for the stage model: what does not hang on the tree is worked out once.
type Run struct {
	track *track
	lat   float64
}

// NewRun prepares daily temperatures. Errors: those of Hourly.
func NewRun(lat float64, days []TempDay) (*Run, error) {
	if err := checkPlace(lat, 0); err != nil {
		return nil, err
	}
	filled, err := fillSeries(days)
	if err != nil {
		return nil, err
	}
	return &Run{newTrack(filled, dayLengths(filled, lat)), lat}, nil
}

// Stages dates the stages of a tree in a season of the run. Errors: unknown_class, unknown_stage, observed_range, observed_order, bad_year,
// series_short when the days start too late for the season.
func (run *Run) Stages(r StageRequest) (StageResult, error) {
	if err := r.prepare(run.lat < 0); err != nil {
		return StageResult{}, err
	}
	c := calendarOf(r.Season, r.south)
	if first := run.track.first(); first > c.need {
		return StageResult{}, refuse("series_short", "days", "from "+first.String(), "from "+c.need.String()+" or earlier")
	}
	return run.track.stages(&r, c), nil
}

// StagesOf dates the stages of a tree from daily temperatures. Errors: those of NewRun and Stages.
func StagesOf(lat float64, days []TempDay, r StageRequest) (StageResult, error) {
	run, err := NewRun(lat, days)
	if err != nil {
		return StageResult{}, err
	}
	return run.Stages(r)
}

// stages runs the sequential model: chill first, then heat (Ashcroft, Richardson and Seeley 1977), the heat need falling
// with cold days after the chill is met (as Cannell and Smith 1983; Murray, Cannell and Smith 1989; numbers ours).
func (t *track) stages(r *StageRequest, c calendar) StageResult {
	res := StageResult{LeafFallBefore: r.LeafFallBefore, Dates: noDates(), ChillMet: NoDay, PortionsAtMet: math.NaN()}
	res.ChillStart = c.start
	if r.LeafFallBefore.Known() {
		res.ChillStart = clampDay(r.LeafFallBefore, c.early, c.late)
	} else if res.LeafFallBefore = t.leafFall(r.Kind.Phenology.LeafTC, c.fallBeforeFrom, c.fallBeforeTo); res.LeafFallBefore.Known() {
		res.ChillStart = min(c.start, max(c.early, res.LeafFallBefore))
	}
	cp := t.portionsFrom(res.ChillStart)
	short := t.chill(r, c, cp, &res)
	res.ChillNeed, res.ChillGot = r.need, cp.at(c.force)
	t.spring(r, cp, short, &res)
	if res.ChillMet.Known() {
		res.PortionsAtMet = cp.at(res.ChillMet)
	}
	t.fruit(r, &res)
	t.shoots(r, c, &res)
	res.Dates[LeafFall] = t.leafFall(r.Kind.Phenology.LeafTC, c.fallFrom, c.fallTo)
	for _, o := range r.Observed {
		if o.Stage == ShootSlowing || o.Stage == LeafFall {
			res.Dates[o.Stage] = o.Date
		}
	}
	return res
}

// leafFall finds leaf fall in a window: a cold week, or the second night of hard frost, or the window's last day.
func (t *track) leafFall(leafT float64, from, to Day) Day {
	nights := 0
	for d := from; d <= to && d <= t.last(); d++ {
		i := t.index(d)
		if i < 0 {
			continue
		}
		if t.days[i].Tmin <= killLeafT+slack {
			nights++
		}
		if i < weekDays-1 {
			continue
		}
		sum := 0.0
		for _, m := range t.tmean[i-weekDays+1 : i+1] {
			sum += m
		}
		if sum/weekDays <= leafT+slack || nights >= 2 {
			return d
		}
	}
	if t.last() >= to {
		return to
	}
	return NoDay
}

// chill finds the day the chill is met and returns by how much it fell short.
func (t *track) chill(r *StageRequest, c calendar, cp *portionSums, res *StageResult) (short float64) {
	res.ChillStatus = "waiting"
	for d := res.ChillStart; d <= t.last(); d++ {
		have := cp.at(d)
		if have >= r.need {
			res.ChillStatus, res.ChillMet = "met", d
			return 0
		}
		over := d >= c.force
		if !over && d >= c.stall && have-cp.at(d-stallDays) < 1 {
			over = t.meanOf(d-stallDays+1, d) > winterOverT
		}
		if over {
			short = 1 - have/r.need
			if short <= shortLimit {
				res.ChillStatus, res.ChillMet = "short", d
				return short
			}
			res.ChillStatus = "unmet"
			return 0
		}
	}
	return 0
}

// observedSpring returns the spring stages seen and the latest listed of them, StageCount when none was.
func observedSpring(r *StageRequest) (seen Dates, anchor Stage) {
	seen, anchor = noDates(), StageCount
	for _, o := range r.Observed {
		if o.Stage.spring() {
			seen[o.Stage] = o.Date
		}
	}
	for s := BudSwell; s <= FullBloom; s++ {
		if seen[s].Known() {
			anchor = s
		}
	}
	return seen, anchor
}

func (t *track) spring(r *StageRequest, cp *portionSums, short float64, res *StageResult) {
	seen, anchor := observedSpring(r)
	if anchor != StageCount {
		if o := seen[anchor]; !res.ChillMet.Known() || o <= res.ChillMet {
			res.ChillMet, res.ChillStatus, short = max(res.ChillStart, o-chillBeforeSeen), "observed", 0
		}
	}
	if !res.ChillMet.Known() {
		return
	}
	run := t.heatRun(res.ChillMet, r.heat*(1+short))
	for s := BudSwell; s <= FullBloom; s++ {
		if anchor != StageCount && s > anchor {
			res.Dates[s] = run.after(seen[anchor], r.springShare(anchor), r.springShare(s))
			continue
		}
		res.Dates[s] = run.first(r.springShare(s))
	}
	if anchor == StageCount {
		for s := BudSwell; s <= FullBloom; s++ {
			if res.Dates[s].Known() {
				res.Dates[s] += Day(round0(r.OffsetSpring))
			}
		}
		return
	}
	latest := NoDay
	for s := FullBloom; s >= BudSwell; s-- {
		if seen[s].Known() {
			latest = seen[s]
			res.Dates[s] = latest
		} else if latest.Known() && (!res.Dates[s].Known() || res.Dates[s] > latest) {
			res.Dates[s] = latest
		}
	}
	before := StageCount // the last stage seen before: what lies between two that were seen falls back behind neither
	for s := BudSwell; s < anchor; s++ {
		switch {
		case seen[s].Known():
			before = s
		case before != StageCount && res.Dates[s] < res.Dates[s-1]:
			d := run.after(seen[before], r.springShare(before), r.springShare(s))
			if next := nextSeen(seen, s); !d.Known() || d > next {
				d = next
			}
			res.Dates[s] = max(res.Dates[s-1], d)
		}
	}
}

// nextSeen is the next spring stage that was seen after one.
func nextSeen(seen Dates, s Stage) Day {
	for s++; s <= FullBloom; s++ {
		if seen[s].Known() {
			return seen[s]
		}
	}
	return NoDay
}

func (t *track) shoots(r *StageRequest, c calendar, res *StageResult) {
	full := res.Dates[FullBloom]
	if !full.Known() {
		return
	}
	d := t.degreeDay(full, r.Kind.Phenology.ShootSlowing)
	switch {
	case d.Known():
		res.Dates[ShootSlowing] = clampDay(d, c.solstice+10, c.solstice+60)
	case t.last() >= c.solstice+60:
		res.Dates[ShootSlowing] = c.solstice + 60
	}
}
