package limb_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/given"
	"vertumna/core/limb"
)

// vase is a small made-up vase: trunk, three scaffolds, a lateral and a shoot.
func vase() limb.Doc {
	at := func(id, parent string, attach, az, a0, a1, length, d float64) limb.Limb {
		return limb.Limb{
			ID: id, Parent: parent, AttachCM: limb.Of(attach), AzimuthDeg: limb.Of(az), AngleBaseDeg: limb.Of(a0),
			AngleTipDeg: limb.Of(a1), LengthCM: limb.Of(length), DiameterMM: limb.Of(d), Source: limb.Estimated,
		}
	}
	trunk := at("T", "", 0, 0, 0, 0, 60, 80)
	trunk.Tip = limb.Cut
	return limb.Doc{Species: "apple", Form: "open-vase", Age: 8, Year: 2027, Limbs: []limb.Limb{
		trunk, at("S1", "T", 45, 0, 55, 30, 200, 40), at("S2", "T", 52, 120, 50, 30, 200, 42), at("S3", "T", 59, 240, 50, 25, 190, 40),
		at("S1.1", "S1", 100, 60, 60, 50, 80, 16), at("S1.1.1", "S1.1", 40, 90, 50, 40, 30, 6),
	}}
}

func read(t *testing.T, doc limb.Doc) *limb.Map {
	t.Helper()
	m, err := limb.Check(doc)
	require.NoError(t, err)
	return m
}

func TestSharesNeverRiseAlongALimbAndNeverPassTheParent(t *testing.T) {
	m := read(t, vase())
	for i := range m.Axes {
		a := m.Axes[i]
		before := 1.0
		for k := range 21 {
			s := m.Share(i, a.L*float64(k)/20)
			require.LessOrEqual(t, s, before+1e-12)
			require.GreaterOrEqual(t, s, 0.0)
			before = s
		}
		if a.Parent >= 0 {
			require.LessOrEqual(t, m.Share(i, 0), m.Share(a.Parent, a.Attach)+1e-12, a.ID)
			require.LessOrEqual(t, m.Diameter(i, a.L), m.Diameter(i, 0)+1e-9)
		}
	}
	sum := 0.0
	for i := range m.Axes {
		sum += (m.OwnLeaf(i) + m.TipLeaf(i)) * m.Weight(i)
	}
	require.InDelta(t, m.CrownD2(), sum, 1e-6)
}

func TestTurningTheTreeTurnsItsPlacesAndChangesNoShare(t *testing.T) {
	doc := vase()
	m := read(t, doc)
	for _, turn := range []float64{37, 180, 311} {
		turned := vase()
		for i := range turned.Limbs {
			turned.Limbs[i].AzimuthDeg = limb.Of(math.Mod(*turned.Limbs[i].AzimuthDeg+turn, 360))
		}
		n := read(t, turned)
		sin, cos := math.Sincos(turn * math.Pi / 180)
		for i := range m.Axes {
			p, q := m.End(i), n.End(i)
			require.InDeltaSlice(t, []float64{p.X*cos + p.Y*sin, p.Y*cos - p.X*sin, p.Z}, vec(q), 1e-9)
			require.InDelta(t, m.Share(i, 10), n.Share(i, 10), 1e-12)
		}
		require.InDelta(t, m.Height(), n.Height(), 1e-9)
	}
}

