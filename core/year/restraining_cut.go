package year

import (
	"vertumna/core/almanac"
	"vertumna/core/pomology"
)

// RestrainCut is the cut that calms a strong tree.
const RestrainCut TaskKind = "restraining-cut"

var restrainCutFacts = TaskFacts{Cut: true, Mark: SummerMark, Instead: "solstice-instead", Harm: 1}

// restrainingCut calms a strong tree between fruit set and the solstice, when its reserve is spent.
func restrainingCut(c *context) []draft {
	if c.aim.Aim != Restrain || c.age <= 1 || c.forming() || c.group() == pomology.Stone && c.school.Is("stone_cut", "dry-summer") {
		return nil
	}
	value := c.school.Value("restraining_cut")
	solstice := c.at(SummerSolstice, 0)
	d := draft{kind: RestrainCut, opens: after(c.petalFall(), 14), closes: solstice, share: c.summerShare(), cautions: append(c.cutCautions(), "heat")}
	late := Possible
	if c.yard.Place.Climate.ColdWinter() {
		late = Harmful
	}
	if value == "solstice-on" {
		d.opens, d.closes, late = solstice, after(solstice, 35), Better
	}
	if !d.opens.Day.Known() || d.opens.Day > d.closes.Day { // late bloomers set their fruit after the solstice
		return nil
	}
	d.grades = []Grade{
		{open, c.stage(almanac.BudBreak, 0).Day, Harmful, "winter-cut-builds"},
		{open, shift(d.opens.Day, -1), Possible, "fruit-not-seen"},
		{d.opens.Day, d.closes.Day, Better, "reserve-spent"},
		{shift(d.closes.Day, 1), shift(d.closes.Day, 35), late, "shoots-must-ripen"},
		{open, open, Harmful, "soft-shoots-meet-frost"},
	}
	d.reasons = []Reason{d.opens.reason("fruit-set-seen").by("restraining_cut", value), d.closes.reason("reserve-spent"), c.aimReason(true)}
	return []draft{d}
}
