package limb

import (
	"fmt"
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
	ps  faults
}

// number returns the value of a field, reading what is no number as missing, and tells.
func (c *checker) number(l *Limb, field string, p *float64) *float64 {
	if p != nil && !finite(*p) {
		c.ps.add("E_NUMBER", l.ID, field, fmt.Sprintf("%v", *p), "a number")
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
		c.ps.add("E_LENGTH", l.ID, "length_cm", "no length", fmt.Sprintf("above 0 to %.0f cm", MaxLengthCM))
	case *l.LengthCM <= 0 || *l.LengthCM > MaxLengthCM:
		c.ps.add("E_LENGTH", l.ID, "length_cm", fmt.Sprintf("%g cm", *l.LengthCM), fmt.Sprintf("above 0 to %.0f cm", MaxLengthCM))
	}
	if d := l.DiameterMM; d != nil && (*d <= 0 || *d > MaxDiameterMM) {
		c.ps.add("E_DIAMETER", l.ID, "diameter_mm", fmt.Sprintf("%g mm", *d), fmt.Sprintf("above 0 to %.0f mm", MaxDiameterMM))
		l.DiameterMM = nil
	}
	if d := l.TipDiameterMM; d != nil && (*d <= 0 || *d > MaxDiameterMM) {
		c.ps.add("E_DIAMETER", l.ID, "tip_diameter_mm", fmt.Sprintf("%g mm", *d), fmt.Sprintf("above 0 to %.0f mm", MaxDiameterMM))
		l.TipDiameterMM = nil
	}
	if a := l.AzimuthDeg; a != nil && (*a < 0 || *a > 360) {
		c.ps.add("E_AZIMUTH", l.ID, "azimuth_deg", fmt.Sprintf("%g degrees", *a), "0 to 360")
	}
	c.angle(l, "angle_base_deg", l.AngleBaseDeg)
	c.angle(l, "angle_tip_deg", l.AngleTipDeg)
	if b := l.BareCM; b != nil && (*b < 0 || *b > MaxLengthCM) {
		c.ps.add("E_STRETCH", l.ID, "bare_cm", fmt.Sprintf("%g cm", *b), fmt.Sprintf("0 to %.0f cm", MaxLengthCM))
		l.BareCM = nil
	}
	if n := l.FruitCount; n != nil && (*n < 0 || *n > mostFruit) {
		c.ps.add("E_NUMBER", l.ID, "fruit_count", fmt.Sprintf("%g", *n), fmt.Sprintf("0 to %d", mostFruit))
	}
	if n := l.OwnD2MM2; n != nil && (*n < 0 || *n > MaxDiameterMM*MaxDiameterMM) {
		c.ps.add("E_NUMBER", l.ID, "own_d2_mm2", fmt.Sprintf("%g", *n), fmt.Sprintf("0 to %.0f", MaxDiameterMM*MaxDiameterMM))
	}
	c.foot(l, "x_cm", l.XCM)
	c.foot(l, "y_cm", l.YCM)
	if l.TipDiameterMM != nil && l.DiameterMM != nil && *l.TipDiameterMM > *l.DiameterMM {
		c.ps.add("E_TIP_THICKER", l.ID, "tip_diameter_mm", fmt.Sprintf("%g mm at the tip", *l.TipDiameterMM), fmt.Sprintf("no more than the %g mm of the base", *l.DiameterMM))
	}
}

// state is a number that growth wrote down of itself.
func (c *checker) state(field string, x *float64) {
	if x != nil && (!finite(*x) || *x < 0 || *x > maxState) {
		c.ps.add("E_NUMBER", "", field, fmt.Sprint(*x), fmt.Sprintf("0 to %g", maxState))
	}
}

func (c *checker) foot(l *Limb, field string, at *float64) {
	if at != nil && math.Abs(*at) > MaxFootCM {
		c.ps.add("E_FOOT", l.ID, field, fmt.Sprintf("%g cm", *at), fmt.Sprintf("a stem within %d cm of the tree's middle", MaxFootCM))
	}
}

func (c *checker) angle(l *Limb, field string, a *float64) {
	if a != nil && (*a < 0 || *a > 180) {
		c.ps.add("E_ANGLE", l.ID, field, fmt.Sprintf("%g degrees", *a), "0 (up) to 180 (down)")
	}
}

