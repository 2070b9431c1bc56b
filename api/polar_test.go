package api_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/require"
)

// TestPlacesWithoutNightOrDayStillPlan: near the poles the sun does not rise or set for weeks, and leap days are days like others.
func TestPlacesWithoutNightOrDayStillPlan(t *testing.T) {
	days := []string{"2028-02-29", "2028-06-21", "2028-12-21"}
	for k, lat := range []float64{69.6, 78.2, -68.5} {
		a := start(t, "2027-02-20")
		a.today = day("2028-02-29")
		a.keep(lt, func(i int) bool { return i%5 == k || i == 8 }) // one of them is the tree looked at
		got := a.ok("GET", lt, nil)["orchard"].(object)
		site := got["site"].(object)
		site["lat"] = lat
		if lat < 0 { // its summer is in January
			for _, of := range []string{"tmax", "tmin", "rain_mm", "rain_days", "wind_kmh", "sun_frac"} {
				if x, ok := site[of].([]any); ok {
					site[of] = append(append([]any{}, x[6:]...), x[:6]...)
				}
			}
		}
		a.ok("PUT", lt, object{"version": got["version"], "orchard": got})
		for _, day := range []string{days[k], days[(k+1)%len(days)]} {
			for _, path := range []string{"/plan", "/docket", "/days", "/plan/other?preset=low-bush&x=1", "/light", "/trees/lower-terrace-C1/season", "/trees/lower-terrace-C1/map/slip", "/sheet"} {
				sep := "?"
				if path == "/plan/other?preset=low-bush&x=1" {
					sep = "&"
				}
				out := a.ok("GET", lt+path+sep+"day="+day, nil)
				require.NotContains(t, fmt.Sprint(out), "NaN", "%v %s", lat, path)
			}
		}
		sky := a.ok("GET", lt+"/weather", nil)
		require.NotEmpty(t, sky["says"])
	}
}
