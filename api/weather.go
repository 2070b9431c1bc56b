package api

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/orchard"
)

// WeatherFileInput is a file of days.
type WeatherFileInput struct {
	SlugInput
	Body struct {
		Text string `json:"text" minLength:"1" maxLength:"2000000" doc:"CSV: date, tmin, tmax, rain, gust"`
	}
}

// OwnDayInput is what was read on the plot itself.
type OwnDayInput struct {
	SlugInput
	Body orchard.OwnDay
}

func (s *server) registerWeather(api huma.API) {
	const base = "/api/orchards/{slug}/weather"
	op(api, http.MethodGet, base, "get-weather", "The days just past and the fortnight ahead, with what they are fit for", func(ctx context.Context, in *SlugInput) (*one[*orchard.SkyBody], error) {
		return told(s.Keeper.Sky(ctx, in.Slug))
	})
	op(api, http.MethodPost, base+"/ask", "ask-station", "Ask the weather station now", func(ctx context.Context, in *SlugInput) (*one[*orchard.SkyBody], error) {
		if s.Station == nil {
			return nil, problem(http.StatusConflict, "No weather station is asked: start Vertumna with --station and its address.")
		}
		if left, ok := s.Station.(interface{ Anew() }); ok {
			left.Anew()
		}
		if err := s.Keeper.UpdateWeather(ctx, s.Station); err != nil {
			return nil, err
		}
		return told(s.Keeper.Sky(ctx, in.Slug))
	})
	op(api, http.MethodPost, base+"/file", "read-weather-file", "Read days of weather from a file: all or none", func(ctx context.Context, in *WeatherFileInput) (*one[*orchard.WeatherFileBody], error) {
		return told(s.Keeper.ReadWeather(ctx, in.Slug, in.Body.Text))
	}, maxArchive)
	op(api, http.MethodPost, base+"/own", "log-own-weather", "What a thermometer or gauge on the plot read", func(ctx context.Context, in *OwnDayInput) (*one[*orchard.SkyBody], error) {
		if err := s.Keeper.LogOwnDay(ctx, in.Slug, in.Body); err != nil {
			return nil, err
		}
		return told(s.Keeper.Sky(ctx, in.Slug))
	})
}
