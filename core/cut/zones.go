package cut

import (
	"math"

	"vertumna/core/find"
	"vertumna/core/light"
	"vertumna/core/limb"
)

// Zone is a third of a tree's height with the part of its leaf that goes.
type Zone struct {
	FromCM, ToCM float64
	Used         float64 // taken before, this tree year
	Slip         float64 // of the zone as it stood at the start of the year, on this slip
	Most         float64 // that may go in the tree year
}

// zoning parts a tree's leaf into thirds of its height, from the lowest to the highest lot of leaf. What stands above a height to be
// come down to is the top's, however tall the tree is.
type zoning struct {
	lots  []light.Lot
	of    []int
	leaf  [3]float64
	edges [4]float64 // of the zones, from the ground up
}

func zonesOf(m *limb.Map, topCM float64) *zoning {
	low, high := math.Inf(1), math.Inf(-1)
	z := &zoning{lots: light.Lots(m)}
	for _, l := range z.lots {
		low, high = math.Min(low, l.At.Z), math.Max(high, l.At.Z)
	}
	third := math.Max(1e-9, high-low) / 3
	z.edges = [4]float64{low, math.Min(topCM, low+third), math.Min(topCM, low+2*third), high}
	for _, l := range z.lots {
		k := min(2, int((l.At.Z-low)/third))
		if l.At.Z > topCM {
			k = 2
		}
		z.of = append(z.of, k)
		z.leaf[k] += l.LeafM2
	}
	return z
}

// ZoneTop is the height whose excess the top zone gives: reach, planned for the aim.
func (p *Planner) ZoneTop() float64 {
	if p.o.AimFirst {
		return p.reachCM
	}
	return math.Inf(1)
}

// taken is the part of each zone's leaf that goes, where gone says how much of a lot does.
func (z *zoning) taken(gone func(light.Lot) float64) [3]float64 {
	var out [3]float64
	for k, l := range z.lots {
		out[z.of[k]] += gone(l) * l.LeafM2
	}
	for k := range out {
		if z.leaf[k] > 0 {
			out[k] /= z.leaf[k]
		}
	}
	return out
}

// ZonesTaken is the part of the leaf of each third of a tree's height, from the ground up, that cuts take together; leaf above
// topCM is the top third's (+Inf: by height alone).
func ZonesTaken(m *limb.Map, topCM float64, cuts []limb.CutAt) [3]float64 {
	j := &Judge{m: m}
	return zonesOf(m, topCM).taken(func(l light.Lot) float64 {
		gone := 0.0
		for _, c := range cuts {
			if i := m.Index(c.Limb); i >= 0 {
				gone = math.Max(gone, j.takes(c, i, l))
			}
		}
		return gone
	})
}

// takes is the part of a lot of leaf that goes with a cut.
func (j *Judge) takes(c limb.CutAt, on int, l light.Lot) float64 {
	switch {
	case c.Kind == limb.SpurThin && l.Limb == on && l.S >= c.AtCM && l.S < c.ToCM:
		return c.Fraction
	case takesAll(c.Kind) && (l.Limb == on && l.S > c.AtCM || l.Limb != on && j.reaches(c, on, l.Limb, 0)):
		return 1
	}
	return 0
}

// zoneTaken is the part of each zone's leaf that the chosen cuts take, and one more, of what stood at the start of the year.
func (r *run) zoneTaken(more *made) [3]float64 {
	out := r.p.zones.taken(func(l light.Lot) float64 {
		at, thinned := r.lotStands(l.Limb, more)
		if l.S > at || at <= 0 {
			return 1
		}
		return thinned(l.S)
	})
	for k := range out {
		out[k] *= 1 - r.p.o.ZonesUsed[k]
	}
	return out
}

// lotStands is where a limb ends after the chosen cuts and one more, and what part of its spurs is thinned out at a place.
func (r *run) lotStands(i int, more *made) (at float64, thinned func(s float64) float64) {
	if len(r.thin) == 0 && (more == nil || more.Kind != limb.SpurThin) {
		return r.endsAt(i, more), func(float64) float64 { return 0 }
	}
	return r.stands(i, more)
}

func (r *run) overZone(m *made, finding int) Why {
	if r.p.o.Zones == nil || m.exempt {
		return ""
	}
	before, after := r.zoneTaken(nil), r.zoneTaken(m)
	for z, most := range r.p.o.Zones {
		if r.p.o.ZonesUsed[z]+after[z] > most+1e-9 && after[z] > before[z]+1e-9 {
			if r.calms(r.p.findings[finding]) && r.p.findings[finding].Code == find.OverHeight {
				return ZoneToSummer
			}
			return ZoneToWinter
		}
	}
	return ""
}

// tellZones lists the zones of a run, from the ground up; none where the limit is the whole tree's.
func (r *run) tellZones() []Zone {
	if r.p.o.Zones == nil {
		return nil
	}
	taken, z := r.zoneTaken(nil), r.p.zones
	out := make([]Zone, len(taken))
	for k := range out {
		out[k] = Zone{z.edges[k], z.edges[k+1], r.p.o.ZonesUsed[k], taken[k], r.p.o.Zones[k]}
	}
	return out
}

// ZonesTaken is what a slip leaves taken of each third in the tree year, with what was taken before it; 0 where the limit is the
// whole tree's.
func (s *Slip) ZonesTaken() (used [3]float64) {
	for k, z := range s.Zones {
		used[k] = z.Used + z.Slip
	}
	return used
}
