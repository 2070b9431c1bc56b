// Package contract is what the program takes: the schema of every body, written as tags on its fields, and the one check of it, for
// requests and archives alike.
package contract

import (
	"encoding/json"
	"errors"
	"reflect"
	"strings"
	"sync"

	"github.com/danielgtaylor/huma/v2"
	"github.com/danielgtaylor/huma/v2/validation"

	"vertumna/core/almanac"
	"vertumna/core/given"
)

// prefix is where the contract keeps its schemas.
const prefix = "#/components/schemas/"

// dayText stands for a day in the contract: a date of the calendar, told by its field when it is none.
type dayText string

// Schema of a day.
func (dayText) Schema(huma.Registry) *huma.Schema {
	s := &huma.Schema{Type: huma.TypeString, Format: "date"}
	s.PrecomputeMessages()
	return s
}

// named names the schema of a type: its own name, but that a fault is of a field here.
func named(t reflect.Type, hint string) string {
	if t == reflect.TypeFor[given.Fault]() {
		return "FieldError"
	}
	return huma.DefaultSchemaNamer(t, hint)
}

// Registry is an empty registry of schemas that knows our own types.
func Registry() huma.Registry {
	r := huma.NewMapRegistry(prefix, named)
	r.RegisterTypeAlias(reflect.TypeFor[almanac.Day](), reflect.TypeFor[dayText]())
	closeSets(r)
	return r
}

func init() { // in the words of a person who reads them after "expected"
	validation.MsgExpectedMinimumNumber, validation.MsgExpectedMaximumNumber = "expected at least %v", "expected at most %v"
	validation.MsgExpectedExclusiveMinimumNumber, validation.MsgExpectedExclusiveMaximumNumber = "expected more than %v", "expected less than %v"
	validation.MsgExpectedMinLength, validation.MsgExpectedMaxLength = "expected at least %d letters", "expected at most %d letters"
	validation.MsgExpectedMinItems, validation.MsgExpectedMaxItems = "expected at least %d of them", "expected at most %d of them"
	validation.MsgExpectedMaxProperties = "expected at most %d names"
	validation.MsgExpectedOneOf = "expected one of %s"
	validation.MsgExpectedRFC3339Date = "expected a day as YYYY-MM-DD"
	validation.MsgExpectedNumber, validation.MsgExpectedInteger = "expected a number", "expected a whole number"
	validation.MsgExpectedString, validation.MsgExpectedBoolean = "expected a text", "expected true or false"
	validation.MsgExpectedArray, validation.MsgExpectedObject = "expected a list", "expected an object"
	validation.MsgExpectedRequiredProperty = "expected %s" + toBeThere
	validation.MsgUnexpectedProperty = "expected no field of that name"
}

var (
	kept  = Registry()
	guard sync.Mutex // of kept: schemas are made when first asked for
)

// Check looks at a value, as JSON decodes it, against the schema of T, and tells all that is wrong, each with its path below at.
func Check[T any](value any, at string) given.Faults {
	guard.Lock()
	defer guard.Unlock()
	schema := kept.Schema(reflect.TypeFor[T](), true, "")
	path, found := huma.NewPathBuffer([]byte(at), len(at)), &huma.ValidateResult{}
	huma.Validate(kept, schema, path, huma.ModeReadFromServer, value, found)
	var out given.Faults
	for _, err := range found.Errors {
		out = append(out, Fault(err))
	}
	return out
}

// Missing is the code of a field that must be there and is not.
const Missing = "missing"

const toBeThere = " to be there"

// mostTold is how much of what was given is told.
const mostTold = 120

// Fault is what the schema refused: the field, what was given, what is expected.
func Fault(err error) given.Fault {
	var d *huma.ErrorDetail
	if !errors.As(err, &d) {
		return given.Fault{Code: "bad_request", Field: "body", Given: "a body that cannot be read", Expected: err.Error()}
	}
	field := strings.TrimPrefix(strings.TrimPrefix(d.Location, "body."), "query.")
	was, _ := json.Marshal(d.Value)
	if len(was) > mostTold {
		was = append(was[:mostTold-3], "..."...)
	}
	if name, ok := strings.CutSuffix(d.Message, toBeThere); ok { // told of what it should stand in
		name = strings.TrimPrefix(name, "expected ")
		if field != "" && field != "body" {
			name = field + "." + name
		}
		return given.Fault{Code: Missing, Field: name, Given: "nothing", Expected: "a value: it must be there"}
	}
	return given.Fault{Code: "bad_value", Field: field, Given: string(was), Expected: strings.TrimPrefix(d.Message, "expected ")}
}
