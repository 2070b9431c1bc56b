package orchard

import (
	"context"
	"errors"
	"math"
	"slices"

	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/core/year"
	"vertumna/store"
)

// groupOf is the part of the year a stage belongs to.
func groupOf(s almanac.Stage) string {
	switch {
	case s == almanac.LeafFall:
		return "rest"
	case s <= almanac.PetalFall:
		return "bloom"
	case s == almanac.HarvestStart:
		return "ripe"
	}
	return "fruit"
}

// Season is the season of one tree on a day shown. Errors: store.ErrNotFound for a tree that does not stand on that day.
func (k *Keeper) Season(ctx context.Context, slug, id string, day almanac.Day) (*SeasonBody, error) {
	p, err := k.Plan(ctx, slug, day)
	if err != nil {
		return nil, err
	}
	tp := p.treeShown(id)
	if tp == nil {
		return nil, errors.Join(store.ErrNotFound, given.Fault{Code: "no_tree", Field: "id", Given: id, Expected: "a tree that stands on the day shown"})
	}
	t := tp.Tree
	season := p.Shown.Season
	ens, err := k.ensemble(p.Contents, season)
	if err != nil {
		return nil, err
	}
	var mine []year.Entry
	for _, e := range p.Yard.Entries {
		if e.Tree == id && e.Date <= day || e.Tree == "" && e.Kind == year.FrostEntry && e.Date <= day {
			mine = append(mine, e)
		}
	}
	slices.SortStableFunc(mine, func(a, b year.Entry) int { return int(a.Date - b.Date) })
	out := &SeasonBody{
		Day: day, Season: season, From: p.Shown.From, To: p.Shown.To, TreeID: id, Code: t.Code, Kind: t.Kind.Name, Name: t.Name, Known: dayOrNil(ens.Known),
		Stages: []StageRowBody{}, See: []SeeBody{}, Says: []string{},
	}
	if err := p.course(out, tp, ens, mine, season); err != nil {
		return nil, err
	}
	if err := k.stageRows(out, p, tp, mine, season); err != nil {
		return nil, err
	}
	p.frostOf(out, tp)
	p.fruitCurve(out, tp, mine, season)
	p.seeRows(out, tp, mine)
	if err := k.rightOf(out, p, tp, season-1); err != nil {
		return nil, err
	}
	out.Habit = p.Speaker.Lag(t.Lag)
	for _, w := range tp.Warnings {
		if says := p.Speaker.Reason(w); says != "" {
			out.Says = append(out.Says, says)
		}
	}
	for i := range tp.Tasks {
		if task := &tp.Tasks[i]; task.Kind == year.FrostCount && (task.State == year.Open || task.State == year.Closing) {
			out.Count = &SeasonCountBody{task.ID, task.Window.Closes.Day, task.Minutes, p.Speaker.Reason(task.Reasons[0])}
		}
	}
	return out, nil
}

// course tells the cold and the warmth.
func (p *Planned) course(out *SeasonBody, tp *year.TreePlan, ens *almanac.Ensemble, mine []year.Entry, season int) error {
	c, err := ens.Course(year.StagesAsked(tp.Tree, mine, season, p.Yard.Place.Site.South()))
	if err != nil {
		if tp.Anchors.Doubt == "" {
			return err
		}
		c, err = ens.Course(year.StagesAsked(tp.Tree, nil, season, p.Yard.Place.Site.South())) // what was seen contradicts itself
		if err != nil {
			return err
		}
	}
	out.Chill = ChillBody{
		Need: math.Round(c.Need), Status: tp.Anchors.ChillStatus, Met: dayOrNil(c.Met.Median), Early: dayOrNil(c.Met.Early), Late: dayOrNil(c.Met.Late), Days: []DayValueBody{},
	}
	out.Warmth = WarmthBody{Heat: math.Round(c.Heat), Days: []DayValueBody{}}
	for _, d := range c.Days {
		if d.Date <= out.Day {
			out.Chill.Got, out.Warmth.Got = d.Portions, d.Warmth
		}
		if !c.Met.Median.Known() || d.Date <= c.Met.Median {
			out.Chill.Days = append(out.Chill.Days, DayValueBody{d.Date, math.Round(10*d.Portions) / 10})
		}
		if d.Warmth > 0 {
			out.Warmth.Days = append(out.Warmth.Days, DayValueBody{d.Date, math.Round(1000*d.Warmth) / 1000})
		}
	}
	out.Chill.Got = math.Round(10*out.Chill.Got) / 10
	out.Warmth.Got = math.Round(1000*out.Warmth.Got) / 1000
	out.Chill.Says = p.Speaker.ChillSays(out.Day, c, out.Chill.Got)
	out.Warmth.Says = p.Speaker.WarmthSays(out.Day, c, out.Warmth.Got)
	return nil
}

