package limb

// stretch brings what stands along a limb to a new length: rings, and places that were not measured.
func stretch(doc *Doc, l *Limb, length float64) {
	if l.LengthCM == nil || *l.LengthCM <= 0 {
		return
	}
	k := length / *l.LengthCM
	for i := range l.RingsCM {
		l.RingsCM[i] *= k
	}
	if l.RingsCM != nil && k != 1 {
		l.know("rings_cm", Estimated)
	}
	for i := range doc.Limbs {
		c := &doc.Limbs[i]
		if c.Parent == l.ID && c.AttachCM != nil && c.SourceOf("attach_cm") != Measured {
			c.AttachCM = Of(*c.AttachCM * k)
		}
	}
	if l.SourceOf("length_cm") == Measured {
		return // places were measured along a measured limb: they stay, and Check tells what no longer fits
	}
	for i := range l.Marks {
		l.Marks[i].AtCM *= k
	}
	for i := range l.Buds {
		l.Buds[i].AtCM *= k
	}
	for i := range l.Wounds {
		l.Wounds[i].AtCM *= k
	}
	for i := range l.Spurs {
		l.Spurs[i].FromCM, l.Spurs[i].ToCM = l.Spurs[i].FromCM*k, l.Spurs[i].ToCM*k
	}
	for i := range l.Gaps {
		l.Gaps[i].FromCM, l.Gaps[i].ToCM = l.Gaps[i].FromCM*k, l.Gaps[i].ToCM*k
	}
	if l.BareCM != nil {
		l.BareCM = Of(*l.BareCM * k)
	}
}

// giveWay lets estimated thickness yield to what was just given on a limb: carriers are no thinner, side limbs and the
// tip no thicker.
func giveWay(doc *Doc, id string) {
	l := doc.Find(id)
	for at, n := l, 0; at != nil && at.Parent != "" && n < len(doc.Limbs); n++ {
		p := doc.Find(at.Parent)
		if p != nil && p.DiameterMM != nil && at.DiameterMM != nil && *p.DiameterMM < *at.DiameterMM && p.SourceOf("diameter_mm") != Measured {
			p.DiameterMM = Of(*at.DiameterMM)
		}
		at = p
	}
	todo := []string{id}
	for n := 0; n < len(todo) && n <= len(doc.Limbs); n++ {
		p := doc.Find(todo[n])
		if p.DiameterMM == nil {
			continue
		}
		if p.TipDiameterMM != nil && *p.TipDiameterMM > *p.DiameterMM && p.SourceOf("tip_diameter_mm") != Measured {
			p.TipDiameterMM = Of(*p.DiameterMM)
		}
		for i := range doc.Limbs {
			c := &doc.Limbs[i]
			if c.Parent != p.ID || c.DiameterMM == nil || *c.DiameterMM <= *p.DiameterMM || c.SourceOf("diameter_mm") == Measured {
				continue
			}
			c.DiameterMM = Of(*p.DiameterMM)
			todo = append(todo, c.ID)
		}
	}
}
