package api

import (
	"context"
	"encoding/json"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/core/almanac"
	"vertumna/core/pomology"
	"vertumna/core/year"
	"vertumna/exchange"
	"vertumna/store"
)

// SlugInput names an orchard.
type SlugInput struct {
	Slug string `path:"slug" maxLength:"60"`
}

// OrchardBody is an orchard with what is odd about its place and school.
type OrchardBody struct {
	Orchard      store.Orchard     `json:"orchard"`
	Warnings     []FieldError      `json:"warnings" nullable:"false"`
	SiteDefaults map[string]string `json:"site_defaults" doc:"choices whose default the place moves"`
}

// OrchardOutput is the answer of orchard operations.
type OrchardOutput struct{ Body OrchardBody }

// OrchardInput writes an orchard's document, based on a version.
type OrchardInput struct {
	SlugInput
	Body struct {
		Version int           `json:"version" doc:"the version the edit is based on" minimum:"0" maximum:"1000000"`
		Orchard store.Orchard `json:"orchard"`
	}
}

// OrchardsOutput lists orchards.
type OrchardsOutput struct {
	Body []store.Orchard `nullable:"false"`
}

// PersonInput writes a person.
type PersonInput struct {
	SlugInput
	Body store.Person
}

// PersonEdit writes a person based on a version.
type PersonEdit struct {
	SlugInput
	ID   string `path:"id"`
	Body struct {
		Version int          `json:"version" minimum:"0" maximum:"1000000"`
		Person  store.Person `json:"person"`
	}
}

// PersonOutput is a person.
type PersonOutput struct{ Body store.Person }

// IDInput names a document of an orchard.
type IDInput struct {
	SlugInput
	ID string `path:"id" maxLength:"100"`
}

func (s *server) registerOrchards(api huma.API) {
	const base = "/api/orchards"
	op(api, http.MethodGet, base, "list-orchards", "All orchards", func(ctx context.Context, _ *struct{}) (*OrchardsOutput, error) {
		all, err := s.Store.Orchards(ctx)
		return &OrchardsOutput{all}, err
	})
	op(api, http.MethodPost, base, "add-orchard", "A new orchard", func(ctx context.Context, in *struct{ Body store.Orchard }) (*OrchardOutput, error) {
		o := in.Body
		o.ID, o.Slug = "", ""
		warnings, err := checkOrchard(&o)
		if err != nil {
			return nil, err
		}
		err = s.Store.AddOrchard(ctx, &o)
		return orchardOutput(&o, warnings), err
	})
	inOrchard(s, api, http.MethodGet, base+"/{slug}", "get-orchard", "One orchard", func(ctx context.Context, o *store.Orchard, in *SlugInput) (*OrchardOutput, error) {
		warnings, _ := checkOrchard(o)
		return orchardOutput(o, warnings), nil
	})
	op(api, http.MethodPut, base+"/{slug}", "save-orchard", "Change an orchard", func(ctx context.Context, in *OrchardInput) (*OrchardOutput, error) {
		now, err := s.Store.Orchard(ctx, in.Slug)
		if err != nil {
			return nil, err
		}
		o := in.Body.Orchard
		o.ID, o.Slug, o.Version = now.ID, now.Slug, in.Body.Version
		warnings, err := checkOrchard(&o)
		if err != nil {
			return nil, err
		}
		err = s.Store.SaveOrchard(ctx, &o)
		return orchardOutput(&o, warnings), err
	})
	inOrchard(s, api, http.MethodDelete, base+"/{slug}", "remove-orchard", "Remove an orchard with all in it", func(ctx context.Context, o *store.Orchard, in *SlugInput) (*struct{}, error) {
		return nil, s.Store.RemoveOrchard(ctx, o.ID)
	})
	op(api, http.MethodPost, "/api/demo", "open-demo", "Add the two made-up orchards", func(ctx context.Context, _ *struct{}) (*OrchardsOutput, error) {
		if s.FillDemo == nil {
			return nil, problem(http.StatusNotFound, "the demo is not offered here")
		}
		if err := s.FillDemo(ctx); err != nil {
			return nil, err
		}
		all, err := s.Store.Orchards(ctx)
		return &OrchardsOutput{all}, err
	})
	s.registerPeople(api, base)
	s.registerArchive(api, base)
}

