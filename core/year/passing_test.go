package year_test

import (
	"slices"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/year"
)

// Nothing is logged and no weather comes: then every job keeps its window and goes one way, from before it to in it to after it.
func TestAJobOnlyMovesOnAsDaysPass(t *testing.T) {
	stage := map[year.State]int{year.Opens: 1, year.Waits: 2, year.Open: 3, year.Closing: 4, year.Missed: 5}
	for _, slug := range []string{"lower-terrace", "saltwind"} {
		s := wholeYard(t, slug)
		from, to := year.Rail(2027, s.yard.Place.Site.South())
		was := map[string]year.Task{}
		passed := map[year.State]int{}
		for d := from; d <= to; d += 5 {
			p, err := year.Make(&s.yard, ensemble(t, s.yard.Place, 2027), d)
			require.NoError(t, err)
			here := map[string]bool{}
			for _, tp := range p.Trees {
				for _, x := range tp.Tasks {
					here[x.ID] = true
					require.Contains(t, stage, x.State, x.ID)
					if before, told := was[x.ID]; told {
						require.Equal(t, before.Window.Opens.Day, x.Window.Opens.Day, "%s on %s", x.ID, d)
						require.Equal(t, before.Window.Closes.Day, x.Window.Closes.Day, "%s on %s", x.ID, d)
						if before.State != year.Waits && x.State != year.Waits { // what it waits for may come at any time
							require.GreaterOrEqual(t, stage[x.State], stage[before.State], "%s on %s: %s after %s", x.ID, d, x.State, before.State)
						}
						if before.State != x.State {
							passed[x.State]++
						}
					}
					was[x.ID] = x
				}
			}
			for id, x := range was {
				require.True(t, here[id], "%s was told before %s and is gone, %s to %s", id, d, x.Window.Opens.Day, x.Window.Closes.Day)
			}
		}
		for _, state := range []year.State{year.Open, year.Closing, year.Missed} {
			require.Greater(t, passed[state], 20, "%s: %s", slug, state)
		}
	}
}

// In its window a job is open or waits for something it names; before and after it, it is not open.
func TestAJobIsOpenInItsWindowAndNowhereElse(t *testing.T) {
	s := wholeYard(t, "lower-terrace")
	for d := day("2026-11-05"); d < day("2027-10-31"); d += 13 {
		for _, tp := range s.plan(d.String()).Trees {
			for _, x := range tp.Tasks {
				in := x.Window.Opens.Day <= d && d <= x.Window.Closes.Day
				switch x.State {
				case year.Open, year.Closing:
					require.True(t, in, "%s on %s", x.ID, d)
					require.Empty(t, x.Held, "%s on %s", x.ID, d)
				case year.Opens:
					require.Less(t, d, x.Window.Opens.Day, "%s on %s", x.ID, d)
				case year.Missed:
					require.Greater(t, d, x.Window.Closes.Day, "%s on %s", x.ID, d)
					require.NotEmpty(t, x.Instead, "%s on %s: what is missed says what to do", x.ID, d)
				case year.Waits:
					require.NotEmpty(t, x.Held, "%s on %s waits for something", x.ID, d)
				}
			}
		}
	}
}

// A job that was logged as done is done from then on, whatever day is looked at, and leaves the docket.
func TestWhatIsDoneStaysDone(t *testing.T) {
	done := 0
	for _, date := range []string{"2026-12-10", "2027-03-05", "2027-05-20", "2027-07-05", "2027-09-15"} {
		s := wholeYard(t, "lower-terrace")
		var ids []string
		for _, tp := range s.plan(date).Trees {
			for _, x := range tp.Tasks {
				if x.State != year.Open && x.State != year.Closing {
					continue
				}
				ids = append(ids, x.ID)
				s.with(work(date, x.Kind, func(e *year.Entry) {
					e.ID, e.Tree, e.TaskID, e.Season, e.Outcome = "e"+x.ID, x.Tree, x.ID, x.Season, year.Done
					e.Opened, e.Alive = 20, 20
				}))
			}
		}
		require.NotEmpty(t, ids, date)
		for _, later := range []almanac.Day{day(date), day(date) + 1, day(date) + 30} {
			if year.SeasonOf(later, false) != 2027 {
				continue
			}
			states := map[string]year.State{}
			for _, tp := range s.plan(later.String()).Trees {
				for _, x := range tp.Tasks {
					states[x.ID] = x.State
				}
			}
			for _, id := range ids {
				if states[id] == year.IsDone {
					done++
				}
				require.Contains(t, []year.State{year.IsDone, ""}, states[id], "%s logged on %s, looked at on %s", id, date, later)
			}
		}
	}
	require.Greater(t, done, 200)
}

// Fruit that was taken off, early or ripe, asks for no more work: what was to be done while it hung is gone, what was done of it stays,
// and nothing else of the tree's year moves.
func TestNothingIsAskedOfFruitThatIsPicked(t *testing.T) {
	gone, stayed, cutShort := 0, 0, 0
	for _, picked := range []string{"2027-05-25", "2027-06-25", "2027-07-20", "2027-08-20"} {
		s := wholeYard(t, "lower-terrace")
		before := s.plan(picked)
		thinned := map[string]bool{}
		for _, tp := range before.Trees {
			for _, x := range tp.Tasks {
				out := year.Done
				switch {
				case x.Kind == year.Thin && x.Group != "" && x.State != year.Opens:
					thinned[x.ID] = true
					out = []year.Outcome{year.Part, year.Done}[len(thinned)%2]
				case x.Kind != year.HarvestTask:
					continue
				}
				s.with(work(picked, x.Kind, func(e *year.Entry) {
					e.ID, e.Tree, e.TaskID, e.Season, e.Outcome = "e"+x.ID, x.Tree, x.ID, x.Season, out
				}))
			}
		}
		fruit := []year.TaskKind{year.CountSet, year.Thin, year.Bag, year.SecondLook, year.Unbag, year.Prop, year.LeavesOff}
		for _, later := range []almanac.Day{day(picked), day(picked) + 3, day(picked) + 40} {
			if year.SeasonOf(later, false) != 2027 {
				continue
			}
			plain := wholeYard(t, "lower-terrace").plan(later.String())
			for i, tp := range s.plan(later.String()).Trees {
				is := map[string]year.Task{}
				for _, x := range tp.Tasks {
					is[x.ID] = x
				}
				bore := false
				for _, x := range tp.Tasks {
					bore = bore || x.Kind == year.HarvestTask
				}
				if !bore {
					continue
				}
				for _, x := range plain.Trees[i].Tasks {
					now, told := is[x.ID]
					switch {
					case thinned[x.ID]:
						require.Contains(t, []year.State{year.IsDone, year.IsPart}, now.State, "%s on %s", x.ID, later)
						stayed++
						if now.State == year.IsPart {
							require.Empty(t, now.Group, "%s on %s", x.ID, later)
							cutShort++
						}
					case !slices.Contains(fruit, x.Kind):
						require.True(t, told, "%s on %s", x.ID, later)
						require.Equal(t, x.Window, now.Window, x.ID)
					case x.Window.Closes.Day >= day(picked):
						require.False(t, told, "%s picked on %s, on %s: %s", x.ID, picked, later, now.State)
						gone++
					default:
						require.Equal(t, x.State, now.State, x.ID)
					}
				}
				for _, x := range tp.Tasks {
					require.False(t, slices.Contains(fruit, x.Kind) && x.Group != "" && len(x.Entries) == 0, "%s on %s", x.ID, later)
				}
			}
		}
	}
	require.Greater(t, gone, 50)
	require.Positive(t, stayed)
	require.Positive(t, cutShort)
}
