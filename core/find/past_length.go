package find

import "vertumna/core/limb"

// PastLength is an arm that is long enough and grew on.
const PastLength Code = "past_length"

var pastLength = Rule{Code: PastLength, Step: 7, Weight: 4, Aim: Shorten, Source: practice}

// grownPastCM: an arm held at its length is cut back once it has grown past it by so much (our estimate).
const grownPastCM = 5

// pastLength: an arm that is long enough grew on.
func (f *finder) pastLength(i int) {
	s := f.m.State(i)
	if s == nil || s.Kind != limb.Finished || !f.growing(i) {
		return
	}
	if start, e := f.m.Axes[i].LastRing(); len(f.m.Axes[i].Rings) > 1 && e >= grownPastCM {
		f.tell(pastLength, i, start, rather, []Fact{num("ring_cm", e)}, num("ring_cm", grownPastCM))
	}
}
