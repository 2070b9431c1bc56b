package words_test

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/crop"
	"vertumna/core/pomology"
	"vertumna/core/year"
	"vertumna/words"
)

func day(text string) almanac.Day {
	d, _ := almanac.ParseDay(text)
	return d
}

// yards are places and schools enough to make every rule speak.
func yards(t *testing.T) (out []*year.Yard) {
	t.Helper()
	for _, site := range almanac.Climates() {
		if site.Slug == "oceanic-41s" || site.Slug == "oceanic-47n" || site.Slug == "mediterranean-37n" {
			continue // four places say all there is to say
		}
		p, err := year.NewPlace(&site)
		require.NoError(t, err)
		for i, preset := range pomology.Presets() {
			y := &year.Yard{Place: p, School: pomology.School{Preset: preset.Slug, Own: map[string]string{}}}
			y.School.Own["height_cut"] = []string{"autumn", "midsummer-fruit-bud", "dormant-reduction", "solstice-five-weeks"}[i]
			y.School.Own["pome_cut"] = []string{"after-bud-break", "deep-dormancy", "last-six-weeks", "deep-dormancy"}[i]
			y.School.Own["stone_cut"] = []string{"dormant", "dry-summer", "bud-swell-to-bloom", "dry-summer"}[i]
			y.School.Own["thin_time"] = []string{"bloom", "after-drop", "fruitlet-18", "after-drop"}[i]
			if i == 1 {
				y.School.Own["planting_cut"] = "almost-none"
			}
			for n, k := range pomology.Kinds() {
				for m, aim := range []year.Aim{"", year.Build, year.Restrain, year.Restore, year.Retire} {
					tr := year.Tree{
						ID: fmt.Sprint(n, "-", m), Code: "A1", Kind: k, Aim: aim, Planted: almanac.DateOf(2026-3*m, 11, 5), Gone: almanac.NoDay,
						Class: pomology.VigourClasses()[m], Form: k.Forms[m%len(k.Forms)], HeightM: float64(m), SpreadM: 2, TubLitres: float64(40 * (m % 2)), AsWhip: true,
						Wishes: year.Wishes{Bag: true, LeavesOff: true, GraftWood: true, ThinAnyway: m == 2, Graft: []string{"summer", "spring"}[m%2]},
					}
					tr.Fruit = &year.Fruit{
						Season: 2027, Limbs: 5, ToCount: 2, Counted: m > 0, Verdict: []string{"full", "skip", "strip", "light", "nothing"}[m], Keep: 140, Remove: 90, Minutes: 30, KG: 25,
						Laden: []year.Laden{{Limb: "S1", Use: 1.3, PropAtCM: 120, Holds: true}, {Limb: "S2", Use: 2.2, PropAtCM: 80}}, Again: 2,
						Standing: crop.Standing{State: []string{crop.Rebound, crop.On, crop.Off, crop.On, crop.Off}[m], Rule: []string{"freeze", "load", "load", "alternation", "alternation"}[m], Load: 1.7, Year: 2026},
					}
					y.Trees = append(y.Trees, tr)
					work := func(date string, kind year.TaskKind, share float64) {
						y.Entries = append(y.Entries, year.Entry{Tree: tr.ID, Date: day(date), Season: 2027, Kind: year.WorkEntry, Task: kind, Outcome: year.Done, Share: share, Minutes: 40, Device: "tie", Headed: true, OpensSun: true})
					}
					work("2027-02-01", year.Bend, 0)
					work("2027-03-01", year.Graft, 0)
					work("2027-03-02", year.Notching, 0)
					if m > 2 {
						work("2027-06-20", year.Thin, 0)
						work("2027-06-25", year.Bag, 0)
					}
					y.Entries = append(y.Entries,
						year.Entry{Tree: tr.ID, Date: day("2027-04-29"), Season: 2027, Kind: year.WorkEntry, Task: year.FrostCount, Outcome: year.Done, Opened: 50, Alive: 5 + 10*m},
						year.Entry{Tree: tr.ID, Date: day("2027-06-10"), Season: 2027, Kind: "measured", FruitMM: 22})
					work("2027-03-03", year.DormantCut, 0.1+float64(m)/8)
					y.Entries = append(y.Entries, year.Entry{Tree: tr.ID, Date: day("2027-04-28"), Season: 2027, Kind: year.FrostEntry, Tmin: -6})
				}
			}
			out = append(out, y)
		}
	}
	return out
}

