package orchard

import (
	"fmt"

	"vertumna/core/cut"
	"vertumna/core/find"
	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/core/year"
)

// root is the slip that the plan of the years begins with.
func (p *slipMade) root() *slipMade {
	if p.now != nil {
		return p.now
	}
	return p
}

// firstYear is the tree year that the plan begins with.
func (p *slipMade) firstYear() int { return p.root().of.year }

// plannedYears are the years of a tree's plan, and whether they bring it to reach.
func (p *slipMade) plannedYears(n int) (cut.Forecast, error) {
	return p.ahead("years", n, func(tree growth.Tree, y cut.Years) (cut.Forecast, error) {
		out, err := cut.Ahead(tree, y)
		for k := range out.Rows { // the trees on the way are many
			out.Rows[k].Winter, out.Rows[k].Day = growth.Tree{}, growth.Tree{}
		}
		return out, err
	})
}

// nextYears are the years of a tree's plan to the one of the slip after that of the day.
func (p *slipMade) nextYears() ([]cut.YearRow, error) {
	made, err := p.over(p.of.next().year - p.firstYear() + 1)
	return made.Rows, err
}

// over are so many years of a tree's plan, without a look at what they come to.
func (p *slipMade) over(n int) (cut.Forecast, error) {
	return p.ahead("next", n, func(tree growth.Tree, y cut.Years) (out cut.Forecast, err error) {
		out.Rows, out.End, err = cut.Over(tree, y)
		return out, err
	})
}

// ahead makes the slips of years to come as the plan does, or gives them as made before.
func (p *slipMade) ahead(what string, n int, by func(growth.Tree, cut.Years) (cut.Forecast, error)) (cut.Forecast, error) {
	now := p.root()
	with := fmt.Sprint(now.madeFrom(now.kept.Mark()), what, n, p.of, p.noLeaf(), p.now != nil && p.season == limb.Summer && p.harvestOver())
	return now.forecasts.of(mapKey{now.core.ID, now.kept.Mark(), with}, func() (cut.Forecast, error) {
		years := cut.Years{
			N: n, Options: now.options, Reading: now.reading(), First: now.slip,
			In: func(n int, season limb.Season) (cut.Options, find.Options) {
				in := half{season, now.of.year + n}
				leaf := now.noLeafIn(in.year)
				if in.year == p.of.year { // as the year shown has it
					leaf = p.noLeaf()
				}
				return now.bySchool(in, leaf), p.thresholds(in)
			},
			Frame: func(n int, m *limb.Map) []limb.CutAt { return now.frameCuts(now.of.year+n, m) },
			LightOf: func(m *limb.Map) limb.Light {
				if m == now.m { // as its slip was made in
					return now.lit
				}
				return now.lightAhead(m)
			},
		}
		return by(now.tree, years)
	})
}

// thresholds are what a slip of a half to come looks by: what was decided until a day of it has come, and the fruit hangs unless the day
// shown is after harvest.
func (p *slipMade) thresholds(in half) find.Options {
	now := p.root()
	out := now.standing.options
	_, last := year.Rail(in.year, p.south)
	if in.season == limb.Dormant {
		last = year.GrowthFrom(in.year, p.south) - 1
	}
	out.Day, out.Without = last.String(), now.without(in.year) // what is held until a day of it, by a person or a tie, is held no longer
	out.Harvested = in == p.of && in.season == limb.Summer && p.harvestOver()
	return out
}

// yearsAfter are years of a tree as it stands in a winter to come: its slips, as the plan makes them.
func (p *slipMade) yearsAfter(tree growth.Tree, n int) ([]cut.YearRow, error) {
	first := half{limb.Dormant, tree.Map.Year}
	by := func(in half) (cut.Options, find.Options) {
		return p.bySchool(in, p.noLeafIn(in.year)), p.thresholds(in)
	}
	years := cut.Years{
		N: n, Reading: p.root().reading(), LightOf: p.root().lightAhead,
		In:    func(n int, season limb.Season) (cut.Options, find.Options) { return by(half{season, first.year + n}) },
		Frame: func(n int, m *limb.Map) []limb.CutAt { return p.root().frameCuts(first.year+n, m) },
	}
	years.Options, years.Reading.Options = by(first)
	rows, _, err := cut.Over(tree, years)
	return rows, err
}

// frameCuts are what a young tree's training cuts in a tree year, on its map by then.
func (p *slipMade) frameCuts(of int, m *limb.Map) []limb.CutAt {
	way := p.way()
	if way == nil {
		return nil
	}
	head := 0.0
	if life := p.core.AgeIn(of, p.south); life <= way.Stands {
		if h, err := headingOf(&p.plan.Young, p.stemBuds(m)); err == nil && h.CutCM != nil {
			head = *h.CutCM
		}
		return way.CutsIn(m, life, head)
	}
	return nil
}
