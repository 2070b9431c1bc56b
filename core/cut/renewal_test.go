package cut_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/cut"
	"vertumna/core/find"
	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/core/pomology"
	"vertumna/internal/vectors"
)

// peach is a sketched peach or nectarine taken as measured, with its slip's options under a school that holds it low.
func peach(t *testing.T, kind string, form pomology.FormSlug, seed uint64) held {
	t.Helper()
	k, err := pomology.BySlug(kind)
	require.NoError(t, err)
	school, err := pomology.School{}.Resolve(false, nil)
	require.NoError(t, err)
	in := growth.Suggest(k, growth.Known{Form: form, Class: pomology.SemiDwarfing, Age: 8})
	in.Seed = seed
	m := vectors.MeasuredMap(t, in)
	return held{
		name: kind + " " + string(form), options: cut.ForSchool(school, k, "hold", 8, limb.Dormant), reading: find.Reading{Options: find.ForSchool(school, k, 212)},
		tree: growth.Tree{Map: m, Latitude: 45, Bounds: growth.LeftAlone(m, pomology.SemiDwarfing, 0)},
	}
}

func TestAPeachIsRenewedByThirdsEachWinterBackToItsSuccessors(t *testing.T) {
	for _, kind := range []string{"peach", "nectarine"} {
		for _, form := range []pomology.FormSlug{pomology.OpenVase, pomology.FlatFan} {
			for seed := range uint64(3) {
				h := peach(t, kind, form, seed)
				rows, _, err := cut.Over(h.tree, h.years(4))
				require.NoError(t, err)
				renewed, followed := 0, 0
				for _, row := range rows {
					gone := map[string]bool{}
					for _, s := range row.Dormant.Cuts {
						gone[s.Limb] = gone[s.Limb] || s.AtCM <= 0
						for _, f := range s.Solves {
							if f.Code != "renewal_due" {
								continue
							}
							renewed++
							if len(f.Members) > 0 && (s.Side == f.Members[0] || s.Limb == f.Limb && s.Kind == limb.Collar) {
								followed++
								require.False(t, gone[f.Members[0]], "%s: %s takes over from %s", h.name, f.Members[0], f.Limb)
							}
						}
					}
				}
				require.GreaterOrEqual(t, renewed, 3, "%s, seed %d", h.name, seed)
				require.Equal(t, renewed, followed, "%s: this school leaves no stubs, so each goes back to its successor", h.name)
			}
		}
	}
}
