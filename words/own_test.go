package words_test

import (
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/given"
	"vertumna/words"
)

func TestAFixedSentenceIsToldAsAPersonOfInchesWouldSayIt(t *testing.T) {
	for metric, want := range map[string]string{
		"5-6 mm above the bud, sloped away from it.": "1/4 in above the bud, sloped away from it.",
		"0 to 4 cm":                       "0 to 1 1/2 in",
		"12 to 15 cm long":                "5 to 6 in long",
		"45-50 cm above the top scaffold": "18 to 20 in above the top scaffold",
		"over 25 mm wants two stages, one over 40 mm stays":            "over 1 in wants two stages, one over 1 1/2 in stays",
		"Wire, 2 to 2.5 mm, galvanized":                                "Wire, 1/8 in, galvanized",
		"Not below -4 °C: wood is brittle.":                            "Not below 25 °F: wood is brittle.",
		"above −4 °C":                                                  "above 25 °F",
		"in a bag, 0 to 4 °C, away":                                    "in a bag, 32 to 39 °F, away",
		"Within 3 m of a power line":                                   "Within 10 ft of a power line",
		"{n} limbs, 5 in the middle, at 45 degrees":                    "{n} limbs, 5 in the middle, at 45 degrees",
		"the last 30 cm stay rising":                                   "the last 12 in stay rising",
		"fruitlets of 18-21 mm":                                        "fruitlets of 3/4 to 7/8 in",
		"gusts over 45 km/h, 10 kg of snow":                            "gusts over 28 mph, 22 lb of snow",
		"S1 cut in 2027":                                               "S1 cut in 2027",
		"2 to 3 buds, then 10 cm":                                      "2 to 3 buds, then 4 in",
		"at most the 43 mm of \"T\" where it starts":                   "at most the 1 3/4 in of \"T\" where it starts",
		"a wall or fence within 60 cm; 1.5 m from a path, 200 cm high": "a wall or fence within 24 in; 5 ft from a path, 79 in high",
	} {
		require.Equal(t, want, us.Own(metric))
		require.Equal(t, metric, words.Speaker{}.Own(metric), "metric stays")
	}
}

func TestWhatWasMeasuredIsToldAsExactlyAsATapeHasIt(t *testing.T) {
	fs := us.Faults(given.Faults{{Given: "55 mm", Expected: "at most the 43 mm of \"T\" where it starts"}})
	require.Equal(t, "2 1/8 in", fs[0].Given)
	require.Equal(t, "at most the 1 3/4 in of \"T\" where it starts", fs[0].Expected)
}

func TestFeetAreNotToldBelowOne(t *testing.T) {
	require.Equal(t, "1 in", us.Amount(0.02, "m"))
	require.Equal(t, "-4 in", us.Amount(-0.1, "m"))
	require.Equal(t, "1 ft 0 in", us.Amount(0.3, "m"))
	require.Equal(t, "-1 ft 4 in", us.Amount(-0.4, "m"))
}

func TestNoLengthIsRoundedBeforeItIsTold(t *testing.T) {
	files, err := filepath.Glob("*.go")
	require.NoError(t, err)
	require.NotEmpty(t, files)
	for _, file := range files {
		if strings.HasSuffix(file, "_test.go") {
			continue
		}
		text, err := os.ReadFile(file)
		require.NoError(t, err)
		for _, line := range strings.Split(string(text), "\n") {
			require.NotRegexp(t, `Amount\(math\.\w+\([^"]*, "(cm|mm)"\)`, line, file)
		}
	}
}

func TestAScaleOfHeightsHasRoundMarks(t *testing.T) {
	step, says := us.HeightMarks()
	require.InDelta(t, 60.96, step, 1e-9)
	require.Equal(t, "4 ft", says(2*step))
	step, says = words.Speaker{}.HeightMarks()
	require.InDelta(t, 50, step, 0)
	require.Equal(t, "1.50 m", says(3*step))
}
