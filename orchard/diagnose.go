package orchard

import (
	"context"
	"errors"
	"math"
	"slices"

	"vertumna/core/almanac"
	"vertumna/core/diagnose"
	"vertumna/core/find"
	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/core/pomology"
	"vertumna/core/year"
	"vertumna/store"
	"vertumna/words"
)

// DiagnosisBody is the likely cause of what is wrong with a tree, with its evidence and what would tell it from the next.
type DiagnosisBody struct {
	TreeID     string          `json:"tree_id"`
	Code       string          `json:"code"`
	KindName   string          `json:"kind_name"`
	Name       string          `json:"name,omitempty"`
	Complaint  string          `json:"complaint" enum:"no-fruit,small-fruit,only-at-the-top,many-sprouts,dies-back,leans,drops-fruit,splits"`
	Complaints []ComplaintBody `json:"complaints" nullable:"false"`
	Says       string          `json:"says" doc:"how sure it is"`
	Sure       bool            `json:"sure"`
	Causes     []CauseBody     `json:"causes" nullable:"false" doc:"the likeliest first"`
	Ask        []QuestionBody  `json:"ask" nullable:"false" doc:"the one that tells most first"`
	Apart      string          `json:"apart,omitempty" doc:"what tells the first cause from the second"`
	Known      []string        `json:"known" nullable:"false" doc:"what was not asked because the record tells it"`
	LocalRules string          `json:"local_rules"`
}

// ComplaintBody is something a person may see.
type ComplaintBody struct {
	Slug string `json:"slug"`
	Name string `json:"name"`
}

// CauseBody is a cause with how likely it is.
type CauseBody struct {
	Slug     string           `json:"slug"`
	Name     string           `json:"name"`
	Share    float64          `json:"share"`
	Do       string           `json:"do"`
	When     string           `json:"when"`
	Evidence []CauseProofBody `json:"evidence" nullable:"false"`
}

// CauseProofBody is one thing for or against a cause.
type CauseProofBody struct {
	Says   string  `json:"says"`
	For    bool    `json:"for"`
	Weight float64 `json:"weight" doc:"log-odds"`
	Asked  bool    `json:"asked"`
}

// QuestionBody is something that only a look can tell.
type QuestionBody struct {
	Slug string `json:"slug"`
	Asks string `json:"asks"`
	How  string `json:"how,omitempty" doc:"how to look"`
}

// How far back the record is read for a cause, days and millimetres (our estimates).
const (
	monthDays = 30
	weekDays  = 7
	windDays  = 60
	nearRipe  = 28
	rainKnown = 20 // days of weather that must be known for a sum of rain
)

// Diagnose looks for the cause of a complaint about a tree, from its record and a person's answers. Errors: store.ErrNotFound; those of
// diagnose.Of.
func (k *Keeper) Diagnose(ctx context.Context, a At, complaint string, answers map[string]diagnose.Answer) (*DiagnosisBody, error) {
	if !a.Day.Known() {
		a.Day = k.today()
	}
	p, err := k.Plan(ctx, a.Slug, a.Day)
	if err != nil {
		return nil, err
	}
	tp := p.treeShown(a.Tree)
	if tp == nil {
		return nil, errors.Join(store.ErrNotFound, given.Fault{Code: "no_tree", Field: "id", Given: a.Tree, Expected: "a tree that stands on the day shown"})
	}
	facts, err := k.factsOf(ctx, a, p, tp)
	if err != nil {
		return nil, err
	}
	d, err := diagnose.Of(diagnose.Complaint(complaint), facts, answers)
	if err != nil {
		return nil, err
	}
	out := &DiagnosisBody{
		TreeID: a.Tree, Code: tp.Tree.Code, KindName: tp.Tree.Kind.Name, Name: tp.Tree.Name, Complaint: complaint, Complaints: []ComplaintBody{},
		Says: words.HowSure(d), Sure: d.Sure, Causes: []CauseBody{}, Ask: []QuestionBody{}, Apart: words.TellsApart(d), Known: []string{}, LocalRules: words.LocalRules,
	}
	for _, c := range diagnose.Complaints() {
		out.Complaints = append(out.Complaints, ComplaintBody{string(c), words.ComplaintOf(c)})
	}
	said := map[string]bool{}
	for _, c := range d.Causes {
		b := CauseBody{Slug: c.Slug, Name: words.CauseOf(c.Slug), Share: math.Round(1000*c.Share) / 1000, Do: words.CauseDo(c.Slug), When: p.Speaker.CauseWhen(c.Slug, tp), Evidence: []CauseProofBody{}}
		for _, e := range c.Evidence {
			says := p.Speaker.Proof(e)
			b.Evidence = append(b.Evidence, CauseProofBody{says, e.Weight > 0, math.Round(10*e.Weight) / 10, e.Asked})
			if !e.Asked && !said[says] {
				said[says] = true
				out.Known = append(out.Known, says)
			}
		}
		out.Causes = append(out.Causes, b)
	}
	for _, q := range d.Ask {
		out.Ask = append(out.Ask, QuestionBody{q.Slug, words.QuestionOf(q.Slug), words.HowToLook(q.Slug)})
	}
	return out, nil
}

