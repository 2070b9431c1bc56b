package cut

import (
	"math"

	"vertumna/core/find"
	"vertumna/core/limb"
)

// spot is a place where a cut of a kind could be made.
type spot struct {
	kind     limb.CutKind
	at       float64
	to       float64 // spur thinning: the end of its stretch
	fraction float64
	side     int // the side branch, -1: none
	node     *limb.Node
	lossFrom float64 // where what it costs starts: at, or the end of a ring
	depth    float64 // fruit bud: cm into its ring
	age      int     // fruit bud: of its wood
}

// Distances of places (limbs.md#6-cut-candidates), cm.
const (
	aboveBud   = 0.55
	leastShoot = 15.0
	notchLeast = 40.0
)

// places lists where a limb could be cut for an aim.
func (j *Judge) places(i int, q Question) []spot {
	scores := base[q.Aim]
	a, g := &j.m.Axes[i], j.m.Kind.Growth
	nodes := j.nodes(i, len(a.Rings)-1)
	out := make([]spot, 0, len(a.Children)+len(nodes)+4)
	add := func(s spot) {
		if _, asked := scores[s.kind]; (asked || q.anyKind) && j.allowed(i, s, q) {
			if s.lossFrom == 0 {
				s.lossFrom = s.at
			}
			out = append(out, s)
		}
	}
	st, e := a.LastRing()
	growing := a.Tip == limb.Growing && !j.m.WhollyDead(i) && j.m.DeadAt(i) > a.L
	add(spot{kind: limb.Collar, side: -1})
	for _, c := range a.Children {
		k := &j.m.Axes[c]
		at := k.Attach + k.D/20
		if j.m.WhollyDead(c) || len(k.Marks) > 0 || k.Sucker || at > a.L || k.D < j.m.Diameter(i, at)/3 && !j.follows(k.ID, a.ID) {
			continue
		}
		add(spot{kind: limb.SideBranch, at: at, side: c})
	}
	if at, ok := j.soundAt(i); ok {
		add(spot{kind: limb.SoundWood, at: at, side: -1})
	}
	third := -1
	for k := range nodes {
		n := &nodes[k]
		if n.N > 0 && n.Class != "" {
			add(spot{kind: limb.AboveBud, at: n.At + aboveBud, side: -1, node: n})
		}
		if n.N > 0 && n.At <= st+2*e/3 {
			third = k
		}
	}
	if q.OldBuds {
		for _, s := range j.oldBuds(i) {
			add(s)
		}
	}
	add(spot{kind: limb.Stub, at: j.stubCM, side: -1})
	if growing && e >= leastShoot {
		if third >= 0 {
			add(spot{kind: limb.TipThird, at: nodes[third].At + aboveBud, side: -1, node: &nodes[third]})
		}
		if e >= 8*g.InternodeCM {
			add(spot{kind: limb.FiveLeaves, at: st + 5*g.InternodeCM + aboveBud, side: -1})
			if len(a.Rings) == 1 && spurKind(j.m) {
				n := 2.0
				if a.D >= 8 {
					n = 3
				}
				add(spot{kind: limb.SpurBack, at: st + n*g.InternodeCM + aboveBud, side: -1})
			}
		}
	}
	for _, s := range j.fruitBuds(i, q) {
		add(s)
	}
	if f := j.finding(find.LongBearer, a.ID); f != nil {
		add(spot{kind: limb.ToFruits, at: f.AtCM, side: -1})
	}
	if f := j.finding(find.SpursCrowded, a.ID); f != nil {
		to, _ := f.Fact("to_cm")
		part, _ := f.Fact("fraction")
		add(spot{kind: limb.SpurThin, at: f.AtCM, to: to.Value, fraction: part.Value, side: -1})
	}
	if a.L > notchLeast {
		add(spot{kind: limb.Notch, at: 0.5 * a.L, side: -1})
	}
	return out
}

// follows: a young shoot is named to take over from a limb that is renewed, thin as it is.
func (j *Judge) follows(follower, id string) bool {
	named, ok := j.renewed[id]
	return ok && named == follower
}

