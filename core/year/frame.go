package year

import (
	"vertumna/core/almanac"
	"vertumna/core/pomology"
	"vertumna/core/training"
)

// The steps of a frame, by what is done.
const (
	FrameCut    TaskKind = "frame-cut"    // a winter step of a young tree's frame
	FrameSummer TaskKind = "frame-summer" // a summer step of a young tree's frame
	TieArms     TaskKind = "tie-arms"     // a step of its frame that ties arms
	StripFruit  TaskKind = "strip-fruit"  // the first years' fruit, taken off
)

var (
	frameCutFacts    = TaskFacts{Cut: true, Mark: WinterMark, Minutes: 15, Instead: "frame-later", Harm: 2}
	frameSummerFacts = TaskFacts{Cut: true, Mark: SummerMark, Minutes: 10, Instead: "frame-next", Harm: 1}
	tieArmsFacts     = TaskFacts{Mark: CareMark, Minutes: 30, Instead: "tie-later", Harm: 2}
	stripFruitFacts  = TaskFacts{Mark: ThinMark, Minutes: 10, Instead: "strip-still", Harm: 1}
)

// formTasks are the tasks that the steps of formation become; a step that is not here has a rule of its own.
var formTasks = map[training.StepKind]TaskKind{
	training.StripFruit: StripFruit,
	training.EvenOut:    FrameSummer, training.Level: FrameSummer, training.OneLeader: FrameSummer, training.Hold: FrameSummer,
	training.ShortenAll: FrameCut, training.Seconds: FrameCut, training.NextTier: FrameCut, training.StopAt: FrameCut, training.HeadWire: FrameCut, training.EndArms: FrameCut, training.EndLeader: FrameCut, training.MoreRibs: FrameCut, training.Stems: FrameCut, training.ThickSides: FrameCut,
	training.RaiseArms: TieArms, training.LayArms: TieArms, training.TwoRibs: TieArms, training.Over: TieArms,
	training.ChooseTier: Scaffolds, training.LaySides: Bend,
}

// formation books the steps of the tree's frame that are due this year.
func formation(c *context) []draft {
	if c.formation == nil || c.tooSmall() {
		return nil
	}
	var out []draft
	for _, s := range c.formation.Steps {
		kind, ok := formTasks[s.What]
		if !ok || s.Year != c.age {
			continue
		}
		d := draft{kind: kind, key: stepKey(s), step: &s, reasons: []Reason{c.stepReason(s)}}
		if kind != StripFruit {
			d.cautions = []string{c.cleaning()}
		}
		c.stepWindow(&d, s)
		out = append(out, d)
	}
	return out
}

// stepReason tells a step with its numbers.
func (c *context) stepReason(s training.Step) Reason {
	r := reason("form-"+string(s.What)).num(s.CM, "cm").over(s.HighCM)
	r.Step = &s
	return r
}

// stepWindow is when a step is made: in winter when its kind's wounds are safe, in growth by the solstice and the shoots.
func (c *context) stepWindow(d *draft, s training.Step) {
	bud := c.stage(almanac.BudBreak, 0)
	switch s.When {
	case "winter", "bud-break":
		switch {
		case d.kind == TieArms:
			d.opens, d.closes = c.at(LeafFallBefore, 0), c.stage(almanac.BudSwell, 0)
			d.cautions = append(d.cautions, "brittle-frost")
		case c.group() == pomology.Stone && c.school.Is("stone_cut", "dry-summer"):
			d.opens, d.closes = c.at(SummerSolstice, 0), c.at(SummerSolstice, 42)
			d.reasons = append(d.reasons, reason("stone-dry-summer").by("stone_cut", "dry-summer").num(c.yard.Place.Climate.WetDormancy, "share").over(0.33).said(c.school.Origin("stone_cut")))
		case c.group() == pomology.Stone:
			d.opens, d.closes = c.stage(almanac.BudSwell, 0), c.stage(almanac.FullBloom, 0)
		default:
			d.opens, d.closes = after(bud, -6*7), bud
		}
	case "solstice":
		d.opens, d.closes = c.at(SummerSolstice, 0), c.at(SummerSolstice, 28)
	case "slowing":
		slow := c.stage(almanac.ShootSlowing, 0)
		d.opens, d.closes = slow, after(slow, 28)
	default:
		d.opens, d.closes = c.at(Shoots10, 0), c.stage(almanac.ShootSlowing, 0)
		if d.kind == StripFruit {
			d.opens, d.closes = c.petalFall(), after(c.petalFall(), 42)
		}
	}
}
