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
		if strings.Contains(t.id, ".") && t.length >= 25 {
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
	s.graft(twig{id: id, parent: s.twigs[0].id, at: 2, az: az, a0: 15, a1: 5, length: s.draw.Uni(70, 130), d: 9, sucker: true})
}

func (s *sketch) plantSprout(id string) {
	on := s.pick(s.sca)
	at := on.length * s.draw.Uni(0.3, 0.6)
	az := on.az + s.draw.Uni(-20, 20)
	s.graft(twig{id: id, parent: on.id, at: at, az: az, a0: 8, a1: 3, length: s.draw.Uni(80, 140), d: 11})
}

func (s *sketch) plantInward(id string) {
	on := s.pick(s.sca)
	at := on.length * s.draw.Uni(0.5, 0.7)
	az := on.az + 180 + s.draw.Uni(-15, 15)
	s.graft(twig{id: id, parent: on.id, at: at, az: az, a0: 60, a1: 55, length: s.draw.Uni(45, 80), d: 9})
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
	s.graft(twig{id: id, parent: on.id, at: at, az: on.az + turn*90, a0: th, a1: th, length: 0.9 * on.length, d: 13})
}

func (s *sketch) plantCompetitor(id string) {
	t := &s.twigs[0]
	last := t.rings[len(t.rings)-1]
	s.graft(twig{id: id, parent: t.id, at: math.Max(0, t.length-last-8), az: s.draw.Uni(0, 360), a0: 18, a1: 5, length: last + 12, d: 12})
}

func (s *sketch) plantHanging(id string) {
	on := s.pick(s.sca)
	az := on.az + s.draw.Uni(-40, 40)
	s.graft(twig{id: id, parent: on.id, at: 0.7 * on.length, az: az, a0: 95, a1: 140, length: s.draw.Uni(40, 70), d: 9})
}

func (s *sketch) plantLow(id string) {
	az := s.draw.Uni(0, 360)
	s.graft(twig{id: id, parent: s.twigs[0].id, at: 22, az: az, a0: 88, a1: 92, length: s.draw.Uni(50, 90), d: 14})
}

func (s *sketch) plantNarrow(id string) {
	on := s.pick(s.sca)
	th := on.theta(0.35 * on.length)
	s.graft(twig{id: id, parent: on.id, at: 0.35 * on.length, az: on.az, a0: math.Max(0, th-18), a1: math.Max(0, th-20), length: 0.55 * on.length, d: 0.55 * on.d})
}
