package api

import (
	"context"
	"fmt"
	"math"
	"slices"

	"vertumna/core/cut"
	"vertumna/core/find"
	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/store"
)

// WhyInput asks about a limb.
type WhyInput struct {
	SlipInput
	Limb string `path:"limb"`
}

// WhyBody answers why a limb is, or is not, on the slip.
type WhyBody struct {
	Limb string   `json:"limb"`
	On   bool     `json:"on_slip"`
	Says []string `json:"says" nullable:"false"`
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
	return out
}

// decide keeps a choice about a step: who, and when. The last one counts.
func (s *server) decide(ctx context.Context, in *ChoiceInput) error {
	p, err := s.makeSlip(ctx, &in.SlipInput)
	if err != nil {
		return err
	}
	if p.predicted {
		return given.Fault{Code: "predicted", Field: "season", Given: string(p.season), Expected: "the season of the map: this slip is a forecast"}
	}
	c := store.SlipChoice{Slip: p.key, Choice: in.Body.Choice, Findings: in.Body.Findings, Cut: in.Body.Cut}
	if c.Choice == "open" { // what was decided together is opened together
		for _, k := range in.Body.Findings {
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
	e := store.Entry{TreeID: in.ID, Date: min(p.day, s.Today()), Kind: "slip", Slip: &c, Who: in.Body.Who}
	if e.Who == "" && len(p.contents.People) > 0 {
		e.Who = p.contents.People[0].Name
	}
	return s.Store.AddEntry(ctx, p.contents.Orchard.ID, &e)
}

// places lists where a limb could be cut: what a person may move a cut to.
func (s *server) places(ctx context.Context, in *PlacesInput) ([]SpotBody, error) {
	p, err := s.makeSlip(ctx, &in.SlipInput)
	if err != nil {
		return nil, err
	}
	i := p.m.Index(in.Limb)
	if i < 0 {
		return nil, store.ErrNotFound
	}
	out := []SpotBody{}
	for _, c := range p.planner.Everywhere(in.Limb, in.Aim) {
		if c.Kind == limb.Notch || c.Kind == limb.SpurThin {
			continue
		}
		at := p.m.At(i, math.Max(0, c.AtCM))
		step := cut.Step{Candidate: c}
		w := p.speaker.Step(&step, at, p.topBud(c.CutAt), string(c.Tool), true, 0)
		out = append(out, SpotBody{
			Cut: c.CutAt, Title: w.Title, Where: w.Where, Bud: w.Bud, Share: round4(c.Share), Score: c.Score, DMM: c.DMM, Buds: round1(c.BudsWithin),
			HeightCM: round1(at.Z), GainCM: round1(c.GainCM),
		})
	}
	return out, nil
}
