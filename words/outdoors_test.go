package words_test

import (
	"regexp"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/days"
	"vertumna/core/training"
	"vertumna/core/year"
	"vertumna/words"
)

var (
	metric = words.Speaker{}
	us     = words.Speaker{Units: words.US}
	may12  = almanac.DateOf(2027, 5, 12) // a Wednesday
)

func TestAFrostNightIsToldWithItsTreesAndWhatCanBeDone(t *testing.T) {
	says := metric.FrostNight(may12, -2.5, []string{"A4", "C1"})
	assert.Contains(t, says, "Frost of -2.5 °C on the night to Wednesday 12 May")
	assert.Contains(t, says, "on A4, C1.")
	assert.Contains(t, says, "open twenty buds and count")
	assert.Contains(t, us.FrostNight(may12, -2.5, []string{"A4"}), "Frost of 28 °F on the night to Wednesday")
}

func TestAStormAndHeatSayWhatToKeepOff(t *testing.T) {
	assert.Equal(t, "Gusts of 90 km/h on Wednesday 12 May: look at stakes, ties, props and spreaders before it and after it, and climb nothing.", metric.Storm(may12, 90))
	assert.Contains(t, us.Storm(may12, 90), "Gusts of 56 mph")
	assert.Contains(t, metric.Heat(may12, 36), "Up to 36 °C on Wednesday 12 May: no cuts in leaf")
	assert.Contains(t, us.Heat(may12, 36), "Up to 97 °F")
}

func TestAPlotIsToldAgainstItsStation(t *testing.T) {
	for _, c := range []struct {
		by   words.Speaker
		d    almanac.Differ
		says string
	}{
		{metric, almanac.Differ{}, ""},
		{metric, almanac.Differ{Days: 12}, ""},
		{metric, almanac.Differ{Days: 12, Tmin: -1.5, Tmax: 0.4}, "By 12 days you read here, nights are 1.5° colder and days 0.4° warmer than the station says"},
		{us, almanac.Differ{Days: 12, Tmin: -1.5}, "nights are 2.7° colder and days the same than"},
		{metric, almanac.Differ{Days: 1, Tmax: -2}, "By 1 day you read here, nights are the same and days 2° colder"},
	} {
		if c.says == "" {
			assert.Empty(t, c.by.Differs(c.d))
		} else {
			assert.Contains(t, c.by.Differs(c.d), c.says)
		}
	}
}

func TestAFileFarOffWhatWasKnownIsDoubted(t *testing.T) {
	assert.Empty(t, words.Speaker{}.FileDiffers(0, 0, 0.3, 5))
	assert.Empty(t, words.Speaker{}.FileDiffers(20, 5, 0.3, 5))
	assert.Contains(t, words.Speaker{}.FileDiffers(20, 6, 0.3, 5), "On 6 of the 20 days")
}

func TestTheFirstFitDayIsToldWithWhatSpeaksAgainstToday(t *testing.T) {
	day := func(n int, why string) almanac.FitDay {
		return almanac.FitDay{Date: may12 + almanac.Day(n), Fit: why == "", Why: why}
	}
	assert.Equal(t, "Today is fit for dormant cuts.", metric.NextFit(almanac.WinterPome, []almanac.FitDay{day(0, ""), day(1, "rain")}))
	assert.Equal(t, "For thinning the first fit day is Friday 14 May: today it rains.", metric.NextFit(almanac.Thinning, []almanac.FitDay{day(0, "rain"), day(1, "cold"), day(2, "")}))
	assert.Equal(t, "No day of this fortnight is fit for summer cuts: today it is too hot.", metric.NextFit(almanac.SummerPome, []almanac.FitDay{day(0, "hot"), day(1, "hot")}))
	for _, why := range []string{"rain", "cold", "hot", "wind", "rain_after", "unknown_after"} {
		assert.NotEmpty(t, words.WhyUnfit(why), why)
		assert.NotContains(t, metric.NextFit(almanac.BudCut, []almanac.FitDay{day(0, why)}), "today .", why)
	}
}

// joined is the sentence of what a grower sees, whole.
func joined(s *year.Sight) string {
	var out strings.Builder
	for _, p := range words.Sight(s) {
		out.WriteString(p.Text)
	}
	return out.String()
}

