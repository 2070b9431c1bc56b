package demo

import (
	"context"
	"fmt"

	"vertumna/core/almanac"
	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/core/pomology"
	"vertumna/core/year"
	"vertumna/store"
)

// mapping is how a demo tree was put on the map: sketched, then corrected by hand so that it shows its own faults.
type mapping struct {
	scaffolds int
	seed      uint64
	azimuths  []float64
	faults    []string
	edits     []limb.Edit
	past      bool // maps of the two years before are kept too
	tape      bool // every limb was gone over with tape and caliper
}

func set(id string, l limb.Limb) limb.Edit { return limb.Edit{Op: "set", ID: id, Limb: &l} }

func mark(id string, m limb.Mark) limb.Edit { return limb.Edit{Op: "mark", ID: id, Mark: &m} }

func tag(id, t string) limb.Edit { return limb.Edit{Op: "tag", ID: id, Tag: t} }

// measured is a limb gone over with tape, compass and caliper.
func measured(id string, azimuth, angle, length, mm float64) limb.Edit {
	return set(id, limb.Limb{AzimuthDeg: &azimuth, AngleBaseDeg: &angle, LengthCM: &length, DiameterMM: &mm})
}

func bud(id string, at, roll float64) limb.Edit {
	return limb.Edit{Op: "bud", ID: id, Bud: &limb.SeenBud{AtCM: at, RollDeg: &roll}}
}

// headedTwice is a side limb that was headed at one place two winters running, and shoots up from there again.
func headedTwice(on string) []limb.Edit {
	add := func(id, parent string, at, azimuth, angle, length, mm float64, cut bool, rings ...float64) limb.Edit {
		l := limb.Limb{
			ID: id, Parent: parent, AttachCM: &at, AzimuthDeg: &azimuth, AngleBaseDeg: &angle, AngleTipDeg: &angle, LengthCM: &length, DiameterMM: &mm, RingsCM: rings,
		}
		if cut {
			l.Tip = limb.Cut
		}
		return limb.Edit{Op: "add", Limb: &l}
	}
	return []limb.Edit{
		add("K", on, 45, 40, 50, 58, 13, true, 34, 24), add("K.1", "K", 55, 20, 30, 7, 8, true, 7), add("K.2", "K", 52, 95, 35, 9, 7, true, 9),
		add("K.1.1", "K.1", 5, 10, 12, 64, 7, false, 64), add("K.2.1", "K.2", 7, 110, 15, 58, 6, false, 58),
	}
}

