package orchard

import (
	"cmp"
	"errors"
	"math"

	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/core/pomology"
	"vertumna/core/yard"
	"vertumna/core/year"
	"vertumna/store"
	"vertumna/words"
)

func dayOrNil(d almanac.Day) *almanac.Day {
	if !d.Known() {
		return nil
	}
	return &d
}

func (p *Planned) says(rs []year.Reason) []Says {
	out := []Says{}
	for _, r := range rs {
		out = append(out, Says{
			Rule: r.Rule, Anchor: r.Anchor, Day: dayOrNil(r.Day), Number: r.Number, Threshold: r.Threshold, Unit: r.Unit,
			Choice: r.Choice, Value: r.Value, Says: p.Speaker.Reason(r),
		})
	}
	return out
}

func (p *Planned) bar(t *year.Task) Bar {
	facts, _ := t.Kind.Facts()
	return Bar{
		ID: t.ID, Kind: t.Kind, Title: p.Speaker.Title(t), Short: p.Speaker.Short(t), Mark: t.Mark,
		Opens: t.Window.Opens.Day, Closes: t.Window.Closes.Day, State: t.State, Group: t.Group,
		Minutes: math.Round(t.Minutes), Cut: facts.Cut, Optional: t.Kind.Optional(),
	}
}

func (p *Planned) task(t *year.Task) TaskBody {
	sp := p.Speaker
	out := TaskBody{
		Bar: p.bar(t), TreeID: t.Tree, Season: t.Season,
		OpensSays: sp.Bound(t.Window.Opens), ClosesSays: sp.Bound(t.Window.Closes),
		OpensEarly: known(t.Window.Opens.Early, t.Window.Opens.Day), ClosesLate: known(t.Window.Closes.Late, t.Window.Closes.Day),
		Reasons: p.says(t.Reasons), Held: p.says(t.Held), Cautions: sp.Cautions(t.Cautions),
		MinutesSays: sp.Minutes(t.Minutes), Estimated: t.MinutesEstimated, Share: t.Share, Instead: sp.Instead(t),
		Others: []OtherBody{}, Grades: []GradeBody{}, Trouble: t.Trouble, Weather: p.waitsForWeather(t),
	}
	out.SetFor, out.SetSays = p.chosenFor(t)
	if tp := p.treeShown(t.Tree); tp != nil && tp.Tree.Amount == nil {
		out.Steps = sp.Checklist(t, tp)
	}
	for i := range p.Yard.Trees {
		if tr := &p.Yard.Trees[i]; tr.ID == t.Tree {
			out.Code, out.TreeName, out.KindName = tr.Code, tr.Name, tr.Kind.Name
		}
	}
	for _, o := range t.Others {
		out.Others = append(out.Others, OtherBody{o.Preset, string(o.Kind), dayOrNil(o.Opens), dayOrNil(o.Closes), o.Never, sp.Other(o)})
	}
	for _, g := range t.Window.Grades {
		out.Grades = append(out.Grades, GradeBody{dayOrNil(g.From), dayOrNil(g.To), g.Level, sp.Grade(g)})
	}
	return out
}

func known(d, or almanac.Day) almanac.Day {
	if d.Known() {
		return d
	}
	return or
}

func (p *Planned) DocketBody(day almanac.Day) DocketBody {
	group := func(ts []year.Task) []TaskBody {
		out := []TaskBody{}
		for i := range ts {
			out = append(out, p.task(&ts[i]))
		}
		return out
	}
	d := p.Docket
	return DocketBody{
		Day: day, Minutes: math.Round(d.Minutes), MinutesSays: p.Speaker.Minutes(d.Minutes),
		Now: group(d.Now), Closing: group(d.Closing), Opening: group(d.Opening), Wait: group(d.Wait), Missed: group(d.Missed), Anytime: group(d.Anytime),
		LocalRules: words.LocalRules, See: p.seeNow(),
	}
}

func (p *Planned) TreeBody(id string, day almanac.Day) (TreePlanBody, error) {
	for i := range p.Shown.Trees {
		tp := &p.Shown.Trees[i]
		if tp.Tree.ID != id {
			continue
		}
		out := TreePlanBody{Day: day, Summary: p.summary(tp, day), Tasks: []TaskBody{}, Anchors: []AnchorBody{}, Company: []OverlapRow{}}
		out.Roots = words.RootsUnder(plotOf(p.Contents).RootsUnder(yard.Point{X: tp.Tree.X, Y: tp.Tree.Y}, out.Summary.RootsM))
		for _, pl := range p.Plans {
			for j := range pl.Trees {
				if pl.Trees[j].Tree.ID != id {
					continue
				}
				for k := range pl.Trees[j].Tasks {
					if t := &pl.Trees[j].Tasks[k]; pl == p.Shown || t.Group != "" {
						out.Tasks = append(out.Tasks, p.task(t))
					}
				}
			}
		}
		for _, a := range tp.Anchors.All() {
			out.Anchors = append(out.Anchors, AnchorBody{a.Name, p.Speaker.Anchor(a.Name), a.Day, known(a.Early, a.Day), known(a.Late, a.Day), a.Source})
		}
		out.Resists = words.Resists(tp.Tree.Resists)
		if tp.Company != nil {
			for _, o := range tp.Company.Overlaps {
				out.Company = append(out.Company, OverlapRow{p.code(o.Partner), o.Days, o.Enough})
			}
		}
		return out, nil
	}
	return TreePlanBody{}, errors.Join(store.ErrNotFound, given.Fault{Code: "no_tree", Field: "id", Given: id, Expected: "a tree that stands on the day shown"})
}

