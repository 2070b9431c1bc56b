package api_test

import (
	"fmt"
	"runtime"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"
)

// TestALostDecimalPointTakesNothingDown: one tree, one wall or one corner far from the rest is told, and the pages open in bounded room.
func TestALostDecimalPointTakesNothingDown(t *testing.T) {
	a := start(t, "2027-02-20")
	tree := list(a.ok("GET", lt+"/trees", nil), "list")[0]
	id := tree["id"].(string)
	tree["x"], tree["y"] = 260, 490
	said := a.ok("PUT", lt+"/trees/"+id, object{"version": tree["version"], "tree": tree})
	require.Contains(t, fmt.Sprint(said["warnings"]), "far_from_the_rest")
	o := a.ok("GET", lt, nil)["orchard"].(object)
	plot := o["plot"].(object)
	plot["outline"] = []any{object{"x": -900, "y": -900}, object{"x": 900, "y": -900}, object{"x": 900, "y": 900}, object{"x": -900, "y": 900}}
	plot["features"] = append(plot["features"].([]any),
		object{"id": "far", "kind": "wall", "height_m": 2, "points": []any{object{"x": 0, "y": 0}, object{"x": 900, "y": 900}}},
		object{"id": "field", "kind": "bed", "points": []any{object{"x": -900, "y": -900}, object{"x": 900, "y": -900}, object{"x": 0, "y": 900}}},
		object{"id": "oak", "kind": "shade-tree", "height_m": 60, "width_m": 30, "points": []any{object{"x": 800, "y": -800}}})
	said = a.ok("PUT", lt, object{"version": o["version"], "orchard": o})
	require.Contains(t, fmt.Sprint(said["warnings"]), "plot_wide")
	var before, after runtime.MemStats
	runtime.ReadMemStats(&before)
	light := a.ok("GET", lt+"/light", nil)
	require.Equal(t, []any{tree["code"]}, light["far"])
	a.ok("GET", lt+"/docket", nil)
	for _, page := range []string{"/map/slip", "/fruit", "/map"} {
		a.ok("GET", lt+"/trees/"+id+page, nil)
		a.ok("GET", lt+"/trees/lower-terrace-C2"+page, nil)
	}
	a.ok("GET", lt+"/light/spot?x=500&y=-500", nil)
	runtime.ReadMemStats(&after)
	require.Less(t, (after.Sys-before.Sys)/(1<<20), uint64(1024), "MB more than before")
}