// newYear is the day that a season's first forecast is told of: 1 January, in the south 1 July.
func newYear(season int, south bool) almanac.Day {
	if south {
		return almanac.DateOf(season, 7, 1)
	}
	return almanac.DateOf(season, 1, 1)
}

// stageRows tell each stage as it was forecast at the new year, at the last sighting and now.
func (k *Keeper) stageRows(out *SeasonBody, p *Planned, tp *year.TreePlan, mine []year.Entry, season int) error {
	south := p.Yard.Place.Site.South()
	type issue struct {
		day almanac.Day
		why string
		a   *year.Anchors
	}
	issues := []issue{}
	ask := func(on almanac.Day, why string) error {
		known, _ := knownTemps(asOf(p.Contents.Sky, on), p.Yard.Place.Site, season, on)
		ens, err := k.ensembleOf(p.Yard.Place.Site, season, known)
		if err != nil {
			return err
		}
		var then []year.Entry
		for _, e := range mine {
			if e.Date <= on {
				then = append(then, e)
			}
		}
		a, err := year.AnchorsFor(p.Yard, ens, tp.Tree, then)
		if err == nil {
			issues = append(issues, issue{on, why, a})
		}
		return err
	}
	first := newYear(season, south)
	if first < out.Day {
		if err := ask(first, "new_year"); err != nil {
			return err
		}
	}
	last := almanac.NoDay
	for _, e := range mine {
		if e.Kind == year.ObservedEntry && e.Season == season && e.Date < out.Day && e.Date > first {
			last = max(last, e.Date)
		}
	}
	if last.Known() {
		if err := ask(last, "seen"); err != nil {
			return err
		}
	}
	issues = append(issues, issue{out.Day, "now", tp.Anchors})
	for _, s := range almanac.AllStages() {
		now := tp.Anchors.At(s.String())
		if !now.Day.Known() {
			continue
		}
		row := StageRowBody{Stage: s.String(), Name: p.Speaker.Anchor(s.String()), Group: groupOf(s), Past: now.Day <= out.Day, Forecasts: []ForecastBody{}}
		if now.Source == "observed" {
			row.Seen = dayOrNil(now.Day)
		}
		for _, i := range issues {
			x := i.a.At(s.String())
			if !x.Day.Known() || x.Source == "observed" {
				continue
			}
			row.Forecasts = append(row.Forecasts, ForecastBody{i.day, i.why, known(x.Early, x.Day), x.Day, known(x.Late, x.Day)})
		}
		out.Stages = append(out.Stages, row)
	}
	slices.SortStableFunc(out.Stages, func(a, b StageRowBody) int {
		return int(tp.Anchors.Day(a.Stage) - tp.Anchors.Day(b.Stage))
	})
	return nil
}

