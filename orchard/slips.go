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

// giveSlips makes today's slips of mapped trees anew where something they are made from has changed, and hands their amounts
// to the tasks. Cost: some fifty milliseconds a tree that changed, on two cores; next to none where nothing did.
func (k *Keeper) giveSlips(ctx context.Context, planned *Planned, day almanac.Day) (some bool, err error) {
	if day != k.today() {
		return false, nil
	}
	marks, err := k.store.MapsAsOf(ctx, planned.Contents.Orchard.ID, day)
	if err != nil {
		return false, err
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
		own := trees[i] // work that is not waited for any longer has a tree of its own
		g.Go(func() error {
			amounts[i], broken[i] = within(k.most, func() (*year.Amount, error) {
				made, err := k.slipToMake(ctx, planned, &own, plan, mark, day)
				if err != nil || made == nil {
					return nil, err
				}
				if err := made.replan(); err != nil {
					return nil, err
				}
				amount := made.amount()
				k.amounts.keep(own.ID, amount) // also where nobody waits for it any longer
				return &amount, nil
			})
			return nil
		})
	}
	_ = g.Wait()
	for i := range trees {
		switch t := &trees[i]; {
		case broken[i] != nil: // one tree's fault is its own: the others have their plan
			k.unworked(planned, t, broken[i])
		case amounts[i] != nil:
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

// slipToMake is today's slip of a tree before it is made; nil where the one made before still holds.
func (k *Keeper) slipToMake(ctx context.Context, planned *Planned, t *year.Tree, plan *year.TreePlan, mark store.MapMark, day almanac.Day) (*slipMade, error) {
	b, err := standOn(planned.Contents, t.ID, day)
	if err != nil {
		return nil, err
	}
	made := slipFor(b, plan, "")
	made.forecasts, made.today = k.forecasts, k.today()
	b.options.Day = lastDue(t.Decided, day)
	drawn, err := k.halfOf(ctx, t.ID, mark, made.south)
	if err != nil {
		return nil, err
	}
	made.legs(drawn, mark.Date)
	if made.choose(); t.Amount != nil && t.Amount.From == made.madeFrom(mark) {
		return nil, nil
	}
	kept, err := k.store.MapRevision(ctx, t.ID, mark.Revision)
	if err != nil {
		return nil, err
	}
	return made, made.onto(kept)
}
