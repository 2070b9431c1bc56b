package api_test

import (
	"fmt"
	"net/http"
	"sync"
	"testing"

	"github.com/stretchr/testify/require"
)

const (
	fruitOf    = lt + "/trees/lower-terrace-%s/fruit"
	entriesURL = lt + "/entries"
)

func fruitAt(code string) string { return fmt.Sprintf(fruitOf, code) }

func work(code, task, date string, fruiting object, more ...object) object {
	out := object{"tree_id": "lower-terrace-" + code, "date": date, "kind": "work", "task": task, "outcome": "done", "fruiting": fruiting}
	for _, m := range more {
		for k, v := range m {
			out[k] = v
		}
	}
	return out
}

func TestCountingTwoLimbsTellsTheTreesNumberWithItsInterval(t *testing.T) {
	a := start(t, "2027-06-20")
	f := a.ok("GET", fruitAt("C2"), nil)
	require.Nil(t, f["count"])
	next := f["to_count"].([]any)
	require.GreaterOrEqual(t, len(next), 2)
	var counts []object
	for _, id := range next[:2] {
		counts = append(counts, object{"limb": id, "fruit": 130})
	}
	logged := a.ok("POST", entriesURL, work("C2", "count-set", "2027-06-20", object{"counts": counts}))
	set := logged["entry"].(object)["fruiting"].(object)
	require.Greater(t, set["set"].(float64), 250.0, "the tree's number stands beside the count")
	f = a.ok("GET", fruitAt("C2"), nil)
	c := f["count"].(object)
	require.Less(t, c["low"].(float64), c["fruit"].(float64))
	require.Less(t, c["fruit"].(float64), c["high"].(float64))
	require.Contains(t, f["count_says"], "nine times in ten")
	require.Equal(t, "counted", f["loads_by"])
	keep := 0.0
	for _, l := range list(f, "limbs") {
		keep += l["keep"].(float64)
		require.NotEmpty(t, l["binds"])
	}
	require.Equal(t, f["keep"], keep, "what the limbs keep adds up")
	d := a.ok("GET", lt+"/trees/lower-terrace-C2/plan", nil)
	require.Contains(t, taskText(t, d, "thin"), fmt.Sprintf("Leave %.0f fruit, take", f["keep"]))
}

// taskText is all that is said of a tree's task of a kind.
func taskText(t *testing.T, plan object, kind string) string {
	t.Helper()
	for _, task := range list(plan, "tasks") {
		if task["kind"] == kind {
			return fmt.Sprint(task)
		}
	}
	return ""
}

func tapsOn(limb string, n int, prefix string) []object {
	var out []object
	for i := range n {
		out = append(out, object{"id": fmt.Sprintf("%s-%06d", prefix, i), "limb": limb, "lateral": "", "pass": 1, "left": 1, "taken": 0})
	}
	return out
}

func totals(o object, limb string) (left, taken float64) {
	for _, t := range list(o, "tallies") {
		if t["limb"] == limb && t["pass"] == 1.0 {
			left, taken = left+t["left"].(float64), taken+t["taken"].(float64)
		}
	}
	return left, taken
}

func TestTwoPhonesOnOneLimbLoseNoTap(t *testing.T) {
	a := start(t, "2027-06-20")
	var both sync.WaitGroup
	for phone := range 2 {
		both.Add(1)
		go func() {
			defer both.Done()
			for _, tap := range tapsOn("S1", 20, fmt.Sprint("phone", phone)) {
				status, _ := a.send("POST", fruitAt("C2")+"/taps", object{"season": 2027, "taps": []object{tap}})
				require.Equal(t, http.StatusOK, status)
			}
		}()
	}
	both.Wait()
	// a phone that heard no answer sends all of it again, and takes one back
	again := append(tapsOn("S1", 20, "phone0"), object{"id": "undo-000001", "limb": "S1", "lateral": "", "pass": 1, "left": 0, "taken": 0, "undoes": "phone1-000003"})
	out := a.ok("POST", fruitAt("C2")+"/taps", object{"season": 2027, "taps": again})
	left, _ := totals(out, "S1")
	require.InDelta(t, 39, left, 0)
}

