package orchard

import (
	"context"
	"fmt"
	"slices"

	"vertumna/core/cut"
	"vertumna/core/find"
	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/store"
	"vertumna/words"
)

// WhyBody answers why a limb is, or is not, on the slip.
type WhyBody struct {
	Limb    string   `json:"limb"`
	On      bool     `json:"on_slip"`
	Against string   `json:"against,omitempty" doc:"the limb of the slip that it was weighed against"`
	Says    []string `json:"says" nullable:"false"`
}

// Why tells why a limb is, or is not, on a tree's slip.
func (k *Keeper) Why(ctx context.Context, a SlipAt, id string) (WhyBody, error) {
	p, err := k.makeSlip(ctx, a)
	if err != nil {
		return WhyBody{}, err
	}
	if p.m.Index(id) < 0 {
		return WhyBody{}, store.ErrNotFound
	}
	return p.why(id), nil
}

// why answers for a limb: cut, taken along, waiting, held, or nothing was found on it.
func (p *slipMade) why(id string) WhyBody {
	out := WhyBody{Limb: id, Says: []string{}}
	cuts, waits := p.slip.WhyNot(id)
	for k := range cuts {
		out.On = true
		out.Says = append(out.Says, p.speaker.OnSlip(&cuts[k], id))
	}
	for _, c := range waits {
		out.Says = append(out.Says, p.speaker.Waits(c, p.season == limb.Summer))
	}
	if len(out.Says) > 0 {
		return out
	}
	if k, along := p.planner.GoesWith(p.slip, id); along {
		out.On = true
		out.Says = append(out.Says, p.speaker.GoesWith(p.slip.Cuts[k].Candidate))
		return out
	}
	out.Says = append(out.Says, p.speaker.NothingFound(p.planner.Held(id)))
	out.Says = append(out.Says, p.speaker.Stays(p.worthOf(id)))
	if k := p.weighedAgainst(id); k >= 0 {
		out.Against = p.slip.Cuts[k].Limb
		out.Says = append(out.Says, p.speaker.Weighed(&p.slip.Cuts[k], p.worthOf(out.Against)))
	}
	return out
}

// worthOf is what a limb gives the tree as it stands: its fruit buds, its light, where it tops out.
func (p *slipMade) worthOf(id string) words.Worth {
	i := p.m.Index(id)
	return words.Worth{
		Limb: id, Buds: p.m.FlowerBuds(i, p.lit, nil), Light: p.lit.At(i), TopCM: p.m.Top(i), ReachCM: p.standing.options.ReachCM,
		Leafless: p.m.Season == limb.Dormant,
	}
}

// weighedAgainst is the step of the slip that a limb left alone was weighed against: on its own carrier, else on its own scaffold, the
// one that takes most; -1 where none is.
func (p *slipMade) weighedAgainst(id string) int {
	i := p.m.Index(id)
	best, nearest := -1, 0
	for k := range p.slip.Cuts {
		c := &p.slip.Cuts[k]
		j := p.m.Index(c.Limb)
		if j < 0 || c.Limb == id {
			continue
		}
		near := 0
		switch {
		case p.m.Axes[i].Parent >= 0 && p.m.Axes[j].Parent == p.m.Axes[i].Parent:
			near = 2
		case p.m.Scaffold(i) == p.m.Scaffold(j):
			near = 1
		}
		if near > nearest || near > 0 && near == nearest && c.Share > p.slip.Cuts[best].Share {
			best, nearest = k, near
		}
	}
	return best
}

// Decision is what a person says of a step of a slip.
type Decision struct {
	ID       string      `json:"id,omitempty" maxLength:"100" doc:"the caller's own, so that one sent twice counts once"`
	Choice   string      `json:"choice" enum:"taken,left,moved,open"`
	Findings []cut.Key   `json:"findings" nullable:"false" minItems:"1" maxItems:"200"`
	Cut      *limb.CutAt `json:"cut,omitempty"`
	Seen     string      `json:"seen,omitempty" enum:",not-found,dead" doc:"why it is left, as it was found at the tree"`
	Who      string      `json:"who,omitempty" maxLength:"500"`
}

// is says whether an entry is what this decision was kept as.
func (d Decision) is(e *store.Entry) bool {
	return e.Slip != nil && e.Slip.Choice == d.Choice && len(e.Slip.Findings) >= len(d.Findings)
}

// Decide keeps a choice about a step: who, and when. The last one counts.
func (k *Keeper) Decide(ctx context.Context, a SlipAt, d Decision) error {
	if was, err := k.loggedOf(ctx, a.At, d.ID, d.is); err != nil || was != nil {
		return err
	}
	p, err := k.makeSlip(ctx, a)
	if err != nil {
		return err
	}
	if p.predicted {
		return given.Fault{Code: "predicted", Field: "season", Given: string(p.season), Expected: "the season of the map: this slip is a forecast"}
	}
	c := store.SlipChoice{Slip: p.key, Choice: d.Choice, Findings: d.Findings, Cut: d.Cut, Seen: d.Seen}
	if c.Choice == "open" { // what was decided together is opened together
		for _, k := range d.Findings {
			for _, f := range p.choices[k].Findings {
				if !slices.Contains(c.Findings, f) {
					c.Findings = append(c.Findings, f)
				}
			}
		}
	}
	if c.Choice == "moved" {
		if c.Cut == nil {
			return given.Fault{Code: "no_cut", Field: "cut", Given: "none", Expected: "where the cut was moved to"}
		}
		if p.m.Index(c.Cut.Limb) < 0 {
			return given.Fault{Code: "no_limb", Field: "cut.limb", Given: c.Cut.Limb, Expected: "a limb of this map"}
		}
		aim := find.Remove
		for _, f := range p.slip.Findings {
			if cut.KeyOf(f) == c.Findings[0] {
				aim = f.Aim
			}
		}
		if _, ok := p.planner.At(*c.Cut, aim); !ok {
			return given.Fault{
				Code: "no_place", Field: "cut.at_cm", Given: fmt.Sprintf("%s at %.1f cm", c.Cut.Kind, c.Cut.AtCM),
				Expected: "a place where this limb can be cut: its collar, a side branch, or above a bud",
			}
		}
	}
	e := store.Entry{ID: d.ID, TreeID: a.Tree, Date: min(p.day, k.today()), Kind: "slip", Slip: &c, Who: d.Who}
	if e.Who == "" && len(p.contents.People) > 0 {
		e.Who = p.contents.People[0].Name
	}
	return k.store.AddEntry(ctx, p.contents.Orchard.ID, &e)
}

// Places are where a limb could be cut: what a person may move a cut to.
func (k *Keeper) Places(ctx context.Context, a SlipAt, id string, aim find.Aim) ([]SpotBody, error) {
	p, err := k.makeSlip(ctx, a)
	if err != nil {
		return nil, err
	}
	i := p.m.Index(id)
	if i < 0 {
		return nil, store.ErrNotFound
	}
	out := []SpotBody{}
	for _, c := range p.planner.Everywhere(id, aim) {
		if c.Kind == limb.Notch || c.Kind == limb.SpurThin {
			continue
		}
		out = append(out, p.spot(i, c))
	}
	return out, nil
}
