package year

import "vertumna/core/almanac"

// StandBack is the look before any cut.
const StandBack TaskKind = "stand-back"

var standBackFacts = TaskFacts{Mark: CareMark, Minutes: 5, Instead: "next-visit"}

// standBack: the first step is never a cut.
func standBack(c *context) []draft {
	d := draft{kind: StandBack, opens: c.at(LeafFallBefore, 0), closes: after(c.dormantClose(), -21)}
	if c.age <= 1 && c.tree.Planted > d.opens.Day {
		return nil
	}
	d.reasons = []Reason{d.opens.reason("look-before-cutting")}
	if c.forming() {
		d.reasons = append(d.reasons, reason("young-look-first"))
	}
	return []draft{d}
}

// dormantClose is when the dormant window of the tree closes under the school, for the look that comes before it.
func (c *context) dormantClose() Bound {
	for _, d := range dormantCut(c) {
		return d.closes
	}
	return c.stage(almanac.BudBreak, 0)
}
