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
	predicted bool
	missed    bool           // the slip of the map's own season was not made when it could be
	now       *slipMade      // of a forecast: the slip of the map's own season, made first; nil: this is it, or that one was missed
	today     almanac.Day    // the day is the past, today or to come
	plan      *year.TreePlan // nil where no place is set up
	choices   map[cut.Key]store.SlipChoice
	forecasts *kept[mapKey, cut.Forecast]
	fruit     *fruitMade // of the season; nil where it is not known
}

// makeSlip makes the slip of a tree with a person's choices in it.
func (k *Keeper) makeSlip(ctx context.Context, a SlipAt) (*slipMade, error) {
	b, kept, err := k.mapped(ctx, a.At)
	if err != nil {
		return nil, err
	}
	var plan *year.TreePlan
	if b.contents.Orchard.Site != nil {
		p, err := k.Plan(ctx, a.Slug, b.day)
		if err != nil {
			return nil, err
		}
		plan = p.treeShown(b.tree.ID)
	}
	return k.slipOn(ctx, b, kept, plan, a.Season)
}

// slipOn makes the slip of a tree on its map, within its year's plan; nil where no place is set up.
func (k *Keeper) slipOn(ctx context.Context, b *standing, kept *store.LimbMap, plan *year.TreePlan, season limb.Season) (*slipMade, error) {
	out := slipFor(b, plan, season)
	out.today = k.today()
	out.forecasts = k.forecasts
	decided, err := k.decidedOn(ctx, b.tree.ID, kept.Mark())
	if err != nil {
		return nil, err
	}
	b.options.Day = lastDue(decided, b.day)
	if err := out.onto(kept); err != nil {
		return nil, err
	}
	if err := out.replan(); err != nil {
		return nil, err
	}
	return out, nil
}

// slipFor is a tree's slip before it is made. An empty season is that of the day.
func slipFor(b *standing, plan *year.TreePlan, season limb.Season) *slipMade {
	out := &slipMade{standing: b, plan: plan}
	n, of := year.MapSeason(b.day, b.south)
	if out.season = season; season == "" {
		out.season = of
	}
	out.key = slipKey(out.season, n)
	if out.framed() { // its training leads: the slip knows sick wood and what is in the way
		b.options.Without = append(slices.Clone(b.options.Without), find.Besides(whileForming...)...)
	}
	return out
}

// whileForming is what a slip looks for while a tree's frame is built: one word at a time.
var whileForming = []find.Code{"dead", "diseased", "damaged", "borer", "sucker", "water_sprout", "crossing", "out_of_plane"}

// framed says whether the tree's frame is still built, step by step.
func (p *slipMade) framed() bool {
	return p.plan != nil && p.plan.Way != nil && p.plan.Age < p.plan.Way.Stands
}

// slipKey names a slip: its season, and the growth year.
func slipKey(season limb.Season, n int) string { return fmt.Sprintf("%s-%d", season, n) }

// amount is what the slip gives the year's task, and in winter what the summer's, as it is foreseen, gives its own.
func (p *slipMade) amount() year.Amount {
	a := year.Amount{From: p.madeFrom(p.kept.Mark()), Summer: p.season == limb.Summer, Year: p.m.Year, Work: p.workOf(p.slip)}
	if a.Summer {
		return a
	}
	if made, err := p.plannedYears(1); err == nil && len(made.Rows) > 0 && made.Rows[0].Summer != nil {
		a.Coming = p.workOf(made.Rows[0].Summer)
	}
	return a
}

// workOf is what a slip's steps come to: minutes, share, and tools by the person's own.
func (p *slipMade) workOf(s *cut.Slip) year.Work {
	w := year.Work{Cuts: len(s.Groups), Minutes: s.Minutes, Share: round4(s.Share)}
	var tools []string
	for k := range s.Cuts {
		if t, _ := words.ToolFor(s.Cuts[k].Candidate, p.ownTools()); !slices.Contains(tools, t) {
			tools = append(tools, t)
		}
		if i := p.m.Index(s.Cuts[k].Limb); i >= 0 {
			w.HighCM = math.Max(w.HighCM, math.Round(p.m.At(i, math.Max(0, s.Cuts[k].AtCM)).Z))
		}
	}
	w.Tools = strings.Join(tools, ", ")
	if len(tools) == 0 {
		w.Tools = "nothing to cut"
	}
	return w
}

// slipsAs is raised when the program makes another slip of the same inputs: what was kept of those before is made anew.
const slipsAs = 8

// madeFrom tells slips apart by all that they are made from: the same text, the same slip.
func (p *slipMade) madeFrom(mark store.MapMark) string {
	b := p.standing
	return inShort(slipsAs, p.locks(), p.missed, mark, p.key, p.options, b.options, p.reading().Yard, b.latitude(), p.core.ShootCM, p.ownTools(), b.contents.Orchard.Rain)
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
	p.options = cut.ForSchool(p.school, p.core.Kind, string(p.aim()), p.age(), p.season).WithoutLeafCut(p.noLeaf(), p.season)
	switch {
	case p.now != nil && p.season == limb.Summer: // what its winter slip takes is gone by then
		p.options.Used, p.options.BigUsed, p.options.ZonesUsed = p.now.slip.Account, p.now.slip.BigWounds, p.now.slip.ZonesTaken()
	case p.now == nil && p.plan != nil:
		p.options.Used, p.options.BigUsed = p.plan.Account.Removed, p.bigUsed()
		p.options.ZonesUsed = p.zonesUsed()
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

func cmpKeys(a, b cut.Key) int {
	return slices.Compare([]string{string(a.Code), a.Limb}, []string{string(b.Code), b.Limb})
}

// aim of the tree: as the plan has it, else as its owner said.
func (p *slipMade) aim() year.Aim {
	if p.plan != nil {
		return p.plan.Aim.Aim
	}
	return p.core.Aim
}

// noLeaf is what the year says of cuts in leaf.
func (p *slipMade) noLeaf() cut.NoLeaf {
	switch {
	case p.plan == nil || p.plan.InLeaf.When == year.CutInLeaf:
		return ""
	case p.plan.InLeaf.When == year.NeverInLeaf:
		return cut.NeverInLeaf
	}
	return cut.NotThisYear
}

func (p *slipMade) harvestOver() bool {
	if p.plan == nil {
		return false
	}
	end := p.plan.Anchors.Day(year.HarvestEnd)
	return end.Known() && p.day > end
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

// zonesUsed is what the tree year took of each third of the height; a share that was not told by thirds went from all alike.
func (p *slipMade) zonesUsed() (used [3]float64) {
	p.cutsThisYear(func(e *store.Entry) {
		for k := range used {
			taken := e.Share
			if e.Zones != nil {
				taken = e.Zones[k]
			}
			used[k] = 1 - (1-used[k])*(1-taken)
		}
	})
	return used
}

// bigUsed counts the big wounds already made this tree year.
func (p *slipMade) bigUsed() int {
	n := 0
	p.cutsThisYear(func(e *store.Entry) {
		for _, mm := range e.CutMM {
			if mm > cut.BigWoundMM {
				n++
			}
		}
	})
	return n
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
