package orchard

import (
	"context"
	"fmt"
	"strconv"

	"vertumna/core/almanac"
	"vertumna/core/crop"
	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/core/year"
	"vertumna/store"
	"vertumna/words"
)

// TalliesBody is what the pad holds.
type TalliesBody struct {
	Tallies []store.Tally `json:"tallies" nullable:"false"`
	Late    []string      `json:"late" nullable:"false" doc:"limbs already logged: a correction was written with the taps that came late"`
}

// Taps are taps of the counting pad.
type Taps struct {
	Season int         `json:"season" minimum:"1900" maximum:"2200"`
	Taps   []store.Tap `json:"taps" nullable:"false" minItems:"1" maxItems:"500"`
}

// Tap keeps taps; those sent twice count once.
func (k *Keeper) Tap(ctx context.Context, slug, tree string, in Taps) (*TalliesBody, error) {
	o, err := k.store.Orchard(ctx, slug)
	if err != nil {
		return nil, err
	}
	if err := k.checkTaps(ctx, tree, in); err != nil {
		return nil, err
	}
	if err := k.store.AddTaps(ctx, o.ID, tree, in.Season, in.Taps); err != nil {
		return nil, err
	}
	tallies, err := k.store.Tallies(ctx, tree, in.Season)
	if err != nil {
		return nil, err
	}
	late, err := k.correctPasses(ctx, slug, tree, in, tallies)
	return &TalliesBody{tallies, late}, err
}

// checkTaps refuses taps on a limb that no map of the tree ever had; a phone may still hold those of one that was cut.
func (k *Keeper) checkTaps(ctx context.Context, tree string, in Taps) error {
	m, err := k.mapOn(ctx, tree, k.today())
	if m == nil || err != nil {
		return err
	}
	var fs given.Faults
	for i, t := range in.Taps {
		if m.Index(t.Limb) >= 0 {
			continue
		}
		had, err := k.store.EverHadLimb(ctx, tree, t.Limb)
		if err != nil {
			return err
		}
		if !had {
			fs.Add("no_limb", fmt.Sprintf("taps[%d].limb", i), t.Limb, "a limb of the tree's map")
		}
	}
	return fs.Err()
}

// passEntry is the journal's entry of a pass over a limb.
func passEntry(t store.Tally) *store.Fruiting {
	return &store.Fruiting{Limb: t.Limb, Pass: t.Pass, Left: t.Left, Taken: t.Taken, Laterals: t.Laterals}
}

// Pass closes a pass over a limb.
type Pass struct {
	ID      string      `json:"id" minLength:"8" maxLength:"64" doc:"of the entry, the phone's own"`
	Day     almanac.Day `json:"day"`
	Season  int         `json:"season" minimum:"1900" maximum:"2200"`
	Limb    string      `json:"limb" minLength:"1" maxLength:"100"`
	Pass    int         `json:"pass" minimum:"1" maximum:"9"`
	Way     string      `json:"way,omitempty" enum:"hand,pole,shears"`
	Minutes float64     `json:"minutes,omitempty" minimum:"0" maximum:"1440"`
	Reason  string      `json:"reason,omitempty" maxLength:"2000"`
	Last    bool        `json:"last" doc:"no limb is left to thin"`
}

// ClosePass logs what the pad holds of a limb.
func (k *Keeper) ClosePass(ctx context.Context, slug, tree string, in Pass) (*EntryBody, error) {
	c, err := k.store.Contents(ctx, slug)
	if err != nil {
		return nil, err
	}
	if _, err := k.store.Tree(ctx, c.Orchard.ID, tree); err != nil {
		return nil, err
	}
	tallies, err := k.store.Tallies(ctx, tree, in.Season)
	if err != nil {
		return nil, err
	}
	tally := store.Tally{Limb: in.Limb, Pass: in.Pass, Laterals: []store.LateralCount{}}
	for _, t := range tallies {
		if t.Limb == in.Limb && t.Pass == in.Pass {
			tally = t
		}
	}
	if tally.Left+tally.Taken == 0 {
		return nil, given.Fault{Code: "nothing_counted", Field: "limb", Given: in.Limb + " with no taps", Expected: "a limb on which something was counted"}
	}
	e := store.Entry{
		ID: in.ID, TreeID: tree, Date: in.Day, Kind: "work", Task: string(year.Thin), Outcome: "part", Minutes: in.Minutes, Reason: in.Reason,
		Fruiting: passEntry(tally),
	}
	e.Fruiting.Way = in.Way
	if in.Last {
		e.Outcome = "done"
	}
	out, err := k.stampEntry(ctx, c, &e)
	if err != nil {
		return nil, err
	}
	e.Season = in.Season
	if err := k.store.AddEntry(ctx, c.Orchard.ID, &e); err != nil {
		return nil, err
	}
	out.Entry = e
	return &out, nil
}

