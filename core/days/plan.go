package days

import (
	"cmp"
	"slices"

	"vertumna/core/almanac"
	"vertumna/core/year"
)

// What weighs against a day that would do, in days of waiting (our estimates).
const (
	waitDay     = 0.15 // each day later in the window
	lessGood    = 6.0  // the window grades it as no better than possible
	doubt       = 8.0  // times the chance that usual weather spoils it
	dayOpened   = 1.5  // nothing else is done that day
	otherKit    = 2.0  // another kit is carried that day
	sameTree    = -0.5 // something is done to the same tree
	lastDays    = 3    // so many days before the window closes a day is risky
	riskPerDay  = 3.0
	passedShown = 6 // of the days passed over, the last so many are told
)

// table is a plan in the making.
type table struct {
	shown almanac.Day
	judge *judge
	has   []int
	free  []int // below zero where a person asked for more than they have
	jobs  []*spot
	at    [][]*spot // jobs by day, in the order they came
	shut  []bool    // days that are full, and so are all days that their jobs could move to

	search int   // the last search for a chain of moves
	seen   []int // by day: the search that came by it last
}

// spot is a job with what it may use and what it was given.
type spot struct {
	job    *Job
	days   []int // offsets it may use, in order
	cost   []float64
	given  map[int]int
	pinned bool
	moved  string
	far    *beyond
	search int // the last that came by it
}

func (s *spot) placed() (n int) {
	for _, m := range s.given {
		n += m
	}
	return n
}

// Make chooses the days of jobs from the day shown to the last day they may be done on, no further than to. What a forecast says beyond ten
// days moves nothing within the coming week, unless something would be dropped otherwise. Errors: those of the almanac's FitDays and
// NormalsOn. Cost: jobs times the person's days in their windows.
func Make(jobs []Job, hours Hours, sky Sky, shown, to almanac.Day) (*Plan, error) {
	n := int(to-shown) + 1
	if n < 1 {
		return &Plan{Shown: shown, Said: hours.Said()}, nil
	}
	works := map[Work]bool{}
	for i := range jobs {
		works[jobs[i].Work] = true
	}
	near, err := newJudge(sky, shown, n, certain, works)
	if err != nil {
		return nil, err
	}
	far, err := newJudge(sky, shown, n, almanac.ForecastLeads, works)
	if err != nil {
		return nil, err
	}
	t := newTable(jobs, hours, near, shown, n)
	t.placeAll(0)
	t.mend(far)
	if t.short() > 0 {
		sure := t.anew()
		sure.placeAll(0)
		if sure.betterThan(t) {
			t = sure
		}
	}
	t.judge = far
	return t.plan(hours), nil
}

func newTable(jobs []Job, hours Hours, judge *judge, shown almanac.Day, n int) *table {
	t := &table{shown: shown, judge: judge, has: make([]int, n), free: make([]int, n), at: make([][]*spot, n), shut: make([]bool, n)}
	for i := range t.has {
		t.has[i] = hours.On(shown + almanac.Day(i))
		t.free[i] = t.has[i]
	}
	for i := range jobs {
		s := &spot{job: &jobs[i], given: map[int]int{}}
		t.allow(s)
		t.jobs = append(t.jobs, s)
	}
	slices.SortStableFunc(t.jobs, func(a, b *spot) int { // the most harm first, then what closes first
		return cmp.Or(cmp.Compare(b.job.Harm, a.job.Harm), cmp.Compare(a.job.Closes, b.job.Closes), cmp.Compare(a.job.Opens, b.job.Opens), cmp.Compare(a.job.ID, b.job.ID))
	})
	return t
}

// anew is the same table with nothing placed, judged as it now is.
func (t *table) anew() *table {
	out := &table{shown: t.shown, judge: t.judge, has: t.has, free: slices.Clone(t.has), at: make([][]*spot, len(t.has)), shut: make([]bool, len(t.has))}
	for _, s := range t.jobs {
		fresh := &spot{job: s.job, given: map[int]int{}, far: s.far}
		out.allow(fresh)
		out.jobs = append(out.jobs, fresh)
	}
	return out
}

// within are the offsets of a job's window that lie in the table.
func (t *table) within(j *Job) (from, to int) {
	return max(0, int(j.Opens-t.shown)), min(len(t.has)-1, int(j.Closes-t.shown))
}

