// Package orchard is what the program does: an orchard's plan and docket, a tree's slip and its years, its fruit, its light, its bench, and
// what is logged. Each use is a method of [Keeper] that takes plain values and returns an answer in numbers and words; it knows no HTTP.
// The rules of the job are core's; documents are store's; sentences are made by words.
//
// Errors, of every use: store.ErrNotFound where nothing has the name or id; [given.Fault] or [given.Faults] for what cannot be;
// *store.Conflict for what clashes with what stands.
package orchard

import (
	"context"

	"vertumna/core/almanac"
	"vertumna/core/limb"
	"vertumna/store"
)

// At names a tree of an orchard on a day.
type At struct {
	Slug string      // of the orchard
	Tree string      // its id
	Day  almanac.Day // NoDay: today
}

// SlipAt names a slip of a tree.
type SlipAt struct {
	At
	Season limb.Season // empty: of the day
}

// at gathers what a tree's answers are made from.
func (k *Keeper) at(ctx context.Context, a At) (*standing, error) {
	return k.atBy(ctx, a, func(c *store.Contents) (*store.Contents, error) { return c, nil })
}

// atBy is the same of an orchard as it would be were it kept another way.
func (k *Keeper) atBy(ctx context.Context, a At, kept func(*store.Contents) (*store.Contents, error)) (*standing, error) {
	o, err := k.store.Orchard(ctx, a.Slug)
	if err != nil {
		return nil, err
	}
	c, err := k.read(ctx, o)
	if err != nil {
		return nil, err
	}
	if c, err = kept(c); err != nil {
		return nil, err
	}
	if !a.Day.Known() {
		a.Day = k.today()
	}
	return standOn(c, a.Tree, a.Day)
}

// mapped is the same with the tree's map as of that day. Error: store.ErrNotFound when there is none.
func (k *Keeper) mapped(ctx context.Context, a At) (*standing, *store.LimbMap, error) {
	b, err := k.at(ctx, a)
	if err != nil {
		return nil, nil, err
	}
	kept, err := k.store.MapAsOf(ctx, a.Tree, b.day)
	return b, kept, err
}
