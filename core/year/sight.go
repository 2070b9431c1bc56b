package year

import (
	"vertumna/core/almanac"
	"vertumna/core/pomology"
)

// Sight is what a grower sees of a place's year: dates that anyone who gardens there knows, to hold against what they remember. Days are
// medians of the simulated years; NoDay where it does not come to it.
type Sight struct {
	Season                    int
	ApplesFrom, ApplesTo      almanac.Day // middle apples are picked
	PeachFrom, PeachTo        almanac.Day // peaches flower
	LastFrost, FirstFrost     almanac.Day // every other year
	FreeDays                  int         // between the two; 365 where there is no frost
	ColdNightC                float64     // the coldest of ten winters, about
	Unripe                    []string    // kinds that do not ripen in most years
	Budswell, Leaffall        almanac.Day // of a middle apple: when its year begins and ends
	From, To                  almanac.Day // of the rail
	SummerSolstice, MidWinter almanac.Day
}

// coldNights is how far below the mean night of the coldest month the coldest night of ten winters falls, C: two and a bit of the usual
// spread of nights, 4.5 C; our estimate.
const coldNights = 10

// SightOf tells what a grower sees of a place in a season of it.
func SightOf(p Place, e *almanac.Ensemble) (Sight, error) {
	season, south := e.Season, p.Site.South()
	out := Sight{
		Season: season, ColdNightC: p.Climate.ColdestMonthTmin - coldNights, FreeDays: 365, Unripe: []string{},
		ApplesFrom: almanac.NoDay, ApplesTo: almanac.NoDay, PeachFrom: almanac.NoDay, PeachTo: almanac.NoDay, LastFrost: almanac.NoDay, FirstFrost: almanac.NoDay,
	}
	out.From, out.To = Rail(season, south)
	for _, k := range pomology.Kinds() {
		spans, err := e.Stages(almanac.StageRequest{Kind: k, LeafFallBefore: almanac.NoDay})
		if err != nil {
			return out, err
		}
		ripe := spans.Spans[almanac.HarvestStart].Median
		if !ripe.Known() {
			out.Unripe = append(out.Unripe, k.Name)
		}
		switch k.Slug {
		case "apple":
			out.ApplesFrom, out.ApplesTo = ripe, shift(ripe, k.Year.HarvestDays)
			out.Budswell, out.Leaffall = spans.Spans[almanac.BudSwell].Median, spans.Spans[almanac.LeafFall].Median
		case "peach":
			out.PeachFrom, out.PeachTo = spans.Spans[almanac.FirstBloom].Median, spans.Spans[almanac.PetalFall].Median
		}
	}
	if f := p.Frost.LastSpring50; f != nil {
		out.LastFrost = f.In(season)
	}
	if f := p.Frost.FirstAutumn50; f != nil {
		out.FirstFrost = f.In(season)
		if south && out.LastFrost.Known() && out.FirstFrost < out.LastFrost {
			out.FirstFrost = f.In(season + 1)
		}
	}
	if out.LastFrost.Known() && out.FirstFrost.Known() {
		out.FreeDays = int(out.FirstFrost - out.LastFrost)
	}
	var err error
	out.SummerSolstice, out.MidWinter, err = Solstices(p.Site, season)
	return out, err
}
