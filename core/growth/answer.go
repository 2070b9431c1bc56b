package growth

import (
	"cmp"
	"math"
	"slices"

	"vertumna/core/limb"
)

// Shoots are the shoots of one season about a place.
type Shoots struct {
	N         int
	LongestCM float64
}

// Answer is what grew about one cut in the season after it, beside what was forecast there.
type Answer struct {
	Limb           string // that was cut
	Kind           limb.CutKind
	Forecast, Came Shoots
}

// Difference is how much more came than was forecast, in cm of the longest shoot; negative where less came.
func (a Answer) Difference() float64 { return a.Came.LongestCM - a.Forecast.LongestCM }

// Where shoots answer a cut: from so far below it to a little above, cm; shorter ones are spurs and rosettes (our estimates).
const (
	answerBelowCM = 30
	answerAboveCM = 3
	answerFromCM  = 5
)

// answers sets beside one another, cut by cut, what a season was forecast to grow about the place and what the next map has there; the
// longest shoots first. A cut whose limb or carrier is no longer on the map is left out: nothing can be seen there.
func answers(before, forecast, now *limb.Map, work Work, made []Made) []Answer {
	var out []Answer
	asked := Made{On: before}
	for _, c := range slices.Concat(work.Dormant, work.Summer) {
		asked.Cuts = append(asked.Cuts, c.CutAt)
	}
	for _, m := range append(made, asked) {
		for _, c := range m.Cuts {
			on, at, ok := placeOf(m.On, c)
			if !ok {
				continue
			}
			f, okF := shootsAt(m.On, forecast, on, at)
			s, okS := shootsAt(m.On, now, on, at)
			if okF && okS {
				out = append(out, Answer{c.Limb, c.Kind, f, s})
			}
		}
	}
	slices.SortStableFunc(out, func(a, b Answer) int {
		return cmp.Compare(math.Max(b.Came.LongestCM, b.Forecast.LongestCM), math.Max(a.Came.LongestCM, a.Forecast.LongestCM))
	})
	return out
}

// placeOf is the limb that stays where a cut was made, and how far from its base: what goes whole answers on its carrier.
func placeOf(m *limb.Map, c limb.CutAt) (on string, at float64, ok bool) {
	i := m.Index(c.Limb)
	if i < 0 {
		return "", 0, false
	}
	a := &m.Axes[i]
	switch {
	case c.Kind == limb.SpurThin || c.Kind == limb.Notch:
		return "", 0, false // nothing was shortened
	case c.Kind == limb.Collar && a.Parent >= 0:
		return m.Axes[a.Parent].ID, a.Attach, true
	case c.Kind == limb.Collar:
		return "", 0, false
	}
	return c.Limb, c.AtCM, true
}

// shootsAt are the shoots of one season near a place that the map of before did not have, and the end that grew on from it.
func shootsAt(before, m *limb.Map, on string, at float64) (out Shoots, ok bool) {
	i := m.Index(on)
	if i < 0 || m.Axes[i].L < at-answerBelowCM {
		return out, false
	}
	add := func(cm float64) {
		if cm >= answerFromCM {
			out.N++
			out.LongestCM = math.Max(out.LongestCM, cm)
		}
	}
	a := &m.Axes[i]
	if was := before.Index(on); was >= 0 && a.L > at && at < before.Axes[was].L-1 { // a bud near the cut leads on
		add(a.L - at)
	}
	for _, k := range a.Children {
		s := &m.Axes[k]
		near := s.Attach >= at-answerBelowCM && s.Attach <= at+answerAboveCM
		if near && len(s.Rings) == 1 && before.Index(s.ID) < 0 && !m.WhollyDead(k) {
			add(s.L)
		}
	}
	return out, true
}
