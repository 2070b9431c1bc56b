package cut_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/cut"
	"vertumna/core/find"
	"vertumna/core/growth"
	"vertumna/core/limb"
)

func TestAZoneIsKeptOverTheWholeTreeYear(t *testing.T) {
	bound := 0
	eachSlip(t, func(t *testing.T, l lawful, season limb.Season, o cut.Options) {
		o.Level, o.Zones = cut.Third, &[3]float64{0.15, 0.15, 0.8}
		for _, used := range []float64{0, 0.1} {
			o.ZonesUsed = [3]float64{used, used, used}
			s := l.planner(t, season, o).Plan()
			require.Len(t, s.Zones, 3)
			top := math.Inf(1)
			if o.AimFirst { // what stands above reach is the top's
				top = find.Defaults().ReachCM
			}
			var counted []limb.CutAt
			free := false
			for _, c := range s.Cuts {
				if c.Free() {
					free = true
				} else {
					counted = append(counted, c.CutAt)
				}
			}
			for k, taken := range cut.ZonesTaken(l.m, top, counted) {
				z := s.Zones[k]
				require.InDelta(t, used, z.Used, 1e-12)
				if !free {
					require.InDelta(t, taken*(1-used), z.Slip, 1e-9)
				}
				require.LessOrEqual(t, used+taken*(1-used), z.Most+1e-6, "third %d", k)
				if k > 0 {
					require.InDelta(t, s.Zones[k-1].ToCM, z.FromCM, 1e-9, "thirds meet")
				}
			}
			for _, c := range s.Carried {
				if c.Why == cut.ZoneToSummer || c.Why == cut.ZoneToWinter {
					bound++
				}
			}
		}
	})
	require.NotZero(t, bound)
}

// topBuds are the buds the cuts of all slips to a bud leave on top, by kind.
func topBuds(t *testing.T, to cut.BudTo) (kinds map[limb.BudKind]int, fruitCuts int) {
	kinds = map[limb.BudKind]int{}
	for _, l := range lawTrees(t) {
		for _, season := range []limb.Season{limb.Dormant, limb.Summer} {
			for _, c := range l.planner(t, season, cut.Options{Level: cut.Third, BudTo: to, StoneAnyTime: true}).Plan().Cuts {
				switch c.Kind {
				case limb.FruitBud:
					fruitCuts++
				case limb.AboveBud, limb.TipThird:
					kinds[c.Bud]++
				}
			}
		}
	}
	return kinds, fruitCuts
}

func TestTheSchoolsBudIsLeftOnTop(t *testing.T) {
	_, holding := topBuds(t, cut.FruitToHold)
	_, outward := topBuds(t, cut.LeafOutward)
	leaf, never := topBuds(t, cut.AlwaysLeaf)
	require.NotZero(t, holding)
	require.Less(t, outward, holding, "who wants a leaf bud ends fewer shoots at a fruit bud")
	require.Zero(t, never)
	require.NotEmpty(t, leaf)
	for kind := range leaf {
		require.True(t, kind.HasLeaf(), "%s: a shoot can grow from it", kind)
	}
}

func TestAKnotOfCutPointsComesOutBelowWhereItWasCut(t *testing.T) {
	on := func(id, parent string, at, az, angle, length, d float64, rings ...float64) limb.Limb {
		return limb.Limb{
			ID: id, Parent: parent, AttachCM: &at, AzimuthDeg: &az, AngleBaseDeg: &angle, LengthCM: &length, DiameterMM: &d, RingsCM: rings,
		}
	}
	headed := func(l limb.Limb) limb.Limb {
		l.Tip = limb.Cut
		return l
	}
	doc := limb.Doc{Species: "apple", Form: "open-vase", Age: 9, Limbs: []limb.Limb{
		headed(on("T", "", 0, 0, 0, 60, 80)), on("S1", "T", 50, 0, 55, 180, 40), on("S2", "T", 52, 180, 55, 180, 40), on("S3", "T", 54, 270, 55, 170, 38),
		headed(on("K", "S1", 60, 20, 45, 60, 14, 36, 24)), on("K.a", "K", 25, 40, 55, 20, 6, 20), headed(on("K.1", "K", 56, 20, 20, 5, 8, 5)),
		on("K.1.u", "K.1", 3, 200, 25, 45, 7, 45),
	}}
	m, err := limb.Check(doc)
	require.NoError(t, err)
	p, err := cut.NewPlanner(treeOf(m), find.Reading{Options: find.Defaults()}, cut.Options{Level: cut.Quarter, Slack: 0.1})
	require.NoError(t, err)
	s := p.Plan()
	cuts, _ := s.WhyNot("K")
	require.NotEmpty(t, cuts, "%+v", s.Carried)
	for _, c := range cuts {
		if c.Limb == "K" {
			require.LessOrEqual(t, c.AtCM, 56.1, "below all that grew where it was cut")
		}
	}
	after, err := m.Cut(cuts[0].CutAt)
	require.NoError(t, err)
	for _, f := range find.Findings(after, find.Reading{Options: find.Defaults()}) {
		require.NotEqual(t, find.Code("headed_again"), f.Code)
	}
}

func treeOf(m *limb.Map) growth.Tree { return growth.Tree{Map: m, Latitude: 45} }