// factsOf are what the record tells of a tree.
func (k *Keeper) factsOf(ctx context.Context, a At, p *Planned, tp *year.TreePlan) (diagnose.Facts, error) {
	t, anchors, season := tp.Tree, tp.Anchors, p.Shown.Season
	south := p.Yard.Place.Site.South()
	is := func(b bool) float64 {
		if b {
			return 1
		}
		return 0
	}
	f := diagnose.Facts{
		diagnose.StoneFruit: is(t.Kind.Group == pomology.Stone), diagnose.WetWinterSite: is(p.Yard.Place.Climate.WetWinter()), diagnose.Staked: is(t.HasStake),
		diagnose.WinterShare: tp.Account.Dormant, diagnose.NeedsStake: is(pomology.StakeForLife(t.Class) || tp.Age <= 3), diagnose.YoungTree: is(tp.Age <= 3),
	}
	f[diagnose.HostNear], f[diagnose.Resists] = dieback(t, p.Yard.Hosts)
	if t.Planted.Known() {
		_, class, _ := t.Kind.SizeFor(t.Class)
		f[diagnose.YearsToBear] = float64(t.Kind.Crop.SeasonsToBear[class] + 1 - t.AgeIn(season, south))
	}
	if t.HeightM > 0 {
		f[diagnose.OverReach] = math.Round(100*(t.HeightM-tp.ReachM)) / 100
	}
	if t.ShootCM > 0 && t.Kind.Growth.ExtensionCM > 0 {
		f[diagnose.ShootRatio] = t.ShootCM / t.Kind.Growth.ExtensionCM
	}
	if c := anchors.Chill; c.Need > 0 {
		f[diagnose.ChillMargin] = c.Got - c.Need
	}
	f[diagnose.BearsOnTips] = is(t.Kind.Growth.Bearing == pomology.OnTips || t.Kind.Growth.Bearing == pomology.OnLastYear)
	if v := tp.Company; v != nil {
		best := 0
		for _, o := range v.Overlaps {
			best = max(best, o.Days)
		}
		f[diagnose.Partner], f[diagnose.PartnerWant] = float64(best), is(v.Needs)*float64(max(1, v.WantDays))
		if !v.Needs {
			delete(f, diagnose.Partner)
		}
	}
	if t.TubLitres > 0 {
		f[diagnose.TubTight] = is(max(t.SpreadM, t.HeightM) > pomology.TubCap(t.TubLitres))
	}
	petals, drop := anchors.Day(almanac.PetalFall.String()), anchors.Day(almanac.DropEnd.String())
	if petals.Known() && drop.Known() {
		f[diagnose.DropTime] = is(a.Day >= petals && a.Day <= drop+7)
	}
	if ripe := anchors.Day(almanac.HarvestStart.String()); ripe.Known() {
		f[diagnose.Ripening] = is(a.Day >= ripe-nearRipe && a.Day <= anchors.Day(year.HarvestEnd))
	}
	p.journalFacts(f, tp, a.Day)
	p.skyFacts(f, tp, a.Day)
	if t.Fruit != nil {
		if l := t.Fruit.Standing.Load; l > 0 {
			f[diagnose.RestYear] = l
		}
		if t.Fruit.Counted && t.Fruit.Keep > 0 {
			f[diagnose.HangingTo] = float64(t.Fruit.Keep+t.Fruit.Remove) / float64(t.Fruit.Keep)
		}
		for _, l := range t.Fruit.Laden {
			f[diagnose.Laden] = max(f[diagnose.Laden], l.Use)
		}
	}
	return f, k.mapFacts(ctx, f, a)
}

