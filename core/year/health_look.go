package year

import (
	"vertumna/core/almanac"
	"vertumna/core/pomology"
)

// HealthLook is the look for limbs that struggle, while leaves still tell.
const HealthLook TaskKind = "health-look"

var healthLookFacts = TaskFacts{Mark: CareMark, Minutes: 5, Instead: "winter-signs", Harm: 1}

// healthLook marks limbs that struggle while leaves still tell.
func healthLook(c *context) []draft {
	slow := c.stage(almanac.ShootSlowing, 0)
	d := draft{kind: HealthLook, opens: slow, closes: after(slow, 28), reasons: []Reason{slow.reason("leaves-tell")}}
	for _, t := range pomology.Threats(c.tree.Kind, c.yard.Hosts, c.tree.Resists) {
		r := reason("host-outside").said(t.Sickness.Slug)
		r.Value = t.Host.Slug
		d.reasons = append(d.reasons, r)
	}
	return []draft{d}
}
