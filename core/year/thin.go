package year

import (
	"vertumna/core/almanac"
	"vertumna/core/crop"
	"vertumna/core/pomology"
)

// Thin is the thinning of fruit.
const Thin TaskKind = "thin"

var thinFacts = TaskFacts{Mark: ThinMark, Minutes: 45, Instead: "thin-still", Harm: 3, WantsFruit: true}

// Days of thinning (work.md#fruit; our estimates): stone fruit from three weeks after bloom on, never less than two
// weeks; next year's buds of pome fruit are laid from 30 days after bloom on.
const (
	afterBloomDays = 21
	leastThinDays  = 14
	nextYearDays   = 30
)

// forNextYear says what thinning in a window does for next year's bloom, of pome fruit that comes in with much to set.
func (c *context) forNextYear(opens Bound) (r Reason, ok bool) {
	f, by := c.fruit(), c.stage(almanac.FullBloom, nextYearDays)
	if f == nil || c.group() != pomology.Pome || f.Standing.State != crop.On && f.Standing.State != crop.Rebound || !by.Day.Known() {
		return Reason{}, false
	}
	if opens.Day <= by.Day {
		return by.reason("thin-for-next-year"), true
	}
	return by.reason("thin-after-next-year"), true
}

// thinWindow is when fruit is thinned, and by which rule.
func (c *context) thinWindow() (opens, closes Bound, why Reason) {
	school := c.school.Value("thin_time")
	switch {
	case school == "bloom":
		opens, closes = c.stage(almanac.FirstBloom, 0), c.petalFall()
		return opens, closes, opens.reason("thin-at-bloom").by("thin_time", school)
	case c.group() == pomology.Stone:
		opens, closes = earlier(c.stage(almanac.Fruit18, 0), c.stage(almanac.FullBloom, afterBloomDays)), c.stage(almanac.PitHardening, 0)
		if !c.tree.Kind.Crop.HandThinned { // small-fruited plums
			opens, closes = c.at(Fruit14, 0), earlier(c.at(Fruit19, 0), closes)
		}
		closes = later(closes, after(opens, leastThinDays))
		return opens, closes, opens.reason("thin-before-stone-hardens").num(c.tree.Kind.Crop.OpenMM, "mm").over(c.tree.Kind.Crop.CloseMM).by("thin_stone", c.school.Value("thin_stone"))
	case school == "fruitlet-18":
		opens = c.stage(almanac.Fruit18, 0)
		return opens, after(opens, 21), opens.reason("thin-at-fruitlet").num(18, "mm").by("thin_time", school)
	}
	opens = c.stage(almanac.DropEnd, 0)
	return opens, after(opens, 21), opens.reason("thin-after-drop").by("thin_time", school)
}

// thin: too many fruit make small ones, broken limbs and no buds for next year.
func thin(c *context) []draft {
	if !c.bears() || !c.thinned() || c.aim.Aim == Retire {
		return nil
	}
	opens, closes, why := c.thinWindow()
	if !opens.Day.Known() {
		return nil
	}
	early, seen, measured := c.fruitAhead()
	if measured { // the fruit itself dates what hangs on its size
		opens, closes = after(opens, -early), after(closes, -early)
	}
	key := "thin_pome"
	if c.group() == pomology.Stone {
		key = "thin_stone"
	}
	d := draft{kind: Thin, opens: opens, closes: closes, reasons: []Reason{why, reason("spacing-"+c.school.Value(key)).by(key, c.school.Value(key))}}
	if c.group() != pomology.Stone && key == "thin_pome" {
		d.reasons[1] = d.reasons[1].num(c.tree.Kind.Crop.SpacingLowCM, "cm").over(c.tree.Kind.Crop.SpacingHighCM)
	}
	if last := c.a.Day(LastFrost10); last.Known() && last > opens.Day && c.school.Is("thin_time", "after-drop") {
		d.held = append(d.held, reason("frost-danger-first").on(LastFrost10, last))
	}
	if alive := c.frostAlive(); alive < 1 {
		d.reasons = append(d.reasons, reason("frost-first-count").num(alive, "share"))
	}
	if measured && early != 0 {
		d.reasons = append(d.reasons, reason("fruit-measured").on(Logged, seen.Date).num(seen.FruitMM, "mm").over(c.a.FruitMM(seen.Date, c.tree.Kind.Crop.RipeMM)))
	}
	if r, ok := c.forNextYear(opens); ok {
		d.reasons = append(d.reasons, r)
	}
	c.thinByNumbers(&d)
	d.grades = []Grade{
		{open, shift(opens.Day, -1), Possible, "frost-may-still-thin"},
		{opens.Day, closes.Day, Better, "thin-in-time"},
		{shift(closes.Day, 1), shift(closes.Day, 21), Possible, "late-thin-saves-limbs"},
		{open, open, Harmful, "too-late-to-size"},
	}
	return []draft{d}
}

// fruitless: with so few buds alive nothing is thinned before the set was counted (est.).
const fruitless = 0.3

// thinByNumbers gives the thinning task what the counts say: how many, how long, or that it may be skipped.
func (c *context) thinByNumbers(d *draft) {
	if r, ok := c.lastYear(); ok {
		d.reasons = append(d.reasons, r)
	}
	f := c.fruit()
	if frost, e, ok := c.frostCounted(); ok {
		d.reasons = append(d.reasons, reason("frost-counted").on(Logged, e.Date).num(frost.Share, "share").over(frost.Low))
		if frost.Share < fruitless && (f == nil || !f.Counted) {
			d.reasons = append(d.reasons, reason("thin-only-after-count"))
			d.minutes = taskFacts[CountSet].Minutes
		}
	}
	if f == nil || !f.Counted {
		return
	}
	switch f.Verdict {
	case "skip", "nothing":
		d.reasons = append(d.reasons, reason("thin-skip").num(float64(f.Keep), "fruit"))
		d.minutes = taskFacts[CountSet].Minutes
	case "strip":
		d.reasons = append(d.reasons, reason("thin-strip").num(float64(f.Remove), "fruit"))
	default:
		d.reasons = append(d.reasons, reason("thin-number").num(float64(f.Keep), "fruit").over(float64(f.Remove)))
	}
	if f.Minutes > 0 && f.Verdict != "skip" {
		d.minutes = f.Minutes
	}
}
