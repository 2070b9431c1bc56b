package year

import "vertumna/core/almanac"

// CarriedCut is what the last slip left.
const CarriedCut TaskKind = "carried-limbs"

var carriedCutFacts = TaskFacts{Cut: true, Mark: WinterMark, Instead: "next-slip", Harm: 1}

// Carried limbs: how many are told one by one, and how long each takes (our estimates).
const (
	carriedTold    = 8
	carriedMinutes = 4
	lookAtLeast    = 5
)

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
