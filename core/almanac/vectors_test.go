package almanac_test

import (
	"encoding/json"
	"errors"
	"fmt"
	"math"
	"os"
	"path/filepath"
	"strconv"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/core/pomology"
)

// vectorFile is one file of reference vectors; see almanac.md#0-conventions.
type vectorFile struct {
	Tolerance map[string]float64         `json:"tolerance"`
	Sites     map[string]json.RawMessage `json:"sites"`
	Series    map[string]struct {
		Lat   float64     `json:"lat"`
		First almanac.Day `json:"first"`
		Tmin  []float64   `json:"tmin"`
		Tmax  []float64   `json:"tmax"`
	} `json:"series"`
	Cases []struct {
		ID   string          `json:"id"`
		Fn   string          `json:"fn"`
		In   json.RawMessage `json:"in"`
		Want any             `json:"want"`
	} `json:"cases"`
}

// TestVectorsAlmanac reads every file of the cases folder when VERTUMNA_CASES names one, else the copies in testdata.
func TestVectorsAlmanac(t *testing.T) {
	dir := "testdata"
	if cases := os.Getenv("VERTUMNA_CASES"); cases != "" {
		dir = filepath.Join(cases, "almanac")
	}
	files, err := filepath.Glob(filepath.Join(dir, "*.json"))
	require.NoError(t, err)
	require.NotEmpty(t, files)
	for _, file := range files {
		t.Run(filepath.Base(file), func(t *testing.T) {
			text, err := os.ReadFile(file)
			require.NoError(t, err)
			var f vectorFile
			require.NoError(t, json.Unmarshal(text, &f))
			require.NotEmpty(t, f.Cases)
			for _, c := range f.Cases {
				t.Run(c.ID, func(t *testing.T) {
					run, ok := vectorFuncs[c.Fn]
					require.True(t, ok, "no function %q", c.Fn)
					got, err := run(&f, c.In)
					if err != nil {
						var e given.Fault
						require.True(t, errors.As(err, &e), "%v", err)
						require.NotEmpty(t, e.Field)
						require.NotEmpty(t, e.Expected)
						got = map[string]any{"error": e.Code}
					}
					compare(t, f.Tolerance, "", plain(t, got), c.Want)
				})
			}
		})
	}
}

// plain turns a result into what JSON would give, NaN and unknown days into null.
func plain(t *testing.T, v any) any {
	t.Helper()
	text, err := json.Marshal(v)
	require.NoError(t, err)
	var out any
	require.NoError(t, json.Unmarshal(text, &out))
	return out
}

func compare(t *testing.T, tol map[string]float64, field string, got, want any) {
	t.Helper()
	switch w := want.(type) {
	case map[string]any:
		g, ok := got.(map[string]any)
		require.True(t, ok, "%s: got %v", field, got)
		for k, v := range w {
			compare(t, tol, k, g[k], v)
		}
	case []any:
		g, ok := got.([]any)
		require.True(t, ok, "%s: got %v", field, got)
		require.Len(t, g, len(w), field)
		for i := range w {
			compare(t, tol, field, g[i], w[i])
		}
	case float64:
		g, ok := got.(float64)
		require.True(t, ok, "%s: got %v, want %v", field, got, w)
		d, named := tol[field]
		if !named {
			d = tol["default"]
		}
		require.InDelta(t, w, g, d+1e-12, field)
	default:
		require.Equal(t, want, got, field)
	}
}

type fields map[string]any

func decode[T any](in json.RawMessage) (T, error) {
	var v T
	err := json.Unmarshal(in, &v)
	return v, err
}

func num(v *float64) float64 {
	if v == nil {
		return math.NaN()
	}
	return *v
}

func orNull(v float64) any {
	if math.IsNaN(v) {
		return nil
	}
	return v
}

func dayOrNull(d almanac.Day) any {
	if !d.Known() {
		return nil
	}
	return d
}

func siteOf(raw json.RawMessage) (*almanac.Site, error) {
	s := &almanac.Site{Lat: math.NaN(), Lon: math.NaN()}
	return s, json.Unmarshal(raw, s)
}

type tempIn struct {
	Date       almanac.Day
	Tmin, Tmax *float64
}

