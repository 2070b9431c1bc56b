package find

import (
	"cmp"
	"math"
	"slices"

	"vertumna/core/limb"
)

// Backward names the fact of a crossing that its limb gives way by its direction: how far it gains ground outward, of its length.
const Backward = "outward_ratio"

// Two limbs that touch, told from one sweep over their pairs.
const (
	Crossing Code = "crossing" // the limb that gives way where two come too close
	Resting  Code = "resting"  // a limb that lies on a better one, near their fork
)

var crossing = Rule{Code: Crossing, Step: 3, Weight: 7, Aim: Remove, Source: practice}

var resting = Rule{Code: Resting, Step: 3, Weight: 4, Aim: Remove, Source: practice}

// Numbers of the contact test (limbs.md#31-rubbing-and-crossing).
const (
	boxMarginCM  = 6  // each box is grown by this
	crossWoodCM  = 40 // nearer along the wood than this, limbs do not cross: they fork
	restWoodCM   = 15
	touchCM      = 1.0 // nearer than this they touch
	straightOver = 0.7 // one lies on the other: 45 degrees or steeper
	maxSwayCM    = 6
	swayPerCM    = 0.010
	aboveContact = 10 // the stretch to cut starts this far below the contact
)

// contact is where two limbs come closest.
type contact struct {
	i, j       int
	si, sj     float64
	gap, allow float64
	over       float64 // height of i's point over j's, of the distance between centres: 1 straight above
}

func (f *finder) crossings() {
	seen := f.rubbingSeen()
	for _, p := range f.pairs() {
		crossing, resting := f.contacts(p[0], p[1])
		switch {
		case crossing != nil:
			f.tellCrossing(*crossing, seen)
		case resting != nil && resting.gap <= touchCM && math.Abs(resting.over) >= straightOver && !f.chained(p[0], p[1]):
			f.tellResting(*resting)
		}
	}
	for _, pair := range slices.SortedFunc(mapsKeys(seen), func(a, b [2]int) int {
		return cmp.Or(cmp.Compare(a[0], b[0]), cmp.Compare(a[1], b[1]))
	}) {
		s := seen[pair]
		if s.told {
			continue
		}
		i, other := f.thinner(pair[0], pair[1])
		at := 0.0
		if i == s.on {
			at = s.at
		}
		f.tell(crossing, i, math.Max(0, at-aboveContact), 1, []Fact{num("at_contact_cm", at), yes("seen", true)}).Members = f.ids([]int{other})
	}
}

func mapsKeys(m map[[2]int]*rub) func(func([2]int) bool) {
	return func(yield func([2]int) bool) {
		for k := range m {
			if !yield(k) {
				return
			}
		}
	}
}

// rub is a contact a person saw.
type rub struct {
	on   int
	at   float64
	told bool
}

// rubbingSeen lists the pairs a person marked as rubbing.
func (f *finder) rubbingSeen() map[[2]int]*rub {
	seen := map[[2]int]*rub{}
	for i := range f.m.Axes {
		for _, k := range f.m.Axes[i].Marks {
			if j := f.m.Index(k.Other); k.Kind == limb.Rubbing && j >= 0 && j != i && f.live(i) && f.live(j) {
				seen[[2]int{min(i, j), max(i, j)}] = &rub{on: i, at: k.AtCM}
			}
		}
	}
	return seen
}

// chained: one of the two carries the other.
func (f *finder) chained(i, j int) bool { return f.m.HangsOn(i, j) || f.m.HangsOn(j, i) }

// thinner returns the limb that gives way first, and the other.
func (f *finder) thinner(i, j int) (thin, thick int) {
	a, b := &f.m.Axes[i], &f.m.Axes[j]
	if b.D < a.D || b.D == a.D && b.ID < a.ID {
		return j, i
	}
	return i, j
}

// Direction against thickness, where limbs cross (our estimates).
const (
	coursesApart = 0.5 // of a limb's length: one gains so much less ground outward than the other
	backToThick  = 2   // the one that runs back gives way up to so many times the other's thickness
)

// course is how far a limb gains ground outward from the stem, of its length: 1 straight out, below 0 back into the tree. Main limbs
// are the structure that others are held against.
func (f *finder) course(i int) float64 {
	r, out := f.m.Outward(i, f.m.Base(i))
	if f.m.Axes[i].Depth < 2 || r < 10 {
		return 1
	}
	return f.m.End(i).Sub(f.m.Base(i)).Dot(out) / f.m.Axes[i].L
}

