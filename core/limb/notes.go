package limb

import (
	"math"
	"slices"

	"vertumna/core/pomology"
)

func addMark(_ *Doc, l *Limb, e Edit) error {
	if e.Mark == nil {
		return missing(e, "mark")
	}
	if !slices.Contains(l.Marks, *e.Mark) {
		l.Marks = append(l.Marks, *e.Mark)
	}
	return nil
}

func takeMark(_ *Doc, l *Limb, e Edit) error {
	if e.Mark == nil {
		return missing(e, "mark")
	}
	l.Marks = slices.DeleteFunc(l.Marks, func(k Mark) bool { return k.Kind == e.Mark.Kind && k.Other == e.Mark.Other })
	return nil
}

// leaderless are the forms in which no limb leads.
var leaderless = map[pomology.FormSlug]bool{pomology.OpenVase: true, pomology.LowBush: true, pomology.FlatFan: true, pomology.StepOver: true, pomology.Shrub: true, pomology.FourArm: true}

func addTag(doc *Doc, l *Limb, e Edit) error {
	if e.Tag == "" {
		return missing(e, "tag")
	}
	if e.Tag == Leader && leaderless[doc.Form] {
		return one("E_LEADER", e.ID, "tag", "a leader on the form "+string(doc.Form), "a form that has one: a vase that keeps its leader is a late leader")
	}
	if e.Tag == Leader { // one leads
		for i := range doc.Limbs {
			doc.Limbs[i].Tags = slices.DeleteFunc(doc.Limbs[i].Tags, func(t string) bool { return t == Leader })
		}
	}
	if !slices.Contains(l.Tags, e.Tag) {
		l.Tags = append(l.Tags, e.Tag)
	}
	return nil
}

func takeTag(_ *Doc, l *Limb, e Edit) error {
	l.Tags = slices.DeleteFunc(l.Tags, func(t string) bool { return t == e.Tag })
	return nil
}

func setState(_ *Doc, l *Limb, e Edit) error {
	l.State = e.State
	return nil
}

// seeBud writes down a bud that was looked at; one seen there before is replaced, field by field.
func seeBud(_ *Doc, l *Limb, e Edit) error {
	if e.Bud == nil {
		return missing(e, "bud")
	}
	for i := range l.Buds {
		if math.Abs(l.Buds[i].AtCM-e.Bud.AtCM) < 0.2 {
			if e.Bud.RollDeg != nil {
				l.Buds[i].RollDeg = e.Bud.RollDeg
			}
			if e.Bud.Kind != "" {
				l.Buds[i].Kind = e.Bud.Kind
			}
			return nil
		}
	}
	l.Buds = append(l.Buds, *e.Bud)
	return nil
}
