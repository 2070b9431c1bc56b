package year

// Bag is the bagging of fruit.
const Bag TaskKind = "bag"

var bagFacts = TaskFacts{Mark: ThinMark, Minutes: 30, Instead: "no-bags", Harm: 1, WantsFruit: true}

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
