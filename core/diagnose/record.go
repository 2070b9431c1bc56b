package diagnose

import (
	"math"
	"slices"

	"vertumna/core/almanac"
	"vertumna/core/find"
	"vertumna/core/limb"
	"vertumna/core/pomology"
	"vertumna/core/year"
)

// How far back the record is read for a cause, days and millimetres (our estimates).
const (
	monthDays   = 30
	weekDays    = 7
	windDays    = 60
	nearRipe    = 28
	afterDrop   = 7  // the drop's own span
	rainKnown   = 20 // days of weather that must be known for a sum of rain
	stormKmh    = 60 // a gust that loosens a stake
	youngYears  = 3  // a tree stands by its stake so long
	woodMarginC = 4  // wood ends suffer so many degrees before nine buds in ten die in rest
)

// Record is what was written down of a tree up to a day, from which its facts are read.
type Record struct {
	Yard   *year.Yard
	Tree   *year.TreePlan
	Season int         // the one shown
	From   almanac.Day // its first day
	Day    almanac.Day
	Seen   int // sicknesses logged within the year
	Map    *MapRecord
}

// MapRecord is a tree's limb map with what its findings are read with.
type MapRecord struct {
	Map     *limb.Map
	Reading find.Reading
}

// FactsOf reads the facts of a tree out of its record. What was not written down is no fact. Cost: the findings of its map.
func FactsOf(r Record) Facts {
	f := Facts{}
	f.ofTree(r)
	f.ofSeason(r)
	f.ofJournal(r)
	f.ofSky(r)
	f.ofFruit(r.Tree.Tree.Fruit)
	if r.Map != nil {
		f.ofMap(*r.Map)
	}
	return f
}

func is(b bool) float64 {
	if b {
		return 1
	}
	return 0
}

// ofTree: what the tree is and how it stands.
func (f Facts) ofTree(r Record) {
	tp, t, place := r.Tree, r.Tree.Tree, r.Yard.Place
	f[StoneFruit], f[WetWinterSite] = is(t.Kind.Group == pomology.Stone), is(place.Climate.WetWinter())
	f[Staked], f[NeedsStake] = is(t.HasStake), is(pomology.StakeForLife(t.Class, t.Form) || tp.Age <= youngYears)
	f[YoungTree], f[WinterShare] = is(tp.Age <= youngYears), tp.Account.Dormant
	f[BearsOnTips] = is(t.Kind.Growth.Bearing == pomology.OnTips || t.Kind.Growth.Bearing == pomology.OnLastYear)
	f[HostNear], f[Resists] = dieback(t, r.Yard.Hosts)
	if t.Planted.Known() {
		_, class, _ := t.Kind.SizeFor(t.Class)
		f[YearsToBear] = float64(t.Kind.Crop.SeasonsToBear[class] + 1 - t.AgeIn(r.Season, place.Site.South()))
	}
	if t.HeightM > 0 {
		f[OverReach] = math.Round(100*(t.HeightM-tp.ReachM)) / 100
	}
	if t.ShootCM > 0 && t.Kind.Growth.ExtensionCM > 0 {
		f[ShootRatio] = t.ShootCM / t.Kind.Growth.ExtensionCM
	}
	if t.TubLitres > 0 {
		f[TubTight] = is(max(t.SpreadM, t.HeightM) > pomology.TubCap(t.TubLitres))
	}
}

// dieback counts the sicknesses that kill wood of a tree: those that hosts outside bring, and those it resists.
func dieback(t *year.Tree, hosts []string) (near, resists float64) {
	for _, x := range pomology.Threats(t.Kind, hosts, t.Resists) {
		if x.Sickness.Kills {
			near++
		}
	}
	for _, s := range pomology.SicknessesOf(t.Kind) {
		if s.Kills && slices.Contains(t.Resists, s.Slug) {
			resists++
		}
	}
	return near, resists
}

// ofSeason: where the tree stands in its season, and who blooms beside it.
func (f Facts) ofSeason(r Record) {
	a := r.Tree.Anchors
	if c := a.Chill; c.Need > 0 {
		f[ChillMargin] = c.Got - c.Need
	}
	if v := r.Tree.Company; v != nil {
		best := 0
		for _, o := range v.Overlaps {
			best = max(best, o.Days)
		}
		f[PartnerWant] = is(v.Needs) * float64(max(1, v.WantDays))
		if v.Needs {
			f[Partner] = float64(best)
		}
	}
	petals, drop := a.Day(almanac.PetalFall.String()), a.Day(almanac.DropEnd.String())
	if petals.Known() && drop.Known() {
		f[DropTime] = is(r.Day >= petals && r.Day <= drop+afterDrop)
	}
	if ripe := a.Day(almanac.HarvestStart.String()); ripe.Known() {
		f[Ripening] = is(r.Day >= ripe-nearRipe && r.Day <= a.Day(year.HarvestEnd))
	}
}

