package api_test

import (
	"net/http"
	"sync"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
)

func TestTheScreensLearnTheJobFromMeta(t *testing.T) {
	a := start(t, "2027-02-20")
	m := a.ok("GET", "/api/meta", nil)
	require.Equal(t, "2027-02-20", m["today"])
	require.Len(t, m["kinds"], 17)
	require.Len(t, m["presets"], 4)
	require.Len(t, m["stages"], int(almanac.StageCount))
	for _, c := range m["choices"].([]any) {
		for _, v := range c.(object)["values"].([]any) {
			require.NotEmpty(t, v.(object)["for"])
			require.NotEmpty(t, v.(object)["against"])
		}
	}
	for _, k := range m["tasks"].([]any) {
		require.NotEmpty(t, k.(object)["title"], k)
	}
	require.Equal(t, true, a.ok("GET", "/healthz", nil)["ok"])
}

func TestTheScreensAreToldWhatThePlaceMoves(t *testing.T) {
	a := start(t, "2027-02-20")
	require.Equal(t, object{"stone_cut": "dry-summer"}, a.ok("GET", lt, nil)["site_defaults"])
	dry := a.ok("GET", "/api/climates?lat=45&lon=-74", nil)["list"].([]any)[0].(object)["site"]
	o := a.ok("GET", lt, nil)["orchard"].(object)
	o["site"] = dry
	require.Empty(t, a.ok("PUT", lt, object{"version": o["version"], "orchard": o})["site_defaults"])
}

func TestThePlanDrawsTheRailAndTheRings(t *testing.T) {
	a := start(t, "2027-02-20")
	p := a.ok("GET", lt+"/plan", nil)
	require.Equal(t, "2026-11-01", p["from"])
	require.Equal(t, "2027-10-31", p["to"])
	require.Equal(t, "2027-06-21", p["summer_solstice"])
	require.Len(t, p["bands"], 4)
	require.Len(t, p["trees"], 16)
	last := ""
	for _, f := range p["frost"].([]any) {
		d := f.(object)["day"].(string)
		require.Greater(t, d, last)
		require.Positive(t, f.(object)["risk"])
		last = d
	}
	for _, tr := range p["trees"].([]any) {
		tree := tr.(object)
		require.Positive(t, tree["spread_m"], tree["code"])
		require.Positive(t, tree["roots_m"], tree["code"])
		require.NotEmpty(t, tree["aim_says"], tree["code"])
		require.NotEmpty(t, tree["account"].(object)["says"], tree["code"])
		for _, b := range tree["bars"].([]any) {
			bar := b.(object)
			require.LessOrEqual(t, bar["opens"], bar["closes"], bar["id"])
			require.NotEmpty(t, bar["short"], bar["id"])
		}
	}
}

func TestATreesYearTellsItsEvidence(t *testing.T) {
	a := start(t, "2027-02-20")
	body := a.ok("GET", lt+"/trees/lower-terrace-B1/plan", nil)
	require.NotEmpty(t, body["anchors"])
	for _, x := range body["anchors"].([]any) {
		an := x.(object)
		require.LessOrEqual(t, an["early"], an["late"], an["name"])
	}
	for _, x := range body["tasks"].([]any) {
		task := x.(object)
		require.NotEmpty(t, task["opens_says"])
		require.NotEmpty(t, task["grades"])
		for _, g := range task["grades"].([]any) {
			require.NotEmpty(t, g.(object)["says"])
		}
	}
	a.refused(404, "id", "a tree that stands on the day shown", "GET", lt+"/trees/nobody/plan", nil)
	a.refused(404, "id", "a tree that stands on the day shown", "GET", lt+"/trees/lower-terrace-D2/plan?day=2019-05-01", nil)
}

func TestTheAdviserKnowsTheGround(t *testing.T) {
	a := start(t, "2027-02-20")
	byWall := a.ok("GET", lt+"/advice?kind=apple&class=dwarfing&x=3&y=11.6", nil)["list"].([]any)
	require.Len(t, byWall, 3)
	first := byWall[0].(object)
	require.Contains(t, []any{"wire-tiers", "step-over", "flat-fan"}, first["form"])
	said := []any{}
	for _, r := range first["reasons"].([]any) {
		said = append(said, r.(object)["rule"])
		require.NotEmpty(t, r.(object)["says"])
	}
	require.Contains(t, said, "wall-close")
	require.Len(t, first["outlines"], 3)
	inTheOpen := a.ok("GET", lt+"/advice?kind=apple&class=dwarfing&x=11&y=9", nil)["list"].([]any)
	require.Equal(t, "open-vase", inTheOpen[0].(object)["form"])
	old := a.ok("GET", lt+"/advice?kind=apple&class=dwarfing&x=11&y=9&age=20&present=low-bush", nil)["list"].([]any)
	require.Equal(t, true, old[0].(object)["keeps_present_form"])
	a.refused(422, "kind", "one of", "GET", lt+"/advice?kind=moss", nil)
}

