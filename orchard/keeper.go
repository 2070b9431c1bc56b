package orchard

import (
	"context"
	"errors"
	"log/slog"
	"math"
	"slices"
	"time"

	"vertumna/core/almanac"
	"vertumna/core/crop"
	"vertumna/core/cut"
	"vertumna/core/days"
	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/core/together"
	"vertumna/core/training"
	"vertumna/core/walk"
	"vertumna/core/year"
	"vertumna/store"
	"vertumna/words"

	"golang.org/x/sync/errgroup"
)

// Keeper does what the program is asked of its orchards, and keeps what was costly to make: for each thing one cache, by all that it
// is made from.
type Keeper struct {
	store *store.Store
	log   *slog.Logger
	today func() almanac.Day
	most  time.Duration // that one tree's work is waited for

	ensembles *kept[ensembleKey, *almanac.Ensemble]
	contents  *kept[contentsKey, *store.Contents]
	plans     *kept[planKey, *Planned]
	maps      *kept[mapKey, *limb.Map]
	fruits    *kept[fruitKey, *fruitMade]
	lights    *kept[mapKey, limb.Light]
	sections  *kept[mapKey, float64]
	heights   *kept[mapKey, float64]
	halves    *kept[mapKey, half]
	forecasts *kept[mapKey, cut.Forecast]
	foreseen  *kept[mapKey, *year.Amount]
	decided   *kept[mapKey, []year.LimbDate]
	built     *kept[mapKey, []training.Built]

	healths *kept[mapKey, walk.Health]

	yardLights *kept[planKey, *YardLightBody]

	amounts *amounts
}

// NewKeeper is a keeper of what a store holds. Today is the person's day.
func NewKeeper(s *store.Store, today func() almanac.Day, log *slog.Logger) *Keeper {
	k := &Keeper{
		store: s, today: today, log: log, most: treeMost,
		ensembles: keep[ensembleKey, *almanac.Ensemble](keepEnsembles), contents: keep[contentsKey, *store.Contents](keepContents),
		plans: keep[planKey, *Planned](keepPlans), yardLights: keep[planKey, *YardLightBody](keepLights), amounts: newAmounts(),
	}
	k.maps = keep[mapKey, *limb.Map](keepMaps).atMost(&k.most)
	k.fruits = keep[fruitKey, *fruitMade](keepFruits).atMost(&k.most)
	k.lights = keep[mapKey, limb.Light](keepFacts).atMost(&k.most)
	k.sections, k.heights = keep[mapKey, float64](keepFacts).atMost(&k.most), keep[mapKey, float64](keepFacts).atMost(&k.most)
	k.halves = keep[mapKey, half](keepFacts).atMost(&k.most)
	k.forecasts = keep[mapKey, cut.Forecast](keepForecasts).atMost(&k.most)
	k.foreseen = keep[mapKey, *year.Amount](keepFacts)
	k.decided = keep[mapKey, []year.LimbDate](keepFacts).atMost(&k.most)
	k.built = keep[mapKey, []training.Built](keepFacts).atMost(&k.most)
	k.healths = keep[mapKey, walk.Health](keepFacts).atMost(&k.most)
	return k
}

// SkyOf lets the keeper use the seasons' weather that another has worked out, and the other its own: it follows from a place and the
// days known there alone, whatever file the orchard stands in.
func (k *Keeper) SkyOf(other *Keeper) { k.ensembles = other.ensembles }

// WaitForTree sets how long one tree's work is waited for before the others go on without it.
func (k *Keeper) WaitForTree(most time.Duration) { k.most = most }

// How much is kept in memory.
const (
	keepPlans     = 64
	keepMaps      = 96
	keepEnsembles = 24
	keepContents  = 16
	keepFruits    = 64
	keepLights    = 16
	keepFacts     = 400
	keepForecasts = 160
)

// mapKey is a tree's limb map, with all else that what is kept of it was worked out from.
type mapKey struct {
	tree string
	mark store.MapMark
	with string
}

// contentsKey is an orchard as it stood.
type contentsKey struct {
	orchard  string // id
	revision int
}

// fruitKey is a tree's fruit in a plan.
type fruitKey struct {
	plan planKey
	tree string
}

type ensembleKey struct {
	site   string
	season int
	known  uint64 // fingerprint of the days that are known
}

type planKey struct {
	contentsKey
	day   almanac.Day
	today almanac.Day // what is known of the weather, and which slips give amounts, hang on it
}