func tempDays(in []tempIn) []almanac.TempDay {
	out := make([]almanac.TempDay, len(in))
	for i, d := range in {
		out[i] = almanac.TempDay{Date: d.Date, Tmin: num(d.Tmin), Tmax: num(d.Tmax)}
	}
	return out
}

func runOf(first almanac.Day, tmin, tmax []float64) []almanac.TempDay {
	out := make([]almanac.TempDay, len(tmin))
	for i := range tmin {
		out[i] = almanac.TempDay{Date: first + almanac.Day(i), Tmin: tmin[i], Tmax: tmax[i]}
	}
	return out
}

func chillFields(hours []float64) fields {
	c := almanac.ChillOf(hours)
	return fields{"chill_hours": c.Hours, "chill_units": c.Units, "portions": c.Portions}
}

type vectorFunc = func(f *vectorFile, in json.RawMessage) (any, error)

// withSite decodes the arguments most weather functions share.
func withSite(run func(s *almanac.Site, a siteArgs) (any, error)) vectorFunc {
	return func(f *vectorFile, in json.RawMessage) (any, error) {
		a, err := decode[siteArgs](in)
		if err != nil {
			return nil, err
		}
		s, err := siteOf(f.Sites[a.Site])
		if err != nil {
			return nil, err
		}
		return run(s, a)
	}
}

type siteArgs struct {
	Site                                           string
	Seed                                           string
	Date, First, Last, Issued, End                 almanac.Day
	KnownFirst                                     almanac.Day `json:"known_first"`
	KnownLast                                      almanac.Day `json:"known_last"`
	Year, Season                                   int
	Species, Chill, Bloom, Harvest, LeafFallBefore string
}

func (a siteArgs) seed() uint64 {
	v, _ := strconv.ParseUint(a.Seed, 10, 64)
	return v
}

var vectorFuncs map[string]vectorFunc

