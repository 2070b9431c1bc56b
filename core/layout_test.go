package core_test

import (
	"go/parser"
	"go/token"
	"io/fs"
	"os"
	"path/filepath"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"
)

// forbidden are the packages that bring in disks, networks, clocks and processes.
var forbidden = []string{"os", "io/fs", "io/ioutil", "net", "path/filepath", "database/sql", "log", "log/slog", "syscall", "os/exec", "os/signal", "embed/fs", "bufio", "plugin", "runtime/debug"}

func TestCorePackagesImportNoIOAndNothingOfOursOutsideCore(t *testing.T) {
	files := 0
	err := filepath.WalkDir(".", func(path string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") {
			return err
		}
		files++
		text, err := os.ReadFile(path)
		require.NoError(t, err)
		require.NotContains(t, string(text), "time.Now", path)
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

// TestArrowsPointDownOnly holds the layers of the house: nothing imports what stands above it.
func TestArrowsPointDownOnly(t *testing.T) {
	layers := []string{"vertumna/core", "vertumna/words", "vertumna/contract", "vertumna/store", "vertumna/exchange", "vertumna/demo", "vertumna/api", "vertumna/cmd"}
	rank := func(pkg string) int {
		for i, l := range layers {
			if pkg == l || strings.HasPrefix(pkg, l+"/") {
				return i
			}
		}
		return -1
	}
	for _, dir := range []string{"words", "contract", "store", "exchange", "demo", "api"} {
		paths, err := filepath.Glob(filepath.Join("..", dir, "*.go"))
		require.NoError(t, err)
		require.NotEmpty(t, paths)
		for _, path := range paths {
			if strings.HasSuffix(path, "_test.go") {
				continue
			}
			f, err := parser.ParseFile(token.NewFileSet(), path, nil, parser.ImportsOnly)
			require.NoError(t, err)
			for _, i := range f.Imports {
				name, _ := strconv.Unquote(i.Path.Value)
				require.Less(t, rank(name), rank("vertumna/"+dir), "%s imports %s", path, name)
			}
		}
	}
}