// Planned is an orchard planned for a day: the season shown first, then those near the turn of the rail.
type Planned struct {
	Contents *store.Contents
	Yard     *year.Yard
	Plans    []*year.Plan
	Shown    *year.Plan
	Docket   year.Docket
	Days     *days.Plan   // nil of a plan that is only tried out
	waiting  []*year.Task // jobs without a day, because something else comes first
	Speaker  words.Speaker
	key      planKey  // zero: not one that others ask for
	Unworked []string // codes of trees whose slip could not be worked out
}

// ensemble is the ensemble of an orchard's season: the days that are known, the forecast, then simulated ones.
func (k *Keeper) ensemble(c *store.Contents, season int) (*almanac.Ensemble, error) {
	known, _ := knownTemps(c.Sky, c.Orchard.Site, season, k.today())
	return k.ensembleOf(c.Orchard.Site, season, known)
}

// ensembleOf is the ensemble of a site and season, from days that are known; none: all of it is simulated.
func (k *Keeper) ensembleOf(site *almanac.Site, season int, known []almanac.TempDay) (*almanac.Ensemble, error) {
	return k.ensembles.of(ensembleKey{inShort(site), season, inDays(known)}, func() (*almanac.Ensemble, error) {
		return almanac.NewEnsemble(site, almanac.SiteSeed(site.Slug), known, season)
	})
}

// Plan plans an orchard for a day. Errors: store.ErrNotFound; store.Conflict when the place is not set up; a given.Fault when the day lies
// outside the years of the models.
func (k *Keeper) Plan(ctx context.Context, slug string, day almanac.Day) (*Planned, error) {
	o, err := k.store.Orchard(ctx, slug)
	if err != nil {
		return nil, err
	}
	if o.Site == nil {
		return nil, &store.Conflict{Fault: given.Fault{Code: "no_place", Field: "site", Given: "none", Expected: "a place with its normals, set up first"}}
	}
	if y := day.Year(); y < almanac.MinYear+2 || y > almanac.MaxYear-2 {
		return nil, given.Fault{Code: "bad_year", Field: "day", Given: day.String(), Expected: "a day from 2002 to 2098"}
	}
	key := planKey{contentsKey{o.ID, o.Revision}, day, k.today()}
	return k.plans.of(key, func() (*Planned, error) {
		ctx := context.WithoutCancel(ctx) // others may wait for it
		c, err := k.read(ctx, o)
		if err != nil {
			return nil, err
		}
		out, err := k.make(ctx, c, day)
		if err != nil {
			return nil, err
		}
		out.key = key
		return out, k.chooseDays(ctx, out, day)
	})
}

// read gives an orchard's contents.
func (k *Keeper) read(ctx context.Context, o *store.Orchard) (*store.Contents, error) {
	return k.contents.of(contentsKey{o.ID, o.Revision}, func() (*store.Contents, error) {
		ctx := context.WithoutCancel(ctx)
		c, err := k.store.Contents(ctx, o.Slug)
		if err != nil {
			return nil, err
		}
		c.Sky, _ = onThePlot(c.Sky)
		for _, b := range c.SetAside {
			k.log.Error("row set aside", "table", b.Table, "row", b.ID, "cause", b.Why)
		}
		return c, k.giveCaps(ctx, c)
	})
}

// imagined plans contents as they stand, today's slips as last made: what is tried out leaves no trace.
func (k *Keeper) imagined(ctx context.Context, c *store.Contents, day almanac.Day) (*Planned, error) {
	y, err := c.Yard(day)
	if err != nil {
		return nil, err
	}
	plotOf(c).GiveSills(y.Trees)
	y.Sky = skyDays(c.Sky, day)
	if err := k.giveHabits(c, y, day); err != nil {
		return nil, err
	}
	y.Entries = append(y.Entries, frosts(c.Sky, y.Entries, day, y.Place.Site.South())...)
	if err := k.giveAmounts(ctx, c.Orchard.ID, y); err != nil {
		return nil, err
	}
	marks, err := k.store.MapsAsOf(ctx, c.Orchard.ID, day)
	if err != nil {
		return nil, err
	}
	k.readMaps(ctx, marks)
	measured := lastMeasured(c, day)
	broken := make([]error, len(y.Trees))
	for i := range y.Trees {
		t := &y.Trees[i]
		broken[i] = errors.Join(k.giveStanding(ctx, c, y, t, marks[t.ID], day), k.giveDecided(ctx, y, t, marks[t.ID]), k.giveHeight(ctx, t, marks[t.ID], measured[t.ID]))
	}
	out, err := k.planAll(c, y, day)
	if err != nil {
		return nil, err
	}
	for i := range y.Trees {
		if broken[i] != nil { // one tree's map is its own: the others have their plan
			k.unworked(out, &y.Trees[i], broken[i])
		}
	}
	return out, nil
}

