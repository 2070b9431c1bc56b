package training

import (
	"math"

	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/core/num"
)

// Bridge is a stick set between two limbs of a tree: one piece moves both. Angles are from the vertical, of the chord from fork to contact.
type Bridge struct {
	Limb, Partner string
	GapCM         float64 // between the two contacts, as they stand
	StickCM       float64 // between them once both have moved
	ApartDeg      float64 // round the ring
	TurnDeg       float64 // how far each is pushed aside, round the ring
	PartnerNow    float64
	PartnerTo     float64
	PartnerSafe   float64 // the limit of one bend of the partner
}

// apartLeast: limbs nearer round the ring are pushed aside by a stick between them, not down (est.).
const apartLeast = 75

// BridgeLimbs sizes a stick between a limb that shall come to an angle and another, both held at the same distance from their forks.
// Each contact is pushed as far along the line between them: outward, and aside as far as that line runs round the ring. Errors: given.Faults with field between: no other limb, one too near round the ring, one dead, one that has
// to rise.
func BridgeLimbs(m *limb.Map, i, j int, contactCM, toDeg float64) (Bridge, error) {
	var fs given.Faults
	refuse := func(was, expected string) (Bridge, error) {
		fs.Add(given.Conflict, "between", was, expected)
		return Bridge{}, fs.Err()
	}
	if i == j || m.HangsOn(i, j) || m.HangsOn(j, i) {
		return refuse(m.Axes[j].ID, "another limb, that neither carries it nor hangs on it")
	}
	if m.WhollyDead(j) {
		return refuse(m.Axes[j].ID+", which is dead", "live wood")
	}
	a, b := contactOf(m, i, contactCM), contactOf(m, j, contactCM)
	out := Bridge{Limb: m.Axes[i].ID, Partner: m.Axes[j].ID, GapCM: apart(a.end(), b.end()), ApartDeg: num.Apart(a.azimuth, b.azimuth), PartnerNow: num.Deg(b.angle)}
	if out.ApartDeg < apartLeast {
		return refuse(m.Axes[j].ID+", "+num.Text(math.Round(out.ApartDeg))+" degrees round the ring", "one at least "+num.Text(apartLeast)+" degrees round the ring: a stick between them would push them aside")
	}
	// the push along the line between them that brings the limb to its angle
	half, out0, wanted := num.Rad(out.ApartDeg)/2, a.outward(), a.long*math.Sin(math.Min(num.Rad(toDeg), math.Pi/2))
	push := math.Sqrt(math.Max(0, out0*out0*math.Sin(half)*math.Sin(half)+wanted*wanted-out0*out0)) - out0*math.Sin(half)
	if push <= 0 {
		return refuse("a limb that is to rise", "a limb that is to come down: a stick pushes apart")
	}
	side := 1.0 // away from the partner
	if math.Sin(num.Rad(a.azimuth-b.azimuth)) < 0 {
		side = -1
	}
	out.TurnDeg = a.pushed(push, half, side)
	b.pushed(push, half, -side)
	out.PartnerTo, out.StickCM = num.Deg(b.angle), apart(a.end(), b.end())
	return out, nil
}

// contact is where a limb is held, as a chord from its fork: radians from the vertical, degrees round the ring.
type contact struct {
	base                 limb.Vec
	long, angle, azimuth float64
}

func contactOf(m *limb.Map, i int, atCM float64) contact {
	base, at := m.Base(i), m.At(i, math.Min(atCM, m.Axes[i].L))
	x, y, z := at.X-base.X, at.Y-base.Y, at.Z-base.Z
	out := math.Hypot(x, y)
	return contact{base: base, long: math.Max(1, math.Hypot(out, z)), angle: math.Atan2(out, z), azimuth: num.Deg(math.Atan2(x, y))}
}

// outward is how far it stands from the vertical through its fork.
func (c *contact) outward() float64 { return c.long * math.Sin(c.angle) }

// pushed moves it along a line that runs half an angle off the ring's, and tells by how many degrees it turned round the ring.
func (c *contact) pushed(cm, half, side float64) float64 {
	out, aside := c.outward()+cm*math.Sin(half), cm*math.Cos(half)
	turn := num.Deg(math.Atan2(aside, out))
	c.angle, c.azimuth = math.Asin(math.Min(1, math.Hypot(out, aside)/c.long)), c.azimuth+side*turn
	return turn
}

func (c *contact) end() limb.Vec {
	out, at := c.outward(), num.Rad(c.azimuth)
	return limb.Vec{X: c.base.X + out*math.Sin(at), Y: c.base.Y + out*math.Cos(at), Z: c.base.Z + c.long*math.Cos(c.angle)}
}

func apart(p, q limb.Vec) float64 {
	return math.Sqrt((p.X-q.X)*(p.X-q.X) + (p.Y-q.Y)*(p.Y-q.Y) + (p.Z-q.Z)*(p.Z-q.Z))
}
