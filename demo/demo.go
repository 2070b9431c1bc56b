// Package demo fills a database with three made-up orchards: lower-terrace, sixteen trees close together in the north,
// saltwind, six trees south of the equator, and new-rows, seven young ones in training. Their journal is laid back from a given day by walking two and more past
// seasons of their own plans, so that it is always recent. All names are invented.
package demo

import (
	"context"
	"errors"

	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/core/year"
	"vertumna/store"
)

// First is the slug of the orchard that a demo opens with.
const First = "lower-terrace"

// Fill writes the demo orchards into a store, as if kept until today: both, or none. Error: *store.Conflict where they are there already.
func Fill(ctx context.Context, s *store.Store, today almanac.Day) error {
	return s.Together(ctx, func(s *store.Store) error {
		for _, build := range []func(almanac.Day) planting{lowerTerrace, saltwind, newRows} {
			o := build(today)
			if _, err := s.Orchard(ctx, o.doc.Slug); !errors.Is(err, store.ErrNotFound) {
				if err == nil {
					err = &store.Conflict{Fault: given.Fault{Code: "demo_there", Field: "orchard", Given: o.doc.Slug, Expected: "a program without it: the demo is open already"}}
				}
				return err
			}
			if err := o.write(ctx, s, today); err != nil {
				return err
			}
		}
		return nil
	})
}

// orchard is a demo orchard before it is written.
type planting struct {
	doc    store.Orchard
	people []store.Person
	trees  []store.Tree
	own    []store.OwnTask
	notes  []note
}

// note is something of its own in the journal, so many days before today.
type note struct {
	ago   int
	tree  string // code
	entry store.Entry
}

func (o planting) write(ctx context.Context, s *store.Store, today almanac.Day) error {
	if err := s.AddOrchard(ctx, &o.doc); err != nil {
		return err
	}
	for i := range o.people {
		if err := s.AddPerson(ctx, o.doc.ID, &o.people[i]); err != nil {
			return err
		}
	}
	byCode := map[string]string{}
	for i := range o.trees {
		t := &o.trees[i]
		t.ID = o.doc.Slug + "-" + t.Code
		byCode[t.Code] = t.ID
		if err := s.AddTree(ctx, o.doc.ID, t); err != nil {
			return err
		}
		if err := mapped(ctx, s, o.doc.ID, t, o.doc.Site.South(), today); err != nil {
			return err
		}
	}
	entries, err := journal(&o, today)
	if err != nil {
		return err
	}
	for _, n := range o.notes {
		n.entry.Date = today - almanac.Day(n.ago)
		n.entry.TreeID = byCode[n.tree]
		n.entry.Season = year.SeasonOf(n.entry.Date, o.doc.Site.South())
		if n.entry.Who == "" {
			n.entry.Who = o.people[0].Name
		}
		entries = append(entries, n.entry)
	}
	if err := s.AddEntries(ctx, o.doc.ID, entries); err != nil {
		return err
	}
	for i := range o.own {
		if err := s.AddOwnTask(ctx, o.doc.ID, &o.own[i]); err != nil {
			return err
		}
	}
	return nil
}

func site(slug string) *almanac.Site {
	for _, s := range almanac.Climates() {
		if s.Slug == slug {
			return &s
		}
	}
	return nil
}

// planted is the autumn so many years back, before the tree year of today.
func planted(today almanac.Day, years int, south bool) *almanac.Day {
	month := 11
	if south {
		month = 6
	}
	d := almanac.DateOf((today-120).Year()-years, month, 12)
	return &d
}

func rect(x0, y0, x1, y1 float64) []store.Point {
	return []store.Point{{X: x0, Y: y0}, {X: x1, Y: y0}, {X: x1, Y: y1}, {X: x0, Y: y1}}
}

