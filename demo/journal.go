package demo

import (
	"math"
	"sort"
	"strings"

	"vertumna/core/almanac"
	"vertumna/core/year"
	"vertumna/store"
)

// Seasons of journal before the one of today.
const pastSeasons = 2

// settleDays: what closed so many days ago has been logged; what closed later is left for the person at the demo.
const settleDays = 16

// dice are the demo's choices: the same orchard and day give the same journal.
type dice struct{ seed uint64 }

func (d dice) roll(tree string, season int, channel int) float64 {
	return almanac.NewStream(d.seed^almanac.SiteSeed(tree), almanac.Day(season), channel).U()
}

// journal walks the past seasons of the orchard's own plans and logs what a careful but busy owner would.
func journal(o *planting, today almanac.Day) ([]store.Entry, error) {
	c := &store.Contents{Orchard: &o.doc, People: o.people, Trees: o.trees, Own: nil}
	south := o.doc.Site.South()
	now := year.SeasonOf(today, south)
	d := dice{almanac.SiteSeed(o.doc.Slug)}
	c.Entries = earlierHarvests(o, now)
	for season := now - pastSeasons; season <= now; season++ {
		ens, err := almanac.NewEnsemble(o.doc.Site, almanac.SiteSeed(o.doc.Site.Slug), nil, season)
		if err != nil {
			return nil, err
		}
		from, to := year.Rail(season, south)
		shown := min(to, today)
		asItWas, err := lived(o.doc.Site, season, shown)
		if err != nil {
			return nil, err
		}
		c.Entries = append(c.Entries, observedStages(c, asItWas, d, season, shown)...)
		for round := range 2 { // the second walk meets the follow-ups of the first
			y, err := c.Yard(shown)
			if err != nil {
				return nil, err
			}
			p, err := year.Make(y, ens, shown)
			if err != nil {
				return nil, err
			}
			if round == 0 {
				c.Entries = append(c.Entries, frostCounts(c, p, d, season, now, today)...)
			}
			for _, tp := range p.Trees {
				c.Entries = append(c.Entries, workOn(tp, o, d, season, from, today)...)
			}
		}
		c.Entries = append(c.Entries, lateHarvests(c, d, season, now, shown)...)
		c.Entries = append(c.Entries, measures(c, d, season, from, shown)...)
		sort.SliceStable(c.Entries, func(i, j int) bool { return c.Entries[i].Date < c.Entries[j].Date })
	}
	return c.Entries, nil
}

// lived is a season by the weather that the demo's own station tells of it, up to a day: what its owners saw.
func lived(site *almanac.Site, season int, shown almanac.Day) (*almanac.Ensemble, error) {
	seed := almanac.SiteSeed(site.Slug)
	var known []almanac.TempDay
	if from := almanac.SeasonStart(season, site.South()); from < shown {
		days, err := almanac.Weather(site, seed, from, shown-1)
		if err != nil {
			return nil, err
		}
		known = almanac.Temps(days)
	}
	return almanac.NewEnsemble(site, seed, known, season)
}

// standing are the trees that have stood for two years in a season.
func standing(c *store.Contents, season int) (out []year.Tree) {
	for i := range c.Trees {
		if t, err := c.Trees[i].Core(); err == nil && t.AgeIn(season, c.Orchard.Site.South()) >= 2 {
			out = append(out, t)
		}
	}
	return out
}

func observedStages(c *store.Contents, ens *almanac.Ensemble, d dice, season int, shown almanac.Day) (out []store.Entry) {
	for _, t := range standing(c, season) {
		spans, err := ens.Stages(almanac.StageRequest{Kind: t.Kind, ChillClass: t.Chill, BloomClass: t.Bloom, HarvestClass: t.Harvest, LeafFallBefore: almanac.NoDay})
		if err != nil {
			continue
		}
		late := almanac.Day(math.Round(6*d.roll(t.ID, season, 1)) - 3)
		for _, s := range []almanac.Stage{almanac.BudBreak, almanac.FullBloom} {
			on := spans.Spans[s].Median + late
			if !spans.Spans[s].Median.Known() || on > shown || s == almanac.BudBreak && d.roll(t.ID, season, 2) < 0.4 {
				continue
			}
			out = append(out, store.Entry{TreeID: t.ID, Date: on, Season: season, Kind: "observed", Stage: s.String(), Who: c.People[0].Name})
		}
	}
	return out
}

