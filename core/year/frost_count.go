package year

import (
	"vertumna/core/almanac"
	"vertumna/core/crop"
)

// FrostCount is the count of open buds after a night that kills.
const FrostCount TaskKind = "frost-count"

var frostCountFacts = TaskFacts{Mark: CareMark, Minutes: 15, Instead: "count-at-set", Harm: 1}

// frostCount: the morning after a night under the 10 % kill temperature of the stage the tree stood at. A job is named by its night, so
// that one logged late renames none; of a night told twice the coldest counts.
func frostCount(c *context) []draft {
	var out []draft
	dates := c.dates()
	coldest := map[almanac.Day]int{} // the place in out of a night's count
	for _, e := range c.entries {
		if e.Kind != FrostEntry || e.Season != c.season {
			continue
		}
		key, share, ok := almanac.FrostKey(dates, e.Date)
		if !ok {
			continue
		}
		t10, _, err := almanac.KillTemps(c.tree.Kind.Slug, key, share)
		if err != nil || e.Tmin > t10 {
			continue
		}
		at := logged(e.Date, 1)
		d := draft{kind: FrostCount, n: int(e.Date), opens: at, closes: after(at, 5), reasons: []Reason{
			reason("frost-night").on(Logged, e.Date).num(e.Tmin, "C").over(t10).said(key), reason("open-buds").num(fewBudsToOpen, "buds").over(crop.SureBuds),
		}}
		if k, told := coldest[e.Date]; !told {
			coldest[e.Date] = len(out)
			out = append(out, d)
		} else if e.Tmin < out[k].reasons[0].Number {
			out[k] = d
		}
	}
	return out
}

// FrostHurts says whether a night with this low, C, kills one flower or young fruit in ten of a tree, at the stage it stands at then.
func (tp *TreePlan) FrostHurts(night almanac.Day, tmin float64) bool {
	var dates almanac.Dates
	for _, s := range almanac.AllStages() {
		dates[s] = tp.Anchors.Day(s.String())
	}
	key, share, ok := almanac.FrostKey(dates, night)
	if !ok {
		return false
	}
	t10, _, err := almanac.KillTemps(tp.Tree.Kind.Slug, key, share)
	return err == nil && tmin <= t10 // a kind without a table of its own is not judged
}

func (c *context) dates() almanac.Dates {
	var d almanac.Dates
	for _, s := range almanac.AllStages() {
		d[s] = c.a.Day(s.String())
	}
	return d
}

// frostAlive is the share of fruit buds alive after the season's frost nights, 1 when none hurt.
func (c *context) frostAlive() float64 {
	dates := c.dates()
	var nights []almanac.FrostNight
	for _, e := range c.entries {
		if e.Kind != FrostEntry || e.Season != c.season {
			continue
		}
		if key, share, ok := almanac.FrostKey(dates, e.Date); ok {
			nights = append(nights, almanac.FrostNight{Key: key, Share: share, Tmin: e.Tmin})
		}
	}
	loss, err := almanac.FrostKill(c.tree.Kind.Slug, nights)
	if err != nil {
		return 1
	}
	return loss.Alive
}
