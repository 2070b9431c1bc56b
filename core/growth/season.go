package growth

import (
	"fmt"
	"math"

	"vertumna/core/limb"
)

// Constants of the season (limbs.md#5-growth): calibrated on magnitudes that growers name, our estimates; branch autonomy after
// Sprugel et al. 1991.
const (
	pruningDwarfs  = 0.80 // gamma
	autonomy       = 0.40 // mu: how far a limb draws on its own scaffold only
	implicitWeight = 0.40 // of unmapped twigs
	twigMM2        = 36
	rootMemory     = 0.35
	norm           = 1.35
	dilution       = 0.35 // how far a new shoot counts among those that share
	growthEnds     = 0.70 // of the season, bud break to leaf fall
	// Midsummer is its place in the season.
	Midsummer = 0.45
)

// orientation is how strongly a shoot grows by its angle from vertical.
var orientation = [][2]float64{{0, 1.25}, {30, 1.10}, {45, 1.0}, {60, 0.80}, {90, 0.50}, {120, 0.35}, {180, 0.25}}

// Tree is a tree on its way through the seasons.
type Tree struct {
	Map      *limb.Map
	Latitude float64
	// Given is light that was measured, by limb; nil: it is worked out. New limbs take their carrier's.
	Given  map[string]float64
	Season int
	// ShootCM is the mean length of last season's end shoots as measured; 0: not measured. It corrects the vigour of a tree
	// whose rings nobody measured.
	ShootCM float64
	// Rain is how wet the last growing season was; it scales the water sprouts of the season to come, and only of that one.
	Rain Rain
	// Bounds are how large the tree becomes left alone: LeftAlone reads them.
	Bounds Bounds

	rref, reff, vig float64
	agedAt          float64            // part of its youth's extension it made when it was fitted
	temper          map[string]float64 // by limb, how much stronger it grew than its place tells
	twin            float64            // height of the same tree had nobody cut it, cm
	lead            float64            // how its top grew against an upright shoot there, while it was uncut
	wasCut          bool
	calibrated      bool
	pending         []point
	born            int
}

// Rain of a growing season.
type Rain string

// How wet a growing season was; empty: as usual.
const (
	Wet Rain = "wet"
	Dry Rain = "dry"
)

// How a season grows (limbs.md#53-season): shares unless said.
const (
	wetSprouts, drySprouts   = 1.3, 0.7
	hangingRights, rightsTo  = 30, 0.6 // degrees; of the angle it starts at
	softFrom                 = 0.6     // of the longest shoot of a kind, freely
	cropTakes, leastOfCrop   = 0.3, 0.6
	newShootCM               = 20 // how far up a new shoot is counted
	wokenBoost               = 1.2
	ringToParent, ringGrows  = 0.6, 0.10
	ringLight, ringLightOver = 0.15, 0.30 // below that light a limb loses leaf; so much more and it gains in full
)

// sprouting is how a wet or dry last season scales water sprouts: reserves and standing roots of a wet one (est.).
func (r Rain) sprouting() float64 {
	switch r {
	case Wet:
		return wetSprouts
	case Dry:
		return drySprouts
	}
	return 1
}

// Work is what happens to a tree in one season: cuts while dormant, cuts at a moment of the season, and its crop (1 is
// balanced).
type Work struct {
	Dormant []Cut
	Summer  []Cut
	At      float64 // 0 bud break, 1 leaf fall; 0 with summer cuts: midsummer
	// Slip decides the summer's cuts on the tree as it then stands, instead of Summer.
	Slip func(day *limb.Map, light limb.Light) ([]Cut, error)
	Crop *float64
}

func (w Work) summer() bool { return len(w.Summer) > 0 || w.Slip != nil }

// Cut is a cut with where a notch should send its shoot.
type Cut struct {
	limb.CutAt
	FacingAz *float64
}

// Report is what a season came to.
type Report struct {
	ShareDormant, ShareSummer float64
	Vigour                    float64
	MeanTipCM                 float64
	Tips                      int
	WoodM                     float64
	NewShoots                 int
	MaxNewCM, MeanNewCM       float64
	HeightCM                  float64
	FlowerBuds                float64
	WaterSprouts              int
}

// point is a place where a shoot will grow.
type point struct {
	parent  string
	attach  float64
	az, a0  float64
	rank    float64
	dsup    float64
	sprout  bool
	pending bool
}

// rightens is the angle at the end of its shoot: new shoots turn up.
func (p point) rightens() float64 {
	if p.a0 >= 90 {
		return p.a0 - hangingRights
	}
	return rightsTo * p.a0
}

