package limb_test

import (
	"errors"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/given"
	"vertumna/core/limb"
)

// An edit and the one that takes it back leave the tree as it was.
func TestEachMarkTagAndStateIsTakenBackByItsOpposite(t *testing.T) {
	rub := &limb.Mark{Kind: limb.Rubbing, AtCM: 30, Other: "S2"}
	for _, pair := range [][2]limb.Edit{
		{{Op: "mark", ID: "S1.1", Mark: &limb.Mark{Kind: limb.Dead}}, {Op: "unmark", ID: "S1.1", Mark: &limb.Mark{Kind: limb.Dead}}},
		{{Op: "mark", ID: "S1.1", Mark: rub}, {Op: "unmark", ID: "S1.1", Mark: rub}},
		{{Op: "tag", ID: "S2", Tag: limb.Keep}, {Op: "untag", ID: "S2", Tag: limb.Keep}},
		{{Op: "state", ID: "S3", State: &limb.State{Kind: "temporary", Due: "2029-02-01"}}, {Op: "state", ID: "S3"}},
	} {
		done, err := limb.Apply(vase(), pair[0])
		require.NoError(t, err)
		require.NotEqual(t, vase(), done, pair[0].Op)
		twice, err := limb.Apply(done, pair[0])
		require.NoError(t, err)
		require.Equal(t, done, twice, "%s: said twice is said once", pair[0].Op)
		back, err := limb.Apply(done, pair[1])
		require.NoError(t, err)
		require.Empty(t, limb.Compare(vase(), back), pair[1].Op)
	}
}

func TestTakingBackOneMarkLeavesTheOthers(t *testing.T) {
	out, err := limb.Apply(
		vase(),
		limb.Edit{Op: "mark", ID: "S1", Mark: &limb.Mark{Kind: limb.Rubbing, AtCM: 30, Other: "S2"}},
		limb.Edit{Op: "mark", ID: "S1", Mark: &limb.Mark{Kind: limb.Rubbing, AtCM: 50, Other: "S3"}},
		limb.Edit{Op: "mark", ID: "S1", Mark: &limb.Mark{Kind: limb.Dead, AtCM: 150}},
		limb.Edit{Op: "unmark", ID: "S1", Mark: &limb.Mark{Kind: limb.Rubbing, Other: "S2"}},
	)
	require.NoError(t, err)
	require.Equal(t, []limb.Mark{{Kind: limb.Rubbing, AtCM: 50, Other: "S3"}, {Kind: limb.Dead, AtCM: 150}}, out.Find("S1").Marks)
}

// What a limb can be told, it can forget; its length alone is never unknown.
func TestEveryFieldThatIsSetCanBeForgotten(t *testing.T) {
	roll := 90.0
	told := limb.Limb{
		Sucker: true, Sprout: true, Note: "bark split", Device: "tie", Spurs: []limb.SpurCount{{FromCM: 0, ToCM: 40, Count: 9}}, Gaps: []limb.Stretch{{FromCM: 5, ToCM: 20}},
		Wounds: []limb.Wound{{AtCM: 10, DMM: 8}}, RingsCM: []float64{80, 60, 60}, BareCM: limb.Of(30), FruitCount: limb.Of(12), TipDiameterMM: limb.Of(5),
		TowardDeg: limb.Of(90),
	}
	set, err := limb.Apply(vase(), limb.Edit{Op: "set", ID: "S1", Limb: &told}, limb.Edit{Op: "bud", ID: "S1", Bud: &limb.SeenBud{AtCM: 120, RollDeg: &roll}})
	require.NoError(t, err)
	empty := map[string]func(l *limb.Limb) bool{
		"sucker": func(l *limb.Limb) bool { return !l.Sucker }, "sprout": func(l *limb.Limb) bool { return !l.Sprout },
		"note": func(l *limb.Limb) bool { return l.Note == "" }, "device": func(l *limb.Limb) bool { return l.Device == "" },
		"spurs": func(l *limb.Limb) bool { return l.Spurs == nil }, "gaps": func(l *limb.Limb) bool { return l.Gaps == nil },
		"wounds": func(l *limb.Limb) bool { return l.Wounds == nil }, "rings_cm": func(l *limb.Limb) bool { return l.RingsCM == nil },
		"buds": func(l *limb.Limb) bool { return l.Buds == nil }, "bare_cm": func(l *limb.Limb) bool { return l.BareCM == nil },
		"fruit_count": func(l *limb.Limb) bool { return l.FruitCount == nil }, "tip_diameter_mm": func(l *limb.Limb) bool { return l.TipDiameterMM == nil },
		"toward_deg": func(l *limb.Limb) bool { return l.TowardDeg == nil }, "diameter_mm": func(l *limb.Limb) bool { return l.DiameterMM == nil },
		"azimuth_deg": func(l *limb.Limb) bool { return l.AzimuthDeg == nil },
	}
	for field, gone := range empty {
		require.False(t, gone(set.Find("S1")), "%s was told", field)
		out, err := limb.Apply(set, limb.Edit{Op: "set", ID: "S1", Clear: []string{field}})
		require.NoError(t, err, field)
		require.True(t, gone(out.Find("S1")), field)
		for other, unknown := range empty {
			if other != field {
				require.False(t, unknown(out.Find("S1")), "%s went with %s", other, field)
			}
		}
		_, err = limb.Check(out)
		require.NoError(t, err, "without %s it is a tree all the same", field)
	}
	for _, field := range []string{"length_cm", "id", "colour"} {
		_, err := limb.Apply(set, limb.Edit{Op: "set", ID: "S1", Clear: []string{field}})
		require.ErrorContains(t, err, "a field that may be unknown")
	}
}

