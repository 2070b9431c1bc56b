package api_test

import (
	"encoding/json"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/api"
)

// TestATreeIsReadInItsOwnOrchardOnly asks every page of a tree that the contract knows for a tree of another orchard, of no orchard, and
// for none.
func TestATreeIsReadInItsOwnOrchardOnly(t *testing.T) {
	a := start(t, "2027-02-20")
	text, err := api.OpenAPI()
	require.NoError(t, err)
	var contract struct {
		Paths map[string]map[string]any `json:"paths"`
	}
	require.NoError(t, json.Unmarshal(text, &contract))
	asked := 0
	for path, ops := range contract.Paths {
		if ops["get"] == nil || !strings.HasPrefix(path, "/api/orchards/{slug}/trees/{id}") {
			continue
		}
		asked++
		for name, of := range map[string][2]string{"another's": {"saltwind", "lower-terrace-C2"}, "no orchard's": {"nope", "lower-terrace-C2"}, "none": {"lower-terrace", "nobody"}} {
			url := strings.NewReplacer("{slug}", of[0], "{id}", of[1], "{limb}", "S1").Replace(path) + "?from=1&to=1&limb=S1&part=all&kind=collar&aim=remove&complaint=leans"
			status, out := a.send("GET", url, nil)
			require.Equal(t, 404, status, "%s tree at %s: %v", name, path, out)
		}
	}
	require.Greater(t, asked, 10)
}