func TestAPassIsLoggedAndTapsThatComeLateCorrectIt(t *testing.T) {
	a := start(t, "2027-06-20")
	a.refused(422, "limb", "no taps", "POST", fruitAt("C2")+"/passes", object{"id": "pass-00000000", "day": "2027-06-20", "season": 2027, "limb": "S1", "pass": 1, "last": false})
	taps := append(tapsOn("S1", 30, "mine"), object{"id": "taken-00001", "limb": "S1", "lateral": "S1.2", "pass": 1, "left": 0, "taken": 3})
	a.ok("POST", fruitAt("C2")+"/taps", object{"season": 2027, "taps": taps})
	a.ok("POST", fruitAt("C2")+"/passes", object{"id": "pass-00000001", "day": "2027-06-20", "season": 2027, "limb": "S1", "pass": 1, "way": "hand", "last": false})
	limb := func() object {
		for _, l := range list(a.ok("GET", fruitAt("C2"), nil), "limbs") {
			if l["id"] == "S1" {
				return l
			}
		}
		return nil
	}
	require.Equal(t, true, limb()["done"])
	require.Equal(t, 30.0, limb()["left"])
	require.Equal(t, 3.0, limb()["taken"])
	require.Equal(t, 2.0, limb()["pass"], "the next time over it is a second look")
	late := a.ok("POST", fruitAt("C2")+"/taps", object{"season": 2027, "taps": tapsOn("S1", 2, "other")})
	require.Equal(t, []any{"S1"}, late["late"])
	require.Equal(t, 32.0, limb()["left"])
	n := 0
	for _, e := range a.all(entriesURL + "?all=true&tree=lower-terrace-C2") {
		if f, ok := e["fruiting"].(object); ok && f["pass"] == 1.0 && e["season"] == 2027.0 {
			n++
		}
	}
	require.Equal(t, 2, n, "the first stays in the journal beside its correction")
}

// all reads a list.
func (a *app) all(path string) []object {
	a.t.Helper()
	return list(a.ok("GET", path, nil), "list")
}

func TestAFrostCountChangesTheThinningAndSaysSo(t *testing.T) {
	a := start(t, "2027-05-10")
	plan := lt + "/trees/lower-terrace-A3/plan"
	require.NotContains(t, taskText(t, a.ok("GET", plan, nil), "thin"), "buds cut open")
	a.refused(422, "fruiting.alive", "at most the 20 opened", "POST", entriesURL, work("A3", "frost-count", "2027-05-09", object{"opened": 20, "alive": 30}, object{"reason": "-2 in the night"}))
	a.ok("POST", entriesURL, work("A3", "frost-count", "2027-05-09", object{"opened": 60, "alive": 6}, object{"reason": "-2 in the night"}))
	says := taskText(t, a.ok("GET", plan, nil), "thin")
	require.Contains(t, says, "10 % were alive")
	require.Contains(t, says, "Thin nothing before the set is counted")
	f := a.ok("GET", fruitAt("A3"), nil)
	require.Contains(t, f["frost_says"], "10 % alive")
}

func TestAHarvestMovesTheOutlookAndTheTreesOwnFruit(t *testing.T) {
	a := startLater(t, "2027-06-20", "2027-09-06")
	before := cropOf(a, "C2")
	a.ok("POST", entriesURL, work("C2", "harvest", "2027-09-05", object{"first": "2027-08-28", "last": "2027-09-05", "quality": "table"}, object{"kilos": 61.5, "fruit": 600, "reason": "hail was coming"}))
	after := cropOf(a, "C2")
	years := list(after, "years")
	require.Equal(t, 2027.0, years[0]["season"])
	require.InDelta(t, 102.5, years[0]["mass_g"].(float64), 0.1)
	require.NotEqual(t, before["next_year_says"], after["next_year_says"], "this year's load moves next year's bloom")
	require.Equal(t, "off", after["next_year"], "so heavy a crop costs the next one")
}

