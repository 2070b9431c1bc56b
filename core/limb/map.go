package limb

import (
	"cmp"
	"math"
	"slices"

	"vertumna/core/pomology"
)

// Axis is a limb as read: every number known, its place in the tree found. Lengths in cm, thickness in mm, angles in
// degrees from vertical. Indexes are places in the map's topological order.
type Axis struct {
	ID       string
	Parent   int // -1: a stem
	Depth    int // 0: a stem
	Children []int
	Attach   float64 // along the parent; a stem: height of its base
	X, Y     float64 // stems only
	Azimuth  float64
	A0, A1   float64 // angle at base and tip
	L        float64
	D, Dt    float64 // at base and tip
	Tip      Tip
	Rings    []float64 // base to tip, sum L
	Marks    []Mark
	Sucker   bool
	Sprout   bool
	Buds     []SeenBud
	Tags     []string
	Device   string
	Bare     float64 // length without leaf from the base that is believed: at most 0.95 L
	Wounds   []Wound
	Spurs    []SpurCount
	Gaps     []Stretch
	Fruit    *float64
	Toward   *float64 // bearing it is wanted to grow toward; nil: as its place has it
	Own      float64  // mm2: leaf carried by its own unmapped twigs
	ownGiven bool     // Own was written by the core and is taken as it is
	Inferred []string // fields filled in by rule
	heading  Vec      // level unit vector of the azimuth
	said     said     // as it stood in the document
}

// said is what a limb's document says of it beside its measures.
type said struct {
	state   *State
	note    string
	source  Source
	sources map[string]Source
}

// Map is a checked limb map. Limbs stand in topological order: by depth, then by name. A Map is never changed: edits
// and cuts make a new one.
type Map struct {
	Kind   *pomology.Kind
	Form   pomology.FormSlug
	Age    int
	Year   int
	Season Season
	Axes   []Axis

	RRef, REff, Vig *float64 // growth state carried from season to season

	index map[string]int
	base  []Vec
	polys [][]Vec
	pipe  pipe
}

// Len is the number of limbs.
func (m *Map) Len() int { return len(m.Axes) }

// Index returns the place of a limb, -1 where there is none of that name.
func (m *Map) Index(id string) int {
	if i, ok := m.index[id]; ok {
		return i
	}
	return -1
}

// IsStem says whether a limb comes from the ground.
func (m *Map) IsStem(i int) bool { return m.Axes[i].Parent < 0 }

// Has says whether a limb carries a tag.
func (m *Map) Has(i int, tag string) bool { return slices.Contains(m.Axes[i].Tags, tag) }

// State returns the decision about a limb, nil where none was taken.
func (m *Map) State(i int) *State { return m.Axes[i].said.state }

// Note returns what a person wrote about a limb.
func (m *Map) Note(i int) string { return m.Axes[i].said.note }

// Source returns where a value of a limb comes from; values filled in by rule count as estimated.
func (m *Map) Source(i int, field string) Source {
	a := &m.Axes[i]
	if slices.Contains(a.Inferred, field) {
		return Estimated
	}
	return sourceOf(a.said.source, a.said.sources, field)
}

// Stems lists the stems in order.
func (m *Map) Stems() []int {
	var out []int
	for i := range m.Axes {
		if m.IsStem(i) {
			out = append(out, i)
		}
	}
	return out
}

// Scaffold is the ancestor of a limb at depth 1, or the stem itself.
func (m *Map) Scaffold(i int) int {
	for m.Axes[i].Depth > 1 {
		i = m.Axes[i].Parent
	}
	return i
}

// HangsOn says whether limb i is limb j or hangs on it through its chain of parents.
func (m *Map) HangsOn(i, j int) bool {
	for ; i >= 0; i = m.Axes[i].Parent {
		if i == j {
			return true
		}
	}
	return false
}

// Subtree lists a limb and all it carries, in topological order of discovery.
func (m *Map) Subtree(i int) []int {
	out := []int{i}
	for k := 0; k < len(out); k++ {
		out = append(out, m.Axes[out[k]].Children...)
	}
	return out
}

// Flat says whether the form stands against a wall or on wires.
func (m *Map) Flat() bool {
	return m.Form == pomology.FlatFan || m.Form == pomology.WireTiers || m.Form == pomology.StepOver
}

// Bush says whether the form has its limbs or stems from near the ground.
func (m *Map) Bush() bool { return m.Form == pomology.LowBush || m.Form == pomology.Shrub }

// LeaderForm says whether one limb leads by form.
func (m *Map) LeaderForm() bool {
	return m.Form == pomology.ModifiedLeader || m.Form.Frame() == pomology.CentralLeader
}

