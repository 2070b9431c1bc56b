package main

import (
	"bufio"
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"net"
	"net/http"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/internal/seeded"
	"vertumna/orchard"
	"vertumna/store"
)

func run(args ...string) error {
	c := root()
	c.SetArgs(args)
	c.SetOut(&bytes.Buffer{})
	c.SetErr(&bytes.Buffer{})
	return c.ExecuteContext(context.Background())
}

func TestBeyondThisMachineAPassphraseIsWanted(t *testing.T) {
	db := filepath.Join(t.TempDir(), "x.db")
	require.ErrorContains(t, run("serve", "--db", db, "--listen", "0.0.0.0:0"), "no passphrase is set; set one first: vertumna passphrase --db")
	require.NoFileExists(t, db+".key.pem")
	require.ErrorContains(t, run("serve", "--db", db, "--cert", "x.pem"), "both or neither expected")
	require.ErrorContains(t, run("serve", "--db", db, "--listen", "nonsense"), "HOST:PORT expected")
	require.ErrorContains(t, run("serve", "--db", db, "--today", "soon"), "YYYY-MM-DD expected")
	require.ErrorContains(t, run("serve"), `"db" not set`)
}

func TestAPortInUseIsSaidInWords(t *testing.T) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	require.NoError(t, err)
	defer func() { _ = l.Close() }()
	require.ErrorContains(t, run("serve", "--db", filepath.Join(t.TempDir(), "x.db"), "--listen", l.Addr().String()), "in use by another program")
}

func TestFilesGoOutAndComeBackByTheCommands(t *testing.T) {
	dir := t.TempDir()
	db, archive, copyTo := seeded.Copy(t, seeded.Demo(t, almanac.DateOf(2027, 2, 20))), filepath.Join(dir, "x.json"), filepath.Join(dir, "copy.db")
	require.NoError(t, run("export", "--db", db, "saltwind", "-o", archive))
	require.NoError(t, run("backup", "--db", db, copyTo))
	require.NoError(t, run("import", "--db", db, archive))
	require.ErrorContains(t, run("export", "--db", db, "nowhere"), "the slug of an orchard")
	require.NoError(t, run("restore", "--db", db, copyTo))
	s := seeded.Open(t, db)
	defer func() { _ = s.Close() }()
	all, err := s.Orchards(context.Background())
	require.NoError(t, err)
	require.Len(t, all, 3, "the import is gone again after the restore")
	require.NoError(t, os.WriteFile(archive, []byte("{}"), 0o600))
	require.ErrorContains(t, run("import", "--db", db, archive), "vertumna-archive expected")
}

// runDemo starts the demo over a file, hands its address to use and stops it.
func runDemo(t *testing.T, db string, args []string, use func(url string)) {
	t.Helper()
	ctx, stop := context.WithCancel(context.Background())
	defer stop()
	read, write, err := os.Pipe()
	require.NoError(t, err)
	stdout := os.Stdout
	os.Stdout = write
	defer func() { os.Stdout = stdout }()
	done := make(chan error, 1)
	go func() {
		c := root()
		c.SetArgs(append([]string{"demo", "--db", db, "--quiet", "--listen", "127.0.0.1:0"}, args...))
		done <- c.ExecuteContext(ctx)
		_ = write.Close() // one that ends before it is ready is told by its error, not waited for
	}()
	line, err := bufio.NewReader(read).ReadString('\n')
	if err != nil {
		require.NoError(t, <-done)
	}
	require.NoError(t, err)
	use(line[strings.Index(line, "http://") : len(line)-1])
	stop()
	require.NoError(t, <-done)
	require.NoError(t, store.NotInUse(context.Background(), db), "nothing beside the requests outlives a stop")
}

func TestTheDemoIsKeptUntilFresh(t *testing.T) {
	db := filepath.Join(t.TempDir(), "demo.db")
	count := func(url string) int {
		res, err := http.Get(url + "/api/orchards/lower-terrace/entries")
		require.NoError(t, err)
		defer func() { _ = res.Body.Close() }()
		var entries []any
		require.NoError(t, json.NewDecoder(res.Body).Decode(&entries))
		return len(entries)
	}
	first := 0
	runDemo(t, db, []string{"--today", "2027-02-20"}, func(url string) {
		first = count(url)
		body := `{"id":"","created":"","date":"2027-02-19","season":0,"kind":"note","note":"mine"}`
		res, err := http.Post(url+"/api/orchards/lower-terrace/entries", "application/json", strings.NewReader(body))
		require.NoError(t, err)
		require.Equal(t, http.StatusOK, res.StatusCode)
		_ = res.Body.Close()
	})
	runDemo(t, db, []string{"--today", "2027-02-21"}, func(url string) { require.Equal(t, first+1, count(url)) })
	runDemo(t, db, []string{"--today", "2027-02-20", "--fresh"}, func(url string) { require.Equal(t, first, count(url)) })
}