// leans is the mean angle of its shoot.
func (p point) leans() float64 { return (p.a0 + p.rightens()) / 2 }

// season holds one season's work.
type season struct {
	t      *Tree
	m      *limb.Map
	light  limb.Light
	w      weights
	before weights
	points []point
	q, qs  float64
	v      map[string]float64 // by scaffold
	vTree  float64
	grew   map[string]float64 // whole extension of each old tip, cm
	newV   map[string]float64 // whole extension of each new shoot
	had    map[string]bool    // limbs that had a point
	fresh  map[string]bool    // limbs born this season

	started   []string // limbs as the season began to grow, with the light they had
	startedIn limb.Light
}

// calibrate fits the model to this tree, once: uncut, it grows as it did last year.
func (s *season) calibrate() {
	t := s.t
	if t.calibrated {
		return
	}
	t.calibrated = true
	p := s.reserves()
	t.rref, t.reff, t.vig, t.agedAt = 1, p, 1, 1
	if s.before.total > 0 {
		t.rref = p / s.before.total
	}
	grown, expected, n := 0.0, 0.0, 0
	ends, all := 0, 0.0
	for i, w := range s.before.point {
		if w == 0 {
			continue
		}
		start, e := s.m.Axes[i].LastRing()
		usual := w * norm * s.m.Kind.Growth.ExtensionCM
		if t.Bounds.known() { // what the place of the shoot lets it make of it
			a := &s.m.Axes[i]
			usual = s.braked(i, s.m.At(i, start), a.Azimuth, s.m.MeanAngle(i), usual)
		}
		ends, all = ends+1, all+usual
		if s.m.Source(i, "rings_cm") == limb.Measured {
			grown, expected, n = grown+e, expected+usual, n+1
		}
	}
	switch {
	case n >= 3 && expected > 0:
		t.vig, t.agedAt = clamp(grown/expected, vigourReadLow, vigourReadUp), t.Bounds.aged(s.m.Age)
	case t.ShootCM > 0 && all > 0:
		t.vig, t.agedAt = clamp(t.ShootCM/(all/float64(ends)), vigourReadLow, vigourReadUp), t.Bounds.aged(s.m.Age)
	}
	if s.m.RRef != nil && s.m.REff != nil && s.m.Vig != nil {
		t.rref, t.reff, t.vig, t.agedAt = *s.m.RRef, *s.m.REff, *s.m.Vig, t.Bounds.aged(s.m.Age)
	}
}

// soft holds an extension below what the kind can make.
func (s *season) soft(x float64) float64 {
	most := s.m.Kind.Growth.ExtensionMaxCM
	free, rest := softFrom*most, (1-softFrom)*most
	if x <= free {
		return x
	}
	return free + rest*(1-math.Exp(-(x-free)/rest))
}

func newSeason(t *Tree, m *limb.Map) *season {
	t.born = 0
	s := &season{
		t: t, m: m.Freeze(), v: map[string]float64{}, grew: map[string]float64{}, newV: map[string]float64{}, had: map[string]bool{},
		fresh: map[string]bool{},
	}
	s.relight()
	s.before = s.weigh()
	return s
}

// Grow takes a tree one season forward. The tree given is not changed. Errors: those of limb.Map.Cut.
func Grow(t Tree, work Work) (Tree, Report, error) {
	s, err := grow(t, work)
	if err != nil {
		return t, Report{}, err
	}
	return *s.t, s.report(), nil
}

// Next is Grow without the report.
func Next(t Tree, work Work) (Tree, error) {
	s, err := grow(t, work)
	if err != nil {
		return t, err
	}
	return *s.t, nil
}

func grow(t Tree, work Work) (*season, error) {
	next := t
	next.Given = copyOf(t.Given)
	s := newSeason(&next, t.Map)
	s.calibrate()
	s.readTempers()
	s.raiseCeiling()
	if err := s.dormant(work.Dormant); err != nil {
		return nil, err
	}
	s.share(work.Crop)
	at, g := 1.0, 1.0
	if work.summer() {
		at = work.At
		if at == 0 {
			at = Midsummer
		}
		g = grownBy(at)
	}
	s.extend(g)
	s.thicken()
	s.dropFresh()
	s.relight()
	p, f := s.reserves(), 1.0
	if work.summer() {
		f = at * at
		cuts := work.Summer
		if work.Slip != nil {
			var err error
			if cuts, err = work.Slip(s.day(), s.light); err != nil {
				return nil, err
			}
		}
		second, err := s.summer(cuts, g)
		if err != nil {
			return nil, err
		}
		p = f*p + (1-f)*second
	}
	s.leafFall(p, f)
	next.Rain = ""
	return s, nil
}

