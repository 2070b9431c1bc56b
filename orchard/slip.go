package orchard

import (
	"context"
	"fmt"
	"math"
	"slices"
	"strings"

	"vertumna/core/almanac"
	"vertumna/core/cut"
	"vertumna/core/find"
	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/core/training"
	"vertumna/core/year"
	"vertumna/store"
	"vertumna/words"
)

// slipMade is a slip with all that its words are made from.
type slipMade struct {
	*standing
	m         *limb.Map
	kept      *store.LimbMap
	tree      growth.Tree
	planner   *cut.Planner
	slip      *cut.Slip
	lit       limb.Light // in which it was made
	options   cut.Options
	season    limb.Season
	key       string // of the slip: season and growth year
	of        half   // that it is the slip of
	predicted bool
	missed    bool           // the slip of the map's own season was not made when it could be
	now       *slipMade      // of a forecast: the slip that the plan begins with; nil: this is it
	eve       *slipMade      // of a day to come: today's slip before it is made; nil: this is it
	madeThen  bool           // its half of the year is over: it was made
	today     almanac.Day    // the day is the past, today or to come
	plan      *year.TreePlan // nil where no place is set up
	until     []year.LimbDate
	usual     []find.Code // what a slip does not look for, whatever the tree's age
	choices   map[cut.Key]store.SlipChoice
	forecasts *kept[mapKey, cut.Forecast]
	fruit     *fruitMade // of the season; nil where it is not known
}

// planOn is a tree's plan on a day; nil where no place is set up.
type planOn func(almanac.Day) (*year.TreePlan, error)

// planOf is a tree's plan of a day, as others ask for it.
func (k *Keeper) planOf(ctx context.Context, c *store.Contents, treeID string) planOn {
	return func(day almanac.Day) (*year.TreePlan, error) {
		if c.Orchard.Site == nil {
			return nil, nil
		}
		p, err := k.Plan(ctx, c.Orchard.Slug, day)
		if err != nil {
			return nil, err
		}
		return p.treeShown(treeID), nil
	}
}

// makeSlip makes the slip of a tree with a person's choices in it.
func (k *Keeper) makeSlip(ctx context.Context, a SlipAt) (*slipMade, error) {
	b, kept, err := k.mapped(ctx, a.At)
	if err != nil {
		return nil, err
	}
	return k.slipOn(ctx, b, kept, k.planOf(ctx, b.contents, b.tree.ID), a.Season)
}

// slipOn makes the slip of a tree on its map, within its year's plan.
func (k *Keeper) slipOn(ctx context.Context, b *standing, kept *store.LimbMap, plan planOn, season limb.Season) (*slipMade, error) {
	decided, err := k.decidedOn(ctx, b.tree.ID, kept.Mark())
	if err != nil {
		return nil, err
	}
	out, err := k.slipFor(b, decided, plan, season)
	if err != nil {
		return nil, err
	}
	return out, out.onto(kept)
}

// slipFor is a tree's slip before it is made, and of a day to come today's beside it. An empty season is that of the day.
func (k *Keeper) slipFor(b *standing, decided []year.LimbDate, plan planOn, season limb.Season) (*slipMade, error) {
	out := &slipMade{standing: b, today: k.today(), until: decided, forecasts: k.forecasts, usual: b.options.Without}
	n, of := year.MapSeason(b.day, b.south)
	if out.season = season; season == "" {
		out.season = of
	}
	out.key, out.of = slipKey(out.season, n), half{out.season, n}
	var err error
	if out.plan, err = plan(b.day); err != nil {
		return nil, err
	}
	b.options.Day = lastDue(decided, b.day)
	b.options.Without = out.without(out.of.year)
	if b.day <= out.today {
		return out, nil
	}
	now, err := standOn(b.contents, b.tree.ID, out.today)
	if err != nil {
		return nil, err
	}
	out.eve, err = k.slipFor(now, decided, plan, "")
	return out, err
}

// without is what a slip of a year does not look for: while the tree's frame is built its training leads, and the slip knows sick wood
// and what is in the way.
func (p *slipMade) without(of int) []find.Code {
	if !p.framedIn(of) {
		return p.usual
	}
	return append(slices.Clone(p.usual), find.Besides(whileForming...)...)
}

// whileForming is what a slip looks for while a tree's frame is built: one word at a time.
var whileForming = []find.Code{find.DeadWood, find.DiseasedWood, find.DamagedWood, find.Borer, find.Sucker, find.WaterSprout, find.Crossing, find.OutOfPlane}

// framed says whether the tree's frame is still built, step by step.
func (p *slipMade) framed() bool { return p.framedIn(p.of.year) }

func (p *slipMade) framedIn(of int) bool {
	return p.plan != nil && p.plan.Way != nil && p.core.AgeIn(of, p.south) < p.plan.Way.Stands
}

// slipKey names a slip: its season, and the growth year.
func slipKey(season limb.Season, n int) string { return fmt.Sprintf("%s-%d", season, n) }

