package api_test

import (
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"log/slog"
	"net/http"
	"net/http/httptest"
	"os"
	"path/filepath"
	"runtime/debug"
	"sort"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/stretchr/testify/require"

	"vertumna/api"
	"vertumna/core/almanac"
	"vertumna/demo"
	"vertumna/internal/cputime"
	"vertumna/internal/seeded"
	"vertumna/orchard"
	"vertumna/store"
)

// app is the whole program over a database of its own, as a person's browser sees it.
type app struct {
	t     testing.TB
	srv   *httptest.Server
	today almanac.Day
	store *store.Store
}

// serve starts the program over its database; what it had in memory is gone.
func (a *app) serve() {
	if a.srv != nil {
		a.srv.Close()
	}
	today := func() almanac.Day { return a.today }
	a.srv = httptest.NewServer(api.New(api.Config{
		Store: a.store, Keeper: keeping(a.store, today), Today: today, Now: func() time.Time { return time.Date(2027, 2, 20, 9, 0, 0, 0, time.UTC) }, Log: quiet,
	}))
}

var quiet = slog.New(slog.DiscardHandler)

// sky holds the weather that is worked out once for all tests.
var sky = orchard.NewKeeper(nil, nil, quiet)

func keeping(s *store.Store, today func() almanac.Day) *orchard.Keeper {
	k := orchard.NewKeeper(s, today, quiet)
	k.SkyOf(sky)
	return k
}

func keeper(s *store.Store, today almanac.Day) *orchard.Keeper {
	return keeping(s, func() almanac.Day { return today })
}

func day(text string) almanac.Day {
	d, err := almanac.ParseDay(text)
	if err != nil {
		panic(err)
	}
	return d
}

// TestMain gives the tests the room that two cores want to stay busy: a server beside them keeps to its own bound, tested in cmd/vertumna.
func TestMain(m *testing.M) {
	debug.SetGCPercent(400)
	debug.SetMemoryLimit(4 << 30) // many servers side by side: beyond this it collects as often as it takes
	os.Exit(m.Run())
}

// besides marks the tests that run beside others: each has a file and a server of its own.
var besides sync.Map

func start(t testing.TB, today string) *app {
	t.Helper()
	if test, ok := t.(*testing.T); ok {
		if _, twice := besides.LoadOrStore(test, true); !twice {
			test.Parallel()
		}
	}
	return serving(t, seeded.Open(t, seeded.Copy(t, demoFile(t, today))), today)
}

// startLater is the demo of a day that other tests make too, opened on a later one.
func startLater(t testing.TB, made, today string) *app {
	t.Helper()
	a := start(t, made)
	a.today = day(today)
	return a
}

// serving is a program over a store.
func serving(t testing.TB, s *store.Store, today string) *app {
	t.Helper()
	a := &app{t: t, today: day(today), store: s}
	a.serve()
	t.Cleanup(func() {
		a.srv.Close()
		_ = s.Close()
		a.srv = nil // a test that has ended is kept until all have: what its server had worked out is not
	})
	return a
}

var demoFiles seeded.Files[string]

// demoFile is the demo's database as of a day, its slips made, once for all tests.
func demoFile(t testing.TB, today string) []byte {
	t.Helper()
	return demoFiles.Of(t, today, func(path string) {
		require.NoError(t, os.WriteFile(path, seeded.Demo(t, day(today)), 0o600))
		s := seeded.Open(t, path)
		require.NoError(t, keeper(s, day(today)).MakeSlips(context.Background()))
		require.NoError(t, s.Close())
	})
}

type object = map[string]any

