package orchard

import (
	"bytes"
	"context"
	"strings"

	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/core/year"
	"vertumna/exchange"
	"vertumna/store"
	"vertumna/words"
)

// NearClimate is a shipped climate with how far it stands from a place.
type NearClimate struct {
	Site       almanac.Site `json:"site"`
	DistanceKM float64      `json:"distance_km"`
	LatDiffDeg float64      `json:"lat_diff_deg"`
	Mirrored   bool         `json:"mirrored" doc:"of the other hemisphere, its months turned by half a year"`
}

// PlaceBody is a shaped place with its class and frost dates.
type PlaceBody struct {
	Site          almanac.Site  `json:"site"`
	ShiftC        float64       `json:"shift_c" doc:"how far the frost dates moved its temperatures"`
	Wetness       string        `json:"wetness"`
	Cold          string        `json:"cold"`
	HumidSummer   bool          `json:"humid_summer"`
	WetDormancy   float64       `json:"wet_dormancy"`
	LastSpring50  string        `json:"last_spring_50,omitempty"`
	FirstAutumn50 string        `json:"first_autumn_50,omitempty"`
	Sight         *SightBody    `json:"sight,omitempty"`
	Warnings      []given.Fault `json:"warnings" nullable:"false"`
}

// PlaceFrom is what a place is shaped from: a climate, its own coordinates and height, and frost dates the person knows.
type PlaceFrom struct {
	Base        almanac.Site `json:"base" doc:"the climate to start from"`
	Name        string       `json:"name" maxLength:"500"`
	Lat         float64      `json:"lat" minimum:"-90" maximum:"90"`
	Lon         float64      `json:"lon" minimum:"-180" maximum:"180"`
	ElevM       *float64     `json:"elev_m,omitempty" minimum:"-430" maximum:"5000" doc:"height above sea; temperatures follow"`
	UTCOffset   int          `json:"utc_offset_min" minimum:"-720" maximum:"840"`
	LastSpring  string       `json:"last_spring_frost,omitempty" doc:"MM-DD, every other year" maxLength:"10"`
	FirstAutumn string       `json:"first_autumn_frost,omitempty" doc:"MM-DD, every other year" maxLength:"10"`
	CSV         string       `json:"csv,omitempty" maxLength:"20000" doc:"twelve months with a line of names; laid over the climate"`
	LaterDays   float64      `json:"later_days,omitempty" minimum:"-21" maximum:"21" doc:"the whole year so many days later than in the climate"`
	WarmerC     float64      `json:"warmer_c,omitempty" minimum:"-6" maximum:"6" doc:"the whole year so many degrees warmer"`
	Tell        bool         `json:"tell,omitempty" doc:"tell what a grower sees of the year there"`
	Units       words.Units  `json:"units,omitempty" enum:"metric,us" doc:"in which it is told; absent: metric"`
}

// SightBody is what a grower sees of a place's year.
type SightBody struct {
	Says           []words.SightPart `json:"says" nullable:"false" doc:"one sentence, in parts"`
	Winters        string            `json:"winters"`
	From           almanac.Day       `json:"from"`
	To             almanac.Day       `json:"to"`
	ApplesFrom     *almanac.Day      `json:"apples_from,omitempty"`
	ApplesTo       *almanac.Day      `json:"apples_to,omitempty"`
	PeachFrom      *almanac.Day      `json:"peach_from,omitempty"`
	PeachTo        *almanac.Day      `json:"peach_to,omitempty"`
	LastFrost      *almanac.Day      `json:"last_frost,omitempty"`
	FirstFrost     *almanac.Day      `json:"first_frost,omitempty"`
	BudSwell       *almanac.Day      `json:"bud_swell,omitempty"`
	LeafFall       *almanac.Day      `json:"leaf_fall,omitempty"`
	SummerSolstice almanac.Day       `json:"summer_solstice"`
	WinterSolstice almanac.Day       `json:"winter_solstice"`
}

// ShapePlace shapes a climate into a place, and tells what a grower sees there in the season of a day.
func (k *Keeper) ShapePlace(b PlaceFrom) (PlaceBody, error) {
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
	if b.LaterDays != 0 {
		site = site.Later(b.LaterDays)
	}
	if b.WarmerC != 0 {
		site = site.Warmer(b.WarmerC)
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
		WetDormancy: p.Climate.WetDormancy, Warnings: orEmpty(year.CheckPlace(&site)),
	}
	if f := p.Frost.LastSpring50; f != nil {
		out.LastSpring50 = f.String()
	}
	if f := p.Frost.FirstAutumn50; f != nil {
		out.FirstAutumn50 = f.String()
	}
	if b.Tell {
		out.Sight, err = k.sight(p, words.Speaker{Units: b.Units})
	}
	return out, err
}

// sight is what a grower sees of a place, in the season of today.
func (k *Keeper) sight(p year.Place, speaker words.Speaker) (*SightBody, error) {
	e, err := k.ensembleOf(p.Site, year.SeasonOf(k.today(), p.Site.South()), nil)
	if err != nil {
		return nil, err
	}
	s, err := year.SightOf(p, e)
	if err != nil {
		return nil, err
	}
	return &SightBody{
		Says: words.Sight(&s), Winters: speaker.Winters(&s), From: s.From, To: s.To, SummerSolstice: s.SummerSolstice, WinterSolstice: s.MidWinter,
		ApplesFrom: dayOrNil(s.ApplesFrom), ApplesTo: dayOrNil(s.ApplesTo), PeachFrom: dayOrNil(s.PeachFrom), PeachTo: dayOrNil(s.PeachTo),
		LastFrost: dayOrNil(s.LastFrost), FirstFrost: dayOrNil(s.FirstFrost), BudSwell: dayOrNil(s.Budswell), LeafFall: dayOrNil(s.Leaffall),
	}, nil
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

// ImportArchive adds the orchards of an archive.
func ImportArchive(ctx context.Context, s *store.Store, raw []byte) ([]string, error) {
	a, err := exchange.ReadArchive(bytes.NewReader(raw))
	if err != nil {
		return nil, err
	}
	return exchange.Import(ctx, s, a)
}
