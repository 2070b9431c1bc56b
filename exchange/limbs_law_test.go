package exchange_test

import (
	"bytes"
	"fmt"
	"math/rand/v2"
	"regexp"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/core/pomology"
	"vertumna/exchange"
)

// eachTree gives trees of every kind in the forms it is grown in, with a few things said of their limbs.
func eachTree(t *testing.T, each func(name string, doc limb.Doc)) {
	t.Helper()
	r := rand.New(rand.NewPCG(5, 9))
	for n, k := range pomology.Kinds() {
		form := k.Forms[n%len(k.Forms)]
		doc, err := growth.Sketch(growth.SketchInput{Species: k.Slug, Form: form, Age: 4 + n%9, TrunkMM: 70, HeightCM: 260, SpreadCM: 240, Scaffolds: 4, Seed: uint64(n), Year: 2027})
		require.NoError(t, err, k.Slug)
		for range 4 {
			id := doc.Limbs[r.IntN(len(doc.Limbs))].ID
			edits := []limb.Edit{
				{Op: "mark", ID: id, Mark: &limb.Mark{Kind: limb.Dead}},
				{Op: "tag", ID: id, Tag: limb.Keep},
				{Op: "set", ID: id, Limb: &limb.Limb{Note: `split, "here"; =1+1`, FruitCount: limb.Of(float64(r.IntN(40)))}},
			}
			if out, err := limb.Apply(doc, edits[r.IntN(len(edits))]); err == nil {
				doc = out
			}
		}
		each(fmt.Sprintf("%s as %s", k.Slug, form), doc)
	}
}

// same holds that two maps are one tree: the same limbs in the same places, of the same thickness, with the same marks and notes.
func same(t *testing.T, name string, a, b limb.Doc) {
	t.Helper()
	one, err := limb.Check(a)
	require.NoError(t, err, name)
	two, err := limb.Check(b)
	require.NoError(t, err, name)
	require.Equal(t, one.Len(), two.Len(), name)
	for i := range one.Axes {
		j := two.Index(one.Axes[i].ID)
		require.GreaterOrEqual(t, j, 0, name)
		p, q := one.At(i, one.Axes[i].L), two.At(j, two.Axes[j].L)
		require.InDelta(t, p.X, q.X, 0.1, "%s: %s", name, one.Axes[i].ID)
		require.InDelta(t, p.Y, q.Y, 0.1, "%s: %s", name, one.Axes[i].ID)
		require.InDelta(t, p.Z, q.Z, 0.1, "%s: %s", name, one.Axes[i].ID)
		require.InDelta(t, one.Axes[i].D, two.Axes[j].D, 1e-9, "%s: %s", name, one.Axes[i].ID)
		require.Equal(t, one.Axes[i].Marks, two.Axes[j].Marks, "%s: %s", name, one.Axes[i].ID)
		require.Equal(t, one.Axes[i].Tags, two.Axes[j].Tags, "%s: %s", name, one.Axes[i].ID)
		require.Equal(t, a.Find(one.Axes[i].ID).Note, b.Find(one.Axes[i].ID).Note, name)
	}
}

func TestEveryTreeComesBackFromItsFilesAsItWent(t *testing.T) {
	eachTree(t, func(name string, doc limb.Doc) {
		var text bytes.Buffer
		require.NoError(t, exchange.LimbsJSON(&text, doc), name)
		back, err := limb.Parse(text.Bytes())
		require.NoError(t, err, name)
		same(t, name+", JSON", doc, back)
		require.Empty(t, limb.Compare(doc, back), name)

		text.Reset()
		require.NoError(t, exchange.LimbsCSV(&text, doc), name)
		base := doc
		base.Limbs = nil
		back, err = exchange.ReadLimbsCSV(bytes.NewReader(text.Bytes()), base)
		require.NoError(t, err, name)
		same(t, name+", CSV", doc, back)
		again := bytes.Buffer{}
		require.NoError(t, exchange.LimbsCSV(&again, back), name)
		require.Equal(t, text.String(), again.String(), "%s: a table written twice is one table", name)
	})
}

// packed are numbers in bytes, which may spell anything.
var packed = regexp.MustCompile(`base64,[^"]*`)

func TestNoFileOfATreeHoldsANumberThatIsNone(t *testing.T) {
	eachTree(t, func(name string, doc limb.Doc) {
		m, err := limb.Check(doc)
		require.NoError(t, err, name)
		for format, write := range map[string]func(b *bytes.Buffer) error{
			"JSON": func(b *bytes.Buffer) error { return exchange.LimbsJSON(b, doc) },
			"CSV":  func(b *bytes.Buffer) error { return exchange.LimbsCSV(b, doc) },
			"MTG":  func(b *bytes.Buffer) error { return exchange.LimbsMTG(b, m) },
			"glTF": func(b *bytes.Buffer) error { return exchange.LimbsGLTF(b, name, m) },
		} {
			var text bytes.Buffer
			require.NoError(t, write(&text), "%s: %s", name, format)
			require.NotEmpty(t, text.String())
			require.NotRegexp(t, `NaN|[+-]?Inf\b`, packed.ReplaceAllString(text.String(), ""), "%s: %s", name, format)
		}
	})
}