// Vase says whether the form is open in the middle; the late leader inside a vase keeps one limb there.
func (m *Map) Vase() bool { return m.Form.Frame() == pomology.OpenVase }

// RingYear is the growth year of ring k (0 at the base) of a limb; 0 where the map knows no year, and on a limb that was
// cut back or died in some year before, for its rings end then. Years have two names: the year a ring grew, and the year
// after, when its wood fruits.
func (m *Map) RingYear(i, k int) int {
	if m.Year == 0 || m.Axes[i].Tip != Growing && !m.Has(i, Fresh) {
		return 0
	}
	last := m.Year - 1
	if m.Season == Summer {
		last = m.Year
	}
	return last - (len(m.Axes[i].Rings) - 1 - k)
}

// orDefault returns the number given, or another.
func orDefault(p *float64, other float64) float64 {
	if p == nil {
		return other
	}
	return *p
}

// build reads checked limbs (in document order) into a map.
func build(doc Doc, kind *pomology.Kind, limbs []Limb, index map[string]int) *Map {
	m := &Map{Kind: kind, Form: doc.Form, Age: doc.Age, Year: doc.Year, Season: doc.Season, RRef: doc.RRef, REff: doc.REff, Vig: doc.Vig}
	if m.Form == "" {
		m.Form = pomology.ModifiedLeader
	}
	if m.Season == "" {
		m.Season = Dormant
	}
	order := topological(limbs, index)
	place := make(map[string]int, len(order))
	for at, i := range order {
		place[limbs[i].ID] = at
	}
	children := make(map[string][]*Limb, len(order))
	for i := range limbs {
		children[limbs[i].Parent] = append(children[limbs[i].Parent], &limbs[i])
	}
	m.Axes = make([]Axis, len(order))
	for at, i := range order {
		parent := -1
		if limbs[i].Parent != "" {
			parent = place[limbs[i].Parent]
		}
		m.Axes[at] = m.read(limbs[i], parent, children[limbs[i].ID])
	}
	m.settle()
	return m
}

// topological returns document places sorted by depth, then name.
func topological(limbs []Limb, index map[string]int) []int {
	depth := make([]int, len(limbs))
	order := make([]int, len(limbs))
	for i := range limbs {
		order[i] = i
		for at := i; limbs[at].Parent != ""; at = index[limbs[at].Parent] {
			depth[i]++
		}
	}
	slices.SortFunc(order, func(a, b int) int {
		return cmp.Or(cmp.Compare(depth[a], depth[b]), cmp.Compare(limbs[a].ID, limbs[b].ID))
	})
	return order
}

// read fills in what a limb does not say of itself. Its parent is already read; children are as written.
func (m *Map) read(l Limb, parent int, children []*Limb) Axis {
	g := m.Kind.Growth
	a := Axis{
		ID: l.ID, Parent: parent, Azimuth: orDefault(l.AzimuthDeg, 0), Attach: orDefault(l.AttachCM, 0), L: *l.LengthCM,
		Tip: l.Tip, Marks: l.Marks, Sucker: l.Sucker, Sprout: l.Sprout, Buds: l.Buds, Tags: l.Tags, Device: l.Device,
		Wounds: l.Wounds, Spurs: l.Spurs, Gaps: l.Gaps, Fruit: l.FruitCount, Toward: l.TowardDeg,
		said: said{l.State, l.Note, l.Source, l.Sources},
	}
	stem := parent < 0
	if stem {
		a.X, a.Y = orDefault(l.XCM, 0), orDefault(l.YCM, 0)
		a.A0 = orDefault(l.AngleBaseDeg, 0)
	} else {
		a.Depth = m.Axes[parent].Depth + 1
		a.Attach = math.Min(a.Attach, m.Axes[parent].L)
		a.A0 = orDefault(l.AngleBaseDeg, 50)
		if l.AngleBaseDeg == nil {
			a.Inferred = append(a.Inferred, "angle_base_deg")
		}
	}
	a.A1 = orDefault(l.AngleTipDeg, a.A0)
	if a.Tip == "" {
		a.Tip = Growing
	}
	a.D = orDefault(l.DiameterMM, 0)
	if l.DiameterMM == nil {
		a.D = g.TipMM + 0.16*a.L
		if !stem {
			a.D = math.Min(a.D, 0.8*m.Axes[parent].D)
		}
		for _, c := range children { // never thinner than what it carries
			a.D = math.Max(a.D, orDefault(c.DiameterMM, 0))
		}
		a.Inferred = append(a.Inferred, "diameter_mm")
	}
	end := 0.7 * a.D
	if a.Tip == Growing {
		end = g.TipMM
	}
	a.Dt = math.Min(orDefault(l.TipDiameterMM, end), a.D)
	a.Rings = readRings(l.RingsCM, a.L, g.ExtensionCM)
	if l.RingsCM == nil {
		a.Inferred = append(a.Inferred, "rings_cm")
	}
	slices.Sort(a.Inferred)
	bare := orDefault(l.BareCM, 0)
	if l.BareCM == nil && stem {
		bare = lowestAttach(children)
	}
	a.Bare = math.Min(bare, 0.95*a.L)
	if l.OwnD2MM2 != nil {
		a.Own, a.ownGiven = *l.OwnD2MM2, true
	}
	return a
}