func TestEveryRuleThatAPlanUsesHasItsSentence(t *testing.T) {
	for _, units := range []words.Units{words.Metric, words.US} {
		s := words.Speaker{Units: units}
		said := map[string]bool{}
		say := func(slug, sentence string) {
			require.NotEmpty(t, sentence, slug)
			require.NotContains(t, sentence, "{", slug)
			require.NotContains(t, sentence, "!", slug)
			require.NotContains(t, sentence, "  ", slug)
			said[slug] = true
		}
		all := yards(t)
		if units == words.US {
			all = all[:2]
		}
		for _, y := range all {
			e, err := almanac.NewEnsemble(y.Place.Site, 7, nil, 2027)
			require.NoError(t, err)
			for _, d := range []string{"2027-06-20", "2027-10-15"} {
				p, err := year.Make(y, e, day(d))
				require.NoError(t, err)
				for _, tp := range p.Trees {
					for _, r := range tp.Warnings {
						say(r.Rule, s.Reason(r))
					}
					if why := tp.InLeaf.Why; tp.InLeaf.When != year.CutInLeaf {
						say(why.Rule, s.Reason(why))
					}
					for i := range tp.Tasks {
						task := &tp.Tasks[i]
						say(string(task.Kind), s.Title(task))
						say(string(task.Kind)+" short", s.Short(task))
						for _, r := range append(task.Reasons, task.Held...) {
							say(r.Rule, s.Reason(r))
						}
						for _, g := range task.Window.Grades {
							require.False(t, strings.HasSuffix(s.Grade(g), ": ."), g.Reason)
						}
						require.Len(t, s.Cautions(task.Cautions), len(task.Cautions)+1)
						if task.State == year.Missed {
							say(task.Instead, s.Instead(task))
						}
						say("bound", s.Bound(task.Window.Opens))
						for _, o := range task.Others {
							say("other", s.Other(o))
						}
					}
				}
			}
		}
		if units == words.Metric {
			require.Greater(t, len(said), 130, "the yards must make nearly every rule speak")
		}
	}
}

func TestNumbersComeInThePersonsUnits(t *testing.T) {
	metric, us := words.Speaker{}, words.Speaker{Units: words.US}
	require.Equal(t, "2.3 m", metric.Amount(2.3, "m"))
	require.Equal(t, "7 ft 7 in", us.Amount(2.3, "m"))
	require.Equal(t, "-2.2 °C", metric.Amount(-2.2, "C"))
	require.Equal(t, "28 °F", us.Amount(-2.2, "C"))
	require.Equal(t, "1 week", metric.Amount(1, "weeks"))
	require.Equal(t, "18 %", us.Amount(0.18, "share"))
	require.Equal(t, "1 h 50", metric.Minutes(112))
	require.Equal(t, "5 min", metric.Minutes(1))
}

func TestABoundNamesItsAnchorAndItsSpan(t *testing.T) {
	d := day("2027-03-09")
	require.Equal(t, "9 March, give or take 9 days (6 weeks before bud break)", words.Speaker{}.Bound(year.Bound{Day: d, Early: d - 9, Late: d + 5, Anchor: "bud_break", OffsetDays: -42, Source: "predicted"}))
	require.Equal(t, "9 March (bud break, seen)", words.Speaker{}.Bound(year.Bound{Day: d, Early: d, Late: d, Anchor: "bud_break", Source: "observed"}))
}

