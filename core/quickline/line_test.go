package quickline_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/limb"
	"vertumna/core/quickline"
)

func tree() limb.Doc {
	return limb.Doc{Species: "apple", Form: "open-vase", Age: 5, Limbs: []limb.Limb{
		{ID: "T", LengthCM: limb.Of(70), DiameterMM: limb.Of(80), Tip: limb.Cut},
		{ID: "S1", Parent: "T", AttachCM: limb.Of(50), LengthCM: limb.Of(180), AngleBaseDeg: limb.Of(50), AngleTipDeg: limb.Of(30), DiameterMM: limb.Of(35)},
	}}
}

func parsed(t *testing.T, line, selected string, units quickline.Units) (quickline.Result, limb.Doc) {
	t.Helper()
	r := quickline.Parse(line, tree(), selected, units)
	require.Empty(t, r.Faults, line)
	out, err := limb.Apply(tree(), r.Edits...)
	require.NoError(t, err, line)
	return r, out
}

func TestOneLimbIsReadHoweverItIsSaid(t *testing.T) {
	for _, line := range []string{
		"second scaffold, from 60 cm, to the east, 50 degrees, 120 long, 28 thick, three years",
		"S2 @60 E 50° L120 x28 3y",
		"scaffold 2 3y 28 mm thick 1.2 m long 50 deg east from 60",
		"S2, at sixty cm, bearing 90, fifty degrees, one hundred and twenty cm long, twenty eight thick, three years",
		"120 cm long 50 degrees S2 from 60 to the east d28 3 seasons",
	} {
		_, out := parsed(t, line, "", quickline.Metric)
		l := out.Find("S2")
		require.NotNil(t, l, line)
		require.Equal(t, "T", l.Parent, line)
		require.InDeltaSlice(t, []float64{60, 90, 50, 120, 28}, []float64{*l.AttachCM, *l.AzimuthDeg, *l.AngleBaseDeg, *l.LengthCM, *l.DiameterMM}, 1e-9, line)
		require.InDeltaSlice(t, []float64{40, 40, 40}, l.RingsCM, 1e-9, line)
	}
}

func TestInchesSayTheSameAsCentimetres(t *testing.T) {
	_, metric := parsed(t, "S2 from 50.8 NE 45° 127 long 25.4 thick", "", quickline.Metric)
	for _, line := range []string{"S2 from 20 NE 45° 50 long 1 thick", `S2 from 20" north-east 45 degrees 50 in long 1 inch thick`} {
		_, us := parsed(t, line, "", quickline.US)
		a, b := metric.Find("S2"), us.Find("S2")
		require.InDeltaSlice(t, []float64{*a.AttachCM, *a.AzimuthDeg, *a.LengthCM, *a.DiameterMM}, []float64{*b.AttachCM, *b.AzimuthDeg, *b.LengthCM, *b.DiameterMM}, 1e-9)
	}
}

func TestALimbOfTheMapIsCorrectedAndKeepsItsCurve(t *testing.T) {
	r, out := parsed(t, "S1 60 degrees, 200 long", "", quickline.Metric)
	require.Equal(t, "set", r.Edits[0].Op)
	require.Equal(t, []float64{60, 40, 200}, []float64{*out.Find("S1").AngleBaseDeg, *out.Find("S1").AngleTipDeg, *out.Find("S1").LengthCM})
	_, out = parsed(t, "42 thick", "S1", quickline.Metric)
	require.Equal(t, 42.0, *out.Find("S1").DiameterMM, "numbers alone correct the limb in hand")
	_, out = parsed(t, "S1 dead", "", quickline.Metric)
	require.Equal(t, []limb.Mark{{Kind: limb.Dead}}, out.Find("S1").Marks)
}

func TestSeveralShootsAtOnceStandAlongTheirStretch(t *testing.T) {
	_, out := parsed(t, "eight shoots on the outer half of S1, 60 cm, this year", "", quickline.Metric)
	require.Len(t, out.Limbs, 10)
	for k := 1; k <= 8; k++ {
		l := out.Limbs[k+1]
		require.Equal(t, "S1", l.Parent)
		require.Greater(t, *l.AttachCM, 90.0)
		require.Less(t, *l.AttachCM, 180.0)
		require.Equal(t, []float64{60}, l.RingsCM)
		require.Equal(t, limb.Estimated, l.SourceOf("attach_cm"))
		require.Equal(t, limb.Measured, l.SourceOf("length_cm"))
	}
	_, out = parsed(t, "4 shoots 30 cm inner third", "S1", quickline.Metric)
	require.Len(t, out.Limbs, 6)
}

func TestWhatCannotBeReadIsToldAtItsWord(t *testing.T) {
	for line, want := range map[string]struct{ word, expected string }{
		"S2 from":                        {"", "height"},
		"S2 from 60 to the":              {"", "direction"},
		"S2 from 60 to the moon":         {"moon", "direction"},
		"S2 from 60 120":                 {"120", "what the number is"},
		"S2 from 60":                     {"", "how long"},
		"S2 120 long":                    {"", "where it starts"},
		"S2 bearing 400":                 {"400", "0 to 360"},
		"S2 wobbly":                      {"wobbly", "a limb, place"},
		"S1":                             {"", "what to change on S1"},
		"S1 rubs":                        {"", "the limb it rubs on"},
		"eight shoots 60 cm":             {"", "the limb that carries them"},
		"90 shoots on S1 60 cm":          {"90", "how many shoots"},
		"eight shoots on the outer side": {"side", "half, third or quarter"},
		"S2 x":                           {"", "a number after x"},
		"S2 2.5 years":                   {"2.5", "whole years"},
		"S1 this morning":                {"morning", "year after this"},
	} {
		r := quickline.Parse(line, tree(), "", quickline.Metric)
		require.NotEmpty(t, r.Faults, line)
		require.Empty(t, r.Edits, line)
		f := r.Faults[0]
		require.Equal(t, want.word, line[f.Start:f.End], line)
		require.Contains(t, f.Expected, want.expected, line)
		require.Contains(t, f.Error(), f.Expected)
	}
}

