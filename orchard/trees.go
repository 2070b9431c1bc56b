package orchard

import (
	"context"
	"math"

	"vertumna/core/given"
	"vertumna/core/pomology"
	"vertumna/core/training"
	"vertumna/core/yard"
	"vertumna/core/year"
	"vertumna/store"
	"vertumna/words"
)

// TreeBody is a tree with what is odd about it.
type TreeBody struct {
	Tree     store.Tree    `json:"tree"`
	Warnings []given.Fault `json:"warnings" nullable:"false"`
}

// FormAdvice is a form with what speaks for it.
type FormAdvice struct {
	Form        string    `json:"form" enum:"open-vase,low-bush,modified-leader,central-leader,wire-tiers,flat-fan,step-over,shrub,late-leader,slim-leader,four-arm"`
	Name        string    `json:"name"`
	Sentence    string    `json:"sentence"`
	Score       float64   `json:"score"`
	HeightM     float64   `json:"height_m"`
	GroundM2    float64   `json:"ground_m2"`
	HoursAYear  float64   `json:"hours_a_year"`
	CropKG      float64   `json:"crop_kg" doc:"a year, once it bears in full"`
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

// CheckTree fills what a tree leaves open and refuses what cannot be.
func (k *Keeper) CheckTree(ctx context.Context, slug string, t *store.Tree) (*store.Orchard, []given.Fault, error) {
	o, err := k.store.Orchard(ctx, slug)
	if err != nil {
		return nil, nil, err
	}
	all, err := k.store.Trees(ctx, o.ID)
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
	if err := t.Check().Err(); err != nil {
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
	if err := training.WiresRise(t.WiresCM); err != nil {
		return nil, nil, err
	}
	errs, warnings := year.CheckTree(&core, t.Hole, holes, standing, k.today())
	warnings = append(warnings, plotOf(&store.Contents{Orchard: o}).Close(&core)...)
	speaker := words.Speaker{Units: words.Units(o.Units)}
	return o, orEmpty(speaker.Faults(warnings)), speaker.Faults(errs).Err()
}

// Spot is a place in an orchard for which a form is asked.
type Spot struct {
	Kind, Class string
	X, Y        float64 // metres on the plot
	Age         int     // of the tree that stands there; 0: none
	Present     string  // its form
	Hours       float64 // a year free for this tree; 0: unknown
}

// AdviseForm tells the three forms that suit a spot best.
func (k *Keeper) AdviseForm(ctx context.Context, slug string, in Spot) ([]FormAdvice, error) {
	c, err := k.store.Contents(ctx, slug)
	if err != nil {
		return nil, err
	}
	kind, err := pomology.BySlug(in.Kind)
	if err != nil {
		return nil, err
	}
	a := pomology.AdviserInput{Kind: kind, Class: pomology.VigourClass(in.Class), AgeYears: in.Age, Present: pomology.FormSlug(in.Present), HoursFree: in.Hours}
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
	plotOf(c).Advise(&a, yard.Point{X: in.X, Y: in.Y})
	out, speaker := []FormAdvice{}, words.Speaker{Units: words.Units(c.Orchard.Units)}
	for _, v := range pomology.Advise(a) {
		f := FormAdvice{
			Form: string(v.Form.Slug), Name: v.Form.Name, Sentence: speaker.Own(v.Form.Sentence), Score: v.Score, HeightM: v.HeightM,
			GroundM2: math.Round(v.GroundM2*10) / 10, CropKG: math.Round(v.CropKG), HoursAYear: v.HoursAYear, YearsToCrop: v.YearsToCrop, KeepsWhatIs: v.KeepsPresent, Reasons: []Points{}, Outlines: []Outline{},
		}
		for _, p := range v.Reasons {
			f.Reasons = append(f.Reasons, Points{p.Rule, p.Points, speaker.Point(p.Rule)})
		}
		for _, o := range v.Outlines {
			f.Outlines = append(f.Outlines, Outline{o.AgeYears, math.Round(o.HeightM*100) / 100, math.Round(o.WidthM*100) / 100})
		}
		out = append(out, f)
	}
	return out, nil
}
