package store_test

import (
	"reflect"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/pomology"
	"vertumna/store"
)

// What may be kept is what the tables of the core know.
func TestKeptSicknessesAndHostsAreThoseOfTheTables(t *testing.T) {
	enum := func(of any, field string) []string {
		f, ok := reflect.TypeOf(of).FieldByName(field)
		require.True(t, ok)
		return strings.Split(f.Tag.Get("enum"), ",")
	}
	var sick, hosts []string
	for _, s := range pomology.Sicknesses() {
		sick = append(sick, s.Slug)
	}
	for _, h := range pomology.Hosts() {
		hosts = append(hosts, h.Slug)
	}
	require.ElementsMatch(t, sick, enum(store.Tree{}, "Resists"))
	require.ElementsMatch(t, hosts, enum(store.Plot{}, "Hosts"))
}
