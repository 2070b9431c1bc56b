package year

import (
	"math"

	"vertumna/core/almanac"
	"vertumna/core/crop"
	"vertumna/core/pomology"
)

// Fruit is what a tree's counts and its limb map come to in a season; it gives the tasks of the fruit their amounts.
type Fruit struct {
	Season   int
	Limbs    int     // that carry the crop
	ToCount  int     // limbs still to count before the tree's number is good
	Counted  bool    // what hangs is known, by count or by a look
	Verdict  string  // of crop.WhetherToThin
	Keep     int     // fruit
	Remove   int     // fruit
	Minutes  float64 // of thinning; 0 unknown
	KG       float64 // to come
	Laden    []Laden // limbs over what they carry safely, the worst first
	Again    int     // limbs that want a second look now
	Standing crop.Standing
}

// Laden is a limb that carries more than is safe.
type Laden struct {
	Limb     string
	Use      float64 // of its limit
	PropAtCM int
	Holds    bool // a prop there does
	Remove   int  // fruit that would have to go
}

// FruitOf is what the year's tasks take from the plan of a tree's fruit. What a limb carries beside its fruit (snow) is no job of the fruit:
// hangs says whether it is fruit that weighs on the limbs.
func FruitOf(p *crop.Plan, now crop.Standing, season int, hangs bool) *Fruit {
	out := &Fruit{
		Season: season, Limbs: len(p.Limbs), Standing: now, Counted: p.Targets.Available != nil && (p.Count != nil || p.Glance != nil),
		Keep: p.Allot.Keep, KG: math.Round(p.Targets.KG*10) / 10, ToCount: len(p.ToCount),
	}
	if p.Count != nil {
		out.ToCount = p.Count.CountMore
	}
	if p.Whether != nil {
		out.Verdict = p.Whether.Verdict
	}
	if p.Allot.Remove != nil {
		out.Remove = *p.Allot.Remove
	}
	if p.Allot.Minutes != nil {
		out.Minutes = *p.Allot.Minutes
	}
	weighed := p.Weighed()
	for i := range weighed {
		l := &weighed[i]
		if hangs && p.Counted && (l.State == crop.LoadOver || l.State == crop.LoadDanger) {
			out.Laden = append(out.Laden, Laden{Limb: l.Limb, Use: math.Round(l.Use*100) / 100, PropAtCM: l.PropAtCM, Holds: l.PropHolds, Remove: l.Remove})
		}
	}
	if second := p.Second(); second != nil {
		out.Again = len(second.Again)
	}
	return out
}

// FrostRisk is the chance, 0 to 1, that a killing frost still comes after a day of a season: read between the days after which
// it comes in every other year and in one year of ten (linear, est.).
func (p Place) FrostRisk(day almanac.Day, season int) float64 {
	a := &Anchors{byName: map[string]Anchor{}}
	siteAnchors(a, p, season)
	half, tenth := a.Day(LastFrost50), a.Day(LastFrost10)
	if !half.Known() || !tenth.Known() || tenth <= half {
		return 0
	}
	risk := 0.5 - 0.4*float64(day-half)/float64(tenth-half)
	return math.Max(0, math.Min(1, risk))
}

// Numbers of fruit growth (est.).
const (
	fruitAtBloomMM = 2
	fruitAfterMM   = 0.6 // a day, beyond the last stage known
)

// FruitMM is how wide fruitlets are expected to be on a day, mm, by the stages of the tree's year; 0 before petal fall.
func (a *Anchors) FruitMM(day almanac.Day, ripeMM float64) float64 {
	petals := a.Day(almanac.PetalFall.String())
	if !petals.Known() || day < petals {
		return 0
	}
	lastDay, last := a.Day(almanac.FullBloom.String()), float64(fruitAtBloomMM)
	for _, s := range []struct {
		stage almanac.Stage
		mm    float64
	}{{almanac.Fruit10, 10}, {almanac.Fruit18, 18}, {almanac.Fruit24, 24}, {almanac.HarvestStart, ripeMM}} {
		d := a.Day(s.stage.String())
		if !d.Known() || d <= lastDay || s.mm <= last {
			continue
		}
		if day < d {
			return last + (s.mm-last)*float64(day-lastDay)/float64(d-lastDay)
		}
		lastDay, last = d, s.mm
	}
	return math.Min(ripeMM, last+fruitAfterMM*float64(day-lastDay))
}