// amounts are what the slips of the tree come to, from the first of its plan to the one after that of the day.
func (p *slipMade) amounts() ([]year.Work, error) {
	rows, err := p.nextYears()
	if err != nil {
		return nil, err
	}
	var out []year.Work
	for k, r := range rows {
		for _, s := range []*cut.Slip{r.Dormant, r.Summer} {
			if s == nil {
				continue
			}
			if in := (half{s.Season, p.firstYear() + k}); !p.of.next().before(in) {
				out = append(out, p.workOf(s, in))
			}
		}
	}
	return out, nil
}

// workOf is what a slip's steps come to: minutes, share, and tools by the person's own.
func (p *slipMade) workOf(s *cut.Slip, in half) year.Work {
	w := year.Work{Summer: in.season == limb.Summer, Year: in.year, Cuts: len(s.Groups), Minutes: s.Minutes, Share: round4(s.Share), HighCM: math.Round(s.HighCM)}
	var tools []string
	for k := range s.Cuts {
		if t, _ := words.ToolFor(s.Cuts[k].Candidate, p.ownTools()); !slices.Contains(tools, t) {
			tools = append(tools, t)
		}
	}
	shoots := s.Shoots()
	w.Shoots = year.Some{Cuts: shoots.Cuts, Minutes: shoots.Minutes, Share: round4(shoots.Share)}
	w.Tools = strings.Join(tools, ", ")
	if len(tools) == 0 {
		w.Tools = year.NothingToCut
	}
	return w
}

// slipsAs is raised when the program makes another slip of the same inputs: what was kept of those before is made anew.
const slipsAs = 12

// madeFrom tells slips apart by all that they are made from: the same text, the same slip.
func (p *slipMade) madeFrom(mark store.MapMark) string {
	b := p.standing
	return inShort(slipsAs, p.locks(), p.missed, mark, p.key, p.options, b.options, p.reading().Yard, b.latitude(), p.core.ShootCM, p.ownTools(), b.contents.Orchard.Rain,
		p.school.Values(), p.core.Planted, p.core.Aim, p.noLeaf(), p.until, p.south, p.madeThen, p.way())
}

// allFrom tells the slips of a plan apart, from the first to that of a half, before any of them is made.
func (p *slipMade) allFrom(mark store.MapMark, at half) string {
	begin := p
	if p.eve != nil {
		begin = p.eve
	}
	begin.choose()
	way := []string{slipKey(p.of.season, p.of.year), p.standing.options.Day, string(p.noLeaf()), fmt.Sprint(p.season == limb.Summer && p.harvestOver())}
	for _, l := range p.legs(at, mark.Date) {
		way = append(way, fmt.Sprint(slipKey(l.season, l.year), l.cut))
	}
	return inShort(begin.madeFrom(mark), way)
}

// way is a young tree's way to its frame; nil where it has none.
func (p *slipMade) way() *training.Way {
	if p.plan == nil {
		return nil
	}
	return p.plan.Way
}

// asDormant is a summer map at its next winter, as it stands: not cut.
func asDormant(m *limb.Map) *limb.Map {
	next := *m
	next.Season = limb.Dormant
	if next.Year > 0 {
		next.Year++
	}
	return &next
}

// replan makes the slip with the choices as they stand.
func (p *slipMade) replan() error {
	if p.light == nil {
		p.light = p.lightAhead(p.m)
	}
	p.lit = p.light
	p.choose()
	var err error
	if p.planner, err = cut.NewPlanner(p.tree, p.reading(), p.options); err != nil {
		return err
	}
	p.slip = p.planner.Plan()
	return nil
}

// choose gathers what the school, the year's account and the person say.
func (p *slipMade) choose() {
	p.standing.options.Harvested = p.season == limb.Summer && p.harvestOver()
	p.options = p.bySchool(p.of, p.noLeaf())
	if p.plan != nil && !p.madeThen {
		spent := p.spent()
		p.options.Used, p.options.BigUsed, p.options.ZonesUsed = p.plan.Account.Removed, spent.Big, spent.Zones
	}
	p.choices = p.decided()
	for key, c := range p.choices {
		if c.Choice == "left" {
			p.options.Left = append(p.options.Left, key)
		}
	}
	slices.SortFunc(p.options.Left, func(a, b cut.Key) int { return cmpKeys(a, b) })
	p.options.Instead = p.moves()
}

// bySchool are the options of the slip of a half, as the school has them for the tree's age and aim by then.
func (p *slipMade) bySchool(in half, leaf cut.NoLeaf) cut.Options {
	return cut.ForSchool(p.school, p.core.Kind, string(p.aimIn(in.year)), p.ageIn(in.year), in.season).WithoutLeafCut(leaf, in.season)
}

func cmpKeys(a, b cut.Key) int {
	return slices.Compare([]string{string(a.Code), a.Limb}, []string{string(b.Code), b.Limb})
}

// aim of the tree: as the year has it, else as its owner said.
func (p *slipMade) aim() year.Aim { return p.aimIn(p.of.year) }

