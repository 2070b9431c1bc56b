package almanac

import "sort"

// CourseDay is how far a tree has come by the end of a day: chill portions, and warmth as a share of what full bloom asks for.
type CourseDay struct {
	Date     Day
	Portions float64
	Warmth   float64
}

// Course is how a winter's cold and a spring's warmth gather for one tree, day by day, from the start of its count to full bloom: the middle
// of the ensemble's members, which agree on the days that are known.
type Course struct {
	Need  float64 // portions
	Heat  float64 // degree hours (GDH) of the kind and its class where the cold is saturated
	Met   Span    // the day the need is met
	Days  []CourseDay
	Known Day // last day that is known; NoDay: none
}

// Course follows one tree's cold and warmth. Errors: as Stages. Cost: members times days.
func (e *Ensemble) Course(r StageRequest) (Course, error) {
	spans, err := e.Stages(r)
	if err != nil {
		return Course{}, err
	}
	r.Season = e.Season
	if err := r.prepare(e.south); err != nil {
		return Course{}, err
	}
	c := calendarOf(r.Season, e.south)
	out := Course{Need: spans.ChillNeed, Heat: r.heat, Met: spans.ChillMet, Known: e.Known}
	from, to := NoDay, c.force
	type member struct {
		sums *portionSums
		run  heatRun
		met  Day
	}
	members := make([]member, 0, len(e.tracks))
	for _, t := range e.tracks {
		res := t.stages(&r, c)
		m := member{sums: t.portionsFrom(res.ChillStart), met: res.ChillMet}
		if res.ChillMet.Known() {
			short := 0.0
			if res.ChillStatus == "short" {
				short = max(0, 1-res.PortionsAtMet/r.need)
			}
			m.run = t.heatRun(res.ChillMet, r.heat*(1+short))
		}
		if !from.Known() || res.ChillStart < from {
			from = res.ChillStart
		}
		members = append(members, m)
	}
	if last := spans.Spans[FullBloom].Late; last.Known() {
		to = last
	}
	chill, warmth := make([]float64, len(members)), make([]float64, len(members))
	for d := from; d <= to; d++ {
		for i, m := range members {
			chill[i], warmth[i] = m.sums.at(d), m.run.by(d)
		}
		out.Days = append(out.Days, CourseDay{d, middle(chill), min(1, middle(warmth))})
	}
	return out, nil
}

// by is the progress at the end of a day: none before the chill was met.
func (h heatRun) by(d Day) float64 {
	if len(h.r) == 0 || d <= h.met {
		return 0
	}
	return h.r[min(len(h.r)-1, int(d-h.met)-1)]
}

func middle(xs []float64) float64 {
	s := append([]float64(nil), xs...)
	sort.Float64s(s)
	return s[len(s)/2]
}
