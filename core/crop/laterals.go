package crop

import (
	"math"

	"vertumna/core/given"
	"vertumna/core/num"
)

// laterals shares a limb's fruit out to its side limbs and its own wood, by what each bears.
func (p *planner) laterals(u *unit, l *Limb) ([]Lateral, error) {
	m := p.r.m
	groups := [][]int{{u.i}}
	var out []Lateral
	out = append(out, Lateral{LengthCM: m.Axes[u.i].L, Class: "own"})
	for _, c := range m.Axes[u.i].Children {
		axes := m.Subtree(c)
		groups = append(groups, axes)
		a := &m.Axes[c]
		out = append(out, Lateral{ID: a.ID, LengthCM: a.L, Class: ClassOf(a.L, a.D, m.MeanAngle(c), p.r.light.At(c))})
	}
	bears, keeps := make([]float64, len(groups)), make([]float64, len(groups))
	for g, axes := range groups {
		for _, i := range axes {
			bears[g] += p.r.bears[i]
			keeps[g] += p.r.bears[i] * bearingShare[p.r.class(i)]
		}
	}
	total := 0
	switch {
	case l.Pass.Done:
		total = l.Pass.Left
	case l.Share.On != nil:
		total = *l.Share.On
	default:
		total = int(num.Round(p.t.Kind.Set(u.buds, p.t.Alive)))
	}
	on := spread(total, bears)
	keep := shareCapped(l.Share.Keep, keeps, on)
	for g := range out {
		out[g].On, out[g].Keep = on[g], keep[g]
		fruits, err := p.place(groups[g], on[g], keep[g])
		if err != nil {
			return nil, err
		}
		out[g].Fruits = fruits
	}
	return out, nil
}

// shareCapped shares a number out by weights, none above what is there.
func shareCapped(total int, weights []float64, caps []int) []int {
	shares := make([]share, len(weights))
	for i, w := range weights {
		shares[i] = share{w: w, cap: float64(caps[i]), open: w > 0 && caps[i] > 0}
	}
	shareOut(shares, float64(total))
	out := make([]int, len(weights))
	for i := range shares {
		out[i] = int(shares[i].keep)
	}
	return out
}

// mostPlaced is how many fruit of a side limb are drawn one by one.
const mostPlaced = 120

// evenly spaces the fruit that stays over all of the wood that bears: the least gap of keep_on_shoot is half the spacing (est.).
const evenly = 1.7

// place puts fruit where they are expected on some limbs, and chooses those that stay.
func (p *planner) place(axes []int, on, keep int) ([]Placed, error) {
	weights := make([]float64, len(axes))
	for k, i := range axes {
		weights[k] = p.r.bears[i]
	}
	per := spread(min(on, mostPlaced), weights)
	stay := shareCapped(min(keep, mostPlaced), weights, per)
	out := []Placed{}
	for k, i := range axes {
		if per[k] == 0 {
			continue
		}
		from, to := p.r.stretch(i)
		in := given.New[KeepInput]()
		in.Species, in.Spots, in.SpacingCM = p.t.Kind.Slug, stay[k], math.Max(1, evenly*(to-from)/float64(max(1, stay[k])))
		for n := range per[k] {
			f := given.New[Fruit]()
			f.ID, f.AtCM = itoa(n), from+(to-from)*(float64(n)+0.5)/float64(per[k])
			in.Fruits = append(in.Fruits, f)
		}
		kept, err := KeepOnShoot(in)
		if err != nil {
			return nil, err
		}
		stays := map[string]bool{}
		for _, id := range kept.Keep {
			stays[id] = true
		}
		missing := stay[k] - len(kept.Keep)
		for _, f := range in.Fruits {
			keeps := stays[f.ID]
			if !keeps && missing > 0 { // more are to stay than stand apart: pairs
				keeps = true
				missing--
			}
			out = append(out, Placed{p.r.m.Axes[i].ID, f.AtCM, keeps})
		}
	}
	return out, nil
}