func (c *checker) rings(l *Limb) {
	if l.RingsCM == nil {
		return
	}
	if len(l.RingsCM) == 0 {
		c.ps.add("E_RINGS", l.ID, "rings_cm", "an empty list", "a length for each season")
		return
	}
	if len(l.RingsCM) > MaxRings {
		c.ps.add("E_RINGS", l.ID, "rings_cm", fmt.Sprintf("%d seasons", len(l.RingsCM)), fmt.Sprintf("no more than %d", MaxRings))
		return
	}
	sum := 0.0
	for i, r := range l.RingsCM {
		if !finite(r) || r < 0 {
			c.ps.add("E_RINGS", l.ID, "rings_cm", fmt.Sprintf("%g cm in season %d", r, i+1), "0 or more")
			return
		}
		sum += r
	}
	if l.LengthCM == nil || *l.LengthCM == 0 {
		return
	}
	if math.Abs(sum-*l.LengthCM) > ringTolerance(*l.LengthCM) || sum <= 0 {
		c.ps.add("E_RINGS", l.ID, "rings_cm", fmt.Sprintf("the seasons add up to %.1f cm", sum), fmt.Sprintf("the length of %.1f cm", *l.LengthCM))
	}
}

func (c *checker) words(l *Limb) {
	if l.Tip != "" && l.Tip != Growing && l.Tip != Cut && l.Tip != DeadTip {
		c.ps.add("E_TIP", l.ID, "tip", fmt.Sprintf("%q", l.Tip), "growing, cut or dead")
		l.Tip = ""
	}
	for _, t := range l.Tags {
		if !slices.Contains(tags, t) {
			c.ps.add("E_TAG", l.ID, "tags", fmt.Sprintf("%q", t), "one of keep, favour, bark, leader, set")
		}
	}
	if !slices.Contains(devices, l.Device) {
		c.ps.add("E_DEVICE", l.ID, "device", fmt.Sprintf("%q", l.Device), "none, bend, weight, spreader or tie")
	}
	if s := l.State; s != nil {
		if !slices.ContainsFunc(stateKinds, func(k StateKind) bool { return k.Kind == s.Kind }) {
			c.ps.add("E_STATE", l.ID, "state", fmt.Sprintf("%q", s.Kind), "a state of a limb")
		}
		if s.Kind == "successor" && s.Limb == "" {
			c.ps.add("E_STATE", l.ID, "state", "no limb named", "the limb that follows")
		}
	}
	for _, field := range slices.Sorted(maps.Keys(l.Sources)) {
		if s := l.Sources[field]; s != Measured && s != Estimated && s != Predicted {
			c.ps.add("E_SOURCE", l.ID, "sources", fmt.Sprintf("%q for %s", s, field), "measured, estimated or predicted")
		}
	}
	if s := l.Source; s != "" && s != Measured && s != Estimated && s != Predicted {
		c.ps.add("E_SOURCE", l.ID, "source", fmt.Sprintf("%q", s), "measured, estimated or predicted")
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
			c.ps.add("E_MARK", l.ID, "marks", fmt.Sprintf("%q", m.Kind), "dead, damaged, diseased, borer, rubbing or weak")
		case !on(m.AtCM):
			c.ps.add("E_MARK", l.ID, "marks", fmt.Sprintf("%s at %g cm", m.Kind, m.AtCM), fmt.Sprintf("a place on the limb's %g cm", end))
		case m.Agent != "" && m.Kind != Diseased:
			c.ps.add("E_MARK", l.ID, "marks", fmt.Sprintf("agent %q with %s", m.Agent, m.Kind), "an agent only with diseased")
		case m.Agent != "" && !slices.Contains(agents, m.Agent):
			c.ps.add("E_MARK", l.ID, "marks", fmt.Sprintf("agent %q", m.Agent), "canker, blight, rot or unknown")
		case m.Kind == Rubbing && m.Other == "":
			c.ps.add("E_MARK", l.ID, "marks", "rubbing without the other limb", "its name")
		case m.Kind != Rubbing && m.Other != "":
			c.ps.add("E_MARK", l.ID, "marks", fmt.Sprintf("another limb with %s", m.Kind), "one only with rubbing")
		}
	}
	for _, b := range l.Buds {
		if !on(b.AtCM) || b.RollDeg != nil && !finite(*b.RollDeg) {
			c.ps.add("E_BUD", l.ID, "buds", fmt.Sprintf("a bud at %g cm", b.AtCM), fmt.Sprintf("a place on the limb's %g cm", end))
		} else if b.Kind != "" && !slices.Contains(budKinds, b.Kind) {
			c.ps.add("E_BUD", l.ID, "buds", fmt.Sprintf("%q", b.Kind), "a kind of bud")
		}
	}
	for _, w := range l.Wounds {
		if !on(w.AtCM) || !finite(w.DMM) || w.DMM <= 0 || w.DMM > MaxDiameterMM {
			c.ps.add("E_WOUND", l.ID, "wounds", fmt.Sprintf("a wound of %g mm at %g cm", w.DMM, w.AtCM), fmt.Sprintf("above 0 mm on the limb's %g cm", end))
		}
	}
	inside := func(from, to float64) bool { return on(from) && on(to) && from < to }
	for _, s := range l.Spurs {
		if !inside(s.FromCM, s.ToCM) || !finite(s.Count) || s.Count < 0 || s.Count > mostFruit {
			c.ps.add("E_STRETCH", l.ID, "spurs", fmt.Sprintf("%g spurs from %g to %g cm", s.Count, s.FromCM, s.ToCM), fmt.Sprintf("a count on a stretch of the limb's %g cm", end))
		}
	}
	for _, g := range l.Gaps {
		if !inside(g.FromCM, g.ToCM) {
			c.ps.add("E_STRETCH", l.ID, "gaps", fmt.Sprintf("from %g to %g cm", g.FromCM, g.ToCM), fmt.Sprintf("a stretch of the limb's %g cm", end))
		}
	}
}

