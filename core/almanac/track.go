package almanac

import (
	"math"
	"sync"
)

// track is one run of daily temperatures prepared for the stage model: what does not depend on the tree is worked out
// once and shared by all trees of a site.
type track struct {
	days  []TempDay
	tmean []float64
	gdh   []float64 // growing degree hours of a day
	dd    []float64 // capped degree days of a day
	hours []float64

	mu    sync.Mutex
	coefs []dynCoef
	sums  map[Day]*portionSums
}

func dayLengths(days []TempDay, lat float64) []float64 {
	out := make([]float64, len(days))
	for i, d := range days {
		out[i] = dayLengthHours(d.Date, lat)
	}
	return out
}

func newTrack(days []TempDay, lengths []float64) *track {
	n := len(days)
	t := &track{
		days: days, tmean: make([]float64, n), gdh: make([]float64, n), dd: make([]float64, n),
		hours: hourlyWith(days, lengths).Hours, sums: map[Day]*portionSums{},
	}
	for i, d := range days {
		t.tmean[i] = (d.Tmin + d.Tmax) / 2
		t.dd[i] = DegreeDays(d.Tmin, d.Tmax, StageCap)
		for _, h := range t.hours[24*i : 24*i+24] {
			t.gdh[i] += GDH(h)
		}
	}
	return t
}

func (t *track) last() Day         { return t.days[len(t.days)-1].Date }
func (t *track) index(d Day) int   { return int(d - t.days[0].Date) }
func (t *track) first() Day        { return t.days[0].Date }
func (t *track) covers(d Day) bool { return d >= t.first() && d <= t.last() }

func (t *track) meanOf(from, to Day) float64 {
	sum := 0.0
	for _, m := range t.tmean[t.index(from) : t.index(to)+1] {
		sum += m
	}
	return sum / float64(to-from+1)
}

// portionSums are the dynamic portions at the end of each day, counted from a start.
type portionSums struct {
	start Day
	cum   []float64
}

func (p *portionSums) at(d Day) float64 {
	i := int(d - p.start)
	if i < 0 || len(p.cum) == 0 {
		return 0
	}
	return p.cum[min(i, len(p.cum)-1)]
}

// portionsFrom counts portions from a start; trees with one start share the count.
func (t *track) portionsFrom(start Day) *portionSums {
	t.mu.Lock()
	defer t.mu.Unlock()
	if p, ok := t.sums[start]; ok {
		return p
	}
	if t.coefs == nil {
		t.coefs = make([]dynCoef, len(t.hours))
		for i, h := range t.hours {
			t.coefs[i] = dynHour(h)
		}
	}
	p := &portionSums{start: start}
	if t.covers(start) {
		var run portions
		for i := t.index(start); i < len(t.days); i++ {
			for _, c := range t.coefs[24*i : 24*i+24] {
				run.step(c)
			}
			p.cum = append(p.cum, run.sum)
		}
	}
	t.sums[start] = p
	return p
}

// heatRun is the progress toward full bloom, day by day after the chill was met.
type heatRun struct {
	met Day
	r   []float64 // r[0] is the day after met
}

func (t *track) heatRun(met Day, h0 float64) heatRun {
	run := heatRun{met: met}
	sum, cold := 0.0, 0.0
	for d := met + 1; d <= t.last(); d++ {
		i := t.index(d)
		sum += t.gdh[i]
		if t.tmean[i] <= heatColdT+slack {
			cold++
		}
		run.r = append(run.r, sum/(h0*(1+heatColdBoost*math.Exp(-cold/heatColdScale))))
	}
	return run
}

// first is the first day the progress reaches a share.
func (h heatRun) first(share float64) Day {
	for i, r := range h.r {
		if r >= share {
			return h.met + 1 + Day(i)
		}
	}
	return NoDay
}

// after is the first day after an observation at which the progress since then carries share from up to share to.
func (h heatRun) after(o Day, from, to float64) Day {
	i := int(o - h.met) // r[i-1] is the progress on day o
	r0 := 0.0
	if i > 0 {
		if i > len(h.r) {
			return NoDay
		}
		r0 = h.r[i-1]
	}
	for ; i < len(h.r); i++ {
		if i >= 0 && from+(h.r[i]-r0) >= to {
			return h.met + 1 + Day(i)
		}
	}
	return NoDay
}

// degreeDay is the first day after from by which the capped degree days reach a value.
func (t *track) degreeDay(from Day, value float64) Day {
	if !from.Known() {
		return NoDay
	}
	sum := 0.0
	for d := max(from+1, t.first()); d <= t.last(); d++ {
		sum += t.dd[t.index(d)]
		if sum >= value-slack {
			return d
		}
	}
	return NoDay
}
