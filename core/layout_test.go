package core_test

import (
	"go/ast"
	"go/parser"
	"go/token"
	"io/fs"
	"maps"
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

// forbidden are the packages that bring in disks, networks, clocks and processes.
var forbidden = []string{"os", "io/fs", "io/ioutil", "net", "path/filepath", "database/sql", "log", "log/slog", "syscall", "os/exec", "os/signal", "bufio", "plugin", "runtime/debug"}

func TestCorePackagesImportNoIOAndNothingOfOursOutsideCore(t *testing.T) {
	files := 0
	err := filepath.WalkDir(".", func(path string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") {
			return err
		}
		files++
		text, err := os.ReadFile(path)
		require.NoError(t, err)
		for _, clock := range []string{"time.Now", "time.Since", "time.Until", "runtime.GOMAXPROCS"} {
			if path != "together/together.go" { // the one place that knows how many hands there are
				require.False(t, strings.Contains(string(text), clock), "%s: %s", path, clock)
			}
		}
		f, err := parser.ParseFile(token.NewFileSet(), path, text, parser.ImportsOnly)
		require.NoError(t, err)
		for _, i := range f.Imports {
			name, err := strconv.Unquote(i.Path.Value)
			require.NoError(t, err)
			for _, bad := range forbidden {
				require.False(t, name == bad || strings.HasPrefix(name, bad+"/"), "%s imports %s", path, name)
			}
			require.False(t, strings.HasPrefix(name, "vertumna/") && !strings.HasPrefix(name, "vertumna/core/"), "%s imports %s", path, name)
		}
		return nil
	})
	require.NoError(t, err)
	require.Greater(t, files, 20)
}

// arrows are what each room may import of ours, besides what these import in turn.
var arrows = map[string]string{
	"core/given": "", "core/together": "", "core/towns": "", "core/num": "", "core/walk": "core/limb core/num",
	"core/pomology":  "core/given",
	"core/almanac":   "core/pomology core/given",
	"core/limb":      "core/pomology core/given",
	"core/light":     "core/limb core/together",
	"core/training":  "core/limb core/pomology core/given core/num",
	"core/quickline": "core/limb",
	"core/find":      "core/given core/limb core/pomology core/training",
	"core/growth":    "core/almanac core/light core/limb core/pomology core/given",
	"core/cut":       "core/find core/given core/growth core/light core/limb core/pomology core/together core/training",
	"core/crop":      "core/almanac core/limb core/pomology core/given core/together core/num",
	"core/year":      "core/almanac core/crop core/cut core/find core/limb core/pomology core/training core/given",
	"core/days":      "core/almanac core/year",
	"core/diagnose":  "core/almanac core/find core/given core/limb core/pomology core/year",
	"core/yard":      "core/almanac core/find core/given core/light core/limb core/pomology core/training core/year",
	"words":          "core/",
	"contract":       "core/almanac core/find core/given core/year",
	"store":          "core/almanac core/crop core/limb core/pomology core/training core/year core/given",
	"exchange":       "contract core/almanac core/days core/given core/limb core/pomology core/year store words",
	"demo":           "core/ orchard store",
	"station":        "core/almanac core/pomology",
	"weather":        "core/almanac core/given",
	"orchard":        "core/ contract exchange store weather words",
	"paper":          "core/ orchard words",
	"api":            "core/almanac core/diagnose core/find core/given core/limb core/pomology core/towns core/year contract exchange orchard paper store words",
}

// TestArrowsPointDownOnly holds the layers of the house: nothing imports what stands above it, and no room one that is not its
// business. Light, findings and cuts are no business of the store's; the heart of the job none of api's.
func TestArrowsPointDownOnly(t *testing.T) {
	rooms, err := filepath.Glob("*/*.go")
	require.NoError(t, err)
	for _, path := range rooms {
		require.Contains(t, arrows, "core/"+filepath.Dir(path), "a room whose arrows nobody drew")
	}
	for room, allowed := range arrows {
		paths, err := filepath.Glob(filepath.Join("..", room, "*.go"))
		require.NoError(t, err)
		require.NotEmpty(t, paths, room)
		for _, path := range paths {
			if strings.HasSuffix(path, "_test.go") {
				continue
			}
			f, err := parser.ParseFile(token.NewFileSet(), path, nil, parser.ImportsOnly)
			require.NoError(t, err)
			for _, i := range f.Imports {
				name, _ := strconv.Unquote(i.Path.Value)
				name, ours := strings.CutPrefix(name, "vertumna/")
				if !ours {
					continue
				}
				ok := slices.ContainsFunc(strings.Fields(allowed), func(a string) bool { return a == name || strings.HasSuffix(a, "/") && strings.HasPrefix(name, a) })
				require.True(t, ok, "%s imports %s", path, name)
			}
		}
	}
}

