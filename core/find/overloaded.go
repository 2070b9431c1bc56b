package find

import "math"

// Limbs by their load: of fruit that was counted, or that is expected.
const (
	Overloaded  Code = "overloaded"    // a limb near breaking under the fruit counted on it
	ThinForLoad Code = "thin_for_load" // a limb too thin for the fruit expected of it
)

var overloaded = Rule{Code: Overloaded, Step: 9, Weight: 5, Aim: NoAim, Source: strength}

var thinForLoad = Rule{Code: ThinForLoad, Step: 9, Weight: 2, Aim: NoAim, Source: strength}

// load is what hangs on a limb: kg and their moment in plan, of the limb and all it carries.
type load struct {
	kg, fruit, atX, atY float64
}

// Numbers of the load test (limbs.md#32-load, limbs.md#33-sag): 9.81 m/s2; green wood 900 kg/m3, E 6 GPa.
const (
	gravity    = 9.81
	woodKgM3   = 900
	modulusPa  = 6e9
	includedBy = 1.6 // a crotch with trapped bark holds less
	loadMinMM  = 12
	loadMinCM  = 40
)

// fruitKG is the fruit on a limb's own wood: counted, or expected where none was counted on the tree.
func (f *finder) fruitKG(i int) float64 {
	if f.fruited {
		if n := f.m.Axes[i].Fruit; n != nil {
			return *n * f.m.Kind.Growth.FruitKG
		}
		return 0
	}
	return f.m.ExpectedFruitKG(i, f.light, f.vigour)
}

func (f *finder) allLoads() []load {
	m := f.m
	out := make([]load, m.Len())
	for i := m.Len() - 1; i >= 0; i-- {
		a := &m.Axes[i]
		d, dt := a.D/1000, a.Dt/1000
		wood := woodKgM3 * math.Pi / 12 * a.L / 100 * (d*d + d*dt + dt*dt)
		fruit := f.fruitKG(i)
		w, fr := m.At(i, 0.4*a.L), m.At(i, 0.6*a.L)
		out[i].kg += wood + fruit
		out[i].fruit += fruit
		out[i].atX += wood*w.X + fruit*fr.X
		out[i].atY += wood*w.Y + fruit*fr.Y
		if p := a.Parent; p >= 0 {
			out[p].kg += out[i].kg
			out[p].fruit += out[i].fruit
			out[p].atX += out[i].atX
			out[p].atY += out[i].atY
		}
	}
	return out
}

// stressMPa is the bending stress at the base of a limb.
func (f *finder) stressMPa(i int) float64 {
	b, l := f.m.Base(i), f.loads[i]
	moment := gravity * math.Hypot(l.atX-l.kg*b.X, l.atY-l.kg*b.Y) / 100
	s := 32 * moment / (math.Pi * math.Pow(f.m.Axes[i].D/1000, 3)) / 1e6
	if c, _, _ := f.crotch(i); c < f.o.CrotchHardDeg && f.noSprout(i) {
		s *= includedBy
	}
	return s
}

func (f *finder) load(i int) {
	a := &f.m.Axes[i]
	if a.Depth == 0 || a.D < loadMinMM || a.L < loadMinCM {
		return
	}
	stress := f.stressMPa(i)
	if stress <= f.o.StressSoftMPa {
		return
	}
	rule, name, severity := thinForLoad, "expected_kg", [2]float64{mild, grave}
	if f.fruited {
		rule, name, severity = overloaded, "fruit_kg", [2]float64{0.5, 1}
	}
	s := severity[0]
	if stress > f.o.StressHardMPa {
		s = severity[1]
	}
	f.tell(rule, i, 0, s, []Fact{num("stress_mpa", stress), num(name, f.loads[i].fruit)}, num("stress_mpa", f.o.StressSoftMPa))
}

// sag is how far the counted fruit bends a limb down at s, cm.
func (f *finder) sag(i int, s float64) float64 {
	a := &f.m.Axes[i]
	if a.Fruit == nil || *a.Fruit == 0 {
		return 0
	}
	d, x, at := a.D/1000, s/100, 0.6*a.L/100
	inertia := math.Pi * math.Pow(d, 4) / 64
	force := *a.Fruit * f.m.Kind.Growth.FruitKG * gravity * math.Sin(f.m.MeanAngle(i)*math.Pi/180)
	y := x * x * (3*at - x)
	if x > at {
		y = at * at * (3*x - at)
	}
	return math.Min(0.25*a.L, 100*force*y/(6*modulusPa*inertia))
}
