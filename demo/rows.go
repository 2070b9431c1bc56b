package demo

import (
	"context"
	"fmt"
	"math"
	"strings"

	"vertumna/core/almanac"
	"vertumna/core/limb"
	"vertumna/core/pomology"
	"vertumna/core/training"
	"vertumna/core/year"
	"vertumna/store"
)

// newRows is a plot that is only begun: young trees of three forms in their first four years, and a house wall with three trees on
// wires, a stage each.
func newRows(today almanac.Day) planting {
	age := func(years int) *almanac.Day { return planted(today, years, false) }
	first := age(0)
	if *first > today {
		first = age(1)
	}
	wires := []float64{40, 70, 100, 130}
	return planting{
		doc: store.Orchard{
			Slug: "new-rows", Name: "New Rows", Units: "metric", Site: site("lower-terrace"), SiteFrom: "demo climate",
			School: store.School{Preset: "steady", Own: map[string]string{}},
			Plot: store.Plot{Outline: rect(0, 0, 12, 8), Features: []store.Feature{
				{ID: "house", Kind: "wall", Name: "House wall", HeightM: 2.8, FacesTo: 180, Points: []store.Point{{X: 0, Y: 8}, {X: 12, Y: 8}}, Windows: []store.Window{{FromM: 10.5, WideM: 0.9, SillM: 1.15, TopM: 2.1}}},
				{ID: "path", Kind: "path", Name: "mown path", WidthM: 0.8, Points: []store.Point{{X: 0, Y: 5}, {X: 12, Y: 5}}},
			}},
		},
		people: []store.Person{{Name: "Wren", FingertipCM: 225, HandSpanCM: 20, HoursAWeek: [7]float64{0, 0, 1, 0, 0, 0, 2}, Tools: []store.Tool{{Name: "hand pruner", MaxMM: 18}, {Name: "folding saw", MaxMM: 100}}}},
		trees: []store.Tree{
			{Code: "R1", Kind: "apple", Name: "Kettle Hand", Cultivar: "Kettle Hand", Class: "semi-dwarfing", ClassSource: "label", Form: "central-leader", Planted: first, AsWhip: true, X: 1.6, Y: 2, HeightM: 1.48, SpreadM: 0.3, TrunkMM: 13},
			{Code: "R2", Kind: "pear", Name: "Mitre Gate", Cultivar: "Mitre Gate", Class: "semi-dwarfing", ClassSource: "label", Stake: true, Mulch: true, Form: "modified-leader", Planted: age(1), AsWhip: true, X: 4.2, Y: 2, HeightM: 1.72, SpreadM: 1, TrunkMM: 34},
			{Code: "R3", Kind: "european-plum", Name: "Sorrel Lane", Cultivar: "Sorrel Lane", Class: "semi-dwarfing", ClassSource: "label", Stake: true, Mulch: true, Form: "open-vase", Planted: age(2), AsWhip: true, X: 6.8, Y: 2, HeightM: 1.9, SpreadM: 1.4, TrunkMM: 36},
			{Code: "R4", Kind: "apple", Name: "Tin Lark", Cultivar: "Tin Lark", Class: "dwarfing", ClassSource: "label", Stake: true, Mulch: true, Form: "low-bush", Planted: age(3), AsWhip: true, X: 9.4, Y: 2, HeightM: 1.6, SpreadM: 1.5, TrunkMM: 42},
			{Code: "W1", Kind: "pear", Name: "Stop Plank", Cultivar: "Stop Plank", Class: "dwarfing", ClassSource: "label", Ground: "wall", Form: "wire-tiers", WiresCM: wires, ArmCM: 130, Planted: first, AsWhip: true, X: 2, Y: 7.7, HeightM: 1.3, SpreadM: 0.3, TrunkMM: 12},
			{Code: "W2", Kind: "pear", Name: "Lantern Hook", Cultivar: "Lantern Hook", Class: "dwarfing", ClassSource: "label", Ground: "wall", Form: "wire-tiers", Wires: true, WiresCM: wires, ArmCM: 130, Planted: age(2), AsWhip: true, X: 6, Y: 7.7, HeightM: 1.4, SpreadM: 1.6, TrunkMM: 26, GraftWood: true},
			{Code: "W3", Kind: "apple", Name: "Glazier", Cultivar: "Glazier", Class: "dwarfing", ClassSource: "label", Ground: "wall", Form: "wire-tiers", Wires: true, WiresCM: wires, ArmCM: 130, Planted: age(5), X: 10, Y: 7.7, HeightM: 1.6, SpreadM: 2.5, TrunkMM: 45},
		},
		notes: []note{
			{ago: 330, tree: "R2", entry: store.Entry{Kind: "work", Task: string(year.Notching), Outcome: "done", Minutes: 12, Note: "Red wool above the notched buds."}},
			{ago: 262, tree: "R2", entry: store.Entry{Kind: "work", Task: string(year.NotchLook), Outcome: "done", Minutes: 6, Trial: &training.TrialLog{
				Arms: []training.TrialArm{
					{Tag: "red wool", What: "notched", Planned: "two weeks before bud break", Done: "one week before", Zones: []training.TrialZone{{Zone: "low", Buds: 8, Broke: 7}, {Zone: "middle", Buds: 4, Broke: 4}}},
					{Tag: "bare", What: training.Untreated, Zones: []training.TrialZone{{Zone: "low", Buds: 8, Broke: 1}, {Zone: "middle", Buds: 5, Broke: 2}}},
				},
				LeftOut: "R3: it came branched",
			}}},
			rigged(205, "R3", training.Rig{ID: "R3-stick", Device: "spreader", Limb: "S2", Anchor: "trunk", Material: "wood", AtCM: 45, BeforeDeg: 24, AfterDeg: 44, AimDeg: 50, DMM: 14, LengthCM: 38}),
			rigged(60, "R2", training.Rig{ID: "R2-cord", Device: "peg_tie", Limb: "S3", Anchor: "peg", Material: "cloth", AtCM: 42, BeforeDeg: 24, AfterDeg: 48, AimDeg: 50, DMM: 9, LoopMM: 20, LengthCM: 140, PegCM: 62}),
			rigged(12, "R2", training.Rig{ID: "R2-weight", Device: "weight", Limb: "S1", Material: "cord", AtCM: 40, BeforeDeg: 34, AfterDeg: 47, AimDeg: 50, DMM: 9, LoopMM: 21, MassKG: 0.8}),
			rigged(95, "W2", training.Rig{ID: "W2-a", Device: "tie", Limb: "S1", Anchor: "wire", Material: "stretch-tape", AtCM: 50, BeforeDeg: 45, AfterDeg: 85, AimDeg: 90, DMM: 12, LoopMM: 23}),
			rigged(95, "W2", training.Rig{ID: "W2-b", Device: "tie", Limb: "S2", Anchor: "wire", Material: "jute", AtCM: 50, BeforeDeg: 48, AfterDeg: 84, AimDeg: 90, DMM: 11, LoopMM: 15}),
		},
	}
}

