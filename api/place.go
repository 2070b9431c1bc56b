package api

import (
	"bytes"
	"context"
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/core/year"
	"vertumna/exchange"
	"vertumna/store"
)

// NearClimate is a shipped climate with how far it stands from a place.
type NearClimate struct {
	Site       almanac.Site `json:"site"`
	DistanceKM float64      `json:"distance_km"`
	LatDiffDeg float64      `json:"lat_diff_deg"`
	Mirrored   bool         `json:"mirrored" doc:"of the other hemisphere, its months turned by half a year"`
}

// PlaceInput shapes a climate into a place: its own coordinates and height, and frost dates the person knows.
type PlaceInput struct {
	Body struct {
		Base        almanac.Site `json:"base" doc:"the climate to start from"`
		Name        string       `json:"name" maxLength:"500"`
		Lat         float64      `json:"lat" minimum:"-90" maximum:"90"`
		Lon         float64      `json:"lon" minimum:"-180" maximum:"180"`
		ElevM       *float64     `json:"elev_m,omitempty" minimum:"-430" maximum:"5000" doc:"height above sea; temperatures follow"`
		UTCOffset   int          `json:"utc_offset_min" minimum:"-720" maximum:"840"`
		LastSpring  string       `json:"last_spring_frost,omitempty" doc:"MM-DD, every other year" maxLength:"10"`
		FirstAutumn string       `json:"first_autumn_frost,omitempty" doc:"MM-DD, every other year" maxLength:"10"`
		CSV         string       `json:"csv,omitempty" maxLength:"20000" doc:"twelve months with a line of names; laid over the climate"`
	}
}

// PlaceBody is a shaped place with its class and frost dates.
type PlaceBody struct {
	Site          almanac.Site `json:"site"`
	ShiftC        float64      `json:"shift_c" doc:"how far the frost dates moved its temperatures"`
	Wetness       string       `json:"wetness"`
	Cold          string       `json:"cold"`
	HumidSummer   bool         `json:"humid_summer"`
	WetDormancy   float64      `json:"wet_dormancy"`
	LastSpring50  string       `json:"last_spring_50,omitempty"`
	FirstAutumn50 string       `json:"first_autumn_50,omitempty"`
	Warnings      []FieldError `json:"warnings" nullable:"false"`
}

func (s *server) registerPlace(api huma.API) {
	op(api, http.MethodGet, "/api/climates", "list-climates", "Shipped climates, nearest first", func(_ context.Context, in *struct {
		Lat float64 `query:"lat" required:"true" minimum:"-90" maximum:"90"`
		Lon float64 `query:"lon" required:"true" minimum:"-180" maximum:"180"`
	}) (*struct {
		Body []NearClimate `nullable:"false"`
	}, error,
	) {
		near, err := almanac.Nearest(in.Lat, in.Lon)
		out := []NearClimate{}
		for _, n := range near {
			out = append(out, NearClimate(n))
		}
		return &struct {
			Body []NearClimate `nullable:"false"`
		}{out}, err
	})
	op(api, http.MethodPost, "/api/place", "shape-place", "A climate shaped into a place", func(_ context.Context, in *PlaceInput) (*struct{ Body PlaceBody }, error) {
		body, err := shapePlace(in)
		return &struct{ Body PlaceBody }{body}, err
	})
}

func shapePlace(in *PlaceInput) (PlaceBody, error) {
	b := &in.Body
	if err := b.Base.Check(); err != nil {
		return PlaceBody{}, err
	}
	site := b.Base.Clone()
	if b.CSV != "" {
		var err error
		if site, err = exchange.ReadNormals(strings.NewReader(b.CSV), site); err != nil {
			return PlaceBody{}, err
		}
	}
	if b.ElevM != nil {
		site = site.AtHeight(*b.ElevM)
	}
	last, err := monthDay("last_spring_frost", b.LastSpring)
	if err != nil {
		return PlaceBody{}, err
	}
	first, err := monthDay("first_autumn_frost", b.FirstAutumn)
	if err != nil {
		return PlaceBody{}, err
	}
	site.Lat, site.Lon, site.UTCOffsetMin, site.Name = b.Lat, b.Lon, b.UTCOffset, b.Name
	if site.Slug = store.Slug(b.Name); site.Name == "" {
		site.Name = b.Base.Name
	}
	site, shift, err := site.WithFrost(last, first)
	if err != nil {
		return PlaceBody{}, err
	}
	p, err := year.NewPlace(&site)
	if err != nil {
		return PlaceBody{}, err
	}
	out := PlaceBody{
		Site: site, ShiftC: shift, Wetness: p.Climate.Wetness, Cold: p.Climate.Cold, HumidSummer: p.Climate.HumidSummer,
		WetDormancy: p.Climate.WetDormancy, Warnings: told(year.CheckPlace(&site)),
	}
	if f := p.Frost.LastSpring50; f != nil {
		out.LastSpring50 = f.String()
	}
	if f := p.Frost.FirstAutumn50; f != nil {
		out.FirstAutumn50 = f.String()
	}
	return out, nil
}

func monthDay(field, text string) (*almanac.MonthDay, error) {
	if text == "" {
		return nil, nil
	}
	d, err := almanac.ParseDay("2001-" + text)
	if err != nil {
		return nil, given.Fault{Code: "bad_date", Field: field, Given: text, Expected: "a day as MM-DD"}
	}
	_, m, day := d.Date()
	return &almanac.MonthDay{Month: m, Day: day}, nil
}

func importArchive(ctx context.Context, s *store.Store, raw []byte) ([]string, error) {
	a, err := exchange.ReadArchive(bytes.NewReader(raw))
	if err != nil {
		return nil, err
	}
	return exchange.Import(ctx, s, a)
}
