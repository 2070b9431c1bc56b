package almanac

import (
	_ "embed" // the climates ship inside the program
	"encoding/json"
	"fmt"
	"math"
	"sort"
)

//go:embed climates.json
var climatesJSON []byte

var shipped = func() []Site {
	var all []Site
	if err := json.Unmarshal(climatesJSON, &all); err != nil {
		panic(fmt.Sprintf("almanac: climates.json: %v", err))
	}
	for i := range all {
		if err := all[i].Check(); err != nil {
			panic(fmt.Sprintf("almanac: climates.json: %s: %v", all[i].Slug, err))
		}
	}
	return all
}()

// Climates are the shipped climates to start a place from.
func Climates() []Site {
	out := make([]Site, len(shipped))
	for i, s := range shipped {
		out[i] = s.Clone()
	}
	return out
}

// Clone copies a site with its normals.
func (s Site) Clone() Site {
	for _, v := range []*[]float64{&s.Tmax, &s.Tmin, &s.RainMM, &s.RainDays, &s.WindKmh, &s.SunFrac, &s.SdTemp} {
		if *v != nil {
			*v = append([]float64(nil), *v...)
		}
	}
	return s
}

// Near is a shipped climate with how far it stands from a place.
type Near struct {
	Site       Site
	DistanceKM float64
	LatDiffDeg float64 // between the latitudes without their sign
	Mirrored   bool    // of the other hemisphere: its months are turned by half a year
}

// How climates are ranked, in km of likeness; ours. A degree of latitude changes the year as 300 km do, ten kilometres of land as one, a
// metre of height as 0.2: a place a hundred metres up is told better by a climate of that height 200 km further on.
const (
	kmADegree    = 300
	kmALand      = 0.1
	kmAMetre     = 0.2
	kmHemisphere = 1000
	earthKM      = 6371 // mean radius
)

// Suited ranks the shipped climates for a place by latitude, distance and, where it is known, height above sea in metres. One from the
// other hemisphere is turned by half a year. Errors: bad_latitude, bad_longitude.
func Suited(lat, lon float64, elevM *float64) ([]Near, error) {
	if err := checkPlace(lat, lon); err != nil {
		return nil, err
	}
	var out []Near
	for _, s := range Climates() {
		n := Near{Site: s, LatDiffDeg: math.Abs(math.Abs(lat) - math.Abs(s.Lat)), Mirrored: (lat < 0) != s.South()}
		n.DistanceKM = earthKM * math.Acos(clamp(sinD(lat)*sinD(s.Lat)+cosD(lat)*cosD(s.Lat)*cosD(lon-s.Lon), -1, 1))
		if n.Mirrored {
			n.Site = s.mirrored()
		}
		out = append(out, n)
	}
	rank := func(n Near) float64 {
		r := kmADegree*n.LatDiffDeg + kmALand*n.DistanceKM
		if n.Mirrored {
			r += kmHemisphere
		}
		if elevM != nil {
			r += kmAMetre * math.Abs(*elevM-n.Site.ElevM)
		}
		return r
	}
	sort.SliceStable(out, func(i, j int) bool { return rank(out[i]) < rank(out[j]) })
	return out, nil
}

// Later is a site whose year comes so many days later, all of it: each month takes so much of the one before it. Days below 0: earlier.
func (s Site) Later(days float64) Site {
	out := s.Clone()
	share, from := math.Abs(days)/monthDays, 12-1 // the month before
	if days < 0 {
		from = 1
	}
	for _, v := range []*[]float64{&out.Tmax, &out.Tmin} {
		was := append([]float64(nil), *v...)
		for m := range was {
			(*v)[m] = was[m] + share*(was[(m+from)%12]-was[m])
		}
	}
	return out
}

const monthDays = 365.25 / 12

// Warmer is a site with all its temperatures so many degrees higher.
func (s Site) Warmer(d float64) Site { return s.warmer(d) }

func (s Site) mirrored() Site {
	for _, v := range []*[]float64{&s.Tmax, &s.Tmin, &s.RainMM, &s.RainDays, &s.WindKmh, &s.SunFrac, &s.SdTemp} {
		if *v != nil {
			*v = append(append([]float64(nil), (*v)[12/2:]...), (*v)[:12/2]...)
		}
	}
	s.Lat = -s.Lat
	return s
}

// lapse is the fall of temperature with height, C a metre (standard atmosphere).
const lapse = 0.0065

// AtHeight moves a site's temperatures to another height above sea.
func (s Site) AtHeight(elevM float64) Site {
	out := s.Clone()
	d := -lapse * (elevM - s.ElevM)
	for i := range out.Tmax {
		out.Tmax[i] += d
		out.Tmin[i] += d
	}
	out.ElevM = elevM
	return out
}

// WithFrost moves a site's temperatures, all months alike, so that its last spring or first autumn frost (50 % risk)
// falls on a day the person knows; a nil day is not used. A shift of more than 8 degrees is refused (frost_shift). The
// shift found is the mean of the two sides; ours. Errors: those of Check, frost_shift.
func (s Site) WithFrost(lastSpring, firstAutumn *MonthDay) (Site, float64, error) {
	if err := s.check(); err != nil {
		return s, 0, err
	}
	sum, n := 0.0, 0.0
	for _, side := range []struct {
		want   *MonthDay
		spring bool
	}{{lastSpring, true}, {firstAutumn, false}} {
		if side.want == nil {
			continue
		}
		d, err := s.frostShift(*side.want, side.spring)
		if err != nil {
			return s, 0, err
		}
		sum, n = sum+d, n+1
	}
	if n == 0 {
		return s.Clone(), 0, nil
	}
	return s.warmer(sum / n), sum / n, nil
}

func (s Site) warmer(d float64) Site {
	out := s.Clone()
	for i := range out.Tmax {
		out.Tmax[i] += d
		out.Tmin[i] += d
	}
	return out
}

// The most a climate is moved for a known frost, degrees, and how often that is halved: to thousandths of a degree.
const maxFrostShift, frostHalvings = 8.0, 20

// frostShift finds by bisection the shift of temperature that puts a frost date on a day. Days are counted from
// midwinter, so that a warmer site has an earlier last and a later first frost.
func (s Site) frostShift(want MonthDay, spring bool) (float64, error) {
	fromMidwinter := func(m MonthDay) int {
		winter := midSummerSouth // as the south's summer
		if s.South() {
			winter = midSummer
		}
		return (int(m.In(plainYear)-winter.In(plainYear)) + 365) % 365
	}
	target := fromMidwinter(want)
	late := func(d float64) bool { // the shifted site's season of frost is still longer than wanted
		moved := s.warmer(d)
		f, err := FrostDatesOf(&moved)
		if err != nil {
			return d < 0
		}
		if spring {
			return f.LastSpring50 != nil && fromMidwinter(*f.LastSpring50) > target
		}
		return f.FirstAutumn50 != nil && fromMidwinter(*f.FirstAutumn50) < target
	}
	lo, hi := -maxFrostShift, maxFrostShift
	if late(hi) || !late(lo) {
		return 0, refuse("frost_shift", "frost", want, "a frost date that lies within 8 degrees of this climate")
	}
	for range frostHalvings {
		if mid := (lo + hi) / 2; late(mid) {
			lo = mid
		} else {
			hi = mid
		}
	}
	return math.Ceil(hi*100) / 100, nil // rounded to the side that keeps the date
}
