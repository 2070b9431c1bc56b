package find

// CentreClosed is a middle that nothing passes through.
const CentreClosed Code = "centre_closed"

var centreClosed = Rule{Code: CentreClosed, Step: 8, Weight: 3, Aim: Open, Source: practice}

var centreClosedGrows = ramp{0.4, 0.4, 1} // part of a hat that does not pass

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
	c, ok := coreOf(m, f.lateLeader)
	if !ok {
		return
	}
	if cyl := c.cylinder(); cyl < f.o.HatCM {
		f.tell(centreClosed, m.Stems()[0], 0, centreClosedGrows.at(1-cyl/f.o.HatCM),
			[]Fact{num("cylinder_cm", cyl)}, num("cylinder_cm", f.o.HatCM))
	}
}
