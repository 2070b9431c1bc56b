package core_test

import (
	"go/ast"
	"go/parser"
	"go/token"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"
)

// plain are numbers that say nothing of their own: counts, halves, per cents, turns of a circle, units of time and length.
var plain = map[string]bool{}

func init() {
	for _, s := range strings.Fields("0 1 2 3 4 10 12 24 60 90 100 180 360 365 1000 0.5 0.0 1.0 2.0 10.0 90.0 100.0 180.0 360.0 1000.0 1e-9") {
		plain[s] = true
	}
}

// most are the bare numbers that a hundred lines of a room may hold in the bodies of its functions: they may fall, not rise.
var most = map[string]float64{
	"growth": 0.5, "almanac": 0.5, "training": 1, "year": 2.7,
	"find": 2, "crop": 2, "limb": 2, "quickline": 2, "cut": 1, "light": 1, "days": 1, "walk": 1, "diagnose": 1, "pomology": 2, "yard": 2, "given": 2,
}

// TestNumbersHaveNames counts the numbers in functions that are neither plain nor named.
func TestNumbersHaveNames(t *testing.T) {
	for room, limit := range most {
		files, err := filepath.Glob(room + "/*.go")
		require.NoError(t, err)
		bare, lines := 0, 0
		for _, path := range files {
			if strings.HasSuffix(path, "_test.go") {
				continue
			}
			set := token.NewFileSet()
			f, err := parser.ParseFile(set, path, nil, 0)
			require.NoError(t, err)
			lines += set.File(f.Pos()).LineCount()
			for _, d := range f.Decls {
				if fn, ok := d.(*ast.FuncDecl); ok && fn.Body != nil {
					bare += bareNumbers(fn.Body)
				}
			}
		}
		require.Positive(t, lines, room)
		require.LessOrEqual(t, 100*float64(bare)/float64(lines), limit, "%s: %d bare numbers in %d lines", room, bare, lines)
	}
}

func bareNumbers(body *ast.BlockStmt) (n int) {
	ast.Inspect(body, func(x ast.Node) bool {
		switch v := x.(type) {
		case *ast.GenDecl:
			return v.Tok != token.CONST
		case *ast.BasicLit:
			if (v.Kind == token.INT || v.Kind == token.FLOAT) && !plain[v.Value] {
				n++
			}
		}
		return true
	})
	return n
}