func lowerTerrace(today almanac.Day) planting {
	age := func(years int) *almanac.Day { return planted(today, years, false) }
	whip := age(0)
	if *whip > today {
		whip = age(1)
	}
	return planting{
		doc: store.Orchard{
			Slug: First, Name: "Lower Terrace", Units: "metric", Site: site("lower-terrace"), SiteFrom: "demo climate",
			School: store.School{Preset: "steady", Own: map[string]string{}, Advice: []store.Advice{
				{Choice: "stone_cut", Office: "Plant health desk of the valley", Rule: "Cut stone fruit from July to mid August, in dry weather.", Date: "2024-05-02"},
			}},
			Needs: []store.Need{
				{Kind: "apple", FreshKG: 90, Jars: 20},
				{Kind: "pear", FreshKG: 30},
				{Kind: "asian-pear", FreshKG: 50},
				{Kind: "peach", FreshKG: 25, Jars: 20},
				{Kind: "european-plum", FreshKG: 8, Jars: 24},
				{Kind: "japanese-plum", FreshKG: 25},
				{Kind: "quince", Jars: 10},
			},
			Plot: store.Plot{Outline: rect(0, 0, 16, 12), Features: []store.Feature{
				{ID: "wall", Kind: "wall", Name: "Stone wall", HeightM: 1.9, FacesTo: 180, Points: []store.Point{{X: 0, Y: 12}, {X: 16, Y: 12}}},
				{ID: "fence", Kind: "fence", Name: "Lath fence", HeightM: 1.2, FacesTo: 270, Points: []store.Point{{X: 16, Y: 0}, {X: 16, Y: 11.6}}},
				{ID: "hedge", Kind: "hedge", Name: "Hornbeam hedge", HeightM: 1.6, FacesTo: 90, Points: []store.Point{{X: 0, Y: 2.6}, {X: 0, Y: 11.6}}},
				{ID: "path", Kind: "path", Name: "gravel path", WidthM: 0.9, Points: []store.Point{{X: 0, Y: 6.9}, {X: 12.6, Y: 6.9}, {X: 14, Y: 5.6}, {X: 14, Y: 0}}},
				{ID: "shed", Kind: "shed", Name: "tool shed", HeightM: 2.3, Points: rect(14.5, 2.6, 15.8, 4.6)},
				{ID: "bed", Kind: "bed", Name: "herb bed", Points: rect(14.5, 7.4, 15.7, 10.4)},
				{ID: "butt", Kind: "water", Name: "butt", WidthM: 0.8, Points: []store.Point{{X: 15.2, Y: 1.6}}},
			}},
		},
		people: []store.Person{
			{Name: "Orla", FingertipCM: 242, HandSpanCM: 19, HoursAWeek: [7]float64{0, 0, 0, 2, 0, 0, 4}, Tools: []store.Tool{{Name: "hand pruner", MaxMM: 18}, {Name: "loppers", MaxMM: 38}, {Name: "folding saw", MaxMM: 120}}},
			{Name: "Teo", FingertipCM: 250, HandSpanCM: 21, HoursAWeek: [7]float64{1, 0, 0, 0, 0, 0, 2}, Tools: []store.Tool{}},
		},
		trees: []store.Tree{
			{Code: "A1", Kind: "fig", Name: "Cistern Step", Cultivar: "Brown Lantern", Class: "semi-vigorous", ClassSource: "memory", Ground: "wall", Form: "flat-fan", Wires: true, Planted: age(9), X: 1.8, Y: 11.2, HeightM: 2.3, SpreadM: 2.8, TrunkMM: 90},
			{Code: "A2", Kind: "apricot", Name: "Brass Hinge", Cultivar: "Fairdawn", Class: "semi-dwarfing", ClassSource: "label", Rootstock: "green tag, no name", Ground: "wall", Form: "flat-fan", Wires: true, Planted: age(7), X: 5.3, Y: 11.2, HeightM: 2.2, SpreadM: 2.9, TrunkMM: 85},
			{Code: "A3", Kind: "pear", Name: "Ropewalk", Cultivar: "Amberley Keep", Class: "dwarfing", ClassSource: "label", Ground: "wall", Form: "wire-tiers", Wires: true, Planted: age(10), X: 9, Y: 11.2, HeightM: 2.1, SpreadM: 3, TrunkMM: 80, Bloom: "early", Bag: true},
			{Code: "A4", Kind: "peach", Name: "Nine Locks", Cultivar: "Red Furlong", Class: "semi-dwarfing", ClassSource: "memory", Ground: "wall", Form: "flat-fan", Wires: true, Planted: age(6), X: 12.8, Y: 11.2, HeightM: 2.2, SpreadM: 3, TrunkMM: 95},
			{Code: "B1", Kind: "sweet-cherry", Name: "Gantry Bell", Cultivar: "Blackmantle", Class: "dwarfing", ClassSource: "label", Stake: true, Form: "open-vase", Planted: age(8), X: 2.2, Y: 8.8, HeightM: 2.9, SpreadM: 2.4, TrunkMM: 100},
			{Code: "B2", Kind: "sour-cherry", Name: "Copper Stair", Cultivar: "Little Vesper", Class: "semi-dwarfing", ClassSource: "memory", Form: "low-bush", Planted: age(11), X: 5, Y: 8.7, HeightM: 2.1, SpreadM: 2.2, TrunkMM: 88},
			{Code: "B3", Kind: "european-plum", Name: "Lock Cottage", Cultivar: "Harrow Blue", Class: "semi-dwarfing", ClassSource: "guess", Suckering: true, Form: "open-vase", Planted: age(12), X: 7.9, Y: 8.8, HeightM: 2.8, SpreadM: 2.7, TrunkMM: 120},
			{Code: "B4", Own: map[string]string{"limit_scope": "per-zone"}, Kind: "japanese-plum", Name: "Towpath", Cultivar: "Gold Tally", Class: "semi-vigorous", ClassSource: "label", Form: "open-vase", Planted: age(5), X: 11.1, Y: 8.7, HeightM: 2.7, SpreadM: 2.6, TrunkMM: 78, Aim: "restrain"},
			{Code: "C1", Kind: "apple", Name: "Tollgate", Cultivar: "Winter Fennel", Class: "vigorous", ClassSource: "guess", Form: "modified-leader", Planted: age(31), X: 2.6, Y: 4.9, HeightM: 4.3, SpreadM: 3.6, TrunkMM: 210, Aim: "restore", Notes: "Came with the house, not cut for ten years or more.", GraftWood: true},
			{Code: "C2", Kind: "apple", Name: "Weir Russet", Cultivar: "Weir Russet", Class: "semi-dwarfing", ClassSource: "label", Form: "open-vase", Planted: age(9), X: 6.1, Y: 4.9, HeightM: 2.5, SpreadM: 2.6, TrunkMM: 105, Bloom: "late"},
			{Code: "C3", Kind: "asian-pear", Name: "Millrace", Cultivar: "Pale Sickle", Class: "semi-dwarfing", ClassSource: "label", Form: "modified-leader", Planted: age(13), X: 9.1, Y: 4.9, HeightM: 3.6, SpreadM: 2.4, TrunkMM: 118, Aim: "restore", Notes: "Grew as it liked for six years."},
			{Code: "D1", Kind: "quince", Name: "Bargeman", Cultivar: "Heron's Purse", Class: "semi-dwarfing", ClassSource: "memory", Form: "low-bush", Planted: age(10), X: 3.9, Y: 1.8, HeightM: 2.2, SpreadM: 2.4, TrunkMM: 95},
			{Code: "D2", Kind: "apple", Name: "Half Crown", Cultivar: "Half Crown", Class: "dwarfing", ClassSource: "label", Form: "open-vase", Planted: whip, AsWhip: true, X: 6.8, Y: 1.7, HeightM: 1.3, SpreadM: 0.4, TrunkMM: 14},
			{Code: "D3", Kind: "persimmon", Name: "Late Ledger", Cultivar: "Ember Fold", Class: "semi-dwarfing", ClassSource: "label", Form: "modified-leader", Planted: age(4), X: 9.8, Y: 1.8, HeightM: 2.0, SpreadM: 1.5, TrunkMM: 45},
			{Code: "T1", Kind: "nectarine", Name: "Green Tub", Cultivar: "Satin Lane", Class: "dwarfing", ClassSource: "label", Ground: "tub", TubLitres: 70, Form: "low-bush", Planted: age(4), X: 12.2, Y: 3.7, HeightM: 1.5, SpreadM: 1.2, TrunkMM: 38},
			{Code: "T2", Kind: "medlar", Name: "Blue Tub", Cultivar: "Old Bellows", Class: "dwarfing", ClassSource: "memory", Ground: "tub", TubLitres: 50, Form: "low-bush", Planted: age(6), X: 12.1, Y: 1.3, HeightM: 2.0, SpreadM: 1.8, TrunkMM: 44},
		},
		own: []store.OwnTask{
			{TreeID: "lower-terrace-B1", Title: "Net against birds", Stage: "harvest_start", OffsetDays: -18, ForDays: 10, Minutes: 40},
			{Title: "Empty and scrub the water butt", Date: planted(today, 1, false), EveryDays: 182, ForDays: 14, Minutes: 30},
		},
		notes: []note{
			{ago: 400, tree: "B3", entry: store.Entry{Kind: "trouble", Task: "thin", Reason: "the pole took spurs with the fruit; thin by hand"}},
			{ago: 186, tree: "D1", entry: store.Entry{Kind: "seen", Agent: "leaf aphids", Count: 12, Who: "Teo"}},
			{ago: 185, tree: "D1", entry: store.Entry{Kind: "treatment", Treatment: "none", Note: "Ladybirds were there two days later."}},
			{ago: 95, tree: "A4", entry: store.Entry{Kind: "seen", Agent: "brown rot on fruit", Count: 5}},
			{ago: 40, tree: "C2", entry: store.Entry{Kind: "note", Note: "Best keepers from the south side again."}},
		},
	}
}

