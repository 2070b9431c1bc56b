package api_test

import (
	"bytes"
	"context"
	"database/sql"
	"encoding/json"
	"fmt"
	"log/slog"
	"net/http"
	"net/http/httptest"
	"os"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/require"
	_ "modernc.org/sqlite"

	"vertumna/api"
	"vertumna/core/almanac"
	"vertumna/internal/seeded"
	"vertumna/orchard"
	"vertumna/store"
)

// logged is a program over the demo whose log is read, and whose database can be spoilt behind its back.
type logged struct {
	t    *testing.T
	srv  *httptest.Server
	log  *bytes.Buffer
	path string
	app  *app

	keeper *orchard.Keeper
}

func startLogged(t *testing.T, web http.Handler) *logged {
	t.Helper()
	out := &logged{t: t, log: &bytes.Buffer{}, path: seeded.Copy(t, seeded.Demo(t, day("2027-02-20")))}
	s, today := seeded.Open(t, out.path), day("2027-02-20")
	log, todays := slog.New(slog.NewJSONHandler(out.log, nil)), func() almanac.Day { return today }
	out.keeper = orchard.NewKeeper(s, todays, log)
	out.srv = httptest.NewServer(api.New(api.Config{Store: s, Keeper: out.keeper, Today: todays, Now: time.Now, Web: web, Log: log}))
	out.app = &app{t: t, srv: out.srv, today: today, store: s}
	t.Cleanup(func() { out.srv.Close(); _ = s.Close() })
	return out
}

// spoil changes the database as nobody should.
func (l *logged) spoil(query string, args ...any) {
	l.t.Helper()
	db, err := sql.Open("sqlite", "file:"+l.path)
	require.NoError(l.t, err)
	_, err = db.Exec(query, args...)
	require.NoError(l.t, err)
	require.NoError(l.t, db.Close())
}

// line is the first line of the log with a message, all requests answered and told. The program is at its end then.
func (l *logged) line(message string) object {
	l.srv.Close()
	for _, text := range strings.Split(l.log.String(), "\n") {
		var x object
		if json.Unmarshal([]byte(text), &x) == nil && x["msg"] == message {
			return x
		}
	}
	return nil
}

func TestARowThatCannotBeReadIsSetAsideAndNamed(t *testing.T) {
	l := startLogged(t, nil)
	before := len(list(l.app.ok("GET", lt+"/entries", nil), "list"))
	l.spoil(`UPDATE entries SET body = json_set(body, '$.minutes', 'an hour') WHERE id = (SELECT id FROM entries WHERE json_extract(body, '$.kind') = 'work' LIMIT 1)`)
	l.spoil(`UPDATE entries SET body = json_set(body, '$.date', 'soon') WHERE id = (SELECT id FROM entries WHERE json_extract(body, '$.kind') = 'observed' LIMIT 1)`)
	l.spoil(`UPDATE trees SET body = json_set(body, '$.x', 'by the wall') WHERE id = 'lower-terrace-D2'`)
	l.spoil(`UPDATE orchards SET revision = revision + 1`)

	plan := l.app.ok("GET", lt+"/plan", nil)
	require.Len(t, plan["set_aside"], 3)
	require.Contains(t, plan["set_aside"].([]any)[0], "A tree (lower-terrace-D2) cannot be read and is left out")
	require.Len(t, plan["trees"], 15, "the other trees are planned")
	require.Len(t, l.app.ok("GET", lt+"/entries", nil)["list"], before-2, "the rest of the journal reads")
	status, _ := l.app.send("GET", lt+"/export", nil)
	require.NotEqual(t, 200, status, "an archive that would leave something out is refused")
	require.Equal(t, "lower-terrace-D2", l.line("row set aside")["row"])
	require.NotEmpty(t, l.line("row set aside")["cause"])
}

func TestATreeWhoseMapIsSpoiltLeavesTheOthersTheirPlan(t *testing.T) {
	l := startLogged(t, nil)
	l.spoil(`UPDATE limb_maps SET body = '{"limbs": 5}', whole = NULL, change = NULL WHERE tree_id = 'lower-terrace-A4'`)
	plan := l.app.ok("GET", lt+"/plan", nil)
	require.Len(t, plan["trees"], 16)
	require.Len(t, plan["set_aside"], 1)
	require.Contains(t, plan["set_aside"].([]any)[0], "A4: its map could not be worked out")
	require.NotEmpty(t, list(l.app.ok("GET", lt+"/trees/lower-terrace-A1/map/slip", nil), "steps"), "another's slip")
	require.Equal(t, "lower-terrace-A4", l.line("tree not worked out")["id"])
}

