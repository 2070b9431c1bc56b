package api

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/core/find"
	"vertumna/core/limb"
	"vertumna/orchard"
)

// SlipInput asks for a tree's slip.
type SlipInput struct {
	BenchInput
	Season limb.Season `query:"season" enum:"dormant,summer" doc:"absent: of the day shown"`
}

func (in *SlipInput) slip(at orchard.At) orchard.SlipAt {
	return orchard.SlipAt{At: at, Season: in.Season}
}

// ChoiceInput decides about a step of a slip.
type ChoiceInput struct {
	SlipInput
	Body orchard.Decision
}

// PlacesInput asks where else a limb could be cut.
type PlacesInput struct {
	SlipInput
	Limb string   `path:"limb"`
	Aim  find.Aim `query:"aim" required:"true" maxLength:"40"`
}

// WhyInput asks about a limb.
type WhyInput struct {
	SlipInput
	Limb string `path:"limb"`
}

// LogSlipInput logs a slip.
type LogSlipInput struct {
	SlipInput
	Body orchard.SlipDone
}

// SlipYearsInput asks for several years of slips.
type SlipYearsInput struct {
	SlipInput
	Years int `query:"years" minimum:"1" maximum:"10" default:"7"`
}

func (s *server) registerSlip(api huma.API) {
	const base = "/api/orchards/{slug}/trees/{id}/map/slip"
	k := s.Keeper
	onTree(api, http.MethodGet, base, "get-slip", "Which cuts, where, in which order, under the limit", func(ctx context.Context, at orchard.At, in *SlipInput) (*orchard.SlipBody, error) {
		return k.Slip(ctx, in.slip(at))
	})
	onTree(api, http.MethodPost, base+"/choices", "decide-step", "Take a step of the slip, leave it, or move its cut", func(ctx context.Context, at orchard.At, in *ChoiceInput) (*orchard.SlipBody, error) {
		if err := k.Decide(ctx, in.slip(at), in.Body); err != nil {
			return nil, err
		}
		return k.Slip(ctx, in.slip(at))
	})
	op(api, http.MethodGet, base+"/places/{limb}", "places-to-cut", "Every place where a limb could be cut, from its base to its end", func(ctx context.Context, in *PlacesInput) (*many[orchard.SpotBody], error) {
		at, err := in.at()
		if err != nil {
			return nil, err
		}
		return listed(k.Places(ctx, in.slip(at), in.Limb, in.Aim))
	})
	onTree(api, http.MethodGet, base+"/why/{limb}", "why-not", "Why a limb is, or is not, on the slip", func(ctx context.Context, at orchard.At, in *WhyInput) (orchard.WhyBody, error) {
		return k.Why(ctx, in.slip(at), in.Limb)
	})
	onTree(api, http.MethodGet, base+"/compare", "compare-seasons", "The same cuts in winter, in summer, or not at all", func(ctx context.Context, at orchard.At, in *SlipInput) (*orchard.SlipCompareBody, error) {
		return k.Seasons(ctx, in.slip(at))
	})
	onTree(api, http.MethodGet, base+"/years", "slip-years", "What falls in which year, beside replacing the tree", func(ctx context.Context, at orchard.At, in *SlipYearsInput) (*orchard.SlipYearsBody, error) {
		return k.Years(ctx, in.slip(at), in.Years)
	})
	onTree(api, http.MethodPost, base+"/log", "log-slip", "Log the cuts as made: the map, the account and the plan follow", func(ctx context.Context, at orchard.At, in *LogSlipInput) (*orchard.EntryBody, error) {
		return k.LogSlip(ctx, in.slip(at), in.Body)
	}, maxArchive)
}
