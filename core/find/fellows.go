package find

import (
	"cmp"
	"slices"

	"vertumna/core/limb"
)

// Fellows are a free tree's main limbs held against one another: the one that outgrows the rest, and the weakest.
type Fellows struct {
	Ahead, Behind      string // empty: none stands out
	AheadMM, OthersMM  float64
	AheadTop, OtherTop float64 // highest live wood, cm: of the one ahead, and the middle of the others
	BehindMM           float64
	Of                 int // main limbs compared
}

// A main limb stands out when it is so much thicker than the middle of the others, or its top so far above theirs, cm; it lags
// when it is so much thinner. Our estimates.
const (
	aheadTimes  = 1.35
	aheadTopCM  = 50
	behindTimes = 0.6
)

// CompareMain compares the main limbs of a free tree, the leader apart; false for flat trees and where fewer than three stand.
func CompareMain(m *limb.Map) (Fellows, bool) {
	if m.Flat() || len(m.Stems()) != 1 {
		return Fellows{}, false
	}
	type main struct {
		id      string
		mm, top float64
	}
	var all []main
	for _, c := range m.Axes[m.Stems()[0]].Children {
		a := &m.Axes[c]
		if a.L < barsCM || a.Sucker || a.Sprout || m.WhollyDead(c) || m.Has(c, limb.Leader) {
			continue
		}
		k := main{id: a.ID, mm: a.D}
		for _, i := range m.Subtree(c) {
			k.top = max(k.top, m.Top(i))
		}
		all = append(all, k)
	}
	if len(all) < 3 {
		return Fellows{}, false
	}
	others := func(k int, of func(main) float64) float64 {
		var vs []float64
		for i, o := range all {
			if i != k {
				vs = append(vs, of(o))
			}
		}
		slices.Sort(vs)
		return (vs[(len(vs)-1)/2] + vs[len(vs)/2]) / 2
	}
	mm, top := func(k main) float64 { return k.mm }, func(k main) float64 { return k.top }
	out := Fellows{Of: len(all)}
	byMM := slices.MaxFunc(all, func(a, b main) int { return cmp.Or(cmp.Compare(a.mm, b.mm), cmp.Compare(b.id, a.id)) })
	k := slices.Index(all, byMM)
	if !m.LeaderForm() { // tiers of a leader end at their own heights
		if byTop := slices.MaxFunc(all, func(a, b main) int { return cmp.Or(cmp.Compare(a.top, b.top), cmp.Compare(b.id, a.id)) }); byMM.mm <= aheadTimes*others(k, mm) {
			k = slices.Index(all, byTop)
		}
	}
	if a := all[k]; a.mm > aheadTimes*others(k, mm) || !m.LeaderForm() && a.top > others(k, top)+aheadTopCM {
		out.Ahead, out.AheadMM, out.OthersMM, out.AheadTop, out.OtherTop = a.id, a.mm, others(k, mm), a.top, others(k, top)
	}
	weak := slices.MinFunc(all, func(a, b main) int { return cmp.Or(cmp.Compare(a.mm, b.mm), cmp.Compare(a.id, b.id)) })
	if w := slices.Index(all, weak); !m.LeaderForm() && weak.mm < behindTimes*others(w, mm) { // a leader's upper limbs are thin
		out.Behind, out.BehindMM = weak.id, weak.mm
		if out.OthersMM == 0 {
			out.OthersMM = others(w, mm)
		}
	}
	return out, true
}
