package api_test

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"
)

const mapOf = lt + "/trees/lower-terrace-%s/map"

func (a *app) revision(at string) float64 {
	return a.ok("GET", at, nil)["revision"].(object)["revision"].(float64)
}

func TestTheBenchShowsATreeWithItsFindingsInWords(t *testing.T) {
	a := start(t, "2027-02-20")
	b := a.ok("GET", fmt.Sprintf(mapOf, "C2"), nil)
	require.Equal(t, true, b["mapped"])
	require.NotEmpty(t, b["limbs"])
	letters := map[string]bool{}
	for _, f := range b["findings"].([]any) {
		f := f.(object)
		for _, field := range []string{"name", "where", "says", "why", "source"} {
			require.NotEmpty(t, f[field], f["code"])
		}
		require.False(t, letters[f["letter"].(string)])
		letters[f["letter"].(string)] = true
	}
	past := b["past"].([]any)
	require.Len(t, past, 2)
	require.Equal(t, false, past[0].(object)["from_rings"])
	facts := b["facts"].(object)
	require.Greater(t, facts["completeness"].(object)["value"], 0.4)
	require.Equal(t, 212.0, b["tree"].(object)["reach_cm"])

	rings := a.ok("GET", fmt.Sprintf(mapOf, "B1"), nil)["past"].([]any)
	require.Equal(t, true, rings[0].(object)["from_rings"], "no maps were kept: the rings are read back")
}

func TestEditsMakeARevisionAndUndoGivesTheMapBack(t *testing.T) {
	a := start(t, "2027-02-20")
	at := fmt.Sprintf(mapOf, "B4")
	before := a.ok("GET", at, nil)
	rev := a.revision(at)
	after := a.ok("POST", at+"/edits", object{"based_on": rev, "edits": []any{object{"op": "mark", "id": "S1", "mark": object{"kind": "dead", "at_cm": 0}}}})
	require.Equal(t, "marked", after["revision"].(object)["cause"])
	require.Equal(t, "2027-02-20", after["revision"].(object)["date"])
	a.refused(409, "version", fmt.Sprint(after["revision"].(object)["revision"]), "POST", at+"/edits",
		object{"based_on": rev, "edits": []any{object{"op": "tag", "id": "S2", "tag": "keep"}}})
	back := a.ok("POST", at+"/undo", object{"revision": after["revision"].(object)["revision"]})
	require.Equal(t, before["map"], back["map"])
	old := a.ok("GET", at+"?day=2027-02-12", nil)
	require.Equal(t, rev, old["revision"].(object)["revision"], "the map of an earlier day is untouched")
	changes := a.ok("GET", fmt.Sprintf("%s/compare?from=%v&to=%v", at, rev, after["revision"].(object)["revision"]), nil)["list"].([]any)
	require.Equal(t, object{"limb": "S1", "field": "marks", "before": "", "after": "dead"}, changes[0])
}

func TestImpossibleMapsAreRefusedByLimbAndField(t *testing.T) {
	a := start(t, "2027-02-20")
	at := fmt.Sprintf(mapOf, "B4")
	rev := a.revision(at)
	edits := func(e object) object { return object{"based_on": rev, "edits": []any{e}} }
	a.refused(422, "S1.attach_cm", "no more than", "POST", at+"/edits", edits(object{"op": "move", "id": "S1", "attach_cm": 900}))
	a.refused(422, "S1.parent", "hangs on itself", "POST", at+"/edits", edits(object{"op": "move", "id": "S1", "parent": "S1.1", "attach_cm": 2}))
	a.refused(422, "S9.id", "S9", "POST", at+"/edits", edits(object{"op": "tag", "id": "S9", "tag": "keep"}))
	a.refused(422, "sketch.trunk_mm", "900000", "POST", at+"/sketch", object{"based_on": rev, "sketch": object{
		"species": "japanese-plum", "form": "open-vase", "age": 5, "trunk_mm": 900000, "height_cm": 200, "spread_cm": 200, "scaffolds": 3, "seed": 1,
	}})
	a.refused(422, "species", "japanese-plum", "POST", at+"/import", object{"based_on": rev, "format": "json", "text": `{"species":"apple","limbs":[{"id":"T","length_cm":80}]}`})
	a.refused(422, "T.rings_cm", "add up", "POST", at+"/import", object{"based_on": rev, "format": "json", "text": `{"species":"japanese-plum","limbs":[{"id":"T","length_cm":80,"rings_cm":[10]}]}`})
	many := `{"id":"T","length_cm":80}` + strings.Repeat(`,{"id":"x","length_cm":5}`, 2000)
	a.refused(422, "limbs", "2001", "POST", at+"/import", object{"based_on": rev, "format": "json", "text": `{"species":"japanese-plum","limbs":[` + many + `]}`})
	require.Equal(t, rev, a.revision(at), "nothing was written")
	status, _ := a.send("GET", lt+"/trees/lower-terrace-B4/limbs.exe", nil)
	require.Equal(t, 404, status)
	status, _ = a.send("GET", lt+"/trees/nobody/map", nil)
	require.Equal(t, 404, status)
}

