package crop_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/crop"
	"vertumna/core/given"
	"vertumna/core/limb"
)

func harvestOf(t *testing.T, kilos float64, fruit int) crop.Work {
	on := almanac.DateOf(2027, 9, 20)
	return crop.Work{Kind: kindOf(t, "apple"), Day: on, Bloom: almanac.DateOf(2027, 4, 28), Harvest: true, Kilos: kilos, Fruit: fruit, First: on, Last: on}
}

func codes(fs given.Faults) (out []string) {
	for _, f := range fs {
		out = append(out, f.Code)
	}
	return out
}

func TestAHarvestIsLookedAtBeforeItIsKept(t *testing.T) {
	w := harvestOf(t, 18, 100)
	errs, warnings := crop.CheckWork(&w)
	require.Empty(t, errs)
	require.Empty(t, warnings, "180 g an apple")
	for _, c := range []struct {
		change func(*crop.Work)
		errs   []string
		warns  []string
	}{
		{func(w *crop.Work) { w.Fruit = 0 }, nil, []string{"W_NOT_COUNTED"}},
		{func(w *crop.Work) { w.Kilos = 0 }, nil, []string{"W_NOT_WEIGHED"}},
		{func(w *crop.Work) { w.Fruit = 12 }, nil, []string{"W_ODD_FRUIT"}},
		{func(w *crop.Work) { w.First = almanac.DateOf(2027, 3, 1) }, []string{"E_BEFORE_BLOOM"}, nil},
		{func(w *crop.Work) { w.Last = w.First - 3 }, []string{given.Conflict}, nil},
		{func(w *crop.Work) { w.FruitMM = 2.2 }, []string{"E_UNIT"}, nil},
		{func(w *crop.Work) { w.FruitMM = 190 }, []string{"E_UNIT"}, nil},
		{func(w *crop.Work) { w.Opened, w.Alive = 20, 30 }, []string{given.Conflict}, nil},
		{func(w *crop.Work) { w.Left, w.Taken, w.OnLimb = 40, 80, new(70) }, nil, []string{"W_MORE_THAN_COUNTED"}},
		{func(w *crop.Work) { w.Left, w.Taken, w.OnLimb = 40, 40, new(70) }, nil, nil},
		{func(w *crop.Work) { w.Bloom = almanac.NoDay }, nil, nil},
	} {
		w := harvestOf(t, 18, 100)
		c.change(&w)
		errs, warnings := crop.CheckWork(&w)
		require.Equal(t, c.errs, codes(errs))
		require.Equal(t, c.warns, codes(warnings))
		for _, f := range append(errs, warnings...) {
			require.NotEmpty(t, f.Given)
			require.NotEmpty(t, f.Expected)
		}
	}
}

func TestACountOnATreeWithoutFlowerBudsIsWarnedOf(t *testing.T) {
	whip := limb.Doc{Species: "apple", Form: "open-vase", Age: 1, Year: 2027, Season: limb.Dormant, Limbs: []limb.Limb{
		{ID: "T", LengthCM: limb.Of(90), DiameterMM: limb.Of(12), AngleBaseDeg: limb.Of(2), RingsCM: []float64{90}, BareCM: limb.Of(80), OwnD2MM2: limb.Of(0)},
	}}
	m, err := limb.Check(whip)
	require.NoError(t, err)
	w := crop.Work{Kind: kindOf(t, "apple"), Day: almanac.DateOf(2027, 6, 1), Map: m, Counts: []crop.LimbFruit{{Limb: "T", Fruit: 4}}}
	errs, warnings := crop.CheckWork(&w)
	require.Empty(t, errs)
	require.Equal(t, []string{"W_NO_FLOWER_BUDS"}, codes(warnings))
}

func TestAYoungTreeKeepsItsTopBare(t *testing.T) {
	tree := grown(t, "apple", 4)
	tree.SeasonInPlace = 3
	p, err := crop.PlanTree(tree)
	require.NoError(t, err)
	require.Equal(t, crop.ByYouth, p.Targets.Binding)
	tree.SeasonInPlace = 1
	p, err = crop.PlanTree(tree)
	require.NoError(t, err)
	require.Zero(t, p.Targets.Target, "all stripped in the first year")
	for _, l := range p.Limbs {
		require.Zero(t, l.Share.Keep)
	}
	require.Equal(t, "strip", p.Whether.Verdict)
}

func TestALookStandsForACountAndFrostForTheBuds(t *testing.T) {
	tree := grown(t, "apple", 4)
	last := -1
	for _, look := range []string{"none", "few", "right", "many", "crowded"} {
		tree.Glance = look
		p, err := crop.PlanTree(tree)
		require.NoError(t, err)
		require.NotNil(t, p.Glance)
		require.Greater(t, *p.Glance, last, look)
		require.True(t, p.Counted)
		last = *p.Glance
	}
	tree.Glance = ""
	whole, err := crop.PlanTree(tree)
	require.NoError(t, err)
	tree.Alive = 0.1
	frozen, err := crop.PlanTree(tree)
	require.NoError(t, err)
	require.Less(t, *frozen.Targets.Available, *whole.Targets.Available)
	require.InDelta(t, 0.1, frozen.Expected/whole.Expected, 0.02)
}