// correctPasses writes a correction for each logged pass whose taps have changed since: those of a phone that was out of reach.
func (k *Keeper) correctPasses(ctx context.Context, slug, tree string, in Taps, tallies []store.Tally) ([]string, error) {
	late := []string{}
	touched := map[string]bool{}
	for _, t := range in.Taps {
		touched[t.Limb] = true
	}
	c, err := k.store.Contents(ctx, slug)
	if err != nil {
		return late, err
	}
	for _, e := range c.Fruitings(tree, k.today()) {
		f := e.Fruiting
		if f == nil || f.Pass == 0 || e.Season != in.Season || !touched[f.Limb] {
			continue
		}
		for _, t := range tallies {
			if t.Limb != f.Limb || t.Pass != f.Pass || t.Left == f.Left && t.Taken == f.Taken {
				continue
			}
			fixed := *e
			fixed.ID, fixed.Created, fixed.Corrects = "", "", e.ID
			fixed.Fruiting = passEntry(t)
			fixed.Fruiting.Way = f.Way
			if err := k.store.AddEntry(ctx, c.Orchard.ID, &fixed); err != nil {
				return late, err
			}
			late = append(late, f.Limb)
		}
	}
	return late, nil
}

// checkFruiting refuses what a tree's fruit cannot be, warns of what is unlikely, and works the tree's number out of a count.
func (k *Keeper) checkFruiting(ctx context.Context, c *store.Contents, e *store.Entry, tree *year.Tree, out *EntryBody) error {
	harvest := e.Task == string(year.HarvestTask) && e.Kind == "work"
	if e.Fruiting == nil && !harvest {
		return nil
	}
	if tree == nil {
		return given.Fault{Code: "no_tree", Field: "tree_id", Given: "none", Expected: "the tree it hangs on"}
	}
	if e.Fruiting == nil {
		e.Fruiting = &store.Fruiting{}
	}
	f := e.Fruiting
	var tp *year.TreePlan
	if c.Orchard.Site != nil {
		p, err := k.Plan(ctx, c.Orchard.Slug, e.Date)
		if err != nil {
			return err
		}
		tp = p.treeIn(e.Season, tree.ID)
	}
	w := crop.Work{
		Kind: tree.Kind, Day: e.Date, Bloom: almanac.NoDay, Harvest: harvest, Kilos: e.Kilos, Fruit: e.Fruit, FruitMM: f.FruitMM, Opened: f.Opened, Alive: f.Alive,
		First: orDay(f.First, e.Date), Last: orDay(f.Last, e.Date), Left: f.Left, Taken: f.Taken,
	}
	if tp != nil {
		w.Bloom = tp.Anchors.Day(almanac.FirstBloom.String())
	}
	for _, x := range f.Counts {
		w.Counts = append(w.Counts, crop.LimbFruit{Limb: x.Limb, Fruit: x.Number()})
	}
	m, err := k.mapOn(ctx, tree.ID, e.Date)
	if err != nil {
		return err
	}
	w.Map = m
	for id, p := range passedBefore(c, e) {
		if id == f.Limb {
			w.OnLimb = p
		}
	}
	errs, warnings := crop.CheckWork(&w)
	if len(errs) > 0 {
		return errs.Err()
	}
	for _, x := range warnings {
		out.Warnings = append(out.Warnings, given.Fault(x))
	}
	if tp != nil && len(f.Counts) > 0 {
		return k.stampSet(ctx, c, e, out)
	}
	return nil
}

// passedBefore is what earlier counts of the season say hangs on each limb.
func passedBefore(c *store.Contents, e *store.Entry) map[string]*int {
	out := map[string]*int{}
	for _, o := range c.Fruitings(e.TreeID, e.Date) {
		if o.Fruiting == nil || o.Season != e.Season && e.Season != 0 || o.ID == e.Corrects {
			continue
		}
		for _, x := range o.Fruiting.Counts {
			n := x.Number()
			out[x.Limb] = &n
		}
	}
	return out
}

func orDay(d *almanac.Day, or almanac.Day) almanac.Day {
	if d == nil {
		return or
	}
	return *d
}

func (k *Keeper) mapOn(ctx context.Context, treeID string, day almanac.Day) (*limb.Map, error) {
	kept, err := k.store.MapAsOf(ctx, treeID, day)
	if err != nil {
		return nil, nilIfNone(err)
	}
	return limb.Check(kept.Doc)
}

// stampSet writes the tree's number beside a count, as it was known on its day.
func (k *Keeper) stampSet(ctx context.Context, c *store.Contents, e *store.Entry, out *EntryBody) error {
	with := *c
	with.Entries = append(append([]store.Entry{}, c.Entries...), *e)
	p, err := k.imagined(ctx, &with, e.Date)
	if err != nil {
		return err
	}
	for i := range p.Shown.Trees {
		tp := &p.Shown.Trees[i]
		if tp.Tree.ID != e.TreeID {
			continue
		}
		made, err := k.fruitOf(ctx, p, tp, e.Date)
		if err != nil {
			return err
		}
		if n := made.plan.Count; n != nil {
			e.Fruiting.Set, e.Fruiting.SetLow, e.Fruiting.SetHigh = round1(n.Fruit), round1(n.Low), round1(n.High)
			if n.Verdict == crop.TooFew || n.Verdict == crop.NoneSeen {
				out.Warnings = append(out.Warnings, given.Fault{
					Code: n.Verdict, Field: "fruiting.counts", Given: strconv.Itoa(len(e.Fruiting.Counts)), Expected: words.Speaker{}.Amount(float64(n.CountMore), "more limbs"),
				})
			}
		}
	}
	return nil
}
