package crop

import (
	"math"

	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// Tree is what is known of a tree in a season and what its grower wants, on a day. Pointers that are nil are unknown.
type Tree struct {
	Kind          *pomology.Kind
	Map           *limb.Map // nil: it has none, and its girths serve
	Light         limb.Light
	ReachCM       float64
	TrunkMM       float64   // 0 unknown
	ScaffoldsMM   []float64 // of a tree without a map
	SeasonInPlace int
	Vigour        pomology.VigourClass
	GrowthRatio   float64 // measured over expected shoot length; 0: as expected
	State         string  // normal, on, off, rebound
	RemovedShare  float64 // cut this season
	Size          Size
	StoneSpacing  string // own_hand, 10, 15
	PerCluster    *int
	HandCM        *float64
	ThinAnyway    bool
	HouseholdKG   *float64
	FrostRisk     float64
	Alive         float64 // share of the flower buds alive; 1 where no frost hurt them
	Frosted       bool    // this spring
	Terms         LoadTerms
	Counts        []LimbFruit // of this season, by limb; the last of a limb counts
	Glance        string      // of those who do not count: none, few, right, many, crowded
	DropToCome    float64     // share of a count that will still drop by itself
	Passes        map[string]Pass
	TakenByCuts   map[string]int // fruit gone with wood since the count, by limb
}

// LimbFruit is a limb that was counted.
type LimbFruit struct {
	Limb  string
	Fruit int
}

// Pass is what was left on and taken off a limb so far, as counted by hand.
type Pass struct {
	Left, Taken int
	Laterals    map[string]Pass
	Done        bool
}

// Limb is one limb of a tree's plan of fruit.
type Limb struct {
	ID         string
	DiameterMM float64
	LengthCM   float64
	Light      float64
	AboveReach float64
	Share      LimbShare // on, keep, take
	Counted    bool
	Lines      []Line // the tree's rules as they fall on this limb
	Binding    string
	Pass       Pass
	Laterals   []Lateral
	MassG      float64 // of a fruit with Keep left
}

// Lateral is a side limb of a limb, or the limb's own wood, with its part of the fruit.
type Lateral struct {
	ID       string // "" for the limb's own wood
	LengthCM float64
	On       int // estimated from the limb's
	Keep     int
	Class    string
	Fruits   []Placed
}

// Placed is a fruit drawn where it is expected: on a limb, cm from its base.
type Placed struct {
	Limb string
	AtCM float64
	Keep bool
}

// Plan is what a tree should keep, by limb, and what its limbs carry.
type Plan struct {
	Limbs    []Limb
	ToCount  []string // limbs to count next
	Count    *Count   // nil: none was counted
	Glance   *int     // fruit by a look
	Targets  Targets
	Allot    Allotment
	Whether  *ThinOrNot // nil while what hangs is unknown
	Loads    []LimbAt
	Counted  bool // loads with fruit as counted; else as expected
	Expected float64
}

// glances are the loads a look tells, as parts of a medium crop (est.).
var glances = map[string]float64{"none": 0, "few": 0.4, "right": 1, "many": 1.7, "crowded": 2.5}

// Glances are the words of a look at the set, fewest first.
func Glances() []string { return []string{"none", "few", "right", "many", "crowded"} }

// wholeTreeID is the one limb of a tree of which only the trunk is known.
const wholeTreeID = "tree"

// planner is a Plan in the making.
type planner struct {
	t     *Tree
	r     *reading // nil without a map
	units []unit
	out   *Plan
}

// PlanTree counts, sets targets, shares them out to the limbs and bends the limbs under them. Cost: that of the loads, one
// limb after another. Errors: given.Faults.
func PlanTree(t Tree) (*Plan, error) {
	p := planner{t: &t, out: &Plan{}}
	if t.Map != nil {
		p.r = read(t.Map, t.Light, t.ReachCM)
		p.units = p.r.units()
	} else {
		p.byGirth()
	}
	if len(p.units) == 0 {
		return nil, given.Faults{{Code: given.Missing, Field: "scaffolds", Given: "no limb", Expected: "a limb map, or the girth of the scaffolds or the trunk"}}
	}
	for _, step := range []func() error{p.count, p.targets, p.allot, p.perLimb, p.loads} {
		if err := step(); err != nil {
			return nil, err
		}
	}
	return p.out, nil
}

// byGirth makes the limbs of a tree without a map from what was measured.
func (p *planner) byGirth() {
	for i, d := range p.t.ScaffoldsMM {
		if d > 0 {
			p.units = append(p.units, unit{i: -1, id: "S" + itoa(i+1), diameterMM: d, light: 1})
		}
	}
	if len(p.units) == 0 && p.t.TrunkMM > 0 {
		p.units = append(p.units, unit{i: -1, id: wholeTreeID, diameterMM: p.t.TrunkMM, light: 1})
	}
}

func (p *planner) girths() []Girth {
	out := make([]Girth, len(p.units))
	for i, u := range p.units {
		out[i] = Girth{u.id, u.diameterMM}
	}
	return out
}

// part finds the girth of a counted limb: one of the units, or a limb that one of them carries.
func (p *planner) part(id string) (dMM float64, unit int, ok bool) {
	for k, u := range p.units {
		if u.id == id {
			return u.diameterMM, k, true
		}
	}
	if p.r == nil {
		return 0, 0, false
	}
	i := p.r.m.Index(id)
	for k, u := range p.units {
		if i >= 0 && p.r.m.HangsOn(i, u.i) {
			return p.r.m.Axes[i].D, k, true
		}
	}
	return 0, 0, false
}

// count makes the tree's number out of the limbs counted, the drop still to come taken off.
func (p *planner) count() error {
	last := map[string]int{}
	var order []string
	for _, c := range p.t.Counts {
		if _, seen := last[c.Limb]; !seen {
			order = append(order, c.Limb)
		}
		last[c.Limb] = int(round(float64(c.Fruit) * (1 - p.t.DropToCome)))
	}
	in := CountInput{Scaffolds: p.girths()}
	for _, id := range order {
		if d, _, ok := p.part(id); ok {
			in.Counted = append(in.Counted, Counted{id, d, last[id]})
		}
	}
	if need, err := LimbsToCount(toCount(len(p.units))); err == nil {
		for _, rank := range need.Ranks {
			if id := p.units[rank].id; last[id] == 0 {
				p.out.ToCount = append(p.out.ToCount, id)
			}
		}
	}
	if len(in.Counted) > 0 {
		c, err := CountTree(in)
		if err != nil {
			return err
		}
		p.out.Count = &c
		p.out.ToCount = p.out.ToCount[:min(len(p.out.ToCount), c.CountMore)]
	}
	if r, ok := glances[p.t.Glance]; ok {
		sum := 0.0
		for _, u := range p.units {
			sum += Section(u.diameterMM)
		}
		n := int(round(r * density(&p.t.Kind.Crop, p.t.Size) * sum))
		p.out.Glance = &n
	}
	return nil
}

func toCount(limbs int) ToCountInput {
	in := given.New[ToCountInput]()
	in.Limbs = min(limbs, 400)
	return in
}

// CheckCounts refuses counts of limbs that are not the tree's, and of a limb inside another one counted.
func CheckCounts(m *limb.Map, counts []LimbFruit) given.Faults {
	var fs given.Faults
	for k, c := range counts {
		i := m.Index(c.Limb)
		if i < 0 {
			fs.Add("E_UNKNOWN", "fruiting.counts["+itoa(k)+"].limb", c.Limb, "a limb of this tree's map")
			continue
		}
		for l, d := range counts[:k] {
			if j := m.Index(d.Limb); j >= 0 && (m.HangsOn(i, j) || m.HangsOn(j, i)) {
				fs.Add(given.Conflict, "fruiting.counts["+itoa(k)+"].limb", c.Limb, "a limb apart from "+d.Limb+", counted in line "+itoa(l+1))
			}
		}
	}
	return fs
}

// terms of the load with the tree's own fruit.
func (p *planner) input(scaffolds []Scaffold) TargetsInput {
	t := p.t
	in := given.New[TargetsInput]()
	in.Species, in.Scaffolds, in.SeasonInPlace = t.Kind.Slug, scaffolds, max(1, t.SeasonInPlace)
	if t.Size != "" {
		in.Size = t.Size
	}
	if t.Vigour != "" {
		in.Vigour = string(t.Vigour)
	}
	if t.GrowthRatio > 0 {
		in.GrowthRatio = clamp(t.GrowthRatio, 0.1, 4)
	}
	if t.State != "" {
		in.CropState = t.State
	}
	if t.StoneSpacing != "" {
		in.StoneSpacing = t.StoneSpacing
	}
	in.HandCM, in.PerCluster, in.ThinAnyway = t.HandCM, t.PerCluster, t.ThinAnyway
	in.RemovedShare, in.FrostRisk, in.AliveShare, in.MassG = clamp(t.RemovedShare, 0, 0.95), t.FrostRisk, t.Alive, t.Terms.MassG
	return in
}

// MassAtMedium turns a weighed fruit into what it would weigh at a medium crop, g: the size-load curve taken back.
func MassAtMedium(k *pomology.Kind, weighedG, fruit, sectionCM2 float64) float64 {
	if weighedG <= 0 || sectionCM2 <= 0 || fruit <= 0 {
		return 0
	}
	return weighedG / mass(&k.Crop, 1, fruit/sectionCM2)
}

// targets of the whole tree.
func (p *planner) targets() error {
	scaffolds := make([]Scaffold, len(p.units))
	buds := 0.0
	var bearing []Bearing
	for k, u := range p.units {
		scaffolds[k] = Scaffold{ID: u.id, DiameterMM: u.diameterMM, NoFruit: p.noFruit(&u)}
		buds += u.buds
		if p.r != nil {
			bearing = append(bearing, p.r.bearingOf(u.axes)...)
		}
	}
	in := p.input(scaffolds)
	if p.t.TrunkMM > 0 {
		in.TrunkMM = &p.t.TrunkMM
	}
	if p.units[0].id == wholeTreeID {
		in.Scaffolds = nil
	}
	in.HouseholdKG = p.t.HouseholdKG
	if p.r != nil {
		in.Bearing = bearing
		n := int(round(buds))
		in.FlowerBuds = &n
		safe, err := p.safe()
		if err != nil {
			return err
		}
		in.SafeFruit = &safe
	}
	if n, ok := p.onTree(); ok {
		in.FruitOnTree = &n
	}
	var err error
	p.out.Targets, err = Target(in)
	if err != nil {
		return err
	}
	if a := p.out.Targets.Available; a != nil {
		in := given.New[ThinOrNotInput]()
		in.Available, in.Target, in.Frost = *a, p.out.Targets.FirstPassKeep, p.t.Frosted
		if p.out.Targets.Target == 0 {
			in.Target = 0
		}
		w, err := WhetherToThin(in)
		if err != nil {
			return err
		}
		p.out.Whether = &w
	}
	return nil
}

// onTree is the fruit on the tree: as counted where that is sure enough, else by a glance.
func (p *planner) onTree() (int, bool) {
	if c := p.out.Count; c != nil && c.Verdict != TooFew && c.Verdict != NoneSeen {
		taken := 0
		for _, n := range p.t.TakenByCuts {
			taken += n
		}
		return max(0, int(round(c.Fruit))-taken), true
	}
	if p.out.Glance != nil {
		return *p.out.Glance, true
	}
	return 0, false
}

// noFruit: the leader and the top framework of a first-bearing tree carry none, for fruit there bends what is still to be
// built.
func (p *planner) noFruit(u *unit) bool {
	if p.r == nil || u.i < 0 || !p.young() {
		return false
	}
	return p.r.m.Has(u.i, limb.Leader) || u.aboveReach > 0.5
}

func (p *planner) young() bool {
	t := p.t
	return t.SeasonInPlace <= t.Kind.Crop.SeasonsToBear[t.class()]+1
}

func (t *Tree) class() pomology.VigourClass {
	if t.Vigour == "" {
		return pomology.SemiDwarfing
	}
	return t.Vigour
}

// safe is the sum of what the limbs carry safely.
func (p *planner) safe() (int, error) {
	sum := 0
	for k := range p.units {
		u := &p.units[k]
		if u.bears <= 0 {
			continue
		}
		l, err := LimbLoad(p.r.loadInput(u.i, 0, p.t.Terms))
		if err != nil {
			return 0, err
		}
		u.safe = l.SafeFruit
		sum += l.SafeFruit
	}
	return min(sum, 100000), nil
}

// allot shares the first pass's number out to the limbs.
func (p *planner) allot() error {
	in := given.New[AllotInput]()
	in.Target = p.out.Targets.FirstPassKeep
	if !byHand(p.t.Kind, p.t.ThinAnyway) {
		in.Target = p.out.Targets.Target
	}
	if a := p.out.Targets.Available; a != nil { // what does not hang is not left
		in.Target = min(in.Target, *a)
	}
	if n, ok := p.onTree(); ok {
		sum := 0.0
		for _, u := range p.units {
			sum += Section(u.diameterMM)
		}
		per := float64(n) / sum
		in.PerCM2 = &per
	}
	counted := map[string]int{}
	for _, c := range p.t.Counts {
		counted[c.Limb] = int(round(float64(c.Fruit) * (1 - p.t.DropToCome)))
	}
	for k := range p.units {
		u := &p.units[k]
		l := AllotLimb{ID: u.id, DiameterMM: u.diameterMM, Light: clamp(math.Max(dimLeast, u.light), 0, 1), NoFruit: p.noFruit(u), AboveReach: clamp(u.aboveReach, 0, 1)}
		if p.r != nil {
			safe := min(u.safe, 100000)
			l.SafeFruit = &safe
			l.NoFruit = l.NoFruit || u.bears <= 0
		}
		if n, ok := counted[u.id]; ok {
			l.Counted = &n
			l.Taken = min(n, p.t.TakenByCuts[u.id])
		}
		if p.t.Passes[u.id].Taken+p.t.Passes[u.id].Left > 0 && l.Counted == nil {
			n := p.t.Passes[u.id].Taken + p.t.Passes[u.id].Left
			if p.t.Passes[u.id].Done {
				l.Counted = &n
			}
		}
		in.Limbs = append(in.Limbs, l)
	}
	var err error
	p.out.Allot, err = Allot(in)
	return err
}

// perLimb tells each limb's own lines, its side limbs and where fruit is expected.
func (p *planner) perLimb() error {
	for k, u := range p.units {
		l := Limb{
			ID: u.id, DiameterMM: u.diameterMM, LengthCM: u.lengthCM, Light: u.light, AboveReach: u.aboveReach,
			Share: p.out.Allot.Limbs[k], Pass: p.t.Passes[u.id],
		}
		for _, c := range p.t.Counts {
			l.Counted = l.Counted || c.Limb == u.id
		}
		l.Lines, l.Binding = p.linesOf(&u, l.Share.Keep)
		l.MassG = Mass(p.t.Kind, p.t.Terms.MassG, float64(l.Share.Keep), Section(u.diameterMM)*(1-p.t.RemovedShare))
		if p.r != nil {
			var err error
			if l.Laterals, err = p.laterals(&u, &l); err != nil {
				return err
			}
		}
		p.out.Limbs = append(p.out.Limbs, l)
	}
	return nil
}

// linesOf are the tree's rules as they fall on one limb: each rule's number in the limb's part of the tree's, and the strength of
// its own wood.
func (p *planner) linesOf(u *unit, keep int) (lines []Line, binding string) {
	binding = p.out.Targets.Binding
	part := 0.0
	if t := p.out.Allot.Keep; t > 0 {
		part = float64(keep) / float64(t)
	}
	for _, l := range p.out.Targets.Lines {
		n := int(round(float64(l.Fruit) * part))
		if l.Kind == ByStrength {
			if n = u.safe; n <= keep {
				binding = ByStrength
			}
		}
		lines = append(lines, Line{l.Kind, n})
	}
	return lines, binding
}

// expectedOn is the fruit that is, or is expected, on a unit: as left or counted; else what its buds and the target come to.
func (p *planner) expectedOn(k int) float64 {
	u, share := &p.units[k], &p.out.Allot.Limbs[k]
	if pass := p.t.Passes[u.id]; pass.Done {
		return float64(pass.Left)
	} else if share.On != nil {
		return math.Max(0, float64(*share.On-pass.Taken))
	}
	return u.buds * p.t.Alive * p.t.Kind.Growth.FruitPerBud
}

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
	if l.Share.On != nil {
		total = *l.Share.On
	} else {
		total = int(round(u.buds * p.t.Alive * p.t.Kind.Growth.FruitPerBud))
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

// loads bends the limbs under the fruit they carry.
func (p *planner) loads() error {
	if p.r == nil {
		return nil
	}
	fruit := make([]float64, p.r.m.Len())
	for k, u := range p.units {
		n := p.expectedOn(k)
		p.out.Expected += n
		if u.bears <= 0 {
			continue
		}
		for _, i := range u.axes {
			fruit[i] = n * p.r.bears[i] / u.bears
		}
	}
	_, p.out.Counted = p.onTree()
	var err error
	p.out.Loads, err = p.r.loads(fruit, p.t.Terms)
	return err
}

// TakenByCuts estimates the fruit of counted limbs that went with wood since: by the leaf each limb has lost.
func TakenByCuts(before, now *limb.Map, counts []LimbFruit) map[string]int {
	out := map[string]int{}
	for _, c := range counts {
		i, j := before.Index(c.Limb), now.Index(c.Limb)
		if i < 0 {
			continue
		}
		had, has := before.LeafBeyond(i, 0), 0.0
		if j >= 0 {
			has = now.LeafBeyond(j, 0)
		}
		if gone := 1 - has/math.Max(had, slack); gone > 0.005 {
			out[c.Limb] = int(round(gone * float64(c.Fruit)))
		}
	}
	return out
}