// Fruit taken off early is off everywhere: no limb bends under it, none of it is to be thinned or bagged, the plot counts what came in, and
// the harvest taken back brings it all back.
func TestFruitThatIsPickedIsOffEverywhere(t *testing.T) {
	a := start(t, "2027-06-20")
	asked := func() (kinds []any) {
		for _, task := range groups(a.ok("GET", lt+"/docket", nil)) {
			if task["code"] == "C2" {
				kinds = append(kinds, task["kind"])
			}
		}
		return kinds
	}
	slip := lt + "/trees/lower-terrace-C2/map/slip"
	a.ok("POST", entriesURL, object{"tree_id": "lower-terrace-C2", "date": "2027-06-20", "kind": "trouble", "fruiting": object{"broke": "S1"}, "reason": "by night"})
	before, was, jobs := a.ok("GET", fruitAt("C2"), nil), cropOf(a, "C2"), asked()
	require.Subset(t, jobs, []any{"thin"})
	require.NotEmpty(t, before["loads"])
	require.NotContains(t, before, "picked")

	logged := a.ok("POST", entriesURL, work("C2", "harvest", "2027-06-20", object{}, object{"kilos": 3.5, "fruit": 120, "reason": "hail broke the rest"}))
	after := a.ok("GET", fruitAt("C2"), nil)
	require.Equal(t, "2027-06-20", after["picked"])
	require.Equal(t, "Picked by 20 June: 3.5 kg, 120 fruit. None hangs on it any more.", after["picked_says"])
	require.Empty(t, after["loads"])
	require.Equal(t, "picked", after["loads_by"])
	for _, gone := range []string{"remove", "minutes", "whether", "second", "time", "beside"} {
		require.NotContains(t, after, gone)
	}
	require.NotEmpty(t, before["broken"])
	require.Equal(t, before["broken"], after["broken"], "what a limb broke under does not change with the picking")
	require.Equal(t, before["target"], after["target"], "what the season was to bear stands")
	require.Equal(t, 3.5, cropOf(a, "C2")["kg_coming"], "what came in, not what was to come")
	for _, kind := range asked() {
		require.NotContains(t, []any{"thin", "count-set", "second-look", "bag", "prop", "harvest"}, kind)
	}
	require.NotNil(t, a.ok("GET", slip, nil)["steps"])

	a.ok("DELETE", entriesURL+"/"+logged["entry"].(object)["id"].(string), nil)
	require.Equal(t, before, a.ok("GET", fruitAt("C2"), nil))
	require.Equal(t, was, cropOf(a, "C2"))
	require.Equal(t, jobs, asked())
}

func cropOf(a *app, code string) object {
	for _, t := range list(a.ok("GET", lt+"/crop", nil), "trees") {
		if t["code"] == code {
			return t
		}
	}
	return nil
}

func TestOddFruitIsRefusedOrWarnedOfAndNothingIsLost(t *testing.T) {
	a := start(t, "2027-06-20")
	entries := len(a.all(entriesURL))
	post := func(field, words string, body object) {
		a.refused(422, field, words, "POST", entriesURL, body)
	}
	post("fruiting.counts[0].limb", "a limb of this tree's map", work("C2", "count-set", "2027-06-20", object{"counts": []object{{"limb": "S9", "fruit": 3}}}))
	post("fruiting.counts[1].limb", "a limb apart from S1", work("C2", "count-set", "2027-06-20", object{"counts": []object{{"limb": "S1", "fruit": 30}, {"limb": "S1.2", "fruit": 3}}}))
	post("fruiting.fruit_mm", "millimetres", object{"tree_id": "lower-terrace-C2", "date": "2027-06-20", "kind": "measured", "fruiting": object{"fruit_mm": 1.9}})
	post("date", "after its bloom", work("C2", "harvest", "2027-02-10", object{}, object{"kilos": 3.0, "fruit": 20, "reason": "found"}))
	require.Len(t, a.all(entriesURL), entries, "nothing was half written")
	warned := func(code string, body object) {
		codes := ""
		for _, w := range list(a.ok("POST", entriesURL, body), "warnings") {
			codes += fmt.Sprint(w["code"], " ")
		}
		require.Contains(t, codes, code)
	}
	late := object{"reason": "early windfalls"}
	warned("W_NOT_COUNTED", work("A4", "harvest", "2027-06-19", object{}, object{"kilos": 3.0}, late))
	warned("W_NOT_WEIGHED", work("A4", "harvest", "2027-06-19", object{}, object{"fruit": 20}, late))
	warned("W_ODD_FRUIT", work("A4", "harvest", "2027-06-19", object{}, object{"fruit": 20, "kilos": 90.0}, late))
	status, _ := a.send("POST", lt+"/people", object{"name": "Wide", "hand_span_cm": 200, "fingertip_cm": 220, "ceiling_cm": 0, "hours_a_week": []int{0, 0, 0, 0, 0, 0, 0}, "tools": []object{}})
	require.Equal(t, http.StatusUnprocessableEntity, status, "a hand span of 2 m")
}

