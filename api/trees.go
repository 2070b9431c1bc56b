package api

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/orchard"
	"vertumna/store"
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

func (s *server) registerTrees(api huma.API) {
	const base = "/api/orchards/{slug}/trees"
	inOrchard(s, api, http.MethodGet, base, "list-trees", "All trees, gone ones too", func(ctx context.Context, o *store.Orchard, in *SlugInput) (*many[store.Tree], error) {
		ts, err := s.Store.Trees(ctx, o.ID)
		return listed(ts, err)
	})
	op(api, http.MethodPost, base, "add-tree", "A new tree", func(ctx context.Context, in *TreeInput) (*one[orchard.TreeBody], error) {
		t := in.Body
		t.ID = ""
		o, warnings, err := s.Keeper.CheckTree(ctx, in.Slug, &t)
		if err != nil {
			return nil, err
		}
		err = s.Store.AddTree(ctx, o.ID, &t)
		return &one[orchard.TreeBody]{orchard.TreeBody{Tree: t, Warnings: warnings}}, err
	})
	op(api, http.MethodPost, base+"/check", "check-tree", "What is odd about a tree, before it is written", func(ctx context.Context, in *TreeInput) (*one[orchard.TreeBody], error) {
		t := in.Body
		_, warnings, err := s.Keeper.CheckTree(ctx, in.Slug, &t)
		return &one[orchard.TreeBody]{orchard.TreeBody{Tree: t, Warnings: warnings}}, err
	})
	op(api, http.MethodPut, base+"/{id}", "save-tree", "Change a tree", func(ctx context.Context, in *TreeEdit) (*one[orchard.TreeBody], error) {
		t := in.Body.Tree
		t.ID, t.Version = in.ID, in.Body.Version
		o, warnings, err := s.Keeper.CheckTree(ctx, in.Slug, &t)
		if err != nil {
			return nil, err
		}
		err = s.Store.SaveTree(ctx, o.ID, &t)
		return &one[orchard.TreeBody]{orchard.TreeBody{Tree: t, Warnings: warnings}}, err
	})
	inOrchard(s, api, http.MethodDelete, base+"/{id}", "remove-tree", "Remove a tree entered by mistake", func(ctx context.Context, o *store.Orchard, in *IDInput) (*struct{}, error) {
		return nil, s.Store.RemoveTree(ctx, o.ID, in.ID)
	})
	inOrchard(s, api, http.MethodGet, base+"/{id}/versions", "tree-versions", "The versions a tree's facts have had", func(ctx context.Context, o *store.Orchard, in *IDInput) (*many[store.TreeVersion], error) {
		if _, err := s.Store.Tree(ctx, o.ID, in.ID); err != nil {
			return nil, err
		}
		vs, err := s.Store.TreeHistory(ctx, in.ID)
		return listed(vs, err)
	})
	op(api, http.MethodGet, "/api/orchards/{slug}/advice", "advise-form", "The three forms that suit best", func(ctx context.Context, in *AdviceInput) (*many[orchard.FormAdvice], error) {
		return listed(s.Keeper.AdviseForm(ctx, in.Slug, orchard.Spot{Kind: in.Kind, Class: in.Class, X: in.X, Y: in.Y, Age: in.Age, Present: in.Present, Hours: in.Hours}))
	})
}
