package almanac

import (
	"fmt"
	"math"
)

// MonthDay is a day of any year.
type MonthDay struct{ Month, Day int }

func (m MonthDay) String() string { return fmt.Sprintf("%02d-%02d", m.Month, m.Day) }

// In returns the day in a year.
func (m MonthDay) In(year int) Day { return DateOf(year, m.Month, m.Day) }

// FrostDates are the last spring and first autumn frosts (screen minimum 0 C or lower) at 50 and 10 % risk; nil when a
// site has none.
type FrostDates struct{ LastSpring50, LastSpring10, FirstAutumn50, FirstAutumn10 *MonthDay }

// FrostDatesOf reckons the frost dates of a site from its normals (ours). Errors: those of Check.
func FrostDatesOf(s *Site) (FrostDates, error) {
	if err := s.check(); err != nil {
		return FrostDates{}, err
	}
	n := newNormals(s)
	first := DateOf(plainYear, 1, 1)
	var p [365]float64
	for i := range p {
		v := n.on(first + Day(i))
		sd := math.Sqrt(v.Sd*v.Sd + frostRange*v.Range*frostRange*v.Range + frostRain*v.Range*frostRain*v.Range*v.Wet*(1-v.Wet))
		p[i] = math.Erfc(v.Tmin/sd/math.Sqrt2) / 2
	}
	summer := midSummer
	if s.South() {
		summer = midSummerSouth
	}
	mid := int(summer.In(plainYear) - first)
	find := func(risk float64, from, to, sign int) *MonthDay {
		q := 1.0
		for k := from; k <= to; k++ {
			i := ((mid+sign*k)%365 + 365) % 365
			q *= math.Pow(1-p[i], frostAlone)
			if 1-q > risk/100 {
				_, m, d := (first + Day(i)).Date()
				return &MonthDay{m, d}
			}
		}
		return nil
	}
	const even, rare, half = 50, 10, 365 / 2
	return FrostDates{find(even, 1, half, -1), find(rare, 1, half, -1), find(even, 0, half-1, 1), find(rare, 0, half-1, 1)}, nil
}

// plainYear has no leap day; frosts of a year are counted over it from the middle of summer.
const plainYear = 2001

var midSummer, midSummerSouth = MonthDay{7, 15}, MonthDay{1, 15}

// Frost by normals (ours): what of the daily range and of rain adds to the spread of minima, and how far one night's
// frost stands for itself.
const (
	frostRange, frostRain = 0.125, 0.15
	frostAlone            = 0.75
)

// Classes of climate (ours): shares of dormant days with rain, degrees Celsius of the coldest month's minimum, and mean
// summer months in millimetres, days of rain and degrees of the minimum.
const (
	wetShare, moistShare              = 0.33, 0.22
	severeMost, coldMost, coolMost    = -15, -4, 4
	humidRainMM, humidDays, humidTmin = 80, 9, 17
)

// Months, January 0, that count for a class, in the north; half a year on in the south.
var dormantMonths, summerMonths = []int{10, 11, 0, 1, 2}, []int{5, 6, 7}

// Climate is the class of a site.
type Climate struct {
	WetDormancy      float64 // share of dormant days with rain
	Wetness          string  // "wet", "moist", "dry"
	ColdestMonth     int     // 1..12
	ColdestMonthTmin float64
	Cold             string // "severe", "cold", "cool", "mild"
	StoneCut         string // "summer", "from_bud_break", "summer_preferred", "late_winter"
	HumidSummer      bool   // mean summer rain over 80 mm a month on 9 days or more with a mean minimum over 17 C
}

// WetWinter says whether stone fruit is kept for dry summer weather here.
func (c Climate) WetWinter() bool { return c.Wetness == "wet" }

// ColdWinter says whether winters are cold or severe.
func (c Climate) ColdWinter() bool { return c.Cold == "cold" || c.Cold == "severe" }

// Mild says whether winters are mild.
func (c Climate) Mild() bool { return c.Cold == "mild" }

// Slugs names the classes as schools.json uses them.
func (c Climate) Slugs() []string {
	out := []string{c.Cold}
	if c.WetWinter() {
		out = append(out, "wet-winter")
	}
	if c.HumidSummer {
		out = append(out, "humid-summer")
	}
	return out
}

// Classify classes a site. Errors: those of Check.
func Classify(s *Site) (Climate, error) {
	if err := s.check(); err != nil {
		return Climate{}, err
	}
	turn := 0
	if s.South() {
		turn = 12 / 2
	}
	var c Climate
	var wet, all float64
	for _, month := range dormantMonths {
		i := (month + turn) % 12
		if s.Tmax[i] > 0 {
			wet += s.RainDays[i]
		}
		all += monthLen[i]
	}
	c.WetDormancy = wet / all
	switch {
	case c.WetDormancy >= wetShare:
		c.Wetness = "wet"
	case c.WetDormancy >= moistShare:
		c.Wetness = "moist"
	default:
		c.Wetness = "dry"
	}
	coldest := 0
	for i := range 12 {
		if s.Tmax[i]+s.Tmin[i] < s.Tmax[coldest]+s.Tmin[coldest] {
			coldest = i
		}
	}
	c.ColdestMonth, c.ColdestMonthTmin = coldest+1, s.Tmin[coldest]
	switch {
	case c.ColdestMonthTmin <= severeMost:
		c.Cold = "severe"
	case c.ColdestMonthTmin <= coldMost:
		c.Cold = "cold"
	case c.ColdestMonthTmin <= coolMost:
		c.Cold = "cool"
	default:
		c.Cold = "mild"
	}
	switch {
	case c.Wetness == "wet":
		c.StoneCut = "summer"
	case c.ColdWinter():
		c.StoneCut = "from_bud_break"
	case c.Wetness == "moist":
		c.StoneCut = "summer_preferred"
	default:
		c.StoneCut = "late_winter"
	}
	var rain, days, tmin float64
	for _, month := range summerMonths {
		i := (month + turn) % 12
		rain, days, tmin = rain+s.RainMM[i]/3, days+s.RainDays[i]/3, tmin+s.Tmin[i]/3
	}
	c.HumidSummer = rain > humidRainMM && days >= humidDays && tmin > humidTmin
	return c, nil
}
