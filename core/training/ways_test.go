package training_test

import (
	"math"
	"slices"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/pomology"
	"vertumna/core/training"
)

// formed are kinds as they are usually formed, every form among them.
func formed(t *testing.T, each func(name string, y training.Young)) {
	t.Helper()
	seen := map[pomology.FormSlug]bool{}
	for _, kind := range []string{"apple", "pear", "european-plum", "peach", "sweet-cherry", "fig"} {
		k, err := pomology.BySlug(kind)
		require.NoError(t, err)
		for _, f := range pomology.Forms() {
			seen[f.Slug] = true
			y := training.Young{
				Kind: k, Form: f.Slug, Class: "semi-dwarfing", AimDeg: 50, WiresCM: []float64{50, 95, 140, 185},
				GoalCM: 150, YearlyCM: 60, Bears: 4,
			}
			reach := 212.0
			y.ReachCM = &reach
			each(kind+" as "+string(f.Slug), y)
		}
	}
	require.Len(t, seen, len(pomology.Forms()))
}

// aged is a way at an age.
func aged(y training.Young, age int) training.Way {
	y.Age = age
	return training.FormationOf(y)
}

func TestAWayRunsInYearsToAFrameThatStandsWithinItsHeight(t *testing.T) {
	formed(t, func(name string, y training.Young) {
		way := aged(y, 1)
		require.NotEmpty(t, way.Steps, name)
		require.LessOrEqual(t, way.CapCM, *y.ReachCM, name)
		stands := 0
		for k, s := range way.Steps {
			if k > 0 {
				require.GreaterOrEqual(t, s.Year, way.Steps[k-1].Year, "%s: %s", name, s.What)
			}
			if s.HighCM > 0 {
				require.LessOrEqual(t, s.CM, s.HighCM, "%s: %s ends below its beginning", name, s.What)
			}
			if s.Most > 0 {
				require.LessOrEqual(t, s.Count, s.Most, "%s: %s", name, s.What)
			}
			require.Contains(t, []string{"planting", "winter", "bud-break", "solstice", "slowing", "season"}, s.When, "%s: %s", name, s.What)
			if s.What == training.FrameStands {
				stands++
				require.Equal(t, way.Stands, s.Year, name)
			}
		}
		require.Equal(t, 1, stands, "%s: a frame stands once", name)
	})
}

func TestAStepIsAheadThenNowThenMissedWithASecondBestOrPast(t *testing.T) {
	missed := 0
	formed(t, func(name string, y training.Young) {
		for age := 1; age <= 7; age++ {
			for _, s := range aged(y, age).Steps {
				switch s.State {
				case "ahead":
					require.Greater(t, s.Year, age, "%s at %d: %s", name, age, s.What)
				case "now":
					require.Equal(t, s.Year, age, "%s at %d: %s", name, age, s.What)
				case "missed":
					missed++
					require.Less(t, s.Year, age, "%s at %d: %s", name, age, s.What)
					require.NotEmpty(t, s.Second, "%s at %d: %s", name, age, s.What)
				case "past":
					require.Less(t, s.Year, age, "%s at %d: %s", name, age, s.What)
				default:
					require.Fail(t, "nothing was made, so no such state", "%s at %d: %s is %q", name, age, s.What, s.State)
				}
			}
		}
	})
	require.NotZero(t, missed)
}

func TestWhatWasBuiltIsDoneAndStaysDone(t *testing.T) {
	looked := 0
	formed(t, func(name string, y training.Young) {
		for _, s := range aged(y, 4).Steps {
			if s.Year == 0 || s.Year > 4 || s.What == training.Hold || s.What == training.FrameStands {
				continue
			}
			built := y
			built.Built = []training.Built{{What: s.What, Year: s.Year, Tier: s.Tier}}
			for _, age := range []int{s.Year, 5, 9} {
				steps := aged(built, age).Steps
				k := slices.IndexFunc(steps, func(o training.Step) bool { return o.What == s.What && o.Year == s.Year && o.Tier == s.Tier })
				if k >= 0 {
					looked++
					require.Equal(t, "done", steps[k].State, "%s at %d: %s of year %d was made", name, age, s.What, s.Year)
				}
			}
		}
	})
	require.Greater(t, looked, 300)
}

func TestAnOutlineIsHalfAProfileThatGrowsWithAgeAndStaysWithinReach(t *testing.T) {
	formed(t, func(name string, y training.Young) {
		wide, high := 0.0, 0.0
		for _, age := range []int{1, 2, 3, 5, 8, 20} {
			points := training.Outline(y, age)
			require.GreaterOrEqual(t, len(points), 4, name)
			require.Zero(t, points[0][0], "%s: it begins at the trunk", name)
			require.Zero(t, points[len(points)-1][0], "%s: it ends at the trunk", name)
			w, h := 0.0, 0.0
			for _, p := range points {
				require.GreaterOrEqual(t, p[0], 0.0, "%s: half a profile is on one side", name)
				require.False(t, math.IsNaN(p[0]+p[1]), name)
				w, h = max(w, p[0]), max(h, p[1])
			}
			require.LessOrEqual(t, h, *y.ReachCM, "%s at %d", name, age)
			require.GreaterOrEqual(t, w, wide-1e-9, "%s at %d: no narrower than younger", name, age)
			require.GreaterOrEqual(t, h, high-1e-9, "%s at %d: no lower than younger", name, age)
			wide, high = w, h
		}
		require.Equal(t, training.Outline(y, 8), training.Outline(y, 20), "%s: a grown frame grows no more", name)
	})
}

func TestAnOutlineBeginsWhereTheSchoolPutsTheFirstLimb(t *testing.T) {
	k, err := pomology.BySlug("apple")
	require.NoError(t, err)
	reach := 212.0
	low := training.Young{Kind: k, Form: pomology.CentralLeader, Class: "semi-dwarfing"}
	low.ReachCM = &reach
	high := low
	low.FirstCM, high.FirstCM = 40, 70
	require.InDelta(t, 30, training.Outline(high, 8)[0][1]-training.Outline(low, 8)[0][1], 1e-9)
}
