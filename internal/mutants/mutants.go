// Package mutants makes near misses of sound inputs, always the same ones: what a usual test run tries of a fuzz target, beside its kept
// corpus. `make fuzz` goes on from there.
package mutants

import (
	"bytes"
	"math/rand/v2"
	"os"
	"strconv"
	"testing"
)

const usual = 150

// odd are pieces that readers trip over.
var odd = [][]byte{
	[]byte("-1"), []byte("1e309"), []byte("NaN"), []byte("9223372036854775808"), []byte("\x00"), []byte("\xff\xfe"), []byte("\r\n"), []byte(`"`), []byte("{"),
	[]byte("]"), []byte(",,"), []byte("null"), []byte("\u202e"), []byte("-0"), []byte("1e-400"), []byte("=1+1"), []byte("2027-02-30"), []byte("½"),
}

// Add gives a fuzz target its seeds and their mutants; TORTURE=N: N of each.
func Add(f *testing.F, seeds ...[]byte) {
	f.Helper()
	each := usual
	if n, err := strconv.Atoi(os.Getenv("TORTURE")); err == nil && n > 0 {
		each = n
	}
	rnd := rand.New(rand.NewPCG(5, 8))
	for k, s := range seeds {
		f.Add(s)
		for range each {
			f.Add(mutant(rnd, s, seeds[(k+1)%len(seeds)]))
		}
	}
}

// mutant is a seed with one to four changes: a piece left out, doubled, moved or made odd, a byte changed, or the end of another.
func mutant(rnd *rand.Rand, seed, other []byte) []byte {
	out := bytes.Clone(seed)
	for range 1 + rnd.IntN(4) {
		if len(out) == 0 {
			return out
		}
		at := rnd.IntN(len(out))
		end := min(len(out), at+1+rnd.IntN(40))
		switch rnd.IntN(7) {
		case 0:
			out = append(out[:at:at], out[end:]...)
		case 1:
			out = append(out[:end:end], out[at:]...)
		case 2:
			out = append(append(out[:at:at], odd[rnd.IntN(len(odd))]...), out[at:]...)
		case 3:
			out = append(append(out[:at:at], odd[rnd.IntN(len(odd))]...), out[end:]...)
		case 4:
			out = bytes.Clone(out)
			out[at] = byte(rnd.IntN(256))
		case 5:
			out = out[:at]
		case 6:
			if len(other) > 0 {
				out = append(out[:at:at], other[rnd.IntN(len(other)):]...)
			}
		}
	}
	return out
}
