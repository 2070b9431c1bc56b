package api

import (
	"encoding/json"
	"errors"
	"fmt"
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/core/pomology"
	"vertumna/core/year"
	"vertumna/exchange"
	"vertumna/store"
)

// Problem is an error as RFC 9457 has it, naming each field, what was given and what is expected.
type Problem struct {
	Type    string       `json:"type"`
	Title   string       `json:"title"`
	Status  int          `json:"status"`
	Detail  string       `json:"detail,omitempty"`
	Errors  []FieldError `json:"errors,omitempty" nullable:"false"`
	Given   int          `json:"given_version,omitempty" doc:"of a clash: the version the edit was based on"`
	Current any          `json:"current,omitempty" doc:"of a clash: the document as it now stands"`
}

// FieldError is one refusal: the field, what was given, what is expected, and a stable code.
type FieldError struct {
	Field    string `json:"field"`
	Given    string `json:"given"`
	Expected string `json:"expected"`
	Code     string `json:"code"`
}

func (p *Problem) Error() string {
	if p.Detail != "" {
		return p.Detail
	}
	return p.Title
}

// GetStatus is the HTTP status.
func (p *Problem) GetStatus() int { return p.Status }

// ContentType names problem documents as RFC 9457 does.
func (p *Problem) ContentType(string) string { return "application/problem+json" }

func problem(status int, detail string, fields ...FieldError) *Problem {
	return &Problem{Type: "about:blank", Title: http.StatusText(status), Status: status, Detail: detail, Errors: fields}
}

// useProblems makes the framework's own refusals (schema, size, content type) problems of this shape.
func useProblems() {
	huma.NewError = func(status int, msg string, errs ...error) huma.StatusError {
		if status >= 500 {
			return problem(status, "something went wrong here; nothing was changed")
		}
		p := problem(status, msg)
		for _, err := range errs {
			p.Errors = append(p.Errors, schemaError(err))
		}
		if len(p.Errors) > 0 {
			p.Detail = p.Errors[0].sentence()
		}
		return p
	}
	huma.NewErrorWithContext = func(_ huma.Context, status int, msg string, errs ...error) huma.StatusError {
		return huma.NewError(status, msg, errs...)
	}
}

func (f FieldError) sentence() string {
	return fmt.Sprintf("%s: %s given, %s expected", f.Field, f.Given, f.Expected)
}

func schemaError(err error) FieldError {
	var d *huma.ErrorDetail
	if !errors.As(err, &d) {
		return FieldError{Field: "body", Given: "this", Expected: err.Error(), Code: "bad_request"}
	}
	field := strings.TrimPrefix(strings.TrimPrefix(d.Location, "body."), "query.")
	given, _ := json.Marshal(d.Value)
	if len(given) > 120 {
		given = append(given[:117], "..."...)
	}
	return FieldError{Field: field, Given: string(given), Expected: strings.TrimPrefix(d.Message, "expected "), Code: "bad_value"}
}

