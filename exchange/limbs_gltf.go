package exchange

import (
	"bytes"
	"encoding/base64"
	"encoding/binary"
	"encoding/json"
	"io"
	"math"
	"strings"

	"vertumna/core/limb"
)

// tubeSides is how many faces a limb's tube has.
const tubeSides = 8

// woodColours are the colours of wood in a 3D viewer, by age: this year's, last year's, two years, older, dead. Linear
// RGB of the application's own wood colours.
var woodColours = []struct {
	name string
	rgb  [3]float64
}{
	{"this season", [3]float64{0.112, 0.270, 0.076}},
	{"last season", [3]float64{0.323, 0.258, 0.078}},
	{"two seasons", [3]float64{0.254, 0.144, 0.069}},
	{"older wood", [3]float64{0.147, 0.087, 0.058}},
	{"dead wood", [3]float64{0.254, 0.238, 0.202}},
}

type gltf struct {
	Asset       map[string]string `json:"asset"`
	Scene       int               `json:"scene"`
	Scenes      []gltfScene       `json:"scenes"`
	Nodes       []gltfNode        `json:"nodes"`
	Meshes      []gltfMesh        `json:"meshes"`
	Materials   []gltfMaterial    `json:"materials"`
	Accessors   []gltfAccessor    `json:"accessors"`
	BufferViews []gltfView        `json:"bufferViews"`
	Buffers     []gltfBuffer      `json:"buffers"`
}

type gltfScene struct {
	Name  string `json:"name"`
	Nodes []int  `json:"nodes"`
}

type gltfNode struct {
	Name     string `json:"name"`
	Mesh     *int   `json:"mesh,omitempty"`
	Children []int  `json:"children,omitempty"`
}

type gltfMesh struct {
	Name       string          `json:"name"`
	Primitives []gltfPrimitive `json:"primitives"`
}

type gltfPrimitive struct {
	Attributes map[string]int `json:"attributes"`
	Indices    int            `json:"indices"`
	Material   int            `json:"material"`
}

type gltfMaterial struct {
	Name string `json:"name"`
	PBR  struct {
		Base      [4]float64 `json:"baseColorFactor"`
		Metallic  float64    `json:"metallicFactor"`
		Roughness float64    `json:"roughnessFactor"`
	} `json:"pbrMetallicRoughness"`
}

type gltfAccessor struct {
	View      int       `json:"bufferView"`
	Component int       `json:"componentType"`
	Count     int       `json:"count"`
	Type      string    `json:"type"`
	Min       []float32 `json:"min,omitempty"`
	Max       []float32 `json:"max,omitempty"`
}

type gltfView struct {
	Buffer int `json:"buffer"`
	Offset int `json:"byteOffset"`
	Length int `json:"byteLength"`
	Target int `json:"target"`
}

type gltfBuffer struct {
	Length int    `json:"byteLength"`
	URI    string `json:"uri"`
}

// Codes of the format.
const (
	gltfFloat, gltfUint32       = 5126, 5125
	gltfVertices, gltfTriangles = 34962, 34963
)

type gltfWriter struct {
	doc gltf
	bin bytes.Buffer
}

// LimbsGLTF writes a limb map as glTF 2.0, for any 3D viewer: a node a limb, named by it, a tube of its true thickness,
// coloured by the age of its wood. Metres; y up, x east, -z north. The title is written as plain text.
func LimbsGLTF(w io.Writer, title string, m *limb.Map) error {
	g := &gltfWriter{}
	g.doc.Asset = map[string]string{"version": "2.0", "generator": "Vertumna"}
	root := gltfNode{Name: plainName(title)}
	for i := range m.Axes {
		mesh := gltfMesh{Name: plainName(m.Axes[i].ID), Primitives: g.limb(m, i)}
		g.doc.Meshes = append(g.doc.Meshes, mesh)
		at := len(g.doc.Meshes) - 1
		g.doc.Nodes = append(g.doc.Nodes, gltfNode{Name: mesh.Name, Mesh: &at})
		root.Children = append(root.Children, i)
	}
	g.doc.Nodes = append(g.doc.Nodes, root)
	g.doc.Scenes = []gltfScene{{root.Name, []int{len(g.doc.Nodes) - 1}}}
	g.doc.Buffers = []gltfBuffer{{g.bin.Len(), "data:application/octet-stream;base64," + base64.StdEncoding.EncodeToString(g.bin.Bytes())}}
	return json.NewEncoder(w).Encode(g.doc)
}

