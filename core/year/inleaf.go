package year

import "slices"

// When live wood is cut in leaf.
const (
	CutInLeaf   = "planned"       // a cut in leaf is on the plan of the year
	NotThisYear = "not-this-year" // the tree stays low enough without
	NeverInLeaf = "never"         // by school, kind or aim
)

// LeafCut says whether a tree loses live wood in leaf in a tree year, summer shoots and sprouts apart. Its slips and years go by it:
// what the year does not plan, no slip asks for.
type LeafCut struct {
	When string
	Why  Reason // where it is not planned
}

// leafRules are the cuts in leaf that take live wood of the crown.
var leafRules = []rule{stoneSummerCut, restrainingCut, heightCut, autumnHeight}

func (c *context) leafCut() LeafCut {
	if c.forming() { // its steps say what is pinched and levelled
		return LeafCut{NotThisYear, c.noLeafReason("frame")}
	}
	if c.cutsInLeaf() {
		return LeafCut{When: CutInLeaf}
	}
	high := *c
	high.takenAsHigh = true
	switch {
	case high.cutsInLeaf():
		return LeafCut{NotThisYear, c.noLeafReason("low")}
	case c.age <= 1:
		return LeafCut{NotThisYear, c.noLeafReason("young")}
	case c.aim.Aim == Build || c.aim.Aim == Retire:
		return LeafCut{NeverInLeaf, c.noLeafReason(string(c.aim.Aim))}
	case c.shrub():
		return LeafCut{NeverInLeaf, c.noLeafReason("shrub")}
	case c.school.Is("height_cut", "dormant-reduction"):
		return LeafCut{NeverInLeaf, c.noLeafReason("dormant-reduction").by("height_cut", "dormant-reduction")}
	case c.school.Is("height_cut", "autumn"):
		return LeafCut{NeverInLeaf, c.noLeafReason("autumn-frost").by("height_cut", "autumn")}
	}
	return LeafCut{NotThisYear, c.noLeafReason("short-summer")}
}

func (c *context) noLeafReason(why string) Reason { return reason("no-leaf-cut-" + why) }

// cutsInLeaf: a cut in leaf has days that are good for it.
func (c *context) cutsInLeaf() bool {
	good := func(g Grade) bool { return g.Level == Better }
	for _, r := range leafRules {
		for _, d := range r(c) {
			if d.opens.Day.Known() && d.closes.Day.Known() && slices.ContainsFunc(d.grades, good) {
				return true
			}
		}
	}
	return false
}
