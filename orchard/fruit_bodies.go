package orchard

import (
	"context"
	"math"

	"vertumna/core/almanac"
	"vertumna/core/crop"
	"vertumna/core/limb"
	"vertumna/core/pomology"
	"vertumna/core/year"
	"vertumna/store"
	"vertumna/words"
)

// FruitBody is a tree's fruit in the season shown: what hangs, what should, limb by limb, and what its limbs carry.
type FruitBody struct {
	Tree      BenchTree       `json:"tree"`
	Day       almanac.Day     `json:"day"`
	Season    int             `json:"season"`
	Mapped    bool            `json:"mapped"`
	MapSeason string          `json:"map_season,omitempty" doc:"of the map the limbs are drawn from"`
	Thinned   bool            `json:"thinned" doc:"the kind's fruit is thinned by hand here"`
	Bears     bool            `json:"bears"`
	King      bool            `json:"king_fruit"`
	Pome      bool            `json:"pome" doc:"it may be counted as clusters times fruit per cluster"`
	Standing  crop.Standing   `json:"standing"`
	Says      string          `json:"standing_says,omitempty" doc:"how it comes into the season"`
	Doing     []string        `json:"doing" nullable:"false" doc:"what to do in such a year"`
	Time      *crop.Time      `json:"time,omitempty"`
	TimeSays  string          `json:"time_says,omitempty"`
	Window    *FruitWindow    `json:"window,omitempty" doc:"of the thinning"`
	FruitMM   float64         `json:"fruit_mm" doc:"of a fruitlet; 0 before petal fall"`
	MMSeen    bool            `json:"fruit_mm_measured"`
	RingsMM   []float64       `json:"rings_mm" nullable:"false" doc:"of the ring gauge for its kind"`
	Count     *crop.Count     `json:"count,omitempty"`
	CountSays string          `json:"count_says,omitempty"`
	Glance    string          `json:"glance,omitempty"`
	ToCount   []string        `json:"to_count" nullable:"false" doc:"limbs to count next, thickest first"`
	Lines     []FruitLine     `json:"lines" nullable:"false" doc:"each rule's number for the tree"`
	Binding   string          `json:"binding"`
	Binds     string          `json:"binds" doc:"which rule binds, in words"`
	Target    int             `json:"target"`
	Keep      int             `json:"keep" doc:"to leave at first: more than the target while frost can come"`
	Available *int            `json:"available,omitempty"`
	Remove    *int            `json:"remove,omitempty"`
	MassG     float64         `json:"mass_g" doc:"of a fruit with so many left"`
	KG        float64         `json:"kg"`
	Spacing   *float64        `json:"spacing_cm,omitempty"`
	Whether   *crop.ThinOrNot `json:"whether,omitempty"`
	WhetherIs string          `json:"whether_says,omitempty"`
	Minutes   *float64        `json:"minutes,omitempty"`
	Limbs     []FruitLimb     `json:"limbs" nullable:"false"`
	Loads     []LoadBody      `json:"loads" nullable:"false" doc:"the worst first"`
	LoadBy    string          `json:"loads_by" enum:"counted,expected,snow,picked"`
	Picked    *almanac.Day    `json:"picked,omitempty" doc:"the day the season's fruit was logged as picked: none hangs, and what is told to leave and to carry is what the season was to bear"`
	PickedIs  string          `json:"picked_says,omitempty"`
	Second    *crop.Second    `json:"second,omitempty"`
	Frost     *crop.Frosted   `json:"frost,omitempty"`
	FrostSays string          `json:"frost_says,omitempty"`
	Years     []CropYear      `json:"years" nullable:"false" doc:"latest first"`
	Index     *float64        `json:"alternation_index,omitempty"`
	Beat      string          `json:"alternation,omitempty"`
	Next      *crop.Bloom     `json:"next_year,omitempty"`
	NextSays  string          `json:"next_year_says,omitempty"`
	Beside    []LeftBody      `json:"beside,omitempty" nullable:"false" doc:"left as it hangs, and thinned: what each comes to; absent while nothing is to be taken"`
	Broken    []string        `json:"broken" nullable:"false" doc:"limbs that broke, traced to the thinning record"`
	Why       string          `json:"why_this_size"`
	How       string          `json:"how_to_pinch"`
	Warnings  []string        `json:"warnings" nullable:"false"`
	Safety    []string        `json:"safety" nullable:"false"`
}