func (a *app) send(method, path string, body any) (int, object) {
	a.t.Helper()
	var in io.Reader
	if text, ok := body.(string); ok {
		in = strings.NewReader(text)
	} else if body != nil {
		text, err := json.Marshal(body)
		require.NoError(a.t, err)
		in = bytes.NewReader(text)
	}
	r, err := http.NewRequest(method, a.srv.URL+path, in)
	require.NoError(a.t, err)
	r.Header.Set("Content-Type", "application/json")
	res, err := http.DefaultClient.Do(r)
	require.NoError(a.t, err)
	defer func() { _ = res.Body.Close() }()
	text, err := io.ReadAll(res.Body)
	require.NoError(a.t, err)
	require.NotContains(a.t, string(text), almanac.NoDay.String(), "%s %s tells a day that is none", method, path)
	var out object
	if len(text) > 0 && text[0] == '{' {
		require.NoError(a.t, json.Unmarshal(text, &out))
	} else if len(text) > 0 && text[0] == '[' {
		var list []any
		require.NoError(a.t, json.Unmarshal(text, &list))
		out = object{"list": list}
	} else {
		out = object{"text": string(text)}
	}
	return res.StatusCode, out
}

func (a *app) ok(method, path string, body any) object {
	a.t.Helper()
	status, out := a.send(method, path, body)
	require.Less(a.t, status, 300, "%s %s: %v", method, path, out)
	return out
}

// refused checks a problem document: status, field and words of what was given and expected.
func (a *app) refused(status int, field, words, method, path string, body any) object {
	a.t.Helper()
	got, out := a.send(method, path, body)
	require.Equal(a.t, status, got, "%v", out)
	require.Equal(a.t, float64(status), out["status"])
	if field != "" {
		errs, _ := out["errors"].([]any)
		require.NotEmpty(a.t, errs, "%v", out)
		first := errs[0].(object)
		require.Equal(a.t, field, first["field"])
		require.NotEmpty(a.t, first["given"])
		require.Contains(a.t, first["expected"].(string)+" "+first["given"].(string), words)
	}
	return out
}

const lt = "/api/orchards/lower-terrace"

func groups(d object) (out []object) {
	for _, g := range []string{"now", "closing", "opening", "wait", "missed", "anytime"} {
		for _, t := range d[g].([]any) {
			out = append(out, t.(object))
		}
	}
	return out
}

func TestTheDocketFollowsTheDayShown(t *testing.T) {
	a := start(t, "2027-02-20")
	for _, d := range []string{"2026-11-05", "2027-02-20", "2027-06-25", "2027-09-20"} {
		body := a.ok("GET", lt+"/docket?day="+d, nil)
		require.Equal(t, d, body["day"])
		all := groups(body)
		require.NotEmpty(t, all, d)
		for _, task := range all {
			require.NotEmpty(t, task["title"])
			require.NotEmpty(t, task["reasons"])
			require.Contains(t, task["cautions"], "Local rules and licensed practice come first.")
		}
	}
	winter := a.ok("GET", lt+"/docket?day=2027-02-20", nil)
	waits := []string{}
	for _, task := range winter["wait"].([]any) {
		waits = append(waits, task.(object)["code"].(string))
	}
	require.Contains(t, waits, "B1", "a cherry in a wet winter waits for dry summer")
	south := a.ok("GET", "/api/orchards/saltwind/plan?day=2027-02-20", nil)
	require.Equal(t, "2026-05-01", south["from"])
	require.Equal(t, true, south["south"])
}

func TestALoggedCutMovesTheAccountAndBooksItsFollowUps(t *testing.T) {
	a := start(t, "2027-03-10")
	tree := lt + "/trees/lower-terrace-C2/plan"
	var task object
	for _, x := range a.ok("GET", tree, nil)["tasks"].([]any) {
		if x.(object)["kind"] == "dormant-cut" {
			task = x.(object)
		}
	}
	require.Equal(t, "open", task["state"])
	res := a.ok("POST", lt+"/entries", object{"tree_id": "lower-terrace-C2", "date": "2027-03-10", "kind": "work", "task_id": task["id"], "task": "dormant-cut", "outcome": "done", "share": 0.16, "minutes": 55})
	entry := res["entry"].(object)
	require.Equal(t, "better", entry["grade"])
	require.Equal(t, "Orla", entry["who"])
	require.Equal(t, "dormant", entry["tree_stage"])
	after := a.ok("GET", tree, nil)
	acc := after["summary"].(object)["account"].(object)
	require.InDelta(t, 0.16, acc["removed"], 1e-9)
	kinds := map[string]int{}
	for _, x := range after["tasks"].([]any) {
		kinds[x.(object)["kind"].(string)]++
	}
	require.Equal(t, 2, kinds["sprout-visit"])

	a.ok("DELETE", lt+"/entries/"+entry["id"].(string), nil)
	acc = a.ok("GET", tree, nil)["summary"].(object)["account"].(object)
	require.Zero(t, acc["removed"])
}

