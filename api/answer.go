package api

// one is an answer of one value.
type one[T any] struct{ Body T }

// told answers with what a use gave.
func told[T any](body T, err error) (*one[T], error) { return &one[T]{body}, err }

// many is an answer of a list, empty where there is none.
type many[T any] struct {
	Body []T `nullable:"false"`
}

// listed answers with a list that a use gave.
func listed[T any](xs []T, err error) (*many[T], error) { return &many[T]{list(xs)}, err }

// list is never nil: an empty list is told as one.
func list[T any](xs []T) []T {
	if xs == nil {
		return []T{}
	}
	return xs
}
