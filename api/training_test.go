package api_test

import (
	"fmt"
	"maps"
	"slices"
	"testing"

	"github.com/stretchr/testify/require"
)

const rows = "/api/orchards/new-rows"

func trainingOf(code string) string { return rows + "/trees/new-rows-" + code + "/training" }

func bendOf(t *testing.T, training object, limb string) object {
	t.Helper()
	for _, b := range list(training, "bends") {
		if b["limb"] == limb {
			return b
		}
	}
	t.Fatalf("no bend of %s", limb)
	return nil
}

func TestALimbIsBentLoggedLookedAtAndLetGo(t *testing.T) {
	a := start(t, "2027-02-20")
	before := a.ok("GET", trainingOf("R3"), nil)
	b := bendOf(t, before, "S4")
	require.Equal(t, "lower", b["verdict"])
	preview := a.ok("POST", trainingOf("R3")+"/bend", object{"limb": "S4", "aim_deg": 50, "device": "peg_tie"})
	require.Positive(t, preview["cord_cut_cm"])
	require.LessOrEqual(t, preview["today_deg"].(float64), preview["safe_deg"].(float64)+0.5)
	act := object{
		"act": "on", "id": "", "device": "peg_tie", "limb": "S4", "anchor": "peg", "material": "jute", "at_cm": preview["contact_cm"], "before_deg": preview["now_deg"],
		"after_deg": preview["today_deg"], "aim_deg": 50, "loop_mm": preview["loop_mm"], "peg_cm": preview["peg_cm"],
	}
	logged := a.ok("POST", trainingOf("R3")+"/devices", object{"act": act})
	id := logged["entry"].(object)["rig"].(object)["id"].(string)
	require.NotEmpty(t, id)

	after := a.ok("GET", trainingOf("R3"), nil)
	require.Equal(t, id, bendOf(t, after, "S4")["rig"])
	require.InDelta(t, preview["today_deg"].(float64), bendOf(t, after, "S4")["now_deg"].(float64), 6, "the map has the limb where it stands now")
	for _, s := range list(a.ok("GET", rows+"/trees/new-rows-R3/map/slip", nil), "steps") {
		require.NotEqual(t, "S4", s["cut"].(object)["limb"], "a limb that is tied is not cut")
	}

	task := ""
	for _, r := range list(a.ok("GET", rows+"/devices", nil), "list") {
		if r["rig"].(object)["id"] == id {
			require.NotEmpty(t, r["checks"])
			task = r["off"].(string)
		}
	}
	require.NotEmpty(t, task, "it stands on the list of what is still on")
	a.ok("POST", trainingOf("R3")+"/devices", object{"act": object{"act": "look", "id": id, "device": "peg_tie", "found": "loosened", "loop_mm": 30}})
	a.ok("POST", trainingOf("R3")+"/devices", object{"act": object{"act": "off", "id": id, "device": "peg_tie", "sprang_to_deg": 40}})
	for _, r := range list(a.ok("GET", rows+"/devices", nil), "list") {
		require.NotEqual(t, id, r["rig"].(object)["id"])
	}
	require.InDelta(t, 40, bendOf(t, a.ok("GET", trainingOf("R3"), nil), "S4")["now_deg"].(float64), 6, "it sprang back, and the map says so")
}

func TestWhatCannotBeBentIsRefusedAndNothingIsLogged(t *testing.T) {
	a := start(t, "2027-02-20")
	was := len(list(a.ok("GET", rows+"/entries", nil), "list"))
	on := func(part object) object {
		act := object{"act": "on", "id": "n", "device": "tie", "limb": "S4", "anchor": "trunk", "after_deg": 45, "before_deg": 30}
		for k, v := range part {
			act[k] = v
		}
		return object{"act": act}
	}
	for field, part := range map[string]object{
		"limb": {"limb": "S77"}, "after_deg": {"after_deg": 120}, "anchor": {"anchor": "S78"}, "at_cm": {"at_cm": 900}, "loop_mm": {"loop_mm": 5, "d_mm": 9}, "id": {"act": "off", "id": "nowhere"},
	} {
		status, problem := a.send("POST", trainingOf("R3")+"/devices", on(part))
		require.Equal(t, 422, status, field)
		require.Contains(t, fmt.Sprint(problem), field)
	}
	status, _ := a.send("POST", rows+"/entries", object{"kind": "work", "task": "bend", "tree_id": "new-rows-R3", "date": "2027-02-20", "outcome": "done", "rig": on(nil)["act"]})
	require.Equal(t, 422, status, "a device is logged where it is checked")
	require.Len(t, list(a.ok("GET", rows+"/entries", nil), "list"), was)
}

