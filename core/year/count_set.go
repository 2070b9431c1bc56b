package year

// CountSet is the count of what set.
const CountSet TaskKind = "count-set"

var countSetFacts = TaskFacts{Mark: ThinMark, Minutes: 10, Instead: "count-when-thinning", WantsFruit: true}

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
