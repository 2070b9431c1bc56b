package api

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/orchard"
)

// MarksInput marks candidates.
type MarksInput struct {
	BenchInput
	Body struct {
		Marks []orchard.CandidateMark `json:"marks" nullable:"false" maxItems:"40"`
	}
}

// BendInput asks for the bend of a limb.
type BendInput struct {
	BenchInput
	Body orchard.BendAsked
}

// BudsInput is what was seen of the buds of a stem.
type BudsInput struct {
	BenchInput
	Body struct {
		Buds []orchard.BudSeen `json:"buds" nullable:"false" maxItems:"200"`
	}
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
	onTree(api, http.MethodPost, base+"/choice", "choose-main-limbs", "The best set of main limbs, with your own marks on the candidates", func(ctx context.Context, at orchard.At, in *MarksInput) (*orchard.MainLimbsBody, error) {
		return k.Choose(ctx, at, in.Body.Marks)
	})
	onTree(api, http.MethodPost, base+"/bend", "preview-bend", "A limb bent: how far it is safe, with what, for how long", func(ctx context.Context, at orchard.At, in *BendInput) (*orchard.BendBody, error) {
		return k.Bend(ctx, at, in.Body)
	})
	onTree(api, http.MethodPost, base+"/notches", "choose-notches", "Which buds of a whip are woken, with what you saw of them", func(ctx context.Context, at orchard.At, in *BudsInput) (*orchard.NotchBody, error) {
		return k.Notches(ctx, at, in.Body.Buds)
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
