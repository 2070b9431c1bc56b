package cut_test

import (
	"encoding/json"
	"fmt"
	"math"
	"slices"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/cut"
	"vertumna/core/find"
	"vertumna/core/growth"
	"vertumna/core/light"
	"vertumna/core/limb"
	"vertumna/internal/vectors"
)

type expectedEvidence struct {
	NextMM    float64 `json:"d_next_mm"`
	CloseNow  *int    `json:"close_now"`
	CloseNext *int    `json:"close_next"`
}

type expectedPlan struct {
	Findings   int
	Confidence float64
	Cuts       []struct {
		expected
		expectedEvidence
		Net       float64 `json:"net_share"`
		Counted   float64
		Solves    []string
		Step      int
		Stage     string
		GrowsBack struct {
			Seasons *int
			CM      float64
		} `json:"grows_back"`
	}
	Carried, LookFirst []expectedCarried
	Look               []expectedCarried `json:"look_first"`
	Jobs               []struct {
		Finding *string
		Job     cut.JobKind
		Limb    string
		AtCM    float64 `json:"at_cm"`
		Seasons *int
	}
	Share, Budget, Account float64
	BigWounds              int `json:"big_wounds"`
	Unsolved, Minutes      float64
	Within                 float64 `json:"buds_within"`
	Above                  float64 `json:"buds_above"`
}

type expectedCarried struct {
	Finding, Reason string
	Cut             *struct {
		expectedEvidence
		Limb  string
		Kind  limb.CutKind
		AtCM  float64 `json:"at_cm"`
		Share float64
		DMM   float64 `json:"d_mm"`
	}
}

type planCase struct {
	vectors.Tree
	Budget cut.Level
	Expect struct {
		Plan       *expectedPlan
		Candidates []struct {
			Limb   string
			Aim    find.Aim
			Season limb.Season
			AtMax  *float64 `json:"at_max"`
			Expect []expected
		}
		Other *struct {
			Season limb.Season
			Expect expectedPlan
		} `json:"plan_other_season"`
		Levels map[cut.Level]struct{ Account, Unsolved float64 } `json:"plan_levels"`
		After  *struct {
			Height float64 `json:"height_cm"`
			Crown  float64 `json:"crown_d2"`
			Share  map[string]float64
			Dia    map[string]float64 `json:"diameters"`
			Tips   map[string]float64
			Whole  map[string]float64 `json:"whole_share"`
			Sun    []string           `json:"sunburn"`
		} `json:"after_plan"`
		Zones *struct {
			Zones  [3]float64
			Budget cut.Level
			Expect expectedPlan
		} `json:"plan_zones"`
		Years *expectedYears `json:"several_years"`
		Day   *struct {
			At    float64 `json:"t_summer"`
			Limbs map[string]map[string]float64
		} `json:"day_map"`
	}
}

// beyond are findings that the reference does not know.
var beyond = []find.Code{"old_upright", "over_long", "resting", "top_heavy", "weak", "bare_leader", "wall", "headed_again", "renewal_due"}

func eachPlan(t *testing.T, test func(t *testing.T, c *planCase)) {
	plans := 0
	vectors.Trees(t, func(t *testing.T, text []byte) {
		c := &planCase{}
		require.NoError(t, json.Unmarshal(text, c))
		if c.Expect.Plan != nil { // bad input and yards of light have none
			plans++
			test(t, c)
		}
	})
	require.NotZero(t, plans)
}

func (c *planCase) tree(t *testing.T, season limb.Season) growth.Tree {
	t.Helper()
	return growth.Tree{Map: vectors.Map(t, c.Input, season), Latitude: 45, Given: c.LightGiven}
}

func (c *planCase) reading(m *limb.Map) find.Reading {
	r := c.Reading(m)
	r.Options.Without = beyond
	return r
}

func (c *planCase) planner(t *testing.T, season limb.Season, o cut.Options) *cut.Planner {
	t.Helper()
	tree := c.tree(t, season)
	o.Used, o.BigUsed = c.Options.Used, c.Options.BigUsed
	p, err := cut.NewPlanner(tree, c.reading(tree.Map), o)
	require.NoError(t, err)
	return p
}

