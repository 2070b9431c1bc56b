package year

import "vertumna/core/pomology"

// SummerCut is the cut of stone fruit in dry summer weather.
const SummerCut TaskKind = "summer-cut"

var summerCutFacts = TaskFacts{Cut: true, Mark: SummerMark, Instead: "next-dry-summer", Harm: 3}

// stoneSummerCut: in wet-winter places stone fruit is cut only in dry summer weather, when its wounds close fast.
func stoneSummerCut(c *context) []draft {
	if c.group() != pomology.Stone || !c.school.Is("stone_cut", "dry-summer") || c.age <= 1 || c.forming() {
		return nil
	}
	harvestOver := c.at(HarvestEnd, 0)
	d := draft{
		kind: SummerCut, opens: earlier(harvestOver, c.at(SummerSolstice, 35)), closes: c.frostBound(4, 6),
		share: c.account.Left, cautions: append(c.cutCautions(), "heat"),
		reasons: []Reason{
			reason("stone-dry-summer").by("stone_cut", "dry-summer").num(c.yard.Place.Climate.WetDormancy, "share").over(0.33).said(c.school.Origin("stone_cut")),
		},
	}
	if c.aim.Aim == Retire {
		d.share = 0
	}
	d.reasons = append(d.reasons, d.opens.reason("opens-after-fruit"), d.closes.reason("before-frost"), c.aimReason(true), c.bearingReason())
	if d.closes.Day.Known() && d.opens.Day.Known() && d.closes.Day < d.opens.Day {
		d.closes = after(d.opens, 21)
		d.reasons = append(d.reasons, d.closes.reason("short-summer-dead-wood-only"))
		d.share = min(d.share, 0.05)
	}
	fall := c.a.Day(LeafFallBefore)
	winter := Grade{fall, c.petalFall().Day, Forbidden, "stone-only-dry-summer"}
	d.grades = []Grade{
		winter,
		{shift(winter.To, 1), shift(d.opens.Day, -1), Possible, "fruit-still-on"},
		{d.opens.Day, d.closes.Day, Better, "dry-summer"},
		{shift(d.closes.Day, 1), open, Harmful, "soft-shoots-meet-frost"},
	}
	d.reasons = append(d.reasons, c.carried()...)
	return []draft{d}
}
