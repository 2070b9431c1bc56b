package exchange_test

import (
	"bytes"
	"encoding/base64"
	"encoding/json"
	"reflect"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/exchange"
)

func sketched(t testing.TB) limb.Doc {
	t.Helper()
	doc, err := growth.Sketch(growth.SketchInput{
		Species: "apple", Form: "open-vase", Age: 8, TrunkMM: 80, HeightCM: 260, SpreadCM: 260,
		Scaffolds: 3, Seed: 4, Year: 2027, Faults: []string{"dead", "sucker", "crossing"},
	})
	require.NoError(t, err)
	doc, err = limb.Apply(doc, limb.Edit{Op: "mark", ID: "S1", Mark: &limb.Mark{Kind: limb.Rubbing, AtCM: 80, Other: "S2"}}, limb.Edit{Op: "tag", ID: "S1", Tag: limb.Favour})
	require.NoError(t, err)
	return doc
}

func TestALimbMapComesBackFromJSONAsItWent(t *testing.T) {
	doc := sketched(t)
	var b bytes.Buffer
	require.NoError(t, exchange.LimbsJSON(&b, doc))
	back, err := limb.Parse(b.Bytes())
	require.NoError(t, err)
	doc.Version = limb.FormatVersion
	require.Equal(t, doc, back)
}

func TestTheSchemaKnowsEveryFieldAndNoOther(t *testing.T) {
	var schema struct {
		Properties map[string]json.RawMessage
	}
	require.NoError(t, json.Unmarshal(exchange.LimbMapSchema, &schema))
	var limbs struct {
		Items struct{ Properties map[string]json.RawMessage }
	}
	require.NoError(t, json.Unmarshal(schema.Properties["limbs"], &limbs))
	require.ElementsMatch(t, fields(limb.Doc{}), keysOf(schema.Properties))
	require.ElementsMatch(t, fields(limb.Limb{}), keysOf(limbs.Items.Properties))
}

func fields(v any) []string {
	var out []string
	for i := range reflect.TypeOf(v).NumField() {
		name, _, _ := strings.Cut(reflect.TypeOf(v).Field(i).Tag.Get("json"), ",")
		out = append(out, name)
	}
	return out
}

func keysOf(m map[string]json.RawMessage) []string {
	var out []string
	for k := range m {
		out = append(out, k)
	}
	return out
}

func TestALimbTableComesBackWithItsNumbersMarksAndTags(t *testing.T) {
	doc := sketched(t)
	var b bytes.Buffer
	require.NoError(t, exchange.LimbsCSV(&b, doc))
	back, err := exchange.ReadLimbsCSV(&b, limb.Doc{})
	require.NoError(t, err)
	require.Equal(t, doc.Species, back.Species)
	require.Equal(t, doc.Year, back.Year)
	for i := range doc.Limbs {
		doc.Limbs[i].Sources = nil
	}
	require.Equal(t, doc.Limbs, back.Limbs)
}

func TestAWrongTableIsToldByLineAndColumn(t *testing.T) {
	base := limb.Doc{Species: "apple"}
	for name, c := range map[string]struct{ table, says string }{
		"inches":         {"id,length_in\nT,40\n", "column: length_in given, length_cm expected"},
		"metres":         {"id,length_cm,attach_m\n", "column: attach_m given, attach_cm expected"},
		"no length":      {"id,parent\n", "no length_cm given"},
		"no number":      {"id,length_cm\nT,tall\n", `line 2, length_cm: "tall" given, a number expected`},
		"missing parent": {"id,parent,length_cm\nT,,100\nA,X,50\n", `A.parent: "X" given`},
		"too many":       {"id,length_cm\nT,100,3,4\n", "line 2, row: 4 values given, 2"},
		"nothing":        {"", "nothing given, a line of column names"},
		"bad year":       {"# year=soon\nid,length_cm\n", "line 1, year: soon given"},
		"quotes":         {"id,length_cm\n\"T,100\n", "given"},
	} {
		_, err := exchange.ReadLimbsCSV(strings.NewReader(c.table), base)
		require.ErrorContains(t, err, c.says, name)
	}
}

func TestATableNeverHoldsAFormula(t *testing.T) {
	doc := limb.Doc{Species: "apple", Limbs: []limb.Limb{{ID: "=1+1", LengthCM: limb.Of(50), Note: "@cmd"}}}
	var b bytes.Buffer
	require.NoError(t, exchange.LimbsCSV(&b, doc))
	require.Contains(t, b.String(), "\n'=1+1,")
	back, err := exchange.ReadLimbsCSV(&b, limb.Doc{})
	require.NoError(t, err)
	require.Equal(t, "=1+1", back.Limbs[0].ID)
	require.Equal(t, "@cmd", back.Limbs[0].Note)
}

func TestEveryLimbAndSeasonStandsInTheMultiscaleTree(t *testing.T) {
	doc := sketched(t)
	m, err := limb.Check(doc)
	require.NoError(t, err)
	var b bytes.Buffer
	require.NoError(t, exchange.LimbsMTG(&b, m))
	_, graph, found := strings.Cut(b.String(), "MTG:\n")
	require.True(t, found)
	lines := strings.Split(strings.TrimSpace(graph), "\n")
	units, axes := 0, 0
	for _, l := range lines[2:] {
		code := strings.Fields(l)[0]
		units++
		if strings.Contains(code, "A") {
			axes++
		}
		require.Regexp(t, `^(/A\d+/U1|\+A\d+/U1|\^<U\d+)$`, code)
	}
	want := 0
	for i := range m.Axes {
		want += len(m.Axes[i].Rings)
	}
	require.Equal(t, want, units)
	require.Equal(t, m.Len(), axes)
	require.Contains(t, lines[0], "ENTITY-CODE")
}

func TestAGLTFHoldsEveryLimbAndNoMarkup(t *testing.T) {
	doc := sketched(t)
	doc.Limbs[1].ID = `<img src=x onerror="alert(1)">`
	for i := range doc.Limbs {
		if doc.Limbs[i].Parent == "S1" {
			doc.Limbs[i].Parent = doc.Limbs[1].ID
		}
	}
	m, err := limb.Check(doc)
	require.NoError(t, err)
	var b bytes.Buffer
	require.NoError(t, exchange.LimbsGLTF(&b, "A1 <b>Sweetling</b>", m))
	var g struct {
		Nodes []struct {
			Name     string
			Children []int
		}
		Accessors []struct {
			Count    int
			Min, Max []float64
		}
		Buffers []struct {
			ByteLength int
			URI        string
		}
	}
	require.NoError(t, json.Unmarshal(b.Bytes(), &g))
	require.Len(t, g.Nodes, m.Len()+1)
	require.Len(t, g.Nodes[m.Len()].Children, m.Len())
	require.NotContains(t, b.String(), "<")
	require.NotContains(t, b.String(), `\u003c`)
	data, err := base64.StdEncoding.DecodeString(strings.TrimPrefix(g.Buffers[0].URI, "data:application/octet-stream;base64,"))
	require.NoError(t, err)
	require.Len(t, data, g.Buffers[0].ByteLength)
	top := 0.0
	for _, a := range g.Accessors {
		if a.Max != nil {
			top = max(top, a.Max[1])
		}
	}
	require.InDelta(t, m.Height()/100, top, 0.03, "metres, y up")
}
