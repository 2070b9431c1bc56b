package year

// StoredLook is a look at wood stored for grafts.
const StoredLook TaskKind = "stored-look"

var storedLookFacts = TaskFacts{Mark: CareMark, Minutes: 5, Instead: "look-anyway", Harm: 1}

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
