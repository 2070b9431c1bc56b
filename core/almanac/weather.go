package almanac

import (
	"math"
	"math/bits"
)

// Weather generator: Markov rain and first-order temperatures after Richardson 1981 with the transition rule of Geng et
// al. 1986, on SplitMix64 (Steele, Lea and Flood 2014) and exponentials by comparison (von Neumann 1951). Only + - * /
// and comparisons, each product rounded on its own, so the same seed gives the same bits everywhere.

const golden uint64 = 0x9E3779B97F4A7C15

const (
	mixShift1, mixShift2, mixShift3        = 30, 27, 31
	mixTimes1, mixTimes2            uint64 = 0xBF58476D1CE4E5B9, 0x94D049BB133111EB
	dropBits, mantissaBits                 = 11, 53
	fnvBasis, fnvPrime              uint64 = 0xCBF29CE484222325, 0x100000001B3
)

// Mix is the finaliser of SplitMix64.
func Mix(z uint64) uint64 {
	z = (z ^ z>>mixShift1) * mixTimes1
	z = (z ^ z>>mixShift2) * mixTimes2
	return z ^ z>>mixShift3
}

// Stream is a fresh source of numbers for one seed, day and channel.
type Stream struct{ s uint64 }

// NewStream opens the stream of a seed, day and channel.
func NewStream(seed uint64, day Day, channel int) *Stream {
	return &Stream{Mix(seed ^ Mix(uint64(int64(day))*golden+uint64(channel)))}
}

// SeedStream opens the stream of a seed by itself (SplitMix64; Steele, Lea and Flood 2014).
func SeedStream(seed uint64) *Stream { return &Stream{seed} }

// Next gives the next 64 bits.
func (r *Stream) Next() uint64 {
	r.s += golden
	return Mix(r.s)
}

// U is uniform in [0, 1).
func (r *Stream) U() float64 { return float64(r.Next()>>dropBits) * (1.0 / (1 << mantissaBits)) }

// Uni is uniform in [a, b).
func (r *Stream) Uni(a, b float64) float64 { return a + (b-a)*r.U() }

// Z is near normal: the sum of twelve uniforms less six.
func (r *Stream) Z() float64 {
	sum := r.U()
	for range 12 - 1 {
		sum += r.U()
	}
	return sum - 12/2
}

// E is exponential with mean one.
func (r *Stream) E() float64 {
	k := 0.0
	for {
		first := r.U()
		prev, n := first, 1
		for {
			v := r.U()
			if v > prev {
				break
			}
			prev = v
			n++
		}
		if n%2 == 1 {
			return k + first
		}
		k++
	}
}

// SiteSeed is the default seed of a site: FNV-1a 64 of its slug.
func SiteSeed(slug string) uint64 {
	h := fnvBasis
	for i := range len(slug) {
		_, h = bits.Mul64(h^uint64(slug[i]), fnvPrime)
	}
	return h
}

// WeatherDay is one day of weather.
type WeatherDay struct {
	Date           Day
	Tmin, Tmax     float64
	RainMM, GustKm float64
}

// Temps are the temperatures of some days of weather.
func Temps(days []WeatherDay) []TempDay {
	out := make([]TempDay, len(days))
	for i, d := range days {
		out[i] = TempDay{Date: d.Date, Tmin: d.Tmin, Tmax: d.Tmax}
	}
	return out
}

// Draw channels of the generator.
const (
	chanRain = iota
	chanRainMM
	chanMean
	chanRange
	chanGust
	chanStorm
	chanForecastTemp = 8
	chanForecastRain = 9
)

// Shape of the weather (ours, by the handbook's normals): how much of a day goes on to the next, how rain bears on the
// rest, gusts in shares of the mean wind, storms a day and their km/h.
const (
	rainAlone, rainCarries   = 0.75, 0.25
	meanCarries, rangeMoves  = 0.70, 0.40
	wetNarrows, rangeSpreads = 0.3, 0.25
	rangeLeast, rangeMost    = 0.25, 2.2 // shares of the normal range
	gustBase, gustMore       = 0.9, 0.75
	gustWet, gustMost        = 1.15, 180
	stormsCalm, stormsWild   = 0.005, 0.014
	stormWind                = 12 // km/h of mean wind at which storms come as often as that
	stormBase, stormMore     = 25, 15
	calmFrom, calmTo         = 4, 9 // months, in the north
	blockMonths              = 2    // a year's block begins so many before it
)

// Shape of a forecast (ours): how its errors grow with the days ahead.
const (
	leadError, leadVariance = 0.9, 0.81
	leadRangeDays           = 20
	leadRain                = 0.035
	leadGust                = 1.65 // of the mean wind, where nothing is known
)

type generator struct {
	n     *normals
	seed  uint64
	south bool
	wet   bool
	a, b  float64
}