func TestTheAccountIsSaidAsItStands(t *testing.T) {
	s := words.Speaker{}
	require.Equal(t, "Nothing cut this year; 20 % may go.", s.Account(&year.Account{Limit: 0.2}))
	require.Equal(t, "12 % of 20 % has gone; 9 % of what stands may still go.", s.Account(&year.Account{Limit: 0.2, Removed: 0.12, Left: 0.0909}))
	require.Contains(t, s.Account(&year.Account{Limit: 0.2, Removed: 0.2}), "the line of 20 % is reached")
	require.Contains(t, s.Account(&year.Account{Limit: 0.2, Removed: 0.1, Left: 0.1, Estimated: true}), "about 10 %")
	require.Contains(t, s.Account(&year.Account{Limit: 0.2, Exempt: true}), "In formation")
}

func TestASchoolThatWouldNotDoItSaysSo(t *testing.T) {
	s := words.Speaker{}
	require.Equal(t, "Renewal row: would not do it.", s.Other(year.Other{Preset: "renewal-row", Kind: year.HeightCut, Never: true}))
	require.Equal(t, "Low bush: Dry-summer cut, 1 July to 9 August.", s.Other(year.Other{Preset: "low-bush", Kind: year.SummerCut, Opens: day("2027-07-01"), Closes: day("2027-08-09")}))
}

func TestAnAimSaysWhereItComesFrom(t *testing.T) {
	s := words.Speaker{}
	require.Equal(t, "build, while it is in formation", s.Aim(year.AimVerdict{Aim: year.Build, Rule: "formation"}))
	require.Equal(t, "retire, as you set it", s.Aim(year.AimVerdict{Aim: year.Retire, Rule: "said"}))
	require.Equal(t, "hold, by your school", s.Aim(year.AimVerdict{Aim: year.Hold, Rule: "school"}))
}

func TestLocalRulesCloseEveryListOfCautions(t *testing.T) {
	got := words.Speaker{}.Cautions([]string{"ladder", "no such caution", "burning"})
	require.Len(t, got, 3)
	require.Equal(t, words.LocalRules, got[2])
	require.Equal(t, []string{words.LocalRules}, words.Speaker{}.Cautions(nil))
}

func TestAWindowWithoutItsAnchorSaysWhatIsMissing(t *testing.T) {
	got := words.Speaker{}.Bound(year.Bound{Day: almanac.NoDay, Anchor: "first_autumn_frost_50"})
	require.Equal(t, "open: first autumn frost, every other year is not reached here", got)
	require.Equal(t, "a day not yet known", words.Speaker{}.Day(almanac.NoDay))
}

func TestEveryFormAdvisersReasonHasItsWords(t *testing.T) {
	for _, k := range pomology.Kinds() {
		for _, a := range pomology.Advise(pomology.AdviserInput{
			Kind: k, Class: pomology.Dwarfing, HasWall: true, WallWithinCM: 20, PathInSpread: true, ShadesABed: true, ReachM: 1.5,
			Site: pomology.Site{WetWinter: true, StrongSun: true}, HoursFree: 1, School: "low-bush",
		}) {
			for _, p := range a.Reasons {
				require.NotEmpty(t, words.Speaker{}.Point(p.Rule), p.Rule)
			}
		}
	}
}

func TestInchesAreToldAsATapeHasThem(t *testing.T) {
	us := words.Speaker{Units: words.US}
	for mm, want := range map[float64]string{0: "0 in", 1: "under 1/8 in", 3.2: "1/8 in", 22: "7/8 in", 25.4: "1 in", 80: "3 1/8 in", 400: "15 1/2 in", 1200: "47 in", -22: "-7/8 in"} {
		require.Equal(t, want, us.Amount(mm, "mm"))
		require.Equal(t, want, us.Amount(mm/10, "cm"))
	}
}

func TestEveryCautionOfAKindHasItsWords(t *testing.T) {
	for _, k := range pomology.Kinds() {
		require.Len(t, words.Speaker{}.Cautions(k.Year.Cautions), len(k.Year.Cautions)+1, k.Slug)
	}
}
