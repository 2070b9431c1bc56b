package year

import "vertumna/core/almanac"

// Notches, and what comes of them.
const (
	Notching  TaskKind = "notching"   // the notches that wake low buds of a whip
	NotchLook TaskKind = "notch-look" // the look at what they woke
)

var (
	notchingFacts  = TaskFacts{Mark: WinterMark, Minutes: 10, Instead: "next-spring", Harm: 1}
	notchLookFacts = TaskFacts{Mark: CareMark, Minutes: 5, Instead: "look-in-winter"}
)

// notching wakes low buds of a bare whip; eight weeks later treated and untreated buds are compared.
func notching(c *context) []draft {
	var out []draft
	bud := c.stage(almanac.BudBreak, 0)
	if c.tree.AsWhip && c.firstSeason() && !c.shrub() && !c.flat() && !c.tooSmall() {
		d := draft{kind: Notching, opens: after(bud, -28), closes: bud, reasons: []Reason{bud.reason("notch-low-buds"), reason("fair-trial")}, cautions: []string{"knife"}}
		if !c.tree.HasStake || !c.tree.HasMulch { // a woken bud grows only on a tree that stands and drinks
			d.reasons = append(d.reasons, reason("notch-needs-care"))
		}
		out = append(out, d)
	}
	if e, ok := finished(c.logged(Notching)); ok {
		at := later(logged(e.Date, 56), logged(bud.Day, 56))
		out = append(out, draft{kind: NotchLook, opens: at, closes: after(at, 14), reasons: []Reason{at.reason("treated-against-untreated")}})
	}
	return out
}
