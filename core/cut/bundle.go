package cut

import "vertumna/core/limb"

// Tally is what some cuts come to together.
type Tally struct {
	Cuts     int
	Share    float64
	Minutes  float64
	Buds     float64 // fruit buds within reach
	WidestMM float64
	Closes   int // seasons until the widest wound is closed; 0: not in sight
}

// Bundle sets several small cuts on one limb against taking that limb out.
type Bundle struct {
	Limb  string
	Steps []int // of the slip, from 0
	Small Tally
	One   Tally
	Cut   Candidate
}

// leastBundle: fewer cuts than this on one limb are no question.
const leastBundle = 3

// Bundles finds the limbs that several steps of a slip work on, and what one cut at the collar would come to instead. The limb
// closest to the cuts is told, never a stem nor what is held.
func (p *Planner) Bundles(s *Slip) []Bundle {
	var out []Bundle
	taken := map[int]bool{}
	for i := len(p.m.Axes) - 1; i >= 0; i-- { // the farthest out first
		if p.m.IsStem(i) || p.held(i) || p.leads(i) {
			continue
		}
		b := Bundle{Limb: p.m.Axes[i].ID}
		for k := range s.Cuts {
			on := p.m.Index(s.Cuts[k].Limb)
			if !taken[k] && p.m.HangsOn(on, i) && !(on == i && s.Cuts[k].AtCM <= 0) {
				b.Steps = append(b.Steps, k)
			}
		}
		if len(b.Steps) < leastBundle {
			continue
		}
		c, ok := p.At(limb.CutAt{Limb: b.Limb, Kind: limb.Collar}, s.Cuts[b.Steps[0]].Aim)
		if !ok {
			continue
		}
		for _, k := range b.Steps {
			taken[k] = true
			b.Small.add(&s.Cuts[k].Candidate, s.Cuts[k].Takes, s.Cuts[k].CloseNow)
		}
		b.Cut = c
		b.One.add(&c, c.Share, p.wound(c).CloseNow)
		out = append(out, b)
	}
	return out
}

func (t *Tally) add(c *Candidate, share float64, closes int) {
	t.Cuts++
	t.Share += share
	t.Minutes += c.Minutes
	t.Buds += c.BudsWithin
	if c.DMM > t.WidestMM {
		t.WidestMM, t.Closes = c.DMM, closes
	}
}