func lowestAttach(children []*Limb) float64 {
	low := math.Inf(1)
	for _, c := range children {
		low = math.Min(low, orDefault(c.AttachCM, 0))
	}
	if math.IsInf(low, 1) {
		return 0
	}
	return low
}

// readRings scales rings to the length, or fills in equal ones.
func readRings(given []float64, length, extension float64) []float64 {
	if given == nil {
		n := int(math.Max(1, math.Floor(length/(0.8*extension)+0.5)))
		out := make([]float64, n)
		for i := range out {
			out[i] = length / float64(n)
		}
		return out
	}
	sum := 0.0
	for _, r := range given {
		sum += r
	}
	out := make([]float64, len(given))
	for i, r := range given {
		out[i] = r * length / sum
	}
	return out
}

// settle finds all that follows from the limbs: children, places, pipes. Axes are in topological order.
func (m *Map) settle() {
	m.link()
	m.placeLimbs()
	m.pipe = flow(m)
}

// link finds each limb by its name, and its children in order.
func (m *Map) link() {
	m.index = make(map[string]int, len(m.Axes))
	count := make([]int, len(m.Axes))
	for i := range m.Axes {
		m.index[m.Axes[i].ID] = i
		if p := m.Axes[i].Parent; p >= 0 {
			count[p]++
		}
	}
	all := make([]int, len(m.Axes)) // room for every limb's children, in one piece
	for i := range m.Axes {
		m.Axes[i].Children, all = all[:0:count[i]], all[count[i]:]
	}
	for i := range m.Axes {
		if p := m.Axes[i].Parent; p >= 0 {
			m.Axes[p].Children = append(m.Axes[p].Children, i)
		}
	}
	for i := range m.Axes {
		if count[i] > 1 {
			slices.SortFunc(m.Axes[i].Children, func(a, b int) int {
				return cmp.Or(cmp.Compare(m.Axes[a].Attach, m.Axes[b].Attach), cmp.Compare(m.Axes[a].ID, m.Axes[b].ID))
			})
		}
	}
}

// Parents names the carrier of each limb, in order; empty for a stem.
func (m *Map) Parents() []string {
	out := make([]string, len(m.Axes))
	for i := range m.Axes {
		if p := m.Axes[i].Parent; p >= 0 {
			out[i] = m.Axes[p].ID
		}
	}
	return out
}

// SetOwn writes a limb's own leaf down, mm2: it is taken as it is from then on.
func (a *Axis) SetOwn(mm2 float64) { a.Own, a.ownGiven = mm2, true }

// KnownAs says how a limb made by the core is known.
func (a *Axis) KnownAs(s Source) { a.said.source = s }

// With makes a map of other limbs: it sorts them and finds all that follows. Carriers are named in parents, parallel to
// axes; an empty one is a stem. The limbs are taken as they are: what a person gives goes through Check.
func (m *Map) With(axes []Axis, parents []string) *Map { return m.resettle(axes, parents) }

// resettle does the work of With.
func (m *Map) resettle(axes []Axis, parents []string) *Map {
	depth := make(map[string]int, len(axes))
	parentOf := make(map[string]string, len(axes))
	for i := range axes {
		parentOf[axes[i].ID] = parents[i]
	}
	for i := range axes {
		n := 0
		for at := axes[i].ID; parentOf[at] != ""; at = parentOf[at] {
			n++
		}
		depth[axes[i].ID] = n
		axes[i].Depth = n
	}
	slices.SortFunc(axes, func(a, b Axis) int {
		return cmp.Or(cmp.Compare(a.Depth, b.Depth), cmp.Compare(a.ID, b.ID))
	})
	place := make(map[string]int, len(axes))
	for i := range axes {
		place[axes[i].ID] = i
	}
	for i := range axes {
		axes[i].Parent = -1
		if p := parentOf[axes[i].ID]; p != "" {
			axes[i].Parent = place[p]
		}
	}
	out := *m
	out.Axes = axes
	out.settle()
	return &out
}
