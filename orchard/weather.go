package orchard

import (
	"context"
	"fmt"
	"hash/fnv"
	"math"
	"slices"

	"vertumna/core/almanac"
	"vertumna/core/year"
	"vertumna/store"
	"vertumna/weather"
	"vertumna/words"
)

// Station tells the weather of a place: package weather's client, or one for tests.
type Station interface {
	Days(ctx context.Context, p weather.Place, from, to almanac.Day) ([]weather.Day, error)
	Forecast(ctx context.Context, p weather.Place, today almanac.Day) ([]weather.Day, error)
}

// How far back a station is asked: so many seasons before the one of today.
const seasonsBack = 2

// rereadDays are asked for again each time: stations correct their last days.
const rereadDays = 7

// UpdateWeather asks a station for what is not known yet of every orchard with a place, and for the forecast. What fails of one orchard is
// noted with it and logged, and does not hold up the others; what was known stays.
func (k *Keeper) UpdateWeather(ctx context.Context, st Station) error {
	all, err := k.store.Orchards(ctx)
	if err != nil {
		return err
	}
	for i := range all {
		o := &all[i]
		if o.Site == nil {
			continue
		}
		if err := k.updateWeather(ctx, st, o); err != nil {
			if ctx.Err() != nil {
				return ctx.Err()
			}
			k.log.Warn("no weather", "orchard", o.Slug, "cause", err.Error())
			if err := k.store.NoForecast(ctx, o.ID, err.Error()); err != nil {
				return err
			}
		}
	}
	return nil
}

func (k *Keeper) updateWeather(ctx context.Context, st Station, o *store.Orchard) error {
	sky, err := k.store.Sky(ctx, o.ID)
	if err != nil {
		return err
	}
	s := o.Site
	place := weather.Place{Lat: s.Lat, Lon: s.Lon, ElevM: s.ElevM}
	today := k.today()
	from := almanac.SeasonStart(year.SeasonOf(today, s.South())-seasonsBack, s.South())
	for _, d := range sky.Days {
		if d.Source == store.FromStation {
			from = max(from, d.Date+1-rereadDays)
		}
	}
	days, err := st.Days(ctx, place, from, today-1)
	if err != nil {
		return err
	}
	next, err := st.Forecast(ctx, place, today)
	if err != nil {
		return err
	}
	for _, part := range [][]weather.Day{days, next} {
		var temps []almanac.TempDay
		for _, d := range part {
			temps = append(temps, d.Temp())
		}
		if err := almanac.LikelyAt(s, temps); err != nil {
			return err
		}
	}
	var known []store.KnownDay
	for _, d := range days {
		known = append(known, store.KnownDay{Date: d.Date, Tmin: d.Tmin, Tmax: d.Tmax, RainMM: d.RainMM, GustKmh: d.GustKmh})
	}
	if _, err := k.store.SaveDays(ctx, o.ID, store.FromStation, known); err != nil {
		return err
	}
	forecast := []almanac.ForecastDay{}
	for i, d := range next {
		forecast = append(forecast, almanac.ForecastDay{Date: d.Date, Lead: i, Tmin: d.Tmin, Tmax: d.Tmax, RainMM: d.RainMM, Pop: d.Pop, GustKmh: d.GustKmh})
	}
	return k.store.SaveForecast(ctx, o.ID, forecast)
}

// knownTemps are the days of a season that are known, the forecast next; empty where too little is known.
func knownTemps(sky *store.Sky, s *almanac.Site, season int, today almanac.Day) (days []almanac.TempDay, filled int) {
	if sky == nil {
		return nil, 0
	}
	var told []almanac.TempDay
	for _, d := range sky.Days {
		if d.Date <= today {
			told = append(told, d.Temp())
		}
	}
	for _, f := range sky.Forecast {
		if n := len(told); f.Date >= today && (n == 0 || f.Date > told[n-1].Date) { // a day that was is no forecast any more
			told = append(told, almanac.TempDay{Date: f.Date, Tmin: f.Tmin, Tmax: f.Tmax})
		}
	}
	return almanac.KnownSeason(s, season, told)
}

// inDays is a fingerprint of known days.
func inDays(days []almanac.TempDay) uint64 {
	h := fnv.New64a()
	for _, d := range days {
		_, _ = fmt.Fprintf(h, "%d %.1f %.1f;", d.Date, d.Tmin, d.Tmax)
	}
	return h.Sum64()
}