func TestAQuickLineIsReadInTheOrchardsUnits(t *testing.T) {
	a := start(t, "2027-02-20")
	at := fmt.Sprintf(mapOf, "B4") + "/line"
	r := a.ok("POST", at, object{"line": "S1 200 long"})
	require.Equal(t, 200.0, r["edits"].([]any)[0].(object)["limb"].(object)["length_cm"])
	o := a.ok("GET", lt, nil)["orchard"].(object)
	o["units"] = "us"
	a.ok("PUT", lt, object{"version": o["version"], "orchard": o})
	r = a.ok("POST", at, object{"line": "S1 80 long"})
	require.InDelta(t, 203.2, r["edits"].([]any)[0].(object)["limb"].(object)["length_cm"], 1e-9)
	r = a.ok("POST", at, object{"line": "S1.1 900 thick"})
	require.NotEmpty(t, r["faults"], "what the map would refuse is told while the line is written")
	require.NotRegexp(t, metricAmount, r["faults"].([]any)[0].(object)["expected"])
	edits := fmt.Sprintf(mapOf, "B4") + "/edits"
	refused := a.refused(422, "S1.attach_cm", " in", "POST", edits, object{"based_on": a.revision(fmt.Sprintf(mapOf, "B4")), "edits": []any{object{"op": "move", "id": "S1", "attach_cm": 900}}})
	require.NotRegexp(t, metricAmount, refused["detail"])
}

func TestEndTestsAreKeptAndShown(t *testing.T) {
	a := start(t, "2027-02-20")
	entry := object{"tree_id": "lower-terrace-C2", "date": "2027-02-20", "kind": "end-tests", "end_tests": object{"hat": "passed", "low-flowers": "not-seen"}}
	a.ok("POST", lt+"/entries", entry)
	found := 0
	for _, e := range a.ok("GET", fmt.Sprintf(mapOf, "C2"), nil)["end_tests"].([]any) {
		if last := e.(object)["last"]; last != nil {
			found++
		}
	}
	require.Equal(t, 2, found)
	entry["end_tests"] = object{"hat": "maybe"}
	a.refused(422, "end_tests.hat", "passed or failed", "POST", lt+"/entries", entry)
}

func TestAFindingIsAnsweredWithWaysToCut(t *testing.T) {
	a := start(t, "2027-02-20")
	at := fmt.Sprintf(mapOf, "C2")
	asked := 0
	for _, f := range a.ok("GET", at, nil)["findings"].([]any) {
		f := f.(object)
		aim, _ := f["aim"].(string)
		if aim == "" {
			continue
		}
		asked++
		ways := a.ok("GET", fmt.Sprintf("%s/limbs/%s/ways?aim=%s", at, f["limb"], aim), nil)["list"].([]any)
		require.LessOrEqual(t, len(ways), 3)
		best := 1e9
		for _, w := range ways {
			w := w.(object)
			require.NotEmpty(t, w["title"])
			require.Contains(t, w["cost"], "of the crown")
			require.LessOrEqual(t, w["score"], best, "the best first")
			best = w["score"].(float64)
		}
	}
	require.Greater(t, asked, 5)
	a.refused(422, "aim", "prettify", "GET", at+"/limbs/S1/ways?aim=prettify", nil)
	status, _ := a.send("GET", at+"/limbs/S99/ways?aim=lower", nil)
	require.Equal(t, 404, status)
	later := a.ok("GET", at+"?ahead=3", nil)
	require.Greater(t, later["facts"].(object)["height_cm"], a.ok("GET", at, nil)["facts"].(object)["height_cm"])
}

func TestALimbIsToldWhereItIsWantedToGrow(t *testing.T) {
	a := start(t, "2027-02-20")
	tree := lt + "/trees/lower-terrace-C2"
	edit := func(e object) object {
		now := a.ok("GET", tree+"/map", nil)
		out := a.ok("POST", tree+"/map/edits", object{"based_on": now["revision"].(object)["revision"], "edits": []object{e}})
		limbs := list(out, "limbs")
		return limbs[slices.IndexFunc(limbs, func(l object) bool { return l["id"] == "S1" })]
	}
	require.EqualValues(t, 225, edit(object{"op": "set", "id": "S1", "limb": object{"id": "S1", "toward_deg": 225}})["toward_deg"])
	require.NotContains(t, edit(object{"op": "set", "id": "S1", "clear": []string{"toward_deg"}}), "toward_deg")
}
