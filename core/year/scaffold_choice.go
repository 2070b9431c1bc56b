package year

import (
	"vertumna/core/almanac"
	"vertumna/core/pomology"
)

// Scaffolds is the choice of main limbs.
const Scaffolds TaskKind = "scaffold-choice"

var scaffoldsFacts = TaskFacts{Cut: true, Mark: WinterMark, Instead: "choose-in-summer", Harm: 2}

func scaffoldChoice(c *context) []draft {
	if c.age != 2 || c.firstSeason() || c.shrub() || c.flat() || c.tooSmall() {
		return nil
	}
	value := c.school.Value("scaffolds")
	bud := c.stage(almanac.BudBreak, 0)
	d := draft{
		kind: Scaffolds, opens: c.stage(almanac.BudSwell, 0), closes: bud, minutes: 25, cautions: []string{c.cleaning()},
		reasons: []Reason{bud.reason("choose-scaffolds").by("scaffolds", value)},
	}
	if c.tree.Form.Frame() == pomology.OpenVase && c.tree.Form != pomology.LateLeader {
		d.reasons = append(d.reasons, reason("centre-first"))
	}
	d.reasons = append(d.reasons, reason("lower-once-more").said(string(c.tree.Form)))
	return []draft{d}
}
