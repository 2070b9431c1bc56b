// Package vectors reads the reference vectors for tests: those of $VERTUMNA_CASES when it is set, else the copies in the
// package's own testdata.
package vectors

import (
	"encoding/json"
	"errors"
	"fmt"
	"math"
	"os"
	"path/filepath"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/given"
	"vertumna/core/limb"
)

// Dir is the folder of a package's vectors, seen from the package that is tested.
func Dir(name string) string {
	if dir := os.Getenv("VERTUMNA_CASES"); dir != "" {
		return filepath.Join(dir, name)
	}
	return filepath.Join("testdata", name)
}

// Model answers an input of a vector file.
type Model func(json.RawMessage) (any, error)

// Answers makes a Model of a function whose input is read as the api reads it.
func Answers[In, Out any](model func(In) (Out, error)) Model {
	return func(text json.RawMessage) (any, error) {
		in, err := given.Read[In](text)
		if err != nil {
			return nil, err
		}
		return model(in)
	}
}

// Trees runs a test on every file of the limbs that holds a tree: the file's text, whole. Tables, sketches and laws are read by tests of
// their own.
func Trees(t *testing.T, test func(t *testing.T, text []byte)) {
	t.Helper()
	files, err := filepath.Glob(filepath.Join(Dir("limbs"), "*.json"))
	require.NoError(t, err)
	trees := 0
	for _, file := range files {
		text, err := os.ReadFile(file)
		require.NoError(t, err)
		var named struct{ Case string }
		require.NoError(t, json.Unmarshal(text, &named), file)
		if named.Case == "" {
			continue
		}
		trees++
		t.Run(named.Case, func(t *testing.T) { test(t, text) })
	}
	require.NotZero(t, trees)
}

// Map is the limb map of a vector's input, taken in a season; an empty one leaves the input's own.
func Map(t *testing.T, input json.RawMessage, season limb.Season) *limb.Map {
	t.Helper()
	doc, err := limb.Parse(input)
	require.NoError(t, err)
	if season != "" {
		doc.Season = season
	}
	m, err := limb.Check(doc)
	require.NoError(t, err)
	return m
}

// file is a file of vectors of one model.
type file struct {
	Model     string
	Tolerance struct{ Rel, Abs float64 }
	Cases     []struct {
		Name     string
		Input    json.RawMessage
		Expected map[string]any
		Error    *struct{ Code, Field string }
	}
}

// Run runs every case of every file of a folder: each file has its model.
func Run(t *testing.T, folder string, models map[string]Model) {
	t.Helper()
	files, err := filepath.Glob(filepath.Join(Dir(folder), "*.json"))
	require.NoError(t, err)
	seen := map[string]bool{}
	for _, path := range files {
		text, err := os.ReadFile(path)
		require.NoError(t, err)
		var f file
		require.NoError(t, json.Unmarshal(text, &f), path)
		model := models[f.Model]
		require.NotNil(t, model, "%s: no model answers it", f.Model)
		seen[f.Model] = true
		for _, c := range f.Cases {
			t.Run(f.Model+" "+c.Name, func(t *testing.T) {
				got, err := model(c.Input)
				if c.Error != nil {
					requireFault(t, err, c.Error.Code, c.Error.Field)
					return
				}
				require.NoError(t, err)
				out, err := json.Marshal(got)
				require.NoError(t, err)
				var have map[string]any
				require.NoError(t, json.Unmarshal(out, &have))
				for k, w := range c.Expected {
					requireSame(t, k, w, have[k], f.Tolerance.Rel, f.Tolerance.Abs)
				}
			})
		}
	}
	require.Len(t, seen, len(models), "every model has its vectors")
}

func requireFault(t *testing.T, err error, code, field string) {
	t.Helper()
	var fs given.Faults
	require.True(t, errors.As(err, &fs), "%v", err)
	found := false
	for _, x := range fs {
		found = found || x.Code == code && x.Field == field
		require.NotEmpty(t, x.Given)
		require.NotEmpty(t, x.Expected)
	}
	require.True(t, found, "%v", fs)
}

// requireSame compares an answer with what is expected: numbers within tolerance, all else exactly; fields the vector does
// not name are not compared.
func requireSame(t *testing.T, at string, want, got any, rel, abs float64) {
	t.Helper()
	switch w := want.(type) {
	case float64:
		g, ok := got.(float64)
		require.True(t, ok, "%s: %v", at, got)
		require.InDelta(t, w, g, math.Max(abs, rel*math.Abs(w)), at)
	case map[string]any:
		g, ok := got.(map[string]any)
		require.True(t, ok, "%s: %v", at, got)
		for k, v := range w {
			requireSame(t, at+"."+k, v, g[k], rel, abs)
		}
	case []any:
		g, ok := got.([]any)
		require.True(t, ok, "%s: %v", at, got)
		require.Len(t, g, len(w), at)
		for i := range w {
			requireSame(t, fmt.Sprintf("%s[%d]", at, i), w[i], g[i], rel, abs)
		}
	default:
		require.Equal(t, want, got, at)
	}
}
