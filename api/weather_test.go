package api_test

import (
	"context"
	"fmt"
	"net/http/httptest"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/station"
	"vertumna/weather"
)

// sky lets a station tell an app its weather.
func (a *app) sky() {
	a.t.Helper()
	srv := httptest.NewServer(station.Handler(func() almanac.Day { return a.today }, time.Second, nil))
	defer srv.Close()
	c, err := weather.New(srv.URL, weather.Settings{})
	require.NoError(a.t, err)
	require.NoError(a.t, keeper(a.store, a.today).UpdateWeather(context.Background(), c))
}

func spanDays(t *testing.T, a *app, tree, stage string) (early, late almanac.Day) {
	t.Helper()
	for _, s := range list(a.ok("GET", lt+"/trees/lower-terrace-"+tree+"/plan", nil), "anchors") {
		if s["name"] == stage {
			return day(s["early"].(string)), day(s["late"].(string))
		}
	}
	t.Fatalf("no stage %s", stage)
	return 0, 0
}

func TestRealDaysNarrowTheSpanOfBloom(t *testing.T) {
	a := start(t, "2027-04-10")
	early, late := spanDays(t, a, "C2", "full_bloom")
	a.sky()
	early2, late2 := spanDays(t, a, "C2", "full_bloom")
	require.Less(t, late2-early2, late-early, "what is known narrows what is to come")
	require.Positive(t, late2-early2+1)
	// the same days give the same plan
	a.serve()
	early3, late3 := spanDays(t, a, "C2", "full_bloom")
	require.Equal(t, []almanac.Day{early2, late2}, []almanac.Day{early3, late3})
}

func TestTheFortnightSaysWhatItsDaysAreFitFor(t *testing.T) {
	a := start(t, "2027-03-10")
	before := a.ok("GET", lt+"/weather", nil)
	require.Contains(t, before["says"], "usual weather")
	require.Empty(t, before["days"])
	a.sky()
	got := a.ok("GET", lt+"/weather", nil)
	require.Len(t, got["days"], 7+15)
	rows := list(got, "fits")
	require.NotEmpty(t, rows)
	for _, row := range rows {
		require.Len(t, row["days"], 15)
		require.NotEmpty(t, row["next"])
		for _, d := range list(row, "days") {
			if d["fit"] != true {
				require.NotEmpty(t, d["why"])
			}
		}
	}
	// what is due and not fit for today says so
	unfit := map[string]bool{}
	for _, row := range rows {
		unfit[row["purpose"].(string)] = list(row, "days")[0]["fit"] != true
	}
	for _, task := range list(a.ok("GET", lt+"/docket", nil), "now") {
		if task["kind"] == "dormant-cut" && task["kind_name"] == "Apple" {
			require.Equal(t, unfit["winter_pome"], task["weather"] != nil, "%v", task["weather"])
		}
	}
	// an entry's weather fills itself, with its source; one that a person typed stays
	e := a.ok("POST", lt+"/entries", object{"id": "weathered", "tree_id": "lower-terrace-C2", "date": "2027-03-08", "kind": "note", "note": "x"})["entry"].(object)
	require.Equal(t, "station", e["weather"].(object)["source"])
	a.ok("POST", lt+"/entries", object{"id": "weathered", "tree_id": "lower-terrace-C2", "date": "2027-03-08", "kind": "note", "note": "x"}) // sent twice
	own := a.ok("POST", lt+"/entries", object{"tree_id": "lower-terrace-C2", "date": "2027-03-08", "kind": "note", "note": "y", "weather": object{"tmin_c": -3.5, "source": "person"}})["entry"].(object)
	require.Equal(t, "person", own["weather"].(object)["source"])
}

