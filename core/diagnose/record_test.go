package diagnose_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/crop"
	"vertumna/core/diagnose"
	"vertumna/core/find"
	"vertumna/core/growth"
	"vertumna/core/light"
	"vertumna/core/limb"
	"vertumna/core/pomology"
	"vertumna/core/year"
)

// written is what was written down of a tree on 1 July 2027, its yard beside it.
type written struct {
	yard *year.Yard
	plan *year.Plan
	rec  diagnose.Record
}

var onDay = almanac.DateOf(2027, 7, 1)

// of plans a yard of one tree, or of two, changed before and after.
func of(t *testing.T, kind string, change func(y *year.Yard)) written {
	t.Helper()
	site := almanac.Climates()[5]
	place, err := year.NewPlace(&site)
	require.NoError(t, err)
	k, err := pomology.BySlug(kind)
	require.NoError(t, err)
	y := &year.Yard{Place: place, FingertipCM: 220, Trees: []year.Tree{{
		ID: "t1", Code: "A1", Kind: k, Planted: almanac.DateOf(2015, 3, 1), Gone: almanac.NoDay, Form: pomology.OpenVase, Class: pomology.Dwarfing, HeightM: 2.6, SpreadM: 2,
	}}}
	if change != nil {
		change(y)
	}
	e, err := almanac.NewEnsemble(&site, almanac.SiteSeed(site.Slug), nil, 2027)
	require.NoError(t, err)
	p, err := year.Make(y, e, onDay)
	require.NoError(t, err)
	return written{y, p, diagnose.Record{Yard: y, Tree: &p.Trees[0], Season: 2027, From: p.From, Day: onDay}}
}

func (w written) facts() diagnose.Facts { return diagnose.FactsOf(w.rec) }

// work is an entry of the tree in a season.
func work(kind year.TaskKind, season int, more func(e *year.Entry)) year.Entry {
	e := year.Entry{ID: "e" + string(kind), Tree: "t1", Date: almanac.DateOf(season, 2, 20), Season: season, Kind: year.WorkEntry, Task: kind, Outcome: year.Done}
	if more != nil {
		more(&e)
	}
	return e
}

func TestWhatWasNotWrittenDownIsNoFact(t *testing.T) {
	f := of(t, "apple", nil).facts()
	for _, x := range []diagnose.Fact{
		diagnose.Bloomed, diagnose.Thinned, diagnose.HardCut, diagnose.LeftWork, diagnose.Sick, diagnose.RainMonth, diagnose.RainWeek, diagnose.Gusts, diagnose.ColdKill,
		diagnose.FrostAlive, diagnose.RestYear, diagnose.HangingTo, diagnose.Laden, diagnose.FruitAbove, diagnose.LightLow, diagnose.ShootRatio, diagnose.TubTight,
	} {
		require.NotContains(t, f, x)
	}
}

func TestWhatATreeIsIsRead(t *testing.T) {
	f := of(t, "apple", nil).facts()
	require.Zero(t, f[diagnose.StoneFruit])
	require.Zero(t, f[diagnose.YoungTree])
	require.Less(t, f[diagnose.YearsToBear], 0.0, "it has borne for years")
	require.Positive(t, f[diagnose.OverReach])
	require.EqualValues(t, 1, of(t, "european-plum", nil).facts()[diagnose.StoneFruit])
	require.EqualValues(t, 1, of(t, "peach", nil).facts()[diagnose.BearsOnTips])

	young := of(t, "apple", func(y *year.Yard) {
		x := &y.Trees[0]
		x.Planted, x.HeightM, x.HasStake, x.ShootCM = almanac.DateOf(2025, 11, 20), 1.2, true, 60
	}).facts()
	require.EqualValues(t, 1, young[diagnose.YoungTree])
	require.EqualValues(t, 1, young[diagnose.NeedsStake])
	require.EqualValues(t, 1, young[diagnose.Staked])
	require.Positive(t, young[diagnose.YearsToBear])
	require.Negative(t, young[diagnose.OverReach])
	require.Positive(t, young[diagnose.ShootRatio])

	tub := of(t, "apple", func(y *year.Yard) { y.Trees[0].TubLitres = 20 }).facts()
	require.EqualValues(t, 1, tub[diagnose.TubTight])
}

func TestWhatWasLoggedIsRead(t *testing.T) {
	with := func(e ...year.Entry) diagnose.Facts {
		w := of(t, "apple", nil)
		w.yard.Entries = e
		return w.facts()
	}
	bloom := year.Entry{ID: "b", Tree: "t1", Date: almanac.DateOf(2027, 4, 20), Season: 2027, Kind: year.ObservedEntry, Stage: almanac.FullBloom}
	require.EqualValues(t, 1, with(bloom)[diagnose.Bloomed])
	bloom.Season, bloom.Date = 2026, almanac.DateOf(2026, 4, 20)
	require.NotContains(t, with(bloom), diagnose.Bloomed, "last year's bloom is not this year's")
	bloom.Season, bloom.Date, bloom.Tree = 2027, almanac.DateOf(2027, 4, 20), "t2"
	require.NotContains(t, with(bloom), diagnose.Bloomed, "nor another tree's")

	require.EqualValues(t, 1, with(work(year.Thin, 2027, nil))[diagnose.Thinned])
	require.NotContains(t, with(work(year.Thin, 2027, func(e *year.Entry) { e.Outcome = year.Left })), diagnose.Thinned)
	require.NotContains(t, with(work(year.Thin, 2027, func(e *year.Entry) { e.Date = onDay + 1 })), diagnose.Thinned, "what comes after the day shown is not known on it")

	cut := func(season int, share float64) year.Entry {
		return work(year.DormantCut, season, func(e *year.Entry) { e.Share = share })
	}
	require.InDelta(t, 0.3, with(cut(2027, 0.1), cut(2026, 0.3))[diagnose.HardCut], 1e-9, "the hardest of two seasons")
	require.InDelta(t, 0.1, with(cut(2027, 0.1), cut(2025, 0.4))[diagnose.HardCut], 1e-9, "not what lies further back")
	require.EqualValues(t, 2, with(
		work(year.DormantCut, 2027, func(e *year.Entry) { e.Outcome = year.Left }), work(year.HeightCut, 2026, func(e *year.Entry) { e.Outcome = year.Left }),
	)[diagnose.LeftWork])
}

