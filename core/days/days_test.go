package days

import (
	"fmt"
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/year"
)

const seeds = 120

var (
	shown = almanac.DateOf(2027, 2, 20) // a Saturday
	site  = &almanac.Climates()[0]
)

// forecastOf is a fortnight of the generator's, seeded.
func forecastOf(seed uint64) []almanac.ForecastDay {
	f, err := almanac.ForecastFrom(site, seed, shown)
	if err != nil {
		panic(err)
	}
	return f
}

// jobsOf are jobs of every kind, windows scattered over a season, graded as the rules grade them.
func jobsOf(r *rand.Rand, n int) []Job {
	works := []Work{AnyWeather, DryBark, Bending, Work(almanac.WinterPome), Work(almanac.WinterStone), Work(almanac.SummerPome), Work(almanac.Thinning)}
	all := []Kit{Blades, Ties, Fingers, Eyes, Ground}
	out := make([]Job, n)
	for i := range out {
		opens := shown + almanac.Day(r.IntN(120)-20)
		closes := max(shown, opens+almanac.Day(1+r.IntN(60)))
		harm := closes - almanac.Day(r.IntN(5))
		out[i] = Job{
			ID: fmt.Sprintf("t%d.job.%d", i%12, i), Tree: fmt.Sprintf("t%d", i%12), Code: fmt.Sprintf("A%d", i%12), Harm: r.IntN(4), Minutes: 5 + 5*r.IntN(20),
			Opens: opens, Closes: closes, Work: works[r.IntN(len(works))], Kit: all[r.IntN(len(all))], Pin: almanac.NoDay, Sick: i%12 == 3,
			Grades: []year.Grade{{From: almanac.NoDay, To: opens - 1, Level: year.Forbidden}, {From: opens, To: harm, Level: year.Better}, {From: harm + 1, To: almanac.NoDay, Level: year.Harmful}},
		}
	}
	return out
}

func hoursOf(r *rand.Rand) (h Hours) {
	for range 3 {
		h.Week[r.IntN(7)] = 0.5 * float64(r.IntN(7))
	}
	if !h.Said() {
		h.Week[6] = 1
	}
	return h
}

func made(t *testing.T, jobs []Job, h Hours, f []almanac.ForecastDay) *Plan {
	t.Helper()
	p, err := Make(jobs, h, Sky{site, f}, shown, shown+160)
	require.NoError(t, err)
	return p
}

func TestNoJobIsEverSetOnAClosedOrUnfitDay(t *testing.T) {
	for seed := range uint64(seeds) {
		r := rand.New(rand.NewPCG(seed, 1))
		jobs, h, f := jobsOf(r, 30), hoursOf(r), forecastOf(seed)
		if seed%3 == 0 {
			jobs[4].Pin, jobs[9].Pin = jobs[4].Closes+1, max(shown, jobs[9].Opens)
		}
		p := made(t, jobs, h, f)
		for _, c := range p.Chosen {
			limits, err := limitsOf(c.Job.Work)
			require.Equal(t, c.Job.Work == AnyWeather, err != nil)
			fits, err := almanac.FitDaysBy(limits, f)
			require.NoError(t, err)
			for _, piece := range c.Pieces {
				require.GreaterOrEqual(t, piece.Date, max(shown, c.Job.Opens), "seed %d", seed)
				require.LessOrEqual(t, piece.Date, c.Job.Closes, "seed %d", seed)
				require.NotContains(t, []year.Level{year.Harmful, year.Forbidden}, c.Job.levelOn(piece.Date).Level, "seed %d", seed)
				if i := int(piece.Date - shown); c.Job.Work != AnyWeather && i < len(fits) {
					require.True(t, fits[i].Fit || fits[i].Why == "unknown_after", "seed %d: %s on %s: %s", seed, c.Job.Work, piece.Date, fits[i].Why)
				}
			}
		}
	}
}

func TestNoDayHoldsMoreThanThePersonHasAndNoMinuteIsLost(t *testing.T) {
	for seed := range uint64(seeds) {
		r := rand.New(rand.NewPCG(seed, 2))
		jobs, h := jobsOf(r, 40), hoursOf(r)
		p := made(t, jobs, h, forecastOf(seed))
		given := map[string]int{}
		byDay := map[almanac.Day]int{}
		for _, c := range p.Chosen {
			require.False(t, len(c.Pieces) > 1 && c.Job.Minutes < smallJob, "seed %d: %s in pieces", seed, c.Job.ID)
			for _, piece := range c.Pieces {
				given[c.Job.ID] += piece.Minutes
				byDay[piece.Date] += piece.Minutes
			}
		}
		for _, d := range p.Dropped {
			require.Positive(t, d.Left)
			given[d.Job.ID] += d.Left
		}
		for i := range jobs {
			require.Equal(t, jobs[i].Minutes, given[jobs[i].ID], "seed %d", seed)
		}
		for _, d := range p.Days {
			require.Equal(t, h.On(d.Date), d.Has)
			require.Equal(t, byDay[d.Date], d.Chosen)
			require.LessOrEqual(t, d.Chosen, d.Has+smallJob, "seed %d: a small job in one go is all that runs over", seed)
		}
	}
}

