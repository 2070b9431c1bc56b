package growth

import (
	"math"
	"strconv"
	"strings"

	"vertumna/core/limb"
)

// faults are what can be planted in a sketch, each on a limb picked from its stream.
var faults = map[string]func(s *sketch, id string){
	"dead":         func(s *sketch, _ string) { s.mark(limb.Dead, 0) },
	"diseased":     func(s *sketch, _ string) { s.mark(limb.Diseased, 0.5) },
	"damaged":      func(s *sketch, _ string) { s.mark(limb.Damaged, 0.5) },
	"borer":        func(s *sketch, _ string) { s.mark(limb.Borer, 0.5) },
	"sucker":       (*sketch).plantSucker,
	"water-sprout": (*sketch).plantSprout,
	"inward":       (*sketch).plantInward,
	"crossing":     (*sketch).plantCrossing,
	"competitor":   (*sketch).plantCompetitor,
	"hanging":      (*sketch).plantHanging,
	"low":          (*sketch).plantLow,
	"narrow":       (*sketch).plantNarrow,
}

// pools are the limbs faults are planted on, listed before the first.
func (s *sketch) pools() {
	for _, t := range s.twigs {
		if strings.Contains(t.id, ".") && t.length >= faultOnCM {
			s.old = append(s.old, t.id)
		}
		if t.parent == "T" {
			s.sca = append(s.sca, t.id)
		}
	}
	if len(s.sca) == 0 { // a shrub: its stems
		for _, t := range s.twigs {
			if t.parent == "" {
				s.sca = append(s.sca, t.id)
			}
		}
	}
}

func (s *sketch) plant(n int, fault string) { faults[fault](s, "F"+strconv.Itoa(n)) }

// pick draws an unused limb of a pool, any where none is unused.
func (s *sketch) pick(pool []string) *twig {
	var free []string
	for _, id := range pool {
		if !s.used[id] {
			free = append(free, id)
		}
	}
	if len(free) == 0 {
		free = pool
	}
	id := free[int(s.draw.U()*float64(len(free)))]
	s.used[id] = true
	return s.twig(id)
}

func (s *sketch) twig(id string) *twig {
	for i := range s.twigs {
		if s.twigs[i].id == id {
			return &s.twigs[i]
		}
	}
	return &s.twigs[0]
}

func (s *sketch) mark(kind string, part float64) {
	pool := s.old
	if len(pool) == 0 {
		pool = s.sca
	}
	t := s.pick(pool)
	t.marks = append(t.marks, limb.Mark{Kind: kind, AtCM: round1(part * t.length)})
}

// graft adds a one-ring limb, held to what its parent can carry.
func (s *sketch) graft(t twig) {
	p := s.twig(t.parent)
	t.at = round1(math.Min(t.at, p.length))
	t.az, t.length, t.d = round1(mod360(t.az)), round1(t.length), round1(math.Min(t.d, p.d))
	t.dt = math.Min(s.g.TipMM, t.d)
	t.rings = []float64{t.length}
	s.add(t)
}

func (s *sketch) plantSucker(id string) {
	az := s.draw.Uni(0, 360)
	s.graft(twig{id: id, parent: s.twigs[0].id, at: suckerAtCM, az: az, a0: suckerShape.a0, a1: suckerShape.a1, length: s.some(suckerCM), d: suckerShape.d, sucker: true})
}

func (s *sketch) plantSprout(id string) {
	on := s.pick(s.sca)
	at := on.length * s.some(sproutAt)
	az := on.az + s.some(faultAround)
	s.graft(twig{id: id, parent: on.id, at: at, az: az, a0: sproutShape.a0, a1: sproutShape.a1, length: s.some(sproutCM), d: sproutShape.d})
}

func (s *sketch) plantInward(id string) {
	on := s.pick(s.sca)
	at := on.length * s.some(inwardAt)
	az := on.az + 180 + s.some(faultAlong)
	s.graft(twig{id: id, parent: on.id, at: at, az: az, a0: inwardShape.a0, a1: inwardShape.a1, length: s.some(inwardCM), d: inwardShape.d})
}

func (s *sketch) plantCrossing(id string) {
	on := s.pick(s.sca)
	nearest, turn := math.Inf(1), 1.0
	for _, other := range s.sca {
		if other == on.id {
			continue
		}
		d := mod360(s.twig(other).az - on.az)
		if apart := math.Min(d, 360-d); apart < nearest || apart == nearest && other < on.id {
			nearest, turn = apart, 1
			if d > 180 {
				turn = -1
			}
		}
	}
	at := 0.5 * on.length
	th := on.theta(at)
	s.graft(twig{id: id, parent: on.id, at: at, az: on.az + turn*90, a0: th, a1: th, length: crossingShare * on.length, d: crossingMM})
}

func (s *sketch) plantCompetitor(id string) {
	t := &s.twigs[0]
	last := t.rings[len(t.rings)-1]
	s.graft(twig{id: id, parent: t.id, at: math.Max(0, t.length-last-competitorBelowCM), az: s.draw.Uni(0, 360), a0: competitorShape.a0, a1: competitorShape.a1, length: last + competitorUp, d: competitorShape.d})
}

func (s *sketch) plantHanging(id string) {
	on := s.pick(s.sca)
	az := on.az + s.some(hangingTurn)
	s.graft(twig{id: id, parent: on.id, at: hangingAt * on.length, az: az, a0: hangingShape.a0, a1: hangingShape.a1, length: s.some(hangingCM), d: hangingShape.d})
}

func (s *sketch) plantLow(id string) {
	az := s.draw.Uni(0, 360)
	s.graft(twig{id: id, parent: s.twigs[0].id, at: lowAtCM, az: az, a0: lowShape.a0, a1: lowShape.a1, length: s.some(lowCM), d: lowShape.d})
}

func (s *sketch) plantNarrow(id string) {
	on := s.pick(s.sca)
	th := on.theta(narrowAt * on.length)
	s.graft(twig{id: id, parent: on.id, at: narrowAt * on.length, az: on.az, a0: math.Max(0, th-narrowLeanDeg), a1: math.Max(0, th-narrowEndDeg), length: narrowShare * on.length, d: narrowShare * on.d})
}
