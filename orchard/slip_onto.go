package orchard

import (
	"slices"

	"vertumna/core/almanac"
	"vertumna/core/cut"
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

// onto makes the slip asked for: on the map, where it is of that half of the year; else on the tree as the plan leaves it by then.
// Cost: a slip, and for each half between a slip and a season of growth.
func (p *slipMade) onto(kept *store.LimbMap) error {
	m, err := limb.Check(p.tied(kept.Doc))
	if err != nil {
		return err
	}
	at := halfOf(m, kept.Date, p.south)
	legs := p.legs(at, kept.Date)
	first := len(legs) // of those that the plan begins with: after what was missed
	for first > 0 && legs[first-1].cut {
		first--
	}
	p.kept, p.tree, p.predicted, p.missed = kept, p.grower(m), len(legs) > 0, first > 0
	if p.of = p.wanted(at); len(legs) == 0 && m.Year > 0 {
		p.of.year = m.Year
	}
	if first == len(legs) {
		if err := p.past(legs); err != nil {
			return err
		}
		p.m, p.light = p.tree.Map, nil
		p.key = slipKey(p.season, p.m.Year)
		return p.replan()
	}
	begin := p.eve
	if begin == nil {
		begin = p.before()
	}
	begin.season, begin.of, begin.madeThen = legs[first].season, legs[first].half, legs[first].before(halfOn(p.today, p.south))
	begin.kept, begin.tree, begin.missed = kept, p.tree, p.missed
	if err := begin.past(legs[:first]); err != nil {
		return err
	}
	begin.m = begin.tree.Map
	begin.key = slipKey(begin.season, begin.m.Year)
	if err := begin.replan(); err != nil {
		return err
	}
	return p.follow(begin)
}

// before is another slip of the tree on the same day.
func (p *slipMade) before() *slipMade {
	b := p.standing
	same := &standing{contents: b.contents, tree: b.tree, core: b.core, yard: b.yard, school: b.school, options: b.options, speaker: b.speaker, day: b.day, south: b.south}
	return &slipMade{standing: same, today: p.today, plan: p.plan, until: p.until, usual: p.usual, forecasts: p.forecasts}
}

// past grows the tree through halves that are over: those whose slips were made, and those whose were not.
func (p *slipMade) past(legs []leg) error {
	for len(legs) > 0 {
		first := legs[0]
		cuts, err := p.madeIn(first, p.tree)
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
				return p.madeIn(legs[1], tree)
			}})
			legs = legs[1:]
		}
		if err != nil {
			return err
		}
		legs = legs[1:]
	}
	return nil
}

// madeIn is what the slip of a half that is over cut of a tree: nothing, where it was missed.
func (p *slipMade) madeIn(l leg, tree growth.Tree) ([]growth.Cut, error) {
	if !l.cut {
		return nil, nil
	}
	on := p.before()
	on.kept, on.tree, on.m, on.season, on.of, on.madeThen = p.kept, tree, tree.Map, l.season, l.half, true
	on.key = slipKey(on.season, on.m.Year)
	if err := on.replan(); err != nil {
		return nil, err
	}
	return on.slip.Made(), nil
}

// follow takes the slip from the plan that begins with another.
func (p *slipMade) follow(begin *slipMade) error {
	p.now = begin
	rows, err := p.nextYears()
	if err != nil {
		return err
	}
	row := rows[p.of.year-p.firstYear()]
	p.tree, p.slip = row.Winter, row.Dormant
	if p.season == limb.Summer {
		p.tree, p.slip = row.Day, row.Summer
	}
	p.m, p.options, p.choices = p.tree.Map, p.slip.Options, map[cut.Key]store.SlipChoice{}
	p.key = slipKey(p.season, p.m.Year)
	p.standing.options = p.thresholds(p.of)
	p.light = begin.lightAhead(p.m)
	p.lit = p.light
	reading := begin.reading()
	reading.Light, reading.Options = p.light, p.standing.options
	p.planner, err = cut.NewPlanner(p.tree, reading, p.options)
	return err
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
				l.State = &limb.State{Kind: limb.Tied, Due: max(almanac.Day(o.OffDay), p.today+1).String()} // today it is on
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