func TestEveryReadPointsAtItsWords(t *testing.T) {
	line := "second scaffold, from 60 cm, to the east"
	r := quickline.Parse(line, tree(), "", quickline.Metric)
	var words []string
	for _, read := range r.Reads {
		words = append(words, read.Field+": "+line[read.Start:read.End])
	}
	require.Equal(t, []string{"limb: second scaffold", "attach_cm: from 60 cm", "azimuth_deg: to the east"}, words)
	require.Empty(t, quickline.Parse("  ", tree(), "", quickline.Metric).Faults)
}

func FuzzALineNeverBreaksTheMap(f *testing.F) {
	f.Add("S2 @60 E 50° L120 x28 3y")
	f.Add("eight shoots on the outer half of S1, 60 cm, this year")
	f.Fuzz(func(t *testing.T, line string) {
		r := quickline.Parse(line, tree(), "S1", quickline.Metric)
		for _, x := range r.Faults {
			require.LessOrEqual(t, x.End, len(line))
			require.LessOrEqual(t, x.Start, x.End)
		}
		if out, err := limb.Apply(tree(), r.Edits...); err == nil {
			_, err = limb.Check(out)
			require.NoError(t, err)
		}
	})
}

func vase() limb.Doc {
	doc := tree()
	for k, az := range []float64{5, 120, 240} {
		id := []string{"S1", "S2", "S3"}[k]
		l := limb.Limb{ID: id, Parent: "T", AttachCM: limb.Of(50 + float64(k)), AzimuthDeg: limb.Of(az), LengthCM: limb.Of(150), AngleBaseDeg: limb.Of(50), AngleTipDeg: limb.Of(30), DiameterMM: limb.Of(30)}
		if k == 0 {
			doc.Limbs[1] = l
		} else {
			doc.Limbs = append(doc.Limbs, l)
		}
	}
	doc.Limbs = append(doc.Limbs, limb.Limb{ID: "S3.1", Parent: "S3", AttachCM: limb.Of(60), AzimuthDeg: limb.Of(10), LengthCM: limb.Of(40), AngleBaseDeg: limb.Of(60), AngleTipDeg: limb.Of(50), DiameterMM: limb.Of(9)})
	return doc
}

func TestALimbIsNamedByWhereItPoints(t *testing.T) {
	for line, want := range map[string]string{"the north limb is 90 cm": "S1", "south-west scaffold 90 long": "S3", "90 cm long, the south east main limb": "S2"} {
		r := quickline.Parse(line, vase(), "", quickline.Metric)
		require.Empty(t, r.Faults, line)
		require.Equal(t, want, r.Edits[0].ID, line)
		require.Equal(t, "set", r.Edits[0].Op, line)
		require.Equal(t, 90.0, *r.Edits[0].Limb.LengthCM, line)
		require.Nil(t, r.Edits[0].Limb.AzimuthDeg, "where it points stays: %s", line)
	}
	r := quickline.Parse("the north limb is 36 in", vase(), "", quickline.US)
	require.InDelta(t, 91.44, *r.Edits[0].Limb.LengthCM, 1e-9)
	r = quickline.Parse("S2 to the north", vase(), "", quickline.Metric)
	require.Empty(t, r.Faults)
	require.Equal(t, 0.0, *r.Edits[0].Limb.AzimuthDeg, "a direction alone turns the limb named")
	two := vase()
	two.Limbs[2].AzimuthDeg = limb.Of(355)
	r = quickline.Parse("the north limb is 90 cm", two, "", quickline.Metric)
	require.Len(t, r.Faults, 1)
	require.Contains(t, r.Faults[0].Expected, "S1 and S2 both point there")
	r = quickline.Parse("the west branch dead", tree(), "", quickline.Metric)
	require.NotEmpty(t, r.Faults, "no limb of it has a known direction")
}

func TestALimbThatIsGoneIsTakenOff(t *testing.T) {
	for _, line := range []string{"remove S3.1", "S3.1 gone", "S3.1 is missing", "delete s3.1"} {
		r := quickline.Parse(line, vase(), "S2", quickline.Metric)
		require.Empty(t, r.Faults, line)
		require.Equal(t, []limb.Edit{{Op: "remove", ID: "S3.1"}}, r.Edits, line)
		out, err := limb.Apply(vase(), r.Edits...)
		require.NoError(t, err)
		require.Nil(t, out.Find("S3.1"))
	}
	r := quickline.Parse("gone", vase(), "S2", quickline.Metric)
	require.Equal(t, "S2", r.Edits[0].ID, "the limb in hand")
	for _, line := range []string{"remove", "remove trunk", "remove S9", "remove S2 90 long"} {
		r := quickline.Parse(line, vase(), "", quickline.Metric)
		require.NotEmpty(t, r.Faults, line)
		require.Empty(t, r.Edits, line)
	}
}
