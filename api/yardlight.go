package api

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/orchard"
)

// SpotInput names a spot of the plot and the day.
type SpotInput struct {
	DayInput
	X       float64 `query:"x" minimum:"-500" maximum:"500" required:"true" doc:"metres from the plot's south-west corner"`
	Y       float64 `query:"y" minimum:"-500" maximum:"500" required:"true"`
	Without string  `query:"without" maxLength:"200" doc:"a tree that is thought away: the one that is to stand there"`
}

func (s *server) registerYardLight(api huma.API) {
	op(api, http.MethodGet, "/api/orchards/{slug}/light", "get-yard-light", "The yard in light over the growing season", func(ctx context.Context, in *DayInput) (*one[*orchard.YardLightBody], error) {
		p, _, err := s.planned(ctx, in.Slug, in.Day)
		if err != nil {
			return nil, err
		}
		return told(s.Keeper.Light(ctx, p))
	})
	op(api, http.MethodGet, "/api/orchards/{slug}/light/spot", "get-spot-light", "The sun on a spot of the plot, before planting too", func(ctx context.Context, in *SpotInput) (*one[*orchard.SpotLightBody], error) {
		p, _, err := s.planned(ctx, in.Slug, in.Day)
		if err != nil {
			return nil, err
		}
		return told(s.Keeper.SpotLight(ctx, p, in.X, in.Y, in.Without))
	})
}
