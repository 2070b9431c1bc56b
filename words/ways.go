package words

import (
	"fmt"
	"math"
)

// WayEnd is what a way of keeping a tree comes to.
type WayEnd struct {
	School       string
	Limit        float64 // of the crown, a year
	HeightCM     float64 // at the end
	Light        float64 // mean of its limbs
	Hours, Kilos float64 // all years
	Wounds       int     // of 25 mm and more
}

// Differences under these are not told (our estimates).
const (
	tellCM    = 5
	tellLight = 0.02
	tellHours = 0.2
	tellKilos = 1
)

// WaysDiffer says what the second of two ways does otherwise than the first.
func (s Speaker) WaysDiffer(a, b WayEnd) []string {
	name := fmt.Sprintf("%s at %s", b.School, s.Amount(b.Limit, "share"))
	out := []string{}
	tell := func(d, least float64, more, less string) {
		switch {
		case d >= least:
			out = append(out, more)
		case -d >= least:
			out = append(out, less)
		}
	}
	cm := b.HeightCM - a.HeightCM
	tall := s.Tape(math.Abs(cm))
	tell(cm, tellCM, fmt.Sprintf("%s ends %s taller.", name, tall), fmt.Sprintf("%s ends %s lower.", name, tall))
	light := b.Light - a.Light
	share := s.Amount(math.Abs(light), "share")
	tell(light, tellLight, fmt.Sprintf("Its limbs get %s more of full light.", share), fmt.Sprintf("Its limbs get %s less of full light.", share))
	kilos := s.Amount(math.Abs(b.Kilos-a.Kilos), "kg")
	tell(b.Kilos-a.Kilos, tellKilos, fmt.Sprintf("It bears %s more over these years.", kilos), fmt.Sprintf("It bears %s less over these years.", kilos))
	work := s.Minutes(60 * math.Abs(b.Hours-a.Hours))
	tell(b.Hours-a.Hours, tellHours, fmt.Sprintf("It asks %s more of cutting.", work), fmt.Sprintf("It asks %s less of cutting.", work))
	n := plural(int(math.Abs(float64(b.Wounds-a.Wounds))), "wide wound")
	tell(float64(b.Wounds-a.Wounds), 1, fmt.Sprintf("It makes %s more.", n), fmt.Sprintf("It makes %s fewer.", n))
	if len(out) == 0 {
		out = append(out, "On this tree the two come to the same.")
	}
	return out
}
