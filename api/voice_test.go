package api_test

import (
	"fmt"
	"math"
	"testing"

	"github.com/stretchr/testify/require"
)

// voiceDays are days on which docket, slip, years and fruit of every tree are set side by side.
var voiceDays = []string{"2026-12-01", "2027-02-20", "2027-04-05", "2027-06-01", "2027-07-05", "2027-08-20", "2027-10-20"}

func TestDocketSlipYearsAndFruitOfATreeSayTheSame(t *testing.T) {
	a := start(t, "2026-11-28")
	compared, fruited := 0, 0
	for n, day := range voiceDays {
		plan := a.ok("GET", lt+"/plan?day="+day, nil)
		for k, tree := range list(plan, "trees") {
			if (k+n)%4 != 0 { // each tree on some of the days
				continue
			}
			id := fmt.Sprint(tree["id"])
			bench := a.ok("GET", lt+"/trees/"+id+"/map?day="+day, nil)
			if bench["mapped"] != true {
				continue
			}
			base := lt + "/trees/" + id + "/map/slip"
			slip := a.ok("GET", base+"?day="+day, nil)
			years := a.ok("GET", base+"/years?day="+day, nil)
			first := list(years, "years")[0]
			own, cut := first["winter"].([]any), "winter_share"
			if slip["season"] == "summer" {
				own, cut = first["summer"].([]any), "account"
			}
			require.Len(t, own, len(list(slip, "steps")), "%s on %s: the first year of the plan is the slip", id, day)
			for i, s := range list(slip, "steps") {
				require.Equal(t, s["title"], own[i], "%s on %s", id, day)
			}
			gauge := slip["gauge"].(object)
			if cut == "winter_share" {
				require.InDelta(t, gauge["slip"], first[cut], 1e-4, "%s on %s: share", id, day)
			}
			require.InDelta(t, slip["height"].(object)["this_cm"], first["height_cut_cm"], 1, "%s on %s: height this year", id, day)
			compared++

			fruit := slip["fruit"].(object)
			if fruit["wanted"].(float64) > 0 {
				page := a.ok("GET", lt+"/trees/"+id+"/fruit?day="+day, nil)
				require.Equal(t, page["target"], fruit["wanted"], "%s on %s: what it is to carry", id, day)
				if page["available"] != nil {
					require.Equal(t, page["available"], fruit["fruit"], "%s on %s: what is to hang", id, day)
				}
				fruited++
			}
			for _, x := range list(a.ok("GET", lt+"/trees/"+id+"/plan?day="+day, nil), "tasks") {
				opens, closes := fmt.Sprint(x["opens"]), fmt.Sprint(x["closes"])
				require.LessOrEqual(t, opens, closes, "%s on %s: %v closes before it opens", id, day, x["kind"])
			}
		}
	}
	require.Greater(t, compared, 20)
	require.NotZero(t, fruited)
}

func TestTheSummerTaskInWinterIsTheSummerSlipForeseen(t *testing.T) {
	a := start(t, "2027-02-20")
	told := 0
	for _, code := range []string{"C2", "D1", "B1"} {
		id := "lower-terrace-" + code
		slip := a.ok("GET", fmt.Sprintf(slipOf, code)+"?season=summer", nil)
		for _, x := range list(a.ok("GET", lt+"/trees/"+id+"/plan", nil), "tasks") {
			if x["kind"] == "height-cut" {
				told++
				require.InDelta(t, math.Max(5, slip["minutes"].(float64)), x["minutes"], 0.6, code)
				require.InDelta(t, slip["gauge"].(object)["slip"], x["share"], 1e-3, code)
			}
		}
	}
	require.NotZero(t, told)
}
