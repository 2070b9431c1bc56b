package api

import (
	"context"
	"math"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/core/pomology"
	"vertumna/core/year"
	"vertumna/store"
	"vertumna/words"
)

// TreeInput writes a new tree.
type TreeInput struct {
	SlugInput
	Body store.Tree
}

// TreeEdit changes a tree based on a version.
type TreeEdit struct {
	IDInput
	Body struct {
		Version int        `json:"version" doc:"the version the edit is based on" minimum:"0" maximum:"1000000"`
		Tree    store.Tree `json:"tree"`
	}
}

// TreeBody is a tree with what is odd about it.
type TreeBody struct {
	Tree     store.Tree   `json:"tree"`
	Warnings []FieldError `json:"warnings" nullable:"false"`
}

// TreeOutput is the answer of tree operations.
type TreeOutput struct{ Body TreeBody }

// AdviceInput asks the form adviser.
type AdviceInput struct {
	SlugInput
	Kind    string  `query:"kind" required:"true" maxLength:"40"`
	Class   string  `query:"class" maxLength:"40"`
	X       float64 `query:"x" minimum:"-500" maximum:"500"`
	Y       float64 `query:"y" minimum:"-500" maximum:"500"`
	Age     int     `query:"age" minimum:"0" maximum:"300"`
	Present string  `query:"present" maxLength:"200"`
	Hours   float64 `query:"hours" doc:"hours a year free for this tree; 0 unknown" minimum:"0" maximum:"500"`
}

// FormAdvice is a form with what speaks for it.
type FormAdvice struct {
	Form        string    `json:"form"`
	Name        string    `json:"name"`
	Sentence    string    `json:"sentence"`
	Score       float64   `json:"score"`
	HeightM     float64   `json:"height_m"`
	GroundM2    float64   `json:"ground_m2"`
	HoursAYear  float64   `json:"hours_a_year"`
	YearsToCrop int       `json:"years_to_full_crop"`
	KeepsWhatIs bool      `json:"keeps_present_form"`
	Reasons     []Points  `json:"reasons" nullable:"false"`
	Outlines    []Outline `json:"outlines" nullable:"false"`
}

// Points is one reason of the adviser.
type Points struct {
	Rule   string  `json:"rule"`
	Points float64 `json:"points"`
	Says   string  `json:"says"`
}

// Outline is the wanted size at an age.
type Outline struct {
	AgeYears int     `json:"age_years"`
	HeightM  float64 `json:"height_m"`
	WidthM   float64 `json:"width_m"`
}

func (s *server) registerTrees(api huma.API) {
	const base = "/api/orchards/{slug}/trees"
	inOrchard(s, api, http.MethodGet, base, "list-trees", "All trees, gone ones too", func(ctx context.Context, o *store.Orchard, in *SlugInput) (*struct {
		Body []store.Tree `nullable:"false"`
	}, error,
	) {
		ts, err := s.Store.Trees(ctx, o.ID)
		return &struct {
			Body []store.Tree `nullable:"false"`
		}{ts}, err
	})
	op(api, http.MethodPost, base, "add-tree", "A new tree", func(ctx context.Context, in *TreeInput) (*TreeOutput, error) {
		t := in.Body
		t.ID = ""
		o, warnings, err := s.checkTree(ctx, in.Slug, &t)
		if err != nil {
			return nil, err
		}
		err = s.Store.AddTree(ctx, o.ID, &t)
		return &TreeOutput{TreeBody{t, warnings}}, err
	})
	op(api, http.MethodPost, base+"/check", "check-tree", "What is odd about a tree, before it is written", func(ctx context.Context, in *TreeInput) (*TreeOutput, error) {
		t := in.Body
		_, warnings, err := s.checkTree(ctx, in.Slug, &t)
		return &TreeOutput{TreeBody{t, warnings}}, err
	})
	op(api, http.MethodPut, base+"/{id}", "save-tree", "Change a tree", func(ctx context.Context, in *TreeEdit) (*TreeOutput, error) {
		t := in.Body.Tree
		t.ID, t.Version = in.ID, in.Body.Version
		o, warnings, err := s.checkTree(ctx, in.Slug, &t)
		if err != nil {
			return nil, err
		}
		err = s.Store.SaveTree(ctx, o.ID, &t)
		return &TreeOutput{TreeBody{t, warnings}}, err
	})
	inOrchard(s, api, http.MethodDelete, base+"/{id}", "remove-tree", "Remove a tree entered by mistake", func(ctx context.Context, o *store.Orchard, in *IDInput) (*struct{}, error) {
		return nil, s.Store.RemoveTree(ctx, o.ID, in.ID)
	})
	inOrchard(s, api, http.MethodGet, base+"/{id}/versions", "tree-versions", "The versions a tree's facts have had", func(ctx context.Context, o *store.Orchard, in *IDInput) (*struct {
		Body []store.TreeVersion `nullable:"false"`
	}, error,
	) {
		if _, err := s.Store.Tree(ctx, o.ID, in.ID); err != nil {
			return nil, err
		}
		vs, err := s.Store.TreeHistory(ctx, in.ID)
		return &struct {
			Body []store.TreeVersion `nullable:"false"`
		}{vs}, err
	})
	op(api, http.MethodGet, "/api/orchards/{slug}/advice", "advise-form", "The three forms that suit best", s.adviseForm)
}

