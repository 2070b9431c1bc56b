package year

import "vertumna/core/almanac"

// LeavesOff is the leaves taken from before the fruit.
const LeavesOff TaskKind = "leaves-off"

var leavesOffFacts = TaskFacts{Mark: PickMark, Minutes: 10, Instead: "leave-leaves", WantsFruit: true}

func leavesOff(c *context) []draft {
	if !c.tree.Wishes.LeavesOff || !c.bears() {
		return nil
	}
	h := c.stage(almanac.HarvestStart, 0)
	return []draft{{kind: LeavesOff, opens: after(h, -21), closes: h, reasons: []Reason{h.reason("colour-before-harvest")}}}
}
