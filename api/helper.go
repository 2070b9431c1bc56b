package api

import (
	"context"
	"errors"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/core/given"
	"vertumna/orchard"
	"vertumna/store"
)

// AskHelperInput gives a slip to a helper.
type AskHelperInput struct {
	SlipInput
	Body orchard.HelperAsk
}

// TokenInput names a helper's page by the secret in its address.
type TokenInput struct {
	Token string `path:"token" maxLength:"100"`
}

// AnswerInput is a helper's answer.
type AnswerInput struct {
	TokenInput
	Body store.HelperAnswer
}

// LinkInput names a link of a tree.
type LinkInput struct {
	BenchInput
	Link string `path:"link" maxLength:"100"`
}

// TakeInInput takes answers in.
type TakeInInput struct {
	LinkInput
	Body struct {
		Steps []int `json:"steps" nullable:"false" maxItems:"300" minimum:"0" maximum:"300" doc:"which steps; none: all that were answered"`
	}
}

func (s *server) registerHelper(api huma.API) {
	const base = "/api/orchards/{slug}/trees/{id}/helpers"
	k := s.Keeper
	op(api, http.MethodGet, "/api/orchards/{slug}/helpers", "list-helpers", "What helpers were asked and answered, of all trees", func(ctx context.Context, in *SlugInput) (*many[orchard.HelperLinkBody], error) {
		return listed(k.HelperLinks(ctx, in.Slug, "", s.Now()))
	})
	op(api, http.MethodGet, base, "list-helpers-of-tree", "What helpers were asked and answered of a tree", func(ctx context.Context, in *BenchInput) (*many[orchard.HelperLinkBody], error) {
		return listed(k.HelperLinks(ctx, in.Slug, in.ID, s.Now()))
	})
	onTree(api, http.MethodPost, base, "ask-helper", "Give this tree's slip to a helper by a link", func(ctx context.Context, at orchard.At, in *AskHelperInput) (*orchard.HelperLinkBody, error) {
		return k.AskHelper(ctx, in.slip(at), in.Body, s.Now())
	})
	op(api, http.MethodDelete, base+"/{link}", "withdraw-helper", "Close a helper's link; what was answered stays", func(ctx context.Context, in *LinkInput) (*struct{}, error) {
		return nil, k.WithdrawHelper(ctx, in.Slug, in.ID, in.Link)
	})
	onTree(api, http.MethodPost, base+"/{link}/take-in", "take-in-answers", "Take a helper's answers into the journal, all or some; the map follows", func(ctx context.Context, at orchard.At, in *TakeInInput) (*orchard.HelperLinkBody, error) {
		return k.TakeIn(ctx, at, in.Link, in.Body.Steps, s.Now())
	})
	op(api, http.MethodGet, "/api/help/{token}", "get-help-page", "The page of a helper: one tree, one slip", func(ctx context.Context, in *TokenInput) (*one[*orchard.HelperPageBody], error) {
		return gone(k.HelperPage(ctx, in.Token, s.Now()))
	})
	op(api, http.MethodPost, "/api/help/{token}/answers", "answer-help", "What a helper did at a step", func(ctx context.Context, in *AnswerInput) (*one[*orchard.HelperPageBody], error) {
		return gone(k.AnswerHelper(ctx, in.Token, in.Body, s.Now()))
	})
}

// gone tells a page that is no longer open as such.
func gone(p *orchard.HelperPageBody, err error) (*one[*orchard.HelperPageBody], error) {
	var f given.Fault
	if errors.As(err, &f) && (f.Code == "withdrawn" || f.Code == "expired") {
		return nil, problem(http.StatusGone, "This link is no longer open. Ask who gave it to you.", f)
	}
	return told(p, err)
}
