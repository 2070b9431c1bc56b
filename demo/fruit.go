package demo

import (
	"fmt"
	"math"

	"vertumna/core/almanac"
	"vertumna/core/crop"
	"vertumna/core/pomology"
	"vertumna/core/year"
	"vertumna/store"
)

// The demo's years of fruit: the last one before today's froze at bloom, the ones before were as usual; one old tree bears by
// turns. All numbers are made up.

// frozen says whether a season of the demo froze at bloom.
func frozen(season, now int) bool { return season == now-1 }

// alternates is the tree that bears one year and rests the next.
const alternates = "lower-terrace-C1"

// aliveAfterFrost is the share of flower buds alive after the freeze: early bloomers lost nearly all.
func aliveAfterFrost(t *year.Tree, d dice, season int) float64 {
	switch t.Kind.Group {
	case "stone":
		return math.Round(100*(0.03+0.12*d.roll(t.ID, season, 31))) / 100
	case "pome":
		return math.Round(100*(0.10+0.15*d.roll(t.ID, season, 31))) / 100
	}
	return math.Round(100*(0.6+0.3*d.roll(t.ID, season, 31))) / 100
}

// carries is about what a low-held demo tree carries to ripeness, fruit: half of what its trunk could, an old one less.
func carries(t *year.Tree) float64 {
	return 0.45 * float64(crop.Reference(t.Kind, pomology.Section(math.Min(t.TrunkMM, 120))))
}

// setIn is the fruit a tree set in a season, before thinning.
func setIn(t *year.Tree, d dice, season, now, age int) float64 {
	full := math.Min(1, float64(age)/float64(max(1, t.Kind.Care.YearsToFullCrop)))
	set := full * (1.2 + 1.2*d.roll(t.ID, season, 32)) * carries(t)
	switch {
	case frozen(season, now):
		set *= aliveAfterFrost(t, d, season)
	case t.ID == alternates && (now-season)%2 == 1:
		set *= 0.12
	case season == now:
		set *= 0.7
		if t.Kind.Crop.HandThinned {
			set *= 3.4 // the year after a freeze
		}
	}
	return math.Round(set)
}

// frostCounts are the counts of frosted buds in the year that froze.
func frostCounts(c *store.Contents, p *year.Plan, d dice, season, now int, today almanac.Day) (out []store.Entry) {
	if !frozen(season, now) {
		return nil
	}
	for _, tp := range p.Trees {
		bloom := tp.Anchors.Day(almanac.FullBloom.String())
		if !bloom.Known() || bloom+2 > today || !tp.Tree.Bears(season, c.Orchard.Site.South()) {
			continue
		}
		out = append(out, store.Entry{
			TreeID: tp.Tree.ID, Date: bloom + 2, Season: season, Kind: "work", Task: string(year.FrostCount), Outcome: "done", Minutes: 15, Who: c.People[0].Name,
			Fruiting: &store.Fruiting{Opened: 60, Alive: int(math.Round(60 * aliveAfterFrost(tp.Tree, d, season)))},
		})
	}
	return out
}

