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
		return 11
	}
	n, err := strconv.Atoi(text)
	require.NoError(t, err)
	return n
}

func TestDocketSlipYearsAndFruitOfATreeSayTheSame(t *testing.T) {
	sameEverywhere(t, "2026-11-28", 12, voiceEvery(t)) // once a month
}

func TestTheySayTheSameOfDaysToComeInSummer(t *testing.T) {
	sameEverywhere(t, "2027-07-10", 5, 2*voiceEvery(t))
}

// sameEverywhere compares what a tree's pages tell on so many days of the year from a day on.
func sameEverywhere(t *testing.T, today string, days, every int) {
	t.Helper()
	compared, fruited, tasks := 0, 0, 0
	for n := range days {
		a := start(t, today)
		on := (a.today + almanac.Day(n*365/days)).String()
		for o, slug := range []string{"lower-terrace", "saltwind", "new-rows"} {
			ids := a.keep("/api/orchards/"+slug, func(k int) bool { // each tree on some of the days, a quarter of them today
				return (k+5*n+o)%every == 0 || n == 0 && k%4 == o
			})
			for _, id := range ids {
				v := voice{a, slug, id, on}
				if a.ok("GET", v.tree("/map"), nil)["mapped"] != true {
					continue
				}
				compared++
				t.Run(v.id+" on "+on, func(t *testing.T) {
					slip := a.ok("GET", v.tree("/map/slip"), nil)
					v.sameYears(t, slip)
					tasks += v.sameTasks(t, slip)
					if v.sameFruit(t, slip) {
						fruited++
					}
				})
			}
		}
	}
	require.Greater(t, compared, 5)
	require.NotZero(t, fruited)
	require.Greater(t, tasks, compared/3)
}

