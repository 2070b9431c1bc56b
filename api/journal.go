package api

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/orchard"
	"vertumna/store"
)

// EntryInput logs an entry. The id may be the caller's own, so that one sent twice is logged once.
type EntryInput struct {
	SlugInput
	Body store.Entry
}

// EntriesInput asks for the journal, of one tree or all.
type EntriesInput struct {
	SlugInput
	Tree string `query:"tree" maxLength:"100"`
	All  bool   `query:"all" doc:"corrected entries too"`
}

// OwnTaskInput writes a task of a person's own.
type OwnTaskInput struct {
	SlugInput
	Body store.OwnTask
}

func (s *server) registerJournal(api huma.API) {
	const base = "/api/orchards/{slug}/entries"
	inOrchard(s, api, http.MethodGet, base, "list-entries", "The journal by date", func(ctx context.Context, o *store.Orchard, in *EntriesInput) (*many[store.Entry], error) {
		read := s.Store.Entries
		if in.All {
			read = s.Store.Journal
		}
		all, _, err := read(ctx, o.ID) // what is set aside the plan tells of
		out := []store.Entry{}
		for _, e := range all {
			reaches := in.Tree == "" || e.TreeID == in.Tree || e.TreeID == "" && e.Kind == "frost-night"
			if reaches && (in.All || e.Kind != "slip") {
				out = append(out, e)
			}
		}
		return listed(out, err)
	})
	op(api, http.MethodPost, base, "add-entry", "Log what was done or seen", func(ctx context.Context, in *EntryInput) (*one[*orchard.EntryBody], error) {
		return told(s.Keeper.Log(ctx, in.Slug, in.Body))
	})
	inOrchard(s, api, http.MethodDelete, base+"/{id}", "undo-entry", "Undo what was logged in the last ten seconds", func(ctx context.Context, o *store.Orchard, in *IDInput) (*struct{}, error) {
		return nil, s.Store.Undo(ctx, o.ID, in.ID)
	})
	s.registerOwnTasks(api)
}

func (s *server) registerOwnTasks(api huma.API) {
	const base = "/api/orchards/{slug}/own-tasks"
	inOrchard(s, api, http.MethodGet, base, "list-own-tasks", "Tasks of one's own", func(ctx context.Context, o *store.Orchard, in *SlugInput) (*many[store.OwnTask], error) {
		own, _, err := s.Store.OwnTasks(ctx, o.ID)
		return listed(own, err)
	})
	inOrchard(s, api, http.MethodPost, base, "add-own-task", "A task of one's own", func(ctx context.Context, o *store.Orchard, in *OwnTaskInput) (*one[store.OwnTask], error) {
		t := in.Body
		t.ID = ""
		if err := s.Keeper.CheckOwnTask(ctx, o, &t); err != nil {
			return nil, err
		}
		err := s.Store.AddOwnTask(ctx, o.ID, &t)
		return &one[store.OwnTask]{t}, err
	})
	inOrchard(s, api, http.MethodDelete, base+"/{id}", "remove-own-task", "Take a task of one's own out", func(ctx context.Context, o *store.Orchard, in *IDInput) (*struct{}, error) {
		return nil, s.Store.RemoveOwnTask(ctx, o.ID, in.ID)
	})
}
