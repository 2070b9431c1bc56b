package training

import (
	"math"

	"vertumna/core/limb"
)

// stemSteps are the steps that end a stem at a height: for the next limbs under it, or for good.
var stemSteps = map[StepKind]bool{Head: true, NextTier: true, HeadWire: true, StopAt: true, EndLeader: true}

// topSteps are those that end every top at a height, in summer.
var topSteps = map[StepKind]bool{Level: true, Hold: true}

// CutsIn are the cuts that a tree's way asks for in a year of its life, on its map as it stands by then: its stem headed or stopped at a
// height, or all its tops levelled. headCM is where it is headed at planting, by its buds; 0: in the middle of the window. Steps that are
// done or were missed ask for none. Cost: the limbs of the map.
func (w Way) CutsIn(m *limb.Map, life int, headCM float64) []limb.CutAt {
	var out []limb.CutAt
	summer := m.Season == limb.Summer
	for _, s := range w.Steps {
		if s.Year != life || s.State != "now" && s.State != "ahead" || s.CM <= 0 {
			continue
		}
		height := s.CM
		if s.HighCM > s.CM {
			height = (s.CM + s.HighCM) / 2
		}
		if s.What == Head && headCM > 0 {
			height = headCM + aboveBudCM
		}
		switch {
		case !summer && stemSteps[s.What]:
			for _, i := range m.Stems() {
				if c, ok := endAt(m, i, height); ok {
					out = append(out, c)
				}
			}
		case summer && topSteps[s.What]:
			for i := range m.Axes {
				if c, ok := endAt(m, i, height); ok && !m.WhollyDead(i) {
					out = append(out, c)
				}
			}
		}
	}
	return out
}

// endAt is the cut above the last bud of a limb below a height; false where the limb does not pass it, or starts above it.
func endAt(m *limb.Map, i int, heightCM float64) (limb.CutAt, bool) {
	a := &m.Axes[i]
	if m.Base(i).Z >= heightCM || m.At(i, a.L).Z <= heightCM+aboveBudCM {
		return limb.CutAt{}, false
	}
	low, high := 0.0, a.L // where it passes the height
	for high-low > 0.1 {
		if mid := (low + high) / 2; m.At(i, mid).Z < heightCM {
			low = mid
		} else {
			high = mid
		}
	}
	at := 0.0
	for k := range a.Rings {
		for _, n := range m.Nodes(i, k, nil) {
			if n.N > 0 && n.At+aboveBudCM <= high {
				at = math.Max(at, n.At+aboveBudCM)
			}
		}
	}
	if at <= 0 {
		return limb.CutAt{}, false
	}
	return limb.CutAt{Limb: a.ID, Kind: limb.AboveBud, AtCM: at}, true
}