// naturalDrop is the share of the fruit set at petal fall that the tree drops by itself, by group (est.).
var naturalDrop = map[string]float64{"pome": 0.35, "stone": 0.25, "other": 0.2}

// DropToCome is the share of the fruit hanging on a day that will still drop by itself: it falls away evenly until the end of
// natural drop.
func (a *Anchors) DropToCome(day almanac.Day, group string) float64 {
	from, to := a.Day(almanac.PetalFall.String()), a.Day(almanac.DropEnd.String())
	if !from.Known() || !to.Known() || day >= to || to <= from {
		return 0
	}
	left := math.Min(1, float64(to-day)/float64(to-from))
	gone := naturalDrop[group] * (1 - left)
	return (naturalDrop[group] - gone) / (1 - gone)
}

// fruitAhead is by how many days the fruit last measured stands ahead of what was expected of it (behind: less than 0). Only
// windows that hang on its size move with it.
func (c *context) fruitAhead() (days int, seen Entry, ok bool) {
	for i := len(c.entries) - 1; i >= 0 && !ok; i-- {
		if e := c.entries[i]; e.FruitMM > 0 && e.Season == c.season {
			seen, ok = e, true
		}
	}
	ripe := c.tree.Kind.Crop.RipeMM
	if !ok || c.group() != pomology.Stone && !c.school.Is("thin_time", "fruitlet-18") || c.a.FruitMM(seen.Date, ripe) == 0 {
		return 0, Entry{}, false
	}
	const most = 21
	for days = -most; days < most; days++ {
		if c.a.FruitMM(seen.Date+almanac.Day(days), ripe) >= seen.FruitMM {
			break
		}
	}
	return days, seen, true
}

// Minutes of the jobs of the fruit (est.).
const (
	minutesACount   = 4 // a limb
	minutesAProp    = 8
	minutesABag     = 0.4
	pickedAMinuteKG = 0.7
	fewBudsToOpen   = 20
)

// counted is the season's numbers, nil where nothing was counted or looked at.
func (c *context) fruit() *Fruit {
	if f := c.tree.Fruit; f != nil && f.Season == c.season {
		return f
	}
	return nil
}

// lastYear tells how the tree comes into the season, where its last one says something.
func (c *context) lastYear() (r Reason, ok bool) {
	f := c.fruit()
	if f == nil || f.Standing.State == crop.Normal || f.Standing.Rule == "unknown" {
		return Reason{}, false
	}
	r = reason("comes-in-"+f.Standing.State).num(float64(f.Standing.Year), "year")
	switch f.Standing.Rule {
	case "load":
		r = reason("comes-in-"+f.Standing.State+"-load").num(f.Standing.Load, "times")
	case "alternation":
		r = reason("comes-in-" + f.Standing.State + "-beat")
	}
	return r, true
}

// frostCounted is the season's last count of frosted buds.
func (c *context) frostCounted() (crop.Frosted, Entry, bool) {
	for i := len(c.entries) - 1; i >= 0; i-- {
		e := c.entries[i]
		if e.Kind != WorkEntry || e.Task != FrostCount || e.Season != c.season || e.Opened == 0 {
			continue
		}
		f, err := crop.FrostBuds(crop.FrostInput{Species: c.tree.Kind.Slug, Opened: e.Opened, Alive: e.Alive})
		return f, e, err == nil
	}
	return crop.Frosted{}, Entry{}, false
}
