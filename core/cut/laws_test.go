package cut_test

import (
	"encoding/json"
	"fmt"
	"math"
	"os"
	"path/filepath"
	"slices"
	"sync"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/cut"
	"vertumna/core/find"
	"vertumna/core/growth"
	"vertumna/core/light"
	"vertumna/core/limb"
	"vertumna/core/pomology"
	"vertumna/core/training"
	"vertumna/internal/vectors"
)

// lawful is a tree on which the laws are tried, with its light measured once.
type lawful struct {
	name  string
	m     *limb.Map
	light map[string]float64
}

// lawTrees are the twelve sketches of limbs.md#55-laws; they are small enough to be read from the package's own copies when
// no cases are named.
func lawTrees(t testing.TB) []lawful {
	t.Helper()
	lawOnce.Do(func() { lawKept = readLawTrees(t) })
	require.NotEmpty(t, lawKept)
	return lawKept
}

var (
	lawOnce sync.Once
	lawKept []lawful
)

func readLawTrees(t testing.TB) []lawful {
	t.Helper()
	text, err := os.ReadFile(filepath.Join(vectors.Dir("limbs"), "properties.json"))
	require.NoError(t, err)
	var f struct {
		Trees []growth.SketchInput `json:"plan_trees"`
	}
	require.NoError(t, json.Unmarshal(text, &f))
	require.NotEmpty(t, f.Trees)
	var out []lawful
	for _, s := range f.Trees {
		m := vectors.MeasuredMap(t, s)
		l := light.OfTree(m, 45, light.Coarse)
		given := map[string]float64{}
		for i := range m.Axes {
			given[m.Axes[i].ID] = l[i]
		}
		out = append(out, lawful{fmt.Sprint(s.Species, "-", s.Form), m, given})
	}
	return out
}

// slipOf plans for a tree in a season.
func (l lawful) planner(t testing.TB, season limb.Season, o cut.Options) *cut.Planner {
	t.Helper()
	return l.plannerOf(t, l.in(season), o)
}

// in is the tree in a season.
func (l lawful) in(season limb.Season) *limb.Map {
	m := *l.m
	m.Season = season
	return &m
}

func (l lawful) plannerOf(t testing.TB, m *limb.Map, o cut.Options) *cut.Planner {
	t.Helper()
	r := find.Reading{Light: make(limb.Light, m.Len()), Options: find.Defaults()}
	for i := range r.Light {
		r.Light[i] = l.light[m.Axes[i].ID]
	}
	p, err := cut.NewPlanner(growth.Tree{Map: m, Latitude: 45}, r, o)
	require.NoError(t, err)
	return p
}

var bearingLevels = []cut.Level{cut.Fifth, cut.Quarter, cut.Thirty, cut.Third}

// eachSlip makes the slips of all trees in both seasons, as the reference has them and as a person gets them.
func eachSlip(t *testing.T, test func(t *testing.T, l lawful, season limb.Season, o cut.Options)) {
	for _, l := range lawTrees(t) {
		for _, season := range []limb.Season{limb.Dormant, limb.Summer} {
			for name, o := range map[string]cut.Options{"plain": {}, "person": {Slack: 0.1, AimFirst: true}} {
				t.Run(fmt.Sprint(l.name, " ", season, " ", name), func(t *testing.T) { test(t, l, season, o) })
			}
		}
	}
}

func TestASlipNeverPassesItsLimitNorAZoneItsOwn(t *testing.T) {
	eachSlip(t, func(t *testing.T, l lawful, season limb.Season, o cut.Options) {
		for _, level := range bearingLevels {
			o.Level, o.Used = level, 0
			require.LessOrEqual(t, l.planner(t, season, o).Plan().Account, level.Share()+1e-4, level)
			o.Used = 0.1
			require.LessOrEqual(t, l.planner(t, season, o).Plan().Account, level.Share()+1e-4, level)
		}
	})
}

func TestMoreLimitNeverLeavesMoreUnsolvedAndASlipIsTheSameEveryTime(t *testing.T) {
	eachSlip(t, func(t *testing.T, l lawful, season limb.Season, o cut.Options) {
		least := math.Inf(1)
		for _, level := range bearingLevels {
			o.Level = level
			p := l.planner(t, season, o)
			s := p.Plan()
			require.LessOrEqual(t, s.Unsolved, least+1e-4, level)
			least = s.Unsolved
			again, err := json.Marshal(l.planner(t, season, o).Plan())
			require.NoError(t, err)
			first, err := json.Marshal(s)
			require.NoError(t, err)
			require.Equal(t, string(first), string(again))
		}
	})
}

func made(t *testing.T, m *limb.Map, s *cut.Slip) *limb.Map {
	t.Helper()
	for _, c := range s.Cuts {
		var err error
		m, err = m.Cut(c.CutAt)
		require.NoError(t, err)
	}
	return m
}

