package api

import (
	"errors"
	"fmt"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/contract"
	"vertumna/core/given"
	"vertumna/orchard"
	"vertumna/store"
	"vertumna/words"
)

// Problem is an error as RFC 9457 has it, naming each field, what was given and what is expected.
type Problem struct {
	Type    string        `json:"type"`
	Title   string        `json:"title"`
	Status  int           `json:"status"`
	Detail  string        `json:"detail,omitempty"`
	Errors  []given.Fault `json:"errors,omitempty" nullable:"false"`
	Given   int           `json:"given_version,omitempty" doc:"of a clash: the version the edit was based on"`
	Stands  int           `json:"current_version,omitempty" doc:"of a clash: the version that stands, to build on"`
	Current any           `json:"current,omitempty" doc:"of a clash: the document as it now stands"`
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

func problem(status int, detail string, fields ...given.Fault) *Problem {
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
			p.Errors = append(p.Errors, contract.Fault(err))
		}
		if len(p.Errors) == 0 && status == http.StatusBadRequest { // an empty body has no field of its own
			p.Errors = []given.Fault{{Code: "bad_body", Field: "body", Given: "nothing", Expected: "a JSON document as the contract has it"}}
		}
		if len(p.Errors) > 0 {
			p.Detail = p.Errors[0].Error()
		}
		return p
	}
	huma.NewErrorWithContext = func(_ huma.Context, status int, msg string, errs ...error) huma.StatusError {
		return huma.NewError(status, msg, errs...)
	}
}

// asProblem maps what the core, the store and the formats refuse to problems. Anything else is ours: the log gets it, the person a
// plain sentence.
func asProblem(err error, s words.Speaker) error {
	var (
		p        *Problem
		conflict *store.Conflict
		faults   given.Faults
		fault    given.Fault
		late     orchard.TooLong
	)
	switch {
	case store.Full(err):
		return problem(http.StatusInsufficientStorage, "the disk is full: nothing of this was kept, and all that was kept before is safe. Make room, then try again")
	case errors.As(err, &late):
		return problem(http.StatusServiceUnavailable, fmt.Sprintf("this tree takes longer than %.0f s to work out; it is gone on with, so ask again in a minute. The other trees have their plan", late.Most.Seconds()))
	case errors.As(err, &p):
		return p
	case errors.Is(err, store.ErrNotFound):
		out := problem(http.StatusNotFound, "nothing here has that name or id")
		if errors.As(err, &fault) {
			out.Detail, out.Errors = fault.Error(), []given.Fault{fault}
		}
		return out
	case errors.As(err, &conflict):
		return conflictProblem(conflict)
	case errors.As(err, &faults) && len(faults) > 0:
		return refused(s.Faults(faults))
	case errors.As(err, &fault):
		return refused(s.Faults(given.Faults{fault}))
	}
	return err
}

// conflictProblem says what stands in the way; of a document changed meanwhile both versions are told.
func conflictProblem(c *store.Conflict) *Problem {
	out := problem(http.StatusConflict, sentence(c.Fault), c.Fault)
	if c.Current > 0 {
		out.Detail = "it was changed meanwhile: both versions are kept here for you to choose from"
		out.Given, out.Stands, out.Current = c.Based, c.Current, c.Body
		if c.Says != "" { // a map: what stands is fetched, and written on
			out.Detail = c.Says
		}
		if len(c.Body) == 0 {
			out.Current = nil
		}
	}
	return out
}

// refused makes one problem of all that is wrong, a field error each; nil where nothing is.
func refused(fs given.Faults) error {
	if len(fs) == 0 {
		return nil
	}
	out := problem(http.StatusUnprocessableEntity, sentence(fs[0]))
	if n := len(fs) - 1; n > 0 {
		out.Detail += fmt.Sprintf(", and %d more", n)
	}
	out.Errors = fs
	return out
}

// sentence is a fault as a person reads it.
func sentence(f given.Fault) string {
	if f.Says != "" {
		return f.Says
	}
	return f.Error()
}
