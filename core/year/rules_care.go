package year

import (
	"cmp"
	"slices"
	"strings"

	"vertumna/core/almanac"
	"vertumna/core/pomology"
	"vertumna/core/training"
)

// dormantClose is when the dormant window of the tree closes under the school, for the look that comes before it.
func (c *context) dormantClose() Bound {
	for _, d := range dormantCut(c) {
		return d.closes
	}
	return c.stage(almanac.BudBreak, 0)
}

// standBack: the first step is never a cut.
func standBack(c *context) []draft {
	d := draft{kind: StandBack, opens: c.at(LeafFallBefore, 0), closes: after(c.dormantClose(), -21)}
	if c.age <= 1 && c.tree.Planted > d.opens.Day {
		return nil
	}
	d.reasons = []Reason{d.opens.reason("look-before-cutting")}
	if c.forming() {
		d.reasons = append(d.reasons, reason("young-look-first"))
	}
	return []draft{d}
}

// healthLook marks limbs that struggle while leaves still tell.
func healthLook(c *context) []draft {
	slow := c.stage(almanac.ShootSlowing, 0)
	d := draft{kind: HealthLook, opens: slow, closes: after(slow, 28), reasons: []Reason{slow.reason("leaves-tell")}}
	for _, t := range pomology.Threats(c.tree.Kind, c.yard.Hosts, c.tree.Resists) {
		r := reason("host-outside").said(t.Sickness.Slug)
		r.Value = t.Host.Slug
		d.reasons = append(d.reasons, r)
	}
	return []draft{d}
}

// firstSeason says whether this is the season whose spring the tree was planted for.
func (c *context) firstSeason() bool {
	if !c.tree.Planted.Known() {
		return false
	}
	bud, fall := c.a.Day(almanac.BudBreak.String()), c.a.Day(LeafFallBefore)
	before := shift(bud, -365)
	return bud.Known() && c.tree.Planted <= bud && c.tree.Planted > before && (c.tree.Planted >= fall || c.age <= 2)
}

func plantingCut(c *context) []draft {
	if !c.firstSeason() || c.shrub() || c.tooSmall() {
		return nil
	}
	value := c.school.Value("planting_cut")
	d := draft{
		kind: PlantingCut, opens: later(c.at(Planting, 0), c.at(LeafFallBefore, 0)), closes: c.stage(almanac.BudBreak, 0),
		minutes: 15, cautions: []string{c.cleaning()},
		reasons: []Reason{reason("planting-"+value).by("planting_cut", value), c.headAt(), reason("form-height").said(string(c.tree.Form)), c.stage(almanac.BudBreak, 0).reason("before-bud-break")},
	}
	if c.tree.AsWhip {
		d.reasons = d.reasons[1:] // there is nothing to shorten on a whip
	}
	if c.yard.Place.Climate.ColdWinter() { // a fresh head dies back in deep cold
		d.opens = later(d.opens, c.stage(almanac.BudBreak, -coldWeeks*7))
		d.reasons = append(d.reasons, d.opens.reason("deep-cold-first"))
	}
	d.grades = []Grade{
		{d.opens.Day, d.closes.Day, Better, "buds-still-asleep"},
		{shift(d.closes.Day, 1), shift(d.closes.Day, 21), Possible, "buds-knock-off"},
		{open, open, Harmful, "leaves-build-roots"},
	}
	return []draft{d}
}

// coldWeeks before bud break the worst cold is over (ours).
const coldWeeks = 6

// headAt says at what height a new tree is headed, by form and school, and what stands below the cut.
func (c *context) headAt() Reason {
	y := c.young()
	first := 0.0
	if len(y.WiresCM) > 0 {
		first = y.WiresCM[0]
	}
	rule := "head-branched"
	if c.tree.AsWhip {
		rule = "head-whip"
	}
	h, err := training.HeadingFor(y.Form, y.Branched, 0, first, y.LowerCM, nil)
	if err != nil {
		return reason(rule)
	}
	return reason(rule).num(h.NominalCM, "cm").by("first_limb", c.school.Value("first_limb"))
}

