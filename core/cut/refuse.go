package cut

import (
	"cmp"
	"math"
	"slices"

	"vertumna/core/find"
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// refusals are asked in this order; the first that answers refuses the cut. A new rule is a function here.
var refusals = []func(*run, *made, int) Why{
	(*run).tooIncomplete, (*run).locked, (*run).byState, (*run).takesMoved, (*run).takesHeir, (*run).tooWet, (*run).strips, (*run).takesYoung, (*run).tooManyBig, (*run).overLimit,
	(*run).overZone,
}

// refusal says why a cut is not made, "" where it is.
func (r *run) refusal(m *made, finding int) Why {
	if r.endless { // what is done over years only asks what may be cut at all
		return cmp.Or(r.locked(m, finding), r.takesHeir(m, finding))
	}
	for _, rule := range refusals {
		if why := rule(r, m, finding); why != "" {
			return why
		}
	}
	return ""
}

// How well a tree must be known before a cut of a size (limbs.md#7-the-cut-plan; judgement).
const (
	knownForSmall, knownForMiddle, knownForBig = 0.40, 0.55, 0.70
	smallShare, middleShare                    = 0.05, 0.15
	guessedCounts                              = 0.7
	// A top is cut at a height that everybody sees: the map need not be sure of it (reach.md#height; our estimate).
	knownForTops = 0.25
)

func (r *run) tooIncomplete(m *made, finding int) Why {
	conf := r.p.confident
	if r.p.o.AimFirst && r.p.findings[finding].Code == find.OverHeight {
		return when(conf < knownForTops, Incomplete)
	}
	if m.unsure || r.p.guessed(r.p.m.Index(r.p.findings[finding].Limb)) {
		conf *= guessedCounts
	}
	needed := knownForBig
	switch {
	case m.Share < smallShare:
		needed = knownForSmall
	case m.Share < middleShare:
		needed = knownForMiddle
	}
	return when(conf < needed, Incomplete)
}

// locked: a protected or tied limb would go with it.
func (r *run) locked(m *made, _ int) Why {
	if !takesAll(m.Kind) {
		return ""
	}
	for _, i := range r.p.m.Subtree(m.limbAt) {
		if r.p.held(i) && r.p.reaches(m.CutAt, m.limbAt, i, r.p.m.Axes[i].L) && !r.p.sickFrom(i) {
			return Locked
		}
	}
	return ""
}

// byState: a person keeps the limb for a time, or lets it grow; what carries it may still be cut.
func (r *run) byState(m *made, finding int) Why {
	f := r.p.findings[finding]
	if !takesAll(m.Kind) || f.Step == sickStep {
		return ""
	}
	s := r.p.m.State(m.limbAt)
	switch {
	case s == nil || s.Due != "" && r.p.day != "" && s.Due <= r.p.day || r.p.finding(find.TimeOver, m.Limb) != nil:
		return ""
	case s.Due == "" && r.p.o.YearsOn && s.Kind != limb.Temporary && s.Kind != limb.Extending: // nobody keeps it so for years
		return ""
	}
	switch s.Kind {
	case limb.Undecided, limb.LeftToBend, limb.Extending, limb.Temporary, limb.OneSeason:
		return StateKeeps
	}
	return ""
}

// takesMoved: a cut that a person put where they want it would go with this one.
func (r *run) takesMoved(m *made, _ int) Why {
	if !r.p.o.AimFirst || m.moved {
		return ""
	}
	for _, c := range r.made {
		if c.moved && r.p.inside(c.CutAt, m.CutAt, c.limbAt, m.limbAt) {
			return MovedByYou
		}
	}
	return ""
}

// held: to be kept, protected, or tied to a device.
func (j *Judge) held(i int) bool {
	if j.m.Has(i, limb.Keep) {
		return true
	}
	s := j.m.State(i)
	if s == nil || s.Kind == limb.Tied && s.Due != "" && j.day != "" && s.Due <= j.day { // by then its device is off
		return false
	}
	return s.Kind == limb.Protected || s.Kind == limb.Tied
}

// sickFrom: sick or dead wood is cut whoever holds it.
func (j *Judge) sickFrom(i int) bool {
	for _, k := range j.m.Axes[i].Marks {
		switch k.Kind {
		case limb.Dead, limb.Diseased, limb.Damaged, limb.Borer:
			return true
		}
	}
	return false
}

// wetWoodMM: thicker wood of stone fruit waits for dry summer weather.
const wetWoodMM = 15

// tooWet: the wounds of stone fruit meet canker and wood rot in a wet winter. The aims keep all live wood of the group, as the year
// does; the rules of limbs keep the thick wood of the kinds that need it most.
func (r *run) tooWet(m *made, finding int) Why {
	if r.dry || r.p.o.StoneAnyTime || r.p.summer() {
		return ""
	}
	f := r.p.findings[finding]
	waits := stone(r.p.m) && m.DMM >= wetWoodMM
	if r.p.o.AimFirst {
		waits = r.p.m.Kind.Group == pomology.Stone
	}
	return when(waits && f.Step > sickStep && f.Code != find.Sucker, DryWeather)
}

// A limb is stripped when less than this is left of its flower buds, if it had some.
const (
	leastFlowers = 3
	leastKept    = 0.10
)

// strips: some limb on the way down would be left bare of flower buds.
func (r *run) strips(m *made, _ int) Why {
	if m.exempt {
		return ""
	}
	takes := -1.0 // not counted yet
	i := m.limbAt
	if m.AtCM <= 0 || m.Kind == limb.Stub || m.Kind == limb.SoundWood {
		i = r.p.m.Axes[i].Parent
	}
	for ; i >= 0 && !r.p.m.IsStem(i); i = r.p.m.Axes[i].Parent {
		all := r.p.flowers[i]
		if all < leastFlowers {
			continue
		}
		if takes < 0 {
			takes = r.flowersIn(m)
		}
		if r.flowers[i]-takes < leastKept*all-1e-9 {
			return Strips
		}
	}
	return ""
}

// flowersIn are the flower buds that one more cut takes of what the chosen cuts leave.
func (r *run) flowersIn(more *made) float64 {
	takes := 0.0
	for _, k := range r.p.m.Subtree(more.limbAt) {
		if k == more.limbAt || r.p.reaches(more.CutAt, more.limbAt, k, 0) {
			takes += r.flowersOn(k, nil) - r.flowersOn(k, more)
		}
	}
	return takes
}

// flowersOn are the flower buds on a limb itself.
func (r *run) flowersOn(i int, more *made) float64 {
	left := 0.0
	r.eachPiece(i, more, func(piece limb.Piece, part float64) { left += part * piece.Buds })
	return left
}

// countFlowers sums what the chosen cuts leave of a limb and all it carries, and passes the loss on down the tree.
func (r *run) countFlowers(i int) {
	was := r.flowers[i]
	for _, k := range slices.Backward(r.p.m.Subtree(i)) {
		r.flowers[k] = r.flowersOn(k, nil)
		for _, c := range r.p.m.Axes[k].Children {
			r.flowers[k] += r.flowers[c]
		}
	}
	for k := r.p.m.Axes[i].Parent; k >= 0; k = r.p.m.Axes[k].Parent {
		r.flowers[k] -= was - r.flowers[i]
	}
}

// eachPiece visits a limb's pieces with the part of each that stays after the chosen cuts and one more.
func (r *run) eachPiece(i int, more *made, visit func(piece limb.Piece, part float64)) {
	at, thinned := r.stands(i, more)
	for _, piece := range r.p.fruit[i] {
		part := math.Max(0, math.Min(1, (at-piece.From)/(piece.To-piece.From)))
		visit(piece, part*(1-thinned((piece.From+piece.To)/2)))
	}
}

// budsTaken are the fruit buds that all chosen cuts take together, within reach and above it.
func (r *run) budsTaken() (within, above float64) {
	for i := range r.p.m.Axes {
		r.eachPiece(i, nil, func(piece limb.Piece, part float64) {
			if piece.MidZ <= r.p.reachCM {
				within += piece.Buds * (1 - part)
			} else {
				above += piece.Buds * (1 - part)
			}
		})
	}
	return within, above
}

// endsAt is how far a limb stands after the chosen cuts and one more, cm; below 0: it is gone.
func (r *run) endsAt(i int, more *made) float64 {
	at := math.Min(r.p.m.Axes[i].L, r.at[i])
	switch {
	case more == nil || !takesAll(more.Kind):
	case more.limbAt == i:
		at = math.Min(at, more.AtCM)
	case r.p.reaches(more.CutAt, more.limbAt, i, 0):
		at = goneAt
	}
	return at
}

// stands is how far a limb stands after the chosen cuts and one more, cm (below 0: it is gone), and what part of the spurs
// at a place is thinned out.
func (r *run) stands(i int, more *made) (at float64, thinned func(s float64) float64) {
	thin := r.thin
	if more != nil && more.Kind == limb.SpurThin {
		thin = append(slices.Clone(thin), more)
	}
	return r.endsAt(i, more), func(s float64) float64 {
		for _, c := range thin {
			if c.limbAt == i && s >= c.AtCM && s < c.ToCM {
				return c.Fraction
			}
		}
		return 0
	}
}

// youngShoot is a one-year shoot of a kind that fruits on such, within reach.
type youngShoot struct {
	limb int
	from float64 // where its ring starts
}

const (
	leastYoungCM  = 15
	youngStandsCM = 8
)

func onLastYear(m *limb.Map) bool { return m.Kind.Growth.Bearing == pomology.OnLastYear }

func (p *Planner) youngShoots() []youngShoot {
	if !onLastYear(p.m) {
		return nil
	}
	var out []youngShoot
	for i := range p.m.Axes {
		a := &p.m.Axes[i]
		st, e := a.LastRing()
		if a.Tip == limb.Growing && !p.m.WhollyDead(i) && p.m.DeadAt(i) > a.L && !a.Sucker && !a.Sprout && e >= leastYoungCM && p.m.At(i, st).Z <= p.reachCM {
			out = append(out, youngShoot{i, st})
		}
	}
	return out
}

// takesYoung: fewer than half of the one-year shoots would stay.
func (r *run) takesYoung(m *made, _ int) Why {
	if len(r.p.young) == 0 {
		return ""
	}
	stay, takes := 0, false
	for _, y := range r.p.young {
		if r.endsAt(y.limb, m) >= y.from+youngStandsCM {
			stay++
			continue
		}
		takes = takes || r.p.reaches(m.CutAt, m.limbAt, y.limb, y.from+youngStandsCM)
	}
	return when(takes && stay < (len(r.p.young)+1)/2, FewShoots)
}

// mostBig wounds a tree year.
const mostBig = 2

func (r *run) tooManyBig(m *made, finding int) Why {
	if m.DMM <= BigWoundMM {
		return ""
	}
	big := r.big
	for _, c := range r.made {
		if c.DMM > BigWoundMM && r.p.inside(c.CutAt, m.CutAt, c.limbAt, m.limbAt) {
			big--
		}
	}
	return when(big >= mostBig && r.p.findings[finding].Code != find.DeadWood, BigWounds)
}

func (r *run) overLimit(m *made, finding int) Why {
	most := r.cap
	if r.soft(finding) {
		most = r.softCap
	}
	if r.used+r.cost(m) <= most+1e-9 || r.cost(m) == 0 {
		return ""
	}
	switch {
	case r.p.summer() && r.p.o.NoLeaf != "":
		return NotInLeaf
	case r.p.o.AimFirst && r.p.findings[finding].Code == find.OverHeight:
		return NextYear
	case r.calms(r.p.findings[finding]):
		return OverToSummer
	}
	return OverToWinter
}

// calms: work that is better done in summer, for it calms the tree.
func (r *run) calms(f find.Finding) bool {
	switch f.Code {
	case find.OverHeight, find.Crowsfoot, find.HeadedAgain, find.WaterSprout, find.LongShoot:
		return !r.p.summer()
	}
	return false
}
