package year

// Paint is the white paint on bark newly open to the sun.
const Paint TaskKind = "paint"

var paintFacts = TaskFacts{Mark: CareMark, Minutes: 15, Instead: "paint-still", Harm: 1}

// paint: bark newly open to the sun gets white paint within three weeks (ours).
func paint(c *context) []draft {
	for _, e := range c.account.entries {
		if e.OpensSun && !c.school.Is("paint", "none") {
			at := logged(e.Date, 0)
			return []draft{{kind: Paint, opens: at, closes: after(at, 21), reasons: []Reason{at.reason("bark-open").by("paint", c.school.Value("paint"))}}}
		}
	}
	return nil
}
