package exchange_test

import (
	"context"
	"errors"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/core/year"
	"vertumna/exchange"
	"vertumna/internal/seeded"
	"vertumna/store"
	"vertumna/words"
)

var ctx = context.Background()

func day(text string) almanac.Day {
	d, _ := almanac.ParseDay(text)
	return d
}

func demoStore(t *testing.T, today string) *store.Store {
	t.Helper()
	return seeded.Store(t, day(today))
}

func plans(t *testing.T, s *store.Store, today string) []*year.Plan {
	t.Helper()
	c, err := s.Contents(ctx, "lower-terrace")
	require.NoError(t, err)
	y, err := c.Yard(day(today))
	require.NoError(t, err)
	e, err := almanac.NewEnsemble(c.Orchard.Site, 1, nil, year.SeasonOf(day(today), false))
	require.NoError(t, err)
	p, err := year.Make(y, e, day(today))
	require.NoError(t, err)
	return []*year.Plan{p}
}

// unfolded puts folded lines of a calendar together again.
func unfolded(text string) []string {
	return strings.Split(strings.ReplaceAll(text, "\r\n ", ""), "\r\n")
}

func TestTheCalendarHoldsOneEventATaskWithStableIds(t *testing.T) {
	s := demoStore(t, "2027-03-10")
	ps := plans(t, s, "2027-03-10")
	stamp := time.Date(2027, 3, 10, 8, 0, 0, 0, time.UTC)
	text := exchange.Calendar("Lower Terrace", ps, nil, words.Speaker{}, stamp, almanac.NoDay)
	require.Equal(t, text, exchange.Calendar("Lower Terrace", plans(t, s, "2027-03-10"), nil, words.Speaker{}, stamp, almanac.NoDay), "the same plan gives the same bytes")
	tasks := len(ps[0].Orchard)
	for _, tp := range ps[0].Trees {
		tasks += len(tp.Tasks)
	}
	uids := map[string]bool{}
	for _, l := range unfolded(text) {
		if strings.HasPrefix(l, "UID:") {
			uids[l] = true
		}
	}
	require.Len(t, uids, tasks)
	require.NotContains(t, strings.ReplaceAll(text, "\r\n", ""), "\n", "lines end as RFC 5545 has it")
}

func TestDoneTasksKeepTheirEventWithoutAlarmAndAlarmsNeverComeBeforeTheWindow(t *testing.T) {
	s := demoStore(t, "2027-03-10")
	text := exchange.Calendar("Lower Terrace", plans(t, s, "2027-03-10"), nil, words.Speaker{}, time.Unix(0, 0), almanac.NoDay)
	done, alarms := 0, 0
	for _, event := range strings.Split(text, "BEGIN:VEVENT")[1:] {
		if strings.Contains(event, "SUMMARY:Done") {
			done++
			require.NotContains(t, event, "VALARM")
		}
		if strings.Contains(event, "VALARM") {
			alarms++
			require.Contains(t, event, "TRIGGER:P")
			require.NotContains(t, event, "TRIGGER:-")
		}
	}
	require.Positive(t, done)
	require.Positive(t, alarms)
}

func TestArchivesAreCheckedBeforeAnythingIsWritten(t *testing.T) {
	for field, text := range map[string]string{
		"archive":                        "nonsense",
		"format":                         `{"format":"x"}`,
		"version":                        `{"format":"vertumna-archive","version":9}`,
		"orchards[0].trees[0].kind":      `{"format":"vertumna-archive","version":1,"orchards":[{"orchard":{"name":"A"},"trees":[{"id":"t","kind":"cactus"}]}]}`,
		"orchards[0].journal[0].tree_id": `{"format":"vertumna-archive","version":1,"orchards":[{"orchard":{"name":"A"},"journal":[{"id":"e","tree_id":"t","date":"2026-01-01","kind":"note"}]}]}`,
	} {
		_, err := exchange.ReadArchive(strings.NewReader(text))
		var all given.Faults
		require.True(t, errors.As(err, &all), field)
		require.Equal(t, field, all[0].Field)
		require.NotEmpty(t, all[0].Expected)
	}
}

func TestCorrectionsSurviveAnArchive(t *testing.T) {
	s := demoStore(t, "2027-03-10")
	c, err := s.Contents(ctx, "saltwind")
	require.NoError(t, err)
	first := &store.Entry{TreeID: c.Trees[0].ID, Date: day("2027-03-01"), Kind: "note", Note: "wrong"}
	require.NoError(t, s.AddEntry(ctx, c.Orchard.ID, first))
	require.NoError(t, s.AddEntry(ctx, c.Orchard.ID, &store.Entry{TreeID: c.Trees[0].ID, Date: day("2027-02-28"), Kind: "note", Note: "right", Corrects: first.ID}))
	a, err := exchange.Export(ctx, s, "saltwind")
	require.NoError(t, err)
	slugs, err := exchange.Import(ctx, s, a)
	require.NoError(t, err)
	before, err := s.Contents(ctx, "saltwind")
	require.NoError(t, err)
	after, err := s.Contents(ctx, slugs[0])
	require.NoError(t, err)
	require.Len(t, after.Entries, len(before.Entries))
	notes := 0
	for _, e := range after.Entries {
		require.NotEqual(t, "wrong", e.Note)
		if e.Note == "right" {
			notes++
		}
	}
	require.Equal(t, 1, notes)
	for i := range before.Trees {
		was, err := s.Maps(ctx, before.Trees[i].ID)
		require.NoError(t, err)
		is, err := s.Maps(ctx, after.Trees[i].ID)
		require.NoError(t, err)
		require.NotEmpty(t, was)
		require.Equal(t, was, is, "limb maps go along with every revision")
	}
}

