package orchard

import (
	"context"
	"errors"
	"math"

	"vertumna/core/almanac"
	"vertumna/core/crop"
	"vertumna/core/limb"
	"vertumna/core/year"
	"vertumna/store"
)

// fruitMade is a tree's fruit in the season shown, with all that its words are made from.
type fruitMade struct {
	*standing
	tp      *year.TreePlan
	season  int
	m       *limb.Map // nil: it has none
	in      crop.Tree
	plan    *crop.Plan
	years   crop.Years
	time    *crop.Time // nil out of the growing season
	mm      float64    // of a fruitlet
	mmSeen  bool
	frost   *crop.Frosted
	passNo  map[string]int
	tallies []store.Tally
	warn    []string
	winter  bool // what limbs carry is snow
}

// makeFruit works out a tree's fruit on a day. Errors: store.ErrNotFound, given.Faults where nothing was measured.
func (k *Keeper) makeFruit(ctx context.Context, slug, treeID string, day almanac.Day) (*fruitMade, error) {
	p, err := k.Plan(ctx, slug, day)
	if err != nil {
		return nil, err
	}
	for i := range p.Shown.Trees {
		if tp := &p.Shown.Trees[i]; tp.Tree.ID == treeID {
			f, err := k.fruitOf(ctx, p, tp, day)
			if err != nil {
				return nil, err
			}
			f.tallies, err = k.store.Tallies(ctx, treeID, f.season)
			return f, err
		}
	}
	return nil, store.ErrNotFound
}

// fruitOf works out a tree's fruit from a plan of its yard, once for a plan. The tallies of the pad are each caller's own.
func (k *Keeper) fruitOf(ctx context.Context, planned *Planned, tp *year.TreePlan, day almanac.Day) (*fruitMade, error) {
	if planned.key == (planKey{}) { // not one that others ask for
		return k.workOut(ctx, planned, tp, day)
	}
	f, err := k.fruits.of(fruitKey{planned.key, tp.Tree.ID}, func() (*fruitMade, error) { return k.workOut(context.WithoutCancel(ctx), planned, tp, day) })
	if err != nil {
		return nil, err
	}
	mine := *f
	mine.tp = tp
	return &mine, nil
}

func (k *Keeper) workOut(ctx context.Context, planned *Planned, tp *year.TreePlan, day almanac.Day) (*fruitMade, error) {
	b, err := standOn(planned.Contents, tp.Tree.ID, day)
	if err != nil {
		return nil, err
	}
	f := &fruitMade{standing: b, tp: tp, season: planned.Shown.Season}
	kept, err := k.fruitingMap(ctx, f)
	switch {
	case errors.Is(err, store.ErrNotFound):
	case err != nil:
		return nil, err
	default:
		if f.m, err = limb.Check(kept.Doc); err != nil {
			return nil, err
		}
		f.light = k.lightOf(b, f.m, kept.Mark())
	}
	f.gather(planned)
	if err := f.removed(ctx, k.store); err != nil {
		return nil, err
	}
	if err := f.takenByCuts(ctx, k.store); err != nil {
		return nil, err
	}
	if f.plan, err = crop.PlanTree(f.in); err != nil {
		return nil, err
	}
	f.years = crop.YearsOf(b.core.Kind, f.seasons(), f.season, f.reference(), f.plan.Expected)
	if f.in.Picked {
		return f, nil // no clock runs
	}
	clock := year.Fruitlets{DiameterMM: f.mm, FrostRisk: planned.Yard.Place.FrostRisk(day, f.season), ThinAnyway: f.in.ThinAnyway, Time: crop.HabitOf(f.school, f.core.Kind).Time}
	if t, ok := f.tp.Anchors.ThinTime(f.core.Kind, f.day, clock); ok {
		f.time = &t
	}
	return f, nil
}

