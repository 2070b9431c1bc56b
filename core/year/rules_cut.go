package year

import (
	"vertumna/core/almanac"
	"vertumna/core/pomology"
)

// open is a grade bound that runs to the end of the tree year.
const open = almanac.NoDay

// dormantCut: the frame, the form, tip and renew. Its window depends on what wounds of the group meet in winter.
func dormantCut(c *context) []draft {
	if c.age <= 1 || c.forming() { // the planting cut, and the steps of its frame, stand in its place
		return nil
	}
	d := draft{kind: DormantCut, cautions: c.cutCautions(), share: c.dormantShare()}
	switch c.group() {
	case pomology.Pome:
		if c.aim.Aim == Restrain || c.aim.Aim == Retire {
			return nil
		}
		c.pomeWindow(&d)
	case pomology.Stone:
		if c.school.Is("stone_cut", "dry-summer") {
			return nil
		}
		c.stoneWindow(&d)
	default:
		c.otherWindow(&d)
	}
	if c.shrub() {
		d.reasons = append(d.reasons, reason("shrub-renewal").num(float64(4), "stems").over(6))
	}
	if c.school.Is("height_cut", "dormant-reduction") {
		d.reasons = append(d.reasons, reason("height-with-dormant").by("height_cut", "dormant-reduction"))
	}
	d.reasons = append(d.reasons, c.aimReason(false), c.bearingReason())
	d.reasons = append(d.reasons, c.carried()...)
	return []draft{d}
}

// aimReason says what the tree's aim asks of a cut, in winter or in summer.
func (c *context) aimReason(summer bool) Reason {
	rule := "aim-" + string(c.aim.Aim)
	switch {
	case summer && c.aim.Aim != Retire:
		rule += "-summer"
	case !summer && c.aim.Aim == Hold && c.school.Is("height_cut", "dormant-reduction"):
		rule = "aim-hold-dormant"
	case !summer && c.aim.Aim == Hold && c.inLeaf.When == NeverInLeaf:
		rule = "aim-hold-winter"
	case !summer && c.aim.Aim == Hold && c.inLeaf.When == NotThisYear:
		rule = "aim-hold-low"
	}
	return reason(rule).said(c.aim.Rule)
}

func (c *context) bearingReason() Reason {
	return reason("bears-on").said(string(c.tree.Kind.Growth.Bearing))
}

func (c *context) pomeWindow(d *draft) {
	bud, swell := c.stage(almanac.BudBreak, 0), c.stage(almanac.BudSwell, 0)
	fall, petal := c.a.Day(LeafFallBefore), c.petalFall().Day
	deepFrom := c.a.Day(DeepFrom)
	early := Possible
	earlyWhy := "wounds-wait-for-growth"
	if c.yard.Place.Climate.ColdWinter() {
		early, earlyWhy = Harmful, "wounds-open-in-cold"
	}
	value := c.school.Value("pome_cut")
	switch value {
	case "deep-dormancy":
		d.opens, d.closes = c.at(DeepFrom, 0), c.at(DeepTo, 0)
		d.grades = []Grade{
			{fall, shift(deepFrom, -1), Harmful, "still-storing"},
			{deepFrom, d.closes.Day, Better, "deep-dormancy"},
			{shift(d.closes.Day, 1), bud.Day, Possible, "buds-swollen"},
			{shift(bud.Day, 1), petal, Harmful, "buds-knock-off"},
		}
	case "after-bud-break":
		d.opens, d.closes = bud, c.petalFall()
		d.grades = []Grade{
			{fall, shift(deepFrom, -1), Harmful, "still-storing"},
			{deepFrom, shift(bud.Day, -1), early, earlyWhy},
			{bud.Day, petal, Better, "closes-at-once"},
		}
	default:
		d.opens, d.closes = c.stage(almanac.BudBreak, -42), bud
		d.grades = []Grade{
			{fall, shift(deepFrom, -1), Harmful, "still-storing"},
			{deepFrom, shift(d.opens.Day, -1), early, earlyWhy},
			{d.opens.Day, swell.Day, Better, "worst-cold-over"},
			{shift(swell.Day, 1), bud.Day, Possible, "buds-swollen"},
			{shift(bud.Day, 1), petal, Possible, "buds-knock-off"},
		}
	}
	d.grades = append(d.grades, Grade{open, open, Harmful, "leaves-lost-no-rest"})
	d.reasons = append(d.reasons, bud.reason("pome-"+value).by("pome_cut", value))
}

