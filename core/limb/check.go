package limb

import (
	"maps"
	"math"
	"slices"

	"vertumna/core/pomology"
)

var (
	markKinds = []string{Dead, Damaged, Diseased, Borer, Rubbing, Weak}
	agents    = []string{"canker", "blight", "rot", "unknown"}
	tags      = []string{Keep, Favour, Bark, Leader, Set, Fresh}
	devices   = []string{"", "none", "bend", "weight", "spreader", "tie"}
)

// ringTolerance is how far the rings may be off the length: a tape is no better than that.
func ringTolerance(length float64) float64 { return math.Max(2, 0.03*length) }

func finite(x float64) bool { return !math.IsNaN(x) && !math.IsInf(x, 0) }

// checker walks a document once and collects all that is wrong with it.
type checker struct {
	doc *Doc
	ps  Problems
}

// number returns the value of a field, reading what is no number as missing, and tells.
func (c *checker) number(l *Limb, field string, p *float64) *float64 {
	if p != nil && !finite(*p) {
		c.ps.add("E_NUMBER", l.ID, field, "%v given, a number expected", *p)
		return nil
	}
	return p
}

// ownFields checks what one limb says of itself and returns it with unusable values taken out.
func (c *checker) ownFields(in Limb) Limb {
	l := in
	for _, f := range []struct {
		name string
		p    **float64
	}{
		{"attach_cm", &l.AttachCM},
		{"x_cm", &l.XCM},
		{"y_cm", &l.YCM},
		{"azimuth_deg", &l.AzimuthDeg},
		{"angle_base_deg", &l.AngleBaseDeg},
		{"angle_tip_deg", &l.AngleTipDeg},
		{"length_cm", &l.LengthCM},
		{"diameter_mm", &l.DiameterMM},
		{"tip_diameter_mm", &l.TipDiameterMM},
		{"bare_cm", &l.BareCM},
		{"own_d2_mm2", &l.OwnD2MM2},
		{"fruit_count", &l.FruitCount},
	} {
		*f.p = c.number(&l, f.name, *f.p)
	}
	c.ranges(&l)
	c.rings(&l)
	c.words(&l)
	c.places(&l)
	return l
}

func (c *checker) ranges(l *Limb) {
	switch {
	case l.LengthCM == nil:
		c.ps.add("E_LENGTH", l.ID, "length_cm", "no length given, above 0 to %.0f cm expected", MaxLengthCM)
	case *l.LengthCM <= 0 || *l.LengthCM > MaxLengthCM:
		c.ps.add("E_LENGTH", l.ID, "length_cm", "%g cm given, above 0 to %.0f cm expected", *l.LengthCM, MaxLengthCM)
	}
	if d := l.DiameterMM; d != nil && (*d <= 0 || *d > MaxDiameterMM) {
		c.ps.add("E_DIAMETER", l.ID, "diameter_mm", "%g mm given, above 0 to %.0f mm expected", *d, MaxDiameterMM)
		l.DiameterMM = nil
	}
	if d := l.TipDiameterMM; d != nil && (*d <= 0 || *d > MaxDiameterMM) {
		c.ps.add("E_DIAMETER", l.ID, "tip_diameter_mm", "%g mm given, above 0 to %.0f mm expected", *d, MaxDiameterMM)
		l.TipDiameterMM = nil
	}
	if a := l.AzimuthDeg; a != nil && (*a < 0 || *a > 360) {
		c.ps.add("E_AZIMUTH", l.ID, "azimuth_deg", "%g degrees given, 0 to 360 expected", *a)
	}
	c.angle(l, "angle_base_deg", l.AngleBaseDeg)
	c.angle(l, "angle_tip_deg", l.AngleTipDeg)
	if b := l.BareCM; b != nil && *b < 0 {
		c.ps.add("E_STRETCH", l.ID, "bare_cm", "%g cm given, 0 or more expected", *b)
		l.BareCM = nil
	}
	if n := l.FruitCount; n != nil && *n < 0 {
		c.ps.add("E_NUMBER", l.ID, "fruit_count", "%g given, 0 or more expected", *n)
	}
	if n := l.OwnD2MM2; n != nil && *n < 0 {
		c.ps.add("E_NUMBER", l.ID, "own_d2_mm2", "%g given, 0 or more expected", *n)
	}
	if l.TipDiameterMM != nil && l.DiameterMM != nil && *l.TipDiameterMM > *l.DiameterMM {
		c.ps.add("E_TIP_THICKER", l.ID, "tip_diameter_mm", "%g mm at the tip, no more than the %g mm of the base expected",
			*l.TipDiameterMM, *l.DiameterMM)
	}
}

