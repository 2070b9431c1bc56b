package limb

import (
	"fmt"
	"maps"
	"math"
	"slices"
	"strconv"
)

// Edit is one change a person makes to a map. Op says what; the other fields what it needs.
//
//	add     a new limb, in Limb
//	set     numbers, words or lists of a limb, those given in Limb; fields named in Clear are forgotten
//	tip     the limb's end moved to a place, in Tip; its curve stays
//	move    the limb attached elsewhere: Parent, AttachCM
//	remove  a limb entered by mistake, with all it carries; leaves no wound
//	mark, unmark   Mark
//	tag, untag     Tag
//	state   State; none: released
//	bud     a bud that was looked at, in Bud
//	cut     cut off at AtCM; leaves a wound
type Edit struct {
	Op       string      `json:"op" enum:"add,set,tip,move,remove,mark,unmark,tag,untag,state,bud,cut"`
	ID       string      `json:"id,omitempty" doc:"the limb" maxLength:"100"`
	Limb     *Limb       `json:"limb,omitempty"`
	Clear    []string    `json:"clear,omitempty" nullable:"false" maxItems:"40" maxLength:"40"`
	By       Source      `json:"by,omitempty" enum:"measured,estimated" doc:"how the numbers came; empty: measured"`
	Tip      *[3]float64 `json:"tip,omitempty" doc:"x east, y north, z up, cm" minimum:"-2500" maximum:"2500"`
	Parent   string      `json:"parent,omitempty" maxLength:"100"`
	AttachCM *float64    `json:"attach_cm,omitempty" minimum:"0" maximum:"2500"`
	Mark     *Mark       `json:"mark,omitempty"`
	Tag      string      `json:"tag,omitempty" maxLength:"40"`
	State    *State      `json:"state,omitempty"`
	Bud      *SeenBud    `json:"bud,omitempty"`
	AtCM     *float64    `json:"at_cm,omitempty" minimum:"0" maximum:"2500"`
}

// edits by their op.
var edits = map[string]func(*Doc, *Limb, Edit) error{
	"add": addLimb, "set": setFields, "tip": moveTip, "move": moveBase, "remove": removeLimb, "mark": addMark, "unmark": takeMark,
	"tag": addTag, "untag": takeTag, "state": setState, "bud": seeBud, "cut": cutOff,
}

// Apply makes edits, in order, on a copy of a document. The error is given.Faults and then nothing was changed.
func Apply(doc Doc, list ...Edit) (Doc, error) {
	out := clone(doc)
	for _, e := range list {
		do, ok := edits[e.Op]
		if !ok {
			return doc, one("E_EDIT", e.ID, "op", strconv.Quote(string(e.Op)), "an edit of a limb")
		}
		var l *Limb
		if e.Op != "add" {
			if l = out.Find(e.ID); l == nil {
				return doc, one("E_LIMB", e.ID, "id", strconv.Quote(e.ID), "a limb of this map")
			}
		}
		if err := do(&out, l, e); err != nil {
			return doc, err
		}
	}
	if _, err := Check(out); err != nil {
		return doc, err
	}
	return out, nil
}

func clone(doc Doc) Doc {
	doc.Limbs = slices.Clone(doc.Limbs)
	for i := range doc.Limbs {
		l := &doc.Limbs[i]
		l.Sources = maps.Clone(l.Sources)
		l.RingsCM, l.Marks, l.Buds, l.Tags = slices.Clone(l.RingsCM), slices.Clone(l.Marks), slices.Clone(l.Buds), slices.Clone(l.Tags)
		l.Wounds, l.Spurs, l.Gaps = slices.Clone(l.Wounds), slices.Clone(l.Spurs), slices.Clone(l.Gaps)
	}
	return doc
}

func withSource(have map[string]Source, field string, s Source) map[string]Source {
	out := maps.Clone(have)
	if out == nil {
		out = map[string]Source{}
	}
	out[field] = s
	return out
}

