package api

import (
	"context"
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/core/diagnose"
	"vertumna/orchard"
)

// DiagnoseInput names a tree, what is wrong with it, and what was answered so far.
type DiagnoseInput struct {
	TreeDayInput
	Complaint string `query:"complaint" required:"true" maxLength:"40"`
	Yes       string `query:"yes" maxLength:"2000" doc:"questions answered yes, between commas"`
	No        string `query:"no" maxLength:"2000" doc:"questions answered no, between commas"`
}

// TwoWaysInput names two ways of keeping a tree; an empty school or limit is that in force.
type TwoWaysInput struct {
	BenchInput
	First       string `query:"first" maxLength:"60" doc:"a school"`
	FirstLimit  string `query:"first_limit" maxLength:"10" doc:"a value of the yearly limit"`
	Second      string `query:"second" maxLength:"60"`
	SecondLimit string `query:"second_limit" maxLength:"10"`
	Years       int    `query:"years" minimum:"1" maximum:"6" default:"3"`
}

func (s *server) registerDiagnose(api huma.API) {
	op(api, http.MethodGet, "/api/orchards/{slug}/trees/{id}/diagnosis", "get-diagnosis", "The likely cause of what is wrong with a tree", func(ctx context.Context, in *DiagnoseInput) (*one[*orchard.DiagnosisBody], error) {
		day, err := dayOf(in.Day)
		if err != nil {
			return nil, err
		}
		answers := map[string]diagnose.Answer{}
		for list, a := range map[string]diagnose.Answer{in.Yes: diagnose.Yes, in.No: diagnose.No} {
			for q := range strings.SplitSeq(list, ",") {
				if q != "" {
					answers[q] = a
				}
			}
		}
		return told(s.Keeper.Diagnose(ctx, orchard.At{Slug: in.Slug, Tree: in.ID, Day: day}, in.Complaint, answers))
	})
	onTree(api, http.MethodGet, "/api/orchards/{slug}/trees/{id}/map/ways", "compare-ways", "One tree kept by two schools or limits, side by side over some years", func(ctx context.Context, at orchard.At, in *TwoWaysInput) (*orchard.TwoWaysBody, error) {
		return s.Keeper.TwoWays(ctx, at, [2]orchard.Way{{Preset: in.First, Limit: in.FirstLimit}, {Preset: in.Second, Limit: in.SecondLimit}}, in.Years)
	})
}
