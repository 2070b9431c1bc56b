package light

import (
	"math"

	"vertumna/core/limb"
)

// Lot is a part of a tree's leaf: where it hangs, and how much, m2.
type Lot struct {
	Limb   int     // place in the map
	S      float64 // cm along the limb
	At     limb.Vec
	LeafM2 float64
}

// Leaf of a map in lots: one for every 10 cm of a limb's own twigs, and one at a growing end.
const lotCM = 10

// Lots parts the leaf of a map.
func Lots(m *limb.Map) []Lot {
	k := m.Kind.Growth.LeafM2PerCM2 * math.Pi / 400
	var out []Lot
	for i := range m.Axes {
		a := &m.Axes[i]
		if end := m.LiveEnd(i); m.OwnLeaf(i) > 0 && end-a.Bare >= 0.5 {
			n := math.Ceil((end - a.Bare) / lotCM)
			for j := range int(n) {
				s := a.Bare + (end-a.Bare)*(float64(j)+0.5)/n
				out = append(out, Lot{i, s, m.At(i, s), k * m.Weight(i) * m.OwnLeaf(i) / n})
			}
		}
		if tip := m.TipLeaf(i); tip > 0 {
			out = append(out, Lot{i, a.L, m.End(i), k * m.Weight(i) * tip})
		}
	}
	return out
}

// spread is how many cells round its own a lot of leaf fills: about 4 m2 a m3 along a limb.
func spread(m2 float64) int {
	return int(math.Max(1, math.Min(4, math.Ceil(5*math.Sqrt(m2/0.4)-0.5))))
}

// Tree adds the leaf of a map to the grid, its trunk at a place, and returns its lots there.
func (g *Grid) Tree(m *limb.Map, at limb.Vec) []Lot {
	lots := Lots(m)
	for k := range lots {
		lots[k].At = lots[k].At.Add(at)
		c := CellOf(lots[k].At)
		r := spread(lots[k].LeafM2)
		wide := 2*r + 1
		density := lots[k].LeafM2 / float64(wide*wide*wide) / cellM3
		for z := max(0, c.Z-r); z <= c.Z+r; z++ {
			for y := c.Y - r; y <= c.Y+r; y++ {
				g.leaf.addRow(Cell{c.X - r, y, z}, wide, density)
			}
		}
		g.Ask(c)
	}
	for i := range m.Axes {
		g.Ask(CellOf(m.End(i).Add(at)))
	}
	return lots
}

// OfLimbs is the light of each limb of a map: the mean over its leaf; at its tip where it carries none; 0 where nothing
// lives.
func (f *Field) OfLimbs(m *limb.Map, lots []Lot, at limb.Vec) limb.Light {
	out := make(limb.Light, m.Len())
	leaf := make([]float64, m.Len())
	for _, l := range lots {
		out[l.Limb] += l.LeafM2 * f.At(CellOf(l.At))
		leaf[l.Limb] += l.LeafM2
	}
	for i := range out {
		switch {
		case m.WhollyDead(i):
			out[i] = 0
		case leaf[i] > 0:
			out[i] /= leaf[i]
		default:
			out[i] = f.At(CellOf(m.End(i).Add(at)))
		}
	}
	return out
}

// OfTree is the light of each limb of a tree that stands by itself.
func OfTree(m *limb.Map, latitude float64, set Set) limb.Light {
	g := NewGrid()
	lots := g.Tree(m, limb.Vec{})
	f := g.SweepTo(Directions(latitude, set))
	out := f.OfLimbs(m, lots, limb.Vec{})
	f.box.putAway()
	g.leaf.putAway()
	return out
}
