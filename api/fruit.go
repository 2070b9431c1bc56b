package api

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/orchard"
)

// TapsInput brings taps of the counting pad.
type TapsInput struct {
	IDInput
	Body orchard.Taps
}

// PassInput closes a pass over a limb: what the pad holds goes into the journal.
type PassInput struct {
	IDInput
	Body orchard.Pass
}

func (s *server) registerFruit(api huma.API) {
	const base = "/api/orchards/{slug}/trees/{id}/fruit"
	onTree(api, http.MethodGet, base, "get-fruit", "A tree's fruit on a day: what hangs, what should, and what its limbs carry", func(ctx context.Context, at orchard.At, _ *BenchInput) (*orchard.FruitBody, error) {
		return s.Keeper.Fruit(ctx, at)
	})
	op(api, http.MethodPost, base+"/taps", "add-taps", "Keep taps of the counting pad; those sent twice count once", func(ctx context.Context, in *TapsInput) (*one[*orchard.TalliesBody], error) {
		return told(s.Keeper.Tap(ctx, in.Slug, in.ID, in.Body))
	})
	op(api, http.MethodPost, base+"/passes", "close-pass", "Log what the pad holds of a limb", func(ctx context.Context, in *PassInput) (*one[*orchard.EntryBody], error) {
		return told(s.Keeper.ClosePass(ctx, in.Slug, in.ID, in.Body))
	})
	op(api, http.MethodGet, "/api/orchards/{slug}/crop", "get-crop", "The crop over the years, and what is coming against what is wanted", func(ctx context.Context, in *DayInput) (*one[*orchard.CropBody], error) {
		p, day, err := s.planned(ctx, in.Slug, in.Day)
		if err != nil {
			return nil, err
		}
		return told(s.Keeper.Crop(ctx, p, day))
	})
}