// make plans an orchard's contents with today's slips and what was counted.
func (k *Keeper) make(ctx context.Context, c *store.Contents, day almanac.Day) (*Planned, error) {
	out, err := k.imagined(ctx, c, day)
	if err != nil {
		return nil, err
	}
	// slips and what was counted give the tasks their amounts: the year is made once more with them
	slips, err := k.giveSlips(ctx, out, day)
	if err != nil {
		return nil, err
	}
	fruit, err := k.giveFruit(ctx, out, day)
	if err != nil || !slips && !fruit {
		return out, err
	}
	again, err := k.planAll(c, out.Yard, day)
	if err == nil {
		again.Unworked = out.Unworked
	}
	return again, err
}

// giveStanding tells how a bearing tree comes into the season, from its years of fruit.
func (k *Keeper) giveStanding(ctx context.Context, c *store.Contents, y *year.Yard, t *year.Tree, mark store.MapMark, day almanac.Day) error {
	south := y.Place.Site.South()
	season := year.SeasonOf(day, south)
	if !t.Bears(season, south) || len(c.Fruitings(t.ID, day)) == 0 {
		return nil
	}
	section, err := k.sectionOf(ctx, t, mark)
	if err != nil {
		return err
	}
	t.Fruit = &year.Fruit{Season: season, Standing: crop.StandingIn(t.Kind, c.CropSeasons(t.ID, day), season, crop.Reference(t.Kind, section))}
	return nil
}

// giveFruit hands what was counted or looked at this season on to the trees; some tells whether there was any. Each such tree
// is worked out in full, side by side.
func (k *Keeper) giveFruit(ctx context.Context, planned *Planned, day almanac.Day) (some bool, err error) {
	south, season := planned.Yard.Place.Site.South(), planned.Shown.Season
	var g errgroup.Group
	g.SetLimit(together.Hands())
	facts, broken := make([]*year.Fruit, len(planned.Yard.Trees)), make([]error, len(planned.Yard.Trees))
	for i := range planned.Yard.Trees {
		t := &planned.Yard.Trees[i]
		tp := planned.treeShown(t.ID)
		told := planned.Contents.Fruitings(t.ID, day)
		if tp == nil || !t.Bears(season, south) || !slices.ContainsFunc(told, func(e *store.Entry) bool { return e.Season == season && e.TellsSet() }) {
			continue
		}
		g.Go(func() error {
			f, err := within(k.most, func() (*fruitMade, error) { return k.fruitOf(ctx, planned, tp, day) })
			var faults given.Faults
			switch {
			case errors.As(err, &faults): // nothing of it was measured
			case err != nil:
				broken[i] = err
			default:
				facts[i] = f.facts()
			}
			return nil
		})
	}
	_ = g.Wait()
	for i, f := range facts {
		if broken[i] != nil { // one tree's fault is its own
			k.unworked(planned, &planned.Yard.Trees[i], broken[i])
		}
		if f != nil {
			planned.Yard.Trees[i].Fruit, some = f, true
		}
	}
	return some, nil
}