// journalFacts are what was logged of a tree.
func (p *Planned) journalFacts(f diagnose.Facts, tp *year.TreePlan, day almanac.Day) {
	season := p.Shown.Season
	for i := range p.Yard.Entries {
		e := &p.Yard.Entries[i]
		if e.Tree != tp.Tree.ID || e.Date > day {
			continue
		}
		facts, _ := e.Task.Facts()
		switch {
		case e.Kind == year.ObservedEntry && e.Season == season && (e.Stage == almanac.FullBloom || e.Stage == almanac.FirstBloom):
			f[diagnose.Bloomed] = 1
		case e.Kind == year.WorkEntry && e.Task == year.Thin && e.Season == season && e.Outcome != year.Left:
			f[diagnose.Thinned] = 1
		case e.Kind == year.WorkEntry && facts.Cut && e.Season >= season-1 && e.Outcome == year.Left:
			f[diagnose.LeftWork]++
		case e.Kind == year.WorkEntry && facts.Cut && e.Season >= season-1:
			share, _ := year.ShareOf(tp.Tree, *e)
			f[diagnose.HardCut] = max(f[diagnose.HardCut], share)
			if e.Season == season-1 && f[diagnose.WinterShare] == 0 && e.Task == year.DormantCut {
				f[diagnose.WinterShare] = share
			}
		}
	}
	for i := range p.Contents.Entries {
		if e := &p.Contents.Entries[i]; e.TreeID == tp.Tree.ID && e.Kind == "seen" && e.Date <= day && e.Date > day-365 && catching(e.Agent) {
			f[diagnose.Sick]++
		}
	}
}

// skyFacts are what the weather tells.
func (p *Planned) skyFacts(f diagnose.Facts, tp *year.TreePlan, day almanac.Day) {
	sum := func(days almanac.Day) (mm float64, known int) {
		for _, d := range p.Yard.Sky {
			if d.Date > day-days && d.Date <= day {
				mm, known = mm+d.RainMM, known+1
			}
		}
		return mm, known
	}
	if mm, known := sum(monthDays); known >= rainKnown {
		f[diagnose.RainMonth] = mm
		f[diagnose.RainWeek], _ = sum(weekDays)
	}
	var nights []almanac.TempDay
	coldest := math.Inf(1)
	for _, d := range p.Yard.Sky {
		if d.Date > day {
			continue
		}
		if d.Date > day-windDays && d.GustKmh >= 60 {
			f[diagnose.Gusts]++
		}
		if d.Date >= p.Shown.From {
			nights = append(nights, almanac.TempDay{Date: d.Date, Tmin: d.Tmin, Tmax: d.Tmax})
			coldest = math.Min(coldest, d.Tmin)
		}
	}
	if all := year.Frosts(tp.Tree, tp.Anchors, nights, day); len(all) > 0 {
		f[diagnose.FrostAlive] = all[len(all)-1].Alive
	}
	if _, t90, err := almanac.KillTemps(tp.Tree.Kind.Slug, "dormant", 0); err == nil && !math.IsInf(coldest, 1) {
		f[diagnose.ColdKill] = math.Round(10*(t90+woodMargin-coldest)) / 10
	}
}

// woodMargin: wood ends suffer so many degrees before nine buds in ten die in rest; our estimate.
const woodMargin = 4

// mapFacts are what a limb map tells, where there is one.
func (k *Keeper) mapFacts(ctx context.Context, f diagnose.Facts, a At) error {
	b, kept, err := k.mapped(ctx, a)
	if errors.Is(err, store.ErrNotFound) {
		return nil
	}
	if err != nil {
		return err
	}
	m, err := limb.Check(kept.Doc)
	if err != nil {
		return err
	}
	b.light = k.lightOf(b, m, kept.Mark())
	reading := b.reading()
	reach := b.options.ReachCM
	buds, above, lit, low := 0.0, 0.0, 0.0, 0
	for i := range m.Axes {
		n := m.FlowerBuds(i, b.light, nil)
		z := m.At(i, m.Axes[i].L/2).Z
		buds += n
		if reach > 0 && z > reach {
			above += n
		} else if !m.IsStem(i) {
			lit, low = lit+b.light.At(i), low+1
		}
	}
	if buds > 0 && reach > 0 {
		f[diagnose.FruitAbove] = above / buds
	}
	if low > 0 {
		f[diagnose.LightLow] = lit / float64(low)
	}
	count := map[find.Code]int{}
	for _, x := range find.Findings(m, reading) {
		count[x.Code]++
	}
	f[diagnose.Dead] = float64(count["dead"])
	f[diagnose.Sick] += float64(count["diseased"] + count["borer"])
	f[diagnose.Headed] = float64(count["headed_again"])
	f[diagnose.Knots] = float64(count["crowsfoot"])
	f[diagnose.NarrowForks] = float64(count["narrow_crotch"] + count["fork"])
	return nil
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
