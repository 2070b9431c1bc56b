package limb

import (
	"fmt"
	"strings"
)

// Problem is one thing wrong with a map: what, on which limb, in which field. Limb is empty where the whole map is meant.
type Problem struct {
	Code    string `json:"code"`
	Limb    string `json:"limb"`
	Field   string `json:"field"`
	Message string `json:"message"`
}

func (p Problem) Error() string {
	if p.Limb == "" {
		return fmt.Sprintf("%s: %s", p.Field, p.Message)
	}
	return fmt.Sprintf("limb %q, %s: %s", p.Limb, p.Field, p.Message)
}

// Problems are all that is wrong with a map. Any problem refuses it.
type Problems []Problem

func (ps Problems) Error() string {
	lines := make([]string, len(ps))
	for i, p := range ps {
		lines[i] = p.Error()
	}
	return strings.Join(lines, "; ")
}

func (ps *Problems) add(code, limb, field, format string, args ...any) {
	*ps = append(*ps, Problem{code, limb, field, fmt.Sprintf(format, args...)})
}

// orNil keeps an empty list from being a non-nil error.
func (ps Problems) orNil() error {
	if len(ps) == 0 {
		return nil
	}
	return ps
}