func TestACutTakesItsShareAndNeverGivesLeafBack(t *testing.T) {
	m := read(t, vase())
	for _, c := range []limb.CutAt{
		{Limb: "S1", Kind: limb.Collar},
		{Limb: "S2", Kind: limb.AboveBud, AtCM: 120},
		{Limb: "S1.1", Kind: limb.SideBranch, AtCM: 41},
		{Limb: "S3", Kind: limb.SpurThin, AtCM: 20, ToCM: 90, Fraction: 0.4},
	} {
		share := m.ShareOf(c)
		cut, err := m.Cut(c)
		require.NoError(t, err)
		require.InDelta(t, m.CrownD2()*(1-share), cut.CrownD2(), 0.002*m.CrownD2(), c.Limb)
		again, err := limb.Check(cut.Doc())
		require.NoError(t, err, "a cut map can be written down and read back")
		require.InDelta(t, cut.CrownD2(), again.CrownD2(), 1e-6)
	}
	whole, err := m.Cut(limb.CutAt{Limb: "S1", Kind: limb.Collar})
	require.NoError(t, err)
	require.Equal(t, m.Len()-3, whole.Len(), "what it carries goes with it")
	require.Equal(t, 40.0, whole.Axes[whole.Index("T")].Wounds[0].DMM)
	require.Equal(t, 2027, *whole.Axes[whole.Index("T")].Wounds[0].Year)
	_, err = m.Cut(limb.CutAt{Limb: "T", Kind: limb.Collar})
	require.ErrorContains(t, err, "whole stem")
	_, err = m.Cut(limb.CutAt{Limb: "S1", Kind: limb.AboveBud, AtCM: 900})
	require.ErrorContains(t, err, "900 cm given")
}

func TestEveryRingHasItsYear(t *testing.T) {
	doc := vase()
	doc.Limbs[4].RingsCM = []float64{30, 30, 20}
	m := read(t, doc)
	i := m.Index("S1.1")
	require.Equal(t, []int{2024, 2025, 2026}, []int{m.RingYear(i, 0), m.RingYear(i, 1), m.RingYear(i, 2)})
	doc.Season = limb.Summer
	require.Equal(t, 2027, read(t, doc).RingYear(i, 2), "in summer the last ring is the shoot now growing")
	doc.Year = 0
	require.Zero(t, read(t, doc).RingYear(i, 2))
}

func TestAnEditMakesANewMapAndLeavesTheOldOne(t *testing.T) {
	doc := vase()
	long := limb.Edit{Op: "set", ID: "S1", Limb: &limb.Limb{LengthCM: limb.Of(100)}}
	out, err := limb.Apply(doc, long)
	require.NoError(t, err)
	require.Equal(t, 200.0, *doc.Find("S1").LengthCM)
	require.Equal(t, 100.0, *out.Find("S1").LengthCM)
	require.Equal(t, 50.0, *out.Find("S1.1").AttachCM, "an estimated place moves along")
	require.Equal(t, limb.Measured, out.Find("S1").SourceOf("length_cm"))

	short, err := limb.Apply(doc, limb.Edit{Op: "set", ID: "S1", Limb: &limb.Limb{RingsCM: []float64{40, 30, 20}}})
	require.NoError(t, err)
	require.Equal(t, 90.0, *short.Find("S1").LengthCM, "the rings make the length")
	require.Equal(t, 45.0, *short.Find("S1.1").AttachCM)

	doc.Find("S1.1").Sources = map[string]limb.Source{"attach_cm": limb.Measured}
	_, err = limb.Apply(doc, limb.Edit{Op: "set", ID: "S1", Limb: &limb.Limb{LengthCM: limb.Of(60)}})
	var ps given.Faults
	require.ErrorAs(t, err, &ps, "a measured place stays, and what no longer fits is told")
	require.Equal(t, []string{"E_ATTACH", "S1.1.attach_cm"}, []string{ps[0].Code, ps[0].Field})
}

func TestEstimatedThicknessGivesWayToWhatWasMeasured(t *testing.T) {
	out, err := limb.Apply(vase(), limb.Edit{Op: "set", ID: "S1.1", Limb: &limb.Limb{DiameterMM: limb.Of(44)}})
	require.NoError(t, err)
	require.Equal(t, 44.0, *out.Find("S1").DiameterMM)
	out, err = limb.Apply(out, limb.Edit{Op: "set", ID: "S1.1.1", Limb: &limb.Limb{DiameterMM: limb.Of(45)}})
	require.ErrorContains(t, err, "no more than the 44 mm", "its carrier was measured")
	require.Equal(t, 6.0, *out.Find("S1.1.1").DiameterMM)
}

