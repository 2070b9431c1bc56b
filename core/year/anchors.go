package year

import (
	"vertumna/core/almanac"
)

// Anchor names beyond the stages of the almanac.
const (
	LeafFallBefore = "leaf_fall_before"
	HarvestEnd     = "harvest_end"
	Shoots10       = "shoots_10_cm"
	Fruit14        = "fruit14"
	Fruit19        = "fruit19"
	DeepFrom       = "deep_dormancy"
	DeepTo         = "deep_dormancy_end"
	SummerSolstice = "summer_solstice"
	WinterSolstice = "winter_solstice"
	LastFrost50    = "last_spring_frost_50"
	LastFrost10    = "last_spring_frost_10"
	FirstFrost50   = "first_autumn_frost_50"
	Planting       = "planting"
	Logged         = "logged"
	DateSaid       = "date"
	InLeaf         = "in_leaf"
)

// Anchor is a dated point of a tree's or site's year.
type Anchor struct {
	Name             string
	Day, Early, Late almanac.Day
	Source           string // "predicted", "observed", "computed"
}

// Chill is the winter cold a tree wants, and what this winter gathers by the model's members, in chill portions: in a warm one
// of them, the middle and a cold one. Met is the day the need is met in the middle; NoDay when it is not.
type Chill struct {
	Need, Little, Got, Much float64
	Met                     almanac.Day
}

// thinChill: a winter that gathers less than this much more than the need leaves little to spare (our estimate).
const thinChill = 1.15

// Thin: in a warm winter of the model's the need is hardly met or not at all.
func (c Chill) Thin() bool { return c.Need > 0 && c.Little < thinChill*c.Need }

// Anchors of one tree in one season. ChillStatus is "short" or "unmet" when the winter was too warm for the kind.
type Anchors struct {
	ChillStatus string
	Chill       Chill
	byName      map[string]Anchor
	Doubt       string // slug: why observations were set aside
}

// At returns an anchor; its days are NoDay when it is not reached.
func (a *Anchors) At(name string) Anchor {
	if x, ok := a.byName[name]; ok {
		return x
	}
	return Anchor{name, almanac.NoDay, almanac.NoDay, almanac.NoDay, "predicted"}
}

// Day is the day of an anchor, NoDay when it is not reached.
func (a *Anchors) Day(name string) almanac.Day { return a.At(name).Day }

// All lists the anchors with a day, in the order of the year.
func (a *Anchors) All() []Anchor {
	names := []string{LeafFallBefore, DeepFrom, WinterSolstice, DeepTo}
	for _, s := range almanac.AllStages() {
		names = append(names, s.String())
	}
	names = append(names, Shoots10, Fruit14, Fruit19, SummerSolstice, HarvestEnd, LastFrost50, LastFrost10, FirstFrost50, Planting)
	var out []Anchor
	for _, n := range names {
		if x := a.At(n); x.Day.Known() {
			out = append(out, x)
		}
	}
	return out
}

// Leafless says whether a day lies between leaf fall and bud break.
func (a *Anchors) Leafless(day almanac.Day) bool {
	buds, fall := a.Day(almanac.BudBreak.String()), a.Day(almanac.LeafFall.String())
	return buds.Known() && day < buds || fall.Known() && day > fall
}

func (a *Anchors) put(name string, s almanac.Span, source string) {
	a.byName[name] = Anchor{name, s.Median, s.Early, s.Late, source}
}

func (a *Anchors) fix(name string, d almanac.Day) {
	if d.Known() {
		a.byName[name] = Anchor{name, d, d, d, "computed"}
	}
}

// derive adds an anchor so many days after another.
func (a *Anchors) derive(name, from string, days int) {
	if x := a.At(from); x.Day.Known() {
		a.byName[name] = Anchor{name, shift(x.Day, days), shift(x.Early, days), shift(x.Late, days), x.Source}
	}
}

func shift(d almanac.Day, days int) almanac.Day {
	if !d.Known() {
		return d
	}
	return d + almanac.Day(days)
}

// observations gathers the stages seen on a tree in a season, and the leaf fall seen the autumn before.
func observations(t *Tree, entries []Entry, season int, south bool) (seen []almanac.Observation, before almanac.Day) {
	before = almanac.NoDay
	from := almanac.EarliestStage(season, south)
	end := almanac.SeasonEnd(season, south)
	fallBy := almanac.Solstice(season, south) - 165 // midwinter and a little more
	for _, e := range entries {
		if e.Tree != t.ID || e.Kind != ObservedEntry {
			continue
		}
		switch {
		case e.Stage == almanac.LeafFall && e.Date >= from-31 && e.Date < fallBy:
			before = e.Date
		case e.Date >= from && e.Date <= end:
			seen = append(seen, almanac.Observation{Stage: e.Stage, Date: e.Date})
		}
	}
	return seen, before
}