func init() {
	vectorFuncs = map[string]vectorFunc{
		"sun_day": func(_ *vectorFile, in json.RawMessage) (any, error) {
			a, err := decode[struct {
				Date     almanac.Day
				Lat, Lon float64
			}](in)
			if err != nil {
				return nil, err
			}
			s, err := almanac.SunOn(a.Date, a.Lat, a.Lon)
			return fields{
				"noon_utc_min": s.NoonUTCMin, "sunrise_utc_min": s.SunriseUTCMin, "sunset_utc_min": s.SunsetUTCMin,
				"day_length_min": s.DayLengthMin, "decl_deg": s.DeclDeg, "eot_min": s.EotMin, "polar": s.Polar,
			}, err
		},
		"sun_position": func(_ *vectorFile, in json.RawMessage) (any, error) {
			a, err := decode[struct {
				Date     almanac.Day
				Minute   float64 `json:"minute_utc"`
				Lat, Lon float64
			}](in)
			if err != nil {
				return nil, err
			}
			s, err := almanac.SunAt(a.Date, a.Minute, a.Lat, a.Lon)
			return fields{"elev_deg": s.ElevDeg, "azim_deg": s.AzimDeg, "hour_angle_deg": s.HourAngleDeg, "decl_deg": s.DeclDeg, "eot_min": s.EotMin}, err
		},
		"season_instants": func(_ *vectorFile, in json.RawMessage) (any, error) {
			a, err := decode[struct{ Year int }](in)
			if err != nil {
				return nil, err
			}
			s, err := almanac.SeasonsOf(a.Year)
			return fields{"march": instant(s.March), "june": instant(s.June), "september": instant(s.September), "december": instant(s.December)}, err
		},
		"normals_day": withSite(func(s *almanac.Site, a siteArgs) (any, error) {
			n, err := almanac.NormalsOn(s, a.Date)
			return fields{"mean": n.Mean, "range": n.Range, "sd": n.Sd, "wet": n.Wet, "mm": n.MM, "wind": n.Wind, "sun": n.Sun, "tmin": n.Tmin, "tmax": n.Tmax}, err
		}),
		"frost_dates": withSite(func(s *almanac.Site, _ siteArgs) (any, error) {
			f, err := almanac.FrostDatesOf(s)
			text := func(m *almanac.MonthDay) any {
				if m == nil {
					return nil
				}
				return m.String()
			}
			return fields{
				"last_spring_50": text(f.LastSpring50), "last_spring_10": text(f.LastSpring10),
				"first_autumn_50": text(f.FirstAutumn50), "first_autumn_10": text(f.FirstAutumn10),
			}, err
		}),
		"classify": withSite(func(s *almanac.Site, _ siteArgs) (any, error) {
			c, err := almanac.Classify(s)
			return fields{
				"wet_dormancy": c.WetDormancy, "wetness": c.Wetness, "coldest_month": c.ColdestMonth,
				"coldest_month_tmin": c.ColdestMonthTmin, "cold": c.Cold, "stone_cut": c.StoneCut,
			}, err
		}),
		"check_normals": func(_ *vectorFile, in json.RawMessage) (any, error) {
			a, err := decode[struct{ Normals json.RawMessage }](in)
			if err != nil {
				return nil, err
			}
			s, err := siteOf(a.Normals)
			if err != nil {
				return nil, err
			}
			return fields{}, s.Check()
		},
		"prng": func(_ *vectorFile, in json.RawMessage) (any, error) {
			a, err := decode[struct {
				Seed                string
				Day, Channel, Count int
			}](in)
			if err != nil {
				return nil, err
			}
			s := almanac.NewStream(siteArgs{Seed: a.Seed}.seed(), almanac.Day(a.Day), a.Channel)
			raw := make([]string, a.Count)
			for i := range raw {
				raw[i] = strconv.FormatUint(s.Next(), 10)
			}
			return fields{"raw": raw}, nil
		},
		"variates": func(_ *vectorFile, in json.RawMessage) (any, error) {
			a, err := decode[struct {
				Seed string
				Day  int
			}](in)
			if err != nil {
				return nil, err
			}
			on := func(c int) *almanac.Stream {
				return almanac.NewStream(siteArgs{Seed: a.Seed}.seed(), almanac.Day(a.Day), c)
			}
			nine := func(x float64) float64 { return math.Round(x*1e9) / 1e9 } // the vectors hold nine decimals
			return fields{"u": nine(on(0).U()), "z": nine(on(2).Z()), "e": nine(on(1).E())}, nil
		},
		"site_seed": func(_ *vectorFile, in json.RawMessage) (any, error) {
			a, err := decode[struct{ Slug string }](in)
			return fields{"seed": strconv.FormatUint(almanac.SiteSeed(a.Slug), 10)}, err
		},
		"weather": withSite(func(s *almanac.Site, a siteArgs) (any, error) {
			days, err := almanac.Weather(s, a.seed(), a.First, a.Last)
			rows := [][]any{}
			for _, d := range days {
				rows = append(rows, []any{d.Date, d.Tmin, d.Tmax, d.RainMM, d.GustKm})
			}
			return fields{"columns": []string{"date", "tmin", "tmax", "rain_mm", "gust_kmh"}, "rows": rows}, err
		}),
		"weather_year_sums": withSite(yearSums),
		"forecast": withSite(func(s *almanac.Site, a siteArgs) (any, error) {
			days, err := almanac.ForecastFrom(s, a.seed(), a.Issued)
			rows := [][]any{}
			for _, d := range days {
				rows = append(rows, []any{d.Date, d.Lead, d.Tmin, d.Tmax, d.RainMM, d.Pop, d.GustKmh})
			}
			return fields{"columns": []string{"date", "lead", "tmin", "tmax", "rain_mm", "pop", "gust_kmh"}, "rows": rows}, err
		}),
		"hourly": func(_ *vectorFile, in json.RawMessage) (any, error) {
			a, err := decode[struct {
				Lat  float64
				Days []tempIn
			}](in)
			if err != nil {
				return nil, err
			}
			h, err := almanac.Hourly(a.Lat, tempDays(a.Days))
			byDay := [][]float64{}
			for i := 0; i < len(h.Hours); i += 24 {
				byDay = append(byDay, h.Hours[i:i+24])
			}
			return fields{"hours": byDay}, err
		},
		"chill": func(_ *vectorFile, in json.RawMessage) (any, error) {
			a, err := decode[struct{ Hours []float64 }](in)
			return chillFields(a.Hours), err
		},
		"chill_days": func(_ *vectorFile, in json.RawMessage) (any, error) {
			a, err := decode[struct {
				Lat        float64
				First      almanac.Day
				Tmin, Tmax []float64
			}](in)
			if err != nil {
				return nil, err
			}
			h, err := almanac.Hourly(a.Lat, runOf(a.First, a.Tmin, a.Tmax))
			return chillFields(h.Hours), err
		},
		"gdh": func(_ *vectorFile, in json.RawMessage) (any, error) {
			a, err := decode[struct{ Hours []float64 }](in)
			sum := 0.0
			for _, h := range a.Hours {
				sum += almanac.GDH(h)
			}
			return fields{"gdh": sum}, err
		},
		"gdd": func(_ *vectorFile, in json.RawMessage) (any, error) {
			a, err := decode[struct {
				Cap        *float64
				Tmin, Tmax []float64
			}](in)
			limit := math.Inf(1)
			if a.Cap != nil {
				limit = *a.Cap
			}
			sum := 0.0
			for i := range a.Tmin {
				sum += almanac.DegreeDays(a.Tmin[i], a.Tmax[i], limit)
			}
			return fields{"gdd": sum}, err
		},
		"stages":       stagesVector,
		"learn_offset": learnVector,
		"ensemble":     withSite(ensembleVector),
		"kill_temps": func(_ *vectorFile, in json.RawMessage) (any, error) {
			a, err := decode[struct {
				Species, Key string
				Share        float64
			}](in)
			if err != nil {
				return nil, err
			}
			t10, t90, err := almanac.KillTemps(a.Species, a.Key, a.Share)
			return fields{"t10": t10, "t90": t90}, err
		},
		"frost_kill": func(_ *vectorFile, in json.RawMessage) (any, error) {
			a, err := decode[struct {
				Species string
				Nights  []almanac.FrostNight
			}](in)
			if err != nil {
				return nil, err
			}
			f, err := almanac.FrostKill(a.Species, a.Nights)
			return fields{"killed": f.Killed, "alive": f.Alive}, err
		},
		"frost_key": func(_ *vectorFile, in json.RawMessage) (any, error) {
			a, err := decode[struct {
				Stages map[almanac.Stage]*almanac.Day
				Date   almanac.Day
			}](in)
			if err != nil {
				return nil, err
			}
			d := datesOf(a.Stages)
			key, share, ok := almanac.FrostKey(d, a.Date)
			if !ok {
				return fields{"key": nil, "share": nil}, nil
			}
			return fields{"key": key, "share": share}, nil
		},
		"fit_days": func(_ *vectorFile, in json.RawMessage) (any, error) {
			a, err := decode[struct {
				Purpose almanac.Purpose
				Days    []struct {
					Date    almanac.Day
					Tmin    *float64
					Tmax    *float64
					RainMM  *float64 `json:"rain_mm"`
					Pop     *float64
					GustKmh *float64 `json:"gust_kmh"`
				}
			}](in)
			if err != nil {
				return nil, err
			}
			days := make([]almanac.ForecastDay, len(a.Days))
			for i, d := range a.Days {
				days[i] = almanac.ForecastDay{Date: d.Date, Tmin: num(d.Tmin), Tmax: num(d.Tmax), RainMM: num(d.RainMM), Pop: num(d.Pop), GustKmh: num(d.GustKmh)}
			}
			fit, err := almanac.FitDays(a.Purpose, days)
			out := []fields{}
			for _, f := range fit {
				var why any
				if !f.Fit {
					why = f.Why
				}
				out = append(out, fields{"date": f.Date, "fit": f.Fit, "why": why})
			}
			return fields{"days": out}, err
		},
	}
}