func (c *checker) angle(l *Limb, field string, a *float64) {
	if a != nil && (*a < 0 || *a > 180) {
		c.ps.add("E_ANGLE", l.ID, field, "%g degrees given, 0 (up) to 180 (down) expected", *a)
	}
}

func (c *checker) rings(l *Limb) {
	if l.RingsCM == nil {
		return
	}
	if len(l.RingsCM) == 0 {
		c.ps.add("E_RINGS", l.ID, "rings_cm", "an empty list given, a length for each season expected")
		return
	}
	sum := 0.0
	for i, r := range l.RingsCM {
		if !finite(r) || r < 0 {
			c.ps.add("E_RINGS", l.ID, "rings_cm", "%g cm given for season %d, 0 or more expected", r, i+1)
			return
		}
		sum += r
	}
	if l.LengthCM == nil || *l.LengthCM == 0 {
		return
	}
	if math.Abs(sum-*l.LengthCM) > ringTolerance(*l.LengthCM) || sum <= 0 {
		c.ps.add("E_RINGS", l.ID, "rings_cm", "the seasons add up to %.1f cm, the length of %.1f cm expected", sum, *l.LengthCM)
	}
}

func (c *checker) words(l *Limb) {
	if l.Tip != "" && l.Tip != Growing && l.Tip != Cut && l.Tip != DeadTip {
		c.ps.add("E_TIP", l.ID, "tip", "%q given, growing, cut or dead expected", l.Tip)
		l.Tip = ""
	}
	for _, t := range l.Tags {
		if !slices.Contains(tags, t) {
			c.ps.add("E_TAG", l.ID, "tags", "%q given, one of keep, favour, bark, leader, set expected", t)
		}
	}
	if !slices.Contains(devices, l.Device) {
		c.ps.add("E_DEVICE", l.ID, "device", "%q given, none, bend, weight, spreader or tie expected", l.Device)
	}
	if s := l.State; s != nil {
		if !slices.ContainsFunc(stateKinds, func(k StateKind) bool { return k.Kind == s.Kind }) {
			c.ps.add("E_STATE", l.ID, "state", "%q given, a state of a limb expected", s.Kind)
		}
		if s.Kind == "successor" && s.Limb == "" {
			c.ps.add("E_STATE", l.ID, "state", "no limb named, the limb that follows expected")
		}
	}
	for _, field := range slices.Sorted(maps.Keys(l.Sources)) {
		if s := l.Sources[field]; s != Measured && s != Estimated && s != Predicted {
			c.ps.add("E_SOURCE", l.ID, "sources", "%q given for %s, measured, estimated or predicted expected", s, field)
		}
	}
	if s := l.Source; s != "" && s != Measured && s != Estimated && s != Predicted {
		c.ps.add("E_SOURCE", l.ID, "source", "%q given, measured, estimated or predicted expected", s)
	}
}

