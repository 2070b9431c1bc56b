package api

import (
	"context"
	"encoding/json"
	"errors"
	"hash/fnv"
	"log/slog"
	"net/http"
	"slices"
	"sync"

	"vertumna/core/almanac"
	"vertumna/core/crop"
	"vertumna/core/cut"
	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/core/together"
	"vertumna/core/year"
	"vertumna/store"
	"vertumna/words"
)

// planner keeps what is costly to make: the ensemble of each place and season, and the plans of the days last asked for.
type planner struct {
	store *store.Store
	log   *slog.Logger

	mu        sync.Mutex
	ensembles map[ensembleKey]*ensembleSlot
	contents  map[string]*store.Contents // by slug, as last read
	plans     map[planKey]*planSlot
	order     []planKey
	amounts   map[string]year.Amount // of the slips made, by tree
	today     func() almanac.Day

	remembered map[string]bool // orchards whose amounts were read from the store
	fruits     map[fruitKey]*fruitMade
	lights     facts[limb.Light]
	sections   facts[float64]
	halves     facts[half]
	forecasts  facts[cut.Forecast]
	decided    facts[[]year.LimbDate]
}

// mapKey is a tree's limb map, with all else that what is kept of it was worked out from.
type mapKey struct {
	tree string
	mark store.MapMark
	with string
}

// fruitKey is a tree's fruit on a day, of an orchard as it stood.
type fruitKey struct {
	orchard  string
	revision int
	tree     string
	day      almanac.Day
}

// How many trees' fruit, and how many small facts of trees, are kept in memory.
const (
	keepFruits = 64
	keepFacts  = 400
)

// planSlot is filled once, so that a plan asked for twice at once is made once.
type planSlot struct {
	once sync.Once
	plan *Planned
	err  error
}

type ensembleKey struct {
	site   uint64
	season int
}

type ensembleSlot struct {
	once sync.Once
	ens  *almanac.Ensemble
	err  error
}

type planKey struct {
	orchard  string // id
	revision int
	day      almanac.Day
	today    bool
}

// Planned is an orchard planned for a day: the season shown first, then those near the turn of the rail.
type Planned struct {
	Contents *store.Contents
	Yard     *year.Yard
	Plans    []*year.Plan
	Shown    *year.Plan
	Docket   year.Docket
	Speaker  words.Speaker
	light    sync.Once
	lit      *YardLightBody // made when first asked for
	litErr   error
	Unworked []string // codes of trees whose slip could not be worked out
}

const (
	keepPlans     = 64
	keepEnsembles = 24
)

func newPlanner(s *store.Store, today func() almanac.Day, log *slog.Logger) *planner {
	return &planner{store: s, today: today, log: log, ensembles: map[ensembleKey]*ensembleSlot{}, contents: map[string]*store.Contents{}, plans: map[planKey]*planSlot{}, amounts: map[string]year.Amount{}, remembered: map[string]bool{}, fruits: map[fruitKey]*fruitMade{}}
}

// ensemble makes the ensemble of a site and season once.
func (p *planner) ensemble(site *almanac.Site, season int) (*almanac.Ensemble, error) {
	text, err := json.Marshal(site)
	if err != nil {
		return nil, err
	}
	h := fnv.New64a()
	_, _ = h.Write(text)
	key := ensembleKey{h.Sum64(), season}
	p.mu.Lock()
	slot, ok := p.ensembles[key]
	if !ok {
		if len(p.ensembles) >= keepEnsembles {
			clear(p.ensembles)
		}
		slot = &ensembleSlot{}
		p.ensembles[key] = slot
	}
	p.mu.Unlock()
	slot.once.Do(func() { slot.ens, slot.err = almanac.NewEnsemble(site, almanac.SiteSeed(site.Slug), nil, season) })
	return slot.ens, slot.err
}

// plan plans an orchard for a day. Errors: store.ErrNotFound, a problem when the place is not set up or the day lies
// outside the years of the models.
func (p *planner) plan(ctx context.Context, slug string, day almanac.Day) (*Planned, error) {
	o, err := p.store.Orchard(ctx, slug)
	if err != nil {
		return nil, err
	}
	if o.Site == nil {
		return nil, problem(http.StatusConflict, "the place is not set up yet", FieldError{"no_place", "site", "none", "a place with its normals"})
	}
	if y := day.Year(); y < almanac.MinYear+2 || y > almanac.MaxYear-2 {
		return nil, given.Fault{Code: "bad_year", Field: "day", Given: day.String(), Expected: "a day from 2002 to 2098"}
	}
	key := planKey{o.ID, o.Revision, day, day == p.today()}
	slot := p.slot(key)
	slot.once.Do(func() {
		slot.err = together.Safely(func() error {
			if today := p.today(); day != today { // its slips give their amounts to every day's tasks
				if _, err := p.plan(ctx, slug, today); err != nil {
					return err
				}
			}
			c, err := p.read(context.WithoutCancel(ctx), o)
			if err == nil {
				slot.plan, err = p.make(context.WithoutCancel(ctx), c, day)
			}
			return err
		})
	})
	if slot.err != nil {
		p.drop(key) // asked again, it is tried again
	}
	return slot.plan, slot.err
}

