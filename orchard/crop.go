package orchard

import (
	"context"
	"errors"
	"math"

	"vertumna/core/almanac"
	"vertumna/core/crop"
	"vertumna/core/given"
	"vertumna/core/year"
	"vertumna/words"
)

// CropBody is the plot's crop over the years, and what is coming against what the household wants.
type CropBody struct {
	Season   int        `json:"season"`
	GroundM2 float64    `json:"ground_m2" doc:"of the plot's outline; 0: none drawn"`
	Trees    []TreeCrop `json:"trees" nullable:"false" doc:"those that bear, by code"`
	Years    []PlotYear `json:"years" nullable:"false" doc:"latest first"`
	Index    *float64   `json:"alternation_index,omitempty" doc:"of the plot's kilos, over the years most trees have on record"`
	Beat     string     `json:"alternation,omitempty"`
	Kinds    []KindCrop `json:"kinds" nullable:"false"`
	Safety   []string   `json:"safety" nullable:"false"`
}

// TreeCrop is one tree's crop over the years.
type TreeCrop struct {
	ID       string       `json:"id"`
	Code     string       `json:"code"`
	Name     string       `json:"name,omitempty"`
	Kind     string       `json:"kind"`
	KindName string       `json:"kind_name"`
	Years    []CropYear   `json:"years" nullable:"false" doc:"latest first"`
	Index    *float64     `json:"alternation_index,omitempty"`
	Beat     string       `json:"alternation,omitempty"`
	Says     string       `json:"standing_says,omitempty"`
	State    string       `json:"state" enum:"normal,on,off,rebound"`
	Doing    []string     `json:"doing" nullable:"false"`
	NextSays string       `json:"next_year_says,omitempty"`
	Next     string       `json:"next_year,omitempty"`
	Picked   *almanac.Day `json:"picked,omitempty" doc:"it came in: kg_coming and fruit_coming are what was picked"`
	KG       float64      `json:"kg_coming"`
	Fruit    int          `json:"fruit_coming"`
	Counted  bool         `json:"counted" doc:"from a count of this season, else expected from its buds and its wood"`
	KGPerM2  float64      `json:"kg_per_m2" doc:"of the ground under its crown"`
	Opens    *almanac.Day `json:"harvest_opens,omitempty"`
	Closes   *almanac.Day `json:"harvest_closes,omitempty"`
	Laden    int          `json:"laden_limbs"`
	ByLimb   []LimbCrop   `json:"by_limb" nullable:"false" doc:"harvests logged by limb, against the light of the limb"`
}

// LimbCrop is a harvest logged by limb.
type LimbCrop struct {
	Season int     `json:"season"`
	Limb   string  `json:"limb"`
	KG     float64 `json:"kg"`
	Fruit  int     `json:"fruit"`
	Light  float64 `json:"light" doc:"of the limb as it stands; 0 unknown"`
}

// PlotYear is a year of the whole plot.
type PlotYear struct {
	Season  int     `json:"season"`
	Trees   int     `json:"trees" doc:"with a harvest on record"`
	Set     float64 `json:"set" doc:"fruit before thinning, of the trees that were counted"`
	Left    int     `json:"left" doc:"fruit left by thinning"`
	MassG   float64 `json:"mass_g" doc:"mean of a fruit; 0 unknown"`
	KG      float64 `json:"kg"`
	Fruit   int     `json:"fruit"`
	KGPerM2 float64 `json:"kg_per_m2" doc:"of the plot; 0 where no outline is drawn"`
	PerM2   float64 `json:"fruit_per_m2"`
}

// KindCrop is what is coming of a kind against what is wanted.
type KindCrop struct {
	Kind     string      `json:"kind"`
	KindName string      `json:"kind_name"`
	NeedKG   float64     `json:"need_kg"`
	ComingKG float64     `json:"coming_kg"`
	Says     string      `json:"says,omitempty" doc:"how many trees of it would do"`
	Weeks    []WeekBody  `json:"weeks" nullable:"false"`
	Thin     []ThinFirst `json:"thin_first" nullable:"false" doc:"where there is too much: which tree to thin hardest"`
}

