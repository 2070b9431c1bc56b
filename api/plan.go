package api

import (
	"cmp"
	"context"
	"math"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/core/almanac"
	"vertumna/core/pomology"
	"vertumna/core/year"
	"vertumna/words"
)

// DayInput names an orchard and the day shown; no day is today.
type DayInput struct {
	SlugInput
	Day string `query:"day" maxLength:"40" doc:"YYYY-MM-DD; absent: today"`
}

// TreeDayInput names a tree and the day shown.
type TreeDayInput struct {
	IDInput
	Day string `query:"day" maxLength:"40" doc:"YYYY-MM-DD; absent: today"`
}

func (s *server) registerPlan(api huma.API) {
	op(api, http.MethodGet, "/api/orchards/{slug}/plan", "get-plan", "The season on a day shown", func(ctx context.Context, in *DayInput) (*struct{ Body PlanBody }, error) {
		p, day, err := s.planned(ctx, in.Slug, in.Day)
		if err != nil {
			return nil, err
		}
		return &struct{ Body PlanBody }{s.planBody(p, day)}, nil
	})
	op(api, http.MethodGet, "/api/orchards/{slug}/docket", "get-docket", "What to do about a day shown", func(ctx context.Context, in *DayInput) (*struct{ Body DocketBody }, error) {
		p, day, err := s.planned(ctx, in.Slug, in.Day)
		if err != nil {
			return nil, err
		}
		return &struct{ Body DocketBody }{p.docketBody(day)}, nil
	})
	op(api, http.MethodGet, "/api/orchards/{slug}/trees/{id}/plan", "get-tree-plan", "The year of one tree", func(ctx context.Context, in *TreeDayInput) (*struct{ Body TreePlanBody }, error) {
		p, day, err := s.planned(ctx, in.Slug, in.Day)
		if err != nil {
			return nil, err
		}
		body, err := p.treePlan(in.ID, day)
		return &struct{ Body TreePlanBody }{body}, err
	})
}

func (s *server) planned(ctx context.Context, slug, text string) (*Planned, almanac.Day, error) {
	day := s.Today()
	if text != "" {
		var err error
		if day, err = almanac.ParseDay(text); err != nil {
			return nil, day, err
		}
	}
	p, err := s.planner.plan(ctx, slug, day)
	return p, day, err
}

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
		ID: t.ID, Kind: string(t.Kind), Title: p.Speaker.Title(t), Short: p.Speaker.Short(t), Mark: string(t.Mark),
		Opens: t.Window.Opens.Day, Closes: t.Window.Closes.Day, State: string(t.State), Group: string(t.Group),
		Minutes: math.Round(t.Minutes), Cut: facts.Cut,
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
		Others: []OtherBody{}, Grades: []GradeBody{}, Trouble: t.Trouble,
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
		out.Grades = append(out.Grades, GradeBody{dayOrNil(g.From), dayOrNil(g.To), string(g.Level), sp.Grade(g)})
	}
	return out
}

func known(d, or almanac.Day) almanac.Day {
	if d.Known() {
		return d
	}
	return or
}

func (p *Planned) docketBody(day almanac.Day) DocketBody {
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
		LocalRules: words.LocalRules,
	}
}

func (p *Planned) treePlan(id string, day almanac.Day) (TreePlanBody, error) {
	for i := range p.Shown.Trees {
		tp := &p.Shown.Trees[i]
		if tp.Tree.ID != id {
			continue
		}
		out := TreePlanBody{Day: day, Summary: p.summary(tp, day), Tasks: []TaskBody{}, Anchors: []AnchorBody{}, Company: []OverlapRow{}}
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
		if tp.Company != nil {
			for _, o := range tp.Company.Overlaps {
				out.Company = append(out.Company, OverlapRow{p.code(o.Partner), o.Days, o.Enough})
			}
		}
		return out, nil
	}
	return TreePlanBody{}, problem(http.StatusNotFound, "no such tree stands on the day shown", FieldError{"no_tree", "id", id, "a tree that stands then"})
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
		Aim: string(tp.Aim.Aim), AimSays: p.Speaker.Aim(tp.Aim), Stage: tp.Stage, StageSays: p.Speaker.StageName(tp.Stage),
		X: t.X, Y: t.Y, HeightM: t.HeightM, ReachM: tp.ReachM, Account: p.account(tp.Account),
		Bars: []Bar{}, Warnings: p.says(tp.Warnings), Class: string(t.Class), Guessed: t.Guess.Rule != "", Hole: p.hole(t.ID),
	}
	out.SpreadM, out.Estimated = t.Crown()
	out.RootsM = math.Round(100*pomology.RootSpread(out.SpreadM, form.Flat, t.TubLitres).RadiusM) / 100
	anytime := "" // named next only where nothing else comes
	for i := range tp.Tasks {
		b := p.bar(&tp.Tasks[i])
		out.Bars = append(out.Bars, b)
		switch {
		case b.Closes < day || b.State == string(year.IsDone) || b.State == string(year.IsLooked) || b.State == string(year.IsLeft):
		case b.Group == string(year.Anytime):
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
