package quickline

import (
	"math"

	"vertumna/core/limb"
)

// finish turns what was read into edits: a limb corrected, a new one, or several shoots.
func (r *reader) finish(selected string) {
	end := token{start: len(r.line), end: len(r.line)}
	if r.gone {
		r.takeOff(selected)
		return
	}
	if r.count > 0 {
		r.shoots(selected, end)
		return
	}
	existing := r.doc.Find(r.subject)
	if r.subject == "" && r.parent == "" && selected != "" && r.attach == nil {
		existing = r.doc.Find(selected) // numbers alone correct the limb in hand
	}
	if existing != nil {
		r.correct(existing)
		return
	}
	r.addOne(selected, end)
}

func (r *reader) fields(l *limb.Limb) {
	l.AttachCM, l.AzimuthDeg, l.LengthCM, l.DiameterMM = r.attach, r.azimuth, r.length, r.thick
	l.AngleBaseDeg, l.AngleTipDeg = r.angle, r.tipAngle
	l.Sprout, l.Sucker = r.sprout, r.sucker
	if r.cut {
		l.Tip = limb.Cut
	}
}

// ringsOf parts a length into the seasons said.
func ringsOf(length float64, years int) []float64 {
	out := make([]float64, years)
	for k := range out {
		out[k] = length / float64(years)
	}
	return out
}

func (r *reader) correct(l *limb.Limb) {
	var in limb.Limb
	r.fields(&in)
	if r.years > 0 {
		length := r.length
		if length == nil {
			length = l.LengthCM
		}
		in.RingsCM, in.LengthCM = ringsOf(*length, r.years), length
	}
	if r.angle != nil && r.tipAngle == nil && l.AngleBaseDeg != nil && l.AngleTipDeg != nil { // the curve stays
		tip := math.Max(0, math.Min(180, *l.AngleTipDeg+*r.angle-*l.AngleBaseDeg))
		in.AngleTipDeg = &tip
	}
	if r.hasNumbers() {
		r.edit(limb.Edit{Op: "set", ID: l.ID, Limb: &in})
	}
	if r.parent != "" && r.parent != l.Parent {
		at := r.attach
		if at == nil {
			at = l.AttachCM
		}
		r.edit(limb.Edit{Op: "move", ID: l.ID, Parent: r.parent, AttachCM: at, By: limb.Measured})
	}
	r.mark(l.ID)
	if len(r.out.Edits) == 0 {
		r.fault(token{start: len(r.line), end: len(r.line)}, "what to change on "+l.ID)
	}
}

func (r *reader) hasNumbers() bool {
	return r.attach != nil || r.azimuth != nil || r.length != nil || r.thick != nil || r.angle != nil || r.tipAngle != nil || r.years > 0 ||
		r.sprout || r.sucker || r.cut
}

func (r *reader) edit(e limb.Edit) { r.out.Edits = append(r.out.Edits, e) }

func (r *reader) mark(id string) {
	for k := range r.marks {
		r.edit(limb.Edit{Op: "mark", ID: id, Mark: &r.marks[k]})
	}
}

func (r *reader) addOne(selected string, end token) {
	parent := r.host(selected)
	l := limb.Limb{ID: r.subject, Parent: parent}
	r.fields(&l)
	stem := len(r.subject) > 0 && r.subject[0] == 'T'
	if stem {
		l.Parent = ""
	}
	switch {
	case l.Parent == "" && !stem:
		r.fault(end, "the limb that carries it, as on S1")
	case r.length == nil:
		r.fault(end, "how long it is, as 120 long")
	case r.attach == nil && !stem:
		r.fault(end, "where it starts, as from 60 cm")
	}
	if len(r.out.Faults) > 0 {
		return
	}
	if l.ID == "" {
		l.ID = limb.NextID(r.doc, l.Parent)
	}
	if r.years > 0 {
		l.RingsCM = ringsOf(*r.length, r.years)
	}
	r.edit(limb.Edit{Op: "add", ID: l.ID, Limb: &l})
	r.mark(l.ID)
}

// host is the limb that carries what the line adds.
func (r *reader) host(selected string) string {
	if r.parent != "" {
		return r.parent
	}
	if r.subject != "" && r.subject[0] == 'S' && len(r.subject) > 1 { // a scaffold hangs on the trunk
		for i := range r.doc.Limbs {
			if r.doc.Limbs[i].Parent == "" {
				return r.doc.Limbs[i].ID
			}
		}
	}
	return selected
}

// Several shoots at once: their angle and turn from the limb that carries them (our estimates of how laterals stand).
const (
	shootAngle = 50.0
	shootTurn  = 55.0
)

// shoots adds several at once, evenly along a stretch of their host, right and left by turns.
func (r *reader) shoots(selected string, end token) {
	hostID := r.parent
	if hostID == "" {
		hostID = r.subject
	}
	if hostID == "" {
		hostID = selected
	}
	host := r.doc.Find(hostID)
	switch {
	case host == nil || host.LengthCM == nil:
		r.fault(end, "the limb that carries them, as on S1")
	case r.length == nil:
		r.fault(end, "how long they are, as 60 cm")
	}
	if len(r.out.Faults) > 0 {
		return
	}
	m, err := limb.Check(r.doc)
	if err != nil {
		return
	}
	from, to := r.from, r.to
	if to == 0 {
		from, to = 0, 1
	}
	i := m.Index(host.ID)
	doc := r.doc
	for k := range r.count {
		at := math.Round(10**host.LengthCM*(from+(to-from)*(float64(k)+0.5)/float64(r.count))) / 10
		turn := shootTurn
		if k%2 == 1 {
			turn = -shootTurn
		}
		az := math.Mod(m.Axes[i].Azimuth+turn+360, 360)
		if r.azimuth != nil {
			az = *r.azimuth
		}
		angle := shootAngle
		if r.angle != nil {
			angle = *r.angle
		}
		years := max(1, r.years)
		l := limb.Limb{
			ID: limb.NextID(doc, host.ID), Parent: host.ID, AttachCM: limb.Of(at), AzimuthDeg: limb.Of(az), AngleBaseDeg: limb.Of(angle),
			AngleTipDeg: r.tipAngle, LengthCM: limb.Of(*r.length), DiameterMM: r.thick, RingsCM: ringsOf(*r.length, years), Sprout: r.sprout,
			Sources: map[string]limb.Source{"attach_cm": limb.Estimated, "azimuth_deg": limb.Estimated},
		}
		if r.angle == nil {
			l.Sources["angle_base_deg"] = limb.Estimated
		}
		doc.Limbs = append(doc.Limbs[:len(doc.Limbs):len(doc.Limbs)], l)
		r.edit(limb.Edit{Op: "add", ID: l.ID, Limb: &l})
		r.mark(l.ID)
	}
}