// read gives an orchard's contents, from memory while nothing was written since.
func (p *planner) read(ctx context.Context, o *store.Orchard) (*store.Contents, error) {
	p.mu.Lock()
	c := p.contents[o.Slug]
	p.mu.Unlock()
	if c != nil && c.Orchard.ID == o.ID && c.Orchard.Revision == o.Revision {
		return c, nil
	}
	c, err := p.store.Contents(ctx, o.Slug)
	if err != nil {
		return nil, err
	}
	for _, b := range c.SetAside {
		p.log.Error("row set aside", "table", b.Table, "row", b.ID, "cause", b.Why)
	}
	if err := p.giveCaps(ctx, c); err != nil {
		return nil, err
	}
	p.mu.Lock()
	p.contents[o.Slug] = c
	p.mu.Unlock()
	return c, nil
}

func (p *planner) make(ctx context.Context, c *store.Contents, day almanac.Day) (*Planned, error) {
	y, err := c.Yard(day)
	if err != nil {
		return nil, err
	}
	if err := p.giveAmounts(ctx, c.Orchard.ID, y); err != nil {
		return nil, err
	}
	if err := p.giveStandings(ctx, c, y, day); err != nil {
		return nil, err
	}
	if err := p.giveDecided(ctx, c.Orchard.ID, y, day); err != nil {
		return nil, err
	}
	out, err := p.planAll(c, y, day)
	if err != nil {
		return nil, err
	}
	// slips and what was counted give the tasks their amounts: the year is made once more with them
	slips, err := p.giveSlips(ctx, out, day)
	if err != nil {
		return nil, err
	}
	fruit, err := p.giveFruit(ctx, out, day)
	if err != nil || !slips && !fruit {
		return out, err
	}
	again, err := p.planAll(c, y, day)
	if err == nil {
		again.Unworked = out.Unworked
	}
	return again, err
}

// giveStandings tells how each bearing tree comes into the season, from its years of fruit.
func (p *planner) giveStandings(ctx context.Context, c *store.Contents, y *year.Yard, day almanac.Day) error {
	south := y.Place.Site.South()
	season := year.SeasonOf(day, south)
	marks, err := p.store.MapsAsOf(ctx, c.Orchard.ID, day)
	if err != nil {
		return err
	}
	for i := range y.Trees {
		t := &y.Trees[i]
		if !t.Bears(season, south) || len(c.Fruitings(t.ID, day)) == 0 {
			continue
		}
		section, err := p.sectionOf(ctx, t, marks[t.ID])
		if err != nil {
			return err
		}
		t.Fruit = &year.Fruit{Season: season, Standing: crop.StandingIn(t.Kind, c.CropSeasons(t.ID, day), season, crop.Reference(t.Kind, section))}
	}
	return nil
}

// giveFruit hands what was counted or looked at this season on to the trees; some tells whether there was any. Each such tree
// is worked out in full.
func (p *planner) giveFruit(ctx context.Context, planned *Planned, day almanac.Day) (some bool, err error) {
	south, season := planned.Yard.Place.Site.South(), planned.Shown.Season
	for i := range planned.Yard.Trees {
		t := &planned.Yard.Trees[i]
		tp := planned.treeShown(t.ID)
		told := planned.Contents.Fruitings(t.ID, day)
		if tp == nil || !t.Bears(season, south) || !slices.ContainsFunc(told, func(e *store.Entry) bool { return e.Season == season && e.TellsSet() }) {
			continue
		}
		f, err := p.fruitOf(ctx, planned, tp, day)
		var faults given.Faults
		if errors.As(err, &faults) {
			continue // nothing of it was measured
		}
		if err != nil {
			return some, err
		}
		t.Fruit, some = f.facts(), true
	}
	return some, nil
}

func (p *Planned) treeShown(id string) *year.TreePlan {
	if p.Shown == nil {
		return nil
	}
	for i := range p.Shown.Trees {
		if p.Shown.Trees[i].Tree.ID == id {
			return &p.Shown.Trees[i]
		}
	}
	return nil
}

// planAll makes the seasons that a day shows.
func (p *planner) planAll(c *store.Contents, y *year.Yard, day almanac.Day) (*Planned, error) {
	out := &Planned{Contents: c, Yard: y, Speaker: words.Speaker{Units: words.Units(c.Orchard.Units)}}
	south := y.Place.Site.South()
	for _, season := range year.Seasons(day, south) {
		ens, err := p.ensemble(c.Orchard.Site, season)
		if err != nil {
			return nil, err
		}
		plan, err := year.Make(y, ens, day)
		if err != nil {
			return nil, err
		}
		out.Plans = append(out.Plans, plan)
		if season == year.SeasonOf(day, south) {
			out.Shown = plan
		}
	}
	out.Docket = year.DocketOf(out.Plans...)
	return out, nil
}

