package quickline_test

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/limb"
	"vertumna/core/quickline"
)

func TestTheOrderOfTheWordsOfALineDoesNotMatter(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 4))
	for _, said := range [][]string{
		{"S2", "from 60 cm", "to the east", "50 degrees", "120 long", "28 thick", "three years"},
		{"second scaffold", "@60", "E", "50°", "L120", "x28", "3y"},
		{"scaffold 2", "at sixty cm", "bearing 90", "fifty degrees", "1.2 m long", "28 mm thick", "3 seasons"},
	} {
		for range 80 {
			parts := slices.Clone(said)
			r.Shuffle(len(parts), func(a, b int) { parts[a], parts[b] = parts[b], parts[a] })
			line := strings.Join(parts, []string{" ", ", "}[r.IntN(2)])
			got, out := parsed(t, line, "", quickline.Metric)
			require.Len(t, got.Edits, 1, line)
			l := out.Find("S2")
			require.NotNil(t, l, line)
			require.InDeltaSlice(t, []float64{60, 90, 50, 120, 28}, []float64{*l.AttachCM, *l.AzimuthDeg, *l.AngleBaseDeg, *l.LengthCM, *l.DiameterMM}, 1e-9, line)
			require.Len(t, l.RingsCM, 3, line)
		}
	}
}

func TestEveryPointOfTheCompassIsReadInLettersAndInWords(t *testing.T) {
	for name, deg := range map[string]float64{
		"north": 0, "N": 0, "NNE": 22.5, "north-east": 45, "north east": 45, "northeast": 45, "NE": 45, "ENE": 67.5, "east": 90, "ESE": 112.5,
		"south-east": 135, "southeast": 135, "SSE": 157.5, "south": 180, "SSW": 202.5, "south west": 225, "SW": 225, "WSW": 247.5, "west": 270,
		"WNW": 292.5, "north-west": 315, "north west": 315, "NW": 315, "NNW": 337.5,
	} {
		for _, to := range []string{"to the ", "to ", "towards the ", "pointing ", "facing ", ""} {
			_, out := parsed(t, "S2 from 60 "+to+name+" 120 long", "", quickline.Metric)
			require.InDelta(t, deg, *out.Find("S2").AzimuthDeg, 1e-9, "%s%s", to, name)
		}
	}
	for deg := 0; deg <= 360; deg += 45 {
		_, out := parsed(t, fmt.Sprintf("S2 from 60 bearing %d degrees 120 long", deg), "", quickline.Metric)
		require.InDelta(t, float64(deg), *out.Find("S2").AzimuthDeg, 1e-9)
	}
}

func TestWhatIsWrongWithALimbIsReadByItsWord(t *testing.T) {
	for word, want := range map[string]limb.Mark{
		"dead": {Kind: limb.Dead}, "broken": {Kind: limb.Damaged}, "split": {Kind: limb.Damaged}, "damaged": {Kind: limb.Damaged},
		"diseased": {Kind: limb.Diseased}, "sick": {Kind: limb.Diseased}, "canker": {Kind: limb.Diseased, Agent: "canker"},
		"borer": {Kind: limb.Borer}, "weak": {Kind: limb.Weak},
	} {
		_, out := parsed(t, "S1 "+word, "", quickline.Metric)
		require.Equal(t, []limb.Mark{want}, out.Find("S1").Marks, word)
		_, out = parsed(t, word, "S1", quickline.Metric)
		require.Equal(t, []limb.Mark{want}, out.Find("S1").Marks, "%s, of the limb in hand", word)
	}
	for line, is := range map[string]func(l *limb.Limb) bool{
		"S1 sucker":       func(l *limb.Limb) bool { return l.Sucker && !l.Sprout },
		"S1 sprout":       func(l *limb.Limb) bool { return l.Sprout && !l.Sucker },
		"S1 water sprout": func(l *limb.Limb) bool { return l.Sprout && !l.Sucker },
		"S1 headed":       func(l *limb.Limb) bool { return l.Tip == limb.Cut },
		"S1 cut":          func(l *limb.Limb) bool { return l.Tip == limb.Cut },
	} {
		_, out := parsed(t, line, "", quickline.Metric)
		require.True(t, is(out.Find("S1")), line)
	}
	r := quickline.Parse("S1 rubs on S2", vase(), "", quickline.Metric)
	require.Empty(t, r.Faults)
	out, err := limb.Apply(vase(), r.Edits...)
	require.NoError(t, err)
	require.Equal(t, []limb.Mark{{Kind: limb.Rubbing, Other: "S2"}}, out.Find("S1").Marks)
}

func TestALimbIsNamedByItsRank(t *testing.T) {
	for said, id := range map[string]string{
		"first scaffold": "S1", "scaffold 1": "S1", "third limb": "S3", "scaffold 7": "S7", "first stem": "T", "second stem": "T2", "stem 3": "T3",
	} {
		r := quickline.Parse(said+" 120 long", tree(), "", quickline.Metric)
		found := false
		for _, read := range r.Reads {
			found = found || read.Field == "limb" && read.Text == id
		}
		require.True(t, found, "%s: %+v", said, r.Reads)
	}
	for _, line := range []string{"scaffold", "stem north"} {
		r := quickline.Parse(line, tree(), "", quickline.Metric)
		require.NotEmpty(t, r.Faults, line)
		require.Contains(t, r.Faults[0].Expected, "which ", line)
	}
}

func TestAShootIsOfThisYearOrOfLastBySeason(t *testing.T) {
	for season, rings := range map[limb.Season][2]int{limb.Dormant: {1, 1}, limb.Summer: {1, 2}} {
		doc := tree()
		doc.Season = season
		for k, said := range []string{"this year", "last year's"} {
			r := quickline.Parse("S2 from 60 east 40 degrees 90 long "+said, doc, "", quickline.Metric)
			require.Empty(t, r.Faults)
			out, err := limb.Apply(doc, r.Edits...)
			require.NoError(t, err)
			require.Len(t, out.Find("S2").RingsCM, rings[k], "%s in %s", said, season)
		}
	}
}

func TestAUnitThatIsSaidWinsOverTheUnitsOfThePerson(t *testing.T) {
	for line, cm := range map[string]float64{"S1 200 cm long": 200, "S1 2 m long": 200, "S1 80 in long": 203.2, `S1 80" long`: 203.2, "S1 7 ft long": 213.36} {
		for _, units := range []quickline.Units{quickline.Metric, quickline.US} {
			_, out := parsed(t, line, "", units)
			require.InDelta(t, cm, *out.Find("S1").LengthCM, 1e-6, "%s in %s", line, units)
		}
	}
	for line, mm := range map[string]float64{"S1 28 mm thick": 28, "S1 2.8 cm thick": 28, "S1 1.5 in thick": 38.1} {
		for _, units := range []quickline.Units{quickline.Metric, quickline.US} {
			_, out := parsed(t, line, "", units)
			require.InDelta(t, mm, *out.Find("S1").DiameterMM, 1e-6, "%s in %s", line, units)
		}
	}
}