func TestDropStillToComeIsTakenOffAnEarlyCount(t *testing.T) {
	tree := grown(t, "apple", 4)
	p, err := crop.PlanTree(tree)
	require.NoError(t, err)
	for _, l := range p.Limbs {
		tree.Counts = append(tree.Counts, crop.LimbFruit{Limb: l.ID, Fruit: 100})
	}
	tree.DropToCome = 0.3
	p, err = crop.PlanTree(tree)
	require.NoError(t, err)
	require.InDelta(t, 280, p.Count.Fruit, 1e-9)
}

func TestFruitThatWentWithWoodComesOffTheCount(t *testing.T) {
	tree := grown(t, "apple", 4)
	p, err := crop.PlanTree(tree)
	require.NoError(t, err)
	first := p.Limbs[0].ID
	i := tree.Map.Index(first)
	side := tree.Map.Axes[i].Children[0]
	after, err := tree.Map.Cut(limb.CutAt{Limb: tree.Map.Axes[side].ID, Kind: limb.Collar})
	require.NoError(t, err)
	counts := []crop.LimbFruit{{Limb: first, Fruit: 200}, {Limb: p.Limbs[1].ID, Fruit: 150}}
	taken := crop.TakenByCuts(tree.Map, after, counts)
	require.Greater(t, taken[first], 0)
	require.Less(t, taken[first], 200)
	require.Zero(t, taken[p.Limbs[1].ID], "a limb that was not cut loses nothing")
	off, err := tree.Map.Cut(limb.CutAt{Limb: first, Kind: limb.Collar})
	require.NoError(t, err)
	require.Equal(t, 200, crop.TakenByCuts(tree.Map, off, counts)[first], "a limb taken off takes all of it")
}

func TestSnowBendsBareLimbsByThePersonsOwnNumber(t *testing.T) {
	tree := grown(t, "apple", 4)
	plan := func(snow, safety float64) *crop.Plan {
		tree.SnowKgM2, tree.Terms.Safety = snow, safety
		p, err := crop.PlanTree(tree)
		require.NoError(t, err)
		return p
	}
	fruit, light, heavy := plan(0, 2.5), plan(40, 2.5), plan(120, 2.5)
	require.NotEmpty(t, light.Loads)
	require.Zero(t, light.Loads[0].Fruit, "no fruit hangs under snow")
	require.Greater(t, heavy.Loads[0].Use, light.Loads[0].Use)
	require.Less(t, plan(120, 2).Loads[0].Use, heavy.Loads[0].Use)
	require.Equal(t, fruit.Targets, heavy.Targets, "snow takes nothing off what the tree may carry in summer")
	require.Equal(t, []float64{2, 2.5, 3}, []float64{crop.Safety("sheltered"), crop.Safety(""), crop.Safety("exposed")})
	tree.Alive = 0
	require.Empty(t, plan(0, 2.5).Loads, "without fruit and without snow nothing is bent")
}

func TestTheTreesOwnFruitReplacesTheTables(t *testing.T) {
	apple := kindOf(t, "apple")
	own := crop.OwnMass(apple, []crop.Season{season(2025, 10, 100), season(2026, 30, 150), {Year: 2027}}, 30)
	require.InDelta(t, 200, own, 1e-6, "150 on 30 cm2 is a medium crop")
	require.Zero(t, crop.OwnMass(apple, []crop.Season{{Year: 2026, KG: new(12.0)}}, 30))
	tree := grown(t, "apple", 4)
	table, err := crop.PlanTree(tree)
	require.NoError(t, err)
	tree.Terms.MassG = 90
	small, err := crop.PlanTree(tree)
	require.NoError(t, err)
	require.InDelta(t, 0.5, small.Targets.MassG/table.Targets.MassG, 0.05, "lighter fruit, and so a few more of them")
	require.Less(t, small.Loads[0].LoadKG, table.Loads[0].LoadKG)
}

func TestHalfAHouseholdsWishIsHalfTheFruitAtMost(t *testing.T) {
	tree := grown(t, "apple", 4)
	tree.HouseholdKG = new(8.0)
	p, err := crop.PlanTree(tree)
	require.NoError(t, err)
	require.Equal(t, crop.ByHousehold, p.Targets.Binding)
	require.GreaterOrEqual(t, p.Targets.KG, 8.0/0.85*0.99)
	tree.HouseholdKG = new(4.0)
	half, err := crop.PlanTree(tree)
	require.NoError(t, err)
	require.Less(t, half.Targets.Target, p.Targets.Target)
}
