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
	first := DateOf(2001, 1, 1)
	var p [365]float64
	for i := range p {
		v := n.on(first + Day(i))
		sd := math.Sqrt(v.Sd*v.Sd + 0.125*v.Range*0.125*v.Range + 0.15*v.Range*0.15*v.Range*v.Wet*(1-v.Wet))
		p[i] = math.Erfc(v.Tmin/sd/math.Sqrt2) / 2
	}
	mid := int(DateOf(2001, 7, 15) - first)
	if s.South() {
		mid = int(DateOf(2001, 1, 15) - first)
	}
	find := func(risk float64, from, to, sign int) *MonthDay {
		q := 1.0
		for k := from; k <= to; k++ {
			i := ((mid+sign*k)%365 + 365) % 365
			q *= math.Pow(1-p[i], 0.75)
			if 1-q > risk/100 {
				_, m, d := (first + Day(i)).Date()
				return &MonthDay{m, d}
			}
		}
		return nil
	}
	return FrostDates{find(50, 1, 182, -1), find(10, 1, 182, -1), find(50, 0, 181, 1), find(10, 0, 181, 1)}, nil
}

// Climate is the class of a site. Thresholds ours.
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
	dormant, summer := []int{10, 11, 0, 1, 2}, []int{5, 6, 7}
	if s.South() {
		dormant, summer = []int{4, 5, 6, 7, 8}, []int{11, 0, 1}
	}
	var c Climate
	var wet, all float64
	for _, i := range dormant {
		if s.Tmax[i] > 0 {
			wet += s.RainDays[i]
		}
		all += monthLen[i]
	}
	c.WetDormancy = wet / all
	switch {
	case c.WetDormancy >= 0.33:
		c.Wetness = "wet"
	case c.WetDormancy >= 0.22:
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
	case c.ColdestMonthTmin <= -15:
		c.Cold = "severe"
	case c.ColdestMonthTmin <= -4:
		c.Cold = "cold"
	case c.ColdestMonthTmin <= 4:
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
	for _, i := range summer {
		rain, days, tmin = rain+s.RainMM[i]/3, days+s.RainDays[i]/3, tmin+s.Tmin[i]/3
	}
	c.HumidSummer = rain > 80 && days >= 9 && tmin > 17
	return c, nil
}
