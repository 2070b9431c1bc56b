package quickline

import (
	"math"
	"slices"
	"strings"

	"vertumna/core/limb"
)

// goneWords say that a limb is there no more: on the map by mistake, or fallen.
var goneWords = []string{"remove", "removed", "delete", "gone", "missing"}

// How far a main limb may point from the direction said, and how much nearer than the next it must be, degrees; ours.
const (
	pointsWithin = 60.0
	nearerBy     = 8.0
)

// byDirection reads the north limb, the south-west scaffold: the main limb that points there.
func (r *reader) byDirection() bool {
	first := r.at
	reads := len(r.out.Reads)
	if r.subject != "" || r.azimuth != nil || !r.compass(first) {
		return false
	}
	az := *r.azimuth
	if !slices.Contains([]string{"limb", "scaffold", "branch", "one", "main", "arm"}, r.peek(0).text) {
		r.at, r.azimuth, r.out.Reads = first, nil, r.out.Reads[:reads] // a direction, and no limb
		return false
	}
	r.azimuth, r.out.Reads = nil, r.out.Reads[:reads]
	r.at++
	if r.peek(0).text == "limb" {
		r.at++
	}
	found := r.pointing(az)
	switch {
	case len(found) == 0:
		r.fault(r.in[first], "a direction that a main limb points to")
	case len(found) > 1:
		r.fault(r.in[first], "one limb: "+strings.Join(found, " and ")+" both point there; say which")
	default:
		r.subject = found[0]
		r.read("limb", 0, r.subject, first)
	}
	return true
}

// pointing are the main limbs that point to a bearing: the nearest, and those about as near.
func (r *reader) pointing(az float64) []string {
	type near struct {
		id  string
		off float64
	}
	var all []near
	for i := range r.doc.Limbs {
		l := &r.doc.Limbs[i]
		carrier := r.doc.Find(l.Parent)
		if carrier == nil || carrier.Parent != "" || l.AzimuthDeg == nil {
			continue
		}
		off := math.Abs(math.Mod(*l.AzimuthDeg-az+540, 360) - 180)
		if off <= pointsWithin && !slices.ContainsFunc(l.Marks, func(m limb.Mark) bool { return m.Kind == limb.Dead && m.AtCM <= 0 }) {
			all = append(all, near{l.ID, off})
		}
	}
	slices.SortStableFunc(all, func(a, b near) int {
		if a.off < b.off {
			return -1
		}
		if a.off > b.off {
			return 1
		}
		return 0
	})
	var out []string
	for _, n := range all {
		if n.off-all[0].off < nearerBy {
			out = append(out, n.id)
		}
	}
	return out
}

// isGone reads remove S4.5, S4.5 gone.
func (r *reader) isGone() bool {
	if !slices.Contains(goneWords, r.peek(0).text) {
		return false
	}
	first := r.at
	r.at++
	r.gone = true
	r.read("gone", 1, "", first)
	return true
}

// takeOff takes the limb a line is about off the map, with what it carries.
func (r *reader) takeOff(selected string) {
	id := r.subject
	if id == "" {
		id = selected
	}
	end := token{start: len(r.line), end: len(r.line)}
	switch l := r.doc.Find(id); {
	case l == nil:
		r.fault(end, "a limb of the map to take off, as remove S2.3")
	case l.Parent == "":
		r.fault(end, "a limb on the trunk, not the trunk itself")
	case r.hasNumbers() || r.count > 0 || len(r.marks) > 0:
		r.fault(end, "nothing more about a limb that is gone")
	default:
		r.edit(limb.Edit{Op: "remove", ID: l.ID})
	}
}
