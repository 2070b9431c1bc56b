package limb

import (
	"math"

	"vertumna/core/pomology"
)

// BudKind is what a bud holds.
type BudKind string

// The kinds of buds. Latent and blind nodes bear nothing without being woken.
const (
	LeafBud   BudKind = "leaf"
	FlowerBud BudKind = "flower"
	MixedBud  BudKind = "mixed"
	Triple    BudKind = "triple" // flower, leaf, flower
	Double    BudKind = "double" // flower and leaf
	Spur      BudKind = "spur"
	Latent    BudKind = "latent"
	Blind     BudKind = "blind"
)

var budKinds = []BudKind{LeafBud, FlowerBud, MixedBud, Triple, Double, Spur, Latent, Blind}

// Fruits says whether a bud of the kind may bear.
func (k BudKind) Fruits() bool {
	return k == FlowerBud || k == MixedBud || k == Triple || k == Double || k == Spur
}

// HasLeaf says whether a shoot can grow from a bud of the kind.
func (k BudKind) HasLeaf() bool {
	return k == LeafBud || k == MixedBud || k == Triple || k == Double || k == Spur
}

// Class is where a bud faces, seen by the person who cuts.
type Class string

// The classes.
const (
	Upper   Class = "upper"
	Under   Class = "under"
	Outward Class = "outward"
	Inward  Class = "inward"
	Right   Class = "right"
	Left    Class = "left"
)

// Node is one node of a shoot.
type Node struct {
	N    int     // from the ring's base; 0: the end bud
	At   float64 // cm from the limb's base
	Ring int
	Age  int // of its wood, seasons
	Kind BudKind
	// Expected is the kind the habit gives; it differs from Kind where somebody looked.
	Expected BudKind
	Known    bool    // facing predicted from a bud that was seen
	Roll     float64 // 0 upper, 90 right, 180 under, 270 left
	Facing   Vec
	Class    Class
	Sure     bool  // the same class under both hands of the spiral, or the hand is known
	Second   *Node // opposite kinds: the bud across
	Seen     bool  // somebody looked at this very bud
}

// Light is the part of full light each limb gets, by place in the map; nil: unknown, full light is taken.
type Light []float64

// At is the light of a limb, 1 where it is unknown.
func (l Light) At(i int) float64 {
	if l == nil {
		return 1
	}
	return l[i]
}

// factor is how far light lets flower buds form (Heinicke 1966; Jackson 1970; Lakso 1980: little below a third of full
// light, all above two thirds).
func (l Light) factor(i int) float64 { return LightFactor(l.At(i)) }

// LightFactor is how far a light fraction lets flower buds form, 0..1.
func LightFactor(fraction float64) float64 { return clamp((fraction-0.15)/0.45, 0, 1) }

// Marks of light for bud formation.
const (
	DarkLight = 0.30 // below it few flower buds form
	DimLight  = 0.60 // above it they form in full
)

// frame returns the upper and the right side of a limb at s, seen from base to tip. On an upright limb the upper side is
// the one away from its own heading.
func (m *Map) frame(i int, s float64) (upper, right Vec) {
	a := &m.Axes[i]
	sin, cos := math.Sincos(m.Theta(i, s) * rad)
	h := Heading(a.Azimuth)
	return Vec{-cos * h.X, -cos * h.Y, sin}, Vec{h.Y, -h.X, 0}
}

// Facing is where a bud at s and a roll faces.
func (m *Map) Facing(i int, s, rollDeg float64) Vec {
	u, r := m.frame(i, s)
	sin, cos := math.Sincos(rollDeg * rad)
	return u.Mul(cos).Add(r.Mul(sin))
}

// ShootDirection is where a shoot from a bud at s and a roll leaves, at an angle from the limb's own line.
func (m *Map) ShootDirection(i int, s, rollDeg, insertDeg float64) Vec {
	sin, cos := math.Sincos(insertDeg * rad)
	return m.Tangent(i, s).Mul(cos).Add(m.Facing(i, s, rollDeg).Mul(sin))
}

