package orchard

import (
	"context"
	"errors"
	"fmt"
	"math"

	"vertumna/core/crop"
	"vertumna/core/cut"
	"vertumna/core/given"
	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/core/together"
	"vertumna/core/year"
	"vertumna/words"
)

// OutcomeBody is what the tree comes to when the same cuts are made at another time.
type OutcomeBody struct {
	Name    string      `json:"name"`
	Says    string      `json:"says"`
	Heights []float64   `json:"heights_cm" nullable:"false" doc:"at the next three winters"`
	Shoots  int         `json:"new_shoots" doc:"by the next winter"`
	MeanCM  float64     `json:"mean_shoot_cm"`
	MaxCM   float64     `json:"longest_shoot_cm"`
	Sprouts int         `json:"water_sprouts"`
	Buds    []float64   `json:"flower_buds" nullable:"false" doc:"at the next three winters"`
	Overs   float64     `json:"over_reach_cm" doc:"above reach at the next winter"`
	Lines   [][]float64 `json:"lines" nullable:"false" doc:"the tree next winter: stations of each limb, five numbers each"`
}

// SlipCompareBody sets the same cuts at different times side by side.
type SlipCompareBody struct {
	HeightCM float64       `json:"height_cm" doc:"now"`
	ReachCM  float64       `json:"reach_cm"`
	Outcomes []OutcomeBody `json:"outcomes" nullable:"false"`
	Skipped  string        `json:"skipped" doc:"what leaving it uncut costs in the year after"`
	Weak     string        `json:"weak" doc:"what the forecast cannot know"`
}

// YearBody is one year of the plan.
type YearBody struct {
	Year     int      `json:"year"`
	Winter   []string `json:"winter" nullable:"false" doc:"what falls in the winter slip"`
	Summer   []string `json:"summer" nullable:"false"`
	Frame    []string `json:"frame" nullable:"false" doc:"of a young tree: what its training cuts"`
	Account  float64  `json:"account" doc:"of the crown, in the tree year"`
	ByWinter float64  `json:"winter_share" doc:"of it, in winter"`
	Before   float64  `json:"height_before_cm"`
	Wintered float64  `json:"height_winter_cm,omitempty" doc:"when its winter slip is made"`
	Day      float64  `json:"height_day_cm,omitempty" doc:"on the day of its summer slip, before it"`
	Cut      float64  `json:"height_cut_cm" doc:"when the year's last slip is made"`
	After    float64  `json:"height_cm" doc:"at the next winter"`
	Buds     float64  `json:"flower_buds"`
	Kilos    float64  `json:"kilos" doc:"a usual crop, thinned"`
	Minutes  float64  `json:"minutes"`
	InWinter float64  `json:"winter_minutes"`
	Findings int      `json:"findings" doc:"at its start"`
	Waits    int      `json:"waits" doc:"at its end"`
	Held     bool     `json:"held" doc:"from this year's height cut on it stands within reach"`
}

// PastYearBody is a year that was: what its maps and journal tell.
type PastYearBody struct {
	Year    int     `json:"year"`
	Height  float64 `json:"height_cm,omitempty" doc:"at its winter, where it was mapped"`
	Account float64 `json:"account"`
	Minutes float64 `json:"minutes"`
}

// SlipYearsBody is a tree over the years of its plan, beside replacing it. Its first year is the slip of the day.
type SlipYearsBody struct {
	Past    []PastYearBody `json:"past" nullable:"false"`
	Years   []YearBody     `json:"years" nullable:"false"`
	Held    string         `json:"held,omitempty" doc:"from which year on it is held, and what holding comes to; absent where it never is"`
	Needs   string         `json:"needs,omitempty" doc:"at which yearly limit the tree would come to reach; absent where the chosen one brings it there"`
	Limit   float64        `json:"limit" doc:"of the crown, a year"`
	ReachCM float64        `json:"reach_cm"`
	Cannot  []string       `json:"cannot" nullable:"false" doc:"limbs that do not come to reach in these years, and why"`
	Replace *ReplaceBody   `json:"replace,omitempty" doc:"absent while the tree's frame is built"`
	Weak    string         `json:"weak"`
}

