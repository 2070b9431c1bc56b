package find

import (
	"cmp"
	"slices"

	"vertumna/core/limb"
)

// WayIn is the widest gap between a free tree's main limbs, seen from above: where an arm reaches the middle.
type WayIn struct {
	AzimuthDeg float64 // of its middle, seen from the trunk
	GapDeg     float64
	Between    [2]string
}

// A limb shorter than this, cm, is no bar to an arm; a gap narrower than this, degrees, lets none through. Our estimates.
const (
	barsCM    = 40
	ArmGapDeg = 45
)

// WayInto finds the widest gap among the limbs on a free tree's stem; false for flat trees and where fewer than three stand.
func WayInto(m *limb.Map) (WayIn, bool) {
	if m.Flat() || len(m.Stems()) != 1 {
		return WayIn{}, false
	}
	var ring []int
	for _, c := range m.Axes[m.Stems()[0]].Children {
		if a := &m.Axes[c]; a.L >= barsCM && !m.Has(c, limb.Leader) {
			ring = append(ring, c)
		}
	}
	if len(ring) < 3 {
		return WayIn{}, false
	}
	slices.SortFunc(ring, func(a, b int) int {
		return cmp.Or(cmp.Compare(m.Axes[a].Azimuth, m.Axes[b].Azimuth), cmp.Compare(m.Axes[a].ID, m.Axes[b].ID))
	})
	var out WayIn
	for k, i := range ring {
		next := ring[(k+1)%len(ring)]
		gap := m.Axes[next].Azimuth - m.Axes[i].Azimuth
		if gap < 0 || k == len(ring)-1 {
			gap += 360
		}
		if gap > out.GapDeg {
			mid := m.Axes[i].Azimuth + gap/2
			if mid >= 360 {
				mid -= 360
			}
			out = WayIn{mid, gap, [2]string{m.Axes[i].ID, m.Axes[next].ID}}
		}
	}
	return out, true
}