// SkyBody is the weather of an orchard: the days just past and the fortnight ahead, with what they are fit for.
type SkyBody struct {
	Day     almanac.Day  `json:"day"`
	Says    string       `json:"says" doc:"on what this stands"`
	Trouble string       `json:"trouble,omitempty"`
	Differs string       `json:"differs,omitempty" doc:"what the plot's own thermometer taught"`
	Got     string       `json:"got,omitempty" doc:"when the station last answered well"`
	Fits    []FitRowBody `json:"fits" nullable:"false" doc:"for which work which days are fit; absent kinds of work are not due"`
	Days    []SkyDayBody `json:"days" nullable:"false"`
	Notices []string     `json:"notices" nullable:"false" doc:"what the weather asks for"`
}

// SkyDayBody is a day: as it was, or as it is forecast.
type SkyDayBody struct {
	Date    almanac.Day `json:"date"`
	Past    bool        `json:"past"`
	Source  string      `json:"source" enum:"station,file,own,forecast"`
	TminC   float64     `json:"tmin_c"`
	TmaxC   float64     `json:"tmax_c"`
	RainMM  float64     `json:"rain_mm"`
	Pop     float64     `json:"pop" doc:"chance of rain, 0..1"`
	GustKmh float64     `json:"gust_kmh"`
}

// FitRowBody is a kind of work with the days that are fit for it.
type FitRowBody struct {
	Purpose almanac.Purpose `json:"purpose" enum:"winter_pome,winter_stone,bud_cut,summer_pome,summer_stone,thinning"`
	Name    string          `json:"name"`
	Days    []FitBody       `json:"days" nullable:"false"`
	Next    string          `json:"next" doc:"in words: the first fit day, and why it waits till then"`
}

// FitBody is a day of the forecast for a kind of work.
type FitBody struct {
	Date almanac.Day `json:"date"`
	Fit  bool        `json:"fit"`
	Why  string      `json:"why,omitempty" doc:"in words, where it is not"`
}

const pastShown = 7

// Sky is the weather of an orchard about today, and what its days are fit for.
func (k *Keeper) Sky(ctx context.Context, slug string) (*SkyBody, error) {
	p, err := k.Plan(ctx, slug, k.today())
	if err != nil {
		return nil, err
	}
	sky, err := k.store.Sky(ctx, p.Contents.Orchard.ID) // a station that fell silent changes no plan, and is told all the same
	if err != nil {
		return nil, err
	}
	sky, differ := onThePlot(sky)
	today := k.today()
	out := &SkyBody{Day: today, Differs: p.Speaker.Differs(differ), Trouble: sky.Trouble, Got: sky.Got, Fits: []FitRowBody{}, Days: []SkyDayBody{}, Notices: []string{}}
	for _, d := range sky.Days {
		if d.Date >= today-pastShown && d.Date < today {
			out.Days = append(out.Days, SkyDayBody{Date: d.Date, Past: true, Source: d.Source, TminC: d.Tmin, TmaxC: d.Tmax, RainMM: d.RainMM, Pop: wet(d.RainMM), GustKmh: d.GustKmh})
		}
	}
	ahead := slices.DeleteFunc(slices.Clone(sky.Forecast), func(f almanac.ForecastDay) bool { return f.Date < today })
	for _, f := range ahead {
		out.Days = append(out.Days, SkyDayBody{Date: f.Date, Source: "forecast", TminC: f.Tmin, TmaxC: f.Tmax, RainMM: f.RainMM, Pop: f.Pop, GustKmh: f.GustKmh})
	}
	out.Says = p.Speaker.StandsOn(len(sky.Days), len(ahead), sky.Got != "" && sky.Trouble != "")
	if len(ahead) == 0 {
		return out, nil
	}
	for _, purpose := range purposesOf(p) {
		fits, err := almanac.FitDays(purpose, ahead)
		if err != nil {
			return nil, err
		}
		row := FitRowBody{Purpose: purpose, Name: words.WorkOf(purpose), Days: []FitBody{}}
		for _, f := range fits {
			row.Days = append(row.Days, FitBody{f.Date, f.Fit, words.WhyUnfit(f.Why)})
		}
		row.Next = p.Speaker.NextFit(purpose, fits)
		out.Fits = append(out.Fits, row)
	}
	out.Notices = append(out.Notices, p.notices(ahead)...)
	return out, nil
}

func wet(mm float64) float64 {
	if mm > 0 {
		return 1
	}
	return 0
}