func saltwind(today almanac.Day) planting {
	age := func(years int) *almanac.Day { return planted(today, years, true) }
	return planting{
		doc: store.Orchard{
			Slug: "saltwind", Name: "Saltwind", Units: "metric", Site: site("saltwind"), SiteFrom: "demo climate",
			School: store.School{Preset: "low-bush", Own: map[string]string{}},
			Plot: store.Plot{Outline: rect(0, 0, 10, 8), Features: []store.Feature{
				{ID: "wall", Kind: "wall", Name: "Shell wall", HeightM: 1.6, FacesTo: 0, Points: []store.Point{{X: 0, Y: 0}, {X: 10, Y: 0}}},
				{ID: "shade", Kind: "shade-tree", Name: "old she-oak", HeightM: 9, WidthM: 2.6, Points: []store.Point{{X: 9, Y: 7}}},
				{ID: "path", Kind: "path", Name: "boards", WidthM: 0.6, Points: []store.Point{{X: 0, Y: 4}, {X: 10, Y: 4}}},
			}},
		},
		people: []store.Person{{Name: "Iolo", HoursAWeek: [7]float64{3, 0, 0, 0, 0, 0, 0}, Tools: []store.Tool{}}},
		trees: []store.Tree{
			{Code: "A1", Kind: "apple", Name: "Stern", Cultivar: "Lowrigg", Class: "dwarfing", ClassSource: "label", Stake: true, Form: "low-bush", Planted: age(6), X: 1.8, Y: 6, HeightM: 1.7, SpreadM: 2, TrunkMM: 70},
			{Code: "A2", Kind: "apple", Name: "Bow", Cultivar: "Sallow Queen", Class: "dwarfing", ClassSource: "label", Stake: true, Form: "low-bush", Planted: age(6), X: 4.3, Y: 6, HeightM: 1.6, SpreadM: 1.9, TrunkMM: 66},
			{Code: "A3", Kind: "pear", Name: "Mizzen", Cultivar: "Tern's Egg", Class: "semi-dwarfing", ClassSource: "memory", Form: "low-bush", Planted: age(5), X: 6.8, Y: 6, HeightM: 1.9, SpreadM: 1.7, TrunkMM: 62},
			{Code: "B1", Kind: "european-plum", Name: "Keel", Cultivar: "Dusk Damson", Class: "semi-dwarfing", ClassSource: "guess", Form: "low-bush", Planted: age(7), X: 2.1, Y: 2, HeightM: 1.8, SpreadM: 2.1, TrunkMM: 80},
			{Code: "B2", Kind: "peach", Name: "Galley", Cultivar: "Copper Sound", Class: "semi-dwarfing", ClassSource: "memory", Form: "open-vase", Planted: age(6), X: 5, Y: 2, HeightM: 2.6, SpreadM: 2.3, TrunkMM: 82},
			{Code: "B3", Kind: "quince", Name: "Anchor", Cultivar: "Sea Purse", Class: "semi-dwarfing", ClassSource: "guess", Form: "low-bush", Planted: age(8), X: 7.9, Y: 2, HeightM: 1.7, SpreadM: 2, TrunkMM: 76},
		},
		notes: []note{{ago: 60, tree: "B2", entry: store.Entry{Kind: "seen", Agent: "leaf curl", Count: 9}}},
	}
}
