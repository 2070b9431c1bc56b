package api

import (
	"context"
	"fmt"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/core/almanac"
	"vertumna/core/limb"
	"vertumna/core/pomology"
	"vertumna/core/year"
	"vertumna/words"
)

// Meta is what the screens know of the job before any orchard: kinds, forms, schools, stages, tasks.
type Meta struct {
	Today   almanac.Day   `json:"today"`
	Demo    bool          `json:"demo"`
	Kinds   []KindMeta    `json:"kinds" nullable:"false"`
	Forms   []FormMeta    `json:"forms" nullable:"false"`
	Choices []ChoiceMeta  `json:"choices" nullable:"false"`
	Presets []PresetMeta  `json:"presets" nullable:"false"`
	Stages  []NamedMeta   `json:"stages" nullable:"false"`
	Tasks   []TaskMeta    `json:"tasks" nullable:"false"`
	Sources []SourceMeta  `json:"sources" nullable:"false"`
	Classes []VigourClass `json:"vigour_classes" nullable:"false" enum:"very-dwarfing,dwarfing,semi-dwarfing,semi-vigorous,vigorous"`
	Hosts   []HostMeta    `json:"hosts" nullable:"false" doc:"what outside a plot carries sickness to its trees"`

	LimbStates []LimbStateMeta `json:"limb_states" nullable:"false"`
}

// LimbStateMeta is a decision about a limb besides keep and cut, with what it asks for.
type LimbStateMeta struct {
	Kind string `json:"kind" enum:"undecided,temporary,successor,one-season,protected,tied,extending,finished,left-to-bend"`
	Name string `json:"name"`
	Job  string `json:"job"`
}

// VigourClass is the slug of a vigour class.
type VigourClass string

// NamedMeta is a slug with its name.
type NamedMeta struct {
	Slug     string `json:"slug"`
	Name     string `json:"name"`
	Sentence string `json:"sentence,omitempty"`
}

// FormMeta is a form with what it is.
type FormMeta struct {
	Slug     string `json:"slug" enum:"open-vase,low-bush,modified-leader,central-leader,wire-tiers,flat-fan,step-over,shrub,late-leader,slim-leader,four-arm"`
	Name     string `json:"name"`
	Sentence string `json:"sentence,omitempty"`
}

// SourceMeta says where the numbers of a table come from.
type SourceMeta struct {
	Table string `json:"table"`
	From  string `json:"from"`
}

// KindMeta is a kind for the screens.
type KindMeta struct {
	Slug        string         `json:"slug"`
	Name        string         `json:"name"`
	Group       string         `json:"group"`
	Habits      []string       `json:"habits" nullable:"false"`
	Forms       []string       `json:"forms" nullable:"false"`
	LowTree     string         `json:"low_tree"`
	LowTreeNote string         `json:"low_tree_note,omitempty"`
	SelfFertile string         `json:"self_fertile"`
	Company     string         `json:"company,omitempty"`
	Wood        string         `json:"wood"`
	Bearing     string         `json:"bearing"`
	BearingHint string         `json:"bearing_means"`
	Reading     string         `json:"stage_reading"`
	YearsLived  int            `json:"years_lived"`
	FirstCrop   string         `json:"first_crop" doc:"growing season of its first fruit, from the weakest stock to the strongest"`
	HoursAYear  int            `json:"hours_a_year"`
	Difficulty  int            `json:"difficulty"`
	Sizes       []SizeMeta     `json:"sizes" nullable:"false"`
	Sicknesses  []SicknessMeta `json:"sicknesses" nullable:"false" doc:"what its trees catch"`
}

// HostMeta is what outside a plot carries sickness to its trees.
type HostMeta struct {
	Slug string `json:"slug" enum:"juniper,hawthorn,wild-apple,wild-cherry,poplar"`
	Name string `json:"name"`
}

// SicknessMeta is what a kind's trees catch.
type SicknessMeta struct {
	Slug string `json:"slug" enum:"scab,mildew,fire-blight,rust,canker,leaf-curl,brown-rot,bacterial-canker,silver-leaf"`
	Name string `json:"name"`
}

// SizeMeta is a kind's size at a vigour class, metres.
type SizeMeta struct {
	Class     string  `json:"class"`
	HeightM   float64 `json:"height_m"`
	SpreadM   float64 `json:"spread_m"`
	DistanceM float64 `json:"distance_m"`
}

// ChoiceMeta is a choice with its values.
type ChoiceMeta struct {
	Key     string      `json:"key"`
	Name    string      `json:"name"`
	Default string      `json:"default"`
	Values  []ValueMeta `json:"values" nullable:"false"`
}

// ValueMeta is a value with the sentence for and against it.
type ValueMeta struct {
	Slug    string   `json:"slug"`
	Name    string   `json:"name"`
	For     string   `json:"for"`
	Against string   `json:"against"`
	Best    []string `json:"best" nullable:"false" doc:"site classes it suits best"`
	Unfit   []string `json:"unfit" nullable:"false" doc:"site classes it does not suit"`
}