// ReplaceBody is what a new tree in its place would come to.
type ReplaceBody struct {
	YearsToFullCrop int     `json:"years_to_full_crop"`
	KeepHours       float64 `json:"keep_hours" doc:"of all care of this tree over ten years"`
	NewHours        float64 `json:"new_hours" doc:"of a new one over the same years"`
	KeepKilos       float64 `json:"keep_kilos"`
	NewKilos        float64 `json:"new_kilos"`
	Says            string  `json:"says"`
}

// Seasons sets the same cuts in winter, in summer, and none at all side by side.
func (k *Keeper) Seasons(ctx context.Context, a SlipAt) (*SlipCompareBody, error) {
	p, err := k.makeSlip(ctx, a)
	if err != nil {
		return nil, err
	}
	return p.compare()
}

// Years is what falls in which of the coming years, beside replacing the tree.
func (k *Keeper) Years(ctx context.Context, a SlipAt, years int) (*SlipYearsBody, error) {
	p, err := k.makeSlip(ctx, a)
	if err != nil {
		return nil, err
	}
	if err := k.hang(ctx, a.Slug, p); err != nil {
		return nil, err
	}
	return p.years(years)
}

// course is a way to time the slip's cuts.
type course struct {
	name, says string
	work       growth.Work
	close      bool // a summer map: its season is closed with the cuts first
}

const forecastYears = 3

// courses are the timings set side by side.
func (p *slipMade) courses() []course {
	all := p.slip.Made()
	none := course{name: "Not cut", says: "nothing is cut"}
	if p.season == limb.Summer {
		return []course{
			{name: "Cut now, in summer", says: "the whole slip in summer", work: growth.Work{Summer: all}, close: true},
			{name: "Cut next winter", says: "the same cuts next winter", work: growth.Work{Dormant: all}},
			none,
		}
	}
	first, rest := p.twoThirds(all)
	return []course{
		{name: "Cut in winter", says: "the whole slip now", work: growth.Work{Dormant: all}},
		{name: "Cut in summer", says: "the same cuts at midsummer", work: growth.Work{Summer: all}},
		{name: "Two thirds and one third", says: "two thirds now, the rest at midsummer", work: growth.Work{Dormant: first, Summer: rest}},
		none,
	}
}

// twoThirds parts the slip in its order of work where two thirds of its share are reached.
func (p *slipMade) twoThirds(all []growth.Cut) (first, rest []growth.Cut) {
	whole, sum := 0.0, 0.0
	for k := range p.slip.Cuts {
		whole += p.slip.Cuts[k].Takes
	}
	for k := range p.slip.Cuts {
		if sum < whole*2/3-1e-9 {
			first = append(first, all[k])
		} else {
			rest = append(rest, all[k])
		}
		sum += p.slip.Cuts[k].Takes
	}
	return first, rest
}

const forecastWeak = "A forecast from rules of growth, not from this tree's own past: rain, crop and frost move it. It gains by shoots measured each winter."

func (p *slipMade) compare() (*SlipCompareBody, error) {
	courses := p.courses()
	out := &SlipCompareBody{HeightCM: round1(p.m.Height()), ReachCM: math.Round(p.standing.options.ReachCM), Outcomes: make([]OutcomeBody, len(courses)), Weak: forecastWeak}
	errs := make([]error, len(courses))
	together.Do(len(courses), func(k int) { out.Outcomes[k], errs[k] = p.outcome(courses[k]) })
	for _, err := range errs {
		if err != nil {
			return nil, err
		}
	}
	skipped, err := p.skipped()
	if err != nil {
		return nil, err
	}
	out.Skipped = p.speaker.Skipped(skipped)
	return out, nil
}