// FruitWindow is when thinning is in time.
type FruitWindow struct {
	Opens  *almanac.Day `json:"opens,omitempty"`
	Closes *almanac.Day `json:"closes,omitempty"`
	Says   string       `json:"says"`
	Left   int          `json:"days_left"`
}

// FruitLine is one rule's number.
type FruitLine struct {
	Kind  string `json:"kind"`
	Name  string `json:"name"`
	From  string `json:"from"`
	Fruit int    `json:"fruit"`
	Binds bool   `json:"binds"`
}

// SizePoint is how heavy a fruit gets with so many left.
type SizePoint struct {
	Fruit int     `json:"fruit"`
	G     float64 `json:"g"`
}

// FruitLimb is one limb to count and thin.
type FruitLimb struct {
	ID         string        `json:"id"`
	DiameterMM float64       `json:"diameter_mm"`
	LengthCM   float64       `json:"length_cm"`
	SectionCM2 float64       `json:"section_cm2"`
	Side       string        `json:"side,omitempty" doc:"of the tree, as south"`
	Light      float64       `json:"light"`
	AboveReach float64       `json:"above_reach"`
	On         *int          `json:"on,omitempty"`
	Counted    bool          `json:"counted"`
	Keep       int           `json:"keep"`
	Remove     *int          `json:"remove,omitempty"`
	KeepOneIn  *float64      `json:"keep_one_in,omitempty"`
	Lines      []FruitLine   `json:"lines" nullable:"false"`
	Binds      string        `json:"binds"`
	MassG      float64       `json:"mass_g"`
	Curve      []SizePoint   `json:"curve" nullable:"false" doc:"grams a fruit against the number left on this limb"`
	Axes       []FruitAxis   `json:"axes" nullable:"false" doc:"the limb and all it carries, carriers first"`
	Laterals   []FruitSide   `json:"laterals" nullable:"false" doc:"its own wood first, then its side limbs from base to tip"`
	Pass       int           `json:"pass" doc:"the pass to count now: 1 the first time"`
	Done       bool          `json:"done" doc:"thinned at least once"`
	Left       int           `json:"left" doc:"as logged"`
	Taken      int           `json:"taken" doc:"as logged"`
	Tally      []store.Tally `json:"tally" nullable:"false" doc:"what the pad holds of the pass to count now"`
	Dense      bool          `json:"dense" doc:"among the places to knock off first with the pole"`
}

// FruitAxis is a limb as the thinning drawing lays it: where it starts on its carrier, how long, on which side.
type FruitAxis struct {
	ID       string  `json:"id"`
	Parent   string  `json:"parent,omitempty"`
	AttachCM float64 `json:"attach_cm"`
	LengthCM float64 `json:"length_cm"`
	D        float64 `json:"d_mm"`
	Dt       float64 `json:"tip_mm"`
	Side     int     `json:"side" doc:"1 left of its carrier seen from base to tip, -1 right"`
	AngleDeg float64 `json:"angle_deg" doc:"to its carrier"`
	Age      int     `json:"age"`
	Source   string  `json:"source"`
}

// FruitSide is a side limb of the limb, or its own wood, with where fruit is expected.
type FruitSide struct {
	ID       string        `json:"id" doc:"empty: the limb's own wood"`
	LengthCM float64       `json:"length_cm"`
	Class    string        `json:"class"`
	On       int           `json:"on" doc:"estimated"`
	Keep     int           `json:"keep"`
	Fruits   []PlacedFruit `json:"fruits" nullable:"false"`
}