// fruitWork fills in what a count, a thinning or a harvest says; a thinning becomes a pass over each limb.
func fruitWork(e store.Entry, t *year.Task, tp *year.TreePlan, d dice, now int) []store.Entry {
	set := setIn(tp.Tree, d, e.Season, now, tp.Age)
	limbs := maps[tp.Tree.ID].scaffolds
	each := set / float64(max(1, limbs))
	kept := math.Min(set, math.Round(carries(tp.Tree)))
	if !tp.Tree.Kind.Crop.HandThinned {
		kept = set
	}
	switch t.Kind {
	case year.CountSet:
		e.Fruiting = &store.Fruiting{Set: set, SetLow: math.Round(0.8 * set), SetHigh: math.Round(1.2 * set)}
		for k := range min(3, limbs) {
			e.Fruiting.Counts = append(e.Fruiting.Counts, store.LimbCount{Limb: fmt.Sprint("S", k+1), Fruit: int(math.Round(each * (0.8 + 0.4*d.roll(tp.Tree.ID, e.Season, 40+k))))})
		}
		if !tp.Tree.Kind.Crop.HandThinned {
			e.Fruiting = &store.Fruiting{Glance: glanceOf(set / carries(tp.Tree))}
		}
	case year.Thin:
		if set <= kept*1.1 { // nothing to thin
			e.Outcome, e.Note = "nothing-needed", "few enough this year; only touching fruit off"
			return []store.Entry{e}
		}
		var out []store.Entry
		left := int(math.Round(kept / float64(limbs)))
		for k := range limbs {
			p := e
			p.Minutes = math.Round(e.Minutes / float64(limbs))
			p.Fruiting = &store.Fruiting{Limb: fmt.Sprint("S", k+1), Pass: 1, Way: "hand", Left: left, Taken: max(0, int(math.Round(each))-left)}
			if k < limbs-1 {
				p.Outcome = "part"
			}
			out = append(out, p)
		}
		return out
	case year.HarvestTask:
		picked := math.Round(kept * 0.92)
		g := crop.Mass(tp.Tree.Kind, 0, picked, 0.6*pomology.Section(math.Min(tp.Tree.TrunkMM, 120))) * (0.92 + 0.16*d.roll(tp.Tree.ID, e.Season, 33))
		e.Fruit, e.Kilos = int(picked), math.Round(picked*g/100)/10
		if picked < 1 {
			e.Outcome, e.Fruit, e.Kilos, e.Note = "nothing-needed", 0, 0, "nothing hung"
			return []store.Entry{e}
		}
		first, last := t.Window.Opens.Day, e.Date
		e.Fruiting = &store.Fruiting{First: &first, Last: &last, Quality: []string{"keeping", "table", "table", "kitchen"}[int(4*d.roll(tp.Tree.ID, e.Season, 34))%4], Went: []string{"shelf and table", "jars", "given to the lane"}[int(3*d.roll(tp.Tree.ID, e.Season, 35))%3]}
	}
	return []store.Entry{e}
}

// lateHarvests are those of bearing trees whose fruit does not ripen by warmth alone and is taken in before the frost.
func lateHarvests(c *store.Contents, d dice, season, now int, shown almanac.Day) (out []store.Entry) {
	south := c.Orchard.Site.South()
	_, last := year.Rail(season, south)
	if last-6 > shown {
		return nil
	}
	for i := range c.Trees {
		t, err := c.Trees[i].Core()
		if err != nil || !t.Bears(season, south) || t.Elsewhere {
			continue
		}
		picked := false
		for _, e := range c.Entries {
			picked = picked || e.TreeID == t.ID && e.Season == season && e.Task == string(year.HarvestTask)
		}
		n := math.Round(0.9 * setIn(&t, d, season, now, t.AgeIn(season, south)))
		if picked || n < 1 {
			continue
		}
		out = append(out, store.Entry{
			TreeID: t.ID, Date: last - 6, Season: season, Kind: "work", Task: string(year.HarvestTask), Outcome: "done", Who: c.People[0].Name,
			Fruit: int(n), Kilos: math.Round(n*t.Kind.Crop.MassG/100) / 10, Note: "taken in before the frost", Fruiting: &store.Fruiting{Quality: "kitchen"},
		})
	}
	return out
}

func glanceOf(load float64) string {
	switch {
	case load < 0.1:
		return "none"
	case load < 0.7:
		return "few"
	case load < 1.5:
		return "right"
	case load < 2.6:
		return "many"
	}
	return "crowded"
}

// earlierHarvests are kilos of the alternating tree in the years before its journal was kept in full.
func earlierHarvests(o *planting, now int) (out []store.Entry) {
	for i := range o.trees {
		if o.trees[i].ID != alternates {
			continue
		}
		for back := 6; back > pastSeasons; back-- {
			season := now - back
			kg, n := 46.0, 310
			if back%2 == 1 {
				kg, n = 6, 30
			}
			day := almanac.DateOf(season, 9, 26)
			out = append(out, store.Entry{
				TreeID: alternates, Date: day, Season: season, Kind: "work", Task: string(year.HarvestTask), Outcome: "done", Kilos: kg + float64(back), Fruit: n + 3*back, Who: o.people[0].Name,
				Note: "from the kitchen calendar", Fruiting: &store.Fruiting{Quality: "kitchen"},
			})
		}
	}
	return out
}
