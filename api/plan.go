package api

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/core/almanac"
	"vertumna/orchard"
)

// DayInput names an orchard and the day shown; no day is today.
type DayInput struct {
	SlugInput
	Day string `query:"day" maxLength:"40" doc:"YYYY-MM-DD; absent: today"`
}

// TreeDayInput names a tree and the day shown.
type TreeDayInput struct {
	IDInput
	Day string `query:"day" maxLength:"40" doc:"YYYY-MM-DD; absent: today"`
}

func (s *server) registerPlan(api huma.API) {
	op(api, http.MethodGet, "/api/orchards/{slug}/plan", "get-plan", "The season on a day shown", func(ctx context.Context, in *DayInput) (*one[orchard.PlanBody], error) {
		p, day, err := s.planned(ctx, in.Slug, in.Day)
		if err != nil {
			return nil, err
		}
		return &one[orchard.PlanBody]{s.Keeper.PlanBody(p, day)}, nil
	})
	op(api, http.MethodGet, "/api/orchards/{slug}/docket", "get-docket", "What to do about a day shown", func(ctx context.Context, in *DayInput) (*one[orchard.DocketBody], error) {
		p, day, err := s.planned(ctx, in.Slug, in.Day)
		if err != nil {
			return nil, err
		}
		return &one[orchard.DocketBody]{p.DocketBody(day)}, nil
	})
	op(api, http.MethodGet, "/api/orchards/{slug}/trees/{id}/plan", "get-tree-plan", "The year of one tree", func(ctx context.Context, in *TreeDayInput) (*one[orchard.TreePlanBody], error) {
		p, day, err := s.planned(ctx, in.Slug, in.Day)
		if err != nil {
			return nil, err
		}
		return told(p.TreeBody(in.ID, day))
	})
}

// planned is the plan of an orchard for the day a request names.
func (s *server) planned(ctx context.Context, slug, text string) (*orchard.Planned, almanac.Day, error) {
	day, err := s.dayOrToday(text)
	if err != nil {
		return nil, day, err
	}
	p, err := s.Keeper.Plan(ctx, slug, day)
	return p, day, err
}

// dayOrToday reads a day; none is today.
func (s *server) dayOrToday(text string) (almanac.Day, error) {
	day, err := dayOf(text)
	if err == nil && !day.Known() {
		day = s.Today()
	}
	return day, err
}

// dayOf reads a day; none is NoDay.
func dayOf(text string) (almanac.Day, error) {
	if text == "" {
		return almanac.NoDay, nil
	}
	return almanac.ParseDay(text)
}