func TestAJobOutsideItsWindowIsAcceptedWithItsReason(t *testing.T) {
	a := start(t, "2027-02-20")
	cut := object{"tree_id": "lower-terrace-B1", "date": "2027-02-20", "kind": "work", "task": "summer-cut", "outcome": "done", "share": 0.1}
	a.refused(422, "reason", "why it was done then", "POST", lt+"/entries", cut)
	cut["reason"] = "a limb hung over the path"
	got := a.ok("POST", lt+"/entries", cut)
	require.Equal(t, "forbidden", got["entry"].(object)["grade"])
	left := object{"tree_id": "lower-terrace-C3", "date": "2027-02-20", "kind": "work", "task": "dormant-cut", "outcome": "left"}
	a.refused(422, "reason", "next year's plan", "POST", lt+"/entries", left)
}

func TestBadInputNamesTheFieldAndLosesNothing(t *testing.T) {
	a := start(t, "2027-02-20")
	before := a.ok("GET", lt+"/trees", nil)["list"]
	tree := func(k string, v any) object {
		o := object{"code": "", "kind": "apple", "x": 1.0, "y": 1.0}
		o[k] = v
		return o
	}
	a.refused(422, "kind", "one of apple", "POST", lt+"/trees", tree("kind", "cactus"))
	a.refused(422, "kind", "not for this method", "POST", lt+"/trees", tree("kind", "walnut"))
	a.refused(422, "height_m", "at most 25", "POST", lt+"/trees", tree("height_m", 40))
	a.refused(422, "planted", "not after 2027-02-20", "POST", lt+"/trees", tree("planted", "2027-06-01"))
	a.refused(422, "name", "", "POST", lt+"/trees", tree("name", strings.Repeat("x", 501)))
	a.refused(422, "share", "", "POST", lt+"/entries", object{"tree_id": "lower-terrace-C2", "date": "2027-02-20", "kind": "work", "task": "dormant-cut", "outcome": "done", "share": 1.4})
	a.refused(422, "date", "not after", "POST", lt+"/entries", object{"tree_id": "lower-terrace-C2", "date": "2027-02-21", "kind": "note"})
	a.refused(422, "tree_id", "a tree of this orchard", "POST", lt+"/entries", object{"tree_id": "nobody", "date": "2027-02-20", "kind": "note"})
	a.refused(422, "full_bloom", "bud_break", "POST", lt+"/entries", func() object {
		a.ok("POST", lt+"/entries", object{"tree_id": "lower-terrace-C2", "date": "2027-02-18", "kind": "observed", "stage": "bud_break"})
		return object{"tree_id": "lower-terrace-C2", "date": "2027-02-10", "kind": "observed", "stage": "full_bloom"}
	}())
	a.refused(422, "day", "2002 to 2098", "GET", lt+"/plan?day=2100-01-01", nil)
	a.refused(422, "date", "YYYY-MM-DD", "GET", lt+"/plan?day=tomorrow", nil)
	a.refused(404, "", "", "GET", "/api/orchards/nowhere", nil)
	a.refused(400, "", "", "POST", lt+"/trees", "{not json")
	status, _ := a.send("POST", lt+"/trees", `{"notes":"`+strings.Repeat("x", 50<<20)+`"}`)
	require.Equal(t, http.StatusRequestEntityTooLarge, status)
	require.Equal(t, before, a.ok("GET", lt+"/trees", nil)["list"])

	same := a.ok("POST", lt+"/trees/check", object{"code": "", "kind": "apple", "x": 6.1, "y": 4.9})
	require.Equal(t, "same_spot", same["warnings"].([]any)[0].(object)["code"])
	odd := "\u200f<b>نص</b> 🌳"
	kept := a.ok("POST", lt+"/trees", tree("name", odd))["tree"].(object)
	require.Equal(t, odd, kept["name"])
	require.Equal(t, "T3", kept["code"], "the next free label")
}

