package year

import "vertumna/core/almanac"

// Grafting, and what comes of it.
const (
	Graft     TaskKind = "graft"      // grafting or budding
	GraftLook TaskKind = "graft-look" // the look whether a graft took
)

var (
	graftFacts     = TaskFacts{Mark: CareMark, Minutes: 30, Instead: "next-graft-season", Harm: 1}
	graftLookFacts = TaskFacts{Mark: CareMark, Minutes: 5, Instead: "look-anyway"}
)

// grafting and budding on wish, in late summer or at bud swell; the result is looked at after four weeks.
func grafting(c *context) []draft {
	var out []draft
	at := c.stage(almanac.BudSwell, 0)
	if c.tree.Wishes.Graft == "summer" {
		at = c.stage(almanac.ShootSlowing, 14)
	}
	if c.tree.Wishes.Graft != "" {
		out = append(out, draft{kind: Graft, opens: at, closes: after(at, 21), reasons: []Reason{at.reason("graft-season").said(c.tree.Wishes.Graft), reason("first-fruit-off")}, cautions: []string{"knife"}})
	}
	if e, ok := finished(c.logged(Graft)); ok {
		look := logged(e.Date, 28)
		out = append(out, draft{kind: GraftLook, opens: look, closes: after(look, 14), reasons: []Reason{look.reason("did-it-take")}})
	}
	return out
}
