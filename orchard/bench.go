package orchard

import (
	"context"
	"errors"
	"math"
	"slices"
	"sync"

	"vertumna/core/almanac"
	"vertumna/core/find"
	"vertumna/core/given"
	"vertumna/core/growth"
	"vertumna/core/light"
	"vertumna/core/limb"
	"vertumna/core/pomology"
	"vertumna/core/year"
	"vertumna/store"
	"vertumna/words"
)

// standing is a tree with all that its bench is made from.
type standing struct {
	contents  *store.Contents
	tree      *store.Tree
	core      year.Tree
	yard      []year.Tree
	school    pomology.Resolved
	options   find.Options
	speaker   words.Speaker
	day       almanac.Day
	south     bool
	light     limb.Light     // of the map drawn
	round     *light.Outside // what stands round it lets through, once asked for
	roundOnce sync.Once
	ahead     int       // winters on
	after     *limb.Map // the tree with its slip made, that many winters on; nil: uncut
}

// standOn gathers what a tree's answers are made from, of contents at hand.
func standOn(c *store.Contents, treeID string, day almanac.Day) (*standing, error) {
	b := &standing{contents: c, day: day, speaker: words.Speaker{Units: words.Units(c.Orchard.Units)}}
	for i := range c.Trees {
		if c.Trees[i].ID == treeID {
			b.tree = &c.Trees[i]
		}
	}
	if b.tree == nil {
		return nil, store.ErrNotFound
	}
	if err := b.orchard(); err != nil {
		return nil, err
	}
	return b, nil
}

func (b *standing) orchard() error {
	c := b.contents
	wet := false
	y := &year.Yard{RowDistanceM: c.Orchard.Plot.RowDistance}
	if c.Orchard.Site == nil {
		for i := range c.Trees {
			t, err := c.Trees[i].Core()
			if err != nil {
				return err
			}
			b.yard = append(b.yard, t)
		}
		if len(c.People) > 0 {
			y.FingertipCM, y.CeilingCM = c.People[0].FingertipCM, c.People[0].CeilingCM
		}
	} else {
		var err error
		if y, err = c.Yard(b.day); err != nil {
			return err
		}
		b.yard, b.south, wet = y.Trees, c.Orchard.Site.South(), y.Place.Climate.WetWinter()
	}
	plotOf(c).GiveSills(b.yard)
	for i := range b.yard {
		if b.yard[i].ID == b.tree.ID {
			b.core = b.yard[i]
		}
	}
	var err error
	b.school, err = pomology.School{Preset: c.Orchard.School.Preset, Own: c.Orchard.School.Own}.Resolve(wet, b.core.Own)
	if err != nil {
		return err
	}
	b.speaker.Straight = b.school.Is("slope", "straight")
	b.options = find.ForSchool(b.school, b.core.Kind, 100*y.ReachM(&b.core, b.school))
	if c.Orchard.Site != nil && y.Place.Climate.HumidSummer {
		b.options = b.options.ForHumidSummers()
	}
	b.options.StubCM = find.StubFor(b.core.Class)
	b.options.Vigour, b.options.Weighs = b.core.Class, find.Weighs(c.Orchard.Weighs)
	b.options.Without = []find.Code{find.Overloaded, find.ThinForLoad} // what limbs carry is told by the load of the fruit, once
	if b.core.Aim == year.Build {
		yes := true
		b.options.Building = &yes
	}
	return nil
}

func (b *standing) age() int { return b.ageIn(year.SeasonOf(b.day, b.south)) }

// ageIn is the tree's age in a season; 0: it is not known.
func (b *standing) ageIn(season int) int {
	if !b.core.Planted.Known() {
		return 0
	}
	return max(1, b.core.AgeIn(season, b.south))
}

// harvestOver says whether a tree's fruit is off on its day; false where no place tells its year.
func (k *Keeper) harvestOver(ctx context.Context, b *standing) (bool, error) {
	if b.contents.Orchard.Site == nil {
		return false, nil
	}
	p, err := k.Plan(ctx, b.contents.Orchard.Slug, b.day)
	if err != nil {
		return false, err
	}
	tp := p.treeShown(b.tree.ID)
	return tp != nil && tp.HarvestOver(b.day), nil
}

