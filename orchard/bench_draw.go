package orchard

import (
	"math"
	"strings"

	"vertumna/core/find"
	"vertumna/core/growth"
	"vertumna/core/light"
	"vertumna/core/limb"
)

// draw fills the bench from a map.
func (b *standing) draw(out *BenchBody, m *limb.Map) {
	b.light = b.lightOf(m)
	reading := b.reading()
	out.Facts.LeaderChain = append(out.Facts.LeaderChain, find.LeaderChain(m)...)
	for i := range m.Axes {
		out.Limbs = append(out.Limbs, b.limb(m, i, out.Facts.LeaderChain))
	}
	for _, f := range find.Letters(m, find.Findings(m, reading)) {
		out.Findings = append(out.Findings, b.finding(m, f))
	}
	b.facts(&out.Facts, m)
	out.Warnings = append(out.Warnings, b.speaker.Faults(m.Warnings())...)
	for k, o := range m.Oddities() {
		out.Warnings[k].Says = b.speaker.Odd(o)
	}
}

// usualLatitude serves where no place is set up yet.
const usualLatitude = 45

// reading is what findings are read with: the light of the map drawn, the yard round it, the school's thresholds.
func (b *standing) reading() find.Reading {
	return find.Reading{Light: b.light, Yard: plotOf(b.contents).Around(&b.core, b.yard, b.day), Options: b.options}
}

func (b *standing) latitude() float64 {
	if site := b.contents.Orchard.Site; site != nil {
		return site.Lat
	}
	return usualLatitude
}

// grower is the tree as it grows on from a map: what it becomes left alone, its shoots and rain as they were told.
func (b *standing) grower(m *limb.Map) growth.Tree {
	return growth.Tree{
		Map: m, Latitude: b.latitude(), ShootCM: b.core.ShootCM, Rain: growth.Rain(b.contents.Orchard.RainOf(m.Year - 1)),
		Bounds: growth.LeftAlone(m, b.core.Class, b.core.TubLitres),
	}
}

// outside is what stands round a tree, to look through: by the coarse set, for light is asked on every change.
func (b *standing) outside() *light.Outside {
	out := light.NewOutside(light.Directions(b.latitude(), light.Coarse))
	plotOf(b.contents).StandAround(out, &b.core, b.yard, b.day)
	return out
}

// lightOf is the light of each limb as the tree stands in its yard. Bench, slip, years and fruit read the same: a limb that is shaded on one
// is shaded on all.
func (b *standing) lightOf(m *limb.Map) limb.Light { return b.outside().OfTree(m) }

// lightAhead is the same for a tree grown and cut many times: what stands round it is looked through once, and kept.
func (b *standing) lightAhead(m *limb.Map) limb.Light {
	b.roundOnce.Do(func() { b.round = b.outside() })
	return b.round.OfTree(m)
}

func (b *standing) facts(f *BenchFacts, m *limb.Map) {
	area, spread := m.Footprint()
	o := find.Middle(m, nil)
	f.HeightCM, f.SpreadCM, f.GroundM2, f.LeafM2 = round1(m.Height()), round1(spread), math.Round(area/100)/100, round1(m.LeafM2())
	f.Limbs, f.CylinderCM, f.SphereCM, f.Complete, f.MapSeason = m.Len(), round1(o.CylinderCM), round1(o.SphereCM), m.Completeness(), m.Season
	f.Passes = []Passes{
		{"hat", find.HatCM, o.CylinderCM >= find.HatCM}, {"hand", find.HandCM, o.SphereCM >= find.HandCM}, {"ball", find.BallCM, o.SphereCM >= find.BallCM},
	}
	for i := range m.Axes {
		for _, p := range m.Pieces(i, b.light, nil) {
			if p.MidZ <= b.options.ReachCM {
				f.BudsWithin += p.Buds
			} else {
				f.BudsAbove += p.Buds
			}
		}
		switch sourceOf(m, i) {
		case limb.Measured:
			f.CountBySrc.Measured++
		case limb.Estimated:
			f.CountBySrc.Estimated++
		default:
			f.CountBySrc.Predicted++
		}
	}
	f.Light = b.insideLight(m)
	f.BudsWithin, f.BudsAbove = math.Round(f.BudsWithin), math.Round(f.BudsAbove)
}

// insideLight is the mean light of the limbs that carry the tree's leaf, by their share.
func (b *standing) insideLight(m *limb.Map) float64 {
	sum, all := 0.0, 0.0
	for i := range m.Axes {
		leaf := (m.OwnLeaf(i) + m.TipLeaf(i)) * m.Weight(i)
		sum, all = sum+leaf*b.light[i], all+leaf
	}
	if all == 0 {
		return 0
	}
	return math.Round(100*sum/all) / 100
}

func round1(x float64) float64 { return math.Round(x*10) / 10 }

