// Package given tells what is wrong with the numbers a model was given: the field, what was given, what is expected. All
// faults of an input are collected; a model that found one computes nothing.
package given

import (
	"fmt"
	"math"
	"strings"
)

// Codes of faults.
const (
	Missing  = "E_MISSING"
	NoNumber = "E_NUMBER"
	NotWhole = "E_INTEGER"
	Range    = "E_RANGE"
	Word     = "E_ENUM"
	Twice    = "E_DUP"
	Empty    = "E_EMPTY"
	Conflict = "E_CONFLICT"
)

// Fault is one thing wrong. Field is a path such as counted[1].fruit.
type Fault struct {
	Code     string `json:"code"`
	Field    string `json:"field"`
	Given    string `json:"given"`
	Expected string `json:"expected"`
	Says     string `json:"says,omitempty" doc:"the same as a sentence for a person, where one was written"`
}

func (f Fault) Error() string {
	return fmt.Sprintf("%s: %s given, %s expected", f.Field, f.Given, f.Expected)
}

// Faults are all that is wrong with an input; nil where nothing is.
type Faults []Fault

func (fs Faults) Error() string {
	out := make([]string, len(fs))
	for i, f := range fs {
		out[i] = f.Error()
	}
	return strings.Join(out, "; ")
}

// Err is the faults as an error, nil where there are none.
func (fs Faults) Err() error {
	if len(fs) == 0 {
		return nil
	}
	return fs
}

// Add notes a fault.
func (fs *Faults) Add(code, field, was, expected string) {
	*fs = append(*fs, Fault{Code: code, Field: field, Given: was, Expected: expected})
}

// In checks a number against a range, both ends within.
func (fs *Faults) In(field string, v, low, high float64) {
	switch {
	case math.IsNaN(v) || math.IsInf(v, 0):
		fs.Add(NoNumber, field, fmt.Sprint(v), "a number")
	case v < low || v > high:
		fs.Add(Range, field, fmt.Sprintf("%g", v), fmt.Sprintf("%g to %g", low, high))
	}
}

// Above checks a number against a range whose lower end is without.
func (fs *Faults) Above(field string, v, low, high float64) {
	if v == low {
		fs.Add(Range, field, fmt.Sprintf("%g", v), fmt.Sprintf("more than %g, up to %g", low, high))
		return
	}
	fs.In(field, v, low, high)
}

// May checks a number that may be absent.
func (fs *Faults) May(field string, v *float64, low, high float64) {
	if v != nil {
		fs.In(field, *v, low, high)
	}
}

// Or is a number given, or what is taken without it.
func Or(v *float64, other float64) float64 {
	if v == nil {
		return other
	}
	return *v
}
