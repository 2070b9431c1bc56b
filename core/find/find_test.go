package find_test

import (
	"fmt"
	"math"
	"slices"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/find"
	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

func l(id, parent string, attach, az, a0, a1, length, d float64, rings ...float64) limb.Limb {
	return limb.Limb{
		ID: id, Parent: parent, AttachCM: limb.Of(attach), AzimuthDeg: limb.Of(az), AngleBaseDeg: limb.Of(a0),
		AngleTipDeg: limb.Of(a1), LengthCM: limb.Of(length), DiameterMM: limb.Of(d), RingsCM: rings,
	}
}

func tree(form pomology.FormSlug, age int, limbs ...limb.Limb) limb.Doc {
	return limb.Doc{Species: "apple", Form: form, Age: age, Limbs: limbs}
}

func findings(t *testing.T, doc limb.Doc, r find.Reading) []find.Finding {
	t.Helper()
	m, err := limb.Check(doc)
	require.NoError(t, err)
	return find.Findings(m, r)
}

func has(fs []find.Finding, code find.Code, id string) *find.Finding {
	for i := range fs {
		if fs[i].Code == code && (id == "" || fs[i].Limb == id) {
			return &fs[i]
		}
	}
	return nil
}

func trunk(length, d float64) limb.Limb {
	t := l("T", "", 0, 0, 0, 0, length, d)
	t.Tip = limb.Cut
	return t
}

func TestAnOldUprightIsFoundUnlessItLeadsOrIsKept(t *testing.T) {
	old := l("S1.1", "S1", 80, 0, 15, 5, 120, 16, 40, 40, 40)
	doc := tree(pomology.OpenVase, 9, trunk(60, 80), l("S1", "T", 50, 0, 55, 40, 180, 40), old)
	f := has(findings(t, doc, find.Reading{}), "old_upright", "S1.1")
	require.NotNil(t, f)
	require.Equal(t, 4, f.Step)
	require.Equal(t, find.Fact{Name: "mean_angle_deg", Value: 10}, f.Evidence[0])

	doc.Limbs[2].Tags = []string{limb.Keep}
	require.Nil(t, has(findings(t, doc, find.Reading{}), "old_upright", ""))
	doc.Limbs[2].Tags = nil
	doc.Limbs[2].RingsCM = []float64{60, 60}
	fs := findings(t, doc, find.Reading{})
	require.Nil(t, has(fs, "old_upright", ""), "two seasons are a water sprout")
	require.NotNil(t, has(fs, "water_sprout", "S1.1"))
}

func TestALimbThatOutgrowsItsSiblingsIsFound(t *testing.T) {
	doc := tree(pomology.OpenVase, 9, trunk(60, 80), l("S1", "T", 45, 0, 55, 40, 150, 40), l("S2", "T", 50, 120, 55, 40, 150, 40), l("S3", "T", 55, 240, 55, 40, 240, 40))
	f := has(findings(t, doc, find.Reading{}), "over_long", "S3")
	require.NotNil(t, f)
	require.InDelta(t, 1.3*150, f.AtCM, 1e-9)
	doc.Limbs[3].LengthCM = limb.Of(194)
	require.Nil(t, has(findings(t, doc, find.Reading{}), "over_long", ""))
}

func TestALimbRestingOnABetterOneNearTheirForkIsFound(t *testing.T) {
	doc := tree(pomology.OpenVase, 9, trunk(60, 80), l("S1", "T", 45, 0, 80, 80, 180, 40), l("S1.1", "T", 50, 0, 100, 100, 12, 14, 12))
	fs := findings(t, doc, find.Reading{})
	f := has(fs, "resting", "S1.1")
	require.NotNil(t, f)
	require.Equal(t, []string{"S1"}, f.Members)
	require.Equal(t, 3, f.Step)
	require.Nil(t, has(fs, "crossing", ""), "so near the fork they do not cross")

	long := tree(pomology.OpenVase, 9, trunk(60, 80), l("S1", "T", 45, 0, 90, 90, 180, 40), l("S1.1", "T", 50, 0, 96, 90, 70, 14, 70))
	c := has(findings(t, long, find.Reading{}), "crossing", "S1.1")
	require.NotNil(t, c)
	rests, _ := c.Fact("rests")
	require.Equal(t, 1.0, rests.Value, "farther out, the crossing says that it lies on the other")
}

func TestOfLimbsThatCrossTheOneThatRunsBackGoesBeforeTheThinner(t *testing.T) {
	crossed := func(backMM float64) limb.Doc { // S1.1 runs back toward the stem, through S1.2 that rises outward
		return tree(pomology.OpenVase, 9, trunk(60, 80), l("S1", "T", 50, 0, 60, 60, 180, 45), l("S1.1", "S1", 120, 180, 60, 60, 110, backMM),
			l("S1.2", "S1", 60, 0, 30, 30, 100, 12))
	}
	direction := find.Defaults()
	direction.ByDirection = true
	f := has(findings(t, crossed(16), find.Reading{Options: direction}), "crossing", "S1.1")
	require.NotNil(t, f)
	require.Equal(t, []string{"S1.2"}, f.Members, "the one that stays is named")
	back, told := f.Fact(find.Backward)
	require.True(t, told)
	require.Negative(t, back.Value)

	thick := has(findings(t, crossed(30), find.Reading{Options: direction}), "crossing", "S1.2")
	require.NotNil(t, thick, "a much thicker one is not given up for its direction")
	_, told = thick.Fact(find.Backward)
	require.False(t, told)
	require.NotNil(t, has(findings(t, crossed(16), find.Reading{}), "crossing", "S1.2"), "where direction does not count, the thinner goes")
}

func TestATopHeavyLeaderTreeIsFound(t *testing.T) {
	leader := l("T", "", 0, 0, 0, 0, 300, 80)
	wide := func(top float64) limb.Doc {
		return tree(pomology.CentralLeader, 9, leader, l("S1", "T", 85, 0, 85, 85, 120, 25), l("S2", "T", 90, 180, 85, 85, 120, 25),
			l("S3", "T", 235, 90, 85, 85, top, 25), l("S4", "T", 240, 270, 85, 85, top, 25))
	}
	f := has(findings(t, wide(110), find.Reading{}), "top_heavy", "T")
	require.NotNil(t, f)
	require.InDelta(t, 0.92, f.Evidence[0].Value, 0.05)
	require.Nil(t, has(findings(t, wide(60), find.Reading{}), "top_heavy", ""))
}

func TestALimbMarkedWeakIsFound(t *testing.T) {
	doc := tree(pomology.OpenVase, 9, trunk(60, 80), l("S1", "T", 50, 0, 55, 40, 180, 40))
	doc.Limbs[1].Marks = []limb.Mark{{Kind: limb.Weak}}
	f := has(findings(t, doc, find.Reading{}), "weak", "S1")
	require.NotNil(t, f)
	require.Equal(t, 9, f.Step)
}

func TestALateLeaderDoesNotCloseItsVaseButSideLimbsOnItsBareStretchAreFound(t *testing.T) {
	in := growth.SketchInput{Species: "apple", Form: pomology.LateLeader, Age: 10, TrunkMM: 90, HeightCM: 280, SpreadCM: 300, Scaffolds: 4, Seed: 5}
	doc, err := growth.Sketch(in)
	require.NoError(t, err)
	m, err := limb.Check(doc)
	require.NoError(t, err)
	require.Equal(t, []string{"T", "C"}, find.LeaderChain(m))
	fs := findings(t, doc, find.Reading{})
	require.Nil(t, has(fs, "centre_closed", ""))
	require.Nil(t, has(fs, "bare_leader", ""), "its small crown stands on top")

	fs = slices.DeleteFunc(fs, func(f find.Finding) bool { return f.Code != "leader_crown" })
	require.Len(t, fs, 1, "four limbs stand on its top, three are enough")
	require.Len(t, fs[0].Members, 3, "who stays is named")
	require.NotContains(t, fs[0].Members, fs[0].Limb)
	keep := m.Index(fs[0].Limb)
	doc.Limbs[keep].Tags = []string{limb.Keep}
	kept := has(findings(t, doc, find.Reading{}), "leader_crown", "")
	require.NotNil(t, kept, "one a person keeps stays, another goes")
	require.Contains(t, kept.Members, fs[0].Limb)
	doc.Limbs[keep].Tags = nil
	for _, f := range findings(t, doc, find.Reading{}) {
		require.False(t, f.Code == "barren" && f.Limb == "C", "it is bare by design")
	}

	doc.Limbs = append(doc.Limbs, l("C.9", "C", 60, 90, 60, 60, 50, 8))
	require.NotNil(t, has(findings(t, doc, find.Reading{}), "bare_leader", "C.9"))

	c := m.Index("C")
	require.InDelta(t, 0, math.Hypot(m.End(c).X, m.End(c).Y), 20, "it does stand in the middle")
}

func TestDeadWoodKeptOnPurposeStays(t *testing.T) {
	doc := tree(pomology.OpenVase, 9, trunk(60, 80), l("S1", "T", 50, 0, 55, 40, 180, 40))
	doc.Limbs[1].Marks = []limb.Mark{{Kind: limb.Dead}}
	require.NotNil(t, has(findings(t, doc, find.Reading{}), "dead", "S1"))
	doc.Limbs[1].Tags = []string{limb.Keep}
	require.Empty(t, findings(t, doc, find.Reading{}))
}

func TestALimbSeenToRubIsFoundWhateverTheMapSays(t *testing.T) {
	doc := tree(pomology.OpenVase, 9, trunk(60, 80), l("S1", "T", 50, 0, 55, 40, 180, 40), l("S2", "T", 50, 180, 55, 40, 180, 35))
	require.Nil(t, has(findings(t, doc, find.Reading{}), "crossing", ""))
	doc.Limbs[1].Marks = []limb.Mark{{Kind: limb.Rubbing, AtCM: 90, Other: "S2"}}
	f := has(findings(t, doc, find.Reading{}), "crossing", "S2")
	require.NotNil(t, f, "the thinner gives way")
	require.Equal(t, []string{"S1"}, f.Members)
	seen, _ := f.Fact("seen")
	require.Equal(t, 1.0, seen.Value)
}

func TestTheSchoolMovesTheThresholds(t *testing.T) {
	school := func(own map[string]string) pomology.Resolved {
		r, err := pomology.School{}.Resolve(false, own)
		require.NoError(t, err)
		return r
	}
	plum, err := pomology.BySlug("european-plum")
	require.NoError(t, err)
	apple, err := pomology.BySlug("apple")
	require.NoError(t, err)
	usual := find.Defaults()
	usual.InPlane, usual.ByDirection, usual.MostLimbs, usual.StopLeader, usual.CollarOnly = true, true, 5, true, true
	require.Equal(t, usual, find.ForSchool(school(nil), apple, 0))
	require.Equal(t, 6, find.ForSchool(school(map[string]string{"scaffolds": "4-6"}), apple, 0).MostLimbs)
	require.True(t, find.ForSchool(school(map[string]string{"side_shoots": "spurred"}), apple, 0).ShortShoots)
	require.Greater(t, find.ForSchool(school(nil), plum, 0).InwardRatio, find.Defaults().InwardRatio, "a plum may be busier inside")
	require.Equal(t, find.Defaults().InwardRatio, find.ForSchool(school(map[string]string{"middle": "open"}), plum, 0).InwardRatio)
	require.Equal(t, 0.6, find.ForSchool(school(map[string]string{"side_branch": "60"}), apple, 0).SideRatio)
	require.Zero(t, find.ForSchool(school(map[string]string{"first_limb": "none"}), apple, 0).LowCM)
	require.Less(t, find.ForSchool(school(map[string]string{"limb_angle": "30-35"}), apple, 0).CrotchHardDeg, 33.0)
	require.Equal(t, 180.0, find.ForSchool(school(nil), apple, 180).ReachCM)

	doc := tree(pomology.OpenVase, 9, trunk(60, 80), l("S1", "T", 50, 0, 55, 40, 180, 40), l("S1.1", "S1", 60, 60, 80, 70, 90, 22))
	off := find.ForSchool(school(map[string]string{"side_branch": "off"}), apple, 0)
	require.NotNil(t, has(findings(t, doc, find.Reading{}), "thick_side", "S1.1"))
	require.Nil(t, has(findings(t, doc, find.Reading{Options: off}), "thick_side", ""))
}

func TestWallsOfTheYardCount(t *testing.T) {
	doc := tree(pomology.OpenVase, 9, trunk(60, 80), l("S1", "T", 50, 0, 55, 40, 180, 40))
	wall := find.Yard{Walls: []find.Wall{{Name: "shed", Polygon: [][2]float64{{-100, 60}, {100, 60}, {100, 90}, {-100, 90}}, TopCM: 250}}}
	f := has(findings(t, doc, find.Reading{Yard: wall}), "wall", "S1")
	require.NotNil(t, f)
	require.Greater(t, f.AtCM, 50.0)
	doc.Form = pomology.FlatFan
	require.Nil(t, has(findings(t, doc, find.Reading{Yard: wall}), "wall", ""))
}

// sketches are trees of several forms with faults planted.
func sketches(t *testing.T) []limb.Doc {
	t.Helper()
	var out []limb.Doc
	for k, form := range []pomology.FormSlug{pomology.OpenVase, pomology.ModifiedLeader, pomology.CentralLeader, pomology.LowBush, pomology.FlatFan, pomology.Shrub, pomology.LateLeader} {
		doc, err := growth.Sketch(growth.SketchInput{
			Species: []string{"apple", "peach", "apricot"}[k%3], Form: form, Age: 9, TrunkMM: 95, HeightCM: 310,
			SpreadCM: 300, Scaffolds: 5, Seed: uint64(k + 1), Faults: []string{"dead", "sucker", "water-sprout", "inward", "crossing", "hanging"},
		})
		require.NoError(t, err)
		out = append(out, doc)
	}
	return out
}

func TestTurningTheTreeTurnsItsFindings(t *testing.T) {
	for _, doc := range sketches(t) {
		want := keys(findings(t, doc, find.Reading{}))
		require.NotEmpty(t, want)
		for _, turn := range []float64{45, 200} {
			turned := doc
			turned.Limbs = append([]limb.Limb(nil), doc.Limbs...)
			sin, cos := math.Sincos(turn * math.Pi / 180)
			for i := range turned.Limbs {
				k := &turned.Limbs[i]
				k.AzimuthDeg = limb.Of(math.Mod(*k.AzimuthDeg+turn, 360))
				if k.XCM != nil {
					x, y := *k.XCM, *k.YCM
					k.XCM, k.YCM = limb.Of(x*cos+y*sin), limb.Of(y*cos-x*sin)
				}
			}
			require.Equal(t, want, keys(findings(t, turned, find.Reading{})), doc.Form)
		}
	}
}

// keys names findings without the centre's, whose plan grid does not turn.
func keys(fs []find.Finding) []string {
	var out []string
	for _, f := range fs {
		if f.Code != "centre_closed" {
			out = append(out, fmt.Sprintf("%s %s %.1f %.2f %v", f.Code, f.Limb, f.AtCM, f.Severity, f.Members))
		}
	}
	return out
}

func TestEveryFindingNamesItsThresholdOrTheOtherTree(t *testing.T) {
	for _, doc := range sketches(t) {
		for _, f := range findings(t, doc, find.Reading{}) {
			require.NotEmpty(t, f.Evidence, f.Code)
			require.NotEmpty(t, f.Source, f.Code)
			require.NotEmpty(t, f.Limits, f.Code)
			require.GreaterOrEqual(t, f.Severity, 0.0)
			require.LessOrEqual(t, f.Severity, 1.0, f.Code)
		}
	}
}

// grove is a tree of n limbs for benchmarks: scaffolds up a trunk, laterals along them. More limbs make a larger crown, so
// that limbs stay as far apart as trees let them: its size grows with the cube root.
func grove(n int) limb.Doc {
	k := math.Cbrt(float64(n) / 100)
	stem := l("T", "", 0, 0, 0, 0, 220*k, 400)
	doc := tree(pomology.OpenVase, 12, stem)
	scaffolds := 1 + (n-2)/25
	for s := range scaffolds {
		id, az := fmt.Sprint("S", s+1), math.Mod(float64(s)*137.5, 360)
		at := k * (40 + 170*float64(s)/float64(max(1, scaffolds-1)))
		doc.Limbs = append(doc.Limbs, l(id, "T", at, az, 70, 60, 200*k, 40))
		for i := 0; i < 24 && len(doc.Limbs) < n; i++ {
			turn := az + 60*float64(1-2*(i%2)) + 360
			doc.Limbs = append(doc.Limbs, l(fmt.Sprint(id, ".", i), id, k*(20+7*float64(i)), math.Mod(turn, 360), 55, 45, 40, 8, 20, 20))
		}
	}
	return doc
}

func BenchmarkFindingsAndGeometry(b *testing.B) {
	for _, n := range []int{50, 100, 200, 400, 800, 1600, 2000} {
		doc := grove(n)
		b.Run(fmt.Sprint(n, " limbs"), func(b *testing.B) {
			for b.Loop() {
				m, err := limb.Check(doc)
				if err != nil {
					b.Fatal(err)
				}
				find.Findings(m, find.Reading{})
			}
		})
	}
}

// headedAt is a side limb cut at its end, whose shoots were cut there as well as often as asked, and shoots up again.
func headedAt(times int) limb.Doc {
	k := l("K", "S1", 80, 0, 45, 45, 60, 14, 36, 24)
	k.Tip = limb.Cut
	doc := tree(pomology.OpenVase, 9, trunk(60, 80), l("S1", "T", 50, 0, 55, 40, 180, 40), k)
	on, at := "K", 56.0
	for n := range times - 1 {
		c := l(fmt.Sprint(on, ".1"), on, at, 20, 20, 20, 5, 9-float64(n), 5)
		c.Tip = limb.Cut
		doc.Limbs = append(doc.Limbs, c)
		on, at = c.ID, 3
	}
	doc.Limbs = append(doc.Limbs, l(on+".u", on, at, 200, 10, 5, 70, 7, 70))
	return doc
}

func TestAPlaceHeadedTwiceIsRememberedAndTheKnotComesOutLowerDown(t *testing.T) {
	require.Nil(t, has(findings(t, headedAt(1), find.Reading{}), "headed_again", ""), "cut once")
	twice := has(findings(t, headedAt(2), find.Reading{}), "headed_again", "K")
	require.NotNil(t, twice)
	require.Equal(t, find.Lower, twice.Aim)
	require.Equal(t, 56.0, twice.AtCM, "below all that grew there")
	require.Equal(t, []string{"K.1.u"}, twice.Members)
	times, _ := twice.Fact("times")
	require.Equal(t, 2.0, times.Value)
	require.Greater(t, has(findings(t, headedAt(3), find.Reading{}), "headed_again", "K").Severity, twice.Severity)

	wires := headedAt(2)
	wires.Form = pomology.WireTiers
	require.Nil(t, has(findings(t, wires, find.Reading{}), "headed_again", ""), "on wires shoots are cut back to one place on purpose")
	calm := headedAt(2)
	calm.Limbs = calm.Limbs[:len(calm.Limbs)-1]
	require.Nil(t, has(findings(t, calm, find.Reading{}), "headed_again", ""), "nothing shoots up")
}

func TestWoundsOfSeveralYearsAtOnePlaceAreRemembered(t *testing.T) {
	doc := headedAt(1)
	wound := func(year int) limb.Wound { return limb.Wound{AtCM: 55, DMM: 8, Year: &year} }
	doc.Limbs[2].Wounds = []limb.Wound{wound(2024)}
	require.Nil(t, has(findings(t, doc, find.Reading{}), "headed_again", ""))
	doc.Limbs[2].Wounds = append(doc.Limbs[2].Wounds, wound(2025))
	require.NotNil(t, has(findings(t, doc, find.Reading{}), "headed_again", "K"))
}

func TestTheWayInIsTheWidestGapWhicheverWayTheTreeStands(t *testing.T) {
	way := func(turn float64, azimuths ...float64) (find.WayIn, bool) {
		d := limb.Doc{Species: "apple", Form: "open-vase", Limbs: []limb.Limb{{ID: "T", LengthCM: limb.Of(60), DiameterMM: limb.Of(60), AngleBaseDeg: limb.Of(0)}}}
		for i, az := range azimuths {
			d.Limbs = append(d.Limbs, limb.Limb{
				ID: fmt.Sprint("S", i), Parent: "T", AttachCM: limb.Of(50), AzimuthDeg: limb.Of(math.Mod(az+turn, 360)), AngleBaseDeg: limb.Of(45), LengthCM: limb.Of(150), DiameterMM: limb.Of(25),
			})
		}
		m, err := limb.Check(d)
		require.NoError(t, err)
		return find.WayInto(m)
	}
	for _, turn := range []float64{0, 77, 200, 311} {
		w, ok := way(turn, 0, 90, 150, 230)
		require.True(t, ok)
		require.InDelta(t, 130, w.GapDeg, 1e-6)
		require.InDelta(t, math.Mod(295+turn, 360), w.AzimuthDeg, 1e-6, "opposite what stands close")
		require.ElementsMatch(t, []string{"S3", "S0"}, w.Between[:])
	}
	_, ok := way(0, 10, 100)
	require.False(t, ok, "two limbs bar nobody")
}

// Where summers are humid air weighs more: what shuts the middle or crowds is told sooner, and never later.
func TestInHumidSummersWhatShutsOutTheAirIsToldSooner(t *testing.T) {
	airy := []find.Code{find.CentreClosed, find.Dense}
	sooner, plain, humid := 0, find.Defaults(), find.Defaults().ForHumidSummers()
	require.Equal(t, plain, find.Defaults(), "the thresholds of other places stay")
	for _, doc := range sketches(t) {
		dry, wet := findings(t, doc, find.Reading{Options: plain}), findings(t, doc, find.Reading{Options: humid})
		count := func(fs []find.Finding) (n int) {
			for _, f := range fs {
				if slices.Contains(airy, f.Code) {
					n++
				}
			}
			return n
		}
		require.GreaterOrEqual(t, count(wet), count(dry))
		sooner += len(wet) - len(dry)
	}
	require.Positive(t, sooner)
}
