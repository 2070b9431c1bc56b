package cut_test

import (
	"fmt"
	"math"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/cut"
	"vertumna/core/find"
	"vertumna/core/limb"
)

func TestNeverAStubWhereTheCollarIsMeantNorATopLeftAboveReach(t *testing.T) {
	lowered := 0
	eachSlip(t, func(t *testing.T, l lawful, season limb.Season, o cut.Options) {
		o.Level, o.NoStub = cut.Third, true
		for _, c := range l.planner(t, season, o).Plan().Cuts {
			require.NotEqual(t, limb.Stub, c.Kind, c.Limb)
			if c.Aim == find.Lower && c.Stage == nil && len(c.Solves) > 0 && c.Solves[0].Code == "over_height" {
				lowered++
				i := l.m.Index(c.Limb)
				require.LessOrEqual(t, l.m.At(i, math.Max(0, c.AtCM)).Z, 241.0, "%s: cut where it still stands above reach", c.Limb)
			}
		}
	})
	require.NotZero(t, lowered)
}

func TestStoneFruitIsNotCutThickInTheWet(t *testing.T) {
	waited := 0
	for _, l := range lawTrees(t) {
		if !l.m.Kind.Growth.DrySummerWood {
			continue
		}
		s := l.planner(t, limb.Dormant, cut.Options{Level: cut.Third}).Plan()
		for _, c := range s.Cuts {
			sucker := len(c.Solves) > 0 && c.Solves[0].Code == "sucker"
			require.True(t, c.DMM < 15 || c.Step == 1 || sucker, "%s %s of %.0f mm", l.name, c.Limb, c.DMM)
		}
		for _, c := range s.Carried {
			if c.Why == cut.DryWeather {
				waited++
			}
		}
		for _, c := range l.planner(t, limb.Dormant, cut.Options{Level: cut.Third, StoneAnyTime: true}).Plan().Carried {
			require.NotEqual(t, cut.DryWeather, c.Why, "a school that cuts it any time does not wait")
		}
	}
	require.NotZero(t, waited)
}

func TestTurningTheTreeTurnsTheSlip(t *testing.T) {
	for _, l := range lawTrees(t) {
		doc := l.m.Doc()
		for i := range doc.Limbs {
			doc.Limbs[i].AzimuthDeg = limb.Of(math.Mod(*doc.Limbs[i].AzimuthDeg+37, 360))
		}
		turned, err := limb.Check(doc)
		require.NoError(t, err)
		cuts := func(m *limb.Map) (out []string, at []float64) {
			for _, c := range l.plannerOf(t, m, cut.Options{Level: cut.Quarter}).Plan().Cuts {
				if len(c.Solves) == 0 || c.Solves[0].Code != "centre_closed" { // its grid does not turn
					out, at = append(out, fmt.Sprint(c.Limb, " ", c.Kind)), append(at, c.AtCM)
				}
			}
			return out, at
		}
		was, wasAt := cuts(l.m)
		is, isAt := cuts(turned)
		require.Equal(t, was, is, l.name)
		require.InDeltaSlice(t, wasAt, isAt, 0.01, l.name)
	}
}

func TestWhatTheStepsTakeIsWhatTheCrownLoses(t *testing.T) {
	swallowed := 0
	eachSlip(t, func(t *testing.T, l lawful, season limb.Season, o cut.Options) {
		s := l.planner(t, season, o).Plan()
		takes, cutter := 0.0, l.m.Cutter()
		for _, c := range s.Cuts {
			takes += c.Takes
			require.GreaterOrEqual(t, c.Takes, c.Net-1e-12)
			if c.Takes > c.Net+1e-6 {
				swallowed++
			}
			require.NoError(t, cutter.Cut(c.CutAt))
		}
		require.InDelta(t, 1-cutter.Map().CrownD2()/l.m.CrownD2(), takes, 0.01)
	})
	require.NotZero(t, swallowed, "some cut takes over what was chosen before it")
}
