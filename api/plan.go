package api

import (
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
	Day string `query:"day" doc:"YYYY-MM-DD; absent: today"`
}

// TreeDayInput names a tree and the day shown.
type TreeDayInput struct {
	IDInput
	Day string `query:"day" doc:"YYYY-MM-DD; absent: today"`
}

// PlanBody is a season of an orchard as it stands on the day shown: what the rail, the rings and the year are drawn from.
type PlanBody struct {
	Day        almanac.Day   `json:"day"`
	Today      almanac.Day   `json:"today"`
	Season     int           `json:"season"`
	From       almanac.Day   `json:"from" doc:"first day of the rail"`
	To         almanac.Day   `json:"to"`
	South      bool          `json:"south"`
	Summer     almanac.Day   `json:"summer_solstice"`
	Winter     almanac.Day   `json:"winter_solstice"`
	Spring     almanac.Day   `json:"spring_equinox"`
	Autumn     almanac.Day   `json:"autumn_equinox"`
	DayHours   float64       `json:"day_hours" doc:"length of the day shown"`
	ReachM     float64       `json:"reach_m"`
	ReachKnown bool          `json:"reach_known"`
	HoursAWeek float64       `json:"hours_a_week"`
	Frost      []FrostTick   `json:"frost" nullable:"false"`
	Bands      []Band        `json:"bands" nullable:"false"`
	StageSays  string        `json:"stage_says"`
	NextSays   string        `json:"next_says"`
	Trees      []TreeSummary `json:"trees" nullable:"false"`
	Orchard    []Bar         `json:"orchard" nullable:"false" doc:"the orchard's own jobs"`
	LocalRules string        `json:"local_rules"`
}

// FrostTick is the chance of frost in a week of the rail.
type FrostTick struct {
	Day  almanac.Day `json:"day"`
	Risk float64     `json:"risk" doc:"0..1"`
}

// Band is a soft band of the rail.
type Band struct {
	Name string      `json:"name" enum:"Dormancy,Bloom,Growth,Ripening"`
	From almanac.Day `json:"from"`
	To   almanac.Day `json:"to"`
}

// TreeSummary is a tree on the plan, the rail and the year.
type TreeSummary struct {
	ID        string      `json:"id"`
	Code      string      `json:"code"`
	Kind      string      `json:"kind"`
	KindName  string      `json:"kind_name"`
	Name      string      `json:"name,omitempty"`
	Form      string      `json:"form"`
	Hole      string      `json:"hole,omitempty" doc:"trees of one hole share this mark"`
	Class     string      `json:"class" doc:"vigour class in force"`
	Guessed   bool        `json:"class_guessed"`
	Age       int         `json:"age" doc:"growing seasons begun; 99 unknown"`
	Aim       string      `json:"aim"`
	AimSays   string      `json:"aim_says"`
	Stage     string      `json:"stage"`
	StageSays string      `json:"stage_says"`
	X         float64     `json:"x"`
	Y         float64     `json:"y"`
	HeightM   float64     `json:"height_m"`
	SpreadM   float64     `json:"spread_m" doc:"drawn spread: measured, else the kind's at its class"`
	Estimated bool        `json:"estimated" doc:"the spread drawn is an estimate"`
	ReachM    float64     `json:"reach_m"`
	RootsM    float64     `json:"roots_m" doc:"guessed reach of the roots from the stem"`
	Account   AccountBody `json:"account"`
	Bars      []Bar       `json:"bars" nullable:"false"`
	Warnings  []Says      `json:"warnings" nullable:"false"`
	NextBar   string      `json:"next,omitempty" doc:"id of its next task"`
}

// AccountBody is a tree's year of account.
type AccountBody struct {
	From      *almanac.Day `json:"from,omitempty"`
	To        *almanac.Day `json:"to,omitempty"`
	Limit     float64      `json:"limit"`
	Removed   float64      `json:"removed"`
	Dormant   float64      `json:"dormant"`
	Summer    float64      `json:"summer"`
	Left      float64      `json:"left" doc:"of the crown as it stands now"`
	Exempt    bool         `json:"exempt"`
	Estimated bool         `json:"estimated"`
	Carried   []Says       `json:"carried" nullable:"false"`
	Says      string       `json:"says"`
}

// Bar is a task's window as it is drawn.
type Bar struct {
	ID      string      `json:"id"`
	Kind    string      `json:"kind"`
	Title   string      `json:"title"`
	Short   string      `json:"short"`
	Mark    string      `json:"mark"`
	Opens   almanac.Day `json:"opens"`
	Closes  almanac.Day `json:"closes"`
	State   string      `json:"state"`
	Group   string      `json:"group,omitempty"`
	Minutes float64     `json:"minutes"`
	Cut     bool        `json:"cut"`
}

// Says is evidence with its sentence.
type Says struct {
	Rule      string       `json:"rule"`
	Anchor    string       `json:"anchor,omitempty"`
	Day       *almanac.Day `json:"day,omitempty"`
	Number    float64      `json:"number,omitempty"`
	Threshold float64      `json:"threshold,omitempty"`
	Unit      string       `json:"unit,omitempty"`
	Choice    string       `json:"choice,omitempty"`
	Value     string       `json:"value,omitempty"`
	Says      string       `json:"says"`
}

