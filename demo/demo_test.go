package demo_test

import (
	"context"
	"fmt"
	"path/filepath"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/almanac"
	"vertumna/core/find"
	"vertumna/core/limb"
	"vertumna/core/year"
	"vertumna/demo"
	"vertumna/store"
)

func TestTheDemoIsBelievableOnAnyDay(t *testing.T) {
	for _, today := range []almanac.Day{almanac.DateOf(2026, 11, 25), almanac.DateOf(2027, 2, 20), almanac.DateOf(2027, 7, 1), almanac.DateOf(2028, 1, 1)} {
		s, err := store.Open(context.Background(), filepath.Join(t.TempDir(), "d.db"))
		require.NoError(t, err)
		require.NoError(t, demo.Fill(context.Background(), s, today))
		for slug, least := range map[string]struct{ trees, kinds int }{"lower-terrace": {16, 11}, "saltwind": {6, 5}} {
			c, err := s.Contents(context.Background(), slug)
			require.NoError(t, err)
			require.Len(t, c.Trees, least.trees)
			kinds := map[string]bool{}
			for i := range c.Trees {
				kinds[c.Trees[i].Kind] = true
				core, err := c.Trees[i].Core()
				require.NoError(t, err)
				errs, _ := year.CheckTree(&core, "", nil, nil, today)
				require.Empty(t, errs, c.Trees[i].Code)
			}
			require.GreaterOrEqual(t, len(kinds), least.kinds)
			require.Greater(t, len(c.Entries), 15*least.trees)
			for i := range c.Entries {
				e := c.Entries[i].Core()
				require.Empty(t, year.CheckEntry(&e, nil, today), "%+v", e)
			}
			requireMaps(t, s, c, today)
			oldest := c.Entries[0].Date
			require.Greater(t, int(today-oldest), 700, "two tree years of journal")
			y, err := c.Yard(today)
			require.NoError(t, err)
			for _, season := range year.Seasons(today, c.Orchard.Site.South()) {
				ens, err := almanac.NewEnsemble(c.Orchard.Site, 1, nil, season)
				require.NoError(t, err)
				_, err = year.Make(y, ens, today)
				require.NoError(t, err)
			}
		}
		require.NoError(t, s.Close())
	}
}

// requireMaps: every tree has a map with faults of its own, and some have maps of the two years before.
func requireMaps(t *testing.T, s *store.Store, c *store.Contents, today almanac.Day) {
	t.Helper()
	told := map[string]string{}
	past := 0
	for i := range c.Trees {
		tree := &c.Trees[i]
		kept, err := s.MapAsOf(context.Background(), tree.ID, today)
		require.NoError(t, err, tree.ID)
		m, err := limb.Check(kept.Doc)
		require.NoError(t, err, tree.ID)
		require.InDelta(t, 100*tree.HeightM, m.Height(), 60*tree.HeightM, tree.ID)
		var faults []string
		for _, f := range find.Findings(m, find.Reading{}) {
			faults = append(faults, string(f.Code)+" "+f.Limb)
		}
		if !tree.AsWhip {
			require.NotEmpty(t, faults, tree.ID)
			require.Empty(t, told[fmt.Sprint(faults)], tree.ID)
			told[fmt.Sprint(faults)] = tree.ID
		}
		if _, err := s.MapAsOf(context.Background(), tree.ID, today-700); err == nil {
			past++
		}
	}
	if c.Orchard.Slug == "lower-terrace" {
		require.GreaterOrEqual(t, past, 3)
	}
}
