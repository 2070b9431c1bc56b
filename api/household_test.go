package api_test

import (
	"bytes"
	"encoding/json"
	"fmt"
	"net/http"
	"net/http/cookiejar"
	"net/http/httptest"
	"testing"
	"time"

	"github.com/stretchr/testify/require"

	"vertumna/api"
	"vertumna/core/almanac"
)

const (
	ownersWords  = "three quinces by the gate"
	helpersWords = "the ladder stays at home"
)

// guest is a browser of the house: it keeps cookies, and comes from an address of its own.
type guest struct {
	t    *testing.T
	h    http.Handler
	from string
	jar  http.CookieJar
}

// house serves an app beyond this machine.
func house(a *app) http.Handler {
	today := func() almanac.Day { return a.today }
	return api.New(api.Config{
		Store: a.store, Keeper: keeping(a.store, today), Today: today, Now: time.Now, Log: quiet,
		Household: api.Household{Beyond: true, TLS: true, Hosts: []string{"orchard.local"}},
	})
}

func visit(t *testing.T, h http.Handler, from string) *guest {
	jar, err := cookiejar.New(nil)
	require.NoError(t, err)
	return &guest{t, h, from, jar}
}

func (g *guest) send(method, path string, body any, headers ...string) (int, object, http.Header) {
	g.t.Helper()
	b, err := json.Marshal(body)
	require.NoError(g.t, err)
	r := httptest.NewRequest(method, "https://orchard.local"+path, bytes.NewReader(b))
	r.RemoteAddr = g.from + ":40000"
	if body != nil {
		r.Header.Set("Content-Type", "application/json")
	}
	for i := 0; i+1 < len(headers); i += 2 {
		if headers[i] == "Host" {
			r.Host = headers[i+1]
		}
		r.Header.Set(headers[i], headers[i+1])
	}
	for _, c := range g.jar.Cookies(r.URL) {
		r.AddCookie(c)
	}
	w := httptest.NewRecorder()
	g.h.ServeHTTP(w, r)
	res := w.Result()
	g.jar.SetCookies(r.URL, res.Cookies())
	out := object{}
	_ = json.Unmarshal(w.Body.Bytes(), &out)
	return res.StatusCode, out, res.Header
}

func (g *guest) signIn(words string) int {
	status, _, _ := g.send("POST", "/api/access/sign-in", object{"passphrase": words})
	return status
}

func TestTheHouseholdIsBehindItsPassphrase(t *testing.T) {
	a := start(t, "2027-03-10")
	h := house(a)
	phone := visit(t, h, "192.168.7.20")
	status, p, _ := phone.send("GET", "/api/orchards", nil)
	require.Equal(t, 403, status, "no passphrase, nobody enters")
	require.Contains(t, p["detail"], "vertumna passphrase")

	// the first is set on this machine only
	status, _, _ = phone.send("PUT", "/api/access/passphrases/owner", object{"passphrase": ownersWords})
	require.Equal(t, 403, status)
	require.NoError(t, a.store.SetPassphrase(t.Context(), "owner", ownersWords))
	require.NoError(t, a.store.SetPassphrase(t.Context(), "helper", helpersWords))

	for _, path := range []string{"/api/orchards", lt + "/docket", lt + "/archive", "/api/meta"} {
		status, _, _ = phone.send("GET", path, nil)
		require.Equal(t, 401, status, path)
	}
	require.Equal(t, 401, phone.signIn("three quinces by the wall"))
	require.Equal(t, 200, phone.signIn(ownersWords))
	status, _, _ = phone.send("GET", lt+"/docket", nil)
	require.Equal(t, 200, status)
	_, said, _ := phone.send("GET", "/api/access", nil)
	require.Equal(t, "owner", said["role"])
	require.Equal(t, false, said["here"])

	// a restart signs nobody out; signing out everywhere does
	phone.h = house(a)
	status, _, _ = phone.send("GET", lt+"/docket", nil)
	require.Equal(t, 200, status)
	other := visit(t, phone.h, "192.168.7.21")
	require.Equal(t, 200, other.signIn(ownersWords))
	status, _, _ = other.send("POST", "/api/access/sign-out-everywhere", nil)
	require.Equal(t, 204, status)
	for _, g := range []*guest{phone, other} {
		status, _, _ = g.send("GET", lt+"/docket", nil)
		require.Equal(t, 401, status)
	}
	// and so does a new passphrase
	require.Equal(t, 200, phone.signIn(ownersWords))
	require.NoError(t, a.store.SetPassphrase(t.Context(), "owner", "four quinces by the gate"))
	status, _, _ = phone.send("GET", lt+"/docket", nil)
	require.Equal(t, 401, status)
	require.Equal(t, 401, phone.signIn(ownersWords))
}

func TestTheSessionsCookieIsOutOfReach(t *testing.T) {
	a := start(t, "2027-03-10")
	require.NoError(t, a.store.SetPassphrase(t.Context(), "owner", ownersWords))
	_, _, header := visit(t, house(a), "192.168.7.20").send("POST", "/api/access/sign-in", object{"passphrase": ownersWords})
	cookie := header.Get("Set-Cookie")
	for _, want := range []string{"HttpOnly", "Secure", "SameSite=Strict", "Path=/"} {
		require.Contains(t, cookie, want)
	}
	require.NotContains(t, cookie, "owner")
}

