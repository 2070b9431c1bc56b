package api_test

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"
)

// job is a job of the days that are planned, by its tree and title.
func job(t *testing.T, days object, code, title string) object {
	t.Helper()
	for _, j := range list(days, "jobs") {
		if j["code"] == code && j["title"] == title {
			return j
		}
	}
	t.Fatalf("%s has no day for %s", code, title)
	return nil
}

func firstDay(j object) string { return list(j, "pieces")[0]["date"].(string) }

func TestDocketCalendarAndDaysSayTheSameDay(t *testing.T) {
	a := start(t, "2027-02-20")
	a.sky()
	days := a.ok("GET", lt+"/days", nil)
	require.Equal(t, true, days["hours_said"])
	set := map[string]string{}
	for _, j := range list(days, "jobs") {
		require.NotEmpty(t, j["says"])
		set[j["task_id"].(string)] = firstDay(j)
	}
	told := 0
	for _, task := range groups(a.ok("GET", lt+"/docket", nil)) {
		if day, ok := set[task["id"].(string)]; ok {
			require.Equal(t, day, task["set_for"], "%v", task["title"])
			told++
		}
	}
	require.Positive(t, told)
	calendar := strings.ReplaceAll(a.ok("GET", lt+"/calendar.ics", nil)["text"].(string), "\r\n ", "")
	for id, day := range set {
		event := strings.SplitN(strings.SplitN(calendar, "UID:"+id+".day1@vertumna", 2)[1], "END:VEVENT", 2)[0]
		require.Contains(t, event, "DTSTART;VALUE=DATE:"+strings.ReplaceAll(day, "-", ""), id)
		break
	}
	require.Equal(t, len(set), strings.Count(calendar, ".day1@vertumna"))
}

func TestADaySetByHandMovesTheJobEverywhereAndCanBeGivenBack(t *testing.T) {
	a := start(t, "2027-02-20")
	a.sky()
	days := a.ok("GET", lt+"/days", nil)
	cut := job(t, days, "C1", "Dormant cut")
	id, planned := cut["task_id"].(string), firstDay(cut)
	costs := a.all(lt + "/days/costs?task_id=" + id)
	open, closed := "", ""
	for _, c := range costs {
		require.NotEmpty(t, c["tree"])
		require.NotEmpty(t, c["weather"])
		require.NotEmpty(t, c["time"])
		if c["open"] == true && c["date"] != planned {
			open = c["date"].(string)
		}
		if c["open"] != true {
			closed = c["date"].(string)
		}
	}
	require.NotEmpty(t, open)
	require.NotEmpty(t, closed)
	a.refused(422, "day", "", "PUT", lt+"/days", object{"task_id": id, "day": closed})
	a.refused(422, "task_id", "still to be done", "PUT", lt+"/days", object{"task_id": "no.such.2027", "day": open})
	a.refused(422, "task_id", "still to be done", "GET", lt+"/days/costs?task_id=none", nil)
	moved := job(t, a.ok("PUT", lt+"/days", object{"task_id": id, "day": open}), "C1", "Dormant cut")
	require.Equal(t, open, firstDay(moved))
	require.Equal(t, true, moved["set"])
	require.Contains(t, moved["says"], "You set it.")
	a.serve() // it outlasts the program
	require.Equal(t, open, firstDay(job(t, a.ok("GET", lt+"/days", nil), "C1", "Dormant cut")))
	back := job(t, a.ok("PUT", lt+"/days", object{"task_id": id}), "C1", "Dormant cut")
	require.Equal(t, planned, firstDay(back))
	require.Equal(t, false, back["set"])
}

func TestDaysKeptFreeHoldNoWork(t *testing.T) {
	a := start(t, "2027-02-20")
	a.sky()
	first := firstDay(job(t, a.ok("GET", lt+"/days", nil), "C1", "Dormant cut"))
	for _, p := range a.all(lt + "/people") {
		p["away"] = []object{{"from": first, "to": first}}
		a.ok("PUT", lt+"/people/"+p["id"].(string), object{"version": p["version"], "person": p})
	}
	days := a.ok("GET", lt+"/days", nil)
	for _, d := range list(days, "days") {
		if d["date"] == first {
			require.Zero(t, d["has"])
			require.Zero(t, d["chosen"])
		}
	}
	require.NotEqual(t, first, firstDay(job(t, days, "C1", "Dormant cut")))
	p := a.all(lt + "/people")[0]
	p["away"] = []object{{"from": "2027-03-09", "to": "2027-03-01"}}
	a.refused(422, "away[0].to", "not before", "PUT", lt+"/people/"+p["id"].(string), object{"version": p["version"], "person": p})
}

func TestAnotherSchoolsWindowsAreToldWhereTheyDiffer(t *testing.T) {
	a := start(t, "2027-02-20")
	presets := list(a.ok("GET", "/api/meta", nil), "presets")
	own := a.ok("GET", lt, nil)["orchard"].(object)["school"].(object)["preset"]
	differ := 0
	for _, p := range presets {
		got := a.all(lt + "/plan/other?preset=" + fmt.Sprint(p["slug"]))
		if p["slug"] == own {
			require.Empty(t, got)
			continue
		}
		for _, o := range got {
			require.Contains(t, o["says"], p["name"])
			require.NotEqual(t, o["never"] == true, o["opens"] != nil)
			differ++
		}
	}
	require.Positive(t, differ)
	a.refused(422, "preset", "", "GET", lt+"/plan/other?preset=none", nil)
}
