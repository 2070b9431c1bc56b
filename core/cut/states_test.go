package cut_test

import (
	"slices"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/cut"
	"vertumna/core/find"
	"vertumna/core/growth"
	"vertumna/core/limb"
)

// decided is a tree with a state given to one of its limbs.
func decided(t *testing.T, m *limb.Map, id string, s limb.State) *limb.Map {
	t.Helper()
	doc := m.Doc()
	for i := range doc.Limbs {
		if doc.Limbs[i].ID == id {
			doc.Limbs[i].State = &s
		}
	}
	out, err := limb.Check(doc)
	require.NoError(t, err)
	return out
}

func (l lawful) onDay(t *testing.T, m *limb.Map, day string) *cut.Slip {
	t.Helper()
	r := find.Reading{Light: make(limb.Light, m.Len()), Options: find.Defaults()}
	r.Options.Day = day
	for i := range r.Light {
		r.Light[i] = l.light[m.Axes[i].ID]
	}
	p, err := cut.NewPlanner(growth.Tree{Map: m, Latitude: 45}, r, cut.Options{Level: cut.Third, AimFirst: true, Slack: 0.1, NoStub: true, StoneAnyTime: true})
	require.NoError(t, err)
	return p.Plan()
}

func on(s *cut.Slip, id string) bool {
	return slices.ContainsFunc(s.Cuts, func(c cut.Step) bool { return c.Limb == id })
}

func TestALimbKeptForATimeIsKeptAndThenDue(t *testing.T) {
	kept, due := 0, 0
	for _, l := range lawTrees(t) {
		s := l.onDay(t, l.m, "2027-02-20")
		for _, c := range s.Cuts {
			i := l.m.Index(c.Limb)
			if c.Step <= 2 || l.m.Axes[i].D >= limb.TemporaryMM || l.m.IsStem(i) {
				continue
			}
			for _, kind := range []string{limb.Temporary, limb.OneSeason, limb.LeftToBend, limb.Undecided, limb.Extending} {
				m := decided(t, l.m, c.Limb, limb.State{Kind: kind, Due: "2027-09-01"})
				before := l.onDay(t, m, "2027-02-20")
				require.False(t, on(before, c.Limb), "%s: %s is %s until September", l.name, c.Limb, kind)
				kept++
			}
			after := l.onDay(t, decided(t, l.m, c.Limb, limb.State{Kind: limb.Temporary, Due: "2027-02-01"}), "2027-02-20")
			over := slices.ContainsFunc(after.Findings, func(f find.Finding) bool { return f.Code == "time_over" && f.Limb == c.Limb })
			require.True(t, over, "%s: the day of %s has come", l.name, c.Limb)
			due++
			break // one limb a tree tells it
		}
	}
	require.NotZero(t, kept)
	require.NotZero(t, due)
}

func TestATemporaryLimbIsDueWhenItIsThick(t *testing.T) {
	for _, l := range lawTrees(t) {
		for i := range l.m.Axes {
			a := &l.m.Axes[i]
			if a.Depth != 1 || l.m.WhollyDead(i) {
				continue
			}
			s := l.onDay(t, decided(t, l.m, a.ID, limb.State{Kind: limb.Temporary}), "")
			over := slices.ContainsFunc(s.Findings, func(f find.Finding) bool { return f.Code == "time_over" })
			require.Equal(t, a.D >= limb.TemporaryMM, over, "%s %s of %.0f mm", l.name, a.ID, a.D)
		}
	}
}

func TestANamedSuccessorStandsAndWhatItFollowsGoesWhenItCan(t *testing.T) {
	l := lawTrees(t)[0]
	var goes, follows string
	for i := range l.m.Axes {
		a := &l.m.Axes[i]
		if a.Depth == 2 && a.D > 8 && goes == "" {
			goes = a.ID
		} else if a.Depth == 2 && goes != "" && a.Parent == l.m.Axes[l.m.Index(goes)].Parent && a.D >= l.m.Axes[l.m.Index(goes)].D/3 {
			follows = a.ID
		}
	}
	require.NotEmpty(t, follows)
	s := l.onDay(t, decided(t, l.m, goes, limb.State{Kind: limb.Successor, Limb: follows}), "")
	require.True(t, slices.ContainsFunc(s.Findings, func(f find.Finding) bool { return f.Code == "succeeded" && f.Limb == goes }))
	require.False(t, on(s, follows), "nothing touches %s", follows)
}

func TestAnArmHeldAtItsLengthIsTakenBack(t *testing.T) {
	l := lawTrees(t)[0]
	id := "S1"
	s := l.onDay(t, decided(t, l.m, id, limb.State{Kind: limb.Finished}), "")
	k := slices.IndexFunc(s.Findings, func(f find.Finding) bool { return f.Code == "past_length" })
	require.GreaterOrEqual(t, k, 0)
	start, _ := l.m.Axes[l.m.Index(id)].LastRing()
	require.InDelta(t, start, s.Findings[k].AtCM, 0.01)
}

func TestOfACrossingThatItsDirectionDecidesTheOtherLimbStays(t *testing.T) {
	told := 0
	for _, l := range lawTrees(t) {
		r := find.Reading{Light: make(limb.Light, l.m.Len()), Options: find.Defaults()}
		r.Options.ByDirection = true
		for i := range r.Light {
			r.Light[i] = l.light[l.m.Axes[i].ID]
		}
		p, err := cut.NewPlanner(growth.Tree{Map: l.m, Latitude: 45}, r, cut.Options{Level: cut.Third, AimFirst: true, Slack: 0.1, NoStub: true, StoneAnyTime: true})
		require.NoError(t, err)
		for _, c := range p.Plan().Cuts {
			for _, f := range c.Solves {
				if _, back := f.Fact(find.Backward); f.Code == "crossing" && back {
					told++
					require.True(t, l.m.HangsOn(l.m.Index(f.Limb), l.m.Index(c.Limb)), "%s: %s is solved on %s or what carries it, not on %v", l.name, f.Limb, f.Limb, f.Members)
				}
			}
		}
	}
	require.Positive(t, told)
}