func TestAThermometerOfOnesOwnCountsBeforeTheStation(t *testing.T) {
	a := start(t, "2027-05-10")
	a.sky()
	a.refused(422, "date", "a day not after 2027-05-10", "POST", lt+"/weather/own", object{"date": "2027-05-20", "tmin_c": 1, "tmax_c": 9, "rain_mm": 0})
	a.refused(422, "tmin_c", "at most", "POST", lt+"/weather/own", object{"date": "2027-05-09", "tmin_c": 19, "tmax_c": 9, "rain_mm": 0})
	got := a.ok("POST", lt+"/weather/own", object{"date": "2027-05-09", "tmin_c": -4.5, "tmax_c": 12, "rain_mm": 3})
	for _, d := range list(got, "days") {
		if d["date"] == "2027-05-09" {
			require.Equal(t, "own", d["source"])
			require.Equal(t, -4.5, d["tmin_c"])
		}
	}
	// that night asks for a count of what is alive
	require.Contains(t, fmt.Sprint(a.ok("GET", lt+"/docket", nil)), "frost-count")
}

func TestAFileOfDaysIsReadWholeOrNotAtAll(t *testing.T) {
	a := start(t, "2027-05-10")
	file := func(lines ...string) object {
		return object{"text": "date,tmin,tmax,rain,gust\n" + strings.Join(lines, "\n")}
	}
	got := a.ok("POST", lt+"/weather/file", file("2027-05-01,4,15,0,20", "2027-05-02,5,14.5,2.5,", "2027-05-04,3,12,0,31"))
	require.Equal(t, object{"days": 3.0, "from": "2027-05-01", "to": "2027-05-04", "missing": 1.0, "differ": 0.0}, got)
	got = a.ok("POST", lt+"/weather/file", file("2027-05-01,-6,3,0,20", "2027-05-02,5,14.5,2.5,"))
	require.Equal(t, 1.0, got["differ"])
	require.Contains(t, got["says"], "is it of this place?")
	a.ok("POST", lt+"/weather/file", object{"text": "date;tmin;tmax;rain\n2027-05-05;4,5;15;0"})
	for text, field := range map[string]string{
		"date,tmin\n2027-05-01,4":                                         "line 1",
		"date,tmin,tmax,rain\n2027-05-01,40,4,0":                          "line 2, tmin",
		"date,tmin,tmax,rain\n2027-05-01,4,14,0\n2027-05-01,4,14,0":       "line 3, date",
		"date,tmin,tmax,rain\n2027-02-30,4,14,0":                          "line 2, date",
		"date,tmin,tmax,rain\n2028-05-01,4,14,0":                          "line 2, date",
		"date,tmin,tmax,rain\n2027-05-01,4,wet,0":                         "line 2, tmax",
		"date,tmin,tmax,rain\n":                                           "text",
		"date,tmin,tmax,rain" + strings.Repeat("\n2027-04-30,4,120,0", 2): "line 2, tmax",
		"date,tmin,tmax,rain" + fahrenheit(day("2027-04-01"), 12):         "days",
	} {
		a.refused(422, field, "", "POST", lt+"/weather/file", object{"text": text})
	}
	days := 0
	for _, d := range list(a.ok("GET", lt+"/weather", nil), "days") {
		if d["source"] == "file" {
			days++
		}
	}
	require.Equal(t, 2, days, "nothing of the refused files")
}

// fahrenheit is a file of a spring in the wrong unit.
func fahrenheit(from almanac.Day, n int) string {
	out := ""
	for i := range n {
		out += fmt.Sprintf("\n%s,%d,%d,0", from+almanac.Day(i), 38, 57)
	}
	return out
}

// judged holds that a cut in leaf is never judged by the weather of a dormant one, nor the other way round, and counts what is told.
func judged(t *testing.T, task object) int {
	t.Helper()
	wrong := map[string][]string{"summer": {"dormant cuts", "stone fruit cuts", "cuts in bud"}, "winter": {"summer cuts", "in leaf", "cuts in bud"}}
	says, _ := task["weather"].(string)
	if says == "" {
		return 0
	}
	for _, not := range wrong[task["mark"].(string)] {
		require.NotContains(t, says, not, "%s", task["title"])
	}
	return 1
}
