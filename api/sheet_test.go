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