// drawn is a tree on its bench.
func (k *Keeper) drawn(ctx context.Context, b *standing) (*BenchBody, error) {
	out := k.benchTree(b)
	var err error
	if out.History, err = k.store.MapHistory(ctx, b.tree.ID); err != nil {
		return nil, err
	}
	kept, err := k.store.MapAsOf(ctx, b.tree.ID, b.day)
	if errors.Is(err, store.ErrNotFound) {
		return out, nil
	}
	if err != nil {
		return nil, err
	}
	m, err := limb.Check(kept.Doc)
	if err != nil {
		return nil, err
	}
	b.options.Day = b.day.String()
	out.Mapped, out.Revision, out.Map = true, &kept.Revision, &kept.Doc
	if out.CanUndo, err = k.store.CanUndoMap(ctx, b.tree.ID, kept); err != nil {
		return nil, err
	}
	if at, now := halfOf(m, kept.Date, b.south), halfOn(k.today(), b.south); b.day == k.today() && at.before(now) {
		out.Carry = words.CarryOn(at.season, at.year)
	}
	shown := m
	switch {
	case b.after != nil:
		shown = b.after
	case b.ahead > 0:
		if shown, err = growth.Ahead(b.grower(m), b.ahead); err != nil {
			return nil, err
		}
	}
	out.Ahead, out.Cut = b.ahead, b.after != nil
	if b.ahead == 0 && shown.Season == limb.Summer {
		if b.options.Harvested, err = k.harvestOver(ctx, b); err != nil {
			return nil, err
		}
	}
	b.draw(out, shown)
	if f, ok := find.CompareMain(shown); ok {
		out.Fellows = b.speaker.Fellows(f)
	}
	if err := k.came(ctx, b, out, m); err != nil {
		return nil, err
	}
	out.Past, err = k.past(ctx, b.tree.ID, out.History, m)
	return out, err
}

func (k *Keeper) benchTree(b *standing) *BenchBody {
	t := &b.core
	form, _ := pomology.FormBySlug(t.Form)
	out := &BenchBody{
		Tree: BenchTree{
			ID: t.ID, Code: t.Code, Name: t.Name, Kind: t.Kind.Slug, KindName: t.Kind.Name, Form: string(t.Form), FormName: form.Name, Age: b.age(),
			ReachCM: math.Round(b.options.ReachCM), Habit: t.Kind.Growth.Bearing.Habit().Wood,
		},
		Day: b.day, Limbs: []DrawnLimb{}, Findings: []FindingBody{}, Past: []PastBody{}, History: []store.Revision{}, Warnings: []given.Fault{},
		Safety: b.speaker.BenchSafety(), EndTests: b.endTests(),
		Facts: BenchFacts{Passes: []Passes{}, LeaderChain: []string{}, MapSeason: limb.Dormant},
	}
	out.Suggest = b.suggest()
	size, _, _ := t.Kind.SizeFor(t.Class)
	age := out.Tree.Age
	if age == 0 {
		age = t.Kind.Care.YearsToFullCrop
	}
	o := pomology.WantedOutline(form, size, math.Min(form.HeightM, b.options.ReachCM/100), t.Kind.Care.YearsToFullCrop, age)
	out.Outline = Outline{age, math.Round(100*o.HeightM) / 100, math.Round(100*o.WidthM) / 100}
	return out
}

// suggest starts a sketch from what is known of the tree, else from what its kind and form usually have at its age.
func (b *standing) suggest() growth.SketchInput {
	t := &b.core
	known := growth.Known{Form: t.Form, Class: t.Class, Age: b.age(), HeightM: t.HeightM, SpreadM: t.SpreadM, TrunkMM: t.TrunkMM}
	known.MostSpreadM, _ = t.Crown()
	in := growth.Suggest(t.Kind, known)
	in.Seed = seedOf(t.ID)
	in.Year, in.Season = year.MapSeason(b.day, b.south)
	return in
}

// seedOf gives each tree its own sketch.
func seedOf(id string) uint64 {
	seed := uint64(14695981039346656037)
	for _, c := range []byte(id) {
		seed = (seed ^ uint64(c)) * 1099511628211
	}
	return seed % (1 << 31)
}

func (b *standing) endTests() []EndTestBody {
	out := []EndTestBody{}
	for _, t := range find.EndTests() {
		e := EndTestBody{Slug: t.Slug, Name: t.Name, How: t.How, Words: t.Words}
		for i := range b.contents.Entries {
			entry := &b.contents.Entries[i]
			if v := entry.EndTests[t.Slug]; v != "" && entry.TreeID == b.tree.ID && entry.Date <= b.day && (e.On == nil || entry.Date >= *e.On) {
				day := entry.Date
				e.Last, e.On = v, &day
			}
		}
		out = append(out, e)
	}
	return out
}

// pastYears is how many years back the bench shows.
const pastYears = 2

