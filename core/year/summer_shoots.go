package year

import (
	"vertumna/core/almanac"
	"vertumna/core/pomology"
)

// SummerShoots is the shortening of this year's shoots.
const SummerShoots TaskKind = "summer-shoots"

var summerShootsFacts = TaskFacts{Cut: true, Mark: SummerMark, Instead: "spur-in-winter", Harm: 1}

// summerShoots shortens this year's shoots of vigorous pome to about five leaves.
func summerShoots(c *context) []draft {
	if c.forming() && !c.flat() { // what grows on its frame is chosen, not shortened
		return nil
	}
	value := c.school.Value("summer_pome")
	if c.group() != pomology.Pome || value == "leave" || c.age <= 2 || c.aim.Aim == Retire {
		return nil
	}
	why, ok := c.vigorous()
	if !ok {
		return nil
	}
	slow := c.stage(almanac.ShootSlowing, 0)
	d := draft{
		kind: SummerShoots, opens: slow, closes: earlier(after(slow, 42), c.frostBound(8, 8)), share: min(c.account.Left, 0.05),
		cautions: []string{"heat", c.cleaning()},
		reasons:  []Reason{slow.reason("shoots-"+value).by("summer_pome", value), why},
	}
	d.grades = []Grade{
		{open, shift(slow.Day, -1), Possible, "breaks-again"},
		{slow.Day, d.closes.Day, Better, "growth-slows"},
		{shift(d.closes.Day, 1), open, Harmful, "soft-shoots-meet-frost"},
	}
	return []draft{d}
}

// vigorous says whether a tree grows strongly enough for its shoots to be shortened, and why.
func (c *context) vigorous() (Reason, bool) {
	switch {
	case c.flat():
		return reason("flat-form-needs-it"), true
	case c.tree.ShootCM > vigorousShoots*c.tree.Kind.Growth.ExtensionCM:
		return reason("long-shoots").num(c.tree.ShootCM, "cm").over(c.tree.Kind.Growth.ExtensionCM), true
	case c.tree.Class.Steps() > 0:
		return reason("strong-stock").said(string(c.tree.Class)), true
	}
	return Reason{}, false
}

const vigorousShoots = 1.2 // times the kind's usual extension; ours
