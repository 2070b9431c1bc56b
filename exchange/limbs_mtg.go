package exchange

import (
	"fmt"
	"io"
	"strings"

	"vertumna/core/limb"
)

// LimbsMTG writes a limb map as a multiscale tree graph (Godin and Caraglio 1998), the plain-text format of plant
// architecture: plant P, axis A (a limb), growth unit U (a season's ring). Lengths in cm, diameters in mm, angles in
// degrees.
func LimbsMTG(w io.Writer, m *limb.Map) error {
	depth := 0
	for i := range m.Axes {
		depth = max(depth, m.Axes[i].Depth)
	}
	g := mtg{m: m, columns: depth + 2}
	g.line("CODE:", "FORM-A")
	g.line()
	g.line("CLASSES:")
	g.line("SYMBOL", "SCALE", "DECOMPOSITION", "INDEXATION", "DEFINITION")
	for scale, symbol := range []string{"$", "P", "A", "U"} {
		definition := "EXPLICIT"
		if scale == 0 {
			definition = "IMPLICIT"
		}
		g.line(symbol, fmt.Sprint(scale), "FREE", "FREE", definition)
	}
	g.line()
	g.line("DESCRIPTION:")
	g.line("LEFT", "RIGHT", "RELTYPE", "MAX")
	g.line("A", "A", "+", "?")
	g.line("U", "U", "<", "1")
	g.line("U", "U", "+", "?")
	g.line()
	g.line("FEATURES:")
	g.line("NAME", "TYPE")
	for _, f := range mtgFeatures {
		g.line(f...)
	}
	g.line()
	g.line("MTG:")
	head := make([]string, g.columns)
	head[0] = "ENTITY-CODE"
	for _, f := range mtgFeatures {
		head = append(head, f[0])
	}
	g.line(head...)
	g.entity("/P1", 0)
	for n, i := range m.Stems() {
		code := "/A1"
		if n > 0 {
			code = fmt.Sprint("+A", n+1)
		}
		g.axis(i, 0, code)
	}
	_, err := io.WriteString(w, g.out.String())
	return err
}

var mtgFeatures = [][]string{
	{"Limb", "STRING"},
	{"Length", "REAL"},
	{"BottomDia", "REAL"},
	{"TopDia", "REAL"},
	{"Azimuth", "REAL"},
	{"Inclination", "REAL"},
	{"XX", "REAL"},
	{"YY", "REAL"},
	{"ZZ", "REAL"},
	{"Year", "INT"},
}

type mtg struct {
	m       *limb.Map
	columns int
	axes    int
	out     strings.Builder
}

func (g *mtg) line(cells ...string) {
	g.out.WriteString(strings.TrimRight(strings.Join(cells, "\t"), "\t") + "\n")
}

// entity writes one code in its column with its features.
func (g *mtg) entity(code string, column int, features ...string) {
	cells := make([]string, g.columns)
	cells[column] = code
	g.line(append(cells, features...)...)
}

// axis writes a limb: its units one after the other in its column, side limbs in the next, after the unit they leave.
func (g *mtg) axis(i, column int, first string) {
	a := &g.m.Axes[i]
	from := 0.0
	next := 0
	for k, r := range a.Rings {
		code := fmt.Sprintf("^<U%d", k+1)
		if k == 0 {
			g.axes++
			code = first + "/U1"
		}
		to := from + r
		top := g.m.At(i, to)
		year := ""
		if y := g.m.RingYear(i, k); y > 0 {
			year = fmt.Sprint(y)
		}
		g.entity(code, column, mtgName(a.ID), fmt.Sprintf("%.1f", r), fmt.Sprintf("%.1f", g.m.Diameter(i, from)), fmt.Sprintf("%.1f", g.m.Diameter(i, to)),
			fmt.Sprintf("%.1f", a.Azimuth), fmt.Sprintf("%.1f", g.m.Theta(i, from+r/2)), fmt.Sprintf("%.1f", top.X), fmt.Sprintf("%.1f", top.Y),
			fmt.Sprintf("%.1f", top.Z), year)
		for next < len(a.Children) && (g.m.Axes[a.Children[next]].Attach <= to || k == len(a.Rings)-1) {
			g.axis(a.Children[next], column+1, fmt.Sprint("+A", g.axes+1))
			next++
		}
		from = to
	}
}

// mtgName keeps tabs and line ends out of a cell.
func mtgName(s string) string { return strings.Join(strings.Fields(s), "_") }
