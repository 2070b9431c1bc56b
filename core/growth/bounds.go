package growth

import (
	"math"

	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// Bounds are how large a tree becomes left alone, and over how many years. The zero value knows none: the season then is the
// limbs.md#5-growth, in which nothing but light and reserves holds a shoot back.
type Bounds struct {
	HeightCM, SpreadCM float64
	FullCropYears      int // from planting to a full crop
	LifeYears          int // the kind's, held or not
}

// Constants of the bounds (reach.md#height; our estimates, held to the magnitudes that growers name there).
const (
	creep          = 0.05 // of its extension a shoot still makes at the free height
	creepEnds      = 0.10 // of the free height beyond it, where no shoot makes any length
	leanCounts     = 0.30 // part of the height's brake that a level shoot feels
	usualBest      = 1.5  // the strongest a tree's own shoots are taken to be against its kind's, when bounds are read from them
	stillRoom      = 1.05 // a tree that stands above its table is not quite done
	agedTo         = 1.0 / 3
	brakeSteps     = 8
	temperLeast    = 0.5
	temperMost     = 2.0
	temperLasts    = 0.5 // of a limb's own vigour, from season to season
	twinLeads      = 1.0 // how an uncut tree's top grows against an upright shoot, where nobody saw it uncut
	twinSlows      = 0.9 // from year to year, as it shades itself
	leansLess      = 0.7 // a shoot this much upward feels the whole of the height's brake
	leastBrakeRead = 0.05
	mostBrakeRead  = 0.80
)

// LeftAlone reads a tree's bounds: the size of its kind and class (semi-dwarfing where the class is not known), no more than
// its tub feeds; and where its own measured top still makes length that such bounds would not let it make, what that length
// says. Lengths in cm. Source: kinds table; reach.md#height.
func LeftAlone(m *limb.Map, class pomology.VigourClass, tubLitres float64) Bounds {
	size, _, _ := m.Kind.SizeFor(class)
	b := Bounds{
		HeightCM: 100 * size.HeightM, SpreadCM: 100 * size.SpreadM,
		FullCropYears: m.Kind.Care.YearsToFullCrop, LifeYears: m.Kind.Care.YearsLived,
	}
	if tubLitres > 0 {
		tub := 100 * pomology.TubCap(tubLitres)
		b.HeightCM, b.SpreadCM = math.Min(b.HeightCM, tub), math.Min(b.SpreadCM, tub)
	}
	best := usualBest * norm * m.Kind.Growth.ExtensionCM
	for i := range m.Axes {
		if m.WhollyDead(i) || m.Axes[i].Tip != limb.Growing {
			continue
		}
		top := m.End(i)
		radius, _ := m.Outward(i, top)
		b.HeightCM, b.SpreadCM = math.Max(b.HeightCM, stillRoom*top.Z), math.Max(b.SpreadCM, 2*stillRoom*radius)
		if m.Source(i, "rings_cm") != limb.Measured {
			continue
		}
		_, e := m.Axes[i].LastRing()
		if lean := m.Axes[i].A1; lean < tiedLeanDeg {
			rise := clamp(e/(best*limb.Tab(orientation, lean)), leastBrakeRead, mostBrakeRead)
			b.HeightCM = math.Max(b.HeightCM, top.Z/math.Sqrt(1-rise))
		}
	}
	return b
}

func (b Bounds) known() bool { return b.HeightCM > 0 && b.SpreadCM > 0 }

// brake is the part of its extension a shoot makes at a place, 0..1, growing in a direction: the nearer the free height the
// less an upright one, the nearer the free spread the less one that grows outward.
func (b Bounds) brake(p, dir, out limb.Vec, radius float64) float64 {
	up, away := math.Max(0, dir.Z), math.Max(0, dir.Dot(out))
	high, wide := p.Z/b.HeightCM, 2*radius/b.SpreadCM
	free := (1 - (leanCounts+(1-leanCounts)*math.Min(1, up/leansLess))*high*high) * (1 - away*math.Min(1, wide)*math.Min(1, wide))
	return math.Max(free, creep*clamp(1-(high-1)/creepEnds, 0, 1))
}

// aged is the part of its youth's extension that a tree makes at an age: from its years to full crop on it falls toward a third.
func (b Bounds) aged(age int) float64 {
	if b.LifeYears <= b.FullCropYears {
		return 1
	}
	return 1 - (1-agedTo)*clamp(float64(age-b.FullCropYears)/float64(b.LifeYears-b.FullCropYears), 0, 1)
}

// braked is how long a shoot becomes that would make so many cm unhindered, from a place in a direction, cm.
func (s *season) braked(i int, from limb.Vec, azimuth, angle, want float64) float64 {
	b := s.t.Bounds
	if !b.known() || want <= 0 {
		return want
	}
	dir := limb.Direction(azimuth, angle)
	made := 0.0
	for range brakeSteps {
		p := from.Add(dir.Mul(made))
		if s.t.wasCut && dir.Z > 0 && p.Z >= s.t.twin {
			break
		}
		radius, out := s.m.Outward(i, p)
		made += want / brakeSteps * b.brake(p, dir, out, radius)
	}
	if s.t.wasCut && dir.Z > 0 {
		made = math.Min(made, math.Max(0, (s.t.twin-from.Z)/dir.Z))
	}
	return made
}

// readTempers compares each measured limb's last season with what the model makes of it: some are stronger than their place
// tells. What is known of a limb fades from season to season.
func (s *season) readTempers() {
	if !s.t.Bounds.known() || s.t.temper != nil {
		return
	}
	s.t.temper = map[string]float64{}
	for i, w := range s.before.point {
		if w == 0 || s.m.Source(i, "rings_cm") != limb.Measured {
			continue
		}
		start, e := s.m.Axes[i].LastRing()
		if made := s.unhindered(i, start, w*s.extension()); made > 0 && e > 0 {
			s.t.temper[s.m.Axes[i].ID] = clamp(e/made, temperLeast, temperMost)
		}
	}
}

// extension is the whole season's of a point of weight 1, cm.
func (s *season) extension() float64 {
	return norm * s.m.Kind.Growth.ExtensionCM * s.t.vig * s.t.Bounds.aged(s.m.Age) / s.t.agedAt
}

// unhindered is what a limb makes from a place on it of an extension at vigour 1.
func (s *season) unhindered(i int, from, want float64) float64 {
	a := &s.m.Axes[i]
	return s.braked(i, s.m.At(i, from), a.Azimuth, s.m.MeanAngle(i), s.soft(want)) // a longer arc keeps its angles
}

// raiseCeiling works out how high the same tree would stand at the end of the season had nobody ever cut it: no cut makes a
// tree taller than that.
func (s *season) raiseCeiling() {
	t := s.t
	if !t.Bounds.known() {
		return
	}
	s.meetTwin()
	upright := s.extension() * t.Bounds.brake(limb.Vec{Z: t.twin}, limb.Vec{Z: 1}, limb.Vec{}, 0) // of a shoot on the uncut tree's top
	if !t.wasCut && upright > 0 {
		rise := 0.0
		vigour := clamp(math.Pow(t.reff/t.rref/s.before.total, pruningDwarfs), vigourLeast, vigourMost)
		for i, w := range s.before.point {
			if w > 0 {
				a := &s.m.Axes[i]
				e := s.unhindered(i, a.L, s.extension()*vigour*w*s.temper(a.ID))
				rise = math.Max(rise, s.m.End(i).Z+e*math.Max(0, cosDeg(s.m.MeanAngle(i)))-t.twin)
			}
		}
		t.lead = rise / upright
	} else {
		t.lead *= twinSlows
	}
	t.twin += t.lead * upright
}

// meetTwin: until it is cut, a tree is its own uncut twin.
func (s *season) meetTwin() {
	if t := s.t; !t.wasCut {
		t.twin, t.lead = s.m.Height(), twinLeads
	}
}

// temper is how much stronger a limb grows than its place tells.
func (s *season) temper(id string) float64 {
	if x, ok := s.t.temper[id]; ok {
		return x
	}
	return 1
}

// fadeTempers lets what was known of each limb fade.
func (t *Tree) fadeTempers() {
	if t.temper == nil {
		return
	}
	faded := make(map[string]float64, len(t.temper))
	for id, x := range t.temper {
		faded[id] = math.Pow(x, temperLasts)
	}
	t.temper = faded
}
