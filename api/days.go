package api

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/core/almanac"
	"vertumna/orchard"
)

// DayCostsInput names a job and the day shown.
type DayCostsInput struct {
	DayInput
	Task string `query:"task_id" required:"true" maxLength:"200"`
}

// OtherSchoolInput names a school and the day shown.
type OtherSchoolInput struct {
	DayInput
	Preset string `query:"preset" required:"true" maxLength:"60"`
}

// SetDayInput is the day a person sets for a job; none: the planner chooses again.
type SetDayInput struct {
	SlugInput
	Body struct {
		Task string       `json:"task_id" minLength:"1" maxLength:"200"`
		Day  *almanac.Day `json:"day,omitempty"`
	}
}

func (s *server) registerDays(api huma.API) {
	const base = "/api/orchards/{slug}/days"
	op(api, http.MethodGet, base, "get-days", "Every job that is to come with its day, and what does not fit", func(ctx context.Context, in *DayInput) (*one[*orchard.DaysBody], error) {
		day, err := s.dayOrToday(in.Day)
		if err != nil {
			return nil, err
		}
		return told(s.Keeper.DaysBody(ctx, in.Slug, day))
	})
	op(api, http.MethodGet, base+"/costs", "get-day-costs", "The days a job could be done on, with what each costs", func(ctx context.Context, in *DayCostsInput) (*many[orchard.DayCostBody], error) {
		day, err := s.dayOrToday(in.Day)
		if err != nil {
			return nil, err
		}
		return listed(s.Keeper.DayCosts(ctx, in.Slug, day, in.Task))
	})
	op(api, http.MethodGet, "/api/orchards/{slug}/plan/other", "get-other-school", "The windows as another school would have them, where they differ", func(ctx context.Context, in *OtherSchoolInput) (*many[orchard.OtherWindowBody], error) {
		day, err := s.dayOrToday(in.Day)
		if err != nil {
			return nil, err
		}
		return listed(s.Keeper.OtherSchool(ctx, in.Slug, day, in.Preset))
	})
	op(api, http.MethodPut, base, "set-day", "Set a job on a day, or give the choice back", func(ctx context.Context, in *SetDayInput) (*one[*orchard.DaysBody], error) {
		day := almanac.NoDay
		if in.Body.Day != nil {
			day = *in.Body.Day
		}
		return told(s.Keeper.SetDay(ctx, in.Slug, in.Body.Task, day))
	})
}

func (s *server) registerSeason(api huma.API) {
	op(api, http.MethodGet, "/api/orchards/{slug}/trees/{id}/season", "get-season", "The season of one tree: cold, warmth, stages, frost and fruit", func(ctx context.Context, in *TreeDayInput) (*one[*orchard.SeasonBody], error) {
		day, err := s.dayOrToday(in.Day)
		if err != nil {
			return nil, err
		}
		return told(s.Keeper.Season(ctx, in.Slug, in.ID, day))
	})
}