// skipped is what leaving a tree uncut for a year comes to, beside its plan.
func (p *slipMade) skipped() (words.Skip, error) {
	var out words.Skip
	plan, err := p.plannedYears(replaceYears)
	if err != nil {
		return out, err
	}
	on := p.of.year - p.firstYear()
	out.CutCM = plan.Rows[on].HeightAfter
	tree := p.tree
	if p.season == limb.Summer {
		tree, err = growth.Close(tree, nil, 0)
	} else {
		tree, err = growth.Next(tree, growth.Work{})
	}
	if err != nil {
		return out, err
	}
	out.UncutCM = tree.Map.Height()
	rows, err := p.yearsAfter(tree, replaceYears-1)
	if err != nil {
		return out, err
	}
	if plan.Held >= 0 {
		out.Held = p.firstYear() + plan.Held
	}
	if n := cut.HeldFrom(rows, p.standing.options.ReachCM); n >= 0 {
		out.HeldLater = tree.Map.Year + n
	}
	return out, nil
}

// outcome grows the tree on under one course.
func (p *slipMade) outcome(c course) (OutcomeBody, error) {
	out := OutcomeBody{Name: c.name, Says: c.says, Heights: []float64{}, Buds: []float64{}, Lines: [][]float64{}}
	tree, work := p.tree, c.work
	switch {
	case c.close:
		var err error
		if tree, err = growth.Close(tree, work.Summer, 0); err != nil {
			return out, err
		}
		work = growth.Work{}
	case p.season == limb.Summer:
		tree.Map = asDormant(tree.Map)
	}
	for n := range forecastYears {
		next, r, err := growth.Grow(tree, work)
		if err != nil {
			return out, err
		}
		out.Heights, out.Buds = append(out.Heights, round1(r.HeightCM)), append(out.Buds, math.Round(r.FlowerBuds))
		if n == 0 {
			out.Shoots, out.MeanCM, out.MaxCM, out.Sprouts = r.NewShoots, math.Round(r.MeanNewCM), math.Round(r.MaxNewCM), r.WaterSprouts
			out.Overs = math.Max(0, math.Round(r.HeightCM-p.standing.options.ReachCM))
			for i := range next.Map.Axes {
				out.Lines = append(out.Lines, stations(next.Map, i))
			}
		}
		tree, work = next, growth.Work{}
	}
	return out, nil
}

// years tells the plan year by year.
func (p *slipMade) years(n int) (*SlipYearsBody, error) {
	made, err := p.plannedYears(max(n, replaceYears))
	if err != nil {
		return nil, err
	}
	out := &SlipYearsBody{
		Years: []YearBody{}, ReachCM: math.Round(p.standing.options.ReachCM), Weak: forecastWeak, Needs: p.speaker.Needs(made), Limit: round4(p.limit()),
		Held: p.speaker.Held(made, p.firstYear()),
	}
	for k, r := range made.Rows {
		kilos, err := p.kilos(k, r)
		if err != nil {
			return nil, err
		}
		y := YearBody{
			Year: p.firstYear() + k, Winter: []string{}, Summer: []string{}, Frame: p.speaker.FrameCuts(r.Frame), Account: round4(r.Account), Before: round1(r.HeightBefore), Wintered: round1(r.HeightWinter), Day: round1(r.HeightDay), Cut: round1(r.HeightCut), After: round1(r.HeightAfter),
			Buds: math.Round(r.FlowerBuds), Minutes: math.Round(r.Minutes), Waits: len(r.Last().Carried), Kilos: math.Round(kilos),
			Held: made.Held >= 0 && k >= made.Held,
		}
		if r.Dormant != nil {
			y.Winter, y.ByWinter, y.InWinter, y.Findings = p.told(r.Dormant), round4(r.Dormant.Share), math.Round(r.Dormant.Minutes), len(r.Dormant.Findings)
		}
		if r.Summer != nil {
			y.Summer = p.told(r.Summer)
		}
		out.Years = append(out.Years, y)
	}
	if !p.framed() { // nobody replaces a tree that is only being made
		out.Replace = p.replace(made.Rows, out.Years)
	}
	out.Years = out.Years[:n]
	out.Cannot = p.speaker.StillAbove(made.Above)
	out.Past = p.pastYears()
	return out, nil
}

