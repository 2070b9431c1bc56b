package almanac

import "math"

// fruitMark is where the fruit stages start from: full bloom, or the latest fruit stage seen.
type fruitMark struct {
	bloom Day
	seen  Dates
	stage Stage // StageCount when none was seen
	value float64
}

func (r *StageRequest) fruitMark(bloom Day) fruitMark {
	m := fruitMark{bloom: bloom, seen: noDates(), stage: StageCount}
	for _, o := range r.Observed {
		if o.Stage.fruit() {
			m.seen[o.Stage] = o.Date
		}
	}
	for s := PetalFall; s < StageCount; s++ {
		d := m.seen[s]
		if d.Known() && (m.stage == StageCount || d > m.seen[m.stage] || d == m.seen[m.stage] && r.value(s) > m.value) {
			m.stage, m.value = s, r.value(s)
		}
	}
	return m
}

// fruitDay is the day the fruit reaches a value of degree days after full bloom.
func (t *track) fruitDay(r *StageRequest, m fruitMark, value float64) Day {
	if m.stage == StageCount {
		d := t.degreeDay(m.bloom, value)
		if d.Known() {
			d += Day(round0(r.OffsetFruit))
		}
		return d
	}
	mark := m.seen[m.stage]
	if value > m.value {
		return t.degreeDay(mark, value-m.value)
	}
	d := t.degreeDay(m.bloom, value)
	if !d.Known() || d > mark {
		return mark
	}
	return d
}

// fruit dates the fruit stages by degree days after full bloom.
func (t *track) fruit(r *StageRequest, res *StageResult) {
	m := r.fruitMark(res.Dates[FullBloom])
	for s := PetalFall; s < StageCount; s++ {
		switch v := r.value(s); {
		case !s.fruit() || math.IsNaN(v):
		case m.seen[s].Known():
			res.Dates[s] = m.seen[s]
		case s == HarvestStart:
			res.Dates[s] = r.notBefore(t.fruitDay(r, m, v))
		default:
			res.Dates[s] = t.fruitDay(r, m, v)
		}
	}
	between := func(a, b Stage, share float64) Day {
		if v := r.value(a) + (r.value(b)-r.value(a))*share; !math.IsNaN(v) {
			return t.fruitDay(r, m, v)
		}
		return NoDay
	}
	const of19 = (19 - 18.) / (24 - 18)
	res.Fruit14, res.Fruit19 = between(Fruit10, Fruit18, 0.5), between(Fruit18, Fruit24, of19)
}

// notBefore holds harvest to the kind's earliest date.
func (r *StageRequest) notBefore(d Day) Day {
	p := &r.Kind.Phenology
	if !d.Known() || p.NotBeforeMonth == 0 {
		return d
	}
	nb := DateOf(r.Season, p.NotBeforeMonth, p.NotBeforeDay)
	if r.south {
		// six months earlier in the calendar, the year after
		nb = DateOf(r.Season+1, p.NotBeforeMonth-12/2, p.NotBeforeDay)
	}
	return max(d, nb)
}
