package limb

import "math"

// What a map shows against an earlier one before a number counts as grown.
const (
	grownCM = 0.5
	grownMM = 0.5
)

// GrownFrom is the document of a map with what a model grew on its limbs since an earlier map marked as estimated: their length, rings
// and thickness. What did not change is known as it was; new limbs keep how they are known.
func (m *Map) GrownFrom(before *Map) Doc {
	d := m.Doc()
	for i := range d.Limbs {
		l := &d.Limbs[i]
		now, was := m.Index(l.ID), before.Index(l.ID)
		if now < 0 || was < 0 {
			continue
		}
		a, b := &m.Axes[now], &before.Axes[was]
		if math.Abs(a.L-b.L) >= grownCM {
			l.Sources = withSource(withSource(l.Sources, "length_cm", Estimated), "rings_cm", Estimated)
		}
		if math.Abs(a.D-b.D) >= grownMM {
			l.Sources = withSource(l.Sources, "diameter_mm", Estimated)
		}
	}
	return d
}
