package year

import (
	"math"

	"vertumna/core/almanac"
	"vertumna/core/pomology"
)

// HarvestTask is the harvest.
const HarvestTask TaskKind = "harvest"

var harvestTaskFacts = TaskFacts{Mark: PickMark, Minutes: 40, Instead: "pick-what-hangs", Harm: 2}

func harvest(c *context) []draft {
	if !c.bears() {
		return nil
	}
	h := c.stage(almanac.HarvestStart, 0)
	if !h.Day.Known() {
		return nil
	}
	d := draft{kind: HarvestTask, opens: h, closes: c.at(HarvestEnd, 0), reasons: []Reason{h.reason("ripe-by-heat"), reason("log-kilos")}}
	if b := c.tree.Kind.Growth.Bearing; b == pomology.OnSpurs || b == pomology.OnSpursAndNew {
		d.reasons = append(d.reasons, reason("spare-the-spur"))
	}
	if _, over, _ := c.height(); over {
		d.cautions = []string{"ladder"}
	}
	if f := c.fruit(); f != nil && f.KG > 0 && !c.picked().Known() {
		d.reasons = append(d.reasons, reason("crop-coming").num(f.KG, "kg"))
		d.minutes = math.Max(5, f.KG/pickedAMinuteKG)
	}
	if nb := c.tree.Kind.Phenology.NotBeforeMonth; nb > 0 {
		d.reasons = append(d.reasons, reason("not-before-date"))
	}
	return []draft{d}
}

// picked is the day the season's fruit was taken off for good, early or ripe; NoDay while some hangs.
func (c *context) picked() almanac.Day {
	for _, e := range c.logged(HarvestTask) {
		if e.Outcome == Done || e.Outcome == NothingNeeded {
			return e.Date
		}
	}
	return almanac.NoDay
}

// HarvestOver says whether a tree's fruit is off on a day: picked, or past the end of its harvest.
func (tp *TreePlan) HarvestOver(day almanac.Day) bool {
	end := tp.Anchors.Day(HarvestEnd)
	return tp.Picked.Known() || end.Known() && day > end
}

// cameTooLate says of a job that the fruit it is done on was picked before its time was over, and that nothing of it was done.
func (c *context) cameTooLate(t *Task) bool {
	picked := c.picked()
	return taskFacts[t.Kind].WantsFruit && picked.Known() && picked <= t.Window.Closes.Day && len(t.Entries) == 0
}