func (p *Planned) code(id string) string {
	for i := range p.Yard.Trees {
		if p.Yard.Trees[i].ID == id {
			return p.Yard.Trees[i].Code
		}
	}
	return id
}

func (p *Planned) summary(tp *year.TreePlan, day almanac.Day) TreeSummary {
	t := tp.Tree
	form, _ := pomology.FormBySlug(t.Form)
	out := TreeSummary{
		ID: t.ID, Code: t.Code, Kind: t.Kind.Slug, KindName: t.Kind.Name, Name: t.Name, Form: string(t.Form), Age: tp.Age,
		Aim: tp.Aim.Aim, AimSays: p.Speaker.Aim(tp.Aim), Stage: tp.Stage, StageSays: p.Speaker.StageName(tp.Stage),
		X: t.X, Y: t.Y, HeightM: t.HeightM, HeightBy: t.HeightBy, ReachM: tp.ReachM, Account: p.account(tp.Account),
		Bars: []Bar{}, Warnings: p.says(tp.Warnings), Class: string(t.Class), Guessed: t.Guess.Rule != "", Hole: p.hole(t.ID),
	}
	if t.HeightM > 0 && t.HeightOn > 0 {
		out.HeightOn = &t.HeightOn
	}
	out.SpreadM, out.Estimated = t.Crown()
	out.RootsM = math.Round(100*pomology.RootSpread(out.SpreadM, form.Flat, t.TubLitres).RadiusM) / 100
	anytime := "" // named next only where nothing else comes
	for i := range tp.Tasks {
		b := p.bar(&tp.Tasks[i])
		out.Bars = append(out.Bars, b)
		switch {
		case b.Closes < day || b.State == year.IsDone || b.State == year.IsLooked || b.State == year.IsLeft:
		case b.Group == year.Anytime:
			anytime = cmp.Or(anytime, b.ID)
		default:
			out.NextBar = cmp.Or(out.NextBar, b.ID)
		}
	}
	out.NextBar = cmp.Or(out.NextBar, anytime)
	return out
}

func (p *Planned) hole(id string) string {
	for i := range p.Contents.Trees {
		if t := &p.Contents.Trees[i]; t.ID == id {
			return t.Hole
		}
	}
	return ""
}

func (p *Planned) account(a *year.Account) AccountBody {
	return AccountBody{
		From: dayOrNil(a.From), To: dayOrNil(a.To), Limit: a.Limit, Removed: a.Removed, Dormant: a.Dormant, Summer: a.Summer,
		Left: a.Left, Exempt: a.Exempt, Estimated: a.Estimated, Carried: p.says(a.Carried), Says: p.Speaker.Account(a),
	}
}

// PlanBody is the season on a day shown.
func (k *Keeper) PlanBody(p *Planned, day almanac.Day) PlanBody {
	pl := p.Shown
	south := p.Yard.Place.Site.South()
	out := PlanBody{
		Day: day, Today: k.today(), Season: pl.Season, From: pl.From, To: pl.To, South: south, Summer: pl.Summer, Winter: pl.Winter,
		HoursAWeek: p.Yard.HoursAWeek, Frost: []FrostTick{}, Bands: []Band{},
		Trees: []TreeSummary{}, Orchard: []Bar{}, LocalRules: words.LocalRules, SetAside: []string{},
	}
	for _, b := range p.Contents.SetAside {
		out.SetAside = append(out.SetAside, words.SetAside(b.Table, b.ID))
	}
	for _, code := range p.Unworked {
		out.SetAside = append(out.SetAside, words.Unworked(code))
	}
	site := p.Yard.Place.Site
	if sun, err := almanac.SunOn(day, site.Lat, site.Lon); err == nil {
		out.DayHours = math.Round(sun.DayLengthMin/6) / 10
	}
	out.Spring, out.Autumn = year.Equinoxes(site, pl.Season)
	for _, f := range year.FrostTicks(site, pl) {
		out.Frost = append(out.Frost, FrostTick(f))
	}
	for _, b := range year.Bands(pl) {
		out.Bands = append(out.Bands, Band(b))
	}
	school, _ := p.Yard.School.Resolve(p.Yard.Place.Climate.WetWinter(), nil)
	out.ReachM, out.ReachKnown = school.ReachM(p.Yard.FingertipCM, p.Yard.CeilingCM)
	out.ReachSays = p.Speaker.Reach(p.Yard.FingertipCM, out.ReachM, school.Value("reach"))
	for i := range pl.Trees {
		out.Trees = append(out.Trees, p.summary(&pl.Trees[i], day))
	}
	for i := range pl.Orchard {
		out.Orchard = append(out.Orchard, p.bar(&pl.Orchard[i]))
	}
	out.StageSays, out.NextSays = p.Speaker.Season(pl, day)
	return out
}
