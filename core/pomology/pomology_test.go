package pomology_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/given"
	"vertumna/core/pomology"
)

func kind(t *testing.T, slug string) *pomology.Kind {
	t.Helper()
	k, err := pomology.BySlug(slug)
	require.NoError(t, err)
	return k
}

func TestSeventeenKindsAreComplete(t *testing.T) {
	require.Len(t, pomology.Kinds(), 17)
	for _, k := range pomology.Kinds() {
		require.NotEmpty(t, k.Forms, k.Slug)
		require.Positive(t, k.Care.YearsLived, k.Slug)
		require.Positive(t, k.Phenology.HeatGDH, k.Slug)
		require.Positive(t, k.Growth.ExtensionCM, k.Slug)
		require.Positive(t, k.Crop.MassG, k.Slug)
		require.Positive(t, k.Bending.AimDeg, k.Slug)
		require.NotEmpty(t, k.ChillHours.Reading, k.Slug)
	}
}

func TestLeavesAndDensityAgreeOnASoundTree(t *testing.T) {
	for _, k := range pomology.Kinds() {
		if !k.Crop.HandThinned {
			continue
		}
		fromLeaves := k.Growth.LeafM2PerCM2 * 1e4 / (k.Crop.LeafCM2 * k.Crop.LeavesPerFruit)
		require.InEpsilon(t, k.Crop.DensityMedium, fromLeaves, 0.10, k.Slug)
	}
}

func TestUnknownKindNamesTheFieldAndWhatIsExpected(t *testing.T) {
	_, err := pomology.BySlug("lemon")
	require.ErrorAs(t, err, new(given.Fault))
	require.ErrorContains(t, err, `"lemon" given`)
	require.ErrorContains(t, err, "apple")
	what, known := pomology.NotForMethod(" Walnut ")
	require.True(t, known)
	require.Equal(t, "nut tree", what)
}

func TestKindsThatDoNotSuitALowTreeSaySo(t *testing.T) {
	require.Equal(t, pomology.DoesNotSuit, kind(t, "pomegranate").LowTree)
	require.Contains(t, kind(t, "pomegranate").LowTreeNote, "shrub")
	for _, slug := range []string{"sweet-cherry", "persimmon", "mulberry"} {
		require.Equal(t, pomology.SuitsCare, kind(t, slug).LowTree)
		require.NotEmpty(t, kind(t, slug).LowTreeNote)
	}
}

func TestAStrongerStockNeverMakesASmallerTree(t *testing.T) {
	for _, k := range pomology.Kinds() {
		last := pomology.Size{}
		for _, c := range pomology.VigourClasses() {
			s, used, ok := k.SizeFor(c)
			require.NotEmpty(t, used)
			if ok {
				require.GreaterOrEqual(t, s.HeightM, last.HeightM, "%s %s", k.Slug, c)
				require.GreaterOrEqual(t, s.DistanceM, last.DistanceM, "%s %s", k.Slug, c)
				last = s
			}
		}
	}
	_, used, ok := kind(t, "pear").SizeFor(pomology.VeryDwarfing)
	require.False(t, ok, "pear has no very dwarfing stock")
	require.Equal(t, pomology.Dwarfing, used)
}