// allowed tells whether a job may be done on a day at all, hours apart, and why not.
func (t *table) allowed(j *Job, i int) (bool, string) {
	d := t.shown + almanac.Day(i)
	if l := j.levelOn(d).Level; l == year.Harmful || l == year.Forbidden {
		return false, string(l)
	}
	if v := t.judge.rows[j.Work].on(i); !v.fit {
		return false, v.why
	}
	return true, ""
}

// allow finds a job's days, and what speaks against each. A day that a person set holds, if the window and the weather let it.
func (t *table) allow(s *spot) {
	j := s.job
	s.days, s.cost = nil, nil
	from, to := t.within(j)
	if j.Pin.Known() && j.Pin >= t.shown {
		p := int(j.Pin - t.shown)
		if p < from || p > to {
			s.moved = "outside-window"
		} else if ok, why := t.allowed(j, p); !ok {
			s.moved = why
		} else {
			s.pinned, s.days, s.cost = true, []int{p}, []float64{0}
			return
		}
	}
	if s.far == nil { // beyond the forecast all tables judge alike
		s.far = &beyond{}
		s.far.days, s.far.cost = t.judged(j, from, max(from, reach), to)
	}
	s.days, s.cost = t.judged(j, from, from, min(to, reach-1))
	s.days, s.cost = append(s.days, s.far.days...), append(s.cost, s.far.cost...)
}

// reach is how many days a forecast has at most, the day shown with them.
const reach = almanac.ForecastLeads + 1

// beyond are a job's days past the forecast.
type beyond struct {
	days []int
	cost []float64
}

// judged are the days of a stretch that a job may use, with what speaks against each; opens is the first of its window.
func (t *table) judged(j *Job, opens, from, to int) (days []int, cost []float64) {
	row := t.judge.rows[j.Work]
	for i := from; i <= to; i++ {
		if t.has[i] == 0 {
			continue
		}
		d := t.shown + almanac.Day(i)
		level, v := j.levelOn(d).Level, row.on(i)
		if level == year.Harmful || level == year.Forbidden || !v.fit {
			continue
		}
		c := waitDay*float64(i-opens) + doubt*(1-v.chance)
		if level != year.Better {
			c += lessGood
		}
		if left := int(j.Closes - d); left < lastDays {
			c += riskPerDay * float64(lastDays-left)
		}
		days, cost = append(days, i), append(cost, c)
	}
	return days, cost
}

// company is what the other jobs of a day add to a job's cost of it.
func (t *table) company(s *spot, i int) float64 {
	if len(t.at[i]) == 0 {
		return dayOpened
	}
	c := 0.0
	for _, o := range t.at[i] {
		if o.job.Kit != s.job.Kit && o.job.Kit != Eyes && s.job.Kit != Eyes {
			c = otherKit
		}
	}
	for _, o := range t.at[i] {
		if o.job.Tree == s.job.Tree {
			return c + sameTree
		}
	}
	return c
}

func (t *table) give(s *spot, i, minutes int) {
	if s.given[i] == 0 {
		t.at[i] = append(t.at[i], s)
	}
	s.given[i] += minutes
	t.free[i] -= minutes
}

func (t *table) take(s *spot, i, minutes int) {
	s.given[i] -= minutes
	t.free[i] += minutes
	if s.given[i] == 0 {
		delete(s.given, i)
		t.at[i] = slices.DeleteFunc(t.at[i], func(o *spot) bool { return o == s })
	}
}

// placeAll gives every job its days, from an offset on: what a person set first, then by harm. No job ever takes what a more harmful one
// was given; it may move it to another day of its own.
func (t *table) placeAll(from int) {
	for _, s := range t.jobs {
		if s.pinned && len(s.given) == 0 {
			t.give(s, s.days[0], s.job.Minutes)
		}
	}
	for _, s := range t.jobs {
		t.place(s, from)
	}
}

// place gives a job all it needs on its best day; else on a day that another job can leave; else in pieces.
func (t *table) place(s *spot, from int) {
	need := s.job.Minutes - s.placed()
	if need <= 0 {
		return
	}
	if best := t.best(s, need, from); best >= 0 {
		t.give(s, best, need)
		return
	}
	if t.shift(s, need, from) {
		return
	}
	for need > 0 {
		got := t.augment(s, need, from)
		if got == 0 {
			return
		}
		need -= got
	}
	t.gather(s, from)
}