// maps holds the mapping of every demo tree, by orchard and code.
var maps = map[string]mapping{
	"lower-terrace-A1": {scaffolds: 6, seed: 41, faults: []string{"dead", "sucker"}, edits: []limb.Edit{measured("S2", 90, 50, 150, 34), mark("S4", limb.Mark{Kind: limb.Weak})}},
	"lower-terrace-A2": {scaffolds: 7, seed: 42, faults: []string{"diseased", "water-sprout"}, edits: []limb.Edit{measured("S3", 90, 28, 165, 36)}},
	"lower-terrace-A3": {scaffolds: 6, seed: 43, faults: []string{"water-sprout"}, edits: []limb.Edit{
		measured("S1", 90, 85, 148, 29), set("S1", limb.Limb{Spurs: []limb.SpurCount{{FromCM: 20, ToCM: 70, Count: 14}}}),
	}},
	"lower-terrace-A4": {scaffolds: 6, seed: 44, faults: []string{"borer", "inward"}, edits: []limb.Edit{measured("S1", 90, 78, 150, 36)}},
	"lower-terrace-B1": {scaffolds: 4, seed: 45, faults: []string{"narrow", "water-sprout"}, edits: []limb.Edit{measured("S1", 20, 44, 200, 46), tag("S1", limb.Bark)}},
	"lower-terrace-B2": {scaffolds: 5, seed: 46, faults: []string{"dead", "hanging", "crossing"}, edits: []limb.Edit{measured("S2", 150, 30, 170, 38)}},
	"lower-terrace-B3": {scaffolds: 5, seed: 47, past: true, faults: []string{"sucker", "crossing", "water-sprout", "damaged"}, edits: []limb.Edit{
		measured("S1", 35, 50, 235, 52), mark("S2", limb.Mark{Kind: limb.Rubbing, AtCM: 120, Other: "S3"}),
		{Op: "state", ID: "S4", State: &limb.State{Kind: "left-to-bend", Reason: "the crop will bring it down to the path side"}},
	}},
	"lower-terrace-B4": {tape: true, scaffolds: 4, seed: 48, faults: []string{"water-sprout", "water-sprout", "inward"}, edits: []limb.Edit{measured("S3", 250, 52, 215, 40)}},
	"lower-terrace-C1": {tape: true, scaffolds: 7, seed: 49, past: true, faults: []string{"dead", "dead", "crossing", "crossing", "competitor", "diseased", "water-sprout", "hanging"}, edits: []limb.Edit{
		measured("S1", 110, 66, 190, 72), measured("S2", 250, 64, 175, 66),
		set("T", limb.Limb{Wounds: []limb.Wound{ // limbs that came off before it was left to itself
			{AtCM: 95, DMM: 110, Closed: true}, {AtCM: 140, DMM: 95}, {AtCM: 185, DMM: 90}, {AtCM: 240, DMM: 75}, {AtCM: 60, DMM: 60, Closed: true},
		}}),
		{Op: "state", ID: "S3", State: &limb.State{Kind: "temporary", Reason: "out when the limb above it bears"}},
	}},
	"lower-terrace-C2": {tape: true, scaffolds: 4, seed: 1, past: true, azimuths: []float64{25, 118, 205, 300}, faults: []string{"dead", "water-sprout", "inward", "crossing"}, edits: []limb.Edit{
		measured("S1", 25, 52, 205, 48), measured("S2", 118, 50, 190, 44), measured("S3", 205, 50, 200, 46), measured("S1.2", 85, 58, 62, 14),
		mark("S3.2", limb.Mark{Kind: limb.Rubbing, AtCM: 30, Other: "S3.3"}), bud("S2.2.1", 7.5, 180), tag("S4", limb.Favour),
		set("S1", limb.Limb{Spurs: []limb.SpurCount{{FromCM: 40, ToCM: 90, Count: 9}}}),
	}},
	"lower-terrace-C3": {tape: true, scaffolds: 5, seed: 51, faults: []string{"competitor", "low", "water-sprout", "crossing"}, edits: []limb.Edit{measured("S1", 70, 60, 110, 30)}},
	"lower-terrace-D1": {scaffolds: 5, seed: 52, faults: []string{"crossing", "diseased", "dead"}, edits: []limb.Edit{measured("S1", 200, 58, 205, 33)}},
	"lower-terrace-D3": {scaffolds: 4, seed: 54, faults: []string{"narrow"}, edits: []limb.Edit{measured("S1", 80, 62, 75, 15)}},
	"lower-terrace-T1": {scaffolds: 4, seed: 55, faults: []string{"inward"}, edits: []limb.Edit{measured("S1", 300, 28, 118, 16)}},
	"lower-terrace-T2": {scaffolds: 4, seed: 56, faults: []string{"dead"}, edits: []limb.Edit{measured("S2", 140, 30, 150, 20)}},
	"saltwind-A1":      {scaffolds: 4, seed: 61, faults: []string{"dead", "water-sprout"}, edits: []limb.Edit{measured("S1", 0, 30, 140, 30)}},
	"saltwind-A2":      {scaffolds: 4, seed: 62, faults: []string{"hanging"}, edits: []limb.Edit{measured("S1", 60, 28, 135, 28)}},
	"saltwind-A3":      {scaffolds: 4, seed: 63, faults: []string{"water-sprout"}, edits: append([]limb.Edit{measured("S2", 120, 26, 150, 26)}, headedTwice("S1")...)},
	"saltwind-B1":      {tape: true, scaffolds: 5, seed: 64, faults: []string{"crossing", "sucker"}, edits: []limb.Edit{measured("S1", 180, 30, 150, 32)}},
	"saltwind-B2":      {tape: true, scaffolds: 3, seed: 65, faults: []string{"diseased", "low", "water-sprout", "inward"}, edits: []limb.Edit{measured("S1", 90, 50, 180, 42)}},
	"saltwind-B3":      {scaffolds: 5, seed: 66, faults: []string{"inward", "damaged"}, edits: []limb.Edit{measured("S3", 210, 28, 140, 30)}},
}