// nodes are the buds of a limb's ring, worked out once. They are read only.
func (j *Judge) nodes(i, ring int) []limb.Node {
	if j.byRing[i] == nil {
		j.byRing[i] = make([][]limb.Node, len(j.m.Axes[i].Rings))
	}
	if j.byRing[i][ring] == nil {
		j.byRing[i][ring] = j.m.Nodes(i, ring, j.light)
	}
	return j.byRing[i][ring]
}

// soundAt is where sound wood starts below what was marked.
func (j *Judge) soundAt(i int) (float64, bool) {
	at, ok := math.Inf(1), false
	for _, k := range j.m.Axes[i].Marks {
		away := map[string]float64{limb.Dead: 1, limb.Damaged: 1, limb.Borer: 5}[k.Kind]
		if k.Kind == limb.Diseased {
			away = find.SoundBeyond(k)
		}
		if away > 0 {
			at, ok = math.Min(at, k.AtCM-away), true
		}
	}
	return at, ok && at >= 5
}

// fruitBuds are the places just above a spur: the last of the two-year ring, and where that is too high the highest that
// still solves what was found.
func (j *Judge) fruitBuds(i int, q Question) []spot {
	a := &j.m.Axes[i]
	if q.Aim == find.Calm {
		f := j.finding(find.LongShoot, a.ID)
		if f == nil {
			return nil
		}
		if way, _ := f.Fact("way"); way.Text == "good" {
			return nil
		}
	}
	n := len(a.Rings)
	if n < 2 {
		return nil
	}
	var out []spot
	ringEnd := a.L - a.Rings[n-1]
	last := j.lastSpur(i, n-2, math.Inf(1))
	if last >= 0 {
		out = append(out, spot{kind: limb.FruitBud, at: last + aboveBud, side: -1, lossFrom: math.Max(ringEnd, last+aboveBud), depth: ringEnd - last - aboveBud, age: 2})
	}
	if q.AtMax != nil && (last < 0 || last+aboveBud > *q.AtMax) {
		for k := n - 2; k >= max(0, n-3); k-- {
			if s := j.lastSpur(i, k, *q.AtMax-aboveBud); s >= 0 {
				out = append(out, spot{kind: limb.FruitBud, at: s + aboveBud, side: -1, lossFrom: s + aboveBud, age: n - k})
				break
			}
		}
	}
	return out
}

// lastSpur is the outermost spur of a ring up to a place, -1: none.
func (j *Judge) lastSpur(i, ring int, upTo float64) float64 {
	at := -1.0
	for _, n := range j.nodes(i, ring) {
		if n.Kind == limb.Spur && n.At <= upTo {
			at = n.At
		}
	}
	return at
}

// Wood in which a top is cut to a plain bud: older wood answers from no bud one can name. Buds this far apart are one place
// to the hand (reach.md#height; our estimates).
const (
	oldBudSeasons = 4
	budPlacesCM   = 8
)

// oldBuds are the places above buds that face out, or whose facing nobody has seen yet, from the outermost in.
func (j *Judge) oldBuds(i int) []spot {
	a := &j.m.Axes[i]
	var out []spot
	last := math.Inf(1)
	for ring := len(a.Rings) - 1; ring >= max(0, len(a.Rings)-oldBudSeasons); ring-- {
		nodes := j.nodes(i, ring)
		for k := len(nodes) - 1; k >= 0; k-- {
			n := &nodes[k]
			facesOut := n.Class == limb.Outward || n.Class == limb.Under || n.Class == "" // which way is seen at the limb
			if n.N > 0 && facesOut && n.At+aboveBud <= last-budPlacesCM && n.At < j.m.LiveEnd(i) {
				last = n.At + aboveBud
				if ring == len(a.Rings)-1 && n.Class != "" {
					continue // offered among the buds of last year's wood
				}
				out = append(out, spot{kind: limb.AboveBud, at: last, side: -1, node: n, age: len(a.Rings) - ring})
			}
		}
	}
	return out
}