func TestWhatAGrowerSeesOfAPlaceIsOneSentenceWhateverIsMissing(t *testing.T) {
	none := almanac.NoDay
	whole := year.Sight{ApplesFrom: almanac.DateOf(2027, 9, 14), ApplesTo: almanac.DateOf(2027, 9, 28), PeachFrom: almanac.DateOf(2027, 3, 30), PeachTo: almanac.DateOf(2027, 4, 11), LastFrost: almanac.DateOf(2027, 4, 20)}
	assert.Equal(t, "Middle apples ripen here 14 September to 28 September, the last frost falls about 20 April, peach flowers 30 March to 11 April: does that fit?", joined(&whole))
	bare := year.Sight{ApplesFrom: none, PeachFrom: none, LastFrost: none}
	assert.Equal(t, "Middle apples do not ripen here, most years have no frost in spring: does that fit?", joined(&bare))
	for _, p := range words.Sight(&whole) {
		assert.Contains(t, []string{"", "apples", "peach", "frost"}, p.Of)
	}
}

func TestWintersAreToldInOnesOwnDegrees(t *testing.T) {
	mild := year.Sight{FreeDays: 365, ColdNightC: 3}
	assert.Equal(t, "No frost in most years. The coldest night of ten winters: about 3 °C.", metric.Winters(&mild))
	hard := year.Sight{FreeDays: 170, ColdNightC: -22, Unripe: []string{"Fig", "Persimmon"}}
	assert.Equal(t, "170 days without frost. The coldest night of ten winters: about −22 °C. In most years these do not ripen: fig, persimmon.", metric.Winters(&hard))
	assert.Contains(t, us.Winters(&hard), "about −8 °F")
}

func TestAStickBetweenTwoLimbsSaysWhatItDoesToBoth(t *testing.T) {
	b := training.Bridge{Partner: "S2", PartnerNow: 35, PartnerTo: 48, PartnerSafe: 60}
	assert.Equal(t, "One stick moves both: S2 goes from 35 to 48° too.", metric.Bridge(b))
	b.TurnDeg = 8
	assert.Contains(t, metric.Bridge(b), "48° too, and each some 8° aside, away from the other.")
	b.PartnerSafe = 40
	assert.Contains(t, metric.Bridge(b), "That is more than S2 bears today (40°)")
}

func TestADayOfAJobSaysWhyItAndNotASoonerOne(t *testing.T) {
	saturday := almanac.DateOf(2027, 5, 15)
	chosen := func(w days.Why) *days.Chosen { return &days.Chosen{Why: w} }
	for says, w := range map[string]days.Why{
		"You set it.":           {Pinned: true, Forecast: true},
		"Fit by the forecast.":  {Forecast: true},
		"Any weather suits it.": {Chance: 1},
		"No forecast reaches so far: such a day is fit less than once in 10.": {Chance: 0.04},
		"No forecast reaches so far: such a day is fit once in 10.":           {Chance: 0.1},
		"No forecast reaches so far: such a day is fit 6 times in 10.":        {Chance: 0.62},
		"No forecast reaches so far: such a day is fit nearly always.":        {Chance: 0.97},
		"Fit by the forecast. With 1 other job of the same tools.":            {Forecast: true, Beside: 1},
		"Fit by the forecast. With 3 other jobs of the same tools.":           {Forecast: true, Beside: 3},
		"Fit by the forecast. Not sooner: Wed 12 May rain, Sat 15 May no time left.": {
			Forecast: true, Passed: []days.Passed{{Date: may12, Why: "rain"}, {Date: saturday, Why: "full"}},
		},
		"Any weather suits it. The day you set does not stand: outside its window.": {Chance: 1, Moved: "outside-window"},
	} {
		assert.Equal(t, says, metric.WhyDay(chosen(w)))
	}
	parts := chosen(days.Why{Forecast: true})
	parts.Pieces = []days.Piece{{Date: may12, Minutes: 60}, {Date: saturday, Minutes: 45}}
	assert.Equal(t, "Fit by the forecast. In 2 parts: 1 h on Wednesday 12 May, 45 min on Saturday 15 May.", metric.WhyDay(parts))
}

func TestADroppedJobSaysWhatWouldHoldIt(t *testing.T) {
	job := &days.Job{Opens: may12, Closes: may12 + 9, Minutes: 90}
	for why, says := range map[string]string{
		"no-day":     "No day of yours lies in its window, 12 May to 21 May.",
		"no-fit-day": "No day up to 21 May is fit for it, by the forecast.",
		"full":       "Your days up to 21 May are full of what harms more if it waits.",
	} {
		assert.Equal(t, says, metric.WhyDropped(&days.Dropped{Job: job, Why: why, Left: 90}), why)
	}
	assert.Equal(t, "30 min of 1 h 30 find no time by 21 May.", metric.WhyDropped(&days.Dropped{Job: job, Why: "full", Left: 30}))
	assert.Equal(t, "It fits with 30 min more on Saturday 15 May.", metric.RoomFor(&days.Room{Date: may12 + 3, Minutes: 30}))
}