func TestATreeThatTakesTooLongIsNamedAndTheOthersDoNotWait(t *testing.T) {
	l := startLogged(t, nil)
	l.keeper.WaitForTree(1)
	plan := l.app.ok("GET", lt+"/plan", nil)
	require.Len(t, plan["trees"], 16, "all have their year")
	require.Contains(t, fmt.Sprint(plan["set_aside"]), "A4: its map could not be worked out, or not in time")
	status, out := l.app.send("GET", lt+"/trees/lower-terrace-A4/map/slip/years", nil)
	require.Equal(t, 503, status)
	require.Contains(t, out["detail"], "ask again in a minute")
	l.keeper.WaitForTree(time.Minute)
	l.app.ok("GET", lt+"/trees/lower-terrace-A4/map/slip/years", nil)
}

func TestAFullDiskIsSaidAndNothingIsLostOrHalfMade(t *testing.T) {
	path := seeded.Copy(t, seeded.Demo(t, day("2027-02-20")))
	info, err := os.Stat(path)
	require.NoError(t, err)
	s, err := store.Open(context.Background(), path, store.WithMostPages(int(info.Size()/4096)+8))
	require.NoError(t, err)
	a := serving(t, s, "2027-02-20")
	before := len(list(a.ok("GET", lt+"/entries", nil), "list"))
	note := object{"date": "2027-02-19", "kind": "note", "note": strings.Repeat("all about the wind. ", 90)}
	kept := 0
	for range 200 {
		status, out := a.send("POST", lt+"/entries", note)
		if status == 200 {
			kept++
			continue
		}
		require.Equal(t, 507, status, "%v", out)
		require.Contains(t, out["detail"], "the disk is full: nothing of this was kept")
		break
	}
	require.Less(t, kept, 200, "it came to an end")
	require.Len(t, list(a.ok("GET", lt+"/entries", nil), "list"), before+kept, "all that was kept stands, and it is read")
	a.ok("GET", lt+"/plan", nil)
	a.srv.Close()
	require.NoError(t, s.Close())
	s, err = store.Open(context.Background(), path) // room was made
	require.NoError(t, err)
	a = serving(t, s, "2027-02-20")
	a.ok("POST", lt+"/entries", note)
	require.Len(t, list(a.ok("GET", lt+"/entries", nil), "list"), before+kept+1)
}

func TestAFaultOfOursIsLoggedWithItsCauseAndRequest(t *testing.T) {
	l := startLogged(t, nil)
	l.spoil(`DROP TABLE own_tasks`)
	l.spoil(`UPDATE orchards SET revision = revision + 1`)
	status, out := l.app.send("GET", lt+"/plan", nil)
	require.Equal(t, 500, status)
	require.NotContains(t, out["detail"], "own_tasks", "the person is told no table")
	fault := l.line("fault")
	require.NotNil(t, fault)
	require.Contains(t, fault["cause"], "own_tasks")
	require.Equal(t, "get-plan", fault["operation"])
	require.Equal(t, l.line("request")["id"], fault["id"], "the same request")
}

func TestAPanicIsLoggedWithItsStack(t *testing.T) {
	l := startLogged(t, http.HandlerFunc(func(http.ResponseWriter, *http.Request) { panic("a branch fell") }))
	res, err := http.Get(l.srv.URL + "/yard")
	require.NoError(t, err)
	require.NoError(t, res.Body.Close())
	require.Equal(t, 500, res.StatusCode)
	told := l.line("panic")
	require.NotNil(t, told)
	require.Equal(t, "a branch fell", told["value"])
	require.Contains(t, told["stack"], "operable_test.go")
}

func TestTheProgramSaysThatItRunsAndWhetherItsDataReads(t *testing.T) {
	l := startLogged(t, nil)
	get := func(path string) int {
		res, err := http.Get(l.srv.URL + path)
		require.NoError(t, err)
		require.NoError(t, res.Body.Close())
		return res.StatusCode
	}
	require.Equal(t, 200, get("/healthz"))
	require.Equal(t, 200, get("/readyz"))
	require.NoError(t, l.app.store.Close())
	require.Equal(t, 200, get("/healthz"))
	require.Equal(t, 503, get("/readyz"))
}