// places checks what stands at a distance along the limb.
func (c *checker) places(l *Limb) {
	end := math.Inf(1)
	if l.LengthCM != nil && *l.LengthCM > 0 {
		end = *l.LengthCM
	}
	on := func(x float64) bool { return finite(x) && x >= 0 && x <= end }
	for _, m := range l.Marks {
		switch {
		case !slices.Contains(markKinds, m.Kind):
			c.ps.add("E_MARK", l.ID, "marks", "%q given, dead, damaged, diseased, borer, rubbing or weak expected", m.Kind)
		case !on(m.AtCM):
			c.ps.add("E_MARK", l.ID, "marks", "%s at %g cm given, a place on the limb's %g cm expected", m.Kind, m.AtCM, end)
		case m.Agent != "" && m.Kind != Diseased:
			c.ps.add("E_MARK", l.ID, "marks", "agent %q given with %s, an agent only with diseased expected", m.Agent, m.Kind)
		case m.Agent != "" && !slices.Contains(agents, m.Agent):
			c.ps.add("E_MARK", l.ID, "marks", "agent %q given, canker, blight, rot or unknown expected", m.Agent)
		case m.Kind == Rubbing && m.Other == "":
			c.ps.add("E_MARK", l.ID, "marks", "rubbing given without the other limb, its name expected")
		case m.Kind != Rubbing && m.Other != "":
			c.ps.add("E_MARK", l.ID, "marks", "another limb given with %s, one only with rubbing expected", m.Kind)
		}
	}
	for _, b := range l.Buds {
		if !on(b.AtCM) || b.RollDeg != nil && !finite(*b.RollDeg) {
			c.ps.add("E_BUD", l.ID, "buds", "a bud at %g cm given, a place on the limb's %g cm expected", b.AtCM, end)
		} else if b.Kind != "" && !slices.Contains(budKinds, b.Kind) {
			c.ps.add("E_BUD", l.ID, "buds", "%q given, a kind of bud expected", b.Kind)
		}
	}
	for _, w := range l.Wounds {
		if !on(w.AtCM) || !finite(w.DMM) || w.DMM <= 0 {
			c.ps.add("E_WOUND", l.ID, "wounds", "a wound of %g mm at %g cm given, above 0 mm on the limb's %g cm expected", w.DMM, w.AtCM, end)
		}
	}
	inside := func(from, to float64) bool { return on(from) && on(to) && from < to }
	for _, s := range l.Spurs {
		if !inside(s.FromCM, s.ToCM) || !finite(s.Count) || s.Count < 0 {
			c.ps.add("E_STRETCH", l.ID, "spurs", "%g spurs from %g to %g cm given, a count on a stretch of the limb's %g cm expected",
				s.Count, s.FromCM, s.ToCM, end)
		}
	}
	for _, g := range l.Gaps {
		if !inside(g.FromCM, g.ToCM) {
			c.ps.add("E_STRETCH", l.ID, "gaps", "from %g to %g cm given, a stretch of the limb's %g cm expected", g.FromCM, g.ToCM, end)
		}
	}
}

// limbsOf checks every limb by itself, in the order of the document, and drops the second of one name.
func (c *checker) limbsOf() []Limb {
	kept := make([]Limb, 0, len(c.doc.Limbs))
	seen := make(map[string]bool, len(c.doc.Limbs))
	for _, in := range c.doc.Limbs {
		switch {
		case in.ID == "":
			c.ps.add("E_ID", "", "id", "a limb without a name given, a name expected")
		case seen[in.ID]:
			c.ps.add("E_DUP_ID", in.ID, "id", "%q given twice, every limb with its own name expected", in.ID)
			continue
		}
		seen[in.ID] = true
		kept = append(kept, c.ownFields(in))
	}
	return kept
}