func TestATipDraggedToAPlaceEndsThere(t *testing.T) {
	for _, to := range [][3]float64{{80, 120, 190}, {-60, 20, 240}, {0, 90, 70}} {
		out, err := limb.Apply(vase(), limb.Edit{Op: "tip", ID: "S1", Tip: &to})
		require.NoError(t, err)
		m := read(t, out)
		require.InDeltaSlice(t, to[:], vec(m.End(m.Index("S1"))), 0.3)
		require.Equal(t, limb.Estimated, m.Source(m.Index("S1"), "length_cm"), "a drag is no tape")
	}
}

func TestMarksTagsStatesAndBuds(t *testing.T) {
	due := &limb.State{Kind: "left-to-bend", Due: "2027-09-01", Reason: "the crop will pull it down"}
	roll := 180.0
	_, err := limb.Apply(vase(), limb.Edit{Op: "tag", ID: "S1", Tag: limb.Leader})
	require.ErrorContains(t, err, "a form that has one")
	tree := vase()
	tree.Form = "late-leader"
	out, err := limb.Apply(
		tree,
		limb.Edit{Op: "mark", ID: "S1.1", Mark: &limb.Mark{Kind: limb.Rubbing, AtCM: 30, Other: "S2"}},
		limb.Edit{Op: "tag", ID: "S1", Tag: limb.Leader}, limb.Edit{Op: "tag", ID: "S2", Tag: limb.Leader},
		limb.Edit{Op: "state", ID: "S3", State: due},
		limb.Edit{Op: "bud", ID: "S1.1.1", Bud: &limb.SeenBud{AtCM: 10, RollDeg: &roll}},
		limb.Edit{Op: "bud", ID: "S1.1.1", Bud: &limb.SeenBud{AtCM: 10, Kind: limb.Blind}},
	)
	require.NoError(t, err)
	m := read(t, out)
	require.Equal(t, due, m.State(m.Index("S3")))
	require.False(t, m.Has(m.Index("S1"), limb.Leader), "one leads")
	require.Equal(t, []limb.SeenBud{{AtCM: 10, RollDeg: &roll, Kind: limb.Blind}}, out.Find("S1.1.1").Buds)
	blind := 0
	for _, n := range m.Nodes(m.Index("S1.1.1"), 0, nil) {
		require.Equal(t, n.N > 0, n.Known, "the end bud faces where the shoot goes")
		if n.Kind == limb.Blind {
			blind++
			require.InDelta(t, 180, n.Roll, 1e-9)
		}
	}
	require.Equal(t, 1, blind)

	gone, err := limb.Apply(out, limb.Edit{Op: "remove", ID: "S2"})
	require.NoError(t, err)
	require.Empty(t, gone.Find("S1.1").Marks, "a mark that names a limb goes with it")
	require.Empty(t, gone.Find("T").Wounds)
	changes := limb.Compare(out, gone)
	require.Contains(t, changes, limb.Change{Limb: "S2", Before: "gone"})
}