// WeekBody is a week of harvest.
type WeekBody struct {
	From almanac.Day `json:"from"`
	KG   float64     `json:"kg"`
}

// ThinFirst is a tree to thin harder, and why.
type ThinFirst struct {
	Code string `json:"code"`
	Why  string `json:"why"`
}

// Crop is the crop over the years, and what is coming against what is wanted.
func (k *Keeper) Crop(ctx context.Context, p *Planned, day almanac.Day) (*CropBody, error) {
	out := &CropBody{Season: p.Shown.Season, GroundM2: math.Round(p.Contents.Orchard.Plot.AreaM2()*10) / 10, Trees: []TreeCrop{}, Years: []PlotYear{}, Kinds: []KindCrop{}, Safety: words.FruitSafety()}
	var coming []crop.Coming
	for i := range p.Shown.Trees {
		tp := &p.Shown.Trees[i]
		t := tp.Tree
		if t.Elsewhere || !t.Bears(p.Shown.Season, p.Yard.Place.Site.South()) {
			continue
		}
		f, err := k.fruitOf(ctx, p, tp, day)
		var faults given.Faults
		if errors.As(err, &faults) {
			continue // nothing of it was measured: nothing can be said
		}
		if err != nil {
			return nil, err
		}
		tree := f.treeCrop()
		out.Trees = append(out.Trees, tree)
		c := crop.Coming{Tree: t.Code, Kind: t.Kind, KG: tree.KG, Opens: almanac.NoDay, Closes: almanac.NoDay, Standing: f.years.Now, Picked: f.plan.Picked}
		for k := range tp.Tasks {
			if x := &tp.Tasks[k]; x.Kind == year.HarvestTask {
				c.Opens, c.Closes = x.Window.Opens.Day, x.Window.Closes.Day
			}
		}
		if weighed := f.plan.Weighed(); len(weighed) > 0 {
			c.WorstUse = weighed[0].Use
		}
		c.Alternates = f.years.Alternation != nil && f.years.Alternation.Verdict == "alternating"
		coming = append(coming, c)
	}
	out.Years = plotYears(out.Trees, out.GroundM2)
	if a, ok := crop.AlternatePlot(plotCrops(out.Years)); ok {
		out.Index, out.Beat = a.Index, words.Alternation(a.Verdict)
	}
	needs, err := needsOf(p)
	if err != nil {
		return nil, err
	}
	for _, k := range crop.SupplyOf(needs, coming) {
		out.Kinds = append(out.Kinds, kindCrop(&k))
	}
	return out, nil
}

func kindCrop(s *crop.Supply) KindCrop {
	b := KindCrop{Kind: s.Kind.Slug, KindName: s.Kind.Name, NeedKG: round1(s.NeedKG), ComingKG: round1(s.ComingKG), Says: words.EnoughTrees(s), Weeks: []WeekBody{}, Thin: []ThinFirst{}}
	for _, w := range s.Weeks {
		b.Weeks = append(b.Weeks, WeekBody{w.From, math.Round(w.KG*100) / 100})
	}
	for i, code := range s.ThinFirst {
		b.Thin = append(b.Thin, ThinFirst{code, words.ThinWhy(s.Why[i])})
	}
	return b
}

// needsOf is what the household wants, losses included.
func needsOf(p *Planned) ([]crop.Need, error) {
	var out []crop.Need
	for _, n := range p.Contents.Orchard.Needs {
		in := given.New[crop.HouseholdInput]()
		in.Species, in.FreshKG, in.Jars = n.Kind, n.FreshKG, n.Jars
		if n.JarLitre > 0 {
			in.JarLitre = n.JarLitre
		}
		h, err := crop.HouseholdNeed(in)
		if err != nil {
			return nil, err
		}
		out = append(out, crop.Need{Kind: n.Kind, KG: h.KG})
	}
	return out, nil
}