// drawnFields are the numbers that make a limb's drawing.
var drawnFields = []string{"attach_cm", "azimuth_deg", "angle_base_deg", "angle_tip_deg", "length_cm", "diameter_mm", "rings_cm"}

// sourceOf is how a limb as a whole is known: measured once its thickness, length and angle are.
func sourceOf(m *limb.Map, i int) limb.Source {
	out := limb.Measured
	for _, f := range []string{"angle_base_deg", "length_cm", "diameter_mm"} {
		switch m.Source(i, f) {
		case limb.Predicted:
			return limb.Predicted
		case limb.Estimated:
			out = limb.Estimated
		}
	}
	return out
}

func stations(m *limb.Map, i int) []float64 {
	shape := m.Shape(i)
	out := make([]float64, 0, 5*len(shape))
	for _, s := range shape {
		out = append(out, round1(s.At.X), round1(s.At.Y), round1(s.At.Z), math.Round(100*s.Radius)/100, float64(s.Age))
	}
	return out
}

func (b *standing) limb(m *limb.Map, i int, chain []string) DrawnLimb {
	a := &m.Axes[i]
	d := DrawnLimb{
		ID: a.ID, Depth: a.Depth, Stations: stations(m, i), Rings: rings(m, i), Attach: round1(a.Attach), Azimuth: round1(a.Azimuth),
		AngleBase: round1(a.A0), AngleTip: round1(a.A1), Length: round1(a.L), Diameter: round1(a.D), Top: round1(m.Top(i)), Share: math.Round(1e4*m.Share(i, 0)) / 1e4, Light: math.Round(100*b.light[i]) / 100,
		Source: sourceOf(m, i), Guessed: []string{}, Tip: a.Tip, Sprout: a.Sprout, Sucker: a.Sucker, Tags: append([]string{}, a.Tags...),
		Marks: append([]limb.Mark{}, a.Marks...), State: m.State(i), Note: m.Note(i), Wounds: append([]limb.Wound{}, a.Wounds...),
		Spurs: append([]limb.SpurCount{}, a.Spurs...), Gaps: append([]limb.Stretch{}, a.Gaps...),
		Leads: len(chain) > 0 && chain[len(chain)-1] == a.ID,
	}
	d.Toward = a.Toward
	if a.Parent >= 0 {
		d.Parent = m.Axes[a.Parent].ID
	}
	for _, f := range drawnFields {
		if m.Source(i, f) != limb.Measured {
			d.Guessed = append(d.Guessed, f)
		}
	}
	for _, p := range m.Pieces(i, b.light, nil) {
		if p.MidZ <= b.options.ReachCM {
			d.Buds += p.Buds
		}
	}
	d.Buds = round1(d.Buds)
	if m.WhollyDead(i) {
		d.DeadFrom = limb.Of(0)
	} else if at := m.DeadAt(i); at < a.L {
		d.DeadFrom = limb.Of(round1(at))
	}
	if d.State != nil {
		name, job := b.speaker.LimbState(*d.State)
		d.StateSays = name + ": " + job
	}
	return d
}

func rings(m *limb.Map, i int) []DrawnRing {
	out := []DrawnRing{}
	from := 0.0
	for k, r := range m.Axes[i].Rings {
		out = append(out, DrawnRing{From: round1(from), To: round1(from + r), Year: m.RingYear(i, k), Age: len(m.Axes[i].Rings) - k})
		from += r
	}
	return out
}

func (b *standing) finding(m *limb.Map, f find.Lettered) FindingBody {
	i := m.Index(f.Limb)
	at := math.Min(m.Axes[i].L, f.AtCM)
	show := at
	if at == 0 && f.Code != find.Sucker { // the letter stands on the offending stretch, not in the fork
		show = math.Min(m.Axes[i].L, math.Max(8, 0.3*m.Axes[i].L))
	}
	if c, ok := f.Fact("at_contact_cm"); ok {
		show = math.Min(m.Axes[i].L, c.Value)
	}
	p := m.At(i, show)
	w := b.speaker.Finding(f.Finding)
	out := FindingBody{
		Letter: f.Letter, Code: string(f.Code), Name: w.Name, Limb: f.Limb, Members: append([]string{}, f.Members...), Also: append([]string{}, f.Also...),
		AtCM: round1(f.AtCM), Place: [3]float64{round1(p.X), round1(p.Y), round1(p.Z)}, Step: f.Step, Severity: f.Severity,
		Aim: f.Aim, Where: b.speaker.Where(f.Finding, m.At(i, at).Z), Says: w.Says, Why: w.Why, Source: f.Source,
	}
	for _, field := range []string{"angle_base_deg", "length_cm", "diameter_mm"} {
		out.Estimate = out.Estimate || m.Source(i, field) != limb.Measured
	}
	if len(f.Also) > 0 {
		out.Says += "; and what hangs on it: " + strings.Join(f.Also, ", ")
	}
	return out
}
