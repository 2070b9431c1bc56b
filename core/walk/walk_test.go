package walk_test

import (
	"fmt"
	"math"
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/walk"
)

func day(r *rand.Rand, n int) walk.Day {
	d := walk.Day{Start: [2]float64{0, 0}}
	for i := range n {
		s := walk.Stop{ID: fmt.Sprint("t", i), Label: fmt.Sprintf("%c%d", 'A'+i%4, i/4), X: 20 * r.Float64(), Y: 15 * r.Float64(), Health: walk.Health(r.IntN(8) / 6)}
		for j := range 1 + r.IntN(3) {
			s.Jobs = append(s.Jobs, walk.Job{ID: fmt.Sprint(s.ID, "-", j), Minutes: 3 + math.Round(30*r.Float64()), Harm: r.IntN(4), Closing: r.IntN(3) == 0})
		}
		d.Stops = append(d.Stops, s)
	}
	return d
}

func worth(p walk.Plan) (sum int) {
	for _, s := range p.Stops {
		for _, j := range s.Jobs {
			w := 1 + j.Harm
			if j.Closing {
				w *= 3
			}
			sum += w
		}
	}
	return sum
}

func TestAWalkKeepsHealthyBeforeSickAndIsNeverLongerThanByLabels(t *testing.T) {
	shorter := 0
	for seed := range uint64(60) {
		r := rand.New(rand.NewPCG(seed, 3))
		d := day(r, 1+r.IntN(20))
		p := walk.Of(d)
		last := walk.Clean
		seen := map[string]bool{}
		for _, s := range p.Stops {
			require.GreaterOrEqual(t, s.Health, last, "seed %d", seed)
			require.False(t, seen[s.ID])
			seen[s.ID], last = true, s.Health
		}
		require.Len(t, p.Stops, len(d.Stops), "with all the time there is, all is done")
		require.Empty(t, p.Left)
		require.LessOrEqual(t, p.Metres, p.Labels+1e-9)
		if p.Metres < p.Labels-0.1 {
			shorter++
		}
	}
	require.Greater(t, shorter, 20)
}

func TestMoreHoursNeverDoLessAndNothingIsLostFromSight(t *testing.T) {
	for seed := range uint64(30) {
		d := day(rand.New(rand.NewPCG(seed, 5)), 9)
		jobs := 0
		for _, s := range d.Stops {
			jobs += len(s.Jobs)
		}
		last := 0
		for minutes := 10.0; minutes <= 400; minutes += 15 {
			d.Minutes = minutes
			p := walk.Of(d)
			require.LessOrEqual(t, p.Minutes, minutes)
			require.GreaterOrEqual(t, worth(p), last, "seed %d, %g minutes", seed, minutes)
			last = worth(p)
			done := 0
			for _, s := range p.Stops {
				done += len(s.Jobs)
			}
			require.Equal(t, jobs, done+len(p.Left))
		}
	}
}

func TestOneWalksRoundAWall(t *testing.T) {
	d := walk.Day{Start: [2]float64{0, -1}, Stops: []walk.Stop{{ID: "a", X: 0, Y: 1, Jobs: []walk.Job{{ID: "j", Minutes: 5}}}}}
	straight := walk.Of(d).Metres
	require.InDelta(t, 2, straight, 1e-9)
	d.Walls = []walk.Wall{{{-3, 0}, {5, 0}}}
	round := walk.Of(d).Metres
	require.InDelta(t, 2*math.Hypot(3.4, 1), round, 1e-6)
}

// A bed between two trees is walked round, by its nearer side; one that a tree stands in is walked on.
func TestOneWalksRoundABed(t *testing.T) {
	d := walk.Day{Start: [2]float64{0, 0}, Stops: []walk.Stop{{ID: "a", Label: "A1", X: 10, Y: 0, Jobs: []walk.Job{{ID: "j", Minutes: 5}}}}}
	require.InDelta(t, 10, walk.Of(d).Metres, 1e-9)
	d.Beds = []walk.Bed{{{4, -1}, {6, -1}, {6, 6}, {4, 6}}}
	round := walk.Of(d).Metres
	require.Greater(t, round, 10.2)
	require.Less(t, round, 11.0, "by the nearer side")
	d.Beds[0] = walk.Bed{{4, -1}, {12, -1}, {12, 6}, {4, 6}} // the tree stands in it
	require.InDelta(t, 10, walk.Of(d).Metres, 1e-9)
	d.Beds[0] = walk.Bed{{5, 0}} // no outline
	require.InDelta(t, 10, walk.Of(d).Metres, 1e-9)
}

