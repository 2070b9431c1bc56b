package api

import (
	"context"
	"encoding/json"
	"fmt"
	"hash/fnv"
	"log/slog"
	"runtime"
	"time"

	"golang.org/x/sync/errgroup"

	"vertumna/core/almanac"
	"vertumna/core/together"
	"vertumna/core/year"
	"vertumna/store"
)

// inShort is a short text of some values: the same values, the same text.
func inShort(values ...any) string {
	h := fnv.New128a()
	if err := json.NewEncoder(h).Encode(values); err != nil {
		return fmt.Sprint(time.Now().UnixNano()) // a number that JSON has no text for: never the same
	}
	return fmt.Sprintf("%x", h.Sum(nil))
}

// MakeSlips makes today's slips of all mapped trees of a store, so that the first plan asked for need not. Orchards without a
// place have none yet.
func MakeSlips(ctx context.Context, s *store.Store, today almanac.Day) error {
	all, err := s.Orchards(ctx)
	if err != nil {
		return err
	}
	p := newPlanner(s, func() almanac.Day { return today }, slog.New(slog.DiscardHandler))
	for i := range all {
		if all[i].Site == nil {
			continue
		}
		if _, err := p.plan(ctx, all[i].Slug, today); err != nil {
			return err
		}
	}
	return nil
}

// giveSlips makes today's slips of mapped trees anew where something they are made from has changed, and hands their amounts
// to the tasks. Cost: some fifty milliseconds a tree that changed, on two cores; next to none where nothing did.
func (p *planner) giveSlips(ctx context.Context, planned *Planned, day almanac.Day) (some bool, err error) {
	if day != p.today() {
		return false, nil
	}
	marks, err := p.store.MapsAsOf(ctx, planned.Contents.Orchard.ID, day)
	if err != nil {
		return false, err
	}
	var asked []*slipMade
	var of []*year.Tree
	for i := range planned.Yard.Trees {
		t := &planned.Yard.Trees[i]
		plan := planned.treeShown(t.ID)
		mark, mapped := marks[t.ID]
		if plan == nil || !mapped {
			continue
		}
		var made *slipMade
		err := together.Safely(func() (err error) {
			made, err = p.slipToMake(ctx, planned, t, plan, mark, day)
			return err
		})
		if err != nil {
			p.unworked(planned, t, err)
			continue
		}
		if made != nil {
			asked, of = append(asked, made), append(of, t)
		}
	}
	var g errgroup.Group
	g.SetLimit(runtime.GOMAXPROCS(0))
	amounts, broken := make([]year.Amount, len(asked)), make([]error, len(asked))
	for k, made := range asked {
		g.Go(func() error {
			broken[k] = together.Safely(func() error {
				if err := made.replan(); err != nil {
					return err
				}
				amounts[k] = made.amount()
				return nil
			})
			return nil
		})
	}
	_ = g.Wait()
	for k := range asked {
		if broken[k] != nil { // one tree's fault is its own: the others have their plan
			p.unworked(planned, of[k], broken[k])
			continue
		}
		a := amounts[k]
		if err := p.keepAmount(ctx, of[k].ID, a); err != nil {
			return false, err
		}
		of[k].Amount = &a
	}
	return len(asked) > 0, nil
}

// unworked notes a tree whose slip could not be worked out.
func (p *planner) unworked(planned *Planned, t *year.Tree, why error) {
	p.log.Error("slip not worked out", "tree", t.Code, "id", t.ID, "cause", why)
	planned.Unworked = append(planned.Unworked, t.Code)
}

// slipToMake is today's slip of a tree before it is made; nil where the one made before still holds.
func (p *planner) slipToMake(ctx context.Context, planned *Planned, t *year.Tree, plan *year.TreePlan, mark store.MapMark, day almanac.Day) (*slipMade, error) {
	b, err := standOn(planned.Contents, t.ID, day)
	if err != nil {
		return nil, err
	}
	made := slipFor(b, plan, "")
	made.forecasts, made.today = &p.forecasts, p.today()
	b.options.Day = lastDue(t.Decided, day)
	drawn, err := p.halfOf(ctx, t.ID, mark, made.south)
	if err != nil {
		return nil, err
	}
	made.legs(drawn, mark.Date)
	if made.choose(); t.Amount != nil && t.Amount.From == made.madeFrom(mark) {
		return nil, nil
	}
	kept, err := p.store.MapRevision(ctx, t.ID, mark.Revision)
	if err != nil {
		return nil, err
	}
	return made, made.onto(kept)
}

// giveAmounts hands the amounts of the slips made on to the trees; those of before a restart are read once.
func (p *planner) giveAmounts(ctx context.Context, orchardID string, y *year.Yard) error {
	p.mu.Lock()
	known := p.remembered[orchardID]
	p.mu.Unlock()
	if !known {
		kept, err := p.store.Amounts(ctx, orchardID)
		if err != nil {
			return err
		}
		p.mu.Lock()
		for id, a := range kept {
			if _, newer := p.amounts[id]; !newer {
				p.amounts[id] = a
			}
		}
		p.remembered[orchardID] = true
		p.mu.Unlock()
	}
	p.mu.Lock()
	defer p.mu.Unlock()
	for i := range y.Trees {
		if a, ok := p.amounts[y.Trees[i].ID]; ok {
			y.Trees[i].Amount = &a
		}
	}
	return nil
}

// keepAmount remembers what a tree's slip comes to, past a restart too.
func (p *planner) keepAmount(ctx context.Context, treeID string, a year.Amount) error {
	p.mu.Lock()
	same := p.amounts[treeID] == a
	if !same {
		p.amounts[treeID] = a
	}
	p.mu.Unlock()
	if same {
		return nil
	}
	return p.store.KeepAmount(ctx, treeID, a)
}
