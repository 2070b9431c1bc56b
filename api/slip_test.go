package api_test

import (
	"fmt"
	"testing"

	"vertumna/core/find"

	"github.com/stretchr/testify/require"
)

const slipOf = mapOf + "/slip"

func list(o object, field string) []object {
	var out []object
	for _, x := range o[field].([]any) {
		out = append(out, x.(object))
	}
	return out
}

func TestTheSlipTellsEveryStepWithItsCostAndWhatWaitsWithItsReason(t *testing.T) {
	a := start(t, "2027-02-20")
	s := a.ok("GET", fmt.Sprintf(slipOf, "C2"), nil)
	require.Equal(t, "dormant", s["season"])
	require.Equal(t, false, s["predicted"])
	steps := list(s, "steps")
	require.NotEmpty(t, steps)
	left := 1.0
	for k, st := range steps {
		require.Equal(t, float64(k+1), st["n"])
		for _, field := range []string{"title", "where", "how", "why", "cost"} {
			require.NotEmpty(t, st[field], st["title"])
		}
		require.GreaterOrEqual(t, len(st["price"].([]any)), 2, "a step never hides its cost")
		require.LessOrEqual(t, st["left_after"].(float64), left)
		left = st["left_after"].(float64)
	}
	g := s["gauge"].(object)
	require.LessOrEqual(t, g["account"].(float64), g["limit"].(float64)+1e-4)
	for _, w := range list(s, "carried") {
		require.NotEmpty(t, w["why_says"], w["name"])
	}
	require.NotEmpty(t, list(s, "choices"))
	require.NotEmpty(t, s["safety"])
	require.Equal(t, s, a.ok("GET", fmt.Sprintf(slipOf, "C2"), nil), "the same map gives the same slip")
}

func TestAStepLeftMakesRoomAndCanBePutBack(t *testing.T) {
	a := start(t, "2027-02-20")
	at := fmt.Sprintf(slipOf, "C2")
	s := a.ok("GET", at, nil)
	first := list(s, "steps")[2]
	after := a.ok("POST", at+"/choices", object{"choice": "left", "findings": first["findings"], "who": "Teo"})
	for _, st := range list(after, "steps") {
		require.NotEqual(t, first["cut"], st["cut"])
	}
	require.NotEmpty(t, list(after, "left"))
	require.Equal(t, after, a.ok("GET", at, nil), "a choice is kept")
	back := a.ok("POST", at+"/choices", object{"choice": "open", "findings": first["findings"]})
	require.Equal(t, s["steps"], back["steps"])
	kept := 0
	for _, e := range list(a.ok("GET", lt+"/entries?all=true", nil), "list") {
		if e["kind"] == "slip" {
			kept++
		}
	}
	require.Equal(t, 2, kept, "who decided what is kept")
	for _, e := range list(a.ok("GET", lt+"/entries", nil), "list") {
		require.NotEqual(t, "slip", e["kind"], "and does not crowd the journal")
	}
}

func TestACutIsMovedToAnotherPlaceOfItsLimb(t *testing.T) {
	a := start(t, "2027-02-20")
	at := fmt.Sprintf(slipOf, "C1")
	s := a.ok("GET", at, nil)
	for _, st := range list(s, "steps") {
		cut := st["cut"].(object)
		places := list(a.ok("GET", fmt.Sprintf("%s/places/%v?aim=%v", at, cut["limb"], st["aim"]), nil), "list")
		if len(places) < 3 || st["step"].(float64) == 1 {
			continue
		}
		to := places[len(places)-1]["cut"]
		moved := a.ok("POST", at+"/choices", object{"choice": "moved", "findings": st["findings"], "cut": to})
		found := false
		for _, m := range list(moved, "steps") {
			found = found || m["moved"] == true && m["cut"].(object)["limb"] == cut["limb"]
		}
		require.True(t, found, "%v to %v", st["title"], to)
		a.refused(422, "cut.at_cm", "", "POST", at+"/choices",
			object{"choice": "moved", "findings": st["findings"], "cut": object{"limb": cut["limb"], "kind": "bud", "at_cm": 9999}})
		a.refused(422, "cut.limb", "", "POST", at+"/choices", object{"choice": "moved", "findings": st["findings"], "cut": object{"limb": "nowhere", "kind": "bud", "at_cm": 3}})
		return
	}
	require.Fail(t, "no step could be moved")
}

