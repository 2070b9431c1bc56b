package growth

import (
	"math"

	"vertumna/core/light"
	"vertumna/core/limb"
)

// weights are how a tree's growing points share its reserves.
type weights struct {
	total      float64
	scaffold   map[string]float64
	point      []float64 // by limb: of its own tip; 0 where it has none
	zmin, zmax float64
}

// What weighs a growing point (limbs.md#51-weights): its light, its height in the crown, its thickness.
const (
	darkWeight, fullLight       = 0.25, 0.60
	lowWeight                   = 0.55
	usualPointMM, thickPower    = 12, 0.30
	thinWeighs, thickWeighs     = 0.70, 1.40
	tiedLeanDeg                 = 45 // a limb held down grows as one that leans so far at least
	mostPointMM                 = 25 // thicker wood wakes no more
	vigourLeast, vigourMost     = 0.2, 4
	vigourReadLow, vigourReadUp = 0.4, 2 // of what a measured tree shows
)

func lightWeight(l float64) float64 {
	return clamp(darkWeight+(1-darkWeight)*l/fullLight, darkWeight, 1)
}

func (s *season) growing(i int) bool {
	return s.m.Axes[i].Tip == limb.Growing && !s.m.WhollyDead(i) && s.m.DeadAt(i) > s.m.Axes[i].L
}

func (s *season) weigh() weights {
	m := s.m
	w := weights{scaffold: map[string]float64{}, point: make([]float64, m.Len()), zmin: math.Inf(1)}
	for i := range m.Axes {
		if !m.IsStem(i) {
			w.zmin = math.Min(w.zmin, m.Base(i).Z)
		}
		if !m.WhollyDead(i) {
			w.zmax = math.Max(w.zmax, m.End(i).Z)
		}
	}
	if math.IsInf(w.zmin, 1) {
		w.zmin = 0
	}
	for i := range m.Axes {
		a := &m.Axes[i]
		if s.growing(i) {
			theta := a.A1
			if a.Device != "" && a.Device != "none" {
				theta = math.Max(tiedLeanDeg, theta)
			}
			w.point[i] = w.explicit(theta, m.End(i).Z, s.light[i], a.D)
		}
		implicit := implicitWeight * m.OwnLeaf(i) * m.Weight(i) / twigMM2 * lightWeight(s.light[i])
		w.add(m.Axes[m.Scaffold(i)].ID, w.point[i]+implicit)
	}
	return w
}

// add counts a weight; a scaffold without any is not listed.
func (w *weights) add(scaffold string, x float64) {
	if x == 0 {
		return
	}
	w.total += x
	w.scaffold[scaffold] += x
}

func (w *weights) explicit(theta, z, l, dsup float64) float64 {
	return limb.Tab(orientation, theta) * (lowWeight + (1-lowWeight)*clamp((z-w.zmin)/math.Max(1, w.zmax-w.zmin), 0, 1)) * lightWeight(l) *
		clamp(math.Pow(dsup/usualPointMM, thickPower), thinWeighs, thickWeighs)
}

func (s *season) relight() {
	if s.t.Given == nil {
		s.light = light.OfTree(s.m, s.t.Latitude, light.Coarse)
		return
	}
	s.light = make(limb.Light, s.m.Len())
	for i := range s.m.Axes {
		s.light[i] = s.t.Given[s.m.Axes[i].ID]
	}
}

// reserves is what lit leaf lays down.
func (s *season) reserves() float64 {
	sum := 0.0
	for i := range s.m.Axes {
		sum += (s.m.OwnLeaf(i) + s.m.TipLeaf(i)) * s.m.Weight(i) * s.light[i]
	}
	return sum
}
