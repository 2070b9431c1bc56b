package orchard

import (
	"context"
	"fmt"
	"slices"

	"vertumna/core/cut"
	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/core/year"
	"vertumna/store"
)

// MadeCut is a cut as it was made in the yard.
type MadeCut struct {
	Cut limb.CutAt `json:"cut"`
	DMM float64    `json:"d_mm,omitempty" minimum:"0" maximum:"600" doc:"of the wound, by caliper; 0: as the map has it"`
}

// SlipDone is a slip as it was made: whole, in part, or changed in the yard.
type SlipDone struct {
	ID      string    `json:"id,omitempty" maxLength:"100" doc:"the caller's own, so that one sent twice is logged once"`
	BasedOn int       `json:"based_on" doc:"the revision of the map the slip was made from" minimum:"0" maximum:"1000000"`
	Cuts    []MadeCut `json:"cuts" nullable:"false" minItems:"1" maxItems:"300"`
	Minutes float64   `json:"minutes,omitempty" minimum:"0" maximum:"1440"`
	Note    string    `json:"note,omitempty" maxLength:"2000"`
	Reason  string    `json:"reason,omitempty" maxLength:"2000" doc:"why it was done outside its window"`
	Who     string    `json:"who,omitempty" maxLength:"500"`
}

// is says whether an entry is what these cuts were logged as.
func (d SlipDone) is(e *store.Entry) bool {
	return e.Kind == "work" && slices.EqualFunc(d.Cuts, e.Made, func(c MadeCut, m limb.CutAt) bool { return c.Cut == m })
}

// LogSlip logs the cuts as made: the map, the account and the plan follow.
func (k *Keeper) LogSlip(ctx context.Context, a SlipAt, done SlipDone) (*EntryBody, error) {
	if was, err := k.loggedOf(ctx, a.At, done.ID, done.is); err != nil || was != nil {
		return was, err
	}
	p, err := k.makeSlip(ctx, a)
	if err != nil {
		return nil, err
	}
	if p.predicted {
		return nil, given.Fault{Code: "predicted", Field: "season", Given: string(p.season), Expected: "the season of the map: this slip is a forecast"}
	}
	made := measured(done.Cuts)
	taken, err := p.slip.Make(p.kept.Doc, p.m, made)
	if err != nil && done.BasedOn != p.kept.Revision.Revision { // the limbs are those of another map
		return nil, store.Clash(done.BasedOn, p.kept.Revision.Revision)
	}
	if err != nil {
		return nil, err
	}
	day := min(p.day, k.today())
	e := store.Entry{
		ID: done.ID, TreeID: a.Tree, Date: day, Kind: "work", Outcome: "done", Task: string(year.SlipTask(p.plan, p.season, p.day)), Minutes: done.Minutes, Note: done.Note, Reason: done.Reason, Who: done.Who,
		Share: round4(taken.Share), Cuts: len(made), CutMM: taken.WoundsMM, FreeOnly: taken.FreeOnly, Headed: taken.Headed,
		OpensSun: len(cut.Exposed(p.m, p.light, taken.Map, p.lightAhead(taken.Map))) > 0, Carried: p.leftFor(made),
	}
	for _, c := range done.Cuts {
		e.Made = append(e.Made, c.Cut)
	}
	if !e.FreeOnly {
		e.Zones = new(p.slip.Taken(p.m, p.planner.ZoneTop(), e.Made))
	}
	waits := len(p.slip.NotMade(made))
	if waits > 0 {
		e.Outcome = "part"
	}
	out, err := k.stampEntry(ctx, p.contents, &e)
	if err != nil {
		return nil, err
	}
	if waits > 0 && e.Reason == "" { // after the day was judged: it is no reason for a day outside the window
		e.Reason = fmt.Sprintf("%d of %d steps", len(p.slip.Cuts)-waits, len(p.slip.Cuts))
	}
	m := &store.LimbMap{Revision: store.Revision{BasedOn: done.BasedOn, Date: day, Cause: store.CauseCut, Note: done.Note}, Doc: taken.Doc}
	if err := k.store.LogSlip(ctx, p.contents.Orchard.ID, &e, m); err != nil {
		return nil, err
	}
	out.Entry = e
	return &out, nil
}

// loggedOf is what a tree's log holds under an id of the caller's own, nil for nothing yet: what is sent again is answered as it was the
// first time, whatever the tree has become meanwhile.
func (k *Keeper) loggedOf(ctx context.Context, a At, id string, same func(*store.Entry) bool) (*EntryBody, error) {
	if id == "" {
		return nil, nil
	}
	o, err := k.store.Orchard(ctx, a.Slug)
	if err != nil {
		return nil, err
	}
	e, err := k.store.Logged(ctx, o.ID, id)
	switch {
	case err != nil || e == nil:
		return nil, err
	case e.TreeID != a.Tree || !same(e):
		return nil, store.IDTaken(id)
	}
	return &EntryBody{Entry: *e, Warnings: []given.Fault{}}, nil
}

// measured are the cuts of a log as the core takes them.
func measured(cuts []MadeCut) []cut.Measured {
	out := make([]cut.Measured, len(cuts))
	for k, c := range cuts {
		out[k] = cut.Measured{CutAt: c.Cut, DMM: c.DMM}
	}
	return out
}

// leftFor is what waits for a later slip, as the journal keeps it.
func (p *slipMade) leftFor(made []cut.Measured) []store.Carried {
	var out []store.Carried
	for _, w := range p.slip.Left(made) {
		due := "winter"
		if w.Due == limb.Summer {
			due = "summer"
		}
		out = append(out, store.Carried{Code: w.Code, Limb: w.Limb, Why: w.Why, Due: due, CM: w.CM})
	}
	return out
}
