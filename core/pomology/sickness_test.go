package pomology_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/pomology"
)

func TestEverySicknessHasAKindAndEveryHostASickness(t *testing.T) {
	carried := map[string]bool{}
	seen := map[string]bool{}
	for _, k := range pomology.Kinds() {
		for _, s := range pomology.SicknessesOf(k) {
			seen[s.Slug] = true
			require.NotEmpty(t, s.Look, s.Slug)
			for _, h := range s.Hosts {
				carried[h] = true
			}
			for _, slug := range s.Kinds {
				_, err := pomology.BySlug(slug)
				require.NoError(t, err, s.Slug)
			}
		}
	}
	require.NotEmpty(t, seen)
	for _, h := range pomology.Hosts() {
		require.True(t, carried[h.Slug], "%s carries nothing", h.Slug)
		delete(carried, h.Slug)
	}
	require.Empty(t, carried, "hosts that are not in their table")
}

func TestWhatStandsOutsideThreatensOnlyTreesThatCatchItAndDoNotResist(t *testing.T) {
	pear, err := pomology.BySlug("pear")
	require.NoError(t, err)
	fig, err := pomology.BySlug("fig")
	require.NoError(t, err)
	near := []string{"juniper"}
	got := pomology.Threats(pear, near, nil)
	require.Len(t, got, 1)
	require.Equal(t, "rust", got[0].Sickness.Slug)
	require.Equal(t, "juniper", got[0].Host.Slug)
	require.Empty(t, pomology.Threats(pear, near, []string{"rust"}))
	require.Empty(t, pomology.Threats(pear, nil, nil))
	require.Empty(t, pomology.Threats(fig, near, nil))
	require.Len(t, pomology.Threats(pear, []string{"hawthorn", "wild-apple"}, nil), 3, "each sickness once")
}