// room is how long a limb's texts and lists may be.
var room = []struct {
	what string
	most int
	of   func(*Limb) int
}{
	{"id", mostID, func(l *Limb) int { return len(l.ID) }},
	{"note", 2000, func(l *Limb) int { return len(l.Note) }},
	{"marks", 100, func(l *Limb) int { return len(l.Marks) }},
	{"buds", 1000, func(l *Limb) int { return len(l.Buds) }},
	{"tags", 20, func(l *Limb) int { return len(l.Tags) }},
	{"wounds", 200, func(l *Limb) int { return len(l.Wounds) }},
	{"spurs", 200, func(l *Limb) int { return len(l.Spurs) }},
	{"gaps", 200, func(l *Limb) int { return len(l.Gaps) }},
}

const (
	maxAge    = 1000
	maxYear   = 2200
	maxState  = 1e6
	mostID    = 60
	mostFruit = 100000 // or spurs, on a limb
)

// fits tells a text or list of a limb that is longer than it may be, and takes it out.
func (c *checker) fits(l *Limb) {
	id := shortened(l.ID)
	for _, r := range room {
		if n := r.of(l); n > r.most {
			c.ps.add("E_TOO_MANY", id, r.what, fmt.Sprint(n), fmt.Sprintf("no more than %d", r.most))
			l.Note, l.Marks, l.Buds, l.Tags, l.Wounds, l.Spurs, l.Gaps = "", nil, nil, nil, nil, nil, nil
		}
	}
	l.ID = id
}

func shortened(id string) string { return id[:min(len(id), mostID)] }

