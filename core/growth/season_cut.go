package growth

import (
	"math"
	"slices"

	"vertumna/core/limb"
)

// madeCut is a cut with what the limb was like before it.
type madeCut struct {
	Cut
	host     string  // who carries what answers: the limb, or its carrier for a collar
	at       float64 // where
	d        float64 // thickness before the cut, mm
	side     float64 // thickest side branch at the cut against it, 0: none
	thinSide bool
	age      int     // of the wood at the cut
	removed  float64 // part of its ring that went
	roll     float64 // of the bud nearest the cut
	azimuth  float64
}

// sideCM: a side branch this near the cut takes over.
const (
	sideCM   = 3.0
	sidePart = 1.0 / 3
)

func (s *season) look(c Cut, i int) madeCut {
	a := &s.m.Axes[i]
	x := c.AtCM
	out := madeCut{Cut: c, host: a.ID, at: x, d: s.m.Diameter(i, math.Max(0, x)), roll: 180, azimuth: a.Azimuth}
	if x <= 0 && c.Kind != limb.Notch && c.Kind != limb.SpurThin {
		out.d, out.at = a.D, a.Attach
		if a.Parent >= 0 {
			out.host = s.m.Axes[a.Parent].ID
		}
		return out
	}
	bare := s.m.IsStem(i) && !slices.ContainsFunc(a.Children, func(k int) bool { return s.m.Axes[k].Attach <= x })
	for _, k := range a.Children { // on a stem left bare nothing takes over: what stood above the cut went with it
		if math.Abs(s.m.Axes[k].Attach-x) <= sideCM && !bare {
			out.side = math.Max(out.side, s.m.Axes[k].D/out.d)
			out.thinSide = true
		}
	}
	end := 0.0
	for k, r := range a.Rings {
		start := end
		end += r
		if x < end-1e-9 || k == len(a.Rings)-1 {
			out.age = len(a.Rings) - k
			if r > 0 {
				out.removed = clamp((end-math.Max(start, x))/r, 0, 1)
			}
			break
		}
	}
	near := math.Inf(1)
	for _, b := range a.Buds {
		if d := math.Abs(b.AtCM - x); b.RollDeg != nil && b.AtCM <= x && d < near {
			near, out.roll = d, *b.RollDeg
		}
	}
	return out
}

var (
	headRanks  = [4]float64{1.15, 0.95, 0.75, 0.55}
	headAngles = [4]float64{12, 35, 45, 52}
	stubRanks  = [2]float64{0.70, 0.45}
	spurRanks  = [2]float64{0.65, 0.40}
	spurAngles = [2]float64{35, 45}
)

// What a cut wakes (limbs.md#54-new-points-of-a-cut): thickness in mm, distances in cm.
const (
	notchRank                    = 0.60
	stubTwoMM, spurTwoMM         = 15, 8 // from there two shoots come
	oneMoreMM                    = 20
	sproutFromMM, sproutEveryMM  = 25, 30
	sproutRank, summerSproutRank = 1.30, 0.9
	summerSprouts                = 0.25 // of a winter cut's
	mostSprouts                  = 8
	sproutBelowCM, sproutStepCM  = 3, 2.5
	sproutMM                     = 20
)

// wakes lists the points a cut wakes, on the tree as it stands after all cuts.
func (s *season) wakes(c madeCut, q float64, summer bool) []point {
	i := s.m.Index(c.host)
	if i < 0 {
		return nil
	}
	g := s.m.Kind.Growth
	var out []point
	add := func(k int, rank, angle float64) {
		alpha := g.DivergenceDeg
		if g.Opposite {
			alpha = 180
		}
		at := math.Max(0, c.at-1-float64(k)*g.InternodeCM)
		v := s.m.ShootDirection(i, math.Min(c.at, s.m.Axes[i].L), c.roll+float64(k)*alpha, angle)
		out = append(out, point{
			parent: c.host, attach: at, az: math.Atan2(v.X, v.Y) * 180 / math.Pi, a0: math.Acos(clamp(v.Z, -1, 1)) * 180 / math.Pi,
			rank: rank, dsup: math.Min(c.d, mostPointMM),
		})
	}
	switch {
	case c.Kind == limb.SpurThin:
	case c.Kind == limb.Notch:
		az := c.azimuth
		if c.FacingAz != nil {
			az = *c.FacingAz
		}
		out = append(out, point{parent: c.host, attach: c.at, az: az, a0: g.InsertionDeg, rank: notchRank, dsup: math.Min(c.d, mostPointMM)})
	case c.AtCM <= 0:
	case c.Kind == limb.Stub:
		add(0, stubRanks[0], g.InsertionDeg)
		if c.d >= stubTwoMM && !summer {
			add(1, stubRanks[1], g.InsertionDeg)
		}
	case c.Kind == limb.SpurBack:
		add(0, spurRanks[0], spurAngles[0])
		if c.d >= spurTwoMM && !summer {
			add(1, spurRanks[1], spurAngles[1])
		}
	case c.side >= sidePart:
	case c.Kind == limb.FruitBud && summer && s.t.Bounds.known(): // a fruit bud on top stops the shoot
		add(0, stoppedRank, headAngles[2])
	default:
		for k := range s.headed(c, i, summer) {
			add(k, headRanks[k], headAngles[k])
		}
	}
	if c.d >= sproutFromMM && c.Kind != limb.Notch && c.Kind != limb.SpurThin {
		out = append(out, s.sprouts(c, q, summer, i)...)
	}
	return out
}

