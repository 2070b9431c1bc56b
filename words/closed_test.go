package words

import (
	"go/ast"
	"go/parser"
	"go/token"
	"io/fs"
	"os"
	"path/filepath"
	"slices"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/find"
	"vertumna/core/year"
)

// parsed are the sources below a directory, tests aside.
func parsed(t *testing.T, root string) (out []*ast.File) {
	t.Helper()
	err := filepath.WalkDir(root, func(path string, d fs.DirEntry, err error) error {
		if err != nil || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") {
			return err
		}
		f, err := parser.ParseFile(token.NewFileSet(), path, nil, 0)
		out = append(out, f)
		return err
	})
	require.NoError(t, err)
	return out
}

func text(e ast.Node) (string, bool) {
	l, ok := e.(*ast.BasicLit)
	if !ok || l.Kind != token.STRING {
		return "", false
	}
	s, err := strconv.Unquote(l.Value)
	return s, err == nil
}

// texts are the strings written in some sources, and the words of their tables.
func texts(files []*ast.File) map[string]bool {
	out := map[string]bool{}
	for _, f := range files {
		ast.Inspect(f, func(n ast.Node) bool {
			if s, ok := text(n); ok {
				out[s] = true
			}
			return true
		})
	}
	return out
}

// named are the strings a function is called with, first of all, in some sources.
func named(files []*ast.File, functions ...string) map[string]bool {
	out := map[string]bool{}
	for _, f := range files {
		ast.Inspect(f, func(n ast.Node) bool {
			call, ok := n.(*ast.CallExpr)
			if !ok || len(call.Args) == 0 {
				return true
			}
			name := ""
			switch fun := call.Fun.(type) {
			case *ast.Ident:
				name = fun.Name
			case *ast.SelectorExpr:
				name = fun.Sel.Name
			}
			if s, ok := text(call.Args[0]); ok && slices.Contains(functions, name) {
				out[s] = true
			}
			return true
		})
	}
	return out
}

func TestEveryReasonThatARuleOfTheYearGivesHasItsSentence(t *testing.T) {
	given := named(parsed(t, "../core/year"), "reason")
	require.Greater(t, len(given), 80, "the rules speak by reason(slug)")
	for slug := range given {
		require.Contains(t, reasons, slug, "a rule of the year gives a reason that has no sentence")
	}
}

func TestEveryTaskAndFindingIsDeclaredOnceAndHasItsWords(t *testing.T) {
	kinds := year.TaskKinds()
	require.Len(t, titles, len(kinds), "a title for a kind of task there is not")
	for _, k := range kinds {
		require.Contains(t, titles, k)
		facts, _ := k.Facts()
		require.Contains(t, instead, facts.Instead, "what to do when %s was missed", k)
	}
	rules := find.Rules()
	require.Len(t, findings, len(rules), "words for a finding there is not")
	for _, r := range rules {
		require.Contains(t, findings, r.Code)
	}
}

// TestNoWordsAreLeftBehind: a slug that has words is one that the core can still say. Where a slug is put together of parts, both parts are.
func TestNoWordsAreLeftBehind(t *testing.T) {
	said := texts(append(parsed(t, "../core"), parsed(t, "../orchard")...))
	tables := ""
	for _, pattern := range []string{"*.csv", "*.json"} {
		files, err := filepath.Glob("../core/pomology/tables/" + pattern)
		require.NoError(t, err)
		for _, f := range files {
			raw, err := os.ReadFile(f)
			require.NoError(t, err)
			tables += string(raw)
		}
	}
	var dead []string
	for name, words := range map[string][]string{
		"reasons": keys(reasons), "instead": keys(instead), "grades": keys(grades), "cautions": keys(cautions), "cutReasons": keys(cutReasons),
		"fruitRules": keys(fruitRules), "whethers": keys(whethers), "timeReasons": keys(timeReasons), "cropWarnings": keys(cropWarnings),
		"loadStates": keys(loadStates), "standings": keys(standings), "alternations": keys(alternations), "thinWhys": keys(thinWhys),
		"scaffoldFaults": keys(scaffoldFaults), "secondBests": keys(secondBests), "stepWhens": keys(stepWhens), "points": keys(points),
		"guesses": keys(guesses), "causes": keys(causeTexts), "questions": keys(questions),
	} {
		for _, slug := range words {
			if !said[slug] && !strings.Contains(tables, slug) && !ofParts(said, slug) {
				dead = append(dead, name+": "+slug)
			}
		}
	}
	slices.Sort(dead)
	require.Empty(t, dead, "words that nothing says")
}

// ofParts: the slug is put together of a part that ends in its hyphen or is a word of its own, and of what follows.
func ofParts(said map[string]bool, slug string) bool {
	for i, c := range slug {
		if c == '-' && said[slug[:i+1]] || c == ' ' && said[slug[:i]] {
			return true
		}
	}
	return false
}

func keys[V any](m map[string]V) []string {
	out := make([]string, 0, len(m))
	for k := range m {
		out = append(out, k)
	}
	slices.Sort(out)
	return out
}
