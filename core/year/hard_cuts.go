package year

import (
	"cmp"
	"slices"
	"strings"

	"vertumna/core/almanac"
)

// What a hard cut books.
const (
	SproutVisit   TaskKind = "sprout-visit"   // a look for sprouts after a hard cut
	MeasureHeight TaskKind = "measure-height" // the height after a hard cut, measured at the solstice
)

var (
	sproutVisitFacts   = TaskFacts{Mark: CareMark, Minutes: 10, Instead: "cut-in-winter", Harm: 1}
	measureHeightFacts = TaskFacts{Mark: CareMark, Minutes: 3, Instead: "measure-still"}
)

// Sizes of a cut that books its follow-up (year.md#tasks).
const (
	hardShare   = 0.15
	hardWoundMM = 25
)

// hardCut tells whether an entry was a hard cut.
func hardCut(e Entry) (Reason, bool) {
	if e.Kind != WorkEntry || !isCut(e.Task) || e.FreeOnly {
		return Reason{}, false
	}
	widest := 0.0
	for _, d := range e.CutMM {
		widest = max(widest, d)
	}
	switch {
	case widest >= hardWoundMM:
		return reason("hard-cut-wound").on(Logged, e.Date).num(widest, "mm").over(hardWoundMM), true
	case e.Share >= hardShare:
		return reason("hard-cut-share").on(Logged, e.Date).num(e.Share, "share").over(hardShare), true
	}
	return Reason{}, false
}

// mostWounds is how many wounds a sprout visit names.
const mostWounds = 4

// woundsOf names the limbs that were cut widest, the widest first: where a tree sprouts.
func woundsOf(e Entry) string {
	ws := slices.Clone(e.Wounds)
	slices.SortStableFunc(ws, func(a, b Wound) int { return cmp.Compare(b.MM, a.MM) })
	var names []string
	for _, w := range ws[:min(mostWounds, len(ws))] {
		if !slices.Contains(names, w.Limb) {
			names = append(names, w.Limb)
		}
	}
	return strings.Join(names, ", ")
}

// hardCutFollowUps books sprout visits three and eight weeks after bud break (after the cut when it was made in leaf)
// and the height at the solstice.
func hardCutFollowUps(c *context) []draft {
	var out []draft
	bud, solstice := c.stage(almanac.BudBreak, 0), c.at(SummerSolstice, 0)
	booked := false
	for _, e := range c.account.entries {
		why, hard := hardCut(e)
		if !hard || booked {
			continue
		}
		booked = true
		from := bud
		if e.Date > bud.Day {
			from = logged(e.Date, 0)
		}
		for i, weeks := range []int{3, 8} {
			at := after(from, 7*weeks)
			d := draft{kind: SproutVisit, n: i + 1, opens: at, closes: after(at, 10), reasons: []Reason{why, at.reason("sprout-visit").num(float64(weeks), "weeks")}}
			if names := woundsOf(e); names != "" {
				d.reasons = append(d.reasons, reason("sprouts-below").said(names))
			}
			out = append(out, d)
		}
		if e.Date < solstice.Day {
			out = append(out, draft{kind: MeasureHeight, opens: solstice, closes: after(solstice, 14), reasons: []Reason{why, solstice.reason("height-at-solstice")}})
		}
	}
	return out
}
