package orchard_test

import (
	"log/slog"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/orchard"
	"vertumna/words"
)

var places = orchard.NewKeeper(nil, func() almanac.Day { return almanac.DateOf(2027, 2, 20) }, slog.New(slog.DiscardHandler))

// shaped is a place shaped from a climate, told as a grower sees it.
func shaped(t *testing.T, base almanac.Site, change func(p *orchard.PlaceFrom)) orchard.PlaceBody {
	t.Helper()
	p := orchard.PlaceFrom{Base: base, Name: base.Name, Lat: base.Lat, Lon: base.Lon, UTCOffset: base.UTCOffsetMin, Tell: true}
	if change != nil {
		change(&p)
	}
	out, err := places.ShapePlace(p)
	require.NoError(t, err, base.Slug)
	require.NotNil(t, out.Sight, base.Slug)
	return out
}

func said(parts []words.SightPart) string {
	var out strings.Builder
	for _, p := range parts {
		out.WriteString(p.Text)
	}
	return out.String()
}

// What is told of a year stands in the order a grower sees it in, at every climate there is.
func TestTheYearOfEveryClimateIsToldInItsOrder(t *testing.T) {
	frosty, ripening := 0, 0
	for _, c := range almanac.Climates() {
		s := shaped(t, c, nil).Sight
		require.LessOrEqual(t, s.From, s.To, c.Slug)
		require.True(t, s.From <= s.SummerSolstice && s.SummerSolstice <= s.To, "%s: the solstice lies in its year", c.Slug)
		require.Contains(t, said(s.Says), "does that fit?", c.Slug)
		require.NotEmpty(t, s.Winters, c.Slug)
		if s.ApplesFrom != nil {
			ripening++
			require.LessOrEqual(t, *s.ApplesFrom, *s.ApplesTo, c.Slug)
			require.Less(t, *s.BudSwell, *s.ApplesFrom, c.Slug)
		}
		if s.PeachFrom != nil && s.ApplesFrom != nil {
			require.Less(t, *s.PeachFrom, *s.ApplesFrom, c.Slug)
		}
		if s.LastFrost != nil && s.FirstFrost != nil {
			frosty++
			require.Less(t, *s.LastFrost, *s.FirstFrost, "%s: summer lies between the frosts", c.Slug)
		}
	}
	require.Positive(t, frosty)
	require.Positive(t, ripening)
}

func TestAYearSaidToBeLaterOrWarmerMovesWhatIsTold(t *testing.T) {
	moved := 0
	for _, c := range almanac.Climates() {
		usual := shaped(t, c, nil).Sight
		later := shaped(t, c, func(p *orchard.PlaceFrom) { p.LaterDays = 12 }).Sight
		sooner := shaped(t, c, func(p *orchard.PlaceFrom) { p.LaterDays = -12 }).Sight
		if usual.LastFrost != nil && later.LastFrost != nil && sooner.LastFrost != nil {
			moved++
			require.InDelta(t, 12, int(*later.LastFrost-*usual.LastFrost), 8, "%s: the last frost of a later year", c.Slug)
			require.Less(t, *sooner.LastFrost, *usual.LastFrost, c.Slug)
		}
		warm := shaped(t, c, func(p *orchard.PlaceFrom) { p.WarmerC = 2 })
		for m := range c.Tmin {
			require.InDelta(t, c.Tmin[m]+2, warm.Site.Tmin[m], 1e-9, c.Slug)
			require.InDelta(t, c.Tmax[m]+2, warm.Site.Tmax[m], 1e-9, c.Slug)
		}
		if usual.LastFrost != nil && warm.Sight.LastFrost != nil {
			require.LessOrEqual(t, *warm.Sight.LastFrost, *usual.LastFrost, c.Slug)
		}
	}
	require.Greater(t, moved, 3)
}

func TestAPlaceNeverChangesTheClimateItIsShapedFrom(t *testing.T) {
	base := almanac.Climates()[0]
	was := base.Clone()
	high := 900.0
	shaped(t, base, func(p *orchard.PlaceFrom) { p.LaterDays, p.WarmerC, p.ElevM, p.LastSpring = 9, -1, &high, "05-20" })
	require.Equal(t, was, base)
}

func TestAFrostThatIsKnownIsWhatIsTold(t *testing.T) {
	var base almanac.Site
	for _, c := range almanac.Climates() {
		if s := shaped(t, c, nil); s.LastSpring50 != "" && !c.South() {
			base = c
			break
		}
	}
	require.NotEmpty(t, base.Slug)
	usual := shaped(t, base, nil)
	out := shaped(t, base, func(p *orchard.PlaceFrom) { p.LastSpring = "05-15" })
	require.NotZero(t, out.ShiftC, "the temperatures follow")
	known, err := almanac.ParseDay("2027-" + out.LastSpring50)
	require.NoError(t, err)
	require.InDelta(t, float64(almanac.DateOf(2027, 5, 15)), float64(known), 3)
	require.Contains(t, said(out.Sight.Says), "May")
	require.NotEqual(t, usual.LastSpring50, out.LastSpring50)
}

func TestAPlaceThatCannotBeNamesItsField(t *testing.T) {
	base := almanac.Climates()[0]
	for field, change := range map[string]func(p *orchard.PlaceFrom){
		"last_spring_frost":  func(p *orchard.PlaceFrom) { p.LastSpring = "31 May" },
		"first_autumn_frost": func(p *orchard.PlaceFrom) { p.FirstAutumn = "13-01" },
		"table":              func(p *orchard.PlaceFrom) { p.CSV = "a,b\n1,2" },
		"tmin":               func(p *orchard.PlaceFrom) { p.Base.Tmin = p.Base.Tmin[:11] },
	} {
		p := orchard.PlaceFrom{Base: base.Clone(), Name: "Here", Lat: base.Lat, Lon: base.Lon, UTCOffset: base.UTCOffsetMin}
		change(&p)
		_, err := places.ShapePlace(p)
		require.ErrorContains(t, err, field)
	}
}