// know writes down where a field's value came from.
func (l *Limb) know(field string, by Source) {
	if by == "" {
		by = Measured
	}
	l.Sources = withSource(l.Sources, field, by)
}

func missing(e Edit, field string) error {
	return one("E_EDIT", e.ID, field, "nothing", fmt.Sprintf("%s for %s", field, e.Op))
}

// NextID is a free name for a limb on a parent: S1, S2 … on a stem, T, T2 … for stems, else the parent's name with a
// number.
func NextID(doc Doc, parent string) string {
	taken := make(map[string]bool, len(doc.Limbs))
	for i := range doc.Limbs {
		taken[doc.Limbs[i].ID] = true
	}
	stem := "T"
	switch p := doc.Find(parent); {
	case parent == "":
		if !taken[stem] {
			return stem
		}
	case p != nil && p.Parent == "":
		stem = "S"
	default:
		stem = parent + "."
	}
	for n := 1; ; n++ {
		if id := stem + strconv.Itoa(n); !taken[id] {
			return id
		}
	}
}

func addLimb(doc *Doc, _ *Limb, e Edit) error {
	if e.Limb == nil {
		return missing(e, "limb")
	}
	l := *e.Limb
	if l.ID == "" {
		l.ID = NextID(*doc, l.Parent)
	}
	if l.Source == "" {
		l.Source = e.By
	}
	doc.Limbs = append(doc.Limbs, l)
	giveWay(doc, l.ID)
	return nil
}

// numbers are the fields of a limb that hold one number.
func (l *Limb) numbers() map[string]**float64 {
	return map[string]**float64{
		"attach_cm": &l.AttachCM, "x_cm": &l.XCM, "y_cm": &l.YCM, "azimuth_deg": &l.AzimuthDeg, "angle_base_deg": &l.AngleBaseDeg,
		"angle_tip_deg": &l.AngleTipDeg, "length_cm": &l.LengthCM, "diameter_mm": &l.DiameterMM, "tip_diameter_mm": &l.TipDiameterMM,
		"bare_cm": &l.BareCM, "fruit_count": &l.FruitCount, "toward_deg": &l.TowardDeg,
	}
}

func setFields(doc *Doc, l *Limb, e Edit) error {
	if e.Limb == nil && len(e.Clear) == 0 {
		return missing(e, "limb")
	}
	if e.Limb != nil {
		in := *e.Limb
		if in.LengthCM == nil && in.RingsCM != nil {
			sum := 0.0
			for _, r := range in.RingsCM {
				sum += r
			}
			in.LengthCM = &sum
		}
		if in.LengthCM != nil && *in.LengthCM > 0 {
			stretch(doc, l, *in.LengthCM)
		}
		from := in.numbers()
		for _, f := range slices.Sorted(maps.Keys(from)) {
			if v := *from[f]; v != nil {
				*l.numbers()[f] = v
				l.know(f, e.By)
			}
		}
		if in.RingsCM != nil {
			l.RingsCM = in.RingsCM
			l.know("rings_cm", e.By)
		}
		setWords(l, in)
		if in.DiameterMM != nil || in.LengthCM != nil {
			l.OwnD2MM2 = nil
		}
	}
	for _, f := range e.Clear {
		if err := clearField(l, f); err != nil {
			return err
		}
	}
	giveWay(doc, l.ID)
	return nil
}

func setWords(l *Limb, in Limb) {
	if in.Tip != "" {
		l.Tip = in.Tip
	}
	if in.Device != "" {
		l.Device = in.Device
	}
	if in.Note != "" {
		l.Note = in.Note
	}
	if in.Spurs != nil {
		l.Spurs = in.Spurs
	}
	if in.Gaps != nil {
		l.Gaps = in.Gaps
	}
	if in.Wounds != nil {
		l.Wounds = in.Wounds
	}
	l.Sucker, l.Sprout = l.Sucker || in.Sucker, l.Sprout || in.Sprout
}