// treeIn is a tree's plan of a season; of the one shown where that is not planned.
func (p *Planned) treeIn(season int, id string) *year.TreePlan {
	for _, pl := range p.Plans {
		for i := range pl.Trees {
			if pl.Season == season && pl.Trees[i].Tree.ID == id {
				return &pl.Trees[i]
			}
		}
	}
	return p.treeShown(id)
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
func (k *Keeper) planAll(c *store.Contents, y *year.Yard, day almanac.Day) (*Planned, error) {
	out := &Planned{Contents: c, Yard: y, Speaker: words.Speaker{Units: words.Units(c.Orchard.Units)}}
	south := y.Place.Site.South()
	for _, season := range year.Seasons(day, south) {
		ens, err := k.ensemble(c, season)
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

// lightOf is the light of a tree's map, worked out once while neither it nor what stands round it changes.
func (k *Keeper) lightOf(b *standing, m *limb.Map, mark store.MapMark) limb.Light {
	l, _ := k.lights.of(mapKey{b.tree.ID, mark, inShort(b.reading().Yard, b.latitude())}, func() (limb.Light, error) { return b.lightOf(m), nil })
	return l
}

// checked is a revision of a tree's map. It is shared: what is read off it changes nothing of it.
func (k *Keeper) checked(ctx context.Context, treeID string, mark store.MapMark) (*limb.Map, error) {
	return k.maps.of(mapKey{treeID, mark, ""}, func() (*limb.Map, error) {
		kept, err := k.store.MapRevision(ctx, treeID, mark.Revision)
		if err != nil {
			return nil, err
		}
		return limb.Check(kept.Doc)
	})
}

// readMaps reads the maps of a day's trees side by side, ahead of those who ask for them; what is wrong with one is told to them.
func (k *Keeper) readMaps(ctx context.Context, marks map[string]store.MapMark) {
	var g errgroup.Group
	g.SetLimit(together.Hands())
	for tree, mark := range marks {
		g.Go(func() error {
			_, _ = k.checked(ctx, tree, mark)
			return nil
		})
	}
	_ = g.Wait()
}

// sectionOf is the section of the wood that carries a tree's crop, cm2, read off its map once.
func (k *Keeper) sectionOf(ctx context.Context, t *year.Tree, mark store.MapMark) (float64, error) {
	if mark.Revision == 0 {
		return crop.BasisSection(nil, t.TrunkMM, t.ScaffoldsMM), nil
	}
	return k.sections.of(mapKey{t.ID, mark, inShort(t.TrunkMM, t.ScaffoldsMM)}, func() (float64, error) {
		m, err := k.checked(ctx, t.ID, mark)
		if err != nil {
			return 0, err
		}
		return crop.BasisSection(m, t.TrunkMM, t.ScaffoldsMM), nil
	})
}

// lastMeasured is the day each tree's height was last measured until a day, by tree.
func lastMeasured(c *store.Contents, day almanac.Day) map[string]almanac.Day {
	out := map[string]almanac.Day{}
	for i := range c.Entries {
		if e := &c.Entries[i]; e.HeightM > 0 && e.Date <= day && e.Date >= out[e.TreeID] {
			out[e.TreeID] = e.Date
		}
	}
	return out
}

// giveHeight gives a mapped tree the height of its map, where none was measured after it was drawn (0: never): a tree has one height.
func (k *Keeper) giveHeight(ctx context.Context, t *year.Tree, mark store.MapMark, measured almanac.Day) error {
	t.HeightOn = measured
	if mark.Revision == 0 || measured > mark.Date {
		return nil
	}
	cm, err := k.heights.of(mapKey{t.ID, mark, ""}, func() (float64, error) {
		m, err := k.checked(ctx, t.ID, mark)
		if err != nil {
			return 0, err
		}
		return m.Height(), nil
	})
	if err == nil {
		t.HeightM, t.HeightBy, t.HeightOn = math.Round(cm)/100, "map", mark.Date
	}
	return err
}

// giveDecided hands a tree the limbs that a person decided about, and what its map shows as made of its frame.
func (k *Keeper) giveDecided(ctx context.Context, y *year.Yard, t *year.Tree, mark store.MapMark) (err error) {
	if mark.Revision == 0 {
		return nil
	}
	if t.Decided, err = k.decidedOn(ctx, t.ID, mark); err != nil {
		return err
	}
	t.Built, err = k.builtOn(ctx, t, mark, y.FingertipCM)
	return err
}

// decidedOn are the limbs of a tree that a person decided about until a day, read off its map once.
func (k *Keeper) decidedOn(ctx context.Context, treeID string, mark store.MapMark) ([]year.LimbDate, error) {
	return k.decided.of(mapKey{treeID, mark, ""}, func() ([]year.LimbDate, error) {
		m, err := k.checked(ctx, treeID, mark)
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

// builtOn are the steps of a tree's frame that its map shows as made, read off it once.
func (k *Keeper) builtOn(ctx context.Context, t *year.Tree, mark store.MapMark, reachCM float64) ([]training.Built, error) {
	flat := year.FlatUsual(t, reachCM)
	return k.built.of(mapKey{t.ID, mark, inShort(flat.WiresCM, flat.YearlyCM)}, func() ([]training.Built, error) {
		m, err := k.checked(ctx, t.ID, mark)
		if err != nil {
			return nil, err
		}
		return training.BuiltOn(m, flat.WiresCM, flat.YearlyCM), nil
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
func (k *Keeper) halfOf(ctx context.Context, treeID string, mark store.MapMark, south bool) (half, error) {
	return k.halves.of(mapKey{treeID, mark, ""}, func() (half, error) {
		m, err := k.checked(ctx, treeID, mark)
		if err != nil {
			return half{}, err
		}
		return halfOf(m, mark.Date, south), nil
	})
}