// fruitingMap is the map that the season's fruit is read from: the winter's, whose youngest shoots are those that bear now,
// without the limbs that came off since; the summer's where there was none.
func (k *Keeper) fruitingMap(ctx context.Context, f *fruitMade) (*store.LimbMap, error) {
	now, err := k.store.MapAsOf(ctx, f.tree.ID, f.day)
	if err != nil || now.Doc.Season != limb.Summer {
		return now, err
	}
	winter, err := k.store.MapAsOf(ctx, f.tree.ID, year.GrowthFrom(f.season, f.south)-1)
	if err != nil || winter.Doc.Season == limb.Summer || winter.Doc.Year != now.Doc.Year {
		return now, nilIfNone(err)
	}
	out := *winter
	out.Revision.Revision = -now.Revision.Revision // what stands of it depends on the later one
	out.Doc = limb.Standing(winter.Doc, now.Doc)
	if len(out.Doc.Limbs) == 0 {
		return now, nil
	}
	return &out, nil
}

func (f *fruitMade) seasons() []crop.Season { return f.contents.CropSeasons(f.tree.ID, f.day) }

// reference is the fruit of a medium crop of the tree.
func (f *fruitMade) reference() int { return crop.Reference(f.core.Kind, f.section()) }

// gather fills in what is known of the tree in the season.
func (f *fruitMade) gather(planned *Planned) {
	t, a, k := &f.core, f.tp.Anchors, f.core.Kind
	habit := crop.HabitOf(f.school, k)
	f.in = crop.Tree{
		Kind: k, Map: f.m, Light: f.light, ReachCM: f.options.ReachCM, TrunkMM: t.TrunkMM, ScaffoldsMM: t.ScaffoldsMM,
		Draw: true, SeasonInPlace: max(1, t.AgeIn(f.season, f.south)), Vigour: t.Class, RemovedShare: f.tp.Account.Removed, Alive: 1,
		StoneSpacing: habit.StoneSpacing, PerCluster: habit.PerCluster,
		ThinAnyway: t.Wishes.ThinAnyway, FrostRisk: planned.Yard.Place.FrostRisk(f.day, f.season),
		Terms: crop.LoadTerms{InLeaf: true, Safety: crop.Safety(f.contents.Orchard.Exposed)},
	}
	if t.ShootCM > 0 {
		f.in.GrowthRatio = t.ShootCM / k.Growth.ExtensionCM
	}
	if ps := f.contents.People; len(ps) > 0 && ps[0].HandSpanCM >= 6 {
		f.in.HandCM = &ps[0].HandSpanCM
	}
	f.in.HouseholdKG, f.in.Size = f.household(planned)
	f.in.Picked = f.tp.Picked.Known()
	seasons := f.seasons()
	f.in.Terms.MassG = crop.OwnMass(k, seasons, f.section())
	if f.in.Terms.MassG == 0 {
		f.warn = append(f.warn, "W_NEVER_WEIGHED")
	}
	f.in.State = crop.StandingIn(k, seasons, f.season, crop.Reference(k, f.section())).State
	f.winter = f.contents.Orchard.SnowMM > 0 && f.tp.Anchors.Leafless(f.day)
	if f.winter {
		f.in.SnowKgM2 = f.contents.Orchard.SnowMM
	}
	f.counted(a)
}

// section of the wood that carries the crop, cm2, before the season's cuts.
func (f *fruitMade) section() float64 {
	return crop.BasisSection(f.m, f.core.TrunkMM, f.core.ScaffoldsMM)
}

// household is the tree's part of what is wanted of its kind, by its ground among the bearing trees of the kind; nil where
// nothing was asked.
func (f *fruitMade) household(planned *Planned) (*float64, crop.Size) {
	for _, n := range f.contents.Orchard.Needs {
		if n.Kind != f.core.Kind.Slug {
			continue
		}
		mine, all := 0.0, []float64{}
		for i := range planned.Shown.Trees {
			t := planned.Shown.Trees[i].Tree
			if t.Kind.Slug != n.Kind || !t.Bears(f.season, f.south) {
				continue
			}
			spread, _ := t.Crown()
			all = append(all, spread)
			if t.ID == f.core.ID {
				mine = spread
			}
		}
		wish := crop.Wish{FreshKG: n.FreshKG, Jars: n.Jars, JarLitre: n.JarLitre}
		if kg := wish.PartOf(f.core.Kind, mine, all); kg > 0 {
			return &kg, crop.Size(n.Size)
		}
		return nil, crop.Size(n.Size) // nothing was asked of it
	}
	return nil, ""
}