// reasons of the reference, by name.
var reasons = map[string]cut.Why{
	"no safe cut": cut.NoSafeCut, "thin the fruit, prop or tie": cut.NoCut, "it bears this year: renew it after harvest": cut.Bears,
	"work of the dormant slip": cut.OtherSlip, "work of the summer slip": cut.OtherSlip, "look at the light again after these cuts": cut.LightAgain,
	"notch it first, look again next year": cut.NotchFirst, "bend it first, look again next year": cut.BendFirst,
	"wait for dry summer weather": cut.DryWeather, "over the budget: do it in summer, it calms the tree": cut.OverToSummer,
	"over the budget: next winter": cut.OverToWinter, "over the limit of its zone: next winter": cut.ZoneToWinter,
	"over the limit of its zone: do it in summer, it calms the tree": cut.ZoneToSummer, "the map is too incomplete to be sure": cut.Incomplete,
}

func nameOf(f find.Finding) string { return string(f.Code) + ":" + f.Limb }

func orNone(n *int) int {
	if n == nil {
		return 0
	}
	return *n
}

func requirePlan(t *testing.T, w *expectedPlan, g *cut.Slip) {
	t.Helper()
	var want, got []string
	for _, c := range w.Cuts {
		slices.Sort(c.Solves)
		want = append(want, fmt.Sprintf("%d %s %s %s %v", c.Step, c.Limb, c.Kind, c.Stage, c.Solves))
	}
	for _, c := range g.Cuts {
		solves := []string{}
		for _, f := range c.Solves {
			solves = append(solves, nameOf(f))
		}
		slices.Sort(solves)
		stage := ""
		if c.Stage != nil {
			stage = nameOf(*c.Stage)
		}
		got = append(got, fmt.Sprintf("%d %s %s %s %v", c.Step, c.Limb, c.Kind, stage, solves))
	}
	require.Equal(t, want, got)
	for k, c := range w.Cuts {
		s := g.Cuts[k]
		name := want[k]
		requireCandidate(t, c.expected, s.Candidate)
		requireEvidence(t, c.expectedEvidence, s.Evidence, name)
		require.InDelta(t, c.Net, s.Net, 0.0005, name)
		require.InDelta(t, c.Counted, s.Counted, 0.0005, name)
		require.InDelta(t, c.GrowsBack.CM, s.RegrowthCM, math.Max(0.3, 0.005*c.GrowsBack.CM), name)
		require.Equal(t, orNone(c.GrowsBack.Seasons), s.GrowsBack, name)
	}
	requireCarried(t, w.Carried, g.Carried)
	requireCarried(t, w.Look, g.LookFirst)
	var jobs, made []string
	for _, j := range w.Jobs {
		f := ""
		if j.Finding != nil {
			f = *j.Finding
		}
		jobs = append(jobs, fmt.Sprintf("%s %s %s %.1f %d", f, j.Job, j.Limb, j.AtCM, orNone(j.Seasons)))
	}
	for _, j := range g.Jobs {
		f := ""
		if j.Finding != nil {
			f = nameOf(*j.Finding)
		}
		made = append(made, fmt.Sprintf("%s %s %s %.1f %d", f, j.Kind, j.Limb, j.AtCM, j.Seasons))
	}
	require.Equal(t, jobs, made)
	require.Equal(t, w.Findings, len(g.Findings))
	require.Equal(t, w.BigWounds, g.BigWounds)
	for what, v := range map[string][2]float64{
		"confidence": {w.Confidence, g.Confidence}, "share": {w.Share, g.Share}, "cap": {w.Budget, g.Cap}, "account": {w.Account, g.Account},
	} {
		require.InDelta(t, v[0], v[1], 0.0006, what)
	}
	require.InDelta(t, w.Unsolved, g.Unsolved, 0.005)
	for what, v := range map[string][2]float64{"minutes": {w.Minutes, g.Minutes}, "within": {w.Within, g.BudsWithin}, "above": {w.Above, g.BudsAbove}} {
		require.InDelta(t, v[0], v[1], math.Max(0.06, 0.01*v[0]), what)
	}
}

func requireEvidence(t *testing.T, w expectedEvidence, g cut.Evidence, name string) {
	t.Helper()
	require.InDelta(t, w.NextMM, g.NextMM, 0.06, name)
	require.Equal(t, []int{orNone(w.CloseNow), orNone(w.CloseNext)}, []int{g.CloseNow, g.CloseNext}, name)
}