func orchardOutput(o *store.Orchard, warnings []FieldError) *OrchardOutput {
	wet := false
	if o.Site != nil {
		c, err := almanac.Classify(o.Site)
		wet = err == nil && c.WetWinter()
	}
	return &OrchardOutput{OrchardBody{*o, warnings, pomology.SiteDefaults(wet)}}
}

func checkOrchard(o *store.Orchard) ([]FieldError, error) {
	if err := refused(o.Check()); err != nil {
		return []FieldError{}, err
	}
	if o.Site != nil { // what a place is made of may contradict itself
		if _, err := year.NewPlace(o.Site); err != nil {
			return []FieldError{}, err
		}
	}
	return told(o.Odd()), nil
}

func (s *server) registerPeople(api huma.API, base string) {
	inOrchard(s, api, http.MethodGet, base+"/{slug}/people", "list-people", "Who works here", func(ctx context.Context, o *store.Orchard, in *SlugInput) (*struct {
		Body []store.Person `nullable:"false"`
	}, error,
	) {
		ps, err := s.Store.People(ctx, o.ID)
		return &struct {
			Body []store.Person `nullable:"false"`
		}{ps}, err
	})
	inOrchard(s, api, http.MethodPost, base+"/{slug}/people", "add-person", "Someone new", func(ctx context.Context, o *store.Orchard, in *PersonInput) (*PersonOutput, error) {
		p := in.Body
		p.ID = ""
		if err := refused(p.Check()); err != nil {
			return nil, err
		}
		err := s.Store.AddPerson(ctx, o.ID, &p)
		return &PersonOutput{p}, err
	})
	inOrchard(s, api, http.MethodPut, base+"/{slug}/people/{id}", "save-person", "Change a person", func(ctx context.Context, o *store.Orchard, in *PersonEdit) (*PersonOutput, error) {
		p := in.Body.Person
		p.ID, p.Version = in.ID, in.Body.Version
		if err := refused(p.Check()); err != nil {
			return nil, err
		}
		err := s.Store.SavePerson(ctx, o.ID, &p)
		return &PersonOutput{p}, err
	})
	inOrchard(s, api, http.MethodDelete, base+"/{slug}/people/{id}", "remove-person", "Take a person out", func(ctx context.Context, o *store.Orchard, in *IDInput) (*struct{}, error) {
		return nil, s.Store.RemovePerson(ctx, o.ID, in.ID)
	})
}

func (s *server) registerArchive(api huma.API, base string) {
	op(api, http.MethodGet, base+"/{slug}/archive", "export-orchard", "The orchard as an archive", func(ctx context.Context, in *SlugInput) (*struct {
		Disposition string `header:"Content-Disposition"`
		Body        exchange.Archive
	}, error,
	) {
		a, err := exchange.Export(ctx, s.Store, in.Slug)
		if err != nil {
			return nil, err
		}
		return &struct {
			Disposition string `header:"Content-Disposition"`
			Body        exchange.Archive
		}{`attachment; filename="` + in.Slug + `.vertumna.json"`, *a}, nil
	})
	op(api, http.MethodPost, "/api/archive", "import-archive", "Add the orchards of an archive", func(ctx context.Context, in *struct {
		Body json.RawMessage `contentType:"application/json"`
	}) (*struct {
		Body struct {
			Slugs []string `json:"slugs" nullable:"false"`
		}
	}, error,
	) {
		slugs, err := importArchive(ctx, s.Store, in.Body)
		out := &struct {
			Body struct {
				Slugs []string `json:"slugs" nullable:"false"`
			}
		}{}
		out.Body.Slugs = list(slugs)
		return out, err
	}, maxArchive)
}