func TestOnesOwnWordOnACandidateMovesTheChoice(t *testing.T) {
	a := start(t, "2027-02-20")
	choice := a.ok("GET", trainingOf("R2"), nil)["choice"].(object)
	require.Equal(t, "chosen", choice["verdict"])
	first := choice["chosen"].([]any)[0].(string)
	say := func(marks ...object) object {
		return a.ok("POST", trainingOf("R2")+"/words", object{"marks": marks, "buds": []object{}})["choice"].(object)
	}
	require.NotContains(t, say(object{"limb": first, "mark": "out"})["chosen"], first)
	require.Contains(t, say(object{"limb": "S6", "mark": "keep"})["chosen"], "S6")
	stands := a.ok("GET", trainingOf("R2"), nil)
	require.Contains(t, stands["choice"].(object)["chosen"], "S6", "it is kept with the tree")
	require.Equal(t, "S6", list(stands["words"].(object), "marks")[0]["limb"])
	require.Contains(t, a.ok("GET", rows+"/trees/new-rows-R2/map/slip", nil)["forming"].([]any)[0], "S6", "the slip chooses the same")
	a.refused(422, "marks.S99", "a shoot on the trunk", "POST", trainingOf("R2")+"/words", object{"marks": []object{{"limb": "S99", "mark": "out"}}, "buds": []object{}})
	for _, c := range list(say(object{"limb": "S3", "angle_deg": 50}), "candidates") {
		if c["limb"] == "S3" {
			require.NotEqual(t, "refused", c["state"], "counted as it will stand")
			require.Equal(t, true, c["bent"])
		}
	}
}

func TestAYoungTreeHasOneWordAtATime(t *testing.T) {
	oneWord(t, start(t, "2027-02-20"))
	oneWord(t, startLater(t, "2027-06-20", "2027-07-01"))
}

func oneWord(t *testing.T, a *app) {
	t.Helper()
	for _, code := range []string{"R1", "R2", "R3", "R4", "W1", "W2", "W3"} {
		if t := a.ok("GET", trainingOf(code), nil); t["age"].(float64) >= t["stands"].(float64) { // its frame stands this year
			continue
		}
		plan := a.ok("GET", rows+"/trees/new-rows-"+code+"/plan", nil)
		frame := false
		for _, k := range list(plan, "tasks") {
			require.NotContains(t, []any{"dormant-cut", "summer-cut", "height-cut", "restraining-cut"}, k["kind"], "%s: its frame is built step by step", code)
			frame = frame || k["kind"] == "frame-cut" || k["kind"] == "tie-arms" || k["kind"] == "planting-cut" || k["kind"] == "scaffold-choice" || k["kind"] == "frame-summer"
		}
		require.True(t, frame, code)
		training := a.ok("GET", trainingOf(code), nil)
		require.NotContains(t, fmt.Sprint(training), "<nil>", "%s: a list is never null", code)
		for _, s := range list(training, "steps") {
			require.NotEmpty(t, s["title"])
			require.NotEmpty(t, s["says"])
			require.NotContains(t, s["says"], "{")
		}
		if code[0] == 'W' {
			require.Nil(t, training["choice"], "no advice meant for free trees")
			require.Empty(t, training["bends"])
			require.NotEmpty(t, training["wall"].(object)["hardware"])
		}
	}
}

func TestATrialIsReadOut(t *testing.T) {
	a := start(t, "2027-06-20")
	trials := list(a.ok("GET", trainingOf("R2"), nil), "trials")
	require.NotEmpty(t, trials)
	require.Contains(t, trials[0]["says"].([]any)[0], "it helps")
	arms := []object{{"tag": "red", "what": "notched", "zones": []object{{"zone": "low", "buds": 4, "broke": 5}}}, {"tag": "bare", "what": "untreated", "zones": []object{{"zone": "low", "buds": 4, "broke": 0}}}}
	status, problem := a.send("POST", rows+"/entries", object{"kind": "work", "task": "notch-look", "tree_id": "new-rows-R1", "date": "2027-06-20", "outcome": "done", "trial": object{"arms": arms}})
	require.Equal(t, 422, status)
	require.Contains(t, fmt.Sprint(problem), "broke")
}