func TestAdviser(t *testing.T) {
	t.Run("a wall within 60 cm brings the flat forms forward", func(t *testing.T) {
		free := pomology.Advise(pomology.AdviserInput{Kind: kind(t, "apple"), Class: pomology.Dwarfing})
		wall := pomology.Advise(pomology.AdviserInput{Kind: kind(t, "apple"), Class: pomology.Dwarfing, HasWall: true, WallWithinCM: 40})
		require.Equal(t, pomology.OpenVase, free[0].Form.Slug)
		require.True(t, wall[0].Form.Flat)
		require.Len(t, wall, 3)
	})
	t.Run("a central leader only on weak stock", func(t *testing.T) {
		for _, a := range pomology.Advise(pomology.AdviserInput{Kind: kind(t, "pear"), Class: pomology.Vigorous}) {
			require.NotEqual(t, pomology.CentralLeader, a.Form.Slug)
		}
	})
	t.Run("an older tree keeps its form and says why", func(t *testing.T) {
		got := pomology.Advise(pomology.AdviserInput{Kind: kind(t, "apple"), Class: pomology.SemiDwarfing, AgeYears: 12, Present: pomology.FlatFan})
		require.Equal(t, pomology.FlatFan, got[0].Form.Slug)
		require.True(t, got[0].KeepsPresent)
	})
	t.Run("the school's form comes forward", func(t *testing.T) {
		got := pomology.Advise(pomology.AdviserInput{Kind: kind(t, "apple"), Class: pomology.Dwarfing, School: "low-bush"})
		require.Equal(t, pomology.LowBush, got[0].Form.Slug)
	})
	t.Run("too few hours, damp places and a bed behind are weighed", func(t *testing.T) {
		rules := func(in pomology.AdviserInput, form pomology.FormSlug) map[string]float64 {
			in.Kind, in.Class = kind(t, "apple"), pomology.Dwarfing
			out := map[string]float64{}
			for _, a := range pomology.Advise(in) {
				if a.Form.Slug == form {
					for _, p := range a.Reasons {
						out[p.Rule] = p.Points
					}
				}
			}
			return out
		}
		require.Negative(t, rules(pomology.AdviserInput{HoursFree: 2}, pomology.OpenVase)["hours"])
		require.Positive(t, rules(pomology.AdviserInput{Site: pomology.Site{WetWinter: true}}, pomology.OpenVase)["air-in-wet-places"])
		require.Positive(t, rules(pomology.AdviserInput{ShadesABed: true, PathInSpread: true, ReachM: 1.5}, pomology.StepOver)["bed-behind"])
	})
	t.Run("the score is the sum of its reasons and outlines grow with age", func(t *testing.T) {
		for _, a := range pomology.Advise(pomology.AdviserInput{Kind: kind(t, "peach"), ReachM: 1.7, Site: pomology.Site{StrongSun: true}}) {
			sum := 0.0
			for _, p := range a.Reasons {
				sum += p.Points
			}
			require.InDelta(t, sum, a.Score, 1e-9)
			require.Less(t, a.Outlines[0].HeightM, a.Outlines[2].HeightM)
			require.LessOrEqual(t, a.HeightM, 1.7)
		}
	})
}

func TestCompany(t *testing.T) {
	apple, pear, plum := kind(t, "apple"), kind(t, "pear"), kind(t, "european-plum")
	bloom := func(id string, k *pomology.Kind, first, last int) pomology.Bloom {
		return pomology.Bloom{ID: id, Kind: k, Cultivar: id, First: first, Last: last, Known: true}
	}
	t.Run("two apples in bloom together serve each other", func(t *testing.T) {
		v := pomology.Companions([]pomology.Bloom{bloom("a", apple, 100, 110), bloom("b", apple, 105, 115)})
		require.Empty(t, v[0].Warning)
		require.Equal(t, 6, v[0].Overlaps[0].Days)
		require.Equal(t, []string{"b"}, pomology.SolePartners(v)["a"])
	})
	t.Run("pears want five days", func(t *testing.T) {
		v := pomology.Companions([]pomology.Bloom{bloom("a", pear, 100, 108), bloom("b", pear, 105, 115)})
		require.Equal(t, "short-overlap", v[0].Warning)
	})
	t.Run("a lone apple, a triploid partner and the same cultivar are warned of", func(t *testing.T) {
		alone := bloom("a", apple, 100, 110)
		alone.SelfFertile = "yes" // as its label says
		require.Empty(t, pomology.Companions([]pomology.Bloom{alone})[0].Warning)
		require.Equal(t, "no-partner", pomology.Companions([]pomology.Bloom{bloom("a", apple, 100, 110)})[0].Warning)
		tri := bloom("b", apple, 100, 110)
		tri.Triploid = true
		require.Equal(t, "no-partner", pomology.Companions([]pomology.Bloom{bloom("a", apple, 100, 110), tri})[0].Warning)
		twin := bloom("b", apple, 100, 110)
		twin.Cultivar = "a"
		require.Equal(t, "no-partner", pomology.Companions([]pomology.Bloom{bloom("a", apple, 100, 110), twin})[0].Warning)
	})
	t.Run("a partner cut too hard to bloom is named, a neighbour's tree helps", func(t *testing.T) {
		hard := bloom("b", apple, 100, 110)
		hard.HardCut = true
		require.Equal(t, "partner-hard-cut", pomology.Companions([]pomology.Bloom{bloom("a", apple, 100, 110), hard})[0].Warning)
		next := bloom("n", apple, 100, 110)
		next.Elsewhere = true
		v := pomology.Companions([]pomology.Bloom{bloom("a", apple, 100, 110), next})
		require.Len(t, v, 1)
		require.Empty(t, v[0].Warning)
	})
	t.Run("Japanese plums do not serve European ones", func(t *testing.T) {
		v := pomology.Companions([]pomology.Bloom{bloom("a", plum, 100, 110), bloom("b", kind(t, "japanese-plum"), 100, 110)})
		require.Equal(t, "no-partner", v[0].Warning)
	})
}

