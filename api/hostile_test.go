package api_test

import (
	"encoding/json"
	"math/rand/v2"
	"os"
	"slices"
	"strconv"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/require"

	"vertumna/api"
)

// hostile are values that no field means.
var hostile = []any{
	1e308, -1e308, 1e18, -1.0, 0.0, 3.5, "", " ", "\x00", "\r\n<b>\u202e", strings.Repeat("x", 20000), "2027-02-30", "NaN", nil, true,
	[]any{},
	object{},
	[]any{[]any{[]any{}}},
	object{"a": object{"a": object{}}},
	"../../etc", "'; DROP TABLE trees; --",
}

// builder makes bodies from the contract: sound in shape, with one value that is not.
type builder struct {
	all map[string]object
	rnd *rand.Rand
}

func (b *builder) value(x object, depth int) any {
	if ref, ok := x["$ref"].(string); ok {
		return b.value(b.all[ref[strings.LastIndex(ref, "/")+1:]], depth)
	}
	if words, ok := x["enum"].([]any); ok {
		return words[b.rnd.IntN(len(words))]
	}
	is := func(t string) bool {
		many, _ := x["type"].([]any)
		return x["type"] == t || slices.Contains(many, any(t))
	}
	num := func(k string, other float64) float64 {
		if v, ok := x[k].(float64); ok {
			return v
		}
		return other
	}
	switch {
	case is("object"):
		out := object{}
		props, _ := x["properties"].(object)
		required, _ := x["required"].([]any)
		for name, p := range props {
			if p.(object)["readOnly"] != true && depth < 6 && (slices.Contains(required, any(name)) || b.rnd.IntN(3) == 0) {
				out[name] = b.value(p.(object), depth+1)
			}
		}
		return out
	case is("array"):
		out := []any{}
		for range int(num("minItems", 0)) + b.rnd.IntN(3) {
			if len(out) < int(num("maxItems", 9)) {
				out = append(out, b.value(x["items"].(object), depth+1))
			}
		}
		return out
	case is("integer"):
		low := num("minimum", 0)
		return low + float64(b.rnd.IntN(int(max(1, min(num("maximum", 9)-low, 50)))))
	case is("number"):
		low := num("minimum", 0)
		return low + b.rnd.Float64()*min(num("maximum", 9)-low, 50)
	case is("boolean"):
		return b.rnd.IntN(2) == 0
	case x["format"] == "date":
		return "2027-02-" + strconv.Itoa(10+b.rnd.IntN(9))
	}
	return []string{"S1", "T", "lower-terrace-C2", "apple", "collar", "steady", "dormant-cut", "word-of-9"}[b.rnd.IntN(8)]
}

// spoil puts a hostile value somewhere into a body.
func (b *builder) spoil(v any) any {
	switch x := v.(type) {
	case object:
		if len(x) == 0 || b.rnd.IntN(8) == 0 {
			break
		}
		names := make([]string, 0, len(x))
		for n := range x {
			names = append(names, n)
		}
		slices.Sort(names)
		n := names[b.rnd.IntN(len(names))]
		x[n] = b.spoil(x[n])
		return x
	case []any:
		if len(x) == 0 || b.rnd.IntN(8) == 0 {
			break
		}
		k := b.rnd.IntN(len(x))
		x[k] = b.spoil(x[k])
		return x
	}
	return hostile[b.rnd.IntN(len(hostile))]
}

// tells: a refusal names the field, what was given and what is expected, of each thing that is wrong.
func tells(problem object) bool {
	faults, _ := problem["errors"].([]any)
	for _, f := range faults {
		x := f.(object)
		_, given := x["given"].(string)
		if x["field"] == "" || x["field"] == nil || !given || x["expected"] == "" || x["expected"] == nil {
			return false
		}
	}
	return len(faults) > 0
}

// TestNoBodyTakesItDown sends bodies of every shape the contract has, with one value each that no field means: none is a fault of ours,
// and the pages open after all of them. TORTURE=N sends N to each operation.
func TestNoBodyTakesItDown(t *testing.T) {
	each := 10
	if n, err := strconv.Atoi(os.Getenv("TORTURE")); err == nil {
		each = n
	}
	text, err := api.OpenAPI()
	require.NoError(t, err)
	var doc object
	require.NoError(t, json.Unmarshal(text, &doc))
	b := &builder{map[string]object{}, rand.New(rand.NewPCG(7, 11))}
	for name, x := range doc["components"].(object)["schemas"].(object) {
		b.all[name] = x.(object)
	}
	a := start(t, "2027-02-20")
	person := list(a.ok("GET", lt+"/people", nil), "list")[0]["id"].(string)
	paths := make([]string, 0, len(doc["paths"].(object)))
	for p := range doc["paths"].(object) {
		paths = append(paths, p)
	}
	slices.Sort(paths)
	sent, refused, byContent, told, slowest := 0, 0, 0, 0, time.Duration(0)
	for _, path := range paths {
		for _, method := range []string{"post", "put", "patch"} {
			o, ok := doc["paths"].(object)[path].(object)[method].(object)
			if !ok || o["requestBody"] == nil {
				continue
			}
			content := o["requestBody"].(object)["content"].(object)
			media, ok := content["application/json"].(object)
			if !ok {
				continue
			}
			id := "lower-terrace-C2"
			if strings.Contains(path, "/people/") {
				id = person
			}
			url := strings.NewReplacer("{slug}", "lower-terrace", "{id}", id, "{limb}", "S1").Replace(path)
			for range each {
				body := b.spoil(b.value(media["schema"].(object), 0))
				sent++
				from := time.Now()
				status, out := a.send(strings.ToUpper(method), url, body)
				slowest = max(slowest, time.Since(from))
				if status >= 400 {
					refused++
				}
				switch status {
				case 400, 409, 413, 415, 422: // for what it holds, not for who sends it or how often
					byContent++
					if tells(out) {
						told++
					} else {
						text, _ := json.Marshal(body)
						t.Logf("%d %s %s: %v\n%s", status, method, url, out, text[:min(len(text), 300)])
					}
				}
				if status >= 500 {
					text, _ := json.Marshal(body)
					require.Less(t, status, 500, "%s %s\n%s\n%v", method, url, text[:min(len(text), 2000)], out)
				}
			}
		}
	}
	t.Logf("%d bodies, %d refused, none a fault of ours; of %d refused for what they hold %d are told field, given and expected; the slowest took %v", sent, refused, byContent, told, slowest.Round(time.Millisecond))
	require.GreaterOrEqual(t, 100*told, 99*byContent, "99 of 100 refusals say which field, what was given and what is expected")
	require.Greater(t, sent, 15*each)
	require.Greater(t, refused, sent/2)
	for _, page := range []string{lt + "/docket", lt + "/plan", lt + "/light", lt + "/crop", lt + "/trees/lower-terrace-C2/map/slip", lt + "/trees/lower-terrace-C2/fruit", lt + "/archive"} {
		a.ok("GET", page, nil)
	}
}
