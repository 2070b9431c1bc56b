package api

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/orchard"
)

// SheetInput asks for the sheet of a day.
type SheetInput struct {
	DayInput
	Minutes float64 `query:"minutes" minimum:"0" maximum:"1440" doc:"the time one has; 0: all there is to do"`
}

func (s *server) registerSheet(api huma.API) {
	op(api, http.MethodGet, "/api/orchards/{slug}/sheet", "get-sheet", "The day's work in the hand: trees in the order they are walked to, with what to bring", func(ctx context.Context, in *SheetInput) (*one[*orchard.SheetBody], error) {
		day, err := dayOf(in.Day)
		if err != nil {
			return nil, err
		}
		return told(s.Keeper.Sheet(ctx, in.Slug, day, in.Minutes))
	})
}