// counted reads the season's counts, passes and frost counts out of the journal.
func (f *fruitMade) counted(a *year.Anchors) {
	f.in.Passes, f.passNo = f.contents.Passes(f.tree.ID, f.season, f.day)
	for _, e := range f.contents.Fruitings(f.tree.ID, f.day) {
		w := e.Fruiting
		if w == nil || e.Season != f.season {
			continue
		}
		if len(w.Counts) > 0 {
			f.in.Counts, f.in.Glance = nil, ""
			for _, c := range w.Counts {
				f.in.Counts = append(f.in.Counts, crop.LimbFruit{Limb: c.Limb, Fruit: c.Number()})
			}
			f.in.DropToCome = a.DropToCome(e.Date, string(f.core.Kind.Group))
		}
		if w.Glance != "" {
			f.in.Glance, f.in.Counts = w.Glance, nil
		}
		if w.FruitMM > 0 {
			grown := a.FruitMM(f.day, f.core.Kind.Crop.RipeMM) - a.FruitMM(e.Date, f.core.Kind.Crop.RipeMM)
			f.mm, f.mmSeen = w.FruitMM+math.Max(0, grown), true
		}
		if w.Opened > 0 {
			in := crop.FrostInput{Species: f.core.Kind.Slug, Opened: w.Opened, Alive: w.Alive}
			if fr, err := crop.FrostBuds(in); err == nil {
				f.frost, f.in.Alive, f.in.Frosted = &fr, fr.Share, true
			}
		}
	}
	if f.in.DropToCome > 0 {
		f.warn = append(f.warn, "W_DROP_TO_COME")
	}
	if f.in.Glance != "" {
		f.warn = append(f.warn, "W_GLANCE")
	}
	if f.mm == 0 {
		f.mm = a.FruitMM(f.day, f.core.Kind.Crop.RipeMM)
	}
}

// removed corrects the share cut this season for the limbs that no longer stand: their section is already missing from the
// map, and is not to be taken off twice.
func (f *fruitMade) removed(ctx context.Context, s *store.Store) error {
	if f.m == nil || f.in.RemovedShare == 0 {
		return nil
	}
	for i := range f.contents.Entries {
		e := &f.contents.Entries[i]
		if e.TreeID != f.tree.ID || e.Map == 0 || e.Date > f.day || f.tp.Account.From.Known() && e.Date < f.tp.Account.From {
			continue
		}
		after, err := s.MapRevision(ctx, f.tree.ID, e.Map)
		if err != nil {
			return nilIfNone(err)
		}
		kept, err := s.MapRevision(ctx, f.tree.ID, after.Revision.BasedOn)
		if err != nil {
			return nilIfNone(err)
		}
		before, err := limb.Check(kept.Doc)
		if err != nil {
			return err
		}
		f.in.RemovedShare = crop.RemovedFrom(f.section(), crop.BasisSection(before, f.core.TrunkMM, nil), f.in.RemovedShare)
		return nil // the first slip of the season stands before all others
	}
	return nil
}

// takenByCuts estimates the fruit that went with wood since the limbs were counted: by the leaf each limb lost.
func (f *fruitMade) takenByCuts(ctx context.Context, s *store.Store) error {
	on := almanac.NoDay
	for _, e := range f.contents.Fruitings(f.tree.ID, f.day) {
		if e.Season == f.season && e.Fruiting != nil && len(e.Fruiting.Counts) > 0 {
			on = e.Date
		}
	}
	if f.m == nil || !on.Known() {
		return nil
	}
	kept, err := s.MapAsOf(ctx, f.tree.ID, on)
	if errors.Is(err, store.ErrNotFound) {
		return nil
	}
	if err != nil {
		return err
	}
	before, err := limb.Check(kept.Doc)
	if err != nil {
		return err
	}
	f.in.TakenByCuts = crop.TakenByCuts(before, f.m, f.in.Counts)
	return nil
}

// facts are what the year's tasks take from the tree's fruit.
func (f *fruitMade) facts() *year.Fruit {
	return year.FruitOf(f.plan, f.years.Now, f.season, !f.winter)
}