// ofJournal: what was logged of the tree this season and the last.
func (f Facts) ofJournal(r Record) {
	if r.Seen > 0 {
		f[Sick] = float64(r.Seen)
	}
	for i := range r.Yard.Entries {
		e := &r.Yard.Entries[i]
		if e.Tree != r.Tree.Tree.ID || e.Date > r.Day {
			continue
		}
		facts, _ := e.Task.Facts()
		switch {
		case e.Kind == year.ObservedEntry && e.Season == r.Season && (e.Stage == almanac.FullBloom || e.Stage == almanac.FirstBloom):
			f[Bloomed] = 1
		case e.Kind == year.WorkEntry && e.Task == year.Thin && e.Season == r.Season && e.Outcome != year.Left:
			f[Thinned] = 1
		case e.Kind == year.WorkEntry && facts.Cut && e.Season >= r.Season-1 && e.Outcome == year.Left:
			f[LeftWork]++
		case e.Kind == year.WorkEntry && facts.Cut && e.Season >= r.Season-1:
			share, _ := year.ShareOf(r.Tree.Tree, *e)
			f[HardCut] = max(f[HardCut], share)
			if e.Season == r.Season-1 && f[WinterShare] == 0 && e.Task == year.DormantCut {
				f[WinterShare] = share
			}
		}
	}
}

// ofSky: what the weather told.
func (f Facts) ofSky(r Record) {
	sum := func(days almanac.Day) (mm float64, known int) {
		for _, d := range r.Yard.Sky {
			if d.Date > r.Day-days && d.Date <= r.Day {
				mm, known = mm+d.RainMM, known+1
			}
		}
		return mm, known
	}
	if mm, known := sum(monthDays); known >= rainKnown {
		f[RainMonth] = mm
		f[RainWeek], _ = sum(weekDays)
	}
	var nights []almanac.TempDay
	coldest := math.Inf(1)
	for _, d := range r.Yard.Sky {
		if d.Date > r.Day {
			continue
		}
		if d.Date > r.Day-windDays && d.GustKmh >= stormKmh {
			f[Gusts]++
		}
		if d.Date >= r.From {
			nights = append(nights, d.Temp())
			coldest = math.Min(coldest, d.Tmin)
		}
	}
	if all := year.Frosts(r.Tree.Tree, r.Tree.Anchors, nights, r.Day); len(all) > 0 {
		f[FrostAlive] = all[len(all)-1].Alive
	}
	if _, t90, err := almanac.KillTemps(r.Tree.Tree.Kind.Slug, "dormant", 0); err == nil && !math.IsInf(coldest, 1) {
		f[ColdKill] = math.Round(10*(t90+woodMarginC-coldest)) / 10
	}
}

// ofFruit: what hangs, against what was to stay.
func (f Facts) ofFruit(fruit *year.Fruit) {
	if fruit == nil {
		return
	}
	if l := fruit.Standing.Load; l > 0 {
		f[RestYear] = l
	}
	if fruit.Counted && fruit.Keep > 0 {
		f[HangingTo] = float64(fruit.Keep+fruit.Remove) / float64(fruit.Keep)
	}
	for _, l := range fruit.Laden {
		f[Laden] = max(f[Laden], l.Use)
	}
}

// ofMap: where the fruit buds and the light are, and what is found on the limbs.
func (f Facts) ofMap(r MapRecord) {
	m, light, reach := r.Map, r.Reading.Light, r.Reading.Options.ReachCM
	buds, above, lit, low := 0.0, 0.0, 0.0, 0
	for i := range m.Axes {
		n := m.FlowerBuds(i, light, nil)
		z := m.At(i, m.Axes[i].L/2).Z
		buds += n
		if reach > 0 && z > reach {
			above += n
		} else if !m.IsStem(i) {
			lit, low = lit+light.At(i), low+1
		}
	}
	if buds > 0 && reach > 0 {
		f[FruitAbove] = above / buds
	}
	if low > 0 {
		f[LightLow] = lit / float64(low)
	}
	count := map[find.Code]float64{}
	for _, x := range find.Findings(m, r.Reading) {
		count[x.Code]++
	}
	f[Sick] += count[find.DiseasedWood] + count[find.Borer]
	f[Dead], f[Headed], f[Knots] = count[find.DeadWood], count[find.HeadedAgain], count[find.Crowsfoot]
	f[NarrowForks] = count[find.NarrowCrotch] + count[find.Fork]
}