// PresetMeta is a preset with what it names.
type PresetMeta struct {
	Slug     string            `json:"slug"`
	Name     string            `json:"name"`
	Sentence string            `json:"sentence"`
	Values   map[string]string `json:"values"`
}

// TaskMeta is a kind of task.
type TaskMeta struct {
	Kind  string `json:"kind"`
	Title string `json:"title"`
	Cut   bool   `json:"cut"`
	Mark  string `json:"mark"`
}

func (s *server) registerMeta(api huma.API) {
	op(api, http.MethodGet, "/api/meta", "get-meta", "What the screens know before any orchard", func(_ context.Context, in *MetaInput) (*one[Meta], error) {
		m := metaOf(words.Speaker{Units: in.Units})
		m.Today, m.Demo = s.Today(), s.Demo
		return &one[Meta]{m}, nil
	})
	op(api, http.MethodGet, "/healthz", "health", "Whether the program answers", func(context.Context, *struct{}) (*one[Health], error) {
		return &one[Health]{Health{OK: true}}, nil // whether its data reads is /readyz's to say
	})
}

// Health is whether the program answers.
type Health struct {
	OK bool `json:"ok"`
}

// MetaInput asks in whose units the texts are told.
type MetaInput struct {
	Units words.Units `query:"units" enum:"metric,us" default:"metric" doc:"in which the texts are told"`
}

// metaOf gathers what every orchard shares.
func metaOf(s words.Speaker) Meta {
	m := Meta{}
	for _, k := range pomology.Kinds() {
		habit := k.Growth.Bearing.Habit()
		km := KindMeta{
			Slug: k.Slug, Name: k.Name, Group: string(k.Group), Habits: list(k.Habits), LowTree: string(k.LowTree), LowTreeNote: k.LowTreeNote,
			SelfFertile: k.SelfFertile, Company: k.Company, Wood: k.Wood, Bearing: habit.Wood, BearingHint: habit.Means,
			Sicknesses: []SicknessMeta{}, Reading: s.Own(k.ChillHours.Reading), YearsLived: k.Care.YearsLived, FirstCrop: firstCrop(&k.Crop), HoursAYear: k.Care.HoursAYear, Difficulty: k.Care.Difficulty,
		}
		for _, f := range k.Forms {
			km.Forms = append(km.Forms, string(f))
		}
		for _, c := range pomology.VigourClasses() {
			if sz, ok := k.Sizes[c]; ok {
				km.Sizes = append(km.Sizes, SizeMeta{string(c), sz.HeightM, sz.SpreadM, sz.DistanceM})
			}
		}
		for _, s := range pomology.SicknessesOf(k) {
			km.Sicknesses = append(km.Sicknesses, SicknessMeta{s.Slug, s.Name})
		}
		m.Kinds = append(m.Kinds, km)
	}
	for _, h := range pomology.Hosts() {
		m.Hosts = append(m.Hosts, HostMeta{h.Slug, h.Name})
	}
	for _, f := range pomology.Forms() {
		m.Forms = append(m.Forms, FormMeta{string(f.Slug), f.Name, s.Own(f.Sentence)})
	}
	for _, c := range pomology.Choices() {
		cm := ChoiceMeta{Key: c.Key, Name: c.Name, Default: c.Default}
		for _, v := range c.Values {
			cm.Values = append(cm.Values, ValueMeta{v.Slug, s.Own(v.Name), s.Own(v.For), s.Own(v.Against), list(v.Best), list(v.Unfit)})
		}
		m.Choices = append(m.Choices, cm)
	}
	for _, p := range pomology.Presets() {
		m.Presets = append(m.Presets, PresetMeta{p.Slug, p.Name, p.Sentence, p.Values})
	}
	for _, st := range almanac.AllStages() {
		m.Stages = append(m.Stages, NamedMeta{Slug: st.String(), Name: s.Anchor(st.String())})
	}
	for _, st := range limb.StateKinds() {
		name, job := s.LimbState(limb.State{Kind: st.Kind})
		m.LimbStates = append(m.LimbStates, LimbStateMeta{st.Kind, name, job})
	}
	for _, k := range year.TaskKinds() {
		f, _ := k.Facts()
		m.Tasks = append(m.Tasks, TaskMeta{string(k), words.KindTitle(k), f.Cut, string(f.Mark)})
	}
	for _, src := range pomology.Sources() {
		m.Sources = append(m.Sources, SourceMeta(src))
	}
	for _, c := range pomology.VigourClasses() {
		m.Classes = append(m.Classes, VigourClass(c))
	}
	return m
}

// firstCrop is the growing season in which a kind first bears, from the weakest stock to the strongest.
func firstCrop(c *pomology.Crop) string {
	lo, hi := 0, 0
	for _, n := range c.SeasonsToBear {
		if lo == 0 || n < lo {
			lo = n
		}
		hi = max(hi, n)
	}
	switch {
	case hi == 0:
		return ""
	case lo == hi:
		return fmt.Sprint(lo + 1)
	}
	return fmt.Sprintf("%d to %d", lo+1, hi+1)
}