// kilos are what a tree bears in a year of its plan: this season's as its page of fruit has it, later ones by the same rules from
// the wood that will stand; 0 while it does not bear.
func (p *slipMade) kilos(k int, r cut.YearRow) (float64, error) {
	season := year.SeasonOf(p.day, p.south)
	on := p.firstYear() + k - season
	switch {
	case p.fruit != nil && p.firstYear()+k == p.fruit.season:
		return p.fruit.plan.Targets.KG, nil
	case !p.core.Bears(season+on, p.south):
		return 0, nil
	}
	tree := crop.Tree{Kind: p.core.Kind, ReachCM: p.standing.options.ReachCM, SeasonInPlace: max(1, p.core.AgeIn(season, p.south)), Vigour: p.core.Class}
	tree.Terms = crop.LoadTerms{InLeaf: true, Safety: crop.Safety(p.contents.Orchard.Exposed)}
	if p.fruit != nil {
		tree = p.fruit.in
	}
	plan, err := crop.PlanTree(tree.InYear(r.Bears, r.Lit, on))
	var faults given.Faults
	switch {
	case errors.As(err, &faults) && faults[0].Code == given.Missing: // no limb of it can carry fruit
		return 0, nil
	case err != nil:
		return 0, fmt.Errorf("fruit of %d: %w", p.firstYear()+k, err)
	}
	return plan.Targets.KG, nil
}

// replaceYears is how long keeping a tree is set against a new one.
const replaceYears = 10

// pastYears are the two tree years before the first of the plan, as the journal tells them.
func (p *slipMade) pastYears() []PastYearBody {
	out := []PastYearBody{}
	first := p.firstYear()
	for y := first - 2; y < first; y++ {
		b := PastYearBody{Year: y}
		left := 1.0
		for i := range p.contents.Entries {
			e := &p.contents.Entries[i]
			if e.TreeID != p.core.ID || e.Date > p.day {
				continue
			}
			if of, _ := year.MapSeason(e.Date, p.south); of != y {
				continue
			}
			if e.Kind == "work" && !e.FreeOnly {
				left *= 1 - e.Share
			}
			if e.Kind == "work" {
				b.Minutes += e.Minutes
			}
			if e.HeightM > 0 {
				b.Height = math.Round(100 * e.HeightM)
			}
		}
		b.Account = round4(1 - left)
		out = append(out, b)
	}
	return out
}

// told lists a slip's cuts in a line each.
func (p *slipMade) told(s *cut.Slip) []string {
	out := []string{}
	for k := range s.Cuts {
		c := &s.Cuts[k]
		out = append(out, p.speaker.StepTitle(c.Candidate))
	}
	return out
}

// replace sets a new tree beside this one, over the same years and in the same hours of all care.
func (p *slipMade) replace(rows []cut.YearRow, years []YearBody) *ReplaceBody {
	care := p.core.Kind.Care
	kilos := make([]float64, len(years))
	for k := range years {
		kilos[k] = years[k].Kilos
	}
	r := cut.SetAgainstNew(rows, kilos, care.HoursAYear, care.YearsToFullCrop)
	return &ReplaceBody{
		YearsToFullCrop: care.YearsToFullCrop, KeepHours: r.KeepHours, NewHours: r.NewHours, KeepKilos: r.KeepKilos, NewKilos: r.NewKilos,
		Says: p.speaker.Replace(len(years), care.YearsToFullCrop, r.KeepKilos, r.NewKilos),
	}
}

// afterSlip is the tree with its slip made, and grown on so many winters.
func (k *Keeper) afterSlip(ctx context.Context, a At, ahead Ahead) (*limb.Map, error) {
	p, err := k.makeSlip(ctx, SlipAt{a, ahead.Season})
	if err != nil {
		return nil, err
	}
	if ahead.Winters == 0 {
		return cutAll(p.m, p.slip)
	}
	if p.now == nil && p.framed() { // its training goes on
		made, err := p.over(ahead.Winters)
		return made.End.Map, err
	}
	tree, work, winters := p.tree, growth.Work{Dormant: p.slip.Made()}, ahead.Winters
	if p.season == limb.Summer {
		if tree, err = growth.Close(tree, p.slip.Made(), 0); err != nil {
			return nil, err
		}
		work, winters = growth.Work{}, winters-1
	}
	for range winters {
		if tree, err = growth.Next(tree, work); err != nil {
			return nil, err
		}
		work = growth.Work{}
	}
	return tree.Map, nil
}