// limbsOf checks every limb by itself, in the order of the document, and drops the second of one name.
func (c *checker) limbsOf() []Limb {
	kept := make([]Limb, 0, len(c.doc.Limbs))
	seen := make(map[string]bool, len(c.doc.Limbs))
	for _, in := range c.doc.Limbs {
		switch {
		case in.ID == "":
			c.ps.add("E_ID", "", "id", "a limb without a name", "a name")
		case seen[in.ID]:
			c.ps.add("E_DUP_ID", in.ID, "id", fmt.Sprintf("%q twice", in.ID), "every limb with its own name")
			continue
		}
		seen[in.ID] = true
		c.fits(&in)
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
		c.ps.add("E_NO_ROOT", "", "parent", "no stem", "one limb without a parent")
	}
	for i := range limbs {
		l := &limbs[i]
		if l.Parent == "" {
			continue
		}
		if _, ok := index[l.Parent]; !ok {
			c.ps.add("E_PARENT", l.ID, "parent", fmt.Sprintf("%q", l.Parent), "a limb of this map")
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
		if steps > MaxDepth && steps <= len(limbs) {
			c.ps.add("E_DEPTH", l.ID, "parent", fmt.Sprintf("%d limbs one on another", steps), fmt.Sprintf("no more than %d", MaxDepth))
			return // those behind it are as deep
		}
		if steps > len(limbs) {
			c.ps.add("E_CYCLE", l.ID, "parent", fmt.Sprintf("%q hangs on itself by way of %q", l.ID, l.Parent), "a chain that ends at a stem")
		}
	}
	for i := range limbs {
		c.attachment(limbs, index, &limbs[i])
	}
}

func (c *checker) attachment(limbs []Limb, index map[string]int, l *Limb) {
	if a := l.AttachCM; a != nil && *a < 0 {
		c.ps.add("E_ATTACH", l.ID, "attach_cm", fmt.Sprintf("%g cm", *a), "0 or more")
	}
	if a := l.AttachCM; a != nil && l.Parent == "" && *a > MaxFootCM {
		c.ps.add("E_ATTACH", l.ID, "attach_cm", fmt.Sprintf("%g cm", *a), fmt.Sprintf("a stem that starts within %d cm of the ground", MaxFootCM))
	}
	p, ok := index[l.Parent]
	if l.Parent == "" || !ok {
		return
	}
	parent := &limbs[p]
	if a, length := l.AttachCM, parent.LengthCM; a != nil && length != nil && *length > 0 {
		if *a > *length+1 {
			c.ps.add("E_ATTACH", l.ID, "attach_cm", fmt.Sprintf("%g cm", *a), fmt.Sprintf("no more than the %g cm of %q", *length, parent.ID))
		}
	}
	if d, pd := l.DiameterMM, parent.DiameterMM; d != nil && pd != nil && *d > *pd {
		c.ps.add("E_CHILD_THICKER", l.ID, "diameter_mm", fmt.Sprintf("%g mm", *d), fmt.Sprintf("no more than the %g mm of %q", *pd, parent.ID))
	}
	for _, m := range l.Marks {
		if _, known := index[m.Other]; m.Kind == Rubbing && m.Other != "" && !known {
			c.ps.add("E_MARK", l.ID, "marks", fmt.Sprintf("rubbing on %q", m.Other), "a limb of this map")
		}
	}
	if s := l.State; s != nil && s.Limb != "" {
		if _, known := index[s.Limb]; !known {
			c.ps.add("E_STATE", l.ID, "state", fmt.Sprintf("%q", s.Limb), "a limb of this map")
		}
	}
}

// Check reads a document into a map. All that is wrong is collected; any problem refuses the map.
func Check(doc Doc) (*Map, error) {
	c := checker{doc: &doc}
	kind, err := pomology.BySlug(doc.Species)
	if err != nil || kind.Growth.InternodeCM == 0 {
		c.ps.add("E_SPECIES", "", "species", fmt.Sprintf("%q", doc.Species), "a kind of fruit tree with a growth table")
	}
	if doc.Form != "" {
		if _, err := pomology.FormBySlug(doc.Form); err != nil {
			c.ps.add("E_FORM", "", "form", fmt.Sprintf("%q", doc.Form), "a form of the table")
		}
	}
	if doc.Age < 0 || doc.Age > maxAge {
		c.ps.add("E_NUMBER", "", "age", fmt.Sprint(doc.Age), fmt.Sprintf("0 to %d", maxAge))
	}
	if doc.Year < 0 || doc.Year > maxYear {
		c.ps.add("E_NUMBER", "", "year", fmt.Sprint(doc.Year), fmt.Sprintf("0 to %d", maxYear))
	}
	c.state("rref", doc.RRef)
	c.state("reff", doc.REff)
	c.state("vig", doc.Vig)
	if doc.Season != "" && doc.Season != Dormant && doc.Season != Summer {
		c.ps.add("E_SEASON", "", "season", fmt.Sprintf("%q", doc.Season), "dormant or summer")
	}
	if len(doc.Limbs) == 0 {
		c.ps.add("E_EMPTY", "", "limbs", "no limb", "at least the stem")
		return nil, c.ps.orNil()
	}
	if len(doc.Limbs) > MaxLimbs {
		c.ps.add("E_TOO_MANY", "", "limbs", fmt.Sprintf("%d limbs", len(doc.Limbs)), fmt.Sprintf("no more than %d", MaxLimbs))
		return nil, c.ps.orNil()
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
