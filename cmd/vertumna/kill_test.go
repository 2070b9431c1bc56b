package main

import (
	"bufio"
	"context"
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"strings"
	"sync"
	"sync/atomic"
	"testing"
	"time"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/internal/seeded"
	"vertumna/store"
)

// TestMain runs the program itself where a test starts it as a process of its own, to be killed.
func TestMain(m *testing.M) {
	if os.Getenv("VERTUMNA_ITSELF") != "" {
		main()
		return
	}
	os.Exit(m.Run())
}

// process starts the program; address is empty where it was killed before it listened.
func process(t *testing.T, args ...string) (p *exec.Cmd, out *bufio.Reader) {
	t.Helper()
	self, err := os.Executable()
	require.NoError(t, err)
	p = exec.Command(self, args...)
	p.Env = append(os.Environ(), "VERTUMNA_ITSELF=1")
	pipe, err := p.StdoutPipe()
	require.NoError(t, err)
	require.NoError(t, p.Start())
	return p, bufio.NewReader(pipe)
}

func address(out *bufio.Reader) string {
	line, err := out.ReadString('\n')
	if err != nil {
		return ""
	}
	return strings.TrimSpace(line[strings.Index(line, "http://"):])
}

// rounds are how often something is killed: few in a usual run, TORTURE in a long one.
func rounds(usual int) int {
	if n, err := strconv.Atoi(os.Getenv("TORTURE")); err == nil && n > 0 {
		return n
	}
	return usual
}

// oneTree is a file with one tree of an orchard called one.
func oneTree(t *testing.T) (db, tree string) {
	t.Helper()
	ctx := context.Background()
	db = filepath.Join(t.TempDir(), "o.db")
	s, err := store.Open(ctx, db)
	require.NoError(t, err)
	o := store.Orchard{Name: "One"}
	require.NoError(t, s.AddOrchard(ctx, &o))
	added := store.Tree{Code: "A1", Kind: "apple", X: 1, Y: 1}
	require.NoError(t, s.AddTree(ctx, o.ID, &added))
	require.NoError(t, s.Close())
	return db, added.ID
}

// TestKilledInMidSaveItKeepsEveryAcknowledgedTapOnce: writers tap, the program is killed at any moment, and starts again.
func TestKilledInMidSaveItKeepsEveryAcknowledgedTapOnce(t *testing.T) {
	db, tree := oneTree(t)
	rnd := rand.New(rand.NewPCG(3, 5))
	acknowledged, n := map[string]bool{}, rounds(50)
	for round := range n {
		p, out := process(t, "serve", "--db", db, "--listen", "127.0.0.1:0", "--quiet", "--today", "2027-06-20")
		url := address(out)
		require.NotEmpty(t, url, "it starts again, round %d", round)
		const writers = 4
		until := 1 + rnd.IntN(12) // killed when so many taps of the round are acknowledged
		said := make(chan string, 400)
		client := &http.Client{Transport: &http.Transport{}} // no connection to one that was killed before
		var dead atomic.Bool
		var wait sync.WaitGroup
		for w := range writers {
			wait.Go(func() {
				for k := range 50 {
					id := fmt.Sprintf("tap-%d-%d-%d", round, w, k)
					body := fmt.Sprintf(`{"season":2027,"taps":[{"id":%q,"limb":"S1","lateral":"","pass":1,"left":1,"taken":0}]}`, id)
					res, err := client.Post(url+"/api/orchards/one/trees/"+tree+"/fruit/taps", "application/json", strings.NewReader(body))
					if err != nil {
						if dead.Load() {
							return
						}
						continue // not acknowledged
					}
					_ = res.Body.Close()
					if res.StatusCode == http.StatusOK {
						said <- id
					}
				}
			})
		}
		for range until {
			acknowledged[<-said] = true
		}
		dead.Store(true)
		require.NoError(t, p.Process.Kill())
		_ = p.Wait()
		wait.Wait()
		client.CloseIdleConnections()
		close(said)
		for id := range said {
			acknowledged[id] = true
		}
	}
	s, err := store.Open(context.Background(), db)
	require.NoError(t, err, "the file is sound")
	defer func() { _ = s.Close() }()
	taps, err := s.Taps(context.Background(), tree)
	require.NoError(t, err)
	kept := map[string]int{}
	for _, tap := range taps {
		kept[tap.ID]++
	}
	lost, doubled := 0, 0
	for id := range acknowledged {
		switch kept[id] {
		case 0:
			lost++
		case 1:
		default:
			doubled++
		}
	}
	t.Logf("%d kills, %d acknowledged taps: %d lost, %d doubled", n, len(acknowledged), lost, doubled)
	require.Zero(t, lost)
	require.Zero(t, doubled)
}

// TestAFirstStartThatIsKilledLeavesNoHalfDemo: whenever it is killed, the next start has both orchards whole.
func TestAFirstStartThatIsKilledLeavesNoHalfDemo(t *testing.T) {
	whole := entriesOf(t, func(path string) {
		require.NoError(t, os.WriteFile(path, seeded.Demo(t, almanac.DateOf(2027, 2, 20)), 0o600))
	})
	rnd := rand.New(rand.NewPCG(1, 2))
	for range rounds(3) {
		got := entriesOf(t, func(path string) {
			p, out := process(t, "demo", "--db", path, "--listen", "127.0.0.1:0", "--quiet", "--today", "2027-02-20")
			grown := make(chan struct{})
			go func() { // killed when its file has grown to some size, or when it listens
				defer close(grown)
				most := int64(rnd.IntN(3 << 20))
				for range time.Tick(time.Millisecond) {
					info, err := os.Stat(path + "-wal")
					if err == nil && info.Size() > most {
						return
					}
					if _, err := os.Stat(path + ".listens"); err == nil {
						return
					}
				}
			}()
			go func() {
				if address(out) != "" {
					_ = os.WriteFile(path+".listens", nil, 0o600)
				}
			}()
			<-grown
			_ = p.Process.Kill()
			_ = p.Wait()
			p, out = process(t, "demo", "--db", path, "--listen", "127.0.0.1:0", "--quiet", "--today", "2027-02-20")
			require.NotEmpty(t, address(out))
			_ = p.Process.Kill()
			_ = p.Wait()
		})
		require.Equal(t, whole, got)
	}
}

// entriesOf counts what the orchards of a file hold once it was made.
func entriesOf(t *testing.T, build func(path string)) map[string]int {
	t.Helper()
	path := filepath.Join(t.TempDir(), "demo.db")
	build(path)
	s, err := store.Open(context.Background(), path)
	require.NoError(t, err)
	defer func() { _ = s.Close() }()
	all, err := s.Orchards(context.Background())
	require.NoError(t, err)
	out := map[string]int{}
	for _, o := range all {
		c, err := s.Contents(context.Background(), o.Slug)
		require.NoError(t, err)
		text, err := json.Marshal(c.Trees)
		require.NoError(t, err)
		require.NotEmpty(t, text)
		out[o.Slug] = 1000*len(c.Entries) + len(c.Trees)
	}
	return out
}
