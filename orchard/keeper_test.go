package orchard_test

import (
	"context"
	"encoding/json"
	"log/slog"
	"path/filepath"
	"sync"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/find"
	"vertumna/core/growth"
	"vertumna/internal/vectors"
	"vertumna/orchard"
	"vertumna/store"
)

var ctx = context.Background()

// kept is an orchard with a vase that was sketched, a whip and a neighbour's orchard with a tree, on a day in late winter.
type kept struct {
	t      *testing.T
	store  *store.Store
	keeper *orchard.Keeper
	slug   string
	vase   *store.Tree
	whip   *store.Tree
	other  string // the neighbour's
	today  almanac.Day
}

func open(t *testing.T) *kept {
	t.Helper()
	k := &kept{t: t, today: almanac.DateOf(2027, 3, 5)}
	s, err := store.Open(ctx, filepath.Join(t.TempDir(), "own.db"))
	require.NoError(t, err)
	t.Cleanup(func() { _ = s.Close() })
	site := almanac.Climates()[5]
	o, far := &store.Orchard{Name: "Testfield", Site: &site, School: store.School{Own: map[string]string{"height_cut": "dormant-reduction"}}}, &store.Orchard{Name: "Over the hedge", Site: &site}
	require.NoError(t, s.AddOrchard(ctx, o))
	require.NoError(t, s.AddOrchard(ctx, far))
	require.NoError(t, s.AddPerson(ctx, o.ID, &store.Person{Name: "Ada", FingertipCM: 220}))
	k.vase = &store.Tree{Code: "A1", Kind: "apple", Form: "open-vase", X: 3, Y: 3, HeightM: 3.4, SpreadM: 3.4}
	planted := almanac.DateOf(2026, 11, 20)
	k.whip = &store.Tree{Code: "A2", Kind: "apple", Form: "open-vase", X: 8, Y: 3, Planted: &planted, AsWhip: true}
	require.NoError(t, s.AddTree(ctx, o.ID, k.vase))
	require.NoError(t, s.AddTree(ctx, o.ID, k.whip))
	require.NoError(t, s.AddTree(ctx, far.ID, &store.Tree{Code: "B1", Kind: "pear"}))
	k.store, k.slug, k.other = s, o.Slug, far.Slug
	k.keeper = orchard.NewKeeper(s, func() almanac.Day { return k.today }, slog.New(slog.DiscardHandler))
	doc := vectors.Measured(t, growth.SketchInput{
		Species: "apple", Form: "open-vase", Age: 12, TrunkMM: 110, HeightCM: 340, SpreadCM: 340, Scaffolds: 4, Seed: 2, Year: 2027,
	})
	require.NoError(t, s.SaveMap(ctx, o.ID, k.vase.ID, &store.LimbMap{Revision: store.Revision{Date: k.today, Cause: store.CauseImport}, Doc: doc}))
	return k
}

func (k *kept) at(tree *store.Tree) orchard.At {
	return orchard.At{Slug: k.slug, Tree: tree.ID, Day: k.today}
}

func (k *kept) revision() int {
	k.t.Helper()
	o, err := k.store.Orchard(ctx, k.slug)
	require.NoError(k.t, err)
	return o.Revision
}

// reads are the questions about a tree, each by its name.
func (k *kept) reads(a orchard.At) map[string]func() (any, error) {
	slip := orchard.SlipAt{At: a}
	return map[string]func() (any, error){
		"bench":    func() (any, error) { return k.keeper.Bench(ctx, a, orchard.Ahead{}) },
		"ahead":    func() (any, error) { return k.keeper.Bench(ctx, a, orchard.Ahead{Winters: 1, Cut: true}) },
		"slip":     func() (any, error) { return k.keeper.Slip(ctx, slip) },
		"seasons":  func() (any, error) { return k.keeper.Seasons(ctx, slip) },
		"years":    func() (any, error) { return k.keeper.Years(ctx, slip, 2) },
		"fruit":    func() (any, error) { return k.keeper.Fruit(ctx, a) },
		"training": func() (any, error) { return k.keeper.Training(ctx, a) },
		"shoot":    func() (any, error) { return k.keeper.Shoot(ctx, a, "S1") },
		"ways":     func() (any, error) { return k.keeper.Ways(ctx, a, "S1", find.Lower, 0) },
		"season":   func() (any, error) { return k.keeper.Season(ctx, a.Slug, a.Tree, a.Day) },
	}
}

func TestNoQuestionWrites(t *testing.T) {
	k := open(t)
	before := k.revision()
	for name, read := range k.reads(k.at(k.vase)) {
		got, err := read()
		require.NoError(t, err, name)
		require.NotNil(t, got, name)
		require.Equal(t, before, k.revision(), name)
	}
	p, err := k.keeper.Plan(ctx, k.slug, k.today)
	require.NoError(t, err)
	require.NotEmpty(t, p.Docket.Now)
	require.Equal(t, before, k.revision())
}

