// Package light works out the growing season's sunlight in a yard: how much of full light each limb gets, sun hours, and
// who shades whom. Leaves, walls and ground stand in cells of 10 cm; light comes from the sun's places through the season
// and from a diffuse sky. Angles in degrees, places in cm (x east, y north, z up), leaf density in m2 a m3.
package light

import (
	"math"

	"vertumna/core/limb"
)

// Direction is a way that light comes: a unit vector toward its source, its part of the season's light on level ground
// (all parts sum to 1), and the hours of sun a day it stands for (0: sky).
type Direction struct {
	Toward limb.Vec
	Weight float64
	Hours  float64
}

// Set is a choice of directions.
type Set string

// The sets: fine for answers, coarse for what is dragged and for growth forward.
const (
	Fine   Set = "fine"
	Coarse Set = "coarse"
)

// Shares of sun and sky in the season's light, the clear sky's transmission, and the lowest sun that counts (Campbell and
// Norman 1998 for the beam; the split is our estimate for a growing season).
const (
	beamShare    = 0.60
	skyShare     = 0.40
	transmission = 0.70
	lowestSine   = 0.14
)

type season struct {
	days  []int
	hours []float64
	sky   [4]int // directions in each ring
}

var seasons = map[Set]season{
	Fine:   {[]int{105, 135, 166, 196, 227, 258}, hoursFrom(5, 19, 1), [4]int{6, 12, 16, 18}},
	Coarse: {[]int{120, 172, 227}, hoursFrom(6, 18, 2), [4]int{2, 4, 5, 6}},
}

func hoursFrom(from, to, step float64) []float64 {
	var out []float64
	for h := from; h <= to; h += step {
		out = append(out, h)
	}
	return out
}

const rad = math.Pi / 180

// Sun is the direction of the sun at a latitude, day of the year and solar hour (declination after Cooper 1969). Below
// the horizon its z is negative.
func Sun(latitude float64, day int, hour float64) limb.Vec {
	dec := 23.45 * rad * math.Sin(2*math.Pi*float64(284+day)/365)
	omega := 15 * (hour - 12) * rad
	sinL, cosL := math.Sincos(latitude * rad)
	sinD, cosD := math.Sincos(dec)
	sinO, cosO := math.Sincos(omega)
	return limb.Vec{X: -cosD * sinO, Y: cosL*sinD - sinL*cosD*cosO, Z: sinL*sinD + cosL*cosD*cosO}
}

// skyRings are the elevations of the diffuse sky and the zenith bands they stand for.
var (
	skyElevation = [4]float64{74, 52, 32, 12}
	skyBands     = [5]float64{0, 27.5, 47.5, 67.5, 90}
)

// Directions lists the directions of a growing season at a latitude: days, hours, then the rings of the sky. South of the
// equator the season lies half a year on.
func Directions(latitude float64, set Set) []Direction {
	s := seasons[set]
	var out []Direction
	sum := 0.0
	step := s.hours[1] - s.hours[0]
	for _, day := range s.days {
		if latitude < 0 {
			day = (day + 182) % 365
		}
		for _, h := range s.hours {
			v := Sun(latitude, day, h)
			if v.Z < lowestSine {
				continue
			}
			w := v.Z * math.Pow(transmission, 1/v.Z)
			sum += w
			out = append(out, Direction{v, w, step / float64(len(s.days))})
		}
	}
	for i := range out {
		out[i].Weight *= beamShare / sum
	}
	for ring, elevation := range skyElevation {
		n := s.sky[ring]
		lo, hi := math.Sin(skyBands[ring]*rad), math.Sin(skyBands[ring+1]*rad)
		sinE, cosE := math.Sincos(elevation * rad)
		for k := range n {
			h := limb.Heading((float64(k) + 0.5) * 360 / float64(n))
			out = append(out, Direction{limb.Vec{X: h.X * cosE, Y: h.Y * cosE, Z: sinE}, (hi*hi - lo*lo) / float64(n) * skyShare, 0})
		}
	}
	return out
}
