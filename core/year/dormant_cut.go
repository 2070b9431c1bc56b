package year

import (
	"vertumna/core/almanac"
	"vertumna/core/pomology"
)

// DormantCut is the cut of winter: the frame, the form, tip and renew.
const DormantCut TaskKind = "dormant-cut"

var dormantCutFacts = TaskFacts{Cut: true, Mark: WinterMark, Instead: "summer-instead", Harm: 2}

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

// dormantShare is how much of the crown the dormant cut may take: all of the limit when building or where no cut in leaf can follow,
// two thirds when holding or restoring, nothing live when restraining or retiring; never more than the account has left.
func (c *context) dormantShare() float64 {
	limit := c.account.Limit
	switch c.aim.Aim {
	case Hold, Restore:
		if c.inLeaf.When != NeverInLeaf {
			limit *= dormantPart
		}
	case Restrain, Retire:
		return 0
	}
	return min(c.account.Left, limit)
}

const dormantPart = 2.0 / 3 // the rest is the summer's (work.md#the-limit)