func TestALoggedSlipChangesTheMapTheAccountAndThePlan(t *testing.T) {
	a := start(t, "2027-02-20")
	tree := lt + "/trees/lower-terrace-C2"
	at := fmt.Sprintf(slipOf, "C2")
	s := a.ok("GET", at, nil)
	plan := a.ok("GET", tree+"/plan", nil)
	before := plan["summary"].(object)["account"].(object)["removed"].(float64)
	told := false
	for _, task := range list(plan, "tasks") {
		for _, r := range list(task, "reasons") {
			told = told || task["kind"] == "dormant-cut" && r["rule"] == "from-slip"
		}
	}
	require.True(t, told, "the cut takes its amount from the slip")

	rev := a.revision(fmt.Sprintf(mapOf, "C2"))
	var cuts []any
	for k, st := range list(s, "steps") {
		if k != 3 {
			cuts = append(cuts, object{"cut": st["cut"]})
		}
	}
	a.refused(422, "cuts[0].d_mm", "", "POST", at+"/log", object{"based_on": rev, "cuts": []any{object{"cut": list(s, "steps")[0]["cut"], "d_mm": 0.4}}})
	a.refused(409, "version", "", "POST", at+"/log", object{"based_on": rev - 1, "cuts": cuts, "reason": "rain later"})
	require.Equal(t, rev, a.revision(fmt.Sprintf(mapOf, "C2")), "a refused log changes nothing")

	entry := a.ok("POST", at+"/log", object{"based_on": rev, "cuts": cuts, "minutes": 22, "reason": "rain later"})["entry"].(object)
	require.Equal(t, "part", entry["outcome"])
	require.Equal(t, "dormant-cut", entry["task"])
	require.NotEmpty(t, entry["carried"])
	require.Greater(t, a.revision(fmt.Sprintf(mapOf, "C2")), rev)
	after := a.ok("GET", tree+"/plan", nil)["summary"].(object)["account"].(object)["removed"].(float64)
	require.Greater(t, after, before)

	a.today = day("2027-06-25")
	carried := false
	for _, task := range list(a.ok("GET", tree+"/plan?day=2027-06-25", nil), "tasks") {
		carried = carried || task["kind"] == "carried-limbs" && task["group"] != ""
	}
	require.True(t, carried, "what was left for summer comes back in summer")
	winter := false
	for _, task := range list(a.ok("GET", tree+"/plan?day=2028-02-20", nil), "tasks") {
		winter = winter || task["kind"] == "carried-limbs"
	}
	require.True(t, winter, "and the step left comes back next winter")
}

func TestUndoingALogGivesTheMapBack(t *testing.T) {
	a := start(t, "2027-02-20")
	at := fmt.Sprintf(slipOf, "C2")
	s := a.ok("GET", at, nil)
	rev := a.revision(fmt.Sprintf(mapOf, "C2"))
	entry := a.ok("POST", at+"/log", object{"reason": "dry days now", "based_on": rev, "cuts": []any{object{"cut": list(s, "steps")[0]["cut"]}}})["entry"].(object)
	require.NotEqual(t, rev, a.revision(fmt.Sprintf(mapOf, "C2")))
	code, _ := a.send("DELETE", fmt.Sprintf("%s/entries/%v", lt, entry["id"]), nil)
	require.Equal(t, 204, code)
	require.Equal(t, rev, a.revision(fmt.Sprintf(mapOf, "C2")))
	require.Equal(t, s["steps"], a.ok("GET", at, nil)["steps"])
}