// checkTree fills what a tree leaves open and refuses what cannot be.
func (s *server) checkTree(ctx context.Context, slug string, t *store.Tree) (*store.Orchard, []FieldError, error) {
	o, err := s.Store.Orchard(ctx, slug)
	if err != nil {
		return nil, nil, err
	}
	all, err := s.Store.Trees(ctx, o.ID)
	if err != nil {
		return nil, nil, err
	}
	core, err := t.Core()
	if err != nil {
		return nil, nil, err
	}
	if t.Form == "" {
		t.Form = string(core.Kind.Forms[0])
		core.Form = core.Kind.Forms[0]
	}
	if err := refused(t.Check()); err != nil {
		return nil, nil, err
	}
	holes := map[string]string{}
	var standing []year.Tree
	var codes []string
	for i := range all {
		codes = append(codes, all[i].Code)
		if all[i].Gone != nil {
			continue
		}
		c, err := all[i].Core()
		if err != nil {
			return nil, nil, err
		}
		standing, holes[c.ID] = append(standing, c), all[i].Hole
	}
	if t.Code == "" {
		t.Code = year.Label(codes)
		core.Code = t.Code
	}
	errs, warnings := year.CheckTree(&core, t.Hole, holes, standing, s.Today())
	return o, told(warnings), refused(errs)
}

func (s *server) adviseForm(ctx context.Context, in *AdviceInput) (*struct {
	Body []FormAdvice `nullable:"false"`
}, error,
) {
	c, err := s.Store.Contents(ctx, in.Slug)
	if err != nil {
		return nil, err
	}
	k, err := pomology.BySlug(in.Kind)
	if err != nil {
		return nil, err
	}
	a := pomology.AdviserInput{Kind: k, Class: pomology.VigourClass(in.Class), AgeYears: in.Age, Present: pomology.FormSlug(in.Present), HoursFree: in.Hours}
	school, _ := pomology.School{Preset: c.Orchard.School.Preset, Own: c.Orchard.School.Own}.Resolve(false, nil)
	a.InsideTwigsOK, a.School = school.Is("middle", "twigs"), school.Value("form")
	fingertip := 0.0
	if len(c.People) > 0 {
		fingertip = c.People[0].FingertipCM
	}
	a.ReachM, _ = school.ReachM(fingertip, 0)
	if c.Orchard.Site != nil {
		if p, err := year.NewPlace(c.Orchard.Site); err == nil {
			a.Site = p.ForAdviser()
		}
	}
	size, _, _ := k.SizeFor(a.Class)
	for _, f := range c.Orchard.Plot.Features {
		d := distance(f.Points, in.X, in.Y)
		switch f.Kind {
		case "wall", "fence":
			if !a.HasWall || 100*d < a.WallWithinCM {
				a.HasWall, a.WallWithinCM = true, 100*d
			}
		case "path":
			a.PathInSpread = a.PathInSpread || d < size.SpreadM/2
		case "bed":
			a.ShadesABed = a.ShadesABed || d < size.HeightM
		}
	}
	out := []FormAdvice{}
	for _, v := range pomology.Advise(a) {
		f := FormAdvice{
			Form: string(v.Form.Slug), Name: v.Form.Name, Sentence: v.Form.Sentence, Score: v.Score, HeightM: v.HeightM,
			GroundM2: math.Round(v.GroundM2*10) / 10, HoursAYear: v.HoursAYear, YearsToCrop: v.YearsToCrop, KeepsWhatIs: v.KeepsPresent, Reasons: []Points{}, Outlines: []Outline{},
		}
		for _, p := range v.Reasons {
			f.Reasons = append(f.Reasons, Points{p.Rule, p.Points, words.Point(p.Rule)})
		}
		for _, o := range v.Outlines {
			f.Outlines = append(f.Outlines, Outline{o.AgeYears, math.Round(o.HeightM*100) / 100, math.Round(o.WidthM*100) / 100})
		}
		out = append(out, f)
	}
	return &struct {
		Body []FormAdvice `nullable:"false"`
	}{out}, nil
}

// distance of a spot from a line or closed shape of points, metres.
func distance(points []store.Point, x, y float64) float64 {
	best := math.Inf(1)
	for i, p := range points {
		q := points[(i+1)%len(points)]
		if i+1 == len(points) && len(points) < 3 {
			q = p
		}
		dx, dy := q.X-p.X, q.Y-p.Y
		t := 0.0
		if l := dx*dx + dy*dy; l > 0 {
			t = math.Max(0, math.Min(1, ((x-p.X)*dx+(y-p.Y)*dy)/l))
		}
		best = math.Min(best, math.Hypot(x-p.X-t*dx, y-p.Y-t*dy))
	}
	return best
}
