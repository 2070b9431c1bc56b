package api

import (
	"context"
	"encoding/json"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/core/pomology"
	"vertumna/exchange"
	"vertumna/orchard"
	"vertumna/store"
)

// SlugInput names an orchard.
type SlugInput struct {
	Slug string `path:"slug" maxLength:"60"`
}

// OrchardInput writes an orchard's document, based on a version.
type OrchardInput struct {
	SlugInput
	Body struct {
		Version int           `json:"version" doc:"the version the edit is based on" minimum:"0" maximum:"1000000"`
		Orchard store.Orchard `json:"orchard"`
	}
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

// IDInput names a document of an orchard.
type IDInput struct {
	SlugInput
	ID string `path:"id" maxLength:"100"`
}

func (s *server) registerOrchards(api huma.API) {
	const base = "/api/orchards"
	op(api, http.MethodGet, base, "list-orchards", "All orchards", func(ctx context.Context, _ *struct{}) (*many[store.Orchard], error) {
		return listed(s.Store.Orchards(ctx))
	})
	op(api, http.MethodPost, base, "add-orchard", "A new orchard", func(ctx context.Context, in *struct{ Body store.Orchard }) (*one[orchard.OrchardBody], error) {
		o := in.Body
		o.ID, o.Slug = "", ""
		warnings, err := orchard.CheckOrchard(&o)
		if err != nil {
			return nil, err
		}
		err = s.Store.AddOrchard(ctx, &o)
		return orchardOutput(&o, warnings), err
	})
	inOrchard(s, api, http.MethodGet, base+"/{slug}", "get-orchard", "One orchard", func(ctx context.Context, o *store.Orchard, in *SlugInput) (*one[orchard.OrchardBody], error) {
		warnings, _ := orchard.CheckOrchard(o)
		return orchardOutput(o, warnings), nil
	})
	op(api, http.MethodPut, base+"/{slug}", "save-orchard", "Change an orchard", func(ctx context.Context, in *OrchardInput) (*one[orchard.OrchardBody], error) {
		now, err := s.Store.Orchard(ctx, in.Slug)
		if err != nil {
			return nil, err
		}
		o := in.Body.Orchard
		o.ID, o.Slug, o.Version = now.ID, now.Slug, in.Body.Version
		warnings, err := orchard.CheckOrchard(&o)
		if err != nil {
			return nil, err
		}
		err = s.Store.SaveOrchard(ctx, &o)
		return orchardOutput(&o, warnings), err
	})
	inOrchard(s, api, http.MethodDelete, base+"/{slug}", "remove-orchard", "Remove an orchard with all in it", func(ctx context.Context, o *store.Orchard, in *SlugInput) (*struct{}, error) {
		return nil, s.Store.RemoveOrchard(ctx, o.ID)
	})
	op(api, http.MethodPost, "/api/demo", "open-demo", "Open the two made-up orchards, in a file of their own", func(ctx context.Context, _ *struct{}) (*one[DemoBody], error) {
		if s.OpenDemo == nil {
			return nil, problem(http.StatusNotFound, "the demo is not offered here: start it on the machine itself with vertumna demo")
		}
		out, err := s.OpenDemo(ctx)
		return &one[DemoBody]{out}, err
	})
	s.registerPeople(api, base)
	s.registerArchive(api, base)
}

// DemoBody tells where the demo is.
type DemoBody struct {
	Address string `json:"address,omitempty" doc:"it is served there, from a file of its own; none: it is here"`
	Slug    string `json:"slug" doc:"of its first orchard"`
}

func orchardOutput(o *store.Orchard, warnings []given.Fault) *one[orchard.OrchardBody] {
	wet := false
	if o.Site != nil {
		c, err := almanac.Classify(o.Site)
		wet = err == nil && c.WetWinter()
	}
	return &one[orchard.OrchardBody]{orchard.OrchardBody{Orchard: *o, Warnings: warnings, SiteDefaults: pomology.SiteDefaults(wet)}}
}

func (s *server) registerPeople(api huma.API, base string) {
	inOrchard(s, api, http.MethodGet, base+"/{slug}/people", "list-people", "Who works here", func(ctx context.Context, o *store.Orchard, in *SlugInput) (*many[store.Person], error) {
		ps, _, err := s.Store.People(ctx, o.ID)
		return listed(ps, err)
	})
	inOrchard(s, api, http.MethodPost, base+"/{slug}/people", "add-person", "Someone new", func(ctx context.Context, o *store.Orchard, in *PersonInput) (*one[store.Person], error) {
		p := in.Body
		p.ID = ""
		if err := p.Check().Err(); err != nil {
			return nil, err
		}
		err := s.Store.AddPerson(ctx, o.ID, &p)
		return &one[store.Person]{p}, err
	})
	inOrchard(s, api, http.MethodPut, base+"/{slug}/people/{id}", "save-person", "Change a person", func(ctx context.Context, o *store.Orchard, in *PersonEdit) (*one[store.Person], error) {
		p := in.Body.Person
		p.ID, p.Version = in.ID, in.Body.Version
		if err := p.Check().Err(); err != nil {
			return nil, err
		}
		err := s.Store.SavePerson(ctx, o.ID, &p)
		return &one[store.Person]{p}, err
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
		slugs, err := orchard.ImportArchive(ctx, s.Store, in.Body)
		out := &struct {
			Body struct {
				Slugs []string `json:"slugs" nullable:"false"`
			}
		}{}
		out.Body.Slugs = list(slugs)
		return out, err
	}, maxArchive)
}
