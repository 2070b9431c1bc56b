package api_test

import (
	"encoding/json"
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/api"
)

// schemas walk the contract: every value that a body or a query may hold.
type schemas struct {
	all   map[string]object
	seen  map[string]bool
	loose []string
}

func (s *schemas) walk(x object, at string) {
	if ref, ok := x["$ref"].(string); ok {
		name := ref[strings.LastIndex(ref, "/")+1:]
		if s.seen[name] {
			return
		}
		s.seen[name] = true
		s.walk(s.all[name], name)
		return
	}
	if x["readOnly"] == true {
		return
	}
	is := func(t string) bool {
		many, _ := x["type"].([]any)
		return x["type"] == t || slices.Contains(many, any(t))
	}
	has := func(keys ...string) bool {
		return slices.ContainsFunc(keys, func(k string) bool { return x[k] != nil })
	}
	switch {
	case is("object"):
		props, _ := x["properties"].(object)
		for name, p := range props {
			s.walk(p.(object), at+"."+name)
		}
		if _, open := x["additionalProperties"].(object); open && !has("maxProperties") {
			s.loose = append(s.loose, at+": as many names as one likes")
		}
	case is("array"):
		if !has("maxItems") {
			s.loose = append(s.loose, at+": a list without end")
		}
		s.walk(x["items"].(object), at+"[]")
	case is("number"), is("integer"):
		if !has("minimum", "exclusiveMinimum") || !has("maximum", "exclusiveMaximum") {
			s.loose = append(s.loose, at+": a number without bounds")
		}
	case is("string"):
		if !has("enum", "maxLength", "format", "pattern") {
			s.loose = append(s.loose, at+": a text without end")
		}
	}
}

// TestEveryValueThatEntersHasItsBounds: whatever is sent, the contract says how large it may be.
func TestEveryValueThatEntersHasItsBounds(t *testing.T) {
	text, err := api.OpenAPI()
	require.NoError(t, err)
	var doc object
	require.NoError(t, json.Unmarshal(text, &doc))
	s := &schemas{all: map[string]object{}, seen: map[string]bool{}}
	for name, x := range doc["components"].(object)["schemas"].(object) {
		s.all[name] = x.(object)
	}
	bodies := 0
	for path, methods := range doc["paths"].(object) {
		for method, o := range methods.(object) {
			at := method + " " + path
			params, _ := o.(object)["parameters"].([]any)
			for _, p := range params {
				if p.(object)["in"] == "query" {
					s.walk(p.(object)["schema"].(object), fmt.Sprint(at, " ?", p.(object)["name"]))
				}
			}
			body, ok := o.(object)["requestBody"].(object)
			if !ok {
				continue
			}
			bodies++
			for _, c := range body["content"].(object) {
				s.walk(c.(object)["schema"].(object), at)
			}
			answers := o.(object)["responses"].(object)
			for _, code := range []string{"409", "422"} {
				require.Contains(t, answers, code, at)
			}
		}
	}
	require.Greater(t, bodies, 15)
	slices.Sort(s.loose)
	require.Empty(t, s.loose)
}
