package api_test

import (
	"encoding/json"
	"fmt"
	"regexp"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/api"
)

// metricAmount is a measure that a person of inches does not read.
var metricAmount = regexp.MustCompile(`\d ?(mm|cm|m|m²|cm²|kg|g|km|km/h|litres|°C)(\W|$)`)

// TestAnOrchardInInchesIsToldNoMetricAmount reads every answer about an orchard and its trees.
func TestAnOrchardInInchesIsToldNoMetricAmount(t *testing.T) {
	a := start(t, "2027-03-10")
	var reads []string
	for path, ops := range contractPaths(t) {
		if _, get := ops["get"]; get && strings.HasPrefix(path, "/api/") {
			reads = append(reads, path)
		}
	}
	slices.Sort(reads)
	answers := 0
	told := a.metricIn("/api/meta", a.ok("GET", "/api/meta?units=us", nil))
	for slug, every := range map[string]int{"lower-terrace": 9, "new-rows": 4, "saltwind": 5} {
		at := "/api/orchards/" + slug
		trees := a.keep(at, func(k int) bool { return k%every == 0 })
		o := a.ok("GET", at, nil)["orchard"].(object)
		o["units"] = "us"
		a.ok("PUT", at, object{"version": o["version"], "orchard": o})
		for _, path := range reads {
			path = strings.Replace(path, "{slug}", slug, 1)
			asked := []string{path}
			if strings.Contains(path, "{id}") {
				asked = nil
				for _, id := range trees {
					asked = append(asked, strings.Replace(path, "{id}", id, 1))
				}
			}
			for _, one := range asked {
				if strings.Contains(one, "{") || !strings.Contains(one, slug) || strings.HasSuffix(one, "/archive") {
					continue
				}
				for _, day := range []string{"2027-03-10", "2027-06-25"} {
					if status, answer := a.send("GET", one+"?day="+day, nil); status == 200 {
						answers++
						told = append(told, a.metricIn(one, answer)...)
					}
				}
			}
		}
	}
	require.Greater(t, answers, 200)
	slices.Sort(told)
	require.Empty(t, slices.Compact(told))
}

func contractPaths(t *testing.T) (paths map[string]map[string]json.RawMessage) {
	t.Helper()
	var contract struct {
		Paths map[string]map[string]json.RawMessage
	}
	text, err := api.OpenAPI()
	require.NoError(t, err)
	require.NoError(t, json.Unmarshal(text, &contract))
	require.NotEmpty(t, contract.Paths)
	return contract.Paths
}

// metricIn are the texts of an answer that tell a metric amount.
func (a *app) metricIn(path string, answer any) (found []string) {
	switch x := answer.(type) {
	case map[string]any:
		for _, v := range x {
			found = append(found, a.metricIn(path, v)...)
		}
	case []any:
		for _, v := range x {
			found = append(found, a.metricIn(path, v)...)
		}
	case string:
		if metricAmount.MatchString(x) {
			found = append(found, fmt.Sprintf("%s: %s", path, x))
		}
	}
	return found
}