func TestPlacesOutsideTheModelsAreRefusedOrWarnedOf(t *testing.T) {
	a := start(t, "2027-02-20")
	a.refused(422, "lat", "at most 90", "GET", "/api/climates?lat=95&lon=0", nil)
	near := a.ok("GET", "/api/climates?lat=46&lon=14", nil)["list"].([]any)
	base := near[0].(object)["site"].(object)
	place := func(k string, v any) object {
		o := object{"base": base, "name": "Here", "lat": 46.0, "lon": 14.0, "utc_offset_min": 60}
		o[k] = v
		return o
	}
	a.refused(422, "lat", "at most 90", "POST", "/api/place", place("lat", 95))
	got := a.ok("POST", "/api/place", place("lat", 12))
	require.Equal(t, "stages_unreliable", got["warnings"].([]any)[0].(object)["code"])
	moved := a.ok("POST", "/api/place", place("last_spring_frost", "05-20"))
	require.Equal(t, "05-20", moved["last_spring_50"])
	a.refused(422, "last_spring_frost", "MM-DD", "POST", "/api/place", place("last_spring_frost", "May"))
	a.refused(422, "line 12, table", "twelve months", "POST", "/api/place", place("csv", "tmax,tmin,rain\n"+strings.Repeat("10,2,30\n", 11)))
	csv := "month,tmax_f,tmin_f,rain_in\n"
	for m := range 12 {
		csv += fmt.Sprintf("%d,86,68,2\n", m+1)
	}
	read := a.ok("POST", "/api/place", place("csv", csv))
	require.InDelta(t, 30.0, read["site"].(object)["tmax"].([]any)[0], 1e-9)
	require.Equal(t, "no_frost", read["warnings"].([]any)[0].(object)["code"])
	bad := object{}
	for k, v := range base {
		bad[k] = v
	}
	bad["tmin"] = []float64{1, 2, 3}
	a.refused(422, "site.tmin", "12", "POST", "/api/orchards", object{"name": "X", "units": "metric", "site": bad, "school": object{"preset": "steady", "own": object{}, "advice": []any{}}, "plot": object{"outline": []any{}, "features": []any{}, "north_deg": 0, "row_distance_m": 0}})
}

func TestTwoEditsAtOnceAreRefusedWithBothVersions(t *testing.T) {
	a := start(t, "2027-02-20")
	tree := a.ok("GET", lt+"/trees", nil)["list"].([]any)[0].(object)
	edit := object{"version": tree["version"], "tree": tree}
	tree["notes"] = "mine"
	a.ok("PUT", lt+"/trees/"+tree["id"].(string), edit)
	tree["notes"] = "yours"
	p := a.refused(409, "version", "2", "PUT", lt+"/trees/"+tree["id"].(string), edit)
	require.Equal(t, "mine", p["current"].(object)["notes"])
	require.Equal(t, 2.0, p["current_version"], "what to build on")
	require.Equal(t, 1.0, p["given_version"])
}

func TestSwitchingTheSchoolMovesWindows(t *testing.T) {
	a := start(t, "2027-02-20")
	opens := func() string {
		for _, x := range a.ok("GET", lt+"/trees/lower-terrace-C2/plan", nil)["tasks"].([]any) {
			if x.(object)["kind"] == "dormant-cut" {
				return x.(object)["opens"].(string)
			}
		}
		return ""
	}
	before := opens()
	o := a.ok("GET", lt, nil)["orchard"].(object)
	o["school"].(object)["preset"] = "renewal-row"
	a.ok("PUT", lt, object{"version": o["version"], "orchard": o})
	require.Less(t, opens(), before)
	o["school"].(object)["preset"] = "wild"
	a.refused(422, "preset", "steady", "PUT", lt, object{"version": o["version"], "orchard": o})
}