// tree checks how the limbs hang together; limbs are in the order of the document.
func (c *checker) tree(limbs []Limb, index map[string]int) {
	stems := 0
	for i := range limbs {
		if limbs[i].Parent == "" {
			stems++
		}
	}
	if stems == 0 {
		c.ps.add("E_NO_ROOT", "", "parent", "no stem given, one limb without a parent expected")
	}
	for i := range limbs {
		l := &limbs[i]
		if l.Parent == "" {
			continue
		}
		if _, ok := index[l.Parent]; !ok {
			c.ps.add("E_PARENT", l.ID, "parent", "%q given, a limb of this map expected", l.Parent)
			continue
		}
		steps, at := 0, i
		for limbs[at].Parent != "" && steps <= len(limbs) {
			next, ok := index[limbs[at].Parent]
			if !ok {
				break
			}
			at = next
			steps++
		}
		if steps > len(limbs) {
			c.ps.add("E_CYCLE", l.ID, "parent", "%q hangs on itself by way of %q, a chain that ends at a stem expected", l.ID, l.Parent)
		}
	}
	for i := range limbs {
		c.attachment(limbs, index, &limbs[i])
	}
}

func (c *checker) attachment(limbs []Limb, index map[string]int, l *Limb) {
	if a := l.AttachCM; a != nil && *a < 0 {
		c.ps.add("E_ATTACH", l.ID, "attach_cm", "%g cm given, 0 or more expected", *a)
	}
	p, ok := index[l.Parent]
	if l.Parent == "" || !ok {
		return
	}
	parent := &limbs[p]
	if a, length := l.AttachCM, parent.LengthCM; a != nil && length != nil && *length > 0 {
		if *a > *length+1 {
			c.ps.add("E_ATTACH", l.ID, "attach_cm", "%g cm given, no more than the %g cm of %q expected", *a, *length, parent.ID)
		}
	}
	if d, pd := l.DiameterMM, parent.DiameterMM; d != nil && pd != nil && *d > *pd {
		c.ps.add("E_CHILD_THICKER", l.ID, "diameter_mm", "%g mm given, no more than the %g mm of %q expected", *d, *pd, parent.ID)
	}
	for _, m := range l.Marks {
		if _, known := index[m.Other]; m.Kind == Rubbing && m.Other != "" && !known {
			c.ps.add("E_MARK", l.ID, "marks", "rubbing on %q given, a limb of this map expected", m.Other)
		}
	}
	if s := l.State; s != nil && s.Limb != "" {
		if _, known := index[s.Limb]; !known {
			c.ps.add("E_STATE", l.ID, "state", "%q given, a limb of this map expected", s.Limb)
		}
	}
}

// Check reads a document into a map. All that is wrong is collected; any problem refuses the map.
func Check(doc Doc) (*Map, error) {
	c := checker{doc: &doc}
	kind, err := pomology.BySlug(doc.Species)
	if err != nil || kind.Growth.InternodeCM == 0 {
		c.ps.add("E_SPECIES", "", "species", "%q given, a kind of fruit tree with a growth table expected", doc.Species)
	}
	if doc.Form != "" {
		if _, err := pomology.FormBySlug(doc.Form); err != nil {
			c.ps.add("E_FORM", "", "form", "%q given, a form of the table expected", doc.Form)
		}
	}
	if doc.Season != "" && doc.Season != Dormant && doc.Season != Summer {
		c.ps.add("E_SEASON", "", "season", "%q given, dormant or summer expected", doc.Season)
	}
	if len(doc.Limbs) == 0 {
		c.ps.add("E_EMPTY", "", "limbs", "no limb given, at least the stem expected")
		return nil, c.ps
	}
	if len(doc.Limbs) > MaxLimbs {
		c.ps.add("E_TOO_MANY", "", "limbs", "%d limbs given, no more than %d expected", len(doc.Limbs), MaxLimbs)
		return nil, c.ps
	}
	limbs := c.limbsOf()
	index := make(map[string]int, len(limbs))
	for i := range limbs {
		index[limbs[i].ID] = i
	}
	c.tree(limbs, index)
	if err := c.ps.orNil(); err != nil {
		return nil, err
	}
	return build(doc, kind, limbs, index), nil
}
