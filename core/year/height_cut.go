package year

import (
	"vertumna/core/almanac"
	"vertumna/core/pomology"
)

// HeightCut is the cut that brings the tops back to reach after the solstice.
const HeightCut TaskKind = "height-cut"

var heightCutFacts = TaskFacts{Cut: true, Mark: SummerMark, Instead: "winter-reduction", Harm: 2}

// heightCut brings the tops back to reach after the solstice. It is dropped when the measured height needs none.
func heightCut(c *context) []draft {
	if c.shrub() || !c.school.Is("height_cut", "solstice-five-weeks", "midsummer-fruit-bud") {
		return nil
	}
	if c.forming() { // the bush is levelled, and held as a step of its frame
		return nil
	}
	lowBush := c.tree.Form == pomology.LowBush && c.aim.Aim == Build
	lowered := c.aim.Aim == Hold || c.aim.Aim == Restrain || c.aim.Aim == Restore // restoring comes down by a third in summer, as holding does
	if !lowered && !lowBush || c.age <= 1 && !lowBush {
		return nil
	}
	if len(restrainingCut(c)) > 0 || len(stoneSummerCut(c)) > 0 { // that cut does the height: one decision a season
		return nil
	}
	if !c.needsHeightCut() {
		return nil
	}
	value := c.school.Value("height_cut")
	opens := c.at(SummerSolstice, 0)
	d := draft{
		kind: HeightCut, opens: opens, closes: earlier(c.at(SummerSolstice, 35), c.frostBound(8, 8)),
		share: c.summerShare(), cautions: append(c.cutCautions(), "heat"),
	}
	if d.closes.Day < d.opens.Day {
		return nil
	}
	d.grades = []Grade{
		{open, shift(c.stage(almanac.BudBreak, 0).Day, -1), Possible, "winter-height-regrows"},
		{open, shift(opens.Day, -1), Harmful, "regrows-at-once"},
		{d.opens.Day, d.closes.Day, Better, "growth-slows"},
		{shift(d.closes.Day, 1), shift(d.closes.Day, 14), Possible, "shoots-must-ripen"},
		{open, open, Harmful, "soft-shoots-meet-frost"},
	}
	d.reasons = []Reason{c.heightReason(), opens.reason("height-"+value).by("height_cut", value), d.closes.reason("closes-for-ripening"), c.aimReason(true)}
	if lowBush && c.age <= 1 {
		d.reasons = append(d.reasons, reason("level-first-summer"))
	}
	d.reasons = append(d.reasons, c.carried()...)
	return []draft{d}
}

// needsHeightCut drops the height cut of a tree that a summer's growth cannot carry above reach: its height and its
// kind's (or its own measured) yearly extension stay below the line.
func (c *context) needsHeightCut() bool {
	h, _, known := c.height()
	if !known || c.takenAsHigh {
		return true
	}
	return h+c.extensionM() > c.reachM
}

func (c *context) extensionM() float64 {
	if c.tree.ShootCM > 0 {
		return c.tree.ShootCM / 100
	}
	return c.tree.Kind.Growth.ExtensionCM / 100
}

func (c *context) heightReason() Reason {
	h, over, known := c.height()
	switch {
	case !known:
		return reason("height-unknown").over(c.reachM)
	case over:
		return reason("height-over-reach").num(h, "m").over(c.reachM)
	}
	return reason("height-will-pass-reach").num(h+c.extensionM(), "m").over(c.reachM)
}
