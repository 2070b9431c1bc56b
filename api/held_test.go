package api_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/require"
)

// A tree over reach is brought down and held by what a person does: each season's slip logged whole, on a map carried on to its day.
func TestThreeYearsOfSlipsEachLoggedInItsSeasonBringATreeToReachAndHoldIt(t *testing.T) {
	const tree = lt + "/trees/lower-terrace-D1"
	a := start(t, "2027-02-20")
	cut := 0
	for n := range 3 {
		for _, on := range []string{"02-20", "07-05"} {
			a.today = day(fmt.Sprintf("%d-%s", 2027+n, on))
			if m := a.ok("GET", tree+"/map", nil); m["carry"] != nil {
				a.ok("POST", tree+"/map/carry", object{"based_on": a.revision(tree + "/map")})
			}
			slip := a.ok("GET", tree+"/map/slip", nil)
			var cuts []object
			for _, s := range list(slip, "steps") {
				cuts = append(cuts, object{"cut": s["cut"]})
			}
			if len(cuts) > 0 {
				a.ok("POST", tree+"/map/slip/log", object{"based_on": slip["revision"], "cuts": cuts, "reason": "the only free Saturday"})
				cut++
			}
		}
		m := a.ok("GET", tree+"/map", nil)
		high, reach := m["facts"].(object)["height_cm"].(float64), m["tree"].(object)["reach_cm"].(float64)
		if n >= 2 { // down in two years, then held
			require.Less(t, high, reach+21, "in summer %d", 2027+n)
		}
	}
	require.Greater(t, cut, 3, "it is cut in most seasons")
}
