package orchard

import (
	"math"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/internal/mutants"
)

func FuzzDays(f *testing.F) {
	mutants.Add(f, []byte("date,tmin,tmax,rain,gust\n2027-02-01,-2,6,0,30\n2027-02-02,-1.5,7,2.4,\n2027-02-04,0,8,0,12\n"), []byte("date;tmin;tmax;rain\n2027-01-05;1;9;0\n2027-01-06;1;8;4\n"))
	today := almanac.DateOf(2027, 2, 20)
	f.Fuzz(func(t *testing.T, text []byte) {
		days, faults := readDays(string(text), today)
		for _, x := range faults {
			require.NotEmpty(t, x.Field)
			require.NotEmpty(t, x.Expected)
		}
		if len(faults) > 0 {
			return
		}
		require.NotEmpty(t, days)
		for i, d := range days {
			require.LessOrEqual(t, d.Date, today)
			require.False(t, math.IsNaN(d.Tmin+d.Tmax+d.RainMM+d.GustKmh))
			require.LessOrEqual(t, d.Tmin, d.Tmax, "day %d", i)
			if i > 0 {
				require.Greater(t, d.Date, days[i-1].Date, "each day once")
			}
		}
	})
}