// frostOf tells the nights of frost and what they left.
func (p *Planned) frostOf(out *SeasonBody, tp *year.TreePlan) {
	f := FrostBody{Alive: 1, Enough: year.EnoughAlive(tp.Tree), Nights: []NightBody{}, Hardy: []DayValueBody{}, Last50: dayOrNil(tp.Anchors.Day(year.LastFrost50))}
	for _, h := range year.Hardiness(tp.Tree, tp.Anchors) {
		f.Hardy = append(f.Hardy, DayValueBody{h.Date, math.Round(10*h.T10) / 10})
	}
	f.Table = len(f.Hardy) > 0
	var nights []almanac.TempDay
	from := max(out.From, known(tp.Anchors.Day(year.LeafFallBefore), out.From))
	for _, d := range p.Yard.Sky {
		if d.Date >= from && d.Date <= out.To {
			nights = append(nights, d.Temp())
		}
	}
	for _, d := range p.skyAhead().Forecast {
		if n := len(nights); n == 0 || d.Date > nights[n-1].Date {
			nights = append(nights, almanac.TempDay{Date: d.Date, Tmin: d.Tmin, Tmax: d.Tmax})
		}
	}
	var worst *year.Night
	for _, n := range year.Frosts(tp.Tree, tp.Anchors, nights, out.Day) {
		f.Nights = append(f.Nights, NightBody{n.Date, n.Tmin, math.Round(1000*n.Killed) / 1000, math.Round(1000*n.Alive) / 1000, n.Ahead})
		if n.Ahead {
			continue
		}
		f.Alive = math.Round(1000*n.Alive) / 1000
		if n.Killed > 0 {
			worst = &n
		}
	}
	if !f.Table {
		for _, d := range nights {
			if d.Tmin <= 0 {
				f.Nights = append(f.Nights, NightBody{Date: d.Date, TminC: d.Tmin, Alive: 1, Ahead: d.Date > out.Day})
			}
		}
	}
	f.Says = p.Speaker.FrostSays(f.Table, f.Alive, f.Enough, worst)
	out.Frost = f
}

// fruitCurve tells how large the fruit is expected to be, and what was measured: this season, else the last, moved onto this one's bloom.
func (p *Planned) fruitCurve(out *SeasonBody, tp *year.TreePlan, mine []year.Entry, season int) {
	ripe := tp.Tree.Kind.Crop.RipeMM
	c := FruitCurveBody{RipeMM: ripe, Curve: []DayValueBody{}, Measured: []DayValueBody{}, Of: season}
	from, to := tp.Anchors.Day(almanac.PetalFall.String()), tp.Anchors.Day(almanac.HarvestStart.String())
	if from.Known() && to.Known() && ripe > 0 && tp.Tree.Bears(season, p.Yard.Place.Site.South()) {
		for d := from; d <= to; d += 4 {
			c.Curve = append(c.Curve, DayValueBody{d, math.Round(10*tp.Anchors.FruitMM(d, ripe)) / 10})
		}
		c.Curve = append(c.Curve, DayValueBody{to, math.Round(10*tp.Anchors.FruitMM(to, ripe)) / 10})
	}
	for _, of := range []int{season, season - 1} {
		for _, e := range mine {
			if e.FruitMM > 0 && e.Season == of {
				day := e.Date
				if of != season {
					day += 365
				}
				c.Measured, c.Of = append(c.Measured, DayValueBody{day, e.FruitMM}), of
			}
		}
		if len(c.Measured) > 0 {
			break
		}
	}
	ahead := 0.0
	if n := len(c.Measured); n > 0 && c.Of == season {
		last := c.Measured[n-1]
		ahead = last.Value - tp.Anchors.FruitMM(last.Date, ripe)
	}
	c.Says = p.Speaker.FruitSize(len(c.Curve) > 0, c.Of == season, len(c.Measured), ahead)
	out.Fruit = c
}

// seen are the stages that a person is asked to look for.
var seen = []almanac.Stage{almanac.BudSwell, almanac.FirstBloom, almanac.FullBloom, almanac.PetalFall, almanac.HarvestStart, almanac.LeafFall}

// likelyDays before its early day a stage is taken to be about to come.
const likelyDays = 5

// stageState is how a stage stands on a day: seen, likely, later or passed.
func stageState(x year.Anchor, day almanac.Day) string {
	switch {
	case x.Source == "observed":
		return "seen"
	case day > known(x.Late, x.Day)+likelyDays:
		return "passed"
	case day >= known(x.Early, x.Day)-likelyDays:
		return "likely"
	}
	return "later"
}