func TestAnEditWithoutWhatItNeedsNamesIt(t *testing.T) {
	for op, field := range map[string]string{"add": "limb", "set": "limb", "mark": "mark", "unmark": "mark", "tag": "tag", "bud": "bud", "tip": "tip", "cut": "at_cm"} {
		_, err := limb.Apply(vase(), limb.Edit{Op: op, ID: "S1"})
		var faults given.Faults
		require.True(t, errors.As(err, &faults), op)
		require.True(t, strings.HasSuffix(faults[0].Field, field), "%s: %s", op, faults[0].Field)
	}
}

// odd is one thing wrong with a limb: what is told of it, and the limb as it would be right.
type odd struct {
	field, code string
	wrong       func(l *limb.Limb)
	right       func(l *limb.Limb)
}

func TestEachThingWrongWithALimbIsToldByFieldAndCodeAndItsBoundIsNot(t *testing.T) {
	for _, c := range []odd{
		{"length_cm", "E_LENGTH", func(l *limb.Limb) { l.LengthCM = nil }, func(l *limb.Limb) { l.LengthCM = limb.Of(limb.MaxLengthCM) }},
		{"length_cm", "E_LENGTH", func(l *limb.Limb) { l.LengthCM = limb.Of(limb.MaxLengthCM + 1) }, func(l *limb.Limb) { l.LengthCM = limb.Of(0.1) }},
		{"diameter_mm", "E_DIAMETER", func(l *limb.Limb) { l.DiameterMM = limb.Of(0) }, func(l *limb.Limb) { l.DiameterMM = limb.Of(16) }},
		{"tip_diameter_mm", "E_DIAMETER", func(l *limb.Limb) { l.TipDiameterMM = limb.Of(-1) }, func(l *limb.Limb) { l.TipDiameterMM = limb.Of(6) }},
		{"tip_diameter_mm", "E_TIP_THICKER", func(l *limb.Limb) { l.TipDiameterMM = limb.Of(7) }, func(l *limb.Limb) { l.TipDiameterMM = limb.Of(5.9) }},
		{"azimuth_deg", "E_AZIMUTH", func(l *limb.Limb) { l.AzimuthDeg = limb.Of(361) }, func(l *limb.Limb) { l.AzimuthDeg = limb.Of(360) }},
		{"angle_base_deg", "E_ANGLE", func(l *limb.Limb) { l.AngleBaseDeg = limb.Of(-1) }, func(l *limb.Limb) { l.AngleBaseDeg = limb.Of(0) }},
		{"angle_tip_deg", "E_ANGLE", func(l *limb.Limb) { l.AngleTipDeg = limb.Of(181) }, func(l *limb.Limb) { l.AngleTipDeg = limb.Of(180) }},
		{"bare_cm", "E_STRETCH", func(l *limb.Limb) { l.BareCM = limb.Of(-1) }, func(l *limb.Limb) { l.BareCM = limb.Of(30) }},
		{"fruit_count", "E_NUMBER", func(l *limb.Limb) { l.FruitCount = limb.Of(-1) }, func(l *limb.Limb) { l.FruitCount = limb.Of(0) }},
		{"own_d2_mm2", "E_NUMBER", func(l *limb.Limb) { l.OwnD2MM2 = limb.Of(-1) }, func(l *limb.Limb) { l.OwnD2MM2 = limb.Of(4) }},
		{"x_cm", "E_FOOT", func(l *limb.Limb) { l.XCM = limb.Of(limb.MaxFootCM + 1) }, func(l *limb.Limb) { l.XCM = nil }},
		{"rings_cm", "E_RINGS", func(l *limb.Limb) { l.RingsCM = []float64{} }, func(l *limb.Limb) { l.RingsCM = []float64{30} }},
		{"rings_cm", "E_RINGS", func(l *limb.Limb) { l.RingsCM = []float64{20, -5} }, func(l *limb.Limb) { l.RingsCM = []float64{30, 0} }},
		{"rings_cm", "E_RINGS", func(l *limb.Limb) { l.RingsCM = []float64{10, 10} }, func(l *limb.Limb) { l.RingsCM = []float64{12, 16.1} }},
		{"rings_cm", "E_RINGS", func(l *limb.Limb) { l.RingsCM = make([]float64, limb.MaxRings+1) }, func(l *limb.Limb) { l.RingsCM = []float64{15, 15} }},
		{"tip", "E_TIP", func(l *limb.Limb) { l.Tip = "frozen" }, func(l *limb.Limb) { l.Tip = limb.DeadTip }},
		{"tags", "E_TAG", func(l *limb.Limb) { l.Tags = []string{"pretty"} }, func(l *limb.Limb) { l.Tags = []string{limb.Bark} }},
		{"device", "E_DEVICE", func(l *limb.Limb) { l.Device = "crane" }, func(l *limb.Limb) { l.Device = "weight" }},
		{"state", "E_STATE", func(l *limb.Limb) { l.State = &limb.State{Kind: "successor"} }, func(l *limb.Limb) { l.State = &limb.State{Kind: "successor", Limb: "S2"} }},
		{"source", "E_SOURCE", func(l *limb.Limb) { l.Source = "hearsay" }, func(l *limb.Limb) { l.Source = limb.Predicted }},
		{"sources", "E_SOURCE", func(l *limb.Limb) { l.Sources = map[string]limb.Source{"length_cm": "hearsay"} }, func(l *limb.Limb) { l.Sources = map[string]limb.Source{"length_cm": limb.Measured} }},
		{"marks", "E_MARK", func(l *limb.Limb) { l.Marks = []limb.Mark{{Kind: "sad"}} }, func(l *limb.Limb) { l.Marks = []limb.Mark{{Kind: limb.Dead}} }},
		{"marks", "E_MARK", func(l *limb.Limb) { l.Marks = []limb.Mark{{Kind: limb.Dead, AtCM: 31}} }, func(l *limb.Limb) { l.Marks = []limb.Mark{{Kind: limb.Dead, AtCM: 30}} }},
		{"marks", "E_MARK", func(l *limb.Limb) { l.Marks = []limb.Mark{{Kind: limb.Dead, Agent: "rot"}} }, func(l *limb.Limb) { l.Marks = []limb.Mark{{Kind: limb.Diseased, Agent: "rot"}} }},
		{"marks", "E_MARK", func(l *limb.Limb) { l.Marks = []limb.Mark{{Kind: limb.Diseased, Agent: "fairies"}} }, func(l *limb.Limb) { l.Marks = []limb.Mark{{Kind: limb.Diseased}} }},
		{"marks", "E_MARK", func(l *limb.Limb) { l.Marks = []limb.Mark{{Kind: limb.Rubbing}} }, func(l *limb.Limb) { l.Marks = []limb.Mark{{Kind: limb.Rubbing, Other: "S2"}} }},
		{"marks", "E_MARK", func(l *limb.Limb) { l.Marks = []limb.Mark{{Kind: limb.Dead, Other: "S2"}} }, func(l *limb.Limb) { l.Marks = nil }},
		{"buds", "E_BUD", func(l *limb.Limb) { l.Buds = []limb.SeenBud{{AtCM: -1}} }, func(l *limb.Limb) { l.Buds = []limb.SeenBud{{AtCM: 0}} }},
		{"buds", "E_BUD", func(l *limb.Limb) { l.Buds = []limb.SeenBud{{AtCM: 5, Kind: "shy"}} }, func(l *limb.Limb) { l.Buds = []limb.SeenBud{{AtCM: 5, Kind: limb.Blind}} }},
		{"wounds", "E_WOUND", func(l *limb.Limb) { l.Wounds = []limb.Wound{{AtCM: 5}} }, func(l *limb.Limb) { l.Wounds = []limb.Wound{{AtCM: 5, DMM: 1}} }},
		{"spurs", "E_STRETCH", func(l *limb.Limb) { l.Spurs = []limb.SpurCount{{FromCM: 9, ToCM: 9, Count: 1}} }, func(l *limb.Limb) { l.Spurs = []limb.SpurCount{{FromCM: 9, ToCM: 10}} }},
		{"gaps", "E_STRETCH", func(l *limb.Limb) { l.Gaps = []limb.Stretch{{FromCM: 20, ToCM: 31}} }, func(l *limb.Limb) { l.Gaps = []limb.Stretch{{FromCM: 20, ToCM: 30}} }},
		{"note", "E_TOO_MANY", func(l *limb.Limb) { l.Note = strings.Repeat("x", 2001) }, func(l *limb.Limb) { l.Note = strings.Repeat("x", 2000) }},
		{"tags", "E_TOO_MANY", func(l *limb.Limb) { l.Tags = make([]string, 21) }, func(l *limb.Limb) { l.Tags = []string{limb.Keep} }},
	} {
		doc := vase()
		c.wrong(doc.Find("S1.1.1"))
		_, err := limb.Check(doc)
		var faults given.Faults
		require.True(t, errors.As(err, &faults), "%s: %v", c.field, err)
		told := false
		for _, f := range faults {
			told = told || f.Code == c.code && strings.HasSuffix(f.Field, c.field) && strings.Contains(f.Field, "S1.1.1")
			require.NotEmpty(t, f.Given, c.field)
			require.NotEmpty(t, f.Expected, c.field)
		}
		require.True(t, told, "%s %s: %v", c.code, c.field, err)
		doc = vase()
		c.right(doc.Find("S1.1.1"))
		_, err = limb.Check(doc)
		require.NoError(t, err, "%s within its bound", c.field)
	}
}
