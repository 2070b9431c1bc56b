package year

import "vertumna/core/almanac"

// GraftWood is the cutting of wood for grafts.
const GraftWood TaskKind = "graft-wood"

var graftWoodFacts = TaskFacts{Mark: WinterMark, Minutes: 15, Instead: "no-graft-wood", Harm: 1}

func graftWood(c *context) []draft {
	if !c.tree.Wishes.GraftWood {
		return nil
	}
	close := c.stage(almanac.BudSwell, 0)
	return []draft{{kind: GraftWood, opens: c.at(DeepFrom, 0), closes: close, reasons: []Reason{close.reason("single-buds-asleep"), reason("graft-wood-late")}, cautions: []string{c.cleaning()}}}
}
