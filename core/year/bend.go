package year

import (
	"vertumna/core/almanac"
	"vertumna/core/pomology"
)

// Bend is the spreading of limbs.
const Bend TaskKind = "bend"

var bendFacts = TaskFacts{Mark: CareMark, Minutes: 20, Instead: "next-bending", Harm: 1}

// bending: upright kinds and trees in building want their limbs spread, not in the planting year.
func bending(c *context) []draft {
	until := bendUntilAge
	if c.tree.upright() {
		until = bendUprightUntil
	}
	if c.age < 2 || c.age > until || c.tooSmall() || c.tree.ShootCM > 0 && c.tree.ShootCM < bendFromCM || c.shrub() || c.flat() || !c.tree.upright() && c.aim.Aim != Build ||
		c.tree.Form == pomology.SlimLeader && c.forming() { // which has steps of its own for it
		return nil
	}
	value := c.school.Value("limb_angle")
	why := []Reason{reason("narrow-limbs").num(c.limbAngle(), "deg").by("limb_angle", value)}
	out := []draft{{kind: Bend, n: 1, opens: c.at(LeafFallBefore, 0), closes: c.stage(almanac.BudSwell, 0), reasons: append(why, c.stage(almanac.BudSwell, 0).reason("bend-in-rest")), cautions: []string{"brittle-frost"}}}
	if _, done := finished(c.logged(Bend)); !done {
		slow := c.stage(almanac.ShootSlowing, 0)
		out = append(out, draft{kind: Bend, n: 2, opens: slow, closes: after(slow, 28), reasons: append(why, slow.reason("bend-when-slowing"))})
	}
	return out
}

// limbAngle is the angle from vertical that limbs are wanted at: the school's, else the kind's own within what is usual.
func (c *context) limbAngle() float64 { return LimbAngle(c.school, c.tree.Kind, c.tree.Form) }

// LimbAngle is the angle from vertical, in degrees, that a school wants a kind's limbs at in a form.
func LimbAngle(school pomology.Resolved, k *pomology.Kind, f pomology.FormSlug) float64 {
	if f == pomology.SlimLeader {
		return slimSidesDeg
	}
	if deg, said := map[string]float64{"30-35": 33, "65": 65, "near-level": 80}[school.Value("limb_angle")]; said {
		return deg
	}
	return max(45, min(60, k.Bending.AimDeg))
}

// Bending (our estimates): older wood is left as it is, but an upright kind goes on making upright limbs; what is shorter than
// this has nothing to hold on to.
const (
	bendUntilAge     = 6
	bendUprightUntil = 10
	bendFromCM       = 25
	slimSidesDeg     = 90 // the side limbs of a slim leader lie level, whatever the school wants of others
)