func TestAnArchiveWithAnImpossibleLimbMapIsRefused(t *testing.T) {
	text := `{"format":"vertumna-archive","version":1,"orchards":[{"orchard":{"name":"A"},"trees":[{"id":"t","kind":"apple"}],
		"limb_maps":{"t":[{"revision":1,"based_on":0,"date":"2026-01-01","at":"","cause":"sketch","map":{"species":"apple","limbs":[]}}]}}]}`
	_, err := exchange.ReadArchive(strings.NewReader(text))
	require.ErrorContains(t, err, "orchards[0].limb_maps[t][0]")
	_, err = exchange.ReadArchive(strings.NewReader(strings.Replace(text, `{"t":[`, `{"nobody":[`, 1)))
	require.ErrorContains(t, err, "nobody given")
}

func TestNormalsAreReadInTheUnitsTheirNamesSay(t *testing.T) {
	base := almanac.Climates()[0]
	table := func(head, line string) string { return head + "\n" + strings.Repeat(line+"\n", 12) }
	got, err := exchange.ReadNormals(strings.NewReader(table("Tmax (F), Tmin (F), Rain (in), wind_mph", "50, 41, 2, 10")), base)
	require.NoError(t, err)
	require.InDelta(t, 10, got.Tmax[3], 1e-9)
	require.InDelta(t, 5, got.Tmin[3], 1e-9)
	require.InDelta(t, 50.8, got.RainMM[3], 1e-9)
	require.InDelta(t, 16.09, got.WindKmh[3], 0.01)
	require.Equal(t, base.SunFrac, got.SunFrac, "what is missing keeps the climate's own value")
	for words, text := range map[string]string{
		"twelve months":     table("tmax,tmin,rain", "10,2,30")[:40],
		"a column rain":     table("tmax,tmin", "10,2"),
		`"x"`:               table("tmax,tmin,rain", "10,2,x"),
		`"snow"`:            table("tmax,tmin,rain,snow", "10,2,30,1"),
		"3 values expected": table("tmax,tmin,rain", "10,2"),
	} {
		_, err := exchange.ReadNormals(strings.NewReader(text), base)
		require.ErrorContains(t, err, words)
	}
	_, err = exchange.ReadNormals(strings.NewReader(table("tmax,tmin,rain", "2,10,30")), base)
	require.ErrorContains(t, err, "tmin[0]")
}

func TestNamesOfAnyScriptSurviveTheCalendar(t *testing.T) {
	s := demoStore(t, "2027-03-10")
	c, err := s.Contents(ctx, "saltwind")
	require.NoError(t, err)
	odd := "Bow, \"stern\"; <b>\n\u200eقارب🌳 " + strings.Repeat("long ", 60)
	tree := c.Trees[0]
	tree.Name = odd
	require.NoError(t, s.SaveTree(ctx, c.Orchard.ID, &tree))
	c, err = s.Contents(ctx, "saltwind")
	require.NoError(t, err)
	y, err := c.Yard(day("2027-03-10"))
	require.NoError(t, err)
	e, err := almanac.NewEnsemble(c.Orchard.Site, 1, nil, 2026)
	require.NoError(t, err)
	p, err := year.Make(y, e, day("2027-03-10"))
	require.NoError(t, err)
	text := exchange.Calendar(odd, []*year.Plan{p}, nil, words.Speaker{}, time.Unix(0, 0), almanac.NoDay)
	for _, line := range strings.Split(text, "\r\n") {
		require.LessOrEqual(t, len(line), 75, "lines are folded at 75 octets: %q", line)
		require.NotContains(t, line, "\n")
	}
	require.Contains(t, strings.Join(unfolded(text), "\n"), `‘Bow\, "stern"\; <b>\n`)
}

func TestAMissedTaskKeepsItsEventAndSaysWhatToDo(t *testing.T) {
	s := demoStore(t, "2027-03-10")
	text := exchange.Calendar("x", plans(t, s, "2027-09-20"), nil, words.Speaker{}, time.Unix(0, 0), almanac.NoDay)
	for _, event := range strings.Split(text, "BEGIN:VEVENT")[1:] {
		if strings.Contains(event, "SUMMARY:Missed") {
			require.NotContains(t, event, "VALARM")
			require.Contains(t, strings.Join(unfolded(event), ""), "Local rules")
			return
		}
	}
	require.Fail(t, "by late September something was missed")
}

// Nobody missed what was over before the orchard was made.
func TestTheCalendarHoldsNothingFromBeforeTheOrchard(t *testing.T) {
	s := demoStore(t, "2027-09-20")
	all := plans(t, s, "2027-09-20")
	whole := exchange.Calendar("x", all, nil, words.Speaker{}, time.Unix(0, 0), almanac.NoDay)
	since := exchange.Calendar("x", all, nil, words.Speaker{}, time.Unix(0, 0), almanac.DateOf(2027, 6, 1))
	require.Contains(t, whole, "SUMMARY:Missed: ")
	require.Less(t, strings.Count(since, "SUMMARY:Missed: "), strings.Count(whole, "SUMMARY:Missed: "))
	require.Equal(t, strings.Count(whole, "SUMMARY:Done"), strings.Count(since, "SUMMARY:Done"), "what was done stays")
}