// step makes one day and carries the state on.
func (g *generator) step(day Day) WeatherDay {
	v := g.n.on(day)
	draw := func(channel int) *Stream { return NewStream(g.seed, day, channel) }
	p := rainAlone * v.Wet
	if g.wet {
		p = rainCarries + p
	}
	g.wet = draw(chanRain).U() < p
	w := WeatherDay{Date: day}
	if g.wet {
		w.RainMM = round1(1 + float64((math.Max(v.MM, 1)-1)*draw(chanRainMM).E()))
	}
	g.a = float64(meanCarries*g.a) + float64(math.Sqrt(1-meanCarries*meanCarries)*draw(chanMean).Z())
	g.b = float64(rangeMoves*g.b) + float64(math.Sqrt(1-rangeMoves*rangeMoves)*draw(chanRange).Z())
	f := 1 + float64(wetNarrows*v.Wet)
	if g.wet {
		f = 1 - float64(wetNarrows*(1-v.Wet))
	}
	r := float64(v.Range*f) * (1 + float64(rangeSpreads*g.b))
	r = math.Max(1, math.Max(rangeLeast*v.Range, math.Min(rangeMost*v.Range, r)))
	m := v.Mean + float64(v.Sd*g.a)
	w.Tmin, w.Tmax = round1(m-r/2), round1(m+r/2)
	gust := v.Wind * (gustBase + float64(gustMore*draw(chanGust).E()))
	if g.wet {
		gust *= gustWet
	}
	_, month, _ := day.Date()
	calmSeason := month >= calmFrom && month <= calmTo
	if g.south {
		calmSeason = !calmSeason
	}
	storms := stormsWild
	if calmSeason {
		storms = stormsCalm
	}
	storm := draw(chanStorm)
	if storm.U() < storms*math.Min(2, v.Wind/stormWind) {
		gust = gust + stormBase + float64(stormMore*storm.E())
	}
	w.GustKm = round1(math.Min(gustMost, gust))
	return w
}

// Weather simulates the days from first to last at a site. Each calendar year is one block that starts dry two months
// before. Errors: bad_year, bad_range and those of Site.Check.
func Weather(s *Site, seed uint64, first, last Day) ([]WeatherDay, error) {
	if err := checkYear(first.Year()); err != nil {
		return nil, err
	}
	if err := checkYear(last.Year()); err != nil {
		return nil, err
	}
	if last < first {
		return nil, refuse("bad_range", "last", last, "a day not before "+first.String())
	}
	if err := s.check(); err != nil {
		return nil, err
	}
	return weather(newNormals(s), s.South(), seed, first, last), nil
}

func weather(n *normals, south bool, seed uint64, first, last Day) []WeatherDay {
	out := make([]WeatherDay, 0, last-first+1)
	for y := first.Year(); y <= last.Year(); y++ {
		g := generator{n: n, seed: seed, south: south}
		end := min(last, DateOf(y+1, 1, 1)-1)
		from := max(first, DateOf(y, 1, 1))
		for d := DateOf(y, 1-blockMonths, 1); d <= end; d++ {
			w := g.step(d)
			if d >= from {
				out = append(out, w)
			}
		}
	}
	return out
}

// ForecastDay is one day of a forecast; Lead 0 is the day it was issued.
type ForecastDay struct {
	Date       Day
	Lead       int
	Tmin, Tmax float64
	RainMM     float64
	Pop        float64 // chance of rain, 0..1
	GustKmh    float64
}

// ForecastLeads is how many days ahead a forecast looks.
const ForecastLeads = 14

// ForecastFrom makes the forecast issued on a day of the simulated weather: its errors shrink as the day nears and never
// jump about (Heath and Jackson 1994). Errors: as Weather.
func ForecastFrom(s *Site, seed uint64, issued Day) ([]ForecastDay, error) {
	truth, err := Weather(s, seed, issued, issued+ForecastLeads)
	if err != nil {
		return nil, err
	}
	n := newNormals(s)
	out := make([]ForecastDay, 0, len(truth))
	for lead, t := range truth {
		v := n.on(t.Date)
		l := float64(lead)
		zs, err := NewStream(seed, t.Date, chanForecastTemp), 0.0
		for range lead {
			err += zs.Z()
		}
		err = leadError * err
		k := v.Sd * v.Sd / (v.Sd*v.Sd + float64(leadVariance*l))
		mean := v.Mean + float64(k*((t.Tmin+t.Tmax)/2+err-v.Mean))
		rng := v.Range + float64((1-l/leadRangeDays)*((t.Tmax-t.Tmin)-v.Range))
		q := leadRain * l
		rs := NewStream(seed, t.Date, chanForecastRain)
		broken := rs.U() < q
		alt := rs.U() < v.Wet
		wet := t.RainMM > 0
		if broken {
			wet = alt
		}
		f := ForecastDay{Date: t.Date, Lead: lead, Tmin: round1(mean - rng/2), Tmax: round1(mean + rng/2)}
		mm := math.Max(v.MM, 1)
		switch {
		case !wet:
		case broken:
			f.RainMM = mm
		default:
			f.RainMM = float64(t.RainMM*(1-q)) + float64(mm*q)
		}
		f.Pop = float64(q * v.Wet)
		if wet {
			f.Pop = (1 - q) + float64(q*v.Wet)
		}
		calm := leadGust * v.Wind
		f.GustKmh = calm
		if !broken {
			f.GustKmh = float64(t.GustKm*(1-q)) + float64(calm*q)
		}
		f.RainMM, f.GustKmh, f.Pop = round1(f.RainMM), round1(f.GustKmh), round2(f.Pop)
		out = append(out, f)
	}
	return out, nil
}
