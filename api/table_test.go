package api_test

import (
	"fmt"
	"os"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"
)

// TestTheModelsPageTellsEveryDemoTreesYears holds the table of docs/models/README.md to the demo's trees, a third of its rows number by
// number; with UPDATE_DOCS=1 it is written anew.
func TestTheModelsPageTellsEveryDemoTreesYears(t *testing.T) {
	const page, from, to = "../docs/models/README.md", "<!-- HELD -->\n", "<!-- end HELD -->"
	text, err := os.ReadFile(page)
	require.NoError(t, err)
	before, rest, ok := strings.Cut(string(text), from)
	require.True(t, ok)
	table, after, ok := strings.Cut(rest, to)
	require.True(t, ok)
	a := start(t, "2026-11-28")
	var rows []string
	update, n := os.Getenv("UPDATE_DOCS") != "", 0
	for _, slug := range []string{"lower-terrace", "saltwind"} {
		for _, tree := range a.ok("GET", "/api/orchards/"+slug+"/trees", nil)["list"].([]any) {
			x := tree.(object)
			name := fmt.Sprintf("%s %s, %s", slug, x["code"], x["kind"])
			if n++; !update && n%3 != 0 {
				require.Contains(t, table, name)
				continue
			}
			y := a.ok("GET", fmt.Sprintf("/api/orchards/%s/trees/%s/map/slip/years?years=7", slug, x["id"]), nil)
			row := fmt.Sprintf("| %s | %.0f |", name, list(y, "years")[0]["height_before_cm"])
			for _, r := range list(y, "years") {
				row += fmt.Sprintf(" %.0f; %.0f; %.0f; %.0f |", r["height_cut_cm"], r["minutes"], 100*r["account"].(float64), r["kilos"])
			}
			rows = append(rows, row)
			if !update {
				require.Contains(t, table, row+"\n", "the plans have changed: make the table anew with UPDATE_DOCS=1")
			}
		}
	}
	if !update {
		return
	}
	head := "Every demo tree on 28 November 2026: its height in cm now, then for each of seven years the height when its last slip is made (reach is\n" +
		"212 cm in the north, 132 in the south), minutes, percent of the crown, and kilos as the page of fruit counts them.\n\n" +
		"| tree | now | 1 | 2 | 3 | 4 | 5 | 6 | 7 |\n|---|---|---|---|---|---|---|---|---|\n"
	require.NoError(t, os.WriteFile(page, []byte(before+from+head+strings.Join(rows, "\n")+"\n"+to+after), 0o644))
}