func TestNoLimbIsStrippedOfItsBearingWood(t *testing.T) {
	eachSlip(t, func(t *testing.T, l lawful, season limb.Season, o cut.Options) {
		o.Level = cut.Third
		s := l.planner(t, season, o).Plan()
		before := l.in(season)
		after := made(t, before, s)
		marked := map[string]bool{}
		for _, c := range s.Cuts {
			marked[c.Limb] = marked[c.Limb] || c.Step == 1 || c.Kind == limb.Stub
		}
		lightOf := func(m *limb.Map) limb.Light {
			out := make(limb.Light, m.Len())
			for i := range out {
				out[i] = l.light[m.Axes[i].ID]
			}
			return out
		}
		flowers := func(m *limb.Map, i int) float64 {
			sum := 0.0
			for _, k := range m.Subtree(i) {
				for _, p := range m.Pieces(k, lightOf(m), nil) {
					sum += p.Buds
				}
			}
			return sum
		}
		for i := range after.Axes {
			id := after.Axes[i].ID
			k := before.Index(id)
			if was := flowers(before, k); !after.IsStem(i) && !marked[id] && was >= 3 {
				require.GreaterOrEqual(t, flowers(after, i)/was, 0.04, id)
			}
		}
	})
}

func TestASlipMadeLeavesItsOwnSlipEmptyButForWhatWaits(t *testing.T) {
	eachSlip(t, func(t *testing.T, l lawful, season limb.Season, o cut.Options) {
		o.Level = cut.Third
		s := l.planner(t, season, o).Plan()
		before := l.in(season)
		waits := map[string]bool{}
		for _, c := range append(append([]cut.Carried{}, s.Carried...), s.LookFirst...) {
			waits[nameOf(c.Finding)] = true
			for _, id := range c.Finding.Members {
				waits[string(c.Finding.Code)+":"+id] = true
			}
		}
		for _, c := range l.plannerOf(t, made(t, before, s), o).Plan().Cuts {
			carried := false
			for _, f := range c.Solves {
				carried = carried || waits[nameOf(f)]
			}
			carried = carried || c.Stage != nil && waits[nameOf(*c.Stage)]
			require.True(t, carried, "%s %s %.0f for %v", c.Limb, c.Kind, c.AtCM, c.Solves)
		}
	})
}

func TestOneYearBearersKeepHalfTheirYoungShoots(t *testing.T) {
	eachSlip(t, func(t *testing.T, l lawful, season limb.Season, o cut.Options) {
		if l.m.Kind.Growth.Bearing != pomology.OnLastYear {
			return
		}
		o.Level = cut.Third
		s := l.planner(t, season, o).Plan()
		before := l.in(season)
		after := made(t, before, s)
		all, stay := 0, 0
		for i := range before.Axes {
			a := before.Axes[i]
			st, e := a.LastRing()
			if a.Tip != limb.Growing || before.WhollyDead(i) || a.Sucker || a.Sprout || e < 15 || before.At(i, st).Z > 240 {
				continue
			}
			all++
			if k := after.Index(a.ID); k >= 0 && after.Axes[k].L >= st+8 {
				stay++
			}
		}
		require.GreaterOrEqual(t, float64(stay), 0.5*float64(all))
	})
}

func TestInSummerOnPomeTheFruitBudCutIsFirstWhereItCostsNothing(t *testing.T) {
	cases := 0
	for _, l := range lawTrees(t) {
		if l.m.Kind.Group != pomology.Pome {
			continue
		}
		m := *l.m
		m.Season = limb.Summer
		r := find.Reading{Light: make(limb.Light, m.Len()), Options: find.Defaults()}
		for i := range r.Light {
			r.Light[i] = l.light[m.Axes[i].ID]
		}
		j := cut.NewJudge(&m, r.Light, r)
		for _, f := range find.Findings(&m, r) {
			if f.Code != "over_height" {
				continue
			}
			options := j.Candidates(cut.Question{Limb: f.Limb, Aim: f.Aim, AtMax: limb.Of(f.AtCM)})
			for _, c := range options {
				if c.Kind == limb.FruitBud && c.BudsWithin < 0.5 && m.At(m.Index(c.Limb), c.AtCM).Z <= 240 && c.Score > 90 {
					cases++
					require.Equal(t, limb.FruitBud, options[0].Kind, f.Limb)
				}
			}
		}
	}
	require.NotZero(t, cases)
}

func TestProtectedAndTiedLimbsAreNeverCutNorTakenAlong(t *testing.T) {
	for _, l := range lawTrees(t) {
		o := cut.Options{Level: cut.Third, AimFirst: true, Slack: 0.1}
		s := l.planner(t, limb.Dormant, o).Plan()
		if len(s.Cuts) == 0 {
			continue
		}
		doc := l.m.Doc()
		held := map[string]bool{}
		for k, c := range s.Cuts {
			if c.Step == 1 || held[c.Limb] {
				continue
			}
			for i := range doc.Limbs {
				if doc.Limbs[i].ID == c.Limb {
					doc.Limbs[i].State = &limb.State{Kind: []string{"protected", "tied"}[k%2]}
					held[c.Limb] = true
				}
			}
		}
		m, err := limb.Check(doc)
		require.NoError(t, err)
		for _, c := range l.plannerOf(t, m, o).Plan().Cuts {
			after, err := m.Cut(c.CutAt)
			require.NoError(t, err)
			for id := range held {
				i, k := m.Index(id), after.Index(id)
				require.GreaterOrEqual(t, k, 0, "%s takes %s", c.Limb, id)
				require.InDelta(t, m.Axes[i].L, after.Axes[k].L, 1e-6, "%s cuts %s", c.Limb, id)
			}
		}
	}
}