func TestACutComesToTheSameOnEveryDayItIsForeseen(t *testing.T) {
	a := start(t, "2027-03-10")
	first, again := map[string]object{}, 0
	for _, on := range []string{"2027-03-10", "2027-06-20", "2027-11-20", "2028-02-20"} { // no fruit hangs or falls between them but after summer cuts
		for _, tree := range list(a.ok("GET", lt+"/plan?day="+on, nil), "trees") {
			for _, x := range list(a.ok("GET", fmt.Sprintf("%s/trees/%v/plan?day=%s", lt, tree["id"], on), nil), "tasks") {
				if !slices.ContainsFunc(list(x, "reasons"), func(r object) bool { return r["rule"] == "from-slip" }) {
					continue
				}
				id := fmt.Sprint(x["id"])
				if was, told := first[id]; told {
					again++
					require.Equal(t, was["minutes"], x["minutes"], "%s on %s: minutes", id, on)
					require.Equal(t, was["share"], x["share"], "%s on %s: share", id, on)
				} else {
					first[id] = x
				}
			}
		}
	}
	require.Greater(t, again, 30)
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

// sameTasks compares the windows of a tree's tasks, and on every day the amounts of those that the slip of that day is the work of.
func (v voice) sameTasks(t *testing.T, slip object) (amounts int) {
	t.Helper()
	tasks := list(v.a.ok("GET", v.tree("/plan"), nil), "tasks")
	shared := 0.0 // minutes of the summer slip that two jobs share
	for _, x := range tasks {
		if x["kind"] == "summer-shoots" {
			k := slices.IndexFunc(tasks, func(o object) bool {
				return o["season"] == x["season"] && slices.Contains([]any{"height-cut", "summer-cut", "restraining-cut"}, o["kind"])
			})
			if k >= 0 && !slices.Contains([]any{"missed", "done", "looked", "left"}, tasks[k]["state"]) {
				shared = x["minutes"].(float64)
				require.LessOrEqual(t, shared, math.Max(5, slip["minutes"].(float64))+0.6, "%s on %s: no cut is told twice", v.id, v.day)
			}
		}
	}
	for _, x := range tasks {
		opens, closes := fmt.Sprint(x["opens"]), fmt.Sprint(x["closes"])
		require.LessOrEqual(t, opens, closes, "%s on %s: %v closes before it opens", v.id, v.day, x["kind"])
		for _, r := range list(x, "reasons") {
			// a reason for when to thin names a day of the window; one tells why these weeks do nothing for next year's bloom
			if rule := fmt.Sprint(r["rule"]); strings.HasPrefix(rule, "thin-") && rule != "thin-after-next-year" && r["day"] != nil {
				require.GreaterOrEqual(t, fmt.Sprint(r["day"]), opens, "%s on %s: %s names a day before the window", v.id, v.day, rule)
			}
		}
		own := "dormant-"
		switch x["kind"] {
		case "dormant-cut":
		case "height-cut", "summer-cut", "restraining-cut", "autumn-height-cut":
			own = "summer-"
		case "summer-shoots":
			if own = "summer-"; shared > 0 {
				continue
			}
		default:
			continue
		}
		if slip["key"] != own+fmt.Sprint(x["season"]) {
			continue
		}
		amounts++
		if shared > 0 {
			require.InDelta(t, math.Max(5, slip["minutes"].(float64)), x["minutes"], 0.6+shared, "%s on %s: minutes of %v", v.id, v.day, x["kind"])
			continue
		}
		require.InDelta(t, math.Max(5, slip["minutes"].(float64)), x["minutes"], 0.6, "%s on %s: minutes of %v", v.id, v.day, x["kind"])
		if x["share"] != nil {
			require.InDelta(t, slip["gauge"].(object)["slip"], x["share"], 1e-3, "%s on %s: share of %v", v.id, v.day, x["kind"])
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

// What the docket offers can be logged on its day, and is what it was offered as: the same task of the same season, on a good day,
// judged by the weather of that season.
func TestWhatTheDocketOffersCanBeLogged(t *testing.T) {
	said := 0
	every := min(2, voiceEvery(t))                                                                       // every second tree a day, the others the next
	made := []string{"2026-11-28", "2027-02-20", "2027-03-10", "2027-04-10", "2027-05-10", "2027-06-20"} // days whose demo other tests open too
	for n, on := range append(slices.Clone(made), "2027-07-20", "2027-08-20", "2027-10-24") {            // once in every stretch of the year
		a := start(t, made[min(n, len(made)-1)])
		a.today = day(on)
		a.sky()
		a.keep(lt, func(k int) bool { return (k+n)%every == 0 })
		d := a.ok("GET", lt+"/docket", nil)
		logged := map[any]bool{}
		for _, group := range []string{"now", "closing", "anytime"} {
			for _, task := range list(d, group) {
				said += judged(t, task)
				body := object{"tree_id": task["tree_id"], "date": on, "kind": "work", "task": task["kind"], "task_id": task["id"], "outcome": "done"}
				if task["kind"] == "own" {
					continue // kept apart
				}
				out := a.ok("POST", lt+"/entries", body)
				require.Equal(t, task["season"], out["entry"].(object)["season"], "%s %v", on, task["id"])
				grade, graded := out["grade"].(object)
				require.True(t, graded, "%s %v", on, task["id"])
				require.NotEqual(t, "harmful", grade["level"], "%s %v", on, task["id"])
				logged[task["id"]] = true
			}
		}
		for _, task := range groups(a.ok("GET", lt+"/docket", nil)) {
			require.False(t, logged[task["id"]], "%s was logged as done on %s and is offered again", task["id"], on)
		}
	}
	require.NotZero(t, said)
}

// A slip logged in the leafless half before its window is that of the running tree year, and no worse than its own task says.
func TestASlipLoggedBeforeTheTurnOfTheYearIsOfTheRunningTreeYear(t *testing.T) {
	a := start(t, "2026-11-28")
	tree := lt + "/trees/lower-terrace-C1"
	slip := a.ok("GET", tree+"/map/slip", nil)
	done := object{"based_on": slip["revision"], "cuts": []object{{"cut": list(slip, "steps")[0]["cut"]}}}
	a.refused(422, "reason", "why it was done then", "POST", tree+"/map/slip/log", done)
	done["reason"] = "the helper was here"
	out := a.ok("POST", tree+"/map/slip/log", done)
	entry := out["entry"].(object)
	require.EqualValues(t, 2027, entry["season"])
	require.Equal(t, "lower-terrace-C1.dormant-cut.2027", entry["task_id"])
	said := ""
	for _, task := range list(a.ok("GET", tree+"/plan", nil), "tasks") {
		for _, g := range list(task, "grades") {
			from, _ := g["from"].(string)
			to, _ := g["to"].(string)
			if task["id"] == entry["task_id"] && from != "" && from <= "2026-11-28" && "2026-11-28" <= to {
				said = g["says"].(string)
			}
		}
	}
	require.Equal(t, said, out["grade"].(object)["says"], "what the plan says of the day")
}
