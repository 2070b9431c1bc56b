package year

// SecondLook is the look after thinning.
const SecondLook TaskKind = "second-look"

var secondLookFacts = TaskFacts{Mark: ThinMark, Minutes: 10, Instead: "look-when-picking", Harm: 1, WantsFruit: true}

// secondLook comes a week after thinning: what was hidden shows.
func secondLook(c *context) []draft {
	e, ok := finished(c.logged(Thin))
	if !ok {
		return nil
	}
	at := logged(e.Date, 6)
	d := draft{kind: SecondLook, opens: at, closes: after(at, 8), reasons: []Reason{reason("second-look").on(Logged, e.Date)}}
	if f := c.fruit(); f != nil && f.Again > 0 {
		d.reasons = append(d.reasons, reason("second-again").num(float64(f.Again), "limbs"))
		d.minutes = float64(minutesACount * f.Again)
	}
	return []draft{d}
}
