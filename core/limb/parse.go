package limb

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"maps"
	"math"
	"slices"

	"vertumna/core/given"
)

// Parse reads a document. A value that is no number where one is meant is read as missing and told with its limb and
// field; all other faults are left to Check. The error is nil or given.Faults.
func Parse(text []byte) (Doc, error) {
	var raw struct {
		Limbs []map[string]json.RawMessage `json:"limbs"`
	}
	if err := json.Unmarshal(text, &raw); err != nil {
		return Doc{}, unreadable(text, err).orNil()
	}
	var ps faults
	changed := false
	for _, l := range raw.Limbs {
		changed = cleanNumbers(l, &ps) || changed
	}
	var doc Doc
	if changed {
		var whole map[string]json.RawMessage
		if err := json.Unmarshal(text, &whole); err != nil {
			return Doc{}, unreadable(text, err).orNil()
		}
		limbs, err := json.Marshal(raw.Limbs)
		if err != nil {
			return Doc{}, unreadable(text, err).orNil()
		}
		whole["limbs"] = limbs
		if text, err = json.Marshal(whole); err != nil {
			return Doc{}, unreadable(text, err).orNil()
		}
	}
	if err := json.Unmarshal(text, &doc); err != nil {
		return Doc{}, append(ps, unreadable(text, err)...).orNil()
	}
	return doc, ps.orNil()
}

// Read parses and checks a document in one go; problems of both are told together.
func Read(text []byte) (*Map, error) {
	doc, err := Parse(text)
	var ps given.Faults
	if err != nil && !errors.As(err, &ps) {
		return nil, err
	}
	m, err := Check(doc)
	var more given.Faults
	if err != nil && !errors.As(err, &more) {
		return nil, err
	}
	if all := append(ps, more...); len(all) > 0 {
		return nil, all
	}
	return m, nil
}

func unreadable(text []byte, err error) faults {
	var syntax *json.SyntaxError
	var wrong *json.UnmarshalTypeError
	switch {
	case errors.As(err, &syntax):
		line := 1 + bytes.Count(text[:min(int(syntax.Offset), len(text))], []byte{'\n'})
		return faults{faultOf("E_JSON", "", "document", fmt.Sprintf("line %d, which is not JSON (%v)", line, err), "a limb map")}
	case errors.As(err, &wrong):
		return faults{faultOf("E_JSON", "", wrong.Field, wrong.Value, wrong.Type.String())}
	}
	return faults{faultOf("E_JSON", "", "document", err.Error(), "a limb map")}
}

// listFields hold lists of objects with numbers; the code names what is told of a bad one.
var listFields = map[string]string{"marks": "E_MARK", "buds": "E_BUD", "wounds": "E_WOUND", "spurs": "E_STRETCH", "gaps": "E_STRETCH"}

var numberFields = []string{
	"attach_cm", "x_cm", "y_cm", "azimuth_deg", "angle_base_deg", "angle_tip_deg", "length_cm",
	"diameter_mm", "tip_diameter_mm", "bare_cm", "own_d2_mm2", "fruit_count",
}

// cleanNumbers takes out of a limb what cannot be read as the number meant, and tells. It says whether it took any.
func cleanNumbers(l map[string]json.RawMessage, ps *faults) bool {
	before := len(*ps)
	var id string
	if text, ok := l["id"]; ok && json.Unmarshal(text, &id) != nil {
		ps.add("E_ID", "", "id", string(text), "a name in quotes")
		delete(l, "id")
	}
	for _, f := range numberFields {
		if v, ok := l[f]; ok && !isNumber(v) {
			ps.add("E_NUMBER", id, f, string(v), "a number")
			delete(l, f)
		}
	}
	if v, ok := l["rings_cm"]; ok {
		var rings []float64
		if json.Unmarshal(v, &rings) != nil {
			ps.add("E_RINGS", id, "rings_cm", string(v), "a list of lengths")
			delete(l, "rings_cm")
		}
	}
	for _, f := range slices.Sorted(maps.Keys(listFields)) {
		v, ok := l[f]
		if !ok {
			continue
		}
		var items []map[string]json.RawMessage
		if json.Unmarshal(v, &items) != nil {
			ps.add(listFields[f], id, f, string(v), "a list")
			delete(l, f)
			continue
		}
		kept, was, expected := goodItems(f, items)
		if expected != "" {
			ps.add(listFields[f], id, f, was, expected)
			l[f], _ = json.Marshal(kept)
		}
	}
	return len(*ps) > before
}

// need are the numbers an item of a list must have.
var need = map[string][]string{"buds": {"at_cm"}, "wounds": {"at_cm", "d_mm"}, "spurs": {"from_cm", "to_cm", "count"}, "gaps": {"from_cm", "to_cm"}}

func goodItems(field string, items []map[string]json.RawMessage) (kept []map[string]json.RawMessage, was, expected string) {
	for _, item := range items {
		of, want := "", ""
		for _, n := range need[field] {
			if v, ok := item[n]; !ok || string(v) == "null" {
				of, want = "no "+n, "a number"
			}
		}
		for _, n := range []string{"at_cm", "roll_deg", "d_mm", "from_cm", "to_cm", "count"} {
			if v, ok := item[n]; ok && !isNumber(v) {
				of, want = fmt.Sprintf("%s for %s", v, n), "a number"
			}
		}
		var year float64
		if v, ok := item["year"]; ok && (json.Unmarshal(v, &year) != nil || year != math.Trunc(year)) {
			of, want = fmt.Sprintf("%s for year", v), "a whole year"
		}
		var closed bool
		if v, ok := item["closed"]; ok && json.Unmarshal(v, &closed) != nil {
			of, want = fmt.Sprintf("%s for closed", v), "true or false"
		}
		if want == "" {
			kept = append(kept, item)
			continue
		}
		was, expected = of, want
	}
	return kept, was, expected
}

func isNumber(v json.RawMessage) bool {
	var x *float64
	return json.Unmarshal(v, &x) == nil
}