// best is the cheapest of a job's days that has room for so much; -1: none.
func (t *table) best(s *spot, need, from int) int {
	best, least := -1, 0.0
	for k, i := range s.days {
		if i < from || t.shut[i] || t.free[i] < need {
			continue
		}
		if c := s.cost[k] + t.company(s, i); best < 0 || c < least {
			best, least = i, c
		}
	}
	return best
}

// shift makes room on one of a job's days by moving one whole job away from it.
func (t *table) shift(s *spot, need, from int) bool {
	for _, i := range s.days {
		if i < from || t.shut[i] {
			continue
		}
		for _, o := range slices.Clone(t.at[i]) {
			m := o.given[i]
			if o.pinned || len(o.given) != 1 || t.free[i]+m < need {
				continue
			}
			t.take(o, i, m)
			other := -1
			for _, k := range o.days { // best, but for this day
				if k != i && k >= from && t.free[k] >= m {
					other = k
					break
				}
			}
			if other < 0 {
				t.give(o, i, m)
				continue
			}
			t.give(o, other, m)
			t.give(s, i, need)
			return true
		}
	}
	return false
}

// augment gives a job a part of what it needs by a chain of moves that ends at a day with time left (an augmenting path, Ford and Fulkerson
// 1956), so that nothing that could be done stays undone. It returns how much it gave.
func (t *table) augment(s *spot, need, from int) int {
	type step struct {
		day  int
		via  *spot // the job that moves to the day
		prev int   // index in the queue; -1: the first
	}
	var queue []step
	if t.seen == nil {
		t.seen = make([]int, len(t.has))
	}
	t.search++
	reach := func(o *spot, prev int) {
		if o.pinned && o != s || o.search == t.search {
			return
		}
		o.search = t.search
		for _, i := range o.days {
			if i >= from && !t.shut[i] && t.seen[i] != t.search {
				t.seen[i] = t.search
				queue = append(queue, step{i, o, prev})
			}
		}
	}
	reach(s, -1)
	for q := 0; q < len(queue); q++ {
		if free := t.free[queue[q].day]; free > 0 {
			amount := min(need, free)
			for at := q; queue[at].prev >= 0; at = queue[at].prev {
				amount = min(amount, queue[at].via.given[queue[queue[at].prev].day])
			}
			for at := q; ; at = queue[at].prev {
				st := queue[at]
				if st.prev >= 0 {
					t.take(st.via, queue[st.prev].day, amount)
				}
				t.give(st.via, st.day, amount)
				if st.prev < 0 {
					return amount
				}
			}
		}
		for _, o := range t.at[queue[q].day] {
			reach(o, q)
		}
	}
	for _, st := range queue { // nothing leads out of these any more
		t.shut[st.day] = true
	}
	return 0
}

// gather brings a job in pieces together on one of its days where it has room.
func (t *table) gather(s *spot, from int) {
	if len(s.given) < 2 {
		return
	}
	for _, i := range s.days {
		if all := s.placed(); i >= from && t.free[i]+s.given[i] >= all {
			for _, k := range sorted(s.given) {
				t.take(s, k, s.given[k])
			}
			t.give(s, i, all)
			return
		}
	}
}

func sorted(given map[int]int) []int {
	out := make([]int, 0, len(given))
	for i := range given {
		out = append(out, i)
	}
	slices.Sort(out)
	return out
}

// mend takes jobs off days that the forecast beyond its certain part spoils, and gives them others, none within the coming week.
func (t *table) mend(far *judge) {
	t.judge = far
	for _, s := range t.jobs {
		spoilt := false
		for _, i := range sorted(s.given) {
			if !far.rows[s.job.Work].on(i).fit {
				t.take(s, i, s.given[i])
				spoilt = true
			}
		}
		if spoilt {
			s.pinned, s.moved = false, ""
		}
		kept := s.given
		t.allow(s)
		s.given = kept
	}
	clear(t.shut)
	t.placeAll(calm)
}

// short is how many minutes have no day.
func (t *table) short() (n int) {
	for _, s := range t.jobs {
		n += s.job.Minutes - s.placed()
	}
	return n
}

// betterThan tells whether this table leaves less undone: of the most harmful jobs first.
func (t *table) betterThan(o *table) bool {
	mine, theirs := 0, 0
	for i := range t.jobs { // both stand in the same order
		mine += t.jobs[i].placed()
		theirs += o.jobs[i].placed()
		if mine != theirs {
			return mine > theirs
		}
	}
	return false
}