func TestAnArchiveBringsAnOrchardBackWhole(t *testing.T) {
	a := start(t, "2027-02-20")
	a.sky()
	a.ok("POST", lt+"/weather/own", object{"date": "2027-02-18", "tmin_c": -7.5, "tmax_c": 1, "rain_mm": 0})
	a.ok("POST", lt+"/own-tasks", object{"title": "Oil the gate", "date": "2027-03-01", "for_days": 30, "minutes": 20})
	for _, j := range list(a.ok("GET", lt+"/days", nil), "jobs") {
		if title := j["title"]; title == "Oil the gate" || title == "Stand back and look" && j["code"] == "C2" {
			a.ok("PUT", lt+"/days", object{"task_id": j["task_id"], "day": "2027-03-08"})
		}
	}
	archive := a.ok("GET", lt+"/archive", nil)
	slugs := a.ok("POST", "/api/archive", archive)["slugs"].([]any)
	require.Equal(t, "lower-terrace-2", slugs[0])
	a.sky() // the forecast is asked for again
	bars := func(slug string) (out []string) {
		for _, tr := range a.ok("GET", "/api/orchards/"+slug+"/plan", nil)["trees"].([]any) {
			for _, b := range tr.(object)["bars"].([]any) {
				out = append(out, fmt.Sprint(tr.(object)["code"], b.(object)["kind"], b.(object)["opens"], b.(object)["state"]))
			}
		}
		return out
	}
	require.Equal(t, bars("lower-terrace"), bars("lower-terrace-2"))
	byHand := func(slug string) (out []string) {
		for _, j := range list(a.ok("GET", "/api/orchards/"+slug+"/days", nil), "jobs") {
			if j["set"] == true {
				out = append(out, fmt.Sprint(j["code"], j["title"], j["pieces"]))
			}
		}
		return out
	}
	require.Len(t, byHand("lower-terrace"), 2)
	require.Equal(t, byHand("lower-terrace"), byHand("lower-terrace-2"))
	require.Contains(t, fmt.Sprint(a.ok("GET", "/api/orchards/lower-terrace-2/weather", nil)["days"]), "-7.5")
	a.refused(422, "format", "vertumna-archive", "POST", "/api/archive", object{"format": "other"})
	a.ok("DELETE", "/api/orchards/lower-terrace-2", nil)
	a.refused(404, "", "", "GET", "/api/orchards/lower-terrace-2", nil)
}

func TestOwnTasksStandOnTheDocket(t *testing.T) {
	a := start(t, "2027-02-20")
	a.ok("POST", lt+"/own-tasks", object{"title": "Lime wash", "date": "2027-02-19", "for_days": 5})
	titles := []string{}
	for _, task := range groups(a.ok("GET", lt+"/docket", nil)) {
		titles = append(titles, task["title"].(string))
	}
	require.Contains(t, titles, "Lime wash")
	a.refused(422, "date", "a date, or a tree and a stage", "POST", lt+"/own-tasks", object{"title": "When", "stage": "full_bloom"})
}

func TestTheCalendarAddressIsSecretAndCanBeWithdrawn(t *testing.T) {
	a := start(t, "2027-02-20")
	address := a.ok("POST", lt+"/calendar", nil)["address"].(string)
	path := strings.TrimPrefix(address, a.srv.URL)
	text := a.ok("GET", path, nil)["text"].(string)
	require.Contains(t, text, "BEGIN:VEVENT")
	a.ok("DELETE", lt+"/calendar", nil)
	status, _ := a.send("GET", path, nil)
	require.Equal(t, 404, status)
}

