package core_test

import (
	"io/fs"
	"os"
	"path/filepath"
	"regexp"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"
)

var (
	heading  = regexp.MustCompile(`(?m)^#+ (.*)$`)
	notASlug = regexp.MustCompile(`[^\pL\pN_\- ]`)
	cited    = regexp.MustCompile(`\b([a-z]+\.md)#([\pL\pN_\-]+)`)
	vague    = regexp.MustCompile(`\b(limb|law|laws|work|year|reach|training|kinds|schools|almanac|crop) page\b`)
)

// anchors are the headings of a page as links reach them.
func anchors(t *testing.T, path string) map[string]bool {
	t.Helper()
	text, err := os.ReadFile(path)
	require.NoError(t, err)
	out := map[string]bool{}
	for _, m := range heading.FindAllStringSubmatch(string(text), -1) {
		out[strings.ReplaceAll(notASlug.ReplaceAllString(strings.ToLower(m[1]), ""), " ", "-")] = true
	}
	return out
}

// TestWhatCommentsCiteStandsInTheHouse holds every citation of a comment or of a page of models to a heading of docs/models.
func TestWhatCommentsCiteStandsInTheHouse(t *testing.T) {
	pages := map[string]map[string]bool{}
	found, err := filepath.Glob("../docs/models/*.md")
	require.NoError(t, err)
	for _, p := range found {
		pages[filepath.Base(p)] = anchors(t, p)
	}
	cites := 0
	look := func(path string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() || path == "cites_test.go" || (filepath.Ext(path) != ".go" && filepath.Ext(path) != ".md") {
			return err
		}
		text, err := os.ReadFile(path)
		require.NoError(t, err)
		for _, line := range strings.Split(string(text), "\n") {
			if _, comment, ok := strings.Cut(line, "//"); ok {
				require.False(t, vague.MatchString(comment), "%s cites a page without its anchor: %s", path, comment)
			}
			for _, m := range cited.FindAllStringSubmatch(line, -1) {
				cites++
				require.Contains(t, pages, m[1], path)
				require.Contains(t, pages[m[1]], m[2], "%s cites %s", path, m[0])
			}
		}
		return nil
	}
	for _, root := range []string{".", "../orchard", "../docs/models"} {
		require.NoError(t, filepath.WalkDir(root, look))
	}
	require.Greater(t, cites, 60)
}