// PlacedFruit is a fruit where it is expected.
type PlacedFruit struct {
	Limb string  `json:"limb"`
	AtCM float64 `json:"at_cm"`
	Keep bool    `json:"keep"`
}

// LoadBody is a limb with what hangs on it against what it carries.
type LoadBody struct {
	Limb      string   `json:"limb"`
	Fruit     int      `json:"fruit"`
	Safe      int      `json:"safe_fruit"`
	Break     int      `json:"break_fruit"`
	Use       float64  `json:"use"`
	State     string   `json:"state" enum:"ok,watch,over,danger"`
	StateSays string   `json:"state_says"`
	KG        float64  `json:"load_kg"`
	SagCM     float64  `json:"tip_sag_cm"`
	StressMPa float64  `json:"stress_mpa"`
	LimitMPa  float64  `json:"limit_mpa"`
	Crotch    float64  `json:"strength_share"`
	Remove    int      `json:"remove"`
	ShortenTo *int     `json:"shorten_to_cm,omitempty"`
	AfterCut  *int     `json:"fruit_after_shortening,omitempty"`
	PropAt    int      `json:"prop_at_cm"`
	PropHolds bool     `json:"prop_holds"`
	Saves     []string `json:"saves" nullable:"false" doc:"what would save it, the best first"`
	Warnings  []string `json:"warnings" nullable:"false"`
}

// CropYear is a season of a tree's fruit.
type CropYear struct {
	Season  int          `json:"season"`
	Set     *float64     `json:"set,omitempty"`
	Left    *int         `json:"left,omitempty"`
	Taken   *int         `json:"taken,omitempty"`
	Picked  *int         `json:"picked,omitempty"`
	KG      *float64     `json:"kg,omitempty"`
	MassG   float64      `json:"mass_g" doc:"mean of a fruit; 0 unknown"`
	Alive   *float64     `json:"alive,omitempty" doc:"share of its flower buds after frost"`
	First   *almanac.Day `json:"first,omitempty"`
	Last    *almanac.Day `json:"last,omitempty"`
	Quality string       `json:"quality,omitempty"`
}

// Fruit is a tree's fruit on a day: what hangs, what should, and what its limbs carry.
func (k *Keeper) Fruit(ctx context.Context, a At) (*FruitBody, error) {
	b, err := k.at(ctx, a)
	if err != nil {
		return nil, err
	}
	f, err := k.makeFruit(ctx, a.Slug, a.Tree, b.day)
	if err != nil {
		return nil, err
	}
	return f.body(), nil
}

// LeftBody is what a number of fruit left on the tree comes to.
type LeftBody struct {
	Name  string  `json:"name"`
	Fruit int     `json:"fruit"`
	MassG float64 `json:"mass_g"`
	KG    float64 `json:"kg"`
	Bloom float64 `json:"bloom" doc:"of the year after, of a full one; 0 unknown"`
	Says  string  `json:"says" doc:"of the year after"`
}

// beside sets the tree as it hangs against thinned; none where nothing is to be taken.
func (f *fruitMade) beside() []LeftBody {
	p := f.plan
	if p.Picked || p.Targets.Available == nil || *p.Targets.Available <= p.Allot.Keep {
		return nil
	}
	out := []LeftBody{}
	for i, n := range []int{*p.Targets.Available, p.Allot.Keep} {
		o := crop.OutcomeOf(f.core.Kind, f.in.Terms.MassG, f.section(), n)
		out = append(out, LeftBody{[]string{"left as it hangs", "thinned"}[i], n, round1(o.MassG), round1(o.KG), round4(o.Bloom), words.BloomAfter(o.Next)})
	}
	return out
}

// ringsMM are the rings of the gauge that stand on a kind's way to its thinning size.
var ringsMM = []float64{14, 18, 19, 24}

