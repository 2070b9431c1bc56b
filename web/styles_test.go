package web_test

import (
	"io/fs"
	"os"
	"path"
	"regexp"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"
)

var (
	comment    = regexp.MustCompile(`(?s)/\*.*?\*/`)
	class      = regexp.MustCompile(`\.([A-Za-z_][\w-]*)`)
	ofAll      = regexp.MustCompile(`:global\(\.[\w-]+\)`)
	moduleName = regexp.MustCompile(`import (\w+) from '([^']+\.module\.css)'`)
)

// styles are the sheets and screens of the web app, by their path.
func styles(t *testing.T) (sheets, screens map[string]string) {
	t.Helper()
	sheets, screens = map[string]string{}, map[string]string{}
	src := os.DirFS("src")
	require.NoError(t, fs.WalkDir(src, ".", func(p string, _ fs.DirEntry, err error) error {
		if err != nil {
			return err
		}
		into := screens
		switch {
		case strings.HasSuffix(p, ".css"):
			into = sheets
		case !strings.HasSuffix(p, ".tsx") || strings.Contains(p, ".test."):
			return nil
		}
		text, err := fs.ReadFile(src, p)
		into[p] = comment.ReplaceAllString(string(text), "")
		return err
	}))
	return sheets, screens
}

func classes(css string) map[string]bool {
	out := map[string]bool{}
	for _, m := range class.FindAllStringSubmatch(css, -1) {
		out[m[1]] = true
	}
	return out
}

// Each room's names are its own: every name a screen takes from its module has a rule there, and every rule a screen that asks for it.
func TestStylesAreOfOneRoomEach(t *testing.T) {
	sheets, screens := styles(t)
	used := map[string]map[string]bool{}
	for p, text := range screens {
		for _, m := range moduleName.FindAllStringSubmatch(text, -1) {
			module := path.Join(path.Dir(p), m[2])
			require.Contains(t, sheets, module, p)
			own := path.Dir(module) == "shared" || strings.HasPrefix(p, path.Dir(module)+"/")
			require.True(t, own, "%s dresses by the names of another room, %s", p, module)
			if used[module] == nil {
				used[module] = map[string]bool{}
			}
			for _, n := range regexp.MustCompile(`\b`+m[1]+`(?:\.(\w+)|\['([^']+)'\])`).FindAllStringSubmatch(text, -1) {
				name := n[1] + n[2]
				used[module][name] = true
				require.True(t, classes(ofAll.ReplaceAllString(sheets[module], ""))[name], "%s asks for %s, which %s does not have", p, name, module)
			}
		}
	}
	require.Greater(t, len(used), 10)
	for p, css := range sheets {
		if strings.HasSuffix(p, ".module.css") {
			for name := range classes(ofAll.ReplaceAllString(css, "")) {
				require.True(t, used[p][name], "%s has a rule for %s, and no screen asks for it", p, name)
			}
		}
	}
}

// What stands outside the modules is the kit of all rooms: it may shrink, not grow.
func TestTheKitOfAllRoomsDoesNotGrow(t *testing.T) {
	sheets, _ := styles(t)
	kit := ""
	for p, css := range sheets {
		if !strings.HasSuffix(p, ".module.css") {
			require.Contains(t, []string{"base.css", "tokens.css"}, p)
			kit += css
		}
	}
	require.LessOrEqual(t, len(classes(kit)), 70)
}