// anchorsFor dates the year of one tree.
func anchorsFor(y *Yard, e *almanac.Ensemble, t *Tree, entries []Entry) (*Anchors, error) {
	south := y.Place.Site.South()
	a := &Anchors{byName: map[string]Anchor{}}
	seen, before := observations(t, entries, e.Season, south)
	req := StagesAsked(t, entries, e.Season, south)
	spans, err := e.Stages(req)
	if err != nil && len(seen) > 0 {
		// what was seen contradicts itself: plan from the prediction and say so
		a.Doubt = "observations-disagree"
		req.Observed, seen = nil, nil
		spans, err = e.Stages(req)
	}
	if err != nil {
		return nil, err
	}
	a.ChillStatus = spans.ChillStatus
	a.Chill = Chill{Need: spans.ChillNeed, Little: spans.ChillGot[0], Got: spans.ChillGot[1], Much: spans.ChillGot[2], Met: spans.ChillMet.Median}
	for _, s := range almanac.AllStages() {
		a.put(s.String(), spans.Spans[s], "predicted")
	}
	a.put(Fruit14, spans.Fruit14, "predicted")
	a.put(Fruit19, spans.Fruit19, "predicted")
	a.put(LeafFallBefore, spans.LeafFallBefore, "predicted")
	for _, o := range seen {
		a.put(o.Stage.String(), almanac.Span{Early: o.Date, Median: o.Date, Late: o.Date}, "observed")
	}
	if before.Known() {
		a.put(LeafFallBefore, almanac.Span{Early: before, Median: before, Late: before}, "observed")
	}
	a.derive(HarvestEnd, almanac.HarvestStart.String(), t.Kind.Year.HarvestDays)
	a.derive(Shoots10, almanac.BudBreak.String(), 21)
	a.derive(DeepFrom, LeafFallBefore, 21)
	a.derive(DeepTo, almanac.BudSwell.String(), -21)
	siteAnchors(a, y.Place, e.Season)
	a.fix(Planting, t.Planted)
	return a, nil
}

// siteAnchors adds what the place alone decides: solstices and frost dates.
func siteAnchors(a *Anchors, p Place, season int) {
	south := p.Site.South()
	if summer, winter, err := Solstices(p.Site, season); err == nil {
		a.fix(SummerSolstice, summer)
		a.fix(WinterSolstice, winter)
	}
	spring := func(m *almanac.MonthDay) almanac.Day {
		if m == nil {
			return almanac.NoDay
		}
		return m.In(season)
	}
	autumn := func(m *almanac.MonthDay) almanac.Day {
		switch {
		case m == nil:
			return almanac.NoDay
		case south || m.Month <= 2: // southern autumns, and first frosts after the turn of the year
			return m.In(season + 1)
		}
		return m.In(season)
	}
	a.fix(LastFrost50, spring(p.Frost.LastSpring50))
	a.fix(LastFrost10, spring(p.Frost.LastSpring10))
	a.fix(FirstFrost50, autumn(p.Frost.FirstAutumn50))
}

// Solstices are the local dates of a season's summer and winter solstice. Error: bad_year.
func Solstices(s *almanac.Site, season int) (summer, winter almanac.Day, err error) {
	now, err := almanac.SeasonsOf(season)
	if err != nil {
		return almanac.NoDay, almanac.NoDay, err
	}
	if s.South() {
		return now.December.Day(s.UTCOffsetMin), now.June.Day(s.UTCOffsetMin), nil
	}
	before, err := almanac.SeasonsOf(season - 1)
	return now.June.Day(s.UTCOffsetMin), before.December.Day(s.UTCOffsetMin), err
}

// CheckObserved says whether the stages logged on a tree in the ensemble's season can all be true. Errors:
// observed_order, observed_range, unknown_stage of the almanac.
func CheckObserved(t *Tree, e *almanac.Ensemble, entries []Entry, south bool) error {
	seen, before := observations(t, entries, e.Season, south)
	_, err := e.Stages(almanac.StageRequest{
		Kind: t.Kind, ChillClass: t.Chill, BloomClass: t.Bloom, HarvestClass: t.Harvest, Observed: seen, LeafFallBefore: before,
	})
	return err
}