// plainName keeps markup and control signs out of a name that a viewer may show as it comes.
func plainName(s string) string {
	s = strings.Map(func(r rune) rune {
		switch {
		case r < ' ' || r == 0x7f:
			return -1
		case strings.ContainsRune(`<>&"'`+"`", r):
			return '_'
		}
		return r
	}, s)
	if s == "" {
		return "tree"
	}
	return s
}

// material is the place of a wood colour among the materials; one is listed when it is first used.
func (g *gltfWriter) material(tone int) int {
	c := woodColours[tone]
	for i := range g.doc.Materials {
		if g.doc.Materials[i].Name == c.name {
			return i
		}
	}
	mat := gltfMaterial{Name: c.name}
	mat.PBR.Base, mat.PBR.Roughness = [4]float64{c.rgb[0], c.rgb[1], c.rgb[2], 1}, 0.9
	g.doc.Materials = append(g.doc.Materials, mat)
	return len(g.doc.Materials) - 1
}

// limb writes one limb's tube, a primitive for each age of wood.
func (g *gltfWriter) limb(m *limb.Map, i int) []gltfPrimitive {
	shape := m.Shape(i)
	tone := func(k int) int {
		if shape[k].S >= m.DeadAt(i) || m.WhollyDead(i) {
			return len(woodColours) - 1
		}
		return min(shape[k].Age, 4) - 1
	}
	var out []gltfPrimitive
	for from := 0; from < len(shape)-1; {
		to := from + 1
		for to < len(shape)-1 && tone(to) == tone(from) {
			to++
		}
		out = append(out, g.tube(m, i, shape[from:to+1], g.material(tone(from))))
		from = to
	}
	return out
}

func (g *gltfWriter) tube(m *limb.Map, i int, shape []limb.Station, material int) gltfPrimitive {
	var place, normal []float32
	for _, s := range shape {
		for k := range tubeSides {
			f := m.Facing(i, s.S, 360*float64(k)/tubeSides)
			p := s.At.Add(f.Mul(s.Radius)).Mul(0.01)
			place = append(place, float32(p.X), float32(p.Z), float32(-p.Y))
			normal = append(normal, unit32(f.X, f.Z, -f.Y)...)
		}
	}
	var faces []uint32
	for s := range len(shape) - 1 {
		for k := range tubeSides {
			a, b := uint32(s*tubeSides+k), uint32(s*tubeSides+(k+1)%tubeSides)
			c, d := a+tubeSides, b+tubeSides
			faces = append(faces, a, b, c, b, d, c)
		}
	}
	return gltfPrimitive{
		Attributes: map[string]int{"POSITION": g.vectors(place, true), "NORMAL": g.vectors(normal, false)},
		Indices:    g.indices(faces), Material: material,
	}
}

func unit32(x, y, z float64) []float32 {
	l := math.Sqrt(x*x + y*y + z*z)
	return []float32{float32(x / l), float32(y / l), float32(z / l)}
}

func (g *gltfWriter) view(data any, target int) int {
	start := g.bin.Len()
	_ = binary.Write(&g.bin, binary.LittleEndian, data) // a bytes.Buffer never fails
	g.doc.BufferViews = append(g.doc.BufferViews, gltfView{0, start, g.bin.Len() - start, target})
	return len(g.doc.BufferViews) - 1
}

func (g *gltfWriter) vectors(xyz []float32, bounds bool) int {
	a := gltfAccessor{View: g.view(xyz, gltfVertices), Component: gltfFloat, Count: len(xyz) / 3, Type: "VEC3"}
	if bounds {
		a.Min, a.Max = append([]float32(nil), xyz[:3]...), append([]float32(nil), xyz[:3]...)
		for k, x := range xyz {
			a.Min[k%3], a.Max[k%3] = min(a.Min[k%3], x), max(a.Max[k%3], x)
		}
	}
	g.doc.Accessors = append(g.doc.Accessors, a)
	return len(g.doc.Accessors) - 1
}

func (g *gltfWriter) indices(faces []uint32) int {
	g.doc.Accessors = append(g.doc.Accessors, gltfAccessor{View: g.view(faces, gltfTriangles), Component: gltfUint32, Count: len(faces), Type: "SCALAR"})
	return len(g.doc.Accessors) - 1
}