// purposesOf are the kinds of work that are open in the fortnight ahead, in the order of their table.
func purposesOf(p *Planned) []almanac.Purpose {
	open := map[almanac.Purpose]bool{}
	for _, list := range [][]year.Task{p.Docket.Now, p.Docket.Closing, p.Docket.Opening, p.Docket.Anytime} {
		for i := range list {
			t := &list[i]
			tp := p.treeShown(t.Tree)
			if tp == nil || t.Window.Opens.Day > p.Shown.Shown+almanac.ForecastLeads || t.Window.Closes.Day < p.Shown.Shown {
				continue
			}
			if purpose, ok := year.PurposeOf(t, tp.Tree); ok {
				open[purpose] = true
			}
		}
	}
	var out []almanac.Purpose
	for _, purpose := range []almanac.Purpose{almanac.WinterPome, almanac.WinterStone, almanac.BudCut, almanac.SummerPome, almanac.SummerStone, almanac.Thinning} {
		if open[purpose] {
			out = append(out, purpose)
		}
	}
	return out
}

// Gusts and frosts that ask for something, km/h and C.
const (
	stormKmh   = 75 // a storm moves stakes, ties and props; our own estimate
	nearNights = 3  // nights ahead that a frost notice looks
	hotC       = 33 // bared bark scalds and wood is brittle (almanac.md#i-days-fit-for-cutting)
	nearDays   = 5
)

// notices are what the fortnight asks for: a frost on open blossom, a storm on what is tied.
func (p *Planned) notices(ahead []almanac.ForecastDay) []string {
	var out []string
	for _, f := range ahead[:min(len(ahead), nearNights)] {
		if says := p.frostNotice(f); says != "" {
			out = append(out, says)
			break
		}
	}
	for _, f := range ahead {
		if f.GustKmh >= stormKmh {
			out = append(out, p.Speaker.Storm(f.Date, f.GustKmh))
			break
		}
	}
	for _, f := range ahead[:min(len(ahead), nearDays)] {
		if f.Tmax > hotC {
			out = append(out, p.Speaker.Heat(f.Date, f.Tmax))
			break
		}
	}
	return out
}

// frostNotice tells of a night that kills blossom or young fruit on some trees; empty for none.
func (p *Planned) frostNotice(f almanac.ForecastDay) string {
	var codes []string
	worst := 0.0
	for i := range p.Shown.Trees {
		tp := &p.Shown.Trees[i]
		if !tp.FrostHurts(f.Date, f.Tmin) {
			continue
		}
		codes = append(codes, tp.Tree.Code)
		worst = math.Min(worst, f.Tmin)
	}
	if len(codes) == 0 {
		return ""
	}
	return p.Speaker.FrostNight(f.Date, worst, codes)
}

// weatherOn is what is known of a day, for an entry that says nothing of it; nil for nothing.
func weatherOn(sky *store.Sky, day almanac.Day) *store.Weather {
	if sky == nil {
		return nil
	}
	i, ok := slices.BinarySearchFunc(sky.Days, day, func(d store.KnownDay, on almanac.Day) int { return int(d.Date - on) })
	if !ok {
		return nil
	}
	d := sky.Days[i]
	return &store.Weather{TminC: &d.Tmin, TmaxC: &d.Tmax, RainMM: &d.RainMM, Source: d.Source}
}

// waitsForWeather says of a job that is due that the day shown is not fit for it, and which it is set for; empty where it is fit, or no
// forecast begins on that day.
func (p *Planned) waitsForWeather(t *year.Task) string {
	tp := p.treeShown(t.Tree)
	if tp == nil || p.Contents.Sky == nil || t.Group != year.DoNow && t.Group != year.ClosingSoon {
		return ""
	}
	purpose, ok := year.PurposeOf(t, tp.Tree)
	ahead := p.Contents.Sky.Forecast
	if !ok || len(ahead) == 0 || ahead[0].Date != p.Shown.Shown {
		return ""
	}
	fits, err := almanac.FitDays(purpose, ahead)
	if err != nil || fits[0].Fit {
		return ""
	}
	if set, _ := p.chosenFor(t); set != nil {
		return p.Speaker.WaitsUntil(fits[0].Why, *set)
	}
	return p.Speaker.NextFit(purpose, fits)
}

// frosts are the nights of frost that the weather tells of, as entries of their own. A night that a person logged counts as they logged it.
func frosts(sky *store.Sky, entries []year.Entry, shown almanac.Day, south bool) []year.Entry {
	if sky == nil {
		return nil
	}
	var nights []almanac.TempDay
	for _, d := range sky.Days {
		nights = append(nights, d.Temp())
	}
	return year.FrostsOf(nights, entries, shown, south)
}