func TestAHelperLogsAndChangesNothingElse(t *testing.T) {
	a := start(t, "2027-03-10")
	require.NoError(t, a.store.SetPassphrase(t.Context(), "owner", ownersWords))
	require.NoError(t, a.store.SetPassphrase(t.Context(), "helper", helpersWords))
	g := visit(t, house(a), "192.168.7.22")
	require.Equal(t, 200, g.signIn(helpersWords))
	const tree = lt + "/trees/lower-terrace-C2"
	status, slip, _ := g.send("GET", tree+"/map/slip", nil)
	require.Equal(t, 200, status)
	step := list(slip, "steps")[0]
	status, _, _ = g.send("POST", tree+"/map/slip/choices", object{"choice": "taken", "findings": step["findings"]})
	require.Equal(t, 200, status)
	status, _, _ = g.send("POST", tree+"/map/slip/log", object{"based_on": slip["revision"], "cuts": []any{object{"cut": step["cut"]}}})
	require.Equal(t, 200, status)
	status, _, _ = g.send("POST", lt+"/entries", object{"tree_id": "lower-terrace-C2", "date": "2027-03-10", "kind": "note", "note": "done"})
	require.Equal(t, 200, status)

	for _, path := range []string{"/training/devices", "/training/bend", "/fruit/taps", "/fruit/passes"} { // refused for what it says, not for who says it
		status, _, _ = g.send("POST", tree+path, object{})
		require.Equal(t, 422, status, path)
	}
	owner := visit(t, g.h, "192.168.7.20")
	require.Equal(t, 200, owner.signIn(ownersWords))
	_, was, _ := owner.send("GET", lt, nil)
	for _, c := range []struct{ method, path string }{
		{"PUT", lt},
		{"DELETE", lt},
		{"POST", lt + "/trees"},
		{"PUT", tree},
		{"DELETE", tree},
		{"POST", tree + "/map/edits"},
		{"POST", tree + "/map/sketch"},
		{"POST", lt + "/people"},
		{"POST", lt + "/own-tasks"},
		{"POST", "/api/orchards"},
		{"POST", "/api/archive"},
		{"POST", "/api/demo"},
		{"POST", lt + "/calendar"},
		{"PUT", "/api/access/passphrases/owner"},
		{"POST", "/api/access/sign-out-everywhere"},
		{"GET", lt + "/archive"},
	} {
		status, p, _ := g.send(c.method, c.path, object{})
		require.Equal(t, 403, status, "%s %s: %v", c.method, c.path, p)
		require.NotEmpty(t, p["detail"])
	}
	_, now, _ := owner.send("GET", lt, nil)
	require.Equal(t, was, now)
}

func TestAHundredWrongPassphrasesAreSlowedDown(t *testing.T) {
	a := start(t, "2027-03-10")
	require.NoError(t, a.store.SetPassphrase(t.Context(), "owner", ownersWords))
	h := house(a)
	g := visit(t, h, "192.168.7.66")
	seen := map[int]int{}
	for i := range 100 {
		status, p, header := g.send("POST", "/api/access/sign-in", object{"passphrase": fmt.Sprintf("a guess, number %d", i)})
		seen[status]++
		if status == 429 {
			require.NotEmpty(t, header.Get("Retry-After"))
			require.Contains(t, p["detail"], "wait a minute")
		}
	}
	require.Equal(t, map[int]int{401: 10, 429: 90}, seen)
	require.Equal(t, 200, visit(t, h, "192.168.7.20").signIn(ownersWords), "another phone of the house gets in")
}

func TestForeignNamesAndPagesStayOut(t *testing.T) {
	a := start(t, "2027-03-10")
	require.NoError(t, a.store.SetPassphrase(t.Context(), "owner", ownersWords))
	g := visit(t, house(a), "192.168.7.20")
	require.Equal(t, 200, g.signIn(ownersWords))
	status, _, _ := g.send("GET", lt+"/docket", nil, "Host", "evil.example")
	require.Equal(t, 403, status)
	status, _, _ = g.send("POST", lt+"/entries", object{"date": "2027-03-10", "kind": "note", "note": "x"}, "Origin", "https://evil.example")
	require.Equal(t, 403, status)
	status, _, _ = g.send("POST", lt+"/entries", object{"date": "2027-03-10", "kind": "note", "note": "x"}, "Sec-Fetch-Site", "cross-site")
	require.Equal(t, 403, status)
	status, _, _ = g.send("POST", lt+"/entries", object{"date": "2027-03-10", "kind": "note", "note": "x"}, "Origin", "https://orchard.local")
	require.Equal(t, 200, status)
}

// On this machine, with no passphrase, all stays as it is; the first is set here, and who sets it stays in.
func TestThePassphraseIsSetHere(t *testing.T) {
	a := start(t, "2027-03-10")
	h := api.New(api.Config{Store: a.store, Keeper: keeper(a.store, a.today), Today: func() almanac.Day { return a.today }, Now: time.Now, Log: quiet})
	g := visit(t, h, "127.0.0.1")
	set := func(role, words string) (int, object) {
		status, p, _ := g.send("PUT", "/api/access/passphrases/"+role, object{"passphrase": words}, "Host", "localhost:8475")
		return status, p
	}
	get := func(path string) (int, object) {
		status, p, _ := g.send("GET", path, nil, "Host", "localhost:8475")
		return status, p
	}
	_, said := get("/api/access")
	require.Equal(t, object{"guarded": false, "helpers": false, "role": "owner", "here": true}, said)
	status, p := set("helper", helpersWords)
	require.Equal(t, 422, status)
	require.Contains(t, p["detail"], "owner's passphrase first")
	status, p = set("owner", "short")
	require.Equal(t, 422, status)
	require.Contains(t, p["detail"], "10 to 200 letters")
	status, _ = set("owner", ownersWords)
	require.Equal(t, 204, status)
	_, said = get("/api/access")
	require.Equal(t, "owner", said["role"])
	status, _ = get(lt + "/docket")
	require.Equal(t, 200, status)
	g = visit(t, h, "127.0.0.1")
	status, _ = get(lt + "/docket")
	require.Equal(t, 401, status)
}
