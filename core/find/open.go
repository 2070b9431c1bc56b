package find

import (
	"math"

	"vertumna/core/limb"
)

// Openness is what can pass through the middle of a tree.
type Openness struct {
	CylinderCM float64 // widest upright cylinder: a hat is 35 cm
	SphereCM   float64 // widest ball: a hand is 12, a softball 10
}

// Things that are swung or dropped through a tree, cm across.
const (
	HatCM  = 35
	HandCM = 12
	BallCM = 10
)

// Numbers of the openness test (limb page, 3.4).
const (
	openStepCM  = 5
	openGridCM  = 10
	openAboveCM = 20
	openLeastCM = 15
	openPart    = 0.35
	openTop     = 0.9
)

type woodPoint struct {
	p limb.Vec
	r float64
}

// Middle measures how open the middle of a tree is. Limbs in skip are left out (a late leader in its vase).
func Middle(m *limb.Map, skip func(int) bool) Openness {
	pts, z0, ok := woodPoints(m, skip)
	if !ok {
		return Openness{}
	}
	_, spread := m.Footprint()
	h := m.Height()
	rc := math.Max(openLeastCM, openPart*spread/2)
	cx, cy := centre(m, (z0+h)/2)
	var o Openness
	best := 0.0
	cells := math.Floor(rc / openGridCM)
	for gx := -cells; gx <= cells; gx++ {
		for gy := -cells; gy <= cells; gy++ {
			x, y := gx*openGridCM, gy*openGridCM
			if x*x+y*y > rc*rc {
				continue
			}
			px, py := cx+x, cy+y
			plan := math.Inf(1)
			for _, w := range pts {
				if w.p.Z >= z0 {
					plan = math.Min(plan, math.Hypot(w.p.X-px, w.p.Y-py)-w.r)
				}
			}
			best = math.Max(best, plan)
			for z := z0 + openGridCM; z <= openTop*h; z += openGridCM {
				near := math.Inf(1)
				for _, w := range pts {
					if dz := w.p.Z - z; math.Abs(dz)-w.r < near {
						near = math.Min(near, math.Sqrt(sq(w.p.X-px)+sq(w.p.Y-py)+dz*dz)-w.r)
					}
				}
				o.SphereCM = math.Max(o.SphereCM, 2*near)
			}
		}
	}
	o.CylinderCM = math.Min(2*best, 2*rc)
	o.SphereCM = math.Min(o.SphereCM, 2*rc)
	return o
}

func sq(x float64) float64 { return x * x }

// woodPoints lists points along all limbs, and the height the middle starts at.
func woodPoints(m *limb.Map, skip func(int) bool) (pts []woodPoint, z0 float64, ok bool) {
	z0 = math.Inf(1)
	for i := range m.Axes {
		a := &m.Axes[i]
		if a.Depth == 1 {
			z0 = math.Min(z0, m.Base(i).Z)
		}
		if skip != nil && skip(i) || a.Depth == 0 && a.Tip == limb.Cut {
			continue
		}
		n := math.Max(1, math.Ceil(a.L/openStepCM-1e-9))
		for k := range int(n) + 1 {
			s := a.L * float64(k) / n
			pts = append(pts, woodPoint{m.At(i, s), m.Diameter(i, s) / 20})
		}
	}
	return pts, z0 + openAboveCM, !math.IsInf(z0, 1)
}

func centre(m *limb.Map, z float64) (x, y float64) {
	p := m.TrunkAt(z)
	return p.X, p.Y
}

// centreLimbs: fewer live limbs than this, or a narrower tree, has no middle to close.
const (
	centreLimbs    = 8
	centreSpreadCM = 150
)

func (f *finder) centreClosed() {
	m := f.m
	if !m.Vase() && !m.Bush() {
		return
	}
	live := 0
	for i := range m.Axes {
		if f.live(i) {
			live++
		}
	}
	if _, spread := m.Footprint(); live <= centreLimbs || spread < centreSpreadCM {
		return
	}
	o := Middle(m, f.lateLeader)
	if o.CylinderCM < f.o.HatCM {
		f.tell("centre_closed", m.Stems()[0], 0, 0.4+0.4*(1-o.CylinderCM/f.o.HatCM),
			[]Fact{num("cylinder_cm", o.CylinderCM), num("sphere_cm", o.SphereCM)}, num("cylinder_cm", f.o.HatCM))
	}
}

// lateLeader: the leader of a vase that keeps one, and the small crown on its top, do not close the middle.
func (f *finder) lateLeader(i int) bool {
	if f.m.Form != "late-leader" || f.leader < 0 || f.m.IsStem(f.leader) || !f.m.HangsOn(i, f.leader) {
		return false
	}
	for at := i; at != f.leader; at = f.m.Axes[at].Parent {
		if f.m.Axes[at].Parent == f.leader {
			return f.m.Axes[at].Attach >= bareStretch*f.m.Axes[f.leader].L
		}
	}
	return true
}