func TestTreesKeepTheirVersionsAndOnlyMistakesAreRemoved(t *testing.T) {
	a := start(t, "2027-02-20")
	fresh := a.ok("POST", lt+"/trees", object{"code": "", "kind": "quince", "x": 1.0, "y": 1.0})["tree"].(object)
	require.Equal(t, "open-vase", fresh["form"], "the kind's first form")
	id := fresh["id"].(string)
	fresh["aim"], fresh["x"] = "hold", 1.4
	a.ok("PUT", lt+"/trees/"+id, object{"version": fresh["version"], "tree": fresh})
	require.Len(t, a.ok("GET", lt+"/trees/"+id+"/versions", nil)["list"], 2)
	a.ok("DELETE", lt+"/trees/"+id, nil)
	a.refused(409, "tree", "mark it gone", "DELETE", lt+"/trees/lower-terrace-C2", nil)
	a.refused(404, "", "", "DELETE", lt+"/trees/"+id, nil)
	c2 := a.ok("GET", lt+"/trees", nil)["list"].([]any)[0].(object)
	c2["code"] = "B1"
	a.refused(422, "code", "no other tree", "PUT", lt+"/trees/"+c2["id"].(string), object{"version": c2["version"], "tree": c2})
	c2["code"], c2["own"] = "A1", object{"pome_cut": "at dawn"}
	a.refused(422, "pome_cut", "deep-dormancy", "PUT", lt+"/trees/"+c2["id"].(string), object{"version": c2["version"], "tree": c2})
}

func TestPeopleDecideTheReachLine(t *testing.T) {
	a := start(t, "2027-02-20")
	reach := func() any { return a.ok("GET", lt+"/plan", nil)["reach_m"] }
	require.InDelta(t, 2.12, reach(), 1e-9)
	p := a.ok("GET", lt+"/people", nil)["list"].([]any)[0].(object)
	p["fingertip_cm"] = 200
	a.ok("PUT", lt+"/people/"+p["id"].(string), object{"version": p["version"], "person": p})
	require.InDelta(t, 1.7, reach(), 1e-9)
	a.refused(409, "version", "2", "PUT", lt+"/people/"+p["id"].(string), object{"version": 1, "person": p})
	added := a.ok("POST", lt+"/people", object{"name": "Vila", "fingertip_cm": 0, "ceiling_cm": 0, "hand_span_cm": 0, "hours_a_week": []int{0, 0, 0, 0, 0, 0, 0}, "tools": []any{}})
	a.ok("DELETE", lt+"/people/"+added["id"].(string), nil)
	require.Len(t, a.ok("GET", lt+"/people", nil)["list"], 2)
	a.refused(422, "hand_span_cm", "", "POST", lt+"/people", object{"name": "Giant", "fingertip_cm": 0, "ceiling_cm": 0, "hand_span_cm": 200, "hours_a_week": []int{0, 0, 0, 0, 0, 0, 0}, "tools": []any{}})
}

func TestTheJournalKeepsWhatWasCorrected(t *testing.T) {
	a := start(t, "2027-02-20")
	const c2 = "?tree=lower-terrace-C2"
	count := func(query string) int { return len(a.ok("GET", lt+"/entries"+query, nil)["list"].([]any)) }
	before := count(c2)
	e := a.ok("POST", lt+"/entries", object{"tree_id": "lower-terrace-C2", "date": "2027-02-01", "kind": "note", "note": "frist", "weather": object{"tmax_c": 4, "source": "person"}})["entry"].(object)
	require.Equal(t, "steady", e["school"])
	require.Equal(t, "dormant", e["tree_stage"])
	id := e["id"].(string)
	a.ok("POST", lt+"/entries", object{"tree_id": "lower-terrace-C2", "date": "2027-02-01", "kind": "note", "note": "first", "corrects": id})
	require.Equal(t, before+1, count(c2))
	require.Equal(t, before+2, count(c2+"&all=true"))
	a.refused(409, "corrects", "already corrected", "POST", lt+"/entries", object{"tree_id": "lower-terrace-C2", "date": "2027-02-01", "kind": "note", "corrects": id})
	a.refused(404, "", "", "DELETE", lt+"/entries/nothing", nil)
	a.refused(422, "stage", "the name of a stage", "POST", lt+"/entries", object{"tree_id": "lower-terrace-C2", "date": "2027-02-01", "kind": "observed", "stage": "party"})
	a.refused(422, "tree_id", "", "POST", lt+"/entries", object{"date": "2027-02-01", "kind": "observed", "stage": "bud_swell"})
}

func TestAnOrchardWithoutAPlaceSaysWhatItNeeds(t *testing.T) {
	a := start(t, "2027-02-20")
	o := object{
		"name": "Bare", "units": "us", "school": object{"preset": "", "own": object{}, "advice": []any{}},
		"plot": object{"outline": []any{}, "features": []any{}, "north_deg": 0, "row_distance_m": 0},
	}
	slug := a.ok("POST", "/api/orchards", o)["orchard"].(object)["slug"].(string)
	a.refused(409, "site", "a place with its normals", "GET", "/api/orchards/"+slug+"/plan", nil)
	a.ok("POST", "/api/orchards/"+slug+"/entries", object{"date": "2027-02-01", "kind": "note", "note": "paced the ground"})
	status, out := a.send("GET", "/api/orchards/"+slug+"/calendar.ics", nil)
	require.Equal(t, http.StatusNotFound, status)
	require.Contains(t, out["text"], "set up first")
	o["units"] = "cubits"
	a.refused(422, "units", "metric", "POST", "/api/orchards", o)
}

