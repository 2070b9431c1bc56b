package pomology_test

import (
	"math/rand/v2"
	"slices"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/pomology"
)

// asked are questions to the adviser as they may come: every kind and class, some facts of the place.
func asked(t *testing.T, each func(in pomology.AdviserInput)) {
	t.Helper()
	r := rand.New(rand.NewPCG(7, 11))
	for _, k := range pomology.Kinds() {
		for _, class := range pomology.VigourClasses() {
			for range 6 {
				in := pomology.AdviserInput{
					Kind: k, Class: class, HasWall: r.IntN(2) == 0, WallWithinCM: 20 + 200*r.Float64(), PathInSpread: r.IntN(2) == 0, ShadesABed: r.IntN(2) == 0,
					ReachM: []float64{0, 1.9, 2.12, 2.4}[r.IntN(4)], HoursFree: []float64{0, 1, 6}[r.IntN(3)], AgeYears: r.IntN(20),
					Site: pomology.Site{WetWinter: r.IntN(2) == 0, HumidSummer: r.IntN(2) == 0, StrongSun: r.IntN(2) == 0},
				}
				if r.IntN(2) == 0 {
					in.Present = k.Forms[r.IntN(len(k.Forms))]
				}
				each(in)
			}
		}
	}
}

func TestAnAdviceAddsUpAndStandsInItsOrder(t *testing.T) {
	kept := 0
	asked(t, func(in pomology.AdviserInput) {
		got := pomology.Advise(in)
		name := in.Kind.Slug + " " + string(in.Class)
		require.NotEmpty(t, got, name)
		require.LessOrEqual(t, len(got), 3, name)
		seen := map[pomology.FormSlug]bool{}
		for n, a := range got {
			require.False(t, seen[a.Form.Slug], "%s: %s twice", name, a.Form.Slug)
			seen[a.Form.Slug] = true
			require.True(t, in.Kind.Takes(a.Form.Slug), "%s: %s", name, a.Form.Slug)
			sum := 0.0
			for _, p := range a.Reasons {
				require.NotEmpty(t, p.Rule, name)
				require.NotZero(t, p.Points, "%s: %s says nothing", name, p.Rule)
				sum += p.Points
			}
			require.InDelta(t, sum, a.Score, 1e-9, name)
			if n > 0 && !got[n-1].KeepsPresent {
				require.LessOrEqual(t, a.Score, got[n-1].Score, name)
			}
			if a.KeepsPresent {
				kept++
				require.Zero(t, n, "%s: what an older tree has stands first", name)
				require.Equal(t, in.Present, a.Form.Slug)
				require.GreaterOrEqual(t, in.AgeYears, 4)
			}
			require.Positive(t, a.HeightM, name)
			require.Positive(t, a.GroundM2, name)
			require.GreaterOrEqual(t, a.CropKG, 0.0, name)
			require.Positive(t, a.HoursAYear, name)
			for k := 1; k < len(a.Outlines); k++ {
				require.Greater(t, a.Outlines[k].AgeYears, a.Outlines[k-1].AgeYears)
				require.GreaterOrEqual(t, a.Outlines[k].HeightM, a.Outlines[k-1].HeightM, "%s: %s", name, a.Form.Slug)
				require.LessOrEqual(t, a.Outlines[k].HeightM, a.HeightM, "%s: %s", name, a.Form.Slug)
			}
		}
	})
	require.Greater(t, kept, 40)
}

func TestAFormThatIsAskedForStandsNoLowerThanUnasked(t *testing.T) {
	place := func(all []pomology.Advice, f pomology.FormSlug) int {
		return slices.IndexFunc(all, func(a pomology.Advice) bool { return a.Form.Slug == f })
	}
	raised := 0
	asked(t, func(in pomology.AdviserInput) {
		in.Present = ""
		plain := pomology.Advise(in)
		for _, a := range plain {
			in.School = string(a.Form.Slug)
			got := place(pomology.Advise(in), a.Form.Slug)
			require.GreaterOrEqual(t, got, 0, "%s: %s", in.Kind.Slug, a.Form.Slug)
			require.LessOrEqual(t, got, place(plain, a.Form.Slug), "%s: %s", in.Kind.Slug, a.Form.Slug)
			if got < place(plain, a.Form.Slug) {
				raised++
			}
		}
	})
	require.Greater(t, raised, 20)
}

func TestLessReachNeverMakesAnAdvisedTreeHigher(t *testing.T) {
	asked(t, func(in pomology.AdviserInput) {
		heights := map[pomology.FormSlug]float64{}
		for _, reach := range []float64{2.6, 2.2, 1.8} {
			in.ReachM = reach
			for _, a := range pomology.Advise(in) {
				if before, told := heights[a.Form.Slug]; told {
					require.LessOrEqual(t, a.HeightM, before, "%s: %s", in.Kind.Slug, a.Form.Slug)
				}
				heights[a.Form.Slug] = a.HeightM
			}
		}
	})
}

func TestAThickerTrunkOrLongerShootsNeverSpeakForAWeakerStock(t *testing.T) {
	rank := func(c pomology.VigourClass) int { return slices.Index(pomology.VigourClasses(), c) }
	for _, k := range pomology.Kinds() {
		for _, age := range []int{2, 6, 15} {
			last := -1
			for mm := 5.0; mm < 400; mm += 12 {
				g := pomology.GuessClass(k, age, mm, 0)
				require.GreaterOrEqual(t, rank(g.Class), last, "%s at %d years, %.0f mm", k.Slug, age, mm)
				last = rank(g.Class)
			}
			last = -1
			for cm := 1.0; cm < 200; cm += 7 {
				g := pomology.GuessClass(k, age, 12*float64(age), cm)
				require.GreaterOrEqual(t, rank(g.Class), last, "%s at %d years, shoots of %.0f cm", k.Slug, age, cm)
				last = rank(g.Class)
			}
		}
		require.Equal(t, pomology.ClassGuess{Rule: "no-measurement"}, pomology.GuessClass(k, 5, 0, 0), k.Slug)
	}
}

func TestRootsFollowTheCrownAndATubHoldsThem(t *testing.T) {
	last := 0.0
	for spread := 0.5; spread < 9; spread += 0.5 {
		free, flat := pomology.RootSpread(spread, false, 0), pomology.RootSpread(spread, true, 0)
		require.Greater(t, free.RadiusM, last)
		require.Less(t, flat.RadiusM, free.RadiusM, "a flat form asks for less ground")
		require.Equal(t, []string{"crown", "flat-form"}, []string{free.Rule, flat.Rule})
		require.Equal(t, pomology.RootSpread(0.4, false, 60), pomology.RootSpread(spread, false, 60), "a tub is no larger for a larger crown")
		last = free.RadiusM
	}
	require.Greater(t, pomology.TubCap(120), pomology.TubCap(60))
	require.InDelta(t, 2*pomology.TubCap(60), pomology.TubCap(8*60), 1e-9, "eight times the earth holds twice the crown")
}