// slot finds or makes the slot of a plan; the oldest gives way.
func (p *planner) slot(key planKey) *planSlot {
	p.mu.Lock()
	defer p.mu.Unlock()
	if slot, ok := p.plans[key]; ok {
		return slot
	}
	if len(p.order) >= keepPlans {
		delete(p.plans, p.order[0])
		p.order = p.order[1:]
	}
	slot := &planSlot{}
	p.plans[key] = slot
	p.order = append(p.order, key)
	return slot
}

func (p *planner) drop(key planKey) {
	p.mu.Lock()
	defer p.mu.Unlock()
	delete(p.plans, key)
	p.order = slices.DeleteFunc(p.order, func(k planKey) bool { return k == key })
}

// facts are things worked out from maps, kept while what they come from stays the same.
type facts[V any] struct {
	mu   sync.Mutex
	kept map[mapKey]V
}

func (f *facts[V]) of(key mapKey, work func() (V, error)) (V, error) {
	f.mu.Lock()
	have, ok := f.kept[key]
	f.mu.Unlock()
	if ok {
		return have, nil
	}
	made, err := work()
	if err != nil {
		return made, err
	}
	f.mu.Lock()
	defer f.mu.Unlock()
	if f.kept == nil || len(f.kept) >= keepFacts {
		f.kept = map[mapKey]V{}
	}
	f.kept[key] = made
	return made, nil
}

// lightOf is the light of a tree's map, worked out once while neither it nor what stands round it changes.
func (p *planner) lightOf(b *standing, m *limb.Map, mark store.MapMark) limb.Light {
	l, _ := p.lights.of(mapKey{b.tree.ID, mark, inShort(b.reading().Yard, b.latitude())}, func() (limb.Light, error) { return b.lightOf(m), nil })
	return l
}

// checked is a revision of a tree's map.
func (p *planner) checked(ctx context.Context, treeID string, mark store.MapMark) (*limb.Map, error) {
	kept, err := p.store.MapRevision(ctx, treeID, mark.Revision)
	if err != nil {
		return nil, err
	}
	return limb.Check(kept.Doc)
}

// sectionOf is the section of the wood that carries a tree's crop, cm2, read off its map once.
func (p *planner) sectionOf(ctx context.Context, t *year.Tree, mark store.MapMark) (float64, error) {
	if mark.Revision == 0 {
		return crop.BasisSection(nil, t.TrunkMM, t.ScaffoldsMM), nil
	}
	return p.sections.of(mapKey{t.ID, mark, inShort(t.TrunkMM, t.ScaffoldsMM)}, func() (float64, error) {
		m, err := p.checked(ctx, t.ID, mark)
		if err != nil {
			return 0, err
		}
		return crop.BasisSection(m, t.TrunkMM, t.ScaffoldsMM), nil
	})
}

// giveDecided hands the trees the limbs that a person decided about until a day.
func (p *planner) giveDecided(ctx context.Context, orchardID string, y *year.Yard, day almanac.Day) error {
	marks, err := p.store.MapsAsOf(ctx, orchardID, day)
	if err != nil {
		return err
	}
	for i := range y.Trees {
		t := &y.Trees[i]
		if mark, mapped := marks[t.ID]; mapped {
			if t.Decided, err = p.decidedOn(ctx, t.ID, mark); err != nil {
				return err
			}
		}
	}
	return nil
}

// decidedOn are the limbs of a tree that a person decided about until a day, read off its map once.
func (p *planner) decidedOn(ctx context.Context, treeID string, mark store.MapMark) ([]year.LimbDate, error) {
	return p.decided.of(mapKey{treeID, mark, ""}, func() ([]year.LimbDate, error) {
		m, err := p.checked(ctx, treeID, mark)
		if err != nil {
			return nil, err
		}
		var out []year.LimbDate
		for i := range m.Axes {
			s := m.State(i)
			if s == nil || s.Due == "" {
				continue
			}
			if due, err := almanac.ParseDay(s.Due); err == nil {
				out = append(out, year.LimbDate{Limb: m.Axes[i].ID, State: s.Kind, Due: due, Reason: s.Reason})
			}
		}
		return out, nil
	})
}

// lastDue is the last of these days that has come by a day, for a slip; "" where none has. Between two of them no slip changes.
func lastDue(decided []year.LimbDate, day almanac.Day) string {
	last := almanac.NoDay
	for _, l := range decided {
		if l.Due <= day && (!last.Known() || l.Due > last) {
			last = l.Due
		}
	}
	if !last.Known() {
		return ""
	}
	return last.String()
}

// halfOf is the half of the tree year that a tree's map shows, read off it once.
func (p *planner) halfOf(ctx context.Context, treeID string, mark store.MapMark, south bool) (half, error) {
	return p.halves.of(mapKey{treeID, mark, ""}, func() (half, error) {
		m, err := p.checked(ctx, treeID, mark)
		if err != nil {
			return half{}, err
		}
		return halfOf(m, mark.Date, south), nil
	})
}
