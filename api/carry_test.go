package api_test

import (
	"testing"

	"github.com/stretchr/testify/require"
)

// TestAMapIsCarriedOnToTheSeasonOfToday: a winter's map in summer, and in the winter after, stands as the model grows it, its slip can
// be decided and logged, and it can be taken back.
func TestAMapIsCarriedOnToTheSeasonOfToday(t *testing.T) {
	const id = lt + "/trees/lower-terrace-C2/map"
	a := start(t, "2027-02-20")
	winter := a.ok("GET", id, nil)
	require.Nil(t, winter["carry"], "the map is of this winter")
	revision := func(b object) any { return b["revision"].(object)["revision"] }
	a.refused(422, "map", "a map of a season before today's", "POST", id+"/carry", object{"based_on": revision(winter)})

	a.today = day("2027-07-05")
	late := a.ok("GET", id, nil)
	require.Contains(t, late["carry"], "the winter before 2027")
	carried := a.ok("POST", id+"/carry", object{"based_on": revision(late)})
	require.Nil(t, carried["carry"])
	require.Equal(t, "summer", carried["facts"].(object)["map_season"])
	require.Equal(t, "grown", carried["revision"].(object)["cause"])
	require.Greater(t, carried["facts"].(object)["height_cm"], late["facts"].(object)["height_cm"])
	slip := a.ok("GET", id+"/slip", nil)
	require.Equal(t, false, slip["predicted"], "it can be decided and logged")
	require.Equal(t, "summer-2027", slip["key"])

	a.today = day("2029-02-10")
	later := a.ok("POST", id+"/carry", object{"based_on": revision(carried)})
	require.Equal(t, "dormant", later["facts"].(object)["map_season"])
	require.EqualValues(t, 2029, later["map"].(object)["year"])
	require.Nil(t, later["came"], "what the model grew is no measure of the model")
	back := a.ok("POST", id+"/undo", object{"revision": revision(later)})
	require.Equal(t, "summer", back["facts"].(object)["map_season"], "carried on, taken back")
	require.NotNil(t, back["carry"])
}