// Classify tells where a direction at a place of a limb points: beyond 50 degrees from level it is upper or under, else
// outward, inward, right or left, seen from the trunk.
func (m *Map) Classify(i int, s float64, f Vec) Class {
	const fromLevel = 0.766 // sine of 50 degrees
	if f.Z > fromLevel {
		return Upper
	}
	if f.Z < -fromLevel {
		return Under
	}
	_, out := m.Outward(i, m.At(i, s))
	psi := math.Atan2(f.X*out.Y-f.Y*out.X, f.Dot(out)) / rad
	switch {
	case math.Abs(psi) <= 45:
		return Outward
	case math.Abs(psi) >= 135:
		return Inward
	case psi > 0:
		return Right
	default:
		return Left
	}
}

// RingStart is where ring k of a limb starts, cm from its base.
func (a *Axis) RingStart(k int) float64 {
	s := 0.0
	for _, r := range a.Rings[:k] {
		s += r
	}
	return s
}

// LastRing is a limb's youngest ring: where it starts and how long it is.
func (a *Axis) LastRing() (start, length float64) {
	k := len(a.Rings) - 1
	return a.L - a.Rings[k], a.Rings[k]
}

// spiral is how the buds of one ring follow each other.
type spiral struct {
	first float64 // place of node 0 of the count
	known bool
	k0    float64 // count of the seen bud
	roll  float64 // of the seen bud
	alpha float64
	hand  float64 // +1 clockwise
	sure  bool    // the hand is known
}

// wayFrom reads the spiral of a ring from the buds seen on it.
func (m *Map) wayFrom(i int, start, length float64) spiral {
	g := m.Kind.Growth
	w := spiral{first: start, alpha: g.DivergenceDeg, hand: 1}
	var seen []SeenBud
	for _, b := range m.Axes[i].Buds {
		if b.RollDeg != nil && b.AtCM > start && b.AtCM <= start+length+1e-9 {
			seen = append(seen, b)
		}
	}
	if len(seen) == 0 {
		return w
	}
	sortBuds(seen)
	w.known, w.roll = true, *seen[0].RollDeg
	w.k0 = math.Max(1, math.Floor((seen[0].AtCM-start)/g.InternodeCM+0.5))
	w.first = seen[0].AtCM - w.k0*g.InternodeCM
	w.sure = w.alpha == 180 || w.alpha == 90
	if len(seen) > 1 {
		n := math.Floor((seen[1].AtCM-seen[0].AtCM)/g.InternodeCM + 0.5)
		plus := turnBetween(*seen[1].RollDeg, w.roll+w.alpha*n)
		minus := turnBetween(*seen[1].RollDeg, w.roll-w.alpha*n)
		if math.Abs(plus-minus) > 20 {
			w.sure = true
			if minus < plus {
				w.hand = -1
			}
		}
	}
	return w
}

func sortBuds(bs []SeenBud) {
	for i := 1; i < len(bs); i++ {
		for k := i; k > 0 && bs[k].AtCM < bs[k-1].AtCM; k-- {
			bs[k], bs[k-1] = bs[k-1], bs[k]
		}
	}
}

func turnBetween(a, b float64) float64 {
	d := math.Abs(math.Mod(a-b, 360))
	return math.Min(d, 360-d)
}

func mod360(x float64) float64 {
	x = math.Mod(x, 360)
	if x < 0 {
		x += 360
	}
	return x
}

// Nodes are the nodes of ring k of a limb, base to tip, with kinds from the bearing habit, the wood's age and the light,
// and facings from the buds that were seen on the ring.
func (m *Map) Nodes(i, k int, light Light) []Node {
	a, g := &m.Axes[i], m.Kind.Growth
	start, length := a.RingStart(k), a.Rings[k]
	w := m.wayFrom(i, start, length)
	age := len(a.Rings) - k
	out := make([]Node, 0, max(0, int(length/g.InternodeCM))+2)
	for n := 1; ; n++ {
		x := w.first + float64(n)*g.InternodeCM
		if x > start+length-0.4*g.InternodeCM {
			break
		}
		if x <= start+0.2 {
			continue
		}
		node := Node{N: n, At: x, Ring: k, Age: age}
		node.Expected = m.lateral(i, n, age, x-start, length, light)
		m.face(i, &node, w)
		out = append(out, m.asSeen(a, node))
	}
	if k == len(a.Rings)-1 && a.Tip == Growing {
		node := Node{N: 0, At: start + length, Ring: k, Age: age, Expected: m.terminal(i, length, light)}
		out = append(out, m.asSeen(a, node))
	}
	return out
}

