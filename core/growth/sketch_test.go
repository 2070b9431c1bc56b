package growth_test

import (
	"fmt"
	"math"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/given"
	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// every kind in every form, young and old, passes its own checks and comes near the size asked for.
func TestEveryKindCanBeSketchedInEveryForm(t *testing.T) {
	for _, k := range pomology.Kinds() {
		for _, f := range pomology.Forms() {
			for _, age := range []int{1, 2, 9, 40} {
				in := growth.SketchInput{
					Species: k.Slug, Form: f.Slug, Age: age, TrunkMM: 12 + 4*float64(age), HeightCM: 60 + 6*float64(age),
					SpreadCM: 50 + 5*float64(age), Scaffolds: 4, Seed: uint64(age),
				}
				name := fmt.Sprint(k.Slug, " ", f.Slug, " ", age)
				doc, err := growth.Sketch(in)
				require.NoError(t, err, name)
				m, err := limb.Check(doc)
				require.NoError(t, err, name)
				again, err := growth.Sketch(in)
				require.NoError(t, err)
				require.Equal(t, doc, again, "the same numbers give the same tree")
				require.Less(t, m.Height(), in.HeightCM*1.7+80, name)
				require.InDelta(t, measuredTrunk(m), m.Completeness().Measured, 1e-12, name)
			}
		}
	}
}

// measuredTrunk: of a sketch only the trunk's thickness was measured.
func measuredTrunk(m *limb.Map) float64 {
	n := 0.0
	for i := range m.Axes {
		for _, f := range []string{"diameter_mm", "angle_base_deg", "rings_cm"} {
			if m.Source(i, f) == limb.Measured {
				n++
			}
		}
	}
	return n / 3 / float64(m.Len())
}

func TestAzimuthsGivenAreKeptAndCountAsMeasured(t *testing.T) {
	in := growth.SketchInput{Species: "apple", Form: pomology.OpenVase, Age: 6, TrunkMM: 70, HeightCM: 240, SpreadCM: 240, Scaffolds: 3, Seed: 9, Azimuths: []float64{10, 130}}
	doc, err := growth.Sketch(in)
	require.NoError(t, err)
	require.Equal(t, 10.0, *doc.Find("S1").AzimuthDeg)
	require.Equal(t, limb.Measured, doc.Find("S2").SourceOf("azimuth_deg"))
	require.Equal(t, limb.Estimated, doc.Find("S3").SourceOf("azimuth_deg"))
	free := in
	free.Azimuths = nil
	other, err := growth.Sketch(free)
	require.NoError(t, err)
	require.Equal(t, *other.Find("S3").AzimuthDeg, *doc.Find("S3").AzimuthDeg, "what is not given is drawn as before")
	require.Equal(t, *other.Find("S1").LengthCM, *doc.Find("S1").LengthCM)
}

func TestAnImpossibleSketchIsRefusedFieldByField(t *testing.T) {
	_, err := growth.Sketch(growth.SketchInput{Species: "apple", Form: "cloud", TrunkMM: math.NaN(), HeightCM: 5, SpreadCM: -1, Scaffolds: 99, Azimuths: []float64{700}, Faults: []string{"gremlins"}})
	var ps given.Faults
	require.ErrorAs(t, err, &ps)
	var fields []string
	for _, p := range ps {
		fields = append(fields, p.Field)
		require.Contains(t, p.Error(), "expected")
	}
	require.Equal(t, []string{"form", "age", "trunk_mm", "height_cm", "spread_cm", "scaffolds", "azimuths", "faults"}, fields)
	_, err = growth.Sketch(growth.SketchInput{Species: "rose"})
	require.ErrorContains(t, err, `"rose" given`)
}

func TestPlantedFaultsStandOnTheTree(t *testing.T) {
	for _, form := range []pomology.FormSlug{pomology.OpenVase, pomology.CentralLeader, pomology.Shrub} {
		in := growth.SketchInput{
			Species: "pear", Form: form, Age: 8, TrunkMM: 80, HeightCM: 280, SpreadCM: 260, Scaffolds: 4, Seed: 2,
			Faults: []string{"dead", "diseased", "damaged", "borer", "sucker", "water-sprout", "inward", "crossing", "competitor", "hanging", "low", "narrow"},
		}
		if form == pomology.Shrub { // no trunk: nothing rivals a leader or hangs low on it
			in.Faults = in.Faults[:8]
		}
		doc, err := growth.Sketch(in)
		require.NoError(t, err, form)
		_, err = limb.Check(doc)
		require.NoError(t, err, form)
		marks, suckers := 0, 0
		for i := range doc.Limbs {
			marks += len(doc.Limbs[i].Marks)
			if doc.Limbs[i].Sucker {
				suckers++
			}
		}
		require.Equal(t, 4, marks, form)
		require.Equal(t, 1, suckers, form)
	}
}

func TestWhatIsSuggestedCanBeSketchedForEveryKindAndForm(t *testing.T) {
	for _, k := range pomology.Kinds() {
		for _, f := range pomology.Forms() {
			for _, age := range []int{0, 1, 30} {
				in := growth.Suggest(k, growth.Known{Form: f.Slug, Age: age})
				doc, err := growth.Sketch(in)
				require.NoError(t, err, "%s %s %d: %+v", k.Slug, f.Slug, age, in)
				_, err = limb.Check(doc)
				require.NoError(t, err)
			}
		}
		known := growth.Suggest(k, growth.Known{Age: 8, HeightM: 2.4, SpreadM: 3, TrunkMM: 77, MostSpreadM: 1.2})
		require.Equal(t, []float64{240, 120, 77}, []float64{known.HeightCM, known.SpreadCM, known.TrunkMM}, "what is known stands; a tub bounds the spread")
	}
}

// widthOf a map, cm, along the way it is wider.
func widthOf(m *limb.Map) float64 {
	lo, hi := [2]float64{}, [2]float64{}
	for i := range m.Axes {
		for s := range 11 {
			p := m.At(i, float64(s)/10*m.Axes[i].L)
			for k, v := range [2]float64{p.X, p.Y} {
				lo[k], hi[k] = math.Min(lo[k], v), math.Max(hi[k], v)
			}
		}
	}
	return math.Max(hi[0]-lo[0], hi[1]-lo[1])
}

// A tree is drawn as it was measured: nobody types a height to see another.
func TestATreeIsDrawnAsHighAndWideAsItWasMeasured(t *testing.T) {
	for _, k := range pomology.Kinds() {
		for _, f := range pomology.Forms() {
			if f.Slug == pomology.StepOver { // knee-high by its form
				continue
			}
			for _, size := range [][3]float64{{180, 200, 5}, {240, 180, 6}, {260, 220, 8}, {400, 300, 12}, {520, 400, 15}} {
				in := growth.SketchInput{
					Species: k.Slug, Form: f.Slug, Age: int(size[2]), TrunkMM: 14 * size[2], HeightCM: size[0], SpreadCM: size[1], Scaffolds: 4, Seed: uint64(size[0]),
				}
				name := fmt.Sprint(k.Slug, " ", f.Slug, " ", size)
				doc, err := growth.Draw(in)
				require.NoError(t, err, name)
				m, err := limb.Check(doc)
				require.NoError(t, err, name)
				require.InEpsilon(t, in.HeightCM, m.Height(), 0.03, name)
				require.InEpsilon(t, in.SpreadCM, widthOf(m), 0.08, name)
			}
		}
	}
}
