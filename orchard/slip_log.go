package orchard

import (
	"context"
	"fmt"
	"math"
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
	doc, taken, err := p.worked(done.Cuts)
	if err != nil && done.BasedOn != p.kept.Revision.Revision { // the limbs are those of another map
		return nil, store.Clash(done.BasedOn, p.kept.Revision.Revision)
	}
	if err != nil {
		return nil, err
	}
	day := min(p.day, k.today())
	e := store.Entry{
		ID: done.ID, TreeID: a.Tree, Date: day, Kind: "work", Outcome: "done", Task: p.taskKind(), Minutes: done.Minutes, Note: done.Note, Reason: done.Reason, Who: done.Who,
		Share: round4(taken.share), Cuts: len(done.Cuts), CutMM: taken.mm, FreeOnly: taken.freeOnly, Headed: taken.headed, OpensSun: taken.opensSun,
		Carried: p.leftFor(done.Cuts),
	}
	for _, c := range done.Cuts {
		e.Made = append(e.Made, c.Cut)
	}
	if !e.FreeOnly {
		e.Zones = new(p.zonesTaken(e.Made))
	}
	waits := len(p.notMade(done.Cuts))
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
	m := &store.LimbMap{Revision: store.Revision{BasedOn: done.BasedOn, Date: day, Cause: store.CauseCut, Note: done.Note}, Doc: doc}
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

// took is what the cuts of a log come to.
type took struct {
	share                      float64 // of the crown, what counts
	mm                         []float64
	freeOnly, headed, opensSun bool
}

// worked makes the cuts on the map, in the order given, and tells what they took. A caliper corrects the share that the
// map's thickness gave.
func (p *slipMade) worked(cuts []MadeCut) (limb.Doc, took, error) {
	doc, m := p.kept.Doc, p.m
	out := took{freeOnly: true}
	stays := 1.0
	for k, c := range cuts {
		field := fmt.Sprintf("cuts[%d]", k)
		i := m.Index(c.Cut.Limb)
		if i < 0 {
			return doc, out, given.Fault{Code: "no_limb", Field: field + ".limb", Given: c.Cut.Limb, Expected: "a limb that still stands on this map"}
		}
		share, d := m.ShareOf(c.Cut), p.thickness(m, i, c.Cut)
		if c.DMM > 0 && d > 0 {
			if !cut.Plausible(c.DMM, d) {
				return doc, out, given.Fault{
					Code: "bad_diameter", Field: field + ".d_mm", Given: fmt.Sprintf("%g mm", c.DMM), Expected: fmt.Sprintf("about the map's %.0f mm, in millimetres", d),
				}
			}
			share, d = math.Min(1, share*c.DMM*c.DMM/(d*d)), c.DMM
		}
		after, err := m.Cut(c.Cut)
		if err != nil {
			return doc, out, err
		}
		if doc, err = p.write(doc, m, c.Cut, d); err != nil {
			return doc, out, err
		}
		m = after
		if !p.isFree(c.Cut) {
			stays *= 1 - share
			out.freeOnly = false
		}
		if d > 0 {
			out.mm = append(out.mm, round1(d))
		}
		switch c.Cut.Kind {
		case limb.AboveBud, limb.TipThird, limb.Stub:
			out.headed = true
		}
	}
	out.share = 1 - stays
	out.opensSun = len(cut.Exposed(p.m, p.light, m, p.lightAhead(m))) > 0
	return doc, out, nil
}

// zonesTaken is what cuts take of each third of the height, free ones left out.
func (p *slipMade) zonesTaken(cuts []limb.CutAt) [3]float64 {
	counted := slices.DeleteFunc(slices.Clone(cuts), p.isFree)
	out := cut.ZonesTaken(p.m, p.planner.ZoneTop(), counted)
	for k := range out {
		out[k] = round4(out[k])
	}
	return out
}

// thickness of the wound a cut makes, mm; 0 for none.
func (p *slipMade) thickness(m *limb.Map, i int, c limb.CutAt) float64 {
	switch {
	case c.Kind == limb.SpurThin || c.Kind == limb.Notch:
		return 0
	case c.AtCM <= 0:
		return m.Axes[i].D
	}
	return m.Diameter(i, c.AtCM)
}

// write makes a cut on the document, so that what was measured stays as it was measured.
func (p *slipMade) write(doc limb.Doc, m *limb.Map, c limb.CutAt, d float64) (limb.Doc, error) {
	if c.Kind == limb.Notch {
		return doc, nil
	}
	if c.Kind == limb.SpurThin {
		spurs := slices.Clone(m.Axes[m.Index(c.Limb)].Spurs)
		for k := range spurs {
			if math.Abs(spurs[k].FromCM-c.AtCM) <= 0.1 {
				spurs[k].Count = math.Round(spurs[k].Count * (1 - c.Fraction))
			}
		}
		return limb.Apply(doc, limb.Edit{Op: "set", ID: c.Limb, Limb: &limb.Limb{ID: c.Limb, Spurs: spurs}})
	}
	carrier := m.Axes[m.Index(c.Limb)].Parent
	next, err := limb.Apply(doc, limb.Edit{Op: "cut", ID: c.Limb, AtCM: limb.Of(math.Max(0, c.AtCM))})
	if err != nil {
		return doc, err
	}
	if c.AtCM > 0 || carrier < 0 {
		return next, nil
	}
	if l := next.Find(m.Axes[carrier].ID); l != nil && len(l.Wounds) > 0 { // the wound as the caliper has it
		l.Wounds[len(l.Wounds)-1].DMM = round1(d)
	}
	return next, nil
}

// isFree: the slip has this cut and does not count it.
func (p *slipMade) isFree(c limb.CutAt) bool {
	for k := range p.slip.Cuts {
		s := &p.slip.Cuts[k]
		if s.Limb == c.Limb && s.Kind == c.Kind {
			return s.Free()
		}
	}
	return false
}

// notMade are the steps of the slip that were not worked: no cut of the log is on their limb.
func (p *slipMade) notMade(cuts []MadeCut) []*cut.Step {
	var out []*cut.Step
	for k := range p.slip.Cuts {
		s := &p.slip.Cuts[k]
		if !slices.ContainsFunc(cuts, func(c MadeCut) bool { return c.Cut.Limb == s.Limb }) {
			out = append(out, s)
		}
	}
	return out
}

// leftFor is what waits for a later slip, with its reason; what waits for nothing (light to be looked at, no safe cut) is
// found again by itself.
func (p *slipMade) leftFor(cuts []MadeCut) []store.Carried {
	var out []store.Carried
	add := func(key cut.Key, why cut.Why, cm float64) {
		due := "winter"
		if cut.DueIn(why, p.season) == limb.Summer {
			due = "summer"
		}
		if len(out) < mostCarried {
			out = append(out, store.Carried{Code: key.Code, Limb: key.Limb, Why: why, Due: due, CM: round1(cm)})
		}
	}
	for _, s := range p.notMade(cuts) {
		for _, f := range s.Solves {
			add(cut.KeyOf(f), cut.LeftByYou, 0)
			break
		}
	}
	for _, c := range p.slip.Carried {
		if c.Waits() {
			add(cut.KeyOf(c.Finding), c.Why, c.CM)
		}
	}
	return out
}

const mostCarried = 60

// taskKind is the task of the year that a slip is the work of: the one whose window the day is in, else the usual one.
func (p *slipMade) taskKind() string {
	usual := year.DormantCut
	kinds := []year.TaskKind{year.DormantCut}
	if p.season == limb.Summer {
		usual = year.HeightCut
		kinds = []year.TaskKind{year.HeightCut, year.SummerCut, year.RestrainCut, year.AutumnHeight, year.SummerShoots}
	}
	if p.plan == nil {
		return string(usual)
	}
	stands := ""
	for i := range p.plan.Tasks {
		t := &p.plan.Tasks[i]
		if !slices.Contains(kinds, t.Kind) {
			continue
		}
		if p.day >= t.Window.Opens.Day && p.day <= t.Window.Closes.Day {
			return string(t.Kind)
		}
		if stands == "" {
			stands = string(t.Kind)
		}
	}
	if stands != "" {
		return stands
	}
	return string(usual)
}