// leftBy is what is left undone of all jobs of a harm or more.
func leftBy(p *Plan) (out [4]int) {
	for _, d := range p.Dropped {
		for h := 0; h <= d.Job.Harm; h++ {
			out[h] += d.Left
		}
	}
	return out
}

func TestAddingHoursNeverDropsMore(t *testing.T) {
	for seed := range uint64(seeds) {
		r := rand.New(rand.NewPCG(seed, 3))
		jobs, h, f := jobsOf(r, 50), hoursOf(r), forecastOf(seed)
		before := leftBy(made(t, jobs, h, f))
		h.Week[r.IntN(7)] += 0.5 * float64(1+r.IntN(4))
		after := leftBy(made(t, jobs, h, f))
		for harm := range before {
			require.LessOrEqual(t, after[harm], before[harm], "seed %d: of harm %d or more", seed, harm)
		}
	}
}

func TestTheSameForecastGivesTheSamePlanInWhateverOrderTheJobsCome(t *testing.T) {
	for seed := range uint64(20) {
		r := rand.New(rand.NewPCG(seed, 4))
		jobs, h, f := jobsOf(r, 40), hoursOf(r), forecastOf(seed)
		one := made(t, jobs, h, f)
		other := append([]Job{}, jobs...)
		r.Shuffle(len(other), func(i, k int) { other[i], other[k] = other[k], other[i] })
		require.Equal(t, one, made(t, other, h, f), "seed %d", seed)
	}
}

func TestAForecastThatChangesAfterTheTenthDayMovesNothingOfTheComingWeek(t *testing.T) {
	near := func(p *Plan) map[string]int {
		out := map[string]int{}
		for _, c := range p.Chosen {
			for _, piece := range c.Pieces {
				if piece.Date < shown+calm {
					out[fmt.Sprint(c.Job.ID, piece.Date)] = piece.Minutes
				}
			}
		}
		return out
	}
	compared := 0
	for seed := range uint64(seeds) {
		r := rand.New(rand.NewPCG(seed, 5))
		jobs, f := jobsOf(r, 14), forecastOf(seed)
		h := Hours{Week: [7]float64{4, 2, 2, 2, 2, 2, 4}}
		wobbly := append([]almanac.ForecastDay{}, f...)
		for i := certain + 1; i < len(wobbly); i++ {
			wobbly[i].RainMM, wobbly[i].Pop = 9-wobbly[i].RainMM, 1-wobbly[i].Pop
			wobbly[i].RainMM = max(0, wobbly[i].RainMM)
		}
		a, b := made(t, jobs, h, f), made(t, jobs, h, wobbly)
		if len(a.Dropped) > 0 || len(b.Dropped) > 0 {
			continue // what would be dropped otherwise may take any day
		}
		compared++
		require.Equal(t, near(a), near(b), "seed %d", seed)
	}
	require.Greater(t, compared, seeds/4)
}

func TestTheMoreHarmfulJobIsKeptAndWhatIsDroppedIsToldWithItsRoom(t *testing.T) {
	graded := []year.Grade{{From: almanac.NoDay, To: almanac.NoDay, Level: year.Better}}
	job := func(id string, harm, minutes int) Job {
		return Job{ID: id, Harm: harm, Minutes: minutes, Opens: shown, Closes: shown + 6, Grades: graded, Pin: almanac.NoDay}
	}
	h := Hours{Week: [7]float64{0, 0, 0, 1, 0, 0, 1}}
	p := made(t, []Job{job("little", 0, 60), job("much", 3, 60), job("some", 2, 45)}, h, nil)
	require.Len(t, p.Dropped, 1)
	d := p.Dropped[0]
	require.Equal(t, "little", d.Job.ID)
	require.Equal(t, "full", d.Why)
	require.Equal(t, 60-15, d.Left, "what of it fits is begun")
	require.Equal(t, &Room{shown, 45}, d.Room, "no day of its window asks for less")

	none := job("closed", 1, 30)
	none.Opens, none.Closes = shown+2, shown+3 // Monday and Tuesday
	p = made(t, []Job{none}, h, nil)
	require.Equal(t, "no-day", p.Dropped[0].Why)
	require.Equal(t, &Room{shown + 2, 30}, p.Dropped[0].Room)
}