func requireCarried(t *testing.T, want []expectedCarried, got []cut.Carried) {
	t.Helper()
	var a, b []string
	for _, c := range want {
		text := fmt.Sprint(c.Finding, " ", reasons[c.Reason])
		if c.Cut != nil {
			text += fmt.Sprintf(" %s %s", c.Cut.Limb, c.Cut.Kind)
		}
		if reasons[c.Reason] == "" { // lowered: the number stands in the reason
			text = c.Finding + " " + string(cut.Lowered)
		}
		a = append(a, text)
	}
	for _, c := range got {
		text := fmt.Sprint(nameOf(c.Finding), " ", c.Why)
		if c.Cut != nil {
			text += fmt.Sprintf(" %s %s", c.Cut.Limb, c.Cut.Kind)
		}
		if c.Why == cut.Lowered {
			text = nameOf(c.Finding) + " " + string(cut.Lowered)
		}
		b = append(b, text)
	}
	require.Equal(t, a, b)
	for k, c := range want {
		if c.Cut != nil && got[k].Cut != nil {
			requireEvidence(t, c.Cut.expectedEvidence, got[k].Evidence, a[k])
			require.InDelta(t, c.Cut.AtCM, got[k].Cut.AtCM, 0.05, a[k])
			require.InDelta(t, c.Cut.Share, got[k].Cut.Share, 0.0005, a[k])
			require.InDelta(t, c.Cut.DMM, got[k].Cut.DMM, 0.06, a[k])
		}
	}
}

func TestVectorsPlan(t *testing.T) {
	eachPlan(t, func(t *testing.T, c *planCase) {
		requirePlan(t, c.Expect.Plan, c.planner(t, c.Season, cut.Options{Level: c.Budget}).Plan())
	})
}

func TestVectorsPlanOtherSeason(t *testing.T) {
	eachPlan(t, func(t *testing.T, c *planCase) {
		requirePlan(t, &c.Expect.Other.Expect, c.planner(t, c.Expect.Other.Season, cut.Options{Level: c.Budget}).Plan())
	})
}

func TestVectorsPlanLevels(t *testing.T) {
	eachPlan(t, func(t *testing.T, c *planCase) {
		got := c.planner(t, c.Season, cut.Options{Level: c.Budget}).AtLevels()
		require.Len(t, got, len(c.Expect.Levels))
		for level, w := range c.Expect.Levels {
			require.InDelta(t, w.Account, got[level].Account, 0.0005, level)
			require.InDelta(t, w.Unsolved, got[level].Unsolved, 0.005, level)
		}
	})
}

func TestVectorsPlanZones(t *testing.T) {
	eachPlan(t, func(t *testing.T, c *planCase) {
		if z := c.Expect.Zones; z != nil {
			requirePlan(t, &z.Expect, c.planner(t, c.Season, cut.Options{Level: z.Budget, Zones: &z.Zones}).Plan())
		}
	})
}

func TestVectorsAfterPlan(t *testing.T) {
	eachPlan(t, func(t *testing.T, c *planCase) {
		w := c.Expect.After
		if w == nil {
			return
		}
		p := c.planner(t, c.Season, cut.Options{Level: c.Budget})
		m := c.tree(t, c.Season).Map
		for _, k := range p.Plan().Cuts {
			var err error
			m, err = m.Cut(k.CutAt)
			require.NoError(t, err)
		}
		require.InDelta(t, w.Height, m.Height(), 0.05)
		require.InDelta(t, w.Crown, m.CrownD2(), 0.001*w.Crown)
		before := c.tree(t, c.Season).Map
		require.ElementsMatch(t, w.Sun, cut.Exposed(before, light.OfTree(before, 45, light.Coarse), m, light.OfTree(m, 45, light.Coarse)))
		require.Len(t, w.Dia, m.Len())
		for id, d := range w.Dia {
			i := m.Index(id)
			require.GreaterOrEqual(t, i, 0, id)
			require.InDelta(t, d, m.Axes[i].D, 0.05, id)
			require.InDelta(t, w.Tips[id], m.Axes[i].Dt, 0.05, id)
			require.InDelta(t, w.Whole[id], m.Share(i, 0), 0.0005, id)
		}
	})
}