func (f *fruitMade) treeCrop() TreeCrop {
	t := &f.plan.Targets
	var full FruitBody
	f.yearsInto(&full)
	out := TreeCrop{
		ID: f.tree.ID, Code: f.tree.Code, Name: f.tree.Name, Kind: f.core.Kind.Slug, KindName: f.core.Kind.Name, Years: orEmpty(full.Years), Index: full.Index, Beat: full.Beat,
		Says: words.Standing(f.years.Now), State: f.years.Now.State, Doing: orEmpty(words.Doing(f.years.Now.State)), NextSays: full.NextSays,
		KG: round1(t.KG), Counted: f.plan.Counted, ByLimb: []LimbCrop{},
	}
	if f.years.Next != nil {
		out.Next = f.years.Next.Next
	}
	out.Fruit = t.Target
	if t.Available != nil {
		out.Fruit = min(*t.Available, t.Target)
		if t.Remove != nil && *t.Remove == 0 {
			out.Fruit = *t.Available
		}
	}
	if was := f.borne(); f.plan.Picked { // what came, not what was to come
		out.Counted, out.Picked = true, &f.tp.Picked
		if was.KG != nil {
			out.KG = round1(*was.KG)
		}
		if was.Picked != nil {
			out.Fruit = *was.Picked
		}
	}
	spread, _ := f.core.Crown()
	if ground := math.Pi / 4 * spread * spread; ground > 0 {
		out.KGPerM2 = math.Round(100*out.KG/ground) / 100
	}
	for i := range f.tp.Tasks {
		if x := &f.tp.Tasks[i]; x.Kind == year.HarvestTask {
			out.Opens, out.Closes = dayOrNil(x.Window.Opens.Day), dayOrNil(x.Window.Closes.Day)
		}
	}
	for _, l := range f.plan.Weighed() {
		if s := l.State; s == crop.LoadOver || s == crop.LoadDanger {
			out.Laden++
		}
	}
	for _, e := range f.contents.Fruitings(f.tree.ID, f.day) {
		if e.Fruiting == nil || e.Fruiting.Limb == "" || e.Task != string(year.HarvestTask) {
			continue
		}
		l := LimbCrop{Season: e.Season, Limb: e.Fruiting.Limb, KG: e.Kilos, Fruit: e.Fruit}
		for _, x := range f.plan.Limbs {
			if x.ID == l.Limb {
				l.Light = round4(x.Light)
			}
		}
		out.ByLimb = append(out.ByLimb, l)
	}
	return out
}

// plotCrops are the plot's kilos by year with the trees on record, oldest first.
func plotCrops(years []PlotYear) []crop.PlotCrop {
	var out []crop.PlotCrop
	for i := len(years) - 1; i >= 0; i-- {
		out = append(out, crop.PlotCrop{Year: years[i].Season, KG: years[i].KG, Trees: years[i].Trees})
	}
	return out
}

// plotYears adds the trees' years up.
func plotYears(trees []TreeCrop, ground float64) []PlotYear {
	by, weighed, counted := map[int]*PlotYear{}, map[int]float64{}, map[int]int{}
	latest, first := 0, math.MaxInt
	for _, t := range trees {
		for _, y := range t.Years {
			if y.KG == nil && y.Picked == nil {
				continue
			}
			p := by[y.Season]
			if p == nil {
				p = &PlotYear{Season: y.Season}
				by[y.Season] = p
			}
			p.Trees++
			latest, first = max(latest, y.Season), min(first, y.Season)
			if y.KG != nil {
				p.KG += *y.KG
			}
			if y.Picked != nil {
				p.Fruit += *y.Picked
			}
			if y.KG != nil && y.Picked != nil {
				weighed[y.Season] += *y.KG
				counted[y.Season] += *y.Picked
			}
			if y.Set != nil {
				p.Set += *y.Set
			}
			if y.Left != nil {
				p.Left += *y.Left
			}
		}
	}
	out := []PlotYear{}
	for y := latest; y >= first && latest > 0; y-- {
		p := by[y]
		if p == nil {
			continue
		}
		p.KG, p.Set = round1(p.KG), math.Round(p.Set)
		if n := counted[y]; n > 0 {
			p.MassG = round1(1000 * weighed[y] / float64(n))
		}
		if ground > 0 {
			p.KGPerM2, p.PerM2 = math.Round(100*p.KG/ground)/100, math.Round(10*float64(p.Fruit)/ground)/10
		}
		out = append(out, *p)
	}
	return out
}
