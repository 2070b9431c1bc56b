package api_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/require"
)

func TestTwoWaysGrowTheSameTreeAndLeaveNoTrace(t *testing.T) {
	a := start(t, "2027-02-20")
	at := lt + "/trees/lower-terrace-C2/map"
	before := fmt.Sprint(a.ok("GET", at+"/slip", nil))
	same := a.ok("GET", at+"/ways?years=2", nil)
	ways := list(same, "ways")
	require.Len(t, ways, 2)
	require.Equal(t, ways[0], ways[1], "the school in force twice is one way")
	require.Contains(t, fmt.Sprint(same["says"]), "the same")
	got := a.ok("GET", at+"/ways?second=low-bush&second_limit=33&years=3", nil)
	ways = list(got, "ways")
	require.Equal(t, "Steady", ways[0]["school"])
	require.Equal(t, "Low bush", ways[1]["school"])
	for _, w := range ways {
		years := list(w, "years")
		require.Len(t, years, 3)
		require.NotEmpty(t, w["lines"])
		for _, y := range years {
			require.LessOrEqual(t, y["account"].(float64), w["limit"].(float64)+0.005, "%v: no year takes more than its limit", w["school"])
			require.Positive(t, y["height_cm"])
		}
	}
	require.Less(t, ways[1]["reach_cm"], ways[0]["reach_cm"])
	require.NotEmpty(t, got["says"])
	require.Equal(t, before, fmt.Sprint(a.ok("GET", at+"/slip", nil)), "nothing of it is kept")
	// the first way's first year is the tree's own plan
	own := list(a.ok("GET", at+"/slip/years?years=3", nil), "years")
	for i, y := range list(ways[0], "years") {
		require.Equal(t, own[i]["height_cm"], y["height_cm"], "year %d", i)
		require.Equal(t, own[i]["account"], y["account"])
	}
	a.refused(422, "second", "a school", "GET", at+"/ways?second=none", nil)
	a.refused(422, "second_limit", "yearly limit", "GET", at+"/ways?second_limit=7", nil)
}

func TestTheRecordAnswersWhatItCanOfWhatIsWrong(t *testing.T) {
	a := start(t, "2027-04-10")
	a.sky()
	ask := func(tree, q string) object {
		return a.ok("GET", lt+"/trees/lower-terrace-"+tree+"/diagnosis?complaint="+q, nil)
	}
	for _, c := range list(ask("C1", "leans"), "complaints") {
		for _, tree := range []string{"C1", "A4", "D2", "T2"} {
			got := ask(tree, c["slug"].(string))
			require.NotEmpty(t, got["says"])
			sum := 0.0
			for _, k := range list(got, "causes") {
				sum += k["share"].(float64)
				require.NotEmpty(t, k["name"])
				require.NotEmpty(t, k["do"])
				require.NotEmpty(t, k["when"])
				for _, e := range list(k, "evidence") {
					require.NotEmpty(t, e["says"], "%v of %v", e, k["slug"])
				}
			}
			require.InDelta(t, 1, sum, 0.01)
			for _, q := range list(got, "ask") {
				require.NotEmpty(t, q["asks"], "%v", q["slug"])
			}
		}
	}
	// a whip is too young, and nothing has to be asked to know it
	young := ask("D2", "no-fruit")
	require.Equal(t, "too-young", list(young, "causes")[0]["slug"])
	require.Equal(t, true, young["sure"])
	// an answer moves the causes
	before := list(ask("C1", "many-sprouts"), "causes")[0]["slug"]
	after := list(ask("C1", "many-sprouts&yes=from-the-ground"), "causes")[0]["slug"]
	require.NotEqual(t, before, after)
	require.Equal(t, "from-the-stock", after)
	a.refused(422, "complaint", "no-fruit", "GET", lt+"/trees/lower-terrace-C1/diagnosis?complaint=sings", nil)
	a.refused(422, "answers", "question of this look", "GET", lt+"/trees/lower-terrace-C1/diagnosis?complaint=leans&yes=nonsense", nil)
}

func TestASeasonSheetAgreesWithThePlan(t *testing.T) {
	a := start(t, "2027-04-10")
	a.sky()
	for _, code := range []string{"A2", "A4", "C1", "D3"} {
		tree := "/trees/lower-terrace-" + code
		season := a.ok("GET", lt+tree+"/season", nil)
		plan := a.ok("GET", lt+tree+"/plan", nil)
		anchors := map[string]object{}
		for _, x := range list(plan, "anchors") {
			anchors[x["name"].(string)] = x
		}
		for _, s := range list(season, "stages") {
			x := anchors[s["stage"].(string)]
			require.NotNil(t, x, "%s %v", code, s["stage"])
			if s["seen"] != nil {
				require.Equal(t, x["day"], s["seen"])
				continue
			}
			all := list(s, "forecasts")
			now := all[len(all)-1]
			require.Equal(t, "now", now["why"])
			require.Equal(t, x["day"], now["median"], "%s %v", code, s["stage"])
			require.Equal(t, x["early"], now["early"])
			require.Equal(t, x["late"], now["late"])
		}
		last := 1.0
		for _, n := range list(season["frost"].(object), "nights") {
			require.LessOrEqual(t, n["alive"], last)
			last = n["alive"].(float64)
		}
	}
	a.refused(404, "", "", "GET", lt+"/trees/none/season", nil)
}
