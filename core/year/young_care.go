package year

import "vertumna/core/almanac"

// YoungCare is the care of the first years.
const YoungCare TaskKind = "young-care"

var youngCareFacts = TaskFacts{Mark: CareMark, Minutes: 20, Instead: "care-still", Harm: 2}

func youngCare(c *context) []draft {
	if c.age > formationYears {
		return nil
	}
	bud := c.stage(almanac.BudBreak, 0)
	return []draft{{
		kind: YoungCare, opens: later(bud, c.plantedBound()), closes: c.stage(almanac.ShootSlowing, 0),
		reasons: []Reason{reason("first-three-years").num(float64(c.age), "").over(formationYears)},
	}}
}

func (c *context) plantedBound() Bound { return c.at(Planting, 0) }
