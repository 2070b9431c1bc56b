package contract

import (
	"reflect"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/core/find"
	"vertumna/core/year"
)

// closed stands in the contract for a type of the core that has a closed set of values: the core's own list is the contract's.
type closed[T ~string] string

// Schema of a closed set.
func (closed[T]) Schema(huma.Registry) *huma.Schema {
	s := &huma.Schema{Type: huma.TypeString}
	for _, v := range sets[reflect.TypeFor[T]()] {
		s.Enum = append(s.Enum, v)
	}
	s.PrecomputeMessages()
	return s
}

// sets are the closed sets, by their types.
var sets = map[reflect.Type][]string{
	reflect.TypeFor[year.State]():    texts(year.States()),
	reflect.TypeFor[year.Group]():    texts(year.Groups()),
	reflect.TypeFor[year.Mark]():     texts(year.Marks()),
	reflect.TypeFor[year.Level]():    texts(year.Levels()),
	reflect.TypeFor[year.Aim]():      append(texts(year.Aims()), ""),
	reflect.TypeFor[year.TaskKind](): texts(year.TaskKinds()),
	reflect.TypeFor[find.Aim]():      texts(find.Aims()),
}

func texts[T ~string](all []T) []string {
	out := make([]string, len(all))
	for i, v := range all {
		out[i] = string(v)
	}
	return out
}

// closeSets makes the registry know the closed sets.
func closeSets(r huma.Registry) {
	r.RegisterTypeAlias(reflect.TypeFor[year.State](), reflect.TypeFor[closed[year.State]]())
	r.RegisterTypeAlias(reflect.TypeFor[year.Group](), reflect.TypeFor[closed[year.Group]]())
	r.RegisterTypeAlias(reflect.TypeFor[year.Mark](), reflect.TypeFor[closed[year.Mark]]())
	r.RegisterTypeAlias(reflect.TypeFor[year.Level](), reflect.TypeFor[closed[year.Level]]())
	r.RegisterTypeAlias(reflect.TypeFor[year.Aim](), reflect.TypeFor[closed[year.Aim]]())
	r.RegisterTypeAlias(reflect.TypeFor[year.TaskKind](), reflect.TypeFor[closed[year.TaskKind]]())
	r.RegisterTypeAlias(reflect.TypeFor[find.Aim](), reflect.TypeFor[closed[find.Aim]]())
}
