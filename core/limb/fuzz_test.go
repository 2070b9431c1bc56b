package limb_test

import (
	"encoding/json"
	"errors"
	"math"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/internal/mutants"
)

func FuzzMap(f *testing.F) {
	mutants.Add(f, []byte(`{"species":"apple","form":"open-vase","age":6,"season":"dormant","year":2027,"limbs":[
		{"id":"T","length_cm":70,"diameter_mm":60,"angle_base_deg":0,"angle_tip_deg":0,"azimuth_deg":0,"tip":"cut","rings_cm":[30,40]},
		{"id":"S1","parent":"T","attach_cm":60,"azimuth_deg":90,"angle_base_deg":50,"angle_tip_deg":30,"length_cm":150,"diameter_mm":30,"rings_cm":[50,60,40],"marks":[{"kind":"diseased","at_cm":20}],"fruit":12},
		{"id":"S1.1","parent":"S1","attach_cm":80,"azimuth_deg":200,"length_cm":60,"diameter_mm":12,"buds":[{"at_cm":10,"kind":"fruit"}]}]}`),
		[]byte(`{"species":"peach","limbs":[{"id":"T","length_cm":40,"diameter_mm":18}]}`))
	f.Fuzz(func(t *testing.T, text []byte) {
		m, err := limb.Read(text)
		if err != nil {
			var faults given.Faults
			require.True(t, errors.As(err, &faults) && len(faults) > 0, "%v", err)
			return
		}
		require.NotZero(t, m.Len())
		require.False(t, math.IsNaN(m.Height()) || math.IsInf(m.Height(), 0))
		sum := 0.0
		for i := range m.Axes {
			sum += m.Share(i, 0)
		}
		require.False(t, math.IsNaN(sum))
		doc, err := limb.Parse(text)
		require.NoError(t, err)
		again, err := json.Marshal(doc)
		require.NoError(t, err)
		back, err := limb.Read(again)
		require.NoError(t, err, "what was read can be written and read again")
		require.Equal(t, m.Len(), back.Len())
		require.InDelta(t, m.Height(), back.Height(), 1e-9)
	})
}

func FuzzEdits(f *testing.F) {
	mutants.Add(f, []byte(`[{"op":"set","id":"S1","limb":{"id":"S1","parent":"T","attach_cm":60,"length_cm":150,"diameter_mm":30}},{"op":"mark","id":"S1","mark":{"kind":"dead","at_cm":20}}]`),
		[]byte(`[{"op":"add","limb":{"id":"S2","parent":"T","attach_cm":50,"azimuth_deg":200,"length_cm":80,"diameter_mm":15}},{"op":"remove","id":"S1"}]`))
	f.Fuzz(func(t *testing.T, text []byte) {
		var edits []limb.Edit
		if json.Unmarshal(text, &edits) != nil {
			return // the contract refuses it before
		}
		doc := limb.Doc{Species: "apple", Limbs: []limb.Limb{
			{ID: "T", LengthCM: limb.Of(90), DiameterMM: limb.Of(60)},
			{ID: "S1", Parent: "T", AttachCM: limb.Of(60), LengthCM: limb.Of(150), DiameterMM: limb.Of(30)},
		}}
		before, err := json.Marshal(doc)
		require.NoError(t, err)
		out, err := limb.Apply(doc, edits...)
		after, jsonErr := json.Marshal(doc)
		require.NoError(t, jsonErr)
		require.JSONEq(t, string(before), string(after), "what is edited is a copy")
		if err != nil {
			require.NotEmpty(t, err.Error())
			return
		}
		if m, err := limb.Check(out); err == nil {
			require.False(t, math.IsNaN(m.Height()) || math.IsInf(m.Height(), 0))
		}
	})
}