func datesOf(in map[almanac.Stage]*almanac.Day) almanac.Dates {
	var d almanac.Dates
	for i := range d {
		d[i] = almanac.NoDay
	}
	for s, v := range in {
		if v != nil {
			d[s] = *v
		}
	}
	return d
}

func yearSums(s *almanac.Site, a siteArgs) (any, error) {
	days, err := almanac.Weather(s, a.seed(), almanac.DateOf(a.Year, 1, 1), almanac.DateOf(a.Year, 12, 31))
	if err != nil {
		return nil, err
	}
	tenths := func(x float64) int { return int(math.Round(x * 10)) }
	var tmin, tmax, rain, gust, wet int
	maxGust, minTmin := math.Inf(-1), math.Inf(1)
	for _, d := range days {
		tmin, tmax, rain, gust = tmin+tenths(d.Tmin), tmax+tenths(d.Tmax), rain+tenths(d.RainMM), gust+tenths(d.GustKm)
		if d.RainMM > 0 {
			wet++
		}
		maxGust, minTmin = math.Max(maxGust, d.GustKm), math.Min(minTmin, d.Tmin)
	}
	return fields{
		"days": len(days), "tmin_tenths": tmin, "tmax_tenths": tmax, "rain_tenths": rain, "gust_tenths": gust,
		"wet_days": wet, "max_gust": maxGust, "min_tmin": minTmin,
	}, nil
}

