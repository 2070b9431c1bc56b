package year

import "vertumna/core/almanac"

// ChooseShoot is the choice among shoots that a stub or heading cut woke.
const ChooseShoot TaskKind = "choose-shoot"

var chooseShootFacts = TaskFacts{Mark: CareMark, Minutes: 10, Instead: "choose-in-winter", Harm: 1}

// chooseShoot: where a stub or heading cut woke several shoots, one is chosen eight weeks into growth.
func chooseShoot(c *context) []draft {
	for _, e := range c.account.entries {
		if e.Headed {
			at := later(logged(e.Date, 56), c.stage(almanac.BudBreak, 56))
			return []draft{{kind: ChooseShoot, opens: at, closes: after(at, 28), reasons: []Reason{at.reason("one-of-several").said(e.Reason)}}}
		}
	}
	return nil
}
