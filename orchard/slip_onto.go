package orchard

import (
	"slices"

	"vertumna/core/almanac"
	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/core/year"
	"vertumna/store"
)

// half is a half of a tree year: its winter, or its growth.
type half struct {
	season limb.Season
	year   int
}

func halfOn(d almanac.Day, south bool) half {
	n, season := year.MapSeason(d, south)
	return half{season, n}
}

// halfOf is the half that a map shows; one that knows no year shows that of its day.
func halfOf(m *limb.Map, drawn almanac.Day, south bool) half {
	if m.Year > 0 {
		return half{m.Season, m.Year}
	}
	return half{m.Season, halfOn(drawn, south).year}
}

func (h half) place() int {
	if h.season == limb.Summer {
		return 2*h.year + 1
	}
	return 2 * h.year
}

func (h half) before(other half) bool { return h.place() < other.place() }

func (h half) next() half {
	if h.season == limb.Summer {
		return half{limb.Dormant, h.year + 1}
	}
	return half{limb.Summer, h.year}
}

// mostHalves: no tree is foreseen further than this.
const mostHalves = 40

// wanted is the half of the slip asked for, as seen from a map: that of the day, or the next one of the other season. In summer the
// winter slip of a winter map is the one it was drawn for.
func (p *slipMade) wanted(at half) half {
	on := halfOn(p.day, p.south)
	switch {
	case p.season == on.season:
		return on
	case p.season == limb.Summer:
		return half{limb.Summer, on.year}
	case at == (half{limb.Dormant, on.year}):
		return at
	}
	return half{limb.Dormant, on.year + 1}
}

// leg is a half between a map and the slip asked for; cut: its slip is made in it.
type leg struct {
	half
	cut bool
}

// legs are the halves between a map and the slip asked for. Those to come have their slips made; those that are over had them only if
// a cut of theirs is in the journal: what was missed is not taken as done.
func (p *slipMade) legs(at half, drawn almanac.Day) []leg {
	var out []leg
	want, now := p.wanted(at), halfOn(p.today, p.south)
	for ; at.before(want) && len(out) < mostHalves; at = at.next() {
		out = append(out, leg{at, !at.before(now) || p.wasCut(at, drawn)})
	}
	p.predicted = len(out) > 0
	p.missed = slices.ContainsFunc(out, func(l leg) bool { return !l.cut })
	return out
}

// wasCut: a cut of the tree in a half is in the journal, since the map was drawn.
func (p *slipMade) wasCut(in half, drawn almanac.Day) bool {
	return slices.ContainsFunc(p.contents.Entries, func(e store.Entry) bool {
		k, known := year.TaskKind(e.Task).Facts()
		return e.TreeID == p.core.ID && e.Kind == "work" && known && k.Cut && e.Date >= drawn && e.Date <= p.today &&
			halfOn(e.Date, p.south) == in && (e.Outcome == string(year.Done) || e.Outcome == string(year.Part))
	})
}

// onto brings the map to the half of the slip: it grows on, with the slips on the way made or missed. Cost: a season of growth for each
// half, and a slip where one is made.
func (p *slipMade) onto(kept *store.LimbMap) error {
	m, err := limb.Check(p.tied(kept.Doc))
	if err != nil {
		return err
	}
	p.kept, p.tree = kept, p.grower(m)
	legs := p.legs(halfOf(m, kept.Date, p.south), kept.Date)
	for len(legs) > 0 {
		first := legs[0]
		cuts, err := p.made(first, p.tree)
		if err != nil {
			return err
		}
		switch {
		case first.season == limb.Summer:
			p.tree, err = growth.Close(p.tree, cuts, 0)
		case len(legs) == 1:
			p.tree.Map, _, err = growth.Day(p.tree, cuts, 0)
		default: // a whole season
			tree := p.tree
			p.tree, _, err = growth.Grow(p.tree, growth.Work{Dormant: cuts, Slip: func(day *limb.Map, _ limb.Light) ([]growth.Cut, error) {
				tree.Map = day
				return p.made(legs[1], tree)
			}})
			legs = legs[1:]
		}
		if err != nil {
			return err
		}
		legs = legs[1:]
	}
	p.m, p.light = p.tree.Map, nil
	p.key = slipKey(p.season, p.m.Year)
	return nil
}

// made is what a leg's slip cuts of a tree: nothing, where it was missed.
func (p *slipMade) made(l leg, tree growth.Tree) ([]growth.Cut, error) {
	if !l.cut {
		p.now = nil // the plan begins after what was missed
		return nil, nil
	}
	on := *p
	on.season, on.tree, on.m, on.light = l.season, tree, tree.Map, nil
	on.key = slipKey(on.season, on.m.Year)
	if err := on.replan(); err != nil {
		return nil, err
	}
	p.now = &on
	return on.slip.Made(), nil
}

// root is the slip that the plan of the years begins with.
func (p *slipMade) root() *slipMade {
	for p.now != nil {
		p = p.now
	}
	return p
}

// tied is a document with the limbs that a device holds, and those it is fixed to, locked until it is off.
func (p *slipMade) tied(doc limb.Doc) limb.Doc {
	if p.plan == nil || len(p.plan.Rigs) == 0 {
		return doc
	}
	doc.Limbs = slices.Clone(doc.Limbs)
	for _, o := range p.plan.Rigs {
		if !o.Bends() {
			continue
		}
		for i := range doc.Limbs {
			if l := &doc.Limbs[i]; (l.ID == o.Limb || l.ID == o.Anchor) && l.State == nil {
				l.State = &limb.State{Kind: limb.Tied, Due: almanac.Day(o.OffDay).String()}
			}
		}
	}
	return doc
}

// locks tells slips apart by what is tied.
func (p *slipMade) locks() (out []string) {
	if p.plan != nil {
		for _, o := range p.plan.Rigs {
			if o.Bends() {
				out = append(out, o.Limb, o.Anchor)
			}
		}
	}
	return out
}