// Ahead takes a tree so many winters forward without a cut. A summer map stands at its next winter as it is now: what is
// left of the season is not added. Cost: two sweeps of light a season.
func Ahead(t Tree, winters int) (*limb.Map, error) {
	if t.Map.Season == limb.Summer && winters > 0 {
		next := *t.Map
		next.Season = limb.Dormant
		if next.Year > 0 {
			next.Year++
		}
		t.Map, winters = &next, winters-1
	}
	for range winters {
		var err error
		if t, err = Next(t, Work{}); err != nil {
			return nil, err
		}
	}
	return t.Map, nil
}

func copyOf(given map[string]float64) map[string]float64 {
	if given == nil {
		return nil
	}
	out := make(map[string]float64, len(given))
	for k, v := range given {
		out[k] = v
	}
	return out
}

// dormant makes the winter's cuts, then lists what they will wake.
func (s *season) dormant(cuts []Cut) error {
	made, taken, err := s.make(cuts)
	if err != nil {
		return err
	}
	s.q = taken
	for _, p := range s.t.pending {
		p.pending = true
		s.points = append(s.points, p)
	}
	s.t.pending = nil
	if len(made) > 0 {
		s.relight()
	}
	for _, c := range made {
		s.points = append(s.points, s.wakes(c, s.q, false)...)
	}
	return nil
}

// make makes cuts in their order; those on limbs that are gone already are left out. It returns what they take of the crown
// before the first.
func (s *season) make(cuts []Cut) (made []madeCut, taken float64, err error) {
	if len(cuts) == 0 {
		return nil, 0, nil
	}
	first, cutter := s.m.CrownD2(), s.m.Cutter()
	s.m = cutter.Map()
	s.t.wasCut = true
	for _, c := range cuts {
		i := s.m.Index(c.Limb)
		if i < 0 {
			continue
		}
		made = append(made, s.look(c, i))
		leaf := s.m.ShareOf(c.CutAt) * s.m.CrownD2()
		if err := cutter.Cut(c.CutAt); err != nil {
			return nil, 0, err
		}
		taken += leaf / first
	}
	return made, taken, nil
}

// share deals the reserves out over the points left.
func (s *season) share(crop *float64) {
	load := 1.0
	if crop != nil {
		load = *crop
	}
	s.w = s.weigh()
	for k := range s.points {
		if i := s.m.Index(s.points[k].parent); i >= 0 {
			s.w.add(s.m.Axes[s.m.Scaffold(i)].ID, dilution*s.weightOf(s.points[k], i, false))
		}
	}
	base := s.t.reff * clamp(1+cropTakes-cropTakes*load, leastOfCrop, 1+cropTakes) / s.t.rref
	for id, b1 := range s.w.scaffold {
		own := autonomy / s.w.total
		if b0, known := s.before.scaffold[id]; known && b1 > 0 {
			own = autonomy * b0 / (s.before.total * b1)
		}
		s.v[id] = clamp(math.Pow(base*((1-autonomy)/s.w.total+own), pruningDwarfs), vigourLeast, vigourMost)
	}
	s.vTree = clamp(math.Pow(base/s.w.total, pruningDwarfs), vigourLeast, vigourMost)
}

// weightOf is the weight of a new point on its carrier; in summer it counts from where it starts.
func (s *season) weightOf(p point, i int, summer bool) float64 {
	z := s.m.At(i, math.Min(p.attach, s.m.Axes[i].L)).Z
	if !summer {
		z += newShootCM * cosDeg(p.a0)
	}
	return s.w.explicit(p.a0, z, s.light[i], p.dsup) * p.rank
}

func (s *season) vOf(i int) float64 {
	if v, ok := s.v[s.m.Axes[s.m.Scaffold(i)].ID]; ok {
		return v
	}
	return s.vTree
}

// Shorter than this, an extension or a new shoot is not made, cm.
const (
	leastExtension = 0.5
	leastShoot     = 4
)

