package cut_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/cut"
	"vertumna/core/find"
	"vertumna/core/limb"
)

// cross is a tree with a limb to the east, one to the west, and a side limb that hangs out beyond the eastern one.
func cross(t *testing.T) *limb.Map {
	t.Helper()
	at := func(id, parent string, attach, az, angle, length, d float64) limb.Limb {
		return limb.Limb{
			ID: id, Parent: parent, AttachCM: limb.Of(attach), AzimuthDeg: limb.Of(az), AngleBaseDeg: limb.Of(angle), AngleTipDeg: limb.Of(angle),
			LengthCM: limb.Of(length), DiameterMM: limb.Of(d),
		}
	}
	trunk := at("T", "", 0, 0, 0, 100, 80)
	trunk.Tip = limb.Cut
	m, err := limb.Check(limb.Doc{Species: "apple", Form: "open-vase", Age: 8, Year: 2027, Limbs: []limb.Limb{
		trunk, at("S1", "T", 80, 90, 60, 160, 40), at("S2", "T", 90, 270, 60, 160, 40), at("S1.1", "S1", 120, 90, 80, 100, 14),
	}})
	require.NoError(t, err)
	return m
}

func whole(id string) limb.CutAt { return limb.CutAt{Kind: limb.Collar, Limb: id} }

func TestACutWhoseWoodComesNearAPowerLineIsForbiddenInSo(t *testing.T) {
	m := cross(t)
	judge := cut.NewJudge(m, nil, find.Reading{Options: find.Defaults()})
	reach := m.At(m.Index("S1.1"), 100).X // how far east the tree stands out
	line := func(beyond float64) find.Yard {
		return find.Yard{PowerLines: [][][2]float64{{{reach + beyond, -2000}, {reach + beyond, 2000}}}}
	}
	require.Equal(t, []cut.Hazard{cut.NearPowerLine}, judge.Hazards(whole("S1"), line(290)), "by its side limb, which falls with it")
	require.Equal(t, []cut.Hazard{cut.NearPowerLine}, judge.Hazards(whole("S1.1"), line(290)))
	require.Empty(t, judge.Hazards(whole("S2"), line(290)), "it stands on the other side")
	require.Empty(t, judge.Hazards(whole("S1"), line(310)), "further than the rule of thumb")
	require.Empty(t, judge.Hazards(whole("S1"), find.Yard{PowerLines: [][][2]float64{{{reach, 0}}, {}}}), "a line of one point is none")
}

func TestALineIsAsNearAsItsNearestPointAndNoNearerThanItsEnds(t *testing.T) {
	m := cross(t)
	judge := cut.NewJudge(m, nil, find.Reading{Options: find.Defaults()})
	tip := m.At(m.Index("S1.1"), 100)
	ends := func(y float64) find.Yard {
		return find.Yard{PowerLines: [][][2]float64{{{tip.X, tip.Y + y}, {tip.X, tip.Y + y + 500}}}}
	}
	require.NotEmpty(t, judge.Hazards(whole("S1.1"), ends(290)))
	require.Empty(t, judge.Hazards(whole("S1.1"), ends(310)))
	corner := find.Yard{PowerLines: [][][2]float64{{{tip.X + 900, tip.Y}, {tip.X + 100, tip.Y + 100}, {tip.X + 900, tip.Y + 900}}}}
	require.NotEmpty(t, judge.Hazards(whole("S1.1"), corner), "a line that turns is near at its corner")
}

func TestOverAPathAndOverAWallAreTold(t *testing.T) {
	m := cross(t)
	judge := cut.NewJudge(m, nil, find.Reading{Options: find.Defaults()})
	tip := m.At(m.Index("S1.1"), 90)
	under := [][2]float64{{tip.X - 20, -40}, {tip.X + 40, -40}, {tip.X + 40, 40}, {tip.X - 20, 40}}
	path := find.Yard{Paths: []find.Path{{Polygon: under}}}
	require.Equal(t, []cut.Hazard{cut.OverPath}, judge.Hazards(whole("S1"), path))
	require.Empty(t, judge.Hazards(whole("S2"), path))
	require.Empty(t, judge.Hazards(limb.CutAt{Kind: limb.AboveBud, Limb: "S1", AtCM: 140}, path), "what hangs before the cut stays where it is")
	wall := func(top float64) find.Yard { return find.Yard{Walls: []find.Wall{{Polygon: under, TopCM: top}}} }
	require.Equal(t, []cut.Hazard{cut.OnTheWall}, judge.Hazards(whole("S1.1"), wall(tip.Z-50)))
	require.Empty(t, judge.Hazards(whole("S1.1"), wall(tip.Z+200)), "it does not stand over a wall that is higher")
	both := find.Yard{Paths: path.Paths, Walls: wall(10).Walls, PowerLines: [][][2]float64{{{0, -500}, {0, 500}}}}
	require.Equal(t, []cut.Hazard{cut.OverPath, cut.OnTheWall, cut.NearPowerLine}, judge.Hazards(whole("S1.1"), both), "all that holds is told")
}
