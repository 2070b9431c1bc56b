package api_test

import (
	"compress/gzip"
	"fmt"
	"io"
	"net/http"
	"net/http/httptest"
	"testing"
	"time"

	"github.com/go-chi/chi/v5"
	"github.com/stretchr/testify/require"

	"vertumna/api"
	"vertumna/core/almanac"
	"vertumna/demo"
	"vertumna/store"
)

func (a *app) asked(path string, headers ...string) (*http.Response, string) {
	a.t.Helper()
	r, err := http.NewRequest("GET", a.srv.URL+path, nil)
	require.NoError(a.t, err)
	for i := 0; i < len(headers); i += 2 {
		r.Header.Set(headers[i], headers[i+1])
	}
	res, err := http.DefaultTransport.RoundTrip(r)
	require.NoError(a.t, err)
	defer func() { _ = res.Body.Close() }()
	var body io.Reader = res.Body
	if res.Header.Get("Content-Encoding") == "gzip" {
		body, err = gzip.NewReader(res.Body)
		require.NoError(a.t, err)
	}
	text, err := io.ReadAll(body)
	require.NoError(a.t, err)
	return res, string(text)
}

func TestAnAnswerIsSentOnceWhileNothingChanges(t *testing.T) {
	a := start(t, "2027-02-20")
	for _, path := range []string{lt + "/docket", lt + "/plan", lt + "/trees/lower-terrace-C3/plan", lt + "/trees/lower-terrace-C3/map/slip"} {
		first, text := a.asked(path)
		require.Equal(t, 200, first.StatusCode)
		mark := first.Header.Get("ETag")
		require.NotEmpty(t, mark, path)
		again, same := a.asked(path)
		require.Equal(t, text, same)
		require.Equal(t, mark, again.Header.Get("ETag"))
		_, packed := a.asked(path, "Accept-Encoding", "gzip")
		require.Equal(t, text, packed, "packed or not, it says the same")
		had, none := a.asked(path, "If-None-Match", mark)
		require.Equal(t, http.StatusNotModified, had.StatusCode)
		require.Empty(t, none)
	}
}

func TestAnAnswerKeptGivesWayToAnyWrite(t *testing.T) {
	a := start(t, "2027-02-20")
	slip := lt + "/trees/lower-terrace-C3/map/slip"
	res, _ := a.asked(slip)
	mark := res.Header.Get("ETag")
	a.ok("POST", lt+"/trees/lower-terrace-C3/map/edits", object{"based_on": a.revision(fmt.Sprintf(mapOf, "C3")), "edits": []object{{"op": "mark", "id": "S1", "mark": object{"kind": "dead", "at_cm": 0}}}})
	res, text := a.asked(slip, "If-None-Match", mark)
	require.Equal(t, 200, res.StatusCode, "the map was changed")
	require.NotEqual(t, mark, res.Header.Get("ETag"))
	require.NotEmpty(t, text)
	plain, _ := a.asked(lt + "/docket")
	a.today = day("2027-02-21")
	next, _ := a.asked(lt + "/docket")
	require.NotEqual(t, plain.Header.Get("ETag"), next.Header.Get("ETag"), "another day is another docket")
	gone, _ := a.asked("/api/orchards/nowhere/docket")
	require.Equal(t, 404, gone.StatusCode)
	require.Empty(t, gone.Header.Get("Cache-Control"))
}

// BenchmarkDocketAgain asks the handler for a docket that was made, and a bare router for as many bytes: the part of its rate that is reached.
func BenchmarkDocketAgain(b *testing.B) {
	s, err := store.Open(b.Context(), b.TempDir()+"/demo.db")
	require.NoError(b, err)
	b.Cleanup(func() { _ = s.Close() })
	today := day("2027-02-20")
	require.NoError(b, demo.Fill(b.Context(), s, today))
	h := api.New(api.Config{Store: s, Keeper: keeper(s, today), Today: func() almanac.Day { return today }, Now: time.Now, Log: quiet})
	ask := func(h http.Handler) *httptest.ResponseRecorder {
		w := httptest.NewRecorder()
		h.ServeHTTP(w, httptest.NewRequest("GET", "http://localhost"+lt+"/docket", nil))
		return w
	}
	body := ask(h).Body.Bytes()
	bare := chi.NewRouter()
	bare.Get("/api/orchards/{slug}/docket", func(w http.ResponseWriter, _ *http.Request) { _, _ = w.Write(body) })
	from := time.Now()
	const times = 2000
	for range times {
		ask(bare)
	}
	bareNS := float64(time.Since(from).Nanoseconds()) / times
	for b.Loop() {
		require.Equal(b, 200, ask(h).Code)
	}
	ours := float64(b.Elapsed().Nanoseconds()) / float64(b.N)
	b.ReportMetric(1e9/ours, "dockets/s")
	b.ReportMetric(bareNS/ours, "of-a-bare-router's-rate")
}
