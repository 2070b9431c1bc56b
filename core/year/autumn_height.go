package year

import "vertumna/core/almanac"

// AutumnHeight is the cut that takes height before leaf fall, where winters are mild.
const AutumnHeight TaskKind = "autumn-height-cut"

var autumnHeightFacts = TaskFacts{Cut: true, Mark: SummerMark, Instead: "next-solstice", Harm: 1}

// autumnHeight takes height before leaf fall, in mild winters only, where the school asks for it.
func autumnHeight(c *context) []draft {
	if !c.school.Is("height_cut", "autumn") || c.shrub() || c.age <= 1 || c.aim.Aim == Retire || !c.needsHeightCut() {
		return nil
	}
	d := draft{
		kind: AutumnHeight, opens: later(c.at(HarvestEnd, 0), c.stage(almanac.ShootSlowing, 28)), closes: c.stage(almanac.LeafFall, -1),
		share: c.summerShare(), cautions: c.cutCautions(),
		reasons: []Reason{c.stage(almanac.LeafFall, -1).reason("autumn-height").by("height_cut", "autumn"), c.heightReason(), c.aimReason(true)},
	}
	level, why := Better, "mild-autumn"
	if !c.yard.Place.Climate.Mild() {
		d.held = []Reason{reason("autumn-needs-mild-winter").num(c.yard.Place.Climate.ColdestMonthTmin, "C").over(4)}
		level, why = Forbidden, "soft-shoots-meet-frost"
	}
	d.grades = []Grade{{open, shift(d.opens.Day, -1), Possible, "breaks-again"}, {d.opens.Day, open, level, why}}
	return []draft{d}
}