func TestABrokenLimbIsTracedToItsThinningRecord(t *testing.T) {
	a := startLater(t, "2027-06-20", "2027-08-20")
	a.ok("POST", entriesURL, object{"tree_id": "lower-terrace-D1", "date": "2027-08-19", "kind": "trouble", "reason": "after the storm", "fruiting": object{"broke": "S5"}})
	f := a.ok("GET", fruitAt("D1"), nil)
	says := fmt.Sprint(f["broken"])
	require.Contains(t, says, "S5 broke")
	require.Contains(t, says, "after the storm")
}

func TestLoadsTellWhatSavesALimb(t *testing.T) {
	a := startLater(t, "2027-06-20", "2027-07-20")
	f := a.ok("GET", fruitAt("D1"), nil)
	loads := list(f, "loads")
	require.NotEmpty(t, loads)
	require.Contains(t, []any{"over", "danger"}, loads[0]["state"], "one limb of the demo is about to break")
	require.NotEmpty(t, loads[0]["saves"])
	for i := 1; i < len(loads); i++ {
		require.LessOrEqual(t, loads[i]["use"].(float64), loads[i-1]["use"].(float64), "the worst first")
	}
	require.Contains(t, f["safety"], "Local rules and licensed practice come first.")
	d := a.ok("GET", lt+"/trees/lower-terrace-D1/plan", nil)
	require.Contains(t, taskText(t, d, "prop"), "of what is safe")
}

func BenchmarkATapOnThePad(b *testing.B) {
	a := start(b, "2027-06-20")
	n := 0
	for b.Loop() {
		n++
		a.ok("POST", fruitAt("C2")+"/taps", object{"season": 2027, "taps": []object{{"id": fmt.Sprintf("bench-%08d", n), "limb": "S1", "lateral": "", "pass": 1, "left": 1, "taken": 0}}})
	}
}

func TestThePlotsCropAddsUpWhatIsComingAgainstWhatIsWanted(t *testing.T) {
	a := start(t, "2027-06-20")
	c := a.ok("GET", lt+"/crop", nil)
	sum := map[any]float64{}
	for _, tree := range list(c, "trees") {
		sum[tree["kind"]] += tree["kg_coming"].(float64)
		require.NotEmpty(t, tree["state"])
	}
	for _, k := range list(c, "kinds") {
		require.InDelta(t, sum[k["kind"]], k["coming_kg"].(float64), 0.2, k["kind"])
		if k["coming_kg"].(float64) > 1.15*k["need_kg"].(float64) && k["need_kg"].(float64) > 0 {
			require.NotEmpty(t, k["thin_first"], k["kind"])
		}
	}
	years := list(c, "years")
	require.GreaterOrEqual(t, len(years), 2)
	require.Greater(t, years[0]["season"].(float64), years[1]["season"].(float64), "latest first")
	frozen, usual := years[0], years[1]
	require.Less(t, frozen["kg"].(float64), usual["kg"].(float64), "the year that froze")
	for _, tree := range list(c, "trees") {
		if tree["code"] == "C1" {
			require.Equal(t, "Bears one year and rests the next", tree["alternation"])
		}
	}
}

