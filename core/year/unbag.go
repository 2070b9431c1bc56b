package year

import "vertumna/core/almanac"

// Unbag is the end of the bags.
const Unbag TaskKind = "unbag"

var unbagFacts = TaskFacts{Mark: PickMark, Minutes: 20, Instead: "unbag-still", Harm: 1, WantsFruit: true}

// unbag: red fruit colours in the light of its last weeks (est.: three).
func unbag(c *context) []draft {
	e, ok := finished(c.logged(Bag))
	h := c.stage(almanac.HarvestStart, 0)
	if !ok || !h.Day.Known() || !c.tree.Kind.Year.ColoursRed {
		return nil
	}
	return []draft{{kind: Unbag, opens: after(h, -21), closes: after(h, -10), reasons: []Reason{reason("unbag-to-colour").on(Logged, e.Date), h.reason("unbag-harvest")}, cautions: []string{"ladder"}}}
}