func scaffoldChoice(c *context) []draft {
	if c.age != 2 || c.firstSeason() || c.shrub() || c.flat() || c.tooSmall() {
		return nil
	}
	value := c.school.Value("scaffolds")
	bud := c.stage(almanac.BudBreak, 0)
	d := draft{
		kind: Scaffolds, opens: c.stage(almanac.BudSwell, 0), closes: bud, minutes: 25, cautions: []string{c.cleaning()},
		reasons: []Reason{bud.reason("choose-scaffolds").by("scaffolds", value)},
	}
	if c.tree.Form.Frame() == pomology.OpenVase && c.tree.Form != pomology.LateLeader {
		d.reasons = append(d.reasons, reason("centre-first"))
	}
	d.reasons = append(d.reasons, reason("lower-once-more").said(string(c.tree.Form)))
	return []draft{d}
}

// notching wakes low buds of a bare whip; eight weeks later treated and untreated buds are compared.
func notching(c *context) []draft {
	var out []draft
	bud := c.stage(almanac.BudBreak, 0)
	if c.tree.AsWhip && c.firstSeason() && !c.shrub() && !c.flat() && !c.tooSmall() {
		d := draft{kind: Notching, opens: after(bud, -28), closes: bud, reasons: []Reason{bud.reason("notch-low-buds"), reason("fair-trial")}, cautions: []string{"knife"}}
		if !c.tree.HasStake || !c.tree.HasMulch { // a woken bud grows only on a tree that stands and drinks
			d.reasons = append(d.reasons, reason("notch-needs-care"))
		}
		out = append(out, d)
	}
	if e, ok := finished(c.logged(Notching)); ok {
		at := later(logged(e.Date, 56), logged(bud.Day, 56))
		out = append(out, draft{kind: NotchLook, opens: at, closes: after(at, 14), reasons: []Reason{at.reason("treated-against-untreated")}})
	}
	return out
}

func youngCare(c *context) []draft {
	if c.age > formationYears {
		return nil
	}
	bud := c.stage(almanac.BudBreak, 0)
	return []draft{{
		kind: YoungCare, opens: later(bud, c.plantedBound()), closes: c.stage(almanac.ShootSlowing, 0),
		reasons: []Reason{reason("first-three-years").num(float64(c.age), "").over(formationYears)},
	}}
}

func (c *context) plantedBound() Bound { return c.at(Planting, 0) }

// needs: a stake, mulch, wires or a bigger tub that a tree should have and lacks books its own task.
func needs(c *context) []draft {
	if c.aim.Aim == Retire {
		return nil
	}
	var out []draft
	dormant := func(kind TaskKind, why Reason) {
		out = append(out, draft{kind: kind, opens: later(c.at(LeafFallBefore, 0), c.plantedBound()), closes: c.stage(almanac.BudBreak, 0), reasons: []Reason{why}})
	}
	if !c.tree.HasStake && c.tree.TubLitres == 0 && !c.flat() && (pomology.StakeForLife(c.tree.Class, c.tree.Form) || c.age <= 2) {
		why := reason("young-stake")
		if pomology.StakeForLife(c.tree.Class, c.tree.Form) {
			why = reason("weak-stock-stake").said(string(c.tree.Class))
		}
		if c.tree.Form == pomology.SlimLeader {
			why = reason("form-stake").said(string(c.tree.Form))
		}
		dormant(GiveStake, why)
	}
	if !c.tree.HasMulch && c.age <= formationYears && c.tree.TubLitres == 0 {
		spread, _ := c.tree.Crown()
		dormant(GiveMulch, reason("young-mulch").num(max(mulchLeastM, min(mulchMostM, spread)), "m"))
	}
	if !c.tree.HasWires && (c.tree.Form == pomology.WireTiers || c.tree.Form == pomology.StepOver || c.tree.Form == pomology.FlatFan) {
		dormant(GiveWires, reason("form-needs-wires").said(string(c.tree.Form)))
	}
	if cap := pomology.TubCap(c.tree.TubLitres); c.tree.TubLitres > 0 && max(c.tree.SpreadM, c.tree.HeightM) > cap {
		dormant(Repot, reason("crown-outgrows-tub").num(max(c.tree.SpreadM, c.tree.HeightM), "m").over(cap))
	}
	return out
}