func (f *fruitMade) body() *FruitBody {
	p, k, t := f.plan, f.core.Kind, &f.plan.Targets
	why, how := words.ThinCard(k.Group)
	out := &FruitBody{
		Tree: BenchTree{
			ID: f.tree.ID, Code: f.tree.Code, Name: f.tree.Name, Kind: k.Slug, KindName: k.Name, Form: f.tree.Form, Age: f.age(), ReachCM: round1(f.options.ReachCM),
		},
		Day: f.day, Season: f.season, Mapped: f.m != nil, Thinned: k.Crop.HandThinned || f.in.ThinAnyway && t.SpacingCM != nil, Bears: f.core.Bears(f.season, f.south),
		King: k.Crop.KingFruit, Pome: k.Group == "pome", Standing: f.years.Now, Says: words.Standing(f.years.Now), Doing: orEmpty(words.Doing(f.years.Now.State)),
		Time: f.time, FruitMM: round1(f.mm), MMSeen: f.mmSeen, RingsMM: ringsMM, Count: p.Count, Glance: f.in.Glance, ToCount: orEmpty(p.ToCount),
		Lines: fruitLines(t.Lines, t.Binding), Binding: t.Binding, Binds: words.Binding(t.Lines, t.Binding), Target: t.Target, Keep: p.Allot.Keep, Available: t.Available,
		Remove: p.Allot.Remove, MassG: round1(t.MassG), KG: round1(t.KG), Spacing: t.SpacingCM, Whether: p.Whether, Minutes: p.Allot.Minutes,
		Limbs: []FruitLimb{}, Loads: []LoadBody{}, Second: f.plan.Second(), Frost: f.frost, Years: []CropYear{}, Broken: f.broken(), Why: why, How: how,
		Warnings: []string{}, Safety: words.FruitSafety(), LoadBy: "expected",
	}
	out.Beside = f.beside()
	if f.m != nil {
		out.MapSeason = string(f.m.Season)
	}
	if f.in.State == crop.Off && f.frost != nil && f.frost.Share < 0.3 {
		out.Doing = words.Doing("frozen")
	}
	if p.Count != nil {
		out.CountSays = f.speaker.Count(p.Count, len(p.Limbs))
	}
	if p.Whether != nil {
		out.WhetherIs = words.Whether(p.Whether.Verdict, p.Count != nil || p.Glance != nil)
	}
	if f.time != nil {
		out.TimeSays = f.speaker.ThinTime(f.time, f.mm, f.mmSeen)
	}
	if f.frost != nil {
		out.FrostSays = f.speaker.Frosted(f.frost)
	}
	switch {
	case f.winter:
		out.LoadBy = "snow"
	case p.Picked:
		out.LoadBy = "picked"
	case p.Counted:
		out.LoadBy = "counted"
	}
	if p.Picked {
		out.Picked, out.PickedIs = &f.tp.Picked, f.speaker.Picked(f.tp.Picked, f.borne())
		out.Doing = []string{} // the season is behind it
	}
	out.Window = f.window()
	f.limbs(out)
	weighed := p.Weighed()
	for i := range weighed {
		out.Loads = append(out.Loads, f.load(&weighed[i]))
	}
	f.yearsInto(out)
	f.warnInto(out)
	return out
}

// borne is what was picked of the season.
func (f *fruitMade) borne() (s crop.Season) {
	for i := range f.years.Seasons {
		if f.years.Seasons[i].Year == f.season {
			s = f.years.Seasons[i]
		}
	}
	return s
}

func orEmpty[T any](xs []T) []T {
	if xs == nil {
		return []T{}
	}
	return xs
}

func (f *fruitMade) warnInto(out *FruitBody) {
	if f.plan.Picked {
		return // there is nothing left to mind
	}
	codes := append(append([]string{}, f.plan.Targets.Warnings...), f.warn...)
	if f.time != nil {
		codes = append(codes, f.time.Warnings...)
	}
	codes = append(codes, f.plan.Allot.Warnings...)
	seen := map[string]bool{}
	for _, c := range codes {
		if says := f.speaker.CropWarning(c); says != "" && !seen[c] {
			seen[c] = true
			out.Warnings = append(out.Warnings, says)
		}
	}
}