// extend grows part g of the season's extension.
func (s *season) extend(g float64) {
	ext := s.extension()
	axes := append([]limb.Axis(nil), s.m.Axes...)
	parents := s.m.Parents()
	s.startedIn = s.light
	for i := range axes {
		s.started = append(s.started, axes[i].ID)
	}
	for i := range axes {
		if s.w.point[i] == 0 {
			continue
		}
		s.had[axes[i].ID] = true
		full := s.unhindered(i, axes[i].L, ext*s.vOf(i)*s.w.point[i]*s.temper(axes[i].ID))
		s.grew[axes[i].ID] = full
		if e := full * g; e >= leastExtension {
			axes[i].Rings = append(append([]float64(nil), axes[i].Rings...), e)
			axes[i].L += e
		} else {
			s.grew[axes[i].ID] = 0
		}
	}
	for _, p := range s.points {
		i := s.m.Index(p.parent)
		if i < 0 {
			continue
		}
		boost := wokenBoost + 2*s.q
		if p.pending {
			boost = 1
		}
		full := s.braked(i, s.m.At(i, math.Min(p.attach, s.m.Axes[i].L)), p.az, p.leans(), s.soft(ext*s.vOf(i)*s.weightOf(p, i, false)*boost))
		if full*g < leastShoot {
			continue
		}
		a := s.shoot(p, full*g)
		s.newV[a.ID] = full
		axes, parents = append(axes, a), append(parents, p.parent)
	}
	s.m = s.m.With(axes, parents)
	s.remember()
}

// shoot is a new limb.
func (s *season) shoot(p point, e float64) limb.Axis {
	s.t.born++
	tip := s.m.Kind.Growth.TipMM
	a := limb.Axis{
		ID: fmt.Sprintf("g%d.%d", s.t.Season+1, s.t.born), Attach: p.attach, Azimuth: mod360(p.az), A0: p.a0, A1: p.rightens(), L: e,
		D: tipBase*tip + tipOfGrowth*e, Tip: limb.Growing, Rings: []float64{e}, Sprout: p.sprout,
	}
	a.Dt = math.Min(tip, a.D)
	a.SetOwn(a.D*a.D - a.Dt*a.Dt)
	a.KnownAs(limb.Predicted)
	s.fresh[a.ID] = true
	if s.t.Given != nil {
		s.t.Given[a.ID] = s.t.Given[p.parent]
	}
	return a
}

// remember brings the light along to the map as it now stands.
func (s *season) remember() {
	if s.t.Given != nil {
		s.relight()
	}
}

// thicken lays the season's ring of wood, from the ends down.
func (s *season) thicken() {
	axes := append([]limb.Axis(nil), s.m.Axes...)
	gain := make([]float64, len(axes))
	tip := s.m.Kind.Growth.TipMM
	lit := s.lightBefore()
	for i := len(axes) - 1; i >= 0; i-- {
		a := &axes[i]
		if s.fresh[a.ID] { // in full light
			gain[i] += ringToParent * a.D * a.D
			a.SetOwn(s.m.OwnLeaf(i) * (1 + ringGrows*math.Min(2, s.vOf(i))))
		} else {
			g := clamp((lit(i)-ringLight)/ringLightOver, -0.5, 1)
			do := ringGrows * math.Min(2, s.vOf(i)) * g * s.m.OwnLeaf(i)
			if s.grew[a.ID] > 0 {
				e := a.Rings[len(a.Rings)-1]
				dn := tipBase*tip + tipOfGrowth*e
				gain[i] += ringToParent * dn * dn
				do += (1 - ringToParent) * dn * dn
			} else {
				gain[i] += ringToParent * math.Max(0, do)
			}
			a.SetOwn(math.Max(0, s.m.OwnLeaf(i)+do))
			a.D = math.Sqrt(a.D*a.D + gain[i])
		}
		if a.Parent >= 0 {
			gain[a.Parent] += gain[i]
		}
	}
	s.m = s.m.Again(axes)
}

// lightBefore is the light the season began with, by place in the map as it has grown since.
func (s *season) lightBefore() func(i int) float64 {
	if s.t.Given != nil {
		return func(i int) float64 { return s.light[i] }
	}
	was := make(map[string]float64, len(s.started))
	for i, id := range s.started {
		was[id] = s.startedIn[i]
	}
	return func(i int) float64 { return was[s.m.Axes[i].ID] }
}

// dropFresh: what was cut this winter has answered.
func (s *season) dropFresh() {
	axes := append([]limb.Axis(nil), s.m.Axes...)
	for i := range axes {
		var tags []string
		for _, t := range axes[i].Tags {
			if t != limb.Fresh {
				tags = append(tags, t)
			}
		}
		axes[i].Tags = tags
		wounds := append([]limb.Wound(nil), axes[i].Wounds...)
		for k := range wounds {
			wounds[k].Fresh = false
		}
		axes[i].Wounds = wounds
	}
	s.m = s.m.Again(axes)
}
