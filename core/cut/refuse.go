package cut

import (
	"math"
	"slices"

	"vertumna/core/find"
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

// refusals are asked in this order; the first that answers refuses the cut. A new rule is a function here.
var refusals = []func(*run, *made, int) Why{
	(*run).tooIncomplete, (*run).locked, (*run).tooWet, (*run).strips, (*run).takesYoung, (*run).tooManyBig, (*run).overLimit, (*run).heldForHeight,
	(*run).overZone,
}

// refusal says why a cut is not made, "" where it is.
func (r *run) refusal(m *made, finding int) Why {
	for _, rule := range refusals {
		if why := rule(r, m, finding); why != "" {
			return why
		}
	}
	return ""
}

// How well a tree must be known before a cut of a size (limb page, 7; judgement).
const (
	knownForSmall, knownForMiddle, knownForBig = 0.40, 0.55, 0.70
	smallShare, middleShare                    = 0.05, 0.15
	guessedCounts                              = 0.7
)

func (r *run) tooIncomplete(m *made, finding int) Why {
	conf := r.p.confident
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

// held: to be kept, protected, or tied to a device.
func (j *Judge) held(i int) bool {
	if j.m.Has(i, limb.Keep) {
		return true
	}
	s := j.m.State(i)
	return s != nil && (s.Kind == "protected" || s.Kind == "tied")
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

func (r *run) tooWet(m *made, finding int) Why {
	f := r.p.findings[finding]
	return when(stone(r.p.m) && !r.p.o.StoneAnyTime && !r.p.summer() && m.DMM >= wetWoodMM && f.Step > sickStep && f.Code != "sucker", DryWeather)
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
	return when(big >= mostBig && r.p.findings[finding].Code != "dead", BigWounds)
}

func (r *run) overLimit(m *made, finding int) Why {
	if r.used+r.cost(m) <= r.cap+1e-9 {
		return ""
	}
	if r.calms(r.p.findings[finding]) {
		return OverToSummer
	}
	return OverToWinter
}

// calms: work that is better done in summer, for it calms the tree.
func (r *run) calms(f find.Finding) bool {
	switch f.Code {
	case "over_height", "crowsfoot", "headed_again", "water_sprout", "long_shoot":
		return !r.p.summer()
	}
	return false
}

// softSeverity: what is worse than this in steps 4 and 5 does not wait for the tops (a hard crotch, a rival of the leader).
const softSeverity = 0.8

// heldForHeight: soft findings of steps 4 and 5 do not spend what the cheapest way of bringing the tops to reach needs
// within the year's account, for height is what people come for. What itself lowers the tops by as much as it costs is made.
func (r *run) heldForHeight(m *made, finding int) Why {
	f := r.p.findings[finding]
	if !r.keep || f.Step != 4 && f.Step != 5 || f.Severity >= softSeverity || m.exempt {
		return ""
	}
	if r.needs == nil {
		r.needs = new(r.topsNeed(nil))
	}
	left, need := r.level-r.used, *r.needs
	cost, after := r.cost(m), r.topsNeed(m)
	holds := need > 0 && left-cost < after-1e-9 && need-after < cost-1e-9
	r.held = r.held || holds
	return when(holds, KeptForHeight)
}

// stageNeed is what the best part of the way costs that this year's account can pay, for a top that it cannot bring to reach.
func (r *run) stageNeed(k int, with *made) float64 {
	for _, s := range r.stagesOf(k) {
		cost := r.net(s.option) * (1 - r.p.o.Used)
		switch {
		case cost > r.level-r.p.o.Used:
		case with != nil && r.p.inside(s.CutAt, with.CutAt, s.limbAt, with.limbAt): // that cut does as much
			return 0
		default:
			return cost
		}
	}
	return 0
}

// lowers are the cuts that bring a top to reach.
func (p *Planner) lowers(k int) []*option {
	if known, asked := p.lowering[k]; asked {
		return known
	}
	var out []*option
	for _, q := range p.questions(p.findings[k]) {
		for _, o := range p.ask(q) {
			if o.Score >= 0 && takesAll(o.Kind) && slices.Contains(o.solves, k) {
				out = append(out, o)
			}
		}
	}
	p.lowering[k] = out
	return out
}

// topsNeed is the least share that brings the tops still open to reach, were one more cut made: the cheapest cut for each,
// the highest top first, none counted twice. Tops that no cut of the tree brings down need nothing.
func (r *run) topsNeed(with *made) float64 {
	need := 0.0
	solved := map[int]bool{}
	mark := func(does []int) {
		for _, k := range does {
			solved[k] = true
		}
	}
	for _, c := range r.made {
		mark(c.solves)
	}
	if with != nil {
		mark(with.solves)
	}
	for _, k := range r.p.tops {
		if solved[k] {
			continue
		}
		best := -1.0
		var does []int
		for _, o := range r.p.lowers(k) {
			if n := r.net(o); best < 0 || n < best {
				best, does = n, o.solves
			}
		}
		if best < 0 {
			continue
		}
		if cost := best * (1 - r.p.o.Used); cost <= r.level-r.p.o.Used {
			need += cost
			mark(does)
		} else {
			need += r.stageNeed(k, with)
		}
	}
	return need
}