// mapped writes a demo tree's limb maps: as measured some days ago and, for some, in the two years before.
func mapped(ctx context.Context, s *store.Store, orchardID string, t *store.Tree, south bool, today almanac.Day) error {
	core, err := t.Core()
	if err != nil {
		return err
	}
	on := today - 9
	growthYear, season := year.MapSeason(on, south)
	age := max(1, core.AgeIn(year.SeasonOf(on, south), south))
	if _, drawn := young[t.ID]; drawn {
		return mappedYoung(ctx, s, orchardID, t, age, growthYear, season, on)
	}
	if t.AsWhip {
		return save(ctx, s, orchardID, t.ID, 0, on, store.CauseCorrect, whip(t, age, growthYear, season))
	}
	how, ok := maps[t.ID]
	if !ok {
		return fmt.Errorf("demo: tree %q without a mapping", t.ID)
	}
	in := growth.SketchInput{
		Species: t.Kind, Form: pomology.FormSlug(t.Form), Age: age, TrunkMM: t.TrunkMM, HeightCM: 100 * t.HeightM, SpreadCM: 100 * t.SpreadM,
		Scaffolds: how.scaffolds, Seed: how.seed, Azimuths: how.azimuths, Faults: how.faults, Year: growthYear, Season: season,
	}
	doc, err := growth.Sketch(in)
	if err != nil {
		return fmt.Errorf("demo: %s: %w", t.ID, err)
	}
	if how.past {
		if err := mappedBefore(ctx, s, orchardID, t.ID, doc, on); err != nil {
			return err
		}
	}
	winter := on
	if season == limb.Summer { // mapped in the winter before, and looked over again in leaf
		from, _ := year.Rail(growthYear, south)
		winter = from + mappedInWinter
		doc.Season = limb.Dormant
	}
	if err := save(ctx, s, orchardID, t.ID, -1, winter, store.CauseSketch, doc); err != nil {
		return err
	}
	corrected, err := limb.Apply(doc, how.edits...)
	if err != nil {
		return fmt.Errorf("demo: %s: %w", t.ID, err)
	}
	for i := range corrected.Limbs {
		if how.tape {
			corrected.Limbs[i].Source, corrected.Limbs[i].Sources = limb.Measured, nil
		}
	}
	if err := save(ctx, s, orchardID, t.ID, -1, winter, store.CauseCorrect, corrected); err != nil || season != limb.Summer {
		return err
	}
	corrected.Season = limb.Summer
	return save(ctx, s, orchardID, t.ID, -1, on, store.CauseCorrect, corrected)
}

// mappedInWinter is the day of the rail's year on which the demo's maps were drawn.
const mappedInWinter = 100

// mappedBefore keeps maps of the two years before: what the rings tell, with a limb that has come off since.
func mappedBefore(ctx context.Context, s *store.Store, orchardID, treeID string, doc limb.Doc, on almanac.Day) error {
	var docs []limb.Doc
	for range 2 {
		m, err := limb.Check(doc)
		if err != nil {
			return err
		}
		if doc, err = m.YearBack(); err != nil {
			return err
		}
		docs = append(docs, doc)
	}
	for k := len(docs) - 1; k >= 0; k-- {
		d := docs[k]
		d.Limbs = append(d.Limbs[:len(d.Limbs):len(d.Limbs)], limb.Limb{
			ID: "G1", Parent: "S1", AttachCM: limb.Of(35), AzimuthDeg: limb.Of(200), AngleBaseDeg: limb.Of(20), LengthCM: limb.Of(float64(140 - 40*k)),
			DiameterMM: limb.Of(14), Source: limb.Estimated,
		})
		if err := save(ctx, s, orchardID, treeID, -1, on-almanac.Day(365*(k+1)), store.CauseCorrect, d); err != nil {
			return err
		}
	}
	return nil
}

// save writes a revision on a day; basedOn -1 is the one in force then.
func save(ctx context.Context, s *store.Store, orchardID, treeID string, basedOn int, on almanac.Day, cause string, doc limb.Doc) error {
	if basedOn < 0 {
		basedOn = 0
		if now, err := s.MapAsOf(ctx, treeID, on); err == nil {
			basedOn = now.Revision.Revision
		}
	}
	return s.SaveMap(ctx, orchardID, treeID, &store.LimbMap{Revision: store.Revision{BasedOn: basedOn, Date: on, Cause: cause}, Doc: doc})
}

// whip is a tree planted as a bare whip: one stem with a few short side shoots.
func whip(t *store.Tree, age, growthYear int, season limb.Season) limb.Doc {
	length := 100 * t.HeightM
	stem := limb.Limb{ID: "T", LengthCM: &length, DiameterMM: &t.TrunkMM, AngleBaseDeg: limb.Of(2), AzimuthDeg: limb.Of(90), RingsCM: []float64{0.6 * length, 0.4 * length}}
	doc := limb.Doc{Species: t.Kind, Form: pomology.FormSlug(t.Form), Age: age, Year: growthYear, Season: season, Limbs: []limb.Limb{stem}}
	for k, at := range []float64{0.45, 0.52, 0.58} {
		doc.Limbs = append(doc.Limbs, limb.Limb{
			ID: fmt.Sprint("S", k+1), Parent: "T", AttachCM: limb.Of(at * length), AzimuthDeg: limb.Of(float64(40 + 130*k)), AngleBaseDeg: limb.Of(55),
			AngleTipDeg: limb.Of(45), LengthCM: limb.Of(float64(14 + 5*k)), DiameterMM: limb.Of(5), RingsCM: []float64{float64(14 + 5*k)},
		})
	}
	return doc
}