// asProblem maps the errors of the core, the store and the formats to problems. Anything else is ours: the log gets it,
// the person a plain sentence.
func asProblem(err error) error {
	var (
		p       *Problem
		alm     *almanac.Error
		kind    pomology.UnknownKindError
		choice  pomology.ChoiceError
		clash   *store.Clash
		code    *store.CodeTaken
		has     *store.HasEntries
		late    *store.TooLateToUndo
		fixed   *store.AlreadyCorrected
		archive *exchange.ArchiveError
		table   *exchange.CSVError
		check   year.Problem
		limbs   limb.Problems
		rows    *exchange.TableError
		none    *store.NothingToUndo
		faults  given.Faults
	)
	field := func(f, given, expected, code string) error {
		fe := FieldError{f, given, expected, code}
		return problem(http.StatusUnprocessableEntity, fe.sentence(), fe)
	}
	switch {
	case errors.As(err, &p):
		return p
	case errors.Is(err, store.ErrNotFound):
		return problem(http.StatusNotFound, "nothing here has that name or id")
	case errors.As(err, &limbs):
		return limbProblem(limbs)
	case errors.As(err, &rows):
		return field(fmt.Sprintf("line %d, %s", rows.Line, rows.Column), rows.Given, rows.Expected, "bad_table")
	case errors.As(err, &none):
		return problem(http.StatusConflict, "nothing to take back on this day", FieldError{"revision", fmt.Sprint(none.Revision), "one made from another", "nothing_to_undo"})
	case errors.As(err, &clash):
		out := problem(http.StatusConflict, "it was changed meanwhile: both versions are kept here for you to choose from",
			FieldError{"version", fmt.Sprint(clash.Given), fmt.Sprint(clash.Current), "version_clash"})
		out.Given, out.Current = clash.Given, clash.Body
		return out
	case errors.As(err, &alm):
		return field(alm.Field, alm.Given, alm.Expected, alm.Code)
	case errors.As(err, &kind):
		what, known := pomology.NotForMethod(kind.Given)
		if known {
			return field("kind", kind.Given, "a deciduous fruit tree; "+what+"s are not for this method", "not_for_method")
		}
		return field("kind", fmt.Sprintf("%q", kind.Given), "one of "+strings.Join(pomology.Slugs(), ", "), "unknown_kind")
	case errors.As(err, &choice):
		return field(choice.Field, choice.Given, choice.Expected, "unknown_choice")
	case errors.As(err, &code):
		return field("code", code.Code, "a code no other tree has", "code_taken")
	case errors.As(err, &has):
		return problem(http.StatusConflict, has.Error(), FieldError{"tree", fmt.Sprintf("%d journal entries", has.Count), "none: mark it gone instead", "has_entries"})
	case errors.As(err, &late):
		return problem(http.StatusConflict, late.Error(), FieldError{"entry", fmt.Sprintf("%.0f s old", late.Age.Seconds()), "10 s at most: log a correction instead", "too_late_to_undo"})
	case errors.As(err, &fixed):
		return problem(http.StatusConflict, fixed.Error(), FieldError{"corrects", "an entry already corrected", "its correction " + fixed.By, "already_corrected"})
	case errors.As(err, &archive):
		return field(archive.Field, archive.Given, archive.Expected, "bad_archive")
	case errors.As(err, &table):
		return field(fmt.Sprintf("line %d, %s", table.Line, table.Field), table.Given, table.Expected, "bad_table")
	case errors.As(err, &faults):
		return faultsProblem(faults)
	case errors.As(err, &check):
		return field(check.Field, check.Given, check.Expected, check.Code)
	}
	return err
}

// refusals makes one problem of several refusals.
func refusals(errs []year.Problem) error {
	if len(errs) == 0 {
		return nil
	}
	p := problem(http.StatusUnprocessableEntity, errs[0].Error())
	for _, e := range errs {
		p.Errors = append(p.Errors, FieldError{e.Field, e.Given, e.Expected, e.Code})
	}
	return p
}

// warningsOf are refusals that only warn.
func warningsOf(ws []year.Problem) []FieldError {
	out := []FieldError{}
	for _, w := range ws {
		out = append(out, FieldError{w.Field, w.Given, w.Expected, w.Code})
	}
	return out
}

// limbProblem maps all that is wrong with a limb map to one problem, a field error each.
func limbProblem(ps limb.Problems) *Problem {
	out := problem(http.StatusUnprocessableEntity, ps[0].Error())
	if n := len(ps) - 1; n > 0 {
		out.Detail += fmt.Sprintf(", and %d more", n)
	}
	for _, p := range ps {
		where := p.Field
		if p.Limb != "" {
			where = p.Limb + "." + p.Field
		}
		given, expected, ok := strings.Cut(p.Message, " given, ")
		if !ok {
			given, expected = "this", p.Message
		}
		out.Errors = append(out.Errors, FieldError{where, given, strings.TrimSuffix(expected, " expected"), p.Code})
	}
	return out
}

// faultsProblem makes one problem of the faults of a model's input.
func faultsProblem(fs given.Faults) error {
	out := problem(http.StatusUnprocessableEntity, fs[0].Error())
	for _, f := range fs {
		out.Errors = append(out.Errors, FieldError{f.Field, f.Given, f.Expected, strings.ToLower(f.Code)})
	}
	return out
}

// nilIfNone lets what is not there pass.
func nilIfNone(err error) error {
	if errors.Is(err, store.ErrNotFound) {
		return nil
	}
	return err
}
