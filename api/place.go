package api

import (
	"context"
	"net/http"
	"strconv"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/core/towns"
	"vertumna/orchard"
)

// PlaceInput shapes a climate into a place: its own coordinates and height, and frost dates the person knows.
type PlaceInput struct {
	Body orchard.PlaceFrom
}

func (s *server) registerPlace(api huma.API) {
	op(api, http.MethodGet, "/api/climates", "list-climates", "Shipped climates, nearest first", func(_ context.Context, in *struct {
		Lat  float64 `query:"lat" required:"true" minimum:"-90" maximum:"90"`
		Lon  float64 `query:"lon" required:"true" minimum:"-180" maximum:"180"`
		Elev string  `query:"elev" maxLength:"12" doc:"height above sea, m; absent: not known"`
	},
	) (*many[orchard.NearClimate], error) {
		elev, err := height(in.Elev)
		if err != nil {
			return nil, err
		}
		near, err := almanac.Suited(in.Lat, in.Lon, elev)
		out := []orchard.NearClimate{}
		for _, n := range near {
			out = append(out, orchard.NearClimate(n))
		}
		return listed(out, err)
	})
	op(api, http.MethodGet, "/api/towns", "find-towns", "Towns by the beginning of their name, the largest first", func(_ context.Context, in *struct {
		Q string `query:"q" required:"true" maxLength:"80"`
	},
	) (*many[TownBody], error) {
		out := []TownBody{}
		for _, t := range towns.Find(in.Q, mostTowns) {
			out = append(out, TownBody(t))
		}
		return listed(out, nil)
	})
	op(api, http.MethodPost, "/api/place", "shape-place", "A climate shaped into a place", func(_ context.Context, in *PlaceInput) (*one[orchard.PlaceBody], error) {
		return told(s.Keeper.ShapePlace(in.Body))
	})
}

// TownBody is a town and where it lies.
type TownBody struct {
	Name    string  `json:"name"`
	Country string  `json:"country" doc:"ISO 3166, two letters"`
	Lat     float64 `json:"lat"`
	Lon     float64 `json:"lon"`
}

// mostTowns is how many towns a search tells.
const mostTowns = 8

// height reads a height above sea in metres; none is nil.
func height(text string) (*float64, error) {
	if text == "" {
		return nil, nil
	}
	m, err := strconv.ParseFloat(text, 64)
	if err != nil || !(m >= -430 && m <= 5000) {
		return nil, given.Fault{Code: "bad_height", Field: "elev", Given: text, Expected: "-430 to 5000 m"}
	}
	return &m, nil
}
