package cut_test

import (
	"cmp"
	"math"
	"slices"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/cut"
	"vertumna/core/limb"
)

func TestAWoundsClosingRisesSmoothlyWithItsSize(t *testing.T) {
	told := 0
	eachSlip(t, func(t *testing.T, l lawful, season limb.Season, o cut.Options) {
		if !o.AimFirst {
			return
		}
		p := l.planner(t, season, o)
		wounds := map[string][]cut.Step{} // collars by the limb that bears them: one ring of wood closes them all
		for _, s := range p.Plan().Cuts {
			if s.Kind == limb.Collar {
				on := carrierOf(l.m, s.Limb)
				wounds[on] = append(wounds[on], s)
			}
		}
		for _, on := range wounds {
			slices.SortFunc(on, func(a, b cut.Step) int { return cmp.Compare(a.DMM, b.DMM) })
			for k := 1; k < len(on); k++ {
				a, b := on[k-1], on[k]
				if a.CloseNow == 0 {
					require.Zero(t, b.CloseNow, "%s %.0f mm never closes, %s %.0f mm does", a.Limb, a.DMM, b.Limb, b.DMM)
					continue
				}
				if b.CloseNow == 0 {
					continue
				}
				told++
				require.GreaterOrEqual(t, b.CloseNow, a.CloseNow)
				require.LessOrEqual(t, b.CloseNow-a.CloseNow, 1+int(math.Ceil((b.DMM-a.DMM)/0.8)), "no jump: a ring of 0.2 mm a year closes 0.8 mm")
			}
		}
	})
	require.Greater(t, told, 5)
}

func carrierOf(m *limb.Map, id string) string {
	if k := m.Axes[m.Index(id)].Parent; k >= 0 {
		return m.Axes[k].ID
	}
	return ""
}

func TestAShorteningTellsTheWoodItTakesByTheYearItGrew(t *testing.T) {
	told, thisYear := 0, 0
	eachSlip(t, func(t *testing.T, l lawful, season limb.Season, o cut.Options) {
		m := l.m
		for _, s := range l.planner(t, season, o).Plan().Cuts {
			i, d := m.Index(s.Limb), s.Depth
			sum := d.ThisYear + d.LastYear + d.Older
			if i < 0 || s.AtCM <= 0 || sum == 0 {
				continue
			}
			told++
			require.InDelta(t, m.Axes[i].L-s.AtCM, sum, 1e-6, "%s: all that goes has a year", s.Limb)
			require.GreaterOrEqual(t, d.Further, 0.0)
			if d.ThisYear > 0 {
				thisYear++
			}
			if season == limb.Dormant {
				require.Zero(t, d.ThisYear, "no shoot grows in winter")
			}
		}
	})
	require.Greater(t, told, 20)
	require.Positive(t, thisYear, "summer cuts go into shoots of the year")
}