// past shows the tree in the growth years before the map shown: as it was mapped then, else as its rings tell.
func (k *Keeper) past(ctx context.Context, treeID string, history []store.Revision, now *limb.Map) ([]PastBody, error) {
	out := []PastBody{}
	if now.Year == 0 {
		return out, nil
	}
	before := now
	for y := now.Year - 1; y >= now.Year-pastYears; y-- {
		kept, err := k.mapOfYear(ctx, treeID, history, y)
		if err != nil {
			return nil, err
		}
		p := PastBody{Year: y, FromRings: kept == nil, Lines: [][]float64{}}
		if kept != nil {
			p.Revision, p.Date, before = kept.Revision.Revision, &kept.Date, kept.read
		} else {
			doc, err := before.YearBack()
			if err != nil {
				return out, nil // nothing stood a year before: the past ends here
			}
			if before, err = limb.Check(doc); err != nil {
				return nil, err
			}
		}
		p.HeightCM, p.Limbs = round1(before.Height()), before.Len()
		for i := range before.Axes {
			p.Lines = append(p.Lines, stations(before, i))
		}
		out = append(out, p)
	}
	return out, nil
}

// came sets the forecast from the winter before beside the map shown, where both were mapped in winter.
func (k *Keeper) came(ctx context.Context, b *standing, out *BenchBody, now *limb.Map) error {
	if now.Year == 0 || now.Season != limb.Dormant || out.Revision.Cause == store.CauseGrown { // what the model grew says nothing of it
		return nil
	}
	kept, err := k.mapOfYear(ctx, b.tree.ID, out.History, now.Year-1)
	if err != nil || kept == nil || kept.read.Season != limb.Dormant {
		return err
	}
	work, made, err := k.workOf(ctx, b, out, kept, now.Year-1)
	if err != nil {
		return err
	}
	c, err := growth.Compare(b.grower(kept.read), work, now, made...)
	if err != nil {
		return nil // what was cut does not fit the map of then: nothing can be said
	}
	out.Came = &CameBody{From: kept.Date, Verdict: c.Verdict, Says: b.speaker.Came(c), Cuts: []CutCame{}}
	for _, a := range c.Cuts[:min(mostAnswers, len(c.Cuts))] {
		out.Came.Cuts = append(out.Came.Cuts, CutCame{a.Limb, b.speaker.Answer(a)})
	}
	return nil
}

// workOf is the work of a growth year by the journal: what was done after a map was drawn, and what that map shows already.
func (k *Keeper) workOf(ctx context.Context, b *standing, out *BenchBody, kept *pastMap, growthYear int) (work growth.Work, made []growth.Made, err error) {
	for i := range b.contents.Entries {
		e := &b.contents.Entries[i]
		y, season := year.MapSeason(e.Date, b.south)
		if e.TreeID != b.tree.ID || len(e.Made) == 0 || y != growthYear || e.Date > out.Revision.Date {
			continue
		}
		if e.Map > 0 && e.Map <= kept.Revision.Revision {
			on, err := k.mapBefore(ctx, b.tree.ID, out.History, e.Map)
			if err != nil {
				return work, nil, err
			}
			if on != nil {
				made = append(made, growth.Made{On: on, Cuts: e.Made})
			}
			continue
		}
		for _, c := range e.Made {
			if season == limb.Dormant {
				work.Dormant = append(work.Dormant, growth.Cut{CutAt: c})
			} else {
				work.Summer = append(work.Summer, growth.Cut{CutAt: c})
			}
		}
	}
	return work, made, nil
}

// mapBefore is the map that a revision was made from, nil where none is kept that still passes.
func (k *Keeper) mapBefore(ctx context.Context, treeID string, history []store.Revision, revision int) (*limb.Map, error) {
	i := slices.IndexFunc(history, func(r store.Revision) bool { return r.Revision == revision })
	if i < 0 || history[i].BasedOn == 0 {
		return nil, nil
	}
	kept, err := k.store.MapRevision(ctx, treeID, history[i].BasedOn)
	if errors.Is(err, store.ErrNotFound) {
		return nil, nil
	}
	if err != nil {
		return nil, err
	}
	m, err := limb.Check(kept.Doc)
	if err != nil {
		return nil, nil // of an older program, and unsound: nothing is said from it
	}
	return m, nil
}

// mostAnswers is how many cuts are told with what grew about them.
const mostAnswers = 8

// pastMap is a map kept of a year before.
type pastMap struct {
	*store.LimbMap
	read *limb.Map
}

// mapOfYear is the last map kept of a growth year, nil where none is, or none that still passes.
func (k *Keeper) mapOfYear(ctx context.Context, treeID string, history []store.Revision, growthYear int) (*pastMap, error) {
	for _, r := range history {
		if y := r.Date.Year(); y < growthYear-1 || y > growthYear {
			continue
		}
		kept, err := k.store.MapRevision(ctx, treeID, r.Revision)
		if err != nil {
			return nil, err
		}
		if m, err := limb.Check(kept.Doc); err == nil && kept.Doc.Year == growthYear {
			return &pastMap{kept, m}, nil
		}
	}
	return nil, nil
}
