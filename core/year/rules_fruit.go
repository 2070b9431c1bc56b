package year

import (
	"math"

	"vertumna/core/almanac"
	"vertumna/core/crop"
	"vertumna/core/pomology"
)

func (c *context) bears() bool { return c.tree.Bears(c.season, c.south) }

// thinned says whether the kind's fruit is thinned by hand here.
func (c *context) thinned() bool { return c.tree.Kind.Crop.HandThinned || c.tree.Wishes.ThinAnyway }

// frostCount: the morning after a night under the 10 % kill temperature of the stage the tree stood at. A job is named by its night, so
// that one logged late renames none; of a night told twice the coldest counts.
func frostCount(c *context) []draft {
	var out []draft
	dates := c.dates()
	coldest := map[almanac.Day]int{} // the place in out of a night's count
	for _, e := range c.entries {
		if e.Kind != FrostEntry || e.Season != c.season {
			continue
		}
		key, share, ok := almanac.FrostKey(dates, e.Date)
		if !ok {
			continue
		}
		t10, _, err := almanac.KillTemps(c.tree.Kind.Slug, key, share)
		if err != nil || e.Tmin > t10 {
			continue
		}
		at := logged(e.Date, 1)
		d := draft{kind: FrostCount, n: int(e.Date), opens: at, closes: after(at, 5), reasons: []Reason{
			reason("frost-night").on(Logged, e.Date).num(e.Tmin, "C").over(t10).said(key), reason("open-buds").num(fewBudsToOpen, "buds").over(crop.SureBuds),
		}}
		if k, told := coldest[e.Date]; !told {
			coldest[e.Date] = len(out)
			out = append(out, d)
		} else if e.Tmin < out[k].reasons[0].Number {
			out[k] = d
		}
	}
	return out
}

// FrostHurts says whether a night with this low, C, kills one flower or young fruit in ten of a tree, at the stage it stands at then.
func (tp *TreePlan) FrostHurts(night almanac.Day, tmin float64) bool {
	var dates almanac.Dates
	for _, s := range almanac.AllStages() {
		dates[s] = tp.Anchors.Day(s.String())
	}
	key, share, ok := almanac.FrostKey(dates, night)
	if !ok {
		return false
	}
	t10, _, err := almanac.KillTemps(tp.Tree.Kind.Slug, key, share)
	return err == nil && tmin <= t10 // a kind without a table of its own is not judged
}

func (c *context) dates() almanac.Dates {
	var d almanac.Dates
	for _, s := range almanac.AllStages() {
		d[s] = c.a.Day(s.String())
	}
	return d
}

// frostAlive is the share of fruit buds alive after the season's frost nights, 1 when none hurt.
func (c *context) frostAlive() float64 {
	dates := c.dates()
	var nights []almanac.FrostNight
	for _, e := range c.entries {
		if e.Kind != FrostEntry || e.Season != c.season {
			continue
		}
		if key, share, ok := almanac.FrostKey(dates, e.Date); ok {
			nights = append(nights, almanac.FrostNight{Key: key, Share: share, Tmin: e.Tmin})
		}
	}
	loss, err := almanac.FrostKill(c.tree.Kind.Slug, nights)
	if err != nil {
		return 1
	}
	return loss.Alive
}

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

// countSet: thinned kinds are counted; every other bearing tree gets a glance for limb load.
func countSet(c *context) []draft {
	if !c.bears() {
		return nil
	}
	at := after(c.petalFall(), 14)
	d := draft{kind: CountSet, opens: at, closes: after(at, 21), reasons: []Reason{at.reason("glance-at-set")}}
	if c.thinned() {
		d.reasons[0] = at.reason("count-before-thinning")
		if opens, _, _ := c.thinWindow(); opens.Day > at.Day {
			d.closes = opens
		}
		if r, ok := c.lastYear(); ok {
			d.reasons = append(d.reasons, r)
		}
		if f := c.fruit(); f != nil && f.ToCount > 0 {
			d.reasons = append(d.reasons, reason("count-limbs").num(float64(f.ToCount), "limbs").over(float64(f.Limbs)))
			d.minutes = float64(minutesACount * f.ToCount)
		}
	}
	return []draft{d}
}