func TestTheSentencesComeInThePersonsUnits(t *testing.T) {
	a := startLater(t, "2027-06-20", "2027-06-25")
	said := func() string {
		for _, x := range a.ok("GET", lt+"/trees/lower-terrace-C2/plan", nil)["tasks"].([]any) {
			if task := x.(object); task["kind"] == "height-cut" {
				return task["reasons"].([]any)[0].(object)["says"].(string)
			}
		}
		return ""
	}
	require.Contains(t, said(), " m, and you pick to 2.12 m")
	o := a.ok("GET", lt, nil)["orchard"].(object)
	o["units"] = "us"
	a.ok("PUT", lt, object{"version": o["version"], "orchard": o})
	require.Contains(t, said(), " ft ")
}

// BenchmarkDocketAtAHundredASecond asks for a docket every ten milliseconds and reports the 99th percentile.
func BenchmarkDocketAtAHundredASecond(b *testing.B) {
	a := start(b, "2027-02-20")
	tick := time.NewTicker(10 * time.Millisecond)
	defer tick.Stop()
	i := 0
	report := percentile(b, func() {
		<-tick.C
	}, func() {
		get(b, a.srv.URL+lt+"/docket?day="+(day("2027-02-20")+almanac.Day(i/25)).String())
		i++
	})
	b.ReportMetric(report, "p99-ms")
}

func TestAWriteShowsAtOnceWhateverWasPlannedBefore(t *testing.T) {
	a := start(t, "2027-03-10")
	removed := func() float64 {
		return a.ok("GET", lt+"/trees/lower-terrace-C3/plan", nil)["summary"].(object)["account"].(object)["removed"].(float64)
	}
	last := removed()
	for i := range 4 {
		a.ok("POST", lt+"/entries", object{"tree_id": "lower-terrace-C3", "date": "2027-03-0" + string(rune('1'+i)), "kind": "work", "task": "dormant-cut", "outcome": "part", "share": 0.03})
		now := removed()
		require.Greater(t, now, last)
		last = now
	}
}

func TestAnOrchardMadeAnewUnderAnOldNameIsItsOwn(t *testing.T) {
	a := start(t, "2027-03-10")
	before := a.ok("GET", "/api/orchards/saltwind/plan", nil)
	require.Len(t, before["trees"], 6)
	o := a.ok("GET", "/api/orchards/saltwind", nil)["orchard"].(object)
	a.ok("DELETE", "/api/orchards/saltwind", nil)
	o["name"] = "Saltwind"
	fresh := a.ok("POST", "/api/orchards", o)["orchard"].(object)
	require.Equal(t, "saltwind", fresh["slug"])
	require.Empty(t, a.ok("GET", "/api/orchards/saltwind/plan", nil)["trees"])
}

func TestAnEntrySentTwiceIsLoggedOnce(t *testing.T) {
	a := start(t, "2027-03-10")
	e := object{"id": "from-the-phone", "created": "", "season": 0, "tree_id": "lower-terrace-C3", "date": "2027-03-01", "kind": "note", "note": "once"}
	count := func() int { return len(a.ok("GET", lt+"/entries?tree=lower-terrace-C3", nil)["list"].([]any)) }
	before := count()
	a.ok("POST", lt+"/entries", e)
	a.ok("POST", lt+"/entries", e)
	require.Equal(t, before+1, count())
}

func TestManyReadersAndAWriterAgree(t *testing.T) {
	a := start(t, "2027-03-10")
	var wg sync.WaitGroup
	for i := range 8 {
		wg.Go(func() {
			for range 5 {
				status, _ := a.send("GET", lt+"/docket?day="+(day("2027-03-10")+almanac.Day(i)).String(), nil)
				assert.Equal(t, http.StatusOK, status)
			}
		})
	}
	for range 5 {
		a.ok("POST", lt+"/entries", object{"date": "2027-03-09", "kind": "note", "note": "busy"})
	}
	wg.Wait()
}

func TestTheSunOnASpotIsToldBeforePlanting(t *testing.T) {
	a := start(t, "2027-02-20")
	spot := func(query string) object { return a.ok("GET", lt+"/light/spot?"+query, nil) }
	open, shed := spot("x=12&y=9.5"), spot("x=15&y=3.2")
	require.Greater(t, open["sun_hours"], 9.0)
	require.Contains(t, open["means"], "full sun")
	require.Less(t, shed["sun_hours"], 3.0)
	require.Contains(t, shed["means"], "too little sun", "in the tool shed")

	under := spot("x=2.6&y=4.9")
	alone := spot("x=2.6&y=4.9&without=lower-terrace-C1")
	require.Greater(t, alone["sun_hours"], under["sun_hours"], "the tree that is to stand there shades nothing of itself")
	a.refused(422, "x", "", "GET", lt+"/light/spot?x=9999&y=1", nil)
}