func TestImpossibleEditsAreToldWithLimbAndField(t *testing.T) {
	for name, c := range map[string]struct {
		edit limb.Edit
		says string
	}{
		"no such limb":     {limb.Edit{Op: "set", ID: "S9", Limb: &limb.Limb{}}, `S9.id`},
		"no such edit":     {limb.Edit{Op: "paint", ID: "S1"}, `"paint" given`},
		"not a number":     {limb.Edit{Op: "set", ID: "S1", Limb: &limb.Limb{DiameterMM: limb.Of(math.NaN())}}, "NaN given"},
		"a cycle":          {limb.Edit{Op: "move", ID: "S1", Parent: "S1.1", AttachCM: limb.Of(1)}, "hangs on itself"},
		"beyond the end":   {limb.Edit{Op: "move", ID: "S1.1", AttachCM: limb.Of(400)}, "400 cm given"},
		"rubbing on none":  {limb.Edit{Op: "mark", ID: "S1", Mark: &limb.Mark{Kind: limb.Rubbing, Other: "X"}}, `rubbing on "X"`},
		"unknown state":    {limb.Edit{Op: "state", ID: "S1", State: &limb.State{Kind: "sulking"}}, `"sulking" given`},
		"length forgotten": {limb.Edit{Op: "set", ID: "S1", Clear: []string{"length_cm"}}, `"length_cm" given`},
		"tip at its base":  {limb.Edit{Op: "tip", ID: "S1", Tip: &[3]float64{0, 0, 45}}, "own base"},
	} {
		out, err := limb.Apply(vase(), c.edit)
		require.ErrorContains(t, err, c.says, name)
		require.Equal(t, vase(), out, name)
	}
	many := vase()
	for len(many.Limbs) <= limb.MaxLimbs {
		many.Limbs = append(many.Limbs, limb.Limb{ID: limb.NextID(many, "S3"), Parent: "S3", LengthCM: limb.Of(5)})
		if len(many.Limbs) > 40 { // names beyond need not be found one by one
			many.Limbs[len(many.Limbs)-1].ID += "x" + string(rune('a'+len(many.Limbs)%26)) + string(rune(len(many.Limbs)))
		}
	}
	_, err := limb.Check(many)
	require.ErrorContains(t, err, "2001 limbs given")
}

func TestASketchCountsAsEstimatedUntilCorrected(t *testing.T) {
	m := read(t, vase())
	sketched := m.Completeness()
	require.Zero(t, sketched.Measured)
	out, err := limb.Apply(vase(), limb.Edit{Op: "set", ID: "S1", Limb: &limb.Limb{DiameterMM: limb.Of(40), AngleBaseDeg: limb.Of(50)}})
	require.NoError(t, err)
	require.InDelta(t, 2.0/18, read(t, out).Completeness().Measured, 1e-9)
	require.Greater(t, read(t, out).Completeness().Value, sketched.Value)
}

func TestRingsReadBackwardsGiveTheTreeOfTheYearBefore(t *testing.T) {
	doc := vase()
	for n := 0; n < 4; n++ {
		m := read(t, doc)
		before, err := m.YearBack()
		require.NoError(t, err)
		b := read(t, before)
		require.Less(t, b.Height(), m.Height())
		require.LessOrEqual(t, b.Len(), m.Len())
		require.Equal(t, doc.Year-1, before.Year)
		for i := range b.Axes {
			now := m.Index(b.Axes[i].ID)
			require.InDelta(t, m.RingYear(now, 0), b.RingYear(i, 0), 0, "the first ring grew in the same year")
			require.InDeltaSlice(t, vec(m.Base(now)), vec(b.Base(i)), 1e-6)
			require.Equal(t, limb.Estimated, b.Source(i, "length_cm"))
		}
		doc = before
	}
}

func TestACutForgetsWhatOthersSaidOfTheLimbThatWent(t *testing.T) {
	doc := limb.Doc{Version: limb.FormatVersion, Species: "apple", Limbs: []limb.Limb{
		{ID: "T", LengthCM: limb.Of(120), DiameterMM: limb.Of(80)},
		{ID: "A", Parent: "T", AttachCM: limb.Of(60), LengthCM: limb.Of(150), DiameterMM: limb.Of(30), Marks: []limb.Mark{{Kind: limb.Rubbing, AtCM: 40, Other: "B"}}},
		{ID: "B", Parent: "T", AttachCM: limb.Of(80), AzimuthDeg: limb.Of(40), LengthCM: limb.Of(140), DiameterMM: limb.Of(28)},
		{ID: "C", Parent: "T", AttachCM: limb.Of(90), AzimuthDeg: limb.Of(180), LengthCM: limb.Of(140), DiameterMM: limb.Of(28), State: &limb.State{Kind: "successor", Limb: "B"}},
	}}
	at := 0.0
	next, err := limb.Apply(doc, limb.Edit{Op: "cut", ID: "B", AtCM: &at})
	require.NoError(t, err)
	require.Empty(t, next.Find("A").Marks)
	require.Nil(t, next.Find("C").State)
	require.Len(t, doc.Find("A").Marks, 1, "the map before is as it was")
}
