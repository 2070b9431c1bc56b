package words

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/crop"
	"vertumna/core/find"
	"vertumna/core/given"
	"vertumna/core/pomology"
	"vertumna/core/year"
)

func TestUnderSnowNothingIsSaidOfFruit(t *testing.T) {
	to := 140
	l := crop.LimbAt{Limb: "S1", Load: crop.Load{State: crop.LoadOver, PropAtCM: 120, PropHolds: true, ShortenToCM: &to, FruitAfterShortening: &to, BarkIncluded: true}}
	for _, units := range []Units{Metric, US} {
		says := strings.Join(Speaker{Units: units}.Snow(&l), " ")
		require.NotContains(t, says, "fruit")
		require.Contains(t, says, "soft broom")
		require.Contains(t, says, "padded, forked prop")
		require.Contains(t, says, "Bark is trapped")
		if units == US {
			require.NotContains(t, says, " cm")
		}
	}
	l.PropHolds = false
	require.Contains(t, strings.Join(Speaker{}.Snow(&l), " "), "tie it to its neighbours")
	l.State = crop.LoadWatch
	require.Empty(t, Speaker{}.Snow(&l), "one that is safe wants nothing")
}

func TestWhatComesFromOutsideIsSaidWithWhatToLookFor(t *testing.T) {
	for _, k := range pomology.Kinds() {
		for _, h := range pomology.Hosts() {
			for _, x := range pomology.Threats(k, []string{h.Slug}, nil) {
				says := Speaker{}.Reason(year.Reason{Rule: "host-outside", Text: x.Sickness.Slug, Value: x.Host.Slug})
				require.Contains(t, says, x.Sickness.Name)
				require.Contains(t, says, "look for "+x.Sickness.Look)
			}
		}
	}
	require.Equal(t, "It resists scab and rust, as you know it.", Resists([]string{"rust", "scab"}))
	require.Empty(t, Resists(nil))
}

func TestWhatIsOddIsSaidInAPersonsUnits(t *testing.T) {
	fs := given.Faults{{Code: "x", Field: "x", Given: "0.8 m from A2", Expected: "about 2.0 m when both are held low; 12 mm, 3 trees"}}
	require.Equal(t, fs, Speaker{}.Faults(fs))
	us := Speaker{Units: US}.Faults(fs)
	require.Equal(t, "2 ft 7 in from A2", us[0].Given)
	require.Equal(t, "about 6 ft 7 in when both are held low; 1/2 in, 3 trees", us[0].Expected)
	require.Equal(t, "0.8 m from A2", fs[0].Given, "what was given is not touched")
}

func TestOfACrossingTheOneThatStaysIsNamedByWhatIsTrueOfBoth(t *testing.T) {
	of := func(outward float64) string {
		return Speaker{}.Finding(find.Finding{Code: "crossing", Limb: "S1.1", Members: []string{"S1.2"}, Evidence: []find.Fact{{Name: "gap_cm", Value: 2}, {Name: find.Backward, Value: outward}}}).Says
	}
	require.Contains(t, of(-0.4), "it runs back into the tree, and S1.2 stays")
	require.NotContains(t, of(0.2), "back into the tree", "one that gains a little ground outward does not run back")
	require.Contains(t, of(0.2), "S1.2 runs more outward, and stays")
}