func TestWhyNotThisLimbIsAnsweredForEveryLimb(t *testing.T) {
	a := start(t, "2027-02-20")
	at := fmt.Sprintf(slipOf, "C2")
	on := 0
	for _, l := range list(a.ok("GET", fmt.Sprintf(mapOf, "C2"), nil), "limbs") {
		w := a.ok("GET", fmt.Sprintf("%s/why/%v", at, l["id"]), nil)
		require.NotEmpty(t, w["says"], l["id"])
		if w["on_slip"] == true {
			on++
		}
	}
	require.GreaterOrEqual(t, on, len(list(a.ok("GET", at, nil), "steps")))
	a.refused(404, "", "", "GET", at+"/why/nowhere", nil)
}

func TestWinterAndSummerAndTheYearsAreSetSideBySide(t *testing.T) {
	a := start(t, "2027-02-20")
	at := fmt.Sprintf(slipOf, "C2")
	c := a.ok("GET", at+"/compare", nil)
	require.Contains(t, c["skipped"], "Left uncut this year")
	out := list(c, "outcomes")
	require.Len(t, out, 4)
	winter, summer := out[0]["new_shoots"].(float64), out[1]["mean_shoot_cm"].(float64)
	require.Positive(t, winter+1)
	require.LessOrEqual(t, summer, out[0]["mean_shoot_cm"].(float64), "a summer cut answers no stronger")
	y := a.ok("GET", at+"/years?years=2", nil)
	require.LessOrEqual(t, len(list(y, "years")), 2)
	for _, r := range list(y, "years") {
		require.LessOrEqual(t, r["account"].(float64), 0.2001)
	}
	require.NotEmpty(t, y["replace"].(object)["says"])
	require.Nil(t, a.ok("GET", fmt.Sprintf(slipOf, "D2")+"/years", nil)["replace"], "nobody replaces a tree whose frame is being made")

	forecast := a.ok("GET", at+"?season=summer", nil)
	require.Equal(t, true, forecast["predicted"])
	if steps := list(forecast, "steps"); len(steps) > 0 {
		a.refused(422, "season", "", "POST", at+"/choices?season=summer", object{"choice": "left", "findings": steps[0]["findings"]})
	}
	cut := a.ok("GET", fmt.Sprintf(mapOf, "C2")+"?cut=true", nil)
	require.Equal(t, true, cut["cut"])
	require.Less(t, len(list(cut, "limbs")), len(list(a.ok("GET", fmt.Sprintf(mapOf, "C2"), nil), "limbs")))
	next := a.ok("GET", fmt.Sprintf(mapOf, "C2")+"?cut=true&ahead=1", nil)
	require.Equal(t, 1.0, next["ahead"])
}

func TestTasksHaveTheAmountsOfTheirSlipsAndFollowThem(t *testing.T) {
	a := start(t, "2027-02-20")
	plan := lt + "/trees/lower-terrace-C2/plan"
	amount := func(day string) object {
		for _, x := range list(a.ok("GET", plan+day, nil), "tasks") {
			if x["kind"] == "dormant-cut" {
				require.Contains(t, fmt.Sprint(x["reasons"]), "The slip has")
				return x
			}
		}
		require.Fail(t, "no dormant cut")
		return nil
	}
	first := amount("") // nobody has looked at the slip
	slip := a.ok("GET", fmt.Sprintf(slipOf, "C2"), nil)
	require.InDelta(t, max(5, slip["minutes"].(float64)), first["minutes"], 0.6, "at least as long as a look takes")
	require.Equal(t, slip["gauge"].(object)["slip"], first["share"])
	require.Equal(t, first["share"], amount("?day=2027-03-01")["share"], "on another day as well")

	step := list(slip, "steps")[0]
	a.ok("POST", fmt.Sprintf(slipOf, "C2")+"/choices", object{"choice": "left", "findings": step["findings"]})
	left := amount("")
	require.NotEqual(t, first["reasons"], left["reasons"], "a step left is not in it")
	require.InDelta(t, max(5, a.ok("GET", fmt.Sprintf(slipOf, "C2"), nil)["minutes"].(float64)), left["minutes"], 0.6)
	a.serve()
	require.Equal(t, left["reasons"], amount("")["reasons"], "kept past a restart")
}

