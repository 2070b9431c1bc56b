package year

import (
	"vertumna/core/almanac"
	"vertumna/core/training"
)

// PlantingCut is the first cut of a new tree.
const PlantingCut TaskKind = "planting-cut"

var plantingCutFacts = TaskFacts{Cut: true, Mark: WinterMark, Instead: "next-winter", Harm: 2}

// firstSeason says whether this is the season whose spring the tree was planted for.
func (c *context) firstSeason() bool {
	if !c.tree.Planted.Known() {
		return false
	}
	bud, fall := c.a.Day(almanac.BudBreak.String()), c.a.Day(LeafFallBefore)
	before := shift(bud, -365)
	return bud.Known() && c.tree.Planted <= bud && c.tree.Planted > before && (c.tree.Planted >= fall || c.age <= 2)
}

func plantingCut(c *context) []draft {
	if !c.firstSeason() || c.shrub() || c.tooSmall() {
		return nil
	}
	value := c.school.Value("planting_cut")
	d := draft{
		kind: PlantingCut, opens: later(c.at(Planting, 0), c.at(LeafFallBefore, 0)), closes: c.stage(almanac.BudBreak, 0),
		minutes: 15, cautions: []string{c.cleaning()},
		reasons: []Reason{reason("planting-"+value).by("planting_cut", value), c.headAt(), reason("form-height").said(string(c.tree.Form)), c.stage(almanac.BudBreak, 0).reason("before-bud-break")},
	}
	if c.tree.AsWhip {
		d.reasons = d.reasons[1:] // there is nothing to shorten on a whip
	}
	if c.yard.Place.Climate.ColdWinter() { // a fresh head dies back in deep cold
		d.opens = later(d.opens, c.stage(almanac.BudBreak, -coldWeeks*7))
		d.reasons = append(d.reasons, d.opens.reason("deep-cold-first"))
	}
	d.grades = []Grade{
		{d.opens.Day, d.closes.Day, Better, "buds-still-asleep"},
		{shift(d.closes.Day, 1), shift(d.closes.Day, 21), Possible, "buds-knock-off"},
		{open, open, Harmful, "leaves-build-roots"},
	}
	return []draft{d}
}

// coldWeeks before bud break the worst cold is over (ours).
const coldWeeks = 6

// headAt says at what height a new tree is headed, by form and school, and what stands below the cut.
func (c *context) headAt() Reason {
	y := c.young()
	first := 0.0
	if len(y.WiresCM) > 0 {
		first = y.WiresCM[0]
	}
	rule := "head-branched"
	if c.tree.AsWhip {
		rule = "head-whip"
	}
	h, err := training.HeadingFor(y.Form, y.Branched, 0, first, y.LowerCM, nil)
	if err != nil {
		return reason(rule)
	}
	return reason(rule).num(h.NominalCM, "cm").by("first_limb", c.school.Value("first_limb"))
}