// rigged is a device put on so many days ago.
func rigged(ago int, tree string, r training.Rig) note {
	return note{ago: ago, tree: tree, entry: store.Entry{Kind: "work", Task: string(year.Bend), Outcome: "done", Minutes: 10, Rig: &training.RigAct{Act: "on", Rig: r}}}
}

// shoot is a side shoot of a young tree: height on the stem, bearing, angle, length, thickness.
type shoot struct{ at, azimuth, angle, length, mm float64 }

// young are the shoots of the demo's young trees, whose map is drawn by hand.
var young = map[string][]shoot{
	"new-rows-R2": {{52, 32, 54, 72, 8.5}, {60, 118, 58, 66, 8}, {68, 205, 26, 88, 9}, {79, 288, 64, 60, 7.5}, {73, 168, 58, 48, 7}, {57, 60, 23, 40, 6}, {41, 342, 66, 38, 7}},
	"new-rows-R3": {{50, 20, 40, 105, 15}, {56, 140, 30, 112, 16}, {62, 255, 48, 98, 14}, {46, 80, 35, 60, 9}, {68, 310, 28, 70, 10}},
	"new-rows-R4": {{30, 10, 52, 85, 16}, {38, 130, 46, 82, 15}, {42, 240, 50, 88, 17}, {48, 320, 38, 60, 11}},
	"new-rows-W2": {{36, 90, 76, 95, 12}, {34, 272, 78, 92, 11}, {63, 95, 38, 52, 9}, {60, 268, 42, 48, 9}, {66, 85, 50, 44, 8}, {55, 185, 60, 24, 6}},
	"new-rows-W3": {{36, 92, 84, 128, 24}, {34, 268, 86, 126, 23}, {65, 94, 82, 112, 19}, {63, 272, 80, 108, 18}, {96, 88, 46, 62, 11}, {93, 275, 44, 58, 10}, {94, 262, 50, 40, 9}, {80, 180, 70, 26, 7}},
}