func TestATreeIsOfItsOrchardOnly(t *testing.T) {
	k := open(t)
	a := k.at(k.vase)
	a.Slug = k.other
	for name, read := range k.reads(a) {
		_, err := read()
		require.ErrorIs(t, err, store.ErrNotFound, name)
	}
	a.Slug = "nowhere"
	for name, read := range k.reads(a) {
		_, err := read()
		require.ErrorIs(t, err, store.ErrNotFound, name)
	}
}

func TestAPlanIsMadeOnceARevisionAndADay(t *testing.T) {
	k := open(t)
	plan := func(day almanac.Day) *orchard.Planned {
		p, err := k.keeper.Plan(ctx, k.slug, day)
		require.NoError(t, err)
		return p
	}
	first := plan(k.today)
	require.Same(t, first, plan(k.today), "asked again, it is the same")
	require.NotSame(t, first, plan(k.today+1))
	_, err := k.keeper.Log(ctx, k.slug, store.Entry{Date: k.today, TreeID: k.vase.ID, Kind: "note", Note: "moss on the north side"})
	require.NoError(t, err)
	require.NotSame(t, first, plan(k.today), "what was logged may have moved it")
}

func TestACrowdThatAsksAtOnceHearsOneAnswer(t *testing.T) {
	k := open(t)
	const crowd = 8
	answers := make([]string, crowd)
	var wait sync.WaitGroup
	for i := range crowd {
		wait.Go(func() {
			slip, err := k.keeper.Slip(ctx, orchard.SlipAt{At: k.at(k.vase)})
			if err == nil {
				text, _ := json.Marshal(slip)
				answers[i] = string(text)
			}
		})
	}
	wait.Wait()
	require.NotEmpty(t, answers[0])
	for _, a := range answers[1:] {
		require.Equal(t, answers[0], a)
	}
}

func TestALoggedSlipLeavesItsMapAndItsEntryOrNeither(t *testing.T) {
	k := open(t)
	at := orchard.SlipAt{At: k.at(k.vase)}
	slip, err := k.keeper.Slip(ctx, at)
	require.NoError(t, err)
	require.Greater(t, len(slip.Steps), 1)
	done := orchard.SlipDone{BasedOn: slip.Revision, Minutes: 25}
	for _, s := range slip.Steps {
		done.Cuts = append(done.Cuts, orchard.MadeCut{Cut: s.Cut})
	}
	stale := done
	stale.BasedOn = 99
	_, err = k.keeper.LogSlip(ctx, at, stale)
	require.Error(t, err, "a map that is not there")
	entries, _, err := k.store.Entries(ctx, orchardID(t, k))
	require.NoError(t, err)
	require.Empty(t, entries, "nothing half-written")

	made, err := k.keeper.LogSlip(ctx, at, done)
	require.NoError(t, err)
	require.Len(t, made.Entry.Made, len(done.Cuts))
	require.Greater(t, made.Entry.Map, slip.Revision)
	next, err := k.keeper.Slip(ctx, at)
	require.NoError(t, err)
	require.Equal(t, made.Entry.Map, next.Revision, "the map followed")
	require.InDelta(t, slip.Gauge.Account, next.Gauge.Account-next.Gauge.Slip, 0.02, "and the account knows what went")
	for _, s := range next.Steps {
		for _, c := range done.Cuts {
			require.NotEqual(t, c.Cut, s.Cut, "what was cut is not asked for again")
		}
	}
}

func orchardID(t *testing.T, k *kept) string {
	t.Helper()
	o, err := k.store.Orchard(ctx, k.slug)
	require.NoError(t, err)
	return o.ID
}

func TestWhatIsImaginedLeavesNoTrace(t *testing.T) {
	k := open(t)
	before := k.revision()
	other, err := k.keeper.OtherSchool(ctx, k.slug, k.today, "renewal-row")
	require.NoError(t, err)
	require.NotEmpty(t, other)
	ways, err := k.keeper.TwoWays(ctx, k.at(k.vase), [2]orchard.Way{{}, {Preset: "renewal-row"}}, 1)
	require.NoError(t, err)
	require.NotNil(t, ways)
	_, warnings, err := k.keeper.CheckTree(ctx, k.slug, &store.Tree{Kind: "peach", Form: "step-over", X: 3, Y: 3.2})
	require.NoError(t, err)
	require.NotEmpty(t, warnings, "an odd form, and hardly room")
	require.Equal(t, before, k.revision())
}

func TestAWhipIsHeadedAndNotSlipped(t *testing.T) {
	k := open(t)
	training, err := k.keeper.Training(ctx, k.at(k.whip))
	require.NoError(t, err)
	require.NotNil(t, training.Planting, "planting day is still ahead of its first spring")
	_, err = k.keeper.Slip(ctx, orchard.SlipAt{At: k.at(k.whip)})
	require.Error(t, err, "no map, no slip")
	p, err := k.keeper.Plan(ctx, k.slug, k.today)
	require.NoError(t, err)
	body, err := p.TreeBody(k.whip.ID, k.today)
	require.NoError(t, err)
	kinds := map[string]bool{}
	for _, task := range body.Tasks {
		kinds[string(task.Kind)] = true
	}
	require.True(t, kinds["planting-cut"])
	require.False(t, kinds["dormant-cut"])
}