func TestTheSouthernOrchardsFruitRunsByItsOwnYear(t *testing.T) {
	a := start(t, "2027-02-20")
	c := a.ok("GET", "/api/orchards/saltwind/crop", nil)
	require.Equal(t, 2026.0, c["season"], "the season of the spring it bloomed in")
	require.NotEmpty(t, c["trees"])
	f := a.ok("GET", "/api/orchards/saltwind/trees/saltwind-B2/fruit", nil)
	require.NotEmpty(t, f["limbs"])
	require.NotEmpty(t, f["years"])
}

func TestFruitIsToldInThePersonsUnits(t *testing.T) {
	a := start(t, "2027-06-20")
	o := a.ok("GET", lt, nil)["orchard"].(object)
	o["units"] = "us"
	a.ok("PUT", lt, object{"version": o["version"], "orchard": o})
	f := a.ok("GET", fruitAt("D1"), nil)
	require.Contains(t, fmt.Sprint(list(f, "loads")[0]["saves"]), " in")
	require.NotContains(t, fmt.Sprint(list(f, "loads")[0]["saves"]), " cm")
}

func TestAMeasuredFruitletIsKeptInSightUntilItIsMeasuredAgain(t *testing.T) {
	a := start(t, "2027-06-20")
	a.ok("POST", entriesURL, object{"tree_id": "lower-terrace-C2", "date": "2027-06-20", "kind": "measured", "fruiting": object{"fruit_mm": 22}})
	f := a.ok("GET", fruitAt("C2"), nil)
	require.Equal(t, 22.0, f["fruit_mm"])
	require.Equal(t, true, f["fruit_mm_measured"])
	require.Contains(t, f["time_says"], "measured at 22 mm")
	later := a.ok("GET", fruitAt("C2")+"?day=2027-06-28", nil)
	require.Greater(t, later["fruit_mm"].(float64), 22.0, "it grows on as expected")
}

func TestATreeMarkedByGirthAloneHasItsNumbersToo(t *testing.T) {
	a := start(t, "2027-06-20")
	made := a.ok("POST", lt+"/trees", object{"kind": "apple", "class": "dwarfing", "planted": "2018-03-01", "x": 1, "y": 1, "trunk_mm": 70, "scaffolds_mm": []float64{35, 32, 28, 25}, "code": ""})
	id := made["tree"].(object)["id"].(string)
	f := a.ok("GET", lt+"/trees/"+id+"/fruit", nil)
	require.Equal(t, false, f["mapped"])
	require.Len(t, f["limbs"], 4)
	require.Greater(t, f["target"].(float64), 50.0)
	bare := a.ok("POST", lt+"/trees", object{"kind": "apple", "class": "dwarfing", "planted": "2018-03-01", "x": 2, "y": 1, "code": ""})
	a.refused(422, "scaffolds", "a limb map, or the girth", "GET", lt+"/trees/"+bare["tree"].(object)["id"].(string)+"/fruit", nil)
}

func TestSnowIsThePersonsOwnNumberAndBendsBareLimbsInWinter(t *testing.T) {
	a := start(t, "2027-02-20")
	require.Equal(t, "expected", a.ok("GET", fruitAt("C2"), nil)["loads_by"])
	o := a.ok("GET", lt, nil)["orchard"].(object)
	o["snow_kg_m2"], o["needs"] = 60, []object{{"kind": "apple", "fresh_kg": 0}}
	a.ok("PUT", lt, object{"version": o["version"], "orchard": o})
	f := a.ok("GET", fruitAt("C2"), nil)
	require.Equal(t, "snow", f["loads_by"])
	for _, l := range list(f, "loads") {
		require.Zero(t, l["fruit"])
	}
	require.Greater(t, f["target"].(float64), 0.0, "wanting nothing in particular strips no tree")
	require.NotEqual(t, "household", f["binding"])
}