func TestADaySetByHandHoldsWhileItIsFitAndOverTheHoursToo(t *testing.T) {
	graded := []year.Grade{{From: almanac.NoDay, To: almanac.NoDay, Level: year.Better}}
	sunday := shown + 1
	j := Job{ID: "cut", Harm: 1, Minutes: 90, Opens: shown, Closes: shown + 20, Grades: graded, Work: Work(almanac.WinterPome), Pin: sunday}
	h := Hours{Week: [7]float64{0, 0, 0, 0, 0, 0, 3}}
	fine := make([]almanac.ForecastDay, almanac.ForecastLeads+1)
	for i := range fine {
		fine[i] = almanac.ForecastDay{Date: shown + almanac.Day(i), Lead: i, Tmin: 2, Tmax: 9}
	}
	p := made(t, []Job{j}, h, fine)
	require.Equal(t, []Piece{{sunday, 90}}, p.Chosen[0].Pieces)
	require.True(t, p.Chosen[0].Why.Pinned)
	require.Equal(t, 90, p.Days[1].Chosen)
	require.Zero(t, p.Days[1].Has)

	fine[1].RainMM, fine[1].Pop = 8, 1
	p = made(t, []Job{j}, h, fine)
	require.NotEqual(t, sunday, p.Chosen[0].Pieces[0].Date)
	require.Equal(t, "rain", p.Chosen[0].Why.Moved)
	require.Contains(t, p.Chosen[0].Why.Passed, Passed{shown, "rain_after"})
}

func TestADayTellsWhatWeatherTakesAndSickTreesComeLast(t *testing.T) {
	wet := make([]almanac.ForecastDay, almanac.ForecastLeads+1)
	for i := range wet {
		wet[i] = almanac.ForecastDay{Date: shown + almanac.Day(i), Lead: i, Tmin: 2, Tmax: 9}
	}
	wet[0].RainMM, wet[0].Pop = 6, 1
	graded := []year.Grade{{From: almanac.NoDay, To: almanac.NoDay, Level: year.Better}}
	job := func(code string, sick bool) Job {
		return Job{ID: code, Tree: code, Code: code, Kit: Blades, Harm: 2, Minutes: 30, Opens: shown, Closes: shown + 20, Grades: graded, Work: Work(almanac.WinterPome), Pin: almanac.NoDay, Sick: sick}
	}
	h := Hours{Week: [7]float64{0, 0, 0, 0, 0, 0, 3}}
	p := made(t, []Job{job("A1", true), job("B1", false), job("C1", false)}, h, wet)
	require.True(t, p.Days[0].Lost)
	var order []string
	for _, c := range p.On(shown + 7) {
		order = append(order, c.Job.Code)
	}
	require.Equal(t, []string{"B1", "C1", "A1"}, order)
}

func TestWhereAJobCouldGoTellsWhatEachDayCosts(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 7))
	jobs, h, f := jobsOf(r, 25), hoursOf(r), forecastOf(7)
	p := made(t, jobs, h, f)
	for _, c := range p.Chosen {
		choices, err := Choices(p, c.Job, Sky{site, f})
		require.NoError(t, err)
		for _, x := range choices {
			if x.Date == c.Pieces[0].Date {
				require.True(t, x.Open)
			}
			if x.Open {
				again := append([]Job{}, jobs...)
				for i := range again {
					if again[i].ID == c.Job.ID {
						again[i].Pin = x.Date
					}
				}
				moved, ok := made(t, again, h, f).Find(c.Job.ID)
				require.True(t, ok)
				require.Equal(t, x.Date, moved.Pieces[0].Date, "what is offered can be set")
				break
			}
		}
	}
}

func TestNoHoursSaidTakesTwoOnEachDayOfTheWeekend(t *testing.T) {
	h := Hours{Away: []Span{{shown, shown}}}
	require.False(t, h.Said())
	require.Zero(t, h.On(shown))
	require.Equal(t, 120, h.On(shown+1))
	require.Zero(t, h.On(shown+2))
}

func benchmark(b *testing.B, n int, h Hours) {
	r := rand.New(rand.NewPCG(1, 1))
	jobs, f := jobsOf(r, n), forecastOf(1)
	for b.Loop() {
		if _, err := Make(jobs, h, Sky{site, f}, shown, shown+365); err != nil {
			b.Fatal(err)
		}
	}
}

func BenchmarkFortyTreesTwentyFiveTasks(b *testing.B) {
	benchmark(b, 1000, Hours{Week: [7]float64{8, 8, 8, 8, 8, 8, 8}})
}

func BenchmarkTenTreesTwentyFiveTasks(b *testing.B) {
	benchmark(b, 250, Hours{Week: [7]float64{2, 2, 2, 2, 2, 2, 2}})
}

// BenchmarkThreeTimesTheHours is a thousand tasks for a person with a third of the hours they ask.
func BenchmarkThreeTimesTheHours(b *testing.B) {
	benchmark(b, 1000, Hours{Week: [7]float64{4, 0, 2, 2, 2, 0, 5}})
}
