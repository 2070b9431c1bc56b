package training_test

import (
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/limb"
	"vertumna/core/training"
)

// shoots are a young tree's shoots, as they may come.
func shoots(r *rand.Rand, n int) []training.ScaffoldCandid {
	out := make([]training.ScaffoldCandid, n)
	for i := range out {
		out[i] = training.ScaffoldCandid{
			ID: fmt.Sprint("S", i+1), AzimuthDeg: math.Round(360 * r.Float64()), HeightCM: 40 + math.Round(60*r.Float64()),
			AngleDeg: 30 + math.Round(45*r.Float64()), DiameterMM: 8 + math.Round(8*r.Float64()), Fault: "none",
		}
	}
	return out
}

func asked(r *rand.Rand, n int) training.Scaffolds {
	return training.Scaffolds{Form: "open-vase", LeaderDiameterMM: limb.Of(30), Candidates: shoots(r, n)}
}

// answer is what a model says of an input that it takes.
func answer[In, Out any](t *testing.T, model func(In) (Out, error), in In) Out {
	t.Helper()
	out, err := model(in)
	require.NoError(t, err)
	return out
}

func chosen(t *testing.T, in training.Scaffolds) training.ScaffoldChoice {
	t.Helper()
	return answer(t, training.ChooseScaffolds, in)
}

func TestAChoiceOfScaffoldsTurnsWithTheTreeAndForgetsTheOrderOfTheList(t *testing.T) {
	some := 0
	for seed := range uint64(40) {
		r := rand.New(rand.NewPCG(seed, 7))
		in := asked(r, 5+r.IntN(6))
		first := chosen(t, in)
		if first.Verdict == "chosen" {
			some++
			require.GreaterOrEqual(t, len(first.Chosen), 3)
			require.LessOrEqual(t, len(first.Chosen), 5)
		}
		for _, x := range first.Rejected {
			require.NotContains(t, first.Chosen, x.ID)
			require.NotEmpty(t, x.Reason)
		}
		turned := in
		turned.Candidates = slices.Clone(in.Candidates)
		for i := range turned.Candidates {
			turned.Candidates[i].AzimuthDeg = math.Mod(turned.Candidates[i].AzimuthDeg+90, 360)
		}
		r.Shuffle(len(turned.Candidates), func(a, b int) {
			turned.Candidates[a], turned.Candidates[b] = turned.Candidates[b], turned.Candidates[a]
		})
		again := chosen(t, turned)
		require.Equal(t, first.Verdict, again.Verdict)
		require.ElementsMatch(t, first.Chosen, again.Chosen, "seed %d", seed)
		if first.Score != nil {
			require.InDelta(t, *first.Score, *again.Score, 1e-9)
		}
	}
	require.Greater(t, some, 20)
}

func TestOneMoreShootNeverMakesTheBestSetWorse(t *testing.T) {
	compared := 0
	for seed := range uint64(30) {
		r := rand.New(rand.NewPCG(seed, 11))
		in := asked(r, 9)
		less := in
		less.Candidates = in.Candidates[:7]
		few, more := chosen(t, less), chosen(t, in)
		if few.Verdict == "chosen" && more.Verdict == "chosen" {
			compared++
			require.GreaterOrEqual(t, *more.Score, *few.Score-1e-9, "seed %d", seed)
		}
	}
	require.NotZero(t, compared)
}

func TestAShootAPersonKeepsIsKept(t *testing.T) {
	for seed := range uint64(20) {
		in := asked(rand.New(rand.NewPCG(seed, 13)), 8)
		in.Candidates[3].Keep = true
		if out := chosen(t, in); out.Verdict == "chosen" {
			require.Contains(t, out.Chosen, "S4", "seed %d", seed)
		}
	}
}

func TestARenewalStaysUnderItsLimitAndTellsWhatWaits(t *testing.T) {
	cut := 0
	for seed := range uint64(40) {
		r := rand.New(rand.NewPCG(seed, 17))
		in := training.Renewal{ScaffoldD2MM2: 3600, UsedShare: 0.1 * r.Float64()}
		for i := range 4 + r.IntN(8) {
			in.Units = append(in.Units, training.Unit{
				ID: fmt.Sprint("U", i), DiameterMM: 8 + math.Round(18*r.Float64()), CarrierMM: limb.Of(40), AgeYears: 1 + r.IntN(6), Locked: i == 2,
			})
		}
		out, err := training.PlanRenewal(in)
		require.NoError(t, err)
		require.LessOrEqual(t, out.Share+in.UsedShare, 0.2+1e-9, "seed %d", seed)
		sum := 0.0
		gone := map[string]bool{}
		for _, c := range out.Cuts {
			require.False(t, gone[c.ID], "once")
			require.NotEqual(t, "U2", c.ID, "a locked unit stays")
			gone[c.ID] = true
			sum += c.Share
		}
		require.InDelta(t, sum, out.Share, 1e-9)
		for _, l := range out.Left {
			require.False(t, gone[l.ID])
			require.NotEmpty(t, l.Reason)
		}
		cut += len(out.Cuts)
	}
	require.NotZero(t, cut)
}

func TestTheLowestBoundHoldsATree(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 19))
	for range 60 {
		reach, row, light := 150+150*r.Float64(), 150+300*r.Float64(), 150+300*r.Float64()
		b := training.Bounds{ReachCM: &reach, RowDistanceCM: &row, LightCapCM: &light}
		out, err := training.CapHeight(training.HeightCap{Bounds: b, HeightCM: limb.Of(400)})
		require.NoError(t, err)
		least := min(reach, training.RowRule*row, light)
		require.InDelta(t, least, out.CapCM, 1e-9)
		require.InDelta(t, 400-least, *out.OverCM, 1e-9)
		by := map[string]float64{"reach": reach, "row": training.RowRule * row, "light": light}
		require.InDelta(t, least, by[out.Binding], 1e-9)
		top := 120.0
		stop, err := training.StopLeader(training.LeaderStop{Bounds: b, TopScaffoldCM: top})
		require.NoError(t, err)
		require.Equal(t, stop.Fits, top+45 <= least+1e-9)
		require.LessOrEqual(t, stop.LowCM, stop.HighCM)
	}
}