func TestTheDemoNeverComesIntoAPersonsFile(t *testing.T) {
	cache := t.TempDir()
	t.Setenv("XDG_CACHE_HOME", cache)
	db := filepath.Join(t.TempDir(), "own.db")
	ctx, stop := context.WithCancel(context.Background())
	defer stop()
	listens, over := make(chan string, 1), make(chan error, 1)
	s := &serving{db: db, listen: "127.0.0.1:0", today: "2027-02-20", quiet: true, logFormat: "text", ready: func(a string) { listens <- a }}
	go func() { over <- s.run(ctx, nil) }()
	own := <-listens
	opened := func() (out struct{ Address, Slug string }) {
		res, err := http.Post(own+"/api/demo", "application/json", nil)
		require.NoError(t, err)
		defer func() { _ = res.Body.Close() }()
		require.Equal(t, http.StatusOK, res.StatusCode)
		require.NoError(t, json.NewDecoder(res.Body).Decode(&out))
		return out
	}
	orchards := func(url string) (all []struct{ Slug string }) {
		res, err := http.Get(url + "/api/orchards")
		require.NoError(t, err)
		defer func() { _ = res.Body.Close() }()
		require.NoError(t, json.NewDecoder(res.Body).Decode(&all))
		return all
	}
	first := opened()
	require.NotEqual(t, own, first.Address)
	require.Equal(t, "lower-terrace", orchards(first.Address)[0].Slug)
	require.Empty(t, orchards(own), "nothing of it is in the person's file")
	require.Equal(t, first, opened(), "it is opened once")
	stop()
	require.NoError(t, <-over)
	require.NoError(t, store.NotInUse(context.Background(), filepath.Join(cache, "vertumna", "demo.db")), "and closed with the program")
}

// printed is what a command writes on standard output.
func printed(t *testing.T, args ...string) string {
	t.Helper()
	read, write, err := os.Pipe()
	require.NoError(t, err)
	stdout := os.Stdout
	os.Stdout = write
	var broken error
	go func() {
		broken = run(args...)
		_ = write.Close()
	}()
	text, err := io.ReadAll(read)
	os.Stdout = stdout
	require.NoError(t, err)
	require.NoError(t, broken)
	return string(text)
}

func TestThePublishedContractIsPrinted(t *testing.T) {
	var doc struct {
		OpenAPI string
		Paths   map[string]any
	}
	require.NoError(t, json.Unmarshal([]byte(printed(t, "openapi")), &doc))
	require.Contains(t, doc.OpenAPI, "3.1")
	require.Contains(t, doc.Paths, "/api/orchards/{slug}/docket")
}

func TestThePlanAndASlipAreToldWithoutAScreen(t *testing.T) {
	day := almanac.DateOf(2027, 2, 20)
	db := seeded.Copy(t, seeded.Demo(t, day))
	where := []string{"--db", db, "--orchard", "lower-terrace", "--day", "2027-02-20"}
	plan := printed(t, append([]string{"plan"}, where...)...)
	require.Contains(t, plan, "Do now")
	require.Contains(t, plan, "Local rules and licensed practice come first.")
	var docket orchard.DocketBody
	require.NoError(t, json.Unmarshal([]byte(printed(t, append([]string{"plan", "--json"}, where...)...)), &docket))
	require.Equal(t, day, docket.Day)
	for _, task := range docket.Now {
		require.Contains(t, plan, task.Title, "the same in lines and as JSON")
	}

	slip := printed(t, append([]string{"slip", "c3"}, where...)...)
	var body orchard.SlipBody
	require.NoError(t, json.Unmarshal([]byte(printed(t, append([]string{"slip", "C3", "--json"}, where...)...)), &body))
	require.NotEmpty(t, body.Steps)
	for _, step := range body.Steps {
		require.Contains(t, slip, step.Title)
	}
	require.Contains(t, slip, body.Height.Says)

	require.ErrorContains(t, run("plan", "--db", db), "one of lower-terrace, new-rows, saltwind expected")
	require.ErrorContains(t, run(append([]string{"slip", "Z9"}, where...)...), `"Z9" given, one of A1`)
	require.ErrorContains(t, run(append([]string{"slip", "C3", "--season", "spring"}, where...)...), "dormant or summer expected")
	require.ErrorContains(t, run("plan", "--db", db, "--orchard", "lower-terrace", "--day", "soon"), "--day")
}

func TestStoppingWaitsForRequestsInFlight(t *testing.T) {
	ctx, stop := context.WithCancel(context.Background())
	defer stop()
	out, in, err := os.Pipe()
	require.NoError(t, err)
	kept := os.Stdout
	os.Stdout = in
	ended := make(chan error, 1)
	go func() {
		s := &serving{db: filepath.Join(t.TempDir(), "x.db"), listen: "127.0.0.1:0", today: "2027-02-20", quiet: true, logFormat: "text"}
		ended <- s.run(ctx, nil)
	}()
	line, err := bufio.NewReader(out).ReadString('\n')
	os.Stdout = kept
	require.NoError(t, err)
	host := strings.TrimSpace(line[strings.Index(line, "http://")+len("http://"):])

	c, err := net.Dial("tcp", host)
	require.NoError(t, err)
	defer func() { _ = c.Close() }()
	body := `{"name": "Far Terrace", "slug": "far-terrace"}`
	_, err = fmt.Fprintf(c, "POST /api/orchards HTTP/1.1\r\nHost: %s\r\nContent-Type: application/json\r\nContent-Length: %d\r\nConnection: close\r\nExpect: 100-continue\r\n\r\n", host, len(body))
	require.NoError(t, err)
	answer := bufio.NewReader(c)
	waits, err := answer.ReadString('\n')
	require.NoError(t, err)
	require.Contains(t, waits, "100 Continue", "it waits for the rest of the request")
	_, err = answer.ReadString('\n')
	require.NoError(t, err)
	stop()
	_, err = io.WriteString(c, body)
	require.NoError(t, err)
	res, err := http.ReadResponse(answer, nil)
	require.NoError(t, err, "it is answered all the same")
	require.Less(t, res.StatusCode, 500)
	require.NoError(t, <-ended)
	_, err = net.Dial("tcp", host)
	require.Error(t, err, "nothing new is taken")
}

func TestTheLogFormatIsSaidInWords(t *testing.T) {
	require.ErrorContains(t, run("serve", "--db", filepath.Join(t.TempDir(), "x.db"), "--log-format", "xml"), "text or json expected")
}
