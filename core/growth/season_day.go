package growth

import (
	"math"

	"vertumna/core/limb"
)

// grownBy is the part of a season's extension made by a moment of it.
func grownBy(at float64) float64 { return 1 - math.Pow(1-math.Min(1, at/growthEnds), 2) }

// leafFall settles the reserves and turns the year.
func (s *season) leafFall(p, f float64) {
	t := s.t
	t.fadeTempers()
	t.reff = rootMemory*t.reff*(1-s.qs*(1-f)) + (1-rootMemory)*p
	t.Season++
	out := s.as(limb.Dormant)
	out.Age++
	if out.Year > 0 {
		out.Year++
	}
	t.Map = out
}

// as is the map with the state that goes with it from season to season.
func (s *season) as(when limb.Season) *limb.Map {
	out := *s.m
	out.Season = when
	out.RRef, out.REff, out.Vig = limb.Of(s.t.rref), limb.Of(s.t.reff), limb.Of(s.t.vig)
	return &out
}

// day is the tree as it stands at this moment of the season.
func (s *season) day() *limb.Map { return s.as(limb.Summer) }

// Day grows a tree from winter to a moment of the season, without a summer cut: its day map and light. At 0: midsummer.
func Day(t Tree, dormant []Cut, at float64) (*limb.Map, limb.Light, error) {
	var m *limb.Map
	var l limb.Light
	_, err := Next(t, Work{Dormant: dormant, At: at, Slip: func(day *limb.Map, light limb.Light) ([]Cut, error) {
		m, l = day, light
		return nil, nil
	}})
	return m, l, err
}

// CarryTo grows a tree uncut to a half of a growth year: its winter, or midsummer. A tree that stands there already, or later, is as it
// was. Errors: those of Next and Close.
func CarryTo(t Tree, season limb.Season, year int) (Tree, error) {
	for t.Map.Year < year || t.Map.Year == year && t.Map.Season == limb.Dormant && season == limb.Summer {
		var err error
		switch {
		case t.Map.Season == limb.Summer:
			t, err = Close(t, nil, 0)
		case t.Map.Year < year:
			t, err = Next(t, Work{})
		default:
			t.Map, _, err = Day(t, nil, 0)
		}
		if err != nil {
			return t, err
		}
	}
	return t, nil
}

// Close makes the cuts of a summer map and brings it to leaf fall: what they wake waits for spring. At 0: midsummer.
// Errors: those of limb.Map.Cut.
func Close(t Tree, cuts []Cut, at float64) (Tree, error) {
	if at == 0 {
		at = Midsummer
	}
	next := t
	next.Given = copyOf(t.Given)
	s := newSeason(&next, t.Map)
	s.calibrate()
	s.readTempers()
	s.meetTwin()
	p, f := s.reserves(), at*at
	s.share(nil)
	made, taken, err := s.make(cuts)
	if err != nil {
		return t, err
	}
	s.qs = taken
	s.relight()
	p = f*p + (1-f)*s.reserves()
	for _, c := range made {
		for _, w := range s.wakes(c, s.qs, true) {
			w.rank *= weakerNextSpring
			next.pending = append(next.pending, w)
		}
	}
	s.dropFresh()
	s.leafFall(p, f)
	return next, nil
}