func (p *Planned) seeRows(out *SeasonBody, tp *year.TreePlan, mine []year.Entry) {
	for _, s := range seen {
		x := tp.Anchors.At(s.String())
		if !x.Day.Known() {
			continue
		}
		b := SeeBody{Stage: s.String(), Name: p.Speaker.Anchor(s.String()), Hint: p.Speaker.StageLook(s, tp.Tree), State: stageState(x, out.Day)}
		if b.State == "seen" {
			b.Date = dayOrNil(x.Day)
			for _, e := range mine {
				if e.Kind == year.ObservedEntry && e.Stage == s && e.Date == x.Day {
					b.Entry = e.ID
				}
			}
		}
		out.See = append(out.See, b)
	}
}

// seeNow are the stages that trees may show about the day shown, by kind: of each tree the latest that may have come, with nothing later seen.
func (p *Planned) seeNow() []SeeKindBody {
	out := []SeeKindBody{}
	at := map[string]int{}
	for i := range p.Shown.Trees {
		tp := &p.Shown.Trees[i]
		for k := len(seen) - 1; k >= 0; k-- {
			s := seen[k]
			x := tp.Anchors.At(s.String())
			if !x.Day.Known() || s == almanac.HarvestStart && !tp.Tree.Bears(p.Shown.Season, p.Yard.Place.Site.South()) {
				continue
			}
			state := stageState(x, p.Shown.Shown)
			if state == "later" {
				continue
			}
			if state == "likely" {
				key := tp.Tree.Kind.Slug + s.String()
				if _, ok := at[key]; !ok {
					at[key] = len(out)
					out = append(out, SeeKindBody{Stage: s.String(), Says: p.Speaker.SeeKind(tp.Tree.Kind, s), Hint: p.Speaker.StageLook(s, tp.Tree), Trees: []SeeTreeBody{}})
				}
				g := &out[at[key]]
				g.Trees = append(g.Trees, SeeTreeBody{tp.Tree.ID, tp.Tree.Code})
			}
			break // what lies before the latest stage that came is over
		}
	}
	return out
}

// told is the day of last season that its forecast is judged of: 1 March, in the south 1 September.
func told(season int, south bool) almanac.Day {
	if south {
		return almanac.DateOf(season, 9, 1)
	}
	return almanac.DateOf(season, 3, 1)
}

// rightOf holds last season's forecast against what was seen.
func (k *Keeper) rightOf(out *SeasonBody, p *Planned, tp *year.TreePlan, season int) error {
	south := p.Yard.Place.Site.South()
	on := told(season, south)
	known, _ := knownTemps(asOf(p.Contents.Sky, on), p.Yard.Place.Site, season, on)
	seen := year.StagesAsked(tp.Tree, p.Yard.Entries, season, south).Observed
	if len(known) == 0 || len(seen) == 0 {
		return nil
	}
	ens, err := k.ensembleOf(p.Yard.Place.Site, season, known)
	if err != nil {
		return err
	}
	var then []year.Entry
	for _, e := range p.Yard.Entries {
		if e.Date <= on {
			then = append(then, e)
		}
	}
	plain := *tp.Tree
	plain.Lag = year.Lag{} // as the model alone said it
	a, err := year.AnchorsFor(p.Yard, ens, &plain, then)
	if err != nil {
		return err
	}
	r := &RightBody{Season: season, AsOf: on, Rows: []RightRowBody{}}
	inside := 0
	for _, o := range seen {
		x := a.At(o.Stage.String())
		if o.Date <= on || !x.Day.Known() || x.Source == "observed" || o.Date > out.Day {
			continue
		}
		row := RightRowBody{
			Stage: o.Stage.String(), Name: p.Speaker.Anchor(o.Stage.String()), Group: groupOf(o.Stage), Late: int(o.Date - x.Day), Seen: o.Date,
			Early: int(x.Early - x.Day), Until: int(x.Late - x.Day),
		}
		if !x.Early.Known() || !x.Late.Known() {
			row.Early, row.Until = 0, 0
		}
		row.Inside = row.Late >= row.Early && row.Late <= row.Until
		if row.Inside {
			inside++
		}
		r.Rows = append(r.Rows, row)
	}
	if len(r.Rows) == 0 {
		return nil
	}
	r.Says = p.Speaker.HowRight(inside, len(r.Rows))
	out.Right = r
	return nil
}