func clearField(l *Limb, f string) error {
	switch f {
	case "sucker":
		l.Sucker = false
	case "sprout":
		l.Sprout = false
	case "note":
		l.Note = ""
	case "device":
		l.Device = ""
	case "spurs":
		l.Spurs = nil
	case "gaps":
		l.Gaps = nil
	case "wounds":
		l.Wounds = nil
	case "buds":
		l.Buds = nil
	case "rings_cm":
		l.RingsCM = nil
	default:
		p, ok := l.numbers()[f]
		if !ok || f == "length_cm" {
			return one("E_EDIT", l.ID, "clear", strconv.Quote(f), "a field that may be unknown")
		}
		*p = nil
	}
	delete(l.Sources, f)
	return nil
}

// moveTip brings a limb's end to a place. The curve between its base and tip stays as bent as it is.
func moveTip(doc *Doc, l *Limb, e Edit) error {
	if e.Tip == nil {
		return missing(e, "tip")
	}
	m, err := Check(*doc)
	if err != nil {
		return err
	}
	i := m.Index(l.ID)
	a := &m.Axes[i]
	v := Vec{e.Tip[0], e.Tip[1], e.Tip[2]}.Sub(m.Base(i))
	chord := v.Len()
	if !finite(chord) || chord < 1 {
		return one("E_EDIT", l.ID, "tip", "a tip at the limb's own base", "one at least 1 cm away")
	}
	bend := a.A1 - a.A0
	h := bend / 2 * rad
	k := 1.0
	if math.Abs(h) >= 1e-4 {
		k = math.Sin(h) / h
	}
	mid := math.Acos(clamp(v.Z/chord, -1, 1)) / rad
	az := a.Azimuth
	if math.Hypot(v.X, v.Y) > 0.5 {
		az = mod360(math.Atan2(v.X, v.Y) / rad)
	}
	length := math.Round(chord/k*10) / 10
	to := func(x float64) *float64 { return Of(math.Round(clamp(x, 0, 180)*10) / 10) }
	by := e.By
	if by == "" {
		by = Estimated // a drag on a drawing is no tape
	}
	return setFields(doc, l, Edit{Op: "set", ID: l.ID, By: by, Limb: &Limb{
		AzimuthDeg: Of(math.Round(az*10) / 10), AngleBaseDeg: to(mid - bend/2), AngleTipDeg: to(mid + bend/2), LengthCM: &length,
	}})
}

func moveBase(doc *Doc, l *Limb, e Edit) error {
	if e.AttachCM == nil {
		return missing(e, "attach_cm")
	}
	if e.Parent != "" {
		l.Parent = e.Parent
	}
	l.AttachCM = e.AttachCM
	by := e.By
	if by == "" {
		by = Estimated
	}
	l.know("attach_cm", by)
	giveWay(doc, l.ID)
	return nil
}

func removeLimb(doc *Doc, l *Limb, _ Edit) error {
	gone := map[string]bool{l.ID: true}
	for range doc.Limbs {
		for i := range doc.Limbs {
			if gone[doc.Limbs[i].Parent] {
				gone[doc.Limbs[i].ID] = true
			}
		}
	}
	doc.Limbs = slices.DeleteFunc(doc.Limbs, func(o Limb) bool { return gone[o.ID] })
	for i := range doc.Limbs {
		o := &doc.Limbs[i]
		o.Marks = slices.DeleteFunc(o.Marks, func(k Mark) bool { return gone[k.Other] })
		if o.State != nil && gone[o.State.Limb] {
			o.State = nil
		}
	}
	return nil
}

func cutOff(doc *Doc, _ *Limb, e Edit) error {
	if e.AtCM == nil {
		return missing(e, "at_cm")
	}
	m, err := Check(*doc)
	if err != nil {
		return err
	}
	kind := AboveBud
	if *e.AtCM <= 0 {
		kind = Collar
	}
	cut, err := m.Cut(CutAt{Limb: e.ID, Kind: kind, AtCM: *e.AtCM})
	if err != nil {
		return err
	}
	*doc = cut.Doc()
	return nil
}
