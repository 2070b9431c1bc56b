package year

import (
	"vertumna/core/almanac"
	"vertumna/core/pomology"
)

// Prop is the propping of limbs under fruit.
const Prop TaskKind = "prop"

var propFacts = TaskFacts{Mark: ThinMark, Minutes: 15, Instead: "prop-still", Harm: 3, WantsFruit: true}

// prop: limbs that carry more than is safe, until the fruit is off.
func prop(c *context) []draft {
	f := c.fruit()
	if f == nil || len(f.Laden) == 0 {
		return nil
	}
	opens := c.stage(almanac.DropEnd, 0)
	if c.group() == pomology.Stone {
		opens = c.stage(almanac.PitHardening, 0)
	}
	if !opens.Day.Known() {
		return nil
	}
	d := draft{kind: Prop, opens: opens, closes: c.at(HarvestEnd, 0), minutes: float64(minutesAProp * len(f.Laden)), cautions: []string{"under-load"}}
	for _, l := range f.Laden[:min(len(f.Laden), carriedTold)] {
		rule := "prop-limb"
		if !l.Holds {
			rule = "prop-not-enough"
		}
		d.reasons = append(d.reasons, reason(rule).num(float64(l.PropAtCM), "cm").over(l.Use).said(l.Limb))
	}
	return []draft{d}
}