// mappedYoung draws a young tree of the demo: its stem and its shoots, each with its own side shoots where it is old enough.
func mappedYoung(ctx context.Context, s *store.Store, orchardID string, t *store.Tree, age, growthYear int, season limb.Season, on almanac.Day) error {
	length := 100 * t.HeightM
	rings := make([]float64, min(age, 4))
	for i := range rings {
		rings[i] = length / float64(len(rings))
	}
	stem := limb.Limb{ID: "T", LengthCM: &length, DiameterMM: &t.TrunkMM, AngleBaseDeg: limb.Of(1), AzimuthDeg: limb.Of(90), RingsCM: rings}
	doc := limb.Doc{Species: t.Kind, Form: pomology.FormSlug(t.Form), Age: age, Year: growthYear, Season: season, Limbs: []limb.Limb{stem}}
	flat := strings.Contains(t.ID, "-W")
	for k, sh := range young[t.ID] {
		tip := sh.angle - 8
		if flat && sh.angle > 75 {
			tip = 88
		}
		years := max(1, min(3, age-1-int(sh.at/70)))
		parts := make([]float64, years)
		for i := range parts {
			parts[i] = sh.length / float64(years)
		}
		id := fmt.Sprint("S", k+1)
		doc.Limbs = append(doc.Limbs, limb.Limb{
			ID: id, Parent: "T", AttachCM: limb.Of(sh.at), AzimuthDeg: limb.Of(sh.azimuth), AngleBaseDeg: limb.Of(sh.angle), AngleTipDeg: limb.Of(tip), LengthCM: limb.Of(sh.length),
			DiameterMM: limb.Of(sh.mm), RingsCM: parts,
		})
		if years < 2 {
			continue
		}
		for j := 0; j < int(sh.length/18) && j < 6; j++ { // side shoots on two-year wood
			at := 14 + 17*float64(j)
			if at > sh.length*0.8 {
				break
			}
			az, angle := math.Mod(sh.azimuth+70*float64(1-2*(j%2))+360, 360), 50.0
			if flat {
				az, angle = sh.azimuth, 12
			}
			doc.Limbs = append(doc.Limbs, limb.Limb{
				ID: fmt.Sprintf("%s.%d", id, j+1), Parent: id, AttachCM: limb.Of(at), AzimuthDeg: limb.Of(az), AngleBaseDeg: limb.Of(angle), AngleTipDeg: limb.Of(angle), LengthCM: limb.Of(16 + 7*float64(j%3)),
				DiameterMM: limb.Of(5), RingsCM: []float64{16 + 7*float64(j%3)},
			})
		}
	}
	return save(ctx, s, orchardID, t.ID, 0, on, store.CauseCorrect, doc)
}
