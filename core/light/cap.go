package light

import (
	"cmp"
	"math"
	"slices"

	"vertumna/core/together"
)

// KeepLight is the part of full light over the season that a neighbour should keep on its leaf, its own shade left out: what
// a tree amid rows kept at nine tenths of their distance gets by this model (0.88 to 0.94 from 38 to 52 degrees, rows either
// way), so that the cap says for one's own yard what the rule of thumb says for rows. Our estimate.
const KeepLight = 0.90

// leastShade: taking less than this part of a neighbour's light binds nobody's height. A neighbour that others keep in more
// shade than it should have may lose so much to a tree, and no more.
const leastShade = 0.02

// How high trees are tried, cm: so many times their height, and at least so high (our estimates).
const (
	triedTimes = 2
	triedLeast = 500
)

// Cap is how high a tree may stand before a neighbour falls below the light it should keep.
type Cap struct {
	CM     float64
	Binds  int     // the neighbour, by owner; -1: nobody binds as high as was tried
	Keeps  float64 // the light that neighbour has now, its own shade left out
	Shades float64 // the part of its light this tree takes now
	// Short: that neighbour would have less light than it should even were this tree gone.
	Short bool
}

// Caps works out the highest tops that keep every neighbour above a part of full light, each for itself while all others
// stand as they are. The crown is grown, or shortened, in height: its leaf is drawn out between its lowest cell and the top,
// as dense as it is, and every ray that meets it is sent anew. Heights in cm by owner; 0 is no tree (a wall). The answer is
// to ShadeCellCM. Cost: per tree some seven times the cells on the rays that meet it.
func (s Shading) Caps(heights []float64, keep float64) []Cap {
	out := make([]Cap, len(heights))
	const workers = 2
	together.Do(workers, func(w int) {
		for a := w; a < len(heights); a += workers {
			out[a] = s.from.cap(a, heights[a], s, keep)
		}
	})
	return out
}

func (p *passage) cap(a int, height float64, now Shading, keep float64) Cap {
	free := Cap{Binds: -1}
	if height <= 0 || p.leaf[a] == 0 {
		return free
	}
	grown := p.crownOf(a)
	gone := p.light(grown, 0, now.Without)
	// binds is the neighbour that a crown of a height leaves the most below what it should keep; -1: none
	binds := func(top int) int {
		with, worst, by := p.light(grown, top, now.Without), 0.0, -1
		for o := range now.Without {
			if o == a || p.leaf[o] == 0 {
				continue
			}
			if short := math.Min(keep, gone[o]-leastShade) - with[o]; short > 1e-9 && short > worst {
				worst, by = short, o
			}
		}
		return by
	}
	most := int(math.Ceil(math.Max(triedTimes*height, triedLeast) / ShadeCellCM))
	by := binds(most)
	if by < 0 {
		return free
	}
	low, high := grown.foot, most // at low all is well, or nothing this tree does helps; at high a neighbour is short
	for high-low > 1 {
		mid := (low + high) / 2
		if o := binds(mid); o < 0 {
			low = mid
		} else {
			high, by = mid, o
		}
	}
	return Cap{CM: float64(low * ShadeCellCM), Binds: by, Keeps: now.Without[by], Shades: now.Lost[by][a], Short: gone[by] < keep}
}

// crown is an owner's leaf by columns of cells, to be drawn out in height.
type crown struct {
	owner     int
	foot, top int // lowest cell, and the one above the highest
	cells     []Cell
	leaf      []float64
	rays      [][]bool // by direction and ray, those that meet it as it stands
}

func (p *passage) crownOf(a int) *crown {
	out := &crown{owner: a, foot: math.MaxInt, top: math.MinInt}
	for k, c := range p.cells {
		if p.at[k].owner != a {
			continue
		}
		out.cells, out.leaf = append(out.cells, c), append(out.leaf, p.at[k].leaf)
		out.foot, out.top = min(out.foot, c.Z), max(out.top, c.Z+1)
	}
	for k := range p.dirs {
		t := &p.dirs[k]
		meets := make([]bool, t.lines())
		for _, c := range out.cells {
			_, line := t.place(c)
			meets[t.on(line)] = true
		}
		out.rays = append(out.rays, meets)
	}
	return out
}

// grownCell is leaf of a crown drawn out.
type grownCell struct {
	Cell
	leaf float64
}

// drawnOut is a crown drawn out to a height, in cells.
func (p *passage) drawnOut(g *crown, top int) []grownCell {
	if top <= g.foot {
		return nil
	}
	rows := map[int][]int{}
	for k, c := range g.cells {
		rows[c.Z] = append(rows[c.Z], k)
	}
	var out []grownCell
	for z := g.foot; z < top; z++ {
		from := g.foot + (z-g.foot)*(g.top-g.foot)/(top-g.foot)
		for _, k := range rows[from] {
			c := Cell{g.cells[k].X, g.cells[k].Y, z}
			if o, taken := p.stands[c]; !taken || o.owner == g.owner { // where others stand it does not grow
				out = append(out, grownCell{c, g.leaf[k]})
			}
		}
	}
	return out
}

// light is what every owner's leaf would get, its own shade left out, if a crown were drawn out to a height, in cells; the
// crown's own is not told.
func (p *passage) light(g *crown, top int, now []float64) []float64 {
	out, grown := slices.Clone(now), p.drawnOut(g, top)
	for k := range p.dirs {
		t := &p.dirs[k]
		var steps []grownStep // on rays that meet something else; where nothing is lit, nothing is asked
		for _, c := range grown {
			at, line := t.place(c.Cell)
			if i := t.on(line); i >= 0 {
				steps = append(steps, grownStep{i, at, owned{owner: g.owner, leaf: c.leaf}})
			}
		}
		all := make([]int32, len(steps))
		for i := range all {
			all[i] = int32(i)
		}
		byRay, start := grouped(all, t.lines(), func(i int32) int { return steps[i].ray })
		meets := g.rays[k]
		for i := range t.lines() {
			mine := byRay[start[i]:start[i+1]]
			if meets[i] || len(mine) > 0 {
				slices.SortFunc(mine, func(x, y int32) int { return cmp.Compare(steps[x].plane, steps[y].plane) })
				p.resend(t, g.owner, t.line(i), steps, mine, out)
			}
		}
	}
	return out
}

type grownStep struct {
	ray   int
	plane int
	owned
}

// resend takes back what a ray gave and sends it anew with owner a's leaf drawn out.
func (p *passage) resend(t *rays, a int, cells []int32, steps []grownStep, grown []int32, out []float64) {
	was, is := ray{}, ray{}
	tell := func(r *ray, c owned, sign float64) {
		e := c.depth(t.path)
		if c.leaf > 0 && c.owner != a {
			all, own := r.behind(c.owner)
			out[c.owner] += sign * t.Weight * c.leaf / p.leaf[c.owner] * math.Exp(-(all - own))
		}
		r.add(c.owner, e)
	}
	for _, i := range cells {
		c := p.at[i]
		tell(&was, c, -1)
		if c.owner == a {
			continue
		}
		plane, _ := t.place(p.cells[i])
		for len(grown) > 0 && steps[grown[0]].plane <= plane {
			is.add(a, steps[grown[0]].depth(t.path))
			grown = grown[1:]
		}
		tell(&is, c, 1)
	}
}
