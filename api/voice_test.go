package api_test

import (
	"fmt"
	"math"
	"os"
	"slices"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
)

// voiceEvery is how many trees a day are passed over for one that is compared; LAWS_EVERY=1 compares all of them on every day.
func voiceEvery(t *testing.T) int {
	t.Helper()
	text := os.Getenv("LAWS_EVERY")
	if text == "" {
		return 17
	}
	n, err := strconv.Atoi(text)
	require.NoError(t, err)
	return n
}

func TestDocketSlipYearsAndFruitOfATreeSayTheSame(t *testing.T) {
	a := start(t, "2026-11-28")
	every, compared, fruited, tasks := voiceEvery(t), 0, 0, 0
	for n := range 24 { // twice a month
		on := (a.today + almanac.Day(n*365/24)).String()
		for o, slug := range []string{"lower-terrace", "saltwind"} {
			plan := a.ok("GET", "/api/orchards/"+slug+"/plan?day="+on, nil)
			for k, tree := range list(plan, "trees") {
				if (k+5*n+o)%every != 0 && (n > 0 || k%3 != o) { // each tree on some of the days, a third of them today
					continue
				}
				v := voice{a, slug, fmt.Sprint(tree["id"]), on}
				if a.ok("GET", v.tree("/map"), nil)["mapped"] != true {
					continue
				}
				slip := a.ok("GET", v.tree("/map/slip"), nil)
				v.sameYears(t, slip)
				tasks += v.sameTasks(t, slip)
				if v.sameFruit(t, slip) {
					fruited++
				}
				compared++
			}
		}
	}
	require.Greater(t, compared, 20)
	require.NotZero(t, fruited)
	require.NotZero(t, tasks)
}

// voice is a tree on a day, as each of its pages tells of it.
type voice struct {
	a             *app
	slug, id, day string
}

func (v voice) tree(page string) string {
	return fmt.Sprintf("/api/orchards/%s/trees/%s%s?day=%s", v.slug, v.id, page, v.day)
}

func (v voice) sameYears(t *testing.T, slip object) {
	t.Helper()
	rows := list(v.a.ok("GET", v.tree("/map/slip/years"), nil), "years")
	k := slices.IndexFunc(rows, func(y object) bool { return strings.HasSuffix(fmt.Sprint(slip["key"]), fmt.Sprint("-", y["year"])) })
	require.GreaterOrEqual(t, k, 0, "%s on %s: the slip %v is of a year of the plan", v.id, v.day, slip["key"])
	first := rows[k]
	own := first["winter"].([]any)
	if slip["season"] == "summer" {
		own = first["summer"].([]any)
	}
	require.Len(t, own, len(list(slip, "steps")), "%s on %s: the first year of the plan is the slip", v.id, v.day)
	for i, s := range list(slip, "steps") {
		require.Equal(t, s["title"], own[i], "%s on %s", v.id, v.day)
		if how := fmt.Sprint(s["title"]); strings.Contains(how, "bud") || strings.Contains(how, "shortened") || strings.Contains(how, "leaves") {
			require.NotEmpty(t, s["bud"], "%s on %s: %s says which bud comes out on top", v.id, v.day, how)
		}
	}
	if slip["season"] == "dormant" {
		require.InDelta(t, slip["gauge"].(object)["slip"], first["winter_share"], 1e-4, "%s on %s: share", v.id, v.day)
	}
	require.InDelta(t, slip["height"].(object)["this_cm"], first["height_cut_cm"], 1, "%s on %s: height this year", v.id, v.day)
}

// sameTasks compares the windows of a tree's tasks, and the amounts of those the slip of the day is the work of.
func (v voice) sameTasks(t *testing.T, slip object) (amounts int) {
	t.Helper()
	for _, x := range list(v.a.ok("GET", v.tree("/plan"), nil), "tasks") {
		opens, closes := fmt.Sprint(x["opens"]), fmt.Sprint(x["closes"])
		require.LessOrEqual(t, opens, closes, "%s on %s: %v closes before it opens", v.id, v.day, x["kind"])
		for _, r := range list(x, "reasons") {
			// a reason for when to thin names a day of the window; one tells why these weeks do nothing for next year's bloom
			if rule := fmt.Sprint(r["rule"]); strings.HasPrefix(rule, "thin-") && rule != "thin-after-next-year" && r["day"] != nil {
				require.GreaterOrEqual(t, fmt.Sprint(r["day"]), opens, "%s on %s: %s names a day before the window", v.id, v.day, rule)
			}
		}
		ofWinter := x["kind"] == "dormant-cut"
		ofSummer := x["kind"] == "height-cut" || x["kind"] == "summer-cut" || x["kind"] == "restraining-cut"
		mine := slip["season"] == "dormant" && ofWinter || slip["season"] == "summer" && ofSummer
		told := slices.ContainsFunc(list(x, "reasons"), func(r object) bool { return r["rule"] == "from-slip" })
		if v.day != v.a.today.String() || !mine || !told {
			continue
		}
		amounts++
		require.InDelta(t, math.Max(5, slip["minutes"].(float64)), x["minutes"], 0.6, "%s: minutes of %v", v.id, x["kind"])
		if x["share"] != nil {
			require.InDelta(t, slip["gauge"].(object)["slip"], x["share"], 1e-3, "%s: share of %v", v.id, x["kind"])
		}
	}
	return amounts
}

func (v voice) sameFruit(t *testing.T, slip object) bool {
	t.Helper()
	fruit := slip["fruit"].(object)
	if fruit["wanted"].(float64) == 0 {
		return false
	}
	page := v.a.ok("GET", v.tree("/fruit"), nil)
	require.Equal(t, page["target"], fruit["wanted"], "%s on %s: what it is to carry", v.id, v.day)
	if page["available"] != nil {
		require.Equal(t, page["available"], fruit["fruit"], "%s on %s: what is to hang", v.id, v.day)
	}
	for _, y := range list(v.a.ok("GET", v.tree("/map/slip/years"), nil), "years") {
		if y["year"] == page["season"] {
			require.InDelta(t, page["kg"], y["kilos"], 0.51, "%s on %s: kilos of the season", v.id, v.day)
		}
	}
	return true
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