func (m *Map) asSeen(a *Axis, n Node) Node {
	n.Kind = n.Expected
	for _, b := range a.Buds {
		if math.Abs(b.AtCM-n.At) < 0.4*m.Kind.Growth.InternodeCM {
			n.Seen = true
			if b.Kind != "" {
				n.Kind = b.Kind
			}
		}
	}
	return n
}

func (m *Map) face(i int, n *Node, w spiral) {
	if !w.known {
		return
	}
	steps := w.alpha * (float64(n.N) - w.k0)
	n.Known = true
	n.Roll = mod360(w.roll + w.hand*steps)
	n.Facing = m.Facing(i, n.At, n.Roll)
	n.Class = m.Classify(i, n.At, n.Facing)
	other := m.Classify(i, n.At, m.Facing(i, n.At, w.roll-w.hand*steps))
	n.Sure = w.sure || n.Class == other
	if m.Kind.Growth.Opposite {
		f := m.Facing(i, n.At, n.Roll+180)
		n.Second = &Node{
			N: n.N, At: n.At, Ring: n.Ring, Age: n.Age, Kind: n.Expected, Expected: n.Expected, Known: true,
			Roll: mod360(n.Roll + 180), Facing: f, Class: m.Classify(i, n.At, f), Sure: n.Sure,
		}
	}
}

// density is the number of flower buds per metre at full light, by wood age in seasons up to woodAge (limbs.md#23-bud-kind; our
// estimate of common bearing wood).
var (
	woodAge = [...]int{1, 2, 3, 6, 10, 999}
	density = map[pomology.Bearing][6]float64{
		pomology.OnSpurs:       {2, 14, 20, 18, 12, 6},
		pomology.OnTips:        {6, 10, 8, 5, 3, 1},
		pomology.OnLastYear:    {32, 0, 0, 0, 0, 0},
		pomology.OnSpursAndNew: {18, 22, 16, 10, 4, 1},
		pomology.OnThisYear:    {10, 2, 0.5, 0, 0, 0},
	}
)

// Density is the number of flower buds per metre of wood of an age in seasons, at full light.
func (m *Map) Density(age int) float64 {
	row := density[m.Kind.Growth.Bearing]
	for k, top := range woodAge {
		if age <= top {
			return row[k]
		}
	}
	return 0
}

// lateral is the kind expected of node n of wood of an age, rel cm from its ring's start.
func (m *Map) lateral(i, n, age int, fromStart, length float64, light Light) BudKind {
	g := m.Kind.Growth
	if age >= 2 {
		d := math.Min(1, m.Density(age)*light.factor(i)*g.InternodeCM/100)
		if math.Floor(float64(n)*d+1e-9) > math.Floor(float64(n-1)*d+1e-9) {
			return Spur
		}
		return Latent
	}
	rel, dark, dim := fromStart/length, light.At(i) < DarkLight, light.At(i) < DimLight
	switch g.Bearing {
	case pomology.OnSpurs:
		if g.FruitPerBud > 2 && rel < 0.12 && !dark {
			return FlowerBud
		}
	case pomology.OnTips:
		if rel >= 0.75 && length <= 40 && !dark {
			return MixedBud
		}
	case pomology.OnLastYear:
		switch {
		case dark || rel < 0.15:
			return LeafBud
		case rel <= 0.75 && length >= 20 && dim:
			return Double
		case rel <= 0.75 && length >= 20:
			return Triple
		}
		return FlowerBud
	case pomology.OnSpursAndNew:
		switch {
		case dark || rel < 0.30:
			return LeafBud
		case dim:
			return FlowerBud
		}
		return Double
	case pomology.OnThisYear:
		if rel >= 0.60 && !dark {
			return MixedBud
		}
	}
	return LeafBud
}

// terminal is the kind expected of the end bud of a last ring of a length.
func (m *Map) terminal(i int, length float64, light Light) BudKind {
	if light.At(i) < DarkLight {
		return LeafBud
	}
	most := map[pomology.Bearing]float64{pomology.OnSpurs: 20, pomology.OnTips: 60, pomology.OnThisYear: 60}
	if top, ok := most[m.Kind.Growth.Bearing]; ok && length <= top {
		return MixedBud
	}
	return LeafBud
}