// stoppedRank is of what still grows under a fruit bud cut to in summer; our estimate.
const stoppedRank = 0.35

// headed is how many shoots a heading cut wakes.
func (s *season) headed(c madeCut, i int, summer bool) int {
	n := 2 + int(c.d/oneMoreMM)
	if c.age == 1 {
		n = 2 + int(2*c.removed)
	}
	n = min(4, n)
	if c.thinSide || summer {
		n = max(1, n-1)
	}
	if c.thinSide && summer {
		n = max(1, n-1)
	}
	return min(n, max(1, int(s.m.Axes[i].L/s.m.Kind.Growth.InternodeCM)))
}

func (s *season) sprouts(c madeCut, q float64, summer bool, i int) []point {
	part, rank := 1.0, sproutRank
	if summer {
		part, rank = summerSprouts, summerSproutRank
	}
	n := min(mostSprouts, int(s.m.Kind.Growth.SproutTendency*c.d/sproutEveryMM*(1+4*q)*part*s.t.Rain.sprouting()))
	var out []point
	for k := range n {
		out = append(out, point{
			parent: c.host, attach: math.Max(0, c.at-sproutBelowCM-sproutStepCM*float64(k)), az: s.m.Axes[i].Azimuth + goldenDeg*float64(k+1), a0: 10, rank: rank,
			dsup: sproutMM, sprout: true,
		})
	}
	return out
}

// weakerNextSpring: what did not grow after a summer cut is weaker next spring.
const weakerNextSpring = 0.8

// summer makes the cuts of the growing season; what is left of the season's growth follows. It returns the reserves the
// cut tree lays down.
func (s *season) summer(cuts []Cut, g float64) (float64, error) {
	made, taken, err := s.make(cuts)
	if err != nil {
		return 0, err
	}
	s.qs = taken
	s.relight()
	p := s.reserves()
	s.w = s.weigh()
	var woken []point
	for _, c := range made {
		woken = append(woken, s.wakes(c, s.qs, true)...)
	}
	s.finish(woken, g)
	return p, nil
}

// finish grows what is left of the season: tips that stand, and what the summer's cuts woke.
func (s *season) finish(woken []point, g float64) {
	axes := append([]limb.Axis(nil), s.m.Axes...)
	parents := s.m.Parents()
	for i := range axes {
		a := &axes[i]
		full := s.grew[a.ID] + s.newV[a.ID]
		if full == 0 || a.Tip != limb.Growing {
			continue
		}
		more := full * (1 - g)
		a.Rings = append([]float64(nil), a.Rings...)
		a.Rings[len(a.Rings)-1] += more
		a.L += more
	}
	ext := s.extension()
	for _, p := range woken {
		i := s.m.Index(p.parent)
		if i < 0 {
			continue
		}
		e := (1 - g) * s.braked(i, s.m.At(i, math.Min(p.attach, s.m.Axes[i].L)), p.az, p.leans(), s.soft(ext*s.vOf(i)*s.weightOf(p, i, true)*(1+s.qs)))
		if e < leastShoot {
			p.rank *= weakerNextSpring
			s.t.pending = append(s.t.pending, p)
			continue
		}
		axes, parents = append(axes, s.shoot(p, e)), append(parents, p.parent)
	}
	s.m = s.m.With(axes, parents)
	s.relight()
}

func (s *season) report() Report {
	r := Report{ShareDormant: s.q, ShareSummer: s.qs, Vigour: s.vTree, HeightCM: s.m.Height()}
	vigour := make(limb.Vigour, s.m.Len())
	for i := range s.m.Axes {
		a := &s.m.Axes[i]
		vigour[i] = s.vOf(i)
		if s.qs > 0 {
			vigour[i] = math.Min(1, vigour[i]*(1-s.qs))
		}
		if !s.m.WhollyDead(i) {
			r.WoodM += a.L / 100
		}
		if s.had[a.ID] {
			r.Tips++
			r.MeanTipCM += s.lastGrowth(i)
		}
		if s.fresh[a.ID] {
			r.NewShoots++
			r.MeanNewCM += a.L
			r.MaxNewCM = math.Max(r.MaxNewCM, a.L)
			if a.Sprout {
				r.WaterSprouts++
			}
		}
	}
	if r.Tips > 0 {
		r.MeanTipCM /= float64(r.Tips)
	}
	if r.NewShoots > 0 {
		r.MeanNewCM /= float64(r.NewShoots)
	}
	for i := range s.m.Axes {
		r.FlowerBuds += s.m.FlowerBuds(i, s.light, vigour)
	}
	return r
}

// lastGrowth is a limb's extension this season; after summer cuts its last ring.
func (s *season) lastGrowth(i int) float64 {
	a := &s.m.Axes[i]
	if s.grew[a.ID] == 0 && s.qs == 0 {
		return 0
	}
	_, e := a.LastRing()
	return e
}