func (c *context) stoneWindow(d *draft) {
	swell, bud, bloom := c.stage(almanac.BudSwell, 0), c.stage(almanac.BudBreak, 0), c.stage(almanac.FullBloom, 0)
	value := c.school.Value("stone_cut")
	wet := c.yard.Place.Climate.WetWinter()
	before := Grade{c.a.Day(LeafFallBefore), shift(swell.Day, -1), Possible, "winterkill-not-seen"}
	if wet {
		before = Grade{before.From, before.To, Harmful, "wet-wounds"}
	}
	if value == "dormant" {
		d.opens, d.closes = c.at(DeepFrom, 0), swell
		d.grades = []Grade{{d.opens.Day, swell.Day, Better, "dormant-by-school"}, {shift(swell.Day, 1), bloom.Day, Possible, "winterkill-shows"}}
		if wet {
			d.grades[0] = Grade{d.opens.Day, swell.Day, Harmful, "wet-wounds"}
		}
	} else {
		d.opens, d.closes = swell, bloom
		if c.yard.Place.Climate.ColdWinter() {
			d.opens = bud
		}
		d.grades = []Grade{before, {d.opens.Day, bloom.Day, Better, "winterkill-shows"}}
	}
	petal := c.petalFall().Day
	d.grades = append(d.grades, Grade{shift(bloom.Day, 1), petal, Possible, "petals-falling"}, Grade{open, open, Harmful, "leaves-lost-no-rest"})
	d.reasons = append(d.reasons, d.closes.reason("stone-"+value).by("stone_cut", value))
	if wet {
		d.reasons = append(d.reasons, reason("wet-winter-warning").num(c.yard.Place.Climate.WetDormancy, "share").over(0.33))
	}
}

// otherWindow: fig, persimmon, mulberry, pomegranate. Fig waits until dieback shows, from a week before bud break to two
// weeks after (ours): live wood can only be told from dead when its buds move.
func (c *context) otherWindow(d *draft) {
	bud := c.stage(almanac.BudBreak, 0)
	d.opens, d.closes = c.stage(almanac.BudSwell, 0), bud
	why := "end-buds-bear"
	if c.tree.Kind.Year.DiebackShows {
		d.opens, d.closes, why = c.stage(almanac.BudBreak, -7), c.stage(almanac.BudBreak, 14), "dieback-shows"
	}
	d.grades = []Grade{
		{c.a.Day(LeafFallBefore), shift(d.opens.Day, -1), Possible, "winterkill-not-seen"},
		{d.opens.Day, d.closes.Day, Better, why},
		{shift(d.closes.Day, 1), shift(d.closes.Day, 21), Possible, "buds-knock-off"},
		{open, open, Harmful, "leaves-lost-no-rest"},
	}
	if c.yard.Place.Climate.ColdWinter() {
		d.grades[0].Level, d.grades[0].Reason = Harmful, "wounds-open-in-cold"
	}
	d.reasons = append(d.reasons, bud.reason(why))
}

// petalFall is petal fall, or ten days after full bloom for kinds without petals to watch.
func (c *context) petalFall() Bound {
	if b := c.stage(almanac.PetalFall, 0); b.Day.Known() {
		return b
	}
	return c.stage(almanac.FullBloom, 10)
}

// frostBound is so many weeks before the first autumn frost, or before leaf fall where a site has no frost.
func (c *context) frostBound(weeks, weeksBeforeFall int) Bound {
	if b := c.at(FirstFrost50, -7*weeks); b.Day.Known() {
		return b
	}
	return c.stage(almanac.LeafFall, -7*weeksBeforeFall)
}

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