// declaredIn are the constants of a type that the sources of a room declare as text, and where. A file declares one, or those that are
// found together.
func declaredIn(t *testing.T, room, of string, together map[string]int) map[string]token.Position {
	t.Helper()
	out := map[string]token.Position{}
	sources, err := filepath.Glob(room + "/*.go")
	require.NoError(t, err)
	require.NotEmpty(t, sources)
	for _, path := range sources {
		set := token.NewFileSet()
		f, err := parser.ParseFile(set, path, nil, 0)
		require.NoError(t, err)
		n := 0
		ast.Inspect(f, func(x ast.Node) bool {
			if v, ok := x.(*ast.ValueSpec); ok && len(v.Values) == 1 {
				if name, ok := v.Type.(*ast.Ident); ok && name.Name == of {
					l := v.Values[0].(*ast.BasicLit)
					text, err := strconv.Unquote(l.Value)
					require.NoError(t, err)
					out[text] = set.Position(l.Pos())
					n++
				}
			}
			return true
		})
		require.LessOrEqual(t, n, max(1, together[filepath.Base(path)]), "%s declares %d of %s", path, n, of)
	}
	return out
}

// TestTasksAreDeclaredInAFileEach: what is declared is in the list of declarations, and the other way round.
func TestTasksAreDeclaredInAFileEach(t *testing.T) {
	declared := declaredIn(t, "year", "TaskKind", map[string]int{
		"needs.go": 4, "frame.go": 4, "devices.go": 3, "hard_cuts.go": 2, "notching.go": 2, "graft.go": 2,
	})
	var kinds []string
	for _, k := range year.TaskKinds() {
		kinds = append(kinds, string(k))
	}
	require.ElementsMatch(t, slices.Collect(maps.Keys(declared)), kinds)
}

// TestFindingsAreNamedByTheirCodes: a code of a finding is written as text where it is declared, and nowhere else; what is declared is
// in the list of declarations, a file each.
func TestFindingsAreNamedByTheirCodes(t *testing.T) {
	at := declaredIn(t, "find", "Code", map[string]int{"marks.go": 4, "crossing.go": 2, "overloaded.go": 2})
	var asked []string
	for _, r := range find.Rules() {
		asked = append(asked, string(r.Code))
	}
	require.ElementsMatch(t, slices.Collect(maps.Keys(at)), asked)
	declared, itself := map[string]bool{}, map[token.Position]bool{}
	for code, place := range at {
		declared[strconv.Quote(code)], itself[place] = true, true
	}
	for _, pattern := range []string{"find/*.go", "cut/*.go", "year/*.go", "diagnose/*.go", "../orchard/*.go"} {
		paths, err := filepath.Glob(pattern)
		require.NoError(t, err)
		require.NotEmpty(t, paths)
		for _, path := range paths {
			if strings.HasSuffix(path, "_test.go") {
				continue
			}
			set := token.NewFileSet()
			f, err := parser.ParseFile(set, path, nil, 0)
			require.NoError(t, err)
			written := func(e ast.Expr) {
				if l, ok := e.(*ast.BasicLit); ok && !itself[set.Position(l.Pos())] {
					require.False(t, declared[l.Value], "%s writes %s as text", set.Position(l.Pos()), l.Value)
				}
			}
			ast.Inspect(f, func(n ast.Node) bool {
				switch n := n.(type) {
				case *ast.BasicLit:
					if strings.Contains(n.Value, "_") { // no other word of the job is written so
						written(n)
					}
				case *ast.BinaryExpr:
					if s, ok := n.X.(*ast.SelectorExpr); ok && s.Sel.Name == "Code" {
						written(n.Y)
					}
				case *ast.CallExpr:
					if s, ok := n.Fun.(*ast.SelectorExpr); ok && len(n.Args) > 0 && (s.Sel.Name == "tell" || s.Sel.Name == "finding" || s.Sel.Name == "Code") {
						written(n.Args[0])
					}
				}
				return true
			})
		}
	}
}
