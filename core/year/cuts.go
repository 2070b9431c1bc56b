package year

import "vertumna/core/almanac"

// open is a grade bound that runs to the end of the tree year.
const open = almanac.NoDay

// aimReason says what the tree's aim asks of a cut, in winter or in summer.
func (c *context) aimReason(summer bool) Reason {
	rule := "aim-" + string(c.aim.Aim)
	switch {
	case summer && c.aim.Aim != Retire:
		rule += "-summer"
	case !summer && c.aim.Aim == Hold && c.school.Is("height_cut", "dormant-reduction"):
		rule = "aim-hold-dormant"
	case !summer && c.aim.Aim == Hold && c.inLeaf.When == NeverInLeaf:
		rule = "aim-hold-winter"
	case !summer && c.aim.Aim == Hold && c.inLeaf.When == NotThisYear:
		rule = "aim-hold-low"
	}
	return reason(rule).said(c.aim.Rule)
}

func (c *context) bearingReason() Reason {
	return reason("bears-on").said(string(c.tree.Kind.Growth.Bearing))
}

// petalFall is petal fall, or ten days after full bloom for kinds without petals to watch.
func (c *context) petalFall() Bound {
	if b := c.stage(almanac.PetalFall, 0); b.Day.Known() {
		return b
	}
	return c.stage(almanac.FullBloom, 10)
}

// frostBound is so many weeks before the first autumn frost, or before leaf fall where a site has no frost.
func (c *context) frostBound(weeks, weeksBeforeFall int) Bound {
	if b := c.at(FirstFrost50, -7*weeks); b.Day.Known() {
		return b
	}
	return c.stage(almanac.LeafFall, -7*weeksBeforeFall)
}

// cutCautions are the safety cautions of cutting work on this tree.
func (c *context) cutCautions() []string {
	out := []string{"saw", "wet-bark"}
	if h, over, _ := c.height(); over {
		out = append(out, "ladder")
		if h > 4 {
			out = append(out, "arborist", "power-lines")
		}
	}
	out = append(out, c.tree.Kind.Year.Cautions...)
	return append(out, c.cleaning(), "burning")
}

// cleaning is the caution about tools, by school.
func (c *context) cleaning() string {
	if c.school.Is("cleaning", "every-cut") {
		return "clean-cuts"
	}
	return "clean-tools"
}

// summerShare is what a summer cut may take of the crown as it stands when the dormant part has gone.
func (c *context) summerShare() float64 {
	limit := c.account.Limit
	switch c.aim.Aim {
	case Retire:
		return 0
	case Restrain:
		return min(c.account.Left, limit)
	}
	dormant := limit * dormantPart
	return min(c.account.Left, 1-(1-limit)/(1-dormant))
}

// carried are the reasons handed on from what was left last season.
func (c *context) carried() (out []Reason) {
	for _, e := range c.entries {
		if e.Season == c.season-1 && e.Kind == WorkEntry && (e.Outcome == Left || e.Outcome == Part) && isCut(e.Task) {
			out = append(out, reason("carried-over").on(Logged, e.Date).said(e.Reason))
		}
	}
	return out
}

func isCut(k TaskKind) bool { return taskFacts[k].Cut }
