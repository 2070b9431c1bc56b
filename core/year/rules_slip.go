package year

import "vertumna/core/almanac"

// Carried limbs: how many are told one by one, and how long each takes (our estimates).
const (
	carriedTold    = 8
	carriedMinutes = 4
	lookAtLeast    = 5
)

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

// carriedLimbs brings back what the last slip left, in the season it is due: height in the weeks after the solstice, the
// rest before bud break. A slip worked since has looked at the tree anew and counts in its place.
func carriedLimbs(c *context) []draft {
	var last Entry
	for _, e := range c.entries {
		if e.Kind == WorkEntry && e.Slip {
			last = e
		}
	}
	if len(last.Carried) == 0 {
		return nil
	}
	bloom := c.stage(almanac.FullBloom, 0).Day
	inSummer := last.Season == c.season && bloom.Known() && last.Date > bloom || last.Season == c.season-1 && last.Date > shift(bloom, -365)
	var out []draft
	for _, summer := range []bool{true, false} {
		due := last.Season
		if !summer || inSummer {
			due++
		}
		if due != c.season {
			continue
		}
		d := draft{kind: CarriedCut, cautions: c.cutCautions()}
		n := 0
		for _, l := range last.Carried {
			if l.Summer != summer {
				continue
			}
			if n++; n <= carriedTold {
				r := reason("carried-limb").on(Logged, last.Date)
				r.Limb = l
				d.reasons = append(d.reasons, r)
			}
		}
		if n == 0 {
			continue
		}
		if n > carriedTold {
			d.reasons = append(d.reasons, reason("carried-more").num(float64(n-carriedTold), "limbs"))
		}
		d.minutes = float64(lookAtLeast + carriedMinutes*n)
		d.opens, d.closes = c.stage(almanac.BudBreak, -42), c.stage(almanac.BudBreak, 0)
		if summer {
			d.n = 1
			d.opens, d.closes = c.at(SummerSolstice, 0), c.at(SummerSolstice, 35)
		}
		d.grades = []Grade{{d.opens.Day, d.closes.Day, Better, "carried-here"}, {open, open, Possible, "outside-window"}}
		out = append(out, d)
	}
	return out
}
