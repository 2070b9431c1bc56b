package year

import (
	"vertumna/core/almanac"
	"vertumna/core/pomology"
)

// families are the kinds that stand in for each other between schools.
var families = [][]TaskKind{
	{DormantCut, SummerCut},
	{HeightCut, AutumnHeight},
	{RestrainCut},
	{SummerShoots},
	{Thin},
}

// familyRules are the rules whose windows depend on the school.
var familyRules = []rule{dormantCut, stoneSummerCut, restrainingCut, heightCut, summerShoots, autumnHeight, thin}

// compareSchools gives each task of a family what the other presets would do in its place.
func compareSchools(y *Yard, c *context, tasks []Task) {
	for _, p := range pomology.Presets() {
		if p.Slug == c.school.Preset {
			continue
		}
		school, err := pomology.School{Preset: p.Slug}.Resolve(y.Place.Climate.WetWinter(), nil)
		if err != nil {
			continue
		}
		other := *c
		other.school, other.aim = school, AimOf(c.tree, c.season, c.south, school)
		other.reachM = y.ReachM(c.tree, school)
		var drafts []draft
		for _, r := range familyRules {
			drafts = append(drafts, r(&other)...)
		}
		for i := range tasks {
			if o, ok := otherFor(&tasks[i], drafts, p.Slug); ok {
				tasks[i].Others = append(tasks[i].Others, o)
			}
		}
	}
}

func otherFor(t *Task, drafts []draft, preset string) (Other, bool) {
	for _, family := range families {
		if !contains(family, t.Kind) {
			continue
		}
		for _, d := range drafts {
			if contains(family, d.kind) && d.opens.Day.Known() {
				same := d.kind == t.Kind && d.opens.Day == t.Window.Opens.Day && d.closes.Day == t.Window.Closes.Day
				return Other{Preset: preset, Kind: d.kind, Opens: d.opens.Day, Closes: d.closes.Day}, !same
			}
		}
		return Other{Preset: preset, Kind: t.Kind, Opens: almanac.NoDay, Closes: almanac.NoDay, Never: true}, true
	}
	return Other{}, false
}

func contains(kinds []TaskKind, k TaskKind) bool {
	for _, x := range kinds {
		if x == k {
			return true
		}
	}
	return false
}

// addCompany works out who pollinates whom from this season's bloom, and warns.
func addCompany(y *Yard, e *almanac.Ensemble, p *Plan, byTree map[string][]Entry) error {
	south := y.Place.Site.South()
	var blooms []pomology.Bloom
	for _, tp := range p.Trees {
		blooms = append(blooms, bloomOf(tp.Tree, tp.Anchors, e.Season, south, tp.Account))
	}
	for i := range y.Trees {
		if t := &y.Trees[i]; t.Elsewhere {
			a, err := anchorsFor(y, e, t, byTree[t.ID])
			if err != nil {
				return err
			}
			blooms = append(blooms, bloomOf(t, a, e.Season, south, nil))
		}
	}
	verdicts := pomology.Companions(blooms)
	sole := pomology.SolePartners(verdicts)
	for i := range verdicts {
		v, tp := &verdicts[i], &p.Trees[i]
		tp.Company = v
		if v.Warning != "" {
			days := 0
			for _, o := range v.Overlaps {
				days = max(days, o.Days)
			}
			tp.Warnings = append(tp.Warnings, reason("company-"+v.Warning).num(float64(days), "days").over(float64(v.WantDays)))
		}
		if lost := sole[tp.Tree.ID]; len(lost) > 0 {
			tp.Warnings = append(tp.Warnings, reason("others-depend").num(float64(len(lost)), "trees"))
		}
	}
	return nil
}

func bloomOf(t *Tree, a *Anchors, season int, south bool, acc *Account) pomology.Bloom {
	first, last := a.Day(almanac.FirstBloom.String()), a.Day(almanac.PetalFall.String())
	if !last.Known() {
		last = shift(a.Day(almanac.FullBloom.String()), 10)
	}
	return pomology.Bloom{
		ID: t.ID, Kind: t.Kind, Cultivar: t.Cultivar, Triploid: t.Triploid, SelfFertile: t.SelfFertile, Elsewhere: t.Elsewhere,
		First: int(first), Last: int(last), Known: first.Known() && last.Known(),
		TooYoung: !t.Elsewhere && !t.Bears(season, south), HardCut: acc != nil && acc.Dormant > 0.5,
	}
}