func TestWiresCloserThanAHandAreRefused(t *testing.T) {
	a := start(t, "2027-02-20")
	var tree object
	for _, x := range list(a.ok("GET", rows+"/trees", nil), "list") {
		if x["code"] == "W2" {
			tree = x
		}
	}
	tree["wires_cm"] = []int{40, 45, 100}
	status, problem := a.send("PUT", rows+"/trees/new-rows-W2", tree)
	require.Equal(t, 422, status)
	require.Contains(t, fmt.Sprint(problem), "wires_cm")
}

func TestAGraftTellsItsMotherAndWhatTook(t *testing.T) {
	a := startLater(t, "2027-05-10", "2027-05-20")
	entries := lt + "/entries"
	work := func(code, task, day string, graft object) object {
		return object{"tree_id": "lower-terrace-" + code, "kind": "work", "task": task, "date": day, "outcome": "done", "grafted": graft}
	}
	a.ok("POST", entries, work("C2", "graft", "2027-03-28", object{"kind": "apple", "mother": "lower-terrace-D2", "way": "whip", "pieces": 6}))
	a.refused(422, "grafted.took", "at most the 6", "POST", entries, work("C2", "graft-look", "2027-05-10", object{"took": 7}))
	a.ok("POST", entries, work("C2", "graft-look", "2027-05-10", object{"took": 4}))
	for _, code := range []string{"C2", "D2"} { // on the host, and on the mother
		grafts := list(a.ok("GET", lt+"/trees/lower-terrace-"+code+"/training", nil), "grafts")
		require.Len(t, grafts, 2, code)
		require.Equal(t, "Apple, wood of D2, on C2 by whip: 4 of 6 took.", grafts[0]["says"])
		require.Equal(t, "Apple, wood of D2, on C2 by whip: 6 pieces.", grafts[1]["says"])
	}
	a.refused(422, "grafted.kind", "takes on apple", "POST", entries, work("C2", "graft", "2027-03-28", object{"kind": "peach"}))
}

func TestABudThatGrowsByItselfIsNotNotched(t *testing.T) {
	a := startLater(t, "2027-03-10", "2027-03-25")
	at := trainingOf("R1")
	notch, found := a.ok("GET", at, nil)["notch"].(object)
	require.True(t, found, "a whip in its first spring has buds to wake")
	marks := list(notch, "marks")
	require.NotEmpty(t, marks)
	first := marks[0]["bud"]
	seen := func(buds ...object) object {
		return a.ok("POST", at+"/words", object{"marks": []object{}, "buds": buds})["notch"].(object)
	}
	told := seen(object{"bud": first, "state": "broken"})
	require.Len(t, list(told, "marks"), len(marks)-1, "one notch fewer")
	for _, m := range list(told, "marks") {
		require.NotEqual(t, first, m["bud"])
	}
	require.Contains(t, told["says"], "One low bud grows by itself: one notch fewer.")
	opening := seen(object{"bud": first, "state": "opening"})
	require.Len(t, list(opening, "marks"), len(marks), "one that opens may be notched too")
	var all []object
	for _, b := range list(notch, "buds") {
		all = append(all, object{"bud": b["id"], "state": "broken"})
	}
	require.Empty(t, list(seen(all...), "marks"))
	require.Len(t, list(a.ok("GET", at, nil)["words"].(object), "buds"), len(all), "kept with the tree")
	require.Empty(t, list(a.ok("GET", at+"?day=2028-02-20", nil)["words"].(object), "buds"), "for the season they were seen in")
	a.refused(422, "buds[0].state", "opening", "POST", at+"/words", object{"marks": []object{}, "buds": []object{{"bud": "1", "state": "asleep"}}})
}

func TestAYoungTreeIsHeldAtReachOnceItsFrameStands(t *testing.T) {
	a := startLater(t, "2027-03-10", "2027-03-25")
	for _, code := range []string{"R1", "R2", "R3", "R4"} { // R3 has a spreader on, over its day: it is not on for years
		y := a.ok("GET", fmt.Sprintf("%s/trees/new-rows-%s/map/slip/years", rows, code), nil)
		years := list(y, "years")
		last := years[len(years)-1]
		require.LessOrEqual(t, last["height_cut_cm"], y["reach_cm"].(float64)+20, code)
		require.NotEmpty(t, y["held"], code)
	}
}

