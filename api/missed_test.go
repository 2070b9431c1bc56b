package api_test

import (
	"testing"

	"github.com/stretchr/testify/require"
)

// TestACutMissedInWinterIsNotTakenAsMade: a map of the winter, no cut in the journal, and it is summer: docket and slip go on from the
// tree as it grew uncut.
func TestACutMissedInWinterIsNotTakenAsMade(t *testing.T) {
	const id = "lower-terrace-C2"
	a := start(t, "2027-02-20")
	ahead := a.ok("GET", lt+"/trees/"+id+"/map/slip?day=2027-07-05", nil)
	require.Nil(t, ahead["missed"], "in February the winter's cut is still to come")

	a.today = day("2027-07-05")
	late := a.ok("GET", lt+"/trees/"+id+"/map/slip", nil)
	require.Equal(t, "summer", late["season"])
	require.Contains(t, late["missed"], "No cut of the winter is in the journal")
	winter := list(a.ok("GET", lt+"/trees/"+id+"/map/slip/years?day=2027-02-20", nil), "years")[0]
	require.NotZero(t, winter["winter_share"], "there was something to cut")

	a.ok("POST", lt+"/entries", object{"tree_id": id, "date": "2027-03-20", "kind": "work", "task": "dormant-cut", "outcome": "done", "share": 0.1, "reason": "a dry day"})
	made := a.ok("GET", lt+"/trees/"+id+"/map/slip", nil)
	require.Nil(t, made["missed"], "logged with its day, it is taken as made")
}

// TestAMissedJobSaysWhereItsWorkWent: on the docket of March a winter cut that nobody logged names the job that takes it over.
func TestAMissedJobSaysWhereItsWorkWent(t *testing.T) {
	a := start(t, "2027-02-20")
	a.today = day("2027-05-20")
	told := 0
	for _, x := range list(a.ok("GET", lt+"/docket", nil), "missed") {
		if x["kind"] == "dormant-cut" {
			told++
			require.Regexp(t, `What is left of it goes on to “.+”, from \d+ \w+\.`, x["instead"])
		}
	}
	require.NotZero(t, told, "a missed cut stays on the docket until what takes it over opens")
}
