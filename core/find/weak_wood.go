package find

import "vertumna/core/limb"

// WeakWood is a limb that grew little or stood pale last season.
const WeakWood Code = "weak"

var weakWood = Rule{Code: WeakWood, Step: 9, Weight: 2, Aim: Renew, Source: practice}

// weak tells a limb marked weak last season: it grew little or stood pale.
func (f *finder) weak(i int) {
	for _, k := range f.m.Axes[i].Marks {
		if k.Kind == limb.Weak {
			_, e := f.m.Axes[i].LastRing()
			f.tell(weakWood, i, 0, mild, []Fact{num("mark_at_cm", k.AtCM), num("last_ring_cm", e)})
			return
		}
	}
}