func TestAWindowBehindAFlatTreeIsLeftFree(t *testing.T) {
	a := start(t, "2027-02-20")
	wall := a.ok("GET", trainingOf("W3"), nil)["wall"].(object)
	require.Equal(t, []any{object{"from_cm": 50.0, "to_cm": 140.0, "sill_cm": 115.0, "top_cm": 210.0}}, wall["windows"])
	require.Contains(t, fmt.Sprint(wall["says"]), "end the wire above it beside the window")
	require.Empty(t, a.ok("GET", trainingOf("W1"), nil)["wall"].(object)["windows"], "none behind it")
	meta := a.ok("GET", rows, nil)["orchard"].(object)
	plot := meta["plot"].(object)
	window := list(list(plot, "features")[0], "windows")[0]
	window["top_m"] = 1.0
	a.refused(422, "plot.features[0].windows[0].top_m", "above its sill at 1.15 m", "PUT", rows, object{"version": meta["version"], "orchard": meta})
}

func TestWhatWasDoneByHandIsHeldAgainstWhatWasWanted(t *testing.T) {
	a := start(t, "2027-03-10")
	entry := func(code, task, day string, more object) object {
		out := object{"tree_id": "new-rows-" + code, "kind": "work", "task": task, "date": day, "outcome": "done"}
		maps.Copy(out, more)
		return a.ok("POST", rows+"/entries", out)
	}
	low := entry("R1", "planting-cut", "2027-03-10", object{"headed_cm": 90})
	require.Empty(t, low["warnings"])
	high := entry("R1", "planting-cut", "2027-03-10", object{"headed_cm": 140})
	require.Contains(t, fmt.Sprint(high["warnings"]), "only the tip went")

	looks := func() (out []string) {
		for _, task := range list(a.ok("GET", rows+"/trees/new-rows-W2/plan", nil), "tasks") {
			if task["kind"] == "stored-look" {
				out = append(out, task["opens"].(string))
			}
		}
		return out
	}
	was := entry("W2", "graft-wood", "2027-03-01", object{"packing": "sawdust"})["entry"].(object)["id"]
	require.Equal(t, []string{"2027-03-02", "2027-03-04", "2027-03-31", "2027-04-30"}, looks())
	entry("W2", "graft-wood", "2027-03-01", object{"packing": "paper", "corrects": was})
	require.Equal(t, []string{"2027-03-02", "2027-03-04", "2027-03-08", "2027-03-15", "2027-03-22", "2027-03-31", "2027-04-15", "2027-04-30"}, looks(), "paper moulds sooner")

	trees := list(a.ok("GET", rows+"/trees", nil), "list")
	tree := trees[slices.IndexFunc(trees, func(x object) bool { return x["id"] == "new-rows-W3" })]
	require.NotContains(t, fmt.Sprint(a.ok("GET", trainingOf("W3"), nil)["wall"]), "Its own limbs")
	delete(tree, "wires_cm")
	a.ok("PUT", rows+"/trees/new-rows-W3", object{"version": tree["version"], "tree": tree})
	require.Contains(t, fmt.Sprint(a.ok("GET", trainingOf("W3"), nil)["wall"]), "Its own limbs would take them at")
	require.Contains(t, fmt.Sprint(a.ok("GET", trainingOf("R3"), nil)["says"]), "stands as the others shall")
}

func TestOnesOwnWordChoosesTheArmsAtTheWall(t *testing.T) {
	a := start(t, "2027-02-20")
	wall := func(marks ...object) object {
		return a.ok("POST", trainingOf("W3")+"/words", object{"marks": append([]object{}, marks...), "buds": []object{}})["wall"].(object)
	}
	arms := func(w object) (out []string) {
		for _, arm := range list(w, "arms") {
			out = append(out, arm["limb"].(string))
		}
		return out
	}
	was := arms(a.ok("GET", trainingOf("W3"), nil)["wall"].(object))
	require.Contains(t, was, "S6")
	require.NotContains(t, arms(wall(object{"limb": "S6", "mark": "out"})), "S6")
	require.NotContains(t, arms(a.ok("GET", trainingOf("W3"), nil)["wall"].(object)), "S6", "kept with the tree")
	require.ElementsMatch(t, was, arms(wall()))
	a.refused(422, "marks.T9", "a shoot on the trunk", "POST", trainingOf("W3")+"/words", object{"marks": []object{{"limb": "T9", "mark": "out"}}, "buds": []object{}})
}