func TestSchools(t *testing.T) {
	t.Run("every preset resolves and names every choice", func(t *testing.T) {
		require.Len(t, pomology.Presets(), 4)
		for _, p := range pomology.Presets() {
			r, err := pomology.School{Preset: p.Slug}.Resolve(false, nil)
			require.NoError(t, err)
			for _, c := range pomology.Choices() {
				_, _, err := pomology.Find(c.Key, r.Value(c.Key))
				require.NoError(t, err, p.Slug)
			}
		}
	})
	t.Run("wet winters move the stone cut to dry summer unless someone chose", func(t *testing.T) {
		r, _ := pomology.School{}.Resolve(true, nil)
		require.Equal(t, "dry-summer", r.Value("stone_cut"))
		require.Equal(t, pomology.FromSite, r.Origin("stone_cut"))
		r, _ = pomology.School{Own: map[string]string{"stone_cut": "dormant"}}.Resolve(true, nil)
		require.Equal(t, "dormant", r.Value("stone_cut"))
		r, _ = pomology.School{Own: map[string]string{"stone_cut": "dormant"}}.Resolve(true, map[string]string{"stone_cut": "bud-swell-to-bloom"})
		require.Equal(t, "bud-swell-to-bloom", r.Value("stone_cut"))
		require.Equal(t, pomology.FromTree, r.Origin("stone_cut"))
	})
	t.Run("an unknown choice or value is refused in words", func(t *testing.T) {
		_, err := pomology.School{Own: map[string]string{"yearly_limit": "50"}}.Resolve(false, nil)
		require.ErrorContains(t, err, `yearly_limit: "50" given, one of 20, 25, 30, 33 expected`)
		_, err = pomology.School{Preset: "wild"}.Resolve(false, nil)
		require.ErrorContains(t, err, "steady")
	})
	t.Run("the limit and the reach follow the school", func(t *testing.T) {
		steady, _ := pomology.School{}.Resolve(false, nil)
		low, _ := pomology.School{Preset: "low-bush"}.Resolve(false, nil)
		require.InDelta(t, 0.20, steady.LimitShare(), 1e-9)
		require.InDelta(t, 1.0/3, low.LimitShare(), 1e-9)
		reach, known := steady.ReachM(0, 0)
		require.InDelta(t, 1.70, reach, 1e-9)
		require.False(t, known)
		shoulder, _ := low.ReachM(220, 0)
		require.Less(t, shoulder, 1.6)
	})
}

func TestClassGuessFollowsTrunkAndShoots(t *testing.T) {
	for _, k := range pomology.Kinds() {
		last := -10
		for trunk := 20.0; trunk < 700; trunk += 20 { // a thicker trunk of an age is never a weaker stock
			at := pomology.GuessClass(k, 15, trunk, 0).Class.Steps()
			require.GreaterOrEqual(t, at, last)
			last = at
		}
		usual := pomology.GuessClass(k, 15, 15*pomology.TrunkPerYearMM, 0)
		require.Equal(t, pomology.SemiDwarfing, usual.Class)
		require.Equal(t, 1, pomology.GuessClass(k, 15, 15*pomology.TrunkPerYearMM, 2*k.Growth.ExtensionCM).Class.Steps()-usual.Class.Steps(), "long shoots")
		nothing := pomology.GuessClass(k, 15, 0, 0)
		require.Equal(t, "no-measurement", nothing.Rule)
		require.Empty(t, nothing.Class, "not known")
	}
}

