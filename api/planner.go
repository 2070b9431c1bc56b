package api

import (
	"context"
	"encoding/json"
	"hash/fnv"
	"net/http"
	"slices"
	"sync"

	"vertumna/core/almanac"
	"vertumna/core/year"
	"vertumna/store"
	"vertumna/words"
)

// planner keeps what is costly to make: the ensemble of each place and season, and the plans of the days last asked for.
type planner struct {
	store *store.Store

	mu        sync.Mutex
	ensembles map[ensembleKey]*ensembleSlot
	contents  map[string]*store.Contents // by slug, as last read
	plans     map[planKey]*planSlot
	order     []planKey
	amounts   map[string]year.Amount // of the slips made, by tree
	slips     int                    // how often one of them changed
}

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
	slips    int
}

// Planned is an orchard planned for a day: the season shown first, then those near the turn of the rail.
type Planned struct {
	Contents *store.Contents
	Yard     *year.Yard
	Plans    []*year.Plan
	Shown    *year.Plan
	Docket   year.Docket
	Speaker  words.Speaker
}

const (
	keepPlans     = 64
	keepEnsembles = 24
)

func newPlanner(s *store.Store) *planner {
	return &planner{store: s, ensembles: map[ensembleKey]*ensembleSlot{}, contents: map[string]*store.Contents{}, plans: map[planKey]*planSlot{}, amounts: map[string]year.Amount{}}
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
		return nil, problem(http.StatusConflict, "the place is not set up yet", FieldError{"site", "none", "a place with its normals", "no_place"})
	}
	if y := day.Year(); y < almanac.MinYear+2 || y > almanac.MaxYear-2 {
		return nil, year.Problem{Code: "bad_year", Field: "day", Given: day.String(), Expected: "a day from 2002 to 2098"}
	}
	key := planKey{o.ID, o.Revision, day, p.madeSlips()}
	slot := p.slot(key)
	slot.once.Do(func() {
		var c *store.Contents
		if c, slot.err = p.read(context.WithoutCancel(ctx), o); slot.err == nil {
			slot.plan, slot.err = p.make(c, day)
		}
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
	p.mu.Lock()
	p.contents[o.Slug] = c
	p.mu.Unlock()
	return c, nil
}

func (p *planner) make(c *store.Contents, day almanac.Day) (*Planned, error) {
	y, err := c.Yard(day)
	if err != nil {
		return nil, err
	}
	p.giveAmounts(y)
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

func (p *planner) madeSlips() int {
	p.mu.Lock()
	defer p.mu.Unlock()
	return p.slips
}

// giveAmounts hands the amounts of the slips made on to the trees' tasks.
func (p *planner) giveAmounts(y *year.Yard) {
	p.mu.Lock()
	defer p.mu.Unlock()
	for i := range y.Trees {
		if a, ok := p.amounts[y.Trees[i].ID]; ok {
			y.Trees[i].Amount = &a
		}
	}
}

// keepAmount remembers what a tree's slip comes to; plans made before it are made anew.
func (p *planner) keepAmount(treeID string, a year.Amount) {
	p.mu.Lock()
	defer p.mu.Unlock()
	if p.amounts[treeID] != a {
		p.amounts[treeID] = a
		p.slips++
	}
}
