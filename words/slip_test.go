package words_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/cut"
	"vertumna/words"
)

func TestLimbsLeftAboveReachAreToldTogetherByTheirReason(t *testing.T) {
	out := func(id string, cm float64) cut.Above {
		return cut.Above{Limb: id, CM: cm, Why: cut.Outgrows, Grows: 0.31, Limit: 0.2}
	}
	says := words.Speaker{}.StillAbove([]cut.Above{
		out("S1", 40), {Limb: "S9", CM: 25, Why: cut.Strips}, out("S2", 124), out("S3", 60), out("S4", 30), out("S5", 31),
	})
	require.Len(t, says, 2)
	require.Equal(t, "S1, S2, S3, S4 and 1 more, up to 124 cm above reach: more of the crown grows above reach in a year (31 %) than the stop line lets go (20 %).", says[0])
	require.Equal(t, "S9, 25 cm above reach: a limb would be left without its fruit buds.", says[1])
	require.Empty(t, words.Speaker{}.StillAbove(nil))
}

func TestTheLimitThatWouldDoIsNamed(t *testing.T) {
	require.Empty(t, words.Speaker{}.Needs(cut.Forecast{}), "it comes to reach as it is")
	require.Equal(t, "With a stop line of 25 % it would come to reach in these years.", words.Speaker{}.Needs(cut.Forecast{Held: -1, Needs: cut.Quarter}))
	require.Contains(t, words.Speaker{}.Needs(cut.Forecast{Held: -1}), "No yearly limit up to 33 %")
}

func TestAZoneIsToldAgainstItsOwnLimit(t *testing.T) {
	z := cut.Zone{FromCM: 181, ToCM: 262, Used: 0.1, Slip: 0.3, Most: 0.8}
	require.Equal(t, "Of the top third, 1.8 m to 2.6 m up, 30 % goes after 10 % this year; 80 % may.", words.Speaker{}.Zone(2, z))
}