func (f *fruitMade) yearsInto(out *FruitBody) {
	for i := len(f.years.Seasons) - 1; i >= 0; i-- {
		s := &f.years.Seasons[i]
		out.Years = append(out.Years, CropYear{s.Year, s.Set, s.Left, s.Taken, s.Picked, s.KG, round1(s.MassG()), s.Alive, dayOrNil(s.First), dayOrNil(s.Last), s.Quality})
	}
	if a := f.years.Alternation; a != nil {
		out.Index, out.Beat = a.Index, words.Alternation(a.Verdict)
	}
	if f.years.Next != nil {
		out.Next, out.NextSays = f.years.Next, f.speaker.NextYear(f.years.Next)
	}
}

func (f *fruitMade) window() *FruitWindow {
	for i := range f.tp.Tasks {
		t := &f.tp.Tasks[i]
		if t.Kind != year.Thin {
			continue
		}
		w := t.Window
		out := &FruitWindow{Opens: dayOrNil(w.Opens.Day), Closes: dayOrNil(w.Closes.Day), Left: int(w.Closes.Day - f.day)}
		switch {
		case f.day < w.Opens.Day:
			out.Says = "Opens " + f.speaker.Bound(w.Opens) + "."
		case f.day > w.Closes.Day:
			out.Says = "Closed " + f.speaker.Bound(w.Closes) + "."
		default:
			out.Says = "Closes " + f.speaker.Bound(w.Closes) + "."
		}
		return out
	}
	return nil
}

func fruitLines(lines []crop.Line, binding string) []FruitLine {
	out := []FruitLine{}
	for _, l := range lines {
		name, from := words.FruitRule(l.Kind)
		out = append(out, FruitLine{l.Kind, name, from, l.Fruit, l.Kind == binding})
	}
	return out
}

// curvePoints of the curve of size against number left.
const curvePoints = 24

func (f *fruitMade) limbs(out *FruitBody) {
	for i := range f.plan.Limbs {
		l := &f.plan.Limbs[i]
		b := FruitLimb{
			ID: l.ID, DiameterMM: round1(l.DiameterMM), LengthCM: round1(l.LengthCM), SectionCM2: round1(pomology.Section(l.DiameterMM)), Light: round4(l.Light),
			AboveReach: round4(l.AboveReach), On: l.Share.On, Counted: l.Counted, Keep: l.Share.Keep, Remove: l.Share.Remove, KeepOneIn: l.Share.KeepOneIn,
			Lines: fruitLines(l.Lines, l.Binding), Binds: words.Binding(l.Lines, l.Binding), MassG: round1(l.MassG), Curve: []SizePoint{}, Axes: []FruitAxis{},
			Laterals: []FruitSide{}, Pass: f.passNo[l.ID] + 1, Done: l.Pass.Done, Left: l.Pass.Left, Taken: l.Pass.Taken, Tally: []store.Tally{},
		}
		for _, t := range f.tallies {
			if t.Limb == l.ID && t.Pass == b.Pass {
				b.Tally = append(b.Tally, t)
			}
		}
		f.curve(&b, l)
		for _, s := range l.Laterals {
			side := FruitSide{s.ID, round1(s.LengthCM), s.Class, s.On, s.Keep, []PlacedFruit{}}
			for _, x := range s.Fruits {
				side.Fruits = append(side.Fruits, PlacedFruit{x.Limb, round1(x.AtCM), x.Keep})
			}
			b.Laterals = append(b.Laterals, side)
		}
		if f.m != nil {
			b.Side = sideOf(f.m, f.m.Index(l.ID))
			b.Axes = f.axes(f.m.Index(l.ID))
		}
		out.Limbs = append(out.Limbs, b)
	}
	if i := f.plan.Densest(); i >= 0 {
		out.Limbs[i].Dense = true
	}
}