func TestBedsNeverMakeAWalkShorter(t *testing.T) {
	r := rand.New(rand.NewPCG(16, 3))
	for range 60 {
		d := day(r, 2+r.IntN(7))
		open := walk.Of(d).Metres
		for range 3 {
			x, y, w, h := 20*r.Float64(), 15*r.Float64(), 1+3*r.Float64(), 1+3*r.Float64()
			d.Beds = append(d.Beds, walk.Bed{{x, y}, {x + w, y}, {x + w, y + h}, {x, y + h}})
		}
		require.GreaterOrEqual(t, walk.Of(d).Metres, open-1e-6)
	}
}

// Two trees on either side of a wall with a gate: the path leads through it, and is walked along where it is a little longer only.
func TestOneWalksAlongAPath(t *testing.T) {
	d := walk.Day{Start: [2]float64{0, -2}, Stops: []walk.Stop{{ID: "a", Label: "A1", X: 0, Y: 2, Jobs: []walk.Job{{ID: "j", Minutes: 5}}}}, Walls: []walk.Wall{{{-9, 0}, {9, 0}}}}
	round := walk.Of(d).Metres
	d.Paths = []walk.Path{{{1, -3}, {1, 3}}}
	through := walk.Of(d).Metres
	require.InDelta(t, 6, through, 0.5, "to the path, through the gate, and off it")
	require.Less(t, through, round)
	d.Walls = nil
	require.InDelta(t, 4, walk.Of(d).Metres, 0.8, "without a wall it is not much longer than straight on")
	d.Paths = []walk.Path{{{30, -3}, {30, 3}}}
	require.InDelta(t, 4, walk.Of(d).Metres, 1e-9, "nobody goes out of the way for a path")
	d.Paths = []walk.Path{{{1, 1}}}
	require.InDelta(t, 4, walk.Of(d).Metres, 1e-9, "a place is no path")
}

func TestPathsKeepHealthyFirstAndTheWalkNoLongerThanByLabels(t *testing.T) {
	r := rand.New(rand.NewPCG(16, 4))
	for range 60 {
		d := day(r, 2+r.IntN(14))
		for range 3 {
			d.Paths = append(d.Paths, walk.Path{{20 * r.Float64(), 15 * r.Float64()}, {20 * r.Float64(), 15 * r.Float64()}, {20 * r.Float64(), 15 * r.Float64()}})
		}
		p := walk.Of(d)
		require.LessOrEqual(t, p.Metres, p.Labels+1e-6)
		for i := 1; i < len(p.Stops); i++ {
			require.LessOrEqual(t, p.Stops[i-1].Health, p.Stops[i].Health)
		}
	}
}

func TestTheExactWayIsNoLongerThanAnyOther(t *testing.T) {
	for seed := range uint64(20) {
		r := rand.New(rand.NewPCG(seed, 11))
		d := day(r, 6)
		for i := range d.Stops {
			d.Stops[i].Health = walk.Clean
		}
		best := walk.Of(d).Metres
		for range 200 {
			order := r.Perm(6)
			sum, x, y := 0.0, 0.0, 0.0
			for _, i := range order {
				sum += math.Hypot(d.Stops[i].X-x, d.Stops[i].Y-y)
				x, y = d.Stops[i].X, d.Stops[i].Y
			}
			require.LessOrEqual(t, best, sum+1e-9)
		}
	}
}

func TestHeightsAreToldOnOnesOwnBody(t *testing.T) {
	marks := walk.MarksOf(222)
	require.Equal(t, walk.Mark{Name: "fingertips", CM: 222}, marks[len(marks)-1])
	name, hands, ok := walk.Against(marks, 212)
	require.True(t, ok)
	require.Equal(t, "fingertips", name)
	require.InDelta(t, -1, hands, 0)
	for i := 1; i < len(marks); i++ {
		require.Greater(t, marks[i].CM, marks[i-1].CM)
	}
	_, _, ok = walk.Against(walk.MarksOf(0), 100)
	require.False(t, ok)
}

func BenchmarkWalkOfFortyAlongPaths(b *testing.B) {
	r := rand.New(rand.NewPCG(1, 2))
	d := day(r, 40)
	d.Paths = []walk.Path{{{0, 0}, {20, 0}, {20, 15}}, {{0, 7}, {20, 7}}, {{10, 0}, {10, 15}}}
	for b.Loop() {
		walk.Of(d)
	}
}

func BenchmarkWalkOfForty(b *testing.B) {
	d := day(rand.New(rand.NewPCG(1, 1)), 40)
	d.Minutes = 240
	for b.Loop() {
		require.NotEmpty(b, walk.Of(d).Stops)
	}
}
