package vectors

import (
	"encoding/json"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/find"
	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// Tree is what a file of the limbs tells of a tree before anything is asked: its map, the light on it, what stands about it, its past.
type Tree struct {
	Case    string
	Season  limb.Season
	Context struct {
		Paths []struct {
			Polygon [][2]float64
			Clear   float64 `json:"clear_cm"`
			Name    string
		}
		Neighbours []find.Crown
	}
	Options struct {
		Vigour    pomology.VigourClass
		Building  *bool
		Harvested bool
		Used      float64
		BigUsed   int `json:"big_used"`
	}
	Input      json.RawMessage
	LightGiven map[string]float64 `json:"light_given"`
}

// Reading is how the tree is read, with the light that its file gives.
func (c *Tree) Reading(m *limb.Map) find.Reading {
	r := find.Reading{Light: make(limb.Light, m.Len()), Options: find.Defaults()}
	for i := range r.Light {
		r.Light[i] = c.LightGiven[m.Axes[i].ID]
	}
	r.Options.Building, r.Options.Harvested, r.Options.Vigour = c.Options.Building, c.Options.Harvested, c.Options.Vigour
	r.Yard.Neighbours = c.Context.Neighbours
	for _, p := range c.Context.Paths {
		r.Yard.Paths = append(r.Yard.Paths, find.Path{Name: p.Name, Polygon: p.Polygon, ClearCM: p.Clear})
	}
	return r
}

// Measured is a sketched tree taken as if someone had been over it with the tape.
func Measured(t testing.TB, in growth.SketchInput) limb.Doc {
	t.Helper()
	doc, err := growth.Sketch(in)
	require.NoError(t, err)
	for i := range doc.Limbs {
		doc.Limbs[i].Source, doc.Limbs[i].Sources = "", nil
	}
	return doc
}

// MeasuredMap is the limb map of such a tree.
func MeasuredMap(t testing.TB, in growth.SketchInput) *limb.Map {
	t.Helper()
	m, err := limb.Check(Measured(t, in))
	require.NoError(t, err)
	return m
}
