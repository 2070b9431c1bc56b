package orchard

import (
	"context"
	"slices"

	"golang.org/x/sync/errgroup"

	"vertumna/core/almanac"
	"vertumna/core/together"
	"vertumna/core/year"
	"vertumna/store"
)

// MakeSlips makes today's slips of all mapped trees, so that the first plan asked for need not. Orchards without a place have none yet.
func (k *Keeper) MakeSlips(ctx context.Context) error {
	all, err := k.store.Orchards(ctx)
	if err != nil {
		return err
	}
	for i := range all {
		if all[i].Site == nil {
			continue
		}
		if _, err := k.Plan(ctx, all[i].Slug, k.today()); err != nil {
			return err
		}
	}
	return k.SaveAmounts(ctx)
}

// giveSlips makes the slips that a day's plan tells of, where something they are made from has changed, and hands their amounts to
// the tasks: the slip of the day and those beside it, as the tree's page of that day has them. Today's are kept through a restart.
// Cost: some hundred milliseconds a tree that changed, and a year of growth for each year to come, on two cores; next to none where
// nothing did.
func (k *Keeper) giveSlips(ctx context.Context, planned *Planned, day almanac.Day) (some bool, err error) {
	marks, err := k.store.MapsAsOf(ctx, planned.Contents.Orchard.ID, day)
	if err != nil {
		return false, err
	}
	now := planned // as things stand today, where the day is to come
	if day > k.today() {
		if now, err = k.Plan(ctx, planned.Contents.Orchard.Slug, k.today()); err != nil {
			return false, err
		}
	}
	var g errgroup.Group
	g.SetLimit(together.Hands())
	trees := planned.Yard.Trees
	amounts, broken := make([]*year.Amount, len(trees)), make([]error, len(trees))
	for i := range trees {
		plan := planned.treeShown(trees[i].ID)
		mark, mapped := marks[trees[i].ID]
		if plan == nil || !mapped {
			continue
		}
		today := now.treeShown(trees[i].ID)
		plans := func(on almanac.Day) (*year.TreePlan, error) {
			if on == day {
				return plan, nil
			}
			return today, nil
		}
		own := trees[i] // work that is not waited for any longer has a tree of its own
		g.Go(func() error {
			amounts[i], broken[i] = within(k.most, func() (*year.Amount, error) { return k.amountOn(ctx, planned, &own, plans, mark, day) })
			return nil
		})
	}
	_ = g.Wait()
	for i := range trees {
		switch t := &trees[i]; {
		case broken[i] != nil: // one tree's fault is its own: the others have their plan
			k.unworked(planned, t, broken[i])
		case amounts[i] != nil && (t.Amount == nil || t.Amount.From != amounts[i].From):
			t.Amount, some = amounts[i], true
		}
	}
	return some, nil
}

// unworked notes a tree whose slip could not be worked out.
func (k *Keeper) unworked(planned *Planned, t *year.Tree, why error) {
	k.log.Error("tree not worked out", "tree", t.Code, "id", t.ID, "cause", why)
	if !slices.Contains(planned.Unworked, t.Code) {
		planned.Unworked = append(planned.Unworked, t.Code)
	}
}

// amountOn is what a tree's slips come to on a day: as last made, where that still holds.
func (k *Keeper) amountOn(ctx context.Context, planned *Planned, t *year.Tree, plan planOn, mark store.MapMark, day almanac.Day) (*year.Amount, error) {
	b, err := standOn(planned.Contents, t.ID, day)
	if err != nil {
		return nil, err
	}
	made, err := k.slipFor(b, t.Decided, plan, "")
	if err != nil {
		return nil, err
	}
	drawn, err := k.halfOf(ctx, t.ID, mark, made.south)
	if err != nil {
		return nil, err
	}
	from := made.allFrom(mark, drawn)
	if t.Amount != nil && t.Amount.From == from {
		return t.Amount, nil
	}
	return k.foreseen.of(mapKey{t.ID, mark, from}, func() (*year.Amount, error) {
		kept, err := k.store.MapRevision(ctx, t.ID, mark.Revision)
		if err != nil {
			return nil, err
		}
		if err := made.onto(kept); err != nil {
			return nil, err
		}
		works, err := made.amounts()
		if err != nil {
			return nil, err
		}
		out := &year.Amount{From: from, Works: works}
		if day == k.today() {
			k.amounts.keep(t.ID, *out) // also where nobody waits for it any longer
		}
		return out, nil
	})
}