// TaskBody is a task with its evidence and words.
type TaskBody struct {
	Bar
	TreeID      string      `json:"tree_id,omitempty"`
	Code        string      `json:"code,omitempty"`
	TreeName    string      `json:"tree_name,omitempty"`
	KindName    string      `json:"kind_name,omitempty"`
	Season      int         `json:"season"`
	OpensSays   string      `json:"opens_says"`
	ClosesSays  string      `json:"closes_says"`
	OpensEarly  almanac.Day `json:"opens_early"`
	ClosesLate  almanac.Day `json:"closes_late"`
	Reasons     []Says      `json:"reasons" nullable:"false"`
	Held        []Says      `json:"held" nullable:"false"`
	Cautions    []string    `json:"cautions" nullable:"false"`
	MinutesSays string      `json:"minutes_says"`
	Estimated   bool        `json:"minutes_estimated"`
	Share       float64     `json:"share,omitempty"`
	Instead     string      `json:"instead,omitempty"`
	Others      []OtherBody `json:"others" nullable:"false"`
	Grades      []GradeBody `json:"grades" nullable:"false"`
	Trouble     string      `json:"trouble,omitempty" doc:"what went not as meant last time"`
}

// GradeBody is a stretch of days with how good it is.
type GradeBody struct {
	From  *almanac.Day `json:"from,omitempty"`
	To    *almanac.Day `json:"to,omitempty"`
	Level string       `json:"level"`
	Says  string       `json:"says"`
}

// OtherBody is what another school would do.
type OtherBody struct {
	Preset string       `json:"preset"`
	Kind   string       `json:"kind"`
	Opens  *almanac.Day `json:"opens,omitempty"`
	Closes *almanac.Day `json:"closes,omitempty"`
	Never  bool         `json:"never"`
	Says   string       `json:"says"`
}

// DocketBody is the docket in its four groups, with what was missed.
type DocketBody struct {
	Day         almanac.Day `json:"day"`
	MinutesSays string      `json:"minutes_says"`
	Minutes     float64     `json:"minutes"`
	Now         []TaskBody  `json:"now" nullable:"false"`
	Closing     []TaskBody  `json:"closing" nullable:"false"`
	Opening     []TaskBody  `json:"opening" nullable:"false"`
	Wait        []TaskBody  `json:"wait" nullable:"false"`
	Missed      []TaskBody  `json:"missed" nullable:"false"`
	LocalRules  string      `json:"local_rules"`
}

// TreePlanBody is the year of one tree with all its evidence.
type TreePlanBody struct {
	Day     almanac.Day  `json:"day"`
	Summary TreeSummary  `json:"summary"`
	Tasks   []TaskBody   `json:"tasks" nullable:"false"`
	Anchors []AnchorBody `json:"anchors" nullable:"false"`
	Company []OverlapRow `json:"company" nullable:"false"`
}

// AnchorBody is a dated point of a tree's year.
type AnchorBody struct {
	Name   string      `json:"name"`
	Says   string      `json:"says"`
	Day    almanac.Day `json:"day"`
	Early  almanac.Day `json:"early"`
	Late   almanac.Day `json:"late"`
	Source string      `json:"source"`
}

// OverlapRow is a partner in bloom with the days of overlap.
type OverlapRow struct {
	Partner string `json:"partner" doc:"code of the partner"`
	Days    int    `json:"days"`
	Enough  bool   `json:"enough"`
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
		MinutesSays: sp.Minutes(t.Minutes), Estimated: t.MinutesEstimated, Share: t.Share, Instead: sp.Instead(t.Instead),
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
		Now: group(d.Now), Closing: group(d.Closing), Opening: group(d.Opening), Wait: group(d.Wait), Missed: group(d.Missed),
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
	return TreePlanBody{}, problem(http.StatusNotFound, "no such tree stands on the day shown", FieldError{"id", id, "a tree that stands then", "no_tree"})
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
	size, _, _ := t.Kind.SizeFor(t.Class)
	form, _ := pomology.FormBySlug(t.Form)
	out := TreeSummary{
		ID: t.ID, Code: t.Code, Kind: t.Kind.Slug, KindName: t.Kind.Name, Name: t.Name, Form: string(t.Form), Age: tp.Age,
		Aim: string(tp.Aim.Aim), AimSays: p.Speaker.Aim(tp.Aim), Stage: tp.Stage, StageSays: p.Speaker.StageName(tp.Stage),
		X: t.X, Y: t.Y, HeightM: t.HeightM, SpreadM: t.SpreadM, ReachM: tp.ReachM, Account: p.account(tp.Account),
		Bars: []Bar{}, Warnings: p.says(tp.Warnings), Class: string(t.Class), Guessed: t.ClassGuess != "", Hole: p.hole(t.ID),
	}
	if out.SpreadM == 0 {
		out.SpreadM, out.Estimated = math.Min(size.SpreadM*math.Max(form.WidthShare, 0.4), pomology.TubCap(t.TubLitres)), true
	}
	out.RootsM = math.Round(100*pomology.RootSpread(out.SpreadM, form.Flat, t.TubLitres).RadiusM) / 100
	for i := range tp.Tasks {
		b := p.bar(&tp.Tasks[i])
		out.Bars = append(out.Bars, b)
		if out.NextBar == "" && b.Closes >= day && b.State != string(year.IsDone) && b.State != string(year.IsLooked) && b.State != string(year.IsLeft) {
			out.NextBar = b.ID
		}
	}
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