func TestForeignHostsAndPagesAreKeptOut(t *testing.T) {
	a := start(t, "2027-02-20")
	r, err := http.NewRequest("GET", a.srv.URL+lt, nil)
	require.NoError(t, err)
	r.Host = "evil.example"
	res, err := http.DefaultClient.Do(r)
	require.NoError(t, err)
	_ = res.Body.Close()
	require.Equal(t, 403, res.StatusCode)
	r, err = http.NewRequest("POST", a.srv.URL+lt+"/calendar", nil)
	require.NoError(t, err)
	r.Header.Set("Origin", "https://evil.example")
	r.Header.Set("Sec-Fetch-Site", "cross-site")
	res, err = http.DefaultClient.Do(r)
	require.NoError(t, err)
	_ = res.Body.Close()
	require.Equal(t, 403, res.StatusCode)
}

// TestThePublishedContractIsTheProgramsOwn fails when api/openapi.json, from which the TypeScript types are made, drifts.
func TestThePublishedContractIsTheProgramsOwn(t *testing.T) {
	kept, err := os.ReadFile("openapi.json")
	require.NoError(t, err)
	now, err := api.OpenAPI()
	require.NoError(t, err)
	require.JSONEq(t, string(now), string(kept), "run make types")
}

// BenchmarkStartToFirstDocket opens the demo database and answers its first docket.
func BenchmarkStartToFirstDocket(b *testing.B) {
	path := filepath.Join(b.TempDir(), "demo.db")
	s, err := store.Open(context.Background(), path)
	require.NoError(b, err)
	require.NoError(b, demo.Fill(context.Background(), s, day("2027-02-20")))
	require.NoError(b, keeper(s, day("2027-02-20")).MakeSlips(context.Background()))
	require.NoError(b, s.Close())
	for b.Loop() {
		s, err := store.Open(context.Background(), path)
		require.NoError(b, err)
		h := api.New(api.Config{Store: s, Keeper: keeper(s, day("2027-02-20")), Today: func() almanac.Day { return day("2027-02-20") }, Now: time.Now, Log: quiet})
		w := httptest.NewRecorder()
		h.ServeHTTP(w, httptest.NewRequest("GET", "http://localhost"+lt+"/docket", nil))
		require.Equal(b, 200, w.Code)
		require.NoError(b, s.Close())
	}
}

// percentile runs a request for as long as the benchmark asks, after its wait, and gives the 99th percentile of its time
// in milliseconds.
func percentile(b *testing.B, wait, request func()) float64 {
	b.Helper()
	var took []float64
	for b.Loop() {
		wait()
		begin := time.Now()
		request()
		took = append(took, float64(time.Since(begin).Microseconds())/1000)
	}
	sort.Float64s(took)
	return took[len(took)*99/100]
}

func get(b *testing.B, url string) {
	b.Helper()
	res, err := http.Get(url)
	require.NoError(b, err)
	_, _ = io.Copy(io.Discard, res.Body)
	_ = res.Body.Close()
}

// BenchmarkFirstPlans makes the plans of all 22 trees of the demo with their slips, where nothing was made before, and what that
// comes to for 30; slips-ms is the part of the slips alone: what it takes less than when they are made and only the plans are not.
func BenchmarkFirstPlans(b *testing.B) {
	today := day("2027-02-20")
	cpu, plans := 0.0, 0.0
	for b.Loop() {
		b.StopTimer()
		s, err := store.Open(context.Background(), filepath.Join(b.TempDir(), "demo.db"))
		require.NoError(b, err)
		require.NoError(b, demo.Fill(context.Background(), s, today))
		b.StartTimer()
		from := cputime.Used()
		require.NoError(b, keeper(s, today).MakeSlips(context.Background()))
		cpu += cputime.Used() - from
		b.StopTimer()
		begin := time.Now()
		require.NoError(b, keeper(s, today).MakeSlips(context.Background()))
		plans += time.Since(begin).Seconds() * 1000
		require.NoError(b, s.Close())
		b.StartTimer()
	}
	all := b.Elapsed().Seconds() * 1000
	b.ReportMetric(all/float64(b.N)*30/22, "ms/30trees")
	b.ReportMetric((all-plans)/float64(b.N)*30/22, "slips-ms/30trees")
	b.ReportMetric(cpu/float64(b.N)*30/22, "cpu-ms/30trees")
}
