package quickline_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/limb"
	"vertumna/core/quickline"
	"vertumna/internal/mutants"
)

func FuzzLine(f *testing.F) {
	mutants.Add(f, []byte("S3 from T at 60, 120 long, 22 thick, up 35, north-east, 3 years"), []byte("the north limb is 90 cm"), []byte("remove S1"), []byte("4 shoots on S1 between 20 % and 80 %, 40 cm"), []byte(`S2 4' 3 1/2" long, 7/8" thick`))
	doc := limb.Doc{Species: "apple", Limbs: []limb.Limb{
		{ID: "T", LengthCM: limb.Of(90), DiameterMM: limb.Of(60)},
		{ID: "S1", Parent: "T", AttachCM: limb.Of(60), AzimuthDeg: limb.Of(10), LengthCM: limb.Of(150), DiameterMM: limb.Of(30)},
	}}
	f.Fuzz(func(t *testing.T, line []byte) {
		for _, units := range []quickline.Units{quickline.Metric, quickline.US} {
			got := quickline.Parse(string(line), doc, "S1", units)
			for _, x := range got.Faults {
				require.NotEmpty(t, x.Expected, "%q", line)
				require.GreaterOrEqual(t, x.Start, 0)
				require.LessOrEqual(t, x.End, len(line), "%q", line)
			}
			for _, x := range got.Reads {
				require.LessOrEqual(t, x.Start, x.End)
				require.LessOrEqual(t, x.End, len(line), "%q", line)
			}
			if len(got.Faults) > 0 {
				require.Empty(t, got.Edits, "nothing is edited by a line that was not understood: %q", line)
			}
		}
	})
}