func (p *slipMade) aimIn(of int) year.Aim {
	if p.plan == nil {
		return p.core.Aim
	}
	return year.AimOf(&p.core, of, p.south, p.school).Aim
}

// noLeaf is what the year says of cuts in leaf.
func (p *slipMade) noLeaf() cut.NoLeaf { return p.noLeafIn(p.of.year) }

func (p *slipMade) noLeafIn(of int) cut.NoLeaf {
	switch {
	case p.plan == nil || p.plan.InLeaf.When == year.CutInLeaf:
		return ""
	case of == year.SeasonOf(p.day, p.south):
		if p.plan.InLeaf.When == year.NeverInLeaf {
			return cut.NeverInLeaf
		}
		return cut.NotThisYear
	case p.framedIn(of):
		return cut.NotThisYear
	case p.plan.InLeaf.When == year.NeverInLeaf && p.aimIn(of) == p.plan.Aim.Aim:
		return cut.NeverInLeaf
	}
	return "" // what holds this year holds for this year
}

func (p *slipMade) harvestOver() bool {
	if p.plan == nil {
		return false
	}
	return p.plan.HarvestOver(p.day)
}

// cutsThisYear visits the cuts of the tree year so far that count.
func (p *slipMade) cutsThisYear(visit func(e *store.Entry)) {
	for i := range p.contents.Entries {
		e := &p.contents.Entries[i]
		if e.TreeID != p.core.ID || e.Kind != "work" || e.FreeOnly || e.Date > p.day || p.plan.Account.From.Known() && e.Date < p.plan.Account.From {
			continue
		}
		visit(e)
	}
}

// spent is what the tree year has lost to the saw so far.
func (p *slipMade) spent() (out cut.Spent) {
	p.cutsThisYear(func(e *store.Entry) { out.Take(e.Share, e.Zones, e.CutMM) })
	return out
}

// decided are the choices in force for this slip, by finding.
func (p *slipMade) decided() map[cut.Key]store.SlipChoice {
	out := map[cut.Key]store.SlipChoice{}
	for i := range p.contents.Entries {
		e := &p.contents.Entries[i]
		if e.TreeID != p.core.ID || e.Slip == nil || e.Slip.Slip != p.key {
			continue
		}
		for _, k := range e.Slip.Findings {
			out[k] = *e.Slip
		}
	}
	return out
}

// moves gathers the cuts that were moved, each once.
func (p *slipMade) moves() []cut.Move {
	var out []cut.Move
	for i := range p.contents.Entries {
		e := &p.contents.Entries[i]
		if e.TreeID != p.core.ID || e.Slip == nil || e.Slip.Slip != p.key || e.Slip.Choice != "moved" || e.Slip.Cut == nil {
			continue
		}
		still := slices.ContainsFunc(e.Slip.Findings, func(k cut.Key) bool {
			c := p.choices[k]
			return c.Choice == "moved" && c.Cut != nil && *c.Cut == *e.Slip.Cut
		})
		if still {
			out = append(out, cut.Move{Findings: e.Slip.Findings, Cut: *e.Slip.Cut})
		}
	}
	return out
}

// Slip is which cuts to make on a tree, where, in which order, under the limit.
func (k *Keeper) Slip(ctx context.Context, a SlipAt) (*SlipBody, error) {
	p, err := k.makeSlip(ctx, a)
	if err != nil {
		return nil, err
	}
	if err := k.hang(ctx, a.Slug, p); err != nil {
		return nil, err
	}
	return p.body(), nil
}

// hang works out the season's fruit of a tree that bears, as its page of fruit has it.
func (k *Keeper) hang(ctx context.Context, slug string, p *slipMade) error {
	if p.plan == nil || !p.core.Bears(year.SeasonOf(p.day, p.south), p.south) {
		return nil
	}
	planned, err := k.Plan(ctx, slug, p.day)
	if err != nil {
		return err
	}
	if p.fruit, err = k.fruitOf(ctx, planned, p.plan, p.day); err != nil {
		p.fruit = nil // nothing of it was measured
	}
	return nil
}

func (p *slipMade) topBud(c limb.CutAt) *cut.TopBud {
	if b, ok := p.planner.TopBud(c); ok {
		return &b
	}
	return nil
}

func round4(x float64) float64 { return math.Round(x*1e4) / 1e4 }

// openWeeks is how long a wound made on the day waits for growth.
func (p *slipMade) openWeeks() int {
	if p.plan == nil || p.season == limb.Summer {
		return 0
	}
	bud := p.plan.Anchors.Day(almanac.BudBreak.String())
	if !bud.Known() || bud <= p.day {
		return 0
	}
	return int(math.Round(float64(bud-p.day) / 7))
}

// ownTools are the first person's tools.
func (p *slipMade) ownTools() []words.OwnTool {
	var out []words.OwnTool
	if len(p.contents.People) > 0 {
		for _, t := range p.contents.People[0].Tools {
			if t.MaxMM > 0 {
				out = append(out, words.OwnTool{Name: t.Name, MaxMM: t.MaxMM})
			}
		}
	}
	return out
}
