package api

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/orchard"
	"vertumna/store"
)

// WordsInput is what a person says of shoots and buds.
type WordsInput struct {
	BenchInput
	Body store.TrainingWords
}

// BendInput asks for the bend of a limb.
type BendInput struct {
	BenchInput
	Body orchard.BendAsked
}

// RigInput logs what was done with a device.
type RigInput struct {
	BenchInput
	Body orchard.RigDone
}

func (s *server) registerTraining(api huma.API) {
	const base = "/api/orchards/{slug}/trees/{id}/training"
	k := s.Keeper
	onTree(api, http.MethodGet, base, "get-training", "A tree's way from planting to its frame, with what is due on the day", func(ctx context.Context, at orchard.At, _ *BenchInput) (*orchard.TrainingBody, error) {
		return k.Training(ctx, at)
	})
	onTree(api, http.MethodPost, base+"/words", "say-of-shoots", "What you say of its shoots and buds, and the training by it", func(ctx context.Context, at orchard.At, in *WordsInput) (*orchard.TrainingBody, error) {
		return k.Say(ctx, at, in.Body)
	})
	onTree(api, http.MethodPost, base+"/bend", "preview-bend", "A limb bent: how far it is safe, with what, for how long", func(ctx context.Context, at orchard.At, in *BendInput) (*orchard.BendBody, error) {
		return k.Bend(ctx, at, in.Body)
	})
	onTree(api, http.MethodPost, base+"/devices", "log-device", "A device put on, looked at, or taken off", func(ctx context.Context, at orchard.At, in *RigInput) (*orchard.EntryBody, error) {
		return k.LogRig(ctx, at, in.Body)
	}, maxArchive)
	op(api, http.MethodGet, "/api/orchards/{slug}/devices", "list-devices", "Every device that is on, by the days it has left", func(ctx context.Context, in *DayInput) (*many[orchard.RigBody], error) {
		day, err := dayOf(in.Day)
		if err != nil {
			return nil, err
		}
		return listed(k.Devices(ctx, in.Slug, day))
	})
}
