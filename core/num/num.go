// Package num is the arithmetic that all models share: how they round, hold within bounds and read a table. A computed value
// compared with a limit gets Slack in favour of "within".
package num

import (
	"math"
	"strconv"
)

// Slack is what a computed value may stand beyond a limit and still count as within.
const Slack = 1e-9

// Floor, Ceil and Round give Slack to values that should be whole; a half is rounded up.
func Floor(x float64) float64 { return math.Floor(x + Slack) }

// Ceil is the next whole number at or above x.
func Ceil(x float64) float64 { return math.Ceil(x - Slack) }

// Round is the nearest whole number.
func Round(x float64) float64 { return math.Floor(x + 0.5 + Slack) }

// Clamp holds x between two bounds.
func Clamp(x, low, high float64) float64 { return math.Max(low, math.Min(high, x)) }

// Lerp reads a table of points, rising in their first: linear between them, flat outside.
func Lerp(table [][2]float64, x float64) float64 {
	for i, p := range table {
		if x > p[0] {
			continue
		}
		if i == 0 {
			return p[1]
		}
		q := table[i-1]
		return q[1] + (p[1]-q[1])*(x-q[0])/(p[0]-q[0])
	}
	return table[len(table)-1][1]
}

// Rad and Deg turn degrees into radians and back.
func Rad(deg float64) float64 { return deg * math.Pi / 180 }

// Deg turns radians into degrees.
func Deg(rad float64) float64 { return rad * 180 / math.Pi }

// Apart is the angle between two bearings, 0 to 180 degrees.
func Apart(a, b float64) float64 { return math.Abs(math.Mod(a-b+540, 360) - 180) }

// Text is a number as a fault tells it.
func Text(x float64) string { return strconv.FormatFloat(x, 'g', -1, 64) }
