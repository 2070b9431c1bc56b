package cut

import (
	"slices"

	"vertumna/core/find"
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// Parts of the year's level that the dormant slip may use, by the tree's aim: what holds a tree leaves a third for summer,
// what restrains or retires it takes no live wood in winter, for a winter cut builds.
var dormantPart = map[string]float64{"hold": firstWinter, "restore": firstWinter, "build": 1, "restrain": nothing, "retire": nothing}

// nothing live: a part of 0 would be all.
const nothing = 1e-6

// Numbers of the school's choices.
const (
	formationAge = 3
	topZone      = 0.8 // most of the top may go where the limit is kept zone by zone
)

// What the school's bud is worth against where a bud faces, in points (our estimates): less than a bud that faces inward costs.
const (
	schoolBud  = 10
	wrongOnTop = 20
)

// holding aims keep a limb where it is; the others want growth.
var holding = map[find.Aim]bool{find.Lower: true, find.Shorten: true, find.Subdue: true, find.Calm: true, find.Fruit: true, find.Bear: true}

// schoolsBud judges a cut by the bud the school leaves on top; false where the school does not make it.
func (p *Planner) schoolsBud(c *Candidate, aim find.Aim) bool {
	if p.o.BudTo == "" || c.Bud == "" {
		return true
	}
	onlyFruit := c.Bud.Fruits() && !c.Bud.HasLeaf() || c.Kind == limb.FruitBud
	switch {
	case p.o.BudTo == AlwaysLeaf:
		return !onlyFruit
	case p.o.BudTo == LeafOutward && onlyFruit:
		c.points("bud-stops", -wrongOnTop)
	case p.o.BudTo == LeafOutward && c.Class == limb.Outward:
		c.points("bud-leads", schoolBud)
	case p.o.BudTo == FruitToHold && holding[aim] && c.Kind != limb.FruitBud && c.Bud.Fruits():
		c.points("bud-holds", schoolBud)
	case p.o.BudTo == FruitToHold && !holding[aim] && onlyFruit:
		c.points("bud-stops", -wrongOnTop)
	}
	return true
}

// bySchoolsBud orders cuts anew by the school's bud.
func (p *Planner) bySchoolsBud(cuts []Candidate, aim find.Aim) []Candidate {
	if p.o.BudTo == "" {
		return cuts
	}
	out := cuts[:0]
	for _, c := range cuts {
		if p.schoolsBud(&c, aim) {
			out = append(out, c)
		}
	}
	slices.SortStableFunc(out, bestFirst)
	return out
}

// ForSchool are the options of a slip under a school, for a tree of an aim and age. The account (Used, BigUsed, ZonesUsed) is
// the caller's.
func ForSchool(school pomology.Resolved, kind *pomology.Kind, aim string, age int, season limb.Season) Options {
	o := Options{
		Level: LevelOf(school.LimitFor(kind)), Slack: solvedWithin, AimFirst: true,
		NeverTip: school.Is("limb_ends", "never"), NoStub: school.Is("cut_end", "collar"), BudTo: BudTo(school.Value("bud_to")),
		LeaveLong: school.Is("side_shoots", "long"), StoneAnyTime: !school.Is("stone_cut", "dry-summer"),
		CountAll: school.Is("counts", "all"), SproutsFree: school.Is("sprouts", "free"),
	}
	summerFirst := aim == "restore" && school.Is("restoration", "summer-first")
	if season != limb.Summer {
		if o.Part = dormantPart[aim]; summerFirst {
			o.Part = nothing
		}
	}
	if school.Is("limit_scope", "per-zone") {
		c := school.LimitFor(kind)
		o.Zones, o.Level = &[3]float64{c, c, topZone}, Third
	}
	switch {
	case school.Is("height_cut", "dormant-reduction"):
		o.HeightCut = WhenDormant
	case aim != "build" && aim != "restore" || summerFirst:
		o.HeightCut = InSummer
	}
	switch school.Value("summer_pome") {
	case "upright-out":
		o.SummerShoots = UprightOnly
	case "leave":
		o.SummerShoots = LeaveShoots
	}
	if age <= formationAge && school.Is("formation_exempt", "to-year-3") {
		o.Level, o.Part, o.Zones = Formation, 1, nil
	}
	return o
}

// WithoutLeafCut are the options of a tree whose year has no cut in leaf: there only sick wood and suckers go, and where it never has
// one, the whole limit is the winter's.
func (o Options) WithoutLeafCut(no NoLeaf, season limb.Season) Options {
	if no == "" {
		return o
	}
	o.NoLeaf = no
	switch {
	case season == limb.Summer:
		o.Part = nothing
	case no == NeverInLeaf:
		o.HeightCut = WhenDormant
		if o.Part == firstWinter {
			o.Part = 1
		}
	}
	return o
}