func TestWhatADayCostsAJobIsSaidByWeatherTimeAndWindow(t *testing.T) {
	fit := days.Choice{Date: may12, Fit: true, Forecast: true, Has: 120, Taken: 30}
	assert.Equal(t, "Fit by the forecast.", metric.DayWeather(&fit))
	assert.Equal(t, "Rain before the wounds are dry.", metric.DayWeather(&days.Choice{Why: "rain_after"}))
	assert.Equal(t, "Any weather suits it.", metric.DayWeather(&days.Choice{Fit: true, Chance: 1}))
	assert.Contains(t, metric.DayWeather(&days.Choice{Fit: true, Chance: 0.5}), "5 times in 10")
	assert.Equal(t, "It fits your 2 h.", metric.DayTime(&fit, 90))
	assert.Equal(t, "30 min more than the 2 h you have.", metric.DayTime(&fit, 120))
	full := days.Choice{Has: 60, Taken: 80}
	assert.Equal(t, "45 min more than the 1 h you have.", metric.DayTime(&full, 45), "what is over already is not asked for again")
	assert.Equal(t, "It takes 45 min of a day you keep free.", metric.DayTime(&days.Choice{}, 45))
	assert.Equal(t, "a fit day: Wednesday 12 May has gusts", metric.NotThatDay(&days.Choice{Date: may12, Why: "wind"}))
	assert.Contains(t, metric.NotThatDay(&days.Choice{Fit: true, Grade: year.Grade{Level: year.Harmful}}), "a day in its window: ")
	assert.Equal(t, "a day in its window", metric.NotThatDay(&days.Choice{Fit: true}))
}

func TestFruitIsToldAgainstItsCurve(t *testing.T) {
	assert.Equal(t, "No fruit is expected this season.", metric.FruitSize(false, true, 0, 0))
	assert.Contains(t, metric.FruitSize(true, true, 0, 0), "Nothing is measured yet")
	assert.Contains(t, metric.FruitSize(true, false, 5, 0), "last year's")
	assert.Equal(t, "As large as expected for the day.", metric.FruitSize(true, true, 5, -0.9))
	assert.Equal(t, "3 mm larger than expected for the day.", metric.FruitSize(true, true, 5, 3))
	assert.Contains(t, metric.FruitSize(true, true, 5, -3), "3 mm smaller than expected for the day")
	assert.Regexp(t, regexp.MustCompile(`^\S+ in larger`), us.FruitSize(true, true, 5, 3))
}

func TestATreeThatIsGoodEnoughSaysWhatGoesAllTheSame(t *testing.T) {
	says := map[string]bool{}
	for _, c := range []struct{ must, all int }{{0, 0}, {0, 4}, {4, 4}, {1, 4}, {2, 4}} {
		out := words.Enough("3 March", c.must, c.all)
		require.Contains(t, out, "It passed every end test on 3 March")
		says[out] = true
	}
	assert.Len(t, says, 5, "each case has its own words")
	assert.Contains(t, words.Enough("3 March", 1, 4), "One of these 4 cuts takes")
	assert.Contains(t, words.Enough("3 March", 2, 4), "2 of these 4 cuts take")
}

func TestAStepLeftTellsHowItsLimbWasFound(t *testing.T) {
	assert.Contains(t, words.LeftAsSeen("not-found"), "look whether the map is right")
	assert.Contains(t, words.LeftAsSeen("dead"), "mark it dead on the map")
	assert.Empty(t, words.LeftAsSeen(""))
}

func TestAYearUncutIsSetAgainstThePlan(t *testing.T) {
	for says, k := range map[string]words.Skip{
		"instead of 2.6 m.": {CutCM: 260, UncutCM: 310},
		", and is held at reach from 2031 instead of 2029.":                       {CutCM: 260, UncutCM: 310, Held: 2029, HeldLater: 2031},
		", and is no longer held at reach within ten years (with it, from 2029).": {CutCM: 260, UncutCM: 310, Held: 2029},
		"; it is held at reach from 2029 all the same.":                           {CutCM: 260, UncutCM: 310, Held: 2029, HeldLater: 2029},
	} {
		out := metric.Skipped(k)
		assert.Contains(t, out, "Left uncut this year it stands 3.1 m next winter instead of 2.6 m")
		assert.True(t, strings.HasSuffix(out, says), out)
	}
	assert.Contains(t, us.Skipped(words.Skip{CutCM: 260, UncutCM: 310}), "10 ft 2 in next winter instead of 8 ft 6 in")
}