func bag(c *context) []draft {
	if !c.tree.Wishes.Bag || !c.bears() {
		return nil
	}
	opens, closes, _ := c.thinWindow()
	d := draft{kind: Bag, opens: closes, reasons: []Reason{reason("bag-after-thinning"), reason("spray-label")}, cautions: []string{"ladder"}}
	if !c.thinned() {
		d.opens = opens
	} else if e, ok := finished(c.logged(Thin)); ok {
		d.opens = logged(e.Date, 0)
	} else {
		d.held = []Reason{reason("thinning-first").on("thin", opens.Day)}
	}
	d.closes = after(d.opens, 14)
	if f := c.fruit(); f != nil && f.Keep > 0 {
		d.reasons = append(d.reasons, reason("bags").num(float64(f.Keep), "bags"))
		d.minutes = minutesABag * float64(f.Keep)
	}
	return []draft{d}
}

func leavesOff(c *context) []draft {
	if !c.tree.Wishes.LeavesOff || !c.bears() {
		return nil
	}
	h := c.stage(almanac.HarvestStart, 0)
	return []draft{{kind: LeavesOff, opens: after(h, -21), closes: h, reasons: []Reason{h.reason("colour-before-harvest")}}}
}

func harvest(c *context) []draft {
	if !c.bears() {
		return nil
	}
	h := c.stage(almanac.HarvestStart, 0)
	if !h.Day.Known() {
		return nil
	}
	d := draft{kind: HarvestTask, opens: h, closes: c.at(HarvestEnd, 0), reasons: []Reason{h.reason("ripe-by-heat"), reason("log-kilos")}}
	if b := c.tree.Kind.Growth.Bearing; b == pomology.OnSpurs || b == pomology.OnSpursAndNew {
		d.reasons = append(d.reasons, reason("spare-the-spur"))
	}
	if _, over, _ := c.height(); over {
		d.cautions = []string{"ladder"}
	}
	if f := c.fruit(); f != nil && f.KG > 0 && !c.picked().Known() {
		d.reasons = append(d.reasons, reason("crop-coming").num(f.KG, "kg"))
		d.minutes = math.Max(5, f.KG/pickedAMinuteKG)
	}
	if nb := c.tree.Kind.Phenology.NotBeforeMonth; nb > 0 {
		d.reasons = append(d.reasons, reason("not-before-date"))
	}
	return []draft{d}
}

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

// storedLooks are the days after cutting on which stored wood is looked at: at once, then monthly (training.md#h-graft_wood).
var storedLooks = []int{1, 3, 30, 60}

// paperLooks are the same for wood in damp paper, which moulds sooner: weekly at first (ours).
var paperLooks = []int{1, 3, 7, 14, 21, 30, 45, 60}

// stored: wood cut for grafting is looked at in the first days and monthly, until it is grafted.
func stored(c *context) []draft {
	e, ok := finished(c.logged(GraftWood))
	if !ok || e.Outcome == NothingNeeded {
		return nil
	}
	if _, grafted := finished(c.logged(Graft)); grafted {
		return nil
	}
	var out []draft
	looks, why := storedLooks, "stored-wood"
	if e.InPaper {
		looks, why = paperLooks, "stored-in-paper"
	}
	for i, days := range looks {
		at := logged(e.Date, days)
		d := draft{kind: StoredLook, n: i + 1, opens: at, closes: after(at, 3), reasons: []Reason{at.reason(why)}}
		if days >= 30 {
			d.closes = after(at, 10)
			d.reasons = append(d.reasons, reason("graft-a-month-on"))
		}
		out = append(out, d)
	}
	return out
}

func graftWood(c *context) []draft {
	if !c.tree.Wishes.GraftWood {
		return nil
	}
	close := c.stage(almanac.BudSwell, 0)
	return []draft{{kind: GraftWood, opens: c.at(DeepFrom, 0), closes: close, reasons: []Reason{close.reason("single-buds-asleep"), reason("graft-wood-late")}, cautions: []string{c.cleaning()}}}
}
