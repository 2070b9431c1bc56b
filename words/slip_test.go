package words_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/cut"
	"vertumna/core/find"
	"vertumna/core/growth"
	"vertumna/core/limb"
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

func TestWhatIsStillToDoOnceTheCutsAreMade(t *testing.T) {
	step := func(sick bool) cut.Step {
		var s cut.Step
		s.OffPlot = sick
		return s
	}
	require.Empty(t, words.ClearUp(&cut.Slip{}, nil, 2), "nothing was cut, nothing lies there")
	plain := words.ClearUp(&cut.Slip{Cuts: []cut.Step{step(false)}}, nil, 0)
	require.Len(t, plain, 2)
	require.Contains(t, plain[0], "chip it")
	all := words.ClearUp(&cut.Slip{Cuts: []cut.Step{step(false), step(true)}}, []string{"S1", "T"}, 1)
	require.Len(t, all, 4)
	require.Contains(t, all[0], "Sick wood first and apart")
	require.Contains(t, all[2], "S1, T")
}

func TestWhatStaysIsToldItsShareOfTheReserve(t *testing.T) {
	s := words.Speaker{}
	require.Contains(t, s.FewerShare(0.25), "about 33 % more", "a quarter less, a third more each")
	require.Empty(t, s.FewerShare(0.02))
	require.Empty(t, s.FewerShare(1))
}

func TestWhichMainLimbIsAhead(t *testing.T) {
	s := words.Speaker{}
	require.Empty(t, s.Fellows(find.Fellows{Of: 4}))
	require.Contains(t, s.Fellows(find.Fellows{Ahead: "S2", AheadMM: 60, OthersMM: 40}), "S2 is ahead of its fellows: 60 mm thick, the others about 40 mm")
	tall := s.Fellows(find.Fellows{Ahead: "S3", AheadMM: 41, OthersMM: 40, AheadTop: 310, OtherTop: 230, Behind: "S1", BehindMM: 20})
	require.Contains(t, tall, "S3 stands above its fellows: 3.10 m high, the others about 2.30 m")
	require.Contains(t, tall, "S1 lags behind")
	require.Contains(t, words.Speaker{Units: words.US}.Fellows(find.Fellows{Ahead: "S2", AheadMM: 60, OthersMM: 40}), "in")
}

func TestAnAnswerToACutIsSaidBesideItsForecast(t *testing.T) {
	s := words.Speaker{}
	says := s.Answer(growth.Answer{Limb: "S1", Kind: limb.AboveBud, Forecast: growth.Shoots{N: 2, LongestCM: 61.4}, Came: growth.Shoots{}})
	require.Equal(t, "headed above a bud; forecast 2 shoots, the longest 61 cm; came none.", says)
	for _, k := range limb.CutKinds {
		if k != limb.SpurThin && k != limb.Notch {
			require.NotRegexp(t, "^;", s.Answer(growth.Answer{Kind: k}), "%s has its words", k)
		}
	}
	require.Contains(t, s.Answer(growth.Answer{Kind: limb.Collar, Came: growth.Shoots{N: 1, LongestCM: 40}}), "came 1 shoot,")
}

func TestTheCourseOfALimbIsSaid(t *testing.T) {
	s := words.Speaker{}
	require.Empty(t, s.Course("S1", find.Course{Since: 2025}))
	require.Contains(t, s.Course("S1", find.Course{Sinks: true, Since: 2025, FromDeg: 55, ToDeg: 78}), "turned from 55 to 78 degrees from vertical since 2025")
	require.Contains(t, s.Course("S1", find.Course{Struggles: true, Since: 2024, GrewMM: 0.9, RingCM: 4}), "S1 struggles: 1 mm thicker since 2024, and no shoot longer than 4 cm")
}