func TestWhatTheWeatherToldIsRead(t *testing.T) {
	sky := func(n int, more func(d *year.SkyDay, back int)) diagnose.Facts {
		w := of(t, "apple", nil)
		for back := n - 1; back >= 0; back-- {
			d := year.SkyDay{Date: onDay - almanac.Day(back), Tmin: 12, Tmax: 24}
			if more != nil {
				more(&d, back)
			}
			w.yard.Sky = append(w.yard.Sky, d)
		}
		return w.facts()
	}
	wet := func(d *year.SkyDay, _ int) { d.RainMM = 2 }
	f := sky(90, wet)
	require.InDelta(t, 60, f[diagnose.RainMonth], 1e-9)
	require.InDelta(t, 14, f[diagnose.RainWeek], 1e-9)
	require.NotContains(t, sky(19, wet), diagnose.RainMonth, "too few days are known for a sum")
	require.Contains(t, sky(20, wet), diagnose.RainMonth)

	gusty := func(kmh float64, at int) diagnose.Facts {
		return sky(120, func(d *year.SkyDay, back int) {
			if back == at {
				d.GustKmh = kmh
			}
		})
	}
	require.EqualValues(t, 1, gusty(60, 10)[diagnose.Gusts])
	require.Zero(t, gusty(59, 10)[diagnose.Gusts])
	require.Zero(t, gusty(90, 61)[diagnose.Gusts], "longer ago than two months")

	cold := func(c float64) float64 {
		return sky(200, func(d *year.SkyDay, back int) {
			if back == 160 {
				d.Tmin, d.Tmax = c, c+8
			}
		})[diagnose.ColdKill]
	}
	require.Negative(t, cold(-8))
	require.Positive(t, cold(-35))
	require.InDelta(t, 5, cold(-35)-cold(-30), 0.11, "a degree colder is a degree more")
}

func TestWhatHangsIsRead(t *testing.T) {
	w := of(t, "apple", nil)
	require.NotPanics(t, func() { w.facts() }, "nothing is known of its fruit")
	w.rec.Tree.Tree.Fruit = &year.Fruit{Counted: true, Keep: 100, Remove: 150, Standing: crop.Standing{Load: 1.8}, Laden: []year.Laden{{Limb: "S1", Use: 1.1}, {Limb: "S2", Use: 1.4}}}
	f := w.facts()
	require.InDelta(t, 2.5, f[diagnose.HangingTo], 1e-9)
	require.InDelta(t, 1.8, f[diagnose.RestYear], 1e-9)
	require.InDelta(t, 1.4, f[diagnose.Laden], 1e-9, "the worst limb")
	w.rec.Tree.Tree.Fruit = &year.Fruit{Keep: 100, Remove: 150}
	require.NotContains(t, w.facts(), diagnose.HangingTo, "an estimate is no count")
	w.rec.Seen = 2
	require.EqualValues(t, 2, w.facts()[diagnose.Sick])
}

func TestWhatStandsOnTheMapIsRead(t *testing.T) {
	doc, err := growth.Sketch(growth.SketchInput{Species: "apple", Form: pomology.OpenVase, Age: 12, TrunkMM: 110, HeightCM: 360, SpreadCM: 340, Scaffolds: 4, Seed: 3, Year: 2027})
	require.NoError(t, err)
	read := func(doc limb.Doc, reach float64) diagnose.Facts {
		m, err := limb.Check(doc)
		require.NoError(t, err)
		o := find.Defaults()
		o.ReachCM = reach
		w := of(t, "apple", nil)
		w.rec.Map = &diagnose.MapRecord{Map: m, Reading: find.Reading{Light: light.OfTree(m, 46, light.Coarse), Options: o}}
		return w.facts()
	}
	low, high := read(doc, 170), read(doc, 300)
	require.Greater(t, low[diagnose.FruitAbove], high[diagnose.FruitAbove], "a lower reach leaves more above it")
	for _, f := range []diagnose.Facts{low, high} {
		require.GreaterOrEqual(t, f[diagnose.FruitAbove], 0.0)
		require.LessOrEqual(t, f[diagnose.FruitAbove], 1.0)
		require.Greater(t, f[diagnose.LightLow], 0.0)
		require.LessOrEqual(t, f[diagnose.LightLow], 1.0)
	}
	sick, err := limb.Apply(
		doc, limb.Edit{Op: "mark", ID: "S1", Mark: &limb.Mark{Kind: limb.Diseased, AtCM: 20, Agent: "canker"}}, limb.Edit{Op: "mark", ID: "S2", Mark: &limb.Mark{Kind: limb.Dead, AtCM: 60}},
	)
	require.NoError(t, err)
	f := read(sick, 212)
	require.Equal(t, read(doc, 212)[diagnose.Sick]+1, f[diagnose.Sick])
	require.Equal(t, read(doc, 212)[diagnose.Dead]+1, f[diagnose.Dead])
}