// How wide a young tree's ring of mulch is: as its crown, within these (our estimates).
const (
	mulchLeastM = 1.0
	mulchMostM  = 2.0
)

// sprouts: suckers and water sprouts come off while soft.
func sprouts(c *context) []draft {
	if c.age <= 1 {
		return nil
	}
	d := draft{kind: Sprouts, opens: c.at(Shoots10, 0), closes: c.stage(almanac.ShootSlowing, 0)}
	d.reasons = []Reason{d.opens.reason("rub-out-soft"), reason("keep-one-to-fill-a-gap")}
	return []draft{d}
}

// Sizes of a cut that books its follow-up (year.md#tasks).
const (
	hardShare   = 0.15
	hardWoundMM = 25
)

// hardCut tells whether an entry was a hard cut.
func hardCut(e Entry) (Reason, bool) {
	if e.Kind != WorkEntry || !isCut(e.Task) || e.FreeOnly {
		return Reason{}, false
	}
	widest := 0.0
	for _, d := range e.CutMM {
		widest = max(widest, d)
	}
	switch {
	case widest >= hardWoundMM:
		return reason("hard-cut-wound").on(Logged, e.Date).num(widest, "mm").over(hardWoundMM), true
	case e.Share >= hardShare:
		return reason("hard-cut-share").on(Logged, e.Date).num(e.Share, "share").over(hardShare), true
	}
	return Reason{}, false
}

// mostWounds is how many wounds a sprout visit names.
const mostWounds = 4

// woundsOf names the limbs that were cut widest, the widest first: where a tree sprouts.
func woundsOf(e Entry) string {
	ws := slices.Clone(e.Wounds)
	slices.SortStableFunc(ws, func(a, b Wound) int { return cmp.Compare(b.MM, a.MM) })
	var names []string
	for _, w := range ws[:min(mostWounds, len(ws))] {
		if !slices.Contains(names, w.Limb) {
			names = append(names, w.Limb)
		}
	}
	return strings.Join(names, ", ")
}

// hardCutFollowUps books sprout visits three and eight weeks after bud break (after the cut when it was made in leaf)
// and the height at the solstice.
func hardCutFollowUps(c *context) []draft {
	var out []draft
	bud, solstice := c.stage(almanac.BudBreak, 0), c.at(SummerSolstice, 0)
	booked := false
	for _, e := range c.account.entries {
		why, hard := hardCut(e)
		if !hard || booked {
			continue
		}
		booked = true
		from := bud
		if e.Date > bud.Day {
			from = logged(e.Date, 0)
		}
		for i, weeks := range []int{3, 8} {
			at := after(from, 7*weeks)
			d := draft{kind: SproutVisit, n: i + 1, opens: at, closes: after(at, 10), reasons: []Reason{why, at.reason("sprout-visit").num(float64(weeks), "weeks")}}
			if names := woundsOf(e); names != "" {
				d.reasons = append(d.reasons, reason("sprouts-below").said(names))
			}
			out = append(out, d)
		}
		if e.Date < solstice.Day {
			out = append(out, draft{kind: MeasureHeight, opens: solstice, closes: after(solstice, 14), reasons: []Reason{why, solstice.reason("height-at-solstice")}})
		}
	}
	return out
}

// chooseShoot: where a stub or heading cut woke several shoots, one is chosen eight weeks into growth.
func chooseShoot(c *context) []draft {
	for _, e := range c.account.entries {
		if e.Headed {
			at := later(logged(e.Date, 56), c.stage(almanac.BudBreak, 56))
			return []draft{{kind: ChooseShoot, opens: at, closes: after(at, 28), reasons: []Reason{at.reason("one-of-several").said(e.Reason)}}}
		}
	}
	return nil
}

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

// paint: bark newly open to the sun gets white paint within three weeks (ours).
func paint(c *context) []draft {
	for _, e := range c.account.entries {
		if e.OpensSun && !c.school.Is("paint", "none") {
			at := logged(e.Date, 0)
			return []draft{{kind: Paint, opens: at, closes: after(at, 21), reasons: []Reason{at.reason("bark-open").by("paint", c.school.Value("paint"))}}}
		}
	}
	return nil
}