func (f *fruitMade) curve(b *FruitLimb, l *crop.Limb) {
	most := float64(max(2*l.Share.Keep, 12))
	if l.Share.On != nil {
		most = math.Max(most, float64(*l.Share.On))
	}
	section := pomology.Section(l.DiameterMM) * (1 - f.in.RemovedShare)
	for i := range curvePoints {
		n := int(math.Round(1 + (most-1)*float64(i)/(curvePoints-1)))
		b.Curve = append(b.Curve, SizePoint{n, round1(crop.Mass(f.core.Kind, f.in.Terms.MassG, float64(n), section))})
	}
}

var sides = [8]string{"north", "north-east", "east", "south-east", "south", "south-west", "west", "north-west"}

func sideOf(m *limb.Map, i int) string {
	return sides[int(math.Mod(m.Axes[i].Azimuth+22.5+360, 360)/45)%8]
}

// axes lays a limb and what it carries out for the drawing.
func (f *fruitMade) axes(root int) []FruitAxis {
	out := []FruitAxis{}
	for _, i := range f.m.Subtree(root) {
		a := &f.m.Axes[i]
		x := FruitAxis{
			ID: a.ID, AttachCM: round1(a.Attach), LengthCM: round1(a.L), D: round1(a.D), Dt: round1(a.Dt), Age: max(1, len(a.Rings)),
			Side: 1, Source: string(sourceOf(f.m, i)),
		}
		if i != root {
			x.Parent = f.m.Axes[a.Parent].ID
			angle, _ := f.m.Crotch(i)
			x.AngleDeg = round1(angle)
			along, out := f.m.Tangent(a.Parent, a.Attach), f.m.Tangent(i, 0)
			if along.X*out.Y-along.Y*out.X < 0 {
				x.Side = -1
			}
		} else {
			x.AngleDeg = round1(a.A0)
		}
		out = append(out, x)
	}
	return out
}

func (f *fruitMade) load(l *crop.LimbAt) LoadBody {
	saves := f.speaker.Load(l)
	if f.winter {
		saves = f.speaker.Snow(l)
	}
	out := LoadBody{
		Limb: l.Limb, Fruit: l.Fruit, Safe: l.SafeFruit, Break: l.BreakFruit, Use: math.Round(l.Use*1000) / 1000, State: l.State, StateSays: words.LoadState(l.State),
		KG: round1(l.LoadKG), SagCM: round1(l.TipSagCM), StressMPa: round1(l.StressMPa), LimitMPa: round1(l.LimitMPa), Crotch: round4(l.Strength), Remove: l.Remove,
		ShortenTo: l.ShortenToCM, AfterCut: l.FruitAfterShortening, PropAt: l.PropAtCM, PropHolds: l.PropHolds, Saves: orEmpty(saves), Warnings: []string{},
	}
	for _, w := range l.Warnings {
		if says := f.speaker.CropWarning(w); says != "" && w != crop.WNoLimit {
			out.Warnings = append(out.Warnings, says)
		}
	}
	return out
}

// broken traces each limb that broke to the thinning record of its season.
func (f *fruitMade) broken() []string {
	out := []string{}
	for _, e := range f.contents.Fruitings(f.tree.ID, f.day) {
		if e.Fruiting == nil || e.Fruiting.Broke == "" {
			continue
		}
		id := e.Fruiting.Broke
		passes, _ := f.contents.Passes(f.tree.ID, e.Season, e.Date)
		counted := false
		for _, c := range f.contents.Fruitings(f.tree.ID, e.Date) {
			counted = counted || c.Season == e.Season && c.Fruiting != nil && (len(c.Fruiting.Counts) > 0 || c.Fruiting.Glance != "")
		}
		carries := 0
		for i := range f.plan.Loads {
			if f.plan.Loads[i].Limb == id {
				carries = f.plan.Loads[i].SafeFruit
			}
		}
		says := f.speaker.Broken(id, passes[id].Done, counted, passes[id].Left, carries)
		if e.Reason != "" {
			says += " " + e.Reason
		}
		out = append(out, f.speaker.Day(e.Date)+": "+says)
	}
	return out
}