func kindFor(slug string) (*pomology.Kind, error) {
	k, err := pomology.BySlug(slug)
	if err != nil {
		return nil, given.Fault{Code: "unknown_species", Field: "species", Given: slug, Expected: "a kind"}
	}
	return k, nil
}

func stagesVector(f *vectorFile, in json.RawMessage) (any, error) {
	a, err := decode[struct {
		Series, Species, Chill, Bloom, Harvest string
		Season                                 int
		Observed                               []almanac.Observation
		LeafFallBefore                         *almanac.Day `json:"leaf_fall_before"`
		OffsetSpring                           float64      `json:"offset_spring"`
		OffsetFruit                            float64      `json:"offset_fruit"`
	}](in)
	if err != nil {
		return nil, err
	}
	series, ok := f.Series[a.Series]
	if !ok {
		return nil, fmt.Errorf("no series %q", a.Series)
	}
	k, err := kindFor(a.Species)
	if err != nil {
		return nil, err
	}
	r := almanac.StageRequest{
		Kind: k, Season: a.Season, ChillClass: a.Chill, BloomClass: a.Bloom, HarvestClass: a.Harvest,
		Observed: a.Observed, OffsetSpring: a.OffsetSpring, OffsetFruit: a.OffsetFruit, LeafFallBefore: almanac.NoDay,
	}
	if a.LeafFallBefore != nil {
		r.LeafFallBefore = *a.LeafFallBefore
	}
	res, err := almanac.StagesOf(series.Lat, runOf(series.First, series.Tmin, series.Tmax), r)
	if err != nil {
		return nil, err
	}
	stages := fields{}
	for _, s := range almanac.AllStages() {
		stages[s.String()] = dayOrNull(res.Dates[s])
	}
	return fields{
		"chill_status": res.ChillStatus, "leaf_fall_before": dayOrNull(res.LeafFallBefore), "chill_start": res.ChillStart,
		"chill_met": dayOrNull(res.ChillMet), "portions_at_met": orNull(res.PortionsAtMet), "stages": stages,
	}, nil
}

func learnVector(_ *vectorFile, in json.RawMessage) (any, error) {
	a, err := decode[struct {
		History []struct {
			Season   int
			DaysLate float64 `json:"days_late"`
		}
	}](in)
	if err != nil {
		return nil, err
	}
	history := make([]almanac.SeasonLate, len(a.History))
	for i, h := range a.History {
		history[i] = almanac.SeasonLate{Season: h.Season, DaysLate: h.DaysLate}
	}
	offset, err := almanac.LearnOffset(history)
	return fields{"offset": offset}, err
}

func ensembleVector(s *almanac.Site, a siteArgs) (any, error) {
	k, err := kindFor(a.Species)
	if err != nil {
		return nil, err
	}
	known, err := almanac.Weather(s, a.seed(), a.KnownFirst, a.KnownLast)
	if err != nil {
		return nil, err
	}
	e, err := almanac.NewEnsembleTo(s, a.seed(), almanac.Temps(known), a.Season, a.End)
	if err != nil {
		return nil, err
	}
	got, err := e.Stages(almanac.StageRequest{Kind: k, ChillClass: a.Chill, BloomClass: a.Bloom, HarvestClass: a.Harvest, LeafFallBefore: almanac.NoDay})
	out := fields{}
	for _, st := range almanac.AllStages() {
		sp := got.Spans[st]
		out[st.String()] = fields{"early": dayOrNull(sp.Early), "median": dayOrNull(sp.Median), "late": dayOrNull(sp.Late)}
	}
	return out, err
}

// instant writes a minute as the vectors have it.
func instant(m almanac.Minute) string {
	const dayMinutes = 24 * 60
	min := int(m) - int(m.Day(0))*dayMinutes
	return fmt.Sprintf("%sT%02d:%02dZ", m.Day(0), min/60, min%60)
}