// measures: shoots and height in winter, height again after the summer cuts.
func measures(c *store.Contents, d dice, season int, from, shown almanac.Day) (out []store.Entry) {
	for _, t := range standing(c, season) {
		shoot := math.Round(t.Kind.Growth.ExtensionCM * (0.6 + 0.7*d.roll(t.ID, season, 3)))
		grown := math.Round((t.HeightM+0.1*d.roll(t.ID, season, 4))*20) / 20
		winter := from + 70 + almanac.Day(20*d.roll(t.ID, season, 5))
		if winter <= shown {
			out = append(out, store.Entry{TreeID: t.ID, Date: winter, Season: season, Kind: "measured", HeightM: grown, ShootCM: shoot, Who: c.People[0].Name})
		}
	}
	return out
}

// skipped are the kinds a demo owner leaves to the person at the screen or does not log.
var skipped = map[year.TaskKind]bool{year.GiveStake: true, year.GiveMulch: true, year.GiveWires: true, year.Repot: true, year.HealthLook: true, year.Sprouts: true, year.YoungCare: true}

// ofFruit are the jobs whose numbers the demo's owner never forgets to write down.
var ofFruit = map[year.TaskKind]bool{year.CountSet: true, year.Thin: true, year.HarvestTask: true}

func workOn(tp year.TreePlan, o *planting, d dice, season int, from, today almanac.Day) (out []store.Entry) {
	for i := range tp.Tasks {
		t := &tp.Tasks[i]
		if _, byHand := young[t.Tree]; byHand && t.Kind == year.Bend { // its devices are told one by one
			continue
		}
		if len(t.Entries) > 0 || skipped[t.Kind] || t.Window.Opens.Day < from-20 {
			continue
		}
		ch := int(almanac.SiteSeed(string(t.Kind)) % 1000)
		at := d.roll(t.Tree, season, ch)
		length := float64(t.Window.Closes.Day - t.Window.Opens.Day)
		on := saturday(t.Window.Opens.Day + almanac.Day(length*(0.35+0.4*at)))
		on = max(t.Window.Opens.Day, min(on, t.Window.Closes.Day))
		if on > today-3 || t.Window.Closes.Day > today-settleDays && at < 0.55 {
			continue
		}
		if at > 0.93 && !ofFruit[t.Kind] { // now and then a job is forgotten
			continue
		}
		e := store.Entry{
			TreeID: t.Tree, Date: on, Season: season, Kind: "work", Task: string(t.Kind), TaskID: t.ID, Outcome: "done",
			Minutes: math.Round(t.Minutes * (0.8 + 0.5*at)), Who: o.people[ch%len(o.people)].Name, School: o.doc.School.Preset,
			Grade: string(t.GradeOn(on).Level), Share: 0,
		}
		fillWork(&e, t, &tp, at)
		out = append(out, fruitWork(e, t, &tp, d, year.SeasonOf(today, o.doc.Site.South()))...)
	}
	return out
}

// fillWork adds what a task's log would say.
func fillWork(e *store.Entry, t *year.Task, tp *year.TreePlan, at float64) {
	facts, _ := t.Kind.Facts()
	switch {
	case t.Kind == year.Bend:
		e.Device = []string{"tie", "spreader", "clothespin"}[int(at*3)%3]
		e.ID = strings.ReplaceAll(t.ID, ".", "-") // its checks are named after it
	case facts.Cut && t.Kind != year.PlantingCut && t.Kind != year.Scaffolds:
		e.Share = math.Round(100*math.Min(t.Share, 0.2)*(0.55+0.4*at)) / 100
		e.Cuts = 6 + int(20*at)
		if tp.Aim.Aim == year.Restore && t.Kind == year.DormantCut {
			e.Outcome, e.Share, e.OpensSun = "part", 0.14, true
			e.Reason = "the two tall limbs over the path stay until there are two of us"
		}
		if e.Share == 0 {
			e.FreeOnly = true
		}
	}
	if at < 0.06 && facts.Cut {
		e.Outcome, e.Share, e.Cuts, e.Minutes = "left", 0, 0, 0
		e.Reason = "rain every free day; nothing urgent on it"
	}
}

// saturday is the Saturday at or before a day.
func saturday(d almanac.Day) almanac.Day { return d - almanac.Day((d.Weekday()+1)%7) }
