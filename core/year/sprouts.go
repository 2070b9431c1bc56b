package year

import "vertumna/core/almanac"

// Sprouts is suckers and water sprouts that come off while soft.
const Sprouts TaskKind = "sprouts"

var sproutsFacts = TaskFacts{Mark: CareMark, Minutes: 10, Instead: "cut-in-winter", Harm: 1}

// sprouts: suckers and water sprouts come off while soft.
func sprouts(c *context) []draft {
	if c.age <= 1 {
		return nil
	}
	d := draft{kind: Sprouts, opens: c.at(Shoots10, 0), closes: c.stage(almanac.ShootSlowing, 0)}
	d.reasons = []Reason{d.opens.reason("rub-out-soft"), reason("keep-one-to-fill-a-gap")}
	return []draft{d}
}
