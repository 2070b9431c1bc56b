package crop

import (
	"math"

	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/core/num"
	"vertumna/core/pomology"
)

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
	if t.Picked {
		p.out.pickedClean(t.SnowKgM2 > 0)
	}
	return p.out, nil
}

// pickedClean leaves of a plan what the season was to bear, and nothing to do: no fruit is over.
func (p *Plan) pickedClean(snow bool) {
	p.Picked, p.snow, p.ToCount, p.Whether = true, snow, nil, nil
	p.Allot.Remove, p.Allot.Minutes = nil, nil
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
		last[c.Limb] = int(num.Round(float64(c.Fruit) * (1 - p.t.DropToCome)))
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
			sum += pomology.Section(u.diameterMM)
		}
		n := int(num.Round(r * density(&p.t.Kind.Crop, p.t.Size) * sum))
		p.out.Glance = &n
	}
	return nil
}

func toCount(limbs int) ToCountInput {
	in := given.New[ToCountInput]()
	in.Limbs = min(limbs, 400)
	return in
}

// input is what the targets of some scaffolds are worked out from.
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
		in.GrowthRatio = num.Clamp(t.GrowthRatio, 0.1, 4)
	}
	if t.State != "" {
		in.CropState = t.State
	}
	if t.StoneSpacing != "" {
		in.StoneSpacing = t.StoneSpacing
	}
	in.HandCM, in.PerCluster, in.ThinAnyway = t.HandCM, t.PerCluster, t.ThinAnyway
	in.RemovedShare, in.FrostRisk, in.AliveShare, in.MassG = num.Clamp(t.RemovedShare, 0, 0.95), t.FrostRisk, t.Alive, t.Terms.MassG
	return in
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
		n := int(num.Round(buds))
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
		return max(0, int(num.Round(c.Fruit))-taken), true
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
			sum += pomology.Section(u.diameterMM)
		}
		per := float64(n) / sum
		in.PerCM2 = &per
	}
	counted := map[string]int{}
	for _, c := range p.t.Counts {
		counted[c.Limb] = int(num.Round(float64(c.Fruit) * (1 - p.t.DropToCome)))
	}
	for k := range p.units {
		u := &p.units[k]
		l := AllotLimb{ID: u.id, DiameterMM: u.diameterMM, Light: num.Clamp(math.Max(dimLeast, u.light), 0, 1), NoFruit: p.noFruit(u), AboveReach: num.Clamp(u.aboveReach, 0, 1)}
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
		l.MassG = Mass(p.t.Kind, p.t.Terms.MassG, float64(l.Share.Keep), pomology.Section(u.diameterMM)*(1-p.t.RemovedShare))
		if p.r != nil && p.t.Draw {
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
		n := int(num.Round(float64(l.Fruit) * part))
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
	return p.t.Kind.Set(u.buds, p.t.Alive)
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
	terms := p.t.Terms
	if p.t.SnowKgM2 > 0 {
		clear(fruit)
		terms.InLeaf, terms.SnowKgM2 = false, p.t.SnowKgM2
	}
	var err error
	p.out.Loads, err = p.r.loads(fruit, terms)
	return err
}

// Weighed are the limbs under what weighs on them now, the worst first: none once the fruit is picked, but under snow.
func (p *Plan) Weighed() []LimbAt {
	if p.Picked && !p.snow {
		return nil
	}
	return p.Loads
}

// Second judges what was left on the limbs that were thinned; nil before any was.
func (p *Plan) Second() *Second {
	if p.Picked {
		return nil
	}
	in := given.New[SecondInput]()
	for _, l := range p.Limbs {
		if l.Pass.Done {
			in.Limbs = append(in.Limbs, LeftLimb{ID: l.ID, Keep: l.Share.Keep, Left: l.Pass.Left})
		}
	}
	if len(in.Limbs) == 0 {
		return nil
	}
	out, err := SecondPass(in)
	if err != nil {
		return nil
	}
	return &out
}