func TestATubCapsTheCrownAndHoldsTheRoots(t *testing.T) {
	require.Less(t, pomology.TubCap(40), pomology.TubCap(80))
	require.Equal(t, "tub", pomology.RootSpread(3, false, 60).Rule)
	require.Less(t, pomology.RootSpread(3, false, 60).RadiusM, pomology.RootSpread(3, false, 0).RadiusM)
}

func TestThinningNeverKeepsMoreThanTheWoodCarries(t *testing.T) {
	for _, k := range pomology.Kinds() {
		require.LessOrEqual(t, k.Crop.DensityMedium, k.Growth.FruitPerCM2, k.Slug)
		for _, buds := range []float64{0, 3, 40, 4000} {
			require.LessOrEqual(t, k.Carried(buds, 7), k.Set(buds, 1), "%s: no more is carried than was set", k.Slug)
			require.LessOrEqual(t, k.Carried(buds, 7), 7*k.Growth.FruitPerCM2, k.Slug)
			require.GreaterOrEqual(t, k.Carried(buds, 9), k.Carried(buds, 7), "%s: thicker wood carries no less", k.Slug)
			require.InDelta(t, k.Set(buds, 1)/4, k.Set(buds, 0.25), 1e-9, "%s: frost takes its share", k.Slug)
		}
	}
}

func TestFormsThatAreAWayOfAnotherAreOfferedWhereTheirFrameSuits(t *testing.T) {
	advised := func(slug string, class pomology.VigourClass, school pomology.FormSlug) bool {
		for _, a := range pomology.Advise(pomology.AdviserInput{Kind: kind(t, slug), Class: class, School: string(school)}) {
			if a.Form.Slug == school {
				return true
			}
		}
		return false
	}
	require.True(t, advised("apple", pomology.Dwarfing, pomology.SlimLeader))
	require.False(t, advised("apple", pomology.Vigorous, pomology.SlimLeader), "a strong stock outgrows a slim leader")
	require.False(t, advised("apple", pomology.SemiDwarfing, pomology.SlimLeader))
	require.True(t, advised("peach", pomology.SemiVigorous, pomology.FourArm))
	require.Equal(t, pomology.OpenVase, pomology.FourArm.Frame())
	require.Equal(t, pomology.FlatFan, pomology.FlatFan.Frame())
	for _, k := range pomology.Kinds() {
		for _, f := range k.Forms {
			require.True(t, k.Takes(f), "%s %s", k.Slug, f)
		}
	}
}

func TestWhatAFormBearsGrowsWithItsGroundAndItsFace(t *testing.T) {
	for _, k := range pomology.Kinds() {
		for _, class := range []pomology.VigourClass{pomology.Dwarfing, pomology.SemiVigorous} {
			for _, a := range pomology.Advise(pomology.AdviserInput{Kind: k, Class: class}) {
				require.Positive(t, a.CropKG, "%s %s", k.Slug, a.Form.Slug)
				if !a.Form.Flat {
					require.Less(t, a.CropKG/a.GroundM2, 10.0, "%s %s: no tree bears more on a square metre", k.Slug, a.Form.Slug)
					require.Greater(t, a.CropKG/a.GroundM2, 0.5, "%s %s", k.Slug, a.Form.Slug)
				}
			}
		}
	}
	small := pomology.Advise(pomology.AdviserInput{Kind: kind(t, "apple"), Class: pomology.Dwarfing, School: "open-vase"})
	large := pomology.Advise(pomology.AdviserInput{Kind: kind(t, "apple"), Class: pomology.SemiVigorous, School: "open-vase"})
	require.Equal(t, small[0].Form.Slug, large[0].Form.Slug)
	require.Greater(t, large[0].CropKG, small[0].CropKG)
}
