package growth

import (
	"math"
	"strconv"
	"strings"

	"vertumna/core/limb"
)

// sides draws laterals on the scaffolds and shoots on the laterals.
func (s *sketch) sides() {
	for _, t := range s.twigs {
		if strings.HasPrefix(t.id, "S") {
			s.laterals(t)
		}
	}
}

func (t *twig) theta(at float64) float64 { return t.a0 + (t.a1-t.a0)*at/t.length }

func (s *sketch) laterals(on twig) {
	every := float64(sideEveryCM)
	if s.flat() {
		every = flatSideEveryCM
	}
	m := int(on.length / every)
	side := -1.0
	if s.draw.U() < 0.5 {
		side = 1
	}
	for k := range m {
		side = -side
		f := (float64(k) + 0.5) / float64(m)
		t := twig{id: on.id + "." + strconv.Itoa(k+1), parent: on.id}
		years := 2
		if s.flat() {
			t.at = on.length * (flatFrom + flatOver*f)
			t.length, t.az = s.some(flatSideCM), on.az
			if k%2 == 1 {
				t.a0 = s.some(flatSideOneDeg)
			} else {
				t.a0 = s.some(flatOther)
			}
		} else {
			t.at = on.length * (sideFrom + sideOver*f)
			t.length = (sideOfRest*(on.length-t.at) + sideBaseCM) * s.some(sideFull)
			t.az = on.az + side*s.some(sideTurn)
			t.a0 = clamp(on.theta(t.at)+s.some(sideWider), steepestSide, flattestSide)
			years = int(clamp(2+math.Floor((on.length-t.at)/s.ext), 1, math.Max(1, float64(s.in.Age-2))))
		}
		e := math.Min(t.length, s.ext*s.some(sideGrows))
		if years == 1 {
			e = t.length
		}
		t.a1 = clamp(t.a0-s.some(sideRights), 0, mostLeanDeg)
		t.rings = s.equalRings(t.length, e, years)
		s.add(t)
		if !s.flat() && years >= 2 && t.length > shootsFromCM {
			s.shoots(t)
		}
	}
}

func (s *sketch) shoots(on twig) {
	for k := range 1 + int(on.length/shootEveryCM) {
		t := twig{id: on.id + "." + strconv.Itoa(k+1), parent: on.id, at: on.length * s.some(shootAt)}
		sign := -1.0
		if s.draw.U() < 0.5 {
			sign = 1
		}
		t.length = s.ext * s.some(shootGrows)
		t.az = on.az + sign*s.some(shootTurn)
		t.a0 = clamp(on.a0+s.some(shootLeans), shootSteepest, flattestSide)
		t.a1 = clamp(on.a0-shootRights, shootEndLow, shootEndHigh)
		t.rings = []float64{t.length}
		s.add(t)
	}
}

func (s *sketch) index() map[string]int {
	at := make(map[string]int, len(s.twigs))
	for i := range s.twigs {
		at[s.twigs[i].id] = i
	}
	return at
}

// thicken gives every limb the section that its leaf and its side limbs ask for, then scales to the trunk measured.
func (s *sketch) thicken() {
	at := s.index()
	for i := range s.twigs {
		if p, ok := at[s.twigs[i].parent]; ok {
			s.twigs[p].children = append(s.twigs[p].children, i)
		}
	}
	tip, thickest := s.g.TipMM, 0.0
	var size func(i int) float64
	size = func(i int) float64 {
		t := &s.twigs[i]
		e := t.rings[len(t.rings)-1]
		full := tipBase*tip + tipOfGrowth*e
		t.dt = math.Min(tip, full)
		own := math.Max(0, full*full-t.dt*t.dt) + leafPerCM*math.Max(0, t.length-e)
		if t.id == "T" {
			own = leafPerCM * e
			if t.cut {
				own = 0
			}
		}
		area := t.dt*t.dt + own
		for _, c := range t.children {
			d := size(c)
			area += d * d
		}
		t.d = math.Sqrt(area)
		return t.d
	}
	for i := range s.twigs {
		if s.twigs[i].parent == "" {
			thickest = math.Max(thickest, size(i))
		}
	}
	for i := range s.twigs {
		t := &s.twigs[i]
		if t.d > tip+thinOverTipMM && thickest > tip {
			t.d = tip + (t.d-tip)*(s.in.TrunkMM-tip)/(thickest-tip)
		}
		t.d = round1(math.Max(leastLimbMM, t.d))
		if p, ok := at[t.parent]; ok {
			t.d = math.Min(t.d, s.twigs[p].d)
		}
		if t.cut {
			t.dt = cutEnd * t.d
		}
		t.dt = math.Min(round1(t.dt), t.d)
	}
}

func round1(x float64) float64 { return math.Round(x*10) / 10 }

func mod360(x float64) float64 {
	x = math.Mod(x, 360)
	if x < 0 {
		x += 360
	}
	return x
}

// round keeps lengths, angles and the boundaries of rings to a tenth, so that rings still add up.
func (s *sketch) round() {
	for i := range s.twigs {
		t := &s.twigs[i]
		t.at, t.az, t.a0, t.a1, t.length = round1(t.at), round1(mod360(t.az)), round1(t.a0), round1(t.a1), round1(t.length)
		t.x, t.y = round1(t.x), round1(t.y)
		sum, before := 0.0, 0.0
		for k, r := range t.rings {
			sum += r
			t.rings[k] = round1(sum) - before
			before = round1(sum)
		}
	}
}

// document writes the sketch as a map: estimated, but for the trunk's thickness and the azimuths given.
func (s *sketch) document() limb.Doc {
	doc := limb.Doc{Version: limb.FormatVersion, Species: s.in.Species, Form: s.in.Form, Age: s.in.Age, Year: s.in.Year, Season: s.in.Season}
	num := func(x float64) *float64 { return limb.Of(math.Round(x*1000) / 1000) }
	for _, t := range s.twigs {
		l := limb.Limb{
			ID: t.id, Parent: t.parent, AttachCM: num(t.at), AzimuthDeg: num(t.az), AngleBaseDeg: num(t.a0), AngleTipDeg: num(t.a1),
			LengthCM: num(t.length), DiameterMM: num(t.d), TipDiameterMM: num(t.dt), Marks: t.marks, Sucker: t.sucker, Source: limb.Estimated,
		}
		if t.x != 0 || t.y != 0 {
			l.XCM, l.YCM = num(t.x), num(t.y)
		}
		if t.cut {
			l.Tip = limb.Cut
		}
		for _, r := range t.rings {
			l.RingsCM = append(l.RingsCM, math.Round(r*100)/100)
		}
		if t.id == "T" {
			l.Sources = map[string]limb.Source{"diameter_mm": limb.Measured}
		}
		if k, err := strconv.Atoi(strings.TrimPrefix(t.id, "S")); err == nil && k <= len(s.in.Azimuths) {
			l.Sources = map[string]limb.Source{"azimuth_deg": limb.Measured}
		}
		doc.Limbs = append(doc.Limbs, l)
	}
	return doc
}