// TestWhatCannotBeIsRefusedWhereItIsWritten: each of these was once taken, and broke a page or the program later.
func TestWhatCannotBeIsRefusedWhereItIsWritten(t *testing.T) {
	a := start(t, "2027-02-20")
	at := lt + "/trees/lower-terrace-C2"
	rev := a.revision(at + "/map")
	edit := func(e object) object { return object{"based_on": rev, "edits": []any{e}} }
	entry := func(k string, v any) object {
		e := object{"tree_id": "lower-terrace-C2", "date": "2027-02-20", "kind": "note", "note": "x"}
		e[k] = v
		return e
	}
	tree := func(k string, v any) object {
		o := object{"code": "", "kind": "apple", "x": 1.0, "y": 1.0}
		o[k] = v
		return o
	}
	o := a.ok("GET", lt, nil)["orchard"].(object)
	with := func(k string, v any) object {
		changed := object{}
		for name, value := range o {
			changed[name] = value
		}
		changed[k] = v
		return object{"version": o["version"], "orchard": changed}
	}
	person := list(a.ok("GET", lt+"/people", nil), "list")[0]
	hours := func(h any) object {
		person["hours_a_week"] = []any{h, 0, 0, 0, 0, 0, 0}
		return object{"version": person["version"], "person": person}
	}
	for name, x := range map[string]struct {
		field, method, path string
		body                any
	}{
		"a stem far off":            {"edits[0].limb.x_cm", "POST", at + "/map/edits", edit(object{"op": "set", "id": "T", "limb": object{"id": "T", "x_cm": 1e9}})},
		"a stem in the air":         {"T.attach_cm", "POST", at + "/map/edits", edit(object{"op": "set", "id": "T", "limb": object{"id": "T", "attach_cm": 2000}})},
		"a tip far off":             {"edits[0].tip[0]", "POST", at + "/map/edits", edit(object{"op": "tip", "id": "S1", "tip": []any{1e9, 0, 0}})},
		"a day that is none":        {"date", "POST", lt + "/entries", entry("date", "30.02.2027")},
		"a whole number too large":  {"count", "POST", lt + "/entries", entry("count", 1e30)},
		"a spot that is no number":  {"x", "GET", lt + "/light/spot?x=NaN&y=1", nil},
		"advice for a negative age": {"age", "GET", lt + "/advice?kind=apple&age=-5", nil},
		"a want of no kind":         {"needs[0].kind", "PUT", lt, with("needs", []any{object{"kind": "dragonfruit", "fresh_kg": 5}})},
		"hours of -1":               {"person.hours_a_week[0]", "PUT", lt + "/people/" + person["id"].(string), hours(-1)},
		"a name of spaces":          {"name", "PUT", lt, with("name", "   ")},
		"a name of two lines":       {"name", "POST", lt + "/trees", tree("name", "one\r\ntwo\x00")},
		"gone before planted":       {"gone", "POST", lt + "/trees", func() object { x := tree("gone", "2001-01-01"); x["planted"] = "2013-01-01"; return x }()},
		"a scaffold of -1 mm":       {"scaffolds_mm[0]", "POST", lt + "/trees", tree("scaffolds_mm", []any{-1})},
		"a cut of no kind":          {"made[0].kind", "POST", lt + "/entries", entry("made", []any{object{"limb": "S1", "kind": "axe", "at_cm": 4}})},
		"a limb that is not there":  {"taps[0].limb", "POST", at + "/fruit/taps", object{"season": 2027, "taps": []any{object{"id": "tap-00001", "limb": "NOPE", "lateral": "", "pass": 1, "left": 1, "taken": 0}}}},
		"advice on no choice":       {"school.advice[0].choice", "PUT", lt, with("school", object{"preset": "steady", "own": object{}, "advice": []any{object{"choice": "x", "office": "a", "rule": "b"}}})},
	} {
		t.Run(strings.ReplaceAll(name, " ", "-"), func(t *testing.T) {
			b := *a
			b.t = t
			refused := b.refused(422, x.field, "", x.method, x.path, x.body)
			first := refused["errors"].([]any)[0].(object)
			require.NotEmpty(t, first["expected"])
			require.Less(t, len(fmt.Sprint(first["given"])), 200)
		})
	}
	require.Equal(t, rev, a.revision(at+"/map"), "nothing was written")
}

// TestALongChainOfLimbsOrOfRingsIsRefused: a map that the program could not bear.
func TestALongChainOfLimbsOrOfRingsIsRefused(t *testing.T) {
	a := start(t, "2027-02-20")
	at := lt + "/trees/lower-terrace-C2/map"
	rev := a.revision(at)
	chain := []string{`{"id":"L0","length_cm":50}`}
	for n := 1; n < 500; n++ {
		chain = append(chain, fmt.Sprintf(`{"id":"L%d","parent":"L%d","attach_cm":40,"length_cm":50}`, n, n-1))
	}
	text := func(limbs string) object {
		return object{"based_on": rev, "format": "json", "text": `{"species":"apple","limbs":[` + limbs + `]}`}
	}
	a.refused(422, "L61.parent", "one on another", "POST", at+"/import", text(strings.Join(chain, ",")))
	rings := strings.TrimSuffix(strings.Repeat("0.01,", 5000), ",")
	a.refused(422, "T.rings_cm", "seasons", "POST", at+"/import", text(`{"id":"T","length_cm":50,"rings_cm":[`+rings+`]}`))
	require.Equal(t, rev, a.revision(at))
}
