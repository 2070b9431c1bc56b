package crop_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/crop"
	"vertumna/core/pomology"
)

func kindOf(t testing.TB, slug string) *pomology.Kind {
	k, err := pomology.BySlug(slug)
	require.NoError(t, err)
	return k
}

func season(year int, kg float64, picked int) crop.Season {
	return crop.Season{Year: year, KG: &kg, Picked: &picked, First: almanac.NoDay, Last: almanac.NoDay}
}

func TestAFreezeIsFollowedByARebound(t *testing.T) {
	apple := kindOf(t, "apple")
	frozen := crop.Season{Year: 2026, Alive: new(0.05)}
	now := crop.StandingIn(apple, []crop.Season{season(2025, 20, 110), frozen}, 2027, 150)
	require.Equal(t, crop.Rebound, now.State)
	require.True(t, now.RestsNext, "an apple left heavy after a freeze rests")
	now = crop.StandingIn(kindOf(t, "peach"), []crop.Season{frozen}, 2027, 150)
	require.Equal(t, crop.Rebound, now.State)
	require.False(t, now.RestsNext, "a peach bears each year")
	require.Equal(t, "freeze", now.Rule)
	require.Greater(t, now.Bloom, 0.9)
}

func TestAHeavyYearIsFollowedByAnOffYearUnlessThinned(t *testing.T) {
	apple := kindOf(t, "apple")
	heavy := crop.StandingIn(apple, []crop.Season{season(2026, 50, 400)}, 2027, 150)
	require.Equal(t, crop.Off, heavy.State)
	require.Equal(t, "load", heavy.Rule)
	thinned := crop.StandingIn(apple, []crop.Season{season(2026, 27, 150)}, 2027, 150)
	require.Equal(t, crop.Normal, thinned.State)
	require.Equal(t, crop.Normal, crop.StandingIn(apple, nil, 2027, 150).State)
}

func TestTheBeatOfTheYearsTellsWhereTheLastOneIsNotRecorded(t *testing.T) {
	apple := kindOf(t, "apple")
	years := []crop.Season{season(2022, 40, 300), season(2023, 4, 20), season(2024, 42, 310), season(2025, 5, 30), {Year: 2026, KG: new(39.0)}}
	now := crop.StandingIn(apple, years, 2027, 150)
	require.Equal(t, crop.Off, now.State)
	require.Equal(t, "alternation", now.Rule)
	all := crop.YearsOf(apple, years, 2027, 150, 160)
	require.Equal(t, "alternating", all.Alternation.Verdict)
	require.NotNil(t, all.Next)
	require.InDelta(t, 160.0/150, all.Next.Load, 1e-9)
}

func TestSupplySaysWhichTreeToThinHarder(t *testing.T) {
	apple := kindOf(t, "apple")
	day := almanac.DateOf(2027, 9, 6)
	calm := crop.Coming{Tree: "C1", Kind: apple, KG: 30, Opens: day, Closes: day + 13, Standing: crop.Standing{State: crop.Normal}}
	on := crop.Coming{Tree: "C2", Kind: apple, KG: 20, Opens: day + 14, Closes: day + 20, Standing: crop.Standing{State: crop.On}}
	laden := crop.Coming{Tree: "C3", Kind: apple, KG: 10, Opens: almanac.NoDay, WorstUse: 1.4, Standing: crop.Standing{State: crop.Normal}}
	s := crop.SupplyOf([]crop.Need{{Kind: "apple", KG: 25}, {Kind: "pear", KG: 5}}, []crop.Coming{calm, on, laden})
	require.Len(t, s, 2)
	require.Equal(t, []string{"C3", "C2", "C1"}, s[0].ThinFirst)
	require.Equal(t, []string{"load", "on", "most"}, s[0].Why)
	require.InDelta(t, 60, s[0].ComingKG, 1e-9)
	sum := 0.0
	for _, w := range s[0].Weeks {
		sum += w.KG
	}
	require.InDelta(t, 50, sum, 1e-9, "what has a harvest is spread over its weeks")
	require.Equal(t, "pear", s[1].Kind.Slug)
	require.Zero(t, s[1].ComingKG)
	enough := crop.SupplyOf([]crop.Need{{Kind: "apple", KG: 60}}, []crop.Coming{calm, on})
	require.Empty(t, enough[0].ThinFirst)
	require.Equal(t, []int{2, 3}, []int{enough[0].Trees, enough[0].Enough}, "25 kg a tree: 60 kg take three")
	require.Equal(t, []int{3, 2}, []int{s[0].Trees, s[0].Enough}, "20 kg a tree: 25 kg take two")
	require.Zero(t, s[1].Enough, "no pear bears: nothing is known")
}

func BenchmarkOutlookOf40TreesAndTenYears(b *testing.B) {
	apple := kindOf(b, "apple")
	years := make([]crop.Season, 10)
	for i := range years {
		years[i] = season(2017+i, 20+float64(i%2)*15, 100+60*(i%2))
	}
	for b.Loop() {
		var coming []crop.Coming
		for range 40 {
			y := crop.YearsOf(apple, years, 2027, 150, 160)
			coming = append(coming, crop.Coming{Tree: "C", Kind: apple, KG: 25, Opens: almanac.DateOf(2027, 9, 1), Closes: almanac.DateOf(2027, 9, 20), Standing: y.Now})
		}
		crop.SupplyOf([]crop.Need{{Kind: "apple", KG: 300}}, coming)
	}
}

func TestALimbThatIsGoneIsNotTakenOffTwice(t *testing.T) {
	require.InDelta(t, 0, crop.RemovedFrom(75, 100, 0.25), 1e-9, "one of four scaffolds")
	require.InDelta(t, 0.2, crop.RemovedFrom(100, 100, 0.2), 1e-9, "side limbs only")
	require.InDelta(t, 1-0.7/0.8, crop.RemovedFrom(80, 100, 0.3), 1e-9, "a scaffold and some side limbs")
	require.InDelta(t, 0.3, crop.RemovedFrom(0, 0, 0.3), 1e-9)
}

func TestAPlotsBeatIsReadFromYearsMostTreesAreOnRecord(t *testing.T) {
	lone := []crop.PlotCrop{{2021, 50, 1}, {2022, 6, 1}}
	_, ok := crop.AlternatePlot(append(lone, crop.PlotCrop{2025, 280, 12}))
	require.False(t, ok, "a lone tree's years are not the plot's")
	a, ok := crop.AlternatePlot(append(lone, crop.PlotCrop{2025, 280, 12}, crop.PlotCrop{2026, 105, 11}))
	require.True(t, ok)
	require.InDelta(t, 175.0/385, *a.Index, 1e-9)
	gap, ok := crop.AlternatePlot([]crop.PlotCrop{{2020, 10, 3}, {2021, 12, 3}, {2024, 90, 3}})
	require.True(t, ok)
	require.Equal(t, 1, gap.Pairs, "years apart are no pair")
}
