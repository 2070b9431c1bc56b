package api_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/require"
)

func TestTheSheetKeepsToWindowsAndSaysWhatIsLeft(t *testing.T) {
	a := start(t, "2027-03-10")
	last := 0
	for _, minutes := range []int{30, 90, 240, 0} {
		s := a.ok("GET", fmt.Sprintf("%s/sheet?minutes=%d", lt, minutes), nil)
		jobs, sick := 0, false
		for _, stop := range list(s, "stops") {
			require.NotEmpty(t, stop["facts"])
			if stop["health"] == "clean" {
				require.False(t, sick, "healthy before sick")
			}
			sick = sick || stop["health"] != "clean"
			for _, j := range list(stop, "jobs") {
				jobs++
				require.GreaterOrEqual(t, j["closes"].(string), "2027-03-10", "no job outside its window")
				require.NotEmpty(t, j["cautions"])
			}
		}
		if minutes > 0 {
			require.LessOrEqual(t, s["minutes"].(float64), float64(minutes)+1)
		} else {
			require.Empty(t, s["left"])
		}
		for _, l := range list(s, "left") {
			require.Contains(t, l["costs"], "if it is missed")
		}
		require.GreaterOrEqual(t, jobs, min(last, 3), "more time never does less")
		last = jobs
		require.NotEmpty(t, s["safety"])
		require.NotEmpty(t, s["marks"])
	}
	status, _ := a.send("GET", lt+"/sheet?minutes=-5", nil)
	require.Equal(t, 422, status)
}

// What a phone kept is sent again after a cut of the network, late and by two phones: the database ends the same.
func TestAnOutboxSentAgainEndsInTheSameDatabase(t *testing.T) {
	a := start(t, "2027-03-10")
	const tree = lt + "/trees/lower-terrace-C2"
	slip := a.ok("GET", tree+"/map/slip", nil)
	type sent struct {
		path string
		body object
	}
	var box []sent
	cuts := []object{}
	for i, s := range list(slip, "steps")[:3] {
		box = append(box, sent{tree + "/map/slip/choices", object{"id": fmt.Sprintf("tap-%d", i), "choice": "taken", "findings": s["findings"]}})
		cuts = append(cuts, object{"cut": s["cut"]})
	}
	box = append(
		box,
		sent{tree + "/map/slip/log", object{"id": "done", "based_on": slip["revision"], "cuts": cuts, "minutes": 20}},
		sent{lt + "/entries", object{"id": "note", "tree_id": "lower-terrace-C2", "date": "2027-03-10", "kind": "note", "note": "lighter now"}},
	)
	for _, c := range box {
		a.ok("POST", c.path, c.body)
	}
	journal := func() any {
		_, all := a.send("GET", lt+"/entries?all=true&tree=lower-terrace-C2", nil)
		return all
	}
	was, revision := journal(), a.ok("GET", tree+"/map", nil)["revision"]
	for _, i := range []int{3, 0, 4, 3, 2, 1, 0, 3, 4} {
		a.ok("POST", box[i].path, box[i].body)
	}
	require.Equal(t, was, journal())
	require.Equal(t, revision, a.ok("GET", tree+"/map", nil)["revision"])

	// the same id for something else is no repeat
	other := object{"id": "done", "based_on": slip["revision"], "cuts": cuts[:1]}
	a.refused(409, "id", "", "POST", tree+"/map/slip/log", other)
	// another phone's cuts on the map as it was: both are known, the person chooses
	other["id"] = "other"
	status, p := a.send("POST", tree+"/map/slip/log", other)
	require.Equal(t, 409, status)
	require.Contains(t, fmt.Sprint(p), "version_clash")
}
