package year

// LimbDue is a limb that a person decided about until a day.
const LimbDue TaskKind = "limb-due"

var limbDueFacts = TaskFacts{Mark: CareMark, Minutes: 5, Instead: "decide-still", Harm: 1}

// dueDays is how long a limb whose day has come stands on the docket (our estimate).
const dueDays = 21

// limbsDue are the limbs a person decided about until a day: the day is a job, whatever the plan makes of the limb.
func limbsDue(c *context) []draft {
	var out []draft
	from, to := Rail(c.season, c.south)
	for _, l := range c.tree.Decided {
		if l.Due < from || l.Due > to {
			continue
		}
		at := Bound{l.Due, l.Due, l.Due, DateSaid, 0, "said"}
		r := reason("limb-due").on(DateSaid, l.Due).said(l.Limb)
		r.Value = l.State
		// by limb and day: it keeps its name when another limb's decision goes, and is another job when it is put off
		d := draft{kind: LimbDue, key: l.Limb, n: int(l.Due), opens: at, closes: after(at, dueDays), reasons: []Reason{r}}
		if l.Reason != "" {
			d.reasons = append(d.reasons, reason("limb-due-why").said(l.Reason))
		}
		out = append(out, d)
	}
	return out
}