func TestSmallCutsAreSetAgainstTheLimbTheyStandOn(t *testing.T) {
	told := 0
	for _, l := range lawTrees(t) {
		p := l.planner(t, limb.Dormant, cut.Options{Level: cut.Third})
		s := p.Plan()
		for _, b := range p.Bundles(s) {
			told++
			require.GreaterOrEqual(t, b.Small.Cuts, 3)
			require.Equal(t, 1, b.One.Cuts)
			require.GreaterOrEqual(t, b.One.Share, b.Small.Share-1e-3, "%s: the limb holds all its small cuts", b.Limb)
			for _, k := range b.Steps {
				require.True(t, l.m.HangsOn(l.m.Index(s.Cuts[k].Limb), l.m.Index(b.Limb)))
			}
		}
	}
	require.NotZero(t, told)
}

// TestALimbWantedToGrowSomewhereIsCutToWhatLooksThere: whatever bearing is wanted, the bud a limb is best headed to looks no further from it
// than the one chosen where nothing is wanted, and none is offered that was not there before.
func TestALimbWantedToGrowSomewhereIsCutToWhatLooksThere(t *testing.T) {
	cases, moved := 0, 0
	for _, l := range lawTrees(t) {
		for _, toward := range []float64{20, 140, 260} {
			doc := l.m.Doc()
			for i := range doc.Limbs { // a bud was seen on each, so that it is known where the others face
				a := &l.m.Axes[l.m.Index(doc.Limbs[i].ID)]
				if start, long := a.LastRing(); long > 5 {
					doc.Limbs[i].Buds = []limb.SeenBud{{AtCM: start + long/2, RollDeg: limb.Of(float64(37 * i % 360))}}
				}
			}
			before, err := limb.Check(doc)
			require.NoError(t, err)
			for i := range doc.Limbs {
				doc.Limbs[i].TowardDeg = limb.Of(toward)
			}
			m, err := limb.Check(doc)
			require.NoError(t, err)
			r := find.Reading{Options: find.Defaults()}
			was, is := cut.NewJudge(before, nil, r), cut.NewJudge(m, nil, r)
			for i := range m.Axes {
				if m.Axes[i].Depth == 0 {
					continue
				}
				q := cut.Question{Limb: m.Axes[i].ID, Aim: find.Shorten}
				best := func(j *cut.Judge, on *limb.Map) (miss float64, ok bool) {
					for _, c := range j.Candidates(q) {
						if c.Kind == limb.AboveBud && c.Limb == q.Limb && (c.Class == limb.Outward || c.Class == limb.Inward || c.Class == limb.Left || c.Class == limb.Right) {
							n := nodeAt(on, on.Index(c.Limb), c.AtCM)
							return math.Abs(math.Mod(n-toward+540, 360) - 180), true
						}
					}
					return 0, false
				}
				a, wasOK := best(was, before)
				b, isOK := best(is, m)
				require.Equal(t, wasOK, isOK)
				if isOK {
					cases++
					require.LessOrEqual(t, b, a+30, "%s toward %.0f", q.Limb, toward) // other things weigh too, a little
					if b < a-1 {
						moved++
					}
				}
			}
		}
	}
	require.NotZero(t, cases)
	require.NotZero(t, moved)
}

// nodeAt is the bearing of the bud just below a cut.
func nodeAt(m *limb.Map, i int, at float64) float64 {
	best, bearing := math.Inf(1), 0.0
	for ring := range m.Axes[i].Rings {
		for _, n := range m.Nodes(i, ring, nil) {
			if d := at - n.At; d >= 0 && d < best {
				best, bearing = d, math.Atan2(n.Facing.X, n.Facing.Y)*180/math.Pi
			}
		}
	}
	return bearing
}

// TestWoodForGraftingOffASlipIsThatOfTheTree: no shoot is grafting wood on the slip that is none in the tree's training.
func TestWoodForGraftingOffASlipIsThatOfTheTree(t *testing.T) {
	named := 0
	for _, l := range lawTrees(t) {
		p := l.planner(t, limb.Dormant, cut.Options{Level: cut.Third, Slack: 0.1})
		shoots := training.GraftShoots(l.m, nil, nil)
		if len(shoots) == 0 {
			continue
		}
		all, err := training.CutGraftWood(training.GraftWood{PieceCM: 22, Leafless: true, Shoots: shoots, Stone: l.m.Kind.Group == pomology.Stone})
		require.NoError(t, err)
		for _, id := range p.GraftWood(p.Plan()) {
			named++
			require.True(t, slices.ContainsFunc(all.Fit, func(f training.GraftFit) bool { return f.ID == id }), "%s %v", id, all.Unfit)
			require.False(t, l.m.Axes[l.m.Index(id)].Sucker)
		}
	}
	require.NotZero(t, named)
}