// givesWay returns which of two limbs that cross gives way, the other, and whether its direction tells: the one that runs with the
// tree stays, though it be the thinner. Else the thinner goes; so on a flat tree, whose limbs lead along a plane, not outward.
func (f *finder) givesWay(i, j int) (goes, stays int, direction bool) {
	goes, stays = f.thinner(i, j)
	if !f.o.ByDirection || f.m.Flat() || f.m.Axes[i].Depth == 0 || f.m.Axes[j].Depth == 0 {
		return goes, stays, false
	}
	a, b := f.course(i), f.course(j)
	if math.Abs(a-b) < coursesApart {
		return goes, stays, false
	}
	back, with := i, j
	if b < a {
		back, with = j, i
	}
	if f.m.Axes[back].D > backToThick*f.m.Axes[with].D {
		return goes, stays, false
	}
	return back, with, true
}

func (f *finder) tellCrossing(c contact, seen map[[2]int]*rub) {
	i, j, direction := f.givesWay(c.i, c.j)
	s, over := c.si, c.over
	if i == c.j {
		s, over = c.sj, -c.over
	}
	severity := rather
	if c.gap <= 0 {
		severity = 1
	}
	facts := []Fact{num("gap_cm", c.gap), num("allowance_cm", c.allow), num("at_contact_cm", s)}
	if direction {
		facts = append(facts, num(Backward, f.course(i)))
	}
	if over >= straightOver && c.gap <= touchCM {
		facts = append(facts, yes("rests", true))
	}
	if r, ok := seen[[2]int{c.i, c.j}]; ok {
		r.told = true
		severity = 1
		facts = append(facts, yes("seen", true))
	}
	f.tell(crossing, i, math.Max(0, s-aboveContact), severity, facts, num("gap_cm", c.allow)).Members = f.ids([]int{j})
}

// tellResting: near their fork, the upper limb lies on the lower.
func (f *finder) tellResting(c contact) {
	upper, lower, s := c.i, c.j, c.si
	if c.over < 0 {
		upper, lower, s = c.j, c.i, c.sj
	}
	if thin, _ := f.thinner(upper, lower); thin != upper {
		return // the better limb lies on the poorer one: told by its weight, not its place
	}
	f.tell(resting, upper, math.Max(0, s-aboveContact), rather, []Fact{num("gap_cm", c.gap), num("at_contact_cm", s)}, num("gap_cm", touchCM)).Members = f.ids([]int{lower})
}

// contacts finds where two limbs come closest within what wind and fruit allow: far along the wood, where they cross, and
// near their fork, where one may rest on the other; nil where they keep apart. Wind sway grows with the free length, fruit
// by different sag.
func (f *finder) contacts(i, j int) (crossing, resting *contact) {
	m := f.m
	a, b := &m.Axes[i], &m.Axes[j]
	la, lb := m.Polyline(i), m.Polyline(j)
	na, nb := float64(len(la)-1), float64(len(lb)-1)
	most := maxSwayCM + radiusCM(a.D+b.D)
	for p := 1; p < len(la); p++ {
		if !segmentMeetsBox(la[p-1], la[p], f.boxes[j], most) {
			continue
		}
		for q := 1; q < len(lb); q++ {
			s, t, d := closestOnSegments(la[p-1], la[p], lb[q-1], lb[q])
			if d > most {
				continue
			}
			c := contact{i: i, j: j, si: a.L * (float64(p-1) + s) / na, sj: b.L * (float64(q-1) + t) / nb}
			c.gap = d - radiusCM(m.Diameter(i, c.si)+m.Diameter(j, c.sj))
			c.allow = math.Min(maxSwayCM, 1+swayPerCM*(c.si+c.sj)+0.5*math.Abs(f.sag(i, c.si)-f.sag(j, c.sj)))
			if c.gap > c.allow {
				continue
			}
			up := la[p-1].Add(la[p].Sub(la[p-1]).Mul(s)).Z - lb[q-1].Add(lb[q].Sub(lb[q-1]).Mul(t)).Z
			c.over = up / math.Max(d, 1e-9)
			switch wood := m.WoodDistance(i, c.si, j, c.sj); {
			case wood >= crossWoodCM:
				crossing = nearer(crossing, c)
			case wood >= restWoodCM:
				resting = nearer(resting, c)
			}
		}
	}
	return crossing, resting
}

// nearer keeps the contact with the least room left, the first found on a tie.
func nearer(best *contact, c contact) *contact {
	if best == nil || c.gap-c.allow < best.gap-best.allow {
		return &c
	}
	return best
}
