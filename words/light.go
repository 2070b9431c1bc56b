package words

import (
	"fmt"

	"vertumna/core/light"
	"vertumna/core/training"
)

var suns = map[light.SunClass]string{
	light.FullSun:   "full sun: any form, the usual distance, full crop",
	light.EnoughSun: "enough sun: keep it open and a little farther apart; fruit colours later",
	light.LeanSun:   "lean sun: an open or flat form, wider apart; expect half the crop and less sugar",
	light.PoorSun:   "too little sun for most fruit: a sour cherry or medlar at best, and few of them",
}

// SunMeans says what the hours of sun mean for form, distance and crop.
func (s Speaker) SunMeans(hours float64) string { return suns[light.SunOf(hours)] }

// HeightCap says how high a tree may stand for its neighbours' light; empty where nobody binds it.
func (s Speaker) HeightCap(capM float64, neighbour string, c light.Cap) string {
	if neighbour == "" {
		return ""
	}
	loses := "loses none of it to this tree yet"
	if c.Shades >= 0.005 {
		loses = "loses " + s.Amount(c.Shades, "share") + " of it to this tree"
	}
	out := fmt.Sprintf("at most %s for the light of %s, which has %s and %s", s.Amount(capM, "m"), neighbour, s.Amount(c.Keeps, "share"), loses)
	if c.Short {
		out += "; others keep it short of light as well"
	}
	return out
}

// SunBeside sets a person's own count of sun hours beside the computed ones; "" where nobody counted.
func (s Speaker) SunBeside(own, computed float64) string {
	if own <= 0 {
		return ""
	}
	says := fmt.Sprintf("You counted %s h; by the sun's path it is %.1f h", trim(own, 1), computed)
	switch light.Beside(own, computed) {
	case light.CountedLess:
		return says + ": something shades it that is not on the plan, or the day was not clear"
	case light.CountedMore:
		return says + ": what shades it on the plan is lower, or farther off, than drawn"
	}
	return says + ": they agree"
}

var binding = map[string]string{"reach": "your reach", "row": "the rule of thumb", "light": "the light of its neighbours"}

// HeightBinds says what holds a tree's height the lowest, and how far it stands over that.
func (s Speaker) HeightBinds(c training.Capped) string {
	out := fmt.Sprintf("What holds it lowest is %s, %s", binding[c.Binding], s.Amount(c.CapCM/100, "m"))
	if c.OverCM != nil && *c.OverCM >= 5 {
		out += fmt.Sprintf(": it stands %s over it", s.Tape(*c.OverCM))
	}
	return out + "."
}
