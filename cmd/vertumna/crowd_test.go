package main

import (
	"context"
	"fmt"
	"io"
	"net/http"
	"os"
	"path/filepath"
	"slices"
	"strconv"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/store"
)

const mostCrowdMB = 1000

// peakMB is the most memory a process has had, as the system keeps it; 0 where the system does not tell.
func peakMB(pid int) int {
	text, err := os.ReadFile(fmt.Sprintf("/proc/%d/status", pid))
	if err != nil {
		return 0
	}
	for _, line := range strings.Split(string(text), "\n") {
		if rest, ok := strings.CutPrefix(line, "VmHWM:"); ok {
			kb, _ := strconv.Atoi(strings.Fields(rest)[0])
			return kb / 1024
		}
	}
	return 0
}

// TestACrowdOfReadersOfHeavyPagesStaysUnderAGigabyte: each asks another day's pages, so that next to nothing is kept from before.
// TORTURE=N sends N readers.
func TestACrowdOfReadersOfHeavyPagesStaysUnderAGigabyte(t *testing.T) {
	db := filepath.Join(t.TempDir(), "demo.db")
	p, out := process(t, "demo", "--db", db, "--listen", "127.0.0.1:0", "--quiet", "--today", "2027-02-20", "--station", "off")
	defer func() { _ = p.Process.Kill(); _ = p.Wait() }()
	url := address(out)
	require.NotEmpty(t, url)
	pages := []string{"plan", "docket", "light", "crop", "trees/lower-terrace-A4/map/slip", "trees/lower-terrace-C1/map/slip/years", "trees/lower-terrace-C2/fruit", "sheet"}
	readers := rounds(40)
	bad := make([]string, readers)
	var wait sync.WaitGroup
	for k := range readers {
		wait.Go(func() {
			day := almanac.DateOf(2027, 2, 20) + almanac.Day(k)
			for n := range 2 {
				res, err := http.Get(fmt.Sprintf("%s/api/orchards/lower-terrace/%s?day=%s", url, pages[(k+n)%len(pages)], day))
				if err != nil {
					bad[k] = err.Error()
					return
				}
				_, _ = io.Copy(io.Discard, res.Body)
				_ = res.Body.Close()
				if res.StatusCode != http.StatusOK {
					bad[k] = res.Request.URL.Path + " " + res.Status
				}
			}
		})
	}
	wait.Wait()
	for _, b := range bad {
		require.Empty(t, b)
	}
	peak := peakMB(p.Process.Pid)
	t.Logf("%d readers at once: at most %d MB", readers, peak)
	require.Less(t, peak, mostCrowdMB)
}

// TestACrowdOfWritersIsAnsweredOneByOne: 150 at once, none refused, each kept once. How long they wait is told, not tested.
func TestACrowdOfWritersIsAnsweredOneByOne(t *testing.T) {
	const writers, each = 150, 4
	db, tree := oneTree(t)
	p, out := process(t, "serve", "--db", db, "--listen", "127.0.0.1:0", "--quiet", "--today", "2027-06-20")
	url := address(out)
	require.NotEmpty(t, url)
	took, bad := make([]time.Duration, writers*each), make([]string, writers)
	var wait sync.WaitGroup
	for w := range writers {
		wait.Go(func() {
			for k := range each {
				body := fmt.Sprintf(`{"season":2027,"taps":[{"id":"tap-%04d-%04d","limb":"S1","lateral":"","pass":1,"left":1,"taken":0}]}`, w, k)
				from := time.Now()
				res, err := http.Post(url+"/api/orchards/one/trees/"+tree+"/fruit/taps", "application/json", strings.NewReader(body))
				took[w*each+k] = time.Since(from)
				if err != nil {
					bad[w] = err.Error()
					return
				}
				_ = res.Body.Close()
				if res.StatusCode != http.StatusOK {
					bad[w] = res.Status
				}
			}
		})
	}
	wait.Wait()
	require.NoError(t, p.Process.Kill())
	_ = p.Wait()
	for _, b := range bad {
		require.Empty(t, b)
	}
	s, err := store.Open(context.Background(), db)
	require.NoError(t, err)
	defer func() { _ = s.Close() }()
	taps, err := s.Taps(context.Background(), tree)
	require.NoError(t, err)
	require.Len(t, taps, writers*each)
	slices.Sort(took)
	t.Logf("%d writers at once, %d taps: half answered in %v, 99 of 100 in %v", writers, len(took), took[len(took)/2].Round(time.Millisecond), took[len(took)*99/100].Round(time.Millisecond))
}