func TestTheBenchSetsTheForecastBesideWhatCame(t *testing.T) {
	a := start(t, "2027-02-20")
	came := a.ok("GET", fmt.Sprintf(mapOf, "C2"), nil)["came"].(object)
	require.Contains(t, came["says"], "Forecast: ")
	require.Contains(t, came["says"], "Came: 2.5 m high")
	require.Empty(t, came["cuts"], "no cut of that year is in the journal")
	require.Nil(t, a.ok("GET", fmt.Sprintf(mapOf, "A2"), nil)["came"], "no map of the winter before, no forecast")
}

func TestAYearOnEachCutHasWhatItWasAnsweredBy(t *testing.T) {
	a := startLater(t, "2027-02-20", "2027-03-05")
	slip := a.ok("GET", fmt.Sprintf(slipOf, "C2"), nil)
	cuts := []any{}
	for _, s := range list(slip, "steps") {
		cuts = append(cuts, object{"cut": s["cut"]})
	}
	at := lt + "/trees/lower-terrace-C2/map"
	a.ok("POST", at+"/slip/log", object{"based_on": slip["revision"], "cuts": cuts, "minutes": 20})
	a.today = day("2028-02-20")
	a.ok("POST", at+"/carry", object{"based_on": a.revision(at)})
	require.Nil(t, a.ok("GET", at, nil)["came"], "what the model grew says nothing of it")
	bench := a.ok("POST", at+"/edits", object{"based_on": a.revision(at), "edits": []any{object{"op": "set", "id": "S1", "limb": object{"id": "S1", "note": "measured"}}}})
	told := list(bench["came"].(object), "cuts")
	require.NotEmpty(t, told)
	for _, c := range told {
		require.Regexp(t, `^[a-z].*; forecast (none|[0-9]+ shoots?, the longest [0-9]+ cm); came (none|[0-9]+ shoots?, the longest [0-9]+ cm)\.$`, c["says"], c["limb"])
	}
}

func TestOwnCountOfSunStandsBesideTheComputedHours(t *testing.T) {
	a := start(t, "2027-02-20")
	var tree object
	for _, x := range a.all(lt + "/trees") {
		if x["code"] == "C2" {
			tree = x
		}
	}
	tree["sun_hours"] = 3
	a.ok("PUT", lt+"/trees/lower-terrace-C2", object{"version": tree["version"], "tree": tree})
	for _, x := range list(a.ok("GET", lt+"/light", nil), "trees") {
		if x["code"] == "C2" {
			require.Contains(t, x["beside"], "You counted 3 h; by the sun's path it is")
		} else {
			require.Nil(t, x["beside"])
		}
	}
}

func TestATreeThatPassesItsTestsIsGoodEnough(t *testing.T) {
	a := start(t, "2027-02-20")
	tree := lt + "/trees/lower-terrace-C2"
	require.Empty(t, a.ok("GET", tree+"/map/slip", nil)["enough"])
	answers := object{}
	for _, test := range find.EndTests() {
		answers[test.Slug] = test.Words[0]
	}
	log := func(answers object) {
		a.ok("POST", lt+"/entries", object{"tree_id": "lower-terrace-C2", "date": "2027-02-20", "kind": "end-tests", "end_tests": answers})
	}
	log(answers)
	slip := a.ok("GET", tree+"/map/slip", nil)
	require.Contains(t, slip["enough"], "It passed every end test on 20 February")
	require.NotEmpty(t, slip["steps"], "the slip stands: a person decides")
	require.Empty(t, a.ok("GET", tree+"/map/slip?season=summer", nil)["enough"], "of a slip to come nothing is known yet")
	log(object{find.EndTests()[0].Slug: find.EndTests()[0].Words[1]})
	require.Empty(t, a.ok("GET", tree+"/map/slip", nil)["enough"], "one that failed since is the last word")
}
